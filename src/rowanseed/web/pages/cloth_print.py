"""A photo of the cloth becomes its print: straightened on the repeat by four taps."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from fastapi import APIRouter, Response

from rowanseed.core.base.errors import DocumentError, NotThere
from rowanseed.core.base.units import format_length
from rowanseed.core.cloth.cloth import PrintedCloth, Repeat
from rowanseed.core.geometry.outline import Point
from rowanseed.drawings.cloth import draw_swatch
from rowanseed.reading.straighten import straightened
from rowanseed.store import cloths
from rowanseed.store.cloths import ClothEntry
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Form, Length, bind
from rowanseed.web.once import Once
from rowanseed.web.views.cloth_print import ClothPrintView

router = APIRouter(route_class=Once)
USUAL = ((0.25, 0.25), (0.75, 0.25), (0.75, 0.75), (0.25, 0.75))


class _RepeatForm(Form):
    along: Length
    across: Length


def _found(home: House, id: int) -> ClothEntry:
    entry = cloths.cloth(home.db, id)
    if entry is None:
        raise NotThere("cloth")
    if not entry.has_photo:
        raise NotThere("photo")
    return entry


@router.get("/cloths/{id}/print.jpg")
def picture(home: Home, id: Id) -> Response:
    jpeg = cloths.print_of(home.db, id)
    if jpeg is None:
        raise NotThere("print")
    return Response(jpeg, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=3600"})


@router.get("/cloths/{id}/print")
def show_print(home: Home, id: Id) -> Response:
    entry = _found(home, id)
    along, across = entry.cloth.repeat.block
    words = {
        "along": format_length(along, home.units, fine=True) if along else "",
        "across": format_length(across, home.units, fine=True) if across else "",
    }
    return _page(home, entry, words, {})


def _page(
    home: House, entry: ClothEntry, typed: Mapping[str, str], errors: dict[str, str], status: int = 200
) -> Response:
    return home.show(
        ClothPrintView(
            entry=entry,
            typed=typed,
            errors=errors,
            corners=_corners(typed) or USUAL,
            swatch=draw_swatch(entry.cloth, home.units) if isinstance(entry.cloth, PrintedCloth) else "",
        ),
        status,
    )


def _corners(typed: Mapping[str, str]) -> tuple[Point, ...] | None:
    """The four places that were tapped, as shares of the photo; None for anything else."""
    try:
        spots = [tuple(float(part) for part in typed.get(f"corner-{k}", "").split()) for k in range(4)]
    except ValueError:
        return None
    right = all(len(spot) == 2 and all(0 <= part <= 1 for part in spot) for spot in spots)
    return tuple((spot[0], spot[1]) for spot in spots) if right else None


@router.post("/cloths/{id}/print")
def keep_print(home: Home, id: Id, typed: Typing) -> Response:
    entry = _found(home, id)
    if typed.get("remove"):
        cloths.keep_print(home.db, id, entry.cloth, None)
        return go(f"/cloths/{id}")
    form, errors = bind(_RepeatForm, typed, home.units.small)
    corners, photo = _corners(typed), cloths.photo(home.db, id)
    if form is None or corners is None or photo is None:
        return _page(home, entry, typed, errors or {"corners": "Tap the four corners of one block."}, 422)
    try:
        jpeg = straightened(photo, corners, form.along, form.across, grain_up=typed.get("grain") != "side")
    except DocumentError as error:
        return _page(home, entry, typed, {"corners": home.told(error)}, 422)
    repeat = Repeat(form.along, form.across)
    cloths.keep_print(home.db, id, replace(entry.cloth, repeat=repeat), jpeg)
    return go(f"/cloths/{id}/print")
