"""The body, drawn plainly, with the tape where a measurement is taken."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from xml.etree.ElementTree import Element

from rowanseed.core.body.measures import Age, Measure, Seen
from rowanseed.core.geometry.outline import Point
from rowanseed.drawings.svg import CHALK, INK, LINE, PAPER, QUIET, add, drawing, number, write

WIDE, TALL = 190.0, 330.0
MIDDLE = 95.0
SKIN = "#dfe5e3"


@dataclass(frozen=True)
class _Build:
    """Levels (y) and half widths of a figure, in units of the drawing."""

    head: float
    chin: float
    neck: float
    shoulder: float
    bust: float
    waist: float
    hip: float
    fork: float
    knee: float
    ankle: float
    wrist: Point
    elbow: Point
    tip: float
    bust_half: float
    waist_half: float
    hip_half: float
    head_half: float


ADULT = _Build(
    head=14,
    chin=50,
    neck=60,
    shoulder=72,
    bust=104,
    waist=138,
    hip=168,
    fork=184,
    knee=246,
    ankle=312,
    wrist=(58, 176),
    elbow=(50, 130),
    tip=37,
    bust_half=30,
    waist_half=23,
    hip_half=33,
    head_half=14,
)
CHILD = _Build(
    head=14,
    chin=62,
    neck=70,
    shoulder=84,
    bust=116,
    waist=148,
    hip=172,
    fork=188,
    knee=244,
    ankle=312,
    wrist=(54, 178),
    elbow=(46, 140),
    tip=32,
    bust_half=27,
    waist_half=25,
    hip_half=28,
    head_half=20,
)


def draw_measure(measure: Measure, age: Age) -> str:
    """A figure with the tape of one measurement."""
    build = CHILD if age is Age.CHILD else ADULT
    root = drawing(
        WIDE, TALL, f"{measure.name}, {measure.seen.words}", f"{measure.how} {measure.tight}", class_="figure-drawing"
    )
    match measure.seen:
        case Seen.FRONT | Seen.BACK:
            _front(root, build, back=measure.seen is Seen.BACK)
        case Seen.SIDE:
            _side(root, build)
        case Seen.SEATED:
            _seated(root, build)
    for k, path in enumerate(_tape(measure, build)):
        _draw_tape(root, path, behind=k > 0 and measure.key in ROUND)
    return write(root)


ROUND = ("bust", "high_bust", "waist", "waist_band", "hip", "neck", "upper_arm")


def _smooth(points: Sequence[Point], *, closed: bool = True) -> str:
    """A smooth path through points (Catmull-Rom turned into cubics)."""
    count = len(points)
    out = f"M{number(points[0][0])} {number(points[0][1])}"
    for k in range(count if closed else count - 1):
        p0 = points[(k - 1) % count] if closed or k else points[k]
        p1, p2 = points[k], points[(k + 1) % count]
        p3 = points[(k + 2) % count] if closed or k + 2 < count else p2
        c1 = (p1[0] + (p2[0] - p0[0]) / 6, p1[1] + (p2[1] - p0[1]) / 6)
        c2 = (p2[0] - (p3[0] - p1[0]) / 6, p2[1] - (p3[1] - p1[1]) / 6)
        out += "C" + " ".join(f"{number(x)} {number(y)}" for x, y in (c1, c2, p2))
    return out + ("Z" if closed else "")


def _body(root: Element, path: str) -> None:
    add(root, "path", d=path, fill=SKIN, stroke=QUIET, stroke_width=1.4, stroke_linejoin="round")


def _front(root: Element, b: _Build, *, back: bool) -> None:
    for hand in (-1, 1):
        arm = [
            (b.tip - 5, b.shoulder + 1),
            (b.tip + 3, b.shoulder + 8),
            (b.elbow[0] + 4, b.elbow[1]),
            (b.wrist[0] + 3, b.wrist[1]),
            (b.wrist[0] + 4, b.wrist[1] + 15),
            (b.wrist[0] - 3, b.wrist[1] + 16),
            (b.wrist[0] - 6, b.wrist[1]),
            (b.elbow[0] - 8, b.elbow[1] + 1),
            (b.bust_half - 1, b.bust - 12),
        ]
        _body(root, _smooth([(MIDDLE + hand * x, y) for x, y in arm]))
    half = [
        (6.5, b.chin - 2),
        (7.5, b.neck + 2),
        (b.tip - 4, b.shoulder),
        (b.tip - 4, b.shoulder + 14),
        (b.bust_half - 2, b.bust - 8),
        (b.bust_half - 1, b.bust + 4),
        (b.waist_half, b.waist),
        (b.hip_half - 1, b.hip - 6),
        (b.hip_half, b.hip + 6),
        (b.hip_half - 6, (b.fork + b.knee) / 2),
        (b.hip_half - 13, b.knee),
        (b.hip_half - 13, b.knee + 22),
        (15, b.ankle),
        (19, b.ankle + 9),
        (6, b.ankle + 9),
        (7, b.ankle),
        (5, b.knee + 10),
        (4, b.knee - 8),
        (2, b.fork + 6),
    ]
    outline = [(MIDDLE + x, y) for x, y in half] + [(MIDDLE, b.fork)] + [(MIDDLE - x, y) for x, y in reversed(half)]
    _body(root, _smooth(outline))
    add(
        root,
        "ellipse",
        cx=MIDDLE,
        cy=(b.head + b.chin) / 2,
        rx=b.head_half,
        ry=(b.chin - b.head) / 2,
        fill=SKIN,
        stroke=QUIET,
        stroke_width=1.4,
    )
    if back:
        add(root, "path", d=f"M{MIDDLE} {b.neck + 12}V{b.hip}", stroke=LINE, stroke_width=2, fill="none")
        add(root, "circle", cx=MIDDLE, cy=b.neck + 4, r=2.4, fill=QUIET)
    else:
        eye = (b.head + b.chin) / 2 + 1
        for hand in (-1, 1):
            add(root, "circle", cx=MIDDLE + hand * b.head_half * 0.4, cy=eye, r=1.3, fill=QUIET)


def _side(root: Element, b: _Build) -> None:
    x = MIDDLE
    seat, front = b.hip_half * 0.78, b.bust_half * 0.82
    outline = [
        (x - 6, b.chin - 6),
        (x - 9, b.neck),
        (x - 15, b.shoulder + 8),
        (x - 17, b.bust - 4),
        (x - 10, b.waist),
        (x - seat, b.hip),
        (x - seat + 8, b.fork + 10),
        (x - 13, b.knee),
        (x - 15, b.knee + 24),
        (x - 8, b.ankle),
        (x - 10, b.ankle + 9),
        (x + 16, b.ankle + 9),
        (x + 2, b.ankle - 2),
        (x + 3, b.knee + 10),
        (x + 7, b.knee - 4),
        (x + 14, b.fork + 4),
        (x + 15, b.hip - 6),
        (x + 11, b.waist),
        (x + front * 0.82, b.bust),
        (x + 12, b.shoulder + 6),
        (x + 6, b.neck),
        (x + 6, b.chin - 4),
    ]
    _body(root, _smooth(outline))
    add(
        root,
        "ellipse",
        cx=x + 1,
        cy=(b.head + b.chin) / 2,
        rx=b.head_half * 1.1,
        ry=(b.chin - b.head) / 2,
        fill=SKIN,
        stroke=QUIET,
        stroke_width=1.4,
    )
    add(
        root,
        "path",
        d=f"M{x + 1 + b.head_half * 1.05} {(b.head + b.chin) / 2 - 1}l4 5l-5 2",
        fill=SKIN,
        stroke=QUIET,
        stroke_width=1.4,
    )
    arm = [
        (x - 7, b.shoulder + 4),
        (x + 4, b.shoulder + 6),
        (x + 5, b.elbow[1]),
        (x + 9, b.wrist[1]),
        (x + 8, b.wrist[1] + 15),
        (x + 2, b.wrist[1] + 13),
        (x - 1, b.wrist[1] - 4),
        (x - 7, b.elbow[1]),
    ]
    add(root, "path", d=_smooth(arm), fill="#d3dbd8", stroke=QUIET, stroke_width=1.4)


def _seated(root: Element, b: _Build) -> None:
    x, seat = MIDDLE - 14, b.hip + 26.0
    add(
        root,
        "path",
        d=f"M{x - 34} {number(seat)}h66v9h-66z M{x - 30} {number(seat + 9)}v{number(TALL - 14 - seat - 9)} M{x + 26} "
        f"{number(seat + 9)}"
        f"v{number(TALL - 14 - seat - 9)} M{x - 34} {number(seat)}v-92",
        fill=PAPER,
        stroke=INK,
        stroke_width=2,
    )
    up = seat - b.hip - 6
    outline = [
        (x - 6, b.chin - 6 + up),
        (x - 9, b.neck + up),
        (x - 16, b.shoulder + 8 + up),
        (x - 17, b.bust - 4 + up),
        (x - 11, b.waist + up),
        (x - 24, b.hip - 4 + up),
        (x - 22, seat - 1),
        (x + 14, seat - 1),
        (x + 46, seat - 1),
        (x + 50, seat + 30),
        (x + 48, TALL - 24),
        (x + 46, TALL - 15),
        (x + 72, TALL - 15),
        (x + 60, TALL - 28),
        (x + 66, seat + 20),
        (x + 70, seat - 22),
        (x + 30, seat - 30),
        (x + 16, b.hip - 12 + up),
        (x + 12, b.waist + up),
        (x + 22, b.bust + up),
        (x + 12, b.shoulder + 6 + up),
        (x + 6, b.neck + up),
        (x + 6, b.chin - 4 + up),
    ]
    _body(root, _smooth(outline))
    add(
        root,
        "ellipse",
        cx=x + 1,
        cy=(b.head + b.chin) / 2 + up,
        rx=b.head_half * 1.1,
        ry=(b.chin - b.head) / 2,
        fill=SKIN,
        stroke=QUIET,
        stroke_width=1.4,
    )


# ---------------------------------------------------------------- the tape


def _level(half: float, y: float, drop: float = 5.0, middle: float = MIDDLE) -> list[list[Point]]:
    """A tape round the body: its near half dipping, and its far half."""
    near = [
        (middle - half, y),
        (middle - half * 0.5, y + drop * 0.8),
        (middle, y + drop),
        (middle + half * 0.5, y + drop * 0.8),
        (middle + half, y),
    ]
    far = [(px, 2 * y - py) for px, py in near]
    return [near, far]


def _tape(measure: Measure, b: _Build) -> list[list[Point]]:
    x = MIDDLE
    match measure.key:
        case "bust":
            return _level(b.bust_half, b.bust)
        case "high_bust":
            return _level(b.bust_half - 1, b.bust - 17, 4)
        case "waist":
            return _level(b.waist_half + 1, b.waist)
        case "waist_band":
            return _level(b.waist_half + 2, b.waist + 7)
        case "hip":
            return _level((b.hip_half * 0.78 + 15) / 2 + 1, b.hip, 4, x - (b.hip_half * 0.78 - 15) / 2)
        case "neck":
            return _level(9, b.neck + 3, 4)
        case "upper_arm":
            middle = x + (b.tip + b.elbow[0]) / 2 - 2
            return _level(9, (b.shoulder + b.elbow[1]) / 2 - 4, 3, middle)
        case "back_waist":
            return [[(x, b.neck + 4), (x, (b.neck + b.waist) / 2), (x, b.waist)]]
        case "waist_to_hip":
            return [[(x - 1, b.waist), (x - 2, (b.waist + b.hip) / 2), (x - 2, b.hip)]]
        case "waist_to_knee":
            return [[(x - 1, b.waist), (x - 3, b.hip), (x - 3, b.knee)]]
        case "inseam":
            return [[(x + 3, b.fork + 3), (x + 4, b.knee), (x + 5, TALL - 9)]]
        case "arm":
            return [
                [
                    (x + b.tip - 3, b.shoulder + 2),
                    (x + b.elbow[0] + 3, b.elbow[1]),
                    (x + b.wrist[0] + 2, b.wrist[1] + 1),
                ]
            ]
        case "shoulder":
            return [[(x + 8, b.neck + 4), (x + b.tip * 0.55, b.shoulder - 5), (x + b.tip - 4, b.shoulder)]]
        case "crotch_depth":
            seat = b.hip + 26.0
            up = seat - b.hip - 6
            return [[(x - 14, b.waist + up), (x - 14, (b.waist + up + seat) / 2), (x - 14, seat)]]
        case "height":
            return [[(x + 62, b.head), (x + 62, TALL / 2), (x + 62, TALL - 9)]]
    return []


def _draw_tape(root: Element, points: list[Point], *, behind: bool) -> None:
    """The tape, its ends marked; the part behind the body in dashes."""
    path = _smooth(points, closed=False)
    if behind:
        add(root, "path", d=path, fill="none", stroke=CHALK, stroke_width=1.8, stroke_dasharray="3 4")
        return
    add(root, "path", d=path, fill="none", stroke=PAPER, stroke_width=7, stroke_linecap="round")
    add(root, "path", d=path, fill="none", stroke=CHALK, stroke_width=4.4, stroke_linecap="round")
    add(root, "path", d=path, fill="none", stroke=PAPER, stroke_width=1.2, stroke_dasharray="1.2 5")
    for px, py in (points[0], points[-1]):
        add(root, "circle", cx=px, cy=py, r=3.4, fill=PAPER, stroke=CHALK, stroke_width=2.2)
