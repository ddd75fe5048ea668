"""How much cloth at every usual width and in both directions: what to lay, and what comes of it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import INCH, Units
from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat
from rowanseed.core.cloth.matching import NOTHING, Matching
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.problem import LayKind, Plan, Problem, laid
from rowanseed.core.pattern.envelope import PrintedYardage
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role

USUAL_WIDTHS: dict[Units, tuple[float, ...]] = {
    Units.METRIC: (900.0, 1120.0, 1370.0, 1500.0),
    Units.IMPERIAL: (36 * INCH, 45 * INCH, 54 * INCH, 60 * INCH),
}
"""Widths as shops sell them, in mm: 90, 112, 137 and 150 cm; 36, 45, 54 and 60 in (common practice, no source)."""
INTERFACING_WIDTHS: dict[Units, tuple[float, ...]] = {Units.METRIC: (900.0,), Units.IMPERIAL: (36 * INCH,)}
SELVEDGE = 12.0


@dataclass(frozen=True)
class Cell:
    """One case of the table: a cloth of a usual width in a direction, and what has to be laid on it."""

    role: Role
    cloth: Cloth
    problem: Problem
    unmatched: Problem | None = None
    """The same with nothing matched, where something is: what matching costs is told by laying both."""

    @property
    def width(self) -> float:
        return self.cloth.width

    @property
    def one_way(self) -> bool:
        return self.cloth.direction is Direction.ONE_WAY


def cells(
    pattern: Pattern,
    choices: GarmentChoices,
    role: Role,
    like: Cloth | None,
    units: Units = Units.METRIC,
    matching: Matching = NOTHING,
) -> tuple[Cell, ...]:
    """Every usual width in both directions (one for interfacing). `pattern` is altered already.

    `like` is the cloth thought of: its shrinkage goes into every case, as it has to be bought before it shrinks, and
    so does its repeat where it is matched.
    """
    widths = (INTERFACING_WIDTHS if role is Role.INTERFACING else USUAL_WIDTHS)[units]
    directions = (Direction.TWO_WAY,) if role is Role.INTERFACING else tuple(Direction)
    out = []
    for width in widths:
        for direction in directions:
            cloth = Cloth(
                name=f"{width / 10:.0f} cm",
                width=width,
                length=None,
                selvedge=0.0 if role is Role.INTERFACING else SELVEDGE,
                direction=direction,
                shrink_along=like.shrink_along if like else 0.0,
                shrink_across=like.shrink_across if like else 0.0,
                repeat=like.repeat if like else Repeat(),
            )
            problem = lay_problem(
                pattern=pattern, choices=choices, role=role, cloth=cloth, tactics=(), matching=matching
            )
            out.append(
                Cell(
                    role=role,
                    cloth=cloth,
                    problem=problem,
                    unmatched=lay_problem(pattern, choices, role, cloth) if problem.matches else None,
                )
            )
    return tuple(out)


def best_plans(found: Mapping[int, Plan | None], every: tuple[Cell, ...]) -> dict[int, Plan | None]:
    """The shortest plan of each case (by its place in `every`), those of stricter cases counted in.

    A plan for cloth with nap serves cloth without, and one laid open on narrower cloth serves wider cloth: what a
    short search missed in one case it may have found in another.
    """
    out = {}
    for k, cell in enumerate(every):
        serving = [
            plan
            for n, other in enumerate(every)
            if (plan := found.get(n)) is not None
            and other.role is cell.role
            and (other.one_way or not cell.one_way)
            and (other.width == cell.width or (other.width < cell.width and laid(plan) == LayKind.OPEN.value))
        ]
        out[k] = min(serving, key=lambda plan: plan.length, default=None)
    return out


def nearest_printed(
    yardage: tuple[PrintedYardage, ...], view: str, size: str, role: Role, cell: Cell
) -> PrintedYardage | None:
    """The envelope's line nearest to a case: its width first, then its direction."""
    lines = [y for y in yardage if (y.view, y.size, y.role) == (view, size, role)]
    return min(lines, key=lambda y: (abs(y.width - cell.width), y.one_way != cell.one_way), default=None)
