"""Searching a lay as a job: what is asked and answered are documents, so that any machine can do it.

A job has the name of its question. Under keys of that name the queue holds what was asked (`asked`), the worker's last
word (`word`), its shortest lay so far (`plan`) and a wish to stop (`stop`); the result has the task's own key. All are
gone once a job is collected.
"""

from __future__ import annotations

import json
import logging
import os
import threading
import time
import traceback
from dataclasses import dataclass, replace
from typing import Any, Self

from rowanseed.core.base.lay_errors import LayRefusal, NoSuchSearch, SearchBroke, StoppedTooSoon
from rowanseed.core.base.words import Worded
from rowanseed.core.lay.check import check
from rowanseed.core.lay.choice import Answers
from rowanseed.core.lay.engine import Budget, Progress, solve_each
from rowanseed.core.lay.first import first_lay
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Plan, Problem, laid
from rowanseed.core.pattern.pieces import Grain
from rowanseed.formats.layout_json import plan_document, problem_document, read_plan, read_problem
from rowanseed.formats.refusal_json import read_refusal, refusal_document
from rowanseed.jobs.documents import Unsigned
from rowanseed.jobs.queue import is_shared, queue
from rowanseed.settings import settings

log = logging.getLogger("rowanseed.jobs")


class Phase(Worded):
    """How far a job is."""

    WAITING = "waiting"
    RUNNING = "running"
    LOST = "lost"
    DONE = "done"


@dataclass(frozen=True)
class JobState:
    """How far a job is; its shortest lay so far in mm, seconds taken and meant, seconds waited, which try it is."""

    phase: Phase
    lay: str = ""
    length: float | None = None
    elapsed: float = 0.0
    seconds: float = 0.0
    waited: float = 0.0
    tries: int = 1


# ---------------------------------------------------------------- the worker's side


@queue.task()  # type: ignore[untyped-decorator]
def search_lay(job: str, document: str, seconds: float) -> dict[str, Any] | None:
    """Search a layout problem; the answers as a document, or how it failed. Says how far it is under the job's key.

    None, which the queue does not keep, for a job that was given up meanwhile.
    """
    result = _outcome(job, document, seconds)
    if _read("asked", job) is None:
        _forget(job)
        return None
    return result


def _outcome(job: str, document: str, seconds: float) -> dict[str, Any]:
    try:
        return {"answers": _search(job, document, seconds)}
    except StoppedTooSoon:
        return {"stopped": True}
    except Exception as error:  # whatever it is, it is no answer, and the worker goes on
        log.exception("a search failed", extra={"job": job})
        return {"failed": "".join(traceback.format_exception_only(error)).strip()}


def _search(job: str, document: str, seconds: float) -> dict[str, Any]:
    problem = read_problem(document)
    with Heartbeat(job, seconds, problem) as heart:
        budget = Budget(seconds=seconds, threads=1, computing=True)
        try:
            answers = solve_each(problem, budget, heart.on_progress, heart.should_stop)
        except StoppedTooSoon:
            # What was on the screen when it was stopped is what was meant.
            if heart.first is None:
                raise
            answers = {laid(heart.first): heart.first}
    return {name: _written(answer) for name, answer in answers.items()}


class Heartbeat:
    """Says in a thread of its own that a search is alive, and how far it is, also while it makes its tables.

    A search that has not come to an end long after its time is no longer spoken for: it then counts as lost.
    """

    def __init__(self, job: str, seconds: float, problem: Problem) -> None:
        self.job, self.seconds, self.started = job, seconds, time.monotonic()
        self.problem = replace(problem, cloth=replace(problem.cloth, length=None))
        self.every = settings().heartbeat / 2
        self.longest = settings().longest_search
        self.best: dict[str, Any] = {}
        self.progress: Progress | None = None
        self.first: Plan | None = None
        self.beat = 0
        self.is_stopped = False
        self.ended = threading.Event()
        self.thread = threading.Thread(target=self._run, name="heartbeat", daemon=True)

    def __enter__(self) -> Self:
        self.first = first_lay(self.problem)
        if self.first is not None:
            self.best = {"lay": laid(self.first), "length": self.first.length}
            queue.put(_key("plan", self.job), plan_document(self.first))
        self._tell()
        self.thread.start()
        return self

    def __exit__(self, *_: object) -> None:
        self.ended.set()
        self.thread.join(2)

    def on_progress(self, progress: Progress) -> None:
        # Told with the next heartbeat: a first fill finds a dozen better lays at once, and every word is a write.
        self.best = {"lay": progress.lay, "length": progress.length}
        self.progress = progress

    def should_stop(self) -> bool:
        return self.is_stopped or self._is_overdue()

    def _is_overdue(self) -> bool:
        return time.monotonic() - self.started > self.longest

    def _run(self) -> None:
        while not self.ended.wait(self.every) and not self._is_overdue():
            self._tell()
            self._show()
            self.is_stopped = self.is_stopped or _read("stop", self.job) is not None

    def _show(self) -> None:
        """The shortest lay so far, where there is a shorter one than was shown last; only what passes the check."""
        progress, self.progress = self.progress, None
        if progress is not None:
            plan = progress.plan()
            if not check(self.problem, plan):
                queue.put(_key("plan", self.job), plan_document(plan))

    def _tell(self) -> None:
        self.beat += 1
        elapsed = time.monotonic() - self.started
        word = {"beat": self.beat, "elapsed": elapsed, "seconds": self.seconds, "process": os.getpid(), **self.best}
        queue.put(_key("word", self.job), word)


