"""A ruffle at the hem: strips joined to a ring, gathered to the lower edge, hemmed themselves."""

from __future__ import annotations

from rowanseed.core.compose.bands import along, band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.figures import HEM_RUFFLE
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import Corner, Panel

FULL = 2.0
"""A ruffle is so many times as long as its seam (common practice, no source)."""
NARROW = 12.0


def ruffle_hem(build: Build, parts: tuple[EdgePart, ...]) -> None:
    """Sew a ruffle to the lower edge in place of a hem. The skirt is shorter by its depth."""
    whole = tuple(part(p.piece, p.edge, hand) for p in parts for hand in ("left", "right"))
    edges = ("lower", "end", "upper", "start")
    build.piece(
        "ruffle",
        "Hem ruffle",
        lambda size: band_draw(along(build, whole, size) * FULL / 2, HEM_RUFFLE, edges),
        panel=Panel.OTHER,
        count=2,
        pair=True,
    )
    build.join(
        "ruffle-seams",
        "Seams of the ruffle",
        (part("ruffle", "start"),),
        (part("ruffle", "end"),),
        each_hand=True,
    )
    build.join(
        "ruffle",
        "Ruffle to the lower edge",
        (part("ruffle", "upper", "left"), part("ruffle", "upper", "right")),
        whole,
        press=Press.UP,
        difference=Difference(DifferenceKind.GATHERS, FULL),
    )
    build.allow("ruffle", "lower", NARROW, Corner.TURNED)
    build.finish("hem", "Hem of the ruffle", FinishKind.HEM, (part("ruffle", "lower"),), (NARROW / 2, NARROW / 2))
    build.along["hem"] = ("ruffle",)
