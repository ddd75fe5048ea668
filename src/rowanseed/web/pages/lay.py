"""The Lay station: where each piece lies."""

from __future__ import annotations

import json
from urllib.parse import quote

from fastapi import APIRouter, Response

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.shared_lay import gone_from, laid_with, may_lie_together_again
from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.base.saying import said
from rowanseed.core.base.working import Given, Source, Working, count, percent
from rowanseed.core.cloth.cloth import PrintedCloth
from rowanseed.core.cutting import CutItem, cut_list
from rowanseed.core.lay.choice import piece_names
from rowanseed.core.lay.problem import Plan, laid
from rowanseed.core.pattern.pieces import Role
from rowanseed.drawings.lay import draw_lay, draw_thumbnail, laid_words
from rowanseed.drawings.lay_pieces import LayView
from rowanseed.formats.layout_json import plan_document, problem_document
from rowanseed.store.lays import KeptLay, keep_lay
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.lay_and_cut import NoLayView, ShownLayView

router = APIRouter(route_class=Once)


def role_of(project: OpenProject, wanted: str | None) -> Role | None:
    """The cloth asked for, or the first one that has been chosen."""
    roles = list(project.cloth_plans)
    return next((role for role in roles if role.value == wanted), roles[0] if roles else None)


@router.get("/projects/{id}/lay")
def show_lay(home: Home, id: Id, role: str | None = None, lay: str | None = None) -> Response:
    project = load(home, id)
    chosen = role_of(project, role)
    if chosen is None:
        return home.show(NoLayView(project=project))
    found = project.cloth_plans[chosen]
    kind = next((k for k in found.plans if k == lay), found.kind)
    return lay_page(home, project, found, kind)


def lay_page(home: House, project: OpenProject, found: ClothPlan, kind: str | None) -> Response:
    plan = found.plans.get(kind) if kind else None
    size = project.core.size
    if plan is None or size is None or kind is None:
        refusals = list(_refusals(project, found).values())
        return home.show(NoLayView(project=project, role=found.role, refusals=refusals))
    cloth = found.entry.cloth
    items = cut_list(
        pattern=project.core.cut_pattern,
        size=size,
        role=found.role,
        problem=found.problem,
        plan=plan,
        cloth=cloth,
        units=home.units,
    )
    gone = gone_from(project, found)
    longest = max(p.length for p in found.plans.values())
    return home.show(
        ShownLayView(
            project=project,
            role=found.role,
            found=found,
            kind=kind,
            plan=plan,
            items=items,
            picture=draw_lay(plan, found.problem.cloth, cloth, items, LayView(home.units)),
            thumbs={
                k: draw_thumbnail(p, found.problem.cloth, cloth, laid_words(laid(p)), longest)
                for k, p in found.plans.items()
            },
            refusals=_refusals(project, found),
            way=laid_words(laid(plan)),
            ways={k: laid(p) for k, p in found.plans.items()},
            used=_used(found, plan),
            skewed=_skewed(items),
            by_eye=_on_a_motif(project, found),
            together=tuple(one.name for one in laid_with(project, found)) if plan == found.plan else (),
            gone=gone,
            again_with=may_lie_together_again(project, found) if gone else "",
        )
    )


def _refusals(project: OpenProject, found: ClothPlan) -> dict[str, str]:
    """Why the cloth cannot be laid so, by the way of laying."""
    units, names = project.desk.units, piece_names(project.core.cut_pattern)
    return {k: str(said(a, units, names)) for k, a in found.answers.items() if isinstance(a, LayRefusal)}


def _used(found: ClothPlan, plan: Plan) -> Working:
    area = sum(piece.area * piece.cut for piece in found.problem.pieces) / 1e6
    usable = plan.length * (found.problem.cloth.width - 2 * found.problem.cloth.selvedge) / 1e6
    return Working(
        name="Cloth used",
        quantity=percent(round(plan.density(found.problem), 3)),
        formula="area of the pieces ÷ usable cloth in the layout's length",
        given=(
            Given("area of all pieces, m²", count(round(area, 3)), Source.DRAWING),
            Given("usable cloth, m²", count(round(usable, 3)), Source.WORKED_OUT),
        ),
        rounding="to 0.1 %",
    )


def _on_a_motif(project: OpenProject, found: ClothPlan) -> list[str]:
    """Pieces to be placed on a motif, on cloth that has one."""
    repeat = found.entry.cloth.repeat
    if repeat.along is None and repeat.across is None:
        return []
    cut = project.core.cut_pattern.pieces_for(found.role, project.record.view)
    return [piece.name for piece, one in cut if one.motif]


def _skewed(items: tuple[CutItem, ...]) -> list[str]:
    """Pieces whose grainline does not stand square to the fold; the engine lays none so."""
    return [i.piece.name for i in items if i.grain and abs(i.grain.at_top - i.grain.at_bottom) > 0.5]


@router.post("/projects/{id}/lay")
def keep(home: Home, id: Id, typed: Typing) -> Response:
    """Keep the lay that is shown, or let the kept one go."""
    project = load(home, id)
    role = role_of(project, typed.get("role"))
    if role is None:
        raise NotThere("lay")
    found = project.cloth_plans[role]
    kind = next((k for k in found.plans if k == typed.get("lay")), None)
    keep_lay(
        home.db,
        id,
        role,
        KeptLay(found.question, laid(found.plans[kind]), found.plans[kind]) if kind and "keep" in typed else None,
    )
    return go(f"/projects/{id}/lay?role={role.value}" + (f"&lay={quote(kind)}" if kind else ""))


@router.get("/projects/{id}/lay/{role}/{document}")
def download(home: Home, id: Id, role: str, document: str) -> Response:
    """The layout problem, the plan or the drawing, as open files."""
    project = load(home, id)
    found = next((p for r, p in project.cloth_plans.items() if r.value == role), None)
    if found is None or found.plan is None or project.core.size is None:
        raise NotThere("lay")
    name = f"{role}-{document}"
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    if document == "problem.json":
        return Response(json.dumps(problem_document(found.problem)), media_type="application/json", headers=headers)
    if document == "plan.json":
        return Response(json.dumps(plan_document(found.plan)), media_type="application/json", headers=headers)
    if document == "lay.svg":
        items = cut_list(
            pattern=project.core.cut_pattern,
            size=project.core.size,
            role=found.role,
            problem=found.problem,
            plan=found.plan,
            cloth=found.entry.cloth,
            units=home.units,
        )
        # A file that is taken along has no house to fetch the cloth's photo from.
        cloth = found.entry.cloth.bare if isinstance(found.entry.cloth, PrintedCloth) else found.entry.cloth
        text = draw_lay(found.plan, found.problem.cloth, cloth, items, LayView(home.units, numbered=True))
        return Response(text, media_type="image/svg+xml", headers=headers)
    raise NotThere("file")
