"""Keyhole buttonholes."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.families.buttonholes import (
    finds,
    holes_of,
    sewn_on,
    where_they_lie,
    why_not,
)
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def keyhole(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield holes_of(
        bench,
        duty,
        "keyhole buttonholes",
        where_they_lie(bench, duty.id),
        "The eye lies at the end towards the garment's edge, of an upright hole above: the button's shank sits in it.",
        "Marked to the plain length: the eye comes on top of it. Lay a cord or thick thread under the stitches, and "
        "in thick cloth sew each one twice.",
        "Cut the eye with a round punch first, then the slit from the eye on; draw the cord tight, knot and bury it.",
        title="Sew the keyhole buttonholes",
        setting=replace(settings.buttonhole(bench.household), stitch="keyhole buttonhole"),
        caution="A punch and a blade slip: on a wooden block, a pin across the end of the hole.",
        look="Buttoned, the shank lies in the eye and the edges do not shift.",
    )
    yield from sewn_on(bench, duty)


def _keyhole_machine(bench: Workbench) -> str:
    return "" if bench.household.equipment.machine else "it needs a machine with a keyhole stitch"


TECHNIQUE = Technique(
    id="keyhole-buttonholes",
    name="Keyhole buttonholes",
    chapter="closures",
    finds=finds,
    why_not=why_not,
    sews=keyhole,
    rank=21,
    usual=False,
    asks=_keyhole_machine,
    draw="buttonhole",
)
