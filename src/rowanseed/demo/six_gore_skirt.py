"""Draft the six-gore skirt from the geometry of the cone.

Below the hip every gore is a sector of one annulus: a cone laid flat, so an arc at radius r of a sector
of angle α is exactly α·r long and hem and side meet square. Above the hip each seam is taken in by the
same curve, mirrored, so that any two edges sewn together are congruent. The waist is an arc about the
same apex; how much each seam is taken in is solved so that the waist measures what the chart wants.

Body chart and figures are invented for the demo.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from rowanseed.core.compose.drafting import y_at
from rowanseed.core.geometry.outline import Chain, Point, Segment, arc_chain, chain_length
from rowanseed.core.pattern.envelope import Envelope, Figure, PrintedNotion, PrintedYardage, Structure, View
from rowanseed.core.pattern.making import (
    BookletStep,
    Closure,
    ClosureKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    Layer,
    LayerKind,
    Making,
    Press,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import (
    Corner,
    Cut,
    Drawn,
    EdgeSpec,
    InnerLine,
    LineKind,
    Mark,
    MarkKind,
    Panel,
    Piece,
    Role,
    Shape,
)

SIZES = ("8", "10", "12", "14", "16", "18", "20", "22")
BODY_WAIST = (640, 670, 710, 760, 810, 870, 940, 1010)
BODY_HIP = (890, 920, 960, 1010, 1060, 1120, 1190, 1260)

WAIST_EASE = 20.0
HIP_EASE = 80.0
HIP_DEPTH = 205.0
LENGTH = 660.0
BELOW = 150.0
"""How much lower the second line of the tissue lies."""
FLARE = 0.95
"""The cone's whole angle, in radians: how much wider the skirt grows for every unit further down."""

HIP_SHARE = {"front": 0.18, "side-front": 0.165, "side-back": 0.165, "back": 0.16}
"""Each gore's share of the hip; a side gore is cut twice."""
SHAPED_SIDES = 12
"""Gore sides that are taken in above the hip: all but the centre back seam, which stays straight."""

SEAM = 15.0
HEM = 30.0
FACING_DEPTH = 65.0
ZIP_OPENING = 200.0


@dataclass(frozen=True)
class Cone:
    """One size's geometry: radii in mm from the apex, the intake of each shaped side."""

    hip_radius: float
    waist_radius: float
    hem_radius: float
    intake: float

    def angle(self, share: float) -> float:
        """The sector angle of a gore with this share of the hip."""
        return FLARE * share

    def side_curve(self, angle: float, hand: int) -> Segment:
        """A seam from hip to waist, on the sector side at ±angle (hand +1: the upper side)."""
        line = hand * angle
        out, inwards = (math.cos(line), math.sin(line)), (hand * math.sin(line), -hand * math.cos(line))

        def at(radius: float, taken_in: float) -> Point:
            return (out[0] * radius + inwards[0] * taken_in, out[1] * radius + inwards[1] * taken_in)

        level = self.hip_radius - HIP_DEPTH
        hip, waist = at(self.hip_radius, 0), at(level, self.intake)
        # The curve leaves the straight part without a kink and meets the waist square.
        square = (waist[0] / self.waist_radius, waist[1] / self.waist_radius)
        handle = 0.4 * HIP_DEPTH
        return Segment(
            start=hip,
            end=waist,
            control1=at(self.hip_radius - handle, 0),
            control2=(waist[0] + square[0] * handle, waist[1] + square[1] * handle),
        )

    def waist_angle(self, angle: float) -> float:
        """The polar angle at which a shaped side standing at `angle` reaches the waist."""
        return angle - math.atan2(self.intake, self.hip_radius - HIP_DEPTH)

    def angle_at(self, angle: float, radius: float) -> float:
        """The polar angle of a shaped side at a radius between waist and hip."""
        curve = self.side_curve(angle, 1)
        low, high = 0.0, 1.0
        for _ in range(60):
            middle = (low + high) / 2
            low, high = (middle, high) if math.hypot(*curve.at(middle)) > radius else (low, middle)
        x, y = curve.at(low)
        return math.atan2(y, x)


