"""A commercial pattern as data: envelope, pieces with a nest of sizes, and the making graph.

A piece is a ring of named edges, the same in every size, so that later work speaks of edges and never
of coordinates. The piece frame has x along the grain (the top of the garment at the smaller x) and
y across it, right side up; rings run counter-clockwise. All lengths are millimetres.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import Enum

from rowanseed.core.outline import Chain, Point


class Role(Enum):
    """Which cloth a piece is cut from."""

    MAIN = "main"
    CONTRAST = "contrast"
    LINING = "lining"
    INTERFACING = "interfacing"
    UNDERLINING = "underlining"


class Grain(Enum):
    """How a piece lies to the lengthwise grain of the cloth."""

    LENGTHWISE = "lengthwise"
    CROSSWISE = "crosswise"
    EITHER = "either"
    BIAS = "bias"


class Drawn(Enum):
    """Which line the pattern draws; the other is derived from the allowance of each edge."""

    SEAM = "seam"
    CUTTING = "cutting"


class Corner(Enum):
    """How the cutting line turns at the ends of an edge's allowance."""

    MITRE = "mitre"
    TURNED = "turned"
    """A hem's: squared off so that the turned-up allowance mirrors the garment above it."""


class Panel(Enum):
    """Which part of the body a piece covers: it tells alterations where they belong.

    A BAND has no shape of its own: collars, stands, cuffs, bands and facings drawn apart take their length
    from the edge they are sewn to.
    """

    FRONT = "front"
    BACK = "back"
    SLEEVE = "sleeve"
    BAND = "band"
    OTHER = "other"


class Figure(Enum):
    """Whom a pattern is drawn for."""

    WOMEN = "women"
    MEN = "men"
    CHILDREN = "children"
    UNISEX = "unisex"


@dataclass(frozen=True)
class EdgeSpec:
    """What is the same about an edge in every size: its name, seam allowance and corner."""

    name: str
    allowance: float
    corner: Corner = Corner.MITRE


@dataclass(frozen=True)
class Shape:
    """A piece in one size: its edges in ring order, and the grainline from top to bottom."""

    edges: Mapping[str, Chain]
    grainline: tuple[Point, Point]


class MarkKind(Enum):
    NOTCH = "notch"
    DOUBLE_NOTCH = "double notch"
    DOT = "dot"
    DART_LEG = "dart leg"
    ZIP_END = "zip end"
    GATHER_START = "gather start"
    GATHER_END = "gather end"
    QUARTER = "quarter mark"


@dataclass(frozen=True)
class Mark:
    """A place on an edge, held by a distance along the seam line from a corner or another mark.

    `anchor` is "start" or "end" (corners of the edge in ring order) or another mark's id on the same
    edge; from "end" the distance is measured backwards. `distance` holds one figure a size.
    """

    id: str
    kind: MarkKind
    edge: str
    anchor: str
    distance: Mapping[str, float]


@dataclass(frozen=True)
class Dart:
    """A dart: two legs, which are marks on an edge, and its point in every size."""

    id: str
    edge: str
    legs: tuple[str, str]
    point: Mapping[str, Point]


class LineKind(Enum):
    LENGTHEN_SHORTEN = "lengthen or shorten here"
    FOLD = "fold line"
    ROLL = "roll line"
    PLEAT = "pleat line"
    PLACEMENT = "placement line"
    CENTRE = "centre line"
    LEVEL = "level"
    """Across the piece at a measure of the body (its id: bust, waist, hip…), from stitching line to stitching line or
    to the centre line: what the garment measures there, and where a blend or a taper takes hold."""


@dataclass(frozen=True)
class InnerLine:
    """A line inside a piece, by its two ends in every size."""

    id: str
    kind: LineKind
    ends: Mapping[str, tuple[Point, Point]]


class PointKind(Enum):
    DOT = "dot"
    BUTTON = "button"
    BUTTONHOLE = "buttonhole"
    POCKET = "pocket corner"
    BUST = "bust point"


