"""What things cost in the stand-in shop, and whether it has enough of them."""

from __future__ import annotations

import json
import math
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any

ALIKE = 30.0
"""Widths that differ by less, in mm, are sold as the same."""


@dataclass(frozen=True)
class Price:
    """A price in the shop's currency; `short` says what is lacking, empty if nothing is.

    `sold` is what the shop sells for it in mm (its own increment rounded up), `width` how wide it keeps the cloth
    where that is another width than was reckoned with; None for what is counted.
    """

    amount: float
    short: str = ""
    sold: float | None = None
    width: float | None = None


@cache
def _catalogue() -> dict[str, Any]:
    found: dict[str, Any] = json.loads(resources.files("rowanseed.shop").joinpath("catalogue.json").read_text("utf-8"))
    return found


def shop_name() -> str:
    return str(_catalogue()["name"])


def currency() -> str:
    return str(_catalogue()["currency"])


def price_of_cloth(name: str, mm: float, width: float | None = None) -> Price | None:
    """The price of a length (mm) of a cloth of such a name, `width` mm wide; None if the shop has nothing like it."""
    entry = _find("cloth", name)
    if entry is None:
        return None
    other = entry["width"] if width is not None and abs(entry["width"] - width) > ALIKE else None
    return _by_length(entry, mm, other)


def price_of_notion(name: str, count: int, mm: float | None = None) -> Price | None:
    """The price of some of a notion, or of a length (mm) of it; None if the shop has nothing like it."""
    entry = _find("notions", name)
    if entry is None:
        return None
    if "increment" in entry:
        return None if mm is None else _by_length(entry, mm, None)
    return Price(round(entry["price"] * count, 2), "" if count <= entry["stock"] else f"only {entry['stock']} in stock")


def _by_length(entry: dict[str, Any], mm: float, width: float | None) -> Price:
    """What is sold by length: rounded up to the shop's increment, priced by the metre."""
    sold = math.ceil(mm / entry["increment"] - 1e-6) * entry["increment"]
    short = "" if sold <= entry["stock"] else f"only {entry['stock'] / 1000:g} m in stock"
    return Price(amount=round(entry["price"] * sold / 1000, 2), short=short, sold=sold, width=width)


def _find(shelf: str, name: str) -> dict[str, Any] | None:
    said = name.lower()
    return next((entry for entry in _catalogue()[shelf] if any(word in said for word in entry["words"])), None)
