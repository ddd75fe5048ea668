"""The queue that pages put work into and workers take it from.

`ROWANSEED_QUEUE` says where it is: a file (SQLite, for one machine) or `redis://host:port/db` (for several). Without
one it is in this process's memory and leaves nothing behind.
"""

from __future__ import annotations

import os
import secrets
from pathlib import Path

from huey import MemoryHuey, RedisHuey, SqliteHuey
from huey.api import Huey

from rowanseed.core.base.errors import StoreError
from rowanseed.jobs.documents import SignedDocuments
from rowanseed.settings import settings

NAME = "rowanseed"


class KeyNeeded(StoreError):
    """Several machines share a queue and have no key in common."""

    @property
    def remedy(self) -> str:
        return "Set ROWANSEED_QUEUE_KEY to the same long secret on the server and on every worker."

    def __str__(self) -> str:
        return "A queue that several machines share needs a key to sign what goes through it."


def open_queue(where: str, key: str) -> Huey:
    """A queue at a place. Raises KeyNeeded for a shared one without a key."""
    if not where:
        return MemoryHuey(NAME, serializer=SignedDocuments(key or secrets.token_hex(32)))
    if is_shared(where):
        if not key:
            raise KeyNeeded
        return RedisHuey(NAME, url=where, serializer=SignedDocuments(key))
    return SqliteHuey(NAME, filename=where, serializer=SignedDocuments(key or key_beside(Path(where))))


def is_shared(where: str) -> bool:
    """Whether a queue is one that several machines share."""
    return where.startswith(("redis://", "rediss://"))


def key_beside(queue_file: Path) -> str:
    """The key kept beside a queue's file, readable by its owner only; made where there is none."""
    place = queue_file.with_name(f"{queue_file.name}.key")
    try:
        handle = os.open(place, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
    except FileExistsError:
        return place.read_text(encoding="ascii")
    with os.fdopen(handle, "w", encoding="ascii") as file:
        key = secrets.token_hex(32)
        file.write(key)
    return key


queue = open_queue(settings().queue, settings().queue_key)
