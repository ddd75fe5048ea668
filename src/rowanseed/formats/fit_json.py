"""`rowanseed-fit/1` and `rowanseed-alteration/1`: what was decided at the Fit station, and one alteration by itself."""

from __future__ import annotations

from typing import Any

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import KINDS
from rowanseed.core.base.errors import DocumentError
from rowanseed.core.choices import FitChoices
from rowanseed.formats.documents import Kind
from rowanseed.formats.wording import FIT, in_ids


def _from_0(document: dict[str, Any]) -> dict[str, Any]:
    """Closed sets were kept by their wording, and alterations had no ids."""
    worded: dict[str, Any] = in_ids(document, FIT)
    lines = enumerate(worded.get("alterations", []), start=1)
    return {**worded, "alterations": [{**line, "id": str(k)} for k, line in lines]}


FIT_KIND = Kind("rowanseed-fit", 1, FitChoices, "The fit cannot be read.", {0: _from_0})
ALTERATION_KIND = Kind("rowanseed-alteration", 1, Alteration, "The alteration cannot be read.")


def read_fit(text: str) -> FitChoices:
    """Read a fit document. Raises DocumentError."""
    choices = FIT_KIND.read(text)
    for alteration in choices.alterations:
        _refuse_unknown(alteration, FIT_KIND.said)
    return choices


def write_fit(choices: FitChoices) -> str:
    return FIT_KIND.write(choices)


def read_alteration(text: str) -> Alteration:
    """Read one alteration. Raises DocumentError."""
    alteration = ALTERATION_KIND.read(text)
    _refuse_unknown(alteration, ALTERATION_KIND.said)
    return alteration


def write_alteration(alteration: Alteration) -> str:
    return ALTERATION_KIND.write(alteration)


def alteration_document(alteration: Alteration) -> dict[str, Any]:
    """One alteration among what the stations work out."""
    return {
        "kind": alteration.kind,
        "by": alteration.by,
        "at": alteration.at,
        "level": alteration.level,
        "school": alteration.school,
    }


def _refuse_unknown(alteration: Alteration, said: str) -> None:
    if alteration.kind not in KINDS:
        known = ", ".join(KINDS)
        raise DocumentError(said, f"“{alteration.kind}” is no alteration known here; there are: {known}.", "kind")
