"""The ease pleat of a lining, folded before the seams across its ends are sewn."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.ease_pleats import ends_of, halves_of
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import NEEDLE, Workbench
from rowanseed.core.pattern.pieces import SHUT_PLEAT, WAIST, LineKind, Piece
from rowanseed.core.pattern.seamline import folded_away

KEY = "pleat:"
FROM_TOP, FROM_LOWER_EDGE = 50.0, 75.0
"""So far from its ends the pleat is stitched shut, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for group in bench.pleats:
        yield Duty(tuple(f"{KEY}{piece.id}" for piece in group))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    group = tuple(bench.piece(id.removeprefix(KEY)) for id in duty.ids)
    (above, upper), (below, lower) = ends_of(bench, group)
    last = bench.piece(below)
    held = [(above, upper), (below, lower)] if folded_away(last, bench.size, lower) else [(above, upper)]
    halves = halves_of(bench, above)
    yield Operation(
        id=f"pleat-{above}",
        technique="ease pleat",
        act=Act.FOLD,
        title=f"Fold the ease pleat: {bench.names(piece.id for piece in group)}",
        how=(
            f"Right sides together along the pleat line; stitch {bench.fine(FROM_TOP)} down from the upper edge"
            f"{_below(bench, last, lower)}",
            f"Press it to the wearer's right, and baste it across the {' and the '.join(_named(e) for _, e in held)}, "
            "inside the allowance, where it stays.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(5),
        on=On(pieces=tuple(piece.id for piece in group), edges=tuple(EdgeShown(*end) for end in held)),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the two halves are joined first") for id in halves),
        gives=tuple(facts.layer(Fact.SHAPED, piece.id) for piece in group),
        setting=settings.seam(bench.household, lining=True),
        caution=NEEDLE,
        look="The pleat opens freely in the middle.",
    )


def _below(bench: Workbench, piece: Piece, lower: str) -> str:
    """Where the pleat ends, as the sentence goes on."""
    if piece.line(LineKind.PLEAT, SHUT_PLEAT) is not None:
        return f", and from the waist all the way to the {_named(lower)}: only the shoulders have its room."
    if not folded_away(piece, bench.size, lower):
        level = piece.line(LineKind.LEVEL, WAIST) is not None
        return f"; it runs out to nothing at the {'waist' if level else _named(lower)}."
    return f" and {bench.fine(FROM_LOWER_EDGE)} up from the {_named(lower)}."


def _named(edge: str) -> str:
    return f"{edge} edge" if edge != "hem" else "hem"


TECHNIQUE = Technique(
    id="ease-pleat",
    name="Ease pleat of a lining",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=10,
    words={"ease pleat": "a fold down the middle of a lining's back that opens when the wearer reaches"},
    draw="pleat",
)
