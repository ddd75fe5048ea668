"""Read `rowanseed-project/1`: one document with person, pattern, cloths and choices, for work without pages.

Documented in docs/formats/project.md. Lengths are written with a unit, as text (`"71 cm"`, `"28 in"`).
"""

from __future__ import annotations

import json
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.errors import DocumentError, LengthError
from rowanseed.core.base.units import Units, parse_length, parse_signed_length
from rowanseed.core.body.measures import MEASURE, Age
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Repeat, Structure, Surface
from rowanseed.core.cloth_choices import ClothChoices
from rowanseed.core.garment import GarmentChoices
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.make.compiler import Household
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.combine import combined
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.sizing.schools import Choosing, Proposal, School, proposals, recommended
from rowanseed.core.sizing.wish import Fit, Over, Wish
from rowanseed.formats.fit_json import FitChoices
from rowanseed.formats.ids import AlterationKindId
from rowanseed.formats.pattern_json import read_pattern

FORMAT = "rowanseed-project/1"


class _Record(BaseModel):
    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class _Person(_Record):
    name: str
    age: Age = Age.ADULT
    measurements: dict[str, str] = {}


class _Cloth(_Record):
    name: str
    width: str
    length: str | None = None
    selvedge: str = ""
    direction: Direction
    fibre: Fibre = Fibre.OTHER
    shrink_along: float = Field(0.0, ge=0, le=0.3)
    shrink_across: float = Field(0.0, ge=0, le=0.3)
    washed: bool = False
    colour: str = Field("#8a8f8c", pattern=r"^#[0-9a-fA-F]{6}$")
    surface: Surface = Surface.PLAIN
    weight: float | None = Field(None, ge=10, le=2000)
    structure: Structure = Structure.WOVEN
    repeat_along: str = ""
    repeat_across: str = ""
    half_drop: bool = False
    price: float | None = Field(None, ge=0)


class _Alteration(_Record):
    kind: AlterationKindId
    by: str
    at: str = ""
    level: str = ""


class _Choices(_Record):
    view: str | None = None
    size: str | None = None
    hem_change: str = ""
    school: School | None = None
    blend: dict[str, str] = {}
    alterations: list[_Alteration] = []
    fit: Fit = Fit.AS_DRAWN
    over: Over = Over.NOTHING
    stretch: float = Field(default=0.0, ge=0, le=1)
    lay: LayKind | None = None
    overlocker: bool = False
    hem_by_hand: bool = False
    units: Units = Units.METRIC


class _Project(_Record):
    format: Literal["rowanseed-project/1"]
    name: str
    person: _Person
    pattern: str | dict[str, Any]
    cloths: dict[Role, _Cloth]
    choices: _Choices = _Choices()
    tactics: dict[Role, list[TacticId]] = {}
    reckoning: ClothChoices = ClothChoices()


@dataclass(frozen=True)
class ProjectDocument:
    """A project with everything it needs, read and checked."""

    name: str
    person: str
    body: Mapping[str, float]
    age: Age
    pattern: Pattern
    cloths: Mapping[Role, Cloth]
    view: str
    chosen_size: str | None
    fit: FitChoices
    lay: LayKind | None
    household: Household
    tactics: Mapping[Role, tuple[TacticId, ...]]
    reckoning: ClothChoices

    def choosing(self) -> Choosing:
        return Choosing(
            body=self.body, pattern=self.pattern, view=self.view, wish=self.fit.wish, units=self.household.units
        )

    def proposal(self) -> tuple[Proposal, str]:
        """The school asked for, or the one recommended, and why."""
        every = proposals(self.choosing())
        best, why = recommended(self.choosing(), every)
        if self.fit.school is None:
            return best, why
        return next(p for p in every if p.school is self.fit.school), "asked for in the document"

    def choices(self) -> GarmentChoices:
        """The choices with size, blend and alterations filled in by the school where the document leaves them open.

        Raises DocumentError where no size can be told.
        """
        proposal, _ = self.proposal()
        size = self.chosen_size or proposal.size
        if size is None:
            raise DocumentError("The size cannot be told.", proposal.reason, "choices, size")
        if self.chosen_size is not None:
            return GarmentChoices(view=self.view, size=size, blend=self.fit.blend, alterations=self.fit.alterations)
        return GarmentChoices(
            view=self.view,
            size=size,
            blend=self.fit.blend or proposal.blend,
            alterations=(*proposal.alterations, *self.fit.alterations),
        )


