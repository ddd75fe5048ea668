"""Structured ids as records. Only here are they put together as text and taken apart again."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Self


@dataclass(frozen=True)
class CutKey:
    """A placement on the cutting list: the cloth's role, the piece, and how many of it were cut before."""

    role: str
    piece: str
    before: int

    def __str__(self) -> str:
        return f"{self.role}:{self.piece}:{self.before}"


@dataclass(frozen=True)
class ReadyKey:
    """A step of making a cloth ready, by its role."""

    role: str
    step: str

    def __str__(self) -> str:
        return f"prep:{self.role}:{self.step}"


@dataclass(frozen=True)
class PlaceKey:
    """Where an alteration is asked for: its kind, a printed line or a seam, a level, and which way of doing it."""

    kind: str
    at: str = ""
    level: str = ""
    school: str = ""

    def __str__(self) -> str:
        whole = f"{self.kind}:{self.at}:{self.level}"
        return f"{whole}:{self.school}" if self.school else whole

    @classmethod
    def parse(cls, text: str) -> Self | None:
        """None for text that is no such id."""
        parts = text.split(":")
        return cls(*parts) if len(parts) in (3, 4) else None


@dataclass(frozen=True)
class ForWhom:
    """For whom another garment of a batch is: a person by number, a plain size, or one like the project's own."""

    kind: str
    which: str = ""

    @classmethod
    def parse(cls, text: str) -> Self:
        kind, _, which = text.partition(":")
        return cls(kind, which)

    @property
    def number(self) -> int | None:
        """The number of a person; None for anything that cannot be one."""
        return int(self.which) if self.which.isascii() and self.which.isdigit() and len(self.which) < 12 else None


@dataclass(frozen=True)
class TableKey:
    """A step at the cutting table that cuts nothing: the cloth's role, its stretch and how that is laid, what is done.

    Another way of laying the stretch has other keys: what was folded otherwise is not folded so yet.
    """

    role: str
    stretch: int
    lay: str
    act: str = ""

    def with_act(self, act: str) -> TableKey:
        return replace(self, act=act)

    def __str__(self) -> str:
        return f"table.{self.role}.{self.stretch}.{self.lay}.{self.act}"
