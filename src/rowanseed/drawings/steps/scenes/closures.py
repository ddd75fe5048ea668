"""Sections of zips, buttons, hooks, snaps, laces and plackets: cut across the opening, right side up."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.drawings.steps.scene import Thing
from rowanseed.drawings.steps.scenes.frame import (
    Frames,
    basting,
    cloth,
    far,
    frame,
    hand,
    notion,
    row,
    second,
    stiff,
    to,
)

LEFT = cloth("one side of the opening", (-120, 0), (-4, 0), (-4, 12), (-56, 12), right="left")
RIGHT = cloth("the other side", (120, 0), (4, 0), (4, 12), (56, 12), right="right")
COIL = Thing("zip", "coil", (0, 31), (15, 10))
BASTED = frame(
    "The zip basted face down on the allowance",
    cloth("one side, right side up", (-120, 0), (44, 0), right="left"),
    notion("zip tape, face down", (2, -11), (40, -11)),
    Thing("coil, on the stitching line", "round", (-5, -11), (10, 8)),
    basting((16, -20), (16, 9)),
    far("the allowance", (-2, 22), (44, 22)),
    at=("baste",),
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

SHIELD = frame(
    "The shield folded lengthwise, seen along the fold, which lies behind: sewn across its lower end",
    cloth("one layer, wrong side up", (-110, 0), (60, 0), right="right"),
    cloth("the other layer, right side up", (-110, 11), (60, 11), right="left"),
    row((-84, -10), (-84, 21), "across the lower end"),
    far("the allowance of the lower end", (-110, 32), (-84, 32)),
    at=("shield",),
)
FLY_FACING = frame(
    "The facing on the front that laps, right sides together",
    cloth("front that laps, right side up", (-130, 12), (40, 12), right="left"),
    second("facing, right side down", (-70, 0), (40, 0), right="right"),
    row((4, -9), (4, 21), "on the stitching line, down to the end of the opening"),
    at=("facing",),
)
FLY_PRESSED = frame(
    "Both edges pressed: the lap on its seam, the underlap a little outside the centre",
    cloth("lap, its facing turned in", (-130, 0), (14, 0), (14, 12), (-60, 12), right="left"),
    cloth("underlap, its allowance folded", (130, 30), (22, 30), (22, 42), (70, 42), right="right"),
    at=("extensions",),
)

SCENES: Frames = {
    "invisible zip": (
        BASTED,
        frame(
            "The coil rolled up, the needle beside it, in the groove of the foot",
            cloth("one side, right side up", (-120, 0), (44, 0), right="left"),
            notion("zip tape, face down", (4, -11), (40, -11)),
            Thing("coil, uncurled", "round", (-6, -14), (10, 8)),
            row((4, -21), (4, 10), "the stitching, as close to the coil as the foot goes"),
            at=("zip",),
        ),
        frame(
            "The zip open and face down, its coil rolled away from the tape with a cool iron",
            notion("zip tape, its wrong side up", (0, 0), (110, 0)),
            Thing("coil, pressed flat beside the tape", "round", (-8, 0), (12, 8)),
            to("the iron's tip, as cool as synthetics ask", (24, -34), (-2, -8)),
            at=("uncurl",),
        ),
        frame(
            "Closed: both folds meet over the coil, nothing is seen",
            LEFT,
            RIGHT,
            notion("zip tape", (-10, 24), (-50, 24)),
            notion("zip tape", (10, 24), (50, 24)),
            Thing("coil, behind the folds", "coil", (0, 23), (15, 10)),
            row((-14, 4), (-14, 33), "through tape and allowance only"),
            row((14, 4), (14, 33), "through tape and allowance only"),
        ),
    ),
    "centred zip": (
        frame(
            "The seam basted shut and pressed open, the zip face down over it",
            cloth("one allowance, wrong side up", (-110, 0), (-4, 0), (-4, -11), (-56, -11), right="right"),
            cloth("the other allowance", (110, 0), (4, 0), (4, -11), (56, -11), right="left"),
            notion("zip, face down, its teeth on the seam", (-34, -22), (34, -22)),
            basting((-24, -31), (-24, -2)),
            basting((24, -31), (24, -2)),
            at=("baste",),
        ),
        frame(
            "Right side up: both rows at one distance from the middle",
            LEFT,
            RIGHT,
            notion("zip tape", (-36, 24), (36, 24)),
            COIL,
            row((-18, -9), (-18, 33)),
            row((18, -9), (18, 33)),
        ),
    ),
    "lapped zip": (
        frame(
            "The underlap folded a little beyond the seam line, its fold beside the teeth",
            cloth("underlap", (120, 0), (6, 0), (6, 12), (56, 12), right="right"),
            notion("zip tape", (60, 24), (-36, 24)),
            Thing("teeth", "coil", (-4, 31), (14, 10)),
            row((16, -9), (16, 33), "beside the fold"),
            at=("underlap",),
        ),
        frame(
            "The lap covers the zip",
            cloth("lap", (-130, 0), (14, 0), (14, 12), (-50, 12), right="left"),
            cloth("underlap", (130, 22), (4, 22), (4, 33), (56, 33), right="right"),
            notion("zip tape", (-44, 45), (60, 45)),
            Thing("teeth", "coil", (-8, 38), (12, 8)),
            row((26, 13), (26, 54), "the row of the underlap"),
            row((-26, -9), (-26, 54), "the row of the lap, along its fold"),
        ),
    ),
    "button fly": (
        replace(SHIELD, at=("shield", "strip")),
        FLY_FACING,
        FLY_PRESSED,
        frame(
            "A hole across the strip, begun beside its fold",
            second("strip, folded", (60, 12), (-70, 12), (-70, 0), (60, 0), right="left"),
            row((-40, -9), (-40, 21), "the hole's ends, through both layers"),
            row((-12, -9), (-12, 21), "the hole's ends, through both layers"),
            at=("holes",),
        ),
        frame(
            "The strip behind the lap, its fold a little inside the edge",
            cloth("lap, its facing turned in", (-130, 0), (30, 0), (30, 12), (-70, 12), right="left"),
            second("strip, folded", (-60, 36), (22, 36), (22, 24), (-60, 24), right="right"),
            row((-48, 3), (-48, 45), "through strip and facing only"),
            basting((-30, -9), (-30, 45)),
            at=("baste",),
        ),
        frame(
            "Buttoned: lap and strip over the shield",
            cloth("lap, its facing turned in", (-130, 0), (30, 0), (30, 12), (-70, 12), right="left"),
            second("strip, folded", (-60, 36), (22, 36), (22, 24), (-60, 24), right="right"),
            row((-30, -9), (-30, 45), "topstitching, through lap, facing and strip"),
            Thing("button, through the strip's hole", "button", (0, 48), (30, 8)),
            cloth("underlap", (130, 60), (-14, 60), (-14, 72), (60, 72), right="right"),
            second("shield, folded", (60, 83), (-40, 83), (-40, 94), (60, 94), right="left"),
            row((0, 53), (0, 102), "through underlap and shield"),
        ),
    ),
    "fly zip": (
        SHIELD,
        FLY_FACING,
        FLY_PRESSED,
        frame(
            "The zip between underlap and its own side",
            cloth("underlap side", (130, 0), (8, 0), (8, 12), (60, 12), right="right"),
            notion("zip tape", (52, 24), (-30, 24)),
            Thing("teeth", "coil", (-4, 31), (14, 10)),
            row((18, -9), (18, 33), "beside the fold"),
            at=("underlap",),
        ),
        frame(
            "Closed: lap over zip over underlap",
            cloth("lap, its extension folded in", (-130, 0), (20, 0), (20, 12), (-64, 12), right="left"),
            notion("zip tape, sewn to the extension only", (-50, 23), (0, 23)),
            Thing("teeth", "coil", (6, 23), (13, 10)),
            cloth("underlap", (130, 35), (10, 35), (10, 46), (60, 46), right="right"),
            row((-30, 4), (-30, 32), "two rows through tape and extension"),
            row((-44, -9), (-44, 21), "topstitching, through lap and extension, not the underlap"),
        ),
    ),
    "exposed zip": (
        frame(
            "The teeth show between both folds",
            cloth("one side", (-120, 0), (-16, 0), (-16, 12), (-60, 12), right="left"),
            cloth("the other side", (120, 0), (16, 0), (16, 12), (60, 12), right="right"),
            notion("zip tape", (-40, 24), (40, 24)),
            Thing("teeth", "coil", (0, 15), (16, 10)),
            row((-24, -9), (-24, 33)),
            row((24, -9), (24, 33)),
        ),
    ),
    "separating zip": (
        frame(
            "One half face down on its edge, the teeth on the stitching line",
            cloth("front, right side up", (-130, 12), (44, 12), right="left"),
            notion("zip tape, face down", (2, 0), (40, 0)),
            Thing("teeth, on the stitching line", "round", (-5, 0), (10, 8)),
            basting((18, -9), (18, 21)),
            at=("baste",),
        ),
        frame(
            "The facing turned in: edge, tape and facing held by one row",
            cloth("front", (-130, 0), (4, 0), (4, 12), (-44, 12), right="left"),
            notion("zip tape", (14, 24), (-40, 24)),
            Thing("teeth", "coil", (18, 24), (13, 10)),
            second("facing", (-44, 36), (4, 36), (4, 48), (-110, 48), right="right"),
            row((-18, -9), (-18, 57), "through front, tape and facing"),
        ),
    ),
    "buttonholes": (HOLES,),
    "keyhole buttonholes": (HOLES,),
    "hand-worked buttonholes": (HOLES,),
    "buttons": (BUTTONED,),
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
            "The strip wraps both edges of the slash",
            cloth("garment, right side up", (-110, 0), (10, 0), right="left"),
            second("strip, its other edge folded in", (-16, -11), (28, -11), (28, 22), (-20, 22), (-20, 11), (2, 11)),
            row((0, -20), (0, 31), "the row along the fold"),
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
            "A band at each side of the box, right sides together",
            cloth("garment, right side up, its allowance in the box", (-120, 11), (-8, 11), right="left"),
            second("band, wrong side up", (-90, 0), (-8, 0), right="right"),
            row((-22, -10), (-22, 21)),
            cloth("garment, the other side of the box", (120, 11), (8, 11), right="right"),
            second("band, wrong side up", (90, 0), (8, 0), right="left"),
            row((22, -10), (22, 21)),
            at=("sew", "reinforce", "open"),
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
