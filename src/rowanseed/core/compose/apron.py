"""An apron: a straight length that covers a share of the waist, on a band that goes all the way round and laps."""

from __future__ import annotations

from rowanseed.core.compose.bands import along
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.fastenings import fastening_mark
from rowanseed.core.compose.laps import EXTENSION
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import length_of
from rowanseed.core.compose.vocabulary import Interfaced, OpeningKind, SkirtKind
from rowanseed.core.compose.waists import fullness, tell_fullness
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import RUNS_ON, Closure, ClosureKind, Difference, DifferenceKind, FinishKind, Press
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Mark, MarkKind, Panel

TIED = 900.0
"""What an apron's band has more than the waist where its ends are tied, in mm."""


def is_tied(description: Description) -> bool:
    """Whether the ends of its band are tied, as they are where nothing else closes them."""
    return description.features.opening.kind in (None, OpeningKind.TIES)


def apron(build: Build) -> None:
    """A straight length that covers a share of the waist, on a band that goes all the way round and laps."""
    asked = build.description.features.skirt
    coverage = asked.coverage if asked and asked.coverage else 0.67
    if asked is None or asked.coverage is None:
        build.assumed["features.skirt.coverage"] = "two thirds of the waist"
    tell_fullness(build)
    ratio = max(1.2, fullness(build.description))

    def draw(size: Size) -> Edges:
        wide, long = size.body_waist * coverage / 2 * ratio, length_of(build, size)
        return {
            "centre": straight((0.0, 0.0), (long, 0.0)),
            "hem": straight((long, 0.0), (long, wide)),
            "side": straight((long, wide), (0.0, wide)),
            "waist": straight((0.0, wide), (0.0, 0.0)),
        }

    build.piece("front", "Apron skirt", draw, panel=Panel.FRONT, count=1, fold="centre", hem=("hem",))
    build.allow("front", "side", 20.0)
    build.finish("sides", "Sides of the apron", FinishKind.TURNED, (part("front", "side"),))
    covered = (part("front", "waist", "left"), part("front", "waist", "right"))
    asked_band = build.description.features.band
    ties = is_tied(build.description)

    def band(size: Size) -> Edges:
        lap = 0.0 if ties else asked_band.underlap
        beyond = size.body_waist * (1 - coverage) + (TIED if ties else 0.0)
        whole = along(build, covered, size) / ratio
        free, end, wide = beyond / 2, whole + beyond + lap, 2 * asked_band.width
        return {
            "inner": straight((0.0, 0.0), (end, 0.0)),
            "far-end": straight((end, 0.0), (end, wide)),
            RUNS_ON[1]: straight((end, wide), (free + whole, wide)),
            "waist": straight((free + whole, wide), (free, wide)),
            RUNS_ON[0]: straight((free, wide), (0.0, wide)),
            "near-end": straight((0.0, wide), (0.0, 0.0)),
        }

    build.piece("waistband", "Waistband with its ends", band, panel=Panel.BAND, count=1)
    build.line(
        "waistband",
        LineKind.FOLD,
        "fold",
        lambda size: (
            (0.0, asked_band.width),
            (chain_length(build.edge("waistband", "inner", size)), asked_band.width),
        ),
    )
    # Where the sides of the apron come: beyond them the band runs on.
    for id, anchor in (("side-left", "start"), ("side-right", "end")):
        build.mark("waistband", Mark(id, MarkKind.DOT, "waist", anchor, build.each(lambda size: 0.0)))
    build.interface("waistband", Interfaced.WAISTBAND)
    build.join(
        "waist",
        "Waistband to waist",
        covered,
        (part("waistband", "waist"),),
        press=Press.BAND,
        difference=Difference(DifferenceKind.GATHERS, ratio),
    )
    inside = ("inner", "far-end", *RUNS_ON[::-1], "near-end")
    build.finish(
        "waistband-inside", "Inside of the waistband", FinishKind.TURNED, (part("waistband", e) for e in inside)
    )
    build.along["waist"] = ("waist",)
    kind = ClosureKind.TIES if ties else _closure(build)
    build.closures.append(Closure("closing", kind, "waist"))
    fastening = fastening_mark(build.description)
    if fastening is not None:
        # At its back the right end is where the band begins: it laps over on women's.
        is_right = build.description.figure is Figure.WOMEN

        def at(size: Size) -> Point:
            whole = chain_length(build.edge("waistband", "inner", size))
            return (whole - EXTENSION if is_right else EXTENSION, 1.5 * asked_band.width)

        places = {size.name: at(size) for size in build.figures.sizes}
        build.point("waistband", InnerPoint("waistband-button", fastening, places))
    if asked is not None and asked.kind is SkirtKind.CARTRIDGE_PLEATS:
        build.ways.append(("waist", "cartridge-pleats"))


def _closure(build: Build) -> ClosureKind:
    kind = build.description.features.opening.kind
    return ClosureKind(kind.value.replace(" ", "-")) if kind is not None else ClosureKind.TIES
