"""Belt loops."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.strips import caught_in, folded_strip, on_strip, strip_technique
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind, Press
from rowanseed.core.pattern.pieces import InnerLine, LineKind

ROOM, TURNING, SLACK, IN = 12.0, 12.0, 6.0, 6.0
"""A loop is longer than its belt is wide by so much room and by two turnings; it stands off by so much slack, and its
lower end is sewn so far from the raw edge, in mm (common practice, no source)."""


def loops(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "belt loops", duty.id)
    yield folded_strip(
        step,
        duty,
        "strip for the loops",
        f"One long strip, then cut in {detail.count}{_long(bench, detail)}: each as long as the belt is wide, "
        f"{bench.margin(ROOM)} of room, and two turnings of {bench.margin(TURNING)}.",
    )
    band = [j for j in bench.joins.values() if j.press is Press.BAND and "waist" in {p.edge for p in (*j.a, *j.b)}]
    sewn = pieces_of(p for join in band for p in (*join.a, *join.b))
    yield step(
        "sew-on",
        Act.ATTACH,
        f"Sew the belt loops on: {step.name}",
        f"{detail.count} of them: one at each side seam, the others evenly between, none at the centre "
        f"front{' over a zip' if bench.openings.zips else ''}{_marked(bench, detail)}.",
        f"Lower end right sides together on the garment just below the band, {bench.margin(IN)} from the loop's raw "
        f"end, stitched back and forth; fold it up over that, leave {bench.margin(SLACK)} slack, turn the upper end "
        "under, and bar it at the band's upper edge.",
        took=minutes.each(4, detail.count),
        after={Fact.PREPARED: "the strip is made up first"},
        needs=(
            *(Need(facts.join(Fact.PRESSED, join.id), "the band is on first") for join in band),
            *(
                Need(facts.finish(Fact.FINISHED, f.id), "the band is whole first", where_given=True)
                for f in bench.finishes.values()
                if f.kind is FinishKind.TURNED and pieces_of(f.parts) <= sewn
            ),
        ),
        gives=caught_in(bench, duty),
        on=on_strip(bench, duty, finishes=True),
        rows=0,
        booklet=True,
        look="The belt slides through, and every loop stands upright.",
    )


def _long(bench: Workbench, detail: Detail) -> str:
    """How long each loop is cut, where its strip was composed for the band."""
    if not detail.on:
        return ""
    (strip,) = detail.pieces
    long = max(chain_length(chain) for chain in bench.piece(strip).shapes[bench.size].edges.values())
    return f" of {bench.fine(long / detail.count)}"


def _marked(bench: Workbench, detail: Detail) -> str:
    lines = [line for id in detail.on for line in bench.piece(id).lines if _is_loop(line)]
    if not lines:
        return ""
    centre = ", and one at the centre back" if detail.count % 2 else ""
    return f"; the band's lines say where{centre}"


def _is_loop(line: InnerLine) -> bool:
    return line.kind is LineKind.PLACEMENT and line.id.startswith("loop")


TECHNIQUE = strip_technique(
    DetailKind.BELT_LOOPS, "Belt loops", loops, words={"bar": "a few stitches over each other that hold an end"}
)
