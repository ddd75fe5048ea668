"""Notions besides buttons, zips and thread, asked for by the garment or added by the sewist: elastic, binding,
piping, snaps, boning, pads; each with its sum.

Common practice, no source: elastic a tenth shorter than the body and lapped by half an inch, binding and piping
with a joining allowance, snaps a hand's breadth apart, boning short of the seams at both ends.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from typing import assert_never

from rowanseed.core.base.units import INCH, Units, format_length
from rowanseed.core.base.words import Worded
from rowanseed.core.base.working import Given, Source, Working, count, fine, length, percent, words
from rowanseed.core.derive.choice import Layers
from rowanseed.core.make.operation import Operation, Supply, Use
from rowanseed.core.notions.notion import NotionToBuy
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.walk import finish_over_garment, join_over_garment


class WantedKind(Worded):
    ELASTIC = "elastic"
    BINDING = "binding", "bias binding"
    PIPING = "piping"
    SNAPS = "snaps"
    BONING = "boning"
    PADS = "pads", "shoulder pads"


SHORTER = 0.10
OVERLAP = 25.0
LAP = INCH / 2
"""Elastic is lapped by this and sewn to itself."""
PACKET = 2500.0
"""Binding and piping come in lengths of about 2.5 m."""
PACKED = "2.5 m (2 3/4 yd)"
"""What stands on such a packet."""
SNAP_SPACING = 50.0
BONE_CLEAR = INCH / 8
"""Bones stop this far short of the staystitching at both ends."""


@dataclass(frozen=True)
class Wanted:
    """What is wanted: around or along `length` mm, or along the edges of a seam or finish of the garment (`edge`)."""

    kind: WantedKind
    length: float = 0.0
    edge: str = ""
    count: int = 1
    id: str = field(default="", compare=False)
    """Which line of a project's list it is."""


def asked_for(operations: Sequence[Operation], layers: Layers) -> tuple[NotionToBuy, ...]:
    """What is used up as the garment is made, summed up by sort, and pads where room was left for them."""
    used: dict[Supply, list[Use]] = {}
    for operation in operations:
        for use in operation.uses:
            used.setdefault(use.supply, []).append(use)
    pads = [notion_of(Wanted(WantedKind.PADS))] if layers.pad else []
    return (*(one for supply, uses in used.items() for one in _used(supply, uses)), *pads)


BY_LENGTH = {
    Supply.CORD: Sort.CORD,
    Supply.TAPE: Sort.TAPE,
    Supply.FUSIBLE_TAPE: Sort.TAPE,
    Supply.BONE_CASING: Sort.BONING,
    Supply.LACE: Sort.TRIM,
    Supply.RICKRACK: Sort.TRIM,
    Supply.BRAID: Sort.TRIM,
}
BY_NUMBER = {
    Supply.EYELETS: (Sort.EYELETS, "eyelet"),
    Supply.BUTTON_SHELLS: (Sort.BUTTONS, "button"),
    Supply.ELASTIC_THREAD: (Sort.ELASTIC, "spool"),
    Supply.BUCKLE: (Sort.OTHER, "buckle"),
}


def _used(supply: Supply, uses: Sequence[Use]) -> Iterator[NotionToBuy]:
    along = sum(use.mm for use in uses)
    match supply:
        case Supply.BONING:
            yield _bones(uses)
        case Supply.ELASTIC:
            for use in uses:
                bought = notion_of(Wanted(WantedKind.ELASTIC, use.mm))
                yield replace(bought, what=f"{bought.what}{_wide(use.wide)}")
        case Supply.SNAPS:
            for use in uses:
                yield _snaps_marked(use.count) if use.count else notion_of(Wanted(WantedKind.SNAPS, use.mm))
        case Supply.BINDING | Supply.PIPING | Supply.PADS:
            yield notion_of(Wanted(WantedKind(supply.value), along))
        case Supply.EYELETS | Supply.BUTTON_SHELLS | Supply.ELASTIC_THREAD | Supply.BUCKLE:
            sort, unit = BY_NUMBER[supply]
            number = 1 if supply is Supply.ELASTIC_THREAD else sum(use.count for use in uses)
            working = Working(
                name=supply.words.capitalize(),
                quantity=count(number),
                formula="as the making order uses them",
                given=(Given("steps that use it", count(len(uses)), Source.WORKED_OUT),),
            )
            yield NotionToBuy(sort=sort, what=supply.words.capitalize(), count=number, working=working, unit=unit)
        case Supply.FUSIBLE:
            working = Working(
                name="Fusible interfacing",
                quantity=words("a scrap"),
                formula="squares and strips behind what is cut open",
                given=(Given("steps that use it", count(len(uses)), Source.WORKED_OUT),),
            )
            yield NotionToBuy(sort=Sort.OTHER, what=supply.words.capitalize(), count=1, working=working)
        case (
            Supply.CORD
            | Supply.TAPE
            | Supply.FUSIBLE_TAPE
            | Supply.BONE_CASING
            | Supply.LACE
            | Supply.RICKRACK
            | Supply.BRAID
        ):
            working = Working(
                name=supply.words.capitalize(),
                quantity=length(along),
                formula="lengths along the pieces, with their ends",
                given=(Given("steps that use it", count(len(uses)), Source.WORKED_OUT),),
            )
            yield NotionToBuy(sort=BY_LENGTH[supply], what=supply.words.capitalize(), count=1, working=working)
        case _:
            assert_never(supply)


