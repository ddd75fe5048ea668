"""A chart as an envelope prints it, typed or pasted: a line of sizes, then a line a measure."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import Units, format_length, parse_length
from rowanseed.core.body.measures import MEASURE

GIRTHS = {"bust": "bust", "chest": "bust", "waist": "waist", "hip": "hip", "hips": "hip"}
OF_A_BODY: Mapping[str, str] = {
    **GIRTHS,
    **{key.replace("_", " "): key for key in MEASURE if key != "waist_band"},
    "back length": "back_waist",
    "back waist length": "back_waist",
    "nape to waist": "back_waist",
    "back-waist": "back_waist",
    "arm length": "arm",
    "sleeve length": "arm",
    "inside leg": "inseam",
    "rise": "crotch_depth",
    "body rise": "crotch_depth",
    "hip depth": "waist_to_hip",
    "shoulder length": "shoulder",
    "bicep": "upper_arm",
}
"""What measures of a body are called on envelopes."""
OF_A_GARMENT: Mapping[str, str] = {
    **GIRTHS,
    "length": "length",
    "back length": "length",
    "finished length": "length",
    "finished back length": "length",
    "sleeve": "sleeve",
    "sleeve length": "sleeve",
    "hem": "hem",
    "hem width": "hem",
    "lower edge": "hem",
    "width at lower edge": "hem",
}
"""And what is printed of the finished garment."""
SIZES = ("size", "sizes")
NAME = r"\s*(?!sizes?\b)([A-Za-z][A-Za-z -]*?)\s*(?:\([^)]*\))?\s*[:,\t|]?\s*"
FIGURES = re.compile(NAME + r"(?=[\d.½¼¾⅛⅜⅝⅞])(.*)$", re.IGNORECASE)
FIRST_WORD = re.compile(r"\s*([A-Za-z]+)\s*(?:\([^)]*\))?\s*[:,\t| ]\s*(.*)$")
"""A line whose name goes up to its first figure, and one whose sizes, say, are letters."""


class ChartError(ValueError):
    """A chart that cannot be read, in the sewist's words."""


@dataclass(frozen=True)
class Chart:
    sizes: tuple[str, ...]
    rows: Mapping[str, Mapping[str, float]]
    """Measure → size → mm."""


def read_chart(text: str, unit: str, names: Mapping[str, str] = OF_A_BODY) -> Chart:
    """Read a pasted chart; bare figures are in `unit` ("cm" or "in"), measures are called as `names` says. Raises
    ChartError."""
    sizes: tuple[str, ...] = ()
    rows: dict[str, dict[str, float]] = {}
    for line in (one.strip() for one in text.splitlines()):
        if not line:
            continue
        name, cells = _cells(line)
        if name in SIZES:
            sizes = tuple(cells)
            continue
        if not sizes:
            raise ChartError("Begin with the line of sizes: “size 10 12 14”.")
        measure = names.get(name)
        if measure is None:
            known = ", ".join(one.replace("_", " ") for one in dict.fromkeys(names.values()))
            raise ChartError(f"“{name}” is none of size, {known}: leave its line out.")
        if len(cells) != len(sizes):
            raise ChartError(f"The {name} has {len(cells)} figures for {len(sizes)} sizes.")
        rows[measure] = {size: _figure(cell, unit, name) for size, cell in zip(sizes, cells, strict=True)}
    return Chart(sizes, rows)


def _cells(line: str) -> tuple[str, list[str]]:
    """The name at the head of a line and its figures, apart by tabs, commas, bars or spaces; “32 1/2” stays one."""
    found = FIGURES.match(line) or FIRST_WORD.match(line)
    if found is None:
        raise ChartError(f"“{line[:40]}” does not begin with the name of a measure.")
    name, rest = found[1].lower().strip(), found[2]
    if re.search(r"[\t,;|]", rest):
        cells = [cell.strip() for cell in re.split(r"\s*[\t,;|]\s*", rest)]
    else:
        cells = re.findall(r"\d+(?:\.\d+)?\s+\d+/\d+|\S+", rest)
    return name, [cell for cell in cells if cell]


def _figure(cell: str, unit: str, name: str) -> float:
    try:
        return parse_length(cell, unit)
    except LengthError:
        raise ChartError(f"The {name}: “{cell}” is no length.") from None


def written(sizes: tuple[str, ...], rows: Mapping[str, Mapping[str, float]], units: Units) -> str:
    """A chart as text, as envelopes print it, to 1/8 in or 0.1 cm; read back it is the same to that."""

    def figure(mm: float) -> str:
        return format_length(mm, units, fine=units is Units.METRIC, unit=False)

    # Figures with fractions run into each other without a comma.
    between = " " if units is Units.METRIC else ", "
    lines = [f"size {' '.join(sizes)}"]
    for measure, row in rows.items():
        lines.append(f"{measure.replace('_', ' ')} {between.join(figure(row[size]) for size in sizes if size in row)}")
    return "\n".join(lines) if rows else ""
