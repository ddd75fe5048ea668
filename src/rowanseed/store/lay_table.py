"""A lay on the table: the steps of changing it by hand, and at which of them it stands.

A project has a table for each of its cloths, by the role, and one for each company that is laid with it there.
"""

from __future__ import annotations

import json
from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.lay.edit import Parked
from rowanseed.core.lay.problem import Plan
from rowanseed.formats.layout_json import plan_text, read_plan_text
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class OnTable:
    """The lay as it stands after its n-th change: what that was in words, and which pieces are pinned.

    `question` is what it was laid for, `began_with` the length it began with, `parked` what lies beside the cloth;
    `undo` and `redo` say whether there is a step before and after.
    """

    question: str
    began_with: float
    n: int
    words: str
    plan: Plan
    pinned: frozenset[str]
    parked: tuple[Parked, ...]
    undo: bool
    redo: bool


def on_table(connection: Connection, project_id: int, key: str) -> OnTable | None:
    """The lay that is on the table; None if none is."""
    row = connection.execute(
        """
        SELECT question, began_with, n, words, plan, pinned, parked,
            (SELECT max(n) FROM lay_step AS last WHERE last.project_id = lay_table.project_id
                AND last.role = lay_table.role) AS last
        FROM lay_table JOIN lay_step USING (project_id, role)
        WHERE project_id = ? AND role = ? AND n = at
        """,
        (project_id, key),
    ).fetchone()
    if row is None:
        return None
    return OnTable(
        question=row["question"],
        began_with=row["began_with"],
        n=row["n"],
        words=row["words"],
        plan=read_plan_text(row["plan"]),
        pinned=frozenset(json.loads(row["pinned"])),
        parked=tuple(Parked(piece, turn, mirrored) for piece, turn, mirrored in json.loads(row["parked"])),
        undo=row["n"] > 0,
        redo=row["n"] < row["last"],
    )


def put_on_table(
    connection: Connection,
    project_id: int,
    key: str,
    question: str,
    plan: Plan,
    *,
    words: str = "as it was found",
    parked: Sequence[Parked] = (),
) -> None:
    """Begin with a lay; what was on the table before is cleared away."""
    with transaction(connection, recorded=False):
        _clear(connection, project_id, key)
        connection.execute(
            "INSERT INTO lay_table (project_id, role, question, at, began_with) VALUES (?, ?, ?, 0, ?)",
            (project_id, key, question, plan.length),
        )
        _write(connection, project_id, key, 0, words, plan, frozenset(), parked)


def add_step(
    connection: Connection,
    project_id: int,
    key: str,
    words: str,
    plan: Plan,
    pinned: frozenset[str],
    parked: Sequence[Parked] = (),
) -> None:
    """The next change; steps that were undone before it are gone."""
    with transaction(connection, recorded=False):
        row = connection.execute(
            "SELECT at FROM lay_table WHERE project_id = ? AND role = ?", (project_id, key)
        ).fetchone()
        n = int(row["at"]) + 1
        connection.execute("DELETE FROM lay_step WHERE project_id = ? AND role = ? AND n >= ?", (project_id, key, n))
        _write(connection, project_id, key, n, words, plan, pinned, parked)
        connection.execute("UPDATE lay_table SET at = ? WHERE project_id = ? AND role = ?", (n, project_id, key))


def go_to(connection: Connection, project_id: int, key: str, by: int) -> None:
    """Undo (-1) or redo (1), as far as there are steps."""
    with transaction(connection, recorded=False):
        connection.execute(
            """
            UPDATE lay_table SET at = at + ? WHERE project_id = ? AND role = ? AND EXISTS
                (SELECT 1 FROM lay_step WHERE lay_step.project_id = lay_table.project_id
                    AND lay_step.role = lay_table.role AND n = at + ?)
            """,
            (by, project_id, key, by),
        )


def _clear(connection: Connection, project_id: int, key: str) -> None:
    for table in ("lay_step", "lay_table"):
        connection.execute(f"DELETE FROM {table} WHERE project_id = ? AND role = ?", (project_id, key))


def _write(
    connection: Connection,
    project_id: int,
    key: str,
    n: int,
    words: str,
    plan: Plan,
    pinned: frozenset[str],
    parked: Sequence[Parked],
) -> None:
    beside = json.dumps([[one.piece, one.turn, one.mirrored] for one in parked])
    connection.execute(
        "INSERT INTO lay_step (project_id, role, n, words, plan, pinned, parked) VALUES (?, ?, ?, ?, ?, ?, ?)",
        (project_id, key, n, words, plan_text(plan), json.dumps(sorted(pinned)), beside),
    )
