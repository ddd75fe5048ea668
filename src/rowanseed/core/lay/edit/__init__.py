"""A lay changed by hand: pieces moved, turned, mirrored, parked; what is wrong with it then, in words.

Everything is pure: a plan goes in, a plan comes out, and the exact check says what is wrong with it. Whoever changes
lays takes it from here, whatever module it stands in.
"""

from rowanseed.core.lay.edit.faults import Fault, FaultKind, faults
from rowanseed.core.lay.edit.moves import mirror, move, turn
from rowanseed.core.lay.edit.placements import ids, lay_down, placement, stretch_of, strips
from rowanseed.core.lay.edit.rules import NotAllowed, Rule
from rowanseed.core.lay.edit.stretches import (
    Parked,
    beyond,
    carried_over,
    changed_pieces,
    exchange,
    put_on,
    take_off,
    to_stretch,
    without_empty,
)
from rowanseed.core.lay.edit.together import mend, pins, push_together

__all__ = [
    "Fault",
    "FaultKind",
    "NotAllowed",
    "Parked",
    "Rule",
    "beyond",
    "carried_over",
    "changed_pieces",
    "exchange",
    "faults",
    "ids",
    "lay_down",
    "mend",
    "mirror",
    "move",
    "pins",
    "placement",
    "push_together",
    "put_on",
    "stretch_of",
    "strips",
    "take_off",
    "to_stretch",
    "turn",
    "without_empty",
]