@dataclass(frozen=True)
class InnerPoint:
    """A mark inside a piece, in every size."""

    id: str
    kind: PointKind
    at: Mapping[str, Point]


@dataclass(frozen=True)
class Cut:
    """What is cut from a piece in one cloth: how many, paired, on a fold, on which grain."""

    role: Role
    count: int
    pair: bool = False
    fold: str | None = None
    grain: Grain = Grain.LENGTHWISE
    one_way: bool = False
    motif: bool = False
    views: tuple[str, ...] = ()
    """The views that cut it; empty: every view."""
    selvedge: str | None = None
    """A straight edge along the grain that lies along the selvedge, which is firm and needs no finish."""


@dataclass(frozen=True)
class Piece:
    """A tissue piece. `shapes` holds one shape a size, every one with the edges of `edges`."""

    id: str
    name: str
    number: int
    drawn: Drawn
    edges: tuple[EdgeSpec, ...]
    shapes: Mapping[str, Shape]
    cuts: tuple[Cut, ...]
    marks: tuple[Mark, ...] = ()
    darts: tuple[Dart, ...] = ()
    lines: tuple[InnerLine, ...] = ()
    points: tuple[InnerPoint, ...] = ()
    panel: Panel = Panel.OTHER
    drawn_on: str = ""
    """Pieces of one name are drawn where they lie together, in one frame: a yoke above its back, a facing on its
    front. What moves one of them moves all. Empty: the piece has a frame of its own."""

    @property
    def frame(self) -> str:
        return self.drawn_on or self.id

    def has_edge(self, name: str) -> bool:
        return any(edge.name == name for edge in self.edges)

    def line(self, kind: LineKind, id: str) -> InnerLine | None:
        return next((line for line in self.lines if line.kind is kind and line.id == id), None)

    def edge(self, name: str) -> EdgeSpec:
        return next(edge for edge in self.edges if edge.name == name)

    def mark(self, id: str) -> Mark:
        return next(mark for mark in self.marks if mark.id == id)

    def cuts_for(self, role: Role, view: str) -> tuple[Cut, ...]:
        return tuple(c for c in self.cuts if c.role is role and (not c.views or view in c.views))


# ---------------------------------------------------------------- the making graph


@dataclass(frozen=True)
class EdgePart:
    """An edge of a piece, or the part of it from mark to mark; `hand` tells mirrored copies apart."""

    piece: str
    edge: str
    hand: str | None = None
    from_mark: str | None = None
    to_mark: str | None = None


class DifferenceKind(Enum):
    NONE = "none"
    EASE = "ease"
    STRETCH = "stretch"
    GATHERS = "gathers"


@dataclass(frozen=True)
class Difference:
    """How much longer side a of a join is meant to be: millimetres of ease or stretch, or a ratio."""

    kind: DifferenceKind = DifferenceKind.NONE
    amount: float = 0.0


class Press(Enum):
    """Where the allowances of a seam are pressed."""

    OPEN = "open"
    BACK = "to the back"
    FRONT = "to the front"
    UP = "up"
    DOWN = "down"
    FACING = "towards the facing"
    BAND = "into the band"


@dataclass(frozen=True)
class Join:
    """A seam: two sides, each a chain of edges; sewn once, or on each hand of the garment.

    `sewn_from` names the end where sewing begins ("start" or "end" of side a). `align` names the end
    that is matched when the sides differ on purpose.
    """

    id: str
    name: str
    a: tuple[EdgePart, ...]
    b: tuple[EdgePart, ...]
    difference: Difference = Difference()
    align: str = "both"
    sewn_from: str = "start"
    press: Press = Press.OPEN
    each_hand: bool = False
    why: str = ""
    """Why its sides differ on purpose, in the pattern's words."""


