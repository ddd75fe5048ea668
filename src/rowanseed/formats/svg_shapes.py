"""The shapes of an SVG drawing: closed outlines, straight open strokes, texts, in mm in the piece frame."""

from __future__ import annotations

import io
import math
from dataclasses import dataclass, field
from typing import Any

import svgelements
from shapely.geometry import Polygon

from rowanseed.core.base.errors import DrawingError
from rowanseed.core.geometry.outline import Chain, Point, Segment, flatten
from rowanseed.core.geometry.polyline import signed_area, without_repeats

MOST_OUTLINES = 400
MOST_SEGMENTS = 20_000
LONGEST_NAME = 80
CLOSED_WITHIN = 0.5
"""A path whose ends are this near, in mm, counts as closed."""
NEARLY = 0.45
"""A bent path whose ends are nearer than this share of its length was meant to be closed."""
SMALLEST = 10.0
LARGEST = 6000.0
_PX_PER_MM = 96 / 25.4
_LABEL = "{http://www.inkscape.org/namespaces/inkscape}label"
_MADE_UP = ("path", "rect", "polygon", "polyline", "circle", "ellipse", "outline", "g", "svg", "use", "layer")
"""Ids that drawing programs make up by themselves, with a number behind."""


@dataclass(frozen=True)
class Outline:
    """A closed outline: the labels of the groups around it, outermost first, its id and name, its ring."""

    groups: tuple[str, ...]
    id: str
    name: str
    ring: Chain

    @property
    def is_unnamed(self) -> bool:
        """Whether nobody named it: its id is one that a program made up."""
        stem = self.name.rstrip("0123456789-_.").lower()
        return stem in _MADE_UP


@dataclass(frozen=True)
class Text:
    words: str
    at: Point


@dataclass
class Shapes:
    """What a drawing holds. `bent` are the open lines that are not straight: each one's name, and its gap in mm."""

    outlines: list[Outline] = field(default_factory=list)
    strokes: list[tuple[Point, Point]] = field(default_factory=list)
    texts: list[Text] = field(default_factory=list)
    bent: list[tuple[str, float]] = field(default_factory=list)


def shapes(data: bytes) -> Shapes:
    """Everything that is drawn. Raises DrawingError naming what is wrong with an outline."""
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
    if not isinstance(drawing, svgelements.SVG):
        raise DrawingError(
            "This is not an SVG drawing: its first element does not belong to SVG.", "Save it again as plain SVG."
        )
    found = Shapes()
    segments = 0
    for element, groups in _elements(drawing, ()):
        values = element.values
        if isinstance(element, svgelements.Text):
            _text(element, found)
            continue
        raw_id = _short(element.id or values.get("id")) or f"outline-{len(found.outlines) + 1}"
        name = _short(values.get(_LABEL) or values.get("label")) or raw_id
        path = svgelements.Path(element)
        segments += len(path)
        if len(found.outlines) >= MOST_OUTLINES or segments > MOST_SEGMENTS:
            raise DrawingError(
                f"The drawing has more than {MOST_OUTLINES} outlines or {MOST_SEGMENTS} line segments.",
                "Save only the pieces you sew.",
            )
        is_open = values.get("tag") in ("polyline", "line")
        for n, subpath in enumerate(path.as_subpaths()):
            try:
                ring = _ring(subpath, name, found, is_open=is_open)
            except (ValueError, OverflowError, ZeroDivisionError):
                raise DrawingError(
                    f"“{name}” cannot be drawn: a figure of one of its curves is no number.",
                    "Draw it again, or save the drawing without it.",
                ) from None
            if ring is not None:
                suffix = "" if n == 0 else f"-{n + 1}"
                found.outlines.append(Outline(groups, raw_id + suffix, name + suffix, ring))
    return found


def _elements(group: Any, groups: tuple[str, ...]) -> list[tuple[Any, tuple[str, ...]]]:
    out: list[tuple[Any, tuple[str, ...]]] = []
    for element in group:
        if isinstance(element, (svgelements.Group, svgelements.Use)):
            label = _short(element.values.get(_LABEL) or element.values.get("label") or element.id)
            if not _is_hidden(element):
                out += _elements(element, (*groups, label))
        elif isinstance(element, (svgelements.Shape, svgelements.Text)) and not _is_hidden(element):
            out.append((element, groups))
    return out


def _is_hidden(element: Any) -> bool:
    values = element.values
    return str(values.get("display", "")) == "none" or str(values.get("visibility", "")) == "hidden"


def _short(name: Any) -> str:
    """A name as it may be shown: of some length, without control characters; its end, where a size may be, stays."""
    plain = "".join(c for c in str(name or "") if c.isprintable())
    return plain if len(plain) <= LONGEST_NAME else f"{plain[: LONGEST_NAME - 12]}…{plain[-11:]}"


def _text(element: Any, found: Shapes) -> None:
    words = _short(" ".join(str(element.text or "").split()))
    if words and any(c.isalpha() for c in words):
        matrix = element.transform
        point = matrix.point_in_matrix_space((float(element.x or 0), float(element.y or 0)))
        found.texts.append(Text(words, (float(point.y) / _PX_PER_MM, float(point.x) / _PX_PER_MM)))


def still_open(name: str, gap: float) -> DrawingError:
    return DrawingError(
        f"The outline is open: its ends are {gap:.1f} mm apart.",
        "Close the line, or take it out if it is no piece.",
        name,
    )


def _ring(subpath: Any, name: str, found: Shapes, *, is_open: bool) -> Chain | None:
    """A closed outline turned into the piece frame, counter-clockwise; None for a speck or an open line, which is kept
    as a stroke."""
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
    gap = math.dist(first, last)
    if gap > CLOSED_WITHIN and not closed:
        whole = sum(s.length() for s in chain)
        if gap > 0.999 * whole:
            found.strokes.append((first, last))
            return None
        if is_open or gap > NEARLY * whole:
            found.bent.append((name, gap))
            return None
        raise still_open(name, gap)
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
