"""Opening the database: migrations, foreign keys, write-ahead log, transactions."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from importlib import resources
from pathlib import Path

from rowanseed.core.base.errors import NewerDatabase, StoreError

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
    """All of it or nothing of it is written. Inside another one it is part of that."""
    if connection.in_transaction:
        yield connection
        return
    connection.execute("BEGIN IMMEDIATE")
    try:
        yield connection
    except BaseException:
        connection.execute("ROLLBACK")
        raise
    connection.execute("COMMIT")


def migrate(connection: Connection) -> None:
    """Bring the database up to the newest numbered migration.

    Raises NewerDatabase for one that a newer version has written, which is left as it is.
    """
    scripts = _scripts()
    # Tables are made anew beside the old ones: their children must not go with them.
    connection.execute("PRAGMA foreign_keys = OFF")
    try:
        with transaction(connection):
            done = connection.execute("PRAGMA user_version").fetchone()[0]
            if done > max(scripts):
                raise NewerDatabase(done, max(scripts))
            for number in sorted(n for n in scripts if n > done):
                for statement in _statements(scripts[number]):
                    connection.execute(statement)
                connection.execute(f"PRAGMA user_version = {number}")
            astray = connection.execute("PRAGMA foreign_key_check").fetchone()
            if astray is not None:
                raise StoreError(f"A row of {astray['table']} refers to something that is not there.")
    finally:
        connection.execute("PRAGMA foreign_keys = ON")


def _scripts() -> dict[int, str]:
    """The migrations by number."""
    folder = resources.files("rowanseed.store").joinpath("migrations")
    return {
        int(script.name.split("_", 1)[0]): script.read_text(encoding="utf-8")
        for script in folder.iterdir()
        if script.name.endswith(".sql")
    }


def _statements(script: str) -> Iterator[str]:
    """The statements of a script, one by one, since `executescript` would end the transaction."""
    statement = ""
    for line in script.splitlines(keepends=True):
        statement += line
        if sqlite3.complete_statement(statement):
            yield statement
            statement = ""
