"""Seams left open from the hem up: slits and vents."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import SHAPED, length_of
from rowanseed.core.compose.vocabulary import GarmentKind, OpeningKind
from rowanseed.core.geometry.outline import Chain, chain_length, split_chain
from rowanseed.core.pattern.making import VENT_EDGE, Detail, DetailKind, EdgePart, FinishKind
from rowanseed.core.pattern.pieces import EdgeSpec, LineKind, Mark, MarkKind

WRAP = 50.0
"""How far the two sides of a vent lap over each other, in mm: so much is cut on at each."""
HIP = 40.0
"""A vent begins so far, in mm, below the hip at least: above it nothing hangs free."""
SLIT = 200.0
"""The usual length of a slit or vent, in mm; of a short garment at most two fifths from the waist down."""
SHORTEST = 60.0
"""A vent shorter than this, in mm, gives no room to walk."""


AT_THE_NECK = (OpeningKind.SLIT, OpeningKind.KEYHOLE)


def open_from_the_hem(build: Build, body: Body, join: str, kind: DetailKind, long: float = SLIT) -> None:
    """The centre back seam (`centre-back`) or the side seams (`sides`) left open up to a dot on the back's edge."""
    back = body.back if body.below is None else body.below[1]
    # Centres run from the top down, sides from the hem up.
    where = back.centre[-1] if join == "centre-back" else back.side[0]
    seam = f"skirt-{join}" if body.below is not None else join
    if kind is DetailKind.VENT:
        reach = build.each(lambda size: _vent(build, where, size, long))
        _cut_apart(build, where, reach)
        anchor, reach = "end", build.each(lambda size: 0.0)
        edges = (part(where.piece, VENT_EDGE),)
        build.finish("vent-edges", "Edges of the vent", FinishKind.NEATENED, edges)
    else:
        anchor = "end" if where.edge == "centre" else "start"
        reach = build.each(lambda size: min(long, 0.4 * length_of(build, size)))
    build.mark(where.piece, Mark("slit-end", MarkKind.DOT, where.edge, anchor, reach))
    # One at the neck is called so already.
    own = "seam-slit" if build.description.features.opening.kind in AT_THE_NECK else "slit"
    build.details.append(Detail(own, kind.value.capitalize(), kind, along=(seam,), to_mark=(where.piece, "slit-end")))


def _vent(build: Build, where: EdgePart, size: Size, long: float) -> float:
    """How long a vent is: two fifths of a short garment, and nothing above the hip."""
    piece = build.pieces[where.piece]
    hip = piece.line(LineKind.LEVEL, "hip")
    hem = build.edge(where.piece, where.edge, size)[-1].end[0]
    below = hem - hip.ends[size.name][0][0] - HIP if hip is not None else long
    return max(SHORTEST, min(long, 0.4 * chain_length(build.edge(where.piece, where.edge, size)), below))


def _cut_apart(build: Build, where: EdgePart, reach: Mapping[str, float]) -> None:
    """The lower part of a seam's edge becomes the vent's own: it folds on the seam's line and laps by its allowance."""
    piece = build.pieces[where.piece]
    shapes = {}
    for size, shape in piece.shapes.items():
        chain = shape.edges[where.edge]
        seam, open_part = split_chain(chain, chain_length(chain) - reach[size])
        parted: dict[str, Chain] = {}
        for name, own in shape.edges.items():
            parted |= {name: seam, VENT_EDGE: open_part} if name == where.edge else {name: own}
        shapes[size] = replace(shape, edges=parted)
    k = next(k for k, e in enumerate(piece.edges) if e.name == where.edge)
    edges = (*piece.edges[: k + 1], EdgeSpec(VENT_EDGE, WRAP), *piece.edges[k + 1 :])
    build.change(where.piece, shapes=shapes, edges=edges)


def may_be_slit(d: Description) -> bool:
    """Whether it hangs straight or in an A-line from the waist, so that a seam can be left open at its hem."""
    shaped = d.features.skirt is None or d.features.skirt.kind in SHAPED
    return shaped and not d.garment.has_legs and d.garment not in (GarmentKind.APRON, GarmentKind.ROBE)
