"""Notions with their sums: buttons by the card, zips in stock lengths, thread by the seams there are to sew.

Cards, stock lengths and spare buttons are common practice, no source. Thread per length of stitching: lockstitch
about 2.5 times, three-thread overlock about 14 times, four-thread about 18 times, industry tables, from memory.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from rowanseed.core.base.units import INCH
from rowanseed.core.base.working import Given, Source, Working, cloth_length, count, length, words
from rowanseed.core.cloth.cloth import Cloth, Fibre
from rowanseed.core.make.settings import needle_for
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.making import ClosureKind, FinishKind, Press
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, PointKind, Role
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import finish_over_garment, join_over_garment

ZIP_LENGTHS_IN = (4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 24)
CARD = 3
SPARE = 1
LOCKSTITCH, ZIGZAG, OVERLOCK = 2.5, 7.0, {3: 14.0, 4: 18.0}
"""Thread per length of stitching, overlock by its threads. Zigzag lies between lockstitch and overlock (common
practice, no source)."""
SPOOL = 100_000.0
"""Thread on a small spool, in mm."""
WASTE = 1.15


@dataclass(frozen=True)
class NotionToBuy:
    """A thing to buy: what, how many, in words, with the sum; `sort` says where a shop keeps it.

    `unit` is what it is sold by (`card`, `spool`); without one it is bought by the length its sum gives.
    """

    sort: Sort
    what: str
    count: int
    working: Working
    unit: str = ""

    @property
    def length(self) -> float | None:
        """How much of it in mm, where it is bought by length."""
        return self.working.value * self.count if not self.unit else None


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
) -> tuple[NotionToBuy, ...]:
    """What a garment, or a batch of them, needs besides cloth, worked out from its pieces and making graph."""
    one = [*_zips(pattern, size), *_fastenings(pattern)]
    found = [
        *_buttons(pattern, size, garments, card),
        *(replace(notion, count=notion.count * garments) for notion in one),
        *_thread(pattern, view, size, overlocker=overlocker, garments=garments, threads=threads),
    ]
    fibre = cloth.fibre if cloth else Fibre.OTHER
    needle = needle_for(fibre, cloth.structure, cloth.weight) if cloth else needle_for(fibre)
    found.append(
        NotionToBuy(
            sort=Sort.NEEDLES,
            what=f"Machine needles, {needle}",
            count=1,
            working=Working(
                name="Needles",
                quantity=words(needle),
                formula="a new needle for each garment, by the cloth",
                given=(Given("cloth", words(fibre.words), Source.CHOSEN),),
            ),
            unit="packet",
        )
    )
    return tuple(found)


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


def zip_to_buy(opening: float) -> Working:
    """The shortest stock length that is not shorter than the opening; it is shortened at the bottom with a bar tack."""
    inches = next((z for z in ZIP_LENGTHS_IN if z * INCH >= opening - 1), ZIP_LENGTHS_IN[-1])
    return Working(
        name="Zip",
        quantity=length(inches * INCH),
        formula="the next stock length from the opening up; a longer one is shortened with a bar tack",
        given=(Given("opening", length(opening), Source.DRAWING),),
        rounding=f"{inches} in is a stock length",
    )


def needs_buttons(pattern: Pattern, size: str) -> int:
    """How many buttons a garment closes with."""
    kinds = (PointKind.BUTTON, PointKind.BUTTONHOLE)
    return sum(1 for p in pattern.pieces for q in p.points if q.kind in kinds and size in q.at)


def _buttons(pattern: Pattern, size: str, garments: int, card: int) -> list[NotionToBuy]:
    needed = garments * needs_buttons(pattern, size)
    if not needed:
        return []
    working = buttons_to_buy(needed, card)
    return [
        NotionToBuy(
            sort=Sort.BUTTONS,
            what=f"Buttons: {needed}, on cards of {card}",
            count=int(working.value),
            working=working,
            unit="card",
        )
    ]


def _zips(pattern: Pattern, size: str) -> list[NotionToBuy]:
    out = []
    for closure in pattern.making.closures:
        if (
            closure.kind not in (ClosureKind.INVISIBLE_ZIP, ClosureKind.CENTRED_ZIP, ClosureKind.LAPPED_ZIP)
            or closure.to_mark is None
        ):
            continue
        piece = pattern.piece(closure.to_mark[0])
        mark = piece.mark(closure.to_mark[1])
        # A zip ends at a mark measured from the end where the opening begins.
        opening = mark.distance[size] if mark.anchor in ("start", "end") else mark_distance(piece, size, mark)
        working = zip_to_buy(opening)
        out.append(
            NotionToBuy(
                sort=Sort.INVISIBLE_ZIP if closure.kind is ClosureKind.INVISIBLE_ZIP else Sort.ZIP,
                what=f"{closure.kind.words.capitalize()}, {working.value / INCH:.0f} in",
                count=1,
                working=working,
                unit="zip",
            )
        )
    return out


def _fastenings(pattern: Pattern) -> list[NotionToBuy]:
    out = []
    for closure in pattern.making.closures:
        if closure.kind is ClosureKind.HOOK_AND_EYE:
            out.append(
                NotionToBuy(
                    sort=Sort.HOOKS,
                    what="Hook and eye, or hook and bar",
                    count=1,
                    working=Working(
                        name="Hooks",
                        quantity=count(1),
                        formula="one for each closure of the kind",
                        given=(Given("closures", count(1), Source.DRAWING),),
                    ),
                    unit="packet",
                )
            )
    return out


def seam_metres(pattern: Pattern, view: str, size: str) -> tuple[float, float]:
    """(length of straight stitching, length of edge finishing) of a garment, in mm, both hands counted."""
    roles = {p.id for role in Role for p, _ in pattern.pieces_for(role, view)}
    straight = finish = 0.0
    for join in pattern.making.joins:
        if not {p.piece for p in (*join.a, *join.b)} <= roles:
            continue
        one = join_over_garment(pattern, size, join)
        straight += one
        band = any(pattern.piece(p.piece).panel is Panel.BAND for p in (*join.a, *join.b))
        if not band:
            finish += one * (2 if join.press is Press.OPEN else 1)
    for done in pattern.making.finishes:
        around = finish_over_garment(pattern, size, done)
        straight += around if done.kind in (FinishKind.HEM, FinishKind.TURNED) else 0.0
        finish += around if done.kind is FinishKind.NEATENED else 0.0
    return straight, finish


def _thread(
    pattern: Pattern, view: str, size: str, *, overlocker: bool, garments: int, threads: int
) -> list[NotionToBuy]:
    straight, finish = (mm * garments for mm in seam_metres(pattern, view, size))
    if straight == 0:
        return []
    factor = OVERLOCK[threads] if overlocker else ZIGZAG
    seam_thread, edge_thread = straight * LOCKSTITCH * WASTE, finish * factor * WASTE
    on_machine = seam_thread if overlocker else seam_thread + edge_thread
    given = (
        Given("stitching, lockstitch", cloth_length(straight), Source.DRAWING),
        Given("thread per length, lockstitch", count(LOCKSTITCH), Source.PRACTICE),
        Given("edges to neaten", cloth_length(finish), Source.DRAWING),
        Given(f"thread per length, {'overlock' if overlocker else 'zigzag'}", count(factor), Source.PRACTICE),
        Given("for ends, samples and slips", words("15 %"), Source.PRACTICE),
    )
    spools = math.ceil(on_machine / SPOOL)
    out = [
        NotionToBuy(
            sort=Sort.THREAD,
            what="Sewing thread to match, 100 m",
            count=spools,
            working=Working(
                name="Sewing thread",
                quantity=cloth_length(on_machine),
                formula="stitching × thread per length + 15 %",
                given=given,
                rounding=f"{spools} spools of 100 m",
            ),
            unit="spool",
        )
    ]
    if overlocker:
        cones = math.ceil(edge_thread / threads / 1_000_000)
        out.append(
            NotionToBuy(
                sort=Sort.OVERLOCK_THREAD,
                what="Overlock thread, 1000 m",
                count=max(threads, cones * threads),
                working=Working(
                    name="Overlock thread",
                    quantity=cloth_length(edge_thread),
                    formula=f"edges × thread per length + 15 %, on {threads} cones",
                    given=given,
                    rounding=f"{threads} cones",
                ),
                unit="cone",
            )
        )
    return out
