"""The fields of a cloth as people write them: lines of stripes, corners of missing patches, shares; and back."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Annotated, Any

from pydantic import BeforeValidator, ValidationInfo
from shapely.geometry import Polygon

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import YARD, Units, format_length, parse_length, parse_signed_length
from rowanseed.core.cloth.cloth import Cloth, Stripe
from rowanseed.core.geometry.outline import Point
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


WEIGHTS = {"": 1.0, "g": 1.0, "gsm": 1.0, "g/m²": 1.0, "oz": 33.906, "oz/yd²": 33.906, "momme": 4.34}
"""What a weight is multiplied with to have it in g/m²: an ounce is 28.3495 g and a square yard 0.836127 m²; a momme is
4.34 g/m² (from memory)."""
LIGHTEST, HEAVIEST = 10.0, 2000.0


def _weight(value: Any) -> Any:
    if not isinstance(value, str):
        return value
    written = value.strip().lower().replace(",", ".")
    if not written:
        return None
    found = re.fullmatch(r"(\d+(?:\.\d+)?)\s*(\D*)", written)
    in_grams = float(found[1]) * WEIGHTS.get(found[2].strip().rstrip("."), 0.0) if found else 0.0
    if not LIGHTEST <= in_grams <= HEAVIEST:
        raise refuse(
            "Weight is written in grams for a square metre, between 10 and 2000: 150 for a shirting, 300 for a "
            "suiting. Ounces for a square yard (8 oz) and a silk’s momme (16 momme) are understood too."
        )
    return round(in_grams, 1)


METRES_IN_YARD = YARD / 1000


def _price(value: Any, info: ValidationInfo) -> Any:
    if not isinstance(value, str):
        return value
    written = value.strip().replace(",", ".")
    if not written:
        return None
    if not re.fullmatch(r"\d{1,6}(\.\d{1,2})?", written):
        raise refuse("A price is written like 18 or 18.50.")
    return float(written) / (METRES_IN_YARD if (info.context or {}).get("unit") == Units.IMPERIAL.small else 1.0)


Lines = Annotated[tuple[Stripe, ...], BeforeValidator(_lines)]
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
        "use": cloth.use.value,
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
        "price": "" if cloth.price is None else f"{cloth.price * (1 if units is Units.METRIC else METRES_IN_YARD):.2f}",
        "care": cloth.care,
        **_corner_fields(cloth, units),
        **{name: "yes" for name, on in ticked.items() if on},
    }


# ---------------------------------------------------------------- patches that nothing may touch, by their corners

MOST_PATCHES, MOST_CORNERS = 8, 12
EMPTY_CORNERS = 4
_CORNER = re.compile(r"^gone-(\d{1,2})-(\d{1,2})-(along|across)$")


@dataclass(frozen=True)
class Corner:
    """A corner of a patch in the form: the names of its two fields."""

    along: str
    across: str


def corner_rows(typed: Mapping[str, str]) -> list[list[Corner]]:
    """The fields of every patch: those that were written, and empty ones for one patch more."""
    most: dict[int, int] = {}
    for name in typed:
        found = _CORNER.match(name)
        if found is not None:
            patch, corner = int(found[1]), int(found[2])
            if patch < MOST_PATCHES and corner < MOST_CORNERS:
                most[patch] = max(most.get(patch, 0), corner + 1)
    numbers = [max(EMPTY_CORNERS, most.get(p, 0)) for p in range(max(most, default=-1) + 1)]
    if typed.get("more") == "corner" and numbers:
        numbers[-1] = min(MOST_CORNERS, numbers[-1] + 1)
    elif len(numbers) < MOST_PATCHES and (not numbers or typed.get("more") == "patch" or not _is_empty(typed, numbers)):
        numbers.append(EMPTY_CORNERS)
    return [[Corner(f"gone-{p}-{k}-along", f"gone-{p}-{k}-across") for k in range(n)] for p, n in enumerate(numbers)]


def _is_empty(typed: Mapping[str, str], numbers: list[int]) -> bool:
    last = len(numbers) - 1
    return not any(typed.get(f"gone-{last}-{k}-{way}") for k in range(numbers[-1]) for way in ("along", "across"))


def read_patches(typed: Mapping[str, str], unit: str, cloth: Cloth) -> tuple[tuple[Patch, ...], dict[str, str]]:
    """The patches written by their corners, in mm; or a sentence for each field that cannot be taken."""
    found: list[Patch] = []
    errors: dict[str, str] = {}
    for row in corner_rows(typed):
        corners = []
        for corner in row:
            said = [typed.get(name, "").strip() for name in (corner.along, corner.across)]
            if not any(said):
                continue
            along = _place(said[0], unit, corner.along, errors)
            across = _place(said[1], unit, corner.across, errors)
            if along is not None and across is not None:
                corners.append((along, across))
        if corners and not errors:
            fault = _fault_of(corners, cloth)
            if fault:
                errors[row[0].along] = fault
            else:
                found.append(tuple(corners))
    return tuple(found), errors


def _place(text: str, unit: str, name: str, errors: dict[str, str]) -> float | None:
    if not text:
        errors[name] = "Both figures of a corner are needed."
        return None
    try:
        return parse_signed_length(text, unit)
    except LengthError as error:
        errors[name] = str(error)
        return None


def _fault_of(corners: list[Point], cloth: Cloth) -> str:
    """What is wrong with a patch as a whole; empty where nothing is."""
    if len(corners) < 3:
        return "A patch has three corners or more."
    shape = Polygon(corners)
    if not shape.is_valid or shape.area < 1:
        return "The corners have to be written in order, all the way round."
    reach = (cloth.length if cloth.length is not None else float("inf"), cloth.width)
    if any(x < -0.5 or y < -0.5 or x > reach[0] + 0.5 or y > reach[1] + 0.5 for x, y in corners):
        return "A corner lies off the cloth: along it from its cut end, across it from the lower selvedge."
    return ""


def _corner_fields(cloth: Cloth, units: Units) -> dict[str, str]:
    out = {}
    for p, patch in enumerate([q for q in cloth.gone if is_written(q)][:MOST_PATCHES]):
        for k, (x, y) in enumerate(patch):
            out[f"gone-{p}-{k}-along"] = format_length(x, units, fine=True)
            out[f"gone-{p}-{k}-across"] = format_length(y, units, fine=True)
    return out


def is_written(patch: Patch) -> bool:
    """Whether a patch has so few corners that the form shows them."""
    return len(patch) <= MOST_CORNERS


def shaped(cloth: Cloth) -> tuple[Patch, ...]:
    """What is gone in a shape that the form does not show: what an earlier garment left."""
    rest = [patch for patch in cloth.gone if not is_written(patch)]
    return tuple(rest) + tuple([p for p in cloth.gone if is_written(p)][MOST_PATCHES:])


def in_form_order(cloth: Cloth) -> Cloth:
    """The cloth with its patches in the order in which the form gives them back: those in a shape it does not show
    first."""
    shown = [patch for patch in cloth.gone if is_written(patch)][:MOST_PATCHES]
    return replace(cloth, gone=(*shaped(cloth), *shown))
