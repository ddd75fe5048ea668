"""A fly that buttons: the holes lie in a strip hidden behind the lap, the buttons on the shield."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.buttonholes import SLIPS, length_of_hole
from rowanseed.core.make.families.flies import (
    BEFORE,
    LAP,
    caught,
    faced,
    fly_of,
    folded,
    own_parts,
    sides,
    whole,
)
from rowanseed.core.make.families.zips import beside
from rowanseed.core.make.holes import BEYOND
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.fastenings import number_of
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.pattern.pieces import PointKind

PIECES = 3
"""A facing, a shield and a strip with the buttonholes."""
SET_BACK = 3.0
"""The strip's fold lies so far inside the lap's edge, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.BUTTON_FLY):
        fly = fly_of(bench, closure, PIECES)
        if fly is not None:
            yield single(closure.id, fly.id, *own_parts(bench, fly))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    fly = fly_of(bench, closure, PIECES)
    assert fly is not None
    step = of_closure(bench, "button fly", duty.id)
    on = On(closures=(closure.id,), edges=beside(bench, join, closure))
    lap, under, _ = sides(bench)
    _, shield, strip = fly.pieces
    holes = number_of(bench.pattern, bench.size, (PointKind.BUTTONHOLE,), closure)
    basting = "basting of the fly's lap"
    yield from faced(bench, duty, step, on, fly)
    yield folded(
        bench,
        duty,
        step,
        strip,
        id="strip",
        title="Make up the fly's buttonhole strip",
        gives=facts.piece(Fact.PREPARED, strip),
        look="It is as long as the shield, its fold straight.",
    )
    yield step(
        "holes",
        Act.BUTTONHOLE,
        "Sew the buttonholes of the fly's strip",
        f"{holes} of them. {length_of_hole(bench)}",
        f"They lie across the strip, at the marks, and begin {bench.fine(BEYOND)} beyond them towards its fold. Cut "
        "them open now, while the strip is loose, a pin across each end.",
        took=minutes.each(4, max(1, holes)),
        setting=settings.buttonhole(bench.household),
        needs=(Need(facts.piece(Fact.PREPARED, strip), "it is made up first"),),
        gives=(Fact.OPENED,),
        on=On(closures=(closure.id,), pieces=(strip,)),
        caution=SLIPS,
        look="The button goes through without force.",
    )
    in_strip = caught(bench, duty, strip)
    yield step(
        "baste",
        Act.ATTACH,
        f"Sew the strip behind the lap: {step.name}",
        f"Under the {lap} front, holes towards the body, the strip's fold {bench.fine(SET_BACK)} inside the front's "
        "edge, its upper end level with the waist; pin it to the facing.",
        "Fold the front out of the way: stitch the strip's open edges to the facing only, and bar strip and facing "
        "together once between every two holes. Baste front, facing and strip along the line of the topstitching.",
        took=minutes.each(9),
        after={Fact.PREPARED: "both edges are pressed first", Fact.OPENED: "the holes are cut while it is loose"},
        gives=(Fact.BASTED, *whole(in_strip)),
        leaves=(basting,),
        on=On(closures=(closure.id,), pieces=(strip,), finishes=in_strip, edges=on.edges),
        look="From outside nothing of the strip is seen.",
    )
    yield step(
        "lap",
        Act.TOPSTITCH,
        f"Topstitch the fly: {step.name}",
        f"Chalk the line on the {lap} front: {bench.margin(LAP)} from the fold, straight down and curving into the "
        "seam just below the end of the opening, clear of the holes' ends. From the curve's end up to the waist, "
        "through front, facing and strip. Take the basting out.",
        took=minutes.each(8),
        setting=settings.topstitch(bench.household, bench.margin(LAP)),
        after={Fact.BASTED: "the strip is in its place"},
        gives=(Fact.TOPSTITCHED,),
        removes=(basting,),
        on=on,
        look="The line runs even, and no hole is caught in it.",
    )
    banded = any(one.kind is ClosureKind.BUTTONS for one in bench.closures.values())
    in_band = " The uppermost, in the band, comes when the band is whole." if banded else ""
    on_shield = caught(bench, duty, shield)
    yield step(
        "underlap",
        Act.ATTACH,
        f"Sew the shield to the underlap: {step.name}",
        f"The shield under the {under} front, its open edges level with the edge of the allowance, its fold towards "
        f"the other front: the front's fold, {bench.margin(BEFORE)} outside the stitching line, lies on it. Edgestitch "
        f"{bench.margin(2)} from the fold, from the lower end to the waist.",
        "Lay the fly as it is worn and bar the end of its curve through everything with a few stitches on the spot.",
        took=minutes.each(7),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.TOPSTITCHED: "the lap is finished first"},
        gives=(Fact.ATTACHED, facts.detail(Fact.FINISHED, fly.id), *whole(on_shield)),
        on=On(closures=(closure.id,), pieces=(shield,), finishes=on_shield, edges=on.edges),
        look="Laid as it is worn, the lap covers the underlap's row.",
    )
    yield step(
        "buttons",
        Act.FASTEN,
        f"Sew the fly's buttons to the shield: {step.name}",
        f"{holes} of them. Lay the fly as it is worn, the waist level; mark through the opened holes on the shield.",
        f"Sew each through front and shield where it lies on both, on a small shank.{in_band}",
        at=Bench.HAND,
        took=minutes.each(4, max(1, holes)),
        needs=(Need(facts.closure(Fact.OPENED, closure.id), "they are marked through the holes"),),
        after={Fact.ATTACHED: "the shield is sewn on first"},
        gives=(Fact.CLOSED,),
        on=On(closures=(closure.id,), pieces=(shield,), edges=on.edges),
        booklet=True,
        look="Buttoned, the lap lies flat and its edge covers the buttons.",
    )


TECHNIQUE = Technique(
    id="button-fly",
    name="Button fly",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=20,
    words={"buttonhole strip": "a folded strip with the buttonholes, hidden behind a lap"},
    draw="button fly",
)
