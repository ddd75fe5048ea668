"""What fitting taught: alterations worn and judged, and those a person had before."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from rowanseed.core.alter.change import Alteration
from rowanseed.formats.fit_json import read_alteration, read_fit, write_alteration
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class Lesson:
    """An alteration to make next time, with what was said of it; `project` is where it was learned."""

    id: int
    project_id: int
    project: str
    alteration: Alteration
    said: str
    written_on: str


def lessons(connection: Connection, project_id: int) -> list[Lesson]:
    """What was learned from one project, newest first."""
    return _lessons(connection, "fit_lesson.project_id = ?", (project_id,))


def lessons_for(connection: Connection, person_id: int, but: int) -> list[Lesson]:
    """What was learned from a person's other projects, newest first."""
    return _lessons(connection, "project.person_id = ? AND project.id <> ?", (person_id, but))


def _lessons(connection: Connection, where: str, values: tuple[int, ...]) -> list[Lesson]:
    rows = connection.execute(
        f"""
        SELECT fit_lesson.id, project_id, project.name AS project, alteration, said, written_on
        FROM fit_lesson JOIN project ON project.id = fit_lesson.project_id
        WHERE {where}
        ORDER BY written_on DESC, fit_lesson.id DESC
        """,
        values,
    )
    return [Lesson(**{**dict(row), "alteration": read_alteration(row["alteration"])}) for row in rows]


def add_lesson(connection: Connection, project_id: int, alteration: Alteration, said: str, today: date) -> None:
    with transaction(connection):
        connection.execute(
            "INSERT INTO fit_lesson (project_id, alteration, said, written_on) VALUES (?, ?, ?, ?)",
            (project_id, write_alteration(alteration), said, today.isoformat()),
        )


def remove_lesson(connection: Connection, project_id: int, id: int) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM fit_lesson WHERE project_id = ? AND id = ?", (project_id, id))


@dataclass(frozen=True)
class Before:
    """A person's earlier project with what was altered there."""

    project_id: int
    project: str
    pattern_id: int
    size: str | None
    alterations: tuple[Alteration, ...]


def altered_before(connection: Connection, person_id: int, but: int) -> list[Before]:
    """A person's other projects that were altered, newest first."""
    rows = connection.execute(
        """
        SELECT id, name, pattern_id, size, fit FROM project
        WHERE person_id = ? AND id <> ?
        ORDER BY started_on DESC, id DESC
        """,
        (person_id, but),
    )
    found = (
        Before(
            project_id=r["id"],
            project=r["name"],
            pattern_id=r["pattern_id"],
            size=r["size"],
            alterations=read_fit(r["fit"]).alterations,
        )
        for r in rows
    )
    return [entry for entry in found if entry.alterations]
