"""The Fit station: choosing for many people, altering and walking a whole overshirt, the page itself."""

from __future__ import annotations

import random
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from statistics import median

from benchmarks.figures import Figure
from benchmarks.pages import pages_of, seen
from rowanseed.core import pipeline
from rowanseed.core.alter import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.geometry.outline import _curve_length
from rowanseed.core.pattern import seamline
from rowanseed.core.pattern.walk import walk
from rowanseed.core.sizing.schools import Choosing, proposals, recommended
from rowanseed.core.sizing.wish import Fit, Over, Wish
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.demo.household import fill

PEOPLE = 1000
STEPS = (carry_out._one, carry_out._blended, seamline._lines)
REMEMBERED = (pipeline._altered, pipeline._walk, pipeline._made, pipeline._ordered, *STEPS)
FULL = (
    Alteration("length", 25.0, "body-length"),
    Alteration("length", -15.0, "sleeve-length"),
    Alteration("bust", 40.0),
    Alteration(kind="seam", by=-20.0, at="sides", level="hip"),
    Alteration("shoulder-width", -8.0),
)
"""One of most kinds: length of body and sleeve, bust, side seams, shoulders."""


def figures() -> Iterator[Figure]:
    yield from _choosing()
    yield from _altering()
    yield from _page()


def _people() -> list[dict[str, float]]:
    rng = random.Random(7)
    out = []
    for _ in range(PEOPLE):
        bust = rng.uniform(760, 1320)
        out.append(
            {
                "bust": bust,
                "high_bust": bust - rng.uniform(10, 120),
                "waist": bust - rng.uniform(60, 240),
                "hip": bust + rng.uniform(-60, 140),
                "upper_arm": rng.uniform(240, 420),
                "arm": rng.uniform(540, 660),
            }
        )
    return out


def _choosing() -> Iterator[Figure]:
    """All schools and the advice, for every person and every demo pattern."""
    patterns = [module.draft() for module in (overshirt, six_gore_skirt, trousers, waistcoat)]
    people, rng = _people(), random.Random(8)
    wishes = [Wish(rng.choice(list(Fit)), rng.choice(list(Over))) for _ in people]
    started = time.perf_counter()
    for body, wish in zip(people, wishes, strict=True):
        for pattern in patterns:
            choosing = Choosing(body=body, pattern=pattern, view="A", wish=wish)
            recommended(choosing, proposals(choosing))
    spent = time.perf_counter() - started
    yield Figure(
        area="fit", name=f"choose-for-{PEOPLE}-people-x-{len(patterns)}-patterns-seconds", value=spent, limit=None
    )
    yield Figure(area="fit", name="choose-once-milliseconds", value=spent / PEOPLE / len(patterns) * 1000, limit=None)


def _altering() -> Iterator[Figure]:
    """Five alterations of the overshirt with all that goes along, and every seam walked; lengths forgotten in
    between."""
    pattern, times = overshirt.draft(), []
    for size in pattern.envelope.sizes * 4:
        for cache in (_curve_length, *STEPS):
            cache.cache_clear()
        started = time.perf_counter()
        altered = carry_out.carry_out(pattern, size, FULL).pattern
        walk(altered, size)
        times.append((time.perf_counter() - started) * 1000)
    yield Figure(area="fit", name="alter-and-walk-overshirt-median-milliseconds", value=median(times), limit=50.0)
    yield Figure(area="fit", name="alter-and-walk-overshirt-worst-milliseconds", value=max(times), limit=None)


def _page() -> Iterator[Figure]:
    """Server time of the Fit pages of the altered waistcoat, nothing remembered from earlier requests."""
    with tempfile.TemporaryDirectory() as folder:
        database = Path(folder) / "demo.db"
        fill(database)
        pages = pages_of(database)
        for name, path in (("size", ""), ("alter", "/alter"), ("seams", "/seams"), ("tissue", "/tissue")):
            times = []
            seen(pages, f"/projects/4/fit{path}")
            for _ in range(9):
                for cache in REMEMBERED:
                    cache.cache_clear()
                started = time.perf_counter()
                seen(pages, f"/projects/4/fit{path}")
                times.append((time.perf_counter() - started) * 1000)
            yield Figure(area="fit", name=f"page-{name}-server-milliseconds", value=median(times), limit=150.0)
