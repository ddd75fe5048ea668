"""A skirt that wraps: open all the way, one edge far over the other, tied at its band."""

from __future__ import annotations

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.facing import face
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.openings import is_wrapped_skirt, opening_half, placket
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import WRAPS, waist_of
from rowanseed.core.compose.vocabulary import Placket, SkirtKind
from rowanseed.core.compose.waists import fullness
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Mark, MarkKind, Panel
from rowanseed.core.pattern.walk import length_on

TURNED = 20.0
"""What its edges are turned in by, in two folds, in mm."""
TIE_WIDE, NARROWER, BOW = 25.0, 8.0, 500.0
"""How wide a tie is finished, and narrower than its band by so much at least; how much longer than half the waist, in
mm: one of them goes round behind."""


def forbids(d: Description) -> Found:
    if d.features.opening.placket not in (None, Placket.FACING):
        yield (
            "features.opening.placket",
            "The edges of a skirt that wraps are turned in or faced: nothing buttons.",
        )
    skirt = d.features.skirt
    if skirt is not None and skirt.kind is SkirtKind.CARTRIDGE_PLEATS:
        yield (
            "features.skirt.kind",
            "Cartridge pleats stand off a band all round: a skirt that wraps has others.",
        )


def finish(build: Build, body: Body) -> None:
    """Its edges: faced where that is asked for, else turned in."""
    half = opening_half(body, build.description)
    middle = build.figures.sizes[len(build.figures.sizes) // 2]
    laps = 2 * WRAPS * waist_of(build, middle) / 4
    build.assumed["features.opening"] = f"it laps by {in_both(round(laps, -1))} in size {middle.name}"
    if placket(build.description) is Placket.FACING:
        face(build, "opening", f"{half.name} edges", half.centre)
        build.along["front"] = ("opening-facing",)
        return
    for p in half.centre:
        build.allow(p.piece, p.edge, TURNED)
    name = f"{half.name.capitalize()} edges"
    build.finish("front-edges", name, FinishKind.TURNED, half.centre, (TURNED / 2, TURNED / 2))
    build.along["front"] = ("front-edges",)


def adds(build: Build) -> None:
    """The ties at the ends of its band, and where the one beneath comes out."""
    wide = min(TIE_WIDE, build.description.features.band.width - NARROWER)

    def draw(size: Size) -> Edges:
        return band_draw(waist_of(build, size) / 2 + BOW, 4 * wide, ("lower", "end", "upper", "sewn"))

    build.piece("tie", "Tie", draw, panel=Panel.OTHER, count=2, allowances={"lower": 0.0, "upper": 0.0})
    loose = (part("tie", edge) for edge in ("lower", "end", "upper"))
    build.finish("tie-edges", "Edges of the ties", FinishKind.TURNED, loose)
    build.finish("tie-ends", "Ends of the ties at the band", FinishKind.CAUGHT, (part("tie", "sewn"),))
    open_half = build.description.features.opening.where.value
    own = next(j for j in build.joins if j.id == "waist")
    covered = [p for p in own.a if p.piece == open_half and p.hand in (None, "left")]
    ratio = fullness(build.description)
    along = build.each(lambda size: sum(length_on(build.pieces[p.piece], size.name, p) for p in covered) / ratio)
    build.mark("waistband", Mark("slot", MarkKind.DOT, "waist", "end", along))
    build.details.append(
        Detail(
            "wrap-ties",
            "Ties at the waistband",
            DetailKind.TIES,
            pieces=("tie",),
            on=("waistband",),
            along=("waist", "waistband-inside"),
            count=2,
            width=wide,
        )
    )
    build.closures.append(Closure("opening", ClosureKind.TIES, "waist"))


FEATURES = (
    Feature(
        "wrapped-skirt",
        asked=is_wrapped_skirt,
        forbids=forbids,
        ends=frozenset({Ended.OPENING}),
        finish=finish,
        adds=adds,
        rank=10,
    ),
)
