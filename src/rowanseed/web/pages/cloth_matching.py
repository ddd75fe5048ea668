"""What of a cloth's print is matched: chosen at Cloth, or where the seams are shown as they will look sewn."""

from __future__ import annotations

import math
from dataclasses import replace

from fastapi import APIRouter, Response

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.base.errors import NotThere
from rowanseed.core.cloth.matching import Matching, can_match, offered, rule_of_thumb
from rowanseed.core.cloth.matching.symmetry import places
from rowanseed.core.garment import matched
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.pieces import Role
from rowanseed.web.deps import Home, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.cloth import MatchOffer

router = APIRouter(route_class=Once)


@router.post("/projects/{id}/cloth/matching")
def match(home: Home, id: Id, typed: Typing) -> Response:
    """What is matched on one of the cloths, and whether hems lie on its border."""
    project = load(home, id)
    role = next((role for role in project.core.roles if role.value == typed.get("role")), None)
    if role is None or role not in project.cloth_plans:
        raise NotThere("cloth")
    choices = project.core.cloth_choices
    how = _typed(project, project.cloth_plans[role], typed)
    on_border = typed.get("on_border") == "yes" if "border_asked" in typed else choices.on_border
    chosen = replace(choices, matching=choices.matching_with(role, how), on_border=on_border)
    home.decide(project, typed, cloth_choices=chosen)
    return go(f"/projects/{id}/lay/sewn?role={role.value}" if typed.get("back") == "sewn" else f"/projects/{id}/cloth")


def _typed(project: OpenProject, found: ClothPlan, typed: dict[str, str]) -> Matching:
    """The kinds that were ticked; a place of the print only where centres are matched; what is held unless let go."""
    before, cloth, role = project.core.cloth_choices.matched(found.role), found.entry.cloth, found.role.value
    kinds = frozenset(kind.id for kind in offered(cloth) if typed.get(f"match-{role}-{kind.id}") == "yes")
    said = typed.get(f"centre-{role}", "")
    at = next((place.at for place in places(cloth) if f"{place.at:g}" == said), None)
    if said and at is None:
        raise NotThere("place of the print")
    held = tuple(one for one in before.held if typed.get(f"held-{role}-{one.piece}") == "yes")
    return Matching(kinds, at if "centres" in kinds else None, held)


def offer(project: OpenProject, found: ClothPlan) -> MatchOffer | None:
    """What can be matched on a cloth; None where nothing on it repeats."""
    cloth, role = found.entry.cloth, found.role
    if not can_match(cloth) or project.core.choices is None:
        return None
    how = project.core.cloth_choices.matched(role)
    _, said = matched(project.core.cut_pattern, project.core.choices, role, cloth, how)
    names = {piece.id: piece.name for piece in project.core.cut_pattern.pieces}
    return MatchOffer(
        how=how,
        kinds=offered(cloth),
        places=places(cloth),
        held=[(one.piece, names[one.piece]) for one in how.held if one.piece in names],
        said=said,
        rule=_rule(found),
    )


def has_border(role: Role, found: ClothPlan) -> bool:
    """Whether hems can be asked to lie on a border: the main cloth's."""
    return role is Role.MAIN and found.entry.cloth.border.value != "none"


def _rule(plan: ClothPlan) -> float:
    """A repeat more for each length of cloth: as many as garment lengths follow one another in the lay."""
    longest = max((bounds(p.whole())[2] - bounds(p.whole())[0] for p in plan.problem.pieces), default=0.0)
    number = math.ceil(plan.plan.length / longest) if plan.plan is not None and longest else 0
    return rule_of_thumb(number, plan.entry.cloth.ready_repeat[0] or 0.0)
