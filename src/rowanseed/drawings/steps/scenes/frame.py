"""What the chapters share: frames, and short ways to write the parts of a section."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from rowanseed.core.geometry.outline import Point
from rowanseed.drawings.steps.scene import Arrow, Part, Row, Scene, Sheet, Sheets, Thing


@dataclass(frozen=True)
class Frame:
    """A section and the steps it is shown at; none: the thing when it is done."""

    scene: Scene
    at: tuple[str, ...] = ()


Frames = Mapping[str, tuple[Frame, ...]]
STITCHING = "the stitching"
ALLOWANCE = "the allowance"


def frame(title: str, *parts: Part, at: tuple[str, ...] = (), said: str = "") -> Frame:
    return Frame(Scene(title, parts, said), at)


def cloth(name: str, *points: Point, right: Literal["left", "right", ""] = "", neatened: bool = False) -> Sheet:
    return Sheet(name, points, right, Sheets.SHELL, neatened)


def second(name: str, *points: Point, right: Literal["left", "right", ""] = "", neatened: bool = False) -> Sheet:
    return Sheet(name, points, right, Sheets.SECOND, neatened)


def lining(name: str, *points: Point, right: Literal["left", "right", ""] = "") -> Sheet:
    return Sheet(name, points, right, Sheets.LINING)


def stiff(name: str, *points: Point) -> Sheet:
    return Sheet(name, points, "", Sheets.STIFF)


def notion(name: str, *points: Point) -> Sheet:
    return Sheet(name, points, "", Sheets.NOTION)


def row(start: Point, end: Point, name: str = STITCHING) -> Row:
    return Row(name, start, end)


def hand(start: Point, end: Point, name: str = "hand stitches") -> Row:
    return Row(name, start, end, "hand")


def basting(start: Point, end: Point, name: str = "basting") -> Row:
    return Row(name, start, end, "basting")


def far(name: str, start: Point, end: Point) -> Arrow:
    return Arrow(name, start, end, both=True)


def to(name: str, start: Point, end: Point) -> Arrow:
    return Arrow(name, start, end)


def loops(at: Point, tall: float = 20.0, name: str = "edges neatened together") -> Thing:
    return Thing(name, "loops", at, (9.0, tall))
