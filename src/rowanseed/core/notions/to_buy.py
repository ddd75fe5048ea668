"""Notions with their sums: buttons by the card, zips in stock lengths, thread by the seams there are to sew.

Cards, stock lengths and spare buttons are common practice, no source. Thread per length of stitching: lockstitch
about 2.5 times, three-thread overlock about 14 times, four-thread about 18 times, industry tables, from memory.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from rowanseed.core.base.units import INCH
from rowanseed.core.base.words import plural
from rowanseed.core.base.working import Given, Source, Working, cloth_length, count, fine, length, words
from rowanseed.core.cloth.cloth import Cloth, Fibre
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Operation
from rowanseed.core.make.settings import needle_for
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.pattern.double_breasted import is_double_breasted
from rowanseed.core.pattern.fastenings import number_of, open_edges, opening_length
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import PointKind
from rowanseed.core.pattern.walk import copies, finish_over_garment, join_over_garment, part_length

SEPARATING_STEP, SEPARATING_LEAST = 50.0, 200.0
"""Separating zips are stocked every 5 cm from 20 cm on (common practice, no source)."""
ZIP_LENGTHS_IN = (4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 24)
CARD = 3
SPARE = 1
LOCKSTITCH, ZIGZAG, OVERLOCK = 2.5, 7.0, {2: 10.0, 3: 14.0, 4: 18.0, 5: 20.0}
"""Thread per length of stitching, overlock by its threads. Zigzag lies between lockstitch and overlock (common
practice, no source)."""
SPOOL = 100_000.0
"""Thread on a small spool, in mm."""
CONE = 1_000_000.0
"""Thread on a cone for the overlocker, in mm."""
WASTE = 1.15
TWIN, BY_HAND = "twin needle", "hand-sewing needles"


@dataclass(frozen=True)
class InUse:
    """What several garments are sewn from as long as it lasts: `at_once` of it are in use, each `reach` mm long."""

    at_once: int
    reach: float

    def number(self, mm: float) -> int:
        """How many of it are needed for a length that is used up evenly from all in use."""
        return self.at_once * max(1, math.ceil(mm / self.at_once / self.reach))


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
    in_use: InUse | None = None
    """How several garments are sewn from the same; None where each has its own."""

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
    steps: tuple[Operation, ...] = (),
) -> tuple[NotionToBuy, ...]:
    """What a garment, or a batch of them, needs besides cloth: worked out from its pieces and its making order, and
    whatever else the envelope prints."""
    found = [
        *_buttons(pattern, size, garments, card),
        *(replace(one, count=one.count * garments) for one in _zips(pattern, size)),
        *_hooks(pattern, size, garments),
        *_printed_only(pattern, garments),
        *_thread(pattern, view, size, steps, overlocker=overlocker, garments=garments, threads=threads),
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


ZIPS = (
    ClosureKind.INVISIBLE_ZIP,
    ClosureKind.CENTRED_ZIP,
    ClosureKind.LAPPED_ZIP,
    ClosureKind.FLY_ZIP,
    ClosureKind.EXPOSED_ZIP,
)
STOP = 8.0
"""The top of a zip's pull stands this far below the seam line at the upper edge (1/4 to 3/8 in)."""
LONGER = 25.0
"""An invisible zip is 2 to 3 cm longer than its opening: it cannot be sewn down to its very end."""


def both_units(mm: float) -> str:
    """The size of a thing in a shop, as its card prints it: 23 cm (9 in)."""
    return f"{mm / 10:.0f} cm ({mm / INCH:.0f} in)"


def zip_to_buy(opening: float, *, invisible: bool = False) -> Working:
    """The shortest stock length that does: the opening less the stop at its top, more for an invisible zip.

    A longer one is shortened at the bottom, with a bar tack.
    """
    needed = opening - STOP + (LONGER if invisible else 0.0)
    stocked = next((z for z in ZIP_LENGTHS_IN if z * INCH >= needed - 0.5), None)
    inches = math.ceil(needed / INCH) if stocked is None else stocked
    given = [
        Given("opening", length(opening), Source.DRAWING),
        Given("left free at the top", fine(STOP), Source.PRACTICE),
    ]
    if invisible:
        given.append(Given("longer than its opening, to be sewn to the mark", length(LONGER), Source.PRACTICE))
    return Working(
        name="Zip",
        quantity=length(inches * INCH),
        formula=("the next stock length" if stocked else "longer than zips are stocked: the next inch")
        + " from the opening less its top"
        + (", and so much longer, up" if invisible else " up")
        + "; a longer one is shortened with a bar tack",
        given=tuple(given),
        rounding="a stock length" if stocked else "whole inches",
    )


