"""Rows that cannot be read: one of them never hides the others."""

from __future__ import annotations

import logging
import sqlite3
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import TypeVar

from rowanseed.core.base.errors import RowanseedError

log = logging.getLogger("rowanseed.store")

T = TypeVar("T")


@dataclass(frozen=True)
class BrokenRow:
    """A row whose document cannot be read: what it is of, its number, its name, and what is wrong in words."""

    what: str
    id: int
    name: str
    said: str


def read_each(
    rows: Iterable[sqlite3.Row], read: Callable[[sqlite3.Row], T], what: str
) -> tuple[list[T], list[BrokenRow]]:
    """Every row that can be read, and those that cannot. Rows have `id` and `name`; `what` they are of."""
    found: list[T] = []
    broken: list[BrokenRow] = []
    for row in rows:
        try:
            found.append(read(row))
        except (RowanseedError, ValueError) as error:
            log.warning("a row cannot be read", extra={"what": what, "id": row["id"], "error": str(error)})
            broken.append(BrokenRow(what, row["id"], row["name"], str(error)))
    return found, broken
