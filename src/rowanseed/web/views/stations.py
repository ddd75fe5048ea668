"""What the pages of a project's stations show."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.shelf import SmallPieceOnShelf
from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.change import Alteration, AlterationStep
from rowanseed.core.alter.tissue import TissueSheet
from rowanseed.core.at_table import TableStep
from rowanseed.core.base.working import Working
from rowanseed.core.cloth.matching import MatchedSeam, Matching, MatchKind
from rowanseed.core.cloth.matching.symmetry import Place
from rowanseed.core.cloth.preparation import Preparation
from rowanseed.core.cloth.remainder import Left
from rowanseed.core.cloth.shelf import Giving, OnShelf
from rowanseed.core.cloth.yardage import ClothNeed, ClothVerdict
from rowanseed.core.cutting import CutItem
from rowanseed.core.derive.choice import InterfacingSchool, LiningHem, Pleat
from rowanseed.core.derive.layers import Derivation
from rowanseed.core.lay.estimate import Estimate
from rowanseed.core.lay.problem import Plan
from rowanseed.core.make.allowances import AllowanceChange
from rowanseed.core.make.change import Changed, Unsuited, Way
from rowanseed.core.make.compiler import Gap
from rowanseed.core.make.technique import Technique
from rowanseed.core.notions.added import Wanted, WantedKind
from rowanseed.core.notions.to_buy import NotionToBuy
from rowanseed.core.pattern.envelope import PrintedYardage
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece, Role
from rowanseed.core.pattern.walk import SeamWalk
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.saving.trial import Attempt
from rowanseed.core.sizing.ease import Ease
from rowanseed.core.sizing.lengths import LengthRow
from rowanseed.core.sizing.schools import Proposal
from rowanseed.core.sizing.wish import Fit, Over
from rowanseed.core.sums.rectangles import CutFigures, Rectangle, RectangleKind
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.lessons import Lesson
from rowanseed.store.people import Person
from rowanseed.store.projects import ClothUsed, EarlierNote, Note
from rowanseed.web.deps import StationView

# ---------------------------------------------------------------- Fit


@dataclass(frozen=True, kw_only=True)
class FitView(StationView):
    template = "fit.html"
    station = "fit"
    part = "size"
    best: Proposal
    why: str
    rows: Sequence[Ease]
    lengths: Sequence[tuple[LengthRow, Mapping[str, str]]]
    proposals: Sequence[Proposal]
    can_be_open: bool
    earlier: Sequence[EarlierNote]
    errors: Mapping[str, str]
    typed: Mapping[str, str]
    taken: Proposal | None
    measure_name: Callable[[str], str]
    bars: str | None
    girths: Sequence[str]
    levels: Sequence[str]
    blend: Mapping[str, str]
    fits: Sequence[Fit]
    overs: Sequence[Over]
    wrong_age: bool
    finished_length: Working | None
    missing: Sequence[str]


@dataclass(frozen=True, kw_only=True)
class AlterationsView(StationView):
    """`lines` are what is altered, each by its id; `ready` where one comes from, itself, what was said of it."""

    template = "fit_alter.html"
    station = "fit"
    part = "alter"
    picture: str | None
    piece: str | None
    places: Sequence[tuple[str, str]]
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    lines: Sequence[tuple[str, AlterationStep]]
    title: Callable[[Alteration, Pattern], str]
    ready: Sequence[tuple[str, Alteration, str]]
    key: Callable[[Alteration], str]
    changes: Mapping[str, float]
    measure_name: Callable[[str], str]
    pieces: Sequence[Piece]
    altered_pieces: Sequence[str]
    printed: Mapping[str, Mapping[str, float]]


@dataclass(frozen=True, kw_only=True)
class SeamsView(StationView):
    template = "fit_seams.html"
    station = "fit"
    part = "seams"
    walks: Sequence[SeamWalk]
    before: Mapping[str, SeamWalk]
    pictures: Mapping[str, str]
    pattern: Pattern
    broken: set[str]


@dataclass(frozen=True, kw_only=True)
class TissueView(StationView):
    template = "fit_tissue.html"
    station = "fit"
    part = "tissue"
    sheets: Sequence[tuple[TissueSheet, str | None]]
    blend: Blend


# ---------------------------------------------------------------- Cloth


@dataclass(frozen=True)
class MatchOffer:
    """What can be matched on a cloth, what is, and what came of it. `held` are pieces on a motif: id and name."""

    how: Matching
    kinds: Sequence[MatchKind]
    places: Sequence[Place]
    held: Sequence[tuple[str, str]]
    said: Sequence[MatchedSeam]
    rule: float
    """What the usual rule would add for matching, in mm."""


@dataclass(frozen=True)
class ClothRow:
    """What the station says of one cloth of the project."""

    role: Role
    plan: ClothPlan | None
    need: ClothNeed | None
    verdict: ClothVerdict | None
    printed: PrintedYardage | None
    strips: str | None
    refusals: tuple[str, ...]
    swatch: str = ""
    matching: MatchOffer | None = None
    envelope_words: str = ""
    """What the envelope says, beside this lay."""
    shared: tuple[str, ...] = ()
    """What other projects mean to cut from the same cloth."""
    too_short: str = ""
    """Where the cloth in hand is shorter than the longest piece: which one, and how long it is."""


@dataclass(frozen=True)
class Sight:
    """What can be said of a cloth before it is laid, in mm ready to cut."""

    plan: ClothPlan
    estimate: Estimate
    hand: float | None
    words: str


@dataclass(frozen=True, kw_only=True)
class ClothView(StationView):
    template = "cloth.html"
    station = "cloth"
    part = "cloth"
    shelves: Mapping[Role, Sequence[ClothEntry]]
    cut: Mapping[Role, ClothEntry]
    lost: Mapping[Role, tuple[ClothEntry, str]]
    earlier: Sequence[EarlierNote]
    sights: Sequence[Sight]
    rows: Sequence[ClothRow]


@dataclass(frozen=True, kw_only=True)
class WidthsView(StationView):
    """`rows` are cells of the table, `left` how many are still to be searched.

    `failed` says what went wrong, `explained` has words by a cell's words.
    """

    template = "cloth_widths.html"
    station = "cloth"
    part = "widths"
    rows: Sequence[Any]
    pictures: Mapping[Role, str]
    left: int
    failed: Sequence[str]
    explained: Mapping[str, str]


@dataclass(frozen=True, kw_only=True)
class ShortView(StationView):
    template = "cloth_short.html"
    station = "cloth"
    part = "short"
    role: Role
    plain: Attempt
    ranked: Sequence[Attempt]
    best: Attempt | None
    left: int
    failed: Sequence[str]
    hand: float | None
    idle: Sequence[Attempt]
    refused: Sequence[Attempt]
    taken: tuple[TacticId, ...]
    tactic_words: Mapping[TacticId, str]
    least: float | None
    entry: ClothEntry


@dataclass(frozen=True, kw_only=True)
class ClothShelfView(StationView):
    template = "cloth_shelf.html"
    station = "cloth"
    part = "shelf"
    role: Role
    rows: Sequence[OnShelf]
    pieces: Sequence[SmallPieceOnShelf]
    left: int
    failed: Sequence[str]
    sizes: Sequence[tuple[Giving, OnShelf]]
    given: OnShelf | None
    largest: str
    pictures: Mapping[int, str]
    moved: Sequence[Piece]


@dataclass(frozen=True, kw_only=True)
class LayersView(StationView):
    template = "cloth_layers.html"
    station = "cloth"
    part = "layers"
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    found: Sequence[Derivation]
    picture: str
    offers: Mapping[str, Any]
    pleats: Sequence[Pleat]
    hems: Sequence[LiningHem]
    interfacings: Sequence[InterfacingSchool]
    shorter: float
    ease: float
    pleat: float
    deep: float
    second: Sequence[str]
    backed: Sequence[str]
    """The pieces that are cut once more, by name."""


@dataclass(frozen=True, kw_only=True)
class ExtrasView(StationView):
    template = "cloth_extras.html"
    station = "cloth"
    part = "extras"
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    strips: Sequence[tuple[Rectangle, CutFigures, Working | None]]
    kinds: Sequence[RectangleKind]
    roles: Sequence[Role]
    people: Sequence[Person]
    sizes: Sequence[str]
    buttons: int
    number: int
    costs: Sequence[tuple[Role, Working]]
    wanted: Sequence[tuple[Wanted, NotionToBuy | None]]
    notion_kinds: Sequence[WantedKind]
    edges: Sequence[tuple[str, str]]
    words: Callable[[float], str]


# ---------------------------------------------------------------- Lay and Cut


@dataclass(frozen=True, kw_only=True)
class NoLayView(StationView):
    """There is no lay to show: no cloth yet (`role` None), none searched yet, or none possible."""

    template = "no_lay.html"
    station = "lay"
    role: Role | None = None
    refusals: Sequence[str] = ()


@dataclass(frozen=True, kw_only=True)
class ShownLayView(StationView):
    template = "lay.html"
    station = "lay"
    role: Role
    found: ClothPlan
    kind: str
    plan: Plan
    items: Sequence[CutItem]
    picture: str
    thumbs: Mapping[str, str]
    refusals: Mapping[str, str]
    way: str
    ways: Mapping[str, str]
    used: Working
    skewed: Sequence[str]
    by_eye: Sequence[str]
    """Pieces that the pattern wants on a motif; where the motif stands in the print is not known."""
    together: Sequence[str]
    """The projects that this layout is laid together with."""
    gone: Sequence[str] = ()
    """Those it was laid together with that lie otherwise now; `again_with` the address of the table with them."""
    again_with: str = ""


@dataclass(frozen=True)
class Table:
    """One cloth on the table: its lay with what is cut already, and the list."""

    plan: ClothPlan
    items: tuple[CutItem, ...]
    picture: str
    ready: tuple[tuple[str, Preparation], ...]
    """What makes the cloth ready, each with its key on the list; empty once it is waved through."""
    left: tuple[tuple[Left, str], ...] = ()
    """Once all is cut from a cloth in hand: what is left of it, each part with its picture."""
    on_shelf: tuple[ClothEntry, ...] = ()
    """What is left of it that has been put on the shelf."""
    together: tuple[str, ...] = ()
    """The projects whose pieces lie between these on the same cloth; `still` those that have not cut them all."""
    still: tuple[str, ...] = ()
    gone: tuple[str, ...] = ()
    """Those it was laid together with that lie otherwise now."""


@dataclass(frozen=True, kw_only=True)
class WrongView(StationView):
    """What is wrong with the cloth at a step of the table; `outcome` what came of it."""

    template = "cut_wrong.html"
    station = "cut"
    part = "wrong"
    step: TableStep
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    outcome: str
    picture: str


@dataclass(frozen=True, kw_only=True)
class CutView(StationView):
    template = "cut.html"
    station = "cut"
    tables: Sequence[Table]
    done: frozenset[str]
    otherwise: Mapping[str, str]
    """Pieces that are cut already, but as they were before a change: in words, as what."""
    current: CutItem | None
    cut_words: Callable[[CutItem], str]
    unready: Sequence[tuple[Table, str]]
    laid_words: Callable[[str], str]
    total: int
    number: int
    minds: tuple[str, ...]


# ---------------------------------------------------------------- Sew and Keep


@dataclass(frozen=True)
class Tried:
    """Another way of sewing a part, and what it changes; stitching and neatened edges in mm more."""

    way: Way
    technique: Technique
    changed: Changed
    stitching: float
    neatened: float
    allowances: tuple[AllowanceChange, ...]
    """What it changes at the edges of the pieces, each by the piece's name and the edge's words."""
    bought: tuple[str, ...]
    """What has to be bought besides, in words."""
    is_cut: bool
    """Whether pieces are cut already, so that none of them changes any more."""
    gaps: tuple[Gap, ...]
    given_up: tuple[Way, ...]
    """Parts sewn in one with it that had a choice of their own, which it takes the place of."""
    cloth: float
    """How much longer the main cloth's lay is likely to be, in mm."""
    price: tuple[float, float]
    """How much longer it takes, least and most, in minutes, by one's own times."""


@dataclass(frozen=True, kw_only=True)
class SewWaysView(StationView):
    """`tried` is another way that is looked at; None where none is."""

    template = "sew_ways.html"
    station = "sew"
    part = "ways"
    ways: Sequence[Way]
    tried: Tried | None
    looked_at: str
    picture: str | None
    unsuited: tuple[Unsuited, ...]


@dataclass(frozen=True, kw_only=True)
class KeepView(StationView):
    template = "keep.html"
    station = "keep"
    notes: Sequence[Note]
    title: Callable[[Alteration, Pattern], str]
    lessons: Sequence[Lesson]
    places: Sequence[tuple[str, str]]
    used: Mapping[Role, ClothUsed]
    planned: Mapping[Role, float | None]
    typed: Mapping[str, str]
    errors: Mapping[str, str]
