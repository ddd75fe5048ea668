"""Write `rowanseed-order/1`, the order of work, and the garment it is played on; see docs/formats/order.md."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from rowanseed.core.make.compiler import Gap
from rowanseed.core.make.facts import SubjectKind
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.formats.pattern_json import BEFORE, pattern_document
from rowanseed.formats.wording import PATTERN

FORMAT = "rowanseed-order/1"


def order_document(
    operations: Sequence[Operation], *, pattern: Pattern, size: str, view: str, garment: str, gaps: Sequence[Gap] = ()
) -> dict[str, Any]:
    """An order of work on a pattern as it is made; `garment` is the file name of the garment's document."""
    hands_apart = _hands_apart(pattern)
    return {
        "format": FORMAT,
        "garment": garment,
        "size": size,
        "view": view,
        "operations": [_operation(op, hands_apart) for op in operations],
        "gaps": [{"id": gap.id, "said": gap.said} for gap in gaps],
    }


def _hands_apart(pattern: Pattern) -> dict[tuple[str, str], set[str]]:
    """Edges of which left and right are sewn in seams of their own, and these seams."""
    out: dict[tuple[str, str], set[str]] = {}
    for join in pattern.making.joins:
        for part in (*join.a, *join.b):
            if part.hand:
                out.setdefault((part.piece, part.edge), set()).add(join.id)
    return {edge: joins for edge, joins in out.items() if len(joins) > 1}


def _neatened(op: Operation) -> tuple[str, ...]:
    """The seams whose raw edges an operation binds: among the model's acts that is to neaten them, not to sew them."""
    if op.act is not Act.BIND or op.on.joins or op.on.finishes:
        return ()
    return tuple(state.of.id for state in op.gives if state.of.kind is SubjectKind.JOIN)


def _edges(op: Operation, joins: set[str], hands_apart: Mapping[tuple[str, str], set[str]]) -> list[list[str]]:
    """The edges worked on. An edge has no hand here: where an operation is on one of the two seams that sew its hands,
    the seam alone says where."""
    edges = dict.fromkeys((shown.piece, shown.edge) for shown in op.on.edges)
    return [[*edge] for edge in edges if not joins & hands_apart.get(edge, set()) or hands_apart[edge] <= joins]


def _operation(op: Operation, hands_apart: Mapping[tuple[str, str], set[str]]) -> dict[str, Any]:
    on, neatened = op.on, _neatened(op)
    joins = neatened or on.joins
    written: dict[str, Any] = {
        "id": op.id,
        "technique": op.technique,
        "act": Act.NEATEN.words if neatened else op.act.words,
        "on": {
            "pieces": list(on.pieces),
            "joins": list(joins),
            "finishes": list(on.finishes),
            "closures": list(on.closures),
            "gates": list(on.gates),
            "edges": _edges(op, set(joins), hands_apart),
        },
        "title": op.title,
        "how": list(op.how),
        "look": op.look,
        "caution": op.caution,
        "booklet": op.booklet,
        "why_now": [need.why for need in op.needs],
        "bench": op.bench.words,
        "setup": None if op.setting is None else dict(vars(op.setting)),
        "needs": [{"operation": need.step, "must": need.must, "why": need.why} for need in op.needs],
        "temporary": list(op.leaves),
        "removes": list(op.removes),
        "set": list(op.sets),
        "set_back": list(op.sets_back),
        "minutes": list(op.minutes),
        "waits": op.waits,
        "uses": [{"what": use.supply.words, "mm": round(use.mm, 1), "count": use.count} for use in op.uses],
    }
    written |= {meant.value.replace("-", "_"): True for meant in sorted(op.meant, key=lambda m: m.value)}
    if op.way:
        written["way"] = op.way
    return written


def garment_document(pattern: Pattern) -> dict[str, Any]:
    """The garment as made, as a `rowanseed-pattern/1` document, in which kinds are named by their wording."""
    words = {key: {id: said for said, id in named.items()} for key, named in PATTERN.items()}
    return {**_in_words(pattern_document(pattern), words, ""), "format": BEFORE}


def _in_words(value: Any, words: dict[str, dict[str, str]], key: str) -> Any:
    match value:
        case dict():
            return {name: _in_words(inner, words, str(name)) for name, inner in value.items()}
        case list():
            return [_in_words(inner, words, key) for inner in value]
        case str():
            return words.get(key, {}).get(value, value)
        case _:
            return value
