"""What an alteration is, and what it reports: the records every kind shares."""

from __future__ import annotations

from dataclasses import dataclass, field

from rowanseed.core.pattern.pattern import Pattern


@dataclass(frozen=True)
class Alteration:
    """One change the sewist asked for.

    `kind` is the id of one of `alter.kinds`. `by` in mm, in the sense of its kind (longer, wider, fuller: positive).
    `at` says where: the printed line of a change of length; the join of a change at a seam. `level` is the level at
    which a change at a seam is greatest ("" : all along it).
    """

    kind: str
    by: float
    at: str = ""
    level: str = ""
    school: str = ""
    """Which way of doing it, where practitioners differ: one of its kind's `schools`; empty: the first of them."""
    id: str = field(default="", compare=False)
    """Which line of a project's list it is, so that a page can speak of it."""


@dataclass(frozen=True)
class Touched:
    """A piece an alteration changed: which edges, the greatest change of an edge's length, and why; whether notches of
    it were moved to where those that they meet now stand."""

    piece: str
    edges: tuple[str, ...]
    by: float
    why: str
    notched: bool = False


@dataclass(frozen=True)
class TruedSeam:
    """A seam that came apart and was trued at its lower end: by piece, `by` mm off the longer and onto the shorter."""

    longer: str
    shorter: str
    by: float


@dataclass(frozen=True)
class AlterationStep:
    """An alteration as it was carried out: all it touched, and the pattern before and after it."""

    alteration: Alteration
    touched: tuple[Touched, ...]
    before: Pattern
    after: Pattern
    trued: tuple[TruedSeam, ...] = ()


@dataclass(frozen=True)
class Altered:
    """A pattern with one size altered, and what each alteration touched."""

    pattern: Pattern
    steps: tuple[AlterationStep, ...] = ()

    @property
    def touched(self) -> tuple[Touched, ...]:
        """Everything touched, in the order of the alterations."""
        return tuple(touched for step in self.steps for touched in step.touched)
