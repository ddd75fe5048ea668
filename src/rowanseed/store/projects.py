"""Projects: who, which pattern, which cloths, what was chosen; ticks, notes and cloth used."""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

from rowanseed.core.cloth_choices import ClothChoices
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.formats.cloth_json import read_reckoning, write_reckoning
from rowanseed.formats.fit_json import FitChoices, read_fit, write_fit
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class ProjectRecord:
    id: int
    name: str
    person_id: int
    pattern_id: int
    view: str
    size: str | None
    fit: FitChoices
    tactics: Mapping[Role, tuple[TacticId, ...]]
    reckoning: ClothChoices
    measuring_id: int | None
    started_on: str
    cloths: Mapping[Role, int]


@dataclass(frozen=True)
class Note:
    id: int
    text: str
    written_on: str


@dataclass(frozen=True)
class ClothUsed:
    mm: float
    used_on: str


_SELECT = """
    SELECT id, name, person_id, pattern_id, view, size, fit, tactics, reckoning, measuring_id, started_on FROM project
"""


def projects(connection: Connection) -> list[ProjectRecord]:
    rows = connection.execute(f"{_SELECT} ORDER BY started_on DESC, id DESC").fetchall()
    return [_record(connection, row) for row in rows]


def project(connection: Connection, id: int) -> ProjectRecord | None:
    row = connection.execute(f"{_SELECT} WHERE id = ?", (id,)).fetchone()
    return None if row is None else _record(connection, row)


def _record(connection: Connection, row: Mapping[str, Any]) -> ProjectRecord:
    cloths = connection.execute("SELECT role, cloth_id FROM project_cloth WHERE project_id = ?", (row["id"],))
    plain = {
        **dict(row),
        "fit": read_fit(row["fit"]),
        "tactics": _tactics(row["tactics"]),
        "reckoning": read_reckoning(row["reckoning"]),
    }
    return ProjectRecord(**plain, cloths={Role(c["role"]): c["cloth_id"] for c in cloths})


def _tactics(document: str) -> dict[Role, tuple[TacticId, ...]]:
    return {
        Role(role): tuple(name for name in names if name in TACTICS) for role, names in json.loads(document).items()
    }


def choose_tactics(connection: Connection, id: int, role: Role, tactics: Sequence[TacticId]) -> None:
    """Keep what is done to save one cloth of a project."""
    with transaction(connection):
        row = connection.execute("SELECT tactics FROM project WHERE id = ?", (id,)).fetchone()
        kept = {**json.loads(row["tactics"]), role.value: list(tactics)}
        connection.execute("UPDATE project SET tactics = ? WHERE id = ?", (json.dumps(kept), id))


def keep_reckoning(connection: Connection, id: int, reckoning: ClothChoices) -> None:
    """Keep what a project reckons with at the Cloth station."""
    with transaction(connection):
        connection.execute("UPDATE project SET reckoning = ? WHERE id = ?", (write_reckoning(reckoning), id))


def start_project(
    connection: Connection,
    name: str,
    person_id: int,
    pattern_id: int,
    view: str,
    cloths: Mapping[Role, int],
    today: date,
) -> int:
    with transaction(connection):
        cursor = connection.execute(
            "INSERT INTO project (name, person_id, pattern_id, view, started_on) VALUES (?, ?, ?, ?, ?)",
            (name, person_id, pattern_id, view, today.isoformat()),
        )
        id = int(cursor.lastrowid or 0)
        connection.executemany(
            "INSERT INTO project_cloth (project_id, role, cloth_id) VALUES (?, ?, ?)",
            [(id, role.value, cloth_id) for role, cloth_id in cloths.items()],
        )
    return id


def choose_fit(connection: Connection, id: int, size: str | None, fit: FitChoices, measuring_id: int | None) -> None:
    """Keep the size and fit, and the set of measurements they were chosen by."""
    with transaction(connection):
        connection.execute(
            "UPDATE project SET size = ?, fit = ?, measuring_id = ? WHERE id = ?",
            (size, write_fit(fit), measuring_id, id),
        )


def choose_cloth(connection: Connection, id: int, role: Role, cloth_id: int | None) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM project_cloth WHERE project_id = ? AND role = ?", (id, role.value))
        if cloth_id is not None:
            connection.execute(
                "INSERT INTO project_cloth (project_id, role, cloth_id) VALUES (?, ?, ?)",
                (id, role.value, cloth_id),
            )


# ---------------------------------------------------------------- ticks, notes, cloth used


def ticks(connection: Connection, project_id: int, list: str) -> frozenset[str]:
    rows = connection.execute("SELECT key FROM tick WHERE project_id = ? AND list = ?", (project_id, list))
    return frozenset(row["key"] for row in rows)


def set_tick(connection: Connection, project_id: int, list: str, key: str, done: bool) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM tick WHERE project_id = ? AND list = ? AND key = ?", (project_id, list, key))
        if done:
            connection.execute(
                "INSERT INTO tick (project_id, list, key, ticked_at) VALUES (?, ?, ?, ?)",
                (project_id, list, key, datetime.now().isoformat(timespec="seconds")),
            )


def notes(connection: Connection, project_id: int) -> list[Note]:
    rows = connection.execute(
        "SELECT id, text, written_on FROM note WHERE project_id = ? ORDER BY written_on DESC, id DESC",
        (project_id,),
    )
    return [Note(**dict(row)) for row in rows]


def add_note(connection: Connection, project_id: int, text: str, written_on: date) -> None:
    with transaction(connection):
        connection.execute(
            "INSERT INTO note (project_id, text, written_on) VALUES (?, ?, ?)",
            (project_id, text, written_on.isoformat()),
        )


def remove_note(connection: Connection, project_id: int, note_id: int) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM note WHERE project_id = ? AND id = ?", (project_id, note_id))


def cloth_used(connection: Connection, project_id: int) -> dict[Role, ClothUsed]:
    rows = connection.execute("SELECT role, mm, used_on FROM cloth_used WHERE project_id = ?", (project_id,))
    return {Role(row["role"]): ClothUsed(row["mm"], row["used_on"]) for row in rows}


def set_cloth_used(connection: Connection, project_id: int, role: Role, mm: float, used_on: date) -> None:
    with transaction(connection):
        connection.execute(
            "INSERT OR REPLACE INTO cloth_used (project_id, role, mm, used_on) VALUES (?, ?, ?, ?)",
            (project_id, role.value, mm, used_on.isoformat()),
        )
