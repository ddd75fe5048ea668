"""Draft the wide trousers: a dart front and back, lapped zip at the centre front, straight waistband.

Drafted from the hip: the front a little narrower than the back, the back fork reaching further and lying
lower, so that both inner leg seams are of one length. Outer leg seams are congruent.

Body chart and figures are invented for the demo.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cache

from rowanseed.core.compose.drafting import DOWN, UP, curve, straight, y_at
from rowanseed.core.geometry.outline import Chain, Point, chain_length, point_at
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.envelope import Envelope, Figure, PrintedNotion, Structure, View
from rowanseed.core.pattern.making import BookletStep, Closure, ClosureKind, Finish, FinishKind, Join, Making, Press
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import (
    Cut,
    Dart,
    Drawn,
    InnerLine,
    InnerPoint,
    Mark,
    MarkKind,
    Panel,
    Piece,
    PointKind,
    Role,
    Shape,
)
from rowanseed.demo.drafting import adjust_here, hemmed, lengths, level, notch, part, printed_yardage, rectangle, row

SIZES = ("8", "10", "12", "14", "16", "18", "20", "22")
BODY_WAIST = (640, 670, 710, 760, 810, 870, 940, 1010)
BODY_HIP = (890, 920, 960, 1010, 1060, 1120, 1190, 1260)
INSEAM = (745, 750, 755, 760, 765, 765, 765, 765)
CROTCH_DEPTH = (262, 266, 270, 275, 281, 288, 296, 304)

WAIST_EASE = 20.0
HIP_EASE = 90.0
HIP_LEVEL = 195.0
SIDE_SHAPE = 30.0
"""How far every outer leg seam is taken in from hip to waist."""
FRONT_LEAN, BACK_LEAN, BACK_RISE = 20.0, 34.0, 24.0
SEAM, HEM = 15.0, 40.0
MORE_IN_FRONT = 8.0
"""The front's share of the waist is so much more than a quarter: its dart takes in 10 to 20 mm, the back's about 35."""
MOUTH = 30.0
"""What is turned at a pocket's mouth."""
POCKET_WIDE = 145.0
ZIP_OPENING = 165.0
BAND_WIDTH = 36.0
UNDERLAP = 35.0
YARDAGE = (
    (Role.MAIN, 1120.0, False, 2450.0, 30.0),
    (Role.MAIN, 1120.0, True, 2500.0, 35.0),
    (Role.MAIN, 1500.0, False, 2300.0, 25.0),
    (Role.MAIN, 1500.0, True, 2350.0, 30.0),
    (Role.INTERFACING, 900.0, False, 600.0, 0.0),
)
"""Invented for the demo, generous as envelopes are."""


@dataclass(frozen=True)
class Leg:
    """One size's front or back leg (mm): levels from the waist down, and how far its parts reach across."""

    hip: float
    depth: float
    hem: float
    fork: Point
    lean: float
    rise: float
    waist: float
    in_hem: float
    hand: int

    @property
    def top(self) -> Point:
        return (-self.rise, self.lean)

    @property
    def side_top(self) -> Point:
        return (0.0, self.hip - SIDE_SHAPE)

    @property
    def intake(self) -> float:
        """What the dart takes in."""
        return chain_length(self.waist_edge()) - self.waist

    def crotch(self) -> Chain:
        """From the waist down the centre seam and round to the fork."""
        turn = (self.depth * 0.62, 0.0)
        return (
            *straight(self.top, turn),
            curve(start=turn, leaves=DOWN, end=self.fork, arrives=(0.14, -1.0), pull=0.5, pull_end=0.42),
        )

    def outseam(self) -> Chain:
        hip = (HIP_LEVEL, self.hip)
        return (*straight((self.hem, self.hip), hip), curve(hip, UP, self.side_top, (-1.0, -0.16), 0.4))

    def waist_edge(self) -> Chain:
        return (curve(self.side_top, (-0.04, -1.0), self.top, (-self.lean * 0.01 - 0.12, -1.0), 0.36),)


