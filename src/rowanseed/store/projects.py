"""Projects: who, which pattern, which cloths, what was chosen; ticks, notes and cloth used."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from datetime import date, datetime
from typing import Literal

from rowanseed.core.base.errors import ChangedMeanwhile, NotThere
from rowanseed.core.choices import ClothChoices, Decisions, FitChoices
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.formats.cloth_choices_json import read_cloth_choices, write_cloth_choices
from rowanseed.formats.fit_json import read_fit, write_fit
from rowanseed.store.broken import BrokenRow, read_each
from rowanseed.store.database import Connection, transaction

TickList = Literal["cut", "sew", "table"]


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
    cloth_choices: ClothChoices
    measuring_id: int | None
    started_on: str
    revision: int
    """Counts every decision, so that none is lost between two windows."""
    cloths: Mapping[Role, int]
    techniques: tuple[tuple[str, str], ...] = ()
    as_cut: frozenset[str] = frozenset()

    @property
    def decisions(self) -> Decisions:
        return Decisions(
            view=self.view,
            size=self.size,
            fit=self.fit,
            tactics=self.tactics,
            cloth=self.cloth_choices,
            techniques=self.techniques,
            as_cut=self.as_cut,
        )


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
    SELECT id, name, person_id, pattern_id, view, size, fit, tactics, cloth_choices, measuring_id, started_on,
        revision, techniques, as_cut
    FROM project
"""


def projects(connection: Connection) -> list[ProjectRecord]:
    """Every project that can be read, the newest first."""
    return _all(connection)[0]


def broken_projects(connection: Connection) -> list[BrokenRow]:
    """The projects that cannot be read."""
    return _all(connection)[1]


def _all(connection: Connection) -> tuple[list[ProjectRecord], list[BrokenRow]]:
    rows = connection.execute(f"{_SELECT} ORDER BY started_on DESC, id DESC").fetchall()
    cloths: dict[int, dict[Role, int]] = {}
    for chosen in connection.execute("SELECT project_id, role, cloth_id FROM project_cloth"):
        cloths.setdefault(chosen["project_id"], {})[Role(chosen["role"])] = chosen["cloth_id"]
    return read_each(rows, lambda row: _record(row, cloths.get(row["id"], {})), "project")


def project(connection: Connection, id: int) -> ProjectRecord | None:
    row = connection.execute(f"{_SELECT} WHERE id = ?", (id,)).fetchone()
    if row is None:
        return None
    chosen = connection.execute("SELECT role, cloth_id FROM project_cloth WHERE project_id = ?", (id,))
    return _record(row, {Role(c["role"]): c["cloth_id"] for c in chosen})


def _record(row: sqlite3.Row, cloths: Mapping[Role, int]) -> ProjectRecord:
    plain = {
        **dict(row),
        "fit": read_fit(row["fit"]),
        "tactics": _tactics(row["tactics"]),
        "cloth_choices": read_cloth_choices(row["cloth_choices"]),
        "techniques": tuple(json.loads(row["techniques"]).items()),
        "as_cut": frozenset(json.loads(row["as_cut"])),
    }
    return ProjectRecord(**plain, cloths=cloths)


def _tactics(document: str) -> dict[Role, tuple[TacticId, ...]]:
    """Tactics by role; one that is no longer known is passed over, as if it had not been taken."""
    return {
        Role(role): tuple(name for name in names if name in TACTICS) for role, names in json.loads(document).items()
    }


def decide(
    connection: Connection,
    id: int,
    change: Callable[[ProjectRecord], ProjectRecord],
    *,
    revision: int | None = None,
) -> ProjectRecord:
    """Change what was decided of a project, in one transaction, from what it is now.

    With `revision` only if nothing was decided since that one was shown. Raises ChangedMeanwhile, NotThere.
    """
    with transaction(connection):
        before = project(connection, id)
        if before is None:
            raise NotThere("project")
        if revision is not None and revision != before.revision:
            raise ChangedMeanwhile
        after = _with_cut_cloths(connection, before, change(before))
        if after == before:
            return before
        connection.execute(
            """
            UPDATE project
            SET name = ?, view = ?, size = ?, fit = ?, measuring_id = ?, tactics = ?, cloth_choices = ?,
                techniques = ?, as_cut = ?, revision = revision + 1
            WHERE id = ?
            """,
            (
                after.name,
                after.view,
                after.size,
                write_fit(after.fit),
                after.measuring_id,
                json.dumps({role.value: list(taken) for role, taken in after.tactics.items()}),
                write_cloth_choices(after.cloth_choices),
                json.dumps(dict(after.techniques)),
                json.dumps(sorted(after.as_cut)),
                id,
            ),
        )
        _choose_cloths(connection, id, before.cloths, after.cloths)
        return replace(after, revision=before.revision + 1)


