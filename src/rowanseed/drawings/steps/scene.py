"""A section through the layers, before it is drawn: sheets, rows of stitching, things, arrows."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from shapely.geometry import LineString

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point

THICK = 8.0


class Sheets(Worded):
    """What a sheet is, told by its tone and by its name."""

    SHELL = "shell"
    SECOND = "second", "facing, band or binding"
    LINING = "lining"
    STIFF = "stiff", "interfacing or canvas"
    NOTION = "notion", "tape, elastic or zip"


@dataclass(frozen=True)
class Sheet:
    """A layer of cloth from end to end. `right` is the side its right side is on, seen along it; empty: it has none."""

    name: str
    points: tuple[Point, ...]
    right: Literal["left", "right", ""] = ""
    kind: Sheets = Sheets.SHELL
    neatened: bool = False
    """Whether its last end is neatened."""

    @property
    def line(self) -> LineString:
        return LineString(_rounded(self.points))


@dataclass(frozen=True)
class Row:
    """A row of stitching through the layers, seen from its end: from where it enters to where it leaves."""

    name: str
    start: Point
    end: Point
    by: Literal["machine", "hand", "basting"] = "machine"


@dataclass(frozen=True)
class Thing:
    """Something that is no sheet: a cord, a zip's coil, a bone, a button, the edge loops of an overlocker."""

    name: str
    shape: Literal["round", "block", "coil", "loops", "button"]
    at: Point
    size: tuple[float, float] = (12.0, 12.0)


@dataclass(frozen=True)
class Arrow:
    """Where something is moved, pressed or cut; `both`: how far something is."""

    name: str
    start: Point
    end: Point
    both: bool = False


Part = Sheet | Row | Thing | Arrow


@dataclass(frozen=True)
class Scene:
    """A section: its title and its parts; `said` adds what the parts do not tell by themselves."""

    title: str
    parts: tuple[Part, ...]
    said: str = ""

    @property
    def names(self) -> tuple[str, ...]:
        """What the numbers stand for, in their order."""
        return tuple(dict.fromkeys(part.name for part in self.parts if part.name))

    @property
    def words(self) -> str:
        """The section read out."""
        told = "; ".join(f"{k}, {name}" for k, name in enumerate(self.names, start=1))
        return f"{self.title}. {told}." + (f" {self.said}" if self.said else "")


def _rounded(points: Sequence[Point], radius: float = 4.5) -> list[Point]:
    """A polyline with its corners rounded as cloth folds."""
    out = [points[0]]
    for before, corner, after in zip(points, points[1:], points[2:], strict=False):
        for k, (a, b) in enumerate(((before, corner), (after, corner))):
            gone = math.dist(a, b) or 1.0
            share = min(radius, gone / 2) / gone
            out.append((b[0] + (a[0] - b[0]) * share, b[1] + (a[1] - b[1]) * share))
            if k == 0:
                mid = len(out)
        first, last = out[mid - 1], out[-1]
        curve = [
            (
                (1 - t) ** 2 * first[0] + 2 * t * (1 - t) * corner[0] + t * t * last[0],
                (1 - t) ** 2 * first[1] + 2 * t * (1 - t) * corner[1] + t * t * last[1],
            )
            for t in (0.25, 0.5, 0.75)
        ]
        out[mid:mid] = curve
    return [*out, points[-1]]