def legs(size: str) -> tuple[Leg, Leg]:
    """Front and back of a size; the back fork is let down until both inner leg seams are equal."""
    k = SIZES.index(size)
    quarter, depth = (BODY_HIP[k] + HIP_EASE) / 4, float(CROTCH_DEPTH[k])
    hem, waist = depth + INSEAM[k], (BODY_WAIST[k] + WAIST_EASE) / 4
    front = Leg(
        hip=quarter - 6,
        depth=depth,
        hem=hem,
        fork=(depth, -BODY_HIP[k] / 19),
        lean=FRONT_LEAN,
        rise=0.0,
        waist=waist + MORE_IN_FRONT,
        in_hem=-14.0,
        hand=1,
    )
    reach = BODY_HIP[k] / 8.6
    goal = chain_length(inseam(front))

    def back(drop: float) -> Leg:
        return Leg(
            hip=quarter + 6,
            depth=depth,
            hem=hem,
            fork=(depth + drop, -reach),
            lean=BACK_LEAN,
            rise=BACK_RISE,
            waist=waist - MORE_IN_FRONT,
            in_hem=-48.0,
            hand=2,
        )

    return front, back(solve(lambda d: chain_length(inseam(back(d))), goal, -10, 60))


def inseam(leg: Leg) -> Chain:
    """From the fork down to the hem, hollowed above the knee."""
    return (curve(start=leg.fork, leaves=(1.0, 0.14), end=(leg.hem, leg.in_hem), arrives=DOWN, pull=0.3, pull_end=0.5),)


def _leg(id: str, name: str, number: int, every: dict[str, Leg], panel: Panel) -> Piece:
    names = ("crotch", "inseam", "hem", "outseam", "waist")
    shapes, legs_at, points = {}, {}, {}
    for size, leg in every.items():
        middle = (leg.hip + leg.in_hem) / 2
        shapes[size] = Shape(
            {
                "crotch": leg.crotch(),
                "inseam": inseam(leg),
                "hem": straight((leg.hem, leg.in_hem), (leg.hem, leg.hip)),
                "outseam": leg.outseam(),
                "waist": leg.waist_edge(),
            },
            ((leg.depth * 0.7, middle), (leg.hem - 120, middle)),
        )
        edge = leg.waist_edge()
        centre = chain_length(edge) * (0.46 if panel is Panel.FRONT else 0.5)
        legs_at[size] = (centre - leg.intake / 2, centre + leg.intake / 2)
        on = point_at(edge, centre)
        points[size] = (on[0] + (95.0 if panel is Panel.FRONT else 125.0), on[1] + 3)
    double = panel is Panel.BACK
    marks = [
        Mark(
            id="dart-1",
            kind=MarkKind.DART_LEG,
            edge="waist",
            anchor="start",
            distance={s: v[0] for s, v in legs_at.items()},
        ),
        Mark(
            id="dart-2",
            kind=MarkKind.DART_LEG,
            edge="waist",
            anchor="start",
            distance={s: v[1] for s, v in legs_at.items()},
        ),
        notch(
            "hip-side",
            "outseam",
            "end",
            {s: chain_length((leg.outseam()[1],)) for s, leg in every.items()},
            double=double,
        ),
        notch("knee-in", "inseam", "start", {s: leg.hem * 0.33 for s, leg in every.items()}, double=double),
    ]
    if panel is Panel.FRONT:
        marks.append(
            Mark(
                id="zip-end",
                kind=MarkKind.ZIP_END,
                edge="crotch",
                anchor="start",
                distance=dict.fromkeys(SIZES, ZIP_OPENING),
            )
        )
    return Piece(
        id=id,
        name=name,
        number=number,
        drawn=Drawn.SEAM,
        edges=hemmed(names, SEAM, HEM),
        shapes=shapes,
        cuts=(Cut(Role.MAIN, 2, pair=True),),
        marks=tuple(marks),
        darts=(Dart(id="waist", edge="waist", legs=("dart-1", "dart-2"), point=points),),
        lines=_lines(every),
        points=_pocket_corners(every) if panel is Panel.BACK else (),
        panel=panel,
    )


