"""The print as it will look sewn: seam by seam, for the lay in use."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.core.base.units import format_cloth, format_length
from rowanseed.core.cloth.across_seams import not_shown, sewn_seams
from rowanseed.drawings.sewn import draw_sewn
from rowanseed.web.deps import Home, Id, go
from rowanseed.web.once import Once
from rowanseed.web.pages.lay import role_of
from rowanseed.web.views.lay_sewn import Seam, SewnView

router = APIRouter(route_class=Once)
MEETS = 1.0
"""A print that is no more than so many mm off meets."""


@router.get("/projects/{id}/lay/sewn")
def show_sewn(home: Home, id: Id, role: str | None = None) -> Response:
    project = load(home, id)
    chosen = role_of(project, role)
    found = project.cloth_plans[chosen] if chosen is not None else None
    if chosen is None or found is None or found.plan is None or project.core.size is None:
        return go(f"/projects/{id}/lay" + (f"?role={role}" if role else ""))
    pattern, size, cloth = project.core.cut_pattern, project.core.size, found.entry.cloth
    seams = []
    for k, seam in enumerate(sewn_seams(pattern, size, found.problem, found.plan, cloth)):
        meets = seam.off is None or abs(seam.off) <= MEETS
        off = format_length(abs(seam.off or 0.0), home.units, fine=True)
        said = "nothing repeats along it" if seam.off is None else "the print meets" if meets else f"misses by {off}"
        seams.append(Seam(seam.join.name, said, meets, draw_sewn(pattern, size, seam, cloth, f"sewn-{k}")))
    needed = project.need(chosen)
    cost = ""
    if needed is not None and needed.unmatched is not None:
        more = needed.lay.quantity.value - needed.unmatched.quantity.value
        cost = f"Matching takes {format_cloth(max(0.0, more), home.units)} more of the cloth than leaving it be."
    return home.show(
        SewnView(
            project=project,
            role=chosen,
            seams=tuple(seams),
            not_shown=not_shown(pattern),
            is_batch=any(piece.garment > 1 for piece in pattern.pieces),
            how=project.core.cloth_choices.matched(chosen),
            cost=cost,
            cloth_name=cloth.name,
            has_print=bool(cloth.repeat),
        )
    )
