"""The other school of the shirt collar: the stand on the neck first, then the collar, then the inner stand."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.collars import closing, finds_closing, finds_neck, finds_stand, neck, stand
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench

WHY = "the stand is on the neck before the collar comes to it"


def finds(bench: Workbench) -> Iterator[Duty]:
    """Everything of a collar with stand in one: stand and collar, stand and neck, the inside stitched down."""
    for made in finds_stand(bench):
        pieces = frozenset(id for join in made.ids for id in pieces_of((*bench.joins[join].a, *bench.joins[join].b)))
        on_neck = [d.id for d in finds_neck(bench) if _pieces_at(bench, d.id) & pieces]
        inside = [d.id for d in finds_closing(bench) if pieces_of(bench.finishes[d.id].parts) & pieces]
        if len(on_neck) == len(inside) == 1:
            yield Duty((*made.ids, *on_neck, *inside))


def _pieces_at(bench: Workbench, join: str) -> frozenset[str]:
    return pieces_of((*bench.joins[join].a, *bench.joins[join].b))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    made, (on_neck, inside) = duty.ids[:-2], duty.ids[-2:]
    before = {facts.join(Fact.PRESSED, id) for id in made}
    after = Need(facts.join(Fact.PRESSED, on_neck), WHY)
    for op in neck(bench, single(on_neck)):
        if op.act is Act.BAND:
            yield replace(
                op,
                requires=tuple(need for need in op.requires if need.state not in before and not _is_collar(need)),
                how=(
                    "The outer stand alone, right sides together with the garment, the garment on top so that you see "
                    "its curve; the centre back and the shoulders first, one allowance of the stand reaching past "
                    f"each {bench.open_half} edge. Clip the neck's allowance where it will not lie.",
                    *op.how[1:],
                ),
            )
        else:
            yield op
    for op in stand(bench, Duty(made)):
        match op.act:
            case Act.BASTE:
                yield replace(op, requires=(*op.requires, after))
            case Act.JOIN:
                yield replace(op, how=(op.how[0], _closed(op.how[1]), *op.how[2:]))
            case _:
                yield op
    closed = tuple(Need(facts.join(Fact.PRESSED, id), "the stand is closed over the collar first") for id in made)
    for op in closing(bench, single(inside)):
        yield replace(op, requires=(*op.requires, *closed))


def _closed(words: str) -> str:
    """The seam's words without the allowance left free for a neck that is sewn later: here it is sewn already."""
    return words.partition(" Leave the last")[0] + " The garment is rolled up between the stands, clear of the needle."


def _is_collar(need: Need) -> bool:
    return need.why == "a collar or band is made up before it is put on"


TECHNIQUE = Technique(
    id="stand-first",
    name="Stand on the neck first, then the collar",
    chapter="waists, collars and cuffs",
    finds=finds,
    sews=sews,
    rank=18,
    usual=False,
    draw="collar sandwich",
)
