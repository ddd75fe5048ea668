"""The worker process: runs searches from the queue, and the keeper that the server lets look after one."""

from __future__ import annotations

import logging
import os
import signal
import subprocess
import sys
import threading
import time

from huey.consumer import Consumer

from rowanseed.jobs.queue import queue
from rowanseed.jobs.searches import warm
from rowanseed.settings import settings

log = logging.getLogger("rowanseed.jobs")

LOOK_EVERY = 1.0
A_MINUTE = 60.0
KEEPS_DYING = "worker-keeps-dying"
"""The key under which the queue says that no worker stays alive."""


def run(workers: int, parent: int | None) -> None:
    """Take jobs until stopped, each in a process of its own; with `parent`, until that process is gone."""
    logging.getLogger("huey").setLevel(logging.ERROR)
    warm()
    if parent is not None:
        threading.Thread(target=_leave_with, args=(parent,), daemon=True).start()
    Consumer(
        queue, workers=max(1, workers), periodic=False, worker_type="process", initial_delay=0.05, max_delay=0.15
    ).run()


def _leave_with(parent: int) -> None:
    while os.getppid() == parent:
        time.sleep(LOOK_EVERY)
    os.kill(os.getpid(), signal.SIGTERM)


def keeps_dying() -> bool:
    """Whether the keeper has given up starting a worker again and again."""
    return bool(queue.get(KEEPS_DYING, peek=True))


class Keeper:
    """Starts a worker, starts another should it die, and stops it with the server.

    One that dies again and again is said to, in the log and to the pages, and is started once a minute from then on.
    """

    def __init__(self, command: list[str] | None = None) -> None:
        own = [sys.executable, "-m", "rowanseed.cli", "worker", "--parent", str(os.getpid())]
        self.command = command or own
        self.stopping = threading.Event()
        self.starts: list[float] = []
        queue.delete(KEEPS_DYING)
        self.process = self._start()
        threading.Thread(target=self._watch, daemon=True).start()

    def _start(self) -> subprocess.Popen[bytes]:
        now = time.monotonic()
        self.starts = [*(at for at in self.starts if now - at < A_MINUTE), now]
        return subprocess.Popen(self.command)

    @property
    def is_dying(self) -> bool:
        return len(self.starts) >= settings().worker_starts

    def _watch(self) -> None:
        while not self.stopping.wait(LOOK_EVERY):
            if self.process.poll() is None:
                if self.is_dying and time.monotonic() - self.starts[-1] > A_MINUTE / 2:
                    self.starts.clear()
                    queue.delete(KEEPS_DYING)
                continue
            log.warning("a worker stopped", extra={"code": self.process.returncode})
            if self.is_dying:
                log.error("workers keep dying", extra={"starts": len(self.starts)})
                queue.put(KEEPS_DYING, True)
                if self.stopping.wait(A_MINUTE):
                    return
            self.process = self._start()

    def stop(self) -> None:
        self.stopping.set()
        self.process.terminate()
        try:
            self.process.wait(5)
        except subprocess.TimeoutExpired:
            self.process.kill()
