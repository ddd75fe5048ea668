"""Opening a household: is it one, whole, of this version; private to its account; copied before it changes."""

from __future__ import annotations

import os
import sqlite3
import stat
from datetime import datetime
from pathlib import Path

from rowanseed.core.base.errors import NewerDatabase, StoreError
from rowanseed.store.backup import BEFORE_MIGRATION, copies_folder, copy_now, day_of
from rowanseed.store.database import Connection, connect, migrate, newest_migration, transaction, version
from rowanseed.store.undo import forget_old


class NotOpened(StoreError):
    """A file that is no household, or one that cannot be used as it is; it was left untouched."""

    def __init__(self, path: Path, said: str, instead: str) -> None:
        super().__init__(said)
        self.path, self.said, self.instead = path, said, instead

    @property
    def problem(self) -> str:
        return f"{self.path}: {self.said}"

    @property
    def remedy(self) -> str:
        return f"{self.instead} The file was left as it is."

    def __str__(self) -> str:
        return f"{self.problem} {self.remedy}"


def open_household(path: Path, now: datetime) -> Connection:
    """Open a household's file, made if there is none, checked and brought up to date. Raises StoreError in words.

    A copy is kept before every migration. The file is read by SQLite alone: any other handle on it that this process
    closes would let go of the locks that it holds, and another process would take its log away.
    """
    _look_at(path)
    is_new = not path.exists()
    if is_new:
        # Body measurements are nobody else's business on this machine.
        os.close(os.open(path, os.O_CREAT | os.O_EXCL | os.O_RDWR, 0o600))
    try:
        connection = connect(path)
        _check(path, connection)
        done = version(connection)
        if done > newest_migration():
            connection.close()
            raise NewerDatabase(done, newest_migration())
        if not is_new and 0 < done < newest_migration():
            copy_now(connection, copies_folder(path) / f"{BEFORE_MIGRATION}{done + 1:03}-{day_of(now)}.db")
        if done < newest_migration() or is_new:
            migrate(connection)
        with transaction(connection, recorded=False):
            forget_old(connection, now)
    except sqlite3.OperationalError as error:
        raise NotOpened(path, *_SAID.get(getattr(error, "sqlite_errorname", ""), (f"{error}.", ""))) from None
    except sqlite3.DatabaseError:
        raise NotOpened(path, "it is damaged, or no household's file.", f"Name another file. {_RESTORE}") from None
    return connection


_RESTORE = "Restore a copy: rowanseed restore COPY (the daily copies are in the folder beside it)."
_SAID = {
    "SQLITE_BUSY": ("another program is writing to it and does not stop.", "Close that program and start again."),
    "SQLITE_READONLY": ("it may not be written to.", "Allow your account to write to it."),
    "SQLITE_READONLY_DIRECTORY": ("its folder may not be written to.", "Allow your account to write to the folder."),
    "SQLITE_CANTOPEN": ("it cannot be opened.", "Look whether your account may read and write it and its folder."),
    "SQLITE_FULL": ("the disk is full.", "Make room on the disk and start again."),
}


def _look_at(path: Path) -> None:
    if path.is_dir():
        raise NotOpened(path, "that is a folder.", "Name the file of a household, or one that is not there yet.")
    if not path.exists():
        return
    if path.stat().st_size == 0:
        raise NotOpened(path, "it is empty, and may have been cut short.", f"Move it away to begin anew. {_RESTORE}")
    if path.stat().st_mode & (stat.S_IRWXG | stat.S_IRWXO) and os.access(path, os.W_OK):
        path.chmod(0o600)


def _check(path: Path, connection: Connection) -> None:
    found = connection.execute("PRAGMA quick_check(1)").fetchone()[0]
    if found != "ok":
        connection.close()
        raise NotOpened(path, "it is damaged.", _RESTORE)
