"""Patterns, kept as documents of the open format, and drawings that wait to become patterns."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date
from functools import lru_cache

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.formats.pattern_json import read_pattern, write_pattern
from rowanseed.store.broken import BrokenRow, read_each
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class PatternEntry:
    id: int
    name: str
    added_on: str
    described: bool = False
    """Whether it was composed from a description."""


def patterns(connection: Connection) -> list[PatternEntry]:
    rows = connection.execute(
        """
        SELECT id, name, added_on, instr(document, '"rowanseed-description/') > 0 AS described
        FROM pattern ORDER BY name
        """
    )
    return [PatternEntry(row["id"], row["name"], row["added_on"], bool(row["described"])) for row in rows]


def broken_patterns(connection: Connection) -> list[BrokenRow]:
    """The patterns that cannot be read."""
    rows = connection.execute("SELECT id, name, document FROM pattern ORDER BY name")
    return read_each(rows, lambda row: _read(row["document"]), "pattern")[1]


def pattern_document(connection: Connection, id: int) -> str | None:
    row = connection.execute("SELECT document FROM pattern WHERE id = ?", (id,)).fetchone()
    return None if row is None else str(row["document"])


def pattern(connection: Connection, id: int) -> Pattern | None:
    document = pattern_document(connection, id)
    return None if document is None else _read(document)


@lru_cache(maxsize=256)
def _read(document: str) -> Pattern:
    return read_pattern(document)


def add_pattern(connection: Connection, new: Pattern, today: date) -> int:
    with transaction(connection):
        cursor = connection.execute(
            "INSERT INTO pattern (name, document, added_on) VALUES (?, ?, ?)",
            (new.name, write_pattern(new), today.isoformat()),
        )
    return int(cursor.lastrowid or 0)


def change_pattern(connection: Connection, id: int, changed: Pattern) -> bool:
    """Keep a pattern as it is known by now. False where there is none."""
    with transaction(connection):
        cursor = connection.execute(
            "UPDATE pattern SET name = ?, document = ? WHERE id = ?", (changed.name, write_pattern(changed), id)
        )
    return cursor.rowcount > 0


def add_drawing(connection: Connection, filename: str, svg: bytes, read: bytes, today: date) -> int:
    """Keep a drawing that waits, as it came and as it was read."""
    with transaction(connection):
        cursor = connection.execute(
            "INSERT INTO drawing (filename, svg, read, added_on) VALUES (?, ?, ?, ?)",
            (filename, svg, read, today.isoformat()),
        )
    return int(cursor.lastrowid or 0)


def drawing(connection: Connection, id: int) -> tuple[str, bytes, bytes | None] | None:
    """(file name, SVG, as it was read) of a drawing that waits."""
    row = connection.execute("SELECT filename, svg, read FROM drawing WHERE id = ?", (id,)).fetchone()
    return None if row is None else (row["filename"], row["svg"], row["read"])


def forget_drawing(connection: Connection, id: int) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM drawing WHERE id = ?", (id,))


def rename_pattern(connection: Connection, id: int, name: str) -> bool:
    """Call a pattern otherwise, in its document too. False where there is none."""
    with transaction(connection):
        document = pattern_document(connection, id)
        if document is None:
            return False
        text = write_pattern(replace(_read(document), name=name))
        connection.execute("UPDATE pattern SET name = ?, document = ? WHERE id = ?", (name, text, id))
    return True


def remove_pattern(connection: Connection, id: int) -> bool:
    """Take a pattern off the shelf for good. False where a project is sewn from it."""
    with transaction(connection):
        if connection.execute("SELECT 1 FROM project WHERE pattern_id = ?", (id,)).fetchone() is not None:
            return False
        connection.execute("DELETE FROM pattern WHERE id = ?", (id,))
    return True
