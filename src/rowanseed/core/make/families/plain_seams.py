"""Plain seams: what they wait for, where they begin and end, how they are sewn."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import takewhile

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts
from rowanseed.core.make.crossing import is_later
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.neatening import across_from, finishes_edges, neaten_apart, neaten_together
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.run import ZIP, Run, Secured
from rowanseed.core.make.shared import clip, matching, press, sew
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.which import ends_of_facings
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    DetailKind,
    Difference,
    DifferenceKind,
    EdgePart,
    Join,
    LayerKind,
    Press,
)
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.walk import part_length

ID = "plain seam"


DRAWN_UP_FROM = 12.0
"""Ease of so many mm and more is drawn up by rows of stitching first, less goes in on the feed dogs."""


YOKE_EDGES = ("yoke", "yoke-base", "yoke-side", "base")
"""Edges that a yoke is sewn to."""


def is_pleated(bench: Workbench, join: Join) -> bool:
    """Whether its fuller side is folded and not gathered."""
    return any(pieces_of(join.a) & set(detail.on) for detail in bench.details_of(*PLEATS))


def fullness(bench: Workbench, join: Join) -> tuple[str, ...]:
    """How a side that is longer, or shorter, is brought to the length of the other."""
    longer = bench.name(join.a[0].piece)
    match join.difference:
        case Difference(kind=DifferenceKind.NONE):
            return ()
        case Difference(amount=0):
            return ()
        case Difference(kind=DifferenceKind.GATHERS) if is_pleated(bench, join):
            return (
                f"The pleated {longer} on top, its folds as they are basted: folded, it is as long as the other side. "
                "Ends and centres first, then between; no fold turns over as you sew.",
            )
        case Difference(kind=DifferenceKind.GATHERS):
            return (
                f"The gathered {longer} on top; quarters on quarters, then between the two rows of gathering. Before "
                "the needle stroke the gathers straight with an awl, so that none folds over.",
            )
        case Difference(kind=DifferenceKind.STRETCH, amount=mm):
            return (
                f"The {longer} is shorter by {bench.fine(mm)} on purpose: pin it at its ends and middle, stretch it "
                "between the pins as you sew, and let the other side lie.",
            )
        case Difference(kind=DifferenceKind.STRETCHED_ON):
            shorter = bench.name(join.b[0].piece)
            return (
                f"The {shorter} is shorter on purpose: quarter both sides, quarter on quarter, and stretch it between "
                "the pins as you sew; let the other side lie.",
            )
        case Difference(kind=DifferenceKind.EASE, amount=mm) if mm >= DRAWN_UP_FROM:
            return (f"The drawn-up {longer} on top, where you can watch that no pleat is sewn in.",)
        case _:
            mm = join.difference.amount
            return (f"{longer.capitalize()} underneath, on the feed dogs: its {bench.fine(mm)} more are eased in.",)


def run_of(bench: Workbench, join: Join, closure: Closure | None = None) -> Run:
    """From where to where a seam is sewn: up to its zip, past a seam with one that is still open, or whole."""
    if closure is not None:
        return _up_to_the_zip(bench, join, closure)
    run = bench.runs.over(join.a, each_hand=join.each_hand, from_end=join.sewn_from == "end")
    opened = still_open(bench, join) if run.ring or ZIP in (run.start, run.end) else None
    if opened is None:
        return run
    name = lower_first(opened.name).split(",")[0]
    if run.ring or run.start == run.end:
        return replace(run, ring=False, said=f"from one edge of the {name}, which is still open, to the other")
    return replace(run, said=run.words.replace(f"the {ZIP}", f"the edge of the {name}"))


def stitching(bench: Workbench, join: Join, closure: Closure | None) -> tuple[str, ...]:
    """From where to where, and what is done at the ends."""
    if closure is not None:
        return along_zip(bench, join, closure)
    return (f"{bench.seam_of(join)} {bench.sewn_along(run_of(bench, join))}.", *past_mouth(bench, join))


LOWER = ("hem", "crotch seam", "lower edge")
"""The ends of a seam that lie below."""


def _from_below(bench: Workbench, join: Join) -> Run:
    run = bench.runs.over(join.a, each_hand=join.each_hand, from_end=join.sewn_from == "end")
    return run if run.start in LOWER else replace(run, start=run.end, end=run.start, backwards=not run.backwards)


def _up_to_the_zip(bench: Workbench, join: Join, closure: Closure) -> Run:
    run = _from_below(bench, join)
    if closure.kind is ClosureKind.INVISIBLE_ZIP:
        run = replace(run, said=f"from the {run.start} up to within a stitch of the zip", secured=Secured.BEGINNING)
    else:
        run = replace(run, said=f"from the {run.start} up to the zip mark")
    return replace(run, to_mark=closure.to_mark)


def still_open(bench: Workbench, join: Join) -> Join | None:
    """The seam with a zip that crosses this one and is sewn later."""
    return next(
        (
            other
            for other in bench.crossing([join.id])
            if (bench.openings.zip_on(other) or bench.openings.opening_in_lining(other))
            and is_later(bench, other.id, [join.id])
        ),
        None,
    )


def past_mouth(bench: Workbench, join: Join) -> tuple[str, ...]:
    """A seam with a pocket in it stays open along the pocket's mouth."""
    if not any(join.id in d.along for d in bench.details_of(DetailKind.IN_SEAM_POCKET)):
        return ()
    return (
        "Not across the pocket's mouth: sew as far as its first dot and backstitch, then on from the other dot with a "
        "backstitch. The bags lie towards the front, out of the way.",
    )


