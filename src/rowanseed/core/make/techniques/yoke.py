"""A doubled yoke: the back between both layers, the fronts rolled in; all its edges are inside."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, Operation
from rowanseed.core.make.shared import neaten_together, press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, both_sides, on_joins
from rowanseed.core.pattern.making import Join, Press

ID = "doubled yoke"


def _pairs(bench: Workbench) -> list[tuple[Join, Join]]:
    """Two joins of one edge: three layers, one of them between the two others."""
    found = []
    every = list(bench.joins.values())
    for k, one in enumerate(every):
        for other in every[k + 1 :]:
            if {(p.piece, p.edge, p.hand) for p in one.a} == {(p.piece, p.edge, p.hand) for p in other.a}:
                found.append((one, other))
    return found


def _yokes(bench: Workbench) -> list[tuple[Join, Join]]:
    """Pairs along a yoke and the shoulders: no other seam of three layers is sewn by rolling the garment in."""
    return [pair for pair in _pairs(bench) if {p.edge for p in pair[0].a} <= {"yoke", "shoulder"}]


def finds(bench: Workbench) -> Iterator[Duty]:
    for one, other in _yokes(bench):
        yield single(one.id, other.id)


def finds_three(bench: Workbench) -> Iterator[Duty]:
    for one, other in _pairs(bench):
        plain = one.press is not Press.FACING and not bench.encloses(one) and not bench.encloses(other)
        if plain and not bench.is_faced(one) and not bench.is_faced(other):
            yield single(one.id, other.id)


def finds_layers(bench: Workbench) -> Iterator[Duty]:
    """The two layers' own edges, held together for what is sewn to them."""
    layers = {frozenset((*pieces_of(one.b), *pieces_of(other.b))) for one, other in _yokes(bench)}
    for join in bench.joins.values():
        if pieces_of((*join.a, *join.b)) in layers:
            yield single(join.id)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    first = next(iter(finds(bench))).ids == duty.ids
    one, other = (bench.joins[id] for id in duty.ids)
    between = bench.names(p.piece for p in one.a)
    outer, inner = bench.name(one.b[0].piece), bench.name(other.b[0].piece)
    run = bench.runs.over(one.a, each_hand=one.each_hand)
    earlier = [d.ids for d in finds(bench)]
    before = [id for ids in earlier[: earlier.index(duty.ids)] for id in ids]
    how = (
        f"The {outer} on the right side of the {between}, the {inner} on its wrong side, right sides to it: three "
        "layers, raw edges even."
        if first
        else f"Roll the {between} up to the shoulders; bring the {inner} round the roll until its right side lies on "
        f"the wrong side of the {between}, whose right side lies on the {outer}: the roll is inside a tube.",
        f"{bench.seam_of(one)} {run.words}, through all three layers; backstitch both ends.",
        *(() if first else ("Draw the garment out of the tube through the neck.",)),
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        title=f"Sew between the yokes: {lower_first(one.name)}{both_sides(one)}",
        how=how,
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the yoke's other seam comes first") for id in before),
        meant=frozenset({Meant.ENCLOSES}),
        look="No raw edge is left to be seen, inside or outside.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="up",
        words="into the yoke",
        how=("Both yokes away from the garment; press from the right side, the seam on its edge.",),
    )


def three(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """Any other seam of three layers, one of them between two others: a ruffle, a strap, a peplum."""
    one, other = (bench.joins[id] for id in duty.ids)
    layers = [bench.names(p.piece for p in side) for side in (one.a, one.b, other.b)]
    run = bench.runs.over(one.a, each_hand=one.each_hand, from_end=one.sewn_from == "end")
    yield sew(
        bench,
        duty.ids,
        "seam of three layers",
        title=f"Sew three layers in one seam: {lower_first(one.name)}{both_sides(one)}",
        how=(
            f"The {layers[0]}, the {layers[1]} and the {layers[2]}, raw edges even. Which of them lies between the "
            "others, your booklet or the drawing says; baste that one to its neighbour first.",
            f"{bench.seam_of(one)} {run.words}, through all three layers; backstitch both ends.",
        ),
        look="All three edges are caught all along.",
    )
    yield neaten_together(bench, duty.ids, "seam of three layers")
    yield press(
        bench,
        duty.ids,
        "seam of three layers",
        way="side",
        words=one.press.words if one.press is not Press.OPEN else "to one side",
        requires=tuple(Need(facts.join(Fact.FINISHED, id), "the edges are neatened together first") for id in duty.ids),
    )


def layers(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    others = [id for found in finds(bench) for id in found.ids]
    yield Operation(
        id=f"sew-{duty.id}",
        technique=ID,
        act=Act.JOIN,
        title=f"Baste the layers together: {lower_first(join.name)}",
        how=(
            "Lay both layers flat as they will be worn, raw edges even; what does not fit is trimmed from the inner "
            "one.",
            f"Baste {bench.margin(5)} from the raw edge, in the allowance, where it stays: from now on the two are "
            "one.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([join.id]) / 3),
        on=on_joins(bench, join.id),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the layers are sewn and pressed first") for id in others),
        gives=(facts.join(Fact.JOINED, join.id),),
        meant=frozenset({Meant.ENCLOSES}),
        rows=0,
    )
    yield press(bench, duty.ids, ID, way="flat", words="flat", how=("Both layers flat together.",))


TECHNIQUES = (
    Technique(
        id="doubled-yoke",
        name="Doubled yoke",
        chapter="seams",
        finds=finds,
        sews=sews,
        rank=15,
        also=("burrito yoke",),
        draw="yoke",
    ),
    Technique(
        id="three-layers",
        name="Seam of three layers",
        chapter="seams",
        finds=finds_three,
        sews=three,
        rank=17,
        draw="seam to one side",
    ),
    Technique(
        id="doubled-layers",
        name="Two layers basted at their edges",
        chapter="seams",
        finds=finds_layers,
        sews=layers,
        rank=16,
        draw="basted layer",
    ),
)
