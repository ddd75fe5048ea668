"""Room for the thigh, outside or inside."""

from __future__ import annotations

from rowanseed.core.alter import crotch, thigh
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.pattern.pattern import Pattern

WHERE = {thigh.OUTER: "at the outer leg seam", thigh.INNER: "at the inner leg seam"}


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    legs = crotch.legs(pattern, size)
    edges = [edge for edge in WHERE if legs and all(frame.edge(edge) for frame in legs)]
    return tuple(Place(f"Thigh, each leg, {WHERE[edge]}", at=edge) for edge in edges)


def _named(alteration: Alteration, pattern: Pattern) -> str:
    return f"Thigh, each leg, {WHERE.get(alteration.at, alteration.at)}"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    half, side = told.show(told.alteration.by / 2), "outside" if told.more else "inside"
    top = "the crotch point" if told.alteration.at == thigh.INNER else "the hip"
    return (
        f"{told.show(thigh.BELOW)} below the crotch point mark a point {half} {side} the seam, on front and back.",
        f"Draw a smooth curve through it, to nothing at {top} and at the knee.",
    )


KIND = AlterationKind(
    id="thigh",
    name="Thigh",
    order=115,
    sense="wider",
    opposite="narrower",
    most=100,
    why="it covers the thigh",
    offered=lambda pattern, size: bool(_places(pattern, size)),
    carry_out=lambda pattern, size, a: thigh.change_width(pattern, size, a.at, a.by),
    tissue=_tissue,
    places=_places,
    named=_named,
)
