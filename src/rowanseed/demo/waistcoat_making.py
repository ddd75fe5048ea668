"""The making graph of the waistcoat: its seams, finishes, closures, layers and booklet."""

from __future__ import annotations

from rowanseed.core.pattern.making import (
    BookletStep,
    Closure,
    ClosureKind,
    Difference,
    DifferenceKind,
    Finish,
    FinishKind,
    Join,
    Layer,
    LayerKind,
    Making,
    Press,
)
from rowanseed.demo.drafting import part


def making(*, princess_ease: float, shoulder_ease: float) -> Making:
    """What is sewn to what; the eases in mm."""
    ease = "the fuller side is eased over the bust"
    shoulder = "the back shoulder is a little longer: it is eased over the shoulder blade"
    return Making(
        joins=(
            Join(
                id="princess",
                name="Princess seams",
                a=(part("side-front", "princess"),),
                b=(part("front", "princess"),),
                difference=Difference(DifferenceKind.EASE, princess_ease),
                each_hand=True,
                why=ease,
            ),
            Join(
                id="centre-back",
                name="Centre back seam",
                a=(part("back", "centre", hand="left"),),
                b=(part("back", "centre", hand="right"),),
            ),
            Join(
                id="sides",
                name="Side seams",
                a=(part("side-front", "side"),),
                b=(part("back", "side"),),
                sewn_from="start",
                each_hand=True,
            ),
            Join(
                id="shoulders",
                name="Shoulder seams",
                a=(part("back", "shoulder"),),
                b=(part("front", "shoulder"),),
                difference=Difference(DifferenceKind.EASE, shoulder_ease),
                each_hand=True,
                why=shoulder,
            ),
            Join(
                id="lining-facing",
                name="Lining to facing",
                a=(part("front-lining", "facing"),),
                b=(part("facing", "inner"),),
                press=Press.BACK,
                each_hand=True,
            ),
            Join(
                id="lining-princess",
                name="Lining princess seams",
                a=(part("side-lining", "princess"),),
                b=(part("front-lining", "princess"),),
                difference=Difference(DifferenceKind.EASE, princess_ease),
                each_hand=True,
                why=ease,
            ),
            Join(
                id="lining-back",
                name="Lining centre back seam",
                a=(part("back-lining", "centre", hand="left"),),
                b=(part("back-lining", "centre", hand="right"),),
            ),
            Join(
                id="lining-sides",
                name="Lining side seams",
                a=(part("side-lining", "side"),),
                b=(part("back-lining", "side"),),
                sewn_from="start",
                each_hand=True,
            ),
            Join(
                id="lining-shoulders",
                name="Lining shoulder seams",
                a=(part("back-lining", "shoulder"),),
                b=(part("front-lining", "shoulder"), part("facing", "shoulder")),
                difference=Difference(DifferenceKind.EASE, shoulder_ease),
                each_hand=True,
                why=shoulder,
            ),
            Join(
                id="neck",
                name="Facing and lining to front edges and neck",
                a=(part("front", "opening"), part("front", "neck"), part("back", "neck")),
                b=(part("facing", "opening"), part("facing", "neck"), part("back-lining", "neck")),
                press=Press.FACING,
            ),
            Join(
                id="armholes",
                name="Lining to armholes",
                a=(part("side-front", "armhole"), part("front", "armhole"), part("back", "armhole")),
                b=(part("side-lining", "armhole"), part("front-lining", "armhole"), part("back-lining", "armhole")),
                press=Press.FACING,
                each_hand=True,
            ),
            Join(
                id="hems",
                name="Lining to lower edge",
                a=(part("front", "hem"), part("side-front", "hem"), part("back", "hem")),
                b=(
                    part("facing", "hem"),
                    part("front-lining", "hem"),
                    part("side-lining", "hem"),
                    part("back-lining", "hem"),
                ),
                press=Press.FACING,
            ),
        ),
        closures=(Closure("buttons", ClosureKind.BUTTONS, "neck"),),
        finishes=(
            Finish(
                id="welt-edges",
                name="Edges of the welts",
                kind=FinishKind.TURNED,
                parts=tuple(part("welt", e) for e in ("lower", "left", "upper", "right")),
            ),
            Finish(
                id="belt-edges",
                name="Edges of the back belt",
                kind=FinishKind.TURNED,
                parts=tuple(part("belt", e) for e in ("lower", "left", "upper", "right")),
            ),
        ),
        layers=(
            Layer(LayerKind.FACING, "facing", "front"),
            Layer(LayerKind.LINING, "front-lining", "front"),
            Layer(LayerKind.LINING, "side-lining", "side-front"),
            Layer(LayerKind.LINING, "back-lining", "back"),
        ),
        booklet=(
            BookletStep("1", ("princess",)),
            BookletStep("2", ("centre-back",)),
            BookletStep("3", ("shoulders",)),
            BookletStep("4", ("lining-facing", "lining-princess", "lining-back")),
            BookletStep("5", ("neck",)),
            BookletStep("6", ("armholes",)),
            BookletStep("7", ("sides", "lining-sides")),
            BookletStep("8", ("hems",)),
        ),
    )
