"""Rows of elastic thread on the bobbin: how far apart, in which paths."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting, Supply, Use
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.workbench import Workbench

ID, HAND_ID = "shirring", "shirring by hand"
APART = 12.0
TURN = 10.0
"""One continuous path turns so far from the raw edge, in mm."""


def shirring_setting(bench: Workbench) -> Setting:
    return Setting(
        "straight",
        4.5,
        ORDINARY,
        needle(bench.household),
        "elastic thread on the bobbin, wound by hand; upper tension about 4; ordinary bobbin and length back "
        "afterwards",
    )


def prepared_for_rows(bench: Workbench) -> tuple[str, ...]:
    return (
        "Wind two or three bobbins with elastic thread by hand, with the slightest tension, evenly and not full; the "
        "ordinary thread above.",
        "If the sample did not draw to half: a longer stitch or a tighter bobbin draws more. Turn the bobbin's screw a "
        "quarter at a time and count: it goes back by the same turns afterwards.",
    )


HELD_FLAT = (
    "Right side up, the cloth held flat and taut behind and before the foot: every row draws the earlier ones in, so "
    "flatten them out as you sew."
)


def chalked(bench: Workbench, number: int = 0, *, below_edge: bool = False) -> str:
    """Where the rows run: from the pattern's marks, or so many about the waist line or below a turned edge."""
    flat = f" {HELD_FLAT}" if bench.household.equipment.machine else ""
    if not number:
        return f"Chalk the lines on the right side, {bench.margin(APART)} apart, from the pattern's marks.{flat}"
    if below_edge:
        first = f"The turned edge's own stitching is the first line: chalk {number - 1} more below it"
    else:
        first = f"Chalk {number} lines, the middle one on the waist line"
    return f"{first}, {bench.margin(APART)} apart, on the right side.{flat}"


def from_side_to_side(bench: Workbench, *, curved: bool) -> str:
    if not bench.household.equipment.machine:
        return "Each row by itself, from stitching line to stitching line."
    if curved:
        return "Its sides are curved: begin and end every row at the stitching line by itself, with a backstitch."
    return (
        f"Its sides are straight: one continuous path. Turn {bench.margin(TURN)} from the raw edge, sew across "
        f"{bench.margin(APART)} to the next line at length 2.5, turn again, and on at the long stitch."
    )


def all_round(bench: Workbench) -> str:
    if not bench.household.equipment.machine:
        return "Each row all round, begun and ended at one seam, where nobody sees the knots."
    return (
        "Each row all round, begun at a seam and sewn three stitches over its beginning; or in one path, down to the "
        f"next line along the seam, {bench.margin(APART)} at length 2.5."
    )


def shirred_rows(
    step: Steps, on: On, *, lines: tuple[str, ...], needs: tuple[Need, ...], given: tuple[Fact | facts.State, ...]
) -> Operation:
    """The rows; `lines` say where they run and how each begins and ends."""
    bench = step.bench
    if not bench.household.equipment.machine:
        return _by_hand(step, on, lines=lines, needs=needs, given=given)
    return step(
        "shirr",
        Act.SHIRR,
        f"Shirr, row by row: {step.name}",
        *prepared_for_rows(bench),
        *lines,
        "When a bobbin runs out, overlap by a few stitches. Cut the ends by hand and knot them: the machine's cutter "
        "lets elastic slip.",
        took=minutes.each(20, max(1.0, step.mm / 500)),
        setting=shirring_setting(bench),
        needs=needs,
        gives=given,
        uses=(Use(Supply.ELASTIC_THREAD),),
        on=on,
        rows=0,
        look="Laid down, it is about half as wide as before, and springs back when it is stretched.",
    )


def _by_hand(
    step: Steps, on: On, *, lines: tuple[str, ...], needs: tuple[Need, ...], given: tuple[Fact | facts.State, ...]
) -> Operation:
    bench = step.bench
    shirred = step(
        "shirr",
        Act.SHIRR,
        f"Shirr, row by row: {step.name}",
        *lines,
        "Thread a needle with elastic thread and knot it round a small stitch of the cloth. Running stitches, "
        f"{bench.margin(4)} long and even, those of each row below those of the row before, so that the folds stand in "
        "line.",
        "Draw every row in to half of its length as it is done, and knot it round a stitch again before the thread is "
        "cut.",
        at=Bench.HAND,
        took=minutes.hand(3 * step.mm),
        needs=needs,
        gives=given,
        uses=(Use(Supply.ELASTIC_THREAD),),
        on=on,
        rows=0,
        look="All rows are drawn in alike, and it springs back when it is stretched.",
    )
    return replace(shirred, technique=HAND_ID)


def steamed(step: Steps, on: On) -> Operation:
    """The rows drawn tighter by steam, once the garment was tried on."""
    bench = step.bench
    return step(
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
        on=on,
        look="Worn, it lies close without cutting in.",
    )
