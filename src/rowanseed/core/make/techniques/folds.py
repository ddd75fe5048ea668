"""Pleats and tucks taken in at an edge: how many, how deep, folded on their lines, and let go where they end."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.dart_intake import intake
from rowanseed.core.make.folded import press_folds
from rowanseed.core.make.operation import Act, Bench, EdgeShown, On, Operation
from rowanseed.core.make.shared import before_shaping
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import SLASHES, Dart, LineKind, Panel, Piece, Taken

KEY = "folds:"


def folds_of(piece: Piece) -> tuple[Dart, ...]:
    """What is taken in at an edge by a fold, not by a dart."""
    return tuple(dart for dart in piece.darts if dart.is_folded)


def finds(bench: Workbench) -> Iterator[Duty]:
    for piece in bench.pattern.pieces:
        if folds_of(piece) and bench.is_cut(piece.id):
            yield single(f"{KEY}{piece.id}")


def _taken_in(bench: Workbench, piece: Piece) -> tuple[str, ...]:
    """How many folds there are at each edge, and how much each takes in."""
    found: dict[tuple[Taken, str, str], int] = {}
    for dart in folds_of(piece):
        key = (dart.taken, dart.edge, bench.fine(intake(bench, piece, dart)))
        found[key] = found.get(key, 0) + 1
    halves = " on each half" if any(cut.fold for cut in piece.cuts) else ""
    return tuple(
        f"At the {edge}: {n} {taken.words}{'s' if n > 1 else ''}{halves}, {'each taking' if n > 1 else 'taking'} in "
        f"{deep}."
        for (taken, edge, deep), n in found.items()
    )


def _choose(bench: Workbench, piece: Piece) -> str:
    """Which way pleats lie that no arrow tells (common practice, no source; practitioners disagree)."""
    slashed = any(line.kind is LineKind.PLACEMENT and line.id in SLASHES for line in piece.lines)
    if piece.panel is Panel.SLEEVE and slashed:
        return "they usually lie towards the placket: choose one way and keep it"
    if piece.panel is Panel.FRONT and piece.has_edge("crotch"):
        return "some lay them towards the centre front, some towards the side: choose one way and keep it"
    return "choose one way and keep it"


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    piece = bench.piece(duty.id.removeprefix(KEY))
    folds, name = folds_of(piece), bench.name(piece.id)
    tucks = any(dart.taken is Taken.TUCK for dart in folds)
    number = len(folds) * bench.number_cut(piece.id)
    words = "tucks" if all(d.taken is Taken.TUCK for d in folds) else "pleats and tucks" if tucks else "pleats"
    on = On(pieces=(piece.id,), edges=tuple(EdgeShown(piece.id, dart.edge) for dart in folds))
    sewn = (
        "Tucks: right sides together, line on line; sew from the edge down to the mark where the tuck is let go, bring "
        "the threads to the wrong side and knot them. No backstitch shows there.",
    )
    yield Operation(
        id=f"folds-{piece.id}",
        technique="folds",
        act=Act.FOLD,
        title=f"{'Sew' if tucks else 'Fold'} the {words}: {name}",
        how=(
            *_taken_in(bench, piece),
            *(sewn if tucks else ()),
            *(
                ()
                if words == "tucks"
                else (
                    "Pleats: from the right side bring one line onto the other, the fold lying as the "
                    f"tissue's arrow says; without an arrow {_choose(bench, piece)}. Pin down the fold.",
                )
            ),
            f"Baste across all of them {bench.margin(10)} from the raw edge, in the allowance, where it stays.",
            "Left and right mirror each other; one that lies on one half only stays there.",
        ),
        bench=Bench.MACHINE if tucks else Bench.HAND,
        minutes=minutes.each(3, number),
        on=on,
        requires=before_shaping(piece.id),
        gives=(facts.piece(Fact.SEWN, piece.id),),
        setting=settings.seam(bench.household) if tucks else None,
        look="Folded, the edge is as long as the one it is sewn to: measure before you go on.",
    )
    yield press_folds(
        bench,
        "folds",
        piece.id,
        words,
        how="As far down as they are held or are to stay sharp, and no further: below they open. Strips of paper under "
        "the folds keep them from marking the right side.",
        number=number,
        on=on,
        look="Each fold runs straight with the grain and opens where it is let go.",
    )


TECHNIQUE = Technique(
    id="folds",
    name="Pleats and tucks at an edge",
    chapter="shape",
    finds=finds,
    sews=sews,
    rank=10,
    also=("waist pleats", "shoulder tucks"),
    words={"tuck": "a fold stitched along its length and let go at its end"},
    draw="pleat",
)