def separating_zip_to_buy(opening: float) -> Working:
    """The stock length nearest to an edge that it opens all the way: it cannot be shortened below."""
    long = max(SEPARATING_LEAST, SEPARATING_STEP * round(opening / SEPARATING_STEP))
    return Working(
        name="Zip",
        quantity=length(long),
        formula="the stock length nearest to the open edge; a longer one is shortened at its top, with new stops",
        given=(Given("open edge", length(opening), Source.DRAWING),),
        rounding="a stock length",
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


def _buttons(pattern: Pattern, size: str, garments: int, card: int) -> list[NotionToBuy]:
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


def _zips(pattern: Pattern, size: str) -> list[NotionToBuy]:
    out = []
    for closure in pattern.making.closures:
        invisible = closure.kind is ClosureKind.INVISIBLE_ZIP
        if closure.kind is ClosureKind.SEPARATING_ZIP:
            edges = open_edges(pattern.making.join(closure.join))
            working = separating_zip_to_buy(sum(part_length(pattern, size, p) for p in edges))
        elif closure.kind in ZIPS:
            working = zip_to_buy(_whole_opening(pattern, size, closure), invisible=invisible)
        else:
            continue
        out.append(
            NotionToBuy(
                sort=Sort.INVISIBLE_ZIP if invisible else Sort.ZIP,
                what=f"{closure.kind.words.capitalize()}, {both_units(working.value)}",
                count=1,
                working=working,
                unit="zip",
            )
        )
    return out


def _whole_opening(pattern: Pattern, size: str, closure: Closure) -> float:
    """How long a zip's opening is; all of its seam where no mark says where it ends."""
    long = opening_length(pattern, size, closure)
    return long if long is not None else sum(part_length(pattern, size, p) for p in pattern.making.join(closure.join).a)


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


def _size_printed(pattern: Pattern, word: str) -> str:
    """What sizes the envelope prints beside a notion: “, 15 mm”, “, 20 mm and 15 mm”."""
    found = dict.fromkeys(n.detail for n in pattern.envelope.notions if word in n.what.lower() and n.detail)
    return f", {' and '.join(found)}" if found else ""


def sewn_lengths(pattern: Pattern, size: str, steps: Sequence[Operation]) -> tuple[float, float]:
    """(straight stitching, edges neatened) of a making order in mm, both hands counted: what its steps really do."""
    straight = neatened = 0.0
    for step in steps:
        if not step.bench.is_machine:
            continue
        around = step.rows * _worked_on(pattern, size, step)
        if step.act is Act.NEATEN or step.bench is Bench.OVERLOCKER:
            neatened += around
        else:
            straight += around
    return straight, neatened


def _worked_on(pattern: Pattern, size: str, step: Operation) -> float:
    """The length an operation works on over the whole garment, in mm."""
    if step.act is Act.INSERT_CLOSURE:
        return 2 * sum(_opening(pattern, size, id) for id in step.on.closures)
    joins = [join for join in pattern.making.joins if join.id in step.on.joins]
    finishes = [finish for finish in pattern.making.finishes if finish.id in step.on.finishes]
    if joins or finishes:
        return sum(join_over_garment(pattern, size, j) for j in joins) + sum(
            finish_over_garment(pattern, size, f) for f in finishes
        )
    return sum(_edge_over_garment(pattern, size, shown) for shown in step.edges)


def _edge_over_garment(pattern: Pattern, size: str, shown: EdgeShown) -> float:
    part = EdgePart(shown.piece, shown.edge)
    return part_length(pattern, size, part) * copies(pattern, part)


def _opening(pattern: Pattern, size: str, closure_id: str) -> float:
    closure = next((c for c in pattern.making.closures if c.id == closure_id), None)
    return 0.0 if closure is None else opening_length(pattern, size, closure) or 0.0


def _thread(
    pattern: Pattern,
    view: str,
    size: str,
    steps: Sequence[Operation],
    *,
    overlocker: bool,
    garments: int,
    threads: int,
) -> list[NotionToBuy]:
    straight, finish = (mm * garments for mm in sewn_lengths(pattern, size, steps))
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
            what="Sewing thread to match, 100 m (109 yd)",
            count=spools,
            working=Working(
                name="Sewing thread",
                quantity=cloth_length(on_machine),
                formula="stitching × thread per length + 15 %",
                given=given,
                rounding=f"{plural(spools, 'spool')} of 100 m (109 yd)",
            ),
            unit="spool",
        )
    ]
    if overlocker:
        cones = InUse(at_once=threads, reach=CONE)
        out.append(
            NotionToBuy(
                sort=Sort.OVERLOCK_THREAD,
                what="Overlock thread, 1000 m (1094 yd)",
                count=cones.number(edge_thread),
                working=Working(
                    name="Overlock thread",
                    quantity=cloth_length(edge_thread),
                    formula=f"edges × thread per length + 15 %, on {threads} cones",
                    given=given,
                    rounding=f"{threads} cones in use, of 1000 m (1094 yd) each",
                ),
                unit="cone",
                in_use=cones,
            )
        )
    return out
