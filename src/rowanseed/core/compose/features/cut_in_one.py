"""Front or back with its sleeve in one piece."""

from __future__ import annotations

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.bodice_widths import FORWARD
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import UP, curve, straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.panels import Half, centre_of, lower_edge, new_panel, panel_levels, shape_with_darts
from rowanseed.core.compose.vocabulary import Shaping, SleeveKind
from rowanseed.core.geometry.outline import Chain, Point
from rowanseed.core.geometry.solving import solve

LEAST_WIDE = 95.0
"""Half the sleeve's end, at least, in mm."""
ABOVE, BESIDE = 25.0, 45.0
"""The sleeve's lower end stands at least so far above the bend at the underarm and beside it, in mm."""
CLEAR_OF_WAIST = 25.0
"""The bend stays so far above the waist, in mm."""
SLEEVE_OUT = {"cap": 70.0, "short": 150.0, "elbow": 260.0, "three-quarter": 360.0, "long": 470.0}
"""How far a sleeve cut in one runs beyond the shoulder's tip, in mm."""


def _side_up_to(block: Upper, level: float) -> Chain:
    """The side from its lower end up to where it bends into the sleeve: below the underarm as usual, or lower."""
    *below, last = block.side[:-1]
    usual, lowest = last.end[0], last.start[0] - CLEAR_OF_WAIST
    if level <= usual or lowest <= usual:
        return (*below, last)
    at = min(level, lowest)
    return (*below, last.split(solve(lambda t: -last.at(t)[0], -at, 0.0, 1.0))[0])


def _cut_in_one(build: Build, half: Half) -> None:
    """Front or back with its sleeve in one piece: the shoulder runs on down the arm, side and underarm in one bend."""
    edge, low, id = centre_of(build, half)[0], lower_edge(build), half.name
    sleeve = build.description.features.sleeve
    out = SLEEVE_OUT[sleeve.length.value] if sleeve else 150.0

    def foot(block: Upper, end: Point) -> Chain:
        start = (block.hem, block.centre)
        return block.lower_to(start, end) if block.rise else straight(start, end)

    def ring(block: Upper) -> Edges:
        c, tip, start = block.centre, block.tip, block.neck_point
        along = ((tip[0] - start[0]) / block.shoulder, (tip[1] - start[1]) / block.shoulder)
        clear = block.size.bust / 4 + FORWARD + BESIDE + along[0] * (block.size.upper_arm / 2 + 45.0)
        beyond = max(out * block.size.tall, (clear - tip[1]) / along[1])
        wrist = (tip[0] + along[0] * beyond, tip[1] + along[1] * beyond)
        wide = max(block.size.upper_arm / 2 + 45.0 - beyond * 0.12, block.size.wrist / 2 + 40.0)
        # The sleeve's lower end stays above the bend at the underarm: a long or wide one bends lower down the side.
        side = _side_up_to(block, wrist[0] + along[1] * wide + ABOVE)
        wide = max(LEAST_WIDE, min(wide, (side[-1].end[0] - ABOVE - wrist[0]) / along[1]))
        # Front and back have one underarm, the same but for its place across, so that they meet.
        forward = FORWARD if block.is_front else -FORWARD
        under = (wrist[0] + along[1] * wide, wrist[1] - along[0] * wide + forward)
        return {
            edge: straight((block.neck_end, c), (block.hem, c)),
            low: foot(block, side[0].start),
            "side": side,
            "underarm": (curve(side[-1].end, UP, under, (along[0], along[1]), 0.4),),
            "wrist": straight(under, wrist),
            "shoulder": straight(wrist, start),
            "neck": block.neck,
        }

    new_panel(build, half, id, half.name.capitalize(), ring, at_centre=True)
    panel_levels(
        build, half, id, lambda block, x: 0.0, lambda block, x: block.quarter if x < block.waist - 1 else block.outer(x)
    )
    half.neck, half.shoulder = [part(id, "neck")], [part(id, "shoulder")]
    half.side = [part(id, "side"), part(id, "underarm")]
    half.lower = [part(id, low)]
    shape_with_darts(build, half, id)


def asked(d: Description) -> bool:
    sleeve = d.features.sleeve
    return sleeve is not None and sleeve.kind is SleeveKind.CUT_IN_ONE


def takes(d: Description, half: Half) -> bool:
    return asked(d)


def forbids(d: Description) -> Found:
    f = d.features
    if f.sleeve is None or not d.garment.has_bodice:
        return
    for name, side in f.sides:
        if side.has(*(s for s in Shaping if s is not Shaping.WAIST_DART)):
            yield (
                f"features.{name}.shaping",
                f"A sleeve cut in one is drafted with a plain {name} or with darts at its waist: no other dart, yoke "
                "or princess seam.",
            )
    if f.sleeve.end.is_cuff:
        yield "features.sleeve.end", "A sleeve cut in one is drafted with a hem, binding or elastic, not with a cuff."


FEATURES = (Feature("cut-in-one", asked=asked, forbids=forbids, takes=takes, panel=_cut_in_one, rank=10),)
