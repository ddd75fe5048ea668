"""Sections of what is no part of a seam: samples, try-ons, marks, the end."""

from __future__ import annotations

from rowanseed.drawings.steps.scenes.frame import Frames, basting, cloth, frame, row, stiff, to

SCENES: Frames = {
    "samples": (
        frame(
            "The same layers as in the garment, on the same grain",
            cloth("scrap, right side up", (0, 0), (150, 0), right="left"),
            cloth("scrap, wrong side up", (0, -11), (150, -11), right="right"),
            row((112, -21), (112, 10), "the stitch that is tried"),
        ),
    ),
    "try-on": (
        frame(
            "Long stitches that come out again, on the stitching line",
            cloth("one piece, right side up", (0, 0), (150, 0), right="left"),
            cloth("the other piece, wrong side up", (0, -11), (150, -11), right="right"),
            basting((112, -21), (112, 10), "basting, stitch length 4 to 5"),
            at=("baste",),
        ),
        frame(
            "What is pinned is marked on both layers and on every layer beneath",
            cloth("one piece", (0, 0), (150, 0), right="left"),
            cloth("the other piece", (0, -11), (150, -11), right="right"),
            to("the new line", (98, -40), (98, -18)),
            to("the line that was sewn", (124, 32), (124, 8)),
        ),
    ),
    "marks made again": (
        frame(
            "The tissue over the piece, the mark brought through",
            stiff("tissue", (0, -11), (150, -11)),
            cloth("piece, wrong side up", (0, 0), (150, 0), right="right"),
            to("tailor's tack, chalk or pin at each mark", (90, -36), (90, -4)),
        ),
    ),
    "the end": (
        frame(
            "Every thread buried, every basting out",
            cloth("garment, right side up", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left", neatened=True),
            cloth("garment", (120, 0), (6, 0), (6, 12), (50, 12), right="right", neatened=True),
            row((-14, 6), (14, 6), "the seam, its ends secured"),
            to("press from the inside first", (0, 40), (0, 18)),
        ),
    ),
}
