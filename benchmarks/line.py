"""The whole line: reading a pattern, server time of every station, planning a project."""

from __future__ import annotations

import tempfile
from collections.abc import Iterator
from functools import partial
from pathlib import Path

from fastapi.testclient import TestClient

from benchmarks.figures import Figure, median_seconds
from rowanseed.core.make.compiler import MakingChoices, compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.walk import walk
from rowanseed.demo.household import fill
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import read_pattern, write_pattern
from rowanseed.web.app import create_app


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
        client = TestClient(create_app(database))
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
            fetch = partial(client.get, f"/{page}")
            yield Figure(area="line", name=f"{name}-page-seconds", value=median_seconds(fetch, 9), limit=0.15)
