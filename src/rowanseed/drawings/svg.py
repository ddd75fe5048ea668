"""A small way to write SVG: elements by name, numbers rounded, text escaped."""

from __future__ import annotations

from collections.abc import Sequence
from xml.etree.ElementTree import Element, SubElement, tostring

from rowanseed.core.geometry.outline import Point

INK = "#14211f"
QUIET = "#52615d"
LINE = "#c9d2cf"
PAPER = "#ffffff"
CHALK = "#2f5f8f"
BERRY = "#b0252c"
FONT = "'Atkinson Hyperlegible Next', 'Atkinson Hyperlegible', sans-serif"


def number(value: float) -> str:
    """To hundredths, without zeros at its end; no zero is less than nothing."""
    said = f"{value:.2f}".rstrip("0").rstrip(".")
    return "0" if said == "-0" else said


def _attributes(attributes: dict[str, object]) -> dict[str, str]:
    return {
        name.rstrip("_").replace("_", "-"): number(value) if isinstance(value, float) else str(value)
        for name, value in attributes.items()
        if value is not None
    }


def drawing(width: float, height: float, title: str, description: str, **attributes: object) -> Element:
    """The root of a drawing with a viewBox of its own units, named for those who do not see it."""
    root = Element(
        "svg",
        {
            "xmlns": "http://www.w3.org/2000/svg",
            "viewBox": f"0 0 {number(float(width))} {number(float(height))}",
            "role": "img",
            "font-family": FONT,
            **_attributes(attributes),
        },
    )
    SubElement(root, "title").text = title
    SubElement(root, "desc").text = description
    return root


def add(parent: Element, tag: str, text: str | None = None, **attributes: object) -> Element:
    element = SubElement(parent, tag, _attributes(attributes))
    element.text = text
    return element


def keep_weight(root: Element, share: float = 0.7) -> None:
    """Strokes of a weight of their own on the screen, a share of what they say, however small the drawing is shown."""
    for element in root.iter():
        weight = element.get("stroke-width")
        if weight is not None:
            element.set("stroke-width", number(float(weight) * share))
            element.set("vector-effect", "non-scaling-stroke")


def path_of(points: Sequence[Point], *, closed: bool = True) -> str:
    """Path data through points."""
    return "M" + "L".join(f"{number(x)} {number(y)}" for x, y in points) + ("Z" if closed else "")


def halo(parent: Element, x: float, y: float, text: str, size: float, **attributes: object) -> Element:
    """Text with a white edge, legible over lines."""
    return add(
        parent,
        "text",
        text,
        x=float(x),
        y=float(y),
        font_size=float(size),
        paint_order="stroke",
        stroke=PAPER,
        stroke_width=size * 0.28,
        stroke_linejoin="round",
        **attributes,
    )


def write(root: Element) -> str:
    return tostring(root, encoding="unicode")