def warm() -> None:
    """Load the compiled search, so that the first job does not wait for it."""
    square = ((0.0, 0.0), (100.0, 0.0), (100.0, 80.0), (0.0, 80.0))

    def piece(id: str, outline: tuple[tuple[float, float], ...], cut: int, *, pair: bool) -> LayPiece:
        return LayPiece(id=id, outline=outline, cut=cut, pair=pair, fold=None, grain=Grain.LENGTHWISE)

    cloth = LayCloth(width=300, length=None, selvedge=5, one_way=False)
    pieces = (piece("a", square, 3, pair=False), piece("b", square[:3], 2, pair=True))
    solve_each(Problem(name="warm", cloth=cloth, gap=3, lays=(LayKind.OPEN,), pieces=pieces), Budget(sweeps=12))


def _written(answer: Plan | LayRefusal) -> dict[str, Any]:
    if isinstance(answer, Plan):
        return {"plan": plan_document(answer)}
    return {"refusal": refusal_document(answer)}


# ---------------------------------------------------------------- the pages' side

_heard: dict[str, tuple[int, float]] = {}
"""The last beat of every job that was looked at, and when it was first seen here, by this process's clock alone."""


def _key(what: str, job: str) -> str:
    return f"lay-{what}-{job}"


def start(job: str, problem: Problem, seconds: float, *, tries: int = 1) -> None:
    """Put a search into the queue under this name; forgets what an earlier one of the name left."""
    start_document(job, json.dumps(problem_document(problem)), seconds, tries=tries)


def start_document(job: str, document: str, seconds: float, *, tries: int = 1) -> None:
    """The same with the problem as a document."""
    _forget(job)
    task = search_lay.s(job, document, seconds)
    queue.put(_key("asked", job), {"task": task.id, "tries": tries, "seconds": seconds})
    queue.enqueue(task)


def stop(job: str) -> None:
    """Ask a job to stop; it answers with the shortest lay it has."""
    if _read("asked", job) is not None:
        queue.put(_key("stop", job), True)


def cancel(job: str) -> None:
    """Give a job up: one that waits is not begun, one that runs stops, and nobody collects what it found."""
    asked = _read("asked", job)
    if asked is None:
        return
    stop(job)
    queue.revoke_by_id(asked["task"], revoke_once=True)
    for what in ("asked", "word", "plan"):
        queue.delete(_key(what, job))
    queue.delete(asked["task"])
    _heard.pop(job, None)


def state(job: str) -> JobState | None:
    """How far a job is; None if there is none of this name."""
    asked = _read("asked", job)
    if asked is None:
        _heard.pop(job, None)
        return None
    if queue.storage.has_data_for_key(asked["task"]):
        return JobState(Phase.DONE, seconds=asked["seconds"], tries=asked["tries"])
    word = _read("word", job)
    silent = _silent(job, 0 if word is None else word["beat"])
    if word is None:
        return JobState(Phase.WAITING, waited=silent, seconds=asked["seconds"], tries=asked["tries"])
    return JobState(
        phase=Phase.LOST if _is_lost(word, silent) else Phase.RUNNING,
        lay=word.get("lay", ""),
        length=word.get("length"),
        elapsed=word["elapsed"],
        seconds=word["seconds"],
        tries=asked["tries"],
    )


def so_far(job: str) -> Plan | None:
    """The shortest lay that a running job has found; None while there is none."""
    document = _read("plan", job)
    return read_plan(document) if document is not None else None


def _is_lost(word: dict[str, Any], silent: float) -> bool:
    """Whether a job that has been silent for so many seconds has lost its worker.

    A machine under load can leave a worker without a word for long: where it can be seen here that it lives, it is
    waited for until its search has to be at its end.
    """
    if silent < settings().lost_after:
        return False
    return silent >= settings().longest_search or is_shared(settings().queue) or not _lives(word.get("process"))


def _lives(process: int | None) -> bool:
    """Whether there is a process of this number on this machine."""
    if process is None:
        return False
    try:
        os.kill(process, 0)
    except ProcessLookupError:
        return False
    except PermissionError:
        return True
    return True


def _silent(job: str, beat: int) -> float:
    """Seconds for which a job has said nothing new, by this process's clock: the worker's own is never compared."""
    now = time.monotonic()
    before = _heard.get(job)
    if before is None or before[0] != beat:
        _heard[job] = (beat, now)
        return 0.0
    return now - before[1]


def collect(job: str) -> Answers:
    """Take a finished job's answers out of the queue.

    Raises NoSuchSearch, StoppedTooSoon, or SearchBroke where the search itself failed: none of them is an answer.
    """
    asked = _read("asked", job)
    if asked is None:
        raise NoSuchSearch
    try:
        result = queue.result(asked["task"])
    except Exception as error:  # what the queue itself says of a task that broke, or of a document not signed
        raise SearchBroke(str(error)) from error
    finally:
        queue.delete(asked["task"])
        _forget(job)
    match result:
        case {"answers": dict(found)}:
            return {name: _answer(written) for name, written in found.items()}
        case {"stopped": True}:
            raise StoppedTooSoon
        case {"failed": why}:
            raise SearchBroke(str(why))
        case _:
            raise SearchBroke("the result is of no known kind")


def _answer(written: dict[str, Any]) -> Plan | LayRefusal:
    return read_plan(written["plan"]) if "plan" in written else read_refusal(written["refusal"])


def _forget(job: str) -> None:
    for what in ("asked", "word", "plan", "stop"):
        queue.delete(_key(what, job))
    _heard.pop(job, None)


def _read(what: str, job: str) -> Any:
    try:
        return queue.get(_key(what, job), peek=True)
    except (Unsigned, ValueError):
        log.warning("a document in the queue is not signed with this key", extra={"job": job})
        return None
