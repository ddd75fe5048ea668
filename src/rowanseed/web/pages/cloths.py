"""The cloth shelf: a form for each cloth."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter, Response
from pydantic import AfterValidator, StringConstraints

from rowanseed.core.cloth import USUAL_SHRINKAGE, Cloth, Direction, Fibre, Surface
from rowanseed.core.preparation import square_shrinkage
from rowanseed.core.units import format_length
from rowanseed.store import cloths
from rowanseed.store.cloths import ClothEntry
from rowanseed.web.deps import Home, House, NotFound, Typing, go
from rowanseed.web.forms import Errors, Form, Length, OptionalLength, Share, Text, bind, refuse

router = APIRouter()

NARROWEST, WIDEST = 50.0, 5000.0


def _cloth_width(mm: float) -> float:
    if not NARROWEST <= mm <= WIDEST:
        raise refuse("Cloth is between 5 cm and 5 m wide. Is the unit right?")
    return mm


def _selvedge_width(mm: float | None) -> float:
    if mm is not None and mm > 100:
        raise refuse("A selvedge is a strip of a centimetre or so. Is the unit right?")
    return mm or 0.0


class _ClothForm(Form):
    name: Text
    width: Annotated[Length, AfterValidator(_cloth_width)]
    length: OptionalLength
    selvedge: Annotated[OptionalLength, AfterValidator(_selvedge_width)]
    direction: Direction
    fibre: Fibre
    shrink_along: Share
    shrink_across: Share
    square_before: OptionalLength = None
    square_along: OptionalLength = None
    square_across: OptionalLength = None
    washed: Literal["yes"] | None = None
    colour: Annotated[str, StringConstraints(pattern=r"^#[0-9a-fA-F]{6}$")]
    surface: Surface


_EMPTY = {"direction": "two-way", "fibre": "cotton", "shrink_along": "5", "shrink_across": "0", "colour": "#6b3d5b",
          "surface": "plain"}  # fmt: skip


@router.get("/cloths/new")
def new(home: Home) -> Response:
    return _form(home, None, {**_EMPTY, "selvedge": format_length(12.7, home.units)}, {})


@router.get("/cloths/{id}")
def show(home: Home, id: int) -> Response:
    entry = _found(home, id)
    c = entry.cloth
    return _form(home, entry, {
        "name": c.name,
        "width": format_length(c.width, home.units, fine=True),
        "length": format_length(c.length, home.units, fine=True) if c.length else "",
        "selvedge": format_length(c.selvedge, home.units, fine=True) if c.selvedge else "",
        "direction": c.direction.value, "fibre": c.fibre.value, "colour": c.colour, "surface": c.surface.value,
        "shrink_along": f"{c.shrink_along * 100:g}", "shrink_across": f"{c.shrink_across * 100:g}",
        **({"washed": "yes"} if c.washed else {}),
    }, {})  # fmt: skip


@router.post("/cloths/new")
def create(home: Home, typed: Typing) -> Response:
    return _save(home, None, typed)


@router.post("/cloths/{id}")
def change(home: Home, id: int, typed: Typing) -> Response:
    return _save(home, _found(home, id), typed)


def _found(home: House, id: int) -> ClothEntry:
    entry = cloths.cloth(home.db, id)
    if entry is None:
        raise NotFound("cloth")
    return entry


def _save(home: House, entry: ClothEntry | None, typed: dict[str, str]) -> Response:
    form, errors = bind(_ClothForm, typed, home.units.small)
    if form is not None and 2 * (form.selvedge or 0.0) >= form.width:
        errors["selvedge"] = "The selvedges leave no cloth between them."
    if form is not None and not errors:
        errors |= _square_faults(form)
    if form is None or errors:
        return _form(home, entry, typed, errors, status=422)
    if form.square_before and form.square_along and form.square_across:
        form.shrink_along = square_shrinkage(form.square_before, form.square_along)
        form.shrink_across = square_shrinkage(form.square_before, form.square_across)
    cloth = Cloth(
        form.name, form.width, form.length, form.selvedge or 0.0, form.direction, form.fibre, form.shrink_along,
        form.shrink_across, form.washed == "yes", form.colour.lower(), form.surface,
    )  # fmt: skip
    cloths.save_cloth(home.db, entry.id if entry else None, cloth)
    return go("/")


def _square_faults(form: _ClothForm) -> Errors:
    """A marked square wants all three figures, and shrinks by no more than a cloth can."""
    square = {
        "square_before": form.square_before,
        "square_along": form.square_along,
        "square_across": form.square_across,
    }
    if not any(square.values()):
        return {}
    missing = {
        key: "All three are needed: the square before, and both ways after." for key, mm in square.items() if mm is None
    }
    if missing or form.square_before is None:
        return missing
    return {
        key: "More than 30 % cannot be sewn with. Was it the same square?"
        for key, mm in square.items() if mm is not None and square_shrinkage(form.square_before, mm) > 0.3
    }  # fmt: skip


def _form(
    home: House, entry: ClothEntry | None, typed: dict[str, str], errors: Errors, *, status: int = 200
) -> Response:
    usual = ", ".join(
        f"{fibre.value} {share * 100:g} %" for fibre, share in USUAL_SHRINKAGE.items() if fibre is not Fibre.OTHER
    )
    return home.page("cloth_form.html", status, entry=entry, typed=typed, errors=errors, fibres=list(Fibre),
                     surfaces=list(Surface), directions=list(Direction), usual=usual)  # fmt: skip
