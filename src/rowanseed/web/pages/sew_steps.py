"""What a sewist does to her order besides ticking it off: put off, leave out, add, move, note, time."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Response, UploadFile
from pydantic import BeforeValidator, Field

from rowanseed.app.open_project import load
from rowanseed.app.sewing import Sewing
from rowanseed.core.base.errors import DocumentError, NotThere
from rowanseed.core.make.line_of_work import OWN, OwnStep
from rowanseed.core.make.operation import Bench
from rowanseed.reading import apart
from rowanseed.settings import settings
from rowanseed.store import sewing as store
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Form, Text, bind
from rowanseed.web.once import Once
from rowanseed.web.pages.sew import sew_page

router = APIRouter(route_class=Once)
LONGEST_STEP = 24 * 60


def _minutes(value: object) -> object:
    return value.strip().replace(",", ".").removesuffix("min").strip() if isinstance(value, str) else value


class OwnForm(Form):
    """A step of one's own."""

    title: Text
    how: str = ""
    bench: Bench
    minutes: Annotated[float, BeforeValidator(_minutes), Field(gt=0, le=LONGEST_STEP)]
    before: str = ""


def _sewing(home: House, id: int, step: str) -> Sewing:
    sewing = Sewing(load(home, id))
    if step not in sewing.line.by_id:
        raise NotThere("step")
    return sewing


def _is_behind(sewing: Sewing, key: str) -> bool:
    """Whether a step was done, or left out, in another window: its page says so, and has none of these forms."""
    return key in sewing.line.log.done or key in sewing.line.log.left_out


@router.post("/projects/{id}/sew/put-off")
def put_off(home: Home, id: Id, typed: Typing) -> Response:
    sewing = _sewing(home, id, typed.get("key", ""))
    if _is_behind(sewing, typed["key"]):
        return go(f"/projects/{id}/sew?step={typed['key']}")
    sewing.look_first()
    store.put_off(home.db, id, typed["key"])
    return go(f"/projects/{id}/sew")


@router.post("/projects/{id}/sew/take-up")
def take_up(home: Home, id: Id, typed: Typing) -> Response:
    """Neither put off nor left out any longer."""
    _sewing(home, id, typed.get("key", ""))
    store.take_up_again(home.db, id, typed["key"])
    return go(f"/projects/{id}/sew?step={typed['key']}")


@router.post("/projects/{id}/sew/leave-out")
def leave_out(home: Home, id: Id, typed: Typing) -> Response:
    """Leave a step out, with the reason; one that others cannot do without is not left out, but done another way."""
    key = typed.get("key", "")
    sewing = _sewing(home, id, key)
    why = " ".join(typed.get("why", "").split())[:400]
    if _is_behind(sewing, key):
        return go(f"/projects/{id}/sew?step={key}")
    if not why:
        said = {"why": "Write why, so that you know it when you come back to it."}
        return sew_page(home, sewing, step=key, errors=said, typed=typed, status=422)
    held = sewing.line.held_up(key)
    sewing.look_first()
    if typed.get("other") == "yes":
        missing = sewing.tick(key, with_needs=False, now=datetime.now())
        if missing:
            return go(f"/projects/{id}/sew?step={key}&ask=done")
        store.add_step_note(home.db, id, key, f"Done another way: {why}", None, home.today)
        return go(f"/projects/{id}/sew")
    if held:
        named = "; ".join(f"“{op.title}”" for op in held[:3])
        said = {"why": f"It cannot be left out: {named} cannot be done without it. If you do it another way, say so."}
        return sew_page(home, sewing, step=key, errors=said, typed=typed, status=422)
    store.leave_out(home.db, id, key, why)
    return go(f"/projects/{id}/sew")


