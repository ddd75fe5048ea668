"""Darts."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.dart_intake import intake
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.shared import before_shaping
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench
from rowanseed.core.pattern.making import INSET_EDGE
from rowanseed.core.pattern.pieces import Dart, Piece

KEY = "darts:"


NAMED = {INSET_EDGE: "lower edge"}
"""Edges whose id is not the word that a sewist reads at the machine."""


UPRIGHT = ("waist", INSET_EDGE, "hem", "shoulder", "neck", "yoke")
"""A dart from one of these edges stands upright and is pressed towards the centre; any other is pressed down."""


DEEP = 32.0
"""A dart that takes in so much at its wide end, in mm, is slit and pressed open."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for piece in bench.pattern.pieces:
        if darts_of(piece) and bench.is_cut(piece.id):
            yield single(f"{KEY}{piece.id}")


def darts_of(piece: Piece) -> tuple[Dart, ...]:
    """What is sewn to a point; what is folded is the pleats'."""
    return tuple(dart for dart in piece.darts if not dart.is_folded)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    piece = bench.piece(duty.id.removeprefix(KEY))
    on = On(pieces=(piece.id,), edges=tuple(EdgeShown(piece.id, dart.edge) for dart in darts_of(piece)))
    number = len(darts_of(piece)) * bench.number_cut(piece.id)
    lining = piece.id in bench.linings
    yield Operation(
        id=f"darts-{piece.id}",
        technique="darts",
        act=Act.DART,
        title=f"Sew the darts: {bench.name(piece.id)}",
        how=(
            "Fold right sides together, leg on leg; pin the legs at the edge and at the point.",
            f"From the wide end to the point; shorten the stitch to 1.5 for the last {bench.margin(20)}, run off the "
            "cloth and tie. No backstitch at the point.",
            "Left and right alike, one after the other.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(2.5, number),
        on=on,
        requires=before_shaping(piece.id),
        gives=(facts.piece(Fact.SEWN, piece.id),),
        setting=settings.dart(bench.household, bench.margin(20), lining=lining),
        caution=NEEDLE,
        look="The point runs out without a dimple.",
    )
    yield Operation(
        id=f"press-darts-{piece.id}",
        technique="darts",
        act=Act.PRESS,
        title=f"Press the darts: {bench.name(piece.id)}",
        how=(
            *dict.fromkeys(_pressed(bench, piece, dart, lining=lining) for dart in darts_of(piece)),
            f"As sewn first, then over a ham, the iron stopping at the point. {iron_for(bench, [piece.id])}",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(1.5, number),
        on=on,
        requires=(Need(facts.piece(Fact.SEWN, piece.id), "they are sewn first"),),
        gives=(facts.piece(Fact.SHAPED, piece.id),),
        caution=HOT,
        look="No crease beyond the point.",
    )


def _at(dart: Dart) -> str:
    """The edge that a dart stands on, in words."""
    return NAMED.get(dart.edge, dart.edge)


def _pressed(bench: Workbench, piece: Piece, dart: Dart, *, lining: bool) -> str:
    mm = intake(bench, piece, dart)
    if mm >= DEEP and not lining:
        return (
            f"The dart at the {_at(dart)} is deep ({bench.fine(mm)}): slit it along the fold to {bench.margin(25)} "
            f"from the point, trim to {bench.margin(15)} and press it open, the point flat to both sides."
        )
    if dart.edge in UPRIGHT:
        return (
            f"The dart at the {_at(dart)} away from the centre: the shell's lies towards it, and the two make no ridge."
            if lining
            else f"The dart at the {_at(dart)} towards the centre."
        )
    return f"The dart at the {_at(dart)} {'up' if lining else 'down'}."


TECHNIQUE = Technique(
    id="darts",
    name="Darts",
    chapter="shape",
    finds=finds,
    sews=sews,
    rank=10,
    words={"dart": "a wedge of cloth sewn out to a point, which gives the flat cloth shape"},
    draw="dart",
)
