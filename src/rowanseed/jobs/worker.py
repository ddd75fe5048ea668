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

from rowanseed.jobs.lays import warm
from rowanseed.jobs.queue import queue

LOOK_EVERY = 1.0


def run(workers: int, parent: int | None) -> None:
    """Take jobs until stopped, each in a process of its own; with `parent`, until that process is gone."""
    logging.getLogger("huey").setLevel(logging.ERROR)
    warm()
    if parent is not None:
        threading.Thread(target=_leave_with, args=(parent,), daemon=True).start()
    Consumer(
        queue, workers=max(1, workers), periodic=False, worker_type="process", initial_delay=0.05, max_delay=0.3
    ).run()


def _leave_with(parent: int) -> None:
    while os.getppid() == parent:
        time.sleep(LOOK_EVERY)
    os.kill(os.getpid(), signal.SIGTERM)


class Keeper:
    """Starts a worker, starts another should it die, and stops it with the server."""

    def __init__(self) -> None:
        self.command = [sys.executable, "-m", "rowanseed.cli", "worker", "--parent", str(os.getpid())]
        self.stopping = threading.Event()
        self.process = subprocess.Popen(self.command)
        threading.Thread(target=self._watch, daemon=True).start()

    def _watch(self) -> None:
        while not self.stopping.wait(LOOK_EVERY):
            if self.process.poll() is not None:
                self.process = subprocess.Popen(self.command)

    def stop(self) -> None:
        self.stopping.set()
        self.process.terminate()
        try:
            self.process.wait(5)
        except subprocess.TimeoutExpired:
            self.process.kill()
