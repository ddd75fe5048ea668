"""Rows of elastic thread on the bobbin: how far apart, in which paths."""

from __future__ import annotations

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Need, On, Operation, Setting, Supply, Use
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.workbench import Workbench

ID = "shirring"


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


def paths(bench: Workbench, *, curved: bool) -> tuple[str, ...]:
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


def shirred_rows(
    step: Steps, on: On, curved: bool, needs: tuple[Need, ...], given: tuple[Fact | facts.State, ...]
) -> Operation:
    bench = step.bench
    return step(
        "shirr",
        Act.SHIRR,
        f"Shirr, row by row: {step.name}",
        *prepared_for_rows(bench),
        *paths(bench, curved=curved),
        took=minutes.each(20, max(1.0, step.mm / 500)),
        setting=shirring_setting(bench),
        needs=needs,
        gives=given,
        uses=(Use(Supply.ELASTIC_THREAD),),
        on=on,
        rows=0,
        look="Laid down, it is about half as wide as before, and springs back when it is stretched.",
    )


def needs_bobbin(bench: Workbench) -> str:
    return "" if bench.household.equipment.machine else "it needs a machine with a bobbin"
