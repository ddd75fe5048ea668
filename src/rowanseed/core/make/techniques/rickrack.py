"""Rickrack along an edge or a seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.trims import finds_along, held_along, trim_technique
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind


def rickrack(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield held_along(
        bench, duty, "rickrack", "rickrack", "its middle on the stitching line, so that half the waves look out"
    )


TECHNIQUE = trim_technique(DetailKind.RICKRACK, "Rickrack", finds_along(DetailKind.RICKRACK), rickrack, draw="trim")
