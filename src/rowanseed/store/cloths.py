"""The cloth shelf."""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass

from rowanseed.core.cloth import Cloth, Direction, Fibre, Surface
from rowanseed.store.database import Connection, transaction

_COLUMNS = "name, width, length, selvedge, direction, fibre, shrink_along, shrink_across, washed, colour, surface"


@dataclass(frozen=True)
class ClothEntry:
    id: int
    cloth: Cloth


def cloths(connection: Connection) -> list[ClothEntry]:
    rows = connection.execute(f"SELECT id, {_COLUMNS} FROM cloth ORDER BY name")
    return [_entry(row) for row in rows]


def cloth(connection: Connection, id: int) -> ClothEntry | None:
    row = connection.execute(f"SELECT id, {_COLUMNS} FROM cloth WHERE id = ?", (id,)).fetchone()
    return None if row is None else _entry(row)


def _entry(row: sqlite3.Row) -> ClothEntry:
    return ClothEntry(
        row["id"],
        Cloth(
            row["name"],
            row["width"],
            row["length"],
            row["selvedge"],
            Direction(row["direction"]),
            Fibre(row["fibre"]),
            row["shrink_along"],
            row["shrink_across"],
            bool(row["washed"]),
            row["colour"],
            Surface(row["surface"]),
        ),
    )


def save_cloth(connection: Connection, id: int | None, c: Cloth) -> int:
    values = (
        c.name, c.width, c.length, c.selvedge, c.direction.value, c.fibre.value, c.shrink_along, c.shrink_across,
        int(c.washed), c.colour, c.surface.value,
    )  # fmt: skip
    with transaction(connection):
        if id is None:
            marks = ", ".join("?" * len(values))
            return int(connection.execute(f"INSERT INTO cloth ({_COLUMNS}) VALUES ({marks})", values).lastrowid or 0)
        assignments = ", ".join(f"{column.strip()} = ?" for column in _COLUMNS.split(","))
        connection.execute(f"UPDATE cloth SET {assignments} WHERE id = ?", (*values, id))
    return id
