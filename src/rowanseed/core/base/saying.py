"""Putting an error into words: lengths in the household's units, pieces by their names."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.errors import Refused, RowanseedError
from rowanseed.core.base.units import Units, format_length


@dataclass(frozen=True)
class Said:
    """An error in whole sentences; `where` names the place at fault, or is empty."""

    problem: str
    remedy: str = ""
    where: str = ""

    def __str__(self) -> str:
        return f"{self.problem} {self.remedy}".strip()


def said(error: RowanseedError, units: Units, names: Mapping[str, str] | None = None) -> Said:
    """An error as the sewist reads it. `names` maps ids of pieces to their names."""
    if not isinstance(error, Refused):
        return Said(error.problem, error.remedy, error.where)
    lengths, pieces = error.lengths(), error.pieces()
    values = {
        key: format_length(value, units, fine=True)
        if key in lengths
        else (names or {}).get(value, value)
        if key in pieces
        else value
        for key, value in error.values().items()
    }
    return Said(*(template.format(**values) for template in (error.PROBLEM, error.REMEDY, error.WHERE)))
