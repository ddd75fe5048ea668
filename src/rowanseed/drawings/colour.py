"""Colours taken from a cloth: a thread dark enough to read, and the cloth's own pale ground."""

from __future__ import annotations

Rgb = tuple[float, float, float]

READABLE = 5.0
"""Contrast against white that a thread has to reach; WCAG 2.2 asks 4.5 for text."""


def parse(colour: str) -> Rgb:
    """#rrggbb as shares of one. Raises ValueError for anything else."""
    if len(colour) != 7 or colour[0] != "#":
        raise ValueError(f"{colour!r} is not a colour like #6b3d5b")
    value = int(colour[1:], 16)
    return ((value >> 16) / 255, (value >> 8 & 255) / 255, (value & 255) / 255)


def written(rgb: Rgb) -> str:
    return "#" + "".join(f"{round(max(0.0, min(1.0, part)) * 255):02x}" for part in rgb)


def luminance(rgb: Rgb) -> float:
    """Relative luminance as WCAG 2.2 defines it."""
    linear = [part / 12.92 if part <= 0.04045 else ((part + 0.055) / 1.055) ** 2.4 for part in rgb]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def contrast(a: Rgb, b: Rgb) -> float:
    """Contrast ratio as WCAG 2.2 defines it, 1 to 21."""
    high, low = sorted((luminance(a), luminance(b)), reverse=True)
    return (high + 0.05) / (low + 0.05)


def mixed(a: Rgb, b: Rgb, share: float) -> Rgb:
    """`share` of b in a."""
    return (a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share, a[2] + (b[2] - a[2]) * share)


WHITE: Rgb = (1.0, 1.0, 1.0)
BLACK: Rgb = (0.0, 0.0, 0.0)


def thread(colour: str) -> str:
    """The cloth's colour, darkened until it can be read on the page's pale grey and on white."""
    rgb = parse(colour)
    page = parse("#e9edec")
    while contrast(rgb, page) < READABLE:
        rgb = mixed(rgb, BLACK, 0.06)
    return written(rgb)


def pale(colour: str, share: float = 0.72) -> str:
    """The cloth's ground as it is drawn: pale enough that lines and pieces stand out."""
    return written(mixed(parse(colour), WHITE, share))
