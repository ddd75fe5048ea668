"""Sections of pockets, cut across the mouth or the edge."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.drawings.steps.scenes.frame import Frames, cloth, far, frame, lining, loops, row, second, stiff, to

IN_SEAM = frame(
    "The bag hangs from the allowances of the seam",
    cloth("front", (-120, 0), (-6, 0), (-6, 14), (-20, 14), right="left"),
    cloth("back", (120, 0), (6, 0), (6, 14), (20, 14), right="right"),
    lining("front bag", (-24, 25), (-4, 25), (-30, 60), (-60, 84), right="right"),
    lining("back bag", (24, 25), (6, 25), (4, 60), (-50, 96), right="left"),
    row((-16, 6), (-16, 33), "the bag on the front's allowance"),
    row((16, 6), (16, 33), "the bag on the back's allowance"),
)

WELT = frame(
    "Folded right sides together, seen along the fold, which lies behind: sewn across an end",
    second("one half, wrong side up", (-80, 0), (70, 0), right="right"),
    second("the other half, right side up", (-80, 11), (70, 11), right="left"),
    row((-58, -10), (-58, 21), "across the end"),
    far("the allowance, trimmed", (-80, 32), (-58, 32)),
)

MOUTH = frame(
    "The mouth folded and stitched first",
    second("pocket, right side out", (-110, 0), (40, 0), (40, 12), (-6, 12), right="left", neatened=True),
    row((8, -9), (8, 21)),
    far("the mouth's hem", (8, 32), (40, 32)),
    at=("mouth",),
)
NEATENED = frame(
    "Every edge neatened, one layer, before anything is folded",
    second("pocket, right side up", (-110, 0), (50, 0), right="left"),
    loops((48, 0), 16, "neatening over the raw edge, no cloth cut off"),
    at=("neaten",),
)
LAID_ON = frame(
    "Its edges pressed in over a card, laid on its marks and edgestitched",
    cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
    second("pocket, its edges folded under", (60, 0), (-50, 0), (-50, 12), (-20, 12), right="right"),
    row((-43, -9), (-43, 33), "the row, close to the fold"),
)

SCENES: Frames = {
    "patch pocket": (MOUTH, NEATENED, LAID_ON),
    "pouch pocket": (replace(MOUTH, at=("mouths",)), NEATENED, LAID_ON),
    "lined patch pocket": (
        frame(
            "Folded at the mouth, right sides together, a gap in the seam of the lining",
            second("pocket, folded at its mouth", (-110, 12), (70, 12), (70, 0), (20, 0), right="left"),
            lining("lining, right side down", (-110, 0), (6, 0), (6, -12), (30, -12), right="right"),
            row((-96, -9), (-96, 21), "the row round three sides"),
            row((14, -18), (14, 4), "the seam at the mouth, with its gap"),
            at=("lining", "round"),
        ),
        frame(
            "Turned, laid on its marks and edgestitched",
            cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
            second("pocket, its edges within", (60, 0), (-50, 0), (-50, 12), (-30, 12), right="right"),
            lining("lining, behind the edge", (60, 12), (-18, 12), right="left"),
            row((-40, -9), (-40, 33), "the row, close to the edge"),
        ),
    ),
    "sham welt": (
        replace(WELT, at=("turn",)),
        frame(
            "On its head, its stitching line on the line, sewn, then flipped up",
            cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
            second("welt, finished, lying upside down", (-80, 13), (10, 13)),
            row((0, 4), (0, 33)),
            to("flipped up over the seam", (-40, -10), (30, -10)),
            at=("sew",),
        ),
        frame(
            "Flipped up, its ends slip-stitched",
            cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
            second("welt", (70, 0), (-20, 0), (-20, 12), (-2, 12)),
            row((-12, 5), (-12, 33), "the seam, inside"),
        ),
    ),
    "welt pocket": (
        replace(WELT, at=("made",)),
        frame(
            "Welt and bag on the right side, sewn on both lines of the mouth",
            cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
            stiff("a strip of interfacing behind the mouth", (-60, 35), (60, 35)),
            second("welt, folded, raw edge to the mouth", (-60, 12), (-3, 12)),
            lining("bag, wrong side up", (3, 12), (80, 12), right="right"),
            row((-14, 2), (-14, 44), "the row of the welt"),
            row((14, 2), (14, 44), "the row of the bag, a little shorter"),
            to("cut between, to the last thread at the ends", (0, -20), (0, 6)),
            at=("rows", "slash"),
        ),
        frame(
            "Turned through: the welt fills the mouth, the bags hang inside",
            cloth("garment", (-120, 0), (-16, 0), (-16, 12), (-44, 12), right="left"),
            cloth("garment", (120, 0), (16, 0), (16, 12), (44, 12), right="right"),
            second("welt", (-40, 23), (-10, 23), (14, -8), (20, -14)),
            lining("bags, sewn together all round", (-40, 34), (-10, 34), (-10, 80), (30, 80), (30, 24), (44, 24)),
        ),
    ),
    "in-seam pocket": (
        frame(
            "The bags right sides together, sewn round from mark to mark",
            lining("one bag, right side up", (-110, 11), (40, 11), right="left"),
            lining("the other bag, wrong side up", (-110, 0), (40, 0), right="right"),
            row((14, -9), (14, 20)),
            at=("bag", "press-bag"),
        ),
        IN_SEAM,
    ),
    "slant pocket": (
        frame(
            "The pocket's facing on the front, right sides together, along the mouth",
            cloth("front, right side up", (-110, 11), (40, 11), right="left"),
            lining("facing of the pocket, wrong side up", (-90, 0), (40, 0), right="right"),
            row((8, -10), (8, 20)),
            at=("mouth",),
        ),
        frame(
            "Bag and side piece right sides together round the curve, the front lifted away",
            cloth("side piece, right side up", (-110, 11), (40, 11), right="left"),
            lining("facing of the pocket, wrong side up", (-110, 0), (40, 0), right="right"),
            row((14, -9), (14, 20)),
            at=("bag", "press-bag"),
        ),
        frame(
            "The mouth faced and turned, the side front beneath",
            cloth("front, its mouth turned in", (-120, 0), (20, 0), (20, 12), (-20, 12), right="left"),
            lining("facing bag", (-90, 34), (14, 34), (14, 23), (-16, 23), right="right"),
            cloth("side front, with the other bag", (120, 46), (-90, 46), right="right"),
            row((0, -9), (0, 43), "the row along the mouth: not through the side front"),
        ),
    ),
    "pocket flap": (
        frame(
            "Flap and lining right sides together, sewn at the sides and below",
            second("flap, right side up", (-90, 11), (40, 11), right="left"),
            lining("its lining, wrong side up, a little smaller", (-86, 0), (34, 0), right="right"),
            row((18, -10), (18, 20)),
            far("trimmed, and notched where it curves", (18, 32), (40, 32)),
            at=("made",),
        ),
        frame(
            "The flap upside down, its raw edge towards the pocket",
            cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
            second("flap, finished", (-90, 12), (10, 12)),
            row((0, 3), (0, 33)),
            at=("sew",),
        ),
        frame(
            "Folded down over the trimmed edge and stitched",
            cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
            second("flap", (110, 0), (-14, 0), (-14, 12), (4, 12)),
            row((-4, -9), (-4, 33), "the row below the fold"),
        ),
    ),
    "patch": (
        frame(
            "Laid on its marks, its edges turned under",
            cloth("garment, right side up", (-120, 24), (120, 24), right="left"),
            second("patch", (60, 0), (-50, 0), (-50, 12), (-20, 12), right="right"),
            row((-43, -9), (-43, 33), "the row all round"),
        ),
    ),
}
