"""Patches and their kin: where they are, what they wait for, what they give."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bands import is_folded
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Need, On, Operation
from rowanseed.core.make.technique import Duty, Finds, Technique
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind
from rowanseed.core.pattern.pieces import MOUTH, Panel

DEEPER = 8.0
"""A mouth's allowance is so much deeper than the others', in mm: it is hemmed."""


def turned_all_round(bench: Workbench) -> Iterator[Finish]:
    """Loose pieces that are turned in all round, or nearly: sewn to nothing, no part of anything the pattern names."""
    named = {id for detail in bench.details.values() for id in detail.pieces}
    for finish in bench.finishes.values():
        pieces = pieces_of(finish.parts)
        if (
            not pieces & named
            and finish.kind is FinishKind.TURNED
            and not pieces & bench.inner
            and all(bench.panel(id) is Panel.OTHER for id in pieces)
            and len(pieces) == 1
            and not any(pieces < pieces_of((*join.a, *join.b)) for join in bench.joins.values())
        ):
            yield finish


def piece_of(finish: Finish) -> str:
    """The loose piece."""
    return finish.parts[0].piece


def is_folded_double(bench: Workbench, finish: Finish) -> bool:
    """Whether it is folded on itself before it goes on."""
    return is_folded(bench, piece_of(finish))


def mouth_of(bench: Workbench, finish: Finish) -> float | None:
    """The hem of a patch pocket's mouth, in mm; None where its edges are all alike."""
    others = [bench.edge_allowance(p) for p in finish.parts if p.edge not in MOUTH]
    mouth = [bench.edge_allowance(p) for p in finish.parts if p.edge in MOUTH]
    return mouth[0] if mouth and others and mouth[0] > max(others) + DEEPER else None


def called(bench: Workbench, finish: Finish, *words: str) -> bool:
    """What a loose piece is, only its name says."""
    piece = bench.piece(piece_of(finish))
    return any(word in f"{piece.id} {piece.name}".lower() for word in words)


def is_back_belt(bench: Workbench, finish: Finish) -> bool:
    """Whether it is one of the four pieces of a belt in two halves."""
    return bench.number_cut(piece_of(finish)) == 4 and called(bench, finish, "belt")


def on_finish(finish: Finish) -> On:
    """The edges of a loose piece."""
    return On(finishes=(finish.id,), edges=shown(finish.parts))


def where(bench: Workbench, piece: str) -> str:
    """Where a loose piece is put on."""
    places, number = bench.places_of(piece), bench.number_cut(piece)
    if not places:
        return (
            "This pattern marks no place for it: pin it on, try it before the mirror, and mark it on both sides alike."
        )
    pair = " Left and right stand level: lay the two pieces on each other and look." if number > 1 else ""
    on = " and ".join(bench.name(id) for id in dict.fromkeys(id for id, _ in places))
    hand = next((hand for _, hand in places if hand), None)
    alone = f", {on_one_hand(bench, places[0][0], hand)}" if hand and number == 1 else ""
    return f"On the right side of the {on}{alone}: its upper corners on the two pocket marks.{pair}"


def on_one_hand(bench: Workbench, carrier: str, hand: str) -> str:
    """On which hand a single piece goes on, in words."""
    if bench.number_cut(carrier) > 1:
        return f"the {hand} one as it is worn and no other"
    return f"on the {hand} as it is worn and not on the other side"


def attached(bench: Workbench, finish: Finish) -> tuple[facts.State, ...]:
    """What a patch gives once it is on."""
    return (
        facts.finish(Fact.FINISHED, finish.id),
        facts.finish(Fact.ATTACHED, finish.id),
        *(facts.piece(Fact.ATTACHED, id) for id in bench.pocketed),
    )


def flat_first(bench: Workbench) -> Iterator[Need]:
    """What has to be done on the pieces that it goes on to."""
    for id in bench.pocketed:
        yield Need(facts.piece(Fact.SHAPED, id), "darts come before what lies over them", where_given=True)
        yield Need(facts.piece(Fact.MARKED, id), "its place is marked again first", where_given=True)
    for join in bench.joins.values():
        if bench.carry_one_pocket(pieces_of((*join.a, *join.b))):
            yield Need(facts.join(Fact.PRESSED, join.id), "it lies across that seam", where_given=True)


def patch_technique(
    id: str, name: str, finds: Finds, sews: Callable[[Workbench, Duty], Iterator[Operation]], rank: int, draw: str
) -> Technique:
    """A way to put a loose piece on."""
    return Technique(id=id, name=name, chapter="pockets and small parts", finds=finds, sews=sews, rank=rank, draw=draw)
