"""Front and back as panels of the bodice block: their names, their centres, their darts, their measuring lines."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field

from rowanseed.core.compose.bodice import SHOULDER_DART, Upper
from rowanseed.core.compose.bodice_levels import BUST_DART
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description, Side
from rowanseed.core.compose.folds import SHAPED
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.spread import Spread, Widened
from rowanseed.core.compose.vocabulary import Centre, Shaping
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart
from rowanseed.core.pattern.pieces import Dart, InnerPoint, LineKind, Mark, MarkKind, Panel, PointKind

ABOVE_WAIST = 95.0
"""A bodice is lengthened or shortened so far above its waist, in mm, below the bust dart."""
DART_FROM = 50.0
"""A bust dart lies so far below the underarm, in mm."""
BELOW_BUST, ABOVE_BUST = 18.0, 10.0
"""A waist dart ends so far below the bust point, and at the back so far above the level of it, in mm."""


@dataclass
class Half:
    """Front or back as it was cut: its edges by what they are, from the centre outwards."""

    is_front: bool
    neck: list[EdgePart] = field(default_factory=list)
    shoulder: list[EdgePart] = field(default_factory=list)
    armhole: list[EdgePart] = field(default_factory=list)
    side: list[EdgePart] = field(default_factory=list)
    lower: list[EdgePart] = field(default_factory=list)
    centre: list[EdgePart] = field(default_factory=list)
    princess: str = ""
    yoke: str = ""

    @property
    def name(self) -> str:
        return "front" if self.is_front else "back"

    @property
    def pieces(self) -> tuple[EdgePart, ...]:
        """All its edges: what it was cut into."""
        return (*self.neck, *self.shoulder, *self.armhole, *self.side, *self.lower)

    def side_of(self, description: Description) -> Side:
        """What the description says of this half."""
        return description.features.front if self.is_front else description.features.back


def side_of(build: Build, half: Half) -> Side:
    return half.side_of(build.description)


def upper(build: Build, size: Size, half: Half) -> Upper:
    return build.block(size, is_front=half.is_front)


def _panel_of(half: Half) -> Panel:
    return Panel.FRONT if half.is_front else Panel.BACK


def lower_edge(build: Build) -> str:
    return "waist" if build.description.has_waist_seam else "hem"


def centre_of(build: Build, half: Half) -> tuple[str, str | None, int, bool]:
    """(name of the centre edge, the fold, how many, whether paired)."""
    features = build.description.features
    match (features.front if half.is_front else features.back).centre:
        case Centre.FOLD:
            return "centre", "centre", 1, False
        case Centre.SEAM:
            return "centre", None, 2, True
        case Centre.OPEN:
            return "opening", None, 2, True


def new_panel(
    build: Build,
    half: Half,
    id: str,
    name: str,
    draw: Callable[[Upper], Edges],
    *,
    at_centre: bool,
    drawn_on: str = "",
) -> None:
    """A piece of a half of the bodice; `drawn_on` the piece that it lies beside in the block, so that both are altered
    as one."""
    edge, fold, count, pair = centre_of(build, half)
    if not at_centre:
        fold, count, pair = None, 2, True
    hem = ("hem",) if lower_edge(build) == "hem" else ()
    build.piece(
        id,
        name,
        lambda size: draw(upper(build, size, half)),
        panel=_panel_of(half),
        fold=fold,
        count=count,
        pair=pair,
        hem=hem,
        drawn_on=drawn_on,
    )
    if at_centre and fold is None:
        half.centre.append(part(id, edge))


def centre_seam(build: Build, half: Half) -> None:
    side = side_of(build, half)
    if side.centre is Centre.SEAM:
        edges = half.centre
        build.join(
            f"centre-{half.name}",
            f"Centre {half.name} seam",
            (part(p.piece, p.edge, "left") for p in edges),
            (part(p.piece, p.edge, "right") for p in edges),
        )


def panel_levels(
    build: Build,
    half: Half,
    id: str,
    inner: Callable[[Upper, float], float],
    outer: Callable[[Upper, float], float],
    down: Callable[[Upper, float], float] = lambda block, x: x,
    folds: Callable[[Upper, float], float] = lambda block, x: 0.0,
) -> None:
    """Measuring lines from the inner to the outer edge of a panel, at every level that it reaches; at the centre from
    the centre line, or from where a band is sewn to the piece. `down` is where a level comes to lie, `folds` what falls
    in folds beside the centre there, and is no part of the width."""
    sizes = build.figures.sizes

    def ends_at(block: Upper, x: float, folded: float = 0.0) -> tuple[Point, Point]:
        at = down(block, x)
        return (at, max(block.centre, inner(block, x)) + folded), (at, outer(block, x))

    for k, (name, _) in enumerate(upper(build, sizes[0], half).levels):

        def ends(size: Size, k: int = k) -> tuple[Point, Point]:
            block = upper(build, size, half)
            x = block.levels[k][1]
            return ends_at(block, x, folds(block, x))

        build.line(id, LineKind.LEVEL, name, ends)

    def across(size: Size) -> tuple[Point, Point]:
        block = upper(build, size, half)
        # Midway to where armhole and bust dart have ended, on front and back alike: they stay as they are.
        darted = build.description.features.front.has(Shaping.BUST_DART)
        x = block.waist - min(ABOVE_WAIST, (block.waist - block.underarm - (DART_FROM if darted else 0.0)) / 2)
        return ends_at(block, x)

    build.line(id, LineKind.LENGTHEN_SHORTEN, "body-length", across)


def spread_levels(build: Build, half: Half, id: str, spread: Callable[[Upper], Spread]) -> None:
    """The measuring lines of a piece that was spread, where its side now has them."""
    panel_levels(
        build,
        half,
        id,
        lambda block, x: 0.0,
        lambda block, x: block.centre + spread(block).across((x, block.outer(x))),
        lambda block, x: spread(block).at((x, block.outer(x)))[0],
    )


# ---------------------------------------------------------------- the bust point


def as_drafted(block: Upper) -> Spread:
    return Widened(block.centre)


def mark_bust(build: Build, half: Half, id: str, spread: Callable[[Upper], Spread] = as_drafted) -> None:
    """The bust point on the front of a woman's garment, from which a full bust is adjusted. `spread` is how the piece
    was widened for folds or gathers. Fullness from folds or gathers gives room without it, and has none."""
    side, piece = side_of(build, half), build.pieces[id]
    if not half.is_front or build.description.figure not in (Figure.WOMEN, Figure.UNISEX):
        return
    if side.has(*SHAPED, Shaping.GATHERS_UNDER_YOKE, Shaping.PLEAT_UNDER_YOKE):
        return
    if not half.princess and not all(piece.has_edge(edge) for edge in (lower_edge(build), "side", "armhole")):
        return
    at = {size.name: spread(block := upper(build, size, half)).at(block.bust_point) for size in build.figures.sizes}
    build.point(id, InnerPoint("bust", PointKind.BUST, at))


# ---------------------------------------------------------------- darts


def shape_with_darts(build: Build, half: Half, id: str, spread: Callable[[Upper], Spread] = as_drafted) -> None:
    """Bust point, bust, waist and shoulder darts; `spread` is how the piece was widened for folds or gathers."""
    side = side_of(build, half)
    mark_bust(build, half, id, spread)
    if half.is_front and side.has(Shaping.BUST_DART):
        take_dart(
            build,
            id,
            "bust",
            "side",
            "end",
            lambda size: (DART_FROM, DART_FROM + BUST_DART),
            lambda size: spread(block := upper(build, size, half)).at(
                (block.underarm + block.up + DART_FROM + BUST_DART / 2 + 4.0, block.bust_point[1] + 25.0)
            ),
        )
    if side.has(Shaping.SHOULDER_DART) and not half.is_front:
        take_dart(
            build,
            id,
            "shoulder",
            "shoulder",
            "end",
            lambda size: (
                at := _shoulder_dart_at(upper(build, size, half)),
                at + SHOULDER_DART,
            ),
            lambda size: (
                (block := upper(build, size, half)).neck_point[0] + 90.0,
                block.neck_point[1] + _shoulder_dart_at(block),
            ),
        )
    if side.has(Shaping.WAIST_DART):
        _waist_dart(build, half, id, spread)


def _shoulder_dart_at(block: Upper) -> float:
    """How far from the neck a shoulder dart stands, in mm: 45, or a little before the middle of a short shoulder."""
    return min(45.0, 0.45 * (block.shoulder - SHOULDER_DART))


def _waist_dart(build: Build, half: Half, id: str, spread: Callable[[Upper], Spread]) -> None:
    sizes = build.figures.sizes
    if upper(build, sizes[0], half).model.is_barely_shaped:
        build.assumed[f"features.{half.name}.shaping"] = "the waist takes in too little for a dart"
        return

    def point(block: Upper) -> Point:
        x, y = block.bust_point
        return spread(block).at((x + (BELOW_BUST if half.is_front else -ABOVE_BUST), y))

    if build.description.has_waist_seam:

        def legs(size: Size) -> tuple[float, float]:
            block = upper(build, size, half)
            at = spread(block).across((block.hem, block.bust_point[1]))
            return at - block.intake / 2, at + block.intake / 2

        take_dart(build, id, "waist", "waist", "start", legs, lambda size: point(upper(build, size, half)))
        return
    ends: dict[str, Callable[[Upper], Point]] = {
        "top": point,
        "inner": lambda block: spread(block).at((block.waist, block.bust_point[1] - block.intake / 2)),
        "outer": lambda block: spread(block).at((block.waist, block.bust_point[1] + block.intake / 2)),
        "low": lambda block: spread(block).at(
            (min(block.hem - 15.0, block.waist + 0.6 * block.size.hip_depth), block.bust_point[1])
        ),
    }
    build.point(
        id,
        *(
            InnerPoint(
                f"waist-dart-{name}",
                PointKind.DOT,
                {size.name: at(upper(build, size, half)) for size in sizes},
            )
            for name, at in ends.items()
        ),
    )
    build.details.append(
        Detail(
            f"{id}-waist-darts",
            f"Waist darts of the {half.name}",
            DetailKind.DOUBLE_DARTS,
            on=(id,),
            count=2,
        )
    )


def take_dart(
    build: Build,
    id: str,
    name: str,
    edge: str,
    anchor: str,
    legs: Callable[[Size], tuple[float, float]],
    point: Callable[[Size], Point],
) -> None:
    """A dart with two legs on an edge: marks and point in every size."""
    marks = tuple(
        Mark(f"{name}-dart-{k + 1}", MarkKind.DART_LEG, edge, anchor, build.each(lambda size, k=k: legs(size)[k]))
        for k in (0, 1)
    )
    build.mark(id, *marks)
    points = {size.name: point(size) for size in build.figures.sizes}
    build.dart(id, Dart(f"{name}-dart", edge, (marks[0].id, marks[1].id), points))
