"""Buttons by the card. That they are sold on cards of three, and one more is bought: common practice, no source."""

from __future__ import annotations

import math

from rowanseed.core.base.working import Given, Source, Working, count
from rowanseed.core.notions.notion import NotionToBuy
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.double_breasted import is_double_breasted
from rowanseed.core.pattern.fastenings import number_of
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import PointKind

CARD = 3
SPARE = 1


def buttons_to_buy(needed: int, card: int = CARD, spare: int = SPARE) -> Working:
    """Whole cards, with spares; leftovers may go on the sleeves."""
    cards = math.ceil((needed + spare) / card)
    left = cards * card - needed
    return Working(
        name="Cards of buttons",
        quantity=count(cards),
        formula=(
            f"(buttons + spare) ÷ {card} on a card, rounded up; {left} left over: one to sew inside, others may go "
            "on the sleeves"
        ),
        given=(
            Given("buttons", count(needed), Source.DRAWING),
            Given("spare", count(spare), Source.PRACTICE),
            Given("on a card", count(card), Source.PRACTICE),
        ),
        rounding="whole cards",
    )


def needs_buttons(pattern: Pattern, size: str) -> int:
    """How many buttons a garment closes with; double-breasted fronts have one more, inside. Where snaps close any of
    it, marks without a hole are theirs."""
    snapped = any(closure.kind is ClosureKind.SNAPS for closure in pattern.making.closures)
    kinds = (PointKind.BUTTONHOLE,) if snapped else (PointKind.BUTTON, PointKind.BUTTONHOLE)
    doubled = any(
        closure.kind is ClosureKind.BUTTONS and is_double_breasted(pattern, size, closure)
        for closure in pattern.making.closures
    )
    return number_of(pattern, size, kinds) + doubled


def buttons(pattern: Pattern, size: str, garments: int, card: int) -> list[NotionToBuy]:
    needed = garments * needs_buttons(pattern, size)
    if not needed:
        return []
    working = buttons_to_buy(needed, card)
    return [
        NotionToBuy(
            sort=Sort.BUTTONS,
            what=f"Buttons{_size_printed(pattern, 'button')}: {needed}, on cards of {card}",
            count=int(working.value),
            working=working,
            unit="card",
        )
    ]


def _size_printed(pattern: Pattern, word: str) -> str:
    """What sizes the envelope prints beside a notion: “, 15 mm”, “, 20 mm and 15 mm”."""
    found = dict.fromkeys(n.detail for n in pattern.envelope.notions if word in n.what.lower() and n.detail)
    return f", {' and '.join(found)}" if found else ""
