"""What a tape finds on a piece of tissue: four to eight dimensions a piece, each with where to put the tape.

Lengths along an edge, its darts laid flat; widths across the piece at a level of the body; the length of a piece that
has no straight edge along its grain. All in mm, on the stitching line or on the cutting line, as the tissue has it.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import pairwise

from shapely import make_valid
from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Place

from rowanseed.core.compose.vocabulary import TapeLine
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.draped import is_draped
from rowanseed.core.pattern.making import INSET_EDGE
from rowanseed.core.pattern.pieces import LineKind, Piece
from rowanseed.core.pattern.seamline import line_length, lines
from rowanseed.core.pattern.tiers import LOWER, TO_CENTRE, TO_SIDE, UPPER, is_in_tiers

MOST = 8
FIRST = (
    "centre",
    "opening",
    "side",
    "shoulder",
    "neck",
    "armhole",
    "cap",
    "underarm",
    "wrist",
    "outseam",
    "inseam",
    "crotch",
    "waist",
    "hem",
    "princess",
    "yoke",
)
"""The edges that say most about a piece; others follow in the order of its outline."""
LEVELS = ("bust", "waist", "hip", "bicep")
WORDS = {
    "a": "One end",
    "b": "Other end",
    "back": "Back edge",
    "back-end": "End at the back",
    "bag": "Curve of the bag",
    "before": "Free edge before its seam",
    "beyond": "Free edge beyond its seam",
    "bottom": "Lower edge",
    "collar-back": "Centre back of the collar",
    "collar-neck": "Edge at the back of the neck",
    "crotch": "Crotch seam",
    "crown": "Seam over the head",
    "cap": "Sleeve cap",
    "face": "Edge round the face",
    "far-end": "Far end",
    "fold": "Edge on the fold",
    "front": "Front edge",
    "inner": "Inner edge",
    "inseam": "Inner leg seam",
    "lapel": "Edge of the lapel",
    "left": "Left edge",
    "lower": "Lower edge",
    "mouth": "Mouth of the pocket",
    "near-end": "Near end",
    "near-end-inside": "Near end of the inner half",
    "opening": "Edge that opens",
    "outer": "Outer edge",
    "outseam": "Side seam",
    "princess": "Princess seam",
    "raglan": "Raglan seam",
    "raglan-back": "Raglan seam at the back",
    "raglan-front": "Raglan seam at the front",
    "right": "Right edge",
    "round": "Curve of the bag",
    "sewn": "End that is sewn on",
    "side": "Side seam",
    "sleeve": "Edge at the sleeve",
    "stand": "Edge at the stand",
    "start": "Other end",
    "top": "Upper edge",
    "underarm": "Underarm seam",
    "underarm-back": "Underarm seam at the back",
    "underarm-front": "Underarm seam at the front",
    "upper": "Upper edge",
    "vent": "Edge of the vent",
    "waist-inner": "Waist within the pocket",
    "wrist": "Lower edge",
    "yoke": "Yoke seam",
    INSET_EDGE: "Seam between bodice and band",
}
"""What an edge is called where a tape is put along it; others by their own name."""


OF_A_TIER = {
    UPPER: "Upper edge, before it is gathered",
    LOWER: "Edge that the next tier is gathered to",
    TO_CENTRE: "Seam towards the centre",
    TO_SIDE: "Seam towards the side",
}


@dataclass(frozen=True)
class Dimension:
    """A length along `edge`, or a width across the piece at `level`; one of the two is set."""

    id: str
    words: str
    edge: str = ""
    level: str = ""

    @property
    def how(self) -> str:
        """Where to put the tape."""
        if self.level:
            return f"straight across the piece, at the level of the {self.level}"
        return "along the line, from corner to corner, the tape stood on its edge where it bends"


def dimensions(piece: Piece) -> tuple[Dimension, ...]:
    """What can be measured on a piece, what says most about it first."""
    size = next(iter(piece.shapes))
    words = WORDS | (OF_A_TIER if is_in_tiers(piece) else {})
    band = piece.has_edge(INSET_EDGE) and piece.has_edge("waist")
    # No tape tells what of a front with a cowl falls in folds: its edges say it all.
    by_edges = band or is_draped(piece, size)
    found = [
        Dimension(f"{level} width", f"Width at the {level}", level=level)
        for level in LEVELS
        if piece.line(LineKind.LEVEL, level) is not None and not by_edges and not _is_edge(piece, size, level)
    ]
    names = [edge.name for edge in piece.edges]
    for name in (*(n for n in FIRST if n in names), *(n for n in names if n not in FIRST)):
        found.append(Dimension(name, words.get(name, name.replace("-", " ").capitalize()), edge=name))
    return tuple(found[:MOST])


def _is_edge(piece: Piece, size: str, level: str) -> bool:
    """Whether a level is an edge of the piece, which is measured as such."""
    ends = _level(piece, size, level)
    return any(
        all(math.dist(p, q) < 1.0 for p, q in zip(sorted(ends), sorted((chain[0].start, chain[-1].end)), strict=True))
        for chain in piece.shapes[size].edges.values()
    )


def taken(piece: Piece, size: str, dimension: Dimension, on: TapeLine = TapeLine.STITCHING) -> float:
    """What the tape reads on a piece as it is drawn, in mm."""
    if on is TapeLine.STITCHING:
        if dimension.edge:
            return line_length(piece, size, dimension.edge)
        return math.dist(*_level(piece, size, dimension.level))
    path = tape_path(piece, size, dimension, on)
    return sum(math.dist(a, b) for a, b in pairwise(path))


def tape_path(piece: Piece, size: str, dimension: Dimension, on: TapeLine = TapeLine.STITCHING) -> list[Point]:
    """Where the tape lies, as a polyline in the piece's frame."""
    both = lines(piece, size)
    if dimension.edge:
        return list((both.seam if on is TapeLine.STITCHING else both.cutting)[dimension.edge])
    a, b = _level(piece, size, dimension.level)
    return [a, b] if on is TapeLine.STITCHING else _across(both.cutting_ring(), a, b)


def _level(piece: Piece, size: str, level: str) -> tuple[Point, Point]:
    line = piece.line(LineKind.LEVEL, level)
    assert line is not None
    return line.ends[size]


def _across(ring: list[Point], a: Point, b: Point) -> list[Point]:
    """The line through two points inside a ring, drawn out to the ring; one that crosses itself counts as it covers."""
    dx, dy = b[0] - a[0], b[1] - a[1]
    far = LineString([(a[0] - 3 * dx, a[1] - 3 * dy), (b[0] + 3 * dx, b[1] + 3 * dy)])
    found = far.intersection(make_valid(Polygon(ring)))
    runs = [run for run in getattr(found, "geoms", [found]) if run.length > 0]
    middle = Place((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
    (x0, y0), (x1, y1) = min(runs, key=lambda run: run.distance(middle)).coords[:2] if runs else (a, b)
    return [(x0, y0), (x1, y1)]
