"""Measure the tissue: piece by piece, the figures that a tape finds make the composed shapes exact."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

from fastapi import APIRouter, Request, Response

from rowanseed.core.base.errors import LengthError, NotThere
from rowanseed.core.base.units import format_length, parse_length
from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.compose import DescriptionRefused
from rowanseed.core.compose.tape import dimensions, taken
from rowanseed.core.compose.tissue import Certainty, certainty
from rowanseed.core.compose.vocabulary import TapeLine
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.tape_lines import draw_tape_lines
from rowanseed.formats.description_json import compose_pattern, read_description
from rowanseed.store import patterns
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.house import TapedPiece, TissueLookView, TissueView

router = APIRouter(route_class=Once)


@router.get("/patterns/{id}/tissue")
def tissue(home: Home, id: Id) -> Response:
    pattern, document = _of(home, id)
    return _page(home, id, pattern, _typed(home, pattern, document), {})


@router.get("/patterns/{id}/tissue/look")
def look(home: Home, id: Id, request: Request) -> Response:
    """What the figures come to as they stand: asked for with every one of them, and nothing is kept."""
    pattern, document = _of(home, id)
    found, errors = _measured(home, pattern, document, request.query_params)
    return home.show(TissueLookView(known=_known(pattern, found), errors=errors, pieces=_names(pattern)))


@router.post("/patterns/{id}/tissue")
def take(home: Home, id: Id, typed: Typing) -> Response:
    """Keep the figures: the pattern is composed again from its description and them."""
    pattern, document = _of(home, id)
    found, errors = _measured(home, pattern, document, typed)
    if errors:
        return _page(home, id, pattern, typed, errors, status=422)
    made = compose_pattern(json.dumps({**document, "measured": found}))
    patterns.change_pattern(home.db, id, made)
    return go(f"/patterns/{id}")


def _of(home: House, id: int) -> tuple[Pattern, dict[str, Any]]:
    pattern = patterns.pattern(home.db, id)
    if pattern is None or not can_be_measured(pattern):
        raise NotThere("description")
    return pattern, json.loads(pattern.description)


def can_be_measured(pattern: Pattern) -> bool:
    """Whether its pieces are composed, and so can be met to what a tape reads; drawn ones are exact as they are."""
    if not pattern.description:
        return False
    measured = read_description(pattern.description).measured
    return all(piece.approximate or piece.id in measured for piece in pattern.pieces)


def _names(pattern: Pattern) -> dict[str, str]:
    return {piece.id: piece.name for piece in pattern.pieces}


def _typed(home: House, pattern: Pattern, document: Mapping[str, Any]) -> dict[str, str]:
    """The form as the description has it."""
    measured = document.get("measured", {})
    first: Mapping[str, str] = next(iter(measured.values()), {})
    sizes = pattern.envelope.sizes
    typed = {"size": first.get("size", sizes[len(sizes) // 2]), "line": first.get("line", TapeLine.STITCHING.value)}
    for id, one in measured.items():
        for name, mm in one["dimensions"].items():
            typed[f"{id}.{name}"] = format_length(mm, home.units, fine=True, unit=False)
    return typed


def _measured(
    home: House, pattern: Pattern, document: Mapping[str, Any], typed: Mapping[str, str]
) -> tuple[dict[str, Any], dict[str, str]]:
    """What was typed as the document has it, and what is wrong by the name of its field."""
    errors: dict[str, str] = {}
    size, line = typed.get("size", ""), typed.get("line", TapeLine.STITCHING.value)
    if size not in pattern.envelope.sizes:
        errors["size"] = "Say which of its sizes you measure."
        size = pattern.envelope.sizes[0]
    if line not in {one.value for one in TapeLine}:
        errors["line"] = "Say on which line you measure."
        line = TapeLine.STITCHING.value
    kept = _typed(home, pattern, document)
    found: dict[str, Any] = {}
    for piece in pattern.pieces:
        own = {}
        for dimension in dimensions(piece):
            field = f"{piece.id}.{dimension.id}"
            text = typed.get(field, "").strip()
            if not text:
                continue
            if kept.get(field) == text:
                # As it was kept, not as it is rounded to be shown.
                own[dimension.id] = document["measured"][piece.id]["dimensions"][dimension.id]
                continue
            try:
                own[dimension.id] = round(parse_length(text, home.units.small), 2)
            except LengthError as error:
                errors[field] = str(error)
        if own:
            found[piece.id] = {"size": size, "line": line, "dimensions": own}
    try:
        compose_pattern(json.dumps({**document, "measured": found}))
    except DescriptionRefused as refused:
        for one in reversed(refused.refusals):
            errors[one.field.removeprefix("measured.")] = one.why
    return found, errors


def _known(pattern: Pattern, found: Mapping[str, Any]) -> Certainty:
    measured = {id: Measured(one["size"], one["dimensions"], TapeLine(one["line"])) for id, one in found.items()}
    return certainty(pattern, measured)


def _page(
    home: House, id: int, pattern: Pattern, typed: Mapping[str, str], errors: Mapping[str, str], status: int = 200
) -> Response:
    size, line = typed.get("size", pattern.envelope.sizes[0]), TapeLine(typed.get("line", TapeLine.STITCHING.value))
    asked = []
    for piece in pattern.pieces:
        figures = [(d, format_length(taken(piece, size, d, line), home.units, fine=True)) for d in dimensions(piece)]
        known = {d.id for d, _ in figures if typed.get(f"{piece.id}.{d.id}", "").strip()}
        asked.append(TapedPiece(piece, draw_tape_lines(piece, size, line, known), figures))
    description = read_description(pattern.description)
    return home.show(
        TissueView(
            id=id,
            pattern=pattern,
            typed=typed,
            errors=errors,
            asked=asked,
            known=certainty(pattern, description.measured),
            pieces=_names(pattern),
            sizes=[(one, one) for one in pattern.envelope.sizes],
            lines=[(one.value, one.words) for one in TapeLine],
        ),
        status,
    )
