"""Draft the lined waistcoat: princess line, V neck, facing, lining drawn from the garment's own pieces.

The side front's princess edge is rounded over the bust until it is a little longer than the centre front's;
the back shoulder is a little longer than the front's. Side seams are mirror images of each other. Facing and
front lining are the centre front cut in two along the facing's inner edge.

Body chart and figures are invented for the demo.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from rowanseed.core.outline import Chain, Point, Segment, chain_length, lerp, unit
from rowanseed.core.pattern import (
    BookletStep,
    Closure,
    ClosureKind,
    Cut,
    Difference,
    DifferenceKind,
    Drawn,
    EdgeSpec,
    Envelope,
    Figure,
    Finish,
    FinishKind,
    InnerLine,
    InnerPoint,
    Join,
    Layer,
    LayerKind,
    LineKind,
    Making,
    Notion,
    Panel,
    Pattern,
    Piece,
    PointKind,
    Press,
    Role,
    Shape,
    View,
)
from rowanseed.demo.drafting import (
    DOWN,
    IN,
    UP,
    adjust_here,
    curve,
    lengths,
    level,
    notch,
    part,
    printed_yardage,
    rectangle,
    row,
    solve,
    straight,
    y_at,
)

SIZES = ("8", "10", "12", "14", "16", "18", "20", "22")
BODY_BUST = (800, 840, 880, 930, 980, 1040, 1110, 1180)
BODY_WAIST = (640, 670, 710, 760, 810, 870, 940, 1010)
BODY_HIP = (890, 920, 960, 1010, 1060, 1120, 1190, 1260)
BACK_WAIST = (398, 402, 406, 411, 416, 420, 424, 428)

BUST_EASE, WAIST_EASE = 116.0, 130.0
PRINCESS_EASE = 4.0
"""How much longer the side front is than the centre front along the princess seam."""
SHOULDER_EASE = 4.0
EXTENSION = 18.0
FACING_WIDTH = 62.0
BELOW_WAIST = 105.0
POINT_DROP = 55.0
SEAM = 15.0
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
class Body:
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
            curve((self.underarm, width), IN, turn, UP, 0.5, 0.42),
            curve(turn, UP, tip, (-along[1], along[0]), 0.36),
        )


def body(size: str) -> Body:
    k = SIZES.index(size)
    half_bust, half_waist = (BODY_BUST[k] + BUST_EASE) / 2, (BODY_WAIST[k] + WAIST_EASE) / 2
    front, back = half_bust * 0.52, half_bust * 0.48
    front_in, back_in = front - half_waist * 0.52, back - half_waist * 0.48
    side_in = 0.42 * min(front_in, back_in)
    neck = 62 + 2.2 * k
    return Body(
        front, back, side_in, front_in - side_in, back_in - side_in, BODY_BUST[k] / 8 + 116, BACK_WAIST[k] + 20.0, neck,
        (38.0, neck + 78 + 1.5 * k), (BODY_BUST[k] * 0.1 + 180, BODY_BUST[k] / 10 + 1),
    )  # fmt: skip


# ---------------------------------------------------------------- the front


def _front_armhole(b: Body) -> tuple[Chain, Chain]:
    """The side front's part of the armhole (from the underarm) and the centre front's."""
    lower, upper = b.armhole(b.front_bust, b.tip[1] - 20, b.tip)
    first, second = upper.split(0.12)
    return (lower, first), (second,)


def _princess(b: Body, taken_in: float, hand: float, fuller: float, lower: float) -> Chain:
    """From the armhole over the bust point and the waist down to the hem's corner.

    `hand` −1: the centre front's edge, +1: the side front's, rounded out by `fuller`.
    """
    start = _front_armhole(b)[1][0].start
    over = b.bust
    waist = (b.waist, b.bust[1] + hand * taken_in)
    hem = (lower, b.bust[1] + hand * taken_in * 0.35)
    chest = curve(start, (0.55, -1.0), over, DOWN, 0.42)
    bulge = Segment(
        chest.start, chest.end, (chest.points()[1][0], chest.points()[1][1] - fuller),
        (chest.points()[2][0], chest.points()[2][1] - fuller * 0.4),
    )  # fmt: skip
    return (bulge, curve(over, DOWN, waist, DOWN, 0.4), curve(waist, DOWN, hem, (1.0, -hand * 0.06), 0.4))


def _reversed(chain: Chain) -> Chain:
    return tuple(s.reversed() for s in reversed(chain))


def _front_lines(b: Body) -> tuple[Chain, Chain]:
    """Both princess edges, from the armhole down; the side front's below the waist is let down to the same length."""
    taken = b.front_in / 2
    corner = b.hem + 22.0
    centre = _princess(b, taken, -1.0, 0.0, corner)
    goal = chain_length(centre[:1]) + PRINCESS_EASE
    fuller = solve(lambda f: chain_length(_princess(b, taken, 1.0, f, corner)[:1]), goal, 0.0, 60.0)
    return centre, _princess(b, taken, 1.0, fuller, corner)


