"""A seam taken in or let out."""

from __future__ import annotations

from rowanseed.core.alter import seam as along_seams
from rowanseed.core.alter.blend import blendable
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.pattern.pattern import Pattern


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    levels = blendable(pattern, size)
    return tuple(
        place
        for join in along_seams.takeable(pattern)
        for place in (
            Place(f"{join.name}, all along", at=join.id),
            *(Place(f"{join.name}, at the {level}", at=join.id, level=level) for level in levels),
        )
    )


def _named(alteration: Alteration, pattern: Pattern) -> str:
    join = next((j for j in pattern.making.joins if j.id == alteration.at), None)
    level = f", at the {alteration.level}" if alteration.level else ""
    return f"{join.name if join else alteration.at}{level}"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    a = told.alteration
    edges = along_seams.edge_count(told.pattern, told.pattern.making.join(a.at))
    where = f"At the {a.level} mark a point" if a.level else "All along the seam mark points"
    taper = "Draw a smooth curve from there to nothing at the next levels." if a.level else "Join them."
    side = "outside" if told.more else "inside"
    return (
        f"{where} {told.show(a.by / edges)} {side} the cutting line, on each of the two edges. {taper}",
        f"The seam goes round the garment {edges} edges, so that makes {told.figure} in all.",
        "Cut on the new line; the seam allowance stays as it was.",
    )


KIND = AlterationKind(
    id="seam",
    name="A seam",
    order=30,
    sense="let out",
    opposite="taken in",
    most=200,
    why="the seam runs along it",
    offered=lambda pattern, size: bool(along_seams.takeable(pattern)),
    carry_out=lambda pattern, size, a: along_seams.change_at_seam(pattern, size, a.at, a.by, a.level),
    tissue=_tissue,
    places=_places,
    named=_named,
)
