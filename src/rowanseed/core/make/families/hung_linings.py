"""A lining that no seam encloses: where it ends at a seam, where at a facing."""

from __future__ import annotations

from rowanseed.core.derive.lined_part import ALONG
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Finish, Join

KEY = "lining"


WAIST = f"{KEY} waist"
"""What is given a fact once garment and lining are sewn together at the waist."""


ID = "lining hung by hand"


def ends_at_seam(finish: Finish) -> bool:
    """Whether a lining of a part of the garment ends here, at a seam to what is not lined."""
    return finish.id.startswith(ALONG)


def from_facing(bench: Workbench) -> list[Join]:
    return [j for j in bench.joins.values() if pieces_of(j.a) <= bench.hung and pieces_of(j.b) <= bench.facings]
