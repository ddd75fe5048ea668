"""Draft the lined waistcoat: princess line, V neck, facing, lining drawn from the garment's own pieces.

The side front's princess edge is rounded over the bust until it is a little longer than the centre front's;
the back shoulder is a little longer than the front's. Side seams are mirror images of each other. Facing and
front lining are the centre front cut in two along the facing's inner edge.

Body chart and figures are invented for the demo.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cache

from rowanseed.core.compose.drafting import DOWN, IN, UP, curve, straight, y_at
from rowanseed.core.geometry.outline import Chain, Point, Segment, chain_length, lerp, unit
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.envelope import Envelope, Figure, PrintedNotion, Structure, View
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import (
    Cut,
    Drawn,
    EdgeSpec,
    InnerLine,
    InnerPoint,
    LineKind,
    Panel,
    Piece,
    PointKind,
    Role,
    Shape,
)
from rowanseed.demo.drafting import adjust_here, lengths, level, notch, printed_yardage, rectangle, row
from rowanseed.demo.waistcoat_making import making

SIZES = ("8", "10", "12", "14", "16", "18", "20", "22")
BODY_BUST = (800, 840, 880, 930, 980, 1040, 1110, 1180)
BODY_WAIST = (640, 670, 710, 760, 810, 870, 940, 1010)
BODY_HIP = (890, 920, 960, 1010, 1060, 1120, 1190, 1260)
BACK_WAIST = (398, 402, 406, 411, 416, 420, 424, 428)

BUST_EASE, WAIST_EASE = 116.0, 130.0
PRINCESS_EASE = 4.0
"""How much longer the side front is than the centre front along the princess seam."""
SHOULDER_EASE = 4.0
EXTENSION = 22.0
FACING_WIDTH = 62.0
BELOW_WAIST = 105.0
POINT_DROP = 55.0
SEAM = 15.0
BELT_LAP = 45.0
WELT_FROM = 48.0
"""How far from the centre front the welt begins; it ends on the side front."""
UNDERARM = 86.0
"""The underarm lies an eighth of the bust and so much below the neck point: an armhole of 0.50 to 0.54 of the bust."""
WELT_LONG = 115.0
YARDAGE = (
    (Role.MAIN, 1120.0, False, 1150.0, 25.0),
    (Role.MAIN, 1500.0, False, 850.0, 20.0),
    (Role.MAIN, 1500.0, True, 950.0, 20.0),
    (Role.LINING, 1120.0, False, 800.0, 20.0),
    (Role.LINING, 1400.0, False, 700.0, 15.0),
    (Role.INTERFACING, 900.0, False, 700.0, 10.0),
)
"""Invented for the demo, generous as envelopes are."""


@dataclass(frozen=True)
class WaistcoatBody:
    """One size's points, in the wearer's frame: x from the neck point down, y from the centre (mm)."""

    front_bust: float
    back_bust: float
    side_in: float
    front_in: float
    back_in: float
    underarm: float
    waist: float
    neck_width: float
    tip: Point
    bust: Point

    @property
    def hem(self) -> float:
        return self.waist + BELOW_WAIST

    def side(self, width: float) -> Chain:
        """From the hem up to the underarm, `width` from the centre there."""
        waist = (self.waist, width - self.side_in)
        return (
            curve((self.hem, width - self.side_in * 0.25), (-1.0, -0.06), waist, UP, 0.4),
            curve(waist, UP, (self.underarm, width), (-1.0, 0.08), 0.4),
        )

    def armhole(self, width: float, across: float, tip: Point) -> Chain:
        """From the underarm up to the shoulder tip."""
        turn = (self.underarm - 78.0, across)
        along = unit((tip[0], tip[1] - self.neck_width))
        return (
            curve(start=(self.underarm, width), leaves=IN, end=turn, arrives=UP, pull=0.5, pull_end=0.42),
            curve(turn, UP, tip, (-along[1], along[0]), 0.36),
        )


def body(size: str) -> WaistcoatBody:
    k = SIZES.index(size)
    half_bust, half_waist = (BODY_BUST[k] + BUST_EASE) / 2, (BODY_WAIST[k] + WAIST_EASE) / 2
    front, back = half_bust * 0.52, half_bust * 0.48
    front_in, back_in = front - half_waist * 0.52, back - half_waist * 0.48
    side_in = 0.42 * min(front_in, back_in)
    neck = 62 + 2.2 * k
    return WaistcoatBody(
        front_bust=front,
        back_bust=back,
        side_in=side_in,
        front_in=front_in - side_in,
        back_in=back_in - side_in,
        underarm=BODY_BUST[k] / 8 + UNDERARM,
        waist=BACK_WAIST[k] + 20.0,
        neck_width=neck,
        tip=(38.0, neck + 78 + 1.5 * k),
        bust=(BODY_BUST[k] * 0.1 + 180, BODY_BUST[k] / 10 + 1),
    )


# ---------------------------------------------------------------- the front


def _front_armhole(b: WaistcoatBody) -> tuple[Chain, Chain]:
    """The side front's part of the armhole (from the underarm) and the centre front's."""
    lower, upper = b.armhole(b.front_bust, b.tip[1] - 2, b.tip)
    first, second = upper.split(0.12)
    return (lower, first), (second,)


def _princess(b: WaistcoatBody, taken_in: float, hand: float, fuller: float, lower: float) -> Chain:
    """From the armhole over the bust point and the waist down to the hem's corner.

    `hand` −1: the centre front's edge, +1: the side front's, rounded out by `fuller`.
    """
    start = _front_armhole(b)[1][0].start
    over = b.bust
    waist = (b.waist, b.bust[1] + hand * taken_in)
    hem = (lower, b.bust[1] + hand * taken_in * 0.35)
    chest = curve(start, (0.55, -1.0), over, DOWN, 0.42)
    bulge = Segment(
        start=chest.start,
        end=chest.end,
        control1=(chest.points()[1][0], chest.points()[1][1] - fuller),
        control2=(chest.points()[2][0], chest.points()[2][1] - fuller * 0.4),
    )
    return (bulge, curve(over, DOWN, waist, DOWN, 0.4), curve(waist, DOWN, hem, (1.0, -hand * 0.06), 0.4))


def _reversed(chain: Chain) -> Chain:
    return tuple(s.reversed() for s in reversed(chain))


def _front_lines(b: WaistcoatBody) -> tuple[Chain, Chain]:
    """Both princess edges, from the armhole down; the side front's below the waist is let down to the same length."""
    taken = b.front_in / 2
    corner = b.hem + 22.0
    centre = _princess(b, taken, -1.0, 0.0, corner)
    goal = chain_length(centre[:1]) + PRINCESS_EASE
    fuller = solve(lambda f: chain_length(_princess(b, taken, 1.0, f, corner)[:1]), goal, 0.0, 60.0)
    return centre, _princess(b, taken, 1.0, fuller, corner)


