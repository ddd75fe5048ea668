"""Lays being searched: progress as server-sent events, stopping, and searching longer."""

from __future__ import annotations

import json
import time
from collections.abc import Iterator
from dataclasses import dataclass

from fastapi import APIRouter, Response
from fastapi.responses import StreamingResponse

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import SECONDS_FOR_A_LAY, load
from rowanseed.core.base.errors import LayRefusal
from rowanseed.core.base.units import format_cloth
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.jobs import lays as jobs
from rowanseed.store import lays
from rowanseed.store.database import Connection, connect
from rowanseed.web.deps import Home, House, Typing, go

router = APIRouter()

EVERY = 0.2
SHOWN = 5
TIGHTEN_SECONDS = 20.0


@dataclass(frozen=True)
class Asked:
    """A lay that is asked for: a name for the page, the problem, its key, and whether there is an answer already.

    `patient` ones are many and wait for each other.
    """

    label: str
    problem: Problem
    question: str
    answered: bool
    patient: bool = False
    seconds: float | None = None
    """Its own time, where it is not as long as the others'."""


@router.get("/projects/{id}/lays/events")
def events(home: Home, id: int) -> Response:
    """Start what has to be searched and tell how far it is, until every cloth of the project has its lays."""
    project = load(home, id)
    plans = project.cloth_plans.values()
    asked = [asked_of(p) for p in plans if not p.answers or jobs.state(p.question)]
    asked += [a for p in plans if (a := unmatched_of(home, p)) is not None]
    return follow(home, asked, SECONDS_FOR_A_LAY)


def asked_of(plan: ClothPlan) -> Asked:
    return Asked(
        label=plan.role.words.capitalize(), problem=plan.problem, question=plan.question, answered=bool(plan.answers)
    )


def unmatched_of(home: House, plan: ClothPlan) -> Asked | None:
    """The same lay with nothing matched, still to be searched: it tells what matching costs."""
    if plan.unmatched is None:
        return None
    question = lays.question_of(plan.unmatched)
    if lays.answers(home.db, question) and jobs.state(question) is None:
        return None
    return Asked(
        label=f"{plan.role.words.capitalize()}, not matched",
        problem=plan.unmatched,
        question=question,
        answered=False,
        patient=True,
    )


def follow(home: House, asked: list[Asked], seconds: float) -> Response:
    """Start searches that do not run yet, and stream how far they are until all are answered."""
    for question in asked:
        if jobs.state(question.question) is None:
            jobs.start(question.question, question.problem, question.seconds or seconds)
    stream = StreamingResponse(_stream(home, asked), media_type="text/event-stream")
    stream.headers["Cache-Control"] = "no-store"
    return stream


def _stream(home: House, asked: list[Asked]) -> Iterator[str]:
    db = connect(home.request.app.state.database)
    try:
        left = list(asked)
        while left:
            words = []
            for question in list(left):
                state = jobs.state(question.question)
                if state is None or state.state == "done":
                    left.remove(question)
                    if state is not None:
                        lays.keep_answers(db, question.question, _collected(question, db))
                    continue
                if state.state == "lost":
                    jobs.start(question.question, question.problem, state.seconds, again=True)
                words.append(_words(home, question, state))
            if len(words) > SHOWN:
                words = [*words[:SHOWN], f"and {len(words) - SHOWN} more wait"]
            yield f"event: progress\ndata: {json.dumps({'words': words})}\n\n"
            if left:
                time.sleep(EVERY)
        yield "event: done\ndata: {}\n\n"
    finally:
        db.close()


def _collected(asked: Asked, db: Connection) -> dict[str, Plan | LayRefusal]:
    """The answers of a finished search, each the shorter of the new and the one that was kept before."""
    try:
        found = jobs.collect(asked.question)
    except LayRefusal as error:
        found = {} if asked.answered else {"open": error}
    for name, before in lays.answers(db, asked.question).items():
        now = found.get(name)
        if isinstance(before, Plan) and not (isinstance(now, Plan) and now.length < before.length):
            found[name] = before
    return found


def _words(home: House, asked: Asked, state: jobs.JobState) -> str:
    name = asked.label + (" (started again, its worker had stopped)" if state.again else "")
    if state.state == "lost":
        return f"{name}: the worker stopped in the middle; started again"
    if state.state == "waiting":
        if state.waited > jobs.WAITED_TOO_LONG and not asked.patient:
            return f"{name}: no worker takes it. Is “rowanseed worker” running?"
        return f"{name}: waiting for its turn"
    if state.length is None:
        return f"{name}: measuring the pieces against each other, {state.elapsed:.0f} s"
    length = format_cloth(state.length, home.units)
    return f"{name}: {length}, {state.lay}, {state.elapsed:.0f} of {state.seconds:.0f} s"


@router.post("/projects/{id}/lays/stop")
def stop(home: Home, id: int, typed: Typing) -> Response:
    """Take the shortest lays found so far."""
    for plan in load(home, id).cloth_plans.values():
        jobs.stop(plan.question)
    return go(f"/projects/{id}/{typed.get('station') if typed.get('station') in ('cloth', 'cut') else 'lay'}")


@router.post("/projects/{id}/lays/tighten")
def tighten(home: Home, id: int, typed: Typing) -> Response:
    """Search one cloth's lay for longer."""
    project = load(home, id)
    plan = next((p for p in project.cloth_plans.values() if p.role.value == typed.get("role")), None)
    if plan is not None and jobs.state(plan.question) is None:
        jobs.start(plan.question, plan.problem, TIGHTEN_SECONDS)
    return go(f"/projects/{id}/lay?role={typed.get('role', '')}")
