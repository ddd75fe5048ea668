"""Bands of their own along open edges, folded over them, and closed along them."""

from __future__ import annotations

from rowanseed.core.compose.bands import along, band_draw, folded
from rowanseed.core.compose.bodice import FRONT_BAND
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import hem_on_band, neck_on_band
from rowanseed.core.compose.fastenings import closing
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import runs_over_bands
from rowanseed.core.compose.openings import opening_half, placket
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Interfaced, Placket
from rowanseed.core.pattern.making import FinishKind, Press
from rowanseed.core.pattern.pieces import Panel


def finish(build: Build, body: Body) -> None:
    half = opening_half(body, build.description)
    edges = tuple(half.centre)

    def draw(size: Size) -> Edges:
        return band_draw(along(build, edges, size), 2 * FRONT_BAND, ("inner", "end", "front", "top"))

    name = half.name.capitalize()
    build.piece("band", f"{name} band", draw, panel=Panel.BAND, count=2, pair=True)
    folded(build, "band", FRONT_BAND)
    build.interface("band", Interfaced.PLACKETS, Interfaced.FRONT)
    build.join("bands", f"{name} bands", edges, (part("band", "front"),), press=Press.BAND, each_hand=True)
    inside = [part("band", "inner")]
    if build.description.ends_in_band:
        hem_on_band(build, half)
    else:
        inside.append(part("band", "end"))
    if runs_over_bands(build.description):
        neck_on_band(build, half)
    else:
        inside.append(part("band", "top"))
    build.finish("band-inside", "Inside of the bands", FinishKind.TURNED, inside)
    build.along["front"] = ("bands",)
    closing(build, half, "bands")


FEATURES = (
    Feature(
        "placket-band",
        asked=lambda d: placket(d) is Placket.BAND,
        ends=frozenset({Ended.OPENING}),
        finish=finish,
    ),
)
