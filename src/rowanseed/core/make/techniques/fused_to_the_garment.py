"""Fusible interfacing on the garment's edge instead of its facing, as tailors have it: the allowances of the seam lie
behind it then, and do not show through."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.stiffened import needs_glue, stiffened_ids, stiffened_piece
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import HOT, Workbench, shown
from rowanseed.core.pattern.making import EdgePart

COOLS = 5.0


def _why_not(bench: Workbench, id: str) -> str:
    facing = stiffened_piece(Duty((id,)))
    if facing not in bench.facings:
        return "it is no facing, behind which the garment could be stiffened instead"
    return needs_glue(bench, id) if bench.base_of(facing) != facing else "the pattern does not say what it faces"


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    facing = stiffened_piece(duty)
    base = bench.base_of(facing)
    yield Operation(
        id=f"interface-{facing}",
        technique="fused to the garment",
        act=Act.FUSE,
        title=f"Fuse the interfacing to the {bench.name(base)}, not to the {bench.name(facing)}",
        how=(
            f"The interfacing is cut by the {bench.name(facing)}'s tissue: laid on the wrong side of the "
            f"{bench.name(base)}, glue side down, edge on edge where the facing will be sewn on.",
            "Pink its inner edge, or cut it in a gentle wave: a straight one shows as a ridge on the right side.",
            "From the middle outwards: set the iron down, press 10–15 s a place through a damp cloth, lift, overlap "
            "the next place. Do not slide. Leave it flat until it is cool.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(4, bench.number_cut(facing)),
        on=On(pieces=(base, facing), edges=shown(_faced(bench, facing, base))),
        requires=(Need(facts.piece(Fact.BACKED, base), "the underlining is on first", where_given=True),),
        gives=(facts.piece(Fact.STIFFENED, facing), facts.piece(Fact.STIFFENED, base)),
        waits=COOLS,
        caution=HOT,
        look="Cold, no corner lifts with a fingernail, and on the right side its inner edge is not to be seen.",
    )


def _faced(bench: Workbench, facing: str, base: str) -> Iterator[EdgePart]:
    """The garment's edges that the facing will be sewn to."""
    for join in bench.joins.values():
        pieces = pieces_of((*join.a, *join.b))
        if bench.is_faced(join) and {facing, base} <= pieces:
            yield from (part for part in (*join.a, *join.b) if part.piece == base)


TECHNIQUE = Technique(
    id="fused-to-the-garment",
    name="Fusible interfacing on the garment, not the facing",
    chapter="stiffen and back",
    finds=finds_of(stiffened_ids, _why_not),
    why_not=why_not_of(stiffened_ids, _why_not),
    sews=sews,
    rank=14,
    usual=False,
    draw="fused to the garment",
)