def _centre_front(b: Body) -> dict[str, Chain]:
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


def _side_front(b: Body) -> dict[str, Chain]:
    _, princess = _front_lines(b)
    side = b.side(b.front_bust)
    return {
        "princess": princess,
        "hem": (curve(princess[-1].end, (-0.10, 1.0), side[0].start, (-0.06, 1.0), 0.3),),
        "side": side,
        "armhole": _front_armhole(b)[0],
    }


def _facing_line(b: Body) -> Segment:
    """The facing's inner edge, from the shoulder down to the hem."""
    shoulder = lerp((0.0, b.neck_width), b.tip, 0.5)
    hem = lerp((b.hem + POINT_DROP, 26.0), _front_lines(b)[0][-1].end, 0.35)
    return curve(shoulder, (1.0, -0.1), hem, DOWN, 0.3)


def _facing(b: Body) -> dict[str, Chain]:
    whole, inner = _centre_front(b), _facing_line(b)
    point = whole["hem"][0].end
    return {
        "opening": whole["opening"],
        "hem": straight(whole["hem"][0].start, point, inner.end),
        "inner": (inner.reversed(),),
        "shoulder": straight(inner.start, (0.0, b.neck_width)),
        "neck": whole["neck"],
    }


def _front_lining(b: Body) -> dict[str, Chain]:
    whole, inner = _centre_front(b), _facing_line(b)
    return {
        "facing": (inner,),
        "hem": straight(inner.end, whole["hem"][1].end),
        "princess": whole["princess"],
        "armhole": whole["armhole"],
        "shoulder": straight(b.tip, inner.start),
    }


def _back(b: Body) -> dict[str, Chain]:
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
    id: str, name: str, number: int, bodies: dict[str, Body], draw: object, grain_at: tuple[float, float], cuts: tuple[Cut, ...],
    frame: str, panel: Panel, lines: tuple[InnerLine, ...] = (),
) -> Piece:  # fmt: skip
    shapes = {}
    for size, b in bodies.items():
        edges = draw(b)  # type: ignore[operator]
        y = b.front_bust * grain_at[0] + grain_at[1]
        shapes[size] = Shape(edges, ((b.bust[0] + 30, y), (b.hem - 25, y)))
    specs = tuple(EdgeSpec(n, SEAM) for n in next(iter(shapes.values())).edges)
    return Piece(id, name, number, Drawn.SEAM, specs, shapes, cuts, lines=lines, panel=panel, drawn_on=frame)


def _levels(bodies: dict[str, Body], start: str) -> tuple[InnerLine, ...]:
    """Bust and waist of a panel: from its inner edge (or the centre line, y = 0) to its outer one."""

    def ends(b: Body, x: float) -> tuple[Point, Point]:
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


