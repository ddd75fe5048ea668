"""Length at a line printed for it."""

from __future__ import annotations

from rowanseed.core.alter import length
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.deform import BAND
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.pattern.pattern import Pattern


def line_name(id: str) -> str:
    """A printed line's name for the page: `body-length` is “body length”."""
    return id.replace("-", " ")


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    return tuple(
        Place(f"{line_name(line).capitalize()}, at the printed line", at=line) for line in length.printed_lines(pattern)
    )


def _named(alteration: Alteration, pattern: Pattern) -> str:
    what = line_name(alteration.at).capitalize()
    return what if "length" in what or "depth" in what else f"{what} length"


def _is_on_sleeve(alteration: Alteration) -> bool:
    return "sleeve" in alteration.at.split("-")


def _tissue(told: OnTissue) -> tuple[str, ...]:
    line, smooth = line_name(told.alteration.at), f"{told.show(BAND)} above to {told.show(BAND)} below."
    if told.more:
        return (
            f"Cut every piece apart along its printed line “{line}”.",
            f"Lay paper beneath and spread the halves {told.figure} apart, the grainline in one line.",
            f"Tape, and draw the edges smooth from {smooth}",
        )
    return (
        f"On every piece draw a line {told.figure} below the printed line “{line}”.",
        "Fold the tissue so that the printed line lies on the new one, the grainline in one line; tape.",
        f"Draw the edges smooth from {smooth}",
    )


KIND = AlterationKind(
    id="length",
    name="Length at the printed line",
    order=10,
    sense="longer",
    opposite="shorter",
    most=200,
    why="the line is printed on it",
    offered=lambda pattern, size: bool(length.printed_lines(pattern)),
    carry_out=lambda pattern, size, a: length.change_at_line(pattern, size, a.at, a.by),
    tissue=_tissue,
    places=_places,
    named=_named,
    on_sleeve=_is_on_sleeve,
)
