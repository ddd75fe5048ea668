"""Patterns: bring one in as a document or as a drawing to scale, and look at it."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from typing import Annotated

from fastapi import APIRouter, File, Response, UploadFile

from rowanseed.core.base.errors import DrawingError, LengthError, NotThere, PatternError, RowanseedError
from rowanseed.core.base.units import parse_length
from rowanseed.core.body.measures import MEASURE
from rowanseed.core.compose.again import drafted_otherwise
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Grain, Role
from rowanseed.core.pattern.walk import walk
from rowanseed.drawings.drawn import draw_outlines
from rowanseed.drawings.pieces import draw_nest
from rowanseed.drawings.portrait import portrait
from rowanseed.drawings.svg import QUIET
from rowanseed.formats.description_json import compose_pattern
from rowanseed.formats.drawn_pattern import Decision, fold_choices, grain_is_across, pattern_of
from rowanseed.formats.pattern_json import read_pattern
from rowanseed.formats.svg_read import Drawing
from rowanseed.reading import apart
from rowanseed.settings import megabytes, settings
from rowanseed.store import patterns, projects
from rowanseed.store.database import transaction
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Form, Text, bind
from rowanseed.web.once import Once
from rowanseed.web.pages.tissue import can_be_measured
from rowanseed.web.views.house import DrawingView, NewPatternView, PatternView

router = APIRouter(route_class=Once)

CHARTED = ("waist", "hip", "bust")


@router.get("/patterns/new")
def new(home: Home) -> Response:
    return home.show(NewPatternView(most=megabytes(settings().largest_drawing)))


@router.post("/patterns/new")
def bring(home: Home, file: Annotated[UploadFile, File()]) -> Response:
    """Take in a file: a pattern document is kept, a drawing waits for what its outlines are."""
    data = file.file.read(settings().largest_drawing + 1)
    name = (file.filename or "drawing")[:120]
    try:
        if data.lstrip()[:1] == b"{":
            described = b"rowanseed-description/" in data[:400]
            made = compose_pattern(data) if described else read_pattern(apart.pattern_document(data))
            return go(f"/patterns/{patterns.add_pattern(home.db, made, home.today)}")
        if not data:
            raise DrawingError("No file was chosen, or it is empty.", "Choose an SVG drawing or a pattern document.")
        drawing = apart.drawing(data)
    except RowanseedError as error:
        return home.show(NewPatternView(most=megabytes(settings().largest_drawing), error=error, filename=name), 422)
    return go(f"/drawings/{patterns.add_drawing(home.db, name, data, apart.written(drawing), home.today)}")


@router.get("/patterns/{id}")
def show_pattern(home: Home, id: Id) -> Response:
    return pattern_page(home, id, {})


@router.get("/patterns/{id}/portrait.svg")
def picture(home: Home, id: Id) -> Response:
    """The garment's small picture."""
    pattern = patterns.pattern(home.db, id)
    if pattern is None:
        raise NotThere("pattern")
    return Response(portrait(pattern), media_type="image/svg+xml")


