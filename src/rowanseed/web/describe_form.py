"""The form that a garment is described in: every choice of the description document, by its path, with its words."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import groupby
from typing import Any

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import INCH, Units, format_allowance, format_length, parse_length
from rowanseed.core.base.words import Worded
from rowanseed.core.compose import description as d
from rowanseed.core.compose import vocabulary as v
from rowanseed.core.compose.chart import ChartError, read_chart, written
from rowanseed.core.compose.envelope_text import EnvelopeError, read_views, read_yardage, written_views, written_yardage
from rowanseed.core.compose.figures import CHARTS
from rowanseed.core.pattern.envelope import Figure, Runs

FORMAT = "rowanseed-description/1"


@dataclass(frozen=True)
class One:
    """One of a closed set, or none of it."""

    path: str
    label: str
    kind: type[Worded]
    none: str = ""
    """What no choice is called; empty where one has to be chosen."""
    first: Worded | None = None
    """What is taken where nothing was chosen yet; else the first of the set."""

    @property
    def usual(self) -> str:
        return str((self.first or next(iter(self.kind))).value)

    @property
    def options(self) -> list[tuple[str, str]]:
        own = [(one.value, one.words) for one in sorted(self.kind, key=lambda one: one is not self.first)]
        return [("", self.none), *own] if self.none else own


@dataclass(frozen=True)
class Several:
    """Any of a closed set."""

    path: str
    label: str
    kind: type[Worded]
    only: tuple[Worded, ...] = ()
    """Those that are offered here; empty: all of them."""

    @property
    def options(self) -> list[tuple[str, str]]:
        return [(one.value, one.words) for one in (self.only or self.kind)]


@dataclass(frozen=True)
class Length:
    path: str
    label: str
    hint: str = ""


@dataclass(frozen=True)
class Number:
    path: str
    label: str
    hint: str = ""


@dataclass(frozen=True)
class Tick:
    path: str
    label: str


Field = One | Several | Length | Number | Tick


@dataclass(frozen=True)
class Group:
    """A part of the garment: its fields, and the kinds of garment that have it."""

    id: str
    name: str
    fields: tuple[Field, ...]
    of: frozenset[v.GarmentKind] = frozenset(v.GarmentKind)

    @property
    def laid(self) -> tuple[tuple[Field, ...], ...]:
        """The fields as they stand on the page: those of one row of a list side by side, any other by itself."""
        return tuple(tuple(found) for _, found in groupby(self.fields, key=lambda one: _row_of(one.path)))

    def belongs_to(self, garment: str) -> bool:
        return garment in {kind.value for kind in self.of}


def _row_of(path: str) -> str:
    """What the fields of one row of a list have in common; any other field has only itself."""
    row = re.match(r"features\.\w+\.\d+(?=\.)", path)
    return row[0] if row else path


UPPER = frozenset(kind for kind in v.GarmentKind if kind.has_bodice)
SKIRTED = frozenset(v.GarmentKind) - {v.GarmentKind.TROUSERS}
USUAL = "the usual one"
FRONT_SHAPED = (
    v.Shaping.BUST_DART,
    v.Shaping.WAIST_DART,
    v.Shaping.PRINCESS_ARMHOLE,
    v.Shaping.PRINCESS_SHOULDER,
    v.Shaping.YOKE,
    v.Shaping.SQUARE_YOKE,
    v.Shaping.GATHERS_UNDER_YOKE,
    v.Shaping.TUCKS,
    v.Shaping.PLEATS,
    v.Shaping.SHOULDER_TUCK_LEFT,
)
BACK_SHAPED = (
    v.Shaping.WAIST_DART,
    v.Shaping.SHOULDER_DART,
    v.Shaping.PRINCESS_ARMHOLE,
    v.Shaping.PRINCESS_SHOULDER,
    v.Shaping.YOKE,
    v.Shaping.PLEAT_UNDER_YOKE,
    v.Shaping.SHIRRED_PANEL,
    v.Shaping.TUCKS,
    v.Shaping.PLEATS,
)
"""What the composer drafts; the document knows more, which it refuses by name."""

NTH = ("First", "Second", "Third")
ROWS = len(NTH)


def rows(path: str, fields: Callable[[str, str], tuple[Field, ...]]) -> Iterator[Field]:
    """The fields of a list's first rows; a row whose first field is left empty is none."""
    for k in range(ROWS):
        yield from fields(f"{path}.{k}", NTH[k])


