"""Sections of linings, interfacings, canvas, bones, pads: what lies inside."""

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
    lining,
    notion,
    row,
    second,
    stiff,
    to,
)
from rowanseed.drawings.steps.scenes.seams import OPEN

BAGGED = frame(
    "Right sides together, edge on edge",
    cloth("garment, right side up", (-110, 0), (40, 0), right="left"),
    lining("lining, wrong side up", (-110, -11), (40, -11), right="right"),
    row((8, -21), (8, 10)),
    far("the allowance", (8, 22), (40, 22)),
    at=("sew", "baste"),
)
UNDERSTITCHED = frame(
    "Opened flat: the row holds lining and both allowances",
    cloth("garment, right side up", (-120, 0), (-6, 0), (-6, 24), (42, 24), right="left"),
    lining("lining, right side up", (120, 0), (6, 0), (6, 12), (34, 12), right="right"),
    row((-14, 6), (14, 6), "the seam"),
    row((19, -9), (19, 33), "understitching, close to the seam"),
    at=("understitch",),
)
TRIMMED = frame(
    "Graded: the garment's allowance is left the longer",
    cloth("garment, right side up", (-110, 0), (34, 0), right="left"),
    lining("lining, wrong side up, trimmed shorter", (-110, -11), (22, -11), right="right"),
    row((8, -21), (8, 10)),
    to("clips end a thread or two before the stitching", (46, -34), (16, -18)),
    at=("trim",),
)
PRESSED = frame(
    "Opened flat, both allowances towards the lining",
    cloth("garment, right side up", (-120, 0), (-6, 0), (-6, 24), (42, 24), right="left"),
    lining("lining, right side up", (120, 0), (6, 0), (6, 12), (34, 12), right="right"),
    row((-14, 6), (14, 6), "the seam"),
    at=("press",),
)
TURNED = frame(
    "Turned out: the lining stands back a hair inside the edge",
    cloth("garment", (-120, 0), (0, 0), (0, 12), (-40, 12), right="left"),
    lining("lining", (-120, 36), (-3, 36), (-3, 24), (-34, 24), right="right"),
    row((-12, 7), (-12, 30), "the seam"),
)
GAP = frame(
    "The gap, its edges turned in, closed without a ridge",
    lining("one edge, turned in", (-110, 0), (-2, 0), (-2, 11), (-30, 11), right="left"),
    lining("the other edge", (110, 0), (2, 0), (2, 11), (30, 11), right="right"),
    hand((-14, 5), (14, 5), "from fold to fold"),
    at=("close",),
)
LOOSE = frame(
    "Fastened to the wrong side before anything is sewn",
    cloth("piece, wrong side up", (-110, 11), (110, 11), right="right"),
    stiff("the layer that backs it", (-110, 0), (110, 0)),
    basting((-40, -9), (-40, 19)),
    basting((40, -9), (40, 19)),
)
BOX = (cloth("garment, wrong side up", (-110, 11), (110, 11), right="right"),)

