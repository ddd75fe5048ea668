"""Lace along an edge."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.trims import finds_along, held_along, trim_technique
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind


def lace(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield held_along(
        bench, duty, "lace", "lace", "its straight edge on the raw edge; gathered lace is drawn up by its own thread"
    )


TECHNIQUE = trim_technique(DetailKind.LACE, "Lace edging", finds_along(DetailKind.LACE), lace, draw="trim")
