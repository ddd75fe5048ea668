"""Read and write layout problems and plans, documented in docs/formats/layout.md."""

from __future__ import annotations

import json
from functools import lru_cache
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError
from pydantic_core import from_json, to_json
from shapely import simplify
from shapely.geometry import LineString, Polygon

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.problem import (
    LayCloth,
    LayKind,
    LayPiece,
    Match,
    MatchPoint,
    Motif,
    OnLine,
    Pin,
    Placement,
    Plan,
    Problem,
    Stretch,
)
from rowanseed.core.pattern.pieces import Grain
from rowanseed.formats.in_words import in_words

PROBLEM = "rowanseed-layout-problem/1"
PLAN = "rowanseed-layout-plan/1"
FURTHEST = 100_000.0
LONGEST_PIECE = 20_000.0
MOST_VERTICES = 400
"""Outlines with more vertices are simplified, and that is told."""
SIMPLIFIED = 0.1
"""How far the simplified line may stray, in mm."""

_Pair = tuple[float, float]


class _Record(BaseModel):
    model_config = ConfigDict(extra="ignore", allow_inf_nan=False)


class _Repeat(_Record):
    x: float | None = Field(gt=0)
    y: float | None = Field(gt=0)


class _Cloth(_Record):
    width: float = Field(gt=0, le=FURTHEST)
    length: float | None = Field(gt=0)
    selvedge: float = Field(ge=0)
    direction: Literal["two-way", "one-way"]
    repeat: _Repeat | None


class _Border(_Record):
    at: _Pair
    y: float


class _Motif(_Record):
    at: _Pair
    places: list[_Pair] = Field(min_length=1)


class _Pin(_Record):
    lay: LayKind
    piece: str
    turn: float
    mirrored: bool
    whole: bool
    at: _Pair


class _Piece(_Record):
    id: str
    outline: list[_Pair] = Field(min_length=3)
    cut: int = Field(ge=1, le=1000, strict=True)
    pair: bool
    fold: tuple[_Pair, _Pair] | None
    grain: Grain
    selvedge: tuple[_Pair, _Pair] | None = None
    border: _Border | None = None
    motif: _Motif | None = None
    one_way: bool = False
    slants: list[Literal[45, 135, 225, 315]] = Field(default=[], max_length=4)


class _MatchPoint(_Record):
    piece: str
    at: _Pair


class _Match(_Record):
    axis: Literal["x", "y"]
    points: list[_MatchPoint] = Field(min_length=1)
    phase: float | None = None


class _Problem(_Record):
    format: Literal["rowanseed-layout-problem/1"]
    name: str
    cloth: _Cloth
    gap: float = Field(ge=0)
    lays: list[LayKind] = Field(min_length=1)
    pieces: list[_Piece] = Field(min_length=1)
    matches: list[_Match]
    pins: list[_Pin] = []
    forbidden: list[list[_Pair]] = []


