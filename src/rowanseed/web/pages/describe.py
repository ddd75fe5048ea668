"""Describe a garment as its envelope does: choices beside a line drawing that follows them, then a whole pattern."""

from __future__ import annotations

import json
import re
from collections.abc import Mapping, Sequence
from typing import Any, TypedDict

from fastapi import APIRouter, Request, Response

from rowanseed.core.base.errors import DocumentError, NotThere, RowanseedError
from rowanseed.core.compose.compose import DescriptionRefused
from rowanseed.core.compose.listed import Tick, ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.make.booklet_text import Matched, match_steps
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.formats.description_json import compose_pattern
from rowanseed.store import patterns
from rowanseed.web.as_shown import as_it_was
from rowanseed.web.deps import Home, House, Id, Typing, go, number_of
from rowanseed.web.describe_form import (
    CONFIRMED,
    carried,
    from_document,
    in_form_order,
    row_typed,
    to_document,
    usual_chart,
)
from rowanseed.web.described_fields import GROUPS, LISTS
from rowanseed.web.described_starts import FIRST, start_of
from rowanseed.web.once import Once
from rowanseed.web.views.house import DescribeLookView, DescribeView

router = APIRouter(route_class=Once)
TRIES = 6
FIELDS = frozenset(one.path for group in GROUPS for one in group.fields)
NEW = start_of(FIRST)


@router.get("/patterns/describe")
def describe(home: Home) -> Response:
    return _page(home, NEW)


@router.get("/patterns/{id}/describe")
def describe_again(home: Home, id: Id) -> Response:
    """Open a described pattern again; what is changed becomes another pattern."""
    return _page(home, from_document(_document_of(home, id), home.units) | {"of": str(id)})


@router.get("/patterns/{id}/description.json")
def description(home: Home, id: Id) -> Response:
    text = json.dumps(_document_of(home, id), ensure_ascii=False, indent=1)
    headers = {"Content-Disposition": f'attachment; filename="description-{id}.json"'}
    return Response(text, media_type="application/json", headers=headers)


@router.get("/patterns/describe/look")
def look(home: Home, request: Request) -> Response:
    """The drawing and what cannot be, as the form stands: asked for with every choice, and nothing is kept."""
    typed = request.query_params
    made, errors = _composed(home, typed)
    # That it needs a name its field says; it is asked for when the garment is composed.
    told = {field: said for field, said in errors.items() if field != "name" or typed.get("name")}
    drawn = _drawn(home, typed, made)
    return home.show(DescribeLookView(made=made, errors=told, drawn=drawn, **_beside(typed, made)))


@router.get("/patterns/describe/chart")
def chart(home: Home, request: Request) -> Response:
    """A usual chart as text, for the field that it is typed in."""
    said = request.query_params.get("figure", "")
    figure = Figure(said) if said in {one.value for one in Figure} else Figure.WOMEN
    return Response(usual_chart(figure, home.units), media_type="text/plain")


@router.post("/patterns/describe")
def take(home: Home, typed: Typing) -> Response:
    made, errors = _composed(home, typed)
    if made is None or errors:
        return _page(home, typed, errors, status=422)
    return go(f"/patterns/{patterns.add_pattern(home.db, made, home.today)}")


class _Beside(TypedDict):
    ticks: Sequence[Tick]
    steps: Sequence[Matched]
    confirmed: Sequence[tuple[str, str]]


def _beside(typed: Mapping[str, str], made: Pattern | None) -> _Beside:
    """The booklet's list and steps, beside what was composed."""
    right = [(name.removeprefix(CONFIRMED), said) for name, said in typed.items() if name.startswith(CONFIRMED)]
    if made is None:
        return {"ticks": (), "steps": (), "confirmed": right}
    return {
        "confirmed": right,
        "ticks": ticked_off(made, read_pieces(typed.get("pieces", "").splitlines())),
        "steps": match_steps(made, typed.get("booklet", "").splitlines()) if typed.get("booklet", "").strip() else (),
    }


def _document_of(home: House, id: int) -> Mapping[str, Any]:
    pattern = patterns.pattern(home.db, id)
    if pattern is None or not pattern.description:
        raise NotThere("description")
    found: Mapping[str, Any] = json.loads(pattern.description)
    return found


def _composed(home: House, typed: Mapping[str, str]) -> tuple[Pattern | None, dict[str, str]]:
    """The pattern as the form stands, and what is wrong by the name of its field."""
    document, errors = to_document(typed, home.units)
    before = _before(home, typed)
    if before:
        shown, _ = to_document(from_document(before, home.units), home.units)
        document = as_it_was(in_form_order(before), shown, document)
    carried(document, before)
    measured = before.get("measured", {})
    try:
        try:
            return compose_pattern(json.dumps({**_named(document), "measured": measured})), errors
        except DescriptionRefused as refused:
            if not measured or not any(one.field.startswith("measured") for one in refused.refusals):
                raise
            # What was measured belongs to the garment as it was described before: without it, another garment.
            return compose_pattern(json.dumps(_named(document))), errors
    except DescriptionRefused as refused:
        return None, {**{field_of(one.field, typed): one.why for one in reversed(refused.refusals)}, **errors}
    except DocumentError as error:
        return None, {field_of(error.where, typed): error.problem, **errors}
    except RowanseedError as error:
        return None, {"form": str(error), **errors}


def _before(home: House, typed: Mapping[str, str]) -> Mapping[str, Any]:
    """The description that is opened again, as it was."""
    id = number_of(typed.get("of"))
    return {} if id is None else _document_of(home, id)


def _named(document: dict[str, Any]) -> dict[str, Any]:
    return {**document, "name": document["name"] or "Your garment"}


def _drawn(home: House, typed: Mapping[str, str], made: Pattern | None) -> str | None:
    """The line drawing; of what can be, where something cannot."""
    if made is not None:
        return line_drawing(made, linked=True)
    document = _named(to_document(typed, home.units)[0])
    for _ in range(TRIES):
        try:
            return line_drawing(compose_pattern(json.dumps(document)), linked=True)
        except DescriptionRefused as refused:
            where = refused.refusals[0].field.split(".")
            features = document.get("features", {})
            if where[0] != "features" or len(where) < 2:
                return None
            if features.pop(where[1], None) is None:
                if document.get("cloth") == Structure.KNIT.value:
                    return None
                # What a knit stretches over, the drawing of woven cloth may show as well.
                document["cloth"] = Structure.KNIT.value
        except RowanseedError:
            return None
    return None


def field_of(path: str, typed: Mapping[str, str]) -> str:
    """The form's field for a field of the document; the whole form where it has none."""
    row = re.fullmatch(r"features\.(\w+)\.(\d+)(\.\w+)?", path)
    if row and row[1] in LISTS:
        return f"features.{row[1]}.{row_typed(row[1], int(row[2]), typed)}{row[3] or '.' + LISTS[row[1]]}"
    if path.startswith(("body_chart", "sizes")):
        return "body_chart"
    table = path.split(".")[0]
    if table in ("finished", "views", "yardage", "notions", "fabrics", "pieces", "booklet"):
        return table
    within = (one.path for group in GROUPS for one in group.fields if one.path.startswith(f"{path}."))
    return "form" if path == "features" else path if path in FIELDS else next(within, path)


def _page(home: House, typed: Mapping[str, str], errors: dict[str, str] | None = None, status: int = 200) -> Response:
    made, found = _composed(home, typed)
    return home.show(
        DescribeView(
            typed=typed,
            made=made,
            errors=found if errors is None and typed is not NEW else errors or {},
            drawn=_drawn(home, typed, made),
            **_beside(typed, made),
        ),
        status,
    )
