"""When the cloth is short: what can be done, each really laid, what it costs, and which to take."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app import searching
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.saving import searches, tried
from rowanseed.core.base.errors import NotThere
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.combine import combined
from rowanseed.core.saving.passed_over import let_go
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.web.deps import Home, Id, Typing, go
from rowanseed.web.events import follow
from rowanseed.web.once import Once
from rowanseed.web.views.cloth import ShortView

router = APIRouter(route_class=Once)


def _role(project: OpenProject, wanted: str | None) -> Role:
    roles = list(project.cloth_plans)
    found = next((r for r in roles if r.value == wanted), roles[0] if roles else None)
    if found is None:
        raise NotThere("cloth")
    return found


@router.get("/projects/{id}/cloth/short")
def show_short(home: Home, id: Id, role: str | None = None) -> Response:
    project = load(home, id)
    if not project.cloth_plans:
        return go(f"/projects/{id}/cloth")
    chosen = _role(project, role)
    found, entry = tried(project, chosen), project.cloth_plans[chosen].entry
    ranked = found.ranked()
    shown = {attempt.tactics for attempt in ranked}
    return home.show(
        ShortView(
            project=project,
            role=chosen,
            plain=found.plain,
            ranked=ranked,
            best=next((attempt for attempt in ranked if attempt.fits), None),
            left=len(searching.hopeful(home.db, searches(found))),
            failed=searching.failures(home.db, (one.question for one in searches(found))),
            hand=entry.cloth.ready_length,
            idle=[attempt for attempt in found.single if attempt.plans and attempt.tactics not in shown],
            refused=[attempt for attempt in found.single if attempt.answered and not attempt.plans],
            taken=project.core.tactics(chosen),
            tactic_words={id: tactic.say(home.units) for id, tactic in TACTICS.items()},
            least=min((attempt.ready for attempt in found.every if attempt.ready is not None), default=None),
            entry=entry,
        )
    )


@router.get("/projects/{id}/short/{role}/events")
def short_events(home: Home, id: Id, role: str) -> Response:
    project = load(home, id)
    return follow(home, searches(tried(project, _role(project, role), keep=True)))


@router.post("/projects/{id}/short/{role}/again")
def search_short_again(home: Home, id: Id, role: str) -> Response:
    project = load(home, id)
    chosen = _role(project, role)
    searching.ask(home.db, searches(tried(project, chosen)), again=True)
    return go(f"/projects/{id}/cloth/short?role={chosen.value}")


@router.post("/projects/{id}/short/{role}/stop")
def stop_short(home: Home, id: Id, role: str) -> Response:
    project = load(home, id)
    searching.give_up(home.db, [one.question for one in searches(tried(project, _role(project, role)))])
    return go(f"/projects/{id}/cloth")


@router.post("/projects/{id}/cloth/short/{role}")
def take_tactics(home: Home, id: Id, role: str, typed: Typing) -> Response:
    """Take tactics for a cloth: pieces, lay and making order change with them. None: as the pattern has it."""
    project = load(home, id)
    chosen, asked = _role(project, role), tuple(typed.get("tactics", "").split())
    if not set(asked) <= set(TACTICS):
        raise NotThere("tactic")
    tried(project, chosen, keep=True)
    home.decide(project, typed, tactics={**project.record.tactics, chosen: combined(asked)})
    return go(f"/projects/{id}/cloth/short?role={chosen.value}")


@router.post("/projects/{id}/cloth/passed-over")
def let_go_of_passed_over(home: Home, id: Id, typed: Typing) -> Response:
    """Let go of what was to save cloth and changes nothing of this garment."""
    project = load(home, id)
    tactics, choices = let_go(project.record.tactics, project.record.cloth_choices, project.core.saves_nothing)
    home.decide(project, typed, tactics=tactics, cloth_choices=choices)
    return go(f"/projects/{id}/cloth")
