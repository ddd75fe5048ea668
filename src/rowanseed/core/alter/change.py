"""What an alteration is, and what it reports: the words every technique shares."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from rowanseed.core.pattern.pattern import Pattern


class Kind(Enum):
    """The kinds of alteration, by the name they have in documents."""

    LENGTH = "length"
    HEM = "hem"
    SEAM = "seam"
    BUST = "bust"
    SHOULDER_WIDTH = "shoulder-width"
    SHOULDER_SLOPE = "shoulder-slope"
    SHOULDER_PADS = "shoulder-pads"
    SWAY_BACK = "sway-back"
    ROUND_BACK = "round-back"
    SLEEVE_WIDTH = "sleeve-width"
    CROTCH_LENGTH = "crotch-length"


@dataclass(frozen=True)
class Alteration:
    """One change the sewist asked for.

    `by` in mm, in the sense of its kind (longer, wider, fuller: positive). `at` says where: the printed
    line of a change of length; the join of a change at a seam. `level` is the level at which a change at a
    seam is greatest ("" : all along it).
    """

    kind: Kind
    by: float
    at: str = ""
    level: str = ""


@dataclass(frozen=True)
class Touched:
    """A piece an alteration changed: which edges, the greatest change of an edge's length, and why."""

    piece: str
    edges: tuple[str, ...]
    by: float
    why: str


@dataclass(frozen=True)
class AlterationStep:
    """An alteration as it was carried out: all it touched, and the pattern before and after it."""

    alteration: Alteration
    touched: tuple[Touched, ...]
    before: Pattern
    after: Pattern


@dataclass(frozen=True)
class Altered:
    """A pattern with one size altered, and what each alteration touched."""

    pattern: Pattern
    steps: tuple[AlterationStep, ...] = ()

    @property
    def touched(self) -> tuple[Touched, ...]:
        """Everything touched, in the order of the alterations."""
        return tuple(touched for step in self.steps for touched in step.touched)
