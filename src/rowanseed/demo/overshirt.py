"""Draft the collared overshirt: yoke, set-in sleeve, cuffs, collar on a stand, buttoned band.

Drafted from the chest as straight-cut shirts are. The sleeve's cap is solved so that it is a hand's ease longer
than the armhole; stand, collar, band and cuff take their lengths from the edges they are sewn to.

Body chart and figures are invented for the demo.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from functools import cache

from rowanseed.core.compose.drafting import DOWN, IN, OUT, UP, curve, straight, y_at
from rowanseed.core.geometry.outline import Chain, Point, Segment, chain_length, unit
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.envelope import Envelope, Figure, PrintedNotion, Structure, View
from rowanseed.core.pattern.making import (
    BAND_FOLD,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import (
    Cut,
    Drawn,
    EdgeSpec,
    InnerLine,
    InnerPoint,
    LineKind,
    Mark,
    MarkKind,
    Panel,
    Piece,
    PointKind,
    Role,
    Shape,
)
from rowanseed.demo.drafting import adjust_here, hemmed, lengths, level, notch, printed_yardage, rectangle, row
from rowanseed.demo.overshirt_making import making

SIZES = ("XXS", "XS", "S", "M", "L", "XL", "2XL", "3XL")
CHEST = (800, 860, 920, 980, 1050, 1130, 1210, 1300)
WAIST = (640, 700, 760, 820, 900, 990, 1080, 1180)
HIP = (860, 910, 960, 1010, 1070, 1140, 1220, 1310)
NECK = (335, 350, 365, 380, 400, 420, 440, 460)
ARM = (555, 570, 585, 600, 615, 630, 640, 650)
LENGTH = (690, 700, 710, 720, 735, 750, 760, 770)

EASE = 170.0
HIP_EASE = 130.0
CAP_EASE = 14.0
BAND_WIDTH = 32.0
STAND_HEIGHT = 32.0
COLLAR_DEPTH = 62.0
CUFF_DEPTH = 60.0
TRIMMED = 3.0
"""The under collar is trimmed by this on its outer edges (1/8 in, common practice, no source)."""
SEAM, HEM, NARROW = 15.0, 25.0, 10.0
FRONT_NOTCH, BACK_NOTCH = 95.0, 105.0
OVERSHIRT_DROP = 36.0
BACK_NECK = 22.0
FORWARD = 17.0
"""How far the shoulder seam lies to the front at the tip, in mm: the back's armhole is then 10 to 20 mm longer."""
POCKET_WIDE = 120.0
MOUTH = 30.0
"""What is turned at a pocket's mouth."""
YARDAGE = (
    (Role.MAIN, 1120.0, False, 2300.0, 90.0),
    (Role.MAIN, 1120.0, True, 2450.0, 95.0),
    (Role.MAIN, 1500.0, False, 1750.0, 60.0),
    (Role.MAIN, 1500.0, True, 1850.0, 65.0),
    (Role.INTERFACING, 900.0, False, 800.0, 0.0),
)
"""Invented for the demo, generous as envelopes are."""


@dataclass(frozen=True)
class ShirtBody:
    """One size of the body: the points that front, back and yoke share, in the wearer's frame (mm)."""

    chest: float
    neck_width: float
    neck_depth: float
    tip: Point
    """The shoulder tip of the front; the back's lies higher, so that its armhole is the longer one."""
    back_tip: Point
    underarm: Point
    yoke: float
    waist: float
    hip: float
    hem: float
    hem_width: float

    @property
    def bust_level(self) -> float:
        return self.chest * 0.09 + 185

    def armhole(self, across: float, tip: Point) -> Chain:
        """From the underarm up to a shoulder tip; `across` is how far from the centre it passes."""
        turn = (self.underarm[0] - 88.0, across)
        shoulder = unit((tip[0], tip[1] - self.neck_width))
        square = (-shoulder[1], shoulder[0])
        return (
            curve(start=self.underarm, leaves=IN, end=turn, arrives=UP, pull=0.5, pull_end=0.42),
            curve(turn, UP, tip, square, 0.36),
        )

    def side(self) -> Chain:
        """From the hem up to the underarm."""
        return straight((self.hem, self.hem_width), self.underarm)

    def side_y(self, x: float) -> float:
        return y_at(self.side(), x)


def _turned(neck_width: float, tip: Point, by: float) -> Point:
    """A shoulder tip turned down about the neck point by so many mm; the shoulder keeps its length."""
    angle = by / math.dist(tip, (0.0, neck_width))
    x, y = tip[0], tip[1] - neck_width
    c, s = math.cos(angle), math.sin(angle)
    return (c * x + s * y, neck_width - s * x + c * y)


