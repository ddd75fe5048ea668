"""Notions besides buttons, zips and thread, asked for by the garment or added by the sewist: elastic, binding,
piping, snaps, boning, pads; each with its sum.

Common practice, no source: elastic a tenth shorter than the body and lapped by half an inch, binding and piping
with a joining allowance, snaps a hand's breadth apart, boning short of the seams at both ends.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field

from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import Worded
from rowanseed.core.base.working import Given, Source, Working, count, fine, length, percent, words
from rowanseed.core.derive.choice import Layers
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.notions.to_buy import NotionToBuy
from rowanseed.core.pattern.making import FinishKind
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


def asked_for(pattern: Pattern, layers: Layers) -> tuple[Wanted, ...]:
    """What the garment itself asks for: binding for bound edges, elastic for casings, pads where room was left for
    them."""
    kinds = {FinishKind.BINDING: WantedKind.BINDING, FinishKind.CASING: WantedKind.ELASTIC}
    found = [Wanted(kinds[f.kind], edge=f.id) for f in pattern.making.finishes if f.kind in kinds]
    return (*found, *([Wanted(WantedKind.PADS)] if layers.pad else []))


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
    """What to buy for it, with the sum."""
    along = edge_length(pattern, size, wanted.edge) if wanted.edge else wanted.length
    source = Source.DRAWING if wanted.edge else Source.CHOSEN
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
            name, sort = ("Bias binding, 2.5 m", Sort.BINDING) if binding else ("Piping, 2.5 m", Sort.PIPING)
            return NotionToBuy(sort=sort, what=name, count=number, working=working, unit="packet")
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