def read_problem(text: str | bytes) -> Problem:
    """Read and validate a layout problem. Raises DocumentError with the field and the reason."""
    try:
        model = _Problem.model_validate(json.loads(text))
    except ValidationError as error:
        first = error.errors()[0]
        raise DocumentError(in_words(first), "", ".".join(str(step) for step in first["loc"])) from None
    except (ValueError, RecursionError) as error:
        raise DocumentError(f"The document is not JSON: {error}.") from None
    cloth = model.cloth
    if cloth.width <= 2 * cloth.selvedge:
        raise DocumentError("The selvedges leave no usable width.", "", "cloth.selvedge")
    ids: set[str] = set()
    for n, piece in enumerate(model.pieces):
        _check_piece(piece, f"pieces.{n}")
        if piece.id in ids:
            raise DocumentError(f"“{piece.id}” is there twice.", "", f"pieces.{n}.id")
        ids.add(piece.id)
    for n, match in enumerate(model.matches):
        for k, point in enumerate(match.points):
            if point.piece not in ids:
                raise DocumentError(f"There is no piece “{point.piece}”.", "", f"matches.{n}.points.{k}.piece")
    for n, pin in enumerate(model.pins):
        if pin.piece not in ids:
            raise DocumentError(f"There is no piece “{pin.piece}”.", "", f"pins.{n}.piece")
        if pin.lay not in model.lays:
            raise DocumentError(f"The lay {pin.lay.value} is not asked for.", "", f"pins.{n}.lay")
    for n, patch in enumerate(model.forbidden):
        _check_outline(patch, f"forbidden.{n}")
    repeat, notes = cloth.repeat, list[str]()
    return Problem(
        name=model.name,
        cloth=LayCloth(
            width=cloth.width,
            length=cloth.length,
            selvedge=cloth.selvedge,
            one_way=cloth.direction == "one-way",
            repeat_x=repeat.x if repeat else None,
            repeat_y=repeat.y if repeat else None,
        ),
        gap=model.gap,
        lays=tuple(model.lays),
        pieces=tuple(_to_piece(piece, notes) for piece in model.pieces),
        matches=tuple(
            Match(m.axis, tuple(MatchPoint(p.piece, p.at) for p in m.points), m.phase) for m in model.matches
        ),
        pins=tuple(
            Pin(lay=p.lay, piece=p.piece, turn=p.turn, mirrored=p.mirrored, whole=p.whole, at=p.at) for p in model.pins
        ),
        forbidden=tuple(tuple(patch) for patch in model.forbidden),
        notes=tuple(notes),
    )


def _to_piece(p: _Piece, notes: list[str]) -> LayPiece:
    """A piece as the core takes it; adds to `notes` what was simplified."""
    outline = tuple(p.outline)
    if len(outline) > MOST_VERTICES:
        outline = _simplified(outline, p.fold or p.selvedge)
        notes.append(f"“{p.id}” was simplified from {len(p.outline)} to {len(outline)} points, within {SIMPLIFIED} mm.")
    return LayPiece(
        id=p.id,
        outline=outline,
        cut=p.cut,
        pair=p.pair,
        fold=p.fold,
        grain=p.grain,
        selvedge=p.selvedge,
        border=OnLine(p.border.at, p.border.y) if p.border else None,
        motif=Motif(p.motif.at, tuple(p.motif.places)) if p.motif else None,
        one_way=p.one_way,
        slants=tuple(p.slants),
    )


def _simplified(outline: tuple[Point, ...], edge: tuple[Point, Point] | None) -> tuple[Point, ...]:
    """Fewer vertices; the line begins and ends at `edge`, which stays as it is."""
    at = next((k for k in range(len(outline)) if edge and {outline[k - 1], outline[k]} == set(edge)), 0)
    line = [*outline[at:], *outline[:at]]
    kept = simplify(LineString(line), SIMPLIFIED)
    return tuple((float(x), float(y)) for x, y in kept.coords)


def _check_outline(outline: list[_Pair], where: str) -> None:
    if any(abs(v) > FURTHEST for p in outline for v in p):
        raise DocumentError("A point lies more than a hundred metres away.", "", where)
    left, low, right, high = bounds(outline)
    if max(right - left, high - low) > LONGEST_PIECE:
        raise DocumentError("The outline is longer than twenty metres; no piece is.", "", where)
    if len(outline) < 3 or any(outline[k - 1] == p for k, p in enumerate(outline)):
        raise DocumentError("A point is repeated, or there are fewer than three.", "", where)
    polygon = Polygon(outline)
    if not polygon.is_valid or polygon.area < 1:
        raise DocumentError("It is not a simple polygon with an area.", "", where)


def _check_piece(piece: _Piece, where: str) -> None:
    outline = piece.outline
    _check_outline(outline, f"{where}.outline")
    edges = {frozenset((outline[k - 1], p)) for k, p in enumerate(outline)}
    if piece.selvedge is not None and frozenset(piece.selvedge) not in edges:
        raise DocumentError("It is not an edge of the outline.", "", f"{where}.selvedge")
    if piece.fold is None:
        return
    (_, y0), (_, y1) = piece.fold
    if frozenset(piece.fold) not in edges:
        raise DocumentError("It is not an edge of the outline.", "", f"{where}.fold")
    _, low, _, high = bounds(outline)
    if abs(y0 - y1) > 1e-6:
        raise DocumentError("It is not parallel to the grain.", "", f"{where}.fold")
    if low < y0 - 1e-6 and high > y0 + 1e-6:
        raise DocumentError("The outline lies on both sides of it.", "", f"{where}.fold")


