"""What a drawing of a step gives back."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Laid:
    """A drawing of how things lie, and the same in words."""

    svg: str
    words: str
