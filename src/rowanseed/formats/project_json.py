"""Read `rowanseed-project/3`: one document with person, pattern, cloths and choices, for work without pages.

Documented in docs/formats/project.md. Lengths are written with a unit, as text (`"71 cm"`, `"28 in"`).
"""

from __future__ import annotations

import json
from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Any

from pydantic import BaseModel, ConfigDict, Field

from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.errors import DocumentError, LengthError
from rowanseed.core.base.units import Units, parse_length, parse_signed_length
from rowanseed.core.body.measures import MEASURE, Age
from rowanseed.core.choices import ClothChoices, Decisions, FitChoices, Habits
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Repeat, Surface
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.make.equipment import Equipment, SewingHabits, Workroom
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.core.saving.combine import combined
from rowanseed.core.sizing.schools import School
from rowanseed.core.sizing.wish import Fit, Over, Wish
from rowanseed.formats import cloth_choices_json, cloth_json
from rowanseed.formats.documents import Kind, Strict
from rowanseed.formats.fit_json import FIT_KIND, read_fit
from rowanseed.formats.ids import AlterationKindId, KnownTactic
from rowanseed.formats.pattern_json import pattern_document, read_pattern
from rowanseed.formats.wording import CLOTH, FIT, TACTIC_WORDS, in_ids
from rowanseed.formats.workroom_json import KIND as WORKROOM_KIND


class _Person(Strict):
    name: str
    age: Age = Age.ADULT
    measurements: dict[str, str] = {}


class _Cloth(Strict):
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


class _ClothDocument(BaseModel):
    """A cloth as the shelf keeps it: a document of its own inside this one."""

    model_config = ConfigDict(extra="allow")
    format: str = Field(pattern=r"^rowanseed-cloth/\d+$")


class _Alteration(Strict):
    kind: AlterationKindId
    by: str
    at: str = ""
    level: str = ""
    school: str = ""


class _Choices(Strict):
    view: str | None = None
    size: str | None = None
    hem_change: str = ""
    school: School | None = None
    blend: dict[str, str] = {}
    alterations: list[_Alteration] = []
    fit: Fit = Fit.AS_DRAWN
    over: Over = Over.NOTHING
    stretch: float = Field(default=0.0, ge=0, le=1)
    worn_open: bool = False
    lay: LayKind | None = None
    overlocker: bool = False
    overlock_threads: int = Field(3, ge=2, le=5)
    hem_by_hand: bool = False
    by_hand_only: bool = False
    equipment: Equipment | None = None
    habits: SewingHabits | None = None
    techniques: dict[str, str] = {}
    as_cut: list[str] = []
    money: str = Field("", max_length=20)
    units: Units = Units.METRIC


class _Project(Strict):
    name: str
    person: _Person
    pattern: str | dict[str, Any]
    cloths: dict[Role, _Cloth | _ClothDocument]
    choices: _Choices = _Choices()
    fit: dict[str, Any] | None = None
    """A fit document, instead of what `choices` says of the fit."""
    tactics: dict[Role, list[KnownTactic]] = {}
    cloth_choices: ClothChoices = ClothChoices()


def _from_1(document: dict[str, Any]) -> dict[str, Any]:
    """Closed sets were named by their wording, and what is chosen at the Cloth station was called the reckoning."""
    fields = dict(document)
    kept = fields.pop("reckoning", None)
    if kept is not None:
        fields["cloth_choices"] = cloth_choices_json.from_0(kept)
    for name, wording in (("choices", FIT), ("cloths", CLOTH), ("tactics", {"tactics": TACTIC_WORDS})):
        if name in fields:
            key = name if name == "tactics" else ""
            part = fields[name]
            fields[name] = {k: in_ids(v, wording, key) for k, v in part.items()} if key else in_ids(part, wording)
    return fields


def _from_2(document: dict[str, Any]) -> dict[str, Any]:
    """How a cloth is matched was one of three words."""
    kept = document.get("cloth_choices")
    return document if kept is None else {**document, "cloth_choices": cloth_choices_json.from_1(kept)}


KIND = Kind("rowanseed-project", 3, _Project, "The project cannot be read.", {1: _from_1, 2: _from_2})


@dataclass(frozen=True)
class ProjectDocument:
    """A project with everything it needs, read and checked: its name, whom it is for, and the lay asked for."""

    name: str
    person: str
    project: Project
    lay: LayKind | None


