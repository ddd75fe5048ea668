"""A lining that no seam encloses: where it ends at a seam, where at a facing."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.derive.lined_part import ALONG
from rowanseed.core.derive.lining_graph import band_at
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Join

KEY = "lining"


WAIST = f"{KEY} waist"
"""What is given a fact once garment and lining are sewn together at the waist."""


ID = "lining hung by hand"


def ends_at_seam(finish: Finish) -> bool:
    """Whether a lining of a part of the garment ends here, at a seam to what is not lined."""
    return finish.id.startswith(ALONG)


def felled_at_bands(bench: Workbench) -> Iterator[Finish]:
    """The lower edges of a lining that are felled to the seams of bands, once these are on."""
    for finish in bench.finishes.values():
        own = finish.kind is FinishKind.TURNED and pieces_of(finish.parts) <= bench.hung and not ends_at_seam(finish)
        if own and band_below(bench, finish) is not None:
            yield finish


def band_below(bench: Workbench, finish: Finish) -> tuple[Join, str] | None:
    """The seam of the band that takes up the garment's edge where a lining ends, and the band; None where none does."""
    part = finish.parts[0]
    return band_at(bench.pattern, EdgePart(bench.base_of(part.piece), part.edge))


def from_facing(bench: Workbench) -> list[Join]:
    return [j for j in bench.joins.values() if pieces_of(j.a) <= bench.hung and pieces_of(j.b) <= bench.facings]
