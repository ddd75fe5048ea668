"""Upper end of an edge that laps."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.laps import is_lap_end
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Need, On, Operation
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import narrowest, trimmed
from rowanseed.core.make.which import is_of_opening, puts_on_hood
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import BESIDE_CENTRE, Finish
from rowanseed.core.pattern.pieces import Panel

ID = "end of the lap"


def finds(bench: Workbench) -> Iterator[Duty]:
    for finish in bench.finishes.values():
        if is_lap_end(bench, finish):
            yield single(finish.id)


def _folded_back(bench: Workbench, finish: Finish) -> tuple[str, tuple[Need, ...]]:
    """(what is folded back over what, what has to be there for that)."""
    pieces = pieces_of(finish.parts)
    name = bench.names(pieces)
    if all(bench.panel(id) is Panel.BAND for id in pieces):
        joins = [j for j in bench.joins.values() if any(p.piece in pieces and p.edge == "front" for p in j.b)]
        return (
            f"Fold the {name} back on its fold line, right sides together, its inner edge staying turned up.",
            tuple(Need(facts.join(Fact.PRESSED, j.id), "it is sewn on and pressed into the band") for j in joins),
        )
    faced = [j for j in bench.joins.values() if bench.is_faced(j) and any(p.edge == "opening" for p in j.a)]
    if faced:
        return (
            f"Turn the facing of the {name} back to the right side along the finished edge, right sides together.",
            tuple(Need(facts.join(Fact.TURNED, j.id), "the edge is faced and turned first") for j in faced),
        )
    edges = [f for f in bench.finishes.values() if is_of_opening(f) and pieces_of(f.parts) & pieces]
    return (
        f"Fold the turned-in edge of the {name} back to the right side on the line where it is folded, right sides "
        "together, its inner fold staying pressed in.",
        tuple(Need(facts.finish(Fact.PREPARED, f.id), "its folds are pressed first") for f in edges),
    )


def _beyond(bench: Workbench, finish: Finish) -> str:
    cut = trimmed(bench, narrowest(bench, finish.parts), 6.0)
    return f"Beyond it {cut}," if cut else "Cut"


def _on_the_neck(bench: Workbench) -> str:
    """What is sewn to the neck from that dot on."""
    return "hood" if any(puts_on_hood(bench, join) for join in bench.joins.values()) else "collar"


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, ID, duty.id)
    folded, waits = _folded_back(bench, finish)
    beside = "beside" if any(p.from_mark == BESIDE_CENTRE for p in finish.parts) else "at"
    yield step(
        "close",
        Act.TURN,
        f"Close the {step.name}",
        folded,
        f"Sew across on the neck's stitching line, from the fold to the dot {beside} the centre line, and backstitch "
        f"exactly there: the {_on_the_neck(bench)} begins at that dot.",
        f"Clip the neck's allowance straight to the dot. {_beyond(bench, finish)} the corner across; turn, "
        f"push the corner out with something blunt, and press. {iron_for(bench)}",
        "Left and right alike.",
        took=minutes.each(4, 2),
        setting=settings.seam(bench.household),
        needs=(
            *(
                Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on while it is flat", where_given=True)
                for id in sorted(pieces_of(finish.parts))
            ),
            *waits,
        ),
        gives=(Fact.FINISHED,),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        rows=0,
        booklet=True,
        look="Laid on each other as they will be buttoned, both ends are level"
        + (", and the dots meet." if beside == "at" else "; the dots lie beside each other, with room for a knot."),
    )


TECHNIQUE = Technique(
    id="lap-end",
    name="Upper end of an edge that laps",
    chapter="waists, collars and cuffs",
    finds=finds,
    sews=sews,
    rank=15,
    words={"lap": "the part of an edge that lies over the other when it is closed"},
    draw="band closed",
)
