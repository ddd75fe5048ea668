"""Sections of what is no part of a seam: samples, try-ons, marks, the end."""

from __future__ import annotations

from rowanseed.drawings.steps.scenes.frame import Frames, basting, cloth, frame, loops, notion, row, stiff, to

SCENES: Frames = {
    "samples": (
        frame(
            "One layer of scrap, on the grain of the long edges",
            cloth("scrap, right side up", (0, 0), (150, 0), right="left"),
            loops((148, 0), 16, "the neatening that is tried"),
            at=("sample-neaten",),
        ),
        frame(
            "A square of cloth and one of interfacing, the glue down on the wrong side",
            stiff("interfacing, its glue side down", (0, -11), (150, -11)),
            cloth("scrap, wrong side up", (0, 0), (150, 0), right="right"),
            to("press, lift, move; do not rub", (75, -40), (75, -20)),
            at=("sample-fuse",),
        ),
        frame(
            "One layer of scrap with its rows, before it is drawn up",
            cloth("scrap, right side up", (0, 0), (150, 0), right="left"),
            row((110, -12), (110, 12), "first row"),
            row((132, -12), (132, 12), "second row, nearer to the edge"),
            at=("sample-gathers",),
        ),
        frame(
            "One layer of scrap, elastic thread below: it has to draw in to half",
            cloth("scrap, right side up", (0, 0), (150, 0), right="left"),
            *(row((x, -12), (x, 12), "a row, elastic thread on its under side") for x in (30, 60, 90, 120)),
            at=("sample-shirring",),
        ),
        frame(
            "Folded as the hem will be, the fold nipped by the swing stitch",
            cloth(
                "scrap, the hem turned to its wrong side and folded back under",
                *((0, 0), (90, 0), (90, 11), (30, 11), (30, 22), (120, 22)),
                right="left",
            ),
            row((96, 4), (96, 30), "straight stitches on the hem's edge"),
            row((84, 4), (96, 15), "the swing that nips the fold"),
            at=("sample-blind-hem",),
        ),
        frame(
            "The zip's own tape on a folded scrap, the foot beside its coil",
            notion("zip tape, its coil on the left", (52, -11), (120, -11)),
            cloth("scrap, folded, right sides out", (150, 0), (0, 0), (0, 11), (150, 11), right="right"),
            row((66, -22), (66, 22), "the stitch that is tried, close to the coil"),
            at=("sample-zip",),
        ),
        frame(
            "Layers and interfacing as under the garment's buttonholes",
            cloth("scrap, right side up", (0, -22), (150, -22), right="left"),
            stiff("interfacing", (0, -11), (150, -11)),
            cloth("scrap, wrong side up", (0, 0), (150, 0), right="right"),
            row((70, -34), (70, 12), "one side of the buttonhole"),
            row((84, -34), (84, 12), "its other side; cut between them last"),
            at=("sample-buttonhole",),
        ),
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
