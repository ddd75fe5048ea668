"""A whole household out of the database, and in again."""

from __future__ import annotations

import sqlite3
from collections.abc import Mapping, Sequence
from typing import Any

from rowanseed.core.base.errors import DocumentError, RowanseedError
from rowanseed.formats.cloth_choices_json import read_cloth_choices
from rowanseed.formats.cloth_json import read_cloth
from rowanseed.formats.fit_json import read_fit
from rowanseed.formats.household_zip import SAID, Rows
from rowanseed.formats.pattern_json import read_pattern
from rowanseed.formats.workroom_json import read_workroom
from rowanseed.store.database import Connection, transaction
from rowanseed.store.undo import TRACKED


def household_rows(connection: Connection) -> Rows:
    """Everything people wrote down, table by table; what is worked out is left out, since it is worked out again."""
    return {
        table: [dict(row) for row in connection.execute(f"SELECT * FROM {table} ORDER BY 1")]
        for table in TRACKED
        if _columns(connection, table)
    }


def take_in(connection: Connection, rows: Rows) -> None:
    """Replace the whole household by these records, or leave it as it is. Raises DocumentError naming the record."""
    _read_documents(rows)
    with transaction(connection, recorded=False):
        connection.execute("PRAGMA defer_foreign_keys = ON")
        for table in reversed(TRACKED):
            connection.execute(f"DELETE FROM {table}")
        for table in ("change", "undo", "open_search", "project_question", "project_summary"):
            connection.execute(f"DELETE FROM {table}")
        for table in TRACKED:
            for k, row in enumerate(rows.get(table, ()), start=1):
                _insert(connection, table, row, k)
        if connection.execute("SELECT 1 FROM household").fetchone() is None:
            raise DocumentError(SAID, "It does not say the household's own habits.", "household")
        astray = connection.execute("PRAGMA foreign_key_check").fetchone()
        if astray is not None:
            raise DocumentError(SAID, "A record refers to one that is not in it.", str(astray["table"]))


def _read_documents(rows: Rows) -> None:
    readers: Mapping[tuple[str, str], Any] = {
        ("cloth", "document"): read_cloth,
        ("pattern", "document"): read_pattern,
        ("household", "workroom"): read_workroom,
        ("project", "fit"): read_fit,
        ("project", "cloth_choices"): read_cloth_choices,
    }
    for (table, column), read in readers.items():
        for k, row in enumerate(rows.get(table, ()), start=1):
            try:
                read(row.get(column) or "")
            except RowanseedError as error:
                raise DocumentError(SAID, str(error), f"{table}, {k}") from None


def _columns(connection: Connection, table: str) -> Sequence[str]:
    return [row["name"] for row in connection.execute(f"PRAGMA table_info({table})")]


def _insert(connection: Connection, table: str, row: Mapping[str, Any], k: int) -> None:
    where = f"{table}, {k}"
    known = [name for name in _columns(connection, table) if name in row]
    if len(known) < len(row):
        raise DocumentError(
            SAID, f"It has fields that are not known: {', '.join(sorted(set(row) - set(known)))}.", where
        )
    holes = ", ".join("?" for _ in known)
    try:
        connection.execute(f"INSERT INTO {table} ({', '.join(known)}) VALUES ({holes})", [row[name] for name in known])
    except (sqlite3.Error, OverflowError) as error:
        raise DocumentError(SAID, f"A record cannot be kept: {error}.", where) from None