LISTS = {"pockets": "kind", "trim": "kind", "elastic": "where"}
"""The lists among the features, each with the field that makes a row."""
GROUPS = (
    Group(
        "front",
        "Front",
        (
            One("features.front.centre", "Centre front", v.Centre),
            Several("features.front.shaping", "Shaped by", v.Shaping, FRONT_SHAPED),
        ),
        frozenset(v.GarmentKind) - {v.GarmentKind.APRON, v.GarmentKind.TROUSERS},
    ),
    Group(
        "back",
        "Back",
        (
            One("features.back.centre", "Centre back", v.Centre),
            Several("features.back.shaping", "Shaped by", v.Shaping, BACK_SHAPED),
        ),
        frozenset(v.GarmentKind) - {v.GarmentKind.APRON, v.GarmentKind.TROUSERS},
    ),
    Group(
        "opening",
        "Opening",
        (
            One("features.opening.where", "Where", v.Where),
            One("features.opening.kind", "Closed by", v.OpeningKind, "nothing"),
            Length("features.opening.length", "Its length", "of buttons beside a fold that of their half placket"),
            Number("features.opening.count", "How many buttons or snaps"),
            One("features.opening.placket", "Edges that are open all the way", v.Placket, USUAL),
        ),
    ),
    Group(
        "neck",
        "Neck and collar",
        (
            One("features.neck.shape", "Shape of the neck", v.NeckShape),
            One("features.neck.finish", "Finished by", v.NeckFinish, USUAL),
            One("features.collar", "Collar", v.CollarKind, "none"),
        ),
        UPPER,
    ),
    Group(
        "sleeve",
        "Sleeves",
        (
            One("features.sleeve.kind", "Sleeve", v.SleeveKind, "no sleeve"),
            One("features.sleeve.length", "Length", v.SleeveLength, first=v.SleeveLength.LONG),
            Number("features.sleeve.pieces", "Pieces of each sleeve", "one or two"),
            One("features.sleeve.end", "End", v.SleeveEnd),
            Tick("features.sleeve.placket", "With a placket above the cuff"),
            One("features.armhole", "Without a sleeve, the armhole by", v.ArmholeFinish, USUAL),
        ),
        UPPER,
    ),
    Group(
        "waist",
        "Waist",
        (
            One("features.waist", "Waist", v.Waist, USUAL),
            Length("features.band.width", "A band's finished width"),
            Length("features.band.underlap", "Its underlap"),
            Number("features.band.parts", "Parts it is cut in", "one or two"),
        ),
    ),
    Group(
        "skirt",
        "Skirt",
        (
            One("features.skirt.kind", "Skirt", v.SkirtKind, USUAL),
            Number("features.skirt.panels", "Gores or panels", "four, six or eight"),
            Number("features.skirt.fullness", "Fullness", "times the waist, of a gathered or pleated one"),
            Length("features.skirt.length", "From the waist to the hem"),
            Number("features.skirt.coverage", "An apron covers", "share of the waist, such as 0.67"),
            One("features.skirt.slit", "Slit", v.Slit),
        ),
        SKIRTED,
    ),
    Group(
        "legs",
        "Legs",
        (
            One("features.legs.kind", "Leg", v.LegKind),
            Length("features.legs.length", "From the waist to the hem"),
            Number("features.legs.pleats", "Pleats at the waist", "on each side, none to three"),
            One("features.legs.end", "End", v.LegEnd),
        ),
        frozenset({v.GarmentKind.TROUSERS}),
    ),
    Group("hem", "Hem", (One("features.hem.kind", "Hem", v.HemKind), Length("features.hem.depth", "Depth"))),
    Group(
        "pockets",
        "Pockets, straps, belt",
        (
            *rows(
                "features.pockets",
                lambda path, nth: (
                    One(f"{path}.kind", f"{nth} pocket", v.PocketKind, "none"),
                    One(f"{path}.on", "Where", v.PocketPlace),
                    One(f"{path}.hand", "On", v.Hand, "as usual"),
                ),
            ),
            One("features.straps.closed by", "Straps", v.StrapsClosed, "none"),
            Number("features.straps.count", "How many straps"),
            Length("features.straps.width", "Their width"),
            One("features.belt", "Belt", v.BeltKind, "none"),
            Tick("features.vent", "A vent at the back"),
        ),
    ),
    Group(
        "layers",
        "Lining, interfacing, facings",
        (
            One("features.lining.method", "Lining", v.LiningMethod, "none"),
            One("features.lining.of", "It lines", v.LiningOf),
            Several("features.facing", "Facings drawn for", v.FacedEdge),
            Several("features.interfacing", "Interfacing in", v.Interfaced),
            One("features.interfacing_kind", "It is", v.InterfacingKind),
            Tick("features.underlining", "Underlined"),
            Tick("features.interlining", "Interlined for warmth"),
            Tick("features.pads", "Shoulder pads"),
        ),
    ),
    Group(
        "trims",
        "Trims, elastic, boning",
        (
            *rows(
                "features.trim",
                lambda path, nth: (
                    One(f"{path}.kind", f"{nth} trim", v.TrimKind, "none"),
                    One(f"{path}.along", "Along", v.Along),
                ),
            ),
            *rows(
                "features.elastic",
                lambda path, nth: (
                    One(f"{path}.where", f"{nth} elastic", v.ElasticPlace, "none"),
                    Length(f"{path}.width", "Its width"),
                ),
            ),
            Several("features.boning", "Boning along", v.Boned),
        ),
    ),
)
HEAD = (
    One("garment", "Garment", v.GarmentKind),
    One("figure", "For", Figure),
    One("cloth", "Cloth", v.ClothKind),
    One("runs", "The house runs", Runs),
)
CONFIRMED = "confirmed."
"""What the fields begin with that say that an assumption is right."""
LINES = {"notions": 60, "fabrics": 40, "pieces": 80, "booklet": 200}
"""What is typed a line each, and how many lines are taken."""


