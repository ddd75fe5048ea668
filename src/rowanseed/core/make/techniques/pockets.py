"""Patch pockets, sham welts and back belts: made up apart, put on while the garment is flat."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.bands import is_folded
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind
from rowanseed.core.pattern.pieces import MOUTH, Panel

DEEPER = 8.0
"""A mouth's allowance is so much deeper than the others', in mm: it is hemmed."""


def turned_all_round(bench: Workbench) -> Iterator[Finish]:
    """Loose pieces that are turned in all round, or nearly, and no part of anything that the pattern names."""
    named = {id for detail in bench.details.values() for id in detail.pieces}
    for finish in bench.finishes.values():
        pieces = pieces_of(finish.parts)
        if (
            not pieces & named
            and finish.kind is FinishKind.TURNED
            and not pieces & bench.inner
            and all(bench.panel(id) is Panel.OTHER for id in pieces)
            and len(pieces) == 1
        ):
            yield finish


def piece_of(finish: Finish) -> str:
    return finish.parts[0].piece


def _is_folded_double(bench: Workbench, finish: Finish) -> bool:
    return is_folded(bench, piece_of(finish))


def mouth_of(bench: Workbench, finish: Finish) -> float | None:
    """The hem of a patch pocket's mouth, in mm; None where its edges are all alike."""
    others = [bench.edge_allowance(p) for p in finish.parts if p.edge not in MOUTH]
    mouth = [bench.edge_allowance(p) for p in finish.parts if p.edge in MOUTH]
    return mouth[0] if mouth and others and mouth[0] > max(others) + DEEPER else None


def _called(bench: Workbench, finish: Finish, *words: str) -> bool:
    """What a loose piece is, only its name says."""
    piece = bench.piece(piece_of(finish))
    return any(word in f"{piece.id} {piece.name}".lower() for word in words)


def finds_patch(bench: Workbench) -> Iterator[Duty]:
    for finish in turned_all_round(bench):
        if mouth_of(bench, finish) is not None and not _is_folded_double(bench, finish):
            yield single(finish.id)


def finds_welt(bench: Workbench) -> Iterator[Duty]:
    for finish in turned_all_round(bench):
        if _is_folded_double(bench, finish) and bench.pocketed and _called(bench, finish, "welt"):
            yield single(finish.id)


def finds_belt(bench: Workbench) -> Iterator[Duty]:
    """A belt cut in four: two halves of two layers."""
    for finish in turned_all_round(bench):
        if not _is_folded_double(bench, finish) and _is_back_belt(bench, finish):
            yield single(finish.id)


def _is_back_belt(bench: Workbench, finish: Finish) -> bool:
    return bench.number_cut(piece_of(finish)) == 4 and _called(bench, finish, "belt")


def finds_loose(bench: Workbench) -> Iterator[Duty]:
    """Any other loose piece turned in all round: an ornament, a label, a patch without a mouth."""
    for finish in turned_all_round(bench):
        if (
            mouth_of(bench, finish) is None
            and not _is_folded_double(bench, finish)
            and not _is_back_belt(bench, finish)
        ):
            yield single(finish.id)


def on_finish(finish: Finish) -> On:
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
    alone = f", {_alone(bench, places[0][0], hand)}" if hand and number == 1 else ""
    return f"On the right side of the {on}{alone}: its upper corners on the two pocket marks.{pair}"


def _alone(bench: Workbench, carrier: str, hand: str) -> str:
    if bench.number_cut(carrier) > 1:
        return f"the {hand} one as it is worn and no other"
    return f"on the {hand} as it is worn and not on the other side"


def attached(bench: Workbench, finish: Finish) -> tuple[facts.State, ...]:
    return (
        facts.finish(Fact.FINISHED, finish.id),
        facts.finish(Fact.ATTACHED, finish.id),
        *(facts.piece(Fact.ATTACHED, id) for id in bench.pocketed),
    )


def flat(bench: Workbench) -> Iterator[Need]:
    for id in bench.pocketed:
        yield Need(facts.piece(Fact.SHAPED, id), "darts come before what lies over them", where_given=True)
        yield Need(facts.piece(Fact.MARKED, id), "its place is marked again first", where_given=True)
    for join in bench.joins.values():
        if bench.carry_one_pocket(pieces_of((*join.a, *join.b))):
            yield Need(facts.join(Fact.PRESSED, join.id), "it lies across that seam", where_given=True)


def patch(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece, mouth = piece_of(finish), mouth_of(bench, finish) or 30.0
    number, _machine = bench.number_cut(piece), bench.household.equipment.machine
    alike = ("Make both of a pair together, and lay them on each other: they are equal.",) if number > 1 else ()
    at, setting = settings.neaten(bench.household)
    yield Operation(
        id=f"neaten-{finish.id}",
        technique="patch pocket",
        act=Act.NEATEN,
        title=f"Neaten all edges: {bench.name(piece)}",
        how=("Each edge by itself, round the corners in one run.",),
        bench=at,
        minutes=minutes.neaten(bench.around([finish.id])),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),),
        gives=(facts.finish(Fact.NEATENED, finish.id),),
        setting=setting,
    )
    yield Operation(
        id=f"mouth-{finish.id}",
        technique="patch pocket",
        act=Act.TOPSTITCH,
        title=f"Hem the mouth: {bench.name(piece)}",
        how=(
            f"Fold the upper {bench.margin(mouth)} to the right side, sew across both ends on the stitching line, "
            "trim the corners, turn to the wrong side and press.",
            f"Stitch across {bench.margin(mouth - 5)} below the upper fold.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(4, number),
        on=On(pieces=(piece,), edges=shown(p for p in finish.parts if p.edge in MOUTH)),
        requires=(Need(facts.finish(Fact.NEATENED, finish.id), "its edges are neatened first"),),
        gives=(facts.finish(Fact.TOPSTITCHED, finish.id),),
        setting=settings.topstitch(bench.household, bench.margin(mouth - 5)),
    )
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="patch pocket",
        act=Act.PRESS,
        title=f"Press in the other edges: {bench.name(piece)}",
        how=(
            "A card cut to the finished shape on the wrong side; press the lower edge over it, then the sides. "
            f"{iron_for(bench)}",
            *alike,
        ),
        bench=Bench.IRON,
        minutes=minutes.each(4, number),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.finish(Fact.TOPSTITCHED, finish.id), "the mouth is hemmed first"),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        caution=HOT,
    )
    yield sewn_on(bench, finish, "patch pocket", "its edges are in")


