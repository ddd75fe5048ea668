"""A garment in the one size it is made in: what was altered for it does not fit the others."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import TypeVar

from rowanseed.core.pattern.envelope import Envelope
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece

T = TypeVar("T")


def in_one_size(pattern: Pattern, size: str) -> Pattern:
    """The pattern with nothing of other sizes; no longer what its description says, if it was composed."""
    return replace(
        pattern,
        envelope=_envelope(pattern.envelope, size),
        pieces=tuple(_piece(piece, size) for piece in pattern.pieces),
        description="",
        assumed=(),
    )


def _envelope(envelope: Envelope, size: str) -> Envelope:
    return replace(
        envelope,
        sizes=(size,),
        body_chart={measure: _one(chart, size) for measure, chart in envelope.body_chart.items()},
        finished={
            view: {measure: _one(chart, size) for measure, chart in charts.items()}
            for view, charts in envelope.finished.items()
        },
        yardage=tuple(line for line in envelope.yardage if line.size == size),
    )


def _piece(piece: Piece, size: str) -> Piece:
    return replace(
        piece,
        shapes=_one(piece.shapes, size),
        marks=tuple(replace(mark, distance=_one(mark.distance, size)) for mark in piece.marks),
        darts=tuple(replace(dart, point=_one(dart.point, size)) for dart in piece.darts),
        lines=tuple(replace(line, ends=_one(line.ends, size)) for line in piece.lines),
        points=tuple(replace(point, at=_one(point.at, size)) for point in piece.points),
    )


def _one(by_size: Mapping[str, T], size: str) -> dict[str, T]:
    return {name: value for name, value in by_size.items() if name == size}