def to_document(typed: Mapping[str, str], units: Units) -> tuple[dict[str, Any], dict[str, str]]:
    """What was typed as a description document, and what is wrong with it, by field."""
    errors: dict[str, str] = {}
    document: dict[str, Any] = {"format": FORMAT, "name": " ".join(typed.get("name", "").split())[:200]}
    for name in ("house", "code"):
        if typed.get(name, "").strip():
            document[name] = typed[name].strip()[:200]
    for head in HEAD:
        document[head.path] = typed.get(head.path) or next(iter(head.kind)).value
    unit = units.small
    allowance = _length(typed, "allowance", unit, errors)
    if allowance is not None:
        document["allowance"] = allowance
    _charts(typed, unit, document, errors)
    for name, most in LINES.items():
        found = [line.strip()[:400] for line in typed.get(name, "").splitlines() if line.strip()]
        if found:
            document[name] = found[:most]
    _views(typed, unit, document, errors)
    _yardage(typed, unit, document, errors)
    garment = document["garment"]
    for group in GROUPS:
        if group.belongs_to(garment):
            for field in group.fields:
                _put(field, typed, unit, document, errors)
    right = {name.removeprefix(CONFIRMED): said[:200] for name, said in typed.items() if name.startswith(CONFIRMED)}
    if right:
        document["confirmed"] = right
    _tidied(document)
    if not document["name"]:
        errors["name"] = "Give the garment a name."
    return document, errors


def _charts(typed: Mapping[str, str], unit: str, document: dict[str, Any], errors: dict[str, str]) -> None:
    for field in ("body_chart", "finished"):
        text = typed.get(field, "")
        if not text.strip():
            continue
        try:
            chart = read_chart(text, unit)
        except ChartError as error:
            errors[field] = str(error)
            continue
        known = document.get("sizes")
        if known and list(chart.sizes) != known:
            errors[field] = "Its sizes are not those of the body chart."
            continue
        document["sizes"] = list(chart.sizes)
        document[field] = {measure: dict(row) for measure, row in chart.rows.items()}


def _views(typed: Mapping[str, str], unit: str, document: dict[str, Any], errors: dict[str, str]) -> None:
    try:
        views = read_views(typed.get("views", ""), unit)
    except EnvelopeError as error:
        errors["views"] = str(error)
        return
    if views:
        document["views"] = [{"id": one.id, "name": one.name[:200], "below": round(one.below, 2)} for one in views]


def _yardage(typed: Mapping[str, str], unit: str, document: dict[str, Any], errors: dict[str, str]) -> None:
    text = typed.get("yardage", "")
    if not text.strip():
        return
    sizes = document.get("sizes") or CHARTS[Figure(document["figure"])][0]
    try:
        rows = read_yardage(text, sizes, unit)
    except EnvelopeError as error:
        errors["yardage"] = str(error)
        return
    strange = next((row.size for row in rows if row.size not in sizes), None)
    if strange is not None:
        errors["yardage"] = f"There is no size {strange} in the chart."
        return
    document["yardage"] = [
        {"role": r.role, "width": r.width, "length": r.length, "size": r.size, "one_way": r.one_way, "view": r.view}
        for r in rows
    ]


def usual_chart(figure: Figure, units: Units) -> str:
    """The usual body chart as text, to start from."""
    sizes, chart = CHARTS[figure]
    rows = {name: dict(zip(sizes, row, strict=True)) for name, row in chart.items()}
    if units is Units.IMPERIAL:
        rows = {name: {size: round(mm / INCH * 4) / 4 * INCH for size, mm in row.items()} for name, row in rows.items()}
    return written(sizes, rows, units)


