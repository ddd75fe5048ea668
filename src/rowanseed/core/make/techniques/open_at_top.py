"""A centre seam left open at its top: sewn from below to a mark, its open edges turned back and held at the end."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.slits import BEYOND, from_the_fold, turned_under
from rowanseed.core.make.neatening import finishes_edges, neaten_apart
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import narrowest
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind
from rowanseed.core.pattern.seamline import mark_distance, seam_length

ID = "opening at the top of a seam"
UP = "from the lower end up to the mark of the opening"


def finds(bench: Workbench) -> Iterator[Duty]:
    plain = {join.id for join in seams(bench)}
    for detail in bench.details_of(DetailKind.SLIT):
        if len(detail.along) == 1 and detail.along[0] in plain and bench.openings.opens_above(detail):
            yield single(detail.id, detail.along[0])


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail, join = bench.details[duty.id], bench.joins[duty.ids[1]]
    step = of_joins(bench, ID, join.id)
    piece = bench.piece(detail.to_mark[0] if detail.to_mark else join.a[0].piece)
    mark = piece.mark(detail.to_mark[1]) if detail.to_mark else None
    open_part = "the part above the mark"
    if mark is not None:
        at, whole = mark_distance(piece, bench.size, mark), seam_length(piece, bench.size, mark.edge)
        open_part = f"the upper {bench.length(at if mark.anchor == 'start' else whole - at)}"
    requires = list(plain_seams.order_needs(bench, join))
    if finishes_edges(bench, (join.id,)):
        yield neaten_apart(bench, (join.id,), ID)
        requires.append(
            Need(facts.join(Fact.NEATENED, join.id), "the edges of the opening are neatened apart, before the seam")
        )
    yield sew(
        bench,
        (join.id,),
        ID,
        how=(
            matching(bench, join),
            f"{bench.seam_of(join)} {UP}; backstitch there three stitches.",
            f"{open_part.capitalize()} stays open.",
        ),
        requires=tuple(requires),
        run=Run("lower end", "mark of the opening", said=UP, to_mark=detail.to_mark),
        look="The seam ends exactly at the mark.",
    )
    yield press(
        bench,
        (join.id,),
        ID,
        way="open",
        words="open",
        how=(
            "As sewn first; then open, and on above the mark: the allowances of the open part are pressed back in the "
            "same line.",
        ),
        look="The seam lies open, and its allowances run on beside the opening in the same line.",
    )
    allowance = narrowest(bench, (*join.a, *join.b))
    faced = [j for j in bench.joins.values() if bench.is_faced(j) and detail in bench.openings.open_at(j)]
    yield step(
        "open",
        Act.TURN,
        f"Stitch round the opening: {step.name}",
        f"Along {open_part} the allowances lie back in line with those pressed open below; {turned_under(bench)}",
        *(("The facing's folded ends lie beneath them and are caught in the row.",) if faced else ()),
        f"Stitch {bench.margin(from_the_fold(allowance))} from the fold: down one side, across {bench.margin(BEYOND)} "
        "below the end of the opening, and up the other side. Pivot with the needle down. Or slip stitch the edges by "
        "hand and bar the end.",
        took=minutes.each(8),
        setting=settings.topstitch(bench.household, bench.margin(from_the_fold(allowance)), lining=step.lining),
        after={Fact.PRESSED: "the seam below is pressed open first"},
        needs=tuple(
            Need(facts.join(Fact.TURNED, j.id), "the facing's ends are caught in the row", where_given=True)
            for j in faced
        ),
        gives=(facts.detail(Fact.FINISHED, detail.id), facts.join(Fact.ATTACHED, join.id)),
        rows=0.4,
        booklet=True,
        look="Closed, both edges lie side by side and end at one level; the lower end is flat, without a pucker.",
    )


TECHNIQUE = Technique(
    id="open-at-top",
    name="Seam left open at its top",
    chapter="seams",
    finds=finds,
    sews=sews,
    rank=13,
    draw="slit",
)