def read_project(text: str | bytes, open_pattern: Callable[[str], str | bytes]) -> ProjectDocument:
    """Read a project document. `open_pattern` fetches the pattern where the document names a file.

    Raises DocumentError with field and reason; PatternError for a pattern that does not hold together.
    """
    model = KIND.read(text)
    written = model.pattern if isinstance(model.pattern, str) else None
    pattern = read_pattern(open_pattern(written) if written is not None else json.dumps(model.pattern))
    chosen, unit = model.choices, model.choices.units.small
    decisions = Decisions(
        view=chosen.view or pattern.envelope.views[0].id,
        size=chosen.size,
        fit=_fit(chosen, unit) if model.fit is None else read_fit(json.dumps(model.fit)),
        tactics={role: combined(tuple(taken)) for role, taken in model.tactics.items()},
        cloth=model.cloth_choices,
        techniques=tuple(chosen.techniques.items()),
        as_cut=frozenset(chosen.as_cut),
    )
    cloths = {role: _cloth(cloth, unit, f"cloths, {role.value}") for role, cloth in model.cloths.items()}
    habits = Habits(units=chosen.units, workroom=_workroom(chosen), money=chosen.money)
    project = Project(
        pattern=pattern, body=_body(model.person, unit), decisions=decisions, cloths=cloths, habits=habits
    )
    _refuse_without_size(project)
    return ProjectDocument(name=model.name, person=model.person.name, project=project, lay=chosen.lay)


def write_project(*, name: str, person: str, age: Age, project: Project) -> str:
    """A project with everything it needs, as a document that `rowanseed plan` reads."""
    habits, decisions = project.habits, project.decisions
    workroom = WORKROOM_KIND.document(habits.workroom)
    document = {
        "format": KIND.format,
        "name": name,
        "person": {
            "name": person,
            "age": age.value,
            "measurements": {key: f"{mm!r} mm" for key, mm in project.body.items()},
        },
        "pattern": pattern_document(project.pattern),
        "cloths": {role.value: cloth_json.KIND.document(cloth) for role, cloth in project.cloths.items()},
        "choices": {
            "view": project.view,
            "size": decisions.size,
            "units": habits.units.value,
            "money": habits.money,
            "equipment": _without_heading(workroom["equipment"]),
            "habits": _without_heading(workroom["habits"]),
            "techniques": dict(decisions.techniques),
            "as_cut": sorted(decisions.as_cut),
        },
        "fit": FIT_KIND.document(decisions.fit),
        "tactics": {role.value: list(taken) for role, taken in decisions.tactics.items()},
        "cloth_choices": _without_heading(cloth_choices_json.KIND.document(decisions.cloth)),
    }
    return json.dumps(document, ensure_ascii=False)


def _workroom(chosen: _Choices) -> Workroom:
    """Equipment and habits as they are written, or from the short forms."""
    equipment = chosen.equipment or Equipment(overlock_threads=chosen.overlock_threads if chosen.overlocker else 0)
    if chosen.by_hand_only:
        equipment = replace(equipment, machine=False)
    return Workroom(equipment, chosen.habits or SewingHabits(hem_by_hand=chosen.hem_by_hand))


def _without_heading(document: dict[str, Any]) -> dict[str, Any]:
    return {key: value for key, value in document.items() if key != "format"}


def _body(person: _Person, unit: str) -> dict[str, float]:
    body = {}
    for key, said in person.measurements.items():
        if key not in MEASURE:
            raise DocumentError(
                f"“{key}” is not a measurement known here.", f"Known: {', '.join(MEASURE)}.", "person, measurements"
            )
        body[key] = _length(said, unit, f"person, measurements, {key}")
    return body


def _refuse_without_size(project: Project) -> None:
    """Raise DocumentError where no size can be told, or the pattern has none of this name or view."""
    envelope = project.pattern.envelope
    if project.size is None:
        raise DocumentError("The size cannot be told.", project.followed.reason, "choices, size")
    if project.size not in envelope.sizes:
        known = ", ".join(envelope.sizes)
        raise DocumentError(f"This pattern has no size {project.size}.", f"It has {known}.", "choices, size")
    if project.view not in {view.id for view in envelope.views}:
        raise DocumentError(f"This pattern has no view {project.view}.", "", "choices, view")


def _fit(model: _Choices, unit: str) -> FitChoices:
    alterations = [
        Alteration(
            kind=a.kind,
            by=_change(a.by, unit, f"choices, alterations, {k + 1}"),
            at=a.at,
            level=a.level,
            school=a.school,
        )
        for k, a in enumerate(model.alterations)
    ]
    if model.hem_change.strip():
        alterations.append(Alteration("hem", _change(model.hem_change, unit, "choices, hem_change")))
    return FitChoices(
        school=model.school,
        reason="",
        blend=tuple(model.blend.items()),
        alterations=tuple(a for a in alterations if a.by),
        wish=Wish(model.fit, model.over, model.stretch, worn_open=model.worn_open),
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


def _cloth(model: _Cloth | _ClothDocument, unit: str, where: str) -> Cloth:
    if isinstance(model, _ClothDocument):
        return cloth_json.read_cloth(model.model_dump_json())
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
