"""The line of a raglan sleeve on the bodice: from the underarm up to the neck, of which the sleeve takes a part.

Where it leaves neck and armhole is a share from memory.
"""

from __future__ import annotations

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import IN, UP, curve
from rowanseed.core.compose.gorge import gorge
from rowanseed.core.compose.vocabulary import CollarKind, SleeveKind
from rowanseed.core.geometry.outline import Chain

NECK = 0.36
"""So much of the neck's curve, from the shoulder on, goes to the sleeve."""
MOST_NECK = 60.0
"""But never more than so much of it, in mm: of a V neck, which runs down far (common practice, no source)."""
TURN = 0.42
"""Where the line turns above the underarm, as a share of the armhole's height."""


def is_raglan(d: Description) -> bool:
    sleeve = d.features.sleeve
    return d.garment.has_bodice and sleeve is not None and sleeve.kind is SleeveKind.RAGLAN


def neck_parts(block: Upper) -> tuple[Chain, Chain]:
    """(the sleeve's part of the neck, the body's), from the shoulder to the centre."""
    turned = block.is_front and block.description.features.collar is CollarKind.NOTCHED
    neck = gorge(block) if turned else block.neck
    first, rest = neck[0].split(min(NECK, MOST_NECK / neck[0].length()))
    return (first,), (rest, *neck[1:])


def raglan_line(block: Upper) -> Chain:
    """The raglan line on the body, from the underarm up to the neck."""
    start, end = block.armhole[0].start, neck_parts(block)[1][0].start
    turn = (start[0] - TURN * (start[0] - block.tip[0]), min(block.across, (start[1] + end[1]) / 2 + 18.0))
    on = (end[0] - turn[0], end[1] - turn[1])
    return (curve(start, IN, turn, UP, 0.5, 0.4), curve(turn, UP, end, on, 0.36))
