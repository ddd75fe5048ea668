"""A band cut as a piece: closed to a ring, doubled, and stretched on in one seam with both its edges."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import corners, facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.stretched_bands import StretchedBand, bands, mitred, stretched_band_of, tried
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.steps import Steps, of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import HOT, Workbench, shown
from rowanseed.core.pattern.pieces import Panel

ID = "stretched band"

SETTLED = Need(facts.gate(Fact.SETTLED, "shell"), "the seams that it closes can still be let out", where_given=True)


def finds(bench: Workbench) -> Iterator[Duty]:
    for band in bands(bench):
        yield single(band.join.id, *(join.id for join in band.ends), *(finish.id for finish in band.inner))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    band = stretched_band_of(bench, duty.id)
    step = of_joins(bench, ID, band.join.id)
    name = bench.name(band.piece)
    yield _ring(bench, step, band, name)
    yield _folded(bench, step, band, name)
    yield _put_on(bench, band, name)
    way = band.join.press.words
    yield press(
        bench,
        (band.join.id,),
        ID,
        way=way,
        words=f"{way}, away from the band",
        towards={part.piece for part in band.edge},
        how=(
            f"Allowances {way}, away from the band; hover with steam and let the band draw itself in again, the iron "
            "not on the ribs.",
        ),
        look="The garment lies flat beside the band, and the band has sprung back.",
    )
    if band.is_at_neck:
        yield _stitched_below(bench, step, band)


def _both(band: StretchedBand) -> str:
    return ", both" if band.join.each_hand else ""


def _ring(bench: Workbench, step: Steps, band: StretchedBand, name: str) -> Operation:
    ends = band.ends[0]
    turns = corners.inward(bench, band.edge)
    halves = _halved(band)
    run = replace(bench.runs.over(ends.a, each_hand=ends.each_hand), said="from raw edge to raw edge")
    sewn = f"{bench.seam_of(ends)} {bench.sewn_along(run)}"
    closed = (
        f"The two lengths right sides together, their short ends matched: at both ends a {sewn}. The seams come to the "
        "side seams."
        if halves
        else f"Short ends right sides together: {sewn}."
    )
    return step(
        "ring",
        Act.JOIN,
        f"Close the {name} to a ring{_both(band)}",
        tried(bench, band.share),
        *mitred(turns),
        closed,
        took=minutes.each(5, bench.number_cut(band.piece)),
        needs=(Need(facts.piece(Fact.MARKED, band.piece), "its marks are made again first", where_given=True),),
        gives=facts.joins(Fact.JOINED, (join.id for join in band.ends)),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(joins=tuple(join.id for join in band.ends), edges=shown((*ends.a, *ends.b))),
        run=run,
        look="The ring is not twisted, and the fold line runs on across its seam.",
    )


def _folded(bench: Workbench, step: Steps, band: StretchedBand, name: str) -> Operation:
    ends = tuple(join.id for join in band.ends)
    return step(
        "fold",
        Act.PRESS,
        f"Press and fold the {name}{_both(band)}",
        f"{'Both seams' if _halved(band) else 'The seam'} open, without stretching the ring.",
        f"Fold it wrong sides together on the fold line, raw edges even, and press the fold lightly. "
        f"{iron_for(bench, {band.piece})}",
        at=Bench.IRON,
        took=minutes.each(3, bench.number_cut(band.piece)),
        needs=tuple(Need(facts.join(Fact.JOINED, id), "it is a ring first") for id in ends),
        gives=(facts.piece(Fact.PREPARED, band.piece), *facts.joins(Fact.PRESSED, ends)),
        on=On(
            pieces=(band.piece,),
            joins=ends,
            edges=shown(part for finish in band.inner for part in finish.parts),
        ),
        caution=HOT,
        look="Both raw edges lie even all round, and the ring is not twisted.",
    )


def _put_on(bench: Workbench, band: StretchedBand, name: str) -> Operation:
    run = bench.runs.over(band.edge, each_hand=band.join.each_hand)
    overlocker = bench.household.equipment.overlocker
    turns = corners.inward(bench, band.edge)
    op = sew(
        bench,
        (band.join.id,),
        ID,
        act=Act.BAND,
        title=f"Stretch the {name} on{_both(band)}",
        how=(
            f"Quarter the band and the edge, each by itself: {_quartered(bench, band)}.",
            "The band round the outside, right sides together, three raw edges even, the fold lying on the garment; "
            "pin or clip at the quarters.",
            f"Band up, {bench.seam_of(band.join)} {bench.sewn_along(run)}: stretch only the band, from quarter to "
            "quarter, to the length of the edge, and let the garment lie.",
            *((f"{turns.pivoted(bench)} Clip to it before: the edge opens there as you turn.",) if turns else ()),
            *(() if overlocker else ("Neaten the three edges together with a zigzag, and trim them to it.",)),
        ),
        requires=(
            Need(facts.piece(Fact.PREPARED, band.piece), "the band is a ring and folded first"),
            *crossings(bench, band.join.id),
            *(() if band.is_at_neck and Panel.SLEEVE not in bench.panels(band.edge) else (SETTLED,)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        run=run,
        look="The band draws the edge in evenly; let go, no pleat has been caught in the seam.",
    )
    inner = tuple(finish.id for finish in band.inner)
    gives = (*op.gives, *(facts.finish(Fact.FINISHED, id) for id in inner))
    op = replace(op, gives=gives, on=replace(op.on, finishes=inner))
    if overlocker:
        return replace(op, bench=Bench.OVERLOCKER, setting=settings.overlock(bench.household.as_a_knit))
    return replace(op, setting=settings.seam(bench.household.as_a_knit))


def _halved(band: StretchedBand) -> bool:
    """Whether it is two lengths that make one ring."""
    return any(join.each_hand for join in band.ends) and not band.join.each_hand


def _quartered(bench: Workbench, band: StretchedBand) -> str:
    """Where the quarters of a band go on its edge."""
    if _halved(band):
        return "its two seams to the side seams, the middles between to the centres"
    if corners.inward(bench, band.edge).at_centre:
        return "the seam of the band to the point of the V, its middle to the centre back, the rest between"
    if band.is_at_neck:
        return (
            "the seam of the band to the centre back, its middle to the centre front; the edge's quarters between them "
            "lie in front of the shoulders"
        )
    return f"the seam of the band to the {bench.runs.ring_start(band.edge) or 'seam that ends there'}"


def _stitched_below(bench: Workbench, step: Steps, band: StretchedBand) -> Operation:
    return step(
        "below",
        Act.TOPSTITCH,
        f"Topstitch below the {bench.name(band.piece)}",
        f"On the garment, {bench.margin(2)} from the seam all round, with a twin needle or a stretch stitch: the "
        "allowances stay down.",
        setting=settings.seam(bench.household.as_a_knit),
        after={Fact.PRESSED: "its allowances lie down first"},
        gives=(Fact.TOPSTITCHED,),
        on=On(joins=(band.join.id,), edges=shown(band.edge)),
        look="Pulled over the head, no thread breaks.",
    )


TECHNIQUE = Technique(
    id="stretched-band",
    name="Band stretched on",
    chapter="waists, collars and cuffs",
    finds=finds,
    sews=sews,
    rank=15,
    also=("ribbed band", "ribbed cuff"),
    words={"ribbing": "a knit of ribs that stretches much and springs back"},
    draw="band closed",
)
