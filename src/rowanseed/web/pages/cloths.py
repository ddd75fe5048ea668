"""The cloth shelf: a form for each cloth."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated, Literal

from fastapi import APIRouter, Response, UploadFile
from pydantic import AfterValidator, StringConstraints

from rowanseed.core.base.errors import ChangedMeanwhile, DocumentError, NotThere
from rowanseed.core.base.units import format_length
from rowanseed.core.cloth.cloth import (
    USUAL_SHRINKAGE,
    Cloth,
    Direction,
    Fibre,
    PrintBorder,
    Repeat,
    Surface,
    Use,
)
from rowanseed.core.cloth.cloth import Stripes as ClothLines
from rowanseed.core.cloth.preparation import preparation, square_shrinkage
from rowanseed.core.pattern.envelope import Structure
from rowanseed.drawings.cloth import draw_left, draw_swatch
from rowanseed.reading import apart
from rowanseed.settings import settings
from rowanseed.store import cloths, projects
from rowanseed.store.cloths import ClothEntry
from rowanseed.web.as_shown import as_it_was
from rowanseed.web.cloth_fields import (
    Lines,
    Patch,
    Price,
    Weight,
    corner_rows,
    fields_of,
    in_form_order,
    read_patches,
    shaped,
)
from rowanseed.web.deps import Home, House, Id, Typing, go, own_path, revision_of
from rowanseed.web.forms import CHANGED, Errors, Form, Length, OptionalLength, Share, Stretch, Text, bind, refuse
from rowanseed.web.once import Once
from rowanseed.web.views.house import ClothFormView

router = APIRouter(route_class=Once)

NARROWEST, WIDEST = 50.0, 5000.0


def _cloth_width(mm: float) -> float:
    if not NARROWEST <= mm <= WIDEST:
        raise refuse("Cloth is between 5 cm and 5 m wide. Is the unit right?")
    return mm


def _selvedge_width(mm: float | None) -> float:
    if mm is not None and mm > 100:
        raise refuse("A selvedge is a narrow strip, a finger wide at most. Is the unit right?")
    return mm or 0.0


def _repeat(mm: float | None) -> float | None:
    if mm is not None and mm > 2000:
        raise refuse("No repeat is longer than 2 m. Is the unit right?")
    return mm


class _ClothForm(Form):
    name: Text
    width: Annotated[Length, AfterValidator(_cloth_width)]
    length: OptionalLength
    selvedge: Annotated[OptionalLength, AfterValidator(_selvedge_width)] = None
    direction: Direction
    both_sides: Literal["yes"] | None = None
    fibre: Fibre
    weight: Weight = None
    structure: Structure = Structure.WOVEN
    stretch: Stretch = 0.0
    shrink_along: Share
    shrink_across: Share
    square_before: OptionalLength = None
    square_along: OptionalLength = None
    square_across: OptionalLength = None
    washed: Literal["yes"] | None = None
    colour: Annotated[str, StringConstraints(pattern=r"^#[0-9a-fA-F]{6}$")]
    surface: Surface
    use: Use = Use.GARMENT
    repeat_along: Annotated[OptionalLength, AfterValidator(_repeat)] = None
    repeat_across: Annotated[OptionalLength, AfterValidator(_repeat)] = None
    half_drop: Literal["yes"] | None = None
    lengthwise: Lines = ()
    crosswise: Lines = ()
    border: PrintBorder = PrintBorder.NONE
    border_line: OptionalLength = None
    price: Price = None
    care: Annotated[str, StringConstraints(max_length=300)] = ""

    def cloth(self, before: Cloth | None, gone: tuple[Patch, ...]) -> Cloth:
        """The cloth as written; what an earlier garment took of it stays gone."""
        taken = shaped(before) if before is not None else ()
        return Cloth(
            name=self.name,
            width=self.width,
            length=self.length,
            selvedge=self.selvedge or 0.0,
            direction=self.direction,
            fibre=self.fibre,
            shrink_along=self.shrink_along,
            shrink_across=self.shrink_across,
            washed=self.washed == "yes",
            colour=self.colour.lower(),
            surface=self.surface,
            weight=self.weight,
            structure=self.structure,
            stretch=self.stretch,
            repeat=Repeat(self.repeat_along, self.repeat_across, self.half_drop == "yes"),
            lines=ClothLines(self.lengthwise, self.crosswise),
            border=self.border,
            border_line=self.border_line or 0.0,
            both_sides=self.both_sides == "yes",
            price=self.price,
            care=self.care.strip(),
            use=self.use,
            gone=(*taken, *gone),
        )


_EMPTY = {
    "direction": "two-way",
    "fibre": "cotton",
    "shrink_along": "5",
    "shrink_across": "0",
    "colour": "#6b3d5b",
    "surface": "plain",
    "structure": "woven",
    "stretch": "0",
    "border": "none",
}


@router.get("/cloths/new")
def new(home: Home) -> Response:
    return cloth_form(home, None, {**_EMPTY, "selvedge": format_length(12.7, home.units)}, {})


@router.get("/cloths/{id}")
def show_cloth(home: Home, id: Id) -> Response:
    entry = _found(home, id)
    return cloth_form(home, entry, fields_of(entry.cloth, home.units), {})


@router.post("/cloths/new")
def create(home: Home, typed: Typing) -> Response:
    return _save(home, None, typed)


@router.post("/cloths/{id}")
def change(home: Home, id: Id, typed: Typing) -> Response:
    return _save(home, _found(home, id), typed)


def _found(home: House, id: Id) -> ClothEntry:
    entry = cloths.cloth(home.db, id)
    if entry is None:
        raise NotThere("cloth")
    return entry


def _save(home: House, entry: ClothEntry | None, typed: dict[str, str]) -> Response:
    form, errors = bind(_ClothForm, typed, home.units.small)
    if form is not None and 2 * (form.selvedge or 0.0) >= form.width:
        errors["selvedge"] = "The selvedges leave no cloth between them."
    if form is not None and not errors:
        errors |= _faults(form)
    if form is None or errors:
        return cloth_form(home, entry, typed, errors, status=422)
    if form.square_before and form.square_along and form.square_across:
        form.shrink_along = square_shrinkage(form.square_before, form.square_along)
        form.shrink_across = square_shrinkage(form.square_before, form.square_across)
    made = form.cloth(entry.cloth if entry else None, ())
    gone, faults = read_patches(typed, home.units.small, made)
    if faults or typed.get("more"):
        return cloth_form(home, entry, typed, faults, status=422 if faults else 200)
    made = form.cloth(entry.cloth if entry else None, gone)
    if entry is not None:
        shown = _as_shown(home, entry.cloth)
        made = entry.cloth if made == shown else as_it_was(in_form_order(entry.cloth), shown, made)
    try:
        id = cloths.save_cloth(home.db, entry.id if entry else None, made, revision=revision_of(typed))
    except ChangedMeanwhile:
        return cloth_form(home, entry, typed, {"form": CHANGED}, status=409)
    return go(_back(home, typed) or f"/cloths/{id}?kept=yes")


def _as_shown(home: House, cloth: Cloth) -> Cloth:
    """The cloth as its form would be read if nothing in it were touched."""
    shown = fields_of(cloth, home.units)
    form, _ = bind(_ClothForm, shown, home.units.small)
    if form is None:
        return cloth
    return form.cloth(cloth, read_patches(shown, home.units.small, form.cloth(cloth, ()))[0])


def _back(home: House, typed: Mapping[str, str]) -> str:
    """Where this was a detour from; empty where it was none."""
    return own_path(typed.get("back") or home.request.query_params.get("back"))


def _faults(form: _ClothForm) -> Errors:
    """What is wrong with fields taken together."""
    errors = _square_faults(form)
    repeats = (("lengthwise", form.repeat_across, "across"), ("crosswise", form.repeat_along, "along"))
    for name, repeat, way in repeats:
        lines = getattr(form, name)
        if lines and repeat is None:
            errors[f"repeat_{way}"] = f"The lines need the repeat {way} the cloth that they stand in."
        elif lines and repeat is not None and max(line.at + line.width for line in lines) > repeat + 0.5:
            errors[name] = "The lines reach beyond one repeat."
    if form.half_drop and not (form.repeat_along and form.repeat_across):
        errors["half_drop"] = "A half drop needs the repeat both ways."
    if form.border is not PrintBorder.NONE and not form.border_line:
        errors["border_line"] = "How far from the selvedge does the line stand that hems lie on?"
    if form.border_line and form.border_line > form.width / 2:
        errors["border_line"] = "That is beyond the middle of the cloth."
    return errors


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
        for key, mm in square.items()
        if mm is not None and square_shrinkage(form.square_before, mm) > 0.3
    }


def cloth_form(
    home: House, entry: ClothEntry | None, typed: dict[str, str], errors: Errors, *, status: int = 200
) -> Response:
    usual = ", ".join(
        f"{fibre.words} {share * 100:g} %" for fibre, share in USUAL_SHRINKAGE.items() if fibre is not Fibre.OTHER
    )
    source = cloths.cloth(home.db, entry.cut_from) if entry and entry.cut_from else None
    return home.show(
        ClothFormView(
            entry=entry,
            typed=typed,
            errors=errors,
            patches=corner_rows(typed),
            back=_back(home, typed),
            fibres=list(Fibre),
            surfaces=list(Surface),
            structures=list(Structure),
            borders=list(PrintBorder),
            usual=usual,
            source=source,
            swatch=draw_swatch(entry.cloth, home.units) if entry else None,
            left=draw_left(entry.cloth, home.units, "left") if entry and entry.cloth.length else None,
            ready=preparation(entry.cloth, home.units) if entry else (),
            cutters=projects.cutting_from(home.db, entry.id) if entry else (),
            earlier=projects.earlier_notes(home.db, cloth_ids=(entry.id,)) if entry else (),
            uses=list(Use),
            in_use=cloths.is_in_use(home.db, entry.id) if entry else False,
            kept=home.request.query_params.get("kept") == "yes" and not errors,
        ),
        status,
    )


# ---------------------------------------------------------------- photo, throwing away


@router.get("/cloths/{id}/photo.jpg")
def photo(home: Home, id: Id) -> Response:
    jpeg = cloths.photo(home.db, id)
    if jpeg is None:
        raise NotThere("photo")
    return Response(jpeg, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=60"})


@router.post("/cloths/{id}/photo")
def keep_photo(home: Home, id: Id, photo: UploadFile) -> Response:
    entry = _found(home, id)
    try:
        jpeg = apart.photo(photo.file.read(settings().largest_photo + 1))
    except DocumentError as error:
        said = {"photo": home.told(error)}
        return cloth_form(home, entry, fields_of(entry.cloth, home.units), said, status=422)
    cloths.keep_photo(home.db, id, jpeg)
    return go(f"/cloths/{id}")


@router.post("/cloths/{id}/photo/remove")
def remove_photo(home: Home, id: Id) -> Response:
    _found(home, id)
    cloths.keep_photo(home.db, id, None)
    return go(f"/cloths/{id}")


@router.post("/cloths/{id}/remove")
def remove(home: Home, id: Id) -> Response:
    entry = _found(home, id)
    if not cloths.throw_away(home.db, id):
        said = {"name": "A project cuts from this cloth, or something was cut from it: it stays."}
        return cloth_form(home, entry, fields_of(entry.cloth, home.units), said, status=422)
    return go("/")
