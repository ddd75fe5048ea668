"""A full-bust or small-bust adjustment."""

from __future__ import annotations

from rowanseed.core.alter.bust import DART_SHORT_OF_POINT, MOST, change_bust, has_bust
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    half = told.show(told.alteration.by / 2)
    front = next((piece for piece in told.pattern.pieces if piece.panel is Panel.FRONT), None)
    if front is not None and front.has_edge("princess"):
        return _princess(told, half)
    swing = (
        f"Swing the side out until the slash is {half} wide at the bust point, its edges below parallel."
        if told.more
        else f"Lap the slash by {half} at the bust point, its edges parallel below."
    )
    return (
        "Draw a line from the hem straight up to the bust point, and on to the armhole, between a third and a half of "
        "it above the underarm.",
        "Draw a second line from the side seam, a little below the bust point's level, to the bust point.",
        f"Slash along both; leave a hinge at the armhole. {swing}",
        "Cut the centre across below the bust and lower it until the hem is level. Fill the gaps with paper.",
        f"The opening at the side is the bust dart: its point ends {told.show(DART_SHORT_OF_POINT)} short of the bust "
        "point. Fold it closed, pressed down, and cut the side edge through.",
    )


def _princess(told: OnTissue, half: str) -> tuple[str, ...]:
    grown = told.show(max((abs(touched.by) for touched in told.step.touched), default=0.0))
    side = "outside" if told.more else "inside"
    return (
        f"On the side front mark a point {half} {side} the princess edge at the bust point.",
        "Draw a smooth curve through it, to nothing at the armhole and at the waist.",
        f"The curve is {grown} longer now: cut the front across at the bust and spread it by that.",
    )


KIND = AlterationKind(
    id="bust",
    name="Bust",
    order=40,
    sense="full-bust adjustment",
    opposite="small-bust adjustment",
    most=MOST,
    why="it covers the bust",
    offered=has_bust,
    carry_out=lambda pattern, size, a: change_bust(pattern, size, a.by),
    tissue=_tissue,
)
