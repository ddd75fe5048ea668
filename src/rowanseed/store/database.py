"""Opening the database: migrations, foreign keys, write-ahead log, transactions."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from importlib import resources
from pathlib import Path

from rowanseed.core.base.errors import NewerDatabase, StoreError
from rowanseed.store.undo import begin_change, end_change, make_triggers

Connection = sqlite3.Connection


class ReadingOnly(sqlite3.Connection):
    """A connection to a file that can only be read, as it was when it was opened."""


WAIT = 5.0
"""How long, in seconds, another writer is waited for."""


def connect(path: Path, *, create: bool = True) -> Connection:
    """Open a database file. Statements outside `transaction` read; writes belong inside one.

    A write that has been acknowledged survives a power cut: every commit is synced (2.9 ms more a commit where it was
    measured). Without `create` a file that is not there is an error, not a new household. A file that can only be
    read is opened for reading.
    """
    mode = "rwc" if create else "rw"
    try:
        return _opened(f"{path.absolute().as_uri()}?mode={mode}")
    except sqlite3.OperationalError as error:
        if not path.is_file() or getattr(error, "sqlite_errorname", "") not in _CANNOT_WRITE:
            raise
        return _opened(f"{path.absolute().as_uri()}?mode=ro&immutable=1", writable=False)


_CANNOT_WRITE = ("SQLITE_CANTOPEN", "SQLITE_READONLY", "SQLITE_READONLY_DIRECTORY", "SQLITE_FULL", "SQLITE_IOERR_WRITE")


def _opened(uri: str, *, writable: bool = True) -> Connection:
    kind = sqlite3.Connection if writable else ReadingOnly
    connection = sqlite3.connect(
        uri, uri=True, isolation_level=None, timeout=WAIT, check_same_thread=False, factory=kind
    )
    try:
        connection.row_factory = sqlite3.Row
        connection.execute("PRAGMA foreign_keys = ON")
        if writable:
            connection.execute("PRAGMA journal_mode = WAL")
            connection.execute("PRAGMA synchronous = FULL")
        connection.execute("SELECT count(*) FROM sqlite_master").fetchone()
    except sqlite3.Error:
        connection.close()
        raise
    return connection


@contextmanager
def transaction(connection: Connection, *, recorded: bool = True) -> Iterator[Connection]:
    """All of it or nothing of it is written. Inside another one it is part of that.

    What it changes of the household is recorded, so that it can be undone; not so with `recorded` off.
    """
    if connection.in_transaction:
        yield connection
        return
    connection.execute("BEGIN IMMEDIATE")
    try:
        change = begin_change(connection) if recorded else None
        yield connection
        if change is not None:
            end_change(connection, change)
    except BaseException:
        if connection.in_transaction:
            connection.execute("ROLLBACK")
        raise
    connection.execute("COMMIT")


def newest_migration() -> int:
    return max(_scripts())


def version(connection: Connection) -> int:
    """The number of the last migration a database has had."""
    return int(connection.execute("PRAGMA user_version").fetchone()[0])


def migrate(connection: Connection) -> None:
    """Bring the database up to the newest numbered migration.

    Raises NewerDatabase for one that a newer version has written, which is left as it is.
    """
    scripts = _scripts()
    # Tables are made anew beside the old ones: their children must not go with them.
    connection.execute("PRAGMA foreign_keys = OFF")
    try:
        with transaction(connection, recorded=False):
            done = version(connection)
            if done > max(scripts):
                raise NewerDatabase(done, max(scripts))
            for number in sorted(n for n in scripts if n > done):
                for statement in _statements(scripts[number]):
                    connection.execute(statement)
                connection.execute(f"PRAGMA user_version = {number}")
            astray = connection.execute("PRAGMA foreign_key_check").fetchone()
            if astray is not None:
                raise StoreError(f"A row of {astray['table']} refers to something that is not there.")
            make_triggers(connection)
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
