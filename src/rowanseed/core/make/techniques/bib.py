"""Bib on a waistband."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bibs import ID, held_up_by
from rowanseed.core.make.families.pocket_bags import edges_of, finds_made_up, finished, own_joins
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Meant, Need, On, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import LineKind

ON_THE_BAND = (2.0, 8.0)
"""Its rows on the band lie so far below the band's upper fold, in mm (common practice, no source)."""
ROUND, TRIMMED = 6.0, 5.0
"""Its edge is topstitched so far from it, and trimmed to so much, in mm (common practice, no source)."""
LOWER = "lower"


def bib(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_detail(bench, ID, duty.id)
    yield _made_up(step, duty)
    yield _neatened(step, duty)
    yield _sewn_on(step, duty)


def _made_up(step: Steps, duty: Duty) -> Operation:
    bench = step.bench
    detail, joins = bench.details[duty.id], own_joins(bench, duty)
    straps = held_up_by(bench, detail)
    between, kept = _straps_between(straps)
    out, inner = detail.pieces
    return step(
        "made-up",
        Act.JOIN,
        "Make up the bib",
        f"{bench.piece(out).name} and {bench.piece(inner).name.lower()} right sides together{between}. Sew from "
        "lower edge to lower edge: up one side, across the top and down the other side. Stitch length 1.5 about the "
        f"corners, where you pivot.{kept}",
        f"Trim the seam to {bench.margin(TRIMMED)} and the corners across, turn, push the corners out with something "
        f"blunt, and press with the seam rolled {bench.margin(1)} to the inside. {step.iron}",
        f"Topstitch {bench.margin(ROUND)} from the edge, down the sides and across the top.",
        took=minutes.each(14),
        needs=(
            *(
                Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True)
                for id in detail.pieces
            ),
            *(Need(facts.join(Fact.BASTED, id), "the straps are caught in its edge", where_given=True) for id in joins),
        ),
        gives=(
            Fact.PREPARED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=detail.pieces, joins=joins, edges=edges_of(bench, detail).edges),
        run=Run("lower edge", "lower edge"),
        rows=2,
        look="Both upper corners are square and stand at one height, and what hangs from them is not twisted.",
    )


def _straps_between(straps: Detail | None) -> tuple[str, str]:
    """What lies between the two layers, and what is kept out of their seam."""
    if straps is None:
        return "", ""
    if straps.count > 1:
        return ", the straps lying down between them", " Pin the straps' free ends to the middle, out of the seam."
    return ", the strap lying down between them", " Pin the middle of the strap down, out of the seam."


def _neatened(step: Steps, duty: Duty) -> Operation:
    bench = step.bench
    detail = bench.details[duty.id]
    at, setting = settings.neaten(bench.household)
    parts = [EdgePart(id, LOWER) for id in detail.pieces]
    return step(
        "neaten",
        Act.NEATEN,
        "Neaten the bib's lower edge",
        "Both layers smoothed on each other and basted in the allowance, where it stays; then neatened as one: behind "
        "the band this edge is seen.",
        at=at,
        setting=setting,
        took=minutes.each(4),
        after={Fact.PREPARED: "it is turned and pressed first"},
        gives=(Fact.NEATENED,),
        on=On(pieces=detail.pieces, edges=shown(parts)),
        meant=frozenset({Meant.TOGETHER}),
        look=looks.NEATENED,
    )


def _sewn_on(step: Steps, duty: Duty) -> Operation:
    bench = step.bench
    detail = bench.details[duty.id]
    near, far = (bench.margin(mm) for mm in ON_THE_BAND)
    deep = bench.margin(bench.edge_allowance(EdgePart(detail.pieces[0], LOWER)))
    waist = [j for j in bench.joins.values() if j.press is Press.BAND and pieces_of((*j.a, *j.b)) & set(detail.on)]
    band = pieces_of(p for join in waist for p in (*join.a, *join.b))
    return step(
        "sew-on",
        Act.ATTACH,
        "Sew the bib on its band",
        f"The band's upper fold over the lower edge of the bib, both right side up: the bib reaches {deep} down behind "
        f"it, its stitching line at the fold, its centre on the centre front{_marked(bench, duty)}. Pin; hold it up: "
        "it stands square to the band.",
        f"Stitch {near} below the fold from one side of the bib to the other, through the band and the bib, "
        f"backstitched at both ends; a second row {far} below the fold takes the pull.",
        took=minutes.each(8),
        setting=settings.topstitch(bench.household, near),
        after={Fact.NEATENED: "its lower edge is seen behind the band"},
        needs=(
            *(Need(facts.join(Fact.PRESSED, join.id), "the band is on first") for join in waist),
            *(
                Need(facts.finish(Fact.FINISHED, f.id), "the band is whole first", where_given=True)
                for f in bench.finishes.values()
                if f.kind is FinishKind.TURNED and pieces_of(f.parts) <= band
            ),
        ),
        gives=(
            Fact.FINISHED,
            *(facts.finish(fact, id) for id in finished(bench, duty) for fact in (Fact.FINISHED, Fact.ATTACHED)),
        ),
        on=On(
            pieces=(*detail.pieces, *detail.on),
            finishes=finished(bench, duty),
            edges=shown(EdgePart(id, LOWER) for id in detail.pieces),
        ),
        rows=2,
        booklet=True,
        look="The bib stands in the middle of the front, and no pucker of the band is caught in the rows.",
    )


def _marked(bench: Workbench, duty: Duty) -> str:
    """What tells where that is, where the band has a line for it."""
    lines = (line for id in bench.details[duty.id].on for line in bench.piece(id).lines)
    return ", the band's line" if any(line.kind is LineKind.PLACEMENT and line.id == ID for line in lines) else ""


TECHNIQUE = Technique(
    id=ID,
    name="Bib on a waistband",
    chapter="waists, collars and cuffs",
    finds=finds_made_up(DetailKind.BIB),
    sews=bib,
    rank=12,
    also=("dungarees", "bib apron"),
    draw="bib",
)
