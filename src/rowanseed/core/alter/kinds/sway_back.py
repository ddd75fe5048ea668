"""A sway back."""

from __future__ import annotations

from rowanseed.core.alter import back
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    if any(piece.panel is Panel.BACK and piece.has_edge("crotch") for piece in told.pattern.pieces):
        return (
            f"At the centre back mark a point {told.figure} {'below' if told.more else 'above'} the waist edge.",
            "Draw the waist from there to nothing at the side seam; fold the dart closed while you cut it.",
        )
    wedge = "Fold out" if told.more else "Slash and spread"
    return (
        "Draw a line across the back at the waist, from the centre to the side seam.",
        f"{wedge} a wedge along it: {told.figure} at the centre, nothing at the side.",
        "Draw the centre back straight again, and the grainline along it.",
    )


KIND = AlterationKind(
    id="sway-back",
    name="Sway back",
    order=80,
    sense="taken out at the centre",
    opposite="given at the centre",
    most=60,
    why="the wedge runs across it",
    offered=lambda pattern, size: back.has_back(pattern, size, "waist"),
    carry_out=lambda pattern, size, a: back.take_out_sway(pattern, size, a.by),
    tissue=_tissue,
)