def _centre_front(b: WaistcoatBody) -> dict[str, Chain]:
    princess, _ = _front_lines(b)
    break_point = (b.bust[0] + 12, -EXTENSION)
    low = (b.hem + 12, -EXTENSION)
    return {
        "opening": straight(break_point, low),
        "hem": straight(low, (b.hem + POINT_DROP, 26.0), princess[-1].end),
        "princess": _reversed(princess),
        "armhole": _front_armhole(b)[1],
        "shoulder": straight(b.tip, (0.0, b.neck_width)),
        "neck": (curve((0.0, b.neck_width), (1.0, -0.16), break_point, (1.0, -0.42), 0.3),),
    }


def _side_front(b: WaistcoatBody) -> dict[str, Chain]:
    _, princess = _front_lines(b)
    side = b.side(b.front_bust)
    return {
        "princess": princess,
        "hem": (curve(princess[-1].end, (-0.10, 1.0), side[0].start, (-0.06, 1.0), 0.3),),
        "side": side,
        "armhole": _front_armhole(b)[0],
    }


def _facing_line(b: WaistcoatBody) -> Segment:
    """The facing's inner edge, from the shoulder down to the hem."""
    shoulder = lerp((0.0, b.neck_width), b.tip, 0.5)
    hem = lerp((b.hem + POINT_DROP, 26.0), _front_lines(b)[0][-1].end, 0.35)
    return curve(shoulder, (1.0, -0.1), hem, DOWN, 0.3)


