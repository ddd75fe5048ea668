"""Notions with their sums: all that a garment needs besides cloth. Cards, stock lengths and spares are common practice,
no source."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace

from rowanseed.core.base.working import Given, Source, Working, count, words
from rowanseed.core.cloth.cloth import Cloth, Fibre
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.settings import needle_for
from rowanseed.core.notions.buttons import CARD, buttons
from rowanseed.core.notions.notion import NotionToBuy
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.notions.thread import thread
from rowanseed.core.notions.zips import zips
from rowanseed.core.pattern.fastenings import number_of
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import PointKind

TWIN, BY_HAND = "twin needle", "hand-sewing needles"


def notions(
    pattern: Pattern,
    view: str,
    size: str,
    cloth: Cloth | None,
    *,
    overlocker: bool,
    garments: int = 1,
    threads: int = 3,
    card: int = CARD,
    steps: tuple[Operation, ...] = (),
) -> tuple[NotionToBuy, ...]:
    """What a garment, or a batch of them, needs besides cloth: worked out from its pieces and its making order, and
    whatever else the envelope prints."""
    found = [
        *buttons(pattern, size, garments, card),
        *(replace(one, count=one.count * garments) for one in zips(pattern, size)),
        *_hooks(pattern, size, garments),
        *_printed_only(pattern, garments),
        *thread(pattern, view, size, steps, overlocker=overlocker, garments=garments, threads=threads),
    ]
    return (*found, *_needles(cloth, steps))


def _needles(cloth: Cloth | None, steps: Sequence[Operation]) -> Iterator[NotionToBuy]:
    """A new needle for each garment; another one for what is sewn with another, as a lining is."""
    fibre = cloth.fibre if cloth else Fibre.OTHER
    usual = needle_for(fibre, cloth.structure, cloth.weight) if cloth else needle_for(fibre)
    threaded = [op.setting.needle for op in steps if op.setting is not None and op.bench is Bench.MACHINE]
    for needle in dict.fromkeys(threaded) or ((BY_HAND,) if steps else (usual,)):
        yield NotionToBuy(
            sort=Sort.NEEDLES,
            what=needle.capitalize() if needle.startswith((TWIN, BY_HAND)) else f"Machine needles, {needle}",
            count=1,
            working=Working(
                name="Needles",
                quantity=words(needle),
                formula="a new needle for each garment, by the cloth",
                given=(Given("cloth", words(fibre.words), Source.CHOSEN),),
            ),
            unit="packet",
        )


IN_A_PACKET = 6
"""Hooks in a packet (common practice, no source)."""
WORKED_OUT = ("button", "zip", "hook", "thread")
"""What of the envelope's notions is worked out here, by a word in its name."""


def _hooks(pattern: Pattern, size: str, garments: int) -> list[NotionToBuy]:
    closures = sum(closure.kind is ClosureKind.HOOK_AND_EYE for closure in pattern.making.closures)
    # One that is marked at several places has so many.
    marked = number_of(pattern, size, (PointKind.HOOK,))
    number = (closures + max(0, marked - 1)) * garments
    if not number:
        return []
    packets = math.ceil(number / IN_A_PACKET)
    working = Working(
        name="Packets of hooks",
        quantity=count(packets),
        formula=f"one for each closure of the kind, or for each of its marks; {IN_A_PACKET} in a packet, rounded up",
        given=(
            Given("hooks", count(number), Source.DRAWING),
            Given("in a packet", count(IN_A_PACKET), Source.PRACTICE),
        ),
        rounding="whole packets",
    )
    printed = next((n.what for n in pattern.envelope.notions if "hook" in n.what.lower()), "Hook and eye")
    return [NotionToBuy(sort=Sort.HOOKS, what=printed, count=packets, working=working, unit="packet")]


def _printed_only(pattern: Pattern, garments: int) -> list[NotionToBuy]:
    """What the envelope prints and nothing here works out: a buckle, a cord stop."""
    return [
        NotionToBuy(
            sort=Sort.OTHER,
            what=f"{n.what}, {n.detail}" if n.detail else n.what,
            count=n.count * garments,
            working=Working(
                name=n.what,
                quantity=count(n.count * garments),
                formula="as the envelope prints, for each garment",
                given=(Given("on the envelope", count(n.count), Source.ENVELOPE),),
            ),
            unit="piece",
        )
        for n in pattern.envelope.notions
        if not any(word in n.what.lower() for word in WORKED_OUT)
    ]