def along_zip(bench: Workbench, join: Join, closure: Closure) -> tuple[str, ...]:
    """A seam below a zip: up to it, or past its mark with a basting."""
    run, seam = run_of(bench, join, closure), bench.seam_of(join)
    if closure.kind is ClosureKind.INVISIBLE_ZIP:
        above = f"Above the zip in the same way, from the {run.end} down to its upper end."
        return (
            f"{seam} {run.words}, its tail and the free tape held clear; backstitch at the {run.start}.",
            f"The last {bench.margin(50)} with the zipper foot, needle {bench.margin(1)} outside the zip's own "
            "stitching; tie the ends there, do not backstitch into it.",
            *((above,) if closure.from_mark is not None else ()),
        )
    return (f"{seam} {run.words}; backstitch there. {basted_on(closure, run.end)}",)


def basted_on(closure: Closure, upper: str) -> str:
    """What is done along the opening of a zip that goes in after its seam, and above it."""
    if closure.from_mark is None:
        return "Then the longest stitch: baste on to the upper edge."
    return (
        "Then the longest stitch: baste on to the upper mark. From there the seam again, with a backstitch at the "
        f"mark, to the {upper}."
    )


STOPS_ABOVE = 100.0
"""A lining is sewn to a facing down to so far above its lower end, in mm (the craft's 4 in)."""


def stops_above_hem(bench: Workbench, join: Join) -> tuple[str, ...]:
    """A lining that is sewn to a facing whose lower end is closed at the hem later."""
    ended = {p.piece for f in ends_of_facings(bench) for p in f.parts}
    if not (pieces_of(join.a) <= bench.linings and pieces_of(join.b) & ended):
        return ()
    return (
        f"Stop {bench.length(STOPS_ABOVE)} above the facing's lower ends and backstitch: they are closed on the hem "
        "line first, and the lining is felled on down the facing with its lower edge.",
    )


PLEATS = (DetailKind.KNIFE_PLEATS, DetailKind.BOX_PLEATS, DetailKind.INVERTED_PLEATS)


FREE_BELOW = 15.0
"""A lining is left open so far below the end of the zip, in mm, so that it does not pull there."""


def run_left_open(bench: Workbench, join: Join, closure: Closure, begun: str = "") -> Run:
    """A seam of a lining that stays open along the zip; begun at its lower end, or at another place."""
    run = _from_below(bench, join)
    lower = begun or run.start
    long = bench.openings.zip_length(closure) if closure.from_mark is None else None
    if long:
        long -= sum(part_length(bench.pattern, bench.size, p) for p in not_lined(bench, join, closure))
    free = bench.margin(FREE_BELOW)
    if closure.from_mark is not None:
        how_far = f"{free} below the end of the zip"
    else:
        upper = f"{bench.length(long + FREE_BELOW)} below the upper edge" if long else "level with the end of the zip"
        how_far = f"{upper}, {free} below the end of the zip"
    id = closure.to_mark[1] if closure.to_mark is not None else ""
    at = next((p.piece for p in join.a if any(mark.id == id for mark in bench.piece(p.piece).marks)), None)
    return replace(
        run,
        start=lower,
        said=f"from the {lower} up to {how_far}",
        secured=Secured.END,
        to_mark=(at, id) if at is not None else None,
        short=(0.0, FREE_BELOW),
    )


def left_open(bench: Workbench, join: Join, closure: Closure, begun: str = "") -> tuple[str, ...]:
    """A lining's seam in words: up to below the zip, and on above one that lies between two marks."""
    run = run_left_open(bench, join, closure, begun)
    sewn = f"{bench.seam_of(join)} {run.words}; backstitch there."
    if closure.from_mark is None:
        return (f"{sewn} Above it stays open: its edges are felled to the zip's tape later.",)
    return (
        f"{sewn} Then from {bench.margin(FREE_BELOW)} above its upper end on to the {run.end}, with a backstitch. "
        "Between them it stays open: its edges are felled to the zip's tape later.",
    )


