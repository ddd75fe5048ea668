"""Describe a garment as its envelope does: choices beside a line drawing that follows them, then a whole pattern."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

from fastapi import APIRouter, Request, Response

from rowanseed.core.base.errors import DocumentError, NotThere, RowanseedError
from rowanseed.core.compose.compose import DescriptionRefused
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.line_drawing import line_drawing
from rowanseed.formats.description_json import compose_pattern
from rowanseed.store import patterns
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.describe_form import from_document, to_document
from rowanseed.web.once import Once
from rowanseed.web.views.house import DescribeLookView, DescribeView

router = APIRouter(route_class=Once)
TRIES = 6
NEW = {"garment": "dress", "features.back.centre": "seam", "features.opening.where": "none"}


@router.get("/patterns/describe")
def describe(home: Home) -> Response:
    return _page(home, NEW)


@router.get("/patterns/{id}/describe")
def describe_again(home: Home, id: Id) -> Response:
    """Open a described pattern again; what is changed becomes another pattern."""
    return _page(home, from_document(_document_of(home, id), home.units))


@router.get("/patterns/{id}/description.json")
def description(home: Home, id: Id) -> Response:
    text = json.dumps(_document_of(home, id), ensure_ascii=False, indent=1)
    headers = {"Content-Disposition": f'attachment; filename="description-{id}.json"'}
    return Response(text, media_type="application/json", headers=headers)


@router.get("/patterns/describe/look")
def look(home: Home, request: Request) -> Response:
    """The drawing and what cannot be, as the form stands: asked for with every choice, and nothing is kept."""
    made, errors = _composed(home, request.query_params)
    return home.show(DescribeLookView(made=made, errors=errors, drawn=_drawn(home, request.query_params, made)))


@router.post("/patterns/describe")
def take(home: Home, typed: Typing) -> Response:
    made, errors = _composed(home, typed)
    if made is None or errors:
        return _page(home, typed, errors, status=422)
    return go(f"/patterns/{patterns.add_pattern(home.db, made, home.today)}")


def _document_of(home: House, id: int) -> Mapping[str, object]:
    pattern = patterns.pattern(home.db, id)
    if pattern is None or not pattern.description:
        raise NotThere("description")
    found: Mapping[str, object] = json.loads(pattern.description)
    return found


def _composed(home: House, typed: Mapping[str, str]) -> tuple[Pattern | None, dict[str, str]]:
    """The pattern as the form stands, and what is wrong by the name of its field."""
    document, errors = to_document(typed, home.units)
    try:
        return compose_pattern(json.dumps(_named(document))), errors
    except DescriptionRefused as refused:
        return None, {**{_field(one.field): one.why for one in reversed(refused.refusals)}, **errors}
    except DocumentError as error:
        return None, {_field(error.where): error.problem, **errors}
    except RowanseedError as error:
        return None, {"form": str(error), **errors}


def _named(document: dict[str, Any]) -> dict[str, Any]:
    return {**document, "name": document["name"] or "Your garment"}


def _drawn(home: House, typed: Mapping[str, str], made: Pattern | None) -> str | None:
    """The line drawing; of what can be, where something cannot."""
    if made is not None:
        return line_drawing(made)
    document = _named(to_document(typed, home.units)[0])
    for _ in range(TRIES):
        try:
            return line_drawing(compose_pattern(json.dumps(document)))
        except DescriptionRefused as refused:
            where = refused.refusals[0].field.split(".")
            features = document.get("features", {})
            if where[0] != "features" or len(where) < 2 or features.pop(where[1], None) is None:
                return None
        except RowanseedError:
            return None
    return None


def _field(path: str) -> str:
    """The form's field for a field of the document; the whole form where it has none."""
    if path.startswith("features.pockets"):
        return "pocket.kind"
    if path.startswith("finished"):
        return "finished"
    return "body_chart" if path.startswith(("body_chart", "sizes")) else "form" if path == "features" else path


def _page(home: House, typed: Mapping[str, str], errors: dict[str, str] | None = None, status: int = 200) -> Response:
    made, found = _composed(home, typed)
    return home.show(
        DescribeView(
            typed=typed,
            made=made,
            errors=found if errors is None and typed is not NEW else errors or {},
            drawn=_drawn(home, typed, made),
        ),
        status,
    )
