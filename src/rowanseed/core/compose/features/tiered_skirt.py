"""A skirt of tiers: lengths of cloth gathered to each other, each fuller than the one above.

Every tier is gathered flat, half by half, so that side and centre seams run through all of them in one, as they do
through a yoke: zips and pockets lie in them as in any other skirt. What is wider than common cloth is cut in widths.
"""

from __future__ import annotations

import math
from itertools import pairwise

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.shaped_skirts import above_skirt, sew_below
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import beyond, centre_cut, length_of, sew_skirt, skirt_ids, skirt_panel
from rowanseed.core.compose.vocabulary import GarmentKind, SkirtKind
from rowanseed.core.compose.waists import skirt_fullness, tell_fullness
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, Press
from rowanseed.core.pattern.pieces import LineKind, Panel
from rowanseed.core.pattern.tiers import LOWER, TO_CENTRE, TO_SIDE, UPPER

TIERS = 3
"""So many tiers are usual (common practice, no source)."""
WIDEST, MOST_WIDTHS = 530.0, 4
"""No width of a tier is cut wider than this, in mm, so that one on the fold lies on cloth 115 cm (45 in) wide; half a
tier has so many at most, 8.4 m round (invented)."""
SHALLOWEST = 80.0
"""A tier is so deep at least, in mm."""


def tiers_of(description: Description) -> int:
    skirt = description.features.skirt
    return TIERS if skirt is None or skirt.tiers is None else skirt.tiers


def tiered_skirt(build: Build) -> tuple[Half, Half]:
    tell_fullness(build)
    skirt = build.description.features.skirt
    if skirt is not None and skirt.tiers is None:
        build.assumed["features.skirt.tiers"] = f"{TIERS} tiers, all equally deep"
    halves = (Half(True), Half(False))
    drafted = [_Drafted(build, half, id) for half, id in zip(halves, skirt_ids(build), strict=True)]
    if any(one.is_shallow for one in drafted):
        said = "Each of so many tiers is less than 8 cm (3 1/8 in) deep: have fewer, or make the skirt longer."
        build.refused.append(("features.skirt.tiers", said))
    if any(one.is_too_wide for one in drafted):
        said = "The lowest tier would be wider than 8.4 m (9 1/4 yd) round: make it less full, or have fewer tiers."
        build.refused.append(("features.skirt.fullness", said))
    for one in drafted:
        one.draft()
    sew_skirt(build, halves)
    return halves


