"""Undo: every change of the household's records is written down with the statements that take it back.

Triggers on each table write, for every row added, changed or removed, the SQL that restores it; a transaction is one
change. Kept for a day or so. A change can be taken back as long as nothing it touched has been changed again since.
"""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass
from datetime import datetime, timedelta

from rowanseed.core.base.errors import StoreError

KEPT = timedelta(days=1, hours=6)
TRACKED = (
    *("person", "measuring", "measurement", "pattern", "drawing", "project", "project_cloth"),
    *("cloth", "cloth_photo", "cloth_print", "cloth_used"),
    *("tick", "note", "fit_lesson", "kept_lay", "named_lay", "household"),
    *("own_step", "moved_step", "step_state", "step_note", "step_time", "kept_sample"),
)
"""The tables of what people wrote down; answers of searches and summaries are worked out again."""

NAMED = {"person": "name", "cloth": "name", "pattern": "name", "project": "name", "drawing": "filename"}
"""The column that says what a row is called."""
WORDS = {
    "person": "person",
    "measuring": "measurements",
    "measurement": "measurements",
    "cloth": "cloth",
    "cloth_photo": "photo of a cloth",
    "cloth_print": "print of a cloth",
    "pattern": "pattern",
    "drawing": "drawing",
    "project": "project",
    "project_cloth": "cloth of a project",
    "tick": "tick",
    "note": "note",
    "cloth_used": "cloth used",
    "fit_lesson": "what fitting taught",
    "kept_lay": "lay",
    "named_lay": "lay by its name",
    "household": "household",
    "own_step": "step of your own",
    "moved_step": "place of a step",
    "step_state": "step put off or left out",
    "step_note": "note at a step",
    "step_time": "time of a step",
    "kept_sample": "sample",
}
DEEDS = ("added", "changed", "removed")


@dataclass(frozen=True)
class Change:
    """Something that was changed: when, and in words."""

    id: int
    made_at: datetime
    words: str


class ChangedSince(StoreError):
    """What a change touched has been changed again: that comes first."""

    def __init__(self, by: str) -> None:
        super().__init__(by)
        self.by = by

    @property
    def problem(self) -> str:
        return f"It was changed again since: {self.by}."

    @property
    def remedy(self) -> str:
        return "Undo that first."

    def __str__(self) -> str:
        return f"{self.problem} {self.remedy}"


# ---------------------------------------------------------------- writing down


def make_triggers(connection: sqlite3.Connection) -> None:
    """Make the triggers anew from the tables as they are now."""
    for table in TRACKED:
        for deed in DEEDS:
            connection.execute(f"DROP TRIGGER IF EXISTS undo_{deed}_{table}")
        columns = connection.execute(f"PRAGMA table_info({table})").fetchall()
        if not columns:
            continue
        names = [column["name"] for column in columns]
        keys = [column["name"] for column in sorted(columns, key=lambda c: c["pk"]) if column["pk"]]
        for statement in _triggers(table, names, keys):
            connection.execute(statement)


def _triggers(table: str, names: list[str], keys: list[str]) -> tuple[str, ...]:
    """The three triggers of a table with these columns, whose rows are known by `keys`."""

    def where(row: str) -> str:
        return " || ' AND ' || ".join(f"'{key} = ' || quote({row}.{key})" for key in keys)

    values = " || ',' || ".join(f"quote(old.{name})" for name in names)
    sets = " || ', ' || ".join(f"'{name} = ' || quote(old.{name})" for name in names)
    statements = {
        "added": ("INSERT", "new", f"'DELETE FROM {table} WHERE ' || {where('new')}"),
        "changed": ("UPDATE", "old", f"'UPDATE {table} SET ' || {sets} || ' WHERE ' || {where('new')}"),
        "removed": ("DELETE", "old", f"'INSERT INTO {table} ({', '.join(names)}) VALUES (' || {values} || ')'"),
    }
    title = NAMED.get(table)
    out = []
    for deed, (event, row, statement) in statements.items():
        named = f"{row}.{title}" if title in names else "''"
        project = f"{row}.id" if table == "project" else f"{row}.project_id" if "project_id" in names else "NULL"
        out.append(
            f"""
            CREATE TRIGGER undo_{deed}_{table} AFTER {event} ON {table}
            WHEN (SELECT change_id FROM undo_now) IS NOT NULL
            BEGIN
                INSERT INTO undo (change_id, of_table, of_row, project_id, deed, name, statement)
                SELECT change_id, '{table}', {where(row)}, {project}, '{deed}', {named}, {statement} FROM undo_now;
            END
            """
        )
    return tuple(out)


