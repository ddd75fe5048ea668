"""Crotch seam sewn flat, before the inner legs: below a bodice that is opened by a zip in one of them."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.crotches import pressed_above, sewn_flat
from rowanseed.core.make.families.plain_seams import sewn_seam
from rowanseed.core.make.operation import Act, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import is_trimmed, narrowest
from rowanseed.core.make.workbench import BLADES, NEEDLE, Workbench, shown
from rowanseed.core.pattern.legs import CROTCH
from rowanseed.core.pattern.making import EdgePart

ID = "crotch sewn flat"
TWICE = 3.0
"""The second row lies so far inside the first, in mm."""
TO = 8.0
"""The lower curve is trimmed to so much, in mm."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for join in sewn_flat(bench):
        yield single(join.id)


def curves(bench: Workbench, duty: Duty) -> tuple[EdgePart, ...]:
    return tuple(p for p in bench.parts(duty.id) if p.edge == CROTCH)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """As any seam that is pressed open, and twice along its lower curve, which is trimmed before it is pressed."""
    name = lower_first(bench.joins[duty.id].name)
    for op in sewn_seam(bench, duty, is_open=True):
        if op.act is Act.CLIP:
            # The lower curve is trimmed instead: it is never pressed open.
            continue
        if op.act is not Act.PRESS:
            yield replace(op, technique=ID)
    yield _again(bench, duty, name)
    yield pressed_above(bench, duty.ids, ID)


def _again(bench: Workbench, duty: Duty, name: str) -> Operation:
    at, setting = settings.neaten(bench.household)
    parts = curves(bench, duty)
    is_wide = is_trimmed(narrowest(bench, parts), TO)
    cut = f"trim both allowances to {bench.margin(TO)} and " if is_wide else ""
    return Operation(
        id=f"trim-{duty.id}",
        technique=ID,
        act=Act.TRIM,
        title=f"Sew the lower curve twice and trim it: {name}",
        how=(
            f"A second row {bench.margin(TWICE)} inside the first, in the allowance, from the notch down to the inner "
            "leg's edge: it takes all the strain.",
            f"From the notch down {cut}neaten them together there. Above it leave them whole.",
        ),
        bench=at,
        minutes=minutes.trim(400),
        on=On(joins=duty.ids, edges=shown(parts)),
        requires=tuple(Need(facts.join(Fact.JOINED, id), "it is sewn first") for id in duty.ids),
        gives=facts.joins(Fact.GRADED, duty.ids),
        setting=setting,
        rows=0.4,
        caution=f"{BLADES} {NEEDLE}",
        look="Below the notch the allowances are narrow and neatened as one; above, they are as wide as before.",
    )


TECHNIQUE = Technique(
    id="crotch-flat",
    name="Crotch seam sewn flat",
    chapter="seams",
    finds=finds,
    sews=sews,
    rank=29,
    draw="seam open",
)
