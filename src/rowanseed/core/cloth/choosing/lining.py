"""Whether a cloth suits as a lining: smooth, opaque, no heavier than what it lines.

Common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.cloth.choosing.remark import Chosen, Remark
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.pattern.envelope import Structure

NO_BODY = 35.0
"""Silk of so many g/m² (8 momme) or less is too fine to line with; at 22 (5 momme) it has no body at all."""
DRAGS = (Fibre.COTTON, Fibre.LINEN, Fibre.WOOL)
LOOK_FOR = (
    "Look for smooth, opaque, firmly woven cloth that takes a press, lighter than the cloth it lines: acetate, "
    "viscose or silk. Polyester is easily had and breathes less."
)


def remarks(chosen: Chosen) -> Iterator[Remark]:
    """On the lining, or what to look for."""
    cloth = chosen.cloth
    if cloth is None:
        yield Remark("look-for", LOOK_FOR)
        return
    if cloth.fibre in DRAGS or cloth.surface.is_pile:
        yield (
            Remark("drags", "It drags: arms do not slide into its sleeves. A smooth cloth for these at least.", "mind")
            if chosen.has_sleeves
            else Remark("drags", "It does not slide over what is worn beneath; without sleeves it may do.")
        )
    elif cloth.fibre is Fibre.POLYESTER:
        yield Remark("polyester", "Polyester breathes badly and takes no sharp press; acetate, viscose and silk do.")
    elif cloth.fibre is Fibre.SILK and cloth.weight is not None and cloth.weight <= NO_BODY:
        yield Remark("no-body", "So fine a silk lacks the body of a lining: it tears at the seams.", "mind")
    if chosen.is_heavier_than_main:
        yield Remark("heavier", "It is heavier than the cloth it lines, and will decide how that hangs.", "mind")
    if chosen.main is not None and chosen.main.structure is Structure.KNIT and cloth.structure is Structure.WOVEN:
        yield Remark(
            "does-not-stretch", "It does not stretch with the knit it lines, and holds it as it is cut.", "mind"
        )