def begin_change(connection: sqlite3.Connection) -> int | None:
    """Have what is written from here on recorded as one change; None for a database that cannot record yet."""
    try:
        row = connection.execute(
            "SELECT max(coalesce((SELECT max(change_id) FROM undo), 0), coalesce((SELECT max(id) FROM change), 0)) + 1"
        ).fetchone()
        connection.execute("UPDATE undo_now SET change_id = ?", (row[0],))
    except sqlite3.OperationalError as error:
        if "no such table" in str(error):
            return None
        raise
    return int(row[0])


def end_change(connection: sqlite3.Connection, change: int) -> None:
    """End a change; one that touched nothing leaves nothing behind."""
    connection.execute("UPDATE undo_now SET change_id = NULL")
    rows = connection.execute(
        "SELECT of_table, deed, name FROM undo WHERE change_id = ? ORDER BY seq", (change,)
    ).fetchall()
    if rows:
        connection.execute(
            "INSERT INTO change (id, made_at, words) VALUES (?, ?, ?)",
            (change, datetime.now().isoformat(sep=" ", timespec="seconds"), _words(connection, change, rows)),
        )


def _words(connection: sqlite3.Connection, change: int, rows: list[sqlite3.Row]) -> str:
    """A change in words, by what stands highest in it: “Cloth “Checked wool” removed”."""
    order = {table: k for k, table in enumerate(TRACKED)}
    named = [row for row in rows if row["name"]]
    first = min(named or rows, key=lambda row: order[row["of_table"]])
    what = WORDS[first["of_table"]]
    name = f" “{first['name'][:60]}”" if first["name"] else ""
    words = f"{what.capitalize()}{name} {first['deed']}"
    if named:
        others = sorted({WORDS[row["of_table"]] for row in rows} - {what})
        return f"{words}, with its {', '.join(others)}" if others else words
    project = connection.execute(
        "SELECT project.name FROM undo JOIN project ON project.id = undo.project_id WHERE change_id = ? LIMIT 1",
        (change,),
    ).fetchone()
    return f"{words}: {project[0]}" if project is not None else words


# ---------------------------------------------------------------- taking back


def changes(connection: sqlite3.Connection) -> list[Change]:
    """What was changed lately, the newest first."""
    rows = connection.execute("SELECT id, made_at, words FROM change ORDER BY id DESC")
    return [Change(row["id"], datetime.fromisoformat(row["made_at"]), row["words"]) for row in rows]


def undo(connection: sqlite3.Connection, change: int) -> str:
    """Take a change back, inside a transaction that records nothing; what it was, in words.

    Raises ChangedSince where something it touched was changed again, StoreError where there is no such change.
    """
    row = connection.execute("SELECT words FROM change WHERE id = ?", (change,)).fetchone()
    if row is None:
        raise StoreError("That change is no longer kept.")
    later = connection.execute(
        """
        SELECT change.words FROM undo AS mine
        JOIN undo AS later ON later.of_table = mine.of_table AND later.of_row = mine.of_row
        JOIN change ON change.id = later.change_id
        WHERE mine.change_id = ? AND later.change_id > ? LIMIT 1
        """,
        (change, change),
    ).fetchone()
    if later is not None:
        raise ChangedSince(later["words"])
    connection.execute("PRAGMA defer_foreign_keys = ON")
    statements = connection.execute(
        "SELECT statement FROM undo WHERE change_id = ? ORDER BY seq DESC", (change,)
    ).fetchall()
    try:
        for statement in statements:
            connection.execute(statement["statement"])
    except sqlite3.IntegrityError:
        raise ChangedSince("something else took its place") from None
    if connection.execute("PRAGMA foreign_key_check").fetchone() is not None:
        raise ChangedSince("something it belongs to was put away, or belongs to it now")
    connection.execute("DELETE FROM undo WHERE change_id = ?", (change,))
    connection.execute("DELETE FROM change WHERE id = ?", (change,))
    return str(row["words"])


def forget_old(connection: sqlite3.Connection, now: datetime) -> None:
    """Let go of changes that are too old to be taken back, inside a transaction."""
    oldest = (now - KEPT).isoformat(sep=" ", timespec="seconds")
    connection.execute("DELETE FROM undo WHERE change_id IN (SELECT id FROM change WHERE made_at < ?)", (oldest,))
    connection.execute("DELETE FROM change WHERE made_at < ?", (oldest,))
    connection.execute("DELETE FROM sent WHERE sent_at < datetime('now', '-2 days')")
