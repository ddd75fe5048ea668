"""A tuck or a pleat on one hand only: the piece was cut whole, and is folded there before anything is joined to it."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.folded import press_folds
from rowanseed.core.make.operation import Act, Bench, EdgeShown, On, Operation
from rowanseed.core.make.shared import before_shaping
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import NEEDLE, Workbench
from rowanseed.core.pattern.opened_out import OTHER
from rowanseed.core.pattern.pieces import OneSided, Panel, Piece, Taken

KEY = "one hand:"


def finds(bench: Workbench) -> Iterator[Duty]:
    for piece in bench.pattern.pieces:
        if piece.one_sided and bench.is_cut(piece.id):
            yield single(f"{KEY}{piece.id}")


def _where(piece: Piece, one: OneSided) -> str:
    return f"the {one.hand} {piece.mark(one.mark).edge}"


def _as_seen(piece: Piece, hand: str) -> str:
    """On which side a hand of a piece lies for whoever looks at its right side."""
    return hand if piece.panel is Panel.BACK else OTHER[hand]


def _sewn(bench: Workbench, one: OneSided) -> tuple[str, ...]:
    held = bench.fine(one.long)
    match one.taken:
        case Taken.TUCK:
            return (
                f"Right sides together, line on line; sew {held} from the raw edge down to where it is let go, bring "
                "the threads to the wrong side and knot them. No backstitch shows there.",
            )
        case _:
            return (
                f"From the right side bring one line onto the other, the fold towards the side; pin {held} down it.",
            )


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    piece = bench.piece(duty.id.removeprefix(KEY))
    name = bench.name(piece.id)
    first = piece.one_sided[0]
    words = first.taken.words if len(piece.one_sided) == 1 else f"{first.taken.words}s"
    tucks = any(one.taken is Taken.TUCK for one in piece.one_sided)
    on = On(pieces=(piece.id,), edges=tuple(EdgeShown(piece.id, piece.mark(o.mark).edge) for o in piece.one_sided))
    yield Operation(
        id=f"one-sided-{piece.id}",
        technique="one-sided",
        act=Act.FOLD,
        title=f"{'Sew' if tucks else 'Fold'} the {words} on the {first.hand} of the {lower_first(name)}",
        how=(
            f"Lay the piece right side up, its neck away from you: the {first.hand} of the garment as worn is on your "
            f"{_as_seen(piece, first.hand)}. Chalk an {first.hand[0].upper()} on the wrong side there.",
            *(
                f"At {_where(piece, one)}: one {one.taken.words} taking in {bench.fine(one.deep)}, on the lines that "
                "were marked."
                for one in piece.one_sided
            ),
            *dict.fromkeys(line for one in piece.one_sided for line in _sewn(bench, one)),
            f"Baste across it {bench.margin(10)} from the raw edge, in the allowance, where it stays.",
            "The other hand has none: lay both edges beside each other, they are alike in length now.",
        ),
        bench=Bench.MACHINE if tucks else Bench.HAND,
        minutes=minutes.each(4, len(piece.one_sided)),
        on=on,
        requires=before_shaping(piece.id),
        gives=(facts.piece(Fact.SEWN, piece.id),),
        setting=settings.seam(bench.household) if tucks else None,
        caution=NEEDLE if tucks else "",
        look=f"Folded, {_where(piece, first)} is as long as the one across from it, and as the edge it is sewn to.",
    )
    yield press_folds(
        bench,
        "one-sided",
        piece.id,
        f"{words} on the {first.hand}",
        how="Towards the side, as far down as it is held and no further: below it opens in soft folds.",
        number=len(piece.one_sided),
        on=on,
        look="From where it is let go the cloth falls free; no crease runs on below.",
    )


TECHNIQUE = Technique(
    id="one-sided",
    name="Tuck or pleat on one hand only",
    chapter="shape",
    finds=finds,
    sews=sews,
    rank=10,
    also=("tuck on one shoulder",),
    words={"on one hand": "on the left or the right of the garment alone, as it is worn"},
    draw="pleat",
)