def body(size: str) -> ShirtBody:
    k = SIZES.index(size)
    neck_width = NECK[k] / 5 - 2
    underarm = (CHEST[k] / 8 + 130.0, (CHEST[k] + EASE) / 4)
    waist = underarm[0] + 175.0
    return ShirtBody(
        chest=CHEST[k],
        neck_width=neck_width,
        neck_depth=neck_width + 8,
        tip=_turned(neck_width, (OVERSHIRT_DROP, 122 + CHEST[k] * 0.098), FORWARD),
        back_tip=_turned(neck_width, (OVERSHIRT_DROP, 122 + CHEST[k] * 0.098), -FORWARD),
        underarm=underarm,
        yoke=OVERSHIRT_DROP + 62,
        waist=waist,
        hip=waist + 195,
        hem=float(LENGTH[k]),
        hem_width=(HIP[k] + HIP_EASE) / 4,
    )


# ---------------------------------------------------------------- front, back, yoke


def _front(bodies: dict[str, ShirtBody]) -> Piece:
    edge_y = BAND_WIDTH / 2
    shapes, bust = {}, {}
    for size, b in bodies.items():
        neck_end = (b.neck_depth, edge_y)
        shapes[size] = Shape(
            {
                "opening": straight(neck_end, (b.hem, edge_y)),
                "hem": straight((b.hem, edge_y), (b.hem, b.hem_width)),
                "side": b.side(),
                "armhole": b.armhole(b.tip[1] - 22, b.tip),
                "shoulder": straight(b.tip, (0.0, b.neck_width)),
                "neck": (curve((0.0, b.neck_width), DOWN, neck_end, IN, 0.5),),
            },
            ((b.underarm[0] - 60, b.underarm[1] * 0.45), (b.hem - 120, b.underarm[1] * 0.45)),
        )
        bust[size] = (b.bust_level, b.chest / 10 - 3)
    return Piece(
        id="front",
        name="Front",
        number=1,
        drawn=Drawn.SEAM,
        edges=hemmed(("opening", "hem", "side", "armhole", "shoulder", "neck"), SEAM, HEM),
        shapes=shapes,
        cuts=(Cut(Role.MAIN, 2, pair=True),),
        marks=(
            notch("armhole-front", "armhole", "start", dict.fromkeys(SIZES, FRONT_NOTCH)),
            notch("side-waist", "side", "end", {s: b.waist - b.underarm[0] for s, b in bodies.items()}),
        ),
        lines=_levels(bodies),
        points=(
            InnerPoint("bust", PointKind.BUST, bust),
            *(
                InnerPoint(
                    f"pocket-{k}", PointKind.POCKET, {s: (b.underarm[0] - 20, y) for s, b in bodies.items()}, "left"
                )
                for k, y in ((1, 55.0), (2, 55.0 + POCKET_WIDE))
            ),
        ),
        panel=Panel.FRONT,
    )


def _levels(bodies: dict[str, ShirtBody]) -> tuple[InnerLine, ...]:
    def across(x: str) -> dict[str, tuple[Point, Point]]:
        return {s: ((getattr(b, x), 0.0), (getattr(b, x), b.side_y(getattr(b, x)))) for s, b in bodies.items()}

    bust = {s: ((b.bust_level, 0.0), (b.bust_level, b.side_y(b.bust_level))) for s, b in bodies.items()}
    length = {s: ((b.waist - 60, 20.0), (b.waist - 60, b.underarm[1] - 10)) for s, b in bodies.items()}
    return (
        level("bust", bust),
        level("waist", across("waist")),
        level("hip", across("hip")),
        adjust_here("body-length", length),
    )


def _split_back(b: ShirtBody) -> tuple[Chain, Segment]:
    """The back's armhole below the yoke, and the yoke's above it."""
    lower, upper = b.armhole(b.back_tip[1] - 8, b.back_tip)
    t = solve(lambda t: upper.at(t)[0], b.yoke, 0.0, 1.0)
    below, above = upper.split(t)
    return (lower, below), above