def not_lined(bench: Workbench, join: Join, closure: Closure) -> tuple[EdgePart, ...]:
    """The edges along a zip above the lining's seam, where the upper part of the garment is not lined.

    What lies below the lined part, as the tiers of a skirt whose lining hangs from the first, is behind the lining.
    """
    of = {x.piece: x.of for x in bench.pattern.making.layers if x.kind is LayerKind.LINING}
    behind = {(of.get(p.piece), p.edge) for p in join.a}
    downwards = bench.joins[closure.join].a
    if closure.to_mark is not None and bench.pattern.piece(closure.to_mark[0]).mark(closure.to_mark[1]).anchor == "end":
        downwards = downwards[::-1]
    above = tuple(takewhile(lambda p: (p.piece, p.edge) not in behind, downwards))
    return above if len(above) < len(downwards) else ()


def order_needs(bench: Workbench, join: Join) -> Iterator[Need]:
    """What the place of a seam in the garment asks for."""
    panels = bench.panels((*join.a, *join.b))
    if bench.holds_sleeve(join) and panels != {Panel.SLEEVE}:
        yield Need(
            facts.gate(Fact.SETTLED, "shell"),
            "the sides are easiest taken in before the sleeves are set",
            where_given=True,
        )
    if bench.closes_side(join) or bench.is_side_of_one_hand(join) or panels == {Panel.SLEEVE}:
        for other in bench.joins.values():
            # A cuff or a facing goes on later: only what sews the sleeve to the body comes before.
            if bench.holds_sleeve(other) and other.id != join.id:
                yield Need(
                    facts.join(Fact.ATTACHED, other.id), "the sleeve is sewn in while all is flat", where_given=True
                )
    if panels == {Panel.FRONT, Panel.BACK}:
        yield from halves_whole(bench, join)
    if bench.closes_side(join):
        for piece in bench.pattern.pieces:
            yield Need(facts.piece(Fact.ATTACHED, piece.id), "pockets go on while the piece is flat", where_given=True)
        yield Need(
            facts.gate(Fact.SETTLED, "basted"), "what the try-on showed is marked, and sewn to", where_given=True
        )


def halves_whole(bench: Workbench, join: Join) -> Iterator[Need]:
    """A yoke is sewn on while its half lies flat, before that is sewn to the other."""
    own = pieces_of((*join.a, *join.b))
    for other in bench.joins.values():
        parts = (*other.a, *other.b)
        is_of_yoke = all(p.edge in YOKE_EDGES for p in other.a) and len(bench.panels(parts)) == 1
        if other.id != join.id and is_of_yoke and pieces_of(parts) & own:
            yield Need(facts.join(Fact.PRESSED, other.id), "the half is whole while it lies flat", where_given=True)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    yield from sewn_seam(
        bench, duty, is_open=join.press is Press.OPEN or bench.openings.opening_in_lining(join) is not None
    )


def sewn_seam(bench: Workbench, duty: Duty, *, is_open: bool) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    closure = bench.openings.zip_on(join)
    slit = bench.openings.opening_in_lining(join)
    neatened = finishes_edges(bench, duty.ids)
    requires = list(order_needs(bench, join))
    leaves: tuple[str, ...] = ()
    if is_open and neatened:
        yield neaten_apart(bench, duty.ids, ID)
        requires.append(
            Need(facts.join(Fact.NEATENED, join.id), "edges pressed open are neatened apart, before the seam")
        )
        requires += [
            Need(facts.join(Fact.NEATENED, id), "left and right are neatened while the pieces lie flat", must=False)
            for id in across_from(bench, join)
        ]
    if closure and closure.kind is ClosureKind.INVISIBLE_ZIP:
        requires.append(
            Need(facts.closure(Fact.CLOSED, closure.id), "an invisible zip goes in before the seam below it")
        )
    elif closure:
        leaves = (f"basting of the {closure.kind.words}'s opening",)
    yield sew(
        bench,
        duty.ids,
        ID,
        how=(
            matching(bench, join),
            *(left_open(bench, join, slit) if slit else stitching(bench, join, closure)),
            *stops_above_hem(bench, join),
            *fullness(bench, join),
        ),
        requires=tuple(requires),
        leaves=leaves,
        run=run_left_open(bench, join, slit) if slit else run_of(bench, join, closure),
        look="No pleat is caught, and the seams or notches it meets stand on each other.",
    )
    before: list[Need] = []
    clipped = clip(bench, duty.ids, ID) if is_open else None
    if clipped:
        yield clipped
        before.append(Need(facts.join(Fact.GRADED, join.id), "a curved allowance opens only where it is clipped"))
    if not is_open and neatened:
        yield neaten_together(bench, duty.ids, ID)
        before.append(Need(facts.join(Fact.FINISHED, join.id), "both edges are neatened together first"))
    yield press(
        bench,
        duty.ids,
        ID,
        way="open" if is_open else "side",
        words="open" if is_open else "to the back" if join.press is Press.OPEN else join.press.words,
        requires=tuple(before),
    )
