"""How long operations take a practised home sewist: least and most, in minutes (common practice, no source).

By the act, and by the length there is to do.
"""

from __future__ import annotations

SEAM, HAND, PRESSING, TRIMMING = 4.0, 22.0, 3.0, 3.0
"""Minutes a metre: pinning and sewing, hand sewing, pressing, trimming and clipping."""
SPREAD = 1.6


def _range(minutes: float) -> tuple[float, float]:
    low = max(1.0, round(minutes))
    return low, max(low, float(round(minutes * SPREAD)))


def seam(mm: float, runs: float = 1.0) -> tuple[float, float]:
    return _range(runs * (1.0 + SEAM * mm / 1000))


def neaten(mm: float) -> tuple[float, float]:
    return _range(1.0 + 1.5 * mm / 1000)


def hand(mm: float) -> tuple[float, float]:
    return _range(2.0 + HAND * mm / 1000)


def press(mm: float) -> tuple[float, float]:
    return _range(1.0 + PRESSING * mm / 1000)


def trim(mm: float) -> tuple[float, float]:
    return _range(1.0 + TRIMMING * mm / 1000)


def in_words(minutes: tuple[float, float]) -> str:
    """About so long: `5–8 min`, `1–1.5 h`."""
    low, high = minutes
    if high >= 90:
        return f"{low / 60:.1g}–{high / 60:.2g} h"
    return f"{low:.0f} min" if low == high else f"{low:.0f}–{high:.0f} min"


def a_while(minutes: float) -> str:
    """How long something is left: `for 5 min`, `for a day`."""
    if minutes >= 24 * 60:
        return "for a day"
    return f"for {minutes / 60:.0f} h" if minutes >= 60 else f"for {minutes:.0f} min"


def more_in_words(minutes: tuple[float, float]) -> str:
    """So much longer or shorter: `about 10 min more`."""
    middle = sum(minutes) / 2
    if abs(middle) < 1:
        return "About as long"
    return f"About {abs(middle):.0f} min {'more' if middle > 0 else 'less'}"


def each(minutes: float, number: float = 1.0) -> tuple[float, float]:
    return _range(minutes * number)
