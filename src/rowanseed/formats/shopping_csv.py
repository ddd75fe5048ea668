"""A shopping list as CSV, one line a thing."""

from __future__ import annotations

import csv
import io
from collections.abc import Sequence

from rowanseed.core.base.units import Units
from rowanseed.core.shopping import ShoppingLine


def write_shopping(lines: Sequence[ShoppingLine], units: Units) -> str:
    """Columns: group, what, amount, for, at home, note."""
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["group", "what", "amount", "for", "at home", "note"])
    for line in lines:
        table.writerow(
            [line.group.words, line.what, line.amount(units), "; ".join(line.projects), line.home, line.note]
        )
    return out.getvalue()
