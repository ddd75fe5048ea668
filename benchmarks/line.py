"""The whole line: reading a pattern, server time of every station, planning a project."""

from __future__ import annotations

import tempfile
from collections.abc import Iterator
from dataclasses import replace
from datetime import date
from functools import partial
from pathlib import Path

from benchmarks.figures import Figure, median_seconds
from benchmarks.pages import pages_of, seen
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import walk
from rowanseed.demo.household import fill
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import read_pattern, write_pattern
from rowanseed.store import cloths, projects
from rowanseed.store.database import connect


def figures() -> Iterator[Figure]:
    skirt = draft()
    text = write_pattern(skirt)
    yield Figure(
        area="line", name="read-pattern-seconds", value=median_seconds(lambda: read_pattern(text), 9), limit=0.2
    )
    yield Figure(
        area="line",
        name="walk-all-sizes-seconds",
        value=median_seconds(lambda: [walk(skirt, s) for s in skirt.envelope.sizes], 9),
        limit=0.1,
    )
    steps = compile_steps(skirt, "A", "14", MakingChoices())
    yield Figure(
        area="line", name="order-of-making-seconds", value=median_seconds(lambda: sequence(steps), 9), limit=0.15
    )
    with tempfile.TemporaryDirectory() as folder:
        database = Path(folder) / "bench.db"
        fill(database)
        client = pages_of(database)
        for page in (
            "",
            "projects/1/fit",
            "projects/1/cloth",
            "projects/1/lay",
            "projects/1/cut",
            "projects/1/sew",
            "projects/1/keep",
        ):
            name = page.rpartition("/")[2] or "shelf"
            fetch = partial(seen, client, f"/{page}")
            yield Figure(area="line", name=f"{name}-page-seconds", value=median_seconds(fetch, 9), limit=0.15)
        crowd(database, 200)
        client = pages_of(database)
        for _ in range(200 // 8 + 1):
            seen(client, "/")  # a few stale cards are worked out at each look
        look = partial(seen, client, "/")
        yield Figure(area="line", name="shelf-of-200-page-seconds", value=median_seconds(look, 9), limit=0.15)


def crowd(database: Path, number: int) -> None:
    """So many projects more, each with a cloth of its own."""
    db = connect(database)
    cloth, record = cloths.cloth(db, 1), projects.project(db, 2)
    if cloth is None or record is None:
        raise RuntimeError("the demo household is not what it was")
    for k in range(number):
        id = cloths.save_cloth(db, None, replace(cloth.cloth, name=f"Cloth {k}"))
        projects.start_project(
            db, f"Project {k}", record.person_id, record.pattern_id, "A", {Role.MAIN: id}, date(2026, 11, 1)
        )
    db.close()
