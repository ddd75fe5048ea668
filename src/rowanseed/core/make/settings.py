"""Machine settings by task, and the needle by cloth (common practice, no source)."""

from __future__ import annotations

from rowanseed.core.cloth import Fibre
from rowanseed.core.make.steps import Setting

_NEEDLES = {
    Fibre.SILK: "sharp 70/10",
    Fibre.WOOL: "universal 90/14",
    Fibre.LINEN: "universal 80/12",
    Fibre.POLYESTER: "universal 70/10",
}


def needle_for(fibre: Fibre) -> str:
    return _NEEDLES.get(fibre, "universal 80/12")


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
