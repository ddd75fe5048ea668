"""Why something cannot be laid, as a document: the refusal's id and its fields."""

from __future__ import annotations

from typing import Any

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.base.lay_errors import LAY_REFUSALS, LayRefusal


def refusal_document(refusal: LayRefusal) -> dict[str, Any]:
    return {"refused": refusal.ID, **refusal.values()}


def read_refusal(document: dict[str, Any]) -> LayRefusal:
    """Raises DocumentError for a document that is none."""
    fields = dict(document)
    kind = LAY_REFUSALS.get(str(fields.pop("refused", "")))
    if kind is None:
        raise DocumentError("This is no refusal that is known here.", "", "refused")
    try:
        return kind(**fields)
    except TypeError as error:
        raise DocumentError(f"A refusal has other fields: {error}.", "", kind.ID) from None
