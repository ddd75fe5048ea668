"""Lays being searched: asked for, followed, collected whether or not a page listens, failed plainly.

An answer (a plan, or why there is none) is kept for good. A failure is never an answer: the search is started again a
bounded number of times, then said to have failed, and may be asked for again.
"""

from __future__ import annotations

import logging
import sqlite3
import threading
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from pathlib import Path
from typing import assert_never

from rowanseed.core.base.lay_errors import NoSuchSearch, SearchBroke, StoppedTooSoon
from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.lay.choice import better_of
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.jobs import searches as jobs
from rowanseed.jobs.searches import JobState, Phase
from rowanseed.jobs.worker import keeps_dying
from rowanseed.settings import settings
from rowanseed.store import lays, open_searches
from rowanseed.store.database import Connection, connect, transaction
from rowanseed.store.lays import question_of
from rowanseed.store.open_searches import OpenSearch

log = logging.getLogger("rowanseed.searching")

SHOWN = 5
"""So many searches are told one by one."""


@dataclass(frozen=True, kw_only=True)
class Asked:
    """A lay that is asked for: a name for the page, the problem, its question, the seconds meant.

    `patient` ones are many and wait for each other.
    """

    label: str
    problem: Problem
    question: str
    seconds: float
    patient: bool = False


# ---------------------------------------------------------------- asking and stopping


def ask(db: Connection, asked: Iterable[Asked], *, again: bool = False) -> None:
    """Start the searches that do not run yet; those that have failed only when they are asked for `again`."""
    for one in asked:
        known = open_searches.open_search(db, one.question)
        if known is not None and (not again if known.has_failed else jobs.state(one.question) is not None):
            continue
        # The job first: whoever finds the row finds its job.
        jobs.start(one.question, one.problem, one.seconds)
        open_searches.ask(db, one.question, one.problem, one.seconds)


def is_searching(db: Connection, question: str) -> bool:
    known = open_searches.open_search(db, question)
    return known is not None and not known.has_failed and jobs.state(question) is not None


def failures(db: Connection, questions: Iterable[str]) -> tuple[str, ...]:
    """In words, which of the questions have failed, each kind of failure once."""
    found = (open_searches.open_search(db, question) for question in questions)
    return tuple(dict.fromkeys(known.failed for known in found if known is not None and known.has_failed))


def hopeful(db: Connection, asked: Iterable[Asked]) -> list[Asked]:
    """Those that have not failed."""
    found = ((one, open_searches.open_search(db, one.question)) for one in asked)
    return [one for one, known in found if known is None or not known.has_failed]


def stop(questions: Iterable[str]) -> None:
    """Ask searches to stop; they answer with the shortest lay they have."""
    for question in questions:
        jobs.stop(question)


def give_up(db: Connection, questions: Iterable[str]) -> None:
    """Nobody waits for these any more: what waits is not begun, what runs is dropped."""
    for question in questions:
        jobs.cancel(question)
        open_searches.close(db, question)


# ---------------------------------------------------------------- collecting


_LOOKING = threading.Lock()


def collect(db: Connection) -> None:
    """Look after every open search: keep what is found, start again what was lost, say what has failed."""
    with _LOOKING:
        for search in open_searches.open_searches(db):
            _look_after(db, search)


def _look_after(db: Connection, search: OpenSearch) -> None:
    state = jobs.state(search.question)
    if state is None:
        # Its word is gone with the queue that it was in.
        _again(db, search, "The search was lost.")
        return
    match state.phase:
        case Phase.WAITING | Phase.RUNNING:
            return
        case Phase.LOST:
            _again(db, search, "The worker stopped in the middle, each time.")
        case Phase.DONE:
            _take(db, search)
        case _:
            assert_never(state.phase)


def _take(db: Connection, search: OpenSearch) -> None:
    """Keep the answers of a finished search, each the shorter of the new and the one that was kept before."""
    with transaction(db):
        # Two processes may look at the same time: only the one that finds it open takes it.
        if open_searches.open_search(db, search.question) is None:
            return
        try:
            found = jobs.collect(search.question)
        except NoSuchSearch:
            return
        except StoppedTooSoon as error:
            if lays.answers(db, search.question):
                open_searches.close(db, search.question)
            else:
                open_searches.fail(db, search.question, str(error))
        except SearchBroke as error:
            log.error("a search broke", extra={"question": search.question, "detail": error.detail})
            _again(db, search, str(error))
        else:
            lays.keep_answers(db, search.question, better_of(found, lays.answers(db, search.question)))
            open_searches.close(db, search.question)


