"""Seams that cross: which of two is sewn later, and what is pressed before the other goes across it."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Need
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.legs import INSEAM, crosses_the_waist, is_crotch, is_inner_leg
from rowanseed.core.pattern.making import ClosureKind, DetailKind, Join
from rowanseed.core.pattern.pieces import Panel

IN_FLAT = (ClosureKind.FLY_ZIP, ClosureKind.BUTTON_FLY, ClosureKind.LAPPED_ZIP)
PRESSED_FIRST = "a seam is pressed before another crosses it"
SEWN_FLAT = {
    DetailKind.TOPSTITCHING: "it is topstitched while it lies flat, and its ends are caught in the next seam",
    DetailKind.BRAID: "braid is sewn on while the seam lies flat, and its ends are caught in the next one",
}
"""What is sewn along a seam before another crosses it, and why."""


def crossings(bench: Workbench, *ids: str) -> Iterator[Need]:
    """Seams that end on these edges and are sewn before: they are pressed first."""
    for join in bench.crossing(ids):
        if not is_later(bench, join.id, ids):
            yield Need(facts.join(Fact.PRESSED, join.id), PRESSED_FIRST, where_given=True)
            yield from _sewn_flat(bench, join.id, ids)


def _sewn_flat(bench: Workbench, id: str, ids: tuple[str, ...]) -> Iterator[Need]:
    """What is topstitched or sewn on along a seam that others cross is so while it lies flat, where nothing of it
    waits for these."""
    for kind, why in SEWN_FLAT.items():
        for detail in bench.details_of(kind):
            seams = [own for own in detail.along if own in bench.joins]
            if id in seams and len(seams) == len(detail.along) and not any(_waits(bench, own, ids) for own in seams):
                yield Need(facts.detail(Fact.FINISHED, detail.id), why)


def _waits(bench: Workbench, own: str, ids: tuple[str, ...]) -> bool:
    crosses = own in {join.id for join in bench.crossing(ids)}
    return own in ids or (crosses and is_later(bench, own, ids))


def after_the_zip(bench: Workbench, *ids: str) -> Iterator[Need]:
    """A fly and a lapped zip at the centre go into flat pieces: their sides and inner legs are sewn after it."""
    for id in ids:
        join = bench.joins.get(id)
        if join is None or not (join.each_hand or any(p.hand for p in join.a)):
            continue
        pieces = pieces_of((*join.a, *join.b))
        for zip_ in bench.openings.zips:
            centre = bench.joins.get(zip_.join)
            if centre is None or zip_.join in ids or runs_over(bench, centre.id, id):
                # What the centre seam runs on over, a yoke, is sewn before it.
                continue
            if zip_.kind not in IN_FLAT or (_ends_on_crotch(bench, join, centre) and len(centre.a) > 1):
                crosses = zip_.kind is not ClosureKind.INVISIBLE_ZIP and _ends_on_crotch(bench, join, centre)
                if crosses and pieces_of(centre.a) & pieces:
                    yield Need(facts.join(Fact.PRESSED, centre.id), "the seam below the zip is sewn while all is flat")
                continue
            # One that runs on over a waist seam comes after the sides that this seam crosses.
            both_hands = pieces_of(centre.a) == pieces_of(centre.b) and len(centre.a) == 1
            if both_hands and pieces_of(centre.a) & pieces and pieces_of(join.a) != pieces_of(join.b):
                yield Need(facts.closure(Fact.CLOSED, zip_.id), "the zip goes in while both sides lie flat")


def _ends_on_crotch(bench: Workbench, join: Join, centre: Join) -> bool:
    """Whether a seam runs out on the edge of a centre seam that goes on into the crotch."""
    crotch = {(p.piece, p.edge) for p in (*centre.a, *centre.b) if p.edge == "crotch"}
    return any((p.piece, edge) in crotch for p in (*join.a, *join.b) for edge in bench.neighbours(p))


def is_later(bench: Workbench, other: str, ids: Iterable[str]) -> bool:
    """Of two seams that cross, whether the other one is sewn later than these.

    A seam that runs on over several pieces comes after those that sew these pieces to each other; of two that do so to
    each other the one with a zip: a waist, and the side that a dress is closed by. What a band or collar is pieced by
    comes before all that it is sewn to.
    """
    own = list(ids)
    steps = _at_the_legs(bench, other), max((_at_the_legs(bench, id) for id in own), default=NO_LEG)
    if NO_LEG not in steps and steps[0] != steps[1]:
        return steps[0] > steps[1]
    if any(_makes_up(bench, id) for id in own) != _makes_up(bench, other):
        return not _makes_up(bench, other)
    if any(_closes_end(bench, id, other) for id in own) != any(_closes_end(bench, other, id) for id in own):
        return any(_closes_end(bench, other, id) for id in own)
    after = any(runs_over(bench, id, other) for id in own)
    before = any(runs_over(bench, other, id) for id in own)
    if after and before:
        seam = bench.joins[other]
        return bench.openings.zip_on(seam) is not None or bench.openings.opening_in_lining(seam) is not None
    if after or before:
        return before
    return _lateness(bench, other) > max(_lateness(bench, id) for id in own)


NO_LEG, CROTCH, WAIST, OVER_THE_WAIST, INNER_LEGS = range(5)
"""Seams about legs that a bodice is sewn to, in the order they are sewn where they cross."""


def _at_the_legs(bench: Workbench, id: str) -> int:
    """Legs that hang from a bodice are whole at the waist before that is sewn on; the seam of a zip that runs on up
    from them comes after it, and then the inner legs go across both."""
    join = bench.joins.get(id)
    if join is None:
        return NO_LEG
    if crosses_the_waist(join):
        return OVER_THE_WAIST
    if is_crotch(join):
        return CROTCH
    parts = (*join.a, *join.b)
    if is_inner_leg(join):
        above = (other for other in bench.joins.values() if crosses_the_waist(other))
        return INNER_LEGS if any(pieces_of(other.a) & pieces_of(parts) for other in above) else NO_LEG
    hangs = Panel.BAND not in bench.panels(parts) and any(bench.piece(p.piece).has_edge(INSEAM) for p in parts)
    return WAIST if hangs and all(p.edge == "waist" for p in join.a) and not bench.encloses(join) else NO_LEG


def _makes_up(bench: Workbench, id: str) -> bool:
    """Whether a seam sews the two halves of one band, collar or facing to each other."""
    join = bench.joins.get(id)
    pieces = pieces_of((*join.a, *join.b)) if join is not None else frozenset()
    return len(pieces) == 1 and all(bench.panel(piece) is Panel.BAND for piece in pieces)


def _closes_end(bench: Workbench, id: str, other: str) -> bool:
    """Whether a seam goes on over the end of a band that another one sews on."""
    if id not in bench.joins or other not in bench.joins:
        return False
    return bool(bench.folded_in(bench.joins[id]) & pieces_of(bench.parts(other)))


def runs_over(bench: Workbench, id: str, other: str) -> bool:
    """Whether a seam of the shell runs on over two pieces that another one sews to each other."""
    if id not in bench.joins or other not in bench.joins or id == other:
        return False
    long, short = bench.joins[id], bench.joins[other]
    one, two = pieces_of(short.a), pieces_of(short.b)
    if one == two or bench.encloses(long) or bench.is_faced(long):
        return False
    # A band is no part of the shell, but for one that ends at the long seam, as a placket's at the neck.
    if Panel.BAND in bench.panels((*long.a, *long.b)) and Panel.BAND not in bench.panels((*short.a, *short.b)):
        return False
    return any(len(side) > 1 and one & pieces_of(side) and two & pieces_of(side) for side in (long.a, long.b))


def _lateness(bench: Workbench, id: str) -> tuple[int, int, int]:
    """Seams in the order they are usually sewn where they cross: what a longer chain finishes comes later."""
    if id in bench.finishes:
        return (9, 0, 0)
    join = bench.joins[id]
    panels = bench.panels((*join.a, *join.b))
    pieces = pieces_of((*join.a, *join.b))
    both_hands = pieces_of(join.a) == pieces_of(join.b) and bool(join.a[0].hand)
    if bench.encloses(join):
        kind = 5
    elif bench.is_bagged and bench.closes_side(join):
        kind = 8
    elif bench.is_faced(join):
        kind = 5
    elif panels & {Panel.BAND, Panel.HEAD} and len(panels) > 1:
        kind = 6
    elif Panel.SLEEVE in panels and panels != {Panel.SLEEVE}:
        kind = 4
    elif panels == {Panel.BAND}:
        kind = 0 if len(join.a) > 1 else 1
    elif both_hands and join.a[0].edge == "crotch":
        kind = 3
    else:
        kind = 2 if bench.closes_side(join) else 1
    order = [j.id for j in bench.pattern.making.joins].index(id)
    # Two hands are one piece before anything is sewn across both, a yoke on the fold say; what each hand is made up of
    # is sewn before that (`runs_over`).
    long = 0 if both_hands else max(len(join.a), len(join.b))
    return (kind, long, order if pieces else 0)
