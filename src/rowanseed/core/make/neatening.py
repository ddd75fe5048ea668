"""Neatening: which edges are, each by itself or both as one, and how a household does it."""

from __future__ import annotations

from collections.abc import Iterable

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.equipment import SeamFinish
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, Operation
from rowanseed.core.make.workbench import Workbench, both_sides, on_joins
from rowanseed.core.pattern.making import Join, Press
from rowanseed.core.pattern.pieces import Panel


def is_lining(bench: Workbench, ids: Iterable[str]) -> bool:
    return all(part.piece in bench.linings for id in ids for part in bench.parts(id))


def finishes_edges(bench: Workbench, ids: tuple[str, ...]) -> bool:
    """Whether the edges of a plain seam are finished at all: not in a band, nor between facings only."""
    parts = [part for id in ids for part in bench.parts(id)]
    pieces = pieces_of(parts)
    if pieces <= bench.facings or Panel.BAND in bench.panels(parts):
        return False
    if pieces <= bench.hidden:
        # Under a closed lining smooth cloth is left raw, without ridges.
        return False
    return bench.household.habits.seam_finish is not SeamFinish.RAW


def how_edges_end(bench: Workbench, ids: tuple[str, ...]) -> frozenset[Meant]:
    """What is meant by a seam whose edges nothing neatens: they are hidden in a band, or left raw by choice."""
    parts = [part for id in ids for part in bench.parts(id)]
    if Panel.BAND in bench.panels(parts):
        return frozenset({Meant.ENCLOSES})
    hidden = pieces_of(parts) <= bench.facings or pieces_of(parts) <= bench.hidden
    raw = bench.household.habits.seam_finish is SeamFinish.RAW and not hidden
    return frozenset({Meant.CHOSEN_RAW}) if raw else frozenset()


def neaten_apart(bench: Workbench, duty: tuple[str, ...], technique: str) -> Operation:
    """Each edge of a seam by itself, before it is sewn, since it is pressed open."""
    join = bench.joins[duty[0]]
    return _neatening(
        bench,
        duty,
        technique,
        title=f"Neaten the edges: {lower_first(join.name)}{both_sides(join)}",
        how="Each edge by itself, right side up, before the seam, since it is pressed open.",
        requires=tuple(bench.flat_first(duty)),
        rows=2,
    )


def neaten_together(bench: Workbench, duty: tuple[str, ...], technique: str) -> Operation:
    """Both edges of a seam as one, after it is sewn, since it is pressed to one side."""
    join = bench.joins[duty[0]]
    return _neatening(
        bench,
        duty,
        technique,
        title=f"Neaten both edges together: {lower_first(join.name)}{both_sides(join)}",
        how="Both allowances as one, since they are pressed to one side.",
        requires=(
            *(Need(facts.join(Fact.JOINED, id), "it is sewn first") for id in duty),
            *(
                Need(facts.join(Fact.JOINED, twin), "left and right are neatened at one go")
                for twin in _twins(bench, duty)
            ),
        ),
        meant=frozenset({Meant.TOGETHER}),
        gives=facts.joins(Fact.FINISHED, duty),
    )


def _twins(bench: Workbench, ids: tuple[str, ...]) -> tuple[str, ...]:
    """Seams along the same edges on the other hand, where a zip tells left from right, that are sewn alike."""
    own = {(p.piece, p.edge) for id in ids for p in bench.parts(id)}
    hands = {p.hand for id in ids for p in bench.parts(id)}
    asked = dict(bench.chosen)
    return tuple(
        join.id
        for join in bench.joins.values()
        if join.id not in ids
        and join.press is bench.joins[ids[0]].press
        and asked.get(join.id) == asked.get(ids[0])
        and {(p.piece, p.edge) for p in (*join.a, *join.b)} == own
        and hands.isdisjoint(p.hand for p in (*join.a, *join.b))
    )


def across_from(bench: Workbench, join: Join) -> tuple[str, ...]:
    """Seams pressed open that have an edge of this one on the other hand, and others besides: as a side that a zip
    closes across the waist."""
    own, hands = {(p.piece, p.edge) for p in (*join.a, *join.b)}, {p.hand for p in (*join.a, *join.b)}
    return tuple(
        other.id
        for other in bench.joins.values()
        if other.press is Press.OPEN
        and own < {(p.piece, p.edge) for p in (*other.a, *other.b)}
        and hands.isdisjoint(p.hand for p in (*other.a, *other.b))
    )


def _neatening(
    bench: Workbench,
    duty: tuple[str, ...],
    technique: str,
    *,
    title: str,
    how: str,
    requires: tuple[Need, ...],
    rows: float = 1.0,
    meant: frozenset[Meant] = frozenset(),
    gives: tuple[facts.State, ...] = (),
) -> Operation:
    lining = is_lining(bench, duty)
    mm = bench.around(duty) * rows
    id = f"neaten-{duty[0]}"
    match bench.household.habits.seam_finish:
        case SeamFinish.PINKED:
            where, setting, act_how, took = (
                Bench.HAND,
                None,
                "With pinking shears, points just off the edge.",
                minutes.trim(mm),
            )
        case SeamFinish.HAND_OVERCAST:
            where, setting, took = Bench.HAND, None, minutes.hand(mm)
            act_how = (
                f"Slanting stitches over the edge, {bench.margin(3)} deep and {bench.margin(5)} apart, not drawn tight."
            )
        case _:
            (where, setting), took = settings.neaten(bench.household, lining=lining), minutes.neaten(mm)
            act_how = "Feed it without pulling: a pulled edge waves."
    return Operation(
        id=id,
        technique=technique,
        act=Act.NEATEN,
        title=title,
        how=(how, act_how),
        bench=where,
        minutes=took,
        on=on_joins(bench, *duty),
        requires=requires,
        gives=gives or facts.joins(Fact.NEATENED, duty),
        setting=setting,
        meant=meant,
        rows=rows,
        look=looks.NEATENED,
    )
