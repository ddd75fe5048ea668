"""What things cost in the stand-in shop, and whether it has enough of them."""

from __future__ import annotations

import json
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any


@dataclass(frozen=True)
class Price:
    """A price in the shop's currency; `short` says what is lacking, empty if nothing is."""

    amount: float
    short: str = ""


@cache
def _catalogue() -> dict[str, Any]:
    found: dict[str, Any] = json.loads(resources.files("rowanseed.shop").joinpath("catalogue.json").read_text("utf-8"))
    return found


def shop_name() -> str:
    return str(_catalogue()["name"])


def currency() -> str:
    return str(_catalogue()["currency"])


def price_of_cloth(name: str, mm: float) -> Price | None:
    """The price of a length (mm) of a cloth of such a name; None if the shop has nothing like it."""
    entry = _find("cloth", name)
    if entry is None:
        return None
    short = "" if mm <= entry["stock"] else f"only {entry['stock'] / 1000:g} m in stock"
    return Price(round(entry["price"] * mm / 1000, 2), short)


def price_of_notion(name: str, count: int) -> Price | None:
    """The price of some of a notion; None if the shop has nothing like it."""
    entry = _find("notions", name)
    if entry is None:
        return None
    return Price(round(entry["price"] * count, 2), "" if count <= entry["stock"] else f"only {entry['stock']} in stock")


def _find(shelf: str, name: str) -> dict[str, Any] | None:
    said = name.lower()
    return next((entry for entry in _catalogue()[shelf] if any(word in said for word in entry["words"])), None)
