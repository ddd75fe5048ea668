"""Read pattern pieces from an SVG drawn to scale.

Every closed outline is a piece, its cutting line as drawn. Width and height of the drawing carry a real
unit, since without one nobody knows how large it is. Groups named `size-12`, `size-14` … hold the nest
of sizes; the same piece has the same id (or label) in each, up to the size.
"""

from __future__ import annotations

import io
import math
import re
from collections.abc import Mapping
from dataclasses import dataclass
from itertools import pairwise
from typing import Any
from xml.etree.ElementTree import Element

import svgelements
from defusedxml import DefusedXmlException
from defusedxml.ElementTree import ParseError, fromstring
from shapely.geometry import Polygon

from rowanseed.core.base.errors import DrawingError
from rowanseed.core.geometry.outline import (
    Chain,
    Point,
    Segment,
    chain_length,
    flatten,
    point_at,
    signed_area,
    without_repeats,
)
from rowanseed.settings import megabytes, settings

MOST_OUTLINES = 400
MOST_SEGMENTS = 20_000
LONGEST_NAME = 80
CLOSED_WITHIN = 0.5
"""A path whose ends are this near, in mm, counts as closed."""
SMALLEST = 10.0
LARGEST = 6000.0
CORNER_DEGREES = 20.0
EVERY = 10.0
"""Distance of the points of an evened-out line, in mm."""

_PX_PER_MM = 96 / 25.4
_UNIT = re.compile(r"^\s*\+?(\d+(?:\.\d*)?|\.\d+)\s*(mm|cm|in|pt|pc|q)\s*$", re.IGNORECASE)
_LABEL = "{http://www.inkscape.org/namespaces/inkscape}label"
_SIZE = re.compile(r"^size[\s_-]*([0-9A-Za-z./]+)$", re.IGNORECASE)
_FORBIDDEN = {
    "script": "a script",
    "foreignObject": "foreign content",
    "image": "a picture",
    "iframe": "a frame",
}
_GRAPHICS = {"path", "polygon", "rect", "circle", "ellipse"}
_OPEN_GRAPHICS = {"polyline", "line"}


@dataclass(frozen=True)
class DrawnPiece:
    """A piece as it came in: edges between its corners per size, in the piece frame (x down the page)."""

    id: str
    name: str
    edges: Mapping[str, tuple[Chain, ...]]
    residual: float
    """How far resampling may have moved the line, in mm; 0 where the lines were kept as drawn."""


@dataclass(frozen=True)
class Drawing:
    sizes: tuple[str, ...]
    pieces: tuple[DrawnPiece, ...]


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
    _check_units(root)
    outlines = _outlines(data)
    if not outlines:
        raise DrawingError("There are no closed outlines in this drawing.", "Draw every piece as one closed line.")
    by_size: dict[str, dict[str, tuple[str, Chain]]] = {}
    for size, id, name, chain in outlines:
        of_size = by_size.setdefault(size or ONE_SIZE, {})
        if id in of_size:
            raise DrawingError("Two outlines have the same id in one size.", "Give every piece its own.", name)
        of_size[id] = (name, chain)
    if len(by_size) > 1 and ONE_SIZE in by_size:
        stray = next(iter(by_size[ONE_SIZE].values()))[0]
        raise DrawingError(
            "This outline stands outside the groups of sizes.",
            "Move it into a group such as “size-12”.",
            stray,
        )
    sizes = tuple(by_size)
    first = by_size[sizes[0]]
    for size in sizes[1:]:
        odd = set(first) ^ set(by_size[size])
        if odd:
            raise DrawingError(
                f"The piece is not there in every size (compare {sizes[0]} and {size}).",
                "Give it the same id in each group.",
                sorted(odd)[0],
            )
    pieces = tuple(_nested(id, first[id][0], {size: by_size[size][id][1] for size in sizes}) for id in first)
    return Drawing(sizes, pieces)


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


def _check_units(root: Element) -> None:
    for side in ("width", "height"):
        value = root.get(side)
        if value is None or not _UNIT.match(value):
            said = f"says “{value}”" if value else "says nothing"
            raise DrawingError(
                f"The drawing's {side} {said}, so nobody knows how large it is.",
                'Save it with its page size in mm, cm or in (for example width="900mm").',
                f"{side} of the drawing",
            )


# ---------------------------------------------------------------- outlines


def _outlines(data: bytes) -> list[tuple[str, str, str, Chain]]:
    """(size or "", id, name, ring in mm in the piece frame) of every closed outline."""
    try:
        drawing = svgelements.SVG.parse(io.BytesIO(data), reify=True, ppi=96)
    except (
        ValueError,
        TypeError,
        AttributeError,
        ZeroDivisionError,
        IndexError,
        KeyError,
        RecursionError,
    ) as error:
        raise DrawingError(f"The drawing cannot be read: {error}.", "Save it again as plain SVG.") from None
    found: list[tuple[str, str, str, Chain]] = []
    segments = 0
    for element, size in _shapes(drawing, ""):
        values = element.values
        raw_id = _short(element.id or values.get("id"), size) or f"outline-{len(found) + 1}"
        name = _short(values.get(_LABEL) or values.get("label"), size) or raw_id
        if values.get("tag") in _OPEN_GRAPHICS:
            continue
        path = svgelements.Path(element)
        segments += len(path)
        if len(found) >= MOST_OUTLINES or segments > MOST_SEGMENTS:
            raise DrawingError(
                f"The drawing has more than {MOST_OUTLINES} outlines or {MOST_SEGMENTS} line segments.",
                "Save only the pieces you sew.",
            )
        for n, subpath in enumerate(path.as_subpaths()):
            ring = _ring(subpath, name)
            if ring is None:
                continue
            suffix = "" if n == 0 else f"-{n + 1}"
            id = _without_size(raw_id, size) + suffix
            found.append((size, id, _without_size(name, size) + suffix, ring))
    return found


