"""Seams left open from the hem up: slits and vents."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, GarmentKind
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.skirts import SHAPED, length_of
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pieces import Mark, MarkKind

SLIT = 200.0
"""The usual length of a slit or vent, in mm; of a short garment at most two fifths from the waist down."""


def open_from_the_hem(build: Build, body: Body, join: str, kind: DetailKind) -> None:
    """The centre back seam (`centre-back`) or the side seams (`sides`) left open up to a dot on the back's edge."""
    back = body.back if body.below is None else body.below[1]
    where = (back.centre if join == "centre-back" else back.side)[-1]
    anchor = "end" if where.edge == "centre" else "start"
    reach = build.each(lambda size: min(SLIT, 0.4 * length_of(build, size)))
    build.mark(where.piece, Mark("slit-end", MarkKind.DOT, where.edge, anchor, reach))
    seam = f"skirt-{join}" if body.below is not None else join
    build.details.append(
        Detail("slit", kind.value.capitalize(), kind, along=(seam,), to_mark=(where.piece, "slit-end"))
    )


def may_be_slit(d: Description) -> bool:
    """Whether it hangs straight or in an A-line from the waist, so that a seam can be left open at its hem."""
    shaped = d.features.skirt is None or d.features.skirt.kind in SHAPED
    return shaped and d.garment not in (GarmentKind.APRON, GarmentKind.ROBE, GarmentKind.TROUSERS)
