"""The Cloth station's layers: what the garment is lined, stiffened and backed with, derived from its own pieces."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Response
from pydantic import AfterValidator

from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.base.units import format_length, read_back
from rowanseed.core.derive.choice import InterfacingSchool, Layers, LinedPart, LiningHem, LiningSchool, Pleat
from rowanseed.core.derive.corners_on import can_have_corners_on
from rowanseed.core.derive.ease_pleat import PLEAT_DEPTH
from rowanseed.core.derive.facing import DEPTH, can_be_faced, faceable
from rowanseed.core.derive.layers import derivations, has_collar_alike, shell, with_layers
from rowanseed.core.derive.left_out import left_out
from rowanseed.core.derive.lining import (
    can_be_lined,
    can_be_pleated,
    draws_lining,
    has_free_sides,
    has_half_placket,
    lined_parts,
    opens_down_the_back,
    schools,
)
from rowanseed.core.derive.lining_graph import FOLD_OF_EASE, shorter
from rowanseed.core.pattern.draped import fall
from rowanseed.core.pattern.pieces import Role
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.derived import draw_derived
from rowanseed.drawings.pieces import draw_nest
from rowanseed.web.as_shown import as_it_was
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Errors, Form, OptionalLength, bind, refuse
from rowanseed.web.once import Once
from rowanseed.web.views.cloth import LayersView

router = APIRouter(route_class=Once)

THICKEST = 40.0


def _pad(mm: float | None) -> float:
    if mm is not None and mm > THICKEST:
        raise refuse("Shoulder pads are up to 4 cm thick. Is the unit right?")
    return mm or 0.0


class _LayersForm(Form):
    lining: LiningSchool = LiningSchool.NONE
    of: LinedPart = LinedPart.ALL
    pleat: Pleat = Pleat.NONE
    hem: LiningHem = LiningHem.FREE
    pad: Annotated[OptionalLength, AfterValidator(_pad)] = None
    underlined: Literal["yes"] | None = None
    interfacing: InterfacingSchool = InterfacingSchool.WHOLE
    trim_under_collar: Literal["yes"] | None = None
    fused: Literal["yes"] | None = None

    def layers(self, faced: tuple[str, ...]) -> Layers:
        return Layers(
            lining=self.lining,
            of=self.of,
            pleat=self.pleat,
            hem=self.hem,
            pad=self.pad or 0.0,
            underlined=self.underlined == "yes",
            interfacing=self.interfacing,
            trim_under_collar=self.trim_under_collar == "yes",
            faced=faced,
            fused=self.fused == "yes",
        )


@router.get("/projects/{id}/cloth/layers")
def show_layers(home: Home, id: Id) -> Response:
    project = load(home, id)
    chosen = project.core.cloth_choices.layers
    typed = {
        "lining": chosen.lining.value,
        "of": chosen.of.value,
        "pleat": chosen.pleat.value,
        "hem": chosen.hem.value,
        "pad": format_length(chosen.pad, home.units, fine=True) if chosen.pad else "",
        "underlined": "yes" if chosen.underlined else "",
        "interfacing": chosen.interfacing.value,
        "trim_under_collar": "yes" if chosen.trim_under_collar else "",
        "fused": "yes" if chosen.fused else "",
        **{f"faced-{id}": "yes" for id in chosen.faced},
    }
    return layers_page(home, project, typed, {})


@router.post("/projects/{id}/cloth/layers")
def choose(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    form, errors = bind(_LayersForm, typed, home.units.small)
    if form is None:
        return layers_page(home, project, typed, errors, status=422)
    before = project.core.cloth_choices.layers
    shown = replace(before, pad=read_back(before.pad, home.units))
    layers = as_it_was(before, shown, form.layers(_faced(project, typed)))
    home.decide(project, typed, cloth_choices=replace(project.core.cloth_choices, layers=layers))
    return go(f"/projects/{id}/cloth/layers")


def _faced(project: OpenProject, typed: dict[str, str]) -> tuple[str, ...]:
    """The edges that were ticked, of those that can be faced."""
    offered = can_be_faced(project.core.altered.pattern, project.record.view)
    return tuple(f.id for f in offered if typed.get(f"faced-{f.id}") == "yes")


def layers_page(
    home: House, project: OpenProject, typed: dict[str, str], errors: Errors, *, status: int = 200
) -> Response:
    if project.core.size is None:
        return go(f"/projects/{project.record.id}/cloth")
    view, size, layers = project.record.view, project.core.size, project.core.cloth_choices.layers
    drawn = project.core.altered.pattern
    derived = with_layers(drawn, size, view, layers)
    found = derivations(drawn, derived, layers, home.units)
    colour = f"#{project.colour}"
    return home.show(
        LayersView(
            project=project,
            typed=typed,
            errors=errors,
            found=found,
            picture=draw_derived(found, size, thread(colour), pale(colour, 0.72))
            if found
            else draw_nest(drawn, size, thread(colour), [piece for piece, _ in drawn.pieces_for(Role.MAIN, view)]),
            offers=_offers(project),
            pleats=list(Pleat),
            hems=list(LiningHem),
            interfacings=list(InterfacingSchool),
            shorter=shorter(drawn),
            ease=FOLD_OF_EASE,
            pleat=PLEAT_DEPTH,
            deep=DEPTH,
            second=_second_layers(layers),
            left_out=any(left_out(drawn, view, size, layers)),
            backed=[p.name for p, _ in drawn.pieces_for(Role.MAIN, view) if p.id in shell(drawn, view)],
        ),
        status,
    )


def _second_layers(layers: Layers) -> list[str]:
    """Cloths that fronts, backs and sleeves are cut from once more."""
    return [name for name, chosen in (("underlining", layers.underlined), ("interfacing", layers.fused)) if chosen]


def _offers(project: OpenProject) -> dict[str, Any]:
    """What can be chosen for this garment."""
    pattern, view, size = project.core.altered.pattern, project.record.view, project.core.size or ""
    chosen = project.core.cloth_choices.layers.faced
    can_be = faceable(pattern, size, view)
    # What is chosen already can be given up.
    faced = [f for f in can_be_faced(pattern, view) if f in can_be or f.id in chosen]
    linable = can_be_lined(pattern, view)
    lined = linable or draws_lining(pattern)
    return {
        "lining": schools(pattern, view, size) if linable else (),
        "of": parts if len(parts := lined_parts(pattern, view)) > 1 else (),
        "cut_corners": not can_have_corners_on(pattern),
        "half_placket": has_half_placket(pattern),
        "free_sides": has_free_sides(pattern),
        "cowl": bool(fall(pattern.pieces)),
        "draws_lining": draws_lining(pattern),
        "pleat": lined and can_be_pleated(pattern, view),
        "opens_down_the_back": lined and opens_down_the_back(pattern),
        "pad": any(p.has_edge("shoulder") for p in pattern.pieces),
        "interfacing": bool(pattern.pieces_for(Role.INTERFACING, view)),
        "under_collar": has_collar_alike(pattern),
        "faced": faced,
        "not_faced": [f for f in can_be_faced(pattern, view) if f not in faced],
    }