SCENES: Frames = {
    "bagged lining": (
        BAGGED,
        GAP,
        frame(
            "The lining's hem edge meets the garment's; the fold of it falls over the hem",
            cloth("garment, right side at the left", (0, -80), (0, 44), (14, 44), (14, -10), right="right"),
            lining("lining, folded over itself", (40, -80), (40, 22), (27, 22), (27, -10), right="left"),
            hand((14, -4), (27, -4), "lining to hem, right sides together"),
            at=("anchor",),
        ),
        TRIMMED,
        PRESSED,
        UNDERSTITCHED,
        TURNED,
    ),
    "lining edge to edge": (BAGGED, GAP, TRIMMED, UNDERSTITCHED, replace(OPEN, at=("opened",)), TURNED),
    "lined bodice": (
        replace(OPEN, at=("opened",)),
        BAGGED,
        TRIMMED,
        UNDERSTITCHED,
        PRESSED,
        frame(
            "The lining's edge turned in and felled to the allowances of the waist seam",
            cloth("bodice, wrong side up", (-120, 22), (-6, 22), (-6, 11), (-40, 11), right="right"),
            cloth("skirt, wrong side up", (120, 22), (6, 22), (6, 0), (-34, 0), right="left"),
            lining("lining, its edge turned in", (-120, -22), (10, -22), (10, -11), (-26, -11), right="left"),
            hand((4, -6), (-10, 3), "felling stitches, through the allowances only"),
            at=("fell",),
        ),
        TURNED,
    ),
    "ladder stitch": (GAP, frame("From fold to fold", *GAP.scene.parts)),
    "lining hung by hand": (
        frame(
            "The lining's fold falls over the stitches: that is its ease",
            cloth("garment, right side at the left", (0, -80), (0, 44), (14, 44), (14, -20), right="right"),
            lining("lining, with a fold of ease", (38, -80), (38, 30), (26, 30), (26, -8), right="left"),
            hand((15, -2), (27, -2), "under the fold"),
            at=("fell",),
        ),
        frame(
            "The lining's edge turned under and felled to the facing or hem",
            cloth("garment, right side down", (-110, 24), (110, 24), right="right"),
            second("facing or hem", (-110, 12), (20, 12), right="left"),
            lining("lining, its edge turned under", (110, -10), (-20, -10), (-20, 1), (20, 1), right="right"),
            hand((-30, 7), (-16, -4), "felling stitches"),
        ),
    ),
    "lining drawn in": (
        frame(
            "Two rows of long stitches in the lining's own edge, drawn up by themselves",
            lining("edge of the lining, right side up", (-110, 0), (70, 0), right="left"),
            row((24, -9), (24, 9), "one row of long stitches"),
            row((46, -9), (46, 9), "the other row, beside it"),
            at=("gather",),
        ),
        frame(
            "Wrong sides together, both drawn up, raw edges even",
            cloth("garment, right side up", (-110, 0), (70, 0), right="left"),
            lining("lining, right side down", (-110, 12), (70, 12), right="right"),
            basting((40, -9), (40, 21), "basting, in the allowance"),
        ),
    ),
    "fusing": (
        frame(
            "The glue side down on the wrong side; pressed, not rubbed",
            cloth("piece, wrong side up", (-110, 11), (110, 11), right="right"),
            stiff("interfacing, glue side down, its allowances off", (-84, 0), (84, 0)),
            to("the iron is set down, held and lifted", (0, -34), (0, -8)),
        ),
    ),
    "fused to the garment": (
        frame(
            "On the garment's wrong side, as wide as the facing that will lie behind it",
            cloth("garment, wrong side up", (-130, 11), (110, 11), right="right"),
            stiff("interfacing, glue side down, its inner edge pinked", (-10, 0), (110, 0)),
            to("the iron is set down, held and lifted", (50, -34), (50, -8)),
        ),
    ),
    "fusible strips": (
        frame(
            "A strip along the stitching line",
            cloth("piece, wrong side up", (-110, 11), (60, 11), right="right"),
            stiff("fusible strip, over the stitching line", (0, 0), (44, 0)),
            to("the iron is set down", (22, -32), (22, -8)),
        ),
    ),
    "fused in the block": (
        frame(
            "Cloth and interfacing are fused whole, then the piece is cut",
            cloth("cloth, wrong side up", (-110, 11), (110, 11), right="right"),
            stiff("interfacing, as large", (-110, 0), (110, 0)),
            to("cut out when it is cold", (0, -34), (0, -8)),
        ),
    ),
    "sewn-in interfacing": (LOOSE,),
    "underlining": (LOOSE,),
    "interlining": (LOOSE,),
    "back stay": (LOOSE,),
    "padded canvas": (
        frame(
            "Pad stitches pick up one thread of the cloth while it is rolled over the hand",
            cloth("lapel or front, right side outwards", (-100, 34), (-40, 16), (20, 10), (80, 16), right="right"),
            stiff("canvas", (-100, 22), (-40, 4), (20, -2), (80, 4)),
            hand((-40, -4), (-30, 15), "pad stitches, slanting"),
            hand((10, -10), (20, 9), "pad stitches, slanting"),
        ),
    ),
    "roll line": (
        frame(
            "A row of short stitches where the lapel rolls",
            cloth("front, wrong side up", (-110, 0), (110, 0), right="right"),
            row((0, -9), (0, 9), "stitch length 1, on the line"),
        ),
    ),
    "boning": (
        frame(
            "The bone in its channel, clear of both ends",
            cloth("garment, right side down", (-110, 22), (110, 22), right="right"),
            notion("channel: tape, or both layers", (-50, 0), (50, 0)),
            row((-30, -9), (-30, 31), "the row beside the bone"),
            row((30, -9), (30, 31), "the row beside the bone"),
            Thing("bone", "block", (0, 11), (42, 8)),
        ),
    ),
    "shoulder pads": (
        frame(
            "The pad's straight edge stands beyond the armhole seam into the sleeve",
            cloth("shoulder, right side up", (-120, -8), (50, -8), (62, 40), right="left"),
            Thing("pad", "button", (0, 12), (110, 18)),
            hand((-40, -1), (-40, 16), "sewn loosely to the shoulder's allowance"),
        ),
    ),
}
