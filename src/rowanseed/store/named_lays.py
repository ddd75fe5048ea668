"""Lays kept by a name beside the one in use, to be compared with it and taken up again."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.lay.problem import Plan
from rowanseed.formats.layout_json import plan_text, read_plan_text
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class NamedLay:
    """`question` is what it was laid for: for other pieces or another cloth it is another one."""

    id: int
    name: str
    question: str
    plan: Plan


def named_lays(connection: Connection, project_id: int, key: str) -> tuple[NamedLay, ...]:
    rows = connection.execute(
        "SELECT id, name, question, plan FROM named_lay WHERE project_id = ? AND role = ? ORDER BY id",
        (project_id, key),
    )
    return tuple(NamedLay(r["id"], r["name"], r["question"], read_plan_text(r["plan"])) for r in rows)


def name_lay(connection: Connection, project_id: int, key: str, name: str, question: str, plan: Plan) -> None:
    """Keep a lay by a name; one of that name is replaced."""
    with transaction(connection):
        connection.execute(
            "DELETE FROM named_lay WHERE project_id = ? AND role = ? AND name = ?", (project_id, key, name)
        )
        connection.execute(
            "INSERT INTO named_lay (project_id, role, name, question, plan) VALUES (?, ?, ?, ?, ?)",
            (project_id, key, name, question, plan_text(plan)),
        )


def forget_lay(connection: Connection, project_id: int, id: int) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM named_lay WHERE project_id = ? AND id = ?", (project_id, id))
