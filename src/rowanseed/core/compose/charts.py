"""Usual body charts, and the rows of a chart that an envelope does not print."""

from __future__ import annotations

from collections.abc import Mapping

from rowanseed.core.compose.as_printed import Row
from rowanseed.core.compose.description import Description
from rowanseed.core.pattern.envelope import Figure

CHARTS: Mapping[Figure, tuple[tuple[str, ...], Mapping[str, tuple[float, ...]]]] = {
    Figure.WOMEN: (
        ("8", "10", "12", "14", "16", "18"),
        {
            "bust": (800, 830, 870, 920, 970, 1020),
            "waist": (610, 640, 670, 720, 770, 830),
            "hip": (850, 880, 920, 970, 1020, 1070),
        },
    ),
    Figure.MEN: (
        ("S", "M", "L", "XL", "XXL"),
        {
            "bust": (920, 980, 1040, 1100, 1160),
            "waist": (780, 840, 900, 970, 1040),
            "hip": (930, 980, 1030, 1085, 1140),
        },
    ),
    Figure.CHILDREN: (
        ("4", "6", "8", "10", "12"),
        {"bust": (580, 620, 670, 720, 770), "waist": (540, 560, 590, 620, 650), "hip": (600, 640, 700, 760, 820)},
    ),
    Figure.UNISEX: (
        ("XS", "S", "M", "L", "XL"),
        {
            "bust": (820, 880, 950, 1030, 1110),
            "waist": (660, 720, 790, 870, 950),
            "hip": (870, 930, 1000, 1070, 1140),
        },
    ),
}
"""Usual charts, to start from (invented round figures in the usual steps)."""


def body_row(
    description: Description,
    name: str,
    sizes: tuple[str, ...],
    usual: tuple[str, ...],
    chart: Mapping[str, tuple[float, ...]],
    assumed: dict[str, str],
) -> Row:
    """A measure of the body in every size: what was said of it, or a usual chart's, which is told."""
    said = description.body_chart.get(name)
    if said and all(size in said for size in sizes):
        return said
    assumed[f"body_chart.{name}"] = f"a usual chart's {name}"
    own = dict(zip(usual, chart[name], strict=True))
    if all(size in own for size in sizes):
        return own
    # Other names of sizes: from the measure that is said, by the proportion of the usual chart's middle size.
    middle = len(usual) // 2
    for other, row in description.body_chart.items():
        if other in chart and all(size in row for size in sizes):
            share = chart[name][middle] / chart[other][middle]
            return {size: row[size] * share for size in sizes}
    step = (chart[name][-1] - chart[name][0]) / (len(usual) - 1)
    first = chart[name][middle] - step * (len(sizes) // 2)
    return {size: first + step * k for k, size in enumerate(sizes)}
