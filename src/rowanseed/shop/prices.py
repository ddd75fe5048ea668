"""What things cost in the stand-in shop, and whether it has enough of them."""

from __future__ import annotations

import json
import math
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.pieces import Role

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


def price_of_cloth(role: Role, cloth: Cloth, mm: float, width: float | None = None) -> Price | None:
    """The price of a length (mm) of such a cloth, `width` mm wide; None if the shop has nothing like it.

    Linings and interfacings are kept by what they are for, all else by how it looks or what it is made of.
    """
    asked = {"role": role.value, "fibre": cloth.fibre.value, "surface": cloth.surface.value}
    entry = next((e for e in _catalogue()["cloth"] if all(asked[key] == kept for key, kept in e["is"].items())), None)
    if entry is None:
        return None
    other = entry["width"] if width is not None and abs(entry["width"] - width) > ALIKE else None
    return _by_length(entry, mm, other)


def price_of_notion(sort: Sort, count: int, mm: float | None = None) -> Price | None:
    """The price of some of a notion, or of a length (mm) of it; None if the shop has nothing like it."""
    entry = next((entry for entry in _catalogue()["notions"] if entry["sort"] == sort.value), None)
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
