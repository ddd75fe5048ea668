"""Whether a cloth does for bands that are stretched on to their edges."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.units import INCH, Units, format_length
from rowanseed.core.cloth.choosing.remark import Chosen, Remark
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.stretched import RIBBING, stretched_bands


def is_for_bands(chosen: Chosen) -> bool:
    """Whether nothing else is cut from it."""
    bands = stretched_bands(chosen.garment.making)
    return bool(chosen.pieces) and all(piece.own_id in bands for piece in chosen.pieces)


def remarks(chosen: Chosen) -> Iterator[Remark]:
    cloth, test = chosen.cloth, _stretch_test(chosen.units)
    if cloth is None:
        yield Remark("look-for", f"For the bands: ribbing, a knit of ribs that springs back. {test}")
    elif cloth.structure is Structure.WOVEN:
        yield Remark(
            "woven-for-ribbing",
            "The bands are cut shorter than their edges and stretched on: woven cloth does not reach. Take ribbing.",
            "mind",
        )
    elif cloth.stretch and cloth.stretch < RIBBING:
        yield Remark(
            "stretches-less",
            f"Ribbing stretches by {100 * RIBBING:.0f} % at the least; this one by {100 * cloth.stretch:.0f} %: cut "
            "the bands longer, and try one on its edge first.",
            "mind",
        )
    elif not cloth.stretch:
        yield Remark("stretch-unknown", f"How far this one stretches is not written down. {test}")


def _stretch_test(units: Units) -> str:
    """How it is tried in the shop, by hand."""
    if units is Units.METRIC:
        return f"Try it: 10 cm across have to reach {10 * (1 + RIBBING):g} cm without straining, and spring back."
    reach = format_length(4 * INCH * (1 + RIBBING), units)
    return f"Try it: 4 in across have to reach {reach} without straining, and spring back."
