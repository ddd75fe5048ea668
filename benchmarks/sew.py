"""The Sew station: pages of an order of 120 operations, a choice's price, drawings, the best run for a sitting.

The best run of small orders is held to the best there is, found by trying everything.
"""

from __future__ import annotations

import random
import tempfile
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from datetime import date
from functools import partial
from pathlib import Path
from statistics import median
from time import perf_counter

from fastapi.testclient import TestClient

from benchmarks.figures import Figure, median_seconds
from benchmarks.make import COAT, trimmed
from benchmarks.pages import pages_of, seen
from rowanseed.app.desk import Desk
from rowanseed.app.open_project import load
from rowanseed.app.sewing import Sewing
from rowanseed.core.body.measures import Age
from rowanseed.core.choices import ClothChoices
from rowanseed.core.make.line_of_work import Line, Log, line_of
from rowanseed.core.make.operation import Act, After, Bench, Operation
from rowanseed.core.make.sequencer import changing
from rowanseed.core.make.sittings import AGAINST_ADVICE, CHANGE, OUT_OF_ORDER, best_run
from rowanseed.demo import overshirt
from rowanseed.demo.household import BERTIL, TAKEN, fill
from rowanseed.drawings.steps import badges, laid, section
from rowanseed.drawings.steps.registry import frames
from rowanseed.store.database import connect
from rowanseed.store.household import habits
from rowanseed.store.patterns import add_pattern
from rowanseed.store.people import save_person
from rowanseed.store.projects import decide, start_project

TODAY = date(2026, 11, 26)
SMALL_ORDERS = 80
THREAD, SHADE = "#6b3d5b", "#d9cbd3"


def figures() -> Iterator[Figure]:
    with tempfile.TemporaryDirectory() as folder:
        database = Path(folder) / "house.db"
        fill(database)
        project = _coat_project(database)
        client = pages_of(database)
        yield from _pages(client, project)
        yield from _steps(client, project, database)
    yield from _sections()
    yield from _beside_everything()


def _coat_project(database: Path) -> int:
    """A lined and underlined shirt with trims: about 120 operations."""
    db = connect(database)
    try:
        size = overshirt.draft().envelope.sizes[2]
        person = save_person(connection=db, id=None, name="Bertil", age=Age.ADULT, body=BERTIL, today=TAKEN)
        pattern = add_pattern(db, trimmed(overshirt.draft()), TODAY)
        project = start_project(db, "Coat", person, pattern, "A", {}, TODAY)
        layers = ClothChoices(layers=COAT)
        decide(db, project, lambda record: replace(record, size=size, cloth_choices=layers))
        return project
    finally:
        db.close()


def _pages(client: TestClient, project: int) -> Iterator[Figure]:
    for path, name in (("sew", "step"), ("sew/line", "line"), ("sew/time", "time"), ("machine", "machine")):
        look = partial(seen, client, f"/projects/{project}/{path}")
        look()
        yield Figure("sew", f"page-{name}-seconds", median_seconds(look, 7), 0.15)


def _steps(client: TestClient, project: int, database: Path) -> Iterator[Figure]:
    """What a choice costs to look at, what drawings take when they are drawn the first time, a sitting's best run."""
    db = connect(database)
    try:
        sewing = Sewing(load(Desk(db, habits(db), TODAY), project))
        core = sewing.project.core
        yield Figure("sew", "operations", len(core.steps), None)
        choices = [(way.id, other.id) for way in core.ways for other in way.others[:2]][:24]
        taken = []
        for part, technique in choices:
            start = perf_counter()
            seen(client, f"/projects/{project}/sew/ways?part={part}&technique={technique}")
            taken.append(perf_counter() - start)
        yield Figure("sew", "choice-price-median-seconds", median(taken), 0.3)
        yield Figure("sew", "choice-price-slowest-seconds", max(taken), 0.3)
        laid._drawn.cache_clear()
        drawn = []
        for op in core.steps:
            start = perf_counter()
            laid.draw_laid(core.garment, "A", core.size or "", op, THREAD, SHADE)
            drawn.append(perf_counter() - start)
        yield Figure("sew", "step-drawing-median-seconds", median(drawn), 0.03)
        yield Figure("sew", "step-drawing-slowest-seconds", max(drawn), 0.03)
        runs = []
        for done in range(0, len(core.steps), 8):
            line = line_of(core.steps, Log(done=frozenset(op.id for op in core.steps[:done])))
            for minutes in (20, 45, 90):
                start = perf_counter()
                best_run(line, minutes, sewing.took)
                runs.append(perf_counter() - start)
        yield Figure("sew", "best-run-median-seconds", median(runs), 0.05)
        yield Figure("sew", "best-run-slowest-seconds", max(runs), 0.05)
    finally:
        db.close()


def _sections() -> Iterator[Figure]:
    scenes = list(dict.fromkeys(frame.scene for found in frames().values() for frame in found))
    section.draw_section.cache_clear()
    badges.badges.cache_clear()
    taken = []
    for scene in scenes:
        start = perf_counter()
        section.draw_section(scene, THREAD)
        taken.append(perf_counter() - start)
    yield Figure("sew", "section-median-seconds", median(taken), 0.03)
    yield Figure("sew", "section-slowest-seconds", max(taken), 0.03)


# ---------------------------------------------------------------- small orders, by trying everything


def _beside_everything() -> Iterator[Figure]:
    """The share of the best there is that the best run reaches, over random small orders; the worst of them."""
    chance, worst = random.Random(11), 1.0
    for _ in range(SMALL_ORDERS):
        steps = _small_order(chance)
        took = {op.id: float(chance.randint(2, 20)) for op in steps}
        line, budget = line_of(steps, Log()), float(chance.randint(10, 60))
        best = _by_trying(line, took, budget)
        found = best_run(line, budget, took)
        if best > 0:
            worst = min(worst, (found.worth if found else 0.0) / best)
    yield Figure("sew", "best-run-to-optimum-worst", worst, 1.0 - 1e-9, at_least=True)


def _small_order(chance: random.Random) -> tuple[Operation, ...]:
    out = []
    for k in range(chance.randint(3, 8)):
        before = [f"s{j}" for j in range(k)]
        needs = chance.sample(before, min(len(before), chance.randint(0, 2)))
        out.append(
            Operation(
                id=f"s{k}",
                technique="plain seam",
                act=chance.choice([Act.JOIN, Act.PRESS, Act.NEATEN]),
                title=f"s{k}",
                how=(),
                bench=chance.choice([Bench.MACHINE, Bench.IRON, Bench.HAND]),
                needs=tuple(After(n, "", chance.random() < 0.8) for n in needs),
            )
        )
    return tuple(out)


def _by_trying(line: Line, took: Mapping[str, float], budget: float) -> float:
    """The greatest worth of any run, by going through all of them."""
    steps: Sequence[Operation] = line.left
    best = 0.0

    def go_on(done: frozenset[str], last: Operation | None, used: float, worth: float) -> None:
        nonlocal best
        best = max(best, worth)
        for k, op in enumerate(steps):
            late = used + took[op.id] > budget
            if op.id in done or late or any(n.must and n.step not in done for n in op.needs):
                continue
            more = took[op.id] - OUT_OF_ORDER * sum(other.id not in done for other in steps[:k])
            more -= AGAINST_ADVICE * sum(not n.must and n.step not in done for n in op.needs)
            more -= CHANGE * changing(last, op) if last is not None else 0.0
            go_on(done | {op.id}, op, used + took[op.id], worth + more)

    go_on(frozenset(), None, 0.0, 0.0)
    return best
