"""People and their dated sets of measurements."""

from __future__ import annotations

import sqlite3
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from rowanseed.core.base.errors import ChangedMeanwhile, NotThere
from rowanseed.core.body.measures import Age
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class Person:
    """A person and the newest set of measurements (key → mm); `measuring_id` None if never measured."""

    id: int
    name: str
    age: Age
    measuring_id: int | None
    taken_on: str | None
    body: Mapping[str, float]
    revision: int = 1
    """Counts every change, so that none is lost between two windows."""


_NEWEST = """
    SELECT person.id, person.name, age, person.revision, newest.id AS measuring_id, taken_on
    FROM person LEFT JOIN measuring AS newest ON newest.id = (
        SELECT id FROM measuring WHERE person_id = person.id ORDER BY id DESC LIMIT 1
    )
"""


def people(connection: Connection) -> list[Person]:
    """Everybody with the newest set of measurements, by name."""
    rows = connection.execute(f"{_NEWEST} ORDER BY person.name").fetchall()
    bodies: dict[int, dict[str, float]] = {}
    for row in connection.execute("SELECT measuring_id, measure, mm FROM measurement"):
        bodies.setdefault(row["measuring_id"], {})[row["measure"]] = row["mm"]
    return [_person(row, bodies.get(row["measuring_id"], {})) for row in rows]


def person(connection: Connection, id: int) -> Person | None:
    row = connection.execute(f"{_NEWEST} WHERE person.id = ?", (id,)).fetchone()
    if row is None:
        return None
    return _person(row, measurements(connection, row["measuring_id"]) if row["measuring_id"] else {})


def _person(row: sqlite3.Row, body: Mapping[str, float]) -> Person:
    return Person(
        id=row["id"],
        name=row["name"],
        age=Age(row["age"]),
        measuring_id=row["measuring_id"],
        taken_on=row["taken_on"],
        body=body,
        revision=row["revision"],
    )


def measurements(connection: Connection, measuring_id: int) -> dict[str, float]:
    rows = connection.execute("SELECT measure, mm FROM measurement WHERE measuring_id = ?", (measuring_id,))
    return {row["measure"]: row["mm"] for row in rows}


@dataclass(frozen=True)
class Measuring:
    """A dated set of measurements."""

    id: int
    taken_on: str
    body: Mapping[str, float]


def measurings(connection: Connection, person_id: int) -> list[Measuring]:
    """All sets of a person, in the order in which they were taken, whatever the clock said."""
    rows = connection.execute(
        "SELECT id, taken_on FROM measuring WHERE person_id = ? ORDER BY id", (person_id,)
    ).fetchall()
    return [Measuring(row["id"], row["taken_on"], measurements(connection, row["id"])) for row in rows]


def save_person(
    connection: Connection,
    id: int | None,
    name: str,
    age: Age,
    body: Mapping[str, float],
    today: date,
    *,
    revision: int | None = None,
) -> int:
    """Store a person; a set of measurements that differs from the newest is added, never written over.

    Only a set of the same day that no project has gone by yet is replaced: it is still being taken. With `revision`
    only if nothing was changed since that one was shown. Raises ChangedMeanwhile, NotThere.
    """
    with transaction(connection):
        if id is None:
            id = connection.execute("INSERT INTO person (name, age) VALUES (?, ?)", (name, age.value)).lastrowid
            if id is None:
                raise RuntimeError("the person got no number")
        else:
            kept = connection.execute("SELECT revision FROM person WHERE id = ?", (id,)).fetchone()
            if kept is None:
                raise NotThere("person")
            if revision is not None and revision != kept["revision"]:
                raise ChangedMeanwhile
            connection.execute(
                "UPDATE person SET name = ?, age = ?, revision = revision + 1 WHERE id = ?", (name, age.value, id)
            )
        before = person(connection, id)
        if body and (before is None or dict(before.body) != dict(body)):
            if before is not None and before.taken_on == today.isoformat():
                _forget_unused(connection, before.measuring_id)
            cursor = connection.execute(
                "INSERT INTO measuring (person_id, taken_on) VALUES (?, ?)", (id, today.isoformat())
            )
            connection.executemany(
                "INSERT INTO measurement (measuring_id, measure, mm) VALUES (?, ?, ?)",
                [(cursor.lastrowid, measure, mm) for measure, mm in body.items()],
            )
    return id


def remove_person(connection: Connection, id: int) -> bool:
    """Forget a person and every measurement of hers. False where a project is for her."""
    with transaction(connection):
        if connection.execute("SELECT 1 FROM project WHERE person_id = ?", (id,)).fetchone() is not None:
            return False
        connection.execute("DELETE FROM person WHERE id = ?", (id,))
    return True


def _forget_unused(connection: Connection, measuring_id: int | None) -> None:
    used = connection.execute("SELECT 1 FROM project WHERE measuring_id = ?", (measuring_id,)).fetchone()
    if used is None:
        connection.execute("DELETE FROM measuring WHERE id = ?", (measuring_id,))
