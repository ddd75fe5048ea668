"""Ids in documents: text that has to be known to the part of the craft it names."""

from __future__ import annotations

from typing import Annotated

from pydantic import AfterValidator

from rowanseed.core.alter.kinds import KINDS


def _known_kind(id: str) -> str:
    if id not in KINDS:
        raise ValueError(f"“{id}” is no kind of alteration; there are: {', '.join(KINDS)}")
    return id


AlterationKindId = Annotated[str, AfterValidator(_known_kind)]