def cone(size: str) -> Cone:
    """Solve one size: the intake for which the waist arcs add up to the finished waist."""
    k = SIZES.index(size)
    hip_radius = (BODY_HIP[k] + HIP_EASE) / FLARE
    level = hip_radius - HIP_DEPTH
    wanted = BODY_WAIST[k] + WAIST_EASE

    def waist(intake: float) -> float:
        return math.hypot(level, intake) * (FLARE - SHAPED_SIDES * math.atan2(intake, level))

    low, high = 0.0, 40.0
    for _ in range(80):
        middle = (low + high) / 2
        low, high = (middle, high) if waist(middle) > wanted else (low, middle)
    return Cone(
        hip_radius=hip_radius,
        waist_radius=math.hypot(level, low),
        hem_radius=hip_radius + LENGTH - HIP_DEPTH,
        intake=low,
    )


# ---------------------------------------------------------------- pieces


@cache
def draft() -> Pattern:
    """The whole pattern: pieces in every size, envelope and making graph."""
    cones = {size: cone(size) for size in SIZES}
    pieces = (
        _gore("front", "Centre front gore", 1, cones, half=1),
        _gore("side-front", "Side front gore", 2, cones),
        _gore("side-back", "Side back gore", 3, cones),
        _gore("back", "Centre back gore", 4, cones, half=-1),
        _facing("front-facing", "Front waist facing", 5, cones, hand=1),
        _facing("back-facing", "Back waist facing", 6, cones, hand=-1),
    )
    return Pattern(
        name="Six-gore concert skirt",
        house="Larkmoor Patterns",
        code="L 104",
        garment="skirt",
        envelope=_envelope(),
        pieces=pieces,
        making=_making(),
    )


def _polar(radius: float, angle: float) -> Point:
    return (radius * math.cos(angle), radius * math.sin(angle))


def _gore(id: str, name: str, number: int, cones: Mapping[str, Cone], half: int = 0) -> Piece:
    """A gore. `half` +1: the half above its axis, -1: the half below; 0: whole.

    Ring order: lower side (down), hem, upper side (up), waist.
    """
    lower = {1: "centre", 0: "front", -1: "side"}[half]
    upper = {1: "side", 0: "back", -1: "centre"}[half]
    share = HIP_SHARE[id]
    shapes = {size: _gore_shape(c, c.angle(share) / 2, half, (lower, upper)) for size, c in cones.items()}
    fold = "centre" if half == 1 else None
    edges = tuple(
        EdgeSpec(
            edge,
            HEM if edge == "hem" else 0.0 if edge == fold else SEAM,
            Corner.TURNED if edge == "hem" else Corner.MITRE,
        )
        for edge in (lower, "hem", upper, "waist")
    )
    to_hip = {size: chain_length((c.side_curve(c.angle(share) / 2, 1),)) for size, c in cones.items()}
    # One notch means front, two mean back (common practice): at the hip of every shaped seam.
    kinds = {"front": MarkKind.NOTCH, "back": MarkKind.DOUBLE_NOTCH}
    marks = []
    for edge, anchor in ((lower, "start"), (upper, "end")):
        if (half, edge) in ((1, "centre"), (-1, "centre")):
            continue
        is_back_seam = (id, edge) in (("side-back", "back"), ("back", "side"))
        marks.append(
            Mark(
                id=f"hip-{edge}",
                kind=kinds["back" if is_back_seam else "front"],
                edge=edge,
                anchor=anchor,
                distance=to_hip,
            )
        )
    if half == -1:
        marks.append(
            Mark(
                id="zip-end",
                kind=MarkKind.ZIP_END,
                edge="centre",
                anchor="end",
                distance=dict.fromkeys(SIZES, ZIP_OPENING),
            )
        )
    level = {size: (c.hip_radius - c.waist_radius + 120.0) for size, c in cones.items()}
    across = {
        size: (
            (level[size], -0.30 * c.hip_radius * c.angle(share) if half <= 0 else 0.0),
            (level[size], 0.30 * c.hip_radius * c.angle(share) if half >= 0 else 0.0),
        )
        for size, c in cones.items()
    }
    return Piece(
        id=id,
        name=name,
        number=number,
        drawn=Drawn.SEAM,
        edges=edges,
        shapes=shapes,
        cuts=(Cut(Role.MAIN, 1, fold=fold) if fold else Cut(Role.MAIN, 2, pair=True),),
        marks=tuple(marks),
        lines=(InnerLine("skirt-length", LineKind.LENGTHEN_SHORTEN, across), *_levels(shapes, (lower, upper))),
        panel=Panel.FRONT if "front" in id else Panel.BACK,
    )


