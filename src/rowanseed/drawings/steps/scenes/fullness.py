"""Sections of darts, pleats, gathers, shirring, elastic: what shapes the cloth and draws it up."""

from __future__ import annotations

from rowanseed.drawings.steps.scene import Thing
from rowanseed.drawings.steps.scenes.frame import Frames, basting, cloth, frame, hand, notion, row, second, to

WAVES = tuple((-120.0 + 12 * k, (9.0 if k % 2 else -9.0)) for k in range(21))
ROWS = frame(
    "Two rows of long stitches, one on each side of the stitching line, drawn up from the bobbin threads",
    cloth("edge, right side up", (-110, 0), (70, 0), right="left"),
    row((2, -9), (2, 9), "a row beyond the stitching line: it comes out later"),
    to("stitching line", (24, -24), (24, -5)),
    row((46, -9), (46, 9), "a row in the allowance"),
    at=("gather", "ease"),
)
PLEAT = frame(
    "Folded along one line to the other, right side up",
    cloth("garment, right side up", (-120, 0), (30, 0), (30, 12), (-30, 12), (-30, 24), (120, 24), right="left"),
    basting((0, -9), (0, 33), "basting across the folds"),
    to("the fold is brought this way", (64, -14), (40, -3)),
)
TUNNEL = cloth(
    "garment, right side at the left", (0, 70), (0, -44), (24, -44), (24, 14), (12, 14), (12, -10), right="left"
)
ON_EDGE = frame(
    "The folds, seen from the edge",
    cloth("cloth, drawn up", *WAVES, right="left"),
    row((-100, -22), (-100, 18), "a row through every fold"),
    row((100, -22), (100, 18), "a row through every fold"),
)

