"""Connections lent to one request after another: to open one costs more than most of what is read by it."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from rowanseed.store.database import Connection, ReadingOnly, connect

Identity = tuple[int, int]
"""Which file it is, whatever its name leads to later: (device, inode)."""


class Lender:
    """Lends connections to a household's file; up to `kept` of them stay open between requests."""

    def __init__(self, database: Path, *, kept: int = 0) -> None:
        self.database, self.kept = database, kept
        self._idle: list[tuple[Connection, Identity]] = []
        self._guard = threading.Lock()

    @contextmanager
    def lent(self) -> Iterator[Connection]:
        """A connection for one user at a time. Raises sqlite3.Error where the file cannot be opened.

        One whose user failed, that is in a transaction still or that can only read is closed, never lent again.
        """
        connection, file = self._taken() or self._opened()
        whole = False
        try:
            yield connection
            whole = not connection.in_transaction
        finally:
            if not (whole and self._kept(connection, file)):
                connection.close()

    def close(self) -> None:
        """Close what is idle; what is lent is closed when it comes back."""
        with self._guard:
            self.kept, idle = 0, self._idle
            self._idle = []
        for connection, _ in idle:
            connection.close()

    def _taken(self) -> tuple[Connection, Identity] | None:
        now = _identity(self.database)
        while True:
            with self._guard:
                if not self._idle:
                    return None
                connection, file = self._idle.pop()
            if file == now:
                return connection, file
            # Another file has taken its place since: what is written to the old one would be lost.
            connection.close()

    def _opened(self) -> tuple[Connection, Identity]:
        connection = connect(self.database, create=False)
        return connection, _identity(self.database) or (0, 0)

    def _kept(self, connection: Connection, file: Identity) -> bool:
        with self._guard:
            keeps = len(self._idle) < self.kept and not isinstance(connection, ReadingOnly)
            if keeps:
                self._idle.append((connection, file))
        return keeps


def _identity(path: Path) -> Identity | None:
    try:
        found = path.stat()
    except OSError:
        return None
    return found.st_dev, found.st_ino
