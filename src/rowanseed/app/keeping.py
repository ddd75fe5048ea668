"""While the pages are open: a copy of the household a day, and old changes let go."""

from __future__ import annotations

import logging
import sqlite3
import threading
from datetime import datetime
from pathlib import Path

from rowanseed.core.base.errors import StoreError
from rowanseed.store.backup import daily_copy
from rowanseed.store.database import connect, transaction
from rowanseed.store.undo import forget_old

log = logging.getLogger("rowanseed.keeping")

AN_HOUR = 3600.0


class HouseKeeper:
    """Keeps one connection open, so that reading goes on where the disk is full, and copies in a thread of its own."""

    def __init__(self, database: Path) -> None:
        self.database, self.stopping = database, threading.Event()
        self.held = connect(database, create=False)
        self.held.execute("SELECT count(*) FROM person").fetchone()
        self.thread = threading.Thread(target=self._run, name="keeper", daemon=True)

    def start(self) -> None:
        self.thread.start()

    def stop(self) -> None:
        self.stopping.set()
        self.thread.join(5)
        self.held.close()

    def _run(self) -> None:
        while True:
            try:
                self.look_after(datetime.now())
            except (sqlite3.Error, StoreError, OSError) as error:
                log.warning("no copy could be made", extra={"error": str(error)})
            if self.stopping.wait(AN_HOUR):
                return

    def look_after(self, now: datetime) -> None:
        db = connect(self.database, create=False)
        try:
            daily_copy(db, self.database, now.date())
            with transaction(db, recorded=False):
                forget_old(db, now)
        finally:
            db.close()
