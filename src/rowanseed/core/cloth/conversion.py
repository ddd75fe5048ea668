"""Converting a printed yardage to another width, by the table the extension services hand out.

The figures are those of the fabric-width conversion table of the New Jersey Cooperative Extension Service,
Rutgers, from memory. Columns are widths in inches, rows the yards that the same garment takes.
"""

from __future__ import annotations

from fractions import Fraction

from rowanseed.core.base.units import INCH, YARD, mixed_fraction
from rowanseed.core.base.working import Given, Source, Working, cloth_length, length, words

WIDTHS_IN: tuple[tuple[float, float], ...] = (
    (32, 32),
    (35, 36),
    (39, 39),
    (41, 41),
    (44, 45),
    (50, 50),
    (52, 54),
    (58, 60),
)
"""Each column's narrowest and widest cloth, in inches."""

_ROWS = """
1 7/8|1 3/4|1 1/2|1 1/2|1 3/8|1 1/4|1 1/8|1
2 1/4|2|1 3/4|1 3/4|1 5/8|1 1/2|1 3/8|1 1/4
2 1/2|2 1/4|2|2|1 3/4|1 5/8|1 1/2|1 3/8
2 3/4|2 1/2|2 1/4|2 1/4|2 1/8|1 3/4|1 3/4|1 5/8
3 1/8|2 7/8|2 1/2|2 1/2|2 1/4|2|1 7/8|1 3/4
3 3/8|3 1/8|2 3/4|2 3/4|2 1/2|2 1/4|2|1 7/8
3 3/4|3 3/8|3|2 7/8|2 3/4|2 3/8|2 1/4|2
4|3 3/4|3 1/4|3 1/8|2 7/8|2 5/8|2 3/8|2 1/4
4 3/8|4 1/4|3 1/2|3 3/8|3 1/8|2 3/4|2 5/8|2 3/8
4 5/8|4 1/2|3 3/4|3 5/8|3 3/8|3|2 3/4|2 5/8
5|4 3/4|4|3 7/8|3 5/8|3 1/4|2 7/8|2 3/4
5 1/4|5|4 1/4|4 1/8|3 7/8|3 3/8|3 1/8|2 7/8
"""


def _yards(text: str) -> Fraction:
    return sum((Fraction(part) for part in text.split()), Fraction(0))


TABLE: tuple[tuple[Fraction, ...], ...] = tuple(
    tuple(_yards(cell) for cell in line.split("|")) for line in _ROWS.strip().splitlines()
)
MORE_FOR_NAP = Fraction(1, 4)
"""Yards to add for nap or one-way prints, or a large difference of width."""
FAR = 3
"""Columns further apart than this are a large difference."""


def column(width: float) -> int | None:
    """The column whose cloth is nearest to a width in mm, within an inch and a half; None beyond the table."""
    inches = width / INCH
    nearest = min(range(len(WIDTHS_IN)), key=lambda k: max(WIDTHS_IN[k][0] - inches, inches - WIDTHS_IN[k][1], 0.0))
    low, high = WIDTHS_IN[nearest]
    return nearest if low - 1.5 <= inches <= high + 1.5 else None


def convert(printed: float, printed_width: float, width: float, *, add_nap: bool) -> Working | None:
    """The yardage of another width, with its sum; None where the table does not reach.

    The row is the first whose figure at the printed width is not less than the printed one; what is shorter than
    the first row by a whole row has none.
    """
    at, to = column(printed_width), column(width)
    if at is None or to is None:
        return None
    yards = printed / YARD
    if yards <= float(2 * TABLE[0][at] - TABLE[1][at]):
        return None
    row = next((r for r in TABLE if float(r[at]) >= yards - 1e-6), None)
    if row is None:
        return None
    more = MORE_FOR_NAP * (int(add_nap) + int(abs(at - to) > FAR))
    given = [
        Given("printed", cloth_length(printed), Source.ENVELOPE),
        Given("for the width", length(printed_width), Source.ENVELOPE),
        Given(
            "the table's row",
            words(f"{mixed_fraction(row[at])} yd there, {mixed_fraction(row[to])} yd here"),
            Source.TABLE,
        ),
    ]
    if more:
        given.append(Given("for nap or a large difference", words(f"{mixed_fraction(more)} yd"), Source.TABLE))
    return Working(
        name="By the conversion table",
        quantity=cloth_length(float(row[to] + more) * YARD),
        formula="the same row, in this width's column" + (" + what the table adds" if more else ""),
        given=tuple(given),
    )
