"""The queue that pages put work into and workers take it from.

`ROWANSEED_QUEUE` says where it is: a file (SQLite, for one machine) or `redis://host:port/db` (for several).
"""

from __future__ import annotations

import os
import tempfile
from pathlib import Path

from huey import RedisHuey, SqliteHuey
from huey.api import Huey

VARIABLE = "ROWANSEED_QUEUE"
NAME = "rowanseed"


def _open() -> Huey:
    where = os.environ.get(VARIABLE) or str(Path(tempfile.gettempdir()) / f"rowanseed-queue-{os.getpid()}.db")
    if where.startswith(("redis://", "rediss://")):
        return RedisHuey(NAME, url=where)
    return SqliteHuey(NAME, filename=where)


queue = _open()
