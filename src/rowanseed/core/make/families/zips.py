"""Zips in a seam: where they are, what is stiffened for them, what is sewn after them."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.suited import why_not_of
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation, Supply, Use
from rowanseed.core.make.technique import Duty, Finds, WhyNot
from rowanseed.core.make.workbench import HOT, Workbench
from rowanseed.core.make.zip_kinds import why_not_zip, zips_in_seams
from rowanseed.core.pattern.making import Closure, ClosureKind, Join
from rowanseed.core.pattern.pieces import Mark
from rowanseed.core.pattern.seamline import mark_distance

SOFT = (Fibre.VISCOSE, Fibre.SILK, Fibre.ACETATE)


STOP = 8.0
"""The top of the pull stands so far below the stitching line at the upper edge, in mm."""
TAPE_ENDS = "The upper ends of the tape: turned aside into the allowances and sewn to these only"
ABOVE_THE_PULL = f"{TAPE_ENDS}; a bar across, above the pull, holds both sides together."


def zip_ids(bench: Workbench) -> tuple[str, ...]:
    return tuple(closure.id for closure in zips_in_seams(bench.pattern))


def _why_not(bench: Workbench, id: str, kind: ClosureKind) -> str:
    return why_not_zip(bench.pattern, bench.closures[id], kind, bench.margin)


def finds_zips(kind: ClosureKind) -> Finds:
    """Zips of a kind; by choice those that may be one of it as well."""

    def finds(bench: Workbench) -> Iterator[Duty]:
        for id in zip_ids(bench):
            if not _why_not(bench, id, kind):
                yield Duty((id,), by_choice=bench.closures[id].kind is not kind)

    return finds


def why_not_zips(kind: ClosureKind) -> WhyNot:
    return why_not_of(zip_ids, lambda bench, id: _why_not(bench, id, kind))


def beside(bench: Workbench, join: Join, closure: Closure) -> tuple[EdgeShown, ...]:
    """The edges of a join along its zip."""
    out = []
    for edge in dict.fromkeys(EdgeShown(part.piece, part.edge) for part in (*join.a, *join.b)):
        first, last = (
            mark_on(bench, edge, found) if found is not None else None for found in (closure.from_mark, closure.to_mark)
        )
        if first is not None and last is not None:
            out.append(replace(edge, mark=last.id, to_mark=first.id))
        elif first is not None:
            out.append(replace(edge, mark=first.id, beyond_mark=is_at_start(bench, edge, first)))
        elif last is not None:
            out.append(replace(edge, mark=last.id, beyond_mark=not is_at_start(bench, edge, last)))
        else:
            out.append(edge)
    return tuple(out)


def mark_on(bench: Workbench, edge: EdgeShown, found: tuple[str, str]) -> Mark | None:
    """A mark (piece, id), if it is on this edge."""
    mark = bench.piece(edge.piece).mark(found[1]) if found[0] == edge.piece else None
    return mark if mark is not None and mark.edge == edge.edge else None


def is_at_start(bench: Workbench, edge: EdgeShown, mark: Mark) -> bool:
    """Whether the end that a mark is measured from, or lies nearer to, is its edge's first."""
    piece = bench.piece(edge.piece)
    whole = sum(s.length() for s in piece.shapes[bench.size].edges[edge.edge])
    return mark.anchor == "start" or (mark.anchor != "end" and mark_distance(piece, bench.size, mark) < whole / 2)


def top(bench: Workbench, closure: Closure) -> str:
    """Where the top of the pull stands."""
    if closure.from_mark is not None:
        return f"the top of the pull {bench.fine(STOP)} below the upper mark"
    return f"the top of the pull {bench.fine(STOP)} below the upper stitching line"


def shortened(bench: Workbench, closure: Closure) -> str:
    """What is done first with a zip that is longer than its opening, as stock lengths are."""
    end = "lower mark" if closure.from_mark is not None else "mark"
    return (
        "A zip that is longer than its opening is shortened first: whip over the closed teeth where the "
        f"{end} will lie, as a new stop, and cut it off {bench.margin(25)} below."
    )


def parts_beside(bench: Workbench, duty: Duty) -> tuple[Closure, Join, str, On]:
    """(closure, its seam, its name in a sentence, what it is sewn to)."""
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    return closure, join, lower_first(join.name), On(closures=(closure.id,), edges=beside(bench, join, closure))


def stiffened_opening(bench: Workbench, closure: Closure, on: On, name: str) -> Iterator[Operation]:
    """Soft cloth gets a strip of fusible along the opening, so that the zip does not ripple."""
    soft = bench.household.fibre in SOFT or bench.household.is_knit
    if not soft:
        return
    yield Operation(
        id=f"strip-{closure.id}",
        technique="fusible strips",
        act=Act.FUSE,
        title=f"Fuse a strip along the zip's opening: {name}",
        how=(
            f"Light fusible, {bench.margin(20)} wide and {bench.margin(20)} longer than the opening, on the wrong "
            "side of both edges, to the raw edge.",
            "Set the iron down, lift, do not slide; let it cool flat.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(4),
        on=replace(on, pieces=tuple(sorted(pieces_of(bench.parts(closure.join))))),
        gives=tuple(facts.piece(Fact.STIFFENED, id) for id in sorted(pieces_of(bench.parts(closure.join)))),
        uses=(Use(Supply.FUSIBLE_TAPE, 2 * ((bench.openings.zip_length(closure) or 200.0) + 20.0)),),
        caution=HOT,
        look="The strip ends below the zip mark, and the edge hangs without a ripple.",
    )


def after_seam(bench: Workbench, closure: Closure, join: Join) -> tuple[Need, ...]:
    """What waits for the seam below the zip."""
    return (Need(facts.join(Fact.PRESSED, join.id), "the seam below is sewn and pressed, the opening basted, first"),)
