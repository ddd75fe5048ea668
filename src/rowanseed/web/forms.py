"""Reading forms: Pydantic models whose lengths are written as people write them.

A form that cannot be taken is shown again with what was typed and a sentence at the field.
"""

from __future__ import annotations

import re
from collections.abc import Mapping
from typing import Annotated, Any, TypeVar

from pydantic import BaseModel, BeforeValidator, ConfigDict, ValidationError, ValidationInfo
from pydantic_core import ErrorDetails, PydanticCustomError

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import parse_length, parse_signed_length
from rowanseed.formats.in_words import in_words

Typed = Mapping[str, str]
Errors = dict[str, str]

CHANGED = (
    "This was changed in another window since you opened it. What you wrote stands here still: look it over, and keep "
    "it once more to have it take the place of the other."
)


def refuse(said: str) -> PydanticCustomError:
    """An error of a field, in the sewist's words."""
    return PydanticCustomError("sewist", "{said}", {"said": said})


def _unit(info: ValidationInfo) -> str:
    return str((info.context or {}).get("unit", "cm"))


def _length(value: Any, info: ValidationInfo) -> Any:
    if not isinstance(value, str):
        return value
    try:
        return parse_length(value, _unit(info))
    except LengthError as error:
        raise refuse(str(error)) from None


def _optional_length(value: Any, info: ValidationInfo) -> Any:
    return None if isinstance(value, str) and not value.strip() else _length(value, info)


def _change(value: Any, info: ValidationInfo) -> Any:
    if not isinstance(value, str):
        return value
    if not value.strip():
        return 0.0
    try:
        return parse_signed_length(value, _unit(info))
    except LengthError as error:
        raise refuse(str(error)) from None


def _share(value: Any) -> Any:
    if not isinstance(value, str):
        return value
    written = value.strip().rstrip("%").strip().replace(",", ".")
    if not written:
        return 0.0
    if not re.fullmatch(r"\d+(\.\d+)?", written):
        raise refuse("A share is written like 3 or 3.5 %.")
    share = float(written) / 100
    if share > 0.3:
        raise refuse("No cloth that can be sewn shrinks by more than 30 %. Measure again before and after washing.")
    return share


def _stretch(value: Any) -> Any:
    if not isinstance(value, str):
        return value
    written = value.strip().rstrip("%").strip().replace(",", ".")
    if not written:
        return 0.0
    if not re.fullmatch(r"\d+(\.\d+)?", written) or float(written) > 100:
        raise refuse("How far it stretches, as a share: 0 for woven cloth, 25 for a firm knit, 100 at most.")
    return float(written) / 100


def _text(value: Any) -> Any:
    if not isinstance(value, str) or not value.strip():
        raise refuse("Something has to be written here.")
    if len(value) > 4000:
        raise refuse("That is longer than 4000 letters; keep it shorter.")
    return value.strip()


Length = Annotated[float, BeforeValidator(_length)]
OptionalLength = Annotated[float | None, BeforeValidator(_optional_length)]
Change = Annotated[float, BeforeValidator(_change)]
Share = Annotated[float, BeforeValidator(_share)]
Stretch = Annotated[float, BeforeValidator(_stretch)]
Text = Annotated[str, BeforeValidator(_text)]


class Form(BaseModel):
    """A form; unknown fields are passed over."""

    model_config = ConfigDict(extra="ignore")


Model = TypeVar("Model", bound=Form)


OFFERED = "Choose or write one of what is offered here."


def _said(found: ErrorDetails) -> str:
    """What a field is told, in the sewist's words."""
    match found["type"]:
        case "sewist":
            return found["msg"]
        case "missing":
            return "Something has to be chosen or written here."
        case "enum" | "literal_error" | "bool_parsing":
            return OFFERED
        case _:
            return in_words(found, OFFERED)


def bind(model: type[Model], typed: Typed, unit: str) -> tuple[Model | None, Errors]:
    """Read what was typed: the form, or a sentence for each field that cannot be taken."""
    try:
        return model.model_validate(dict(typed), context={"unit": unit}), {}
    except ValidationError as error:
        errors: Errors = {}
        for found in error.errors():
            field = str(found["loc"][0]) if found["loc"] else "form"
            errors.setdefault(field, _said(found))
        return None, errors