@router.post("/projects/{id}/sew/own")
def add_own(home: Home, id: Id, typed: Typing) -> Response:
    sewing = Sewing(load(home, id))
    form, errors = bind(OwnForm, typed, home.units.small)
    at = typed.get("at", "")
    if form is None:
        return sew_page(home, sewing, step=at, errors=errors, typed=typed, status=422)
    before = form.before if form.before in sewing.line.by_id else ""
    sewing.look_first()
    own = OwnStep("", form.title[:200], form.bench, form.minutes, before, form.how.strip()[:2000])
    step = store.add_step(home.db, id, own)
    return go(f"/projects/{id}/sew?step={step}")


@router.post("/projects/{id}/sew/own/remove")
def remove_own(home: Home, id: Id, typed: Typing) -> Response:
    key = typed.get("key", "")
    _sewing(home, id, key)
    if not key.startswith(OWN):
        raise NotThere("step of your own")
    store.remove_step(home.db, id, key)
    return go(f"/projects/{id}/sew")


@router.post("/projects/{id}/sew/move")
def move(home: Home, id: Id, typed: Typing) -> Response:
    """Have a step come before another, if it can."""
    key, before = typed.get("key", ""), typed.get("before", "")
    sewing = _sewing(home, id, key)
    if before == key or (before and before not in sewing.line.by_id):
        raise NotThere("step")
    why = sewing.line.why_not_moved(key, before)
    if why:
        return sew_page(home, sewing, step=key, errors={"before": why}, typed=typed, status=422)
    sewing.look_first()
    store.move(home.db, id, key, before)
    return go(f"/projects/{id}/sew?step={key}")


@router.post("/projects/{id}/sew/move/back")
def move_back(home: Home, id: Id, typed: Typing) -> Response:
    _sewing(home, id, typed.get("key", ""))
    store.move_back(home.db, id, typed["key"])
    return go(f"/projects/{id}/sew?step={typed['key']}")


@router.post("/projects/{id}/sew/note")
def note(home: Home, id: Id, typed: Typing, photo: UploadFile | None = None) -> Response:
    """A note at a step, with a photo or without."""
    key = typed.get("key", "")
    sewing = _sewing(home, id, key)
    text = typed.get("text", "").strip()[:4000]
    data = photo.file.read(settings().largest_photo + 1) if photo is not None and photo.filename else b""
    if not text and not data:
        said = {"text": "Write something, or choose a photo."}
        return sew_page(home, sewing, step=key, errors=said, typed=typed, status=422)
    try:
        jpeg = apart.photo(data) if data else None
    except DocumentError as error:
        return sew_page(home, sewing, step=key, errors={"photo": home.told(error)}, typed=typed, status=422)
    store.add_step_note(home.db, id, key, text, jpeg, home.today)
    return go(f"/projects/{id}/sew?step={key}#notes")


@router.post("/projects/{id}/sew/note/remove")
def remove_note(home: Home, id: Id, typed: Typing) -> Response:
    number = typed.get("note", "")
    if number.isdigit():
        store.remove_step_note(home.db, id, int(number))
    return go(f"/projects/{id}/sew?step={typed.get('key', '')}")


@router.get("/projects/{id}/sew/photo/{note}.jpg")
def note_photo(home: Home, id: Id, note: Id) -> Response:
    jpeg = store.step_photo(home.db, id, note)
    if jpeg is None:
        raise NotThere("photo")
    return Response(jpeg, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=60"})


@router.post("/projects/{id}/sew/clock")
def clock(home: Home, id: Id, typed: Typing) -> Response:
    """Start the clock for a step, or stop it and let its time go; done, its time is kept."""
    key = typed.get("key", "")
    _sewing(home, id, key)
    if typed.get("do") == "start":
        store.start_clock(home.db, id, key, datetime.now())
    else:
        store.stop_clock(home.db, id)
    return go(f"/projects/{id}/sew?step={key}")


@router.post("/projects/{id}/sew/looked")
def looked(home: Home, id: Id) -> Response:
    """What has changed in the order has been looked at."""
    Sewing(load(home, id)).look()
    return go(f"/projects/{id}/sew")
