"""Will any cloth on the shelf do? What would an off-cut hold, and what is the most a cloth can give?"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.remainder import area_in_hand
from rowanseed.core.cloth.yardage import FORGIVEN, is_enough, to_lay_on
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.choice import Answers, refusal, shortest
from rowanseed.core.lay.estimate import Estimate, FirstSight, estimate
from rowanseed.core.lay.problem import LayPiece, Plan, Problem, laid
from rowanseed.core.pattern.pieces import Panel, Role
from rowanseed.core.pipeline import altered_once
from rowanseed.core.project import Project
from rowanseed.core.saving.pieces import moved_to_contrast

MOST_ALIKE = 4
"""So many of one garment are tried on a cloth."""
SMALL = 120_000.0
"""Pieces of up to so many mm², all copies of one together, are looked for among the off-cuts."""
BODY = (Panel.FRONT, Panel.BACK, Panel.SLEEVE)


@dataclass(frozen=True)
class OnShelf:
    """A cloth of the shelf asked whether it will do: what the bounds say, and what a real lay says once there is one.

    `number` is the cloth's on the shelf. Lengths in mm, ready to cut; `hand` is what there is to lay on.
    """

    number: int
    cloth: Cloth
    problem: Problem
    bounds: Estimate
    hand: float
    answered: bool
    plan: Plan | None
    refusal: str
    taken: float = field(default=0.0)

    @property
    def sight(self) -> FirstSight:
        if area(self.problem) > area_in_hand(self.cloth):
            return FirstSight.NO
        return self.bounds.of(self.hand)

    @property
    def is_open(self) -> bool:
        """Whether only a real lay can tell."""
        return not self.answered and self.sight not in (FirstSight.SURE, FirstSight.NO)

    @property
    def fits(self) -> bool | None:
        """Whether it will do; None where only a real lay can tell."""
        if self.plan is not None:
            return is_enough(self.plan.length, self.cloth, self.taken)
        if self.answered:
            return False
        return {FirstSight.SURE: True, FirstSight.NO: False}.get(self.sight)

    @property
    def spare(self) -> float | None:
        return None if self.plan is None else self.hand - self.plan.length

    @property
    def way(self) -> str:
        return laid(self.plan) if self.plan else ""


def area(problem: Problem) -> float:
    """What all pieces of a problem cover, in mm²."""
    return sum(piece.area * piece.cut for piece in problem.pieces)


def on_shelf(project: Project, number: int, cloth: Cloth, problem: Problem, answers: Answers) -> OnShelf:
    """A cloth of the shelf with what is known of a lay on it."""
    return OnShelf(
        number=number,
        cloth=cloth,
        problem=problem,
        bounds=estimate(problem),
        hand=to_lay_on(cloth) or 0.0,
        answered=bool(answers),
        plan=shortest(answers),
        refusal=refusal(answers, project.cut_pattern, project.habits.units),
    )


def ranked(rows: Sequence[OnShelf]) -> list[OnShelf]:
    """What will do first, with least left over; then what only a lay can tell; what will not do last."""

    def rank(row: OnShelf) -> tuple[bool, bool, float, str]:
        spare = row.spare if row.spare is not None else float("inf")
        return (row.fits is not True, row.fits is False, spare, row.cloth.name)

    return sorted(rows, key=rank)


# ---------------------------------------------------------------- small pieces from off-cuts


@dataclass(frozen=True)
class SmallPiece:
    """A small piece of the main cloth on an off-cut (its number) that might hold it, and what would be laid there."""

    id: str
    name: str
    number: int
    problem: Problem


def small_pieces(project: Project, off_cuts: Mapping[int, Cloth]) -> Iterator[SmallPiece]:
    """Facings, pockets and bands of the main cloth, on every off-cut that is large enough."""
    if project.choices is None:
        return
    pattern, moved = project.garment, project.cloth_choices.moved
    for piece, cut in pattern.pieces_for(Role.MAIN, project.view):
        if piece.panel in BODY:
            continue
        ids = {*moved, piece.id}
        few = moved_to_contrast(replace(pattern, pieces=tuple(p for p in pattern.pieces if p.id in ids)), ids)
        for number, cloth in off_cuts.items():
            problem = lay_problem(few, project.choices, Role.CONTRAST, cloth)
            one = next((p for p in problem.pieces if p.id == piece.id), None)
            if one is not None and one.area * cut.count <= SMALL and _could(one, cloth):
                yield SmallPiece(id=piece.id, name=piece.name, number=number, problem=problem)


def _could(piece: LayPiece, cloth: Cloth) -> bool:
    """Whether a piece's box fits the off-cut's box one way or the other."""
    left, low, right, high = bounds(piece.whole())
    long, wide = right - left, high - low
    have_long, have_wide = (to_lay_on(cloth) or 0.0) + FORGIVEN, cloth.ready_width
    return (long <= have_long and wide <= have_wide) or (wide <= have_long and long <= have_wide)


# ---------------------------------------------------------------- the most a cloth can give


@dataclass(frozen=True)
class Giving:
    """A case of what a cloth might give: one garment of a size, or several of this one."""

    size: str
    number: int
    problem: Problem

    @property
    def is_one(self) -> bool:
        return self.number == 1

    @property
    def words(self) -> str:
        return f"size {self.size}" if self.is_one else f"{self.number} of this garment, size {self.size}"


def givings(project: Project, role: Role, cloth: Cloth) -> Iterator[Giving]:
    """Every size of this pattern, as drawn; then several of this garment, as long as the cloth's area holds them."""
    for size in project.pattern.envelope.sizes:
        choices = GarmentChoices(project.view, size)
        pattern = altered_once(project.pattern, choices).pattern
        if pattern.pieces_for(role, project.view):
            matching = project.cloth_choices.matched(role)
            yield Giving(
                size=size,
                number=1,
                problem=lay_problem(
                    pattern=pattern, choices=choices, role=role, cloth=cloth, tactics=(), matching=matching
                ),
            )
    one = project.problem(role, cloth)
    if one is None:
        return
    for number in range(2, MOST_ALIKE + 1):
        problem = replace(one, pieces=tuple(replace(piece, cut=piece.cut * number) for piece in one.pieces))
        if area(problem) > area_in_hand(cloth):
            return
        yield Giving(size=project.size or "", number=number, problem=problem)


def largest(found: Sequence[tuple[Giving, OnShelf]]) -> str:
    """The largest size that fits, and how many of this garment where it is several; empty where nothing does."""
    fitting = [giving for giving, row in found if row.fits]
    one = [giving.words for giving in fitting if giving.is_one]
    several = [giving.words for giving in fitting if not giving.is_one]
    return " or ".join([*one[-1:], *several[-1:]])