def _pocket_corners(every: dict[str, Leg]) -> tuple[InnerPoint, ...]:
    """Where the corners of a back pocket's mouth are set, below the dart."""

    def at(leg: Leg, way: float) -> Point:
        middle = (leg.side_top[1] + leg.top[1]) / 2
        return (150.0, middle + way * POCKET_WIDE / 2)

    return tuple(
        InnerPoint(f"pocket-{k}", PointKind.POCKET, {s: at(leg, way) for s, leg in every.items()})
        for k, way in ((1, -1.0), (2, 1.0))
    )


def _lines(every: dict[str, Leg]) -> tuple[InnerLine, ...]:
    def across(x: float, leg: Leg) -> tuple[Point, Point]:
        inner = leg.crotch() if x < leg.depth * 0.6 else inseam(leg)
        return ((x, y_at(inner, x)), (x, y_at(leg.outseam(), x)))

    knee = {s: leg.depth + (leg.hem - leg.depth) * 0.46 for s, leg in every.items()}
    return (
        level("waist", {s: across(2.0, leg) for s, leg in every.items()}),
        level("hip", {s: across(HIP_LEVEL * 0.8, leg) for s, leg in every.items()}),
        level("knee", {s: across(knee[s], leg) for s, leg in every.items()}),
        adjust_here("crotch-depth", {s: ((118.0, 14.0), (118.0, leg.hip - 20)) for s, leg in every.items()}),
        adjust_here(
            "leg-length", {s: ((knee[s] + 90, 10.0), (knee[s] + 90, leg.hip - 10)) for s, leg in every.items()}
        ),
    )


@cache
def draft() -> Pattern:
    """The whole pattern: pieces in every size, envelope and making graph."""
    both = {size: legs(size) for size in SIZES}
    front = _leg("front", "Trouser front", 1, {s: b[0] for s, b in both.items()}, Panel.FRONT)
    back = _leg("back", "Trouser back", 2, {s: b[1] for s, b in both.items()}, Panel.BACK)
    half = {s: both[s][0].waist + both[s][1].waist for s in SIZES}
    band = rectangle(
        id="waistband",
        name="Waistband",
        number=3,
        sizes=SIZES,
        long={s: w + UNDERLAP for s, w in half.items()},
        wide=2 * BAND_WIDTH,
        edges=("inner", "front-end", "waist", "back-end"),
        allowance=SEAM,
        cuts=(Cut(Role.MAIN, 2, pair=True), Cut(Role.INTERFACING, 2, pair=True)),
        fold_line=True,
        marks=(
            Mark(
                id="centre-front",
                kind=MarkKind.NOTCH,
                edge="waist",
                anchor="start",
                distance=dict.fromkeys(SIZES, UNDERLAP),
            ),
            Mark(
                id="side",
                kind=MarkKind.NOTCH,
                edge="waist",
                anchor="end",
                distance={s: both[s][1].waist for s in SIZES},
            ),
        ),
    )
    pocket = rectangle(
        id="pocket",
        name="Back pocket",
        number=4,
        sizes=SIZES,
        long=dict.fromkeys(SIZES, 165.0),
        wide=POCKET_WIDE,
        edges=("left", "bottom", "right", "top"),
        allowance=SEAM,
        cuts=(Cut(Role.MAIN, 2, pair=True),),
        panel=Panel.OTHER,
    )
    pocket = replace(pocket, edges=tuple(replace(e, allowance=MOUTH) if e.name == "top" else e for e in pocket.edges))
    return Pattern(
        name="Wide trousers",
        house="Larkmoor Patterns",
        code="L 152",
        garment="trousers",
        envelope=_envelope(front, back),
        pieces=(front, back, band, pocket),
        making=_making(),
    )


