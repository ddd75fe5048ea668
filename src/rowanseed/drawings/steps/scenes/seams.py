"""Sections of seams."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.drawings.steps.scenes.frame import (
    ALLOWANCE,
    Frames,
    basting,
    cloth,
    far,
    frame,
    hand,
    lining,
    loops,
    notion,
    row,
    second,
    to,
)

ONE, OTHER = "one piece, right side up", "the other piece, wrong side up"
LYING = frame(
    "Right sides together, from the end of the seam",
    cloth(ONE, (0, 0), (150, 0), right="left"),
    cloth(OTHER, (0, -11), (150, -11), right="right"),
    row((112, -21), (112, 10)),
    far(ALLOWANCE, (112, 22), (150, 22)),
    at=("sew", "baste", "stay"),
)
OPEN = frame(
    "Pressed open, right side up",
    cloth("one piece", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left", neatened=True),
    cloth("the other piece", (120, 0), (6, 0), (6, 12), (50, 12), right="right", neatened=True),
    row((-14, 6), (14, 6)),
    far(ALLOWANCE, (6, 26), (50, 26)),
)
ASIDE = frame(
    "Pressed to one side, right side up",
    cloth("one piece, towards which it is pressed", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
    cloth("the other piece", (120, 0), (6, 0), (6, 24), (-50, 24), right="right"),
    row((-14, 6), (14, 6)),
    loops((-51, 18), 24),
)
TOPSTITCHED = frame(
    "Pressed to one side and stitched down, right side up",
    cloth("one piece, towards which it is pressed", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
    cloth("the other piece", (120, 0), (6, 0), (6, 24), (-50, 24), right="right"),
    row((-14, 6), (14, 6), "the seam"),
    row((-30, -9), (-30, 33), "the row that holds it down"),
)
BOTH_ROWS = (
    cloth(ONE, (0, 0), (150, 0), right="left"),
    cloth(OTHER, (0, -11), (150, -11), right="right"),
)
CLIPPED = frame(
    "Clipped where it bends: inwards by snips, outwards by wedges",
    *BOTH_ROWS,
    row((112, -21), (112, 10)),
    to("a thread or two before the stitching", (148, -36), (118, -20)),
    at=("clip",),
)
APART = frame(
    "Each edge by itself, right side up",
    cloth("one layer, right side up", (-110, 0), (50, 0), right="left"),
    loops((48, 0), 16, "neatening over the raw edge, no cloth cut off"),
    at=("neaten",),
)

SCENES: Frames = {
    "plain seam": (LYING, CLIPPED, APART, replace(ASIDE, at=("together", "aside")), OPEN),
    "basted seam": (
        frame(
            "Held by a basting in the allowance, which comes out once the seam is sewn",
            *BOTH_ROWS,
            row((112, -21), (112, 10), "the stitching line"),
            basting((124, -21), (124, 10), "basting, beside it"),
            far(ALLOWANCE, (112, 22), (150, 22)),
        ),
    ),
    "overlocked seam": (
        frame(
            "Right sides together, sewn and neatened in one",
            *BOTH_ROWS,
            row((112, -21), (112, 10), "needle threads"),
            loops((132, -5), 26, "looper threads over the trimmed edge"),
            at=("sew",),
        ),
        ASIDE,
    ),
    "double-stitched seam": (
        LYING,
        frame(
            "Two rows, trimmed beside the second",
            cloth(ONE, (0, 0), (135, 0), right="left"),
            cloth(OTHER, (0, -11), (135, -11), right="right"),
            row((105, -21), (105, 10), "the first row, on the stitching line"),
            row((121, -21), (121, 10), "the second row, inside the allowance"),
            at=("second",),
        ),
        ASIDE,
    ),
    "raglan seam": (LYING, CLIPPED, ASIDE),
    "hood at the neck": (LYING, ASIDE),
    "underarm in one run": (LYING, CLIPPED, APART, OPEN),
    "seam of three layers": (
        frame(
            "Three layers in one seam",
            cloth("one piece, right side up", (0, 0), (150, 0), right="left"),
            second("the layer between", (40, -11), (150, -11), right="left"),
            cloth("the other piece, wrong side up", (0, -22), (150, -22), right="right"),
            row((112, -32), (112, 10)),
            at=("sew",),
        ),
        ASIDE,
    ),
    "taped shoulder": (
        frame(
            "The tape on top, caught in the seam",
            *BOTH_ROWS,
            notion("tape, its edge beside the stitching line", (100, -22), (135, -22)),
            row((112, -31), (112, 10)),
            at=("sew",),
        ),
        frame(
            "Pressed to the back, the tape inside",
            cloth("back", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
            cloth("front", (120, 0), (6, 0), (6, 24), (-50, 24), right="right"),
            notion("tape", (-40, 36), (18, 36), (18, 7)),
            row((-16, 9), (29, 9)),
        ),
    ),
    "French seam": (
        frame(
            "First row, wrong sides together",
            cloth("one piece, wrong side up", (0, 0), (150, 0), right="right"),
            cloth("the other piece, right side up", (0, -11), (150, -11), right="left"),
            row((122, -21), (122, 10), "the first row"),
            far("trimmed close to it afterwards", (122, 22), (150, 22)),
            at=("first",),
        ),
        frame(
            "Second row, right sides together: the raw edges lie inside",
            cloth("one piece", (-100, 6), (50, 6), (50, -3), (24, -3), right="left"),
            cloth("the other piece", (-100, -21), (62, -21), (62, -12), (24, -12), right="right"),
            row((12, -32), (12, 17), "the second row"),
            row((40, -21), (40, 6), "the first row, inside"),
        ),
    ),
    "flat-felled seam": (
        frame(
            "Wrong sides together: the fell is seen outside",
            cloth("one piece, wrong side up", (0, 0), (150, 0), right="right"),
            cloth("the other piece, right side up", (0, -11), (150, -11), right="left"),
            row((112, -21), (112, 10)),
            far(ALLOWANCE, (112, 22), (150, 22)),
            at=("sew",),
        ),
        frame(
            "Pressed to one side, right side up, and the lower allowance cut down",
            cloth("one piece, its allowance cut down", (-120, 0), (-6, 0), (-6, -12), (-26, -12), right="left"),
            cloth("the other piece", (120, 0), (6, 0), (6, -24), (-60, -24), right="right"),
            row((-14, -6), (14, -6), "the seam"),
            at=("trim",),
        ),
        frame(
            "The wide allowance folded over the narrow one and stitched, right side up",
            cloth("one piece, its allowance cut down", (-120, 0), (-6, 0), (-6, -12), (-26, -12), right="left"),
            cloth(
                "the other piece, its allowance folded round",
                (120, 0),
                (6, 0),
                (6, -34),
                (-52, -34),
                (-52, -23),
                (-20, -23),
                right="right",
            ),
            row((-14, -6), (14, -6), "the seam"),
            row((-42, -43), (-42, 9), "the row along the fold"),
        ),
    ),
    "mock-felled seam": (LYING, replace(ASIDE, at=("together", "aside")), TOPSTITCHED),
    "lapped seam": (
        frame(
            "One folded edge laid on the other, right side up",
            cloth("upper piece, its allowance folded under", (-110, 0), (30, 0), (30, 11), (-14, 11), right="left"),
            cloth("lower piece, right side up", (-20, 23), (120, 23), right="left"),
            row((20, -9), (20, 33)),
            far("how far they lap", (-20, 44), (30, 44)),
        ),
    ),
    "bound seam": (
        LYING,
        frame(
            "Each allowance wrapped in binding and pressed open",
            cloth("one piece", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
            cloth("the other piece", (120, 0), (6, 0), (6, 12), (50, 12), right="right"),
            second("binding", (-36, 22), (-62, 22), (-62, 6), (-40, 6)),
            second("binding", (36, 22), (62, 22), (62, 6), (40, 6)),
            row((-14, 5), (14, 5), "the seam"),
        ),
    ),
    "seam bound as one": (
        LYING,
        frame(
            "Both allowances wrapped in one binding",
            cloth("one piece", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
            cloth("the other piece", (120, 0), (6, 0), (6, 24), (-50, 24), right="right"),
            second("binding", (-30, 36), (-64, 36), (-64, 12), (-64, 2), (-56, 2)),
            row((-14, 6), (14, 6), "the seam"),
            row((-40, 5), (-40, 45), "the row that holds the binding"),
        ),
    ),
    "self-bound seam": (
        LYING,
        frame(
            "The wider allowance wraps the narrow one",
            cloth("one piece, its allowance cut down", (-120, 0), (-6, 0), (-6, 24), (-24, 24), right="left"),
            cloth(
                "the other piece, its allowance folded round twice",
                (120, 0),
                (6, 0),
                (6, 36),
                (-42, 36),
                (-42, 13),
                (-18, 13),
                right="right",
            ),
            row((-14, 5), (14, 5), "the seam"),
            row((-30, 8), (-30, 46), "the row that closes it"),
        ),
    ),
    "crotch sewn flat": (
        LYING,
        APART,
        frame(
            "Right sides together, the lower curve",
            *BOTH_ROWS,
            row((105, -21), (105, 10), "the seam"),
            row((121, -21), (121, 10), "a second row through the curve"),
            far("trimmed below the notch", (121, 22), (150, 22)),
            at=("trim",),
        ),
        replace(ASIDE, at=("together", "aside")),
        OPEN,
    ),
    "inner legs": (LYING, CLIPPED, APART, replace(ASIDE, at=("together", "aside")), OPEN),
    "crotch seam": (
        APART,
        replace(LYING, at=("to-mark",)),
        replace(OPEN, at=("press",)),
        frame(
            "One leg inside the other, right sides together",
            *BOTH_ROWS,
            row((105, -21), (105, 10), "the seam"),
            row((121, -21), (121, 10), "a second row through the curve"),
            far("trimmed below the notches", (121, 22), (150, 22)),
        ),
    ),
    "doubled layers": (
        frame(
            "Two layers held as one",
            cloth("outer layer, right side up", (0, -11), (150, -11), right="left"),
            cloth("inner layer, right side down", (0, 0), (150, 0), right="right"),
            basting((122, -20), (122, 9)),
        ),
    ),
    "doubled yoke": (
        frame(
            "The piece between both yokes, right sides inside",
            cloth("outer yoke, right side up", (0, 12), (150, 12), right="left"),
            cloth("back or front between them, wrong side up", (30, 1), (150, 1), right="right"),
            cloth("inner yoke, wrong side up", (0, -10), (150, -10), right="right"),
            row((115, -20), (115, 22)),
            at=("sew",),
        ),
        frame(
            "Pressed up: nothing raw is seen",
            cloth("outer yoke", (-110, 0), (-6, 0), (-6, 11), (-44, 11), right="left"),
            cloth("inner yoke", (-110, 44), (-6, 44), (-6, 33), (-44, 33), right="right"),
            cloth("back or front", (110, 22), (-44, 22), right="right"),
            row((-14, 14), (-14, 40)),
        ),
    ),
    "stay tape": (
        frame(
            "Tape along the stitching line, on the wrong side",
            cloth("garment, wrong side up", (0, 0), (150, 0), right="right"),
            notion("tape, cut to the finished length", (92, -11), (128, -11)),
            basting((110, -20), (110, 9)),
        ),
    ),
    "inset corner": (
        frame(
            "The clipped edge on top, spread along the straight one",
            cloth("piece with the corner, clipped to its reinforcing row", (0, -11), (150, -11), right="right"),
            cloth("the other piece, right side up", (0, 0), (150, 0), right="left"),
            row((112, -21), (112, 10)),
            row((118, -21), (118, -2), "the reinforcing row, just inside the allowance"),
            at=("reinforce", "sew"),
        ),
        ASIDE,
    ),
    "pivoted corner": (
        frame(
            "The clipped edge on top, turned at the needle",
            cloth("piece with the corner, clipped to its reinforcing row", (0, -11), (150, -11), right="right"),
            cloth("the other piece, right side up", (0, 0), (150, 0), right="left"),
            row((112, -21), (112, 10)),
            row((118, -21), (118, -2), "the reinforcing row, just inside the allowance"),
            at=("reinforce", "sew"),
        ),
        ASIDE,
    ),
    "set-in sleeve": (
        LYING,
        frame(
            "The allowances lie into the sleeve",
            cloth("body, right side up", (-110, 12), (46, 12), right="left"),
            cloth(
                "sleeve, its cap rolls over the allowances",
                (46, 1),
                (0, 1),
                (0, -11),
                (66, -11),
                (88, 70),
                right="left",
            ),
            row((9, -3), (9, 21)),
            loops((46, 7), 22),
        ),
    ),
    "sleeve in the flat": (
        LYING,
        frame(
            "The allowances lie towards the body",
            cloth("body", (-120, 0), (-6, 0), (-6, 12), (-44, 12), right="left"),
            cloth("sleeve", (120, 0), (6, 0), (6, 24), (-44, 24), right="right"),
            row((-14, 6), (14, 6)),
            loops((-45, 18), 24),
        ),
    ),
    "underarm in one with the side": (
        frame(
            "A strip of the cloth over the curve of the underarm",
            *BOTH_ROWS,
            second("strip on the bias, over the curve", (92, -22), (132, -22)),
            row((112, -31), (112, 10)),
        ),
    ),
    "slit": (
        LYING,
        APART,
        replace(OPEN, at=("press",)),
        frame(
            "The edges of the slit turned back, right side up",
            cloth("one piece", (-120, 0), (-5, 0), (-5, 12), (-46, 12), right="left", neatened=True),
            cloth("the other piece", (120, 0), (5, 0), (5, 12), (46, 12), right="right", neatened=True),
            row((-36, -9), (-36, 21), "the row round the slit"),
            row((36, -9), (36, 21), "the row round the slit"),
            to("the slit, open below the seam", (0, -24), (0, -6)),
        ),
    ),
    "opening at the top of a seam": (
        LYING,
        APART,
        replace(OPEN, at=("press",)),
        frame(
            "The edges of the opening turned back, right side up",
            cloth("one piece", (-120, 0), (-5, 0), (-5, 12), (-46, 12), right="left", neatened=True),
            cloth("the other piece", (120, 0), (5, 0), (5, 12), (46, 12), right="right", neatened=True),
            row((-36, -9), (-36, 21), "the row round the opening"),
            row((36, -9), (36, 21), "the row round the opening"),
            to("the opening, above the seam", (0, -24), (0, -6)),
        ),
    ),
    "vent": (
        LYING,
        APART,
        replace(OPEN, at=("press",)),
        frame(
            "The vent, seen from below: one side laps over the other",
            cloth("upper side, its facing folded under", (-120, 0), (40, 0), (40, 12), (-20, 12), right="left"),
            cloth("lower side", (120, 25), (-10, 25), (-10, 37), (30, 37), right="right"),
            row((-4, -9), (-4, 46), "the row across the top of the vent"),
        ),
    ),
    "lining at a vent": (
        LYING,
        APART,
        replace(OPEN, at=("press",)),
        frame(
            "Across the vent, seen from below: each fold of the lining felled to its own side",
            cloth("upper side, folded under", (-120, 0), (44, 0), (44, 12), (-46, 12), right="left"),
            cloth("underlap, single", (120, 26), (-8, 26), right="right", neatened=True),
            lining("lining, cut out", (-120, 30), (-26, 30), (-26, 19), (-52, 19), right="right"),
            lining("lining", (120, 52), (40, 52), (40, 38), (70, 38), right="left"),
            hand((-30, 25), (-18, 9), "felling stitches"),
            hand((44, 44), (32, 24), "felling stitches"),
        ),
    ),
}
