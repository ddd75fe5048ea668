"""A chart as an envelope prints it, typed or pasted: a line of sizes, then a line a measure."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import Units, format_length, parse_length
from rowanseed.core.base.words import plural
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
NAME = r"\s*(?!sizes?\b)([A-Za-z][A-Za-z -]*?)\s*(?:\([^)]*\))?\s*(?:[:,\t|]|[-–](?=\s))?\s*"
FIGURES = re.compile(NAME + r"(?=[\d.½¼¾⅛⅜⅝⅞])(.*)$", re.IGNORECASE)
FIRST_WORD = re.compile(r"\s*([A-Za-z]+)\s*(?:\([^)]*\))?\s*[:,\t| ]\s*(.*)$")
"""A line whose name goes up to its first figure, and one whose sizes, say, are letters."""


RANGE = re.compile(r"\d[\d\s./½¼¾⅛⅜⅝⅞]*[-–]\s*\d")


class ChartError(ValueError):
    """A chart that cannot be read, in the sewist's words."""


@dataclass(frozen=True)
class Chart:
    sizes: tuple[str, ...]
    rows: Mapping[str, Mapping[str, float]]
    """Measure → size → mm."""


def read_chart(text: str, unit: str, names: Mapping[str, str] = OF_A_BODY) -> Chart:
    """Read a pasted chart, a line a measure or a line a size.

    Bare figures are in `unit` ("cm" or "in"), measures are called as `names` says. Raises ChartError.
    """
    sizes: tuple[str, ...] = ()
    rows: dict[str, dict[str, float]] = {}
    lines = [line for one in text.splitlines() if (line := one.strip())]
    for line in _a_line_a_measure(lines, names):
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


def _a_line_a_measure(lines: Sequence[str], names: Mapping[str, str]) -> Sequence[str]:
    """The lines of a table; one that is printed the other way round, a line a size, is turned."""
    if not lines or re.match(r"sizes?\b", lines[0], re.IGNORECASE) is None:
        return lines
    head = [cell.lower() for cell in _cells(lines[0])[1]]
    if not head or any(cell not in names for cell in head):
        return lines
    rows = []
    for line in lines[1:]:
        size, _, rest = re.sub(r"[\s:,|]+", "\t", line, count=1).partition("\t")
        cells = _apart(rest)
        if len(cells) != len(head):
            raise ChartError(f"Size {size} has {plural(len(cells), 'figure')} for {plural(len(head), 'measure')}.")
        rows.append((size, cells))
    turned = ("\t".join((name, *(cells[k] for _, cells in rows))) for k, name in enumerate(head))
    return ["\t".join(("size", *(size for size, _ in rows))), *turned]


def _cells(line: str) -> tuple[str, list[str]]:
    """The name at the head of a line and its figures, apart by tabs, commas, bars or spaces; “32 1/2” stays one."""
    found = FIGURES.match(line) or FIRST_WORD.match(line)
    if found is None:
        raise ChartError(f"“{line[:40]}” does not begin with the name of a measure.")
    return found[1].lower().strip(), _apart(found[2])


def _apart(text: str) -> list[str]:
    if re.search(r"[\t,;|]", text):
        cells = [cell.strip() for cell in re.split(r"\s*[\t,;|]\s*", text)]
    else:
        cells = re.findall(r"\d+(?:\.\d+)?\s+\d+/\d+|\S+", text)
    return [cell for cell in cells if cell]


def _figure(cell: str, unit: str, name: str) -> float:
    try:
        return parse_length(cell, unit)
    except LengthError:
        said = "give the one figure that it is drafted for, as a rule the middle" if RANGE.match(cell) else "no length"
        raise ChartError(f"The {name}: “{cell}” is {'a range: ' if RANGE.match(cell) else ''}{said}.") from None


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