def _facing(b: WaistcoatBody) -> dict[str, Chain]:
    whole, inner = _centre_front(b), _facing_line(b)
    point = whole["hem"][0].end
    return {
        "opening": whole["opening"],
        "hem": straight(whole["hem"][0].start, point, inner.end),
        "inner": (inner.reversed(),),
        "shoulder": straight(inner.start, (0.0, b.neck_width)),
        "neck": whole["neck"],
    }


def _front_lining(b: WaistcoatBody) -> dict[str, Chain]:
    whole, inner = _centre_front(b), _facing_line(b)
    return {
        "facing": (inner,),
        "hem": straight(inner.end, whole["hem"][1].end),
        "princess": whole["princess"],
        "armhole": whole["armhole"],
        "shoulder": straight(b.tip, inner.start),
    }


def _back(b: WaistcoatBody) -> dict[str, Chain]:
    """The back is drawn to the same levels; its shoulder is a little longer than the front's."""
    front = chain_length(straight(b.tip, (0.0, b.neck_width)))
    along = unit((b.tip[0], b.tip[1] - b.neck_width))
    tip = (along[0] * (front + SHOULDER_EASE), b.neck_width + along[1] * (front + SHOULDER_EASE))
    nape, waist, hem = (20.0, 0.0), (b.waist, b.back_in), (b.hem, b.back_in * 0.55)
    side = b.side(b.back_bust)
    return {
        "centre": (curve(nape, DOWN, waist, DOWN, 0.42), curve(waist, DOWN, hem, (1.0, -0.1), 0.4)),
        "hem": (curve(hem, (0.0, 1.0), side[0].start, (-0.02, 1.0), 0.3),),
        "side": side,
        "armhole": b.armhole(b.back_bust, tip[1] - 8, tip),
        "shoulder": straight(tip, (0.0, b.neck_width)),
        "neck": (curve((0.0, b.neck_width), (1.0, -0.4), nape, IN, 0.4),),
    }


def _piece(
    id: str,
    name: str,
    number: int,
    bodies: dict[str, WaistcoatBody],
    draw: object,
    grain_at: tuple[float, float],
    cuts: tuple[Cut, ...],
    frame: str,
    panel: Panel,
    lines: tuple[InnerLine, ...] = (),
) -> Piece:
    shapes = {}
    for size, b in bodies.items():
        edges = draw(b)  # type: ignore[operator]
        y = b.front_bust * grain_at[0] + grain_at[1]
        shapes[size] = Shape(edges, ((b.bust[0] + 30, y), (b.hem - 25, y)))
    specs = tuple(EdgeSpec(n, SEAM) for n in next(iter(shapes.values())).edges)
    return Piece(
        id=id,
        name=name,
        number=number,
        drawn=Drawn.SEAM,
        edges=specs,
        shapes=shapes,
        cuts=cuts,
        lines=lines,
        panel=panel,
        drawn_on=frame,
    )


def _levels(bodies: dict[str, WaistcoatBody], start: str) -> tuple[InnerLine, ...]:
    """Bust and waist of a panel: from its inner edge (or the centre line, y = 0) to its outer one."""

    def ends(b: WaistcoatBody, x: float) -> tuple[Point, Point]:
        if start == "centre-front":
            return ((x, 0.0), (x, y_at(_front_lines(b)[0], x)))
        if start == "side-front":
            return ((x, y_at(_front_lines(b)[1], x)), (x, y_at(b.side(b.front_bust), x)))
        return ((x, y_at(_back(b)["centre"], x)), (x, y_at(b.side(b.back_bust), x)))

    bust = {s: ends(b, b.bust[0]) for s, b in bodies.items()}
    waist = {s: ends(b, b.waist) for s, b in bodies.items()}
    high = {s: ends(b, b.waist - 70) for s, b in bodies.items()}
    return (level("bust", bust), level("waist", waist), adjust_here("body-length", high))


