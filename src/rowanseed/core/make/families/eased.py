"""Edges that are drawn up or eased by rows of long stitches: which they are, when the rows come out."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.doubled import layer_pairs
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.plain_seams import DRAWN_UP_FROM
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, both_sides, shown
from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.pieces import Panel

KEY = "fullness:"


def fullness_ids(bench: Workbench) -> tuple[str, ...]:
    """The fullness of every seam that is drawn up before it is sewn: gathered or eased.

    What lies between two layers, as below a doubled yoke, is drawn up once.
    """
    between = {other.id for _, other in layer_pairs(bench.joins.values())}
    return tuple(
        f"{KEY}{join.id}"
        for join in bench.joins.values()
        if join.id not in between and (join.difference.kind is DifferenceKind.GATHERS or _is_eased(bench, join))
    )


def _is_eased(bench: Workbench, join: Join) -> bool:
    much = join.difference.kind is DifferenceKind.EASE and join.difference.amount >= DRAWN_UP_FROM
    return much and bench.panels((*join.a, *join.b)) != {Panel.BAND}


def _why_not(bench: Workbench, id: str) -> str:
    ratio = bench.joins[id.removeprefix(KEY)].difference
    if ratio.kind is DifferenceKind.EASE:
        return ""
    return f"it gathers {ratio.amount:.2g} times as much cloth: ease that does not show takes up a few centimetres"


finds = finds_of(fullness_ids, _why_not)
why_not = why_not_of(fullness_ids, _why_not)


def join_of(bench: Workbench, duty: Duty) -> Join:
    return bench.joins[duty.id.removeprefix(KEY)]


def taken_out(bench: Workbench, join: Join, words: str) -> Iterator[Operation]:
    """The rows that show come out once the seam holds."""
    yield Operation(
        id=f"remove-rows-{join.id}",
        technique="taking out rows",
        act=Act.REMOVE,
        title=f"Take out the rows that show: {lower_first(join.name)}{both_sides(join)}",
        how=(
            "The row on the garment's side of the stitching: snip it every few stitches and draw it out by its thread.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(2),
        on=On(joins=(join.id,), edges=shown(join.a)),
        requires=(held(join),),
        removes=(words,),
        look="No holes or thread ends stay on the right side.",
    )


def held(join: Join) -> Need:
    return Need(facts.join(Fact.JOINED, join.id), "the seam holds the fullness now")
