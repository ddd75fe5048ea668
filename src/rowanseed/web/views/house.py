"""What the pages of the house show: shelf, people, measuring, patterns, cloths, household, shopping."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from pathlib import Path

from rowanseed.app.shelf import Card
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.base.working import Working
from rowanseed.core.body.measures import Age, Measure
from rowanseed.core.cloth.cloth import Fibre, PrintBorder, Surface, Use
from rowanseed.core.cloth.preparation import Preparation
from rowanseed.core.compose.listed import Tick
from rowanseed.core.compose.tape import Dimension
from rowanseed.core.compose.tissue import Certainty
from rowanseed.core.make.booklet_text import Matched
from rowanseed.core.make.equipment import Experience, Foot, Holding, SeamFinish, StaySchool, TryOn
from rowanseed.core.notions.sorts import Group as ShopGroup
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Grain, Piece, Role
from rowanseed.core.pattern.walk import SeamWalk
from rowanseed.core.shopping import ShoppingLine
from rowanseed.formats.drawn_pattern import FoldChoice
from rowanseed.formats.matched_outlines import Binding
from rowanseed.formats.svg_read import Drawing
from rowanseed.shop.prices import Price
from rowanseed.store.backup import Copy
from rowanseed.store.broken import BrokenRow
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.patterns import PatternEntry
from rowanseed.store.people import Measuring, Person
from rowanseed.store.projects import Cutter, EarlierNote, ProjectRecord
from rowanseed.store.undo import Change
from rowanseed.web.cloth_fields import Corner
from rowanseed.web.deps import PageView
from rowanseed.web.described_fields import GROUPS, HEAD
from rowanseed.web.described_starts import Start, by_word
from rowanseed.web.field_kinds import Group as DescribedGroup
from rowanseed.web.field_kinds import One
from rowanseed.web.own_form import Asked


@dataclass(frozen=True, kw_only=True)
class ShelfView(PageView):
    template = "shelf.html"
    cards: Sequence[Card]
    people: Sequence[Person]
    patterns: Sequence[PatternEntry]
    cloths: Sequence[ClothEntry]
    last_copy: Copy | None
    last_change: Change | None
    broken: Sequence[BrokenRow]


@dataclass(frozen=True, kw_only=True)
class HouseholdView(PageView):
    template = "household.html"
    saved: bool
    feet: tuple[Foot, ...]
    seam_finishes: tuple[SeamFinish, ...]
    stays: tuple[StaySchool, ...]
    try_ons: tuple[TryOn, ...]
    holdings: tuple[Holding, ...]
    experiences: tuple[Experience, ...]


@dataclass(frozen=True, kw_only=True)
class RecordsView(PageView):
    """`done` is what was just done, by a word; the first `listed` changes are shown."""

    template = "records.html"
    path: Path
    size: int
    folder: Path
    copies: Sequence[Copy]
    changes: Sequence[Change]
    listed: int
    done: str
    errors: Mapping[str, str]


@dataclass(frozen=True, kw_only=True)
class PersonView(PageView):
    """`used` names the projects that went by each set of measurements."""

    template = "person.html"
    person: Person | None
    sets: Sequence[Measuring]
    used: Mapping[int, Sequence[str]]
    ever: set[str]
    history: str | None
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    measures: Sequence[Measure]
    doubts: Mapping[str, str]
    back: str
    confirm: str


@dataclass(frozen=True, kw_only=True)
class MeasuringGuideView(PageView):
    template = "measuring.html"
    measures: Sequence[Measure]
    age: Age
    figures: Mapping[str, str]


@dataclass(frozen=True, kw_only=True)
class MeasureView(PageView):
    template = "measure_me.html"
    person: Person
    project_record: ProjectRecord | None
    keys: Sequence[str]
    step: int
    measure: Measure
    figure: str
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    doubt: str


@dataclass(frozen=True, kw_only=True)
class NewPatternView(PageView):
    template = "pattern_new.html"
    most: str
    error: RowanseedError | None = None
    filename: str = ""


@dataclass(frozen=True, kw_only=True)
class DescribeLookView(PageView):
    """What a description comes to as it stands: the pattern and its drawing, or what cannot be, by field."""

    template = "describe_look.html"
    errors: Mapping[str, str]
    made: Pattern | None
    drawn: str | None
    ticks: Sequence[Tick] = ()
    steps: Sequence[Matched] = ()
    confirmed: Sequence[tuple[str, str]] = ()


@dataclass(frozen=True, kw_only=True)
class DescribeView(DescribeLookView):
    template = "describe.html"
    typed: Mapping[str, str]
    head: Sequence[One] = HEAD
    groups: Sequence[DescribedGroup] = GROUPS
    starts: Mapping[str, Start] = field(default_factory=by_word)


@dataclass(frozen=True, kw_only=True)
class OwnLookView(PageView):
    """A garment cut to the measure, as its form stands: the sums and the drawing, or what is wrong by field; `usual`
    where it is drawn on a usual figure."""

    template = "own_look.html"
    sums: Sequence[Working]
    drawn: str | None
    usual: bool
    errors: Mapping[str, str]


@dataclass(frozen=True, kw_only=True)
class OwnView(OwnLookView):
    template = "own.html"
    typed: Mapping[str, str]
    kinds: Sequence[tuple[str, str]]
    closings: Sequence[tuple[str, str]]
    persons: Sequence[tuple[str, str]]
    asked: Sequence[Asked]


@dataclass(frozen=True, kw_only=True)
class TissueLookView(PageView):
    """How well the pieces are known, and what does not fit together, by field; `pieces` are their names by id."""

    template = "tissue_look.html"
    known: Certainty
    errors: Mapping[str, str]
    pieces: Mapping[str, str]


@dataclass(frozen=True)
class TapedPiece:
    """A piece to be measured: its drawing, and its figures with what they come to as composed, in words."""

    piece: Piece
    drawn: str
    figures: Sequence[tuple[Dimension, str]]


@dataclass(frozen=True, kw_only=True)
class TissueView(TissueLookView):
    template = "tissue.html"
    id: int
    pattern: Pattern
    typed: Mapping[str, str]
    asked: Sequence[TapedPiece]
    lines: Sequence[tuple[str, str]]
    sizes: Sequence[tuple[str, str]]


@dataclass(frozen=True, kw_only=True)
class PatternView(PageView):
    """`worst` is the size and seam whose edges differ most."""

    template = "pattern.html"
    id: int
    pattern: Pattern
    size: str
    worst: tuple[str, SeamWalk] | None
    measures: Mapping[str, Measure]
    earlier: Sequence[EarlierNote]
    nest: str
    can_be_measured: bool
    otherwise: Sequence[str]
    """The pieces that would come out otherwise if it was described today."""
    errors: Mapping[str, str]


@dataclass(frozen=True)
class BoundOutline:
    """An outline of a drawing, the piece that it is taken for, and its picture with the corners."""

    name: str
    binding: Binding | None
    picture: str | None


@dataclass(frozen=True, kw_only=True)
class BindView(PageView):
    """`sizes` are asked for where the drawing does not name its one size; `nest`: its sizes where it has several, each
    with the field and the size of the pattern that it is, and `said_of_nest` what comes of them; `compared`: what
    corners are proposed for."""

    template = "bind.html"
    id: int
    pattern: Pattern
    pattern_id: int
    size: str
    compared: str
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    outlines: Sequence[BoundOutline]
    pieces: Sequence[tuple[str, str]]
    sizes: Sequence[tuple[str, str]]
    nest: Sequence[tuple[str, str, str]]
    nested: Sequence[tuple[str, str]]
    said_of_nest: str
    lines: Sequence[tuple[str, str]]


@dataclass(frozen=True, kw_only=True)
class DrawingView(PageView):
    """`folds` are the edges of each outline that may lie on the fold, along the page and across it; `across` are the
    outlines whose grainline runs across the page."""

    template = "drawing.html"
    id: int
    filename: str
    drawing: Drawing
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    charted: Sequence[Measure]
    roles: Sequence[Role]
    grains: Sequence[Grain]
    folds: Mapping[str, Sequence[tuple[str, FoldChoice]]]
    across: frozenset[str]
    described: Sequence[PatternEntry]
    """The described patterns that it may be bound to."""
    picture: str


@dataclass(frozen=True, kw_only=True)
class ClothFormView(PageView):
    template = "cloth_form.html"
    entry: ClothEntry | None
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    fibres: Sequence[Fibre]
    surfaces: Sequence[Surface]
    structures: Sequence[Structure]
    borders: Sequence[PrintBorder]
    usual: str
    source: ClothEntry | None
    swatch: str | None
    left: str | None
    ready: Sequence[Preparation]
    cutters: Sequence[Cutter]
    earlier: Sequence[EarlierNote]
    uses: Sequence[Use]
    patches: Sequence[Sequence[Corner]]
    back: str
    in_use: bool
    kept: bool
    """Whether it was kept just now."""


@dataclass(frozen=True, kw_only=True)
class NewProjectView(PageView):
    template = "project_new.html"
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    people: Sequence[Person]
    patterns: Sequence[PatternEntry]
    cloths: Sequence[ClothEntry]


@dataclass(frozen=True, kw_only=True)
class ShoppingView(PageView):
    template = "shopping.html"
    lines: Sequence[ShoppingLine]
    broken: Sequence[str]
    groups: Sequence[ShopGroup]
    prices: Mapping[ShoppingLine, Price]
    total: float
    shop: str
    currency: str
    every: Sequence[tuple[int, str]]
    """Number and name of every project."""
    chosen: set[int]
    key: str
    lacking: int
    query: str
