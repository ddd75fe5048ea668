"""A pattern with some of its sizes."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import TypeVar

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece

Value = TypeVar("Value")


def only_sizes(pattern: Pattern, sizes: Sequence[str]) -> Pattern:
    """The same pattern with these of its sizes, in this order."""

    def row(values: Mapping[str, Value]) -> dict[str, Value]:
        return {size: values[size] for size in sizes if size in values}

    def piece(one: Piece) -> Piece:
        return replace(
            one,
            shapes=row(one.shapes),
            marks=tuple(replace(m, distance=row(m.distance)) for m in one.marks),
            darts=tuple(replace(d, point=row(d.point)) for d in one.darts),
            lines=tuple(replace(line, ends=row(line.ends)) for line in one.lines),
            points=tuple(replace(p, at=row(p.at)) for p in one.points),
        )

    finished = pattern.envelope.finished
    envelope = replace(
        pattern.envelope,
        sizes=tuple(sizes),
        body_chart={name: row(values) for name, values in pattern.envelope.body_chart.items()},
        finished={view: {name: row(values) for name, values in rows.items()} for view, rows in finished.items()},
        yardage=tuple(line for line in pattern.envelope.yardage if line.size in sizes),
    )
    return replace(pattern, envelope=envelope, pieces=tuple(piece(one) for one in pattern.pieces))
