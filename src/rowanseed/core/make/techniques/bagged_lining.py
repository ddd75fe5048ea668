"""Lining bagged, with sleeves."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.bagged import enclosing
from rowanseed.core.make.families.jacket_linings import GAP, falls, hem_seam
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for, iron_for_both
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import grade, press, sew, understitch
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel

ID = "bagged lining"

FOR_THE_FOLD = 20.0
"""So much of a hem is left at the facings for its fold, in mm."""


def _gap_seam(bench: Workbench) -> Join | None:
    """The seam of the lining that a gap is left in: along a sleeve, else along the body."""
    found = [
        j
        for j in bench.joins.values()
        if pieces_of((*j.a, *j.b)) <= bench.linings and len(j.a) == len(j.b) and j.a[0].edge not in ("shoulder", "neck")
    ]
    sleeves = [j for j in found if any(p.edge.startswith("underarm") for p in (*j.a, *j.b))]
    return next(iter((*sleeves, *found)), None)


def finds(bench: Workbench) -> Iterator[Duty]:
    gap = _gap_seam(bench)
    joins = enclosing(bench)
    if bench.is_enclosed and bench.has_sleeves and gap is not None:
        yield single(gap.id, *(j.id for j in joins))


def _parts(bench: Workbench, duty: Duty) -> tuple[list[Join], list[Join], list[Join]]:
    """(edges, hems, sleeve ends) among the seams that sew lining to shell."""
    joins = [bench.joins[id] for id in duty.ids[1:]]
    # A sleeve cut in one with the body ends at an edge of front and back.
    ends = [
        j
        for j in joins
        if all(p.edge == "wrist" for p in j.a)
        or (all(p.edge == "hem" for p in j.a) and Panel.SLEEVE in bench.panels((*j.a, *j.b)))
    ]
    hems = [j for j in joins if j not in ends and all(p.edge == "hem" for p in j.a)]
    return [j for j in joins if j not in ends and j not in hems], hems, ends


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    gap = bench.joins[duty.id]
    edges, hems, ends = _parts(bench, duty)
    yield from _gapped(bench, gap)
    whole = tuple(_whole(bench, duty))
    done: list[Need] = []
    for join in edges:
        run = bench.runs.over(join.a, each_hand=join.each_hand)
        yield sew(
            bench,
            (join.id,),
            ID,
            act=Act.LINE,
            how=(
                "Shell and lining right sides together, sleeves inside; seams, centres and notches first.",
                f"{bench.seam_of(join)} {run.words}; stitch length 1.5 round corners, and two stitches across a point.",
            ),
            requires=whole,
            meant=frozenset({Meant.ENCLOSES}),
            run=run,
            look="Both layers are flat to the edge.",
        )
        yield grade(bench, (join.id,), ID, inner="lining's", outer="shell's")
        yield press(
            bench,
            (join.id,),
            ID,
            way="lining",
            words="towards the lining",
            requires=(Need(facts.join(Fact.GRADED, join.id), "thin allowances press flat"),),
        )
        yield understitch(
            bench,
            (join.id,),
            ID,
            what=f"lining: {lower_first(join.name)}",
            how="Lining up, allowances under it, as far as the machine goes.",
        )
        done.append(Need(facts.join(Fact.UNDERSTITCHED, join.id), "neck and fronts are sewn first"))
    for join in hems:
        yield from _lower(bench, join, (*whole, *done))
    for join in ends:
        yield from _sleeve_end(bench, join, (*whole, *done))
    yield from _turned(bench, gap, edges, hems, ends)


def _gapped(bench: Workbench, gap: Join) -> Iterator[Operation]:
    for op in plain_seams.sews(bench, single(gap.id)):
        if op.act is Act.JOIN:
            yield replace(
                op,
                how=(
                    *op.how,
                    f"On one side only leave {bench.length(GAP)} open in the middle of the seam, a backstitch at both "
                    "ends of the gap: the garment is turned out through it.",
                ),
                meant=op.meant | {Meant.LEAVES_OPEN},
            )
        else:
            yield op


def _whole(bench: Workbench, duty: Duty) -> Iterator[Need]:
    """Shell and lining are each made up before they meet."""
    for join in bench.joins.values():
        if join.id not in duty.ids[1:] and Panel.BAND not in bench.panels((*join.a, *join.b)):
            yield Need(facts.join(Fact.PRESSED, join.id), "shell and lining are each whole", where_given=True)
    yield Need(facts.gate(Fact.SETTLED, "shell"), "the fit can still be changed", where_given=True)
    yield Need(facts.layer(Fact.ATTACHED, "pads"), "the pads are in before the lining covers them", where_given=True)


def _hem_seam(bench: Workbench, join: Join) -> str:
    """The lining is sewn to the raw edge of what the shell turns up: by the lining's allowance on both."""
    return f"{bench.margin(hem_seam(bench, join.a[0], join.b[0]))} seam from the raw edges,"