def draft() -> Pattern:
    """The whole pattern: pieces in every size, envelope and making graph."""
    bodies = {size: body(size) for size in SIZES}
    pair = (Cut(Role.MAIN, 2, pair=True),)
    lining = (Cut(Role.LINING, 2, pair=True),)
    front = _piece("front", "Waistcoat front", 1, bodies, _centre_front, (0.0, 40.0), pair, "front", Panel.FRONT,
                   (*_levels(bodies, "centre-front"),
                    InnerLine("centre", LineKind.CENTRE, {s: ((b.bust[0] + 12, 0.0), (b.hem + 40, 0.0)) for s, b in bodies.items()})))  # fmt: skip
    side = _piece(
        "side-front",
        "Side front",
        2,
        bodies,
        _side_front,
        (0.72, 0.0),
        pair,
        "front",
        Panel.FRONT,
        _levels(bodies, "side-front"),
    )
    back = _piece(
        "back", "Waistcoat back", 3, bodies, _back, (0.45, 0.0), pair, "back", Panel.BACK, _levels(bodies, "back")
    )
    facing = _piece("facing", "Front facing", 4, bodies, _facing, (0.0, 12.0),
                    (*pair, Cut(Role.INTERFACING, 2, pair=True)), "front", Panel.OTHER)  # fmt: skip
    front_lining = _piece(
        "front-lining", "Front lining", 5, bodies, _front_lining, (0.0, 72.0), lining, "front", Panel.OTHER
    )
    side_lining = _piece(
        "side-lining", "Side front lining", 6, bodies, _side_front, (0.72, 0.0), lining, "front", Panel.OTHER
    )
    back_lining = _piece("back-lining", "Back lining", 7, bodies, _back, (0.45, 0.0), lining, "back", Panel.OTHER)
    front, side, back = _with_marks(front, side, back, bodies)
    welt = rectangle("welt", "Pocket welt", 8, SIZES, dict.fromkeys(SIZES, 115.0), 44.0, ("lower", "left", "upper", "right"), 10.0,
                     (Cut(Role.MAIN, 2, pair=True), Cut(Role.INTERFACING, 2, pair=True)), fold_line=True, panel=Panel.OTHER)  # fmt: skip
    belt = rectangle("belt", "Back belt", 9, SIZES, {s: 190.0 + 6 * k for k, s in enumerate(SIZES)}, 40.0,
                     ("lower", "left", "upper", "right"), 10.0, (Cut(Role.MAIN, 4, pair=True),), panel=Panel.OTHER)  # fmt: skip
    pieces = (front, side, back, facing, front_lining, side_lining, back_lining, welt, belt)
    return Pattern("Lined waistcoat", "Larkmoor Patterns", "L 311", "waistcoat", _envelope(pieces), pieces, _making())


