"""The garment while it is composed: pieces drawn in every size, and the making graph that grows with them."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field, replace

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.figures import Figures
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Interfaced
from rowanseed.core.geometry.outline import Chain, Point, Segment, flatten, lerp
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.making import (
    Closure,
    Detail,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    Layer,
    LayerKind,
    Making,
)
from rowanseed.core.pattern.pieces import (
    Corner,
    Cut,
    Dart,
    Drawn,
    EdgeSpec,
    InnerLine,
    InnerPoint,
    LineKind,
    Mark,
    Panel,
    Piece,
    Role,
    Shape,
)

Edges = dict[str, Chain]
Draw = Callable[[Size], Edges]


def part(piece: str, edge: str, hand: str | None = None) -> EdgePart:
    return EdgePart(piece, edge, hand)


@dataclass
class Build:
    """What has been drafted so far. `along` tells trims and details which seam or edge is the neck, the hem, a yoke."""

    description: Description
    figures: Figures
    pieces: dict[str, Piece] = field(default_factory=dict)
    joins: list[Join] = field(default_factory=list)
    closures: list[Closure] = field(default_factory=list)
    finishes: list[Finish] = field(default_factory=list)
    layers: list[Layer] = field(default_factory=list)
    details: list[Detail] = field(default_factory=list)
    ways: list[tuple[str, str]] = field(default_factory=list)
    along: dict[str, tuple[str, ...]] = field(default_factory=dict)
    notions: list[str] = field(default_factory=list)
    assumed: dict[str, str] = field(default_factory=dict)
    stiffened: set[Interfaced] = field(default_factory=set)
    """What of the interfacing that was asked for has a piece."""
    limp: set[Interfaced] = field(default_factory=set)
    """What has a piece that could be interfaced, and nobody asked for it."""
    refused: list[tuple[str, str]] = field(default_factory=list)
    """Fields that cannot be as they are said, each with why, where only the drafted pieces show it."""
    faced: dict[tuple[str, str], str] = field(default_factory=dict)
    """(piece, edge) → the facing that another edge's goes on to."""
    blocks: dict[tuple[str, bool], Upper] = field(default_factory=dict)
    """The bodice block by size and front, as it was worked out."""

    def block(self, size: Size, *, is_front: bool) -> Upper:
        """Front or back of the bodice block in a size."""
        if (size.name, is_front) not in self.blocks:
            middle = self.figures.sizes[len(self.figures.sizes) // 2]
            self.blocks[size.name, is_front] = Upper(self.description, size, is_front, middle)
        return self.blocks[size.name, is_front]

    @property
    def seam(self) -> float:
        return self.description.allowance

    def each(self, of: Callable[..., float]) -> dict[str, float]:
        """A figure a size; `of` takes a Size."""
        return {size.name: of(size) for size in self.figures.sizes}

    def known_as(self, id: str, *ids: str) -> None:
        """A seam is another from here on, or several: what runs along it follows, what closes it goes to the first."""

        def found(along: tuple[str, ...]) -> tuple[str, ...]:
            return tuple(dict.fromkeys(new for own in along for new in (ids if own == id else (own,))))

        self.details = [replace(detail, along=found(detail.along)) for detail in self.details]
        self.closures = [replace(one, join=ids[0]) if one.join == id else one for one in self.closures]
        self.along = {name: found(along) for name, along in self.along.items()}

    # ---------------------------------------------------------------- pieces

    def piece(
        self,
        id: str,
        name: str,
        draw: Draw,
        *,
        panel: Panel,
        count: int = 1,
        fold: str | None = None,
        pair: bool = False,
        role: Role = Role.MAIN,
        allowances: Mapping[str, float] | None = None,
        hem: tuple[str, ...] = (),
        collar: bool = False,
        drawn_on: str = "",
    ) -> Piece:
        """Draft a piece in every size. `allowances` where they are not the seam's; `hem` edges are turned up;
        `drawn_on` the piece that it lies on as it is drawn, so that what alters one alters both."""
        drawn = alike({size.name: draw(size) for size in self.figures.sizes})
        names = tuple(next(iter(drawn.values())))
        own = {**(dict.fromkeys([fold], 0.0) if fold else {}), **(allowances or {})}
        specs = tuple(EdgeSpec(n, own.get(n, self.seam), Corner.TURNED if n in hem else Corner.MITRE) for n in names)
        cut = Cut(role, count, pair=pair, fold=fold)
        made = Piece(
            id=id,
            name=name,
            number=len(self.pieces) + 1,
            drawn=Drawn.SEAM,
            edges=specs,
            shapes={size: Shape(edges, _grain(edges)) for size, edges in drawn.items()},
            cuts=(cut,),
            panel=panel,
            collar=collar,
            drawn_on=drawn_on,
        )
        self.pieces[id] = made
        return made

    def change(self, id: str, **more: object) -> None:
        self.pieces[id] = replace(self.pieces[id], **more)  # type: ignore[arg-type]

    def mark(self, id: str, *marks: Mark) -> None:
        self.change(id, marks=(*self.pieces[id].marks, *marks))

    def dart(self, id: str, *darts: Dart) -> None:
        self.change(id, darts=(*self.pieces[id].darts, *darts))

    def line(self, id: str, kind: LineKind, name: str, ends: Callable[..., tuple[Point, Point]]) -> None:
        found = {size.name: ends(size) for size in self.figures.sizes}
        self.change(id, lines=(*self.pieces[id].lines, InnerLine(name, kind, found)))

    def point(self, id: str, *points: InnerPoint) -> None:
        self.change(id, points=(*self.pieces[id].points, *points))

    def edge(self, id: str, name: str, size: Size) -> Chain:
        return self.pieces[id].shapes[size.name].edges[name]

    def interface(self, id: str, *what: Interfaced) -> None:
        """Cut a piece from interfacing too, where the description asks for it."""
        asked = self.description.features.interfacing
        if not asked & {*what, Interfaced.ALL}:
            self.limp.add(what[0])
            return
        self.stiffened |= {*what, Interfaced.ALL}
        own = self.pieces[id].cuts[0]
        self.change(id, cuts=(*self.pieces[id].cuts, replace(own, role=Role.INTERFACING)))

    def copy_of(self, id: str, of: str, name: str, *, role: Role, panel: Panel | None = None) -> Piece:
        """A layer drawn like another piece: a lining, an under collar, a second stand."""
        base = self.pieces[of]
        cut = replace(base.cuts[0], role=role)
        made = replace(
            base,
            id=id,
            name=name,
            number=len(self.pieces) + 1,
            cuts=(cut,),
            panel=base.panel if panel is None else panel,
            points=(),
            drawn_on=base.frame,
        )
        self.pieces[id] = made
        return made

    # ---------------------------------------------------------------- the graph

    def join(self, id: str, name: str, a: Iterable[EdgePart], b: Iterable[EdgePart], **more: object) -> None:
        self.joins.append(Join(id=id, name=name, a=tuple(a), b=tuple(b), **more))  # type: ignore[arg-type]

    def finish(
        self, id: str, name: str, kind: FinishKind, parts: Iterable[EdgePart], folds: tuple[float, ...] = ()
    ) -> None:
        found = tuple(parts)
        if found:
            self.finishes.append(Finish(id, name, kind, found, folds))

    def allow(self, piece: str, edge: str, mm: float, corner: Corner | None = None) -> None:
        """Give an edge its allowance."""
        self.change(
            piece,
            edges=tuple(
                replace(e, allowance=mm, corner=e.corner if corner is None else corner) if e.name == edge else e
                for e in self.pieces[piece].edges
            ),
        )

    def layer(self, kind: LayerKind, piece: str, of: str) -> None:
        self.layers.append(Layer(kind, piece, of))

    def making(self) -> Making:
        return Making(
            joins=tuple(self.joins),
            closures=tuple(self.closures),
            finishes=tuple(self.finishes),
            layers=tuple(self.layers),
            details=tuple(self.details),
            ways=tuple(self.ways),
        )


def alike(drawn: dict[str, Edges]) -> dict[str, Edges]:
    """Every edge in as many segments in every size, of the same kinds: where it has fewer its longest are halved, and
    what is curved in one size is written as a curve in all. No line moves."""
    out = {size: dict(edges) for size, edges in drawn.items()}
    for name in next(iter(drawn.values())):
        chains = [edges[name] for edges in drawn.values()]
        if len({tuple(s.is_curve for s in chain) for chain in chains}) == 1:
            continue
        count = max(len(chain) for chain in chains)
        halved = [_halved(chain, count) for chain in chains]
        curved = [any(chain[k].is_curve for chain in halved) for k in range(count)]
        for edges, chain in zip(out.values(), halved, strict=True):
            edges[name] = tuple(_as_curve(s) if c else s for s, c in zip(chain, curved, strict=True))
    return out


def _halved(chain: Chain, count: int) -> Chain:
    while len(chain) < count:
        k = max(range(len(chain)), key=lambda k: chain[k].length())
        chain = (*chain[:k], *chain[k].split(0.5), *chain[k + 1 :])
    return chain


def _as_curve(segment: Segment) -> Segment:
    if segment.is_curve:
        return segment
    a, b = segment.start, segment.end
    return replace(segment, control1=lerp(a, b, 1 / 3), control2=lerp(a, b, 2 / 3))


def _grain(edges: Edges) -> tuple[Point, Point]:
    """A grainline down the middle of a piece."""
    points = [p for chain in edges.values() for p in flatten(chain, 1.0)]
    x0, y0, x1, y1 = bounds(points)
    middle = y0 + (y1 - y0) * 0.45
    return ((x0 + 0.2 * (x1 - x0), middle), (x0 + 0.8 * (x1 - x0), middle))
