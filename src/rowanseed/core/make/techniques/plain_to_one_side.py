"""Plain seam, both edges to one side."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.plain_seams import sewn_seam
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import why_not_simple
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import (
    Join,
    Press,
)


def _why_not(bench: Workbench, join: Join) -> str:
    """Seams meant to be pressed open that may as well lie to one side, both edges finished as one."""
    if join.press is not Press.OPEN:
        return "it lies to one side anyhow"
    return why_not_simple(bench, join) or (
        "it curves so much that its allowances have to be spread" if bench.bends.needs_clips((*join.a, *join.b)) else ""
    )


def to_one_side(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield from sewn_seam(bench, duty, is_open=False)


TECHNIQUE = Technique(
    id="plain-to-one-side",
    name="Plain seam, both edges to one side",
    chapter="seams",
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=to_one_side,
    rank=91,
    usual=False,
    iso="1.01",
    draw="seam to one side",
)
