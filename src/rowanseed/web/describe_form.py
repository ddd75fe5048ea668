"""What was typed of a garment as a description document, and such a document as its form shows it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict
from typing import Any, TypeVar, assert_never

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import INCH, Units, format_allowance, format_length, parse_length, parse_signed_length
from rowanseed.core.compose import vocabulary as v
from rowanseed.core.compose.as_printed import Printed, PrintedView
from rowanseed.core.compose.chart import OF_A_BODY, OF_A_GARMENT, ChartError, read_chart, written
from rowanseed.core.compose.charts import CHARTS
from rowanseed.core.compose.envelope_text import (
    EnvelopeError,
    as_lined,
    read_views,
    read_yardage,
    written_views,
    written_yardage,
)
from rowanseed.core.compose.limits import limit_of
from rowanseed.core.compose.notion_text import notion_lines
from rowanseed.core.pattern.envelope import Figure, Runs
from rowanseed.web.described_fields import GROUPS, HEAD, LISTS, ROWS
from rowanseed.web.field_kinds import Either, Field, Length, Number, One, Several, Tick

FORMAT = "rowanseed-description/1"
T = TypeVar("T", int, float)


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
        text = typed.get(name, "")
        lines = notion_lines(text) if name == "notions" else text.splitlines()
        found = [line.strip()[:400] for line in lines if line.strip()]
        if found:
            document[name] = found[:most]
    _views(typed, unit, document, errors)
    _yardage(typed, unit, document, errors)
    garment = document["garment"]
    for group in GROUPS:
        if group.belongs_to(garment):
            for field in group.fields:
                if field.is_there(typed):
                    _put(field, typed, unit, document, errors)
    right = {name.removeprefix(CONFIRMED): said[:200] for name, said in typed.items() if name.startswith(CONFIRMED)}
    if right:
        document["confirmed"] = right
    _tidied(document)
    if not document["name"]:
        errors["name"] = "Give the garment a name."
    return document, errors


def _charts(typed: Mapping[str, str], unit: str, document: dict[str, Any], errors: dict[str, str]) -> None:
    for field, names in (("body_chart", OF_A_BODY), ("finished", OF_A_GARMENT)):
        text = typed.get(field, "")
        if not text.strip():
            continue
        try:
            chart = read_chart(text, unit, names)
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
    """A length, or none where none was typed; nothing at all is one where it may be."""
    if not typed.get(name, "").strip():
        return None
    read = parse_signed_length if limit_of(name).least == 0 else parse_length
    try:
        found = round(read(typed[name], unit), 2)
    except LengthError as error:
        errors[name] = str(error)
        return None
    return _within(name, found, errors)


def _number(field: Number, typed: Mapping[str, str], errors: dict[str, str]) -> float | int | None:
    text = typed.get(field.path, "").strip().replace(",", ".")
    if not text:
        return None
    try:
        found = int(text) if field.whole else float(text)
    except ValueError:
        errors[field.path] = f"“{text[:20]}” is no {'whole ' if field.whole else ''}number."
        return None
    return _within(field.path, found, errors)


def _within(name: str, found: T, errors: dict[str, str]) -> T | None:
    limit = limit_of(name)
    if limit.least <= found <= limit.most:
        return found
    errors[name] = limit.refusal()
    return None


def _put(field: Field, typed: Mapping[str, str], unit: str, document: dict[str, Any], errors: dict[str, str]) -> None:
    said: Any = None
    match field:
        case One():
            said = typed.get(field.path) or (None if field.none else field.usual)
        case Several():
            there = (one for one in field.options if all(when.holds(typed) for when in one.when))
            said = [one.value for one in there if f"{field.path}.{one.value}" in typed] or None
        case Length():
            said = _length(typed, field.path, unit, errors)
        case Number():
            said = _number(field, typed, errors)
        case Tick():
            said = True if field.path in typed else None
        case Either():
            said = {"yes": True, "no": False}.get(typed.get(field.path, ""))
        case _:
            assert_never(field)
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
    for name, makes in (("sleeve", "kind"), ("straps", "closed by"), ("bib", "shape"), ("lining", "method")):
        if not features.get(name, {}).get(makes):
            features.pop(name, None)
    if features.get("interfacing_kind") == v.InterfacingKind.FUSIBLE.value:
        features.pop("interfacing_kind")
    skirt = features.get("skirt", {})
    if skirt and set(skirt) <= {"slit"} and skirt.get("slit") == "none":
        features.pop("skirt")


def row_typed(name: str, k: int, typed: Mapping[str, str]) -> int:
    """Which of a list's rows on the form is the k-th of the document: rows that were left empty are not in it."""
    filled = [row for row in range(ROWS) if typed.get(f"features.{name}.{row}.{LISTS[name]}")]
    return filled[k] if k < len(filled) else k


def _by_row(found: Sequence[Any]) -> dict[str, Any]:
    return {str(k): row for k, row in enumerate(found)}


CARRIED = (("sized_by",), ("features", "lining", "drawn"))
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


def in_form_order(document: Mapping[str, Any]) -> dict[str, Any]:
    """A description document with its yardage in the order in which the form gives it back."""
    rows = as_lined([Printed(**row) for row in document.get("yardage", ())])
    return {**document, "yardage": [asdict(row) for row in rows]} if rows else dict(document)


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
    views = [PrintedView(**view) for view in document.get("views", ())]
    typed["views"] = written_views(views, units)
    rows = [Printed(**row) for row in document.get("yardage", ())]
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
                case Either():
                    typed[one.path] = "yes" if value else "no"
                case One() if isinstance(value, bool):
                    # That there is one says: of the usual kind.
                    typed[one.path] = one.usual if value else ""
                case _:
                    typed[one.path] = str(value)
    return typed
