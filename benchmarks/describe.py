"""Describing: composing a whole pattern over eight sizes, a changed choice at the page, the line drawing."""

from __future__ import annotations

import json
import tempfile
from collections.abc import Iterator
from dataclasses import replace
from functools import partial
from pathlib import Path
from statistics import median
from time import perf_counter

from benchmarks.figures import Figure, median_seconds
from benchmarks.pages import pages_of
from rowanseed.core.base.units import Units
from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.tape import dimensions, taken
from rowanseed.core.geometry.outline import _curve_length
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.formats.description_json import read_description, write_description
from rowanseed.web.describe_form import from_document

SAMPLES = Path("tests/outside/descriptions")
SIZES = ("6", "8", "10", "12", "14", "16", "18", "20")
TIMES = 7


def figures() -> Iterator[Figure]:
    samples = [over_eight_sizes(read_description(path.read_bytes())) for path in sorted(SAMPLES.glob("*.json"))]
    composing, drawing = [], []
    for sample in samples:
        composing.append(median_seconds(partial(_anew, sample), TIMES))
        pattern = compose(sample).pattern
        drawing.append(median_seconds(partial(line_drawing, pattern), TIMES))
    yield Figure("describe", "compose-median", median(composing), 0.15)
    yield Figure("describe", "compose-slowest", max(composing), 0.15)
    yield Figure("describe", "line-drawing-slowest", max(drawing), 0.02)
    yield from _pages(samples)
    yield Figure("describe", "measured-on-the-tissue", _measured(samples[-1]), None)


def over_eight_sizes(description: Description) -> Description:
    """The same garment in eight sizes, by the usual steps of a chart."""
    chart = {
        measure: {size: 780.0 + more + 45.0 * k for k, size in enumerate(SIZES)}
        for measure, more in (("bust", 20.0), ("waist", -150.0), ("hip", 60.0))
    }
    return replace(description, sizes=SIZES, body_chart=chart, finished={}, yardage=(), measured={})


def _anew(description: Description) -> None:
    """Nothing remembered of the curves of the last time."""
    _curve_length.cache_clear()
    compose(description)


def _pages(samples: list[Description]) -> Iterator[Figure]:
    """A changed choice on the page: the form as it stands, with another hem each time."""
    with tempfile.TemporaryDirectory() as folder:
        pages = pages_of(Path(folder) / "house.db")
        slowest = []
        for sample in samples:
            typed = from_document(json.loads(write_description(sample)), Units.METRIC)
            taken = []
            for k in range(TIMES):
                _curve_length.cache_clear()
                start = perf_counter()
                pages.get("/patterns/describe/look", params={**typed, "allowance": f"{1 + k / 10}"}).raise_for_status()
                taken.append(perf_counter() - start)
            slowest.append(median(taken))
    yield Figure("describe", "changed-choice-median", median(slowest), 0.2)
    yield Figure("describe", "changed-choice-slowest", max(slowest), 0.2)


def _measured(description: Description) -> float:
    """Composed again with every figure of its first piece measured."""
    piece = compose(description).pattern.pieces[0]
    found = {d.id: round(taken(piece, SIZES[3], d) + 2.0, 1) for d in dimensions(piece)[:3]}
    told = replace(description, measured={piece.id: Measured(SIZES[3], found)})
    return median_seconds(lambda: _anew(told), 3)
