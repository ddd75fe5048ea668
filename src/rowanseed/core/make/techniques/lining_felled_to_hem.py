"""Lining felled to the hem."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.lining_graph import FOLD_OF_EASE
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hung_linings import ID, KEY, band_below, ends_at_seam, from_facing
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import ends_of_facings
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind, Join


def finds_lower_edge(bench: Workbench) -> Iterator[Duty]:
    for finish in bench.finishes.values():
        if finish.kind is FinishKind.TURNED and pieces_of(finish.parts) <= bench.hung and not ends_at_seam(finish):
            yield single(finish.id)


def _up_the_facing(bench: Workbench, finish: Finish) -> tuple[str, ...]:
    """Where the seam to the facing was left open above its lower end."""
    ended = {p.piece for f in ends_of_facings(bench) for p in f.parts}
    pieces = pieces_of(finish.parts)
    open_above = any(pieces & pieces_of(j.a) and ended & pieces_of(j.b) for j in from_facing(bench))
    return (
        ("Begin and end on the facings: fell the lining down them where its seam was left open.",) if open_above else ()
    )


def _at_a_hem(bench: Workbench) -> Iterator[str]:
    yield (
        f"Turn it in level with the finished edge, push it up {bench.fine(FOLD_OF_EASE)} so that a fold of ease falls "
        "over, and pin along the fold."
    )
    yield "Fell it to the hem's allowance only, not to the garment; press the fold of ease lightly."


def _at_a_band(bench: Workbench, band: str) -> Iterator[str]:
    name = bench.name(band)
    yield (
        f"Turn in half of its allowance, {bench.fine(FOLD_OF_EASE / 2)}, and lay the fold on the seam of the {name}, "
        "seams on each other: what the lining is longer falls over it as a fold of ease. Pin along the fold."
    )
    yield "Fell it to what lies inside along that seam, never to the outside; press the fold of ease lightly."


def _band_first(bench: Workbench, join: Join, band: str) -> Iterator[Need]:
    """The band is on and its inside closed before the lining covers its seam."""
    yield Need(facts.join(Fact.PRESSED, join.id), "the seam that it covers is pressed")
    for finish in bench.finishes.values():
        if finish.kind is FinishKind.TURNED and pieces_of(finish.parts) == {band}:
            yield Need(facts.finish(Fact.FINISHED, finish.id), "the inside of the band is closed", where_given=True)


def lower_edge(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    hems = tuple(
        Need(facts.finish(Fact.HEMMED, f.id), "the garment's hem is up", where_given=True)
        for f in bench.finishes.values()
        if f.kind is FinishKind.HEM
    )
    band = band_below(bench, finish)
    yield Operation(
        id=f"fell-{finish.id}",
        technique=ID,
        act=Act.TACK,
        title=f"Sew down the {lower_first(finish.name)}",
        how=(
            *(_at_a_band(bench, band[1]) if band is not None else _at_a_hem(bench)),
            *_up_the_facing(bench, finish),
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=(
            Need(facts.layer(Fact.ATTACHED, KEY), "it hangs in the shell"),
            *hems,
            *(_band_first(bench, *band) if band is not None else ()),
        ),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        look="Lifted, the lining shows a small fold above the stitches.",
    )


TECHNIQUE = Technique(
    id="lining-felled-to-hem",
    name="Lining felled to the hem",
    chapter="layers",
    finds=finds_lower_edge,
    sews=lower_edge,
    rank=20,
    words={"fell": "sew a folded edge down with small slanting stitches"},
    draw="lining hung",
)