def full_at(description: Description, below: float, length: float) -> float:
    """How many times what it hangs from a skirt of tiers is wide, so far below that of its length, in mm."""
    return skirt_fullness(description) ** (1 + int(below * tiers_of(description) // length))


class _Drafted:
    """Half a skirt as its tiers are drafted, from the waist down."""

    def __init__(self, build: Build, half: Half, id: str) -> None:
        self.build, self.half, self.id = build, half, id
        self.above = above_skirt(build, half)
        self.number, self.ratio = tiers_of(build.description), skirt_fullness(build.description)
        self.centre, self.fold, self.count, self.pair = centre_cut(build, half)

    @property
    def is_shallow(self) -> bool:
        return any(self.deep(size) < SHALLOWEST for size in self.build.figures.sizes)

    @property
    def is_too_wide(self) -> bool:
        return self.widths(self.number) > MOST_WIDTHS

    def deep(self, size: Size) -> float:
        return (length_of(self.build, size) - self.above.deep(size)) / self.number

    def wide(self, size: Size, nth: int) -> float:
        """How wide half a tier is, from the centre or the edge that laps over it."""
        return (self.above.long(size) - beyond(self.build, self.half, size)) * self.ratio**nth

    def widths(self, nth: int) -> int:
        return math.ceil(max(self.wide(size, nth) for size in self.build.figures.sizes) / WIDEST)

    def draft(self) -> None:
        build, half = self.build, self.half

        def first(size: Size) -> Edges:
            c, deep = beyond(build, half, size), self.deep(size)
            return _straight(deep, c, c + self.wide(size, 1), (self.centre, LOWER, "side", self.above.edge))

        skirt_panel(build, half, self.id, first, self.above.edge)
        build.change(self.id, name=f"Tier 1 {half.name}")
        sew_below(build, half, self.above, self.ratio)
        above = [part(self.id, LOWER)]
        for nth in range(2, self.number + 1):
            above = self._sewn_below(nth, above)
        half.lower = above

    def _sewn_below(self, nth: int, above: list[EdgePart]) -> list[EdgePart]:
        """The nth tier cut, its widths sewn together and gathered to the tier above; its lower edges."""
        build, half = self.build, self.half
        id, name = f"{self.id.removesuffix(half.name)}tier-{nth}-{half.name}", f"Tier {nth} {half.name}"
        widths, foot = self.widths(nth), "hem" if nth == self.number else LOWER
        ids = [id if k == 0 else f"{id}-{k + 1}" for k in range(widths)]
        for k, own in enumerate(ids):
            self._width(own, name if k == 0 else f"{name}, width {k + 1}", nth, (k, widths), foot)
        for k, (inner, outer) in enumerate(pairwise(ids)):
            which = f"Widths {k + 1} and {k + 2}" if widths > 2 else "Widths"
            build.join(
                f"{id}-widths{'' if k == 0 else f'-{k + 1}'}",
                f"{which} of tier {nth}, {half.name}",
                (part(inner, TO_SIDE),),
                (part(outer, TO_CENTRE),),
                each_hand=True,
            )
        build.join(
            id,
            f"Tier {nth} to tier {nth - 1}, {half.name}",
            (part(own, UPPER) for own in ids),
            above,
            press=Press.UP,
            each_hand=self.pair,
            difference=Difference(DifferenceKind.GATHERS, self.ratio),
        )
        half.side = [part(ids[-1], "side"), *half.side]
        half.centre.append(part(id, self.centre))
        return [part(own, foot) for own in ids]

    def _width(self, id: str, name: str, nth: int, which: tuple[int, int], foot: str) -> None:
        build, half = self.build, self.half
        k, widths = which
        inner, outer = self.centre if k == 0 else TO_CENTRE, "side" if k == widths - 1 else TO_SIDE

        def draw(size: Size) -> Edges:
            begins = beyond(build, half, size) if k == 0 else 0.0
            ends = begins + self.wide(size, nth) / widths
            return _straight(self.deep(size), begins, ends, (inner, foot, outer, UPPER))

        fold, count, pair = (self.fold, self.count, self.pair) if k == 0 else (None, 2, True)
        panel = Panel.FRONT if half.is_front else Panel.BACK
        build.piece(id, name, draw, panel=panel, count=count, pair=pair, fold=fold, hem=("hem",))
        if foot == "hem":
            build.line(
                id,
                LineKind.LENGTHEN_SHORTEN,
                "skirt-length",
                lambda size: (
                    (at := self.deep(size) / 2, draw(size)[foot][0].start[1]),
                    (at, draw(size)[foot][-1].end[1]),
                ),
            )


def _straight(deep: float, begins: float, ends: float, names: tuple[str, str, str, str]) -> Edges:
    """A straight length of cloth: its inner edge, its foot, its outer edge and its top."""
    corners = ((0.0, begins), (deep, begins), (deep, ends), (0.0, ends), (0.0, begins))
    return {name: straight(corners[k], corners[k + 1]) for k, name in enumerate(names)}


def asked(d: Description) -> bool:
    return d.features.skirt is not None and d.features.skirt.kind is SkirtKind.TIERED


def forbids(d: Description) -> Found:
    if d.garment is GarmentKind.APRON:
        yield "features.skirt.kind", "An apron is one straight length, gathered or pleated to its band, without tiers."
    if d.features.collar and d.features.collar.turns_back and d.has_waist_seam:
        yield (
            "features.skirt.kind",
            "Fronts that turn back have facings down to the hem, which gathered tiers would not lie on: choose another "
            "skirt below them.",
        )


FEATURES = (Feature("tiered-skirt", asked=asked, forbids=forbids, skirt=tiered_skirt),)