def _lower(bench: Workbench, join: Join, needs: tuple[Need, ...]) -> Iterator[Operation]:
    step = of_joins(bench, ID, join.id)
    run = bench.runs.over(join.a, each_hand=join.each_hand)
    if not run.ring:
        run = Run("facing", "facing", short=(FOR_THE_FOLD, FOR_THE_FOLD))
    yield sew(
        bench,
        (join.id,),
        ID,
        act=Act.LINE,
        run=run,
        how=(
            f"The shell's hem is pressed up first, by {bench.margin(bench.edge_allowance(join.a[0]))}, and opened "
            "again. Right sides together, raw edge on raw edge, seams on seams; the lining is a little longer on "
            "purpose and eases in.",
            f"{_hem_seam(bench, join)} {run.words}, in a ring."
            if run.ring
            else f"{_hem_seam(bench, join)} {run.words}, the last {bench.margin(FOR_THE_FOLD)} at both ends left for "
            "the fold.",
        ),
        requires=needs,
        meant=frozenset({Meant.ENCLOSES}),
        look="Both ends come out even, and the lining is nowhere shorter than what it is sewn to.",
    )
    yield step(
        "anchor",
        Act.PRESS,
        f"Anchor the hem: {step.name}",
        "Press the hem up on its fold and catch its allowance to the seams of the shell, and between them loosely to "
        f"the interfacing.{falls(bench, join.a[0], join.b[0])}",
        iron_for(bench),
        at=Bench.IRON,
        took=minutes.hand(step.mm / 2),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.PRESSED,),
        way="up",
        look="The lining does not pull the hem up.",
    )


def _sleeve_end(bench: Workbench, join: Join, needs: tuple[Need, ...]) -> Iterator[Operation]:
    step = of_joins(bench, ID, join.id)
    yield sew(
        bench,
        (join.id,),
        ID,
        act=Act.LINE,
        how=(
            "Reach in through the open hem or the gap, and take sleeve and lining sleeve by their ends, held as they "
            "are worn, neither twisted: seam to seam. Draw them out, fold one into the other, right sides together, "
            "in a ring.",
            f"{_hem_seam(bench, join)} all round; each sleeve by itself.",
        ),
        requires=needs,
        run=Run("", "", ring=True),
        meant=frozenset({Meant.ENCLOSES}),
        look="Pulled back, the lining runs straight down the sleeve.",
    )
    yield step(
        "anchor",
        Act.PRESS,
        f"Fold up and anchor the sleeve ends: {step.name}",
        f"Turn the sleeve's hem up by {bench.margin(bench.edge_allowance(join.a[0]))} on its pressed fold; catch the "
        f"allowance to the seam.{falls(bench, join.a[0], join.b[0])}",
        at=Bench.IRON,
        took=minutes.each(6, 2),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.PRESSED,),
        way="up",
        look="The fold is equally deep all round, and the seam of the sleeve runs straight through it.",
    )


def _turned(bench: Workbench, gap: Join, edges: list[Join], hems: list[Join], ends: list[Join]) -> Iterator[Operation]:
    step = of_joins(bench, ID, gap.id)
    yield step(
        "turn-out",
        Act.TURN,
        "Turn it right side out through the gap",
        "Anchor the lining to the shell first at shoulder ends and underarms: a short tape or a loose stitch from "
        "allowance to allowance.",
        "Sleeves first, then the body, without force; push corners out with something blunt, roll the edges and press. "
        f"{iron_for_both(bench)}",
        at=Bench.IRON,
        took=minutes.each(15),
        needs=(
            *(Need(facts.join(Fact.UNDERSTITCHED, j.id), "all edges are sewn first") for j in edges),
            *(Need(facts.join(Fact.PRESSED, j.id), "hem and sleeve ends are sewn first") for j in (*hems, *ends)),
        ),
        gives=(facts.layer(Fact.TURNED, "lining"),),
        on=On(joins=tuple(j.id for j in (*edges, *hems, *ends))),
        look="Nothing is twisted, and the edges are rolled in.",
    )
    yield step(
        "close",
        Act.CLOSE,
        f"Close the gap in the lining: {step.name}",
        f"Edges of the {bench.length(GAP)} turned in, fold on fold: inside a sleeve edgestitch them together by "
        "machine, elsewhere ladder stitch.",
        at=Bench.HAND,
        took=minutes.hand(GAP),
        needs=(Need(facts.layer(Fact.TURNED, "lining"), "it is turned out through the gap first"),),
        gives=(facts.layer(Fact.CLOSED, "lining"), facts.layer(Fact.ATTACHED, "lining")),
        on=On(joins=(gap.id,), edges=shown((*gap.a, *gap.b))),
        look="The gap cannot be told from the seam.",
    )


TECHNIQUE = Technique(
    id="bagged-lining",
    name="Lining bagged, with sleeves",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=9,
    also=("bagging out",),
    draw="bagged side",
)
