"""Lays being searched: progress as server-sent events, stopping, and searching longer."""

from __future__ import annotations

from fastapi import APIRouter, Response
from starlette.concurrency import run_in_threadpool

from rowanseed.app import searching
from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import load
from rowanseed.app.searching import Asked, asked
from rowanseed.settings import settings
from rowanseed.web.deps import Home, Id, Typing, go
from rowanseed.web.events import follow, until_answered
from rowanseed.web.once import Once

router = APIRouter(route_class=Once)

STATIONS = ("cloth", "cut")


def asked_of(plan: ClothPlan) -> list[Asked]:
    """The lay of a cloth and, where something is matched, the same with nothing matched: it tells what that costs."""
    seconds, name = settings().seconds_for_a_lay, plan.role.words.capitalize()
    found = [asked(name, plan.problem, seconds)]
    if plan.unmatched is not None:
        found.append(asked(f"{name}, not matched", plan.unmatched, seconds, patient=True))
    return found


@router.get("/projects/{id}/lays/events")
def lay_events(home: Home, id: Id) -> Response:
    """Start what has to be searched and tell how far it is, until every cloth of the project has its lays."""
    every = [one for plan in load(home, id).cloth_plans.values() for one in asked_of(plan)]
    return follow(home, searching.unanswered(home.db, every))


@router.get("/projects/{id}/{station}/worked-out")
async def work_out(home: Home, id: Id, station: str) -> Response:
    """Search the lays that are still unknown, then show the station: for a browser that runs no scripts."""
    every = await run_in_threadpool(lambda: [one for p in load(home, id).cloth_plans.values() for one in asked_of(p)])
    await until_answered(home, searching.unanswered(home.db, every))
    return go(f"/projects/{id}/{station if station in STATIONS else 'lay'}")


@router.post("/projects/{id}/lays/stop")
def stop_lays(home: Home, id: Id, typed: Typing) -> Response:
    """Take the shortest lays found so far, the unmatched ones among them; or throw them away where others are known."""
    project = load(home, id)
    if typed.get("throw") == "yes" and project.has_lays:
        searching.give_up(home.db, project.questions)
    else:
        searching.stop(project.questions)
    return go(f"/projects/{id}/{typed.get('station') if typed.get('station') in STATIONS else 'lay'}")


@router.post("/projects/{id}/lays/again")
def search_again(home: Home, id: Id, typed: Typing) -> Response:
    """Search anew what has failed."""
    every = [one for plan in load(home, id).cloth_plans.values() for one in asked_of(plan)]
    searching.ask(home.db, searching.unanswered(home.db, every), again=True)
    return go(f"/projects/{id}/{typed.get('station') if typed.get('station') in STATIONS else 'lay'}")


@router.post("/projects/{id}/lays/tighten")
def tighten(home: Home, id: Id, typed: Typing) -> Response:
    """Search one cloth's lay for longer."""
    project = load(home, id)
    plan = next((p for p in project.cloth_plans.values() if p.role.value == typed.get("role")), None)
    if plan is not None:
        longer = asked(plan.role.words.capitalize(), plan.problem, settings().seconds_to_tighten)
        searching.ask(home.db, [longer], again=True)
    return go(f"/projects/{id}/lay?role={typed.get('role', '')}")
