"""A shopping list as CSV, one line a thing."""

from __future__ import annotations

import csv
import io
from collections.abc import Sequence

from rowanseed.core.base.units import Units
from rowanseed.core.shopping import ShoppingLine


def _plain(cell: str) -> str:
    """A cell that no spreadsheet takes for a formula."""
    return f"'{cell}" if cell[:1] in ("=", "+", "-", "@", "\t", "\r") else cell


def write_shopping(lines: Sequence[ShoppingLine], units: Units) -> str:
    """Columns: group, what, amount, for, at home, note."""
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["group", "what", "amount", "for", "at home", "note"])
    for line in lines:
        cells = [line.group.words, line.what, line.amount(units), "; ".join(line.projects), line.home, line.note]
        table.writerow([_plain(cell) for cell in cells])
    return out.getvalue()
