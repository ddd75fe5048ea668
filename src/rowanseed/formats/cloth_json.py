"""The reckoning of a project, and the details of a cloth, as JSON documents."""

from __future__ import annotations

from pydantic import TypeAdapter, ValidationError

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth_choices import ClothChoices

_RECKONING = TypeAdapter(ClothChoices)
_CLOTH = TypeAdapter(Cloth)


def write_reckoning(reckoning: ClothChoices) -> str:
    return _RECKONING.dump_json(reckoning, exclude_defaults=True).decode()


def read_reckoning(text: str) -> ClothChoices:
    """Raises DocumentError for a document that is none."""
    try:
        return _RECKONING.validate_json(text)
    except ValidationError as error:
        raise DocumentError("The reckoning of this project cannot be read.", str(error.errors()[0]["msg"])) from None


def write_cloth(cloth: Cloth) -> str:
    """A cloth as a document; what is as it usually is, is left out."""
    return _CLOTH.dump_json(cloth, exclude_defaults=True).decode()


def read_cloth(text: str) -> Cloth:
    """Raises DocumentError for a document that is none."""
    try:
        return _CLOTH.validate_json(text)
    except ValidationError as error:
        raise DocumentError("This cloth cannot be read.", str(error.errors()[0]["msg"])) from None
