"""A gaping neck."""

from __future__ import annotations

from rowanseed.core.alter import neck
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    panels = dict.fromkeys(frame.panel for frame in neck.necked(pattern, size))
    return tuple(Place(f"Gaping neck, {panel.words}", at=panel.value) for panel in panels)


def _named(alteration: Alteration, pattern: Pattern) -> str:
    return f"Gaping neck, {alteration.at}"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    half = told.show(told.alteration.by / 2)
    return (
        f"On the {told.alteration.at} draw a line from the middle of the neck edge to the middle of the armhole.",
        f"{'Fold out' if told.more else 'Slash and spread'} {half} at the neck, nothing at the armhole.",
        "Draw the neck and the shoulder smooth again. Facing, band or collar is worked out under “goes along”.",
    )


KIND = AlterationKind(
    id="gaping-neck",
    name="Gaping neck",
    order=96,
    sense="taken out of the neck edge",
    opposite="given to the neck edge",
    most=40,
    why="its neck edge is folded",
    offered=lambda pattern, size: bool(neck.necked(pattern, size)),
    carry_out=lambda pattern, size, a: neck.tighten(pattern, size, Panel(a.at or "front"), a.by),
    tissue=_tissue,
    places=_places,
    named=_named,
)
