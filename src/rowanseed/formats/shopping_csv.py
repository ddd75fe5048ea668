"""A shopping list as CSV, one line a thing."""

from __future__ import annotations

import csv
import io
from collections.abc import Sequence

from rowanseed.core.shopping import Line


def write_shopping(lines: Sequence[Line]) -> str:
    """Columns: group, what, amount, for, at home."""
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["group", "what", "amount", "for", "at home"])
    for line in lines:
        table.writerow([line.group, line.what, line.amount, "; ".join(line.projects), line.home])
    return out.getvalue()
