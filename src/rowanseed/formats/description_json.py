"""The description document, `rowanseed-description/1`: a garment as its envelope tells it."""

from __future__ import annotations

import json
from collections.abc import Mapping
from dataclasses import fields, is_dataclass, replace
from enum import Enum
from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field, ValidationError

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.compose.as_printed import Measured, Printed, PrintedView
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import (
    Band,
    Bib,
    Description,
    Elastic,
    Features,
    Hem,
    Legs,
    Lining,
    Neck,
    Opening,
    Pocket,
    Side,
    Skirt,
    Sleeve,
    Straps,
    Trim,
)
from rowanseed.core.compose.vocabulary import (
    Along,
    ArmholeFinish,
    BeltKind,
    BibShape,
    Boned,
    Centre,
    CollarKind,
    ElasticPlace,
    FacedEdge,
    GarmentKind,
    Hand,
    HemKind,
    HemShape,
    Interfaced,
    InterfacingKind,
    LegEnd,
    LegKind,
    LiningMethod,
    LiningOf,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Placket,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtGrain,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    SleevePlacket,
    SleeveShape,
    Slit,
    StrapsClosed,
    StrapsGo,
    TapeLine,
    TrimKind,
    Waist,
    WaistLevel,
    Where,
)
from rowanseed.core.pattern.envelope import Figure, Runs, Structure
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.formats.documents import Strict
from rowanseed.formats.in_words import in_words

FORMAT = "rowanseed-description/1"
Number = float
Row = dict[str, Number]


class _Side(Strict):
    centre: Centre = Centre.FOLD
    shaping: list[Shaping] = []


class _Opening(Strict):
    where: Where = Where.NONE
    kind: OpeningKind | None = None
    length: Number | None = None
    count: int | None = None
    placket: Placket | None = None
    double_breasted: bool = False


class _Neck(Strict):
    shape: NeckShape = NeckShape.ROUND
    finish: NeckFinish | None = None


def _kind_of_placket(said: Any) -> Any:
    """That a sleeve has a placket says: of the usual kind."""
    return {True: SleevePlacket.CONTINUOUS, False: None}.get(said, said) if isinstance(said, bool) else said


class _Sleeve(Strict):
    kind: SleeveKind = SleeveKind.SET_IN
    pieces: int = 1
    length: SleeveLength = SleeveLength.LONG
    end: SleeveEnd = SleeveEnd.HEM
    placket: Annotated[SleevePlacket | None, BeforeValidator(_kind_of_placket)] = None
    shape: SleeveShape = SleeveShape.PLAIN


class _Straps(Strict):
    count: int = 2
    width: Number = 20.0
    closed_by: StrapsClosed = Field(StrapsClosed.SEWN_IN, alias="closed by")
    go: StrapsGo = StrapsGo.OVER


class _Bib(Strict):
    shape: BibShape = BibShape.TAPERED
    width: Number | None = None
    height: Number | None = None


class _Band(Strict):
    width: Number = 35.0
    underlap: Number = 30.0
    parts: int | None = None
    loops: int = 0


class _Skirt(Strict):
    kind: SkirtKind = SkirtKind.A_LINE
    panels: int | None = None
    tiers: int | None = None
    fullness: Number | None = None
    length: Number | None = None
    darts: bool | None = None
    slit: Slit = Slit.NONE
    grain: SkirtGrain = SkirtGrain.LENGTHWISE
    coverage: Number | None = None


class _Legs(Strict):
    kind: LegKind = LegKind.STRAIGHT
    length: Number | None = None
    pleats: int = 0
    end: LegEnd = LegEnd.HEM


class _Hem(Strict):
    kind: HemKind = HemKind.TURNED
    depth: Number | None = None
    shape: HemShape = HemShape.LEVEL


class _Pocket(Strict):
    kind: PocketKind = PocketKind.PATCH
    on: PocketPlace | None = None
    hand: Hand | None = None


class _Lining(Strict):
    of: LiningOf = LiningOf.ALL
    method: LiningMethod = LiningMethod.BY_HAND
    drawn: bool = False


class _Elastic(Strict):
    where: ElasticPlace
    width: Number = 20.0


class _Trim(Strict):
    kind: TrimKind
    along: Along


class _Features(Strict):
    front: _Side = _Side()
    back: _Side = _Side()
    opening: _Opening = _Opening()
    neck: _Neck = _Neck()
    collar: CollarKind | None = None
    sleeve: _Sleeve | None = None
    armhole: ArmholeFinish | None = None
    straps: _Straps | None = None
    bib: _Bib | None = None
    waist: Waist | None = None
    waist_level: WaistLevel = WaistLevel.NATURAL
    band: _Band = _Band()
    skirt: _Skirt | None = None
    legs: _Legs = _Legs()
    hem: _Hem = _Hem()
    pockets: list[_Pocket] = Field([], max_length=6)
    lining: _Lining | None = None
    facing: list[FacedEdge] | None = None
    interfacing: list[Interfaced] = []
    interfacing_kind: InterfacingKind = InterfacingKind.FUSIBLE
    underlining: bool = False
    interlining: bool = False
    pads: bool = False
    vent: bool = False
    boning: list[Boned] = []
    elastic: list[_Elastic] = Field([], max_length=6)
    trim: list[_Trim] = Field([], max_length=12)
    belt: BeltKind | None = None
    ribbing: bool = False


class _Printed(Strict):
    role: Literal["main", "contrast", "lining", "interfacing", "underlining"] = "main"
    width: Number = Field(gt=0, le=4000)
    length: Number = Field(gt=0, le=100_000)
    size: str = ""
    one_way: bool = False
    view: str = Field("", max_length=3)


