"""What the pages of a project's Cloth station show."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.shelf import SmallPieceOnShelf
from rowanseed.core.base.working import Working
from rowanseed.core.cloth.choosing import Remark
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.matching import MatchedSeam, Matching, MatchKind
from rowanseed.core.cloth.matching.symmetry import Place
from rowanseed.core.cloth.shelf import Giving, OnShelf
from rowanseed.core.cloth.yardage import ClothNeed, ClothVerdict
from rowanseed.core.derive.choice import InterfacingSchool, LiningHem, Pleat
from rowanseed.core.derive.layers import Derivation
from rowanseed.core.lay.estimate import Estimate
from rowanseed.core.notions.added import Wanted, WantedKind
from rowanseed.core.notions.notion import NotionToBuy
from rowanseed.core.pattern.envelope import PrintedYardage
from rowanseed.core.pattern.pieces import Piece, Role
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.saving.trial import Attempt
from rowanseed.core.sums.rectangles import CutFigures, Rectangle, RectangleKind
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.people import Person
from rowanseed.store.projects import EarlierNote
from rowanseed.web.deps import StationView


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
    remarks: tuple[Remark, ...] = ()
    """Whether it suits, or what to look for."""


@dataclass(frozen=True)
class Sight:
    """What can be said of a cloth before it is laid, in mm ready to cut."""

    cloth: Cloth
    roles: tuple[Role, ...]
    """What is cut from it."""
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
    left_out: bool
    """Whether something was chosen that this garment cannot have."""
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
