"""Crotch length at the crotch point: both, or the front or back alone."""

from __future__ import annotations

from rowanseed.core.alter import crotch
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.pattern.pattern import Pattern

WHERE = {"": "half front, half back", crotch.FRONT_ONLY: "front only", crotch.BACK_ONLY: "back only"}


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    panels = {frame.panel.value for frame in crotch.legs(pattern, size)}
    return tuple(Place(f"Crotch length: {words}", at=at) for at, words in WHERE.items() if not at or at in panels)


def _named(alteration: Alteration, pattern: Pattern) -> str:
    return f"Crotch length, {WHERE.get(alteration.at, alteration.at)}"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    at, side = told.alteration.at, "beyond" if told.more else "inside"
    where = f"the {at}" if at else "front and back"
    each = told.show(told.alteration.by / (1 if at else 2))
    return (
        f"Mark a point {each} {side} the crotch point on {where}, a hair more where the curve comes in steeply.",
        "Draw the crotch curve to it from the hip, and the inner leg seam from it to nothing at the knee.",
        "Measure the crotch seam on the stitching line: it has grown by what was asked."
        if told.more
        else "Measure the crotch seam on the stitching line: it is shorter by what was asked.",
    )


KIND = AlterationKind(
    id="crotch-length",
    name="Crotch length",
    order=110,
    sense="longer",
    opposite="shorter",
    most=80,
    why="it has the crotch point",
    offered=crotch.has_crotch,
    carry_out=lambda pattern, size, a: crotch.change_length(pattern, size, a.by, a.at),
    tissue=_tissue,
    places=_places,
    named=_named,
)
