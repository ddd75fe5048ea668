"""Copies of a household: one file, verified, made while the pages are open; and a copy put back in its place.

SQLite's own backup makes them, so that a copy holds everything acknowledged, whatever still lies in the log.
"""

from __future__ import annotations

import os
import secrets
import sqlite3
from dataclasses import dataclass
from datetime import date, datetime
from pathlib import Path

from rowanseed.core.base.errors import NewerDatabase, StoreError
from rowanseed.store.database import Connection, migrate, newest_migration, version

KEPT = 14
"""So many daily copies are kept."""
DAILY = "daily-"
BEFORE_MIGRATION = "before-version-"
BEFORE_RESTORE = "before-restore-"


class CopyUnusable(StoreError):
    """A copy that cannot be restored."""

    def __init__(self, why: str) -> None:
        super().__init__(why)
        self.why = why

    @property
    def problem(self) -> str:
        return f"That copy cannot be restored: {self.why}."

    @property
    def remedy(self) -> str:
        return "Choose another copy. Your household is as it was."

    def __str__(self) -> str:
        return f"{self.problem} {self.remedy}"


@dataclass(frozen=True)
class Copy:
    """A copy in the household's folder of copies."""

    path: Path
    made_at: datetime
    size: int

    @property
    def words(self) -> str:
        name = self.path.name
        if name.startswith(BEFORE_MIGRATION):
            return "before a new version changed the file"
        return "before a restore" if name.startswith(BEFORE_RESTORE) else "daily copy"


def day_of(now: datetime) -> str:
    return now.date().isoformat()


def copies_folder(database: Path) -> Path:
    return database.parent / f"{database.stem}-copies"


def copies(database: Path) -> list[Copy]:
    """The copies in the household's folder, the newest first."""
    folder = copies_folder(database)
    if not folder.is_dir():
        return []
    found = [
        Copy(path, datetime.fromtimestamp(path.stat().st_mtime), path.stat().st_size) for path in folder.glob("*.db")
    ]
    return sorted(found, key=lambda copy: copy.made_at, reverse=True)


def copy_now(connection: Connection, target: Path) -> Path:
    """Write a verified copy; there is never half a copy under its name. Raises StoreError, OSError."""
    target.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    # Two windows may ask for a copy in the same second.
    part = target.with_name(f".{target.name}.{secrets.token_hex(4)}.part")
    os.close(os.open(part, os.O_CREAT | os.O_EXCL | os.O_RDWR, 0o600))
    try:
        copy = sqlite3.connect(part)
        try:
            connection.backup(copy)
            copy.execute("PRAGMA journal_mode = DELETE")
            _verify(copy)
        finally:
            copy.close()
        with part.open("rb") as file:
            os.fsync(file.fileno())
        part.replace(target)
        _sync_folder(target.parent)
    finally:
        part.unlink(missing_ok=True)
    return target


def _sync_folder(folder: Path) -> None:
    handle = os.open(folder, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)


def _verify(copy: sqlite3.Connection) -> None:
    found = copy.execute("PRAGMA integrity_check(1)").fetchone()[0]
    if found != "ok":
        raise StoreError(f"The copy is not whole ({found}); it was thrown away. Look whether the disk is sound.")


def daily_copy(connection: Connection, database: Path, today: date) -> Path | None:
    """Make today's copy if there is none, and let the oldest go; None if there is one already."""
    target = copies_folder(database) / f"{DAILY}{today.isoformat()}.db"
    if target.exists():
        return None
    copy_now(connection, target)
    for old in sorted(copies_folder(database).glob(f"{DAILY}*.db"))[:-KEPT]:
        old.unlink()
    return target


def restore(connection: Connection, database: Path, source: Path, now: datetime) -> None:
    """Put a copy in the place of the household, while it is open; what was there is kept as a copy itself.

    Raises CopyUnusable, NewerDatabase; the household is then as it was.
    """
    try:
        copy = sqlite3.connect(f"{source.absolute().as_uri()}?mode=ro", uri=True)
    except sqlite3.Error:
        raise CopyUnusable("it cannot be opened") from None
    try:
        copy.row_factory = sqlite3.Row
        _look_at(copy)
        copy_now(connection, copies_folder(database) / f"{BEFORE_RESTORE}{now:%Y-%m-%d-%H%M%S}.db")
        copy.backup(connection)
    except sqlite3.DatabaseError:
        raise CopyUnusable("it is damaged, or no household's file") from None
    finally:
        copy.close()
    migrate(connection)


def _look_at(copy: sqlite3.Connection) -> None:
    """A whole file, with a household in it, of a version that is known."""
    if copy.execute("PRAGMA integrity_check(1)").fetchone()[0] != "ok":
        raise CopyUnusable("it is damaged")
    tables = {row["name"] for row in copy.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
    if not {"person", "cloth", "pattern", "project"} <= tables:
        raise CopyUnusable("there is no household in it")
    done = version(copy)
    if done > newest_migration():
        raise NewerDatabase(done, newest_migration())