def _back(bodies: dict[str, ShirtBody]) -> Piece:
    shapes = {}
    for size, b in bodies.items():
        armhole, _ = _split_back(b)
        corner = armhole[-1].end
        shapes[size] = Shape(
            {
                "centre": straight((b.yoke, 0.0), (b.hem, 0.0)),
                "hem": straight((b.hem, 0.0), (b.hem, b.hem_width)),
                "side": b.side(),
                "armhole": armhole,
                "yoke": straight(corner, (b.yoke, 0.0)),
            },
            ((b.yoke + 60, b.underarm[1] * 0.4), (b.hem - 120, b.underarm[1] * 0.4)),
        )
    return Piece(
        id="back",
        name="Back",
        number=2,
        drawn=Drawn.SEAM,
        edges=hemmed(("centre", "hem", "side", "armhole", "yoke"), SEAM, HEM, "centre"),
        shapes=shapes,
        cuts=(Cut(Role.MAIN, 1, fold="centre"),),
        marks=(
            notch("armhole-back", "armhole", "start", dict.fromkeys(SIZES, BACK_NOTCH), double=True),
            notch("side-waist", "side", "end", {s: b.waist - b.underarm[0] for s, b in bodies.items()}),
        ),
        lines=_levels(bodies),
        panel=Panel.BACK,
        drawn_on="back",
    )


def _yoke(bodies: dict[str, ShirtBody]) -> Piece:
    shapes = {}
    for size, b in bodies.items():
        _, above = _split_back(b)
        shapes[size] = Shape(
            {
                "centre": straight((BACK_NECK, 0.0), (b.yoke, 0.0)),
                "yoke": straight((b.yoke, 0.0), above.start),
                "armhole": (above,),
                "shoulder": straight(b.back_tip, (0.0, b.neck_width)),
                "neck": (curve((0.0, b.neck_width), (1.0, -0.35), (BACK_NECK, 0.0), IN, 0.4),),
            },
            ((b.tip[0] + 2, b.tip[1] * 0.5), (b.yoke - 8, b.tip[1] * 0.5)),
        )
    return Piece(
        id="yoke",
        name="Back yoke",
        number=3,
        drawn=Drawn.SEAM,
        edges=hemmed(("centre", "yoke", "armhole", "shoulder", "neck"), SEAM, HEM, "centre"),
        shapes=shapes,
        cuts=(Cut(Role.MAIN, 1, fold="centre"),),
        panel=Panel.BACK,
        drawn_on="back",
    )


# ---------------------------------------------------------------- sleeve


def _cap(height: float, half: float) -> Chain:
    """From the back underarm over the top to the front underarm: flatter behind, hollower in front."""
    back_turn, front_turn = (height * 0.52, half * 0.56), (height * 0.5, -half * 0.54)
    lean = unit((-height, -half * 0.62))
    fall = unit((height, -half * 0.62))
    return (
        curve((height, half), (-0.12, -1.0), back_turn, lean, 0.4),
        curve(start=back_turn, leaves=lean, end=(0.0, 0.0), arrives=IN, pull=0.3, pull_end=0.45),
        curve(start=(0.0, 0.0), leaves=IN, end=front_turn, arrives=fall, pull=0.45, pull_end=0.3),
        curve(start=front_turn, leaves=fall, end=(height, -half), arrives=(0.05, -1.0), pull=0.3, pull_end=0.45),
    )


def _sleeve(armholes: dict[str, float], backs: dict[str, float]) -> Piece:
    """The sleeve for these armholes; `backs` are their back parts, up to the shoulder seam."""
    shapes, bicep, adjust, wrists = {}, {}, {}, {}
    for k, size in enumerate(SIZES):
        height = armholes[size] * 0.30
        half = solve(lambda h, height=height: chain_length(_cap(height, h)), armholes[size] + CAP_EASE, 80, 400)  # type: ignore[misc]
        long, wrist = ARM[k] + 6 - CUFF_DEPTH, 118 + k * 4.0
        wrists[size] = wrist
        shapes[size] = Shape(
            {
                "underarm-front": straight((height, -half), (long, -wrist)),
                "wrist": straight((long, -wrist), (long, wrist)),
                "underarm-back": straight((long, wrist), (height, half)),
                "cap": _cap(height, half),
            },
            ((height + 20, 0.0), (long - 60, 0.0)),
        )
        bicep[size] = ((height, -half), (height, half))
        at = height + (long - height) * 0.45
        wide = half + (wrist - half) * 0.45
        adjust[size] = ((at, -wide + 12), (at, wide - 12))
    return Piece(
        id="sleeve",
        name="Sleeve",
        number=4,
        drawn=Drawn.SEAM,
        edges=hemmed(("underarm-front", "wrist", "underarm-back", "cap"), SEAM, HEM),
        shapes=shapes,
        cuts=(Cut(Role.MAIN, 2, pair=True),),
        marks=(
            notch("cap-front", "cap", "end", dict.fromkeys(SIZES, FRONT_NOTCH)),
            notch("cap-back", "cap", "start", dict.fromkeys(SIZES, BACK_NOTCH), double=True),
            Mark(
                id="shoulder-point",
                kind=MarkKind.DOT,
                edge="cap",
                anchor="start",
                distance={s: backs[s] + CAP_EASE / 2 for s in SIZES},
            ),
        ),
        lines=(level("bicep", bicep), adjust_here("sleeve-length", adjust)),
        panel=Panel.SLEEVE,
    )