def _levels(shapes: Mapping[str, Shape], sides: tuple[str, str]) -> tuple[InnerLine, ...]:
    """Where waist and hip are measured across a gore: straight lines, a little shorter than the arcs they stand for."""

    def across(x: float) -> dict[str, tuple[Point, Point]]:
        return {
            size: ((x, y_at(shape.edges[sides[0]], x)), (x, y_at(shape.edges[sides[1]], x)))
            for size, shape in shapes.items()
        }

    return (InnerLine("waist", LineKind.LEVEL, across(6.0)), InnerLine("hip", LineKind.LEVEL, across(HIP_DEPTH + 5)))


def _gore_shape(c: Cone, angle: float, half: int, names: tuple[str, str]) -> Shape:
    def side(hand: int) -> Chain:
        """From waist to hem: shaped, or straight down the axis on the other side of a half gore."""
        if half == -hand:
            return (Segment(_polar(c.waist_radius, 0), _polar(c.hem_radius, 0)),)
        curve = c.side_curve(angle, hand)
        return (curve.reversed(), Segment(curve.start, _polar(c.hem_radius, hand * angle)))

    low = 0.0 if half == 1 else -angle
    high = 0.0 if half == -1 else angle
    waist_low = 0.0 if half == 1 else -c.waist_angle(angle)
    waist_high = 0.0 if half == -1 else c.waist_angle(angle)
    lower, upper = side(-1), tuple(s.reversed() for s in reversed(side(1)))
    edges = {
        names[0]: lower,
        "hem": arc_chain((0, 0), c.hem_radius, low, high),
        names[1]: upper,
        "waist": arc_chain((0, 0), c.waist_radius, waist_high, waist_low),
    }
    width = 0.45 * angle * c.hip_radius * half
    return Shape(_shifted(edges, c.waist_radius), ((60.0, width), (c.hem_radius - c.waist_radius - 60.0, width)))