def _bones(uses: Sequence[Use]) -> NotionToBuy:
    """All bones of a garment, each so much shorter than its own channel."""
    number = sum(use.count for use in uses)
    working = Working(
        name="Boning",
        quantity=length(sum(max(0.0, use.mm - 2 * BONE_CLEAR) * use.count for use in uses)),
        formula="bones × (channel − 2 × clear of the seam), summed up",
        given=(
            *(
                Given(f"{use.count} channels of" if use.count > 1 else "a channel of", length(use.mm), Source.DRAWING)
                for use in uses
            ),
            Given("clear of the seam", fine(BONE_CLEAR), Source.PRACTICE),
        ),
    )
    return NotionToBuy(sort=Sort.BONING, what=f"Boning, {number} bones", count=1, working=working)


def _wide(mm: float) -> str:
    """How wide elastic is at most, in millimetres and the eighths of an inch that it is sold by."""
    if not mm:
        return ""
    inches = max(1, math.floor(8 * mm / INCH + 0.05)) * INCH / 8
    return f", up to {mm:.0f} mm ({format_length(inches, Units.IMPERIAL, fine=True)}) wide"


def _snaps_marked(number: int) -> NotionToBuy:
    working = Working(
        name="Snaps",
        quantity=count(number),
        formula="one for each mark",
        given=(Given("marks", count(number), Source.DRAWING),),
    )
    return NotionToBuy(sort=Sort.SNAPS, what="Snaps", count=number, working=working, unit="snap")


def edges_to_choose(pattern: Pattern) -> tuple[tuple[str, str], ...]:
    """(id, name) of every seam and finish whose length can be measured on the pieces."""
    making = pattern.making
    return (*((f.id, f.name) for f in making.finishes), *((j.id, j.name) for j in making.joins))


def edge_length(pattern: Pattern, size: str, id: str) -> float:
    """The length of a finish, or of a seam, over the whole garment in mm: both hands, folds opened; 0 if unknown."""
    making = pattern.making
    finish = next((f for f in making.finishes if f.id == id), None)
    join = next((j for j in making.joins if j.id == id), None)
    if finish is not None:
        return finish_over_garment(pattern, size, finish)
    return join_over_garment(pattern, size, join) if join is not None else 0.0


def notion(pattern: Pattern, size: str, wanted: Wanted) -> NotionToBuy:
    """What to buy for it, with the sum; along an edge of the garment where one is chosen."""
    along = edge_length(pattern, size, wanted.edge) if wanted.edge else wanted.length
    return notion_of(replace(wanted, length=along), Source.DRAWING if wanted.edge else Source.CHOSEN)


def notion_of(wanted: Wanted, source: Source = Source.DRAWING) -> NotionToBuy:
    """What to buy for a length that is known."""
    along = wanted.length
    given = Given("length", length(along), source)
    match wanted.kind:
        case WantedKind.ELASTIC:
            cut = along * (1 - SHORTER) + LAP
            working = Working(
                name="Elastic",
                quantity=length(cut),
                formula="length × (1 − a tenth) + lap",
                given=(
                    given,
                    Given("shorter by", percent(SHORTER), Source.PRACTICE),
                    Given("lap", fine(LAP), Source.PRACTICE),
                ),
            )
            return NotionToBuy(sort=Sort.ELASTIC, what="Elastic", count=1, working=working)
        case WantedKind.BINDING | WantedKind.PIPING:
            joins = max(1, math.ceil(along / PACKET))
            whole = along + OVERLAP * (joins + 1)
            working = Working(
                name=f"{wanted.kind.words.capitalize()}",
                quantity=length(whole),
                formula="edge + overlap for each join and the end",
                given=(
                    given,
                    Given("joins", count(joins), Source.WORKED_OUT),
                    Given("overlap", fine(OVERLAP), Source.PRACTICE),
                ),
            )
            number = math.ceil(whole / PACKET)
            binding = wanted.kind is WantedKind.BINDING
            name, sort = ("Bias binding", Sort.BINDING) if binding else ("Piping", Sort.PIPING)
            return NotionToBuy(sort=sort, what=f"{name}, {PACKED}", count=number, working=working, unit="packet")
        case WantedKind.SNAPS:
            number = max(2, math.ceil(along / SNAP_SPACING) + 1)
            working = Working(
                name="Snaps",
                quantity=count(number),
                formula="opening ÷ distance, rounded up, + 1",
                given=(given, Given("distance", fine(SNAP_SPACING), Source.PRACTICE)),
                rounding="whole snaps",
            )
            return NotionToBuy(sort=Sort.SNAPS, what="Snaps", count=number, working=working, unit="snap")
        case WantedKind.BONING:
            each = max(0.0, along - 2 * BONE_CLEAR)
            working = Working(
                name="Boning",
                quantity=length(each * wanted.count),
                formula="bones × (channel − 2 × clear of the seam)",
                given=(
                    Given("bones", count(wanted.count), Source.CHOSEN),
                    given,
                    Given("clear of the seam", fine(BONE_CLEAR), Source.PRACTICE),
                ),
            )
            return NotionToBuy(sort=Sort.BONING, what=f"Boning, {wanted.count} bones", count=1, working=working)
        case WantedKind.PADS:
            working = Working(
                name="Shoulder pads",
                quantity=words("one pair"),
                formula="a pair for each garment",
                given=(Given("garments", count(wanted.count), Source.CHOSEN),),
            )
            return NotionToBuy(sort=Sort.PADS, what="Shoulder pads", count=wanted.count, working=working, unit="pair")
