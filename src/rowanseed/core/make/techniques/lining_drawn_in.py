"""Lining of a full skirt, gathered into its seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.lined_part import ALONG
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.linings_drawn_in import drawn, drawn_in
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import gathering_rows
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart, Finish, Join
from rowanseed.core.pattern.walk import copies, part_length

ID = "lining drawn in"


KEY = "lining-drawn:"


def basted_at(bench: Workbench, part: EdgePart) -> float:
    """How far from the raw edge garment and lining are basted together, in mm: inside the seam, where it stays."""
    allowance = bench.edge_allowance(part)
    return max(allowance / 2, allowance - 5)


def _caught(bench: Workbench, join: Join) -> Finish | None:
    """The edge of a lining that hangs from a waist seam; that of a skirt's own goes into its band."""
    found = bench.finishes.get(f"{ALONG}{join.id}")
    return found if found is not None and pieces_of(found.parts) <= bench.hung else None


def finds(bench: Workbench) -> Iterator[Duty]:
    for join, _ in drawn_in(bench):
        finish = _caught(bench, join)
        yield single(f"{KEY}{join.id}", *((finish.id,) if finish else ()))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, parts = next(one for one in drawn_in(bench) if f"{KEY}{one[0].id}" == duty.id)
    yield _gathered(bench, join, parts)
    finish = _caught(bench, join)
    if finish is not None:
        yield _held(bench, join, finish)


def _gathered(bench: Workbench, join: Join, parts: tuple[EdgePart, ...]) -> Operation:
    outer, inner = gathering_rows(bench.edge_allowance(parts[0]))
    long, skirt, short = (
        sum(part_length(bench.pattern, bench.size, p) * copies(bench.pattern, p) for p in side)
        for side in (parts, join.a, join.b)
    )
    less = (
        (f"It is cut with less fullness than the garment, {bench.length(long)} for its {bench.length(skirt)}.",)
        if long < skirt - 1.0
        else ()
    )
    own = [j for j in bench.joins.values() if pieces_of((*j.a, *j.b)) <= bench.hung]
    return Operation(
        id=f"gather-lining-{join.id}",
        technique=ID,
        act=Act.GATHER,
        title=f"Gather the lining: {lower_first(join.name)}",
        how=(
            *less,
            f"Two rows at the longest stitch, {bench.margin(outer)} and {bench.margin(inner)} from "
            "the raw edge, ends left long; stop and begin again at every seam, so that no thread crosses one.",
            "Mark its edge in quarters, as the garment's.",
            f"Draw the bobbin threads up until it is as long as the edge it goes to, {bench.length(short)} altogether; "
            "wind them round a pin and even the gathers out.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(3 * long),
        on=On(edges=shown(parts)),
        requires=tuple(Need(facts.join(Fact.PRESSED, j.id), "the lining is made up first") for j in own),
        gives=(drawn(join),),
        setting=settings.longest(bench.household, lining=True),
        look="The folds are even and run straight away from the edge.",
        rows=2,
    )


def _held(bench: Workbench, join: Join, finish: Finish) -> Operation:
    opened = any(bench.openings.zip_on(other) is not None for other in bench.crossing([join.id]))
    turned = (
        "At the opening turn its edges back first, so that they lie "
        f"{bench.fine(5)} clear of the zip: they are felled to its tape later."
    )
    return Operation(
        id=f"hold-{finish.id}",
        technique=ID,
        act=Act.ATTACH,
        title=f"Baste the lining in: {lower_first(join.name)}",
        how=(
            "Wrong sides together, the lining inside, raw edges even; seams on seams, centres and quarters on each "
            "other.",
            *((turned,) if opened else ()),
            f"Baste the two gathered edges together, {bench.margin(basted_at(bench, finish.parts[0]))} from "
            "the raw edge, where it stays: the seam is sewn through all of them.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([finish.id]) / 2),
        on=On(finishes=(finish.id,), edges=shown((*join.a, *finish.parts))),
        requires=(
            Need(drawn(join), "the lining is drawn in to the same length first"),
            Need(facts.join(Fact.DRAWN_UP, join.id), "the garment's edge is drawn up first", where_given=True),
            *bench.flat_first([join.id]),
        ),
        gives=(facts.finish(Fact.FINISHED, finish.id), facts.join(Fact.BASTED, join.id)),
        look="The lining lies smooth inside, its seams on the garment's, and does not hang below.",
    )


TECHNIQUE = Technique(
    id="lining-drawn-in",
    name="Lining of a full skirt, gathered into its seam",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=20,
    draw="lining drawn in",
)
