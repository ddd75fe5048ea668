"""Buttons and buttonholes."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.buttonholes import by_machine, finds, sewn_on, why_not
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield by_machine(bench, duty)
    yield from sewn_on(bench, duty)


TECHNIQUE = Technique(
    id="buttons",
    name="Buttons and buttonholes",
    chapter="closures",
    finds=finds,
    why_not=why_not,
    sews=sews,
    rank=20,
    words={"shank": "the stem of thread between a button and the cloth"},
    draw="buttonhole",
)
