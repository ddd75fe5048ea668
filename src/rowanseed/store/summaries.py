"""What the shelf says of every project, so that it reads no pipeline.

A summary is written when one of the project's pages is worked out; triggers of the database mark it stale when anything
it rests on changes.
"""

from __future__ import annotations

import json
from collections.abc import Iterable
from dataclasses import asdict, dataclass
from typing import Any

from rowanseed import __version__
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class StationSummary:
    """A station on the stitched line: settled or not, and in words what there is to settle."""

    key: str
    name: str
    done: bool
    words: str
    alarm: bool = False


@dataclass(frozen=True)
class ProjectSummary:
    """A project on the shelf: the cloth's colour (six hex digits) and name, and its stations."""

    colour: str
    cloth: str
    stations: tuple[StationSummary, ...]

    @property
    def next_station(self) -> StationSummary:
        return next((station for station in self.stations if not station.done), self.stations[-1])


@dataclass(frozen=True)
class ProjectCard:
    """A project as the shelf lists it; `summary` None where it was never worked out."""

    id: int
    name: str
    size: str | None
    person: str
    pattern: str
    pattern_id: int
    summary: ProjectSummary | None
    is_fresh: bool


def cards(connection: Connection) -> list[ProjectCard]:
    """Every project with its last summary, the newest project first."""
    rows = connection.execute(
        """
        SELECT project.id, project.name, project.size, person.name AS person, pattern.name AS pattern, summary,
               project.pattern_id,
               coalesce(fresh AND written_by = ?, 0) AS is_fresh
        FROM project
        JOIN person ON person.id = project.person_id
        JOIN pattern ON pattern.id = project.pattern_id
        LEFT JOIN project_summary ON project_summary.project_id = project.id
        ORDER BY started_on DESC, project.id DESC
        """,
        (__version__,),
    )
    return [
        ProjectCard(
            id=row["id"],
            name=row["name"],
            size=row["size"],
            person=row["person"],
            pattern=row["pattern"],
            pattern_id=row["pattern_id"],
            summary=_read(json.loads(row["summary"])) if row["summary"] else None,
            is_fresh=bool(row["is_fresh"]),
        )
        for row in rows
    ]


def _read(document: dict[str, Any]) -> ProjectSummary:
    stations = tuple(StationSummary(**station) for station in document["stations"])
    return ProjectSummary(colour=document["colour"], cloth=document["cloth"], stations=stations)


def write_summary(connection: Connection, project_id: int, summary: ProjectSummary, questions: Iterable[str]) -> None:
    """Write what the shelf says of a project, and the questions that it rests on; nothing if it says so already."""
    text = json.dumps(asdict(summary), ensure_ascii=False)
    row = connection.execute(
        "SELECT summary, written_by, fresh FROM project_summary WHERE project_id = ?", (project_id,)
    ).fetchone()
    if row is not None and tuple(row) == (text, __version__, 1):
        return
    with transaction(connection, recorded=False):
        written = connection.execute(
            """
            INSERT OR REPLACE INTO project_summary (project_id, summary, written_by, fresh)
            SELECT id, ?, ?, 1 FROM project WHERE id = ?
            """,
            (text, __version__, project_id),
        )
        if not written.rowcount:
            # It was put away in another window while its page was worked out.
            return
        connection.execute("DELETE FROM project_question WHERE project_id = ?", (project_id,))
        connection.executemany(
            "INSERT OR IGNORE INTO project_question (question, project_id) VALUES (?, ?)",
            [(question, project_id) for question in questions],
        )
