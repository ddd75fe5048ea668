"""The Cloth station: the first answer to “will it do?”, and the whole table of widths of the overshirt."""

from __future__ import annotations

import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor

from benchmarks.figures import Figure, median_seconds
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat
from rowanseed.core.cloth.matching import BARS, BOTH, NOTHING
from rowanseed.core.cloth.remainder import remainders
from rowanseed.core.cloth.widths import cells
from rowanseed.core.derive.choice import InterfacingSchool, Layers, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.garment import GarmentChoices, altered, derived, lay_problem
from rowanseed.core.lay.engine import Budget, Progress, solve, solve_each
from rowanseed.core.lay.estimate import estimate
from rowanseed.core.lay.search import nofit, tables
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.apply import offered
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.settings import settings

MIDDLE = 3


def _forget() -> None:
    for cache in (tables._one, nofit._no_fit, nofit.convex_parts, nofit.simplified):
        cache.cache_clear()


def figures() -> Iterator[Figure]:
    yield from _first_answers()
    yield from _table()
    yield from _tactics()
    yield from _derived()


def _first_answers() -> Iterator[Figure]:
    """From the question to the first answer (bounds), and to the first valid lay with nothing tabulated before."""
    for module in (six_gore_skirt, trousers, waistcoat, overshirt):
        pattern = module.draft()
        size = pattern.envelope.sizes[MIDDLE]
        problem = lay_problem(
            pattern,
            GarmentChoices("A", size),
            Role.MAIN,
            Cloth(name="c", width=1400, length=2500, selvedge=12, direction=Direction.TWO_WAY),
        )
        name = module.__name__.rsplit(".", 1)[-1].replace("_", "-")
        started = time.perf_counter()
        estimate(problem).of(2450.0)
        yield Figure(
            area="cloth", name=f"will-it-do-{name}-first-answer-seconds", value=time.perf_counter() - started, limit=1.0
        )
        _forget()
        seen: list[Progress] = []
        solve_each(problem, Budget(seconds=0.01), seen.append)
        yield Figure(area="cloth", name=f"will-it-do-{name}-first-lay-seconds", value=seen[0].elapsed, limit=None)


def _table() -> Iterator[Figure]:
    """All widths, both directions, all cloths of the overshirt on two cores, a job a core as the workers do."""
    pattern, choices = overshirt.draft(), GarmentChoices("A", "L")
    drawn = altered(pattern, choices).pattern
    every = [cell for role in pattern.roles("A") for cell in cells(drawn, choices, role, None)]
    _forget()
    started = time.perf_counter()
    with ThreadPoolExecutor(2) as pool:
        list(
            pool.map(
                lambda cell: solve_each(cell.problem, Budget(seconds=settings().seconds_for_a_width, threads=1)), every
            )
        )
    yield Figure(
        area="cloth",
        name=f"table-of-{len(every)}-widths-overshirt-seconds",
        value=time.perf_counter() - started,
        limit=60.0,
    )


def _tactics() -> Iterator[Figure]:
    """What each tactic saves on the skirt in one-way cloth, in mm, at two seconds each after the tables."""
    pattern, choices = six_gore_skirt.draft(), GarmentChoices("A", "14")
    cloth = Cloth(name="c", width=1400, length=None, selvedge=12, direction=Direction.ONE_WAY)
    base = solve(lay_problem(pattern, choices, Role.MAIN, cloth), Budget(seconds=2.0, computing=True)).length
    for tactic in offered(pattern, "A", Role.MAIN, one_way=True):
        changed = derived(pattern, choices.size, "A", ClothChoices(), (tactic,))
        length = solve(
            lay_problem(changed, choices, Role.MAIN, cloth, (tactic,)), Budget(seconds=2.0, computing=True)
        ).length
        yield Figure(area="cloth", name=f"saves-{tactic}-mm", value=base - length, limit=None)


def _derived() -> Iterator[Figure]:
    """A lining with all its choices, what is left of a cloth, and what matching costs in length in two seconds each."""
    pattern, choices = waistcoat.draft(), GarmentChoices("A", "14")
    skirt = altered(six_gore_skirt.draft(), choices).pattern
    layers = Layers(LiningSchool.DEDUCT, underlined=True, interfacing=InterfacingSchool.TRIMMED)
    yield Figure(
        area="cloth",
        name="layers-of-the-skirt-seconds",
        value=median_seconds(lambda: with_layers(skirt, "14", "A", layers), 9),
        limit=None,
    )
    cloth = Cloth(
        name="checked",
        width=1500,
        length=3000,
        selvedge=12,
        direction=Direction.TWO_WAY,
        washed=True,
        repeat=Repeat(92, 84),
    )
    drawn = altered(pattern, choices).pattern
    for name, how in (("none", NOTHING), ("bars", BARS), ("both", BOTH)):
        problem = lay_problem(pattern=drawn, choices=choices, role=Role.MAIN, cloth=cloth, tactics=(), matching=how)
        plan = solve(problem, Budget(seconds=2.0, computing=True))
        yield Figure(area="cloth", name=f"waistcoat-{name}-matched-mm", value=plan.length, limit=None)
    problem = lay_problem(drawn, choices, Role.MAIN, cloth)
    plan = solve(problem, Budget(seconds=1.0, computing=True))
    yield Figure(
        area="cloth",
        name="what-is-left-seconds",
        value=median_seconds(lambda: remainders([plan], problem.cloth, cloth), 9),
        limit=None,
    )
    rest = remainders([plan], problem.cloth, cloth)[0].cloth
    again = lay_problem(drawn, choices, Role.INTERFACING, rest)
    _forget()
    seen: list[Progress] = []
    solve_each(again, Budget(seconds=0.01), seen.append)
    yield Figure(area="cloth", name="first-lay-on-a-remainder-seconds", value=seen[0].elapsed, limit=None)
