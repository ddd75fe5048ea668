"""Ids in documents: text that has to be known to the part of the craft it names."""

from __future__ import annotations

from typing import Annotated

from pydantic import AfterValidator

from rowanseed.core.alter.kinds import KINDS
from rowanseed.core.saving.tactics import TACTICS


def _known_kind(id: str) -> str:
    if id not in KINDS:
        raise ValueError(f"“{id}” is no kind of alteration; there are: {', '.join(KINDS)}")
    return id


AlterationKindId = Annotated[str, AfterValidator(_known_kind)]


def _known_tactic(id: str) -> str:
    if id not in TACTICS:
        raise ValueError(f"“{id}” is no tactic; there are: {', '.join(TACTICS)}")
    return id


KnownTactic = Annotated[str, AfterValidator(_known_tactic)]
