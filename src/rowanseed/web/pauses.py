"""No page waits for Python's collector to walk through everything the pages remember."""

from __future__ import annotations

import gc

YOUNG, MIDDLE, OLD = 20_000, 20, 60
"""How many new objects, young and middle collections come before the next collection of each age.

A full collection walks through every remembered pattern, which took a quarter of a second in the middle of a page.
What is remembered is bounded and frees itself by reference counts, so that it may come seldom.
"""


def keep_pauses_short() -> None:
    """What was loaded at the start is left out of collections for good, and full ones come seldom."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(YOUNG, MIDDLE, OLD)
