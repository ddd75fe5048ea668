"""Samples: what was tried on scraps of this cloth, with how the machine was set, kept for this garment and the next."""

from __future__ import annotations

from fastapi import APIRouter, Response, UploadFile

from rowanseed.app.open_project import load
from rowanseed.app.sewing import Sewing, is_tried_by
from rowanseed.core.base.errors import DocumentError, NotThere
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.pattern.pieces import Role
from rowanseed.reading import apart
from rowanseed.settings import settings
from rowanseed.store import sewing as store
from rowanseed.store.sewing import Sample
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Errors
from rowanseed.web.once import Once
from rowanseed.web.views.sewing import SampleStep, SamplesView

router = APIRouter(route_class=Once)
FIELDS = ("layers", "needle", "thread", "stitch", "length", "width", "tension", "foot", "result")
LONGEST = 200


@router.get("/projects/{id}/sew/samples")
def show_samples(home: Home, id: Id, sample: str = "") -> Response:
    return samples_page(home, Sewing(load(home, id)), sample, {}, {})


def samples_page(
    home: House, sewing: Sewing, sample: str, typed: dict[str, str], errors: Errors, status: int = 200
) -> Response:
    main = sewing.project.cloth_entries.get(Role.MAIN)
    return home.show(
        SamplesView(
            project=sewing.project,
            cloth=main.cloth.name if main else "",
            steps=tuple(_step(sewing, op) for op in sewing.line.steps if op.act is Act.SAMPLE),
            open=sample,
            usual=_usual(home, sewing),
            typed=typed,
            errors=errors,
        ),
        status,
    )


def _step(sewing: Sewing, op: Operation) -> SampleStep:
    name = op.id.removeprefix("sample-")
    return SampleStep(
        op=op,
        sample=name,
        kept=tuple(one for one in sewing.samples if one.sample == name),
        fills=tuple(step for step in sewing.line.steps if name in sewing.tried_by(step) and is_tried_by(op, step)),
    )


def _usual(home: House, sewing: Sewing) -> dict[str, Sample]:
    """What a sample's fields begin with: the setting it is tried with."""
    out = {}
    for op in sewing.line.steps:
        if op.act is Act.SAMPLE:
            name, setting = op.id.removeprefix("sample-"), op.setting
            out[name] = Sample(
                sample=name,
                layers="2",
                needle=setting.needle if setting else "",
                stitch=setting.stitch if setting else "",
                length=setting.stitch_length(home.units) if setting else "",
                foot=setting.foot if setting else "",
            )
    return out


@router.post("/projects/{id}/sew/samples")
def keep(home: Home, id: Id, typed: Typing, photo: UploadFile | None = None) -> Response:
    sewing = Sewing(load(home, id))
    name = typed.get("sample", "")
    if f"sample-{name}" not in sewing.line.by_id:
        raise NotThere("sample")
    given = {field: " ".join(typed.get(field, "").split())[:LONGEST] for field in FIELDS}
    if not given["result"]:
        said = {"result": "Write how it came out: flat and even, or what was wrong."}
        return samples_page(home, sewing, name, typed, said, 422)
    data = photo.file.read(settings().largest_photo + 1) if photo is not None and photo.filename else b""
    try:
        jpeg = apart.photo(data) if data else None
    except DocumentError as error:
        return samples_page(home, sewing, name, typed, {"photo": home.told(error)}, 422)
    kept = Sample(
        sample=name,
        layers=given["layers"],
        needle=given["needle"],
        thread=given["thread"],
        stitch=given["stitch"],
        length=given["length"],
        width=given["width"],
        tension=given["tension"],
        foot=given["foot"],
        result=given["result"],
        made_on=home.today.isoformat(),
    )
    store.keep_sample(home.db, id, sewing.cloth_id, kept, jpeg)
    return go(f"/projects/{id}/sew/samples#sample-{name}")


@router.post("/projects/{id}/sew/samples/remove")
def remove(home: Home, id: Id, typed: Typing) -> Response:
    sewing = Sewing(load(home, id))
    number = typed.get("id", "")
    if number not in {str(one.id) for one in sewing.samples}:
        raise NotThere("sample")
    store.remove_sample(home.db, int(number))
    return go(f"/projects/{id}/sew/samples")


@router.get("/samples/{sample}/photo.jpg")
def photo(home: Home, sample: Id) -> Response:
    jpeg = store.sample_photo(home.db, sample)
    if jpeg is None:
        raise NotThere("photo")
    return Response(jpeg, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=60"})
