"""Contour band: its two layers."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bands import PASSES
from rowanseed.core.make.families.contour_bands import ID, bands
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation, Supply, Use
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import grade, press, sew, understitch
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import HOT, Workbench, shown
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.walk import join_over_garment, length_on


def finds_layers(bench: Workbench) -> Iterator[Duty]:
    for _, made_up, *_ in bands(bench):
        yield single(made_up.id)


def layers(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    _, made_up, _, inner, inside = next(found for found in bands(bench) if found[1].id == duty.id)
    allowance = bench.edge_allowance(inside.parts[0])
    yield _tape(bench, made_up, inner)
    yield Operation(
        id=f"press-in-{inner}",
        technique=ID,
        act=Act.TURN,
        title=f"Press in the lower edge: {bench.name(inner)}",
        how=(
            f"{bench.margin(allowance - PASSES)} to the wrong side, {bench.margin(PASSES)} less than the allowance: "
            "later it passes the seam by that. It curves: press a little at a time, and clip the allowance where it "
            "will not lie.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(5),
        on=On(pieces=(inner,), edges=shown(inside.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, inner), "interfacing goes on while it is flat", where_given=True),),
        gives=(facts.piece(Fact.PREPARED, inner),),
        turned=Turned((allowance - PASSES,)),
        caution=HOT,
        look="The fold runs in the curve of the band, without corners.",
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        how=(
            f"Right sides together, the {bench.name(inner)} on top; match the centres and the notches, then the ends.",
            f"{bench.seam_of(made_up)} from end to end; the tape is caught in it. Pivot at the corners with stitch "
            f"length 1.5, and keep the lower edge of the {bench.name(inner)} turned up at the ends.",
        ),
        requires=(
            Need(facts.piece(Fact.PREPARED, inner), "its lower edge is pressed in while it is flat"),
            Need(facts.join(Fact.PREPARED, made_up.id), "the tape is on before it is caught in the seam"),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        run=Run("end", "end"),
        look="The upper edge is as long as its tape, and not a thread longer.",
    )
    yield grade(bench, duty.ids, ID, inner="inner layer's", outer="outer layer's")
    yield press(
        bench,
        duty.ids,
        ID,
        way="facing",
        words="towards the inner layer",
        title=f"Turn and press the upper edge: {lower_first(made_up.name)}",
        how=("Corners pushed out with something blunt; the seam rolled a little to the inside.",),
        requires=(Need(facts.join(Fact.GRADED, made_up.id), "thin allowances turn sharply"),),
        look="From outside the inner band cannot be seen, and the upper edge runs in one smooth curve.",
    )
    yield understitch(
        bench,
        duty.ids,
        ID,
        what=lower_first(made_up.name),
        how="Inner layer up, all allowances under it, as near to the ends as the machine will go.",
    )


def _tape(bench: Workbench, made_up: Join, inner: str) -> Operation:
    own = [part for part in (*made_up.a, *made_up.b) if part.piece == inner]
    long = {part: length_on(bench.piece(inner), bench.size, part) for part in own}
    upper = max(own, key=lambda part: long[part])
    # The seam runs down both ends as well, which need none.
    length = join_over_garment(bench.pattern, bench.size, made_up) * long[upper] / sum(long.values())
    return Operation(
        id=f"tape-{made_up.id}",
        technique=ID,
        act=Act.STAY,
        title="Stay the upper edge of the band",
        how=(
            "A curved band is cut partly on the bias and grows in wear: its upper edge is held by a tape.",
            f"Cut narrow firm tape or selvedge to the length of the stitching line, {bench.fine(length)} altogether; "
            f"baste it on the wrong side of the {bench.name(inner)}, its middle on the upper stitching line.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(length),
        on=On(joins=(made_up.id,), edges=shown((upper,))),
        requires=(Need(facts.piece(Fact.STIFFENED, inner), "interfacing goes on first", where_given=True),),
        gives=(facts.join(Fact.PREPARED, made_up.id),),
        uses=(Use(Supply.TAPE, length),),
        look="The tape has no slack, and the edge does not pucker on it.",
    )


TECHNIQUE = Technique(
    id="contour-band-layers",
    name="Contour band: its two layers",
    chapter="waists, collars and cuffs",
    finds=finds_layers,
    sews=layers,
    rank=12,
    words={"contour band": "a waistband cut in the curve of the figure, in two layers instead of a fold"},
    draw="facing",
)
