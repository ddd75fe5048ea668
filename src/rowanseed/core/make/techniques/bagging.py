"""A lined shape without sleeves: lined edge to edge, turned through a side, each side closed in one ring seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.shared import grade, iron_for, press, sew, understitch
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import HOT, Workbench, both_sides, shown
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel

ID = "lining edge to edge"
GAP = 140.0
ROLLS_IN = 2.0


def enclosing(bench: Workbench) -> list[Join]:
    return [join for join in bench.joins.values() if bench.encloses(join)]


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


def finds_sides(bench: Workbench) -> Iterator[Duty]:
    if not bench.is_bagged:
        return
    sides = [j for j in bench.joins.values() if bench.closes_side(j)]
    outer = [j for j in sides if not pieces_of((*j.a, *j.b)) & bench.linings]
    inner = [j for j in sides if pieces_of((*j.a, *j.b)) <= bench.linings]
    if outer and inner:
        yield single(*(j.id for j in (*outer, *inner)))


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


def _runs(bench: Workbench, duty: Duty, edges: set[str]) -> Iterator[str]:
    seam = bench.seam_of(bench.joins[duty.id])
    if "opening" in edges and "hem" in edges:
        yield (
            f"{seam} in one run: from the right side seam along the front hem to the corner, up the front edge, "
            "round the neck, down the other front edge, and along its hem to the left side seam. Begin and end "
            "exactly at the stitching line of the sides, with a backstitch."
        )
        yield (
            f"At every corner and at the front point: stitch length 1.5 for {bench.margin(25)} before and after; "
            "needle down, turn, and two stitches across the point."
        )
        yield "Then the back hem by itself, from side seam to side seam."
        return
    if "armhole" in edges:
        yield (
            f"{seam} from the underarm end of the side over the shoulder to the underarm end of the back, each "
            "armhole by itself; begin and end at the stitching line of the sides, with a backstitch."
        )
        return
    yield (
        f"{seam} {bench.runs.over(bench.joins[duty.id].a, each_hand=bench.joins[duty.id].each_hand).words}; backstitch "
        "both ends."
    )


def sews_sides(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    edges = enclosing(bench)
    around = tuple(shown(part for id in duty.ids for part in bench.parts(id)))
    outer = bench.joins[duty.id]
    yield Operation(
        id="turn-out",
        technique=ID,
        act=Act.TURN,
        title="Turn it right side out",
        how=(
            "Reach in through an open side between shell and lining, take a front and draw it over the shoulder and "
            "out; then the other front.",
            "Push the corners out with something blunt; roll every edge between the fingers, the lining a little "
            f"inside, and press. {iron_for(bench)}",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(12),
        on=On(joins=tuple(j.id for j in edges)),
        requires=tuple(
            Need(facts.join(Fact.UNDERSTITCHED, j.id), "neck, fronts, armholes and hem are sewn first") for j in edges
        ),
        gives=(facts.layer(Fact.TURNED, "lining"),),
        caution=HOT,
        look="All edges are rolled in, and nothing is twisted at the shoulders.",
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        title="Sew each side in one ring, shell and lining",
        how=(
            "Reach in between the layers: shell side front to shell back, lining side front to lining back, right "
            "sides together. Match the armhole seam and the hem seam, then the notches, and pin. It is one ring.",
            f"{bench.seam_of(outer)}: begin in the lining {bench.margin(80)} above the hem seam, over the hem seam, "
            "up the shell, over the armhole seam, down the lining, and stop: the first side where you began.",
            f"On the second side stop {bench.margin(GAP)} before you meet the beginning, backstitching both ends of "
            "that gap.",
        ),
        requires=(
            Need(facts.layer(Fact.TURNED, "lining"), "a bagged shape is closed at the sides last, after turning"),
            *(
                Need(facts.finish(Fact.ATTACHED, f.id), "it is caught in the sides", where_given=True)
                for f in bench.finishes.values()
            ),
        ),
        meant=frozenset({Meant.ENCLOSES, Meant.LEAVES_OPEN}),
        look="The armhole and hem seams run on across the side without a step.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="open",
        words="open",
        title="Press the sides through the gap",
        how=("Allowances open with the fingers as far as the iron goes in through the gap, then from outside.",),
    )
    yield Operation(
        id="close-gap",
        technique="ladder stitch",
        act=Act.CLOSE,
        title="Close the gap in the lining",
        how=(
            f"Turn in the edges of the {bench.margin(GAP)} left open, fold on fold, and close it with ladder stitch: "
            "one small stitch in one fold, the next in the other, drawn together.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(GAP),
        on=On(joins=duty.ids, edges=around),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the sides are pressed through the gap") for id in duty.ids),
        gives=(facts.layer(Fact.CLOSED, "lining"),),
        look="The gap cannot be told from the seam.",
    )


TECHNIQUES = (
    Technique(
        id="lining-edge-to-edge",
        name="Lining sewn edge to edge",
        chapter="layers",
        finds=finds_edges,
        sews=sews_edges,
        rank=10,
        words={"bagged lining": "a lining sewn to the edges of a garment that is then turned out through a gap"},
        draw="facing",
    ),
    Technique(
        id="sides-in-a-ring",
        name="Sides of a lined shape, each in one ring",
        chapter="layers",
        finds=finds_sides,
        sews=sews_sides,
        rank=10,
        draw="bagged side",
    ),
)
