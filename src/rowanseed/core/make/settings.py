"""Machine settings by task, and the needle by cloth (common practice, no source).

Stitch length and width are in mm, as the dials of machines have them; distances come worded in the household's units.
"""

from __future__ import annotations

from rowanseed.core.cloth.cloth import Fibre, Structure
from rowanseed.core.make.steps import Setting

_SIZES = {Fibre.SILK: "70/10", Fibre.WOOL: "90/14", Fibre.POLYESTER: "70/10", Fibre.ACETATE: "70/10"}
_BY_WEIGHT = ((80.0, "60/8"), (130.0, "70/10"), (230.0, "80/12"), (340.0, "90/14"))
"""Up to so many g/m²: the needle's size."""


def needle_for(fibre: Fibre, structure: Structure = Structure.WOVEN, weight: float | None = None) -> str:
    """The needle for a cloth: its point by weave and fibre, its size by weight where that is known."""
    point = "ball-point" if structure is Structure.KNIT else "sharp" if fibre is Fibre.SILK else "universal"
    size = _SIZES.get(fibre, "80/12")
    if weight is not None:
        size = next((found for most, found in _BY_WEIGHT if weight <= most), "100/16")
    return f"{point} {size}"


def seam(needle: str) -> Setting:
    return Setting(stitch="straight", length=2.5, foot="ordinary foot", needle=needle)


def staystitch(needle: str) -> Setting:
    return Setting(stitch="straight", length=2.5, foot="ordinary foot", needle=needle, note="no backstitch")


def zigzag(needle: str) -> Setting:
    return Setting(stitch="zigzag, width 3", length=2.0, foot="ordinary foot", needle=needle)


def overlock() -> Setting:
    return Setting(
        stitch="3-thread overlock",
        length=2.5,
        foot="overlocker foot",
        needle="the overlocker's own",
        note="the knife trims whiskers, no cloth",
    )


def invisible_zip(needle: str) -> Setting:
    return Setting(
        stitch="straight", length=2.5, foot="invisible-zip foot, or a zipper foot close to the coil", needle=needle
    )


def understitch(needle: str, away: str) -> Setting:
    return Setting(
        stitch="straight", length=2.5, foot="ordinary foot", needle=needle, note=f"{away} from the seam, on the facing"
    )


def hem(needle: str, away: str) -> Setting:
    return Setting(
        stitch="straight", length=3.0, foot="ordinary foot", needle=needle, note=f"{away} below the inner fold"
    )


def dart(needle: str, end: str) -> Setting:
    return Setting(
        stitch="straight", length=2.5, foot="ordinary foot", needle=needle, note=f"stitch length 1.5 for the last {end}"
    )


def ease(needle: str) -> Setting:
    return Setting(
        stitch="straight", length=4.5, foot="ordinary foot", needle=needle, note="set the length back afterwards"
    )


def edgestitch(needle: str, away: str) -> Setting:
    return Setting(stitch="straight", length=3.0, foot="edge foot", needle=needle, note=f"{away} from the fold")


def buttonhole(needle: str) -> Setting:
    return Setting(
        stitch="satin zigzag", length=0.4, foot="buttonhole foot", needle=needle, note="bobbin thread a little tighter"
    )
