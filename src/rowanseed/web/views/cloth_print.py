"""What the page of a cloth's print shows."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from rowanseed.core.geometry.outline import Point
from rowanseed.store.cloths import ClothEntry
from rowanseed.web.deps import PageView


@dataclass(frozen=True, kw_only=True)
class ClothPrintView(PageView):
    """`corners` are shares of the photo's width and height; `swatch` shows the print once there is one."""

    template = "cloth_print.html"
    entry: ClothEntry
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    corners: Sequence[Point]
    swatch: str