def _with_cut_cloths(connection: Connection, before: ProjectRecord, after: ProjectRecord) -> ProjectRecord:
    """A cloth that was cut up for a project stays with it, whatever else is chosen."""
    rows = connection.execute("SELECT id FROM cloth WHERE cut_by = ?", (before.id,))
    cut = {row["id"] for row in rows}
    kept = {role: id for role, id in before.cloths.items() if id in cut}
    return replace(after, cloths={**after.cloths, **kept}) if kept else after


def _choose_cloths(connection: Connection, id: int, before: Mapping[Role, int], after: Mapping[Role, int]) -> None:
    for role in (*before, *after):
        if before.get(role) == after.get(role):
            continue
        connection.execute("DELETE FROM project_cloth WHERE project_id = ? AND role = ?", (id, role.value))
        if role in after:
            connection.execute(
                "INSERT INTO project_cloth (project_id, role, cloth_id) VALUES (?, ?, ?)",
                (id, role.value, after[role]),
            )


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


def remove_project(connection: Connection, id: int) -> None:
    """Put a project away for good, with its notes, ticks and kept lays.

    Cloth that was cut up for it is gone too; what is left of that stays on the shelf, as cloths of their own.
    """
    with transaction(connection):
        connection.execute("DELETE FROM project_cloth WHERE cloth_id IN (SELECT id FROM cloth WHERE cut_by = ?)", (id,))
        connection.execute("DELETE FROM cloth WHERE cut_by = ?", (id,))
        connection.execute("DELETE FROM project WHERE id = ?", (id,))


# ---------------------------------------------------------------- ticks, notes, cloth used


@dataclass(frozen=True)
class Tick:
    """What was ticked: of which outline, by its fingerprint, and in words, which; both empty where nobody knows."""

    key: str
    what: str = ""
    words: str = ""


def ticks(connection: Connection, project_id: int, tick_list: TickList) -> dict[str, Tick]:
    rows = connection.execute(
        "SELECT key, what, words FROM tick WHERE project_id = ? AND list = ?", (project_id, tick_list)
    )
    return {row["key"]: Tick(row["key"], row["what"], row["words"]) for row in rows}


def set_tick(
    connection: Connection,
    project_id: int,
    tick_list: TickList,
    key: str,
    done: bool,
    *,
    what: str = "",
    words: str = "",
) -> None:
    with transaction(connection):
        connection.execute(
            "DELETE FROM tick WHERE project_id = ? AND list = ? AND key = ?", (project_id, tick_list, key)
        )
        if done:
            connection.execute(
                "INSERT INTO tick (project_id, list, key, ticked_at, what, words) VALUES (?, ?, ?, ?, ?, ?)",
                (project_id, tick_list, key, datetime.now().isoformat(timespec="seconds"), what, words),
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


# ---------------------------------------------------------------- who else, what was said before


@dataclass(frozen=True)
class Cutter:
    """A project that a cloth is chosen for."""

    id: int
    name: str


def cutting_from(connection: Connection, cloth_id: int) -> list[Cutter]:
    """The projects that a cloth is chosen for, those that were started first first."""
    rows = connection.execute(
        """
        SELECT DISTINCT project.id, project.name FROM project JOIN project_cloth ON project_id = project.id
        WHERE cloth_id = ? ORDER BY started_on, project.id
        """,
        (cloth_id,),
    )
    return [Cutter(row["id"], row["name"]) for row in rows]


@dataclass(frozen=True)
class EarlierNote:
    """A note of another project that has something to do with this one: what the two share, in words."""

    project_id: int
    project: str
    text: str
    written_on: str
    shared: str


def earlier_notes(
    connection: Connection,
    *,
    but: int = 0,
    pattern_id: int = 0,
    person_id: int = 0,
    cloth_ids: tuple[int, ...] = (),
    roles: tuple[Role, ...] = tuple(Role),
) -> list[EarlierNote]:
    """Notes of other projects of this pattern, for this person, or that have these cloths in one of these roles, the
    newest first."""
    holes = ", ".join("?" for _ in cloth_ids) or "NULL"
    parts = ", ".join("?" for _ in roles) or "NULL"
    rows = connection.execute(
        f"""
        SELECT project.id, project.name, text, written_on,
            pattern_id = ? AS by_pattern, person_id = ? AS by_person,
            EXISTS (SELECT 1 FROM project_cloth
                WHERE project_id = project.id AND cloth_id IN ({holes}) AND role IN ({parts})) AS by_cloth
        FROM note JOIN project ON project.id = note.project_id
        WHERE project.id <> ? ORDER BY written_on DESC, note.id DESC
        """,
        (pattern_id, person_id, *cloth_ids, *(role.value for role in roles), but),
    )
    out = []
    for row in rows:
        shared = [w for w, on in zip(("pattern", "person", "cloth"), row[4:7], strict=True) if on]
        if shared:
            words = "the same " + " and ".join(shared)
            out.append(EarlierNote(row["id"], row["name"], row["text"], row["written_on"], words))
    return out