def _again(db: Connection, search: OpenSearch, why: str) -> None:
    """Start a search again, a bounded number of times."""
    if search.tries >= settings().tries:
        log.error("a search has failed", extra={"question": search.question, "tries": search.tries})
        jobs.cancel(search.question)
        open_searches.fail(db, search.question, why)
        return
    open_searches.try_again(db, search.question, search.tries + 1)
    jobs.start_document(search.question, search.problem, search.seconds, tries=search.tries + 1)


class Collector:
    """Collects in a thread of its own while the server runs, so that no page has to listen."""

    def __init__(self, database: Path) -> None:
        self.database, self.stopping = database, threading.Event()
        self.thread = threading.Thread(target=self._run, name="collector", daemon=True)

    def start(self) -> None:
        self.thread.start()

    def stop(self) -> None:
        self.stopping.set()
        self.thread.join(2)

    def _run(self) -> None:
        db = connect(self.database, create=False)
        try:
            while not self.stopping.wait(settings().collect_every):
                try:
                    collect(db)
                except sqlite3.OperationalError as error:  # busy or full: looked at again in a moment
                    log.warning("answers could not be kept", extra={"error": str(error)})
        finally:
            db.close()


# ---------------------------------------------------------------- following


@dataclass(frozen=True)
class Running:
    """A search while it runs: its shortest lay so far, and the seconds it has taken."""

    asked: Asked
    plan: Plan
    elapsed: float


@dataclass(frozen=True)
class Look:
    """How far searches are, a line each, and what the running ones have found."""

    lines: tuple[str, ...]
    running: tuple[Running, ...]


def look(db: Connection, asked: Sequence[Asked], units: Units) -> Look | None:
    """None when all are answered or have failed."""
    lines, running = [], []
    for one in asked:
        known = open_searches.open_search(db, one.question)
        if known is None or known.has_failed:
            continue
        state = jobs.state(one.question)
        lines.append(_line(one, state, units))
        if state is not None and state.phase is Phase.RUNNING and not one.patient:
            plan = jobs.so_far(one.question)
            running += [Running(one, plan, state.elapsed)] if plan is not None else []
    if not lines:
        return None
    told = lines if len(lines) <= SHOWN else [*lines[:SHOWN], f"and {len(lines) - SHOWN} more wait"]
    return Look(tuple(told), tuple(running))


def _line(asked: Asked, state: JobState | None, units: Units) -> str:
    if state is None:
        return f"{asked.label}: collecting what was found"
    name = asked.label + (f" (try {state.tries}, its worker had stopped)" if state.tries > 1 else "")
    match state.phase:
        case Phase.DONE:
            return f"{name}: done"
        case Phase.LOST:
            return f"{name}: the worker stopped in the middle; it is started again"
        case Phase.WAITING:
            if keeps_dying():
                return f"{name}: no worker stays alive here; the server's log says why"
            if state.waited > settings().waited_too_long and not asked.patient:
                return f"{name}: no worker takes it. Is “rowanseed worker” running?"
            return f"{name}: waiting for its turn"
        case Phase.RUNNING if state.length is None:
            return f"{name}: measuring the pieces against each other, {state.elapsed:.0f} s"
        case Phase.RUNNING:
            length = format_cloth(state.length or 0.0, units)
            planned = f" of {state.seconds:.0f}" if state.elapsed <= state.seconds else ""
            return f"{name}: {length}, {state.lay}, {state.elapsed:.0f}{planned} s"
        case _:
            assert_never(state.phase)


def unanswered(db: Connection, asked: Iterable[Asked], is_answered: Callable[[str], bool] | None = None) -> list[Asked]:
    """Those that have no answer yet, or are being searched for longer."""
    known = is_answered or (lambda question: bool(lays.answers(db, question)))
    return [one for one in asked if not known(one.question) or is_searching(db, one.question)]


def asked(label: str, problem: Problem, seconds: float, *, patient: bool = False) -> Asked:
    """A search by its problem."""
    return Asked(label=label, problem=problem, question=question_of(problem), seconds=seconds, patient=patient)
