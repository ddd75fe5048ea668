"""Bind a drawing to a described garment: each outline is one of its pieces, its corners where the edges begin."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from fastapi import APIRouter, Request, Response

from rowanseed.core.base.errors import NotThere, PatternError
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn
from rowanseed.drawings.bound import draw_bound
from rowanseed.formats.bound_drawing import bound
from rowanseed.formats.matched_outlines import Binding, bind, called, drawn_sizes, propose, renamed, ring_positions
from rowanseed.formats.svg_read import ONE_SIZE, Drawing
from rowanseed.reading import apart
from rowanseed.store import patterns
from rowanseed.store.database import transaction
from rowanseed.web.deps import Home, House, Id, Typing, go, number_of
from rowanseed.web.once import Once
from rowanseed.web.views.house import BindView, BoundOutline

router = APIRouter(route_class=Once)
LINES = ((Drawn.CUTTING.value, "the cutting line"), (Drawn.SEAM.value, "the stitching line"))


@router.get("/drawings/{id}/bind")
def ask(home: Home, id: Id, request: Request) -> Response:
    return _page(home, id, request.query_params, {})


@router.post("/drawings/{id}/bind")
def take(home: Home, id: Id, typed: Typing) -> Response:
    pattern = _pattern(home, typed)
    as_drawn = _drawing(home, id)
    double = _doubled([size for _, _, size in _nest(as_drawn, pattern, typed) if size])
    if double is not None:
        return _page(home, id, typed, {"nest": f"Two of its sizes are {double}: leave one out."}, 422)
    drawing = _renamed(as_drawn, pattern, typed)
    size = _size(drawing, pattern, typed)
    bindings = _bindings(drawing, pattern, size, typed)
    twice = _doubled([one.piece for one in bindings])
    if twice is not None:
        return _page(home, id, typed, {"form": f"Two outlines are “{pattern.piece(twice).name}”: take one out."}, 422)
    if not bindings:
        return _page(home, id, typed, {"form": "Say of at least one outline which piece it is."}, 422)
    try:
        made = bound(pattern, drawing, bindings, _line(typed), size)
    except PatternError as error:
        return _page(home, id, typed, {"form": str(error)}, 422)
    name = " ".join(typed.get("name", "").split())[:120] or f"{pattern.name}, as drawn"
    with transaction(home.db):
        stored = patterns.add_pattern(home.db, replace(made, name=name), home.today)
        patterns.forget_drawing(home.db, id)
    return go(f"/patterns/{stored}")


def _drawing(home: House, id: int) -> Drawing:
    found = patterns.drawing(home.db, id)
    if found is None:
        raise NotThere("drawing")
    _, svg, read = found
    return apart.rewritten(read) if read else apart.drawing(svg)


def _pattern(home: House, typed: Mapping[str, str]) -> Pattern:
    id = number_of(typed.get("pattern"))
    found = None if id is None else patterns.pattern(home.db, id)
    if found is None or not found.description:
        raise NotThere("description")
    return found


def _size(drawing: Drawing, pattern: Pattern, typed: Mapping[str, str]) -> str:
    """The composed size that the outlines are compared with."""
    sizes = pattern.envelope.sizes
    if drawing.sizes != (ONE_SIZE,):
        return next(iter(drawn_sizes(drawing, pattern, None)), sizes[len(sizes) // 2])
    return typed["size"] if typed.get("size") in sizes else sizes[len(sizes) // 2]


def _line(typed: Mapping[str, str]) -> Drawn:
    """The line that is drawn."""
    return Drawn.SEAM if typed.get("line") == Drawn.SEAM.value else Drawn.CUTTING


def _compared_with(size: str, typed: Mapping[str, str]) -> str:
    """What the corners were proposed for: with another line or size they are proposed anew."""
    return f"{_line(typed).value} {size}"


def _bindings(drawing: Drawing, pattern: Pattern, size: str, typed: Mapping[str, str]) -> list[Binding]:
    """What the form says; corners that do not stand in it are proposed."""
    out = []
    ids = {piece.id for piece in pattern.pieces}
    for n, drawn in enumerate(drawing.pieces):
        piece = typed.get(f"piece-{n}", "")
        if piece not in ids:
            continue
        found = bind(pattern, drawing, size, drawn.id, piece, _line(typed))
        if typed.get(f"was-{n}") == piece and _compared_with(size, typed) == typed.get("was-compared"):
            found = replace(found, corners=_moved(found, typed, n, len(drawn.edges[called(drawing, size)])))
        out.append(found)
    return out


def _moved(found: Binding, typed: Mapping[str, str], n: int, edges: int) -> tuple[float, ...]:
    """The corners as they were dragged; one that is no place on the outline stays where it was proposed."""
    out = []
    for k, corner in enumerate(found.corners):
        try:
            said = float(typed.get(f"corner-{n}-{k}", ""))
        except ValueError:
            said = corner
        out.append(said if 0 <= said < edges else corner)
    return tuple(out) if len(set(out)) == len(out) else found.corners


def _nest(drawing: Drawing, pattern: Pattern, typed: Mapping[str, str]) -> list[tuple[str, str, str]]:
    """(field, size of the drawing, size of the pattern that it is, empty for none), where it has sizes of its own.

    Until it is said, a size is the one of the same name.
    """
    if drawing.sizes == (ONE_SIZE,):
        return []
    alike = {name: size for size, name in drawn_sizes(drawing, pattern, None).items()}
    fields = ((f"nest-{k}", name, alike.get(name, "")) for k, name in enumerate(drawing.sizes))
    return [(field, name, _said_size(typed, field, pattern, size)) for field, name, size in fields]


def _said_size(typed: Mapping[str, str], field: str, pattern: Pattern, alike: str) -> str:
    said = typed.get(field)
    return alike if said is None or said not in ("", *pattern.envelope.sizes) else said


def _renamed(drawing: Drawing, pattern: Pattern, typed: Mapping[str, str]) -> Drawing:
    """A nest by the pattern's names for its sizes; as it is where none of them is said."""
    sizes = {name: size for _, name, size in _nest(drawing, pattern, typed) if size}
    return renamed(drawing, sizes) if sizes else drawing