def _facing(id: str, name: str, number: int, cones: Mapping[str, Cone], hand: int) -> Piece:
    """Half a facing: the tops of a centre gore and a side gore with their seams closed.

    Closed, they are again a strip of a cone: its upper and lower arcs have the lengths of the gores'
    together, and so its radius follows from their difference.
    """
    shares = ("front", "side-front") if hand == 1 else ("back", "side-back")
    upper_edge, side_edge, centre_edge = "upper", "side", "centre"
    order = (
        (centre_edge, "lower", side_edge, upper_edge) if hand == 1 else (side_edge, "lower", centre_edge, upper_edge)
    )
    shapes = {}
    for size, c in cones.items():
        sides = [(c.angle(HIP_SHARE[shares[0]]) / 2, 1), (c.angle(HIP_SHARE[shares[1]]) / 2, 2)]
        below = c.waist_radius + FACING_DEPTH
        upper = sum(times * c.waist_angle(angle) for angle, times in sides) * c.waist_radius
        lower = sum(times * c.angle_at(angle, below) for angle, times in sides) * below
        radius = upper * FACING_DEPTH / (lower - upper)
        angle = upper / radius
        low, high = (0.0, angle) if hand == 1 else (-angle, 0.0)
        at_low = Segment(_polar(radius, low), _polar(radius + FACING_DEPTH, low))
        at_high = Segment(_polar(radius + FACING_DEPTH, high), _polar(radius, high))
        edges = {
            order[0]: (at_low,),
            "lower": arc_chain((0, 0), radius + FACING_DEPTH, low, high),
            order[2]: (at_high,),
            upper_edge: arc_chain((0, 0), radius, high, low),
        }
        height = hand * upper * 0.35
        shapes[size] = Shape(_shifted(edges, radius), ((12.0, height), (FACING_DEPTH - 8.0, height)))
    fold = centre_edge if hand == 1 else None
    allowances = {"lower": 0.0, centre_edge: 0.0 if hand == 1 else SEAM, side_edge: SEAM, upper_edge: SEAM}
    whole = {"count": 1, "fold": fold} if fold else {"count": 2, "pair": True}
    return Piece(
        id=id,
        name=name,
        number=number,
        drawn=Drawn.SEAM,
        edges=tuple(EdgeSpec(edge, allowances[edge]) for edge in order),
        shapes=shapes,
        cuts=(Cut(Role.MAIN, **whole), Cut(Role.INTERFACING, **whole)),
        panel=Panel.BAND,
    )


def _shifted(edges: Mapping[str, Chain], by: float) -> dict[str, Chain]:
    """Move the apex so that the waist at the axis stands at x = 0."""

    def moved(p: Point | None) -> Point | None:
        return None if p is None else (p[0] - by, p[1])

    return {
        name: tuple(
            Segment(
                start=(s.start[0] - by, s.start[1]),
                end=(s.end[0] - by, s.end[1]),
                control1=moved(s.control1),
                control2=moved(s.control2),
            )
            for s in chain
        )
        for name, chain in edges.items()
    }


# ---------------------------------------------------------------- envelope and making


def _envelope() -> Envelope:
    def row(figures: tuple[int, ...], ease: float = 0.0) -> dict[str, float]:
        return {size: figure + ease for size, figure in zip(SIZES, figures, strict=True)}

    finished = {
        "waist": row(BODY_WAIST, WAIST_EASE),
        "hip": row(BODY_HIP, HIP_EASE),
        "length": dict.fromkeys(SIZES, LENGTH),
        "hem": {s: FLARE * cone(s).hem_radius for s in SIZES},
    }
    longer = {
        **finished,
        "length": dict.fromkeys(SIZES, LENGTH + BELOW),
        "hem": {s: FLARE * (cone(s).hem_radius + BELOW) for s in SIZES},
    }
    return Envelope(
        views=(
            View("A", "Knee length, faced waist, zip at the back"),
            View("B", "The same to mid calf, cut at the lower line", BELOW),
        ),
        sizes=SIZES,
        cloth=Structure.WOVEN,
        fabrics=("viscose", "crêpe", "light wool", "needlecord"),
        sized_by=("hip", "waist"),
        body_chart={"waist": row(BODY_WAIST), "hip": row(BODY_HIP)},
        finished={"A": finished, "B": longer},
        yardage=tuple(_printed_yardage()),
        notions=(
            PrintedNotion("Invisible zip", 1, "22 cm (9 in)"),
            PrintedNotion("Hook and eye", 1),
            PrintedNotion("Sewing thread", 1, "to match"),
        ),
        figure=Figure.WOMEN,
    )


_PRINTED_CM = {
    # Invented for the demo, generous as envelopes are: centimetres a size, by width and direction.
    (1120, False): (170, 170, 175, 180, 190, 220, 235, 240),
    (1120, True): (190, 200, 230, 235, 240, 240, 245, 250),
    (1500, False): (130, 135, 150, 155, 160, 160, 170, 180),
    (1500, True): (150, 155, 160, 165, 165, 175, 180, 185),
}


