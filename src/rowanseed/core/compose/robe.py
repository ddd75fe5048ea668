"""A robe of rectangles: straight back and fronts, straight sleeves, a band from hem to hem round the neck, a tie belt.

Plain geometry: every seam is straight, so front and back meet at shoulder, armhole and side without shaping.
"""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.bands import along, band_draw, folded
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Sleeve
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.figures import sewn_below
from rowanseed.core.compose.hems import hem
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.sleeves import SHARE, finish_end
from rowanseed.core.compose.vocabulary import BeltKind, Interfaced, SleeveLength
from rowanseed.core.pattern.making import FinishKind, Press
from rowanseed.core.pattern.pieces import LineKind, Panel

BAND = 45.0
"""Finished width of the band, in mm."""
LAPS = 60.0
"""So far the fronts reach beyond the centre, in mm."""
V = 330.0
"""Where the fronts meet, below the neck point, in mm."""


def _long(build: Build, size: Size) -> float:
    return size.length - sewn_below(build.description)


def _wide(size: Size) -> float:
    return max(size.bust, size.hip) / 4


def _armhole(size: Size) -> float:
    return size.underarm + 40.0


def _neck(size: Size) -> float:
    return size.neck / 6 + 15.0


def robe(build: Build) -> None:
    """The whole robe."""
    _panels(build)
    _sleeves(build)
    _band(build)
    build.join("shoulders", "Shoulder seams", (part("front", "shoulder"),), (part("back", "shoulder"),), each_hand=True)
    build.join("sides", "Side seams", (part("front", "side"),), (part("back", "side"),), each_hand=True)
    hem(build, (part("front", "hem"), part("back", "hem")))
    features = build.description.features
    if features.belt is None:
        build.description = replace(build.description, features=replace(features, belt=BeltKind.TIE))
        build.assumed["features.belt"] = "a tie belt"


def _panels(build: Build) -> None:
    def back(size: Size) -> Edges:
        wide, down, neck = _wide(size), _armhole(size), _neck(size)
        return {
            "centre": straight((0.0, 0.0), (_long(build, size), 0.0)),
            "hem": straight((_long(build, size), 0.0), (_long(build, size), wide)),
            "side": straight((_long(build, size), wide), (down, wide)),
            "armhole": straight((down, wide), (0.0, wide)),
            "shoulder": straight((0.0, wide), (0.0, neck)),
            "neck": straight((0.0, neck), (0.0, 0.0)),
        }

    def front(size: Size) -> Edges:
        wide, down, neck = _wide(size), _armhole(size), _neck(size)
        return {
            "opening": straight((0.0, neck), (V, -LAPS), (_long(build, size), -LAPS)),
            "hem": straight((_long(build, size), -LAPS), (_long(build, size), wide)),
            "side": straight((_long(build, size), wide), (down, wide)),
            "armhole": straight((down, wide), (0.0, wide)),
            "shoulder": straight((0.0, wide), (0.0, neck)),
        }

    build.piece("front", "Front", front, panel=Panel.FRONT, count=2, pair=True, hem=("hem",))
    build.piece("back", "Back", back, panel=Panel.BACK, count=1, fold="centre", hem=("hem",))
    for id in ("front", "back"):
        build.line(id, LineKind.LEVEL, "bust", lambda size: ((_armhole(size), 0.0), (_armhole(size), _wide(size))))
        build.line(
            id,
            LineKind.LENGTHEN_SHORTEN,
            "body-length",
            lambda size: ((_armhole(size) + 120.0, 0.0), (_armhole(size) + 120.0, _wide(size))),
        )


def _sleeves(build: Build) -> None:
    asked = build.description.features.sleeve or Sleeve(length=SleeveLength.THREE_QUARTER)

    def draw(size: Size) -> Edges:
        wide = 2 * _armhole(size)
        reach = size.arm + size.shoulder + _neck(size) - _wide(size)
        long = max(120.0, reach * SHARE[asked.length])
        return {
            "underarm-front": straight((0.0, 0.0), (long, 0.0)),
            "wrist": straight((long, 0.0), (long, wide)),
            "underarm-back": straight((long, wide), (0.0, wide)),
            "cap": straight((0.0, wide), (0.0, 0.0)),
        }

    build.piece("sleeve", "Sleeve", draw, panel=Panel.SLEEVE, count=2, pair=True, hem=("wrist",))
    build.line(
        "sleeve",
        LineKind.LENGTHEN_SHORTEN,
        "sleeve-length",
        lambda size: ((60.0, 0.0), (60.0, 2 * _armhole(size))),
    )
    sides = (part("sleeve", "underarm-front"),), (part("sleeve", "underarm-back"),)
    build.join("underarms", "Sleeve seams", *sides, each_hand=True)
    holes = (part("front", "armhole"), part("back", "armhole"))
    build.join("armholes", "Sleeves into armholes", (part("sleeve", "cap"),), holes, press=Press.BACK, each_hand=True)
    build.along["armhole"] = ("armholes",)
    finish_end(build, asked, (part("sleeve", "wrist"),))


def _band(build: Build) -> None:
    edges = (part("front", "opening"), part("back", "neck"))

    def draw(size: Size) -> Edges:
        return band_draw(along(build, edges, size), 2 * BAND, ("inner", "back-end", "front", "end"))

    build.piece("band", "Band", draw, panel=Panel.BAND, count=2, pair=True)
    folded(build, "band", BAND)
    build.interface("band", Interfaced.FRONT, Interfaced.PLACKETS)
    ends = (part("band", "back-end", "left"),), (part("band", "back-end", "right"),)
    build.join("band-seam", "Seam of the band, at the centre back", *ends)
    build.join("bands", "Band to fronts and neck", edges, (part("band", "front"),), press=Press.BAND, each_hand=True)
    inside = (part("band", "inner"), part("band", "end"))
    build.finish("band-inside", "Inside of the band", FinishKind.TURNED, inside)
    build.along |= {"front": ("bands",), "neck": ("bands",)}