def _said_of_nest(drawing: Drawing, pattern: Pattern, typed: Mapping[str, str]) -> str:
    """In which sizes the pattern will be, where the drawing has sizes of its own."""
    nest = _nest(drawing, pattern, typed)
    if not nest:
        return ""
    said = {size for _, _, size in nest if size}
    made = [size for size in pattern.envelope.sizes if size in said]
    if not made:
        return f"The description has none of these sizes, only {', '.join(pattern.envelope.sizes)}: say which is which."
    if len(made) == len(nest) == len(pattern.envelope.sizes):
        return "The pattern is made in all of its sizes."
    return f"The pattern is made in {', '.join(made)}."


def _doubled(said: Sequence[str]) -> str | None:
    return next((one for one in said if said.count(one) > 1), None)


def _page(home: House, id: int, typed: Mapping[str, str], errors: Mapping[str, str], status: int = 200) -> Response:
    pattern = _pattern(home, typed)
    as_drawn = _drawing(home, id)
    drawing = _renamed(as_drawn, pattern, typed)
    size = _size(drawing, pattern, typed)
    if any(key.startswith("piece-") for key in typed):
        found = {one.drawn: one for one in _bindings(drawing, pattern, size, typed)}
    else:
        found = propose(pattern, drawing, size, _line(typed))
    outlines = []
    for n, drawn in enumerate(drawing.pieces):
        one = found.get(drawn.id)
        picture = None
        if one is not None:
            piece = pattern.piece(one.piece)
            places = ring_positions(drawn, called(drawing, size), one.turn)
            edges = [edge.name for edge in piece.edges]
            picture = draw_bound(piece.name, places, one.corners, edges, f"corner-{n}")
        outlines.append(BoundOutline(drawn.name, one, picture))
    return home.show(
        BindView(
            id=id,
            pattern=pattern,
            pattern_id=number_of(typed.get("pattern")) or 0,
            size=size,
            compared=_compared_with(size, typed),
            typed=typed,
            errors=errors,
            outlines=outlines,
            pieces=[("", "none of them"), *((piece.id, piece.name) for piece in pattern.pieces)],
            sizes=[(one, one) for one in pattern.envelope.sizes] if drawing.sizes == (ONE_SIZE,) else (),
            nest=_nest(as_drawn, pattern, typed),
            nested=[("", "left out"), *((one, one) for one in pattern.envelope.sizes)],
            said_of_nest=_said_of_nest(as_drawn, pattern, typed),
            lines=LINES,
        ),
        status,
    )
