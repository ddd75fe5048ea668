"""The cloth shelf: cloths as documents, what was cut from which, photos."""

from __future__ import annotations

import sqlite3
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from rowanseed.core.base.errors import ChangedMeanwhile, NotThere
from rowanseed.core.cloth.cloth import Cloth, PrintedCloth
from rowanseed.formats.cloth_json import read_cloth, write_cloth
from rowanseed.store.broken import BrokenRow, read_each
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class ClothEntry:
    """A cloth of the shelf: the cloth it is a remainder of, and the project that it was cut up for."""

    id: int
    cloth: Cloth
    cut_from: int | None = None
    cut_by: int | None = None
    has_photo: bool = False
    has_print: bool = False
    revision: int = 1
    """Counts every change, so that none is lost between two windows."""


_SELECT = """
    SELECT id, name, document, cut_from, cut_by, revision,
        EXISTS (SELECT 1 FROM cloth_photo WHERE cloth_id = id) AS has_photo,
        EXISTS (SELECT 1 FROM cloth_print WHERE cloth_id = id) AS has_print
    FROM cloth
"""


def cloths(connection: Connection) -> list[ClothEntry]:
    """What is on the shelf and can be read; cloths that have been cut up are not."""
    return _on_shelf(connection)[0]


def broken_cloths(connection: Connection) -> list[BrokenRow]:
    """What is on the shelf and cannot be read."""
    return _on_shelf(connection)[1]


def _on_shelf(connection: Connection) -> tuple[list[ClothEntry], list[BrokenRow]]:
    return read_each(connection.execute(f"{_SELECT} WHERE cut_by IS NULL ORDER BY name"), _entry, "cloth")


def cloth(connection: Connection, id: int) -> ClothEntry | None:
    row = connection.execute(f"{_SELECT} WHERE id = ?", (id,)).fetchone()
    return None if row is None else _entry(row)


@lru_cache(maxsize=256)
def _read(document: str) -> Cloth:
    return read_cloth(document)


def _entry(row: sqlite3.Row) -> ClothEntry:
    cloth = _read(row["document"])
    if row["has_print"]:
        cloth = PrintedCloth(**vars(cloth), print_at=f"/cloths/{row['id']}/print.jpg?{row['revision']}")
    return ClothEntry(
        id=row["id"],
        cloth=cloth,
        cut_from=row["cut_from"],
        cut_by=row["cut_by"],
        has_photo=bool(row["has_photo"]),
        has_print=bool(row["has_print"]),
        revision=row["revision"],
    )


def save_cloth(connection: Connection, id: int | None, c: Cloth, *, revision: int | None = None) -> int:
    """Keep a cloth; with `revision` only if nothing was changed since that one was shown.

    Raises ChangedMeanwhile, NotThere.
    """
    with transaction(connection):
        if id is not None:
            kept = connection.execute("SELECT revision FROM cloth WHERE id = ?", (id,)).fetchone()
            if kept is None:
                raise NotThere("cloth")
            if revision is not None and revision != kept["revision"]:
                raise ChangedMeanwhile
        return _save(connection, id, c, None)


def _save(connection: Connection, id: int | None, c: Cloth, cut_from: int | None) -> int:
    if id is None:
        cursor = connection.execute(
            "INSERT INTO cloth (name, document, cut_from) VALUES (?, ?, ?)", (c.name, write_cloth(c), cut_from)
        )
        return int(cursor.lastrowid or 0)
    connection.execute(
        "UPDATE cloth SET name = ?, document = ?, revision = revision + 1 WHERE id = ?", (c.name, write_cloth(c), id)
    )
    return id


# ---------------------------------------------------------------- cutting up, and what is left


def cut_up(connection: Connection, id: int, project_id: int, left: Sequence[Cloth]) -> None:
    """Take a cloth off the shelf, cut up for a project, and put on it what is left."""
    with transaction(connection):
        connection.execute("UPDATE cloth SET cut_by = ? WHERE id = ?", (project_id, id))
        for rest in left:
            _save(connection, None, rest, id)


def is_in_use(connection: Connection, id: int) -> bool:
    """Whether a project cuts from this cloth, or something was cut up from what it left."""
    row = connection.execute(
        """
        SELECT EXISTS (SELECT 1 FROM project_cloth WHERE cloth_id = ?)
            OR EXISTS (SELECT 1 FROM cloth WHERE cut_from = ?) OR EXISTS (SELECT 1 FROM cloth WHERE id = ? AND
        cut_by IS NOT NULL)
        """,
        (id, id, id),
    ).fetchone()
    return bool(row[0])


def remainders_of(connection: Connection, id: int) -> list[ClothEntry]:
    return [_entry(row) for row in connection.execute(f"{_SELECT} WHERE cut_from = ? ORDER BY id", (id,))]


def put_back(connection: Connection, id: int) -> bool:
    """Undo cutting up: the cloth is whole again, its remainders gone. False where one of them is in use already."""
    with transaction(connection):
        rest = remainders_of(connection, id)
        if any(is_in_use(connection, entry.id) for entry in rest):
            return False
        connection.executemany("DELETE FROM cloth WHERE id = ?", [(entry.id,) for entry in rest])
        connection.execute("UPDATE cloth SET cut_by = NULL WHERE id = ?", (id,))
    return True


def throw_away(connection: Connection, id: int) -> bool:
    """Take a cloth off the shelf for good. False where something hangs on it."""
    with transaction(connection):
        if is_in_use(connection, id):
            return False
        connection.execute("DELETE FROM cloth WHERE id = ?", (id,))
    return True


# ---------------------------------------------------------------- photos


def photo(connection: Connection, id: int) -> bytes | None:
    row = connection.execute("SELECT jpeg FROM cloth_photo WHERE cloth_id = ?", (id,)).fetchone()
    return None if row is None else bytes(row["jpeg"])


def keep_photo(connection: Connection, id: int, jpeg: bytes | None) -> None:
    """Keep a photo of a cloth, or with None let it go."""
    with transaction(connection):
        connection.execute("DELETE FROM cloth_photo WHERE cloth_id = ?", (id,))
        if jpeg is not None:
            connection.execute("INSERT INTO cloth_photo (cloth_id, jpeg) VALUES (?, ?)", (id, jpeg))


def print_of(connection: Connection, id: int) -> bytes | None:
    """A picture of one block of the cloth's repeat."""
    row = connection.execute("SELECT jpeg FROM cloth_print WHERE cloth_id = ?", (id,)).fetchone()
    return None if row is None else bytes(row["jpeg"])


def keep_print(connection: Connection, id: int, c: Cloth, jpeg: bytes | None) -> None:
    """Keep the print of a cloth together with the repeat it was straightened on, or with None let it go."""
    with transaction(connection):
        _save(connection, id, c, None)
        connection.execute("DELETE FROM cloth_print WHERE cloth_id = ?", (id,))
        if jpeg is not None:
            connection.execute("INSERT INTO cloth_print (cloth_id, jpeg) VALUES (?, ?)", (id, jpeg))
