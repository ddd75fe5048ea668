"""Sections of edges: facings, bindings, pipings, trims."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.drawings.steps.scene import Thing
from rowanseed.drawings.steps.scenes.frame import Frames, basting, cloth, far, frame, hand, notion, row, second, to
from rowanseed.drawings.steps.scenes.seams import LYING

FACED = (
    cloth("garment, right side up", (-110, 0), (40, 0), right="left"),
    second("facing, wrong side up", (-70, -11), (40, -11), right="right"),
)
GRADED = (
    cloth("garment", (-120, 0), (0, 0), (0, 14), (-44, 14), right="left"),
    second("facing, underneath when it is turned", (-110, 37), (-2, 37), (-2, 25), (-28, 25), right="right"),
)
TURNED = frame(
    "Turned in: the seam lies a hair inside the edge",
    *GRADED,
    row((-10, 9), (-10, 30), "the seam"),
    row((-22, 19), (-22, 46), "understitching: through facing and allowances only"),
)
SEWN = frame(
    "Right sides together, edge on edge",
    *FACED,
    row((6, -21), (6, 10)),
    far("the allowance", (6, 22), (40, 22)),
    at=("sew", "face"),
)
TRIM = frame(
    "Graded: the garment's allowance is left the longer",
    cloth("garment, right side up", (-110, 0), (32, 0), right="left"),
    second("facing, wrong side up, trimmed shorter", (-70, -11), (20, -11), right="right"),
    row((6, -21), (6, 10)),
    to("clips end a thread or two before the stitching", (46, -34), (14, -18)),
    at=("trim", "clip"),
)
UNDERSTITCH = frame(
    "Opened flat: the row holds facing and both allowances, not the garment",
    cloth("garment, right side up", (-120, 0), (-6, 0), (-6, 24), (42, 24), right="left"),
    second("facing, right side up", (120, 0), (6, 0), (6, 12), (34, 12), right="right"),
    row((-14, 6), (14, 6), "the seam"),
    row((19, -9), (19, 33), "understitching, close to the seam"),
    at=("understitch",),
)
PRESSED = frame(
    "Opened flat, both allowances towards the facing",
    cloth("garment, right side up", (-120, 0), (-6, 0), (-6, 24), (42, 24), right="left"),
    second("facing, right side up", (120, 0), (6, 0), (6, 12), (34, 12), right="right"),
    row((-14, 6), (14, 6), "the seam"),
    at=("press",),
)
BOUND = frame(
    "The binding wraps the edge",
    cloth("garment, right side up", (-110, 0), (20, 0), right="left"),
    second(
        "binding, its inner edge turned under",
        *((20, -11), (-12, -11), (-12, -22), (34, -22), (34, 22), (-24, 22), (-24, 11), (6, 11)),
    ),
    row((8, -17), (8, 9), "the row in its crease"),
    row((-6, -31), (-6, 31), "the row that catches both sides"),
)

SCENES: Frames = {
    "shaped facing": (
        SEWN,
        TRIM,
        PRESSED,
        UNDERSTITCH,
        frame(
            "The facing folded back, right sides together, and sewn on the hem line",
            cloth("front, right side up", (-110, 11), (40, 11), right="left"),
            second("facing, wrong side up", (-90, 0), (40, 0), right="right"),
            row((18, -9), (18, 20), "the row on the hem line"),
            at=("close",),
        ),
        TURNED,
    ),
    "faced hem": (replace(SEWN, at=("face",)), UNDERSTITCH, TURNED),
    "scalloped edge": (
        frame(
            "Sewn along the drawn line before it is cut",
            *FACED,
            row((6, -21), (6, 10), "the drawn line, in short stitches"),
            to("trimmed and clipped at each inner point", (46, -34), (12, -20)),
        ),
    ),
    "bias facing": (
        frame(
            "The strip on the right side, edge on edge",
            cloth("garment, right side up", (-110, 0), (40, 0), right="left"),
            second("bias strip, wrong side up", (-6, -11), (40, -11), right="right"),
            row((6, -21), (6, 10)),
            at=("face",),
        ),
        UNDERSTITCH,
        frame(
            "Turned inside and stitched along its inner fold",
            cloth("garment", (-120, 0), (0, 0), (0, 12), (-30, 12), right="left"),
            second("bias strip, turned in whole", (-30, 23), (-3, 23), (-3, 34), (-52, 34), (-52, 23), (-40, 23)),
            row((-46, -9), (-46, 43), "the row along the inner fold"),
        ),
    ),
    "bias binding": (
        frame(
            "The first fold of the binding on the stitching line",
            cloth("garment, right side up", (-110, 0), (40, 0), right="left"),
            second("binding, right side down, edge on edge", (-30, -11), (40, -11), right="right"),
            row((8, -21), (8, 10), "in the crease of the binding"),
            at=("bind", "sew"),
        ),
        BOUND,
    ),
    "double binding": (
        frame(
            "The strip folded in half, raw edges on the edge",
            cloth("garment, right side up", (-110, 0), (40, 0), right="left"),
            second("strip, folded in half", (40, -23), (-16, -23), (-16, -11), (40, -11)),
            row((12, -32), (12, 10)),
            at=("bind", "sew"),
        ),
        frame(
            "Its fold felled down inside",
            cloth("garment, right side up", (-110, 0), (20, 0), right="left"),
            second("strip, double", (6, -12), (36, -12), (36, 14), (-12, 14)),
            row((12, -20), (12, 8), "the seam"),
            hand((-14, 20), (-6, 2), "felling stitches"),
        ),
    ),
    "knit band": (
        frame(
            "The folded band stretched on, all raw edges together",
            cloth("garment, right side up", (-110, 0), (40, 0), right="left"),
            second("band, folded in half", (40, -23), (-60, -23), (-60, -12), (40, -12)),
            row((22, -32), (22, 10), "sewn in one with its edges"),
            at=("sew", "ring"),
        ),
        frame(
            "The band up, the allowances down, stitched below",
            second("band, double", (22, -8), (110, -8), (110, 8), (22, 8)),
            cloth("garment", (-120, 0), (14, 0), (14, 14), (-24, 14), right="left"),
            row((-8, -9), (-8, 24), "the row below the band"),
        ),
    ),
    "stretched band": (
        frame(
            "Closed to a ring, and folded wrong sides together",
            second("band, right side out", (-110, -8), (60, -8), (60, 8), (-110, 8)),
            far("both raw edges even", (-110, 20), (-110, 34)),
            at=("ring", "fold"),
        ),
        frame(
            "The folded band stretched on, all three raw edges together",
            cloth("garment, right side up", (-110, 0), (40, 0), right="left"),
            second("band, folded in half", (40, -23), (-60, -23), (-60, -12), (40, -12)),
            row((22, -32), (22, 10), "sewn in one with its edges"),
            at=("sew",),
        ),
        frame(
            "The band away, the allowances on the garment",
            second("band, double", (22, -8), (110, -8), (110, 8), (22, 8)),
            cloth("garment", (-120, 0), (14, 0), (14, 14), (-24, 14), right="left"),
        ),
    ),
    "turned edge": (
        frame(
            "Turned twice and stitched",
            cloth("garment, right side up", (-120, 0), (40, 0), (40, 24), (-8, 24), (-8, 12), (24, 12), right="left"),
            row((0, -9), (0, 33)),
        ),
    ),
    "neatened edge": (
        frame(
            "The raw edge finished by itself",
            cloth("edge, right side up", (-110, 0), (40, 0), right="left"),
            Thing("neatening over the edge, no cloth cut off", "loops", (38, 0), (11, 20)),
        ),
    ),
    "piping": (
        frame(
            "The cord in its bias strip",
            second("bias strip round the cord", (60, 1), (6, 1), (-10, -8), (6, -21), (60, -10)),
            Thing("cord", "round", (4, -9), (12, 12)),
            row((20, -26), (20, 8), "beside the cord, not quite close"),
            at=("cord",),
        ),
        frame(
            "The cord in its bias strip, basted to one edge",
            cloth("one edge, right side up", (-110, 12), (60, 12), right="left"),
            second("bias strip round the cord", (60, 1), (6, 1), (-10, -8), (6, -21), (60, -10)),
            Thing("cord, on the stitching line", "round", (4, -9), (12, 12)),
            row((20, -26), (20, 21), "close to the cord"),
            at=("baste",),
        ),
        frame(
            "Caught between both layers",
            cloth("one edge, right side up", (-110, 12), (60, 12), right="left"),
            second("piping", (60, 1), (6, 1), (-10, -8), (6, -21), (60, -10)),
            cloth("the other edge, wrong side up", (-110, -33), (60, -33), right="right"),
            Thing("cord", "round", (4, -9), (12, 12)),
            row((16, -44), (16, 22), "a hair closer than the first row"),
        ),
    ),
    "rickrack": (
        frame(
            "The braid's middle on the stitching line",
            cloth("edge, right side up", (-110, 0), (60, 0), right="left"),
            notion("rickrack", (-6, -11), (40, -11)),
            basting((17, -20), (17, 9)),
        ),
    ),
    "lace": (
        frame(
            "Lace laid over the finished edge",
            cloth("edge, right side up", (-110, 0), (30, 0), right="left"),
            notion("lace", (8, -11), (90, -11)),
            row((18, -20), (18, 9)),
        ),
    ),
    "braid": (
        frame(
            "Braid on the right side, both edges stitched",
            cloth("garment, right side up", (-110, 0), (110, 0), right="left"),
            notion("braid", (-30, -11), (30, -11)),
            row((-24, -20), (-24, 9)),
            row((24, -20), (24, 9)),
        ),
    ),
    "embroidery": (
        frame(
            "Worked through one layer, backed",
            cloth("garment, right side up", (-110, 0), (110, 0), right="left"),
            notion("backing, torn or cut away afterwards", (-60, 11), (60, 11)),
            hand((-14, -9), (-14, 19), "embroidery stitches"),
            hand((6, -9), (6, 19), "embroidery stitches"),
        ),
    ),
    "topstitching": (
        LYING,
        frame(
            "A row on the right side, beside the edge or the seam",
            cloth("garment, right side up", (-120, 0), (-6, 0), (-6, 12), (-50, 12), right="left"),
            cloth("the other piece", (120, 0), (6, 0), (6, 24), (-50, 24), right="right"),
            row((-14, 6), (14, 6), "the seam"),
            row((-26, -9), (-26, 33), "the topstitching"),
        ),
    ),
    "staystitching": (
        frame(
            "One layer, one row, within the allowance",
            cloth("piece, by itself", (-110, 0), (60, 0), right="left"),
            row((26, -9), (26, 9), "staystitching"),
            far("to the stitching line", (8, 20), (26, 20)),
        ),
    ),
}
