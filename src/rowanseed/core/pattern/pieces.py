"""The pieces of a pattern: rings of named edges with a nest of sizes, their marks, and how they are cut.

A piece is a ring of named edges, the same in every size, so that later work speaks of edges and never
of coordinates. The piece frame has x along the grain (the top of the garment at the smaller x) and
y across it, right side up; rings run counter-clockwise. All lengths are millimetres.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import assert_never

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Chain, Point


class Role(Worded):
    """Which cloth a piece is cut from."""

    MAIN = "main"
    CONTRAST = "contrast"
    LINING = "lining"
    INTERFACING = "interfacing"
    UNDERLINING = "underlining"


class Grain(Worded):
    """How a piece lies to the lengthwise grain of the cloth."""

    LENGTHWISE = "lengthwise"
    CROSSWISE = "crosswise"
    EITHER = "either"
    BIAS = "bias"


class Drawn(Worded):
    """Which line the pattern draws; the other is derived from the allowance of each edge."""

    SEAM = "seam"
    CUTTING = "cutting"


class Corner(Worded):
    """How the cutting line turns at the ends of an edge's allowance."""

    MITRE = "mitre"
    TURNED = "turned"
    """A hem's: squared off so that the turned-up allowance mirrors the garment above it."""


class Panel(Worded):
    """Which part of the body a piece covers: it tells alterations where they belong.

    A BAND has no shape of its own: collars, stands, cuffs, bands and facings drawn apart take their length
    from the edge they are sewn to. A HEAD piece, of a hood, has one, and follows the neck with its neck edge alone.
    """

    FRONT = "front"
    BACK = "back"
    SLEEVE = "sleeve"
    HEAD = "head"
    BAND = "band"
    OTHER = "other"


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


class MarkKind(Worded):
    NOTCH = "notch"
    DOUBLE_NOTCH = "double-notch"
    DOT = "dot"
    DART_LEG = "dart-leg"
    ZIP_END = "zip-end"
    GATHER_START = "gather-start"
    GATHER_END = "gather-end"
    QUARTER = "quarter", "quarter mark"


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


class Taken(Worded):
    """How what is taken in at an edge is held: sewn to a point, folded and caught, or sewn down and let go."""

    DART = "dart"
    PLEAT = "pleat"
    TUCK = "tuck"


@dataclass(frozen=True)
class Dart:
    """What is taken in at an edge: two legs, which are marks on it, and its point in every size.

    The point of a pleat or a tuck is where it is let go, in the middle between its lines.
    """

    id: str
    edge: str
    legs: tuple[str, str]
    point: Mapping[str, Point]
    taken: Taken = Taken.DART

    @property
    def is_folded(self) -> bool:
        return self.taken is not Taken.DART


@dataclass(frozen=True)
class OneSided:
    """A tuck or a pleat on one hand only, left or right as worn, of a piece that is drawn as a half on its fold.

    The half is drawn without it. To be cut the piece is opened out, slashed from the mark on its edge along the grain
    and swung open there by `deep` mm (see `opened_out`); the fold is held for `long` mm.
    """

    id: str
    mark: str
    hand: str
    deep: float
    long: float
    taken: Taken = Taken.TUCK


class LineKind(Worded):
    LENGTHEN_SHORTEN = "lengthen-shorten", "lengthen or shorten here"
    FOLD = "fold", "fold line"
    ROLL = "roll", "roll line"
    PLEAT = "pleat", "pleat line"
    PLACEMENT = "placement", "placement line"
    CENTRE = "centre", "centre line"
    LEVEL = "level"
    """Across the piece at a measure of the body (its id: bust, waist, hip…) or at a seam, from stitching line to
    stitching line or to the centre line: what the garment measures there, and where a blend or a taper takes hold."""


EASE_PLEAT, SHUT_PLEAT = "ease-pleat", "ease-pleat-shut"
"""Pleat lines down the middle of a lining's back: where the pleat opens, and where it is sewn shut all along. What
lies beyond them is folded away."""

WAIST, SEAM_LEVEL = "waist", "seam"
"""A level at a waist seam that lies elsewhere than at the waist, along edges that are called the waist all the same."""


@dataclass(frozen=True)
class InnerLine:
    """A line inside a piece, by its two ends in every size."""

    id: str
    kind: LineKind
    ends: Mapping[str, tuple[Point, Point]]


class PointKind(Worded):
    DOT = "dot"
    BUTTON = "button"
    BUTTONHOLE = "buttonhole"
    HOOK = "hook", "hook and eye"
    TIE = "tie"
    POCKET = "pocket", "pocket corner"
    BUST = "bust", "bust point"


@dataclass(frozen=True)
class InnerPoint:
    """A mark inside a piece, in every size; with a `hand`, left or right as worn, it is made on that side only."""

    id: str
    kind: PointKind
    at: Mapping[str, Point]
    hand: str | None = None


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


SLASHES = ("slash", "slit")
"""The ids of the placement lines that a piece is cut open along."""
MOUTH = ("top", "upper", "mouth")
"""What the edge is called that is a pocket's opening."""
SLANTING = "slanting"
"""What an edge of a pouch pocket is called that a hand goes in by."""
AT = "@"
"""Joins the id of a piece and the number of the batch's garment that it belongs to."""


class DerivedAs(Worded):
    """What a derived piece is to the one it comes from."""

    LINING = "lining"
    INTERFACING = "interfacing"
    FACING = "facing"
    UNDER_COLLAR = "under-collar"


@dataclass(frozen=True)
class Derived:
    """A piece worked out from piece `of`; a facing from its `edge`."""

    kind: DerivedAs
    of: str
    edge: str = ""

    @property
    def piece_id(self) -> str:
        """The id of the derived piece."""
        match self.kind:
            case DerivedAs.LINING:
                return f"{self.of}-lining"
            case DerivedAs.INTERFACING:
                return f"{self.of}-interfacing"
            case DerivedAs.FACING:
                return f"{self.of}-{self.edge}-facing"
            case DerivedAs.UNDER_COLLAR:
                return f"under-{self.of}"
            case _:
                assert_never(self.kind)


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
    one_sided: tuple[OneSided, ...] = ()
    """What one hand has alone; the other is as it is drawn."""
    panel: Panel = Panel.OTHER
    collar: bool = False
    """A collar: its under layer is cut a little smaller."""
    derived: Derived | None = None
    """What it was derived from, where it was; pieces that a pattern draws were not."""
    garment: int = 1
    """Which garment of a batch it belongs to; the project's own is 1."""
    approximate: bool = False
    """Composed from a description, not yet drawn or measured: its outline is the usual one for its figures."""
    drawn_on: str = ""
    """Pieces of one name are drawn where they lie together, in one frame: a yoke above its back, a facing on its
    front. What moves one of them moves all. Empty: the piece has a frame of its own."""

    @property
    def own_id(self) -> str:
        """Its id in its own garment, whichever of a batch that is."""
        return self.id.removesuffix(f"{AT}{self.garment}") if self.garment > 1 else self.id

    @property
    def frame(self) -> str:
        return self.drawn_on or self.id

    @property
    def is_cut_whole(self) -> bool:
        """Whether it is drawn on a fold and cut whole all the same: unlike left and right, or on the bias."""
        on_bias = any(cut.fold is not None and cut.grain is Grain.BIAS for cut in self.cuts)
        return bool(self.one_sided) or on_bias

    def lies_on_fold(self, cut: Cut) -> bool:
        """Whether it is cut on the fold: what is cut whole is only drawn so."""
        return cut.fold is not None and not self.is_cut_whole

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
