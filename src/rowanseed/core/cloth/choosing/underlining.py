"""Whether a cloth suits as an underlining: it acts as one with the cloth that it is basted to.

Common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.cloth.choosing.remark import Chosen, Remark
from rowanseed.core.pattern.envelope import Structure

LOOK_FOR = "Look for something thin and firmly woven that is washed as the cloth is: cotton batiste, organza, silk."


def remarks(chosen: Chosen) -> Iterator[Remark]:
    """On the underlining, or what to look for."""
    cloth, main = chosen.cloth, chosen.main
    if cloth is None:
        yield Remark("look-for", LOOK_FOR)
        return
    if chosen.is_heavier_than_main:
        yield Remark("heavier", "It is heavier than the cloth it backs, which then hangs as it does.", "mind")
    if main is not None and main.structure is not cloth.structure:
        knit = "it" if cloth.structure is Structure.KNIT else "the cloth"
        yield Remark(
            "not-alike", f"A knit and a woven cloth do not act as one: {knit} stretches, the other holds.", "mind"
        )
    if main is not None and main.fibre is not cloth.fibre and not (main.washed and cloth.washed):
        yield Remark("shrinks-apart", "Cloths of two fibres shrink apart: wash both before they are basted together.")
