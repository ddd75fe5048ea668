"""Shirring: rows of elastic thread on the bobbin that draw the cloth to about half."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting, Supply, Use
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import Steps, of_detail, of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.ease_rows import KEY, join_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, DifferenceKind, EdgePart

ID = "shirring"
APART = 12.0
TURN = 10.0
"""One continuous path turns so far from the raw edge, in mm."""


def finds_seam(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        if join.difference.kind is DifferenceKind.GATHERS and join.difference.amount <= 2.5:
            yield single(f"{KEY}{join.id}")


def finds_panel(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.SHIRRED_PANEL):
        if detail.on:
            yield single(detail.id)


def _setting(bench: Workbench) -> Setting:
    return Setting(
        "straight",
        4.5,
        ORDINARY,
        needle(bench.household),
        "elastic thread on the bobbin, wound by hand; upper tension about 4; ordinary bobbin and length back "
        "afterwards",
    )


def _prepared(bench: Workbench) -> tuple[str, ...]:
    return (
        "Wind two or three bobbins with elastic thread by hand, with the slightest tension, evenly and not full; the "
        "ordinary thread above.",
        "If the sample did not draw to half: a longer stitch or a tighter bobbin draws more. Turn the bobbin's screw a "
        "quarter at a time and count: it goes back by the same turns afterwards.",
    )


def _paths(bench: Workbench, *, curved: bool) -> tuple[str, ...]:
    ends = (
        "Its sides are curved: begin and end every row at the stitching line by itself, with a backstitch."
        if curved
        else f"Its sides are straight: one continuous path. Turn {bench.margin(TURN)} from the raw edge, sew across "
        f"{bench.margin(APART)} to the next line at length 2.5, turn again, and on at the long stitch."
    )
    return (
        f"Chalk the lines on the right side, {bench.margin(APART)} apart, from the pattern's marks. Right side up, the "
        "cloth held flat and taut behind and before the foot: every row draws the earlier ones in, so flatten them out "
        "as you sew.",
        ends,
        "When a bobbin runs out, overlap by a few stitches. Cut the ends by hand and knot them: the machine's cutter "
        "lets elastic slip.",
    )


def _rows(
    step: Steps, on: On, curved: bool, needs: tuple[Need, ...], given: tuple[Fact | facts.State, ...]
) -> Operation:
    bench = step.bench
    return step(
        "shirr",
        Act.SHIRR,
        f"Shirr, row by row: {step.name}",
        *_prepared(bench),
        *_paths(bench, curved=curved),
        took=minutes.each(20, max(1.0, step.mm / 500)),
        setting=_setting(bench),
        needs=needs,
        gives=given,
        uses=(Use(Supply.ELASTIC_THREAD),),
        on=on,
        rows=0,
        look="Laid down, it is about half as wide as before, and springs back when it is stretched.",
    )


def seam(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    step = of_joins(bench, ID, join.id)
    yield _rows(
        step,
        On(joins=(join.id,), edges=shown(join.a)),
        curved=any(bench.bends.is_curved(p) for p in join.a),
        needs=tuple(bench.flat_first([join.id])),
        given=(facts.join(Fact.DRAWN_UP, join.id),),
    )


def panel(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, ID, duty.id)
    parts = [EdgePart(piece, edge.name) for piece in detail.on for edge in bench.piece(piece).edges]
    needs = tuple(
        Need(facts.piece(fact, piece), "the piece is ready before it is drawn up", where_given=True)
        for piece in detail.on
        for fact in (Fact.STAYED, Fact.SHAPED)
    )
    yield _rows(
        step,
        On(pieces=detail.on, edges=shown(parts)),
        curved=any(bench.bends.is_curved(p) for p in parts),
        needs=needs,
        given=(Fact.SEWN, *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on)),
    )
    yield step(
        "steam",
        Act.PRESS,
        f"Steam the shirring, if it is too wide: {step.name}",
        "Only where the try-on showed that it should be tighter: hold the iron above it, steam without touching, and "
        "pat it together; the elastic draws in a little more.",
        f"Let it dry before it is moved. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(4),
        after={Fact.SEWN: "it is shirred first"},
        needs=(
            Need(facts.gate(Fact.SETTLED, "shell"), "the try-on tells whether it is tight enough", where_given=True),
        ),
        gives=(Fact.PRESSED,),
        on=On(edges=shown(parts)),
        look="Worn, it lies close without cutting in.",
    )


def _machine(bench: Workbench) -> str:
    return "" if bench.household.equipment.machine else "it needs a machine with a bobbin"


TECHNIQUES = (
    Technique(
        id="shirring",
        name="Shirring in place of gathers",
        chapter="fullness",
        finds=finds_seam,
        sews=seam,
        rank=22,
        usual=False,
        asks=_machine,
        draw="shirring",
    ),
    Technique(
        id="shirred-panel",
        name="Shirred panel",
        chapter="fullness",
        finds=finds_panel,
        sews=panel,
        rank=15,
        asks=_machine,
        words={
            "shirring": "rows of stitching with elastic thread below, which draw the cloth together and let it stretch"
        },
        draw="shirring",
    ),
)
