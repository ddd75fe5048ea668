"""What an operation is: one act, where and with what it is done, what it requires and what it gives."""

from __future__ import annotations

from dataclasses import dataclass, field

from rowanseed.core.base.units import INCH, Units
from rowanseed.core.base.words import Worded
from rowanseed.core.make.facts import State
from rowanseed.core.make.run import Run
from rowanseed.core.make.turned import Turned


class Bench(Worded):
    """Where an operation is done; changing from one to another is getting up."""

    MACHINE = "machine"
    OVERLOCKER = "overlocker"
    COVERSTITCH = "coverstitch"
    IRON = "iron"
    HAND = "hand", "by hand"
    TABLE = "table"
    MIRROR = "mirror"

    @property
    def is_machine(self) -> bool:
        return self in (Bench.MACHINE, Bench.OVERLOCKER, Bench.COVERSTITCH)


class Act(Worded):
    """What kind of work an operation is, one word for each; like is done with like."""

    SAMPLE = "sample"
    MARK = "mark"
    CUT = "cut"
    STAY = "stay"
    FUSE = "fuse"
    BACK = "back"
    DART = "dart"
    FOLD = "fold"
    EASE = "ease"
    GATHER = "gather"
    SHIRR = "shirr"
    BASTE = "baste"
    NEATEN = "neaten"
    JOIN = "join"
    PRESS = "press"
    TRIM = "trim"
    CLIP = "clip"
    TURN = "turn"
    UNDERSTITCH = "understitch"
    TOPSTITCH = "topstitch"
    ATTACH = "attach"
    BIND = "bind"
    PIPE = "pipe"
    FACE = "face"
    BAND = "band"
    LINE = "line"
    INSERT_CLOSURE = "insert-closure", "insert closure"
    BUTTONHOLE = "buttonhole"
    BUTTON = "button"
    FASTEN = "fasten"
    BONE = "bone"
    PAD = "pad"
    HEM = "hem"
    HANG = "hang"
    LEVEL = "level"
    TRY_ON = "try-on", "try on"
    TACK = "tack"
    CLOSE = "close"
    REMOVE = "remove"
    SET = "set"
    SET_BACK = "set-back", "set back"
    FINISH = "finish"
    OWN = "own", "a step of your own"

    @property
    def sews_join(self) -> bool:
        return self in (Act.JOIN, Act.FACE, Act.BAND, Act.LINE, Act.BIND)


@dataclass(frozen=True)
class Setting:
    """How the machine is set: stitch, length in mm, foot, needle; `iso` the stitch of ISO 4915; a note on top."""

    stitch: str
    length: float
    foot: str
    needle: str
    note: str = ""
    iso: str = "301"

    def stitch_length(self, units: Units) -> str:
        """Stitch length as the household says it: 2.5 mm, or as a dial has it with the stitches to the inch."""
        if units is Units.METRIC:
            return f"{self.length:g} mm"
        return f"length {self.length:g}, {INCH / self.length:.0f} to the inch"


@dataclass(frozen=True)
class Need:
    """A state that has to hold before, and why.

    `must`: it cannot be sewn otherwise; without it, it is advice, which the sequencer may weigh against a walk.
    `where_given`: only if something in this garment gives it.
    """

    state: State
    why: str
    must: bool = True
    where_given: bool = False


@dataclass(frozen=True)
class After:
    """An operation that has to be done before, or had better be, and why."""

    step: str
    why: str
    must: bool = True


@dataclass(frozen=True)
class EdgeShown:
    """An edge that an operation works on, for its drawing: all of it, or up to a mark, or beyond one (ring order), or
    between it and another (`to_mark`), or where no mark says it a `share` of its length. `backwards`: it is worked
    against the order of the ring; None where its step names no direction."""

    piece: str
    edge: str
    mark: str | None = None
    beyond_mark: bool = False
    to_mark: str | None = None
    backwards: bool | None = None
    share: tuple[float, float] = (0.0, 1.0)