def read_project(text: str | bytes, open_pattern: Callable[[str], str | bytes]) -> ProjectDocument:
    """Read a project document. `open_pattern` fetches the pattern where the document names a file.

    Raises DocumentError with field and reason; PatternError for a pattern that does not hold together.
    """
    try:
        model = _Project.model_validate(json.loads(text))
    except ValidationError as error:
        first = error.errors()[0]
        raise DocumentError(f"{first['msg']}.", "", ", ".join(str(step) for step in first["loc"])) from None
    except (ValueError, RecursionError) as error:
        raise DocumentError(f"The document is not JSON: {error}.") from None
    written = model.pattern if isinstance(model.pattern, str) else None
    pattern = read_pattern(open_pattern(written) if written is not None else json.dumps(model.pattern))
    unit = model.choices.units.small
    body = {}
    for key, said in model.person.measurements.items():
        if key not in MEASURE:
            raise DocumentError(
                f"“{key}” is not a measurement known here.",
                f"Known: {', '.join(MEASURE)}.",
                "person, measurements",
            )
        body[key] = _length(said, unit, f"person, measurements, {key}")
    main = model.cloths.get(Role.MAIN)
    fit = _fit(model.choices, unit)
    return ProjectDocument(
        name=model.name,
        person=model.person.name,
        body=body,
        age=model.person.age,
        pattern=pattern,
        cloths={role: _cloth(cloth, unit, f"cloths, {role.value}") for role, cloth in model.cloths.items()},
        view=model.choices.view or pattern.envelope.views[0].id,
        chosen_size=model.choices.size,
        fit=fit,
        lay=model.choices.lay,
        household=Household(
            model.choices.overlocker,
            model.choices.hem_by_hand,
            main.fibre if main else Fibre.OTHER,
            model.choices.units,
            main.structure if main else Structure.WOVEN,
            main.weight if main else None,
        ),
        tactics={role: combined(tuple(taken)) for role, taken in model.tactics.items()},
        reckoning=model.reckoning,
    )


def _fit(model: _Choices, unit: str) -> FitChoices:
    alterations = [
        Alteration(kind=a.kind, by=_change(a.by, unit, f"choices, alterations, {k + 1}"), at=a.at, level=a.level)
        for k, a in enumerate(model.alterations)
    ]
    if model.hem_change.strip():
        alterations.append(Alteration("hem", _change(model.hem_change, unit, "choices, hem_change")))
    return FitChoices(
        school=model.school,
        reason="",
        blend=tuple(model.blend.items()),
        alterations=tuple(a for a in alterations if a.by),
        wish=Wish(model.fit, model.over, model.stretch),
    )


def _change(said: str, unit: str, where: str) -> float:
    try:
        return parse_signed_length(said, unit)
    except LengthError as error:
        raise DocumentError(error.problem, error.remedy, where) from None


def _length(said: str, unit: str, where: str) -> float:
    try:
        return parse_length(said, unit)
    except LengthError as error:
        raise DocumentError(error.problem, error.remedy, where) from None


def _cloth(model: _Cloth, unit: str, where: str) -> Cloth:
    width = _length(model.width, unit, f"{where}, width")
    selvedge = _length(model.selvedge, unit, f"{where}, selvedge") if model.selvedge.strip() else 0.0
    if 2 * selvedge >= width:
        raise DocumentError("The selvedges leave no cloth between them.", "", f"{where}, selvedge")
    return Cloth(
        name=model.name,
        width=width,
        length=_length(model.length, unit, f"{where}, length") if model.length else None,
        selvedge=selvedge,
        direction=model.direction,
        fibre=model.fibre,
        shrink_along=model.shrink_along,
        shrink_across=model.shrink_across,
        washed=model.washed,
        colour=model.colour,
        surface=model.surface,
        weight=model.weight,
        structure=model.structure,
        repeat=Repeat(
            _length(model.repeat_along, unit, f"{where}, repeat_along") if model.repeat_along.strip() else None,
            _length(model.repeat_across, unit, f"{where}, repeat_across") if model.repeat_across.strip() else None,
            model.half_drop,
        ),
        price=model.price,
    )
