"""Sections of buttons, hooks, snaps, laces and plackets: cut across the opening, right side up."""

from __future__ import annotations

from rowanseed.drawings.steps.scene import Thing
from rowanseed.drawings.steps.scenes.frame import (
    Frames,
    cloth,
    far,
    frame,
    hand,
    row,
    second,
    stiff,
    to,
)

OVERLAP = (
    cloth("upper side, right side up", (-120, -16), (60, -16), (60, -5), (-30, -5), right="left"),
    cloth("lower side, right side up", (120, 30), (-60, 30), (-60, 41), (30, 41), right="right"),
)
HOLE = (
    cloth("upper side", (-110, -18), (-10, -18), right="left"),
    cloth("upper side", (10, -18), (60, -18), (60, -6), (-20, -6), right="left"),
)
BUTTONED = frame(
    "The button through its hole, on a shank as long as the layers are thick",
    cloth("upper side", (-110, -18), (-10, -18), right="left"),
    cloth("upper side", (60, -18), (10, -18), right="right"),
    cloth("lower side, right side up", (-60, 16), (110, 16), right="left"),
    stiff("interfacing", (-60, 27), (110, 27)),
    Thing("button", "button", (0, -34), (46, 9)),
    hand((0, -29), (0, 30), "thread shank, wound round"),
)
HOLES = frame(
    "The hole through all layers of the upper side",
    cloth("upper side, right side up", (-110, 0), (-8, 0), right="left"),
    cloth("upper side, right side up", (110, 0), (8, 0), right="right"),
    stiff("interfacing between", (-110, 11), (-8, 11)),
    stiff("interfacing between", (110, 11), (8, 11)),
    second("facing", (-110, 22), (-8, 22), right="right"),
    second("facing", (110, 22), (8, 22), right="left"),
    row((-16, -9), (-16, 31), "one row of the buttonhole"),
    row((16, -9), (16, 31), "the other row"),
    to("cut between the rows, a pin across the end", (0, -34), (0, -10)),
    at=("buttonholes", "holes"),
)

