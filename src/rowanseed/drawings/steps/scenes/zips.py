"""Sections of zips and flies: cut across the opening, right side up."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.drawings.steps.scene import Thing
from rowanseed.drawings.steps.scenes.frame import (
    Frames,
    basting,
    cloth,
    far,
    frame,
    notion,
    row,
    second,
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
            "Both edges folded inside their stitching line: the gap is as wide as what will be seen",
            cloth("one side", (-120, 0), (-16, 0), (-16, 12), (-60, 12), right="left"),
            cloth("the other side", (120, 0), (16, 0), (16, 12), (60, 12), right="right"),
            far("as much of the zip as will be seen", (-16, -14), (16, -14)),
            at=("fold",),
        ),
        frame(
            "The zip basted face up under the gap, the teeth in its middle",
            cloth("one side", (-120, 0), (-16, 0), (-16, 12), (-60, 12), right="left"),
            cloth("the other side", (120, 0), (16, 0), (16, 12), (60, 12), right="right"),
            notion("zip tape, face up", (-40, 24), (40, 24)),
            Thing("teeth", "coil", (0, 15), (16, 10)),
            basting((-28, -9), (-28, 33)),
            basting((28, -9), (28, 33)),
            at=("baste",),
        ),
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
}
