"""Sections of contour bands and of facings that go round neck and armholes in one."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.drawings.steps.scenes.bands import BAND_SEWN, BAND_UP
from rowanseed.drawings.steps.scenes.edges import PRESSED, TRIM, UNDERSTITCH
from rowanseed.drawings.steps.scenes.frame import Frames, basting, cloth, far, frame, hand, notion, row, second, to
from rowanseed.drawings.steps.scenes.seams import OPEN

SCENES: Frames = {
    "contour band": (
        frame(
            "The tape over the upper stitching line, on the wrong side",
            second("inner layer, wrong side up", (-110, 0), (40, 0), right="right"),
            notion("stay tape, cut to the finished length", (-4, -9), (20, -9)),
            basting((8, -18), (8, 9), "basting"),
            at=("tape",),
        ),
        frame(
            "Both layers right sides together, the tape caught in the seam",
            second("inner layer, wrong side up", (-110, 0), (40, 0), right="right"),
            cloth("outer layer, right side up", (-110, 11), (40, 11), right="left"),
            notion("stay tape", (-4, -9), (20, -9)),
            row((8, -18), (8, 20)),
            at=("act:join",),
        ),
        frame(
            "The lower edge of the inner layer pressed in, less than its allowance",
            second("inner layer, right side down", (-60, 0), (60, 0), (60, 11), (10, 11), right="right"),
            far("pressed in", (10, 22), (60, 22)),
            at=("press-in",),
        ),
        frame(
            "Turned: the seam lies inside, and the inner layer is stitched to the allowances",
            second("outer layer", (-110, 0), (6, 0), (6, 12), (-30, 12), right="left"),
            cloth("inner layer", (-110, 36), (-2, 36), (-2, 24), (-26, 24), right="right"),
            row((-10, 7), (-10, 30), "the seam, a hair inside the edge"),
            row((-20, 18), (-20, 45), "understitching"),
            at=("trim", "understitch"),
        ),
        replace(BAND_SEWN, at=("act:band",)),
        BAND_UP,
        frame(
            "The inner layer's fold passes the waist seam and is caught from the right side",
            second("outer layer", (0, -60), (0, -6), (12, -6), (12, -30), right="right"),
            second("inner layer, its edge pressed in", (46, -60), (46, 8), (35, 8), (35, -24), right="left"),
            cloth("garment", (0, 80), (0, 6), (24, 6), (24, -28), right="left"),
            row((-9, 0), (22, 0), "the waist seam"),
            row((-9, 3), (55, 3), "stitched in the ditch, through the fold"),
        ),
    ),
    "all-in-one facing": (
        replace(OPEN, at=("opened",)),
        frame(
            "The armhole's edges brought round the rolled-up garment, right sides together",
            cloth("garment, over the roll", (-80, -4), (-60, -30), (-10, -30), (10, -6), (46, -6), right="right"),
            second("facing, under the roll", (-80, 18), (-60, 40), (-10, 40), (10, 6), (46, 6), right="left"),
            to("the rest of the garment, rolled up and clear of the row", (-36, -58), (-36, -2)),
            notion("the roll", (-52, -10), (-22, -10), (-22, 20), (-52, 20), (-52, -10)),
            row((22, -16), (22, 16), "the armhole seam"),
            at=("act:face",),
        ),
        TRIM,
        PRESSED,
        UNDERSTITCH,
        frame(
            "Garment and facing in one run, over the armhole seam",
            cloth("back of the garment and of its facing, right side up", (-120, 11), (120, 11), right="left"),
            second("front of both, wrong side up", (-120, 0), (120, 0), right="right"),
            row((-90, -10), (-90, 21), "from the facing's free edge"),
            row((90, -10), (90, 21), "to the garment's lower end"),
            hand((0, -10), (0, 21), "the armhole seams, one on the other"),
            at=("act:join",),
        ),
    ),
}
