"""The making graph: which edges are joined, closed, finished and layered, and how."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.words import Worded


@dataclass(frozen=True)
class EdgePart:
    """An edge of a piece, or the part of it from mark to mark; `hand` tells mirrored copies apart."""

    piece: str
    edge: str
    hand: str | None = None
    from_mark: str | None = None
    to_mark: str | None = None


class DifferenceKind(Worded):
    NONE = "none"
    EASE = "ease"
    STRETCH = "stretch"
    GATHERS = "gathers"
    STRETCHED_ON = "stretched-on", "stretched on"
    """Side b is a band cut shorter: side a is so many times as long."""


@dataclass(frozen=True)
class Difference:
    """How much longer side a of a join is meant to be: millimetres of ease or stretch, or a ratio, of gathers
    and of what is stretched on."""

    kind: DifferenceKind = DifferenceKind.NONE
    amount: float = 0.0


class Press(Worded):
    """Where the allowances of a seam are pressed."""

    OPEN = "open"
    BACK = "back", "to the back"
    FRONT = "front", "to the front"
    UP = "up"
    DOWN = "down"
    FACING = "facing", "towards the facing"
    BAND = "band", "into the band"


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


class ClosureKind(Worded):
    INVISIBLE_ZIP = "invisible-zip"
    CENTRED_ZIP = "centred-zip"
    LAPPED_ZIP = "lapped-zip"
    BUTTONS = "buttons"
    FLY_ZIP = "fly-zip"
    BUTTON_FLY = "button-fly"
    EXPOSED_ZIP = "exposed-zip"
    SEPARATING_ZIP = "separating-zip"
    HOOK_AND_EYE = "hook-and-eye"
    SNAPS = "snaps"
    LACING = "lacing"
    ELASTIC = "elastic"
    TIES = "ties"
    BUTTON_LOOP = "button-loop", "button and loop"


@dataclass(frozen=True)
class Closure:
    """A closure on a join, from its first end to a mark (`to_mark`: piece id and mark id), or between two marks.

    With a `from_mark` the seam is sewn above it too, as in a side below a sleeve. `join` may name a finish too: buttons
    on an edge that is folded on itself.
    """

    id: str
    kind: ClosureKind
    join: str
    to_mark: tuple[str, str] | None = None
    from_mark: tuple[str, str] | None = None


class FinishKind(Worded):
    HEM = "hem"
    NEATENED = "neatened"
    BINDING = "binding"
    CASING = "casing"
    SELVEDGE = "selvedge"
    TURNED = "turned", "turned in"
    CAUGHT = "caught", "caught in a seam"
    """The raw end of a strap, a ruffle, a pocket bag: some other seam, or a row across it, holds it."""
    RAW = "raw", "raw on purpose"


@dataclass(frozen=True)
class Finish:
    """How edges that are in no join end: `folds` are the turnings of a hem from the raw edge on."""

    id: str
    name: str
    kind: FinishKind
    parts: tuple[EdgePart, ...]
    folds: tuple[float, ...] = ()


class LayerKind(Worded):
    FACING = "facing"
    INTERFACING = "interfacing"
    LINING = "lining"
    UNDERLINING = "underlining"
    INTERLINING = "interlining"


@dataclass(frozen=True)
class Layer:
    """`piece` is the facing, interfacing, lining, underlining or interlining of `of`."""

    kind: LayerKind
    piece: str
    of: str


class DetailKind(Worded):
    """What is made on the pieces or along the seams of a garment besides seams, edges and closures."""

    IN_SEAM_POCKET = "in-seam-pocket", "in-seam pocket"
    SLANT_POCKET = "slant-pocket", "slant pocket"
    WELT_POCKET = "welt-pocket", "welt pocket with bags"
    FLAP = "flap", "pocket flap"
    POUCH = "pouch", "pouch pocket"
    STRAP = "strap"
    BIB = "bib", "bib on a band"
    BELT_LOOPS = "belt-loops"
    TAB = "tab"
    PLEATED_BAND = "pleated-band", "pleated band on a flat one"
    TIE_BELT = "tie-belt"
    TIES = "ties", "ties at the ends of a band"
    SLIT = "slit", "slit at the end of a seam"
    VENT = "vent"
    CONTINUOUS_PLACKET = "continuous-placket"
    TOWER_PLACKET = "tower-placket"
    FACED_SLIT = "faced-slit"
    FLY = "fly", "fly facing and shield"
    KNIFE_PLEATS = "knife-pleats"
    BOX_PLEATS = "box-pleats"
    INVERTED_PLEATS = "inverted-pleats"
    TUCKS = "tucks"
    DOUBLE_DARTS = "double-darts", "double-ended darts"
    SHIRRED_PANEL = "shirred-panel"
    ELASTIC = "elastic", "elastic sewn on"
    DRAWSTRING = "drawstring", "drawstring in a seam"
    PIPING = "piping"
    RUFFLE = "ruffle"
    LACE = "lace"
    RICKRACK = "rickrack"
    BRAID = "braid"
    TOPSTITCHING = "topstitching"
    EMBROIDERY = "embroidery"
    SCALLOPS = "scallops", "scalloped or pointed edge"
    BONING = "boning"
    BACK_STAY = "back-stay"
    ROLL_LINE = "roll-line", "roll line of a lapel"


POCKET_DOTS = ("pocket-top", "pocket-bottom")
"""The marks on the edges of a side seam between which the mouth of an in-seam pocket is left open."""
STIFFEN = "stiffen:"
"""Before the id of a piece among the ways: how it is stiffened."""
NECK_CENTRE = "centre-of-neck"
"""The dot at the neck where a collar ends, at the centre line of an edge that laps."""
BESIDE_CENTRE = "beside-centre"
"""The dot at the neck where a collar ends that is tied: a little before the centre line, so that the knot has room."""
BAND_FOLD, LOWER_FOLD = "fold", "lower-fold"
"""The dots on a front band's upper and lower edges where it is folded: up to there it is seen, and the neck, or a band
at the lower edge, goes on over it."""
RUNS_ON = ("before", "beyond")
"""What the edges of a band are called that runs on, at either end, beyond what it is sewn to: an apron's band, a collar
that is tied."""
PLACKET_BASE = "placket-base"
"""What the lower edge of the box is called that a half placket fills."""
INSET_EDGE = "inset"
"""What the edges are called at which a bodice and a band let in below it are sewn together."""
VENT_EDGE = "vent"
"""What the edge of a piece is called that laps over its other copy where a vent is."""


@dataclass(frozen=True)
class Detail:
    """A pocket, a placket, a pleat, a trim: what it is made of, on which pieces, along which seams or edges.

    `pieces` are its own; `on` the pieces that it is made on; `along` ids of joins and finishes; `to_mark` (piece id
    and mark id) where it ends on one of these. `width` is its finished width in mm, 0 where the pattern does not say.
    """

    id: str
    name: str
    kind: DetailKind
    pieces: tuple[str, ...] = ()
    on: tuple[str, ...] = ()
    along: tuple[str, ...] = ()
    to_mark: tuple[str, str] | None = None
    count: int = 1
    width: float = 0.0


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
    details: tuple[Detail, ...] = ()
    ways: tuple[tuple[str, str], ...] = ()
    """Parts that the pattern means to be sewn otherwise than usual: pairs of a part and a technique's id."""
    booklet: tuple[BookletStep, ...] = ()

    def join(self, id: str) -> Join:
        return next(join for join in self.joins if join.id == id)
