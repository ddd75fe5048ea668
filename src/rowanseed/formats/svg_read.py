"""Read pattern pieces from an SVG drawn to scale.

Every closed outline is a piece, its cutting line as drawn. Width and height of the drawing carry a unit; pixels are 96
to the inch, as the standard says, and the drawing says so, since not every program keeps to it. A nest of sizes is
found by its groups or its names (`svg_sizes`); open strokes within an outline are its inner lines and its grainline,
and a text within it is its name where it has none.
"""

from __future__ import annotations

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass, replace
from itertools import pairwise
from xml.etree.ElementTree import Element

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import ParseError, fromstring
from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Place

from rowanseed.core.base.errors import DrawingError
from rowanseed.core.geometry.outline import (
    Chain,
    Point,
    Segment,
    chain_length,
    flatten,
    point_at,
)
from rowanseed.formats.svg_shapes import CLOSED_WITHIN, shapes, still_open
from rowanseed.formats.svg_sizes import nested
from rowanseed.settings import megabytes, settings

CORNER_DEGREES = 20.0
EVERY = 10.0
"""Distance of the points of an evened-out line, in mm."""

_PIXELS = re.compile(r"^\s*\+?(\d+(?:\.\d*)?|\.\d+)\s*(px)?\s*$", re.IGNORECASE)
_UNIT = re.compile(r"^\s*\+?(\d+(?:\.\d*)?|\.\d+)\s*(mm|cm|in|pt|pc|q)\s*$", re.IGNORECASE)
_LABEL = "{http://www.inkscape.org/namespaces/inkscape}label"
_FORBIDDEN = {
    "script": "a script",
    "foreignObject": "foreign content",
    "image": "a picture",
    "iframe": "a frame",
}


@dataclass(frozen=True)
class DrawnPiece:
    """A piece as it came in: edges between its corners per size, in the piece frame (x down the page)."""

    id: str
    name: str
    edges: Mapping[str, tuple[Chain, ...]]
    residual: float
    """How far resampling may have moved the line, in mm; 0 where the lines were kept as drawn."""
    strokes: tuple[tuple[Point, Point], ...] = ()
    """Straight lines drawn within the outline of the first size, from end to end, in the piece frame."""


@dataclass(frozen=True)
class Drawing:
    sizes: tuple[str, ...]
    pieces: tuple[DrawnPiece, ...]
    in_pixels: bool = False
    """Its size is told in pixels, taken as 96 to the inch."""
    left_out: int = 0
    """How many open lines could not be kept: bent ones, and those outside every outline."""


ONE_SIZE = "as drawn"


def read_drawing(data: bytes) -> Drawing:
    """Read the pieces of a drawing. Raises DrawingError naming what is wrong and where; keeps nothing then."""
    if len(data) > settings().largest_drawing:
        raise DrawingError(
            f"The drawing is too large: {megabytes(settings().largest_drawing)} is the most.",
            "Save it without pictures and embedded fonts.",
        )
    root = _parse(data)
    _check_harmless(root)
    in_pixels = _check_units(root)
    found = shapes(data)
    outlines = found.outlines
    if not outlines and found.bent:
        raise still_open(*found.bent[0])
    if not outlines:
        raise DrawingError("There are no closed outlines in this drawing.", "Draw every piece as one closed line.")
    by_size = nested(outlines, ONE_SIZE)
    sizes = tuple(by_size)
    first = by_size[sizes[0]]
    pieces = []
    for id in first:
        rings = {size: by_size[size][id].ring for size in sizes}
        within = Polygon(_flat(rings[sizes[0]])).buffer(CLOSED_WITHIN)
        strokes = tuple(one for one in found.strokes if within.contains(LineString(one)))
        said = [one.words for one in found.texts if within.contains(Place(one.at))]
        name = said[0] if said and first[id].is_unnamed else first[id].name
        pieces.append(replace(_nested(id, name, rings), strokes=strokes))
    kept = {stroke for piece in pieces for stroke in piece.strokes}
    left_out = len(found.bent) + sum(stroke not in kept for stroke in found.strokes)
    return Drawing(sizes, tuple(pieces), in_pixels, left_out if len(sizes) == 1 else 0)


def _flat(ring: Chain) -> list[Point]:
    return [p for s in ring for p in flatten((s,), 0.2)[:-1]]


# ---------------------------------------------------------------- the file


def _parse(data: bytes) -> Element:
    try:
        root: Element = fromstring(data, forbid_dtd=False)
    except DefusedXmlException:
        raise DrawingError(
            "The file defines entities of its own, which a drawing has no need of.", "Save it again as plain SVG."
        ) from None
    except (ParseError, ValueError, RecursionError) as error:
        raise DrawingError(f"The file is not an SVG drawing: {error}.") from None
    if _tag(root) != "svg":
        raise DrawingError("The file is not an SVG drawing.")
    return root


def _tag(element: Element) -> str:
    return element.tag.rsplit("}", 1)[-1] if isinstance(element.tag, str) else ""