# ---------------------------------------------------------------- collar, stand, bands


def _stand(half_necks: dict[str, float]) -> Piece:
    shapes = {}
    for size, goal in half_necks.items():

        def neck(y: float) -> Segment:
            return curve((STAND_HEIGHT, 0.0), OUT, (STAND_HEIGHT - 14, y), (-0.2, 1.0), 0.35)

        end = solve(lambda y, neck=neck: neck(y).length(), goal, 60, 500)  # type: ignore[misc]
        front, top = (STAND_HEIGHT - 14, end), (-13.0, end - BAND_WIDTH / 2 - 2)
        shapes[size] = Shape(
            {
                "centre": straight((0.0, 0.0), (STAND_HEIGHT, 0.0)),
                "neck": (neck(end),),
                "front": (curve(front, (-1.0, -0.15), top, (-0.25, -1.0), 0.45),),
                "upper": (curve(top, (0.25, -1.0), (0.0, 0.0), IN, 0.35),),
            },
            ((4.0, end * 0.3), (STAND_HEIGHT - 6, end * 0.3)),
        )
    return Piece(
        id="stand",
        name="Collar stand",
        number=5,
        drawn=Drawn.SEAM,
        edges=tuple(
            EdgeSpec(n, 0.0 if n == "centre" else NARROW if n != "neck" else SEAM)
            for n in ("centre", "neck", "front", "upper")
        ),
        shapes=shapes,
        cuts=(Cut(Role.MAIN, 1, fold="centre"), Cut(Role.INTERFACING, 1, fold="centre")),
        panel=Panel.BAND,
        drawn_on="stand",
    )


def _collar(id: str, name: str, number: int, stand: dict[str, float], trimmed: float) -> Piece:
    shapes = {}
    for size, goal in stand.items():

        def lower(y: float) -> Segment:
            return curve((COLLAR_DEPTH, 0.0), OUT, (COLLAR_DEPTH - 5, y), (-0.08, 1.0), 0.35)

        end = solve(lambda y, lower=lower: lower(y).length(), goal, 40, 500)  # type: ignore[misc]
        corner, tip = (COLLAR_DEPTH - 5, end), (-6.0 + trimmed, end + 22 - trimmed)
        shapes[size] = Shape(
            {
                "centre": straight((trimmed, 0.0), (COLLAR_DEPTH, 0.0)),
                "stand": (lower(end),),
                "end": straight(corner, tip),
                "outer": (curve(tip, (0.02, -1.0), (trimmed, 0.0), IN, 0.35),),
            },
            ((10.0, end * 0.4), (COLLAR_DEPTH - 10, end * 0.4)),
        )
    cuts: tuple[Cut, ...] = (Cut(Role.MAIN, 1, fold="centre"),)
    if not trimmed:
        cuts = (*cuts, Cut(Role.INTERFACING, 1, fold="centre"))
    return Piece(
        id=id,
        name=name,
        number=number,
        drawn=Drawn.SEAM,
        edges=tuple(EdgeSpec(n, 0.0 if n == "centre" else NARROW) for n in ("centre", "stand", "end", "outer")),
        shapes=shapes,
        cuts=cuts,
        panel=Panel.BAND,
        collar=True,
    )