class ClosureKind(Enum):
    INVISIBLE_ZIP = "invisible zip"
    CENTRED_ZIP = "centred zip"
    LAPPED_ZIP = "lapped zip"
    BUTTONS = "buttons"
    FLY_ZIP = "fly zip"
    HOOK_AND_EYE = "hook and eye"
    ELASTIC = "elastic"
    TIES = "ties"


@dataclass(frozen=True)
class Closure:
    """A closure on a join, from its first end to a mark (`to_mark`: piece id and mark id)."""

    id: str
    kind: ClosureKind
    join: str
    to_mark: tuple[str, str] | None = None


class FinishKind(Enum):
    HEM = "hem"
    NEATENED = "neatened"
    BINDING = "binding"
    CASING = "casing"
    SELVEDGE = "selvedge"
    TURNED = "turned in"
    RAW = "raw on purpose"


@dataclass(frozen=True)
class Finish:
    """How edges that are in no join end: `folds` are the turnings of a hem from the raw edge on."""

    id: str
    name: str
    kind: FinishKind
    parts: tuple[EdgePart, ...]
    folds: tuple[float, ...] = ()


class LayerKind(Enum):
    FACING = "facing"
    INTERFACING = "interfacing"
    LINING = "lining"
    UNDERLINING = "underlining"


@dataclass(frozen=True)
class Layer:
    """`piece` is the facing, interfacing, lining or underlining of `of`."""

    kind: LayerKind
    piece: str
    of: str


@dataclass(frozen=True)
class BookletStep:
    """A step number of the printed booklet and what of the graph it speaks of (ids)."""

    number: str
    about: tuple[str, ...]


@dataclass(frozen=True)
class Making:
    """The garment as a graph: edges of pieces joined by seams, closed, finished and layered."""

    joins: tuple[Join, ...] = ()
    closures: tuple[Closure, ...] = ()
    finishes: tuple[Finish, ...] = ()
    layers: tuple[Layer, ...] = ()
    booklet: tuple[BookletStep, ...] = ()

    def join(self, id: str) -> Join:
        return next(join for join in self.joins if join.id == id)


# ---------------------------------------------------------------- the envelope


@dataclass(frozen=True)
class View:
    id: str
    name: str


@dataclass(frozen=True)
class PrintedYardage:
    """A line of the envelope's yardage: the length in mm for a view, size, width and direction."""

    view: str
    size: str
    role: Role
    width: float
    one_way: bool
    length: float


@dataclass(frozen=True)
class Notion:
    """Something to buy besides cloth."""

    what: str
    count: int
    detail: str = ""


@dataclass(frozen=True)
class Envelope:
    """What is printed on the envelope. Charts map a measure to one figure a size, in millimetres."""

    views: tuple[View, ...]
    sizes: tuple[str, ...]
    sized_by: tuple[str, ...] = ()
    """Measures the size is chosen by, the one that decides first."""
    body_chart: Mapping[str, Mapping[str, float]] = field(default_factory=dict)
    finished: Mapping[str, Mapping[str, Mapping[str, float]]] = field(default_factory=dict)
    """View → measure → size → finished measurement of the garment."""
    yardage: tuple[PrintedYardage, ...] = ()
    notions: tuple[Notion, ...] = ()
    figure: Figure = Figure.UNISEX


@dataclass(frozen=True)
class Pattern:
    """A whole pattern. `garment` is a word such as skirt; `house` and `code` say who printed it."""

    name: str
    house: str
    code: str
    garment: str
    envelope: Envelope
    pieces: tuple[Piece, ...]
    making: Making = Making()

    def piece(self, id: str) -> Piece:
        return next(piece for piece in self.pieces if piece.id == id)

    def pieces_for(self, role: Role, view: str) -> tuple[tuple[Piece, Cut], ...]:
        """The pieces cut from a cloth for a view, each with its cutting instruction."""
        return tuple((piece, cut) for piece in self.pieces for cut in piece.cuts_for(role, view))

    def roles(self, view: str) -> tuple[Role, ...]:
        """The cloths a view is cut from, main first."""
        return tuple(role for role in Role if self.pieces_for(role, view))
