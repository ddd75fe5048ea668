"""Straight bands: waistbands, cuffs, front bands, neck bands; folded over the edge they are sewn to."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.sizes import Size
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Closure, ClosureKind, Difference, DifferenceKind, EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Mark, MarkKind, Panel, PointKind
from rowanseed.core.pattern.walk import length_on


def along(build: Build, parts: Iterable[EdgePart], size: Size) -> float:
    """The length of some edges, or parts of them, on their pieces as drawn, darts taken off."""
    return sum(length_on(build.pieces[p.piece], size.name, p) for p in parts)


def band_draw(long: float, wide: float, edges: tuple[str, str, str, str]) -> Edges:
    """A rectangle `long` along the grain and `wide` across; edges from the lower side on, counter-clockwise."""
    corners = [(0.0, 0.0), (long, 0.0), (long, wide), (0.0, wide), (0.0, 0.0)]
    return {edge: straight(corners[k], corners[k + 1]) for k, edge in enumerate(edges)}


def folded(build: Build, id: str, wide: float) -> None:
    build.line(
        id,
        LineKind.FOLD,
        "fold",
        lambda size: (
            (0.0, wide),
            (chain_length(build.pieces[id].shapes[size.name].edges["inner"]), wide),
        ),
    )


@dataclass(frozen=True)
class Laps:
    """How far the ends of a cuff reach past the edge that it is sewn to, in mm: the end beneath, and the upper one; and
    how far they lie over each other as it is worn."""

    under: float
    over: float = 0.0
    worn: float = 0.0


def cuff(
    build: Build,
    parts: tuple[EdgePart, ...],
    *,
    depth: float,
    ratio: float,
    id: str = "cuff",
    laps: Laps | None = None,
) -> None:
    """A cuff folded over the end of a sleeve or a leg: a closed ring, or buttoned where a placket opens it."""
    past = laps or Laps(0.0)

    def draw(size: Size) -> Edges:
        long = along(build, parts, size) / ratio + past.under + past.over
        return band_draw(long, 2 * depth, ("inner", "end", "sleeve", "start"))

    build.piece(id, "Cuff", draw, panel=Panel.BAND, count=2, pair=True)
    folded(build, id, depth)
    inside = [part(id, "inner")]
    if laps is None:
        edge = part(id, "sleeve")
        build.join(f"{id}-ends", "Cuff seams", (part(id, "start"),), (part(id, "end"),), each_hand=True)
    else:
        edge = _between_the_laps(build, id, laps)
        inside += [part(id, "end"), part(id, "start")]
    build.join(
        f"{id}s",
        "Cuffs to sleeves" if id == "cuff" else "Cuffs to legs",
        parts,
        (edge,),
        press=Press.BAND,
        each_hand=True,
        difference=Difference(DifferenceKind.GATHERS, ratio) if ratio > 1 else Difference(),
    )
    build.finish(f"{id}-inside", "Inside of the cuffs", FinishKind.TURNED, inside)
    if laps is not None:
        # The hole in the middle of the lap: the button then stands as far from the other end.
        back = laps.worn / 2
        at = {s.name: (chain_length(draw(s)["inner"]) - back, 1.5 * depth) for s in build.figures.sizes}
        build.point(id, InnerPoint(f"{id}-buttonhole", PointKind.BUTTONHOLE, at))
        build.closures.append(Closure(f"{id}-buttons", ClosureKind.BUTTONS, f"{id}s"))


def _between_the_laps(build: Build, id: str, laps: Laps) -> EdgePart:
    """The part of a cuff's edge that is as long as the edge it is sewn to; its ends are notched."""
    build.mark(id, Mark("opening", MarkKind.NOTCH, "sleeve", "end", build.each(lambda size: laps.under)))
    if not laps.over:
        return EdgePart(id, "sleeve", None, None, "opening")
    build.mark(id, Mark("overlap", MarkKind.NOTCH, "sleeve", "start", build.each(lambda size: laps.over)))
    return EdgePart(id, "sleeve", None, "overlap", "opening")


def waistband(build: Build, parts: tuple[EdgePart, ...], *, opening: str, ratio: float = 1.0) -> None:
    """A band folded over the waist, with an underlap where it opens.

    `parts` are one half of the waist. Where it opens at the centre front or back the band is cut in two halves, joined
    on the other side; elsewhere it is one piece that begins and ends at the opening: seen from outside, its seam below,
    it begins at the left.
    """
    asked = build.description.features.band
    lap, depth = asked.underlap if opening else 0.0, asked.width
    halved = is_halved(build, opening)
    whole = parts if halved else _round_the_waist(build, parts, opening)

    def draw(size: Size) -> Edges:
        return band_draw(along(build, whole, size) / ratio + lap, 2 * depth, ("inner", "far-end", "waist", "near-end"))

    count = 2 if halved else 1
    build.piece("waistband", "Waistband", draw, panel=Panel.BAND, count=count, pair=halved)
    if halved:
        far = "back" if opening == "front" else "front"
        build.join(
            "waistband-seam",
            f"Waistband seam at the centre {far}",
            (part("waistband", "far-end", "left"),),
            (part("waistband", "far-end", "right"),),
        )
    ends = ("near-end",) if halved else ("far-end", "near-end")
    waist = part("waistband", "waist")
    if lap:
        first = not halved and lies_under_first(build, opening)
        anchor, ends_at = ("start", ("opening", None)) if first else ("end", (None, "opening"))
        build.mark("waistband", Mark("opening", MarkKind.NOTCH, "waist", anchor, build.each(lambda size: lap)))
        waist = EdgePart("waistband", "waist", None, *ends_at)
    folded(build, "waistband", depth)
    build.join(
        "waist",
        "Waistband to waist",
        whole,
        (waist,),
        press=Press.BAND,
        difference=Difference(DifferenceKind.GATHERS, ratio) if ratio > 1 else Difference(),
    )
    inside = (part("waistband", edge) for edge in ("inner", *ends))
    build.finish("waistband-inside", "Inside of the waistband", FinishKind.TURNED, inside)
    build.along["waist"] = ("waist",)


def is_halved(build: Build, opening: str) -> bool:
    """Whether a waistband is cut in two halves that are joined where nothing opens."""
    parts = build.description.features.band.parts
    return opening in ("back", "front") if parts is None else parts == 2


def lies_under_first(build: Build, opening: str) -> bool:
    """Whether the end at which a band in one piece begins lies beneath the other: the back's at a side, the right one
    at the back; at the front the left one on women's garments, whose right front laps over."""
    return opening != "front" or build.description.figure is Figure.WOMEN


WITHIN = 4.0
"""What is sewn behind a band ends so far within it, in mm (common practice, no source)."""


def beneath(wide: float, seam: float) -> float:
    """The allowance, in mm, that reaches down behind a band so wide, where it is usually `seam`."""
    return min(seam, wide - WITHIN)


def _round_the_waist(build: Build, parts: tuple[EdgePart, ...], opening: str) -> tuple[EdgePart, ...]:
    """All edges of a waist, of which one half is given from the centre front on, from the opening round to it again."""
    left, right = (tuple(part(p.piece, p.edge, hand) for p in parts) for hand in ("left", "right"))
    match opening:
        case "front":
            return (*left, *right[::-1])
        case "side":
            backs = sum(build.pieces[p.piece].panel is Panel.BACK for p in parts)
            return (*left[len(left) - backs :], *right[::-1], *left[: len(left) - backs])
        case _:
            return (*right[::-1], *left)
