"""Make a pattern of a drawing and of what the sewist says about its outlines."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from rowanseed.core.geometry.outline import Affine, Chain, Point, Segment, chain_length, flatten, transform_chain
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.check import check
from rowanseed.core.pattern.envelope import Envelope, View
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Drawn, EdgeSpec, Grain, InnerLine, LineKind, Piece, Role, Shape
from rowanseed.formats.svg_read import Drawing, DrawnPiece

STRAY = 0.5
"""How far a fold edge may lean, in mm, and still be taken as straight along the grain."""

_QUARTER = Affine(a=0, b=1, c=-1, d=0, e=0, f=0)
"""Turns a piece whose grain runs across the page so that it runs along x."""


_STAY = Affine(a=1, b=0, c=0, d=1, e=0, f=0)
GRAIN_LEAST = 40.0
"""A line along the grain is the grainline from this length on, in mm."""


def drawn_grain(strokes: Sequence[tuple[Point, Point]]) -> tuple[Point, Point] | None:
    """The longest of the straight lines along x, from top to bottom: the grainline; None where there is none."""
    along = [
        (a, b) if a[0] < b[0] else (b, a)
        for a, b in strokes
        if abs(a[0] - b[0]) >= GRAIN_LEAST and abs(a[1] - b[1]) <= STRAY
    ]
    return max(along, key=lambda ends: ends[1][0] - ends[0][0], default=None)


def grain_is_across(drawn: DrawnPiece) -> bool:
    """Whether the lines drawn within an outline say that its grain runs across the page."""
    turned = [(_QUARTER(a), _QUARTER(b)) for a, b in drawn.strokes]
    return drawn_grain(drawn.strokes) is None and drawn_grain(turned) is not None


@dataclass(frozen=True)
class Decision:
    """What the sewist says of one outline: what is cut from it, and how its grain lies on the page."""

    name: str
    role: Role
    count: int
    pair: bool
    fold: str | None
    grain_across_page: bool
    grain: Grain = Grain.LENGTHWISE
    also: tuple[Role, ...] = ()
    """Other cloths it is cut from in the same way: a facing from the garment's cloth and from interfacing."""


def edge_name(index: int) -> str:
    return f"edge-{index + 1}"


@dataclass(frozen=True)
class FoldChoice:
    """A straight edge that may lie on a fold: its name and length in mm."""

    name: str
    length: float


def fold_choices(piece: DrawnPiece, size: str, across: bool) -> tuple[FoldChoice, ...]:
    """Edges of a drawn piece that are straight along its grain, the longest first."""
    found = []
    for index, chain in enumerate(piece.edges[size]):
        turned = _turned(chain, across)
        ys = [y for s in turned for y in (s.start[1], s.end[1])]
        if not any(s.is_curve for s in turned) and max(ys) - min(ys) <= STRAY and chain_length(turned) > 20:
            found.append(FoldChoice(edge_name(index), chain_length(turned)))
    return tuple(sorted(found, key=lambda f: -f.length))


def _turned(chain: Chain, across: bool) -> Chain:
    return transform_chain(chain, _QUARTER) if across else chain


def pattern_of(
    drawing: Drawing,
    decisions: Mapping[str, Decision],
    name: str,
    garment: str,
    chart: Mapping[str, Mapping[str, float]],
) -> Pattern:
    """A checked pattern. `chart` maps body measures to figures a size; it may be empty.

    Outlines without a decision are left out. Raises PatternError if the result does not hold together.
    """
    pieces = tuple(
        _piece(drawn, decisions[drawn.id], drawing.sizes, number)
        for number, drawn in enumerate((p for p in drawing.pieces if p.id in decisions), start=1)
    )
    sized_by = tuple(key for key in ("hip", "waist", "bust") if key in chart)
    pattern = Pattern(
        name=name,
        house="",
        code="",
        garment=garment,
        envelope=Envelope(
            views=(View("A", "as drawn"),),
            sizes=drawing.sizes,
            sized_by=sized_by,
            body_chart={key: dict(row) for key, row in chart.items()},
        ),
        pieces=pieces,
    )
    check(pattern)
    return pattern


def _piece(drawn: DrawnPiece, decision: Decision, sizes: tuple[str, ...], number: int) -> Piece:
    turn = _QUARTER if decision.grain_across_page else _STAY
    strokes = [(turn(a), turn(b)) for a, b in drawn.strokes]
    grain = drawn_grain(strokes)
    names = [edge_name(k) for k in range(len(drawn.edges[sizes[0]]))]
    shapes = {}
    for size in sizes:
        edges = {n: _turned(c, decision.grain_across_page) for n, c in zip(names, drawn.edges[size], strict=True)}
        if decision.fold is not None:
            edges = _straightened(edges, decision.fold)
        shapes[size] = Shape(edges, grain if grain and len(sizes) == 1 else _grainline(edges))
    lines = tuple(
        InnerLine(f"line-{k}", LineKind.PLACEMENT, dict.fromkeys(sizes, ends))
        for k, ends in enumerate(strokes, start=1)
        if ends != grain
    )
    roles = dict.fromkeys((decision.role, *decision.also))
    return Piece(
        id=drawn.id,
        name=decision.name,
        number=number,
        drawn=Drawn.CUTTING,
        edges=tuple(EdgeSpec(n, 0.0) for n in names),
        shapes=shapes,
        cuts=tuple(
            Cut(role=role, count=decision.count, pair=decision.pair, fold=decision.fold, grain=decision.grain)
            for role in roles
        ),
        lines=lines if len(sizes) == 1 else (),
    )


def _straightened(edges: dict[str, Chain], fold: str) -> dict[str, Chain]:
    """The fold edge set exactly along the grain; corners of its neighbours follow."""
    chain = edges[fold]
    moved: dict[Point, Point] = {}
    level = round(sum(s.start[1] + s.end[1] for s in chain) / (2 * len(chain)), 4)
    for segment in chain:
        for x, y in (segment.start, segment.end):
            moved[x, y] = (x, level)
    return {
        name: tuple(
            Segment(
                start=moved.get(s.start, s.start), end=moved.get(s.end, s.end), control1=s.control1, control2=s.control2
            )
            for s in run
        )
        for name, run in edges.items()
    }


def _grainline(edges: Mapping[str, Chain]) -> tuple[Point, Point]:
    left, low, right, high = bounds([p for chain in edges.values() for p in flatten(chain, 0.5)])
    level, inset = (low + high) / 2, (right - left) * 0.2
    return ((left + inset, level), (right - inset, level))
