"""A half placket: two folded bands sewn to the sides of a box, lapped, and closed across its lower end."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import upper_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.band_insides import fold_in, fold_over
from rowanseed.core.make.families.bands import inside_of, runs_over
from rowanseed.core.make.families.buttonholes import laps_over
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.neatening import neaten_together
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.run import Secured
from rowanseed.core.make.shared import sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.trimming import graded, narrowest, trimmed
from rowanseed.core.make.workbench import BLADES, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import PLACKET_BASE, Join

ID = "half placket"
SHORT = 25.0
"""The stitch is short for so much on either side of a corner, in mm (common practice, no source)."""

FLAP = 12.0
"""The cut of the box forks so far above its lower end, in mm (common practice, no source)."""
DOWN = "from the neck down, exactly to the corner's point"


def _parts(bench: Workbench, end: Join) -> tuple[str, str, Join, str] | None:
    """(the piece with the box, its band, the seam of the bands, the finish of their insides)."""
    pieces = pieces_of((*end.a, *end.b))
    body = next((p.piece for p in (*end.a, *end.b) if p.edge == PLACKET_BASE), None)
    if body is None or len(pieces) != 2:
        return None
    band = next(iter(pieces - {body}))
    sides = next((j for j in bench.joins.values() if j is not end and pieces_of((*j.a, *j.b)) == pieces), None)
    inside = inside_of(bench, band)
    return None if sides is None or inside is None else (body, band, sides, inside.id)


def finds(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        found = _parts(bench, join)
        if found is not None:
            _, _, sides, inside = found
            yield Duty((sides.id, join.id, inside))


def _graded(bench: Workbench, sides: Join) -> str:
    first = graded(bench, narrowest(bench, (*sides.a, *sides.b)), 6.0, 4.0)
    return f"{first}; as" if first else "As"


def _ends_trimmed(bench: Workbench, end: Join) -> tuple[str, ...]:
    cut = trimmed(bench, narrowest(bench, (*end.a, *end.b)), 10.0, what="the ends of the bands")
    return (f"{upper_first(cut)}.",) if cut else ()


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    sides, end, inside = bench.joins[duty.ids[0]], bench.joins[duty.ids[1]], bench.finishes[duty.ids[2]]
    found = _parts(bench, end)
    if found is None:
        return
    body, band, _, _ = found
    name, over = bench.name(body), runs_over(bench, inside)
    corners = On(pieces=(body,), edges=tuple(EdgeShown(p.piece, p.edge) for p in (*sides.a, *end.a)))
    yield fold_in(bench, band, inside)
    box = of_joins(bench, ID, end.id)
    yield box(
        "reinforce",
        Act.STAY,
        f"Reinforce the lower corners of the box: {name}",
        f"Chalk the box on the wrong side first, its sides and its lower end. One layer: stitch exactly on that line, "
        f"stitch length 1.5, {bench.margin(SHORT)} up both sides and across below, needle down and turned at each "
        "corner.",
        "In loosely woven cloth lay a strip of thin fusible on the wrong side of the lower end first.",
        took=minutes.each(4, 2),
        setting=settings.staystitch(bench.household),
        needs=(*bench.flat_first([sides.id]), *crossings(bench, sides.id, end.id)),
        gives=(Fact.PREPARED,),
        on=corners,
        rows=0,
        caution=NEEDLE,
        look="Both corners lie at one level, equally far from the centre line.",
    )
    yield box(
        "open-corners",
        Act.CLIP,
        f"Cut the box open to its corners: {name}",
        f"If it was not cut out at the table: down the centre line to {bench.margin(FLAP)} above the lower end.",
        "Then slanting into both lower corners, up to the stitching and not through it; the little flap that is left "
        "stays hanging at the lower end.",
        took=minutes.each(2, 2),
        after={Fact.PREPARED: "the corners are reinforced before they are cut into"},
        gives=(Fact.OPENED,),
        on=corners,
        rows=0,
        caution=BLADES,
        look="No thread of the stitching is cut, and the clips reach it.",
    )
    yield sew(
        bench,
        (sides.id,),
        ID,
        act=Act.BAND,
        title=f"Sew the bands to the sides of the box: {name}",
        how=(
            f"Right side of each {bench.name(band)} to the right side of the {name}, the {name} on top so that you see "
            "its corner; upper edges even.",
            f"{bench.seam_of(sides)} {DOWN}; backstitch there. Left and right alike.",
        ),
        requires=(
            Need(facts.join(Fact.OPENED, end.id), "the box is cut open first"),
            Need(facts.piece(Fact.PREPARED, band), "its inner edge is pressed in while it is flat"),
        ),
        run=replace(bench.runs.begun_at(sides, "neck edge"), said=DOWN, secured=Secured.END),
        look="Both rows end at one level, in the very corners.",
    )
    step = of_joins(bench, ID, sides.id)
    yield step(
        "press",
        Act.PRESS,
        f"Press into the bands: {name}",
        f"{_graded(bench, sides)} sewn first, then into the bands. {iron_for(bench)}",
        took=minutes.press(bench.around([sides.id])),
        at=Bench.IRON,
        after={Fact.JOINED: "they are sewn first"},
        gives=(Fact.PRESSED,),
        way="into the bands",
        look="Both bands lie away from the front, and their seams run straight down to the end.",
    )
    after: tuple[Need, ...] = (Need(facts.join(Fact.PRESSED, sides.id), "the bands are sewn on and pressed first"),)
    if over:
        yield fold_over(bench, inside, over, after)
        after = (*after, Need(facts.finish(Fact.BASTED, inside.id), "their upper ends are folded first"))
    yield replace(
        step(
            "turn-in",
            Act.TURN,
            f"Turn in and stitch down the bands: {name}",
            "Fold each band on its fold line over the allowances, the pressed-in edge just past the row of stitching "
            f"on the inside; its lower {bench.margin(20)} stay free for now.",
            f"Edgestitch it {bench.margin(2)} from the seam, from the right side, down to the corner's level; the fold "
            "along the free edge in the same way, if it is to show.",
            took=minutes.seam(2 * bench.around([sides.id])),
            setting=settings.topstitch(bench.household, bench.margin(2)),
            gives=(facts.finish(Fact.FINISHED, inside.id),),
            on=On(finishes=(inside.id,), edges=shown(inside.parts)),
            rows=2,
            look="Inside, the fold is caught all along; both bands have one width.",
        ),
        requires=after,
    )
    yield box(
        "close",
        Act.JOIN,
        f"Lap the bands and close the lower end of the placket: {name}",
        f"{laps_over(bench)} Lay the bands on each other as they will be buttoned, the upper one filling the box from "
        "side to side; baste through both.",
        "Draw both lower ends through the box to the wrong side. From the right side lay the lower part of the garment "
        "up over the placket, along the box's lower end: the flap lies on the bands, wrong side up.",
        "Sew across through flap and both bands on the row that reinforces the corners, from corner to corner; over it "
        "a second time.",
        *_ends_trimmed(bench, end),
        took=minutes.each(8),
        setting=settings.seam(bench.household),
        needs=(Need(facts.finish(Fact.FINISHED, inside.id), "both bands are stitched down first"),),
        gives=(Fact.JOINED,),
        on=On(pieces=(body,), joins=(end.id,), edges=shown(end.a)),
        rows=2,
        caution=NEEDLE,
        booklet=True,
        look="From outside the upper band fills the box, square at its lower end, without a pucker or a hole at the "
        "corners.",
    )
    yield replace(
        neaten_together(bench, (end.id,), ID),
        title=f"Neaten the lower end of the placket: {name}",
        how=("Flap and ends of both bands as one.",),
    )
    yield box(
        "press",
        Act.PRESS,
        f"Press the placket: {name}",
        f"From the wrong side, the ends of the bands downwards. {iron_for(bench)}",
        "From the right side two rows across the lower end, or a square with a cross, hold it where it is pulled.",
        took=minutes.each(2),
        at=Bench.IRON,
        after={Fact.JOINED: "its lower end is closed first", Fact.FINISHED: "its edges are neatened first"},
        gives=(Fact.PRESSED,),
        look="The upper band covers the lower one from neck to end, and the front lies flat below both.",
    )


TECHNIQUE = Technique(
    id="half-placket",
    name="Half placket with two bands",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=10,
    words={"half placket": "an opening from the neck part of the way down, filled by two bands that lap"},
    draw="band closed",
)