def pattern_page(home: House, id: int, errors: dict[str, str], *, status: int = 200) -> Response:
    pattern = patterns.pattern(home.db, id)
    if pattern is None:
        raise NotThere("pattern")
    sizes = pattern.envelope.sizes
    middle = sizes[len(sizes) // 2]
    walks = [(size, w) for size in sizes for w in walk(pattern, size)]
    worst = max(walks, key=lambda found: abs(found[1].fault), default=None)
    return home.show(
        PatternView(
            id=id,
            pattern=pattern,
            size=middle,
            worst=worst,
            measures=MEASURE,
            earlier=projects.earlier_notes(home.db, pattern_id=id),
            can_be_measured=can_be_measured(pattern),
            otherwise=_drafted_otherwise(pattern),
            nest=draw_nest(pattern, middle, QUIET, pattern.pieces),
            errors=errors,
        ),
        status,
    )


def _drafted_otherwise(pattern: Pattern) -> Sequence[str]:
    """The pieces that would come out otherwise if the garment was described today."""
    if not pattern.description or not pattern.is_approximate:
        return ()
    today = _composed_today(pattern.description)
    return () if today is None else drafted_otherwise(pattern, today)


@lru_cache(maxsize=64)
def _composed_today(description: str) -> Pattern | None:
    """What a description comes to; None where it cannot be any more."""
    try:
        return compose_pattern(description)
    except RowanseedError:
        return None


class _NameForm(Form):
    name: Text


@router.post("/patterns/{id}/name")
def rename(home: Home, id: Id, typed: Typing) -> Response:
    form, errors = bind(_NameForm, typed, home.units.small)
    if form is None:
        return pattern_page(home, id, errors, status=422)
    if not patterns.rename_pattern(home.db, id, form.name[:120]):
        raise NotThere("pattern")
    return go(f"/patterns/{id}")


@router.post("/patterns/{id}/remove")
def remove_pattern(home: Home, id: Id) -> Response:
    if not patterns.remove_pattern(home.db, id):
        refused = "A project is sewn from this pattern: put that away first, at its Keep station."
        return pattern_page(home, id, {"remove": refused}, status=422)
    return go("/")


@router.get("/patterns/{id}/document.json")
def document(home: Home, id: Id) -> Response:
    text = patterns.pattern_document(home.db, id)
    if text is None:
        raise NotThere("pattern")
    return Response(
        text,
        media_type="application/json",
        headers={"Content-Disposition": f'attachment; filename="pattern-{id}.json"'},
    )


# ---------------------------------------------------------------- drawings


@router.get("/drawings/{id}")
def ask(home: Home, id: Id) -> Response:
    name, drawing = _drawing(home, id)
    return _ask(home=home, id=id, filename=name, drawing=drawing, typed={}, errors={})


@router.post("/drawings/{id}")
def decide(home: Home, id: Id, typed: Typing) -> Response:
    filename, drawing = _drawing(home, id)
    errors: dict[str, str] = {}
    decisions = _decisions(drawing, typed, errors)
    chart = _chart(home, drawing, typed, errors)
    name = typed.get("name", "").strip()
    if not name:
        errors["name"] = "Give the pattern a name."
    if not decisions and not errors:
        errors["form"] = "Say of at least one outline that it is cut."
    if errors:
        return _ask(home=home, id=id, filename=filename, drawing=drawing, typed=typed, errors=errors, status=422)
    try:
        made = pattern_of(drawing, decisions, name, typed.get("garment", "").strip(), chart)
    except PatternError as error:
        errors["form"] = f"{error.where}: {error.problem}"
        return _ask(home=home, id=id, filename=filename, drawing=drawing, typed=typed, errors=errors, status=422)
    with transaction(home.db):
        stored = patterns.add_pattern(home.db, made, home.today)
        patterns.forget_drawing(home.db, id)
    return go(f"/patterns/{stored}")


def _drawing(home: House, id: Id) -> tuple[str, Drawing]:
    found = patterns.drawing(home.db, id)
    if found is None:
        raise NotThere("drawing")
    name, svg, read = found
    # A drawing that came in before it was kept as read is read now, once more apart.
    return name, apart.rewritten(read) if read else apart.drawing(svg)


def _ask(
    home: House,
    id: Id,
    filename: str,
    drawing: Drawing,
    typed: dict[str, str],
    errors: dict[str, str],
    *,
    status: int = 200,
) -> Response:
    size = drawing.sizes[0]
    return home.show(
        DrawingView(
            id=id,
            filename=filename,
            drawing=drawing,
            typed=typed,
            errors=errors,
            charted=[MEASURE[key] for key in CHARTED],
            roles=list(Role),
            grains=list(Grain),
            folds={
                piece.id: [
                    *(("", f) for f in fold_choices(piece, size, False)),
                    *(("across", f) for f in fold_choices(piece, size, True)),
                ]
                for piece in drawing.pieces
            },
            described=[one for one in patterns.patterns(home.db) if one.described],
            across=frozenset(piece.id for piece in drawing.pieces if grain_is_across(piece)),
            picture=draw_outlines(drawing, size),
        ),
        status,
    )


def _decisions(drawing: Drawing, typed: dict[str, str], errors: dict[str, str]) -> dict[str, Decision]:
    out = {}
    for n, piece in enumerate(drawing.pieces):
        if typed.get(f"use-{n}") != "yes":
            continue
        count = typed.get(f"count-{n}", "1").strip()
        if not count.isdigit() or not 1 <= int(count) <= 100:
            errors[f"count-{n}"] = "How many are cut is a whole number from 1 to 100."
            continue
        role, grain = typed.get(f"role-{n}", "main"), typed.get(f"grain-{n}", "lengthwise")
        known = role in {r.value for r in Role} and grain in {g.value for g in Grain}
        across = typed.get(f"across-{n}") == "yes"
        fold = typed.get(f"fold-{n}") or None
        offered = {f.name for f in fold_choices(piece, drawing.sizes[0], across)}
        if fold is not None and fold not in offered:
            errors[f"fold-{n}"] = "That edge does not run along the grain, so it cannot lie on the fold."
            continue
        out[piece.id] = Decision(
            name=typed.get(f"name-{n}", "").strip() or piece.name,
            role=Role(role) if known else Role.MAIN,
            count=int(count),
            pair=typed.get(f"pair-{n}") == "yes",
            fold=fold,
            grain_across_page=across,
            grain=Grain(grain) if known else Grain.LENGTHWISE,
            also=tuple(r for r in Role if typed.get(f"also-{n}-{r.value}") == "yes"),
        )
    return out


def _chart(home: House, drawing: Drawing, typed: dict[str, str], errors: dict[str, str]) -> dict[str, dict[str, float]]:
    """Body measures a size, where the sewist has them; a measure is given for every size or for none."""
    chart: dict[str, dict[str, float]] = {}
    for key in CHARTED:
        row: dict[str, float] = {}
        for k, size in enumerate(drawing.sizes):
            text = typed.get(f"chart-{key}-{k}", "").strip()
            if not text:
                continue
            try:
                row[size] = parse_length(text, home.units.small)
            except LengthError as error:
                errors[f"chart-{key}-{k}"] = home.told(error)
        if row and len(row) < len(drawing.sizes) and not any(e.startswith(f"chart-{key}") for e in errors):
            empty = next(k for k, size in enumerate(drawing.sizes) if size not in row)
            errors[f"chart-{key}-{empty}"] = "Give this measure for every size, or for none."
        elif len(row) == len(drawing.sizes):
            chart[key] = row
    return chart
