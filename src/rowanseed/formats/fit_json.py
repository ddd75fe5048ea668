"""The fit of a project as a JSON document: what was chosen, why, and everything altered."""

from __future__ import annotations

import json
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

from pydantic import BaseModel, ConfigDict, ValidationError

from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.errors import DocumentError
from rowanseed.core.sizing.schools import School
from rowanseed.core.sizing.wish import Band, Fit, Over, Wish
from rowanseed.formats.ids import AlterationKindId


@dataclass(frozen=True)
class FitChoices:
    """What was decided at the Fit station besides the size. `accepted` maps a join's id to the difference (mm)
    waved through."""

    school: School | None = None
    reason: str = ""
    blend: Blend = ()
    alterations: tuple[Alteration, ...] = ()
    wish: Wish = field(default_factory=Wish)
    accepted: Mapping[str, float] = field(default_factory=dict)


class _Record(BaseModel):
    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class AlterationModel(_Record):
    """An alteration as documents write it; `by` in mm."""

    kind: AlterationKindId
    by: float
    at: str = ""
    level: str = ""

    def core(self) -> Alteration:
        return Alteration(kind=self.kind, by=self.by, at=self.at, level=self.level)


class _Wish(_Record):
    fit: Fit = Fit.AS_DRAWN
    over: Over = Over.NOTHING
    stretch: float = 0.0
    own: dict[str, Band] = {}


class _Fit(_Record):
    school: School | None = None
    reason: str = ""
    blend: list[tuple[str, str]] = []
    alterations: list[AlterationModel] = []
    wish: _Wish = _Wish()
    accepted: dict[str, float] = {}


def read_fit(text: str) -> FitChoices:
    """Read a fit document. Raises DocumentError."""
    try:
        model = _Fit.model_validate(json.loads(text))
    except (ValidationError, ValueError) as error:
        raise DocumentError(f"The fit cannot be read: {error}.") from None
    return FitChoices(
        school=model.school,
        reason=model.reason,
        blend=tuple(model.blend),
        alterations=tuple(a.core() for a in model.alterations),
        wish=Wish(fit=model.wish.fit, over=model.wish.over, stretch=model.wish.stretch, own=model.wish.own),
        accepted=model.accepted,
    )


def write_fit(choice: FitChoices) -> str:
    return json.dumps(
        {
            "school": choice.school.value if choice.school else None,
            "reason": choice.reason,
            "blend": [list(entry) for entry in choice.blend],
            "alterations": [alteration_document(a) for a in choice.alterations],
            "wish": {
                "fit": choice.wish.fit.value,
                "over": choice.wish.over.value,
                "stretch": choice.wish.stretch,
                "own": {measure: list(band) for measure, band in choice.wish.own.items()},
            },
            "accepted": dict(choice.accepted),
        },
        ensure_ascii=False,
    )


def alteration_document(alteration: Alteration) -> dict[str, Any]:
    return {"kind": alteration.kind, "by": alteration.by, "at": alteration.at, "level": alteration.level}


def read_alteration(text: str) -> Alteration:
    """Read one alteration. Raises DocumentError."""
    try:
        return AlterationModel.model_validate(json.loads(text)).core()
    except (ValidationError, ValueError) as error:
        raise DocumentError(f"The alteration cannot be read: {error}.") from None