def _check_harmless(root: Element) -> None:
    for element in root.iter():
        tag = _tag(element)
        if tag in _FORBIDDEN:
            raise DrawingError(
                f"The drawing contains {_FORBIDDEN[tag]}; only outlines are read.",
                "Save it again as plain SVG without it.",
                _name(element),
            )
        for key, value in element.attrib.items():
            name = key.rsplit("}", 1)[-1].lower()
            if name.startswith("on"):
                raise DrawingError("The drawing contains a script.", "Save it again as plain SVG.", _name(element))
            if name == "href" and not value.startswith("#"):
                raise DrawingError(
                    "The drawing refers to another file, which is not read.",
                    "Put everything into the drawing itself.",
                    _name(element),
                )
            if "url(" in value.lower() and "url(#" not in value.lower():
                raise DrawingError("The drawing refers to another file, which is not read.", "", _name(element))
        if tag == "style" and element.text and re.search(r"@import|url\(\s*['\"]?(?!#)", element.text):
            raise DrawingError("The drawing's style refers to another file, which is not read.", "", _name(element))


def _name(element: Element) -> str:
    return element.get(_LABEL) or element.get("id") or f"<{_tag(element)}>"


def _check_units(root: Element) -> bool:
    """Whether the drawing's size is told in pixels. Raises DrawingError where it is not told."""
    pixels = []
    for side in ("width", "height"):
        value = root.get(side)
        if value is not None and _PIXELS.match(value):
            pixels.append(side)
        elif value is None or not _UNIT.match(value):
            said = f"says “{value}”" if value else "says nothing"
            raise DrawingError(
                f"The drawing's {side} {said}, so nobody knows how large it is.",
                'Save it with its page size in mm, cm or in (for example width="900mm").',
                f"{side} of the drawing",
            )
    return bool(pixels)


# ---------------------------------------------------------------- edges and nests


def _nested(id: str, name: str, rings: dict[str, Chain]) -> DrawnPiece:
    """Cut a ring into edges at its corners; resample where sizes differ in structure."""
    cut = {size: _edges(ring) for size, ring in rings.items()}
    structures = {tuple(tuple(s.is_curve for s in edge) for edge in edges) for edges in cut.values()}
    if len(structures) == 1:
        return DrawnPiece(id=id, name=name, edges=cut, residual=0.0)
    if len({len(edges) for edges in cut.values()}) == 1:
        # The same corners in every size: each edge is evened out by itself, and the corners stay.
        counts = [
            max(2, math.ceil(max(chain_length(edges[k]) for edges in cut.values()) / EVERY))
            for k in range(len(next(iter(cut.values()))))
        ]
        evened = {
            size: tuple(_resampled(edge, count) for edge, count in zip(edges, counts, strict=True))
            for size, edges in cut.items()
        }
    else:
        count = math.ceil(max(chain_length(ring) for ring in rings.values()) / (EVERY / 4))
        evened = {size: (_resampled(_from_top(ring), count),) for size, ring in rings.items()}
    residual = max(_apart(evened[size], cut[size]) for size in rings)
    return DrawnPiece(id=id, name=name, edges=evened, residual=residual)


def _resampled(chain: Chain, count: int) -> Chain:
    """A chain as `count` straight segments of equal arc length."""
    whole = chain_length(chain)
    inner = [point_at(chain, whole * k / count) for k in range(1, count)]
    return tuple(Segment(a, b) for a, b in pairwise([chain[0].start, *inner, chain[-1].end]))


def _from_top(ring: Chain) -> Chain:
    start = min(range(len(ring)), key=lambda k: (round(ring[k].start[0], 1), ring[k].start[1]))
    return (*ring[start:], *ring[:start])


def _apart(evened: tuple[Chain, ...], drawn: tuple[Chain, ...]) -> float:
    """The greatest distance between two versions of an outline, in mm."""
    a, b = (Polygon([p for edge in edges for p in flatten(edge)[:-1]]).exterior for edges in (evened, drawn))
    return float(a.hausdorff_distance(b))


def _edges(ring: Chain) -> tuple[Chain, ...]:
    """The ring cut at corners sharper than 20°, beginning at the corner nearest the top left."""
    corners = [k for k in range(len(ring)) if _turn(ring[k - 1], ring[k]) > CORNER_DEGREES]
    if not corners:
        return (ring,)
    first = min(corners, key=lambda k: ring[k].start[0] + ring[k].start[1])
    at = corners.index(first)
    ordered = [*corners[at:], *corners[:at]]
    edges = []
    for here, following in zip(ordered, [*ordered[1:], ordered[0]], strict=True):
        edges.append(ring[here:following] if following > here else (*ring[here:], *ring[:following]))
    return tuple(edges)


def _turn(before: Segment, after: Segment) -> float:
    ax, ay = before.derivative(1.0)
    bx, by = after.derivative(0.0)
    return abs(math.degrees(math.atan2(ax * by - ay * bx, ax * bx + ay * by)))