def _with_marks(front: Piece, side: Piece, back: Piece, bodies: dict[str, Body]) -> tuple[Piece, Piece, Piece]:
    over = {s: chain_length(_front_lines(b)[0][1:]) for s, b in bodies.items()}
    over_side = {s: chain_length(_front_lines(b)[1][:1]) for s, b in bodies.items()}
    waist = {s: chain_length(b.side(b.front_bust)[1:]) for s, b in bodies.items()}
    buttons = tuple(
        InnerPoint(f"button-{k + 1}", PointKind.BUTTONHOLE,
                   {s: (b.bust[0] + 24 + k * (b.hem - b.bust[0] - 40) / 4, 0.0) for s, b in bodies.items()})
        for k in range(5)
    )  # fmt: skip
    bust = InnerPoint("bust", PointKind.BUST, {s: b.bust for s, b in bodies.items()})
    return (
        replace(front, marks=(notch("bust-front", "princess", "start", over),), points=(bust, *buttons)),
        replace(
            side, marks=(notch("bust-side", "princess", "start", over_side), notch("waist-side", "side", "end", waist))
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
        sized_by=("bust", "waist"),
        body_chart={"bust": row(SIZES, BODY_BUST), "high_bust": row(SIZES, BODY_BUST, -51.0), "waist": row(SIZES, BODY_WAIST),
                    "hip": row(SIZES, BODY_HIP), "back_waist": row(SIZES, BACK_WAIST)},
        finished={"A": {"bust": around("bust"), "waist": around("waist"), "length": lengths(back, "centre")}},
        yardage=printed_yardage(SIZES, YARDAGE),
        notions=(Notion("Buttons", 5, "20 mm"), Notion("Buckle", 1, "for the back belt"), Notion("Sewing thread", 1, "to match")),
        figure=Figure.WOMEN,
    )  # fmt: skip


def _making() -> Making:
    ease = "the fuller side is eased over the bust"
    shoulder = "the back shoulder is a little longer: it is eased over the shoulder blade"
    return Making(
        joins=(
            Join("princess", "Princess seams", (part("side-front", "princess"),), (part("front", "princess"),),
                 Difference(DifferenceKind.EASE, PRINCESS_EASE), each_hand=True, why=ease),
            Join("centre-back", "Centre back seam", (part("back", "centre", hand="left"),), (part("back", "centre", hand="right"),)),
            Join("sides", "Side seams", (part("side-front", "side"),), (part("back", "side"),), sewn_from="start", each_hand=True),
            Join("shoulders", "Shoulder seams", (part("back", "shoulder"),), (part("front", "shoulder"),),
                 Difference(DifferenceKind.EASE, SHOULDER_EASE), each_hand=True, why=shoulder),
            Join("lining-facing", "Lining to facing", (part("front-lining", "facing"),), (part("facing", "inner"),),
                 press=Press.BACK, each_hand=True),
            Join("lining-princess", "Lining princess seams", (part("side-lining", "princess"),), (part("front-lining", "princess"),),
                 Difference(DifferenceKind.EASE, PRINCESS_EASE), each_hand=True, why=ease),
            Join("lining-back", "Lining centre back seam", (part("back-lining", "centre", hand="left"),),
                 (part("back-lining", "centre", hand="right"),)),
            Join("lining-sides", "Lining side seams", (part("side-lining", "side"),), (part("back-lining", "side"),),
                 sewn_from="start", each_hand=True),
            Join("lining-shoulders", "Lining shoulder seams", (part("back-lining", "shoulder"),),
                 (part("front-lining", "shoulder"), part("facing", "shoulder")),
                 Difference(DifferenceKind.EASE, SHOULDER_EASE), each_hand=True, why=shoulder),
            Join("neck", "Facing and lining to front edges and neck", (part("front", "opening"), part("front", "neck"), part("back", "neck")),
                 (part("facing", "opening"), part("facing", "neck"), part("back-lining", "neck")), press=Press.FACING),
            Join("armholes", "Lining to armholes", (part("side-front", "armhole"), part("front", "armhole"), part("back", "armhole")),
                 (part("side-lining", "armhole"), part("front-lining", "armhole"), part("back-lining", "armhole")),
                 press=Press.FACING, each_hand=True),
            Join("hems", "Lining to lower edge", (part("front", "hem"), part("side-front", "hem"), part("back", "hem")),
                 (part("facing", "hem"), part("front-lining", "hem"), part("side-lining", "hem"), part("back-lining", "hem")),
                 press=Press.FACING),
        ),
        closures=(Closure("buttons", ClosureKind.BUTTONS, "neck"),),
        finishes=(
            Finish("welt-edges", "Edges of the welts", FinishKind.TURNED, tuple(part("welt", e) for e in ("lower", "left", "upper", "right"))),
            Finish("belt-edges", "Edges of the back belt", FinishKind.TURNED, tuple(part("belt", e) for e in ("lower", "left", "upper", "right"))),
        ),
        layers=(Layer(LayerKind.FACING, "facing", "front"), Layer(LayerKind.LINING, "front-lining", "front"),
                Layer(LayerKind.LINING, "side-lining", "side-front"), Layer(LayerKind.LINING, "back-lining", "back")),
        booklet=(BookletStep("1", ("princess",)), BookletStep("2", ("centre-back",)), BookletStep("3", ("shoulders",)),
                 BookletStep("4", ("lining-facing", "lining-princess", "lining-back")), BookletStep("5", ("neck",)),
                 BookletStep("6", ("armholes",)), BookletStep("7", ("sides", "lining-sides")), BookletStep("8", ("hems",))),
    )  # fmt: skip
