"""Lining sewn edge to edge."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import corners, facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bagged import ID, ROLLS_IN, enclosing
from rowanseed.core.make.operation import Act, Meant, Need, Operation
from rowanseed.core.make.run import OVER_THE_SHOULDER, Run
from rowanseed.core.make.shared import grade, press, sew, understitch
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, both_sides
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel


def finds_edges(bench: Workbench) -> Iterator[Duty]:
    """Edges that meet at a corner of the front are sewn in one run, round the corner."""
    if not bench.is_bagged:
        return
    left = enclosing(bench)
    while left:
        group = [left.pop(0)]
        for other in list(left):
            if any(_meet(bench, one, other) for one in group):
                group.append(other)
                left.remove(other)
        yield single(*(join.id for join in group))


def _meet(bench: Workbench, one: Join, other: Join) -> bool:
    """Whether two edges meet at a free corner of a piece."""
    theirs = {(p.piece, p.edge) for p in other.a}
    return any((p.piece, edge) in theirs for p in one.a for edge in bench.neighbours(p))


def sews_edges(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    edges = {part.edge for id in duty.ids for part in bench.joins[id].a}
    yield sew(
        bench,
        duty.ids,
        ID,
        act=Act.LINE,
        title=f"Sew {' and '.join(lower_first(bench.joins[id].name) for id in duty.ids)}{both_sides(join)}",
        how=(
            f"First trim {bench.fine(ROLLS_IN)} off the lining along these edges, so that it rolls inside. Then "
            "right sides together, shell and lining, raw edges even; match the seams first, then between.",
            *_runs(bench, duty, edges),
        ),
        requires=(
            *(
                Need(facts.join(Fact.PRESSED, id), "shell and lining are each whole, but for the sides")
                for id in _inside(bench)
            ),
            *(
                Need(facts.piece(Fact.ATTACHED, p.id), "pockets go on while the piece is flat", where_given=True)
                for p in bench.pattern.pieces
            ),
            *(
                Need(facts.finish(Fact.ATTACHED, f.id), "it is caught in the sides", where_given=True)
                for f in bench.finishes.values()
            ),
            Need(facts.gate(Fact.SETTLED, "shell"), "the fit can still be changed", where_given=True),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        run=_run(bench, duty, edges),
        look="Both layers are flat to the edge, and corners have the same angle left and right.",
    )
    yield grade(bench, duty.ids, ID, inner="lining's", outer="shell's")
    yield press(
        bench,
        duty.ids,
        ID,
        way="lining",
        words="open over a roll",
        title=f"Press the edges: {lower_first(join.name)}{both_sides(join)}",
        how=("As sewn first, then open over a roll as far as it goes, then towards the lining.",),
        requires=tuple(Need(facts.join(Fact.GRADED, id), "thin allowances press flat") for id in duty.ids),
        look="From outside the lining cannot be seen, and the edge lies flat.",
    )
    yield understitch(
        bench,
        duty.ids,
        ID,
        what=f"lining: {lower_first(join.name)}",
        how=(
            "Lining up, allowances under it, as far as the machine goes: the narrow shoulders and the corners are left."
        ),
    )


def _inside(bench: Workbench) -> list[str]:
    """Seams within shell and within lining that come before their edges are sewn together."""
    return [
        j.id
        for j in bench.joins.values()
        if not bench.encloses(j) and not bench.closes_side(j) and bench.panels((*j.a, *j.b)) != {Panel.BAND}
    ]


def _run(bench: Workbench, duty: Duty, edges: set[str]) -> Run | None:
    """How its stitching runs; None where it is sewn in several runs."""
    join = bench.joins[duty.id]
    run = bench.runs.over(join.a, each_hand=join.each_hand)
    if "opening" in edges and "hem" in edges:
        return None
    if "armhole" in edges:
        return OVER_THE_SHOULDER
    return Run("side seam", "side seam") if "hem" in edges else run


def _runs(bench: Workbench, duty: Duty, edges: set[str]) -> Iterator[str]:
    seam, half, run = bench.seam_of(bench.joins[duty.id]), bench.open_half, _run(bench, duty, edges)
    if run is None:
        yield (
            f"{seam} in one run: from the right side seam along the {half} hem to the corner, up the {half} edge, "
            f"round the neck, down the other {half} edge, and along its hem to the left side seam. Begin and end "
            "exactly at the stitching line of the sides, with a backstitch."
        )
        yield (
            f"At every corner and at the {half} point: stitch length 1.5 for {bench.margin(25)} before and after; "
            "needle down, turn, and two stitches across the point."
        )
        yield f"Then the {'front' if half == 'back' else 'back'} hem by itself, from side seam to side seam."
    elif "armhole" in edges:
        yield (
            f"{seam} {run.words}, each armhole by itself; begin and end at the stitching line of the sides, with a "
            "backstitch."
        )
    elif "hem" in edges:
        yield (
            f"{seam} {run.words}, front and back each by itself; begin and end exactly at the stitching line of the "
            "sides, with a backstitch."
        )
    else:
        yield f"{seam} {bench.sewn_along(run)}."
        yield from corners.pivoted(bench, bench.joins[duty.id].a)


TECHNIQUE = Technique(
    id="lining-edge-to-edge",
    name="Lining sewn edge to edge",
    chapter="layers",
    finds=finds_edges,
    sews=sews_edges,
    rank=10,
    words={"bagged lining": "a lining sewn to the edges of a garment that is then turned out through a gap"},
    draw="facing",
)
