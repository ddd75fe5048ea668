"""The making graph of the overshirt: its seams, finishes, closures, layers and booklet."""

from __future__ import annotations

from rowanseed.core.pattern.making import (
    BAND_FOLD,
    BookletStep,
    Closure,
    ClosureKind,
    Difference,
    DifferenceKind,
    Finish,
    FinishKind,
    Join,
    Making,
    Press,
)
from rowanseed.core.pattern.pieces import Piece
from rowanseed.demo.drafting import lengths, part


def making(collar: Piece, under: Piece, *, cap_ease: float) -> Making:
    """What is sewn to what; `cap_ease` in mm."""
    sizes = tuple(collar.shapes)
    trimmed = sum(sum(lengths(collar, e)[s] - lengths(under, e)[s] for e in ("outer", "end")) for s in sizes) / len(
        sizes
    )
    return Making(
        joins=(
            Join(id="yoke", name="Yoke to back", a=(part("back", "yoke"),), b=(part("yoke", "yoke"),), press=Press.UP),
            Join(
                id="shoulders",
                name="Shoulder seams",
                a=(part("front", "shoulder"),),
                b=(part("yoke", "shoulder"),),
                press=Press.BACK,
                each_hand=True,
            ),
            Join(
                id="yoke-inside",
                name="Inner yoke to back",
                a=(part("back", "yoke"),),
                b=(part("yoke-inner", "yoke"),),
                press=Press.UP,
            ),
            Join(
                id="shoulders-inside",
                name="Inner yoke to fronts",
                a=(part("front", "shoulder"),),
                b=(part("yoke-inner", "shoulder"),),
                press=Press.BACK,
                each_hand=True,
            ),
            Join(
                id="yoke-layers",
                name="Inner yoke to yoke, at armholes and neck",
                a=(part("yoke", "armhole"), part("yoke", "neck")),
                b=(part("yoke-inner", "armhole"), part("yoke-inner", "neck")),
                press=Press.UP,
                each_hand=True,
            ),
            Join(
                id="bands",
                name="Front bands",
                a=(part("front", "opening"),),
                b=(part("band", "front"),),
                press=Press.BAND,
                each_hand=True,
            ),
            Join(
                id="collar-edge",
                name="Collar to under collar",
                a=(part("collar", "end"), part("collar", "outer")),
                b=(part("under-collar", "end"), part("under-collar", "outer")),
                difference=Difference(DifferenceKind.EASE, trimmed),
                why="the under collar is trimmed 3 mm and stretched on, so that the seam rolls under",
            ),
            Join(
                id="collar-stand",
                name="Collar to stand",
                a=(part("collar", "stand"),),
                b=(part("stand", "upper"),),
                press=Press.DOWN,
            ),
            Join(
                id="under-stand",
                name="Under collar to inner stand",
                a=(part("under-collar", "stand"),),
                b=(part("stand-inner", "upper"),),
                press=Press.DOWN,
            ),
            Join(
                id="stand-ends",
                name="Ends of the stand",
                a=(part("stand", "front"),),
                b=(part("stand-inner", "front"),),
                press=Press.OPEN,
                each_hand=True,
            ),
            Join(
                id="neck",
                name="Stand to neck",
                a=(part("yoke", "neck"), part("front", "neck"), part("band", "top", until=BAND_FOLD)),
                b=(part("stand", "neck"),),
                press=Press.UP,
            ),
            Join(
                id="sides",
                name="Side seams",
                a=(part("front", "side"),),
                b=(part("back", "side"),),
                sewn_from="start",
                press=Press.BACK,
                each_hand=True,
            ),
            Join(
                id="underarms",
                name="Sleeve seams",
                a=(part("sleeve", "underarm-front"),),
                b=(part("sleeve", "underarm-back"),),
                sewn_from="end",
                press=Press.BACK,
                each_hand=True,
            ),
            Join(
                id="cuff-ends", name="Cuff seams", a=(part("cuff", "start"),), b=(part("cuff", "end"),), each_hand=True
            ),
            Join(
                id="cuffs",
                name="Cuffs to sleeves",
                a=(part("sleeve", "wrist"),),
                b=(part("cuff", "sleeve"),),
                press=Press.BAND,
                each_hand=True,
            ),
            Join(
                id="armholes",
                name="Sleeves into armholes",
                a=(part("sleeve", "cap"),),
                b=(part("front", "armhole"), part("yoke", "armhole"), part("back", "armhole")),
                difference=Difference(DifferenceKind.EASE, cap_ease),
                press=Press.BACK,
                each_hand=True,
                why="the cap is eased over the shoulder, between the notches",
            ),
        ),
        closures=(Closure("buttons", ClosureKind.BUTTONS, "bands"),),
        finishes=(
            Finish(
                id="hem",
                name="Hem",
                kind=FinishKind.HEM,
                parts=(part("front", "hem"), part("back", "hem")),
                folds=(8.0, 17.0),
            ),
            Finish(
                id="band-inside",
                name="Inside of the bands",
                kind=FinishKind.TURNED,
                parts=(part("band", "inner"), part("band", "end")),
            ),
            Finish(
                id="stand-inside",
                name="Inside of the stand",
                kind=FinishKind.TURNED,
                parts=(part("stand-inner", "neck"),),
            ),
            Finish(
                id="cuff-inside", name="Inside of the cuffs", kind=FinishKind.TURNED, parts=(part("cuff", "inner"),)
            ),
            Finish(
                id="pocket-edges",
                name="Edges of the pocket",
                kind=FinishKind.TURNED,
                parts=tuple(part("pocket", e) for e in ("left", "bottom", "right", "top")),
            ),
        ),
        booklet=(
            BookletStep("1", ("yoke",)),
            BookletStep("2", ("shoulders",)),
            BookletStep("3", ("bands",)),
            BookletStep("4", ("collar-edge",)),
            BookletStep("5", ("neck",)),
            BookletStep("6", ("sides", "underarms")),
            BookletStep("7", ("armholes",)),
            BookletStep("8", ("cuffs",)),
            BookletStep("9", ("hem",)),
        ),
    )
