"""The band at the lower edge of a front that opens, as of a blouson: in two halves, folded over the edge, its ends
where the front's edges are.

It is as long as its edge, and lies along the cloth; of a knit or of ribbing it is stretched on, and lies across.
"""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.bands import along
from rowanseed.core.compose.bodice import FRONT_BAND
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.facing import ALONG_OPENING
from rowanseed.core.compose.facing_drawn import beside_of
from rowanseed.core.compose.fastenings import fastening_mark, fastens_below
from rowanseed.core.compose.laps import extension
from rowanseed.core.compose.openings import placket
from rowanseed.core.compose.proportion import band_share
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.stretched_bands import of_what
from rowanseed.core.compose.vocabulary import Interfaced, OpeningKind, Placket
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Panel, Role

ID = "lower-band"
NEAR, NEAR_INSIDE = "near-end", "near-end-inside"
"""Its end at the opening: all of it, or its outer half and then the inner one, where these are sewn to different
edges."""


def open_band(build: Build, parts: tuple[EdgePart, ...], *, depth: float) -> None:
    """Draft it on these edges of one half of the garment, from the centre front on; folded it is `depth` wide."""
    description = build.description
    stretched = description.bands_stretch
    share = band_share(description) if stretched else 1.0
    zipped = description.features.opening.kind is OpeningKind.SEPARATING_ZIP

    def turned(at: Point) -> Point:
        """A place so far along the band and so far across it, as the band lies on the grain."""
        return (at[1], -at[0]) if stretched else at

    def draw(size: Size) -> Edges:
        long = along(build, parts, size) * share
        corners = [turned(at) for at in ((0.0, 0.0), (long, 0.0), (long, 2 * depth), (0.0, 2 * depth))]
        fold = turned((0.0, depth))
        halves = {NEAR: (corners[3], fold), NEAR_INSIDE: (fold, corners[0])}
        ends = halves if zipped else {NEAR: (corners[3], corners[0])}
        sides = {"inner": corners[:2], "far-end": corners[1:3], "edge": corners[2:], **ends}
        return {edge: straight(*run) for edge, run in sides.items()}

    build.piece(
        ID,
        "Lower band",
        draw,
        panel=Panel.BAND,
        count=2,
        pair=True,
        role=of_what(description) if stretched else Role.MAIN,
    )
    if not stretched:
        build.interface(ID, Interfaced.WAISTBAND)
    build.line(
        ID,
        LineKind.FOLD,
        "fold",
        lambda size: (turned((0.0, depth)), turned((chain_length(build.edge(ID, "inner", size)), depth))),
    )
    build.join(
        f"{ID}-seam",
        "Seam of the lower band at the centre back",
        (part(ID, "far-end", "left"),),
        (part(ID, "far-end", "right"),),
    )
    build.join(
        ID,
        "Lower band to the lower edge",
        parts,
        (part(ID, "edge"),),
        press=Press.BAND,
        difference=Difference(DifferenceKind.STRETCHED_ON, 1 / share) if stretched else Difference(),
    )
    inside = ("inner",) if zipped else ("inner", NEAR)
    build.finish(f"{ID}-inside", "Inside of the lower band", FinishKind.TURNED, (part(ID, edge) for edge in inside))
    if zipped:
        _in_the_seam_of_the_zip(build)
    mark = fastening_mark(description)
    if mark is not None and fastens_below(description):
        in_band = placket(description) is Placket.BAND
        at = turned((FRONT_BAND / 2 if in_band else extension(description), 1.5 * depth))
        build.point(ID, InnerPoint(f"{ID}-button", mark, {size.name: at for size in build.figures.sizes}))


def _in_the_seam_of_the_zip(build: Build) -> None:
    """The seam of the facing goes on over the band's end: its outer half to its inner one, with the zip between."""
    outer, inner = part(ID, NEAR), part(ID, NEAR_INSIDE)

    def on(parts: tuple[EdgePart, ...], end: EdgePart) -> tuple[EdgePart, ...]:
        """Beyond the edge that opens down to the band, which is the first of the seam or its last."""
        return (end, *parts) if parts[0].edge == "opening" and _reaches(build, parts[0]) else (*parts, end)

    build.joins = [
        replace(join, a=on(join.a, outer), b=on(join.b, inner)) if join.id == ALONG_OPENING else join
        for join in build.joins
    ]


def _reaches(build: Build, opening: EdgePart) -> bool:
    """Whether an edge that opens ends at the lower edge."""
    return "hem" in beside_of(build.pieces[opening.piece], opening.edge)