def _envelope(front: Piece, back: Piece) -> Envelope:
    outseam = lengths(front, "outseam")
    finished = {
        "waist": row(SIZES, BODY_WAIST, WAIST_EASE),
        "hip": row(SIZES, BODY_HIP, HIP_EASE),
        "inseam": lengths(front, "inseam"),
        "length": {s: outseam[s] + BAND_WIDTH for s in SIZES},
        "hem": {s: lengths(front, "hem")[s] + lengths(back, "hem")[s] for s in SIZES},
    }
    return Envelope(
        views=(View("A", "Wide leg to the floor, high waist, two back pockets"),),
        sizes=SIZES,
        cloth=Structure.WOVEN,
        fabrics=("needlecord", "wool flannel", "gabardine", "linen"),
        sized_by=("hip", "waist"),
        body_chart={
            "waist": row(SIZES, BODY_WAIST),
            "hip": row(SIZES, BODY_HIP),
            "inseam": row(SIZES, INSEAM),
            "crotch_depth": row(SIZES, CROTCH_DEPTH, -12.0),
        },
        finished={"A": finished},
        yardage=printed_yardage(SIZES, YARDAGE),
        notions=(
            PrintedNotion("Zip", 1, "18 cm (7 in)"),
            PrintedNotion("Hook and bar", 1),
            PrintedNotion("Sewing thread", 1, "to match"),
        ),
        figure=Figure.WOMEN,
    )


def _making() -> Making:
    return Making(
        joins=(
            Join(
                id="outseams",
                name="Side seams",
                a=(part("front", "outseam"),),
                b=(part("back", "outseam"),),
                sewn_from="start",
                each_hand=True,
            ),
            Join(
                id="inseams",
                name="Inner leg seams",
                a=(part("front", "inseam"),),
                b=(part("back", "inseam"),),
                sewn_from="end",
                each_hand=True,
            ),
            Join(
                id="front-crotch",
                name="Centre front seam",
                a=(part("front", "crotch", hand="left"),),
                b=(part("front", "crotch", hand="right"),),
            ),
            Join(
                id="back-crotch",
                name="Centre back seam",
                a=(part("back", "crotch", hand="left"),),
                b=(part("back", "crotch", hand="right"),),
            ),
            Join(
                id="band-back",
                name="Waistband back seam",
                a=(part("waistband", "back-end", hand="left"),),
                b=(part("waistband", "back-end", hand="right"),),
            ),
            Join(
                id="waist",
                name="Waistband to waist",
                a=(part("front", "waist"), part("back", "waist")),
                b=(part("waistband", "waist", since="centre-front"),),
                press=Press.BAND,
            ),
        ),
        closures=(
            Closure(id="zip", kind=ClosureKind.LAPPED_ZIP, join="front-crotch", to_mark=("front", "zip-end")),
            Closure("hook", ClosureKind.HOOK_AND_EYE, "waist"),
        ),
        finishes=(
            Finish(
                id="hem",
                name="Hem",
                kind=FinishKind.HEM,
                parts=(part("front", "hem"), part("back", "hem")),
                folds=(10.0, 30.0),
            ),
            Finish(
                id="band-inside",
                name="Inside of the waistband",
                kind=FinishKind.TURNED,
                parts=(part("waistband", "inner"), part("waistband", "front-end")),
            ),
            Finish(
                id="pocket-edges",
                name="Edges of the pockets",
                kind=FinishKind.TURNED,
                parts=tuple(part("pocket", e) for e in ("left", "bottom", "right", "top")),
            ),
        ),
        booklet=(
            BookletStep("1", ("front-crotch", "zip")),
            BookletStep("2", ("outseams", "inseams")),
            BookletStep("3", ("back-crotch",)),
            BookletStep("4", ("waist",)),
            BookletStep("5", ("hem",)),
        ),
    )