SCENES: Frames = {
    "darts": (
        frame(
            "Folded right sides together, sewn to the point",
            cloth("piece, folded on the dart's middle", (-110, 6), (60, 6), (60, -6), (-110, -6), right="left"),
            row((20, -16), (20, 16), "the leg of the dart"),
            at=("darts",),
        ),
        frame(
            "Pressed over: the fold to the centre, or down",
            cloth(
                "piece, right side up",
                (-120, 0),
                (-5, 0),
                (-5, 12),
                (-48, 12),
                (-48, 24),
                (6, 24),
                (6, 0),
                (120, 0),
                right="left",
            ),
            row((-14, 6), (15, 6), "the leg of the dart"),
        ),
    ),
    "double-ended darts": (
        frame(
            "Folded right sides together, sewn from the middle to each point",
            cloth("piece, folded on the dart's middle", (-110, 6), (60, 6), (60, -6), (-110, -6), right="left"),
            row((20, -16), (20, 16), "the leg of the dart"),
            to("clipped at the middle, where it is widest", (76, 0), (62, 0)),
        ),
    ),
    "knife pleats": (PLEAT,),
    "pleats": (PLEAT,),
    "folds": (PLEAT,),
    "one-sided": (PLEAT,),
    "pleated band": (
        frame(
            "The pleated strip lies on the flat band, its ends within the seams",
            second(
                "pleated strip, right side up",
                (-110, 0),
                (-40, 0),
                (-40, 10),
                (-70, 10),
                (-70, 20),
                (10, 20),
                (10, 10),
                (-20, 10),
                (-20, 0),
                (110, 0),
                right="left",
            ),
            cloth("flat band", (-120, 34), (120, 34), right="left"),
            basting((60, -9), (60, 43)),
        ),
    ),
    "box pleats": (
        frame(
            "Two folds away from each other",
            cloth(
                "garment, right side up",
                (-130, 24),
                (-14, 24),
                (-14, 12),
                (-50, 12),
                (-50, 0),
                (50, 0),
                (50, 12),
                (14, 12),
                (14, 24),
                (130, 24),
                right="left",
            ),
            basting((-32, -9), (-32, 33)),
            basting((32, -9), (32, 33)),
        ),
    ),
    "inverted pleats": (
        frame(
            "Two folds that meet in the middle",
            cloth(
                "garment, right side up",
                (-130, 0),
                (-3, 0),
                (-3, 12),
                (-46, 12),
                (-46, 24),
                (46, 24),
                (46, 12),
                (3, 12),
                (3, 0),
                (130, 0),
                right="left",
            ),
            basting((-24, -9), (-24, 33)),
            basting((24, -9), (24, 33)),
        ),
    ),
    "tucks, released": (
        frame(
            "The fold sewn down as far as the mark, then let go",
            cloth(
                "garment, right side up", (-120, 0), (20, 0), (20, 12), (-20, 12), (-20, 24), (120, 24), right="left"
            ),
            row((-8, 6), (-8, 30), "the tuck's row, to its mark"),
        ),
    ),
    "ease pleat": (PLEAT,),
    "gathers": (ROWS, ON_EDGE),
    "gathers over a cord": (
        frame(
            "A zigzag over a cord, not through it",
            cloth("edge, wrong side up", (-110, 0), (70, 0), right="right"),
            Thing("cord, inside the allowance", "round", (36, -11), (12, 11)),
            row((26, -20), (26, 9), "zigzag, on one side of the cord"),
            row((46, -20), (46, 9), "and on the other"),
        ),
    ),
    "gathers at the overlocker": (
        frame(
            "Differential feed draws it up as it neatens",
            cloth("edge, right side up", (-110, 0), (50, 0), right="left"),
            Thing("overlock stitches", "loops", (46, 0), (14, 20)),
        ),
    ),
    "ease rows": (ROWS,),
    "ease strip": (
        frame(
            "A bias strip stretched along the cap draws it in",
            cloth("sleeve cap, wrong side up", (-110, 0), (60, 0), right="right"),
            second("bias strip, stretched on", (6, -11), (56, -11)),
            row((30, -20), (30, 9), "inside the allowance"),
        ),
    ),
    "taking out rows": (
        frame(
            "The row that shows is drawn out",
            cloth("garment", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
            cloth("gathered side", (120, 0), (6, 0), (6, 12), (50, 12), right="right"),
            row((-14, 6), (14, 6), "the seam stays"),
            basting((24, -9), (24, 9), "the gathering row beyond the seam comes out"),
        ),
    ),
    "cartridge pleats": (
        frame(
            "Two rows of even stitches draw up equal folds; each fold is whipped to the band",
            cloth("cloth, drawn up in tubes", *WAVES, right="left"),
            second("band, its edge pressed in", (-120, -36), (120, -36), (120, -25), (-120, -25)),
            hand((-84, -12), (-84, -22), "each fold whipped by itself"),
            hand((12, -12), (12, -22), "each fold whipped by itself"),
        ),
    ),
    "shirring": (
        frame(
            "Ordinary thread above, elastic in the bobbin",
            cloth("cloth, right side up, drawn up by the elastic", *WAVES, right="left"),
            notion("elastic thread below", (-120, 26), (120, 26)),
            row((-60, -20), (-60, 26), "needle thread, right side"),
            row((60, -20), (60, 26), "needle thread, right side"),
        ),
    ),
    "shirring by hand": (
        frame(
            "Running stitches of elastic thread, drawn in to half",
            cloth("cloth, right side up, drawn up by the elastic", *WAVES, right="left"),
            row((-112, 0), (112, 0), "elastic thread, through every fold"),
        ),
    ),
    "casing": (
        frame(
            "Folded twice into a tunnel wider than the elastic",
            TUNNEL,
            row((-9, 6), (33, 6), "the row that closes the tunnel"),
            Thing("elastic", "block", (12, -24), (8, 28)),
        ),
    ),
    "drawstring": (
        frame(
            "A tunnel with the cord in it",
            TUNNEL,
            row((-9, 6), (33, 6), "the row that closes the tunnel"),
            Thing("cord", "round", (12, -26), (13, 13)),
        ),
    ),
    "elastic zigzagged on": (
        frame(
            "The elastic on the wrong side, stretched between the quarters",
            cloth("edge, wrong side up", (-110, 0), (60, 0), right="right"),
            notion("elastic, edge on edge", (10, -11), (60, -11)),
            row((22, -20), (22, 9), "zigzag or overlock, stretching"),
            at=("elastic",),
        ),
        frame(
            "Folded over and stitched through all",
            cloth("garment", (-110, 0), (60, 0), (60, 24), (-2, 24), right="left"),
            notion("elastic, inside the fold", (4, 12), (50, 12)),
            row((12, -9), (12, 33), "zigzag through all layers, stretching"),
        ),
    ),
    "elastic in a seam": (
        frame(
            "The allowances stitched down to the bodice, the elastic in the tunnel",
            cloth("bodice, right side up", (-120, 0), (-6, 0), (-6, 12), (-60, 12), right="left"),
            cloth("skirt", (120, 0), (6, 0), (6, 36), (-60, 36), right="right"),
            row((-14, 6), (14, 6), "the seam"),
            row((-50, -9), (-50, 45), "the row that makes the tunnel"),
            Thing("elastic, between the allowances and the bodice", "block", (-28, 6), (26, 8)),
        ),
    ),
    "drawstring in a seam": (
        frame(
            "The allowances stitched down to the bodice, the cord in the tunnel",
            cloth("bodice, right side up", (-120, 0), (-6, 0), (-6, 12), (-60, 12), right="left"),
            cloth("skirt", (120, 0), (6, 0), (6, 36), (-60, 36), right="right"),
            row((-14, 6), (14, 6), "the seam"),
            row((-50, -9), (-50, 45), "the row that makes the tunnel"),
            Thing("cord, between the allowances and the bodice", "button", (-28, 6), (14, 9)),
        ),
    ),
    "elastic on a line": (
        frame(
            "The elastic along its line on the wrong side",
            cloth("piece, wrong side up", (-110, 0), (110, 0), right="right"),
            notion("elastic, stretched", (-30, -11), (30, -11)),
            row((-14, -20), (-14, 9), "zigzag, or two rows"),
            row((14, -20), (14, 9), "zigzag, or two rows"),
        ),
    ),
    "elastic catch-stitched": (
        frame(
            "The elastic lies in a tunnel of thread on the wrong side",
            cloth("piece, wrong side up", (-110, 0), (110, 0), right="right"),
            notion("elastic, free to slide", (-26, -11), (26, -11)),
            hand((-38, -14), (-38, 4), "catch stitch, just beside the elastic"),
            hand((38, -14), (38, 4), "catch stitch, just beside the elastic"),
        ),
    ),
    "ruffle in a seam": (
        frame(
            "The ruffle lies between both layers, its right side to the outer one",
            cloth("one layer, right side up", (-110, 12), (60, 12), right="left"),
            second("ruffle, gathered, right side down", (-80, 0), (60, 0), right="right"),
            cloth("the other layer, wrong side up", (-110, -12), (60, -12), right="right"),
            row((24, -22), (24, 22)),
            at=("baste", "sew"),
        ),
        frame(
            "Turned: the ruffle stands out of the seam",
            cloth("one layer", (-110, -8), (0, -8), (0, 2), (-40, 2), right="left"),
            second("ruffle", (110, 14), (-40, 14), right="left"),
            cloth("the other layer", (-110, 36), (0, 36), (0, 26), (-40, 26), right="right"),
            row((-12, -4), (-12, 32)),
        ),
    ),
}
