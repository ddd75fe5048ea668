"""A full-bust or small-bust adjustment."""

from __future__ import annotations

from shapely.geometry import MultiPoint, Polygon

from rowanseed.core.alter.bust import MOST, change_bust, has_bust
from rowanseed.core.alter.bust_parts import DART_SHORT_OF_POINT, lower_edge
from rowanseed.core.alter.bust_swing import hinge_share
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel, Piece, PointKind
from rowanseed.core.pattern.seamline import mark_point


def _tissue(told: OnTissue) -> tuple[str, ...]:
    half = told.show(told.alteration.by / 2)
    front = next((p for p in told.pattern.pieces if any(q.kind is PointKind.BUST for q in p.points)), None)
    if front is None or front.has_edge("princess"):
        return _princess(told, half)
    share = hinge_share(told.pattern, told.size) or 0.0
    low = lower_edge(front)
    begins = "the middle of the waist dart" if _waist_darts(front) else f"the {low}"
    swing = (
        f"Swing the side out until the slash is {half} wide at the bust point, its edges below parallel."
        if told.more
        else f"Lap the slash by {half} at the bust point, its edges parallel below."
    )
    return (
        f"Draw a line from {begins} straight up to the bust point, and on to the armhole, {share:.0%} of it above the "
        "underarm.",
        "Draw a second line from the side seam, a little below the bust point's level, to the bust point.",
        f"Slash along both; leave a hinge at the armhole. {swing}",
        f"Cut the centre across below the bust and lower it until the {low} is level. Fill the gaps with paper.",
        "Mark the new bust point in the middle of the gap, at the lowered level.",
        f"The opening at the side is the bust dart: its point ends {told.show(DART_SHORT_OF_POINT)} short of the new "
        "bust point. Fold it closed, pressed down, and cut the side edge through.",
        _below(told, front, half),
        *_pocket(told),
    )


def _waist_darts(front: Piece) -> bool:
    return any(dart.edge == lower_edge(front) for dart in front.darts)


def _below(told: OnTissue, front: Piece, half: str) -> str:
    """What becomes of the width at the lower end."""
    if lower_edge(front) == "hem":
        return (
            f"The waist and hip of the front are {told.figure} {'wider' if told.more else 'narrower'} too. Where that "
            f"is not wanted, {'take in' if told.more else 'let out'} the side seams there by as much."
        )
    if _waist_darts(front):
        return (
            f"The waist dart takes in {half} {'more' if told.more else 'less'} on each side of the garment: the seam "
            "there keeps its length. Its point stays as far below the bust point as it was."
        )
    return (
        f"Sew the gap at the waist, {half} wide, as a dart; its point ends {told.show(DART_SHORT_OF_POINT)} below the "
        "new bust point. So the seam there keeps its length."
    )


def _pocket(told: OnTissue) -> tuple[str, ...]:
    """A pocket that would lie over the dart has to be moved: said, not done, since its place is a matter of looks."""
    for piece in told.step.after.pieces:
        corners = [p.at[told.size] for p in piece.points if p.kind is PointKind.POCKET]
        if piece.panel is not Panel.FRONT or len(corners) < 2:
            continue
        pocket = next((p for p in told.pattern.pieces if p.id == "pocket"), None)
        deep = 130.0
        if pocket is not None:
            xs = [s.start[0] for chain in pocket.shapes[told.size].edges.values() for s in chain]
            deep = max(xs) - min(xs)
        place = MultiPoint([*corners, *((x + deep, y) for x, y in corners)]).convex_hull
        for dart in piece.darts:
            legs = [mark_point(piece, told.size, piece.mark(leg)) for leg in dart.legs]
            if place.intersects(Polygon([*legs, dart.point[told.size]])):
                return ("The dart would run under the pocket: move the pocket up or towards the centre, clear of it.",)
    return ()


def _princess(told: OnTissue, half: str) -> tuple[str, ...]:
    grown = told.show(max((abs(touched.by) for touched in told.step.touched), default=0.0))
    side = "outside" if told.more else "inside"
    sides = [p for p in told.pattern.pieces if p.panel is Panel.FRONT and p.has_edge("princess") and p.has_edge("side")]
    begins = "shoulder" if any(piece.has_edge("shoulder") for piece in sides) else "armhole"
    return (
        f"On the side front mark a point {half} {side} the princess edge at the bust point.",
        f"Draw a smooth curve through it, to nothing at the {begins} and at the waist.",
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