def sewn_on(bench: Workbench, finish: Finish, technique: str, prepared: str) -> Operation:
    """A pocket that is made up, sewn on along three sides; `prepared`: what has to be done to it before."""
    piece = piece_of(finish)
    number = bench.number_cut(piece)
    return Operation(
        id=f"sew-on-{finish.id}",
        technique=technique,
        act=Act.ATTACH,
        title=f"Sew on the {bench.name(piece)}{'s, both' if number > 1 else ''}",
        how=(
            where(bench, piece),
            f"Edgestitch {bench.margin(2)} from the fold along three sides: down one side, along the bottom, up the "
            "other. The mouth stays open.",
            f"At both ends of the mouth sew a small triangle or {bench.margin(6)} back and forth: it takes the strain.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(7, number),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), prepared), *flat(bench)),
        gives=attached(bench, finish),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        look="A hand goes in, and the pocket lies without pulling the garment.",
    )


def welt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece = piece_of(finish)
    number, _machine = bench.number_cut(piece), bench.household.equipment.machine
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="sham welt",
        act=Act.PRESS,
        title=f"Make up the {bench.name(piece)}s",
        how=(
            "Fold along the fold line, right sides together; sew across both ends on the stitching line, trim, "
            "turn, press. The lower raw edges stay open.",
            "Lay the two on each other: they are equal.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(6, number),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        caution=HOT,
    )
    yield Operation(
        id=f"sew-on-{finish.id}",
        technique="sham welt",
        act=Act.ATTACH,
        title=f"Sew on the {bench.name(piece)}s",
        how=(
            f"This pattern draws no pocket bags: the welts only look like pockets. {where(bench, piece)}",
            "Raw edges down, right side to right side, the stitching line on the line between the marks; sew along "
            f"it, trim to {bench.margin(6)}, flip the welt up and press.",
            "Slip stitch both ends to the garment, the stitches under the fold.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(9, number),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "they are made up first"), *flat(bench)),
        gives=attached(bench, finish),
        setting=settings.seam(bench.household),
        caution=NEEDLE,
        look="Left and right stand at the same height and slant.",
    )


def belt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece = piece_of(finish)
    name = lower_first(bench.piece(piece).name)
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="back belt",
        act=Act.TURN,
        title=f"Make up the two halves: {name}",
        how=(
            "Two and two right sides together: sew along both long edges and one end, leaving the other end open; "
            "two stitches across the corners.",
            f"Trim to {bench.fine(5)}, the corners across; turn, press, and edgestitch {bench.margin(2)} from the "
            "edge.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(10, 2),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        setting=settings.seam(bench.household),
        caution=NEEDLE,
        look="Both halves are equally long and wide.",
    )
    yield Operation(
        id=f"sew-on-{finish.id}",
        technique="back belt",
        act=Act.ATTACH,
        title=f"Baste on the halves: {name}",
        how=(
            "Raw end to the side edge of the back, on its right side, at the waist notch; baste inside the "
            "allowance, where it stays. The side seam catches it.",
            "The buckle goes on one half: thread the end through it, fold it back over the bar and sew it down. The "
            "other half passes through it.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(6),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "they are made up first"),),
        gives=(facts.finish(Fact.FINISHED, finish.id), facts.finish(Fact.ATTACHED, finish.id)),
        look="Both sit at the same height, and closed they lie flat over the back.",
    )


def loose(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    piece = piece_of(finish)
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="patch",
        act=Act.PRESS,
        title=f"Turn in and press: {bench.name(piece)}",
        how=(
            f"Allowances to the wrong side over a card of the finished shape, corners folded first. {iron_for(bench)}",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(4, bench.number_cut(piece)),
        on=On(pieces=(piece,), edges=shown(finish.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        caution=HOT,
    )
    yield Operation(
        id=f"sew-on-{finish.id}",
        technique="patch",
        act=Act.ATTACH,
        title=f"Sew on the {bench.name(piece)}",
        how=(
            where(bench, piece),
            f"Edgestitch {bench.margin(2)} from the fold, all round: nothing says that one of its edges stays open. "
            "If it is a pocket, leave its mouth open, and look into your booklet.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(6, bench.number_cut(piece)),
        on=on_finish(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "its edges are in"), *flat(bench)),
        gives=attached(bench, finish),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
    )


def _technique(id: str, name: str, finds: object, sews: object, rank: int, draw: str) -> Technique:
    return Technique(id=id, name=name, chapter="pockets and small parts", finds=finds, sews=sews, rank=rank, draw=draw)  # type: ignore[arg-type]


TECHNIQUES = (
    _technique("patch-pocket", "Patch pocket", finds_patch, patch, 20, "patch pocket"),
    _technique("sham-welt", "Sham welt", finds_welt, welt, 20, "welt"),
    _technique("back-belt", "Back belt", finds_belt, belt, 20, "belt"),
    _technique("patch", "Patch or ornament", finds_loose, loose, 80, "patch pocket"),
)
