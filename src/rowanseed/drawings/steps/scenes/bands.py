"""Sections of collars, bands, cuffs and straps."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.drawings.steps.scenes.frame import (
    Frames,
    basting,
    cloth,
    far,
    frame,
    hand,
    lining,
    loops,
    row,
    second,
    stiff,
    to,
)

BAND_SEWN = frame(
    "The band on the edge, right sides together",
    cloth("garment, right side up", (-110, 11), (40, 11), right="left"),
    second("band, wrong side up", (-90, 0), (40, 0), right="right"),
    row((8, -10), (8, 21)),
    far("the allowance", (8, 32), (40, 32)),
    at=("sew", "baste"),
)
BAND_UP = frame(
    "Turned up, the allowances into the band",
    second("band, right side at the left", (0, -70), (0, -6), (12, -6), (12, -34), right="right"),
    cloth("garment", (0, 80), (0, 6), (24, 6), (24, -30), right="left"),
    row((-9, 0), (22, 0), "the seam"),
    at=("press",),
)
BAND = frame(
    "Folded over: its inner edge covers the seam",
    second(
        "band, right side out",
        (12, -36),
        (12, -8),
        (0, -8),
        (0, -72),
        (53, -72),
        (53, 10),
        (42, 10),
        (42, -24),
        right="left",
    ),
    cloth("garment", (0, 80), (0, 6), (25, 6), (25, -32), right="left"),
    row((6, -18), (31, -18), "the seam"),
    row((-9, -1), (62, -1), "the row that closes it, or slip stitches inside"),
)
BAND_FLAT = frame(
    "Folded over: its neatened inner edge lies flat past the seam",
    second(
        "band, right side out",
        (12, -36),
        (12, -8),
        (0, -8),
        (0, -72),
        (53, -72),
        (53, 34),
        right="left",
    ),
    cloth("garment", (0, 80), (0, 6), (25, 6), (25, -32), right="left"),
    row((6, -18), (31, -18), "the seam"),
    row((-9, -1), (62, -1), "the row in the ditch that catches it"),
)
COLLAR_EDGE = frame(
    "Upper and under collar, right sides together",
    second("upper collar, wrong side up", (-110, 0), (40, 0), right="right"),
    cloth("under collar, a little smaller, right side up", (-110, 11), (36, 11), right="left"),
    stiff("interfacing", (-110, -11), (30, -11)),
    row((8, -20), (8, 20)),
    at=("sew",),
)
COLLAR = frame(
    "Turned: the seam rolls to the underside",
    second("upper collar", (-110, 0), (6, 0), (6, 12), (-30, 12), right="left"),
    cloth("under collar", (-110, 36), (-2, 36), (-2, 24), (-26, 24), right="right"),
    row((-10, 7), (-10, 30), "the seam, a hair under the edge"),
    to("graded, points cut across", (30, 18), (10, 18)),
)
CAUGHT = frame(
    "The collar caught between garment and facing",
    cloth("garment, right side up", (-110, 22), (40, 22), right="left"),
    second("collar, finished, its underside down", (-90, 11), (40, 11)),
    second("facing, wrong side up", (-60, 0), (40, 0), right="right"),
    row((8, -10), (8, 31)),
)
STRAP = frame(
    "Right side out, its ends held where they are caught",
    second("strap, right side out", (-100, 0), (60, 0), (60, 12), (-100, 12), right="left"),
    cloth("garment, right side up", (-20, 30), (120, 30), right="left"),
    basting((48, -9), (48, 39), "basting within the allowance"),
)
PAIR = frame(
    "Two and two right sides together, sewn round all but the end that is caught",
    second("one piece, wrong side up", (-70, 0), (70, 0), right="right"),
    second("the other piece, right side up", (-70, 11), (70, 11), right="left"),
    row((-50, -10), (-50, 21), "the row along its edges"),
    row((50, -10), (50, 21), "the row along its edges"),
    at=("made", "turn"),
)
BIB = (
    frame(
        "Bib and facing right sides together, the strap between them",
        second("bib facing, wrong side up", (-110, 0), (40, 0), right="right"),
        cloth("strap, lying down", (-110, 11), (40, 11)),
        second("bib, right side up", (-110, 22), (40, 22), right="left"),
        row((8, -10), (8, 32)),
        far("trimmed, the corners across", (8, 43), (40, 43)),
        at=("made",),
    ),
    frame(
        "Right side out, both layers of the lower edge as one",
        second("bib, right side up", (-110, 0), (40, 0), right="left"),
        lining("its facing", (-110, 11), (40, 11), right="right"),
        loops((38, 0), 22),
        at=("neaten",),
    ),
    frame(
        "The lower edge behind the band, two rows below its fold",
        cloth("band, folded", (110, 0), (-30, 0), (-30, 12), (110, 12), right="right"),
        second("bib", (-110, 26), (40, 26), right="left"),
        lining("its facing, neatened with it", (-110, 38), (40, 38), right="right"),
        row((-20, -9), (-20, 47), "close to the fold"),
        row((8, -9), (8, 47), "the second row"),
    ),
)
BIB_STRAP = (
    replace(STRAP, at=("baste",)),
    frame(
        "Its end turned under, behind the band",
        cloth("band, folded", (110, 0), (-30, 0), (-30, 12), (110, 12), right="right"),
        second("strap", (-110, 26), (70, 26), (70, 38), (30, 38), right="left"),
        row((-20, -9), (-20, 47), "the box"),
        row((56, -9), (56, 47), "the box"),
    ),
)
STRIP = frame(
    "The strip folded to its middle and again, and stitched",
    second("strip, right side out", (30, 11), (-36, 11), (-36, 0), (36, 0), (36, 22), (-30, 22), right="left"),
    row((-28, -9), (-28, 31)),
    row((28, -9), (28, 31)),
    at=("fold",),
)

PRESSED_IN = frame(
    "Folded on its line, its inner edge pressed in by less than the allowance",
    second("band, right side out", (60, 0), (-60, 0), (-60, 30), (44, 30), (44, 19), (8, 19), right="right"),
    to("the fold passes the seam by so much as is left", (74, 50), (48, 34)),
    at=("press-in",),
)
INNER_PRESSED_IN = frame(
    "The neck edge of the inner stand pressed in, less than its allowance",
    second("inner stand, wrong side up", (-100, 0), (40, 0), (40, -12), (4, -12), right="right"),
    far("pressed in", (4, -25), (40, -25)),
    at=("press-in",),
)
NECK_SEWN = frame(
    "Collar and neck right sides together, from dot to dot",
    cloth("garment, or facing, right side up", (-110, 11), (40, 11), right="left"),
    second("collar, wrong side up", (-90, 0), (40, 0), right="right"),
    row((8, -10), (8, 21)),
    far("the allowance", (8, 32), (40, 32)),
)
NECK_OPEN = frame(
    "Pressed open, right side up",
    cloth("garment, or facing", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
    second("collar", (120, 0), (6, 0), (6, 12), (50, 12), right="right"),
    row((-14, 6), (14, 6)),
    at=("opened",),
)

SCENES: Frames = {
    "band": (
        PRESSED_IN,
        BAND_SEWN,
        BAND_UP,
        frame(
            "The ends folded right sides together and sewn",
            second("band, folded back on itself", (40, -6), (-60, -6), (-60, 6), (40, 6), right="right"),
            row((20, -16), (20, 16), "the row across the end"),
            at=("ends",),
        ),
        BAND,
    ),
    "band lying flat": (BAND_FLAT,),
    "turned collar": (COLLAR_EDGE, COLLAR),
    "notched collar": (
        replace(NECK_SEWN, at=("act:band",)),
        NECK_OPEN,
        replace(COLLAR_EDGE, at=("act:join",)),
        frame(
            "Both neck seams pressed open and joined inside",
            cloth("garment and under collar, right side down", (-110, 24), (110, 24), right="right"),
            second("facing and upper collar, right side up", (-110, 0), (110, 0), right="left"),
            hand((0, 5), (0, 19), "the allowances tacked together"),
            at=("tack",),
        ),
        COLLAR,
    ),
    "collar in a faced neck": (CAUGHT,),
    "collar with stand": (
        INNER_PRESSED_IN,
        replace(BAND_SEWN, at=("act:band",)),
        frame(
            "The collar between both stands",
            second("outer stand, right side up", (-60, 22), (60, 22), right="left"),
            cloth("collar, finished", (-110, 11), (60, 11)),
            second("inner stand, wrong side up", (-60, 0), (60, 0), right="right"),
            row((26, -10), (26, 31)),
            at=("act:join", "baste", "trim"),
        ),
        frame(
            "The inner stand's edge covers the neck seam",
            second("outer stand", (0, -60), (0, -6), (12, -6), (12, -30), right="right"),
            second("inner stand, its edge pressed in", (46, -60), (46, 8), (35, 8), (35, -24), right="left"),
            cloth("garment", (0, 80), (0, 6), (24, 6), (24, -28), right="left"),
            row((-9, 0), (22, 0), "the neck seam"),
            row((-9, -14), (55, -14), "the edgestitching"),
        ),
    ),
    "back belt": (PAIR, STRAP),
    "strap": (STRIP, STRAP),
    "bib": BIB,
    "bib strap": (STRIP, *BIB_STRAP),
    "tab": (PAIR, STRAP),
    "belt loops": (
        STRIP,
        frame(
            "Sewn below the band, folded up over it, barred at its upper edge",
            cloth("band, folded over the garment's edge", (0, -70), (0, 30), right="left"),
            cloth("garment", (0, 30), (0, 90), right="left"),
            second("loop", (14, 70), (14, 48), (26, 48), (26, -62), (12, -62), (12, -46), right="right"),
            row((-9, 56), (23, 56), "the row below the band"),
            row((-9, -54), (36, -54), "the bar at its upper edge"),
            at=("sew-on",),
        ),
    ),
    "ties at a band": (
        STRIP,
        frame(
            "The tie on the open band, raw end level with raw end",
            cloth("tie, finished", (-110, 0), (60, 0)),
            second("band, right side up", (-110, 12), (60, 12), right="left"),
            basting((48, -9), (48, 22), "basting, in the allowance"),
            at=("baste",),
        ),
        frame(
            "The tie of the end beneath comes out through the slot",
            second("band, outer layer", (-110, 0), (-8, 0), right="left"),
            second("band, outer layer", (110, 0), (8, 0), right="right"),
            second("band, inner layer", (-110, 12), (-8, 12), right="right"),
            second("band, inner layer", (110, 12), (8, 12), right="left"),
            row((-15, -9), (-15, 21), "the slot's edges, sewn through both layers"),
            row((15, -9), (15, 21), "the slot's edges, sewn through both layers"),
            cloth("tie", (-90, 30), (0, 30), (0, -22), (100, -22)),
        ),
    ),
    "tie belt": (
        frame(
            "Folded right sides together, sewn from both ends, a gap left in the middle",
            second("belt, folded", (40, -6), (-60, -6), (-60, 6), (40, 6), right="left"),
            row((20, -16), (20, 16), "the row along its edges"),
            to("turned through the gap", (64, 0), (46, 0)),
            at=("made", "fold", "turn"),
        ),
        frame(
            "Turned through the gap, which is closed by hand",
            second("belt, right side out", (-3, 12), (-80, 12), (-80, 0), (80, 0), (80, 12), (3, 12), right="right"),
            hand((-10, 12), (10, 12), "from fold to fold"),
        ),
    ),
}