@cache
def draft() -> Pattern:
    """The whole pattern: pieces in every size, envelope and making graph."""
    bodies = {size: body(size) for size in SIZES}
    front, back, yoke = _front(bodies), _back(bodies), _yoke(bodies)
    around = {s: sum(lengths(p, "armhole")[s] for p in (front, yoke, back)) for s in SIZES}
    sleeve = _sleeve(around, {s: sum(lengths(p, "armhole")[s] for p in (yoke, back)) for s in SIZES})
    necks = {s: lengths(yoke, "neck")[s] + lengths(front, "neck")[s] + BAND_WIDTH for s in SIZES}
    stand = _stand(necks)
    collar = _collar("collar", "Collar", 6, lengths(stand, "upper"), 0.0)
    under = _collar("under-collar", "Under collar", 7, lengths(stand, "upper"), TRIMMED)
    band = rectangle(
        id="band",
        name="Front band",
        number=8,
        sizes=SIZES,
        long=lengths(front, "opening"),
        wide=2 * BAND_WIDTH,
        edges=("inner", "end", "front", "top"),
        allowance=SEAM,
        cuts=(Cut(Role.MAIN, 2, pair=True), Cut(Role.INTERFACING, 2, pair=True)),
        fold_line=True,
        marks=(
            Mark(
                id=BAND_FOLD, kind=MarkKind.DOT, edge="top", anchor="start", distance=dict.fromkeys(SIZES, BAND_WIDTH)
            ),
        ),
    )
    band = _with_buttons(band)
    cuff = rectangle(
        id="cuff",
        name="Closed cuff",
        number=9,
        sizes=SIZES,
        long=lengths(sleeve, "wrist"),
        wide=2 * CUFF_DEPTH,
        edges=("inner", "end", "sleeve", "start"),
        allowance=SEAM,
        cuts=(Cut(Role.MAIN, 2, pair=True), Cut(Role.INTERFACING, 2, pair=True)),
        fold_line=True,
    )
    pocket = rectangle(
        id="pocket",
        name="Breast pocket",
        number=10,
        sizes=SIZES,
        long=dict.fromkeys(SIZES, 135.0),
        wide=POCKET_WIDE,
        edges=("left", "bottom", "right", "top"),
        allowance=NARROW,
        cuts=(Cut(Role.MAIN, 1),),
        panel=Panel.OTHER,
    )
    pocket = replace(pocket, edges=tuple(replace(e, allowance=MOUTH) if e.name == "top" else e for e in pocket.edges))
    # The inner yoke and the inner stand are drawn on the outer ones: what moves one moves both.
    inner_yoke = replace(
        yoke, id="yoke-inner", name="Inner yoke", number=11, panel=Panel.OTHER, cuts=(Cut(Role.MAIN, 1, fold="centre"),)
    )
    inner_stand = replace(
        stand, id="stand-inner", name="Inner collar stand", number=12, cuts=(Cut(Role.MAIN, 1, fold="centre"),)
    )
    pieces = (front, back, yoke, sleeve, stand, collar, under, band, cuff, pocket, inner_yoke, inner_stand)
    return Pattern(
        name="Collared overshirt",
        house="Larkmoor Patterns",
        code="L 207",
        garment="overshirt",
        envelope=_envelope(bodies, pieces),
        pieces=pieces,
        making=making(collar, under, cap_ease=CAP_EASE),
    )


def _with_buttons(band: Piece) -> Piece:
    """Seven buttonholes, evenly from below the stand to a hand above the hem."""
    points = []
    for k in range(7):
        at = {}
        for size, shape in band.shapes.items():
            long = chain_length(shape.edges["front"])
            at[size] = (30 + k * (long - 170) / 6, BAND_WIDTH * 1.5)
        points.append(InnerPoint(f"button-{k + 1}", PointKind.BUTTONHOLE, at))
    return replace(band, points=tuple(points))


# ---------------------------------------------------------------- envelope


def _envelope(bodies: dict[str, ShirtBody], pieces: tuple[Piece, ...]) -> Envelope:
    back, sleeve = pieces[1], pieces[3]
    widths = {m: {s: 4 * back.line(LineKind.LEVEL, m).ends[s][1][1] for s in SIZES} for m in ("bust", "waist", "hip")}  # type: ignore[union-attr]
    arms = {s: b[1][1] - b[0][1] for s, b in sleeve.line(LineKind.LEVEL, "bicep").ends.items()}  # type: ignore[union-attr]
    finished = {
        **widths,
        "upper_arm": arms,
        "length": {s: b.hem - BACK_NECK for s, b in bodies.items()},
        "arm": row(SIZES, ARM, 6.0),
    }
    return Envelope(
        views=(View("A", "Seven buttons, one breast pocket"),),
        sizes=SIZES,
        cloth=Structure.WOVEN,
        fabrics=("chambray", "flannel", "poplin", "linen"),
        sized_by=("bust", "hip"),
        body_chart={
            "bust": row(SIZES, CHEST),
            "waist": row(SIZES, WAIST),
            "hip": row(SIZES, HIP),
            "neck": row(SIZES, NECK),
            "arm": row(SIZES, ARM),
        },
        finished={"A": finished},
        yardage=printed_yardage(SIZES, YARDAGE),
        notions=(PrintedNotion("Buttons", 7, "15 mm (5/8 in)"), PrintedNotion("Sewing thread", 1, "to match")),
        figure=Figure.UNISEX,
    )
