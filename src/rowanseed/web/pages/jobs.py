"""Lays being searched: progress as server-sent events, stopping, and searching longer."""

from __future__ import annotations

import json
import time
from collections.abc import Iterator

from fastapi import APIRouter, Response
from fastapi.responses import StreamingResponse

from rowanseed.core.errors import LayError
from rowanseed.core.lay.problem import Plan
from rowanseed.core.units import format_cloth
from rowanseed.jobs import lays as jobs
from rowanseed.store import lays
from rowanseed.store.database import Connection, connect
from rowanseed.web.deps import Home, House, Typing, go
from rowanseed.web.project import SECONDS_FOR_A_LAY, ClothPlan, load

router = APIRouter()

EVERY = 0.2
TIGHTEN_SECONDS = 20.0


@router.get("/projects/{id}/lays/events")
def events(home: Home, id: int) -> Response:
    """Start what has to be searched and tell how far it is, until every cloth of the project has its lays."""
    project = load(home, id)
    open_plans = [plan for plan in project.cloth_plans.values() if not plan.answers or jobs.state(plan.question)]
    for plan in open_plans:
        if jobs.state(plan.question) is None:
            jobs.start(plan.question, plan.problem, SECONDS_FOR_A_LAY)
    stream = StreamingResponse(_stream(home, open_plans), media_type="text/event-stream")
    stream.headers["Cache-Control"] = "no-store"
    return stream


def _stream(home: House, plans: list[ClothPlan]) -> Iterator[str]:
    db = connect(home.request.app.state.database)
    try:
        left = list(plans)
        while left:
            words = []
            for plan in list(left):
                state = jobs.state(plan.question)
                if state is None or state.state == "done":
                    left.remove(plan)
                    if state is not None:
                        lays.keep_answers(db, plan.question, _collected(plan, db))
                    continue
                if state.state == "lost":
                    jobs.start(plan.question, plan.problem, state.seconds, again=True)
                words.append(_words(home, plan, state))
            yield f"event: progress\ndata: {json.dumps({'words': words})}\n\n"
            if left:
                time.sleep(EVERY)
        yield "event: done\ndata: {}\n\n"
    finally:
        db.close()


def _collected(plan: ClothPlan, db: Connection) -> dict[str, Plan | LayError]:
    """The answers of a finished search, each the shorter of the new and the one that was kept before."""
    try:
        found = jobs.collect(plan.question)
    except LayError as error:
        found = {} if plan.answers else {"open": error}
    for name, before in lays.answers(db, plan.question).items():
        now = found.get(name)
        if isinstance(before, Plan) and not (isinstance(now, Plan) and now.length < before.length):
            found[name] = before
    return found


def _words(home: House, plan: ClothPlan, state: jobs.JobState) -> str:
    name = plan.role.value.capitalize() + (" (started again, its worker had stopped)" if state.again else "")
    if state.state == "lost":
        return f"{name}: the worker stopped in the middle; started again"
    if state.state == "waiting":
        if state.waited > jobs.WAITED_TOO_LONG:
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
