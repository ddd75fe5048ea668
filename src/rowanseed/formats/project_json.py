"""Read `rowanseed-project/1`: one document with person, pattern, cloths and choices, for work without pages.

Documented in docs/formats/project.md. Lengths are written with a unit, as text (`"71 cm"`, `"28 in"`).
"""

from __future__ import annotations

import json
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from rowanseed.core.body import MEASURE, Age
from rowanseed.core.cloth import Cloth, Direction, Fibre, Surface
from rowanseed.core.errors import DocumentError, LengthError
from rowanseed.core.garment import Choices
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.make.compiler import Household
from rowanseed.core.pattern import Pattern, Role
from rowanseed.core.sizing import by_chart
from rowanseed.core.units import Units, parse_length, parse_signed_length
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


class _Choices(_Record):
    view: str | None = None
    size: str | None = None
    hem_change: str = ""
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
    hem_change: float
    lay: LayKind | None
    household: Household

    def choices(self) -> Choices:
        """The choices with the size filled in by the chart. Raises DocumentError where none can be told."""
        size = self.chosen_size or by_chart(self.body, self.pattern.envelope).size
        if size is None:
            raise DocumentError(
                "The size cannot be told.", by_chart(self.body, self.pattern.envelope).reason, "choices, size"
            )
        return Choices(self.view, size, self.hem_change)


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
    change = model.choices.hem_change
    try:
        hem_change = parse_signed_length(change, unit) if change.strip() else 0.0
    except LengthError as error:
        raise DocumentError(error.problem, error.remedy, "choices, hem_change") from None
    return ProjectDocument(
        name=model.name,
        person=model.person.name,
        body=body,
        age=model.person.age,
        pattern=pattern,
        cloths={role: _cloth(cloth, unit, f"cloths, {role.value}") for role, cloth in model.cloths.items()},
        view=model.choices.view or pattern.envelope.views[0].id,
        chosen_size=model.choices.size,
        hem_change=hem_change,
        lay=model.choices.lay,
        household=Household(
            model.choices.overlocker,
            model.choices.hem_by_hand,
            main.fibre if main else Fibre.OTHER,
            model.choices.units,
        ),
    )


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
        model.name, width,
        _length(model.length, unit, f"{where}, length") if model.length else None,
        selvedge, model.direction, model.fibre, model.shrink_along, model.shrink_across, model.washed, model.colour,
        model.surface,
    )  # fmt: skip
