"""The models of `rowanseed-pattern/2`: what stands in the document, before it is checked as a whole."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import Field

from rowanseed.core.pattern.envelope import Figure, Runs, Structure
from rowanseed.core.pattern.making import ClosureKind, DetailKind, DifferenceKind, FinishKind, LayerKind, Press
from rowanseed.core.pattern.pieces import (
    Corner,
    DerivedAs,
    Drawn,
    Grain,
    LineKind,
    MarkKind,
    Panel,
    PointKind,
    Role,
    Taken,
)
from rowanseed.formats.documents import Strict

Number = float
Row = list[Number]


class EdgeModel(Strict):
    name: str = Field(min_length=1)
    allowance: Number
    corner: Corner = Corner.MITRE


class SizeModel(Strict):
    edges: dict[str, list[Row]]
    grainline: tuple[tuple[Number, Number], tuple[Number, Number]]


class CutModel(Strict):
    role: Role
    count: int
    pair: bool = False
    fold: str | None = None
    grain: Grain = Grain.LENGTHWISE
    one_way: bool = False
    motif: bool = False
    views: list[str] = []
    selvedge: str | None = None


class MarkModel(Strict):
    id: str
    kind: MarkKind
    edge: str
    anchor: str = Field(alias="from")
    distance: Number | dict[str, Number]


class DartModel(Strict):
    id: str
    edge: str
    legs: tuple[str, str]
    point: dict[str, tuple[Number, Number]]
    taken: Taken = Taken.DART


class InnerLineModel(Strict):
    id: str
    kind: LineKind
    ends: dict[str, tuple[tuple[Number, Number], tuple[Number, Number]]]


class InnerPointModel(Strict):
    id: str
    kind: PointKind
    at: dict[str, tuple[Number, Number]]
    hand: Literal["left", "right"] | None = None


class OneSidedModel(Strict):
    id: str
    mark: str
    hand: Literal["left", "right"]
    deep: Number = Field(gt=0, le=500)
    long: Number = Field(gt=0, le=2000)
    taken: Taken = Taken.TUCK


class DerivedModel(Strict):
    kind: DerivedAs
    of: str
    edge: str = ""


class PieceModel(Strict):
    id: str = Field(min_length=1)
    name: str = Field(min_length=1)
    number: int = 0
    drawn: Drawn
    edges: list[EdgeModel]
    sizes: dict[str, SizeModel]
    cuts: list[CutModel]
    marks: list[MarkModel] = []
    darts: list[DartModel] = []
    lines: list[InnerLineModel] = []
    points: list[InnerPointModel] = []
    one_sided: list[OneSidedModel] = []
    panel: Panel = Panel.OTHER
    collar: bool = False
    derived: DerivedModel | None = None
    garment: int = 1
    approximate: bool = False
    drawn_on: str = ""


class PartModel(Strict):
    piece: str
    edge: str
    hand: Literal["left", "right"] | None = None
    from_mark: str | None = None
    to_mark: str | None = None


class DifferenceModel(Strict):
    kind: DifferenceKind
    amount: Number = 0.0


class JoinModel(Strict):
    id: str
    name: str
    a: list[PartModel]
    b: list[PartModel]
    difference: DifferenceModel = DifferenceModel(kind=DifferenceKind.NONE)
    align: Literal["both", "start", "end"] = "both"
    sewn_from: Literal["start", "end"] = "start"
    press: Press = Press.OPEN
    each_hand: bool = False
    why: str = ""


class ClosureModel(Strict):
    id: str
    kind: ClosureKind
    join: str
    to_mark: tuple[str, str] | None = None
    from_mark: tuple[str, str] | None = None


class FinishModel(Strict):
    id: str
    name: str
    kind: FinishKind
    parts: list[PartModel]
    folds: list[Number] = []


class LayerModel(Strict):
    kind: LayerKind
    piece: str
    of: str


class DetailModel(Strict):
    id: str
    name: str
    kind: DetailKind
    pieces: list[str] = []
    on: list[str] = []
    along: list[str] = []
    to_mark: tuple[str, str] | None = None
    count: int = Field(1, ge=1, le=200)
    width: Number = Field(0.0, ge=0, le=2000)


class BookletStepModel(Strict):
    number: str
    about: list[str]


class MakingModel(Strict):
    joins: list[JoinModel] = []
    closures: list[ClosureModel] = []
    finishes: list[FinishModel] = []
    layers: list[LayerModel] = []
    details: list[DetailModel] = []
    ways: list[tuple[str, str]] = []
    booklet: list[BookletStepModel] = []


class ViewModel(Strict):
    id: str
    name: str
    below: Number = Field(0.0, ge=-2000, le=2000)


class YardageModel(Strict):
    view: str
    size: str
    role: Role = Role.MAIN
    width: Number = Field(gt=0)
    one_way: bool
    length: Number = Field(gt=0)


class NotionModel(Strict):
    what: str
    count: int = Field(ge=1)
    detail: str = ""


class EnvelopeModel(Strict):
    views: list[ViewModel]
    sizes: list[str]
    sized_by: list[str] = []
    body_chart: dict[str, dict[str, Number]] = {}
    finished: dict[str, dict[str, dict[str, Number]]] = {}
    yardage: list[YardageModel] = []
    notions: list[NotionModel] = []
    figure: Figure = Figure.UNISEX
    fabrics: list[str] = []
    runs: Runs = Runs.TRUE
    cloth: Structure | None = None
    stretch: Number = Field(0.0, ge=0, le=2)


class PatternModel(Strict):
    format: Literal["rowanseed-pattern/2"]
    name: str = Field(min_length=1)
    house: str = ""
    code: str = ""
    garment: str = ""
    envelope: EnvelopeModel
    pieces: list[PieceModel]
    making: MakingModel = MakingModel()
    description: dict[str, Any] | None = None
    assumed: list[tuple[str, str]] = []
