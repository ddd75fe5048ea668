"""What a try-on showed: an alteration of what is not cut yet, steps for what is, and a lesson for next time."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from fastapi import APIRouter, Response

from rowanseed.app.lines import new_line
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.sewing import Sewing
from rowanseed.core.alter.change import Alteration, Altered
from rowanseed.core.alter.kinds import title
from rowanseed.core.alter.seam import edge_count
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.base.units import format_length
from rowanseed.core.garment import GarmentChoices, altered
from rowanseed.core.make.fitting import steps_for, too_much
from rowanseed.core.make.operation import Operation
from rowanseed.store import lessons, projects
from rowanseed.store import sewing as store
from rowanseed.web.deps import Home, Id, Typing, go
from rowanseed.web.forms import Errors, bind
from rowanseed.web.once import Once
from rowanseed.web.pages.fit_alter import AlterForm, wanted
from rowanseed.web.pages.sew import sew_page

router = APIRouter(route_class=Once)


@router.post("/projects/{id}/sew/fitted")
def fitted(home: Home, id: Id, typed: Typing) -> Response:
    """Keep one thing that the try-on showed."""
    project = load(home, id)
    sewing, key = Sewing(project), typed.get("key", "")
    gate = sewing.line.by_id.get(key)
    if gate is None or not gate.is_gate or project.core.choices is None:
        raise NotThere("try-on")
    form, errors = bind(AlterForm, typed, home.units.small)
    asked = wanted(project, form, errors) if form is not None else None
    new = _tried(project, asked, errors, home) if asked is not None else None
    if asked is None or new is None:
        return sew_page(home, sewing, step=key, errors=_named(errors), typed=dict(typed), status=422)
    cut = {item.piece.id for item in project.cut_items if item.key in project.ticked("cut")}
    uncut = {item.piece.id for item in project.cut_items} - cut
    step = new.steps[-1]
    join = next((j for j in project.core.garment.making.joins if j.id == asked.at), None)
    each = asked.by / edge_count(project.pattern, join) if asked.kind == "seam" and join is not None else 0.0
    if each > 0 and join is not None:
        edges = [(part.piece, part.edge) for part in (*join.a, *join.b)]
        much = too_much(sewing.bench, edges, each, cut)
        if much is not None:
            most = format_length(much.most, home.units, fine=True)
            piece = project.pattern.piece(much.piece).name
            said = f"The {piece.lower()} is cut: its allowance gives {most} at each edge, and no more."
            return sew_page(home, sewing, step=key, errors={"fit-by": said}, typed=dict(typed), status=422)
    words = title(asked, project.pattern)
    amount = format_length(abs(asked.by), home.units, fine=True)
    changed = {touched.piece: set(touched.edges) for touched in step.touched}
    sewn = [
        id
        for op in sewing.line.steps
        if op.id in sewing.log.done and op.act.sews_join
        for id in op.on.joins
        if _changes(sewing, id, changed)
    ]
    own = steps_for(
        sewing.bench,
        f"{words} {amount}",
        step.touched,
        at_each=each,
        cut=cut,
        sewn=sewn,
        before=sewing.line.next if sewing.line.next and sewing.line.next.id != key else _after(sewing, key),
    )
    sewing.look_first()
    if uncut or not cut:
        # What is still to be cut is cut as altered; what is cut is brought to it by the steps.
        fit = replace(
            project.record.fit,
            alterations=(*project.core.alterations, replace(asked, id=new_line())),
            altered_in=project.core.size or "",
        )
        home.decide(project, typed, fit=fit, size=project.core.size)
        _cut_stays(home, id)
    store.add_steps(home.db, id, own)
    lessons.add_lesson(home.db, id, asked, typed.get("said", "").strip()[:400], home.today)
    return go(f"/projects/{id}/sew?step={key}&fitted=yes")


def _changes(sewing: Sewing, id: str, changed: Mapping[str, set[str]]) -> bool:
    """Whether a seam runs along an edge that the alteration moves, on both its sides."""
    join = sewing.bench.joins.get(id)
    return join is not None and all(
        any(part.edge in changed.get(part.piece, ()) for part in side) for side in (join.a, join.b)
    )


def _after(sewing: Sewing, key: str) -> Operation | None:
    """The first step that is left after a gate."""
    ids = [op.id for op in sewing.line.steps]
    rest = sewing.line.steps[ids.index(key) + 1 :]
    return next((op for op in rest if op.id not in sewing.line.settled), None)


def _named(errors: Errors) -> Errors:
    """The fields of this form by their names on the page."""
    return {f"fit-{name}": said for name, said in errors.items()}


def _tried(project: OpenProject, asked: Alteration, errors: Errors, home: Home) -> Altered | None:
    """The garment with the new alteration; None, with the reason at the field, where it cannot be carried out."""
    choices = project.core.choices
    if choices is None:
        return None
    alterations = (*project.core.alterations, asked)
    try:
        return altered(
            project.pattern,
            GarmentChoices(view=choices.view, size=choices.size, blend=choices.blend, alterations=alterations),
        )
    except RowanseedError as error:
        errors["by"] = home.told(error, project.pattern)
        return None


def _cut_stays(home: Home, id: int) -> None:
    """Pieces that are cut are altered in sewing: they are not asked to be cut again."""
    project = load(home, id)
    for item, _ in project.cut_otherwise:
        projects.set_tick(home.db, id, "cut", item.key, True, what=item.what, words=project.as_cut)
