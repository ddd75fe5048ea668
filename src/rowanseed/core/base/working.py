"""A figure with the sum that made it.

Every value the application works out is a `Working`: what went in, the formula in words, where each
input comes from and how the result was rounded. Pages show the value; one click shows the rest.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.base.words import Worded


class Source(Worded):
    """Where a figure comes from, in words for the page."""

    MEASURED = "measured", "measured on the person"
    TAPE = "tape", "measured on the cloth"
    CHART = "chart", "the pattern's body chart"
    ENVELOPE = "envelope", "printed on the envelope"
    DRAWING = "drawing", "measured on the pattern's own lines"
    CHOSEN = "chosen", "your choice"
    WORKED_OUT = "worked-out", "worked out here"
    TABLE = "table", "the extension services' conversion table, from memory"
    PRACTICE = "practice", "common practice, no source"


class QuantityKind(Worded):
    """How a quantity is written."""

    LENGTH = "length"
    FINE = "fine", "fine length"
    CLOTH = "cloth", "length of cloth"
    COUNT = "count"
    PERCENT = "percent"
    WORDS = "words"
    MONEY = "money"


@dataclass(frozen=True)
class Quantity:
    """A number (millimetres, a count, or a share of one) or a word, and how to write it."""

    value: float
    kind: QuantityKind
    words: str = ""

    def show(self, units: Units) -> str:
        match self.kind:
            case QuantityKind.LENGTH:
                return format_length(self.value, units)
            case QuantityKind.FINE:
                return format_length(self.value, units, fine=True)
            case QuantityKind.CLOTH:
                return format_cloth(self.value, units)
            case QuantityKind.COUNT:
                return f"{self.value:g}"
            case QuantityKind.PERCENT:
                return f"{self.value * 100:.3g} %".replace("-", "−")
            case QuantityKind.WORDS:
                return self.words
            case QuantityKind.MONEY:
                return f"{self.value:.2f} {self.words or 'in your money'}"


def length(mm: float) -> Quantity:
    return Quantity(mm, QuantityKind.LENGTH)


def fine(mm: float) -> Quantity:
    return Quantity(mm, QuantityKind.FINE)


def cloth_length(mm: float) -> Quantity:
    return Quantity(mm, QuantityKind.CLOTH)


def count(number: float) -> Quantity:
    return Quantity(number, QuantityKind.COUNT)


def percent(share: float) -> Quantity:
    return Quantity(share, QuantityKind.PERCENT)


def money(amount: float, name: str = "") -> Quantity:
    """An amount in the household's money, called `name`."""
    return Quantity(amount, QuantityKind.MONEY, name)


def words(text: str) -> Quantity:
    return Quantity(0.0, QuantityKind.WORDS, text)


@dataclass(frozen=True)
class Given:
    """One input of a sum. `working` is set where the input was itself worked out."""

    name: str
    quantity: Quantity
    source: Source
    working: Working | None = None


@dataclass(frozen=True)
class Working:
    """A computed figure and how it came about."""

    name: str
    quantity: Quantity
    formula: str
    given: tuple[Given, ...]
    rounding: str = "not rounded"

    @property
    def value(self) -> float:
        return self.quantity.value

    def as_given(self, name: str | None = None) -> Given:
        """This figure as an input of the next sum."""
        return Given(name=name or self.name, quantity=self.quantity, source=Source.WORKED_OUT, working=self)

    def steps(self) -> Iterator[Working]:
        """The sums this one stands on, deepest first, then itself."""
        for item in self.given:
            if item.working is not None:
                yield from item.working.steps()
        yield self
