"""Searches that have been asked for and are not answered yet."""

from __future__ import annotations

import json
from dataclasses import dataclass

from rowanseed.core.lay.problem import Problem
from rowanseed.formats.layout_json import problem_document
from rowanseed.store.database import Connection, transaction


@dataclass(frozen=True)
class OpenSearch:
    """A search: the problem as a document, how many seconds are meant, which try it is, and how it failed at last."""

    question: str
    problem: str
    seconds: float
    tries: int
    failed: str

    @property
    def has_failed(self) -> bool:
        return bool(self.failed)


_SELECT = "SELECT question, problem, seconds, tries, failed FROM open_search"


def open_searches(connection: Connection) -> list[OpenSearch]:
    """Those still to be answered; what has plainly failed waits for nobody."""
    return [OpenSearch(**dict(row)) for row in connection.execute(f"{_SELECT} WHERE failed = '' ORDER BY asked_at")]


def open_search(connection: Connection, question: str) -> OpenSearch | None:
    row = connection.execute(f"{_SELECT} WHERE question = ?", (question,)).fetchone()
    return None if row is None else OpenSearch(**dict(row))


def ask(connection: Connection, question: str, problem: Problem, seconds: float) -> OpenSearch:
    """Note a search that is asked for; an earlier failure of it is forgotten."""
    document = json.dumps(problem_document(problem))
    with transaction(connection, recorded=False):
        connection.execute(
            "INSERT OR REPLACE INTO open_search (question, problem, seconds) VALUES (?, ?, ?)",
            (question, document, seconds),
        )
    return OpenSearch(question=question, problem=document, seconds=seconds, tries=1, failed="")


def try_again(connection: Connection, question: str, tries: int) -> None:
    with transaction(connection, recorded=False):
        connection.execute("UPDATE open_search SET tries = ? WHERE question = ?", (tries, question))


def fail(connection: Connection, question: str, why: str) -> None:
    """A search has plainly failed; it is no answer, and may be asked for again."""
    with transaction(connection, recorded=False):
        connection.execute("UPDATE open_search SET failed = ? WHERE question = ?", (why or "failed", question))


def close(connection: Connection, question: str) -> bool:
    """A search is answered or given up; whether it was open."""
    with transaction(connection, recorded=False):
        return connection.execute("DELETE FROM open_search WHERE question = ?", (question,)).rowcount > 0
