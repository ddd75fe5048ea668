"""A neck that ends in a band of a knit or of ribbing whose ends are at an open front, as of a blouson: folded over the
neck, stretched on, its ends closed."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.bands import along
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import neck_parts
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import is_band_open
from rowanseed.core.compose.proportion import band_share, in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.stretched_bands import across, fold_across, of_what
from rowanseed.core.pattern.making import Difference, DifferenceKind, FinishKind, Press
from rowanseed.core.pattern.pieces import Panel

ID = "neck-band"
DEPTH = 40.0
"""How wide it is when it is folded, in mm (common practice, no source)."""
EDGES = ("inner", "far-end", "neck", "near-end")


def finish(build: Build, body: Body) -> None:
    half, share = neck_parts(body), band_share(build.description)
    whole = tuple(replace(p, hand=hand) for hand in ("left", "right") for p in half)
    depth = in_proportion(build.description, DEPTH)

    def draw(size: Size) -> Edges:
        return across(2 * along(build, half, size) * share, 2 * depth, EDGES)

    build.piece(ID, "Neck band", draw, panel=Panel.BAND, role=of_what(build.description))
    fold_across(build, ID, depth)
    build.join(
        "neck",
        "Neck band to the neck",
        whole,
        (part(ID, "neck"),),
        press=Press.BAND,
        difference=Difference(DifferenceKind.STRETCHED_ON, 1 / share),
    )
    inside = (part(ID, edge) for edge in ("inner", "far-end", "near-end"))
    build.finish(f"{ID}-inside", "Inside of the neck band", FinishKind.TURNED, inside)
    build.along["neck"] = ("neck",)
    build.assumed["features.neck.finish"] = (
        f"the band is {in_both(depth)} wide when it is folded, and ends at the opening"
    )


FEATURES = (Feature("open-neck-band", asked=is_band_open, ends=frozenset({Ended.NECK}), finish=finish),)