# ---------------------------------------------------------------- the pattern


@cache
def draft() -> Pattern:
    """The whole pattern: pieces in every size, envelope and making graph."""
    bodies = {size: body(size) for size in SIZES}
    pair = (Cut(Role.MAIN, 2, pair=True),)
    lining = (Cut(Role.LINING, 2, pair=True),)
    front = _piece(
        id="front",
        name="Waistcoat front",
        number=1,
        bodies=bodies,
        draw=_centre_front,
        grain_at=(0.0, 40.0),
        cuts=pair,
        frame="front",
        panel=Panel.FRONT,
        lines=(
            *_levels(bodies, "centre-front"),
            InnerLine(
                "centre", LineKind.CENTRE, {s: ((b.bust[0] + 12, 0.0), (b.hem + 31, 0.0)) for s, b in bodies.items()}
            ),
        ),
    )
    side = _piece(
        id="side-front",
        name="Side front",
        number=2,
        bodies=bodies,
        draw=_side_front,
        grain_at=(0.72, 0.0),
        cuts=pair,
        frame="front",
        panel=Panel.FRONT,
        lines=_levels(bodies, "side-front"),
    )
    back = _piece(
        id="back",
        name="Waistcoat back",
        number=3,
        bodies=bodies,
        draw=_back,
        grain_at=(0.45, 0.0),
        cuts=pair,
        frame="back",
        panel=Panel.BACK,
        lines=_levels(bodies, "back"),
    )
    facing = _piece(
        id="facing",
        name="Front facing",
        number=4,
        bodies=bodies,
        draw=_facing,
        grain_at=(0.0, 12.0),
        cuts=(*pair, Cut(Role.INTERFACING, 2, pair=True)),
        frame="front",
        panel=Panel.OTHER,
    )
    front_lining = _piece(
        id="front-lining",
        name="Front lining",
        number=5,
        bodies=bodies,
        draw=_front_lining,
        grain_at=(0.2, 22.0),
        cuts=lining,
        frame="front",
        panel=Panel.OTHER,
    )
    side_lining = _piece(
        id="side-lining",
        name="Side front lining",
        number=6,
        bodies=bodies,
        draw=_side_front,
        grain_at=(0.72, 0.0),
        cuts=lining,
        frame="front",
        panel=Panel.OTHER,
    )
    back_lining = _piece(
        id="back-lining",
        name="Back lining",
        number=7,
        bodies=bodies,
        draw=_back,
        grain_at=(0.45, 0.0),
        cuts=lining,
        frame="back",
        panel=Panel.OTHER,
    )
    front, side, back = _with_marks(front, side, back, bodies)
    # The lining has the notches of what it lines.
    front_lining, side_lining, back_lining = (
        replace(lining, marks=outer.marks)
        for lining, outer in ((front_lining, front), (side_lining, side), (back_lining, back))
    )
    welt = rectangle(
        id="welt",
        name="Pocket welt",
        number=8,
        sizes=SIZES,
        long=dict.fromkeys(SIZES, WELT_LONG),
        wide=44.0,
        edges=("lower", "left", "upper", "right"),
        allowance=10.0,
        cuts=(Cut(Role.MAIN, 2, pair=True), Cut(Role.INTERFACING, 2, pair=True)),
        fold_line=True,
        panel=Panel.OTHER,
    )
    belt = rectangle(
        id="belt",
        name="Back belt",
        number=9,
        sizes=SIZES,
        # From the side seam to the centre back, and so much to lap through the buckle.
        long={s: b.back_bust - b.side_in - b.back_in + BELT_LAP for s, b in bodies.items()},
        wide=40.0,
        edges=("lower", "left", "upper", "right"),
        allowance=10.0,
        cuts=(Cut(Role.MAIN, 4, pair=True),),
        panel=Panel.OTHER,
    )
    pieces = (front, side, back, facing, front_lining, side_lining, back_lining, welt, belt)
    return Pattern(
        name="Lined waistcoat",
        house="Larkmoor Patterns",
        code="L 311",
        garment="waistcoat",
        envelope=_envelope(pieces),
        pieces=pieces,
        making=making(princess_ease=PRINCESS_EASE, shoulder_ease=SHOULDER_EASE),
    )


