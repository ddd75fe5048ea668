"""Answers of the lay engine, and which of them a project keeps."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from sqlite3 import Row

from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.core.pattern.pieces import Role
from rowanseed.formats.layout_json import plan_document, plan_text, problem_document, read_plan_text
from rowanseed.formats.refusal_json import read_refusal, refusal_document
from rowanseed.store.database import Connection, transaction

ENGINE = "separation 1"
"""Part of every question: another engine may answer it better."""


def question_of(problem: Problem) -> str:
    """A key for a layout problem: the same cloth and pieces give the same key, whatever it is called."""
    return _question_of(replace(problem, name=""))


@lru_cache(maxsize=64)
def _question_of(problem: Problem) -> str:
    document = {**problem_document(problem), "engine": ENGINE}
    return hashlib.sha256(json.dumps(document, sort_keys=True).encode()).hexdigest()


def answers(connection: Connection, question: str) -> dict[str, Plan | LayRefusal]:
    rows = connection.execute("SELECT lay, plan, refusal FROM lay_answer WHERE question = ?", (question,))
    return {row["lay"]: _answer(row["plan"], row["refusal"]) for row in rows}


def _answer(plan: str | None, refusal: str) -> Plan | LayRefusal:
    return read_plan_text(plan) if plan else read_refusal(json.loads(refusal))


def keep_answers(connection: Connection, question: str, found: Mapping[str, Plan | LayRefusal]) -> None:
    with transaction(connection, recorded=False):
        for lay, answer in found.items():
            is_plan = isinstance(answer, Plan)
            written = json.dumps(plan_document(answer) if isinstance(answer, Plan) else refusal_document(answer))
            connection.execute(
                "INSERT OR REPLACE INTO lay_answer (question, lay, plan, refusal) VALUES (?, ?, ?, ?)",
                (question, lay, written if is_plan else None, None if is_plan else written),
            )


def prune(connection: Connection, most: int) -> int:
    """Let the oldest answers go, until `most` are left; how many went.

    An answer that a project's summary rests on stays.
    """
    with transaction(connection, recorded=False):
        number = connection.execute("SELECT count(*) FROM lay_answer").fetchone()[0]
        if number <= most:
            return 0
        cursor = connection.execute(
            """
            DELETE FROM lay_answer WHERE (question, lay) IN (
                SELECT question, lay FROM lay_answer
                WHERE question NOT IN (SELECT question FROM project_question)
                ORDER BY answered_at
                LIMIT ?
            )
            """,
            (number - most,),
        )
        return cursor.rowcount


@dataclass(frozen=True)
class KeptLay:
    """A lay as it was kept: the question it answers, how it is laid, and the plan itself.

    `together` are the others that were laid on the cloth with it: a project's id, and which of its cloths.
    """

    question: str
    lay: str
    plan: Plan
    together: tuple[tuple[int, Role], ...] = ()


def kept_lays(connection: Connection, project_id: int) -> dict[Role, KeptLay]:
    rows = connection.execute(
        "SELECT role, question, lay, plan, together FROM kept_lay WHERE project_id = ?", (project_id,)
    )
    return {Role(row["role"]): _kept(row) for row in rows}


def _kept(row: Row) -> KeptLay:
    together = tuple((id, Role(role)) for id, role in json.loads(row["together"]))
    return KeptLay(row["question"], row["lay"], read_plan_text(row["plan"]), together)


def keep_lays(connection: Connection, kept: Sequence[tuple[int, Role, KeptLay]]) -> None:
    """Keep the lays of several projects that are laid on one cloth, all at once."""
    with transaction(connection):
        for project_id, role, lay in kept:
            keep_lay(connection, project_id, role, lay)


def keep_lay(connection: Connection, project_id: int, role: Role, kept: KeptLay | None) -> None:
    """Keep a lay for a cloth of a project, or with None let it go."""
    with transaction(connection):
        connection.execute("DELETE FROM kept_lay WHERE project_id = ? AND role = ?", (project_id, role.value))
        if kept is not None:
            together = json.dumps([[id, role.value] for id, role in kept.together])
            connection.execute(
                "INSERT INTO kept_lay (project_id, role, question, lay, plan, together) VALUES (?, ?, ?, ?, ?, ?)",
                (project_id, role.value, kept.question, kept.lay, plan_text(kept.plan), together),
            )
