"""Opening the database: migrations, foreign keys, write-ahead log, transactions."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from importlib import resources
from pathlib import Path

Connection = sqlite3.Connection


def connect(path: Path) -> Connection:
    """Open a database file. Statements outside `transaction` read; writes belong inside one."""
    connection = sqlite3.connect(path, isolation_level=None, timeout=10.0, check_same_thread=False)
    connection.row_factory = sqlite3.Row
    connection.execute("PRAGMA foreign_keys = ON")
    connection.execute("PRAGMA journal_mode = WAL")
    connection.execute("PRAGMA synchronous = NORMAL")
    return connection


@contextmanager
def transaction(connection: Connection) -> Iterator[Connection]:
    """All of it or nothing of it is written."""
    connection.execute("BEGIN IMMEDIATE")
    try:
        yield connection
    except BaseException:
        connection.execute("ROLLBACK")
        raise
    connection.execute("COMMIT")


def migrate(connection: Connection) -> None:
    """Bring the database up to the newest numbered migration."""
    done = connection.execute("PRAGMA user_version").fetchone()[0]
    folder = resources.files("rowanseed.store").joinpath("migrations")
    for script in sorted(folder.iterdir(), key=lambda item: item.name):
        if not script.name.endswith(".sql"):
            continue
        number = int(script.name.split("_", 1)[0])
        if number <= done:
            continue
        with transaction(connection):
            for statement in _statements(script.read_text(encoding="utf-8")):
                connection.execute(statement)
            connection.execute(f"PRAGMA user_version = {number}")


def _statements(script: str) -> Iterator[str]:
    """The statements of a script, one by one, since `executescript` would end the transaction."""
    statement = ""
    for line in script.splitlines(keepends=True):
        statement += line
        if sqlite3.complete_statement(statement):
            yield statement
            statement = ""