SCENES: Frames = {
    "buttonholes": (HOLES,),
    "keyhole buttonholes": (HOLES,),
    "hand-worked buttonholes": (HOLES,),
    "buttons": (BUTTONED,),
    "second column of buttons": (
        frame(
            "Outside a button that closes nothing; inside a flat one, which the front beneath is buttoned to",
            cloth("front that laps over, right side up", (-110, -18), (110, -18), right="left"),
            second("its facing", (-110, -6), (110, -6), right="right"),
            cloth("front beneath", (-110, 30), (-10, 30), right="left"),
            cloth("front beneath", (44, 30), (10, 30), right="right"),
            Thing("button of the second column", "button", (0, -34), (46, 9)),
            Thing("flat button inside", "button", (0, 46), (40, 8)),
            hand((0, -29), (0, 0), "sewn through the upper front and its facing"),
        ),
    ),
    "covered buttons": (
        frame(
            "The cloth gathered round the shell, the back pressed on",
            cloth(
                "circle of cloth", (22, 20), (30, 8), (26, -8), (0, -12), (-26, -8), (-30, 8), (-22, 20), right="right"
            ),
            Thing("shell", "button", (0, 2), (44, 9)),
            Thing("back, pressed in", "block", (0, 14), (32, 7)),
            hand((-22, 24), (22, 24), "gathering stitches, drawn up"),
        ),
    ),
    "button loops": (
        frame(
            "A loop of threads, worked over, at the edge",
            cloth("upper edge", (-110, 0), (30, 0), (30, 12), (-30, 12), right="left"),
            Thing("loop, as long as the button is wide and thick", "round", (46, 2), (26, 16)),
            cloth("lower side", (120, 36), (-40, 36), right="right"),
            Thing("button", "button", (46, 26), (34, 8)),
        ),
    ),
    "hook and eye": (
        frame(
            "The hook inside one edge, the eye inside the other, edge to edge",
            cloth("one side", (-120, 0), (-3, 0), (-3, 12), (-60, 12), right="left"),
            cloth("the other side", (120, 0), (3, 0), (3, 12), (60, 12), right="right"),
            Thing("hook, a hair inside the edge", "block", (-20, 21), (28, 7)),
            Thing("eye, a hair beyond the edge", "block", (18, 21), (28, 7)),
            hand((-30, 26), (-30, 12), "whipped through the inner layer only"),
        ),
    ),
    "hook and bar": (
        frame(
            "The hook inside the lap, the bar on the underlap",
            *OVERLAP,
            Thing("hook, just inside the end", "block", (34, 5), (40, 7)),
            Thing("bar, where the hook falls when it is worn", "block", (30, 19), (32, 7)),
            hand((20, 10), (20, -6), "through the inner layer only"),
        ),
    ),
    "snaps": (
        frame(
            "The ball under the lap, the socket on the underlap",
            *OVERLAP,
            Thing("ball half, sewn to the inner layer only", "button", (6, 5), (24, 8)),
            Thing("socket half", "button", (6, 20), (24, 8)),
        ),
    ),
    "ties": (
        frame(
            "The tie caught in the edge, its end turned under",
            cloth("edge", (-110, 0), (20, 0), (20, 12), (-30, 12), right="left"),
            second("tie, a narrow tube turned right side out", (120, 33), (-20, 33), (-20, 22), (120, 22)),
            row((4, -9), (4, 42), "a square of stitches"),
        ),
    ),
    "band tied": (
        frame(
            "An end of the band, sewn round and turned right side out",
            cloth("band, folded", (110, 0), (-60, 0), (-60, 14), (110, 14), right="right"),
            to("tied in a bow with the other end", (-80, 7), (-120, 7)),
        ),
    ),
    "lacing": (
        frame(
            "The eyelet, worked through every layer over an interfaced edge",
            cloth("edge, right side up", (-110, 0), (-10, 0), right="left"),
            cloth("edge, right side up", (70, 0), (10, 0), right="right"),
            stiff("interfacing", (-110, 11), (-10, 11)),
            stiff("interfacing", (70, 11), (10, 11)),
            hand((-18, -9), (-18, 19), "buttonhole stitches close round the hole"),
            hand((18, -9), (18, 19), "buttonhole stitches close round the hole"),
            Thing("lace", "round", (0, 5), (12, 12)),
        ),
    ),
    "strap-closure": (
        frame(
            "The strap over the edge of the garment",
            second("strap", (-120, -14), (60, -14), (60, -3), (-120, -3)),
            cloth("upper edge of the garment", (120, 12), (-30, 12), (-30, 24), (60, 24), right="right"),
            Thing("button, or half of a snap", "button", (16, -25), (36, 9)),
            hand((16, -20), (16, 18), "shank"),
        ),
    ),
    "continuous placket": (
        frame(
            "One layer, stitched beside the slash before it is cut",
            cloth("garment, right side up", (-120, 0), (120, 0), right="left"),
            row((-30, -10), (-30, 10), "short stitches on one side of the slash"),
            row((30, -10), (30, 10), "short stitches on its other side"),
            at=("slash",),
        ),
        frame(
            "The edge of the spread slash on the strip, right sides together",
            cloth("garment, wrong side up", (-110, 0), (30, 0), right="right"),
            second(
                "strip, right side up, its other edge pressed in",
                (30, 11),
                (-70, 11),
                (-70, 22),
                (-46, 22),
                right="right",
            ),
            row((12, -10), (12, 21)),
            at=("strip",),
        ),
        frame(
            "The strip wraps both edges of the slash",
            cloth("garment, right side up", (-110, 0), (10, 0), right="left"),
            second(
                "strip, its other edge folded in",
                *((10, -11), (-14, -11), (-14, -22), (28, -22), (28, 22), (-24, 22), (-24, 11), (0, 11)),
            ),
            row((-2, -17), (-2, 7), "the first row"),
            row((-9, -31), (-9, 31), "the row along the fold"),
        ),
    ),
    "tower placket": (
        frame(
            "Each edge of the slash lies within its half of the placket",
            cloth("garment, upper edge of the slash", (-110, 0), (24, 0), right="left"),
            second("upper half, folded over", (-30, 11), (46, 11), (46, -11), (-30, -11)),
            cloth("garment, lower edge of the slash", (120, 38), (-2, 38), right="right"),
            second("lower half, folded over", (40, 49), (-20, 49), (-20, 27), (40, 27)),
            row((-22, -20), (-22, 20), "the row beside the folds"),
            row((28, 18), (28, 58), "the row beside the folds"),
        ),
    ),
    "half placket": (
        frame(
            "One layer, stitched on the line of the box at its corners",
            cloth("garment, right side up", (-120, 0), (120, 0), right="left"),
            row((-40, -10), (-40, 10), "short stitches on one side of the box"),
            row((40, -10), (40, 10), "short stitches on its other side"),
            at=("reinforce",),
        ),
        frame(
            "Cut open along the centre, and into the corners",
            cloth("garment, right side up", (-120, 0), (-3, 0), right="left"),
            cloth("garment, right side up", (120, 0), (3, 0), right="right"),
            row((-40, -10), (-40, 10), "short stitches on one side of the box"),
            row((40, -10), (40, 10), "short stitches on its other side"),
            to("cut between the rows", (0, -30), (0, -6)),
            at=("open",),
        ),
        frame(
            "A band at each side of the box, right sides together",
            cloth("garment, right side up, its allowance in the box", (-120, 11), (-8, 11), right="left"),
            second("band, wrong side up", (-90, 0), (-8, 0), right="right"),
            row((-22, -10), (-22, 21)),
            cloth("garment, the other side of the box", (120, 11), (8, 11), right="right"),
            second("band, wrong side up", (90, 0), (8, 0), right="left"),
            row((22, -10), (22, 21)),
            at=("sew",),
        ),
        frame(
            "Each band folded over its allowances, the upper one filling the box",
            cloth("garment, one side of the box", (-120, 0), (-6, 0), right="left"),
            second("upper band", (-6, -11), (-20, -11), (-20, -22), (44, -22), (44, 11), (-28, 11), right="left"),
            cloth("garment, the other side of the box", (120, 55), (6, 55), right="right"),
            second("under band", (6, 44), (20, 44), (20, 33), (-44, 33), (-44, 66), (28, 66), right="right"),
            row((-13, -32), (-13, 20), "the row beside the seam"),
            row((13, 24), (13, 76), "the row beside the seam"),
            at=("turn", "press", "neaten"),
        ),
        frame(
            "Seen from the side: the lower ends drawn through, the flap laid on them",
            cloth("garment laid up over the placket, wrong side up; its flap", (-110, -11), (40, -11), right="right"),
            second("upper band, right side up", (-110, 0), (40, 0), right="left"),
            second("under band, right side up", (-110, 11), (40, 11), right="left"),
            row((8, -21), (8, 21), "the row on the reinforced line, sewn twice"),
            far("trimmed ends", (8, 33), (40, 33)),
            at=("close",),
        ),
    ),
    "end of the lap": (
        frame(
            "The lap folded back, right sides together, and sewn on the neck's line",
            cloth("what is folded back, wrong side up", (40, 0), (-100, 0), (-100, 11), right="right"),
            cloth("front, right side up", (-100, 11), (40, 11), right="left"),
            row((18, -9), (18, 20), "the row, from the fold to the centre dot"),
            to("clipped to the dot", (40, 32), (20, 22)),
        ),
    ),
    "faced slit": (
        frame(
            "The facing on the right side, sewn round the line before it is cut",
            cloth("garment, right side up", (-110, 11), (110, 11), right="left"),
            second("facing, wrong side up", (-70, 0), (70, 0), right="right"),
            row((-12, -9), (-12, 20)),
            row((12, -9), (12, 20)),
            to("cut between the rows, to the last thread before the point", (0, -26), (0, -6)),
            at=("face", "edge"),
        ),
        frame(
            "Turned in",
            cloth("garment", (-110, 0), (-6, 0), (-6, 12), (-24, 12), right="left"),
            cloth("garment", (110, 0), (6, 0), (6, 12), (24, 12), right="right"),
            second("facing", (-80, 35), (-9, 35), (-9, 23), (-24, 23), right="right"),
            second("facing", (80, 35), (9, 35), (9, 23), (24, 23), right="left"),
        ),
    ),
}
