"""Searching a lay as a job: what is asked and answered are documents, so that any machine can do it."""

from __future__ import annotations

import json
import time
from dataclasses import dataclass
from typing import Any

from rowanseed.core.base.errors import LayRefusal
from rowanseed.core.lay.engine import Budget, Progress, solve_each
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.formats.layout_json import plan_document, problem_document, read_plan, read_problem
from rowanseed.jobs.queue import queue

HEARTBEAT = 0.25
"""Seconds between two words of a worker."""
LOST_AFTER = 12.0
"""Seconds of silence after which a running job counts as lost, and is started again."""
WAITED_TOO_LONG = 30.0
"""Seconds a job may wait before the page says that no worker takes it."""

Answers = dict[str, Plan | LayRefusal]


@dataclass(frozen=True)
class JobState:
    """How far a job is: `waiting`, `running`, `lost` or `done`; its shortest lay so far, seconds taken."""

    state: str
    lay: str = ""
    length: float | None = None
    elapsed: float = 0.0
    seconds: float = 0.0
    waited: float = 0.0
    again: bool = False
    """Whether it was started again after its worker was lost."""


# ---------------------------------------------------------------- the worker's side


@queue.task()  # type: ignore[untyped-decorator]
def search_lay(job: str, document: str, seconds: float) -> str:
    """Search a layout problem and return the answers as JSON; says how far it is under the job's key."""
    started, said = time.monotonic(), 0.0
    best: dict[str, Any] = {}

    def tell() -> None:
        word = {"at": time.time(), "elapsed": time.monotonic() - started, "seconds": seconds, **best}
        queue.storage.put_data(_key("word", job), json.dumps(word).encode())

    def on_progress(progress: Progress) -> None:
        # Told with the next heartbeat: a first fill finds a dozen better lays at once, and every word is a write.
        best.update(lay=progress.lay, length=progress.length)

    def should_stop() -> bool:
        nonlocal said
        if time.monotonic() - said < HEARTBEAT / 2:
            return False
        said = time.monotonic()
        tell()
        return bool(queue.storage.has_data_for_key(_key("stop", job)))

    tell()
    budget = Budget(seconds=seconds, threads=1, computing=True)
    answers = solve_each(read_problem(document), budget, on_progress, should_stop)
    return json.dumps({name: _written(answer) for name, answer in answers.items()})


def warm() -> None:
    """Load the compiled search, so that the first job does not wait for it."""
    square = ((0.0, 0.0), (100.0, 0.0), (100.0, 80.0), (0.0, 80.0))
    from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece
    from rowanseed.core.pattern.pieces import Grain

    pieces = (
        LayPiece(id="a", outline=square, cut=3, pair=False, fold=None, grain=Grain.LENGTHWISE),
        LayPiece(id="b", outline=square[:3], cut=2, pair=True, fold=None, grain=Grain.LENGTHWISE),
    )
    solve_each(
        Problem(
            name="warm",
            cloth=LayCloth(width=300, length=None, selvedge=5, one_way=False),
            gap=3,
            lays=(LayKind.OPEN,),
            pieces=pieces,
        ),
        Budget(sweeps=12),
    )


def _written(answer: Plan | LayRefusal) -> dict[str, Any]:
    if isinstance(answer, Plan):
        return {"plan": plan_document(answer)}
    return {"refusal": {"problem": answer.problem, "remedy": answer.remedy, "where": answer.where}}


# ---------------------------------------------------------------- the pages' side


def _key(what: str, job: str) -> str:
    return f"lay-{what}-{job}"


def start(job: str, problem: Problem, seconds: float, *, again: bool = False) -> None:
    """Put a search into the queue under this name; forgets what an earlier one of the name left."""
    for what in ("word", "stop", "answer"):
        queue.storage.pop_data(_key(what, job))
    task = search_lay.s(job, json.dumps(problem_document(problem)), seconds)
    asked = {"at": time.time(), "task": task.id, "again": again}
    queue.storage.put_data(_key("asked", job), json.dumps(asked).encode())
    queue.enqueue(task)


def stop(job: str) -> None:
    """Ask a job to stop; it answers with the shortest lay it has."""
    queue.storage.put_data(_key("stop", job), b"1")


def cancel(job: str) -> None:
    """Give a job up: it stops, and nobody collects what it found."""
    stop(job)
    queue.storage.pop_data(_key("asked", job))


def state(job: str) -> JobState | None:
    """How far a job is; None if there is none of this name."""
    asked = _read(_key("asked", job))
    if asked is None:
        return None
    if queue.storage.has_data_for_key(asked["task"]):
        return JobState("done")
    word = _read(_key("word", job))
    now = time.time()
    if word is None:
        return JobState("waiting", waited=now - asked["at"], again=asked["again"])
    alive = now - word["at"] < LOST_AFTER
    return JobState(
        state="running" if alive else "lost",
        lay=word.get("lay", ""),
        length=word.get("length"),
        elapsed=word["elapsed"],
        seconds=word["seconds"],
        again=asked["again"],
    )


def collect(job: str) -> Answers:
    """Take a finished job's answers out of the queue. Raises LayRefusal if the search itself failed."""
    asked = _read(_key("asked", job))
    if asked is None:
        raise LayRefusal("There is no search of this name.", "Start it again.")
    try:
        result = queue.result(asked["task"])
    except Exception as error:  # what a worker raised comes back wrapped
        raise LayRefusal(
            "The search went wrong here, not with you.", "Start it again; nothing else is lost."
        ) from error
    finally:
        for what in ("asked", "word", "stop"):
            queue.storage.pop_data(_key(what, job))
    if not isinstance(result, str):
        raise LayRefusal("The search was stopped before there was a lay.", "Start it again when you like.")
    return {name: _answer(written) for name, written in json.loads(result).items()}


def _answer(written: dict[str, Any]) -> Plan | LayRefusal:
    if "plan" in written:
        return read_plan(written["plan"])
    said = written["refusal"]
    return LayRefusal(said["problem"], said["remedy"], said["where"])


def _read(key: str) -> dict[str, Any] | None:
    data = queue.storage.peek_data(key)
    if not isinstance(data, bytes | memoryview | str):
        return None
    found: dict[str, Any] = json.loads(bytes(data) if isinstance(data, memoryview) else data)
    return found
