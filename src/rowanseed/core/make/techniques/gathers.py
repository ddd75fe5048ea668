"""Gathers: two rows drawn up to the length of the other side, quarters on quarters."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.ease_rows import KEY, join_of, taken_out
from rowanseed.core.make.workbench import Workbench, both_sides, shown
from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.walk import part_length


def finds(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        if join.difference.kind is DifferenceKind.GATHERS:
            yield single(f"{KEY}{join.id}")


def _lengths(bench: Workbench, join: Join) -> str:
    """From what length to what, on one side of the garment."""
    long = sum(part_length(bench.pattern, bench.size, p) for p in join.a)
    short = sum(part_length(bench.pattern, bench.size, p) for p in join.b)
    return f"from {bench.length(long)} to {bench.length(short)}"


def _whole_first(bench: Workbench, join: Join) -> Iterator[Need]:
    """Rows that run round the garment stop at its seams, so these are sewn; a cap is gathered while it lies flat."""
    if join.each_hand:
        return
    for need in crossings(bench, join.id):
        seam = bench.joins[need.state.of.id]
        if bench.joins_shell(seam) and not bench.is_faced(seam) and bench.openings.zip_on(seam) is None:
            yield need


def _op(bench: Workbench, join: Join, technique: str, how: tuple[str, ...], **more: object) -> Operation:
    return Operation(
        id=f"gather-{join.id}",
        technique=technique,
        act=Act.GATHER,
        title=f"Gather: {lower_first(join.name)}{both_sides(join)}",
        how=how,
        bench=Bench.MACHINE,
        minutes=minutes.seam(3 * bench.around([join.id])),
        on=On(joins=(join.id,), edges=shown(join.a)),
        requires=(*bench.flat_first([join.id]), *_whole_first(bench, join)),
        gives=(facts.join(Fact.DRAWN_UP, join.id),),
        setting=settings.longest(bench.household),
        look="The folds are even and run straight away from the edge.",
        rows=2,
        **more,  # type: ignore[arg-type]
    )


def _drawn(bench: Workbench, join: Join) -> tuple[str, ...]:
    return (
        "Mark both edges in quarters and pin quarter on quarter.",
        f"Draw the bobbin threads from both ends {_lengths(bench, join)} where it is drawn; wind them round a pin, "
        "then even the gathers out between the quarters.",
    )


def rows(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    words = f"gathering rows of the {lower_first(join.name)}"
    allowance = bench.edge_allowance(join.a[0])
    yield _op(
        bench,
        join,
        "gathers",
        (
            f"Two rows at the longest stitch, {bench.margin(allowance - 5)} and {bench.margin(allowance + 3)} from "
            "the raw edge, right side up, ends left long; stop and begin again at every seam, so that no thread "
            "crosses one.",
            *_drawn(bench, join),
        ),
        leaves=(words,),
    )
    yield from taken_out(bench, join, words)


def over_cord(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    words = f"gathering cord of the {lower_first(join.name)}"
    allowance = bench.edge_allowance(join.a[0])
    yield _op(
        bench,
        join,
        "gathers over a cord",
        (
            f"Lay a thin strong cord {bench.margin(allowance - 4)} from the raw edge and zigzag over it, wide enough "
            "never to pierce it.",
            "Mark both edges in quarters and pin quarter on quarter.",
            f"Draw the cloth along the cord {_lengths(bench, join)} where it is drawn, and even it out.",
        ),
        leaves=(words,),
    )
    yield from taken_out(bench, join, words)


TECHNIQUES = (
    Technique(
        id="gathers",
        name="Gathers, two rows",
        chapter="fullness",
        finds=finds,
        sews=rows,
        rank=20,
        words={"gathers": "cloth drawn together along a thread into small even folds"},
        draw="rows",
    ),
    Technique(
        id="gathers-over-a-cord",
        name="Gathers over a cord",
        chapter="fullness",
        finds=finds,
        sews=over_cord,
        rank=21,
        usual=False,
        asks=lambda bench: "" if bench.household.equipment.zigzag else "it needs a zigzag stitch",
        draw="rows",
    ),
)
