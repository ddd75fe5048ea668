"""Sections of hems, the inside of the garment at the right."""

from __future__ import annotations

from rowanseed.drawings.steps.scene import Row
from rowanseed.drawings.steps.scenes.frame import Frames, basting, cloth, frame, hand, loops, row, second, stiff, to

TOP, FOLD = -80.0, 44.0
SINGLE = cloth(
    "garment, right side at the left", (0, TOP), (0, FOLD), (13, FOLD), (13, -22), right="right", neatened=True
)
ONCE = cloth("garment, right side at the left", (0, TOP), (0, FOLD), (13, FOLD), (13, -22), right="right")
TWICE = cloth(
    "garment, right side at the left", (0, TOP), (0, FOLD), (25, FOLD), (25, -16), (12, -16), (12, 16), right="right"
)
PRESS = frame(
    "Folded up and pressed on the wrong side",
    TWICE,
    to("press from the fold", (52, FOLD), (32, FOLD)),
    at=("fold",),
)
PRESS_SINGLE = frame(
    "Turned up and pressed, its edge neatened",
    SINGLE,
    to("press from the fold", (44, FOLD), (22, FOLD)),
    at=("fold", "neaten", "bind"),
)

SCENES: Frames = {
    "turned hem": (
        PRESS,
        frame(
            "Slip-stitched from inside the fold",
            TWICE,
            hand((1, -28), (20, -16), "one thread of the garment, then through the fold"),
            at=("hand",),
        ),
        frame("Stitched along the inner fold", TWICE, row((-9, -8), (34, -8), "the row beside the inner fold")),
    ),
    "hem turned up once": (
        frame("Its edge neatened, then turned up once", SINGLE, at=("neaten",)),
        frame(
            "Turned up once and pressed",
            ONCE,
            to("press from the fold", (44, FOLD), (22, FOLD)),
            at=("fold",),
        ),
        frame(
            "Held inside by hand: a thread of the garment, then a bite of the hem",
            ONCE,
            hand((0, -36), (15, -14), "loose stitches near the hem's edge"),
            at=("hand",),
        ),
        frame(
            "Two rows from the right side, just over the raw edge",
            ONCE,
            row((-9, -14), (22, -14), "first row"),
            row((-9, -4), (22, -4), "second row"),
        ),
    ),
    "hem pressed in": (
        frame(
            "Creased while it is flat, and opened again",
            cloth("sleeve, wrong side up", (-120, 20), (10, 20), (44, 6), (70, 14), right="right"),
            to("first crease", (44, -30), (44, -2)),
            to("the finished edge", (10, -20), (10, 10)),
        ),
    ),
    "strip in the hem": (
        frame(
            "The strip lies on the wrong side, and reaches past the line that the hem is folded on",
            cloth("garment, right side at the left", (0, TOP), (0, 72), right="right"),
            stiff("bias strip of interfacing", (13, -34), (13, 56)),
            basting((-9, FOLD), (24, FOLD), "basting along the hem line"),
            hand((1, -44), (13, -28), "its upper edge caught loosely"),
        ),
    ),
    "turn-ups": (
        frame(
            "Hemmed inside, below the line at which the leg ends",
            cloth("leg, right side at the left", (0, TOP), (0, 76), (13, 76), (13, 12), right="right", neatened=True),
            row((-9, 20), (24, 20), "the hem's row"),
            to("the leg will end here", (-44, 34), (-4, 34)),
        ),
        frame(
            "Folded up to the right side, and held at the seams",
            cloth(
                "leg, turned up on its right side, its hem inside",
                (0, TOP),
                (0, 46),
                (-13, 46),
                (-13, 0),
                (-26, 0),
                (-26, 60),
                (13, 60),
                (13, 26),
                right="right",
                neatened=True,
            ),
            hand((-26, 12), (0, 12), "a few stitches in the ditch of each seam"),
            row((-6, 34), (24, 34), "the hem's row, behind the turn-up"),
            at=("turn",),
        ),
    ),
    "narrow hem": (
        PRESS,
        frame(
            "Folded twice, narrow, and stitched",
            cloth("garment", (0, TOP), (0, 34), (24, 34), (24, 8), (12, 8), (12, 24), right="right"),
            row((-9, 16), (33, 16)),
        ),
    ),
    "rolled hem by machine": (
        frame(
            "The foot rolls the edge and stitches it",
            cloth("garment", (0, TOP), (0, 34), (22, 34), (22, 14), (11, 14), (11, 25), right="right"),
            row((-9, 24), (31, 24)),
        ),
    ),
    "rolled hem at the overlocker": (
        frame(
            "The edge is rolled under its own stitches",
            cloth("garment", (0, TOP), (0, 30), (11, 30), (11, 20), right="right"),
            loops((6, 30), 20, "looper threads round the edge"),
        ),
    ),
    "blind hem by machine": (
        PRESS_SINGLE,
        frame(
            "The hem folded back: the stitch swings to nip the fold",
            cloth(
                "garment, wrong side up, folded back along the hem's edge",
                (-120, 24),
                (20, 24),
                (20, 12),
                (-60, 12),
                (-60, 0),
                (36, 0),
                right="right",
            ),
            row((29, -10), (29, 8), "straight stitches on the hem's edge"),
            row((24, -12), (15, 17), "every few stitches one that nips the fold"),
        ),
    ),
    "blind hem at the overlocker": (
        frame(
            "The hem folded back: the needle just nips the fold, the loops finish the edge",
            cloth(
                "garment, wrong side up, folded back along the hem's edge",
                (-120, 24),
                (20, 24),
                (20, 12),
                (-60, 12),
                (-60, 0),
                (30, 0),
                right="right",
            ),
            row((22, -11), (16, 17), "the needle thread nips the fold"),
            loops((31, 2), 18, "loops over the raw edge"),
        ),
    ),
    "catch-stitched hem": (
        PRESS_SINGLE,
        frame(
            "Catch-stitched: a thread of the garment, then a bite of the hem",
            SINGLE,
            hand((0, -36), (15, -12), "from the garment's thread to the hem's edge"),
            hand((0, -12), (15, -36 + 18), "and back, crossing"),
        ),
    ),
    "twin-needle hem": (
        PRESS_SINGLE,
        frame(
            "Two rows above, one bobbin thread between them below",
            SINGLE,
            row((-9, -12), (22, -12), "first needle"),
            row((-9, 0), (22, 0), "second needle"),
            Row("the bobbin thread goes from one to the other, so that it stretches", (24, -12), (24, 0), "hand"),
        ),
    ),
    "bound hem": (
        frame(
            "The raw edge wrapped in binding",
            cloth("garment, wrong side up", (-110, 0), (60, 0), right="right"),
            second("binding", (36, -12), (74, -12), (74, 12), (44, 12)),
            row((50, -21), (50, 20)),
            at=("bind",),
        ),
        PRESS_SINGLE,
        frame(
            "Turned up and sewn by hand under the binding",
            cloth("garment, right side at the left", (0, TOP), (0, FOLD), (15, FOLD), (15, -16), right="right"),
            second("binding", (26, 2), (26, -28), (7, -28), (7, -10)),
            hand((0, -34), (8, -20), "stitches under the binding"),
        ),
    ),
    "mitred hem": (
        PRESS,
        frame(
            "Across the corner, turned: both hems lie beside each other, none over the other",
            cloth("garment, right side down", (-110, 24), (110, 24), right="right"),
            cloth("one hem", (-110, 12), (-4, 12), (-4, 2), (-34, 2), right="left"),
            cloth("the other hem", (110, 12), (4, 12), (4, 2), (34, 2), right="right"),
            row((-16, 7), (16, 7), "the slanting seam, pressed open"),
            at=("mitre",),
        ),
        frame("Stitched along the inner fold", TWICE, row((-9, -8), (34, -8), "the row beside the inner fold")),
    ),
    "hang and level": (
        frame(
            "Hung a day, then cut level",
            cloth("garment, its edge dropped where it hangs on the bias", (0, TOP), (0, 50), right="right"),
            to("chalked and cut at one height from the floor", (50, 26), (8, 26)),
        ),
    ),
}
