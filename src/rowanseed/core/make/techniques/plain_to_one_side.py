"""Plain seam, both edges to one side."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.plain_seams import sewn_seam
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import simple_seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import (
    Press,
)


def finds_one_side(bench: Workbench) -> Iterator[Duty]:
    """Seams meant to be pressed open that may as well lie to one side, both edges finished as one."""
    for join in simple_seams(bench):
        if join.press is Press.OPEN and not bench.bends.needs_clips((*join.a, *join.b)):
            yield single(join.id)


def to_one_side(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield from sewn_seam(bench, duty, is_open=False)


TECHNIQUE = Technique(
    id="plain-to-one-side",
    name="Plain seam, both edges to one side",
    chapter="seams",
    finds=finds_one_side,
    sews=to_one_side,
    rank=91,
    usual=False,
    iso="1.01",
    draw="seam to one side",
)
