"""Pleats and tucks whose kind the pattern tells: how they are folded, basted and pressed."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace
from statistics import fmean

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import pleats
from rowanseed.core.make.families.eased import KEY as FULLNESS
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.shared import before_shaping
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, DifferenceKind, EdgePart
from rowanseed.core.pattern.pleats import pleats_of
from rowanseed.core.pattern.walk import copies, part_length

SEEN = 3.0
"""So much over all pleats is not seen in sewing, in mm."""
FOLDS = {
    DetailKind.KNIFE_PLEATS: (
        "Fold every pleat on its fold line and lay the fold on the line where it meets; all of them point the way of "
        "the arrow. Begin at the side that the last pleat will cover.",
        "Where left and right are mirror images, the arrows of the two halves point to or from each other.",
    ),
    DetailKind.BOX_PLEATS: (
        "Fold on both fold lines of a pleat and lay the folds away from each other, so that their edges meet at the "
        "back on the middle line of the pleat; the flat front of the box is outside.",
    ),
    DetailKind.INVERTED_PLEATS: (
        "Fold on both fold lines of a pleat and lay the folds towards each other, so that they meet on the middle "
        "line; the depth of the box lies inside.",
    ),
    DetailKind.TUCKS: (
        "Fold on the middle line of a tuck, wrong sides together unless the pattern says that they lie inside, and "
        "bring the two stitching lines on each other; pin across.",
        "Stitch along the line, from the edge to the mark where the tuck is released; bring the ends to the wrong side "
        "and knot them, do not backstitch there.",
    ),
}


def finds_pleats(kind: DetailKind) -> Callable[[Workbench], Iterator[Duty]]:
    def finds(bench: Workbench) -> Iterator[Duty]:
        lined = {duty.id for duty in pleats.finds(bench)}
        for detail in bench.details_of(kind):
            if detail.on:
                keys = (f"{pleats.KEY}{piece}" for piece in detail.on)
                drawn_in = (
                    f"{FULLNESS}{id}"
                    for id in detail.along
                    if id in bench.joins and bench.joins[id].difference.kind is DifferenceKind.GATHERS
                )
                yield single(detail.id, *(key for key in keys if key in lined), *drawn_in)

    return finds


def _deep(bench: Workbench, detail: Detail) -> tuple[str, ...]:
    """How much cloth each takes in: by their lines in this size, else as the pattern says."""
    own = {id: pleats_of(bench.piece(id), bench.size) for id in detail.on}
    one = "It" if _is_alone(detail) else "Each"
    if not all(own.values()):
        return (f"{one} takes in {bench.fine(detail.width)}.",) if detail.width else ()
    # A box pleat has two folds.
    folds = 1 if detail.kind is DetailKind.KNIFE_PLEATS else 2
    each = {id: bench.fine(folds * fmean(pleat.takes for pleat in pleats)) for id, pleats in own.items()}
    told = next(iter(each.values()))
    if len(set(each.values())) > 1:
        told = ", ".join(f"{figure} on the {lower_first(bench.name(id))}" for id, figure in each.items())
    arrows = "The tissue's arrow points from the line that is folded to the one that it meets."
    drawn = 2 * sum(pleat.takes for pleats in own.values() for pleat in pleats)
    return (f"{one} takes in {told}. {arrows}", *_as_altered(bench, detail, drawn))


def _is_alone(detail: Detail) -> bool:
    return detail.count <= 1 and len(detail.on) == 1


def _as_altered(bench: Workbench, detail: Detail, drawn: float) -> tuple[str, ...]:
    """What is said where the edge is no longer as much longer than what it is sewn to as its lines take in, in mm."""
    joins = [bench.joins[id] for id in detail.along if id in bench.joins]
    more = sum(abs(_over_garment(bench, join.a) - _over_garment(bench, join.b)) for join in joins) - drawn
    if not joins or abs(more) < SEEN:
        return ()
    return (
        f"Altered, the edge has {bench.fine(abs(more))} {'more' if more > 0 else 'less'} to take in over all of them "
        f"than their lines do: lay each fold about {bench.fine(abs(more) / max(1, detail.count))} "
        f"{'past' if more > 0 else 'short of'} its line.",
    )


def _over_garment(bench: Workbench, side: tuple[EdgePart, ...]) -> float:
    return sum(part_length(bench.pattern, bench.size, part) * copies(bench.pattern, part) for part in side)


def pleated(kind: DetailKind, name: str) -> Callable[[Workbench, Duty], Iterator[Operation]]:
    def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
        detail = bench.details[duty.id]
        step = of_detail(bench, name, duty.id)
        on = On(
            pieces=detail.on,
            edges=shown(EdgePart(id, edge.name) for id in detail.on for edge in bench.piece(id).edges),
        )
        sewn = kind is DetailKind.TUCKS
        number = max(1, detail.count)
        alone = _is_alone(detail)
        words = detail.kind.words.removesuffix("s") if alone else detail.kind.words
        yield step(
            "pleats",
            Act.FOLD,
            f"{'Sew' if sewn else 'Fold'} the {words}: {bench.names(detail.on)}",
            ("" if alone else f"{number} of them. ")
            + "Mark every fold and meeting line at both ends, on the right side, in two colours or with two kinds of "
            "pins, so that none is taken for the other.",
            *_deep(bench, detail),
            *FOLDS[kind],
            *(
                ()
                if sewn
                else (
                    f"Baste across the folds {bench.margin(10)} from the raw edge, in the allowance, where it stays; "
                    "for pressing baste down their length with silk or fine thread.",
                )
            ),
            at=Bench.MACHINE if sewn else Bench.HAND,
            took=minutes.each(4, number * max(1, len(detail.on))),
            setting=settings.seam(bench.household) if sewn else None,
            needs=tuple(need for id in detail.on for need in before_shaping(id, "their lines are marked again first")),
            gives=(
                *(facts.piece(Fact.SEWN, id) for id in detail.on),
                *facts.joins(Fact.DRAWN_UP, (id for id in detail.along if id in bench.joins)),
            ),
            on=replace(on, joins=tuple(id for id in detail.along if id in bench.joins)),
            rows=0,
            leaves=() if sewn else (f"basting down the {detail.name.lower()}",),
            look="Folded, the edge is as long as the one it is sewn to: measure before you baste.",
        )
        yield step(
            "press-pleats",
            Act.PRESS,
            f"Press the {words}: {bench.names(detail.on)}",
            "Tucks as sewn, then to the side the pattern says; not beyond the point where they are released."
            if sewn
            else "Face down, strips of paper under the folds so that they do not mark the right side; a damp cloth, "
            "and let them dry before you move them.",
            iron_for(bench),
            at=Bench.IRON,
            took=minutes.each(3, number),
            needs=tuple(Need(facts.piece(Fact.SEWN, id), "they are folded first") for id in detail.on),
            gives=(Fact.FINISHED, *(facts.piece(Fact.SHAPED, id) for id in detail.on)),
            on=on,
            look="Every fold runs along the grain and falls straight.",
        )

    return sews