def _shapes(group: Any, size: str) -> list[tuple[Any, str]]:
    out: list[tuple[Any, str]] = []
    for element in group:
        if isinstance(element, svgelements.Group):
            label = str(element.values.get(_LABEL) or element.id or "")
            match = _SIZE.match(label)
            out += _shapes(element, match[1] if match else size)
        elif isinstance(element, svgelements.Shape):
            hidden = (
                str(element.values.get("display", "")) == "none"
                or str(element.values.get("visibility", "")) == "hidden"
            )
            if not hidden:
                out.append((element, size))
    return out


def _short(name: Any, size: str) -> str:
    """A name as it may be shown: of some length, without control characters; the size at its end stays there."""
    plain = "".join(c for c in str(name or "") if c.isprintable())
    return plain if len(plain) <= LONGEST_NAME else plain[: LONGEST_NAME - len(size)] + plain[len(plain) - len(size) :]


def _without_size(name: str, size: str) -> str:
    """A name without the size at its end, and what joins the two."""
    if not size or not name.endswith(size):
        return name
    return name.removesuffix(size).rstrip(" \t\n_-") or name


def _ring(subpath: Any, name: str) -> Chain | None:
    """A closed outline turned into the piece frame, counter-clockwise; None for a speck or a grain arrow."""
    chain: list[Segment] = []
    closed = False
    for part in subpath:
        if isinstance(part, svgelements.Move):
            continue
        if isinstance(part, svgelements.Close):
            closed = True
        chain += _segments(part)
    chain = [s for s in chain if s.is_curve or abs(s.start[0] - s.end[0]) + abs(s.start[1] - s.end[1]) > 1e-6]
    if not chain:
        return None
    if any(not (abs(v) < 1e6) for s in chain for p in s.points() for v in p):
        raise DrawingError("The outline has a point that is no number, or kilometres away.", "", name)
    first, last = chain[0].start, chain[-1].end
    gap = ((first[0] - last[0]) ** 2 + (first[1] - last[1]) ** 2) ** 0.5
    if gap > CLOSED_WITHIN and not closed:
        raise DrawingError(
            f"The outline is open: its ends are {gap:.1f} mm apart.",
            "Close the line, or take it out if it is no piece.",
            name,
        )
    if gap > 1e-9:
        chain.append(Segment(last, first))
    ring = without_repeats([p for s in chain for p in flatten((s,), 0.2)[:-1]], 1e-3)
    polygon = Polygon(ring) if len(ring) >= 3 else None
    if polygon is None or polygon.convex_hull.area < 1:
        raise DrawingError("The outline encloses nothing.", "Take it out, or draw it as a closed piece.", name)
    if not polygon.is_valid:
        raise DrawingError(
            "The outline crosses itself.",
            "Draw the piece as one line that meets itself only at its end.",
            name,
        )
    left, low, right, high = polygon.bounds
    if max(right - left, high - low) > LARGEST:
        raise DrawingError(
            f"The outline is {max(right - left, high - low) / 1000:.1f} m long; no piece is.",
            "Is the drawing's page size right?",
            name,
        )
    if max(right - left, high - low) < SMALLEST:
        raise DrawingError(
            f"The outline is only {max(right - left, high - low):.1f} mm long; no piece is that small.",
            "Is the drawing's page size right?",
            name,
        )
    if signed_area(ring) < 0:
        chain = [s.reversed() for s in reversed(chain)]
    return tuple(chain)


def _segments(part: Any) -> list[Segment]:
    """One path command as segments in the piece frame."""
    if isinstance(part, svgelements.Arc):
        return [s for curve in part.as_cubic_curves() for s in _segments(curve)]
    if part.start is None or part.end is None:
        return []
    start, end = _point(part.start), _point(part.end)
    if isinstance(part, svgelements.CubicBezier):
        return [Segment(start=start, end=end, control1=_point(part.control1), control2=_point(part.control2))]
    if isinstance(part, svgelements.QuadraticBezier):
        c = _point(part.control)
        return [
            Segment(
                start=start,
                end=end,
                control1=(start[0] + 2 / 3 * (c[0] - start[0]), start[1] + 2 / 3 * (c[1] - start[1])),
                control2=(end[0] + 2 / 3 * (c[0] - end[0]), end[1] + 2 / 3 * (c[1] - end[1])),
            )
        ]
    return [Segment(start, end)]


def _point(p: Any) -> Point:
    """Pixels on a page (y down) to millimetres in the piece frame: down the page becomes along the grain."""
    return (float(p.y) / _PX_PER_MM, float(p.x) / _PX_PER_MM)


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