@dataclass(frozen=True)
class On:
    """What an operation works on: ids of the making graph, and edges."""

    pieces: tuple[str, ...] = ()
    joins: tuple[str, ...] = ()
    finishes: tuple[str, ...] = ()
    closures: tuple[str, ...] = ()
    gates: tuple[str, ...] = ()
    edges: tuple[EdgeShown, ...] = ()


class Supply(Worded):
    """What an operation uses up besides cloth and thread, and a shop sells."""

    ELASTIC = "elastic"
    BINDING = "binding", "bias binding"
    PIPING = "piping"
    SNAPS = "snaps"
    BONING = "boning"
    PADS = "pads", "shoulder pads"
    CORD = "cord"
    TAPE = "tape", "stay tape"
    FUSIBLE_TAPE = "fusible-tape", "fusible tape"
    FUSIBLE = "fusible", "fusible interfacing, a scrap"
    """Squares and strips behind what is cut open."""
    BONE_CASING = "bone-casing"
    BUCKLE = "buckle"
    ELASTIC_THREAD = "elastic-thread"
    EYELETS = "eyelets"
    LACE = "lace", "lace edging"
    RICKRACK = "rickrack"
    BRAID = "braid"
    BUTTON_SHELLS = "button-shells", "buttons to be covered"


@dataclass(frozen=True)
class Use:
    """So much of a supply: along `mm`, or `count` of it. Round a body `mm` is its girth there, or the edge's length."""

    supply: Supply
    mm: float = 0.0
    count: int = 1
    wide: float = 0.0
    """How wide elastic is at most, in mm; 0 where that is not known."""


class Meant(Worded):
    """Departures from the usual order that are meant, and said."""

    FLAT = "flat"
    BY_HAND = "by-hand", "by hand"
    CHOSEN_RAW = "chosen-raw", "chosen raw"
    AFTER_JOINING = "after-joining", "after joining"
    AFTER_PRESSING = "after-pressing", "after pressing"
    TOGETHER = "together"
    ENCLOSES = "encloses"
    LEAVES_OPEN = "leaves-open", "leaves open"


@dataclass(frozen=True)
class Operation:
    """One operation; its id stays the same while the garment does.

    `requires` and `gives` are states; `needs` are the operations they lead to, which the compiler fills in. `leaves`
    and `removes` are temporary things by their words, `sets` and `sets_back` settings of a machine. `minutes` are the
    least and the most it takes a practised home sewist. `rows` is how often the length it works on is stitched.
    `run` is how the stitching of its first join, or of its edge, runs, in the words of `how`; None where that has no
    one beginning and end. `towards` are the pieces that allowances are pressed to, both sides' for a seam pressed open.
    `turned` is how its edges lie that are folded to the wrong side, when it is done.
    """

    id: str
    technique: str
    act: Act
    title: str
    how: tuple[str, ...]
    bench: Bench
    minutes: tuple[float, float] = (1.0, 2.0)
    on: On = On()
    requires: tuple[Need, ...] = ()
    gives: tuple[State, ...] = ()
    setting: Setting | None = None
    leaves: tuple[str, ...] = ()
    removes: tuple[str, ...] = ()
    sets: tuple[str, ...] = ()
    sets_back: tuple[str, ...] = ()
    meant: frozenset[Meant] = frozenset()
    way: str = ""
    run: Run | None = None
    towards: frozenset[str] = frozenset()
    turned: Turned | None = None
    rows: float = 1.0
    uses: tuple[Use, ...] = ()
    waits: float = 0.0
    """How long it has to be left before what needs it goes on, in minutes: cooling, drying, hanging a day."""
    look: str = ""
    caution: str = ""
    booklet: str = ""
    needs: tuple[After, ...] = field(default=(), compare=False)

    @property
    def edges(self) -> tuple[EdgeShown, ...]:
        return self.on.edges

    @property
    def is_gate(self) -> bool:
        return self.act is Act.TRY_ON