def _length(typed: Mapping[str, str], name: str, unit: str, errors: dict[str, str]) -> float | None:
    if not typed.get(name, "").strip():
        return None
    try:
        return round(parse_length(typed[name], unit), 2)
    except LengthError as error:
        errors[name] = str(error)
        return None


def _put(field: Field, typed: Mapping[str, str], unit: str, document: dict[str, Any], errors: dict[str, str]) -> None:
    said: Any = None
    match field:
        case One():
            said = typed.get(field.path) or (None if field.none else field.usual)
        case Several():
            said = [value for value, _ in field.options if f"{field.path}.{value}" in typed] or None
        case Length():
            said = _length(typed, field.path, unit, errors)
        case Number():
            text = typed.get(field.path, "").strip().replace(",", ".")
            if text:
                try:
                    said = float(text)
                except ValueError:
                    errors[field.path] = f"“{text[:20]}” is no number."
                else:
                    said = int(said) if said == int(said) else said
        case Tick():
            said = True if field.path in typed else None
    if said is None:
        return
    place = document
    *path, last = field.path.split(".")
    for step in path:
        place = place.setdefault(step, {})
    place[last] = said


def _tidied(document: dict[str, Any]) -> None:
    """Parts that belong to something that was not chosen are left out; a pocket becomes a list."""
    features = document.setdefault("features", {})
    for name, makes in LISTS.items():
        found = [row for _, row in sorted(features.pop(name, {}).items()) if row.get(makes)]
        if found:
            features[name] = found
    for name, makes in (("sleeve", "kind"), ("straps", "closed by"), ("lining", "method")):
        if not features.get(name, {}).get(makes):
            features.pop(name, None)
    if features.get("interfacing_kind") == v.InterfacingKind.FUSIBLE.value:
        features.pop("interfacing_kind")
    skirt = features.get("skirt", {})
    if skirt and set(skirt) <= {"slit"} and skirt.get("slit") == "none":
        features.pop("skirt")


def _by_row(found: Sequence[Any]) -> dict[str, Any]:
    return {str(k): row for k, row in enumerate(found)}


CARRIED = (("sized_by",), ("features", "skirt", "darts"), ("features", "lining", "drawn"))
"""What a document may say and the form does not show."""


def carried(document: dict[str, Any], before: Mapping[str, Any]) -> None:
    """Keep what a description that is opened again said beyond the form: so that changing one thing loses no other."""
    for *path, last in CARRIED:
        old: Any = before
        place: Any = document
        for step in path:
            old = (old or {}).get(step)
            place = place.get(step) if isinstance(place, dict) else None
        if isinstance(old, Mapping) and last in old and isinstance(place, dict):
            place.setdefault(last, old[last])
    for name in LISTS:
        more = list(before.get("features", {}).get(name, ()))[ROWS:]
        if more:
            document.setdefault("features", {}).setdefault(name, []).extend(more)


def from_document(document: Mapping[str, Any], units: Units) -> dict[str, str]:
    """A description document as what the form shows."""
    typed = {name: str(document.get(name, "")) for name in ("name", "house", "code", "garment", "figure", "cloth")}
    if "allowance" in document:
        typed["allowance"] = format_allowance(document["allowance"], units)
    sizes = tuple(document.get("sizes", ()))
    for field in ("body_chart", "finished"):
        chart = document.get(field, {})
        typed[field] = written(sizes or tuple(next(iter(chart.values()), {})), chart, units) if chart else ""
    for name in LINES:
        typed[name] = "\n".join(document.get(name, ()))
    typed |= {f"{CONFIRMED}{name}": said for name, said in document.get("confirmed", {}).items()}
    typed["runs"] = str(document.get("runs", Runs.TRUE.value))
    views = [d.PrintedView(**view) for view in document.get("views", ())]
    typed["views"] = written_views(views, units)
    rows = [d.Printed(**row) for row in document.get("yardage", ())]
    typed["yardage"] = written_yardage(rows, units) if rows else ""
    features = document.get("features", {})
    whole = {**document, "features": {**features, **{name: _by_row(features.get(name, ())) for name in LISTS}}}
    for group in GROUPS:
        for one in group.fields:
            value: Any = whole
            for step in one.path.split("."):
                value = value.get(step) if isinstance(value, Mapping) else None
            if value is None:
                continue
            match one:
                case Several():
                    typed |= {f"{one.path}.{said}": "on" for said in value}
                case Length():
                    typed[one.path] = format_length(value, units, fine=True)
                case Tick():
                    typed |= {one.path: "on"} if value else {}
                case _:
                    typed[one.path] = str(value)
    return typed
