"""Lengths: millimetres inside, what people write and read outside.

One inch is 25.4 mm exactly and one yard 914.4 mm exactly (the international yard and pound agreement
of 1959), so every conversion here is a ratio of whole numbers and is done with `Fraction`.
"""

from __future__ import annotations

import math
import re
import unicodedata
from collections.abc import Callable
from enum import Enum
from fractions import Fraction
from functools import lru_cache

from rowanseed.core.base.errors import LengthError

MM_PER_UNIT: dict[str, Fraction] = {
    "mm": Fraction(1),
    "cm": Fraction(10),
    "m": Fraction(1000),
    "in": Fraction(254, 10),
    "ft": Fraction(3048, 10),
    "yd": Fraction(9144, 10),
}
INCH = 25.4
YARD = 914.4

LONGEST_MM = 200_000.0
"""No length in sewing reaches 200 m: a longer one is a slip of the finger."""

_UNIT_WORDS: dict[str, str] = {
    '"': "in",
    "″": "in",
    "”": "in",
    "''": "in",
    "in": "in",
    "ins": "in",
    "inch": "in",
    "inches": "in",
    "'": "ft",
    "′": "ft",
    "’": "ft",
    "ft": "ft",
    "foot": "ft",
    "feet": "ft",
    "yd": "yd",
    "yds": "yd",
    "yard": "yd",
    "yards": "yd",
    "mm": "mm",
    "cm": "cm",
    "cms": "cm",
    "m": "m",
    "metre": "m",
    "metres": "m",
    "meter": "m",
    "meters": "m",
}

_NUMBER = r"(?:\d+\s+\d+/\d+|\d+/\d+|\d+(?:[.,]\d+)?|[.,]\d+)"
_TERM = re.compile(rf"\s*(?P<number>{_NUMBER})\s*(?P<unit>''|[a-zA-Z]+\.?|[\"'″′”’])?\s*")
_EXAMPLES = "Write it like 36 1/2, 36.5 in, 92,5 cm or 1 5/8 yd."


class Units(Enum):
    """The household's habit: which units figures are shown in, and a bare number is taken to be in."""

    METRIC = "metric"
    IMPERIAL = "imperial"

    @property
    def small(self) -> str:
        """The unit of body measures and seams."""
        return "cm" if self is Units.METRIC else "in"

    @property
    def large(self) -> str:
        """The unit cloth is bought in."""
        return "m" if self is Units.METRIC else "yd"


def parse_length(text: str, default_unit: str) -> float:
    """Read a length as people write it and return millimetres.

    `36 1/2`, `36½`, `36.5"`, `92,5 cm`, `1 5/8 yd`, `1 yd 9 in`, `5' 4"`. A number without a unit is in
    `default_unit` (a key of `MM_PER_UNIT`); after a part with a unit, every part needs one.

    Raises LengthError, in the sewist's words, for anything else, and for lengths not above zero or
    beyond `LONGEST_MM`.
    """
    length = parse_signed_length(text, default_unit)
    if length <= 0:
        raise LengthError("A length has to be more than nothing.", _EXAMPLES)
    return length


def parse_signed_length(text: str, default_unit: str) -> float:
    """Read a length that may also be zero or negative, as a change is (`-2 cm` shortens)."""
    written = _plain(text)
    sign = 1
    if written[:1] in "+-" and written:
        sign = -1 if written[0] == "-" else 1
        written = written[1:]
    if not written.strip():
        raise LengthError("A length is needed here.", _EXAMPLES)
    total, at, units_seen = Fraction(0), 0, []
    while at < len(written):
        found = _TERM.match(written, at)
        if found is None or found.end() == at:
            raise LengthError(f"“{text.strip()}” is not a length that can be read.", _EXAMPLES)
        unit = _unit(found["unit"], text)
        units_seen.append(unit)
        total += _number(found["number"], text) * MM_PER_UNIT[unit or default_unit]
        at = found.end()
    if len(units_seen) > 1 and None in units_seen:
        raise LengthError(f"“{text.strip()}” mixes a number that has a unit with one that has none.", _EXAMPLES)
    if total > LONGEST_MM:
        raise LengthError(f"“{text.strip()}” is longer than any cloth: 200 m is the most.", _EXAMPLES)
    return float(sign * total)


def _plain(text: str) -> str:
    """Unicode fractions as a/b after a space (36½ → 36 1/2), the various minus signs as one."""
    out = []
    for char in text.strip():
        if unicodedata.category(char) == "No" and "fraction" in unicodedata.name(char, "").lower():
            exact = Fraction(unicodedata.numeric(char)).limit_denominator(16)
            out.append(f" {exact.numerator}/{exact.denominator}")
        else:
            out.append({"−": "-", "–": "-", "⁄": "/", "\u00a0": " ", "\u2009": " "}.get(char, char))
    return "".join(out).strip()


