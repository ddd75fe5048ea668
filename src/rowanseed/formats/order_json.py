"""Write `rowanseed-order/1`, the order of work, and the garment it is played on; see docs/formats/order.md."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from rowanseed.core.make.compiler import Gap
from rowanseed.core.make.operation import Operation
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.formats.pattern_json import BEFORE, pattern_document
from rowanseed.formats.wording import PATTERN

FORMAT = "rowanseed-order/1"


def order_document(
    operations: Sequence[Operation], *, size: str, view: str, garment: str, gaps: Sequence[Gap] = ()
) -> dict[str, Any]:
    """An order of work; `garment` is the file name of the garment's document."""
    return {
        "format": FORMAT,
        "garment": garment,
        "size": size,
        "view": view,
        "operations": [_operation(op) for op in operations],
        "gaps": [{"id": gap.id, "said": gap.said} for gap in gaps],
    }


def _operation(op: Operation) -> dict[str, Any]:
    on = op.on
    written: dict[str, Any] = {
        "id": op.id,
        "technique": op.technique,
        "act": op.act.words,
        "on": {
            "pieces": list(on.pieces),
            "joins": list(on.joins),
            "finishes": list(on.finishes),
            "closures": list(on.closures),
            "gates": list(on.gates),
            "edges": [[shown.piece, shown.edge] for shown in on.edges],
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
