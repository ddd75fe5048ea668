"""Crotch length at the fork."""

from __future__ import annotations

from rowanseed.core.alter import crotch
from rowanseed.core.alter.kind import AlterationKind, OnTissue


def _tissue(told: OnTissue) -> tuple[str, ...]:
    each, side = told.show(told.alteration.by / 2), "beyond" if told.more else "inside"
    return (
        f"Mark a point {each} {side} the fork on front and back.",
        "Draw the crotch curve to it, and the inner leg seam from it to nothing at the knee.",
    )


KIND = AlterationKind(
    id="crotch-length",
    name="Crotch length at the fork",
    order=110,
    sense="longer",
    opposite="shorter",
    most=80,
    why="it has the fork",
    offered=crotch.has_crotch,
    carry_out=lambda pattern, size, a: crotch.change_length(pattern, size, a.by),
    tissue=_tissue,
)
