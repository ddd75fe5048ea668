"""The fields of a cloth as people write them: lines of stripes, missing patches, shares; and back into fields."""

from __future__ import annotations

import re
from typing import Annotated, Any

from pydantic import BeforeValidator, ValidationInfo

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import Units, format_length, parse_length, parse_signed_length
from rowanseed.core.cloth.cloth import Cloth, Stripe
from rowanseed.core.geometry.outline import Point, bounds
from rowanseed.web.forms import refuse

MOST_LINES = 24
Patch = tuple[Point, ...]


def _unit(info: ValidationInfo) -> str:
    return str((info.context or {}).get("unit", "cm"))


def _lines(value: Any, info: ValidationInfo) -> Any:
    if not isinstance(value, str):
        return value
    found = []
    for part in (p for p in re.split(r"[;\n]", value) if p.strip()):
        at, slash, width = part.partition(":")
        if not slash:
            raise refuse(
                "Write each line as where it begins : how wide it is, and a semicolon between lines: 0 : 1,2; 4 : 0,3."
            )
        try:
            found.append(Stripe(parse_signed_length(at, _unit(info)), parse_length(width, _unit(info))))
        except LengthError as error:
            raise refuse(str(error)) from None
    if len(found) > MOST_LINES:
        raise refuse(f"More than {MOST_LINES} lines in one repeat: measure the repeat again.")
    if any(line.at < 0 for line in found):
        raise refuse("A line begins within the repeat: from 0 on.")
    return tuple(found)


_FROM_TO = re.compile(r"^\s*(.+?)\s*(?:–|—|to|-)\s*(.+?)\s*(?:×|x|by)\s*(.+?)\s*(?:–|—|to|-)\s*(.+?)\s*$")


def _patches(value: Any, info: ValidationInfo) -> Any:
    if not isinstance(value, str):
        return value
    found: list[Patch] = []
    for row in (r for r in value.splitlines() if r.strip()):
        read = _FROM_TO.match(row)
        if read is None:
            raise refuse("Write each patch in a line of its own, along × across: 0 – 40 × 90 – 140.")
        try:
            a, b, c, d = (parse_signed_length(text, _unit(info)) for text in read.groups())
        except LengthError as error:
            raise refuse(str(error)) from None
        if a < 0 or c < 0 or b <= a or d <= c:
            raise refuse(f"“{row.strip()}” runs backwards: from the smaller to the greater.")
        found.append(((a, c), (b, c), (b, d), (a, d)))
    return tuple(found)


def _weight(value: Any) -> Any:
    if not isinstance(value, str):
        return value
    written = value.strip().removesuffix("g/m²").strip().replace(",", ".")
    if not written:
        return None
    if not re.fullmatch(r"\d+(\.\d+)?", written) or not 10 <= float(written) <= 2000:
        raise refuse(
            "Weight is written in grams for a square metre, between 10 and 2000: 150 for a shirting, 300 for a suiting."
        )
    return float(written)


def _price(value: Any) -> Any:
    if not isinstance(value, str):
        return value
    written = value.strip().replace(",", ".")
    if not written:
        return None
    if not re.fullmatch(r"\d{1,6}(\.\d{1,2})?", written):
        raise refuse("A price is written like 18 or 18.50.")
    return float(written)


Lines = Annotated[tuple[Stripe, ...], BeforeValidator(_lines)]
Patches = Annotated[tuple[Patch, ...], BeforeValidator(_patches)]
Weight = Annotated[float | None, BeforeValidator(_weight)]
Price = Annotated[float | None, BeforeValidator(_price)]


# ---------------------------------------------------------------- back into fields


def fields_of(cloth: Cloth, units: Units) -> dict[str, str]:
    """A cloth as its form shows it."""

    def fine(mm: float | None) -> str:
        return format_length(mm, units, fine=True) if mm else ""

    def lines(found: tuple[Stripe, ...]) -> str:
        return "; ".join(f"{format_length(line.at, units, fine=True)} : {fine(line.width)}" for line in found)

    ticked = {"washed": cloth.washed, "both_sides": cloth.both_sides, "half_drop": cloth.repeat.half_drop}
    return {
        "name": cloth.name,
        "width": fine(cloth.width),
        "length": fine(cloth.length),
        "selvedge": fine(cloth.selvedge),
        "direction": cloth.direction.value,
        "fibre": cloth.fibre.value,
        "colour": cloth.colour,
        "surface": cloth.surface.value,
        "shrink_along": f"{cloth.shrink_along * 100:g}",
        "shrink_across": f"{cloth.shrink_across * 100:g}",
        "weight": f"{cloth.weight:g}" if cloth.weight else "",
        "structure": cloth.structure.value,
        "stretch": f"{cloth.stretch * 100:g}",
        "repeat_along": fine(cloth.repeat.along),
        "repeat_across": fine(cloth.repeat.across),
        "lengthwise": lines(cloth.lines.lengthwise),
        "crosswise": lines(cloth.lines.crosswise),
        "border": cloth.border.value,
        "border_line": fine(cloth.border_line),
        "price": f"{cloth.price:.2f}" if cloth.price is not None else "",
        "care": cloth.care,
        "gone": "\n".join(_patch_words(p, units) for p in cloth.gone if _is_box(p)),
        **{name: "yes" for name, on in ticked.items() if on},
    }


def _is_box(patch: Patch) -> bool:
    left, low, right, high = bounds(patch)
    return len(patch) == 4 and {*patch} == {(left, low), (right, low), (right, high), (left, high)}


def _patch_words(patch: Patch, units: Units) -> str:
    left, low, right, high = (format_length(v, units, fine=True) for v in bounds(patch))
    return f"{left} – {right} × {low} – {high}"


def shaped(cloth: Cloth) -> tuple[Patch, ...]:
    """What is gone in a shape that no form can write: what an earlier garment left."""
    return tuple(patch for patch in cloth.gone if not _is_box(patch))
