"""What a try-on showed: an alteration of what is not cut yet, steps for what is, and a lesson for next time."""

from __future__ import annotations

from dataclasses import replace

from fastapi import APIRouter, Response

from rowanseed.app.lines import new_line
from rowanseed.app.open_project import load
from rowanseed.app.sewing import Sewing
from rowanseed.app.tried_on import TriedOn, cut_stays
from rowanseed.core.alter.kinds import title
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.base.units import format_length
from rowanseed.store import lessons
from rowanseed.store import sewing as store
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Errors, bind
from rowanseed.web.once import Once
from rowanseed.web.pages.fit_alter import AlterForm, wanted
from rowanseed.web.pages.sew import sew_page

router = APIRouter(route_class=Once)
LONGEST = 400


@router.post("/projects/{id}/sew/fitted")
def fitted(home: Home, id: Id, typed: Typing) -> Response:
    """Keep one thing that the try-on showed."""
    sewing, key = Sewing(load(home, id)), typed.get("key", "")
    gate = sewing.line.by_id.get(key)
    if gate is None or not gate.is_gate or sewing.project.core.choices is None:
        raise NotThere("try-on")
    form, errors = bind(AlterForm, typed, home.units.small)
    asked = wanted(sewing.project, form, errors) if form is not None else None
    shown = TriedOn(sewing, gate, asked) if asked is not None else None
    if shown is None or not _can_be_done(home, shown, errors):
        named = {f"fit-{name}": said for name, said in errors.items()}
        return sew_page(home, sewing, step=key, errors=named, typed=dict(typed), status=422)
    words = f"{title(shown.asked, sewing.project.pattern)} {_amount(home, shown.asked.by)}"
    own = shown.steps(words)
    sewing.look_first()
    if not shown.is_all_cut:
        # What is still to be cut is cut as altered; what is cut is brought to it by the steps.
        added = (*sewing.project.core.alterations, replace(shown.asked, id=new_line()))
        size = sewing.project.core.size
        fit = replace(sewing.project.record.fit, alterations=added, altered_in=size or "")
        home.decide(sewing.project, typed, fit=fit, size=size)
        cut_stays(Sewing(load(home, id)))
    store.add_steps(home.db, id, own)
    lessons.add_lesson(home.db, id, shown.asked, typed.get("said", "").strip()[:LONGEST], home.today)
    return go(f"/projects/{id}/sew?step={key}&fitted=yes")


def _can_be_done(home: House, shown: TriedOn, errors: Errors) -> bool:
    """Whether it can be carried out, on what is cut too; if not, the reason is put at the field."""
    try:
        much = shown.altered.steps and shown.too_much
    except RowanseedError as error:
        errors["by"] = home.told(error, shown.sewing.project.pattern)
        return False
    if much:
        piece = shown.sewing.project.pattern.piece(much.piece).name.lower()
        errors["by"] = f"The {piece} is cut: its allowance gives {_amount(home, much.most)} at each edge, and no more."
    return not much


def _amount(home: House, mm: float) -> str:
    return format_length(abs(mm), home.units, fine=True)