def _unit(word: str | None, text: str) -> str | None:
    if word is None:
        return None
    unit = _UNIT_WORDS.get(word.rstrip(".").lower())
    if unit is None:
        raise LengthError(f"“{word}” in “{text.strip()}” is not a unit known here.", _EXAMPLES)
    return unit


def _number(written: str, text: str) -> Fraction:
    try:
        whole, _, part = written.strip().rpartition(" ")
        return (Fraction(whole.strip()) if whole else Fraction(0)) + Fraction(part.replace(",", "."))
    except ZeroDivisionError:
        raise LengthError(f"“{text.strip()}” divides by nothing.", _EXAMPLES) from None


@lru_cache(maxsize=8192)
def format_length(mm: float, units: Units, *, fine: bool = False, unit: bool = True) -> str:
    """A body measure, seam or distance: to 1/8 in or 0.5 cm, in fine work to 1/16 in or 0.1 cm."""
    if units is Units.METRIC:
        step = Fraction(1, 10) if fine else Fraction(1, 2)
        value = _round_half_up(Fraction(mm) / 10, step)
        return f"{_decimal(value, 1)}{' cm' if unit else ''}"
    value = _round_half_up(Fraction(mm) / Fraction(254, 10), Fraction(1, 16 if fine else 8))
    return f"{mixed_fraction(value)}{' in' if unit else ''}"


def in_both(mm: float) -> str:
    """A length in both units, for words that are written before anyone is known who reads them: 2 cm (3/4 in)."""
    return f"{format_length(mm, Units.METRIC, fine=True)} ({format_length(mm, Units.IMPERIAL)})"


def at_most(mm: float) -> str:
    """A limit in both units, neither of them above it: what is told may be asked for."""
    return _both_to(mm, math.floor)


def at_least(mm: float) -> str:
    """A limit in both units, neither of them below it."""
    return _both_to(mm, math.ceil)


def _both_to(mm: float, whole: Callable[[Fraction], int]) -> str:
    metric = Fraction(whole(Fraction(mm).limit_denominator(10_000)), 10)
    inches = Fraction(whole(Fraction(mm).limit_denominator(10_000) / Fraction(254, 10) * 8), 8)
    return f"{_decimal(metric, 1)} cm ({mixed_fraction(inches)} in)"


def read_back(mm: float, units: Units) -> float:
    """What a length reads back as that a form shows in fine work: to 1/16 in or 0.1 cm."""
    return parse_signed_length(format_length(mm, units, fine=True), units.small)


def format_allowance(mm: float, units: Units) -> str:
    """A seam allowance, trimming or margin as the trade says it: 1.5 cm, and in inches to the eighth, 5/8 in.

    15 mm and 5/8 in (15.9 mm) are the same allowance to whoever sews it, and no guide line on a machine stands at
    9/16. What is narrower than 1/8 in is said to the sixteenth, so that it is never nothing.
    """
    return format_length(mm, units, fine=units is Units.METRIC or mm < INCH / 8)


@lru_cache(maxsize=2048)
def format_cloth(mm: float, units: Units) -> str:
    """A length of cloth as it lies or is bought: metres to the centimetre, yards to the eighth."""
    if units is Units.METRIC:
        return f"{float(_round_half_up(Fraction(mm) / 1000, Fraction(1, 100))):.2f} m"
    return f"{mixed_fraction(_round_half_up(Fraction(mm) / Fraction(9144, 10), Fraction(1, 8)))} yd"


def mixed_fraction(value: Fraction) -> str:
    """A fraction as a sewist writes it: 1 5/8, 3/8, 2, −1/2."""
    sign = "−" if value < 0 else ""
    whole, part = divmod(abs(value), 1)
    if part == 0:
        return f"{sign}{whole}"
    return f"{sign}{f'{whole} ' if whole else ''}{part.numerator}/{part.denominator}"


def shop_increment(units: Units) -> Fraction:
    """What shops sell by, in millimetres: 10 cm, or 1/8 yd (common practice, no source)."""
    return Fraction(100) if units is Units.METRIC else Fraction(9144, 80)


def round_up_for_shop(mm: float, units: Units) -> float:
    """The least length a shop sells that is not shorter than `mm`.

    A thousandth of a millimetre is forgiven, so that 1 yd reached by floating sums stays 1 yd.
    """
    step = shop_increment(units)
    steps = math.ceil((Fraction(mm) - Fraction(1, 1000)) / step)
    return float(max(steps, 0) * step)


def _round_half_up(value: Fraction, step: Fraction) -> Fraction:
    return math.floor(value / step + Fraction(1, 2)) * step


def _decimal(value: Fraction, places: int) -> str:
    text = f"{float(value):.{places}f}"
    return (text.rstrip("0").rstrip(".") if "." in text else text).replace("-", "−")
