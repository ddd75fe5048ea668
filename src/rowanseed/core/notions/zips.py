"""Zips in stock lengths, from the openings that they close."""

from __future__ import annotations

import math

from rowanseed.core.base.units import INCH
from rowanseed.core.base.working import Given, Source, Working, fine, length
from rowanseed.core.notions.notion import NotionToBuy
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.fastenings import open_edges, opening_length
from rowanseed.core.pattern.making import Closure, ClosureKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.walk import part_length

SEPARATING_STEP, SEPARATING_LEAST = 50.0, 200.0
"""Separating zips are stocked every 5 cm from 20 cm on (common practice, no source)."""
ZIP_LENGTHS_IN = (4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 24)
"""Other zips are stocked in these lengths, in inches (common practice, no source)."""
ZIPS = (
    ClosureKind.INVISIBLE_ZIP,
    ClosureKind.CENTRED_ZIP,
    ClosureKind.LAPPED_ZIP,
    ClosureKind.FLY_ZIP,
    ClosureKind.EXPOSED_ZIP,
)
STOP = 8.0
"""The top of a zip's pull stands this far below the seam line at the upper edge (1/4 to 3/8 in)."""
LONGER = 25.0
"""An invisible zip is 2 to 3 cm longer than its opening: it cannot be sewn down to its very end."""


def both_units(mm: float) -> str:
    """The size of a thing in a shop, as its card prints it: 23 cm (9 in)."""
    return f"{mm / 10:.0f} cm ({mm / INCH:.0f} in)"


def zip_to_buy(opening: float, *, invisible: bool = False) -> Working:
    """The shortest stock length that does: the opening less the stop at its top, more for an invisible zip.

    A longer one is shortened at the bottom, with a bar tack.
    """
    needed = opening - STOP + (LONGER if invisible else 0.0)
    stocked = next((z for z in ZIP_LENGTHS_IN if z * INCH >= needed - 0.5), None)
    inches = math.ceil(needed / INCH) if stocked is None else stocked
    given = [
        Given("opening", length(opening), Source.DRAWING),
        Given("left free at the top", fine(STOP), Source.PRACTICE),
    ]
    if invisible:
        given.append(Given("longer than its opening, to be sewn to the mark", length(LONGER), Source.PRACTICE))
    return Working(
        name="Zip",
        quantity=length(inches * INCH),
        formula=("the next stock length" if stocked else "longer than zips are stocked: the next inch")
        + " from the opening less its top"
        + (", and so much longer, up" if invisible else " up")
        + "; a longer one is shortened with a bar tack",
        given=tuple(given),
        rounding="a stock length" if stocked else "whole inches",
    )


def separating_zip_to_buy(opening: float) -> Working:
    """The stock length nearest to an edge that it opens all the way: it cannot be shortened below."""
    long = max(SEPARATING_LEAST, SEPARATING_STEP * round(opening / SEPARATING_STEP))
    return Working(
        name="Zip",
        quantity=length(long),
        formula="the stock length nearest to the open edge; a longer one is shortened at its top, with new stops",
        given=(Given("open edge", length(opening), Source.DRAWING),),
        rounding="a stock length",
    )


def zips(pattern: Pattern, size: str) -> list[NotionToBuy]:
    out = []
    for closure in pattern.making.closures:
        invisible = closure.kind is ClosureKind.INVISIBLE_ZIP
        if closure.kind is ClosureKind.SEPARATING_ZIP:
            edges = open_edges(pattern.making.join(closure.join))
            working = separating_zip_to_buy(sum(part_length(pattern, size, p) for p in edges))
        elif closure.kind in ZIPS:
            working = zip_to_buy(_whole_opening(pattern, size, closure), invisible=invisible)
        else:
            continue
        out.append(
            NotionToBuy(
                sort=Sort.INVISIBLE_ZIP if invisible else Sort.ZIP,
                what=f"{closure.kind.words.capitalize()}, {both_units(working.value)}",
                count=1,
                working=working,
                unit="zip",
            )
        )
    return out


def _whole_opening(pattern: Pattern, size: str, closure: Closure) -> float:
    """How long a zip's opening is; all of its seam where no mark says where it ends."""
    long = opening_length(pattern, size, closure)
    return long if long is not None else sum(part_length(pattern, size, p) for p in pattern.making.join(closure.join).a)