class _View(Strict):
    id: str = Field(min_length=1, max_length=3)
    name: str = Field("", max_length=200)
    below: Number = 0.0


class _Measured(Strict):
    size: str
    dimensions: dict[str, Number]
    line: TapeLine = TapeLine.STITCHING


class _Description(Strict):
    format: Literal["rowanseed-description/1"]
    name: str = Field(min_length=1, max_length=200)
    house: str = Field("", max_length=200)
    code: str = Field("", max_length=200)
    garment: GarmentKind
    figure: Figure = Figure.WOMEN
    cloth: Structure = Structure.WOVEN
    allowance: Number = 15.0
    sizes: list[str] = Field([], max_length=40)
    sized_by: list[str] = Field([], max_length=6)
    body_chart: dict[str, Row] = {}
    finished: dict[str, Row] = {}
    views: list[_View] = Field([], max_length=12)
    yardage: list[_Printed] = Field([], max_length=400)
    notions: list[str] = Field([], max_length=60)
    fabrics: list[str] = Field([], max_length=40)
    runs: Runs = Runs.TRUE
    pieces: list[str] = Field([], max_length=80)
    booklet: list[str] = Field([], max_length=200)
    confirmed: dict[str, str] = Field({}, max_length=200)
    features: _Features = _Features()
    measured: dict[str, _Measured] = {}


def read_description(text: str | bytes) -> Description:
    """Read a description. Raises DocumentError with the field and the reason in a sewist's words."""
    try:
        model = _Description.model_validate_json(text)
    except ValidationError as error:
        raise _said(error) from None
    f = model.features
    return Description(
        name=model.name,
        house=model.house,
        code=model.code,
        garment=model.garment,
        figure=model.figure,
        cloth=model.cloth,
        allowance=model.allowance,
        sizes=tuple(model.sizes),
        sized_by=tuple(model.sized_by),
        body_chart=model.body_chart,
        finished=model.finished,
        yardage=tuple(Printed(p.role, p.width, p.length, p.size, p.one_way, p.view) for p in model.yardage),
        views=tuple(PrintedView(v.id, v.name, v.below) for v in model.views),
        notions=tuple(model.notions),
        fabrics=tuple(model.fabrics),
        runs=model.runs,
        pieces=tuple(model.pieces),
        booklet=tuple(model.booklet),
        confirmed=model.confirmed,
        features=_features(f),
        said=frozenset(_paths(model.model_dump(exclude_unset=True))),
        measured={piece: Measured(m.size, m.dimensions, m.line) for piece, m in model.measured.items()},
    )


def _features(f: _Features) -> Features:
    def plain(model: Any, kind: type) -> Any:
        return None if model is None else kind(**{k: getattr(model, k) for k in type(model).model_fields})

    return Features(
        front=Side(f.front.centre, tuple(f.front.shaping)),
        back=Side(f.back.centre, tuple(f.back.shaping)),
        opening=plain(f.opening, Opening),
        neck=plain(f.neck, Neck),
        collar=f.collar,
        sleeve=plain(f.sleeve, Sleeve),
        armhole=f.armhole,
        straps=plain(f.straps, Straps),
        bib=plain(f.bib, Bib),
        waist=f.waist,
        waist_level=f.waist_level,
        band=plain(f.band, Band),
        skirt=plain(f.skirt, Skirt),
        legs=plain(f.legs, Legs),
        hem=plain(f.hem, Hem),
        pockets=tuple(Pocket(p.kind, p.on or p.kind.usual_place, p.hand) for p in f.pockets),
        lining=plain(f.lining, Lining),
        facing=frozenset(f.facing or ()),
        interfacing=frozenset(f.interfacing),
        interfacing_kind=f.interfacing_kind,
        underlining=f.underlining,
        interlining=f.interlining,
        pads=f.pads,
        vent=f.vent,
        boning=tuple(f.boning),
        elastic=tuple(plain(e, Elastic) for e in f.elastic),
        trim=tuple(plain(t, Trim) for t in f.trim),
        belt=f.belt,
        ribbing=f.ribbing,
    )


def _paths(value: Any, before: str = "") -> list[str]:
    """Every field that a document says, by its path."""
    if not isinstance(value, Mapping):
        return [before]
    return [path for name, inner in value.items() for path in _paths(inner, f"{before}.{name}".strip("."))] or [before]


def _said(error: ValidationError) -> DocumentError:
    first = error.errors()[0]
    where = ".".join(str(part) for part in first["loc"])
    return DocumentError(
        f"The description cannot be read: {in_words(first)}", "docs/formats/description.md has every field.", where
    )


def compose_pattern(text: str | bytes) -> Pattern:
    """The whole pattern of a description document, which it keeps. Raises DocumentError, DescriptionRefused."""
    description = read_description(text)
    return replace(compose(description).pattern, description=write_description(description))


# ---------------------------------------------------------------- writing


def write_description(description: Description) -> str:
    """A description as its document; reading it gives the same description."""
    return json.dumps({"format": FORMAT, **_document(description)}, ensure_ascii=False, indent=1)


def _document(value: Any) -> Any:
    match value:
        case SleevePlacket.CONTINUOUS:
            return True
        case Enum():
            return value.value
        case frozenset():
            return sorted(_document(one) for one in value)
        case tuple():
            return [_document(one) for one in value]
        case Mapping():
            return {key: _document(one) for key, one in value.items()}
        case _ if is_dataclass(value):
            found = {f.name: _document(getattr(value, f.name)) for f in fields(value) if f.name != "said"}
            if "closed_by" in found:
                found["closed by"] = found.pop("closed_by")
            return {key: one for key, one in found.items() if one is not None}
        case _:
            return value