def problem_document(problem: Problem) -> dict[str, Any]:
    cloth = problem.cloth
    has_repeat = cloth.repeat_x is not None or cloth.repeat_y is not None
    return {
        "format": PROBLEM,
        "name": problem.name,
        "cloth": {
            "width": cloth.width,
            "length": cloth.length,
            "selvedge": cloth.selvedge,
            "direction": "one-way" if cloth.one_way else "two-way",
            "repeat": {"x": cloth.repeat_x, "y": cloth.repeat_y} if has_repeat else None,
        },
        "gap": problem.gap,
        "lays": [lay.value for lay in problem.lays],
        "pieces": [
            {
                "id": p.id,
                "outline": [list(q) for q in p.outline],
                "cut": p.cut,
                "pair": p.pair,
                "fold": [list(q) for q in p.fold] if p.fold else None,
                "grain": p.grain.value,
                **({"selvedge": [list(q) for q in p.selvedge]} if p.selvedge else {}),
                **({"border": {"at": list(p.border.at), "y": p.border.y}} if p.border else {}),
                **({"motif": {"at": list(p.motif.at), "places": [list(q) for q in p.motif.places]}} if p.motif else {}),
                **({"one_way": True} if p.one_way else {}),
                **({"slants": list(p.slants)} if p.slants else {}),
            }
            for p in problem.pieces
        ],
        "matches": [
            {
                "axis": m.axis,
                "points": [{"piece": p.piece, "at": list(p.at)} for p in m.points],
                "phase": m.phase,
            }
            for m in problem.matches
        ],
        **({"pins": [_pin_document(pin) for pin in problem.pins]} if problem.pins else {}),
        **({"forbidden": [[list(q) for q in patch] for patch in problem.forbidden]} if problem.forbidden else {}),
    }


def _pin_document(pin: Pin) -> dict[str, Any]:
    return {
        "lay": pin.lay.value,
        "piece": pin.piece,
        "turn": pin.turn,
        "mirrored": pin.mirrored,
        "whole": pin.whole,
        "at": list(pin.at),
    }


def plan_document(plan: Plan) -> dict[str, Any]:
    return {
        "format": PLAN,
        "length": plan.length,
        "stretches": [
            {
                "lay": s.lay.value,
                "depth": s.depth,
                "start": s.start,
                "end": s.end,
                "placements": [
                    {
                        "piece": p.piece,
                        "turn": p.turn,
                        "mirrored": p.mirrored,
                        "whole": p.whole,
                        "at": list(p.at),
                        "outline": list(map(list, p.outline)),
                    }
                    for p in s.placements
                ],
            }
            for s in plan.stretches
        ],
    }


@lru_cache(maxsize=256)
def _known(text: str) -> list[Plan]:
    """Where the plan of a text is remembered: a lay that is changed by hand is written and read at every move."""
    return []


def read_plan_text(text: str) -> Plan:
    """A plan from the text of its document; what was written or read lately is known."""
    known = _known(text)
    if not known:
        known.append(read_plan(from_json(text)))
    return known[0]


def plan_text(plan: Plan) -> str:
    """A plan's document as text."""
    text = to_json(plan_document(plan)).decode()
    _known(text)[:] = [plan]
    return text


def read_plan(document: dict[str, Any]) -> Plan:
    """A plan from its own document, as this application wrote it."""

    def points(rows: list[list[float]]) -> tuple[Point, ...]:
        return tuple((row[0], row[1]) for row in rows)

    return Plan(
        document["length"],
        tuple(
            Stretch(
                lay=LayKind(s["lay"]),
                depth=s["depth"],
                start=s["start"],
                end=s["end"],
                placements=tuple(
                    Placement(
                        piece=p["piece"],
                        turn=p["turn"],
                        mirrored=p["mirrored"],
                        whole=p["whole"],
                        at=(p["at"][0], p["at"][1]),
                        outline=points(p["outline"]),
                    )
                    for p in s["placements"]
                ),
            )
            for s in document["stretches"]
        ),
    )