def _with_marks(front: Piece, side: Piece, back: Piece, bodies: dict[str, WaistcoatBody]) -> tuple[Piece, Piece, Piece]:
    over = {s: chain_length(_front_lines(b)[0][1:]) for s, b in bodies.items()}
    over_side = {s: chain_length(_front_lines(b)[1][:1]) for s, b in bodies.items()}
    waist = {s: chain_length(b.side(b.front_bust)[1:]) for s, b in bodies.items()}
    buttons = tuple(
        InnerPoint(
            f"button-{k + 1}",
            PointKind.BUTTONHOLE,
            {s: (b.bust[0] + 24 + k * (b.hem - b.bust[0] - 40) / 4, 0.0) for s, b in bodies.items()},
        )
        for k in range(5)
    )
    bust = InnerPoint("bust", PointKind.BUST, {s: b.bust for s, b in bodies.items()})
    # A welt's length apart once the princess seam between them is sewn, which takes in so much at that level.
    taken = {
        s: y_at(side.shapes[s].edges["princess"], b.waist + 22) - y_at(front.shapes[s].edges["princess"], b.waist + 22)
        for s, b in bodies.items()
    }
    places = (
        {s: (b.waist + 22, WELT_FROM) for s, b in bodies.items()},
        {s: (b.waist + 22, WELT_FROM + WELT_LONG + taken[s]) for s, b in bodies.items()},
    )
    welts = tuple(InnerPoint(f"welt-{k}", PointKind.POCKET, at) for k, at in enumerate(places, start=1))
    return (
        replace(front, marks=(notch("bust-front", "princess", "start", over),), points=(bust, *buttons, welts[0])),
        replace(
            side,
            marks=(notch("bust-side", "princess", "start", over_side), notch("waist-side", "side", "end", waist)),
            points=(welts[1],),
        ),
        replace(back, marks=(notch("waist-back", "side", "end", waist, double=True),)),
    )


def _envelope(pieces: tuple[Piece, ...]) -> Envelope:
    def around(measure: str) -> dict[str, float]:
        out = {}
        for s in SIZES:
            lines = [line for p in pieces[:3] if (line := p.line(LineKind.LEVEL, measure)) is not None]
            out[s] = 2 * sum(line.ends[s][1][1] - line.ends[s][0][1] for line in lines)
        return out

    back = pieces[2]
    return Envelope(
        views=(View("A", "Five buttons, back belt, two welts"),),
        sizes=SIZES,
        cloth=Structure.WOVEN,
        fabrics=("wool", "tweed", "linen, with a smooth lining"),
        sized_by=("bust", "waist"),
        body_chart={
            "bust": row(SIZES, BODY_BUST),
            "high_bust": row(SIZES, BODY_BUST, -51.0),
            "waist": row(SIZES, BODY_WAIST),
            "hip": row(SIZES, BODY_HIP),
            "back_waist": row(SIZES, BACK_WAIST),
        },
        finished={"A": {"bust": around("bust"), "waist": around("waist"), "length": lengths(back, "centre")}},
        yardage=printed_yardage(SIZES, YARDAGE),
        notions=(
            PrintedNotion("Buttons", 5, "20 mm (3/4 in)"),
            PrintedNotion("Buckle", 1, "for the back belt"),
            PrintedNotion("Sewing thread", 1, "to match"),
        ),
        figure=Figure.WOMEN,
    )
