"""What to mind as cloth and notions are chosen for a child: the usual cautions, which defer to local rules."""

from __future__ import annotations

from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.pattern.pattern import Pattern

NIGHTWEAR = ("nightdress", "robe of rectangles")
SMALL = (ClosureKind.BUTTONS, ClosureKind.SNAPS, ClosureKind.HOOK_AND_EYE, ClosureKind.BUTTON_LOOP)
FLAMMABLE = (
    "Loose nightwear catches fire easily: choose a cloth that is sold for a child's nightwear, and keep it close to "
    "the body; local rules say which cloths may be used."
)
SMALL_PARTS = (
    "Buttons, snaps and hooks can be swallowed: sew each so that it cannot be pulled off, and choose another closure "
    "for the youngest; local rules say for which age."
)


def cautions(pattern: Pattern) -> tuple[str, ...]:
    """What a garment for a child asks for; nothing for anybody else's."""
    if pattern.envelope.figure is not Figure.CHILDREN:
        return ()
    night = (FLAMMABLE,) if pattern.garment in NIGHTWEAR else ()
    small = (SMALL_PARTS,) if any(closure.kind in SMALL for closure in pattern.making.closures) else ()
    return (*night, *small)
