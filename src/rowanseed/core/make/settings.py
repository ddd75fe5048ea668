"""Machine settings by task, and the needle by cloth (common practice, no source)."""

from __future__ import annotations

from rowanseed.core.cloth import Fibre, Structure
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
    return Setting("straight", 2.5, "ordinary foot", needle)


def staystitch(needle: str) -> Setting:
    return Setting("straight", 2.5, "ordinary foot", needle, "no backstitch")


def zigzag(needle: str) -> Setting:
    return Setting("zigzag, 3 mm wide", 2.0, "ordinary foot", needle)


def overlock() -> Setting:
    return Setting(
        "3-thread overlock",
        2.5,
        "overlocker foot",
        "the overlocker's own",
        "the knife trims whiskers, no cloth",
    )


def invisible_zip(needle: str) -> Setting:
    return Setting("straight", 2.5, "invisible-zip foot, or a zipper foot close to the coil", needle)


def understitch(needle: str) -> Setting:
    return Setting("straight", 2.5, "ordinary foot", needle, "2 mm from the seam, on the facing")


def hem(needle: str) -> Setting:
    return Setting("straight", 3.0, "ordinary foot", needle, "2 mm below the inner fold")


def dart(needle: str) -> Setting:
    return Setting("straight", 2.5, "ordinary foot", needle, "1.5 mm for the last 2 cm")


def ease(needle: str) -> Setting:
    return Setting("straight", 4.5, "ordinary foot", needle, "set the length back afterwards")


def edgestitch(needle: str) -> Setting:
    return Setting("straight", 3.0, "edge foot", needle, "2 mm from the fold")


def buttonhole(needle: str) -> Setting:
    return Setting("satin zigzag", 0.4, "buttonhole foot", needle, "bobbin thread a little tighter")
