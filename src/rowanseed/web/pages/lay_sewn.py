"""The print as it will look sewn: seam by seam, for the lay in use."""

from __future__ import annotations

from collections.abc import Iterator

from fastapi import APIRouter, Response

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.base.units import format_cloth, format_length
from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.across_seams import not_shown, sewn_seams
from rowanseed.core.cloth.matching import can_match
from rowanseed.core.cloth.on_ground import pockets_on_ground
from rowanseed.drawings.sewn import draw_sewn
from rowanseed.drawings.sewn_pocket import draw_on_ground
from rowanseed.web.deps import Home, House, Id, go
from rowanseed.web.once import Once
from rowanseed.web.pages.cloth_matching import offer
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
    seams = (*_seams(home, project, found), *_pockets(home, project, found))
    needed = project.need(chosen)
    cost = ""
    if needed is not None and needed.unmatched is not None:
        more = needed.lay.quantity.value - needed.unmatched.quantity.value
        cost = f"Matching takes {format_cloth(max(0.0, more), home.units)} more of the cloth than leaving it be."
    shown = offer(project, found)
    return home.show(
        SewnView(
            project=project,
            role=chosen,
            seams=seams,
            not_shown=not_shown(project.core.cut_pattern),
            is_batch=any(piece.garment > 1 for piece in project.core.cut_pattern.pieces),
            matching=shown,
            cloth=found.entry.cloth,
            cost=cost,
            has_print=can_match(found.entry.cloth),
        )
    )


def _seams(home: House, project: OpenProject, found: ClothPlan) -> Iterator[Seam]:
    """The seams of body and sleeves, each with its picture."""
    pattern, size, cloth = project.core.cut_pattern, project.core.size or "", found.entry.cloth
    if found.plan is None:
        return
    for k, seam in enumerate(sewn_seams(pattern, size, found.problem, found.plan, cloth)):
        said = "nothing repeats along it" if seam.off is None else "the print meets"
        if not _meets(seam.off):
            said = f"misses by {_far(home, seam.off)}"
        if seam.on_bias and seam.off is None:
            said = "on the bias" if seam.off_v is not None else "on the bias: nothing has it meet"
        if seam.off_v is not None:
            in_v = _meets(seam.off_v)
            said += "; its lines meet in a V" if in_v else f"; its lines miss their V by {_far(home, seam.off_v)}"
        left_to_itself = seam.on_bias and seam.off is None and seam.off_v is None
        meets = _meets(seam.off) and not left_to_itself
        yield Seam(seam.join.name, said, meets, draw_sewn(pattern, size, seam, cloth, f"sewn-{k}"))


def _pockets(home: House, project: OpenProject, found: ClothPlan) -> Iterator[Seam]:
    """Pockets on their ground, each with its picture."""
    pattern, size, cloth = project.core.cut_pattern, project.core.size or "", found.entry.cloth
    if found.plan is None:
        return
    view = project.record.view
    for k, on in enumerate(pockets_on_ground(pattern, size, found.role, view, found.problem, found.plan, cloth)):
        missed = [
            f"{words} miss by {_far(home, off)}"
            for words, off in (("bars", on.off_along), ("lines", on.off_across))
            if not _meets(off)
        ]
        name = f"{on.pocket.name} on the {lower_first(on.ground.name)}"
        said = ", ".join(missed) or "the print runs on over it"
        yield Seam(name, said, not missed, draw_on_ground(on, size, cloth, f"pocket-{k}"))


def _meets(off: float | None) -> bool:
    return off is None or abs(off) <= MEETS


def _far(home: House, off: float | None) -> str:
    return format_length(abs(off or 0.0), home.units, fine=True)