def _printed_yardage() -> list[PrintedYardage]:
    main = [
        PrintedYardage(view, size, Role.MAIN, float(width), one_way, cm * 10.0 + more)
        for view, more in (("A", 0.0), ("B", 2 * BELOW))
        for (width, one_way), row in _PRINTED_CM.items()
        for size, cm in zip(SIZES, row, strict=True)
    ]
    return main + [
        PrintedYardage(view, size, Role.INTERFACING, 900.0, one_way=False, length=400.0)
        for view in ("A", "B")
        for size in SIZES
    ]


def _making() -> Making:
    def part(piece: str, edge: str) -> EdgePart:
        return EdgePart(piece, edge)

    return Making(
        joins=(
            Join(
                id="front-seams",
                name="Side front seams",
                a=(part("front", "side"),),
                b=(part("side-front", "front"),),
                each_hand=True,
            ),
            Join(
                id="back-seams",
                name="Side back seams",
                a=(part("side-back", "back"),),
                b=(part("back", "side"),),
                each_hand=True,
            ),
            Join(
                id="side-seams",
                name="Side seams",
                a=(part("side-front", "back"),),
                b=(part("side-back", "front"),),
                each_hand=True,
            ),
            Join(
                id="centre-back",
                name="Centre back seam",
                a=(EdgePart("back", "centre", "left"),),
                b=(EdgePart("back", "centre", "right"),),
            ),
            Join(
                id="facing-sides",
                name="Facing side seams",
                a=(part("front-facing", "side"),),
                b=(part("back-facing", "side"),),
                each_hand=True,
            ),
            Join(
                id="waist",
                name="Facing to waist",
                a=(
                    part("front", "waist"),
                    part("side-front", "waist"),
                    part("side-back", "waist"),
                    part("back", "waist"),
                ),
                b=(part("front-facing", "upper"), part("back-facing", "upper")),
                press=Press.FACING,
            ),
        ),
        closures=(
            Closure(id="zip", kind=ClosureKind.INVISIBLE_ZIP, join="centre-back", to_mark=("back", "zip-end")),
            Closure("hook", ClosureKind.HOOK_AND_EYE, "centre-back"),
        ),
        finishes=(
            Finish(
                id="hem",
                name="Hem",
                kind=FinishKind.HEM,
                parts=(part("front", "hem"), part("side-front", "hem"), part("side-back", "hem"), part("back", "hem")),
                folds=(8.0, 22.0),
            ),
            Finish(
                id="facing-edge",
                name="Lower edge of the facing",
                kind=FinishKind.NEATENED,
                parts=(part("front-facing", "lower"), part("back-facing", "lower")),
            ),
            Finish(
                id="facing-ends",
                name="Facing ends at the zip",
                kind=FinishKind.RAW,
                parts=(part("back-facing", "centre"),),
            ),
        ),
        layers=(
            Layer(LayerKind.FACING, "front-facing", "front"),
            Layer(LayerKind.FACING, "front-facing", "side-front"),
            Layer(LayerKind.FACING, "back-facing", "back"),
            Layer(LayerKind.FACING, "back-facing", "side-back"),
            Layer(LayerKind.INTERFACING, "front-facing", "front-facing"),
            Layer(LayerKind.INTERFACING, "back-facing", "back-facing"),
        ),
        booklet=(
            BookletStep("1", ("front-seams",)),
            BookletStep("2", ("back-seams",)),
            BookletStep("3", ("zip", "centre-back")),
            BookletStep("4", ("side-seams",)),
            BookletStep("5", ("facing-sides", "facing-edge")),
            BookletStep("6", ("waist",)),
            BookletStep("7", ("hem",)),
        ),
    )
