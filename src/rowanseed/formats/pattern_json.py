"""Read and write `rowanseed-pattern/2`, documented in docs/formats/pattern.md."""

from __future__ import annotations

import json
from collections.abc import Sequence
from enum import Enum
from typing import Any, TypeVar

from pydantic import ValidationError

from rowanseed.core.base.errors import PatternError
from rowanseed.core.geometry.outline import Chain, Point, Segment
from rowanseed.core.pattern.check import check
from rowanseed.core.pattern.envelope import Envelope, PrintedNotion, PrintedYardage, View
from rowanseed.core.pattern.making import (
    BookletStep,
    Closure,
    Detail,
    Difference,
    EdgePart,
    Finish,
    Join,
    Layer,
    Making,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import (
    Cut,
    Dart,
    Derived,
    EdgeSpec,
    InnerLine,
    InnerPoint,
    Mark,
    OneSided,
    Piece,
    Shape,
)
from rowanseed.formats.in_words import in_words
from rowanseed.formats.pattern_models import MakingModel, PartModel, PatternModel, PieceModel, Row, SizeModel
from rowanseed.formats.wording import PATTERN, in_ids

FORMAT = "rowanseed-pattern/2"
BEFORE = "rowanseed-pattern/1"
Kind = TypeVar("Kind", bound=Enum)


# ---------------------------------------------------------------- reading


def read_pattern(text: str | bytes) -> Pattern:
    """Read and fully validate a pattern document.

    Raises PatternError naming the field, or the piece, size and edge, at fault.
    """
    try:
        document = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise PatternError("The file is not JSON.", f"What was said: {error}.") from None
    if isinstance(document, dict) and document.get("format") == BEFORE:
        document = _from_1(document)
    if not isinstance(document, dict) or document.get("format") != FORMAT:
        raise PatternError(
            "The file does not say that it is a Rowanseed pattern.",
            f'It has to begin with "format": "{FORMAT}".',
            "format",
        )
    try:
        model = PatternModel.model_validate(document)
    except ValidationError as error:
        first = error.errors()[0]
        raise PatternError(in_words(first), "", _place(document, first["loc"])) from None
    pattern = _to_core(model)
    check(pattern)
    return pattern


def _from_1(document: dict[str, Any]) -> dict[str, Any]:
    """Kinds were named by their wording, and collars were known by their ids."""
    worded: dict[str, Any] = in_ids(document, PATTERN)
    pieces = worded.get("pieces")
    if isinstance(pieces, list):
        worded["pieces"] = [
            {"collar": "collar" in str(piece.get("id")), **piece} if isinstance(piece, dict) else piece
            for piece in pieces
        ]
    return {**worded, "format": FORMAT}


def _place(document: Any, path: Sequence[int | str]) -> str:
    """A field's place in words: list positions are told by the name or id standing there."""
    words, here = [], document
    for step in path:
        try:
            here = here[step]
        except (KeyError, IndexError, TypeError):
            here = None
        if isinstance(step, int) and isinstance(here, dict):
            words.append(f"“{here.get('name') or here.get('id') or step + 1}”")
        else:
            words.append(str(step))
    return ", ".join(words)


def _to_core(model: PatternModel) -> Pattern:
    sizes = tuple(model.envelope.sizes)
    envelope = model.envelope
    return Pattern(
        name=model.name,
        house=model.house,
        code=model.code,
        garment=model.garment,
        envelope=Envelope(
            views=tuple(View(v.id, v.name, v.below) for v in envelope.views),
            sizes=sizes,
            sized_by=tuple(envelope.sized_by),
            body_chart=envelope.body_chart,
            finished=envelope.finished,
            yardage=tuple(PrintedYardage(**dict(y)) for y in envelope.yardage),
            notions=tuple(PrintedNotion(**dict(n)) for n in envelope.notions),
            figure=envelope.figure,
            fabrics=tuple(envelope.fabrics),
            runs=envelope.runs,
            cloth=envelope.cloth,
            stretch=envelope.stretch,
        ),
        pieces=tuple(_piece(piece, sizes) for piece in model.pieces),
        making=_making(model.making),
        description="" if model.description is None else json.dumps(model.description, ensure_ascii=False),
        assumed=tuple(model.assumed),
    )


def _piece(model: PieceModel, sizes: tuple[str, ...]) -> Piece:
    return Piece(
        id=model.id,
        name=model.name,
        number=model.number,
        drawn=model.drawn,
        edges=tuple(EdgeSpec(e.name, e.allowance, e.corner) for e in model.edges),
        shapes={size: _shape(model, size, shape) for size, shape in model.sizes.items()},
        cuts=tuple(Cut(**{**dict(cut), "views": tuple(cut.views)}) for cut in model.cuts),
        marks=tuple(
            Mark(
                m.id,
                m.kind,
                m.edge,
                m.anchor,
                m.distance if isinstance(m.distance, dict) else dict.fromkeys(sizes, m.distance),
            )
            for m in model.marks
        ),
        darts=tuple(Dart(d.id, d.edge, d.legs, d.point, d.taken) for d in model.darts),
        lines=tuple(InnerLine(line.id, line.kind, line.ends) for line in model.lines),
        points=tuple(InnerPoint(point.id, point.kind, point.at, point.hand) for point in model.points),
        one_sided=tuple(OneSided(o.id, o.mark, o.hand, o.deep, o.long, o.taken) for o in model.one_sided),
        panel=model.panel,
        collar=model.collar,
        derived=Derived(**dict(model.derived)) if model.derived else None,
        garment=model.garment,
        approximate=model.approximate,
        drawn_on=model.drawn_on,
    )


def _shape(piece: PieceModel, size: str, model: SizeModel) -> Shape:
    edges = {
        name: _chain(rows, f"Piece “{piece.name}”, size {size}, edge “{name}”") for name, rows in model.edges.items()
    }
    ordered = {edge.name: edges[edge.name] for edge in piece.edges if edge.name in edges}
    return Shape({**ordered, **edges}, model.grainline)


def _chain(rows: list[Row], where: str) -> Chain:
    if len(rows) < 2 or len(rows[0]) != 2:
        raise PatternError("An edge is a start point and at least one segment.", "", where)
    at: Point = (rows[0][0], rows[0][1])
    chain = []
    for row in rows[1:]:
        if len(row) == 2:
            segment = Segment(at, (row[0], row[1]))
        elif len(row) == 6:
            segment = Segment(start=at, end=(row[4], row[5]), control1=(row[0], row[1]), control2=(row[2], row[3]))
        else:
            raise PatternError("A segment has two numbers (straight) or six (curved).", "", where)
        if any(abs(number) > 20_000 for number in row):
            raise PatternError("A point lies more than 20 m away.", "Lengths are in millimetres.", where)
        chain.append(segment)
        at = segment.end
    return tuple(chain)


def _making(model: MakingModel) -> Making:
    return Making(
        joins=tuple(
            Join(
                id=j.id,
                name=j.name,
                a=_parts(j.a),
                b=_parts(j.b),
                difference=Difference(j.difference.kind, j.difference.amount),
                align=j.align,
                sewn_from=j.sewn_from,
                press=j.press,
                each_hand=j.each_hand,
                why=j.why,
            )
            for j in model.joins
        ),
        closures=tuple(Closure(c.id, c.kind, c.join, c.to_mark, c.from_mark) for c in model.closures),
        finishes=tuple(Finish(f.id, f.name, f.kind, _parts(f.parts), tuple(f.folds)) for f in model.finishes),
        layers=tuple(Layer(layer.kind, layer.piece, layer.of) for layer in model.layers),
        details=tuple(
            Detail(
                id=d.id,
                name=d.name,
                kind=d.kind,
                pieces=tuple(d.pieces),
                on=tuple(d.on),
                along=tuple(d.along),
                to_mark=d.to_mark,
                count=d.count,
                width=d.width,
            )
            for d in model.details
        ),
        ways=tuple(model.ways),
        booklet=tuple(BookletStep(b.number, tuple(b.about)) for b in model.booklet),
    )


def _parts(models: list[PartModel]) -> tuple[EdgePart, ...]:
    return tuple(EdgePart(p.piece, p.edge, p.hand, p.from_mark, p.to_mark) for p in models)


# ---------------------------------------------------------------- writing


def write_pattern(pattern: Pattern) -> str:
    """A pattern as a JSON document; reading it gives the same pattern, to 0.0001 mm."""
    return json.dumps(pattern_document(pattern), ensure_ascii=False, indent=1)


def pattern_document(pattern: Pattern) -> dict[str, Any]:
    envelope = _plain(pattern.envelope)
    return {
        "format": FORMAT,
        "name": pattern.name,
        "house": pattern.house,
        "code": pattern.code,
        "garment": pattern.garment,
        "envelope": envelope,
        "pieces": [_piece_document(piece) for piece in pattern.pieces],
        "making": _plain(pattern.making),
        **({"description": json.loads(pattern.description)} if pattern.description else {}),
        **({"assumed": [list(pair) for pair in pattern.assumed]} if pattern.assumed else {}),
    }


def _piece_document(piece: Piece) -> dict[str, Any]:
    return {
        "id": piece.id,
        "name": piece.name,
        "number": piece.number,
        "drawn": piece.drawn.value,
        "edges": [_plain(edge) for edge in piece.edges],
        "sizes": {
            size: {
                "edges": {name: _rows(chain) for name, chain in shape.edges.items()},
                "grainline": [_rounded(p) for p in shape.grainline],
            }
            for size, shape in piece.shapes.items()
        },
        "cuts": [_plain(cut) for cut in piece.cuts],
        "marks": [{("from" if k == "anchor" else k): v for k, v in _plain(mark).items()} for mark in piece.marks],
        "darts": [_plain(dart) for dart in piece.darts],
        "lines": [_plain(line) for line in piece.lines],
        "points": [_plain(point) for point in piece.points],
        **({"one_sided": [_plain(one) for one in piece.one_sided]} if piece.one_sided else {}),
        "panel": piece.panel.value,
        "collar": piece.collar,
        "derived": _plain(piece.derived),
        "garment": piece.garment,
        **({"approximate": True} if piece.approximate else {}),
        "drawn_on": piece.drawn_on,
    }


def _rows(chain: Chain) -> list[Row]:
    rows = [_rounded(chain[0].start)]
    for s in chain:
        if s.control1 is not None and s.control2 is not None:
            rows.append([*_rounded(s.control1), *_rounded(s.control2), *_rounded(s.end)])
        else:
            rows.append(_rounded(s.end))
    return rows


def _rounded(point: Point) -> Row:
    return [round(point[0], 4), round(point[1], 4)]


def _plain(value: Any) -> Any:
    """A record of the core as JSON values."""
    if isinstance(value, Enum):
        return value.value
    if isinstance(value, float):
        return round(value, 4)
    if hasattr(value, "__dataclass_fields__"):
        return {name: _plain(getattr(value, name)) for name in value.__dataclass_fields__}
    if isinstance(value, dict):
        return {key: _plain(item) for key, item in value.items()}
    if isinstance(value, list | tuple):
        return [_plain(item) for item in value]
    return value
