"""A raglan sleeve: the seam runs from the underarm to the neck, and the sleeve carries the shoulder.

Drafted on the bodice block: what lies above the raglan line goes to the sleeve, whose two seams are as long as the
body's and whose upper edge is as long as the neck that the body gave up, with a dart over the shoulder in woven cloth.
Where the line leaves neck and armhole is a share from memory.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from functools import cache

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import backwards, curve, lengthens_at, mirrored, straight
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.panels import Half, centre_of, lower_edge, new_panel, panel_levels, shape_with_darts, upper
from rowanseed.core.compose.raglan_line import is_raglan, neck_parts, raglan_line
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.sleeves import SHARE, cuff_depth, end_width, finish_end
from rowanseed.core.compose.vocabulary import CollarKind, NeckShape, Shaping
from rowanseed.core.geometry.outline import Chain, Point, chain_length
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import Press
from rowanseed.core.pattern.pieces import Dart, LineKind, Mark, MarkKind, Panel

DART, DART_LONG = 22.0, 120.0
"""What the dart over the shoulder takes in, and how long it is, in mm; a knit stretches and has none."""
CAP = 140.0
"""The usual height of a cap, which a raglan's underarm is reckoned from, in mm."""


def panel(build: Build, half: Half) -> None:
    """Front or back below its raglan line."""
    edge, low, id = centre_of(build, half)[0], lower_edge(build), half.name

    def ring(block: Upper) -> Edges:
        c = block.centre
        return {
            edge: straight((block.neck_end, c), (block.hem, c)),
            low: block.lower((block.hem, c)),
            "side": block.side,
            "raglan": raglan_line(block),
            "neck": neck_parts(block)[1],
        }

    new_panel(build, half, id, half.name.capitalize(), ring, at_centre=True)
    panel_levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x))
    half.neck, half.side, half.lower = [part(id, "neck")], [part(id, "side")], [part(id, low)]
    shape_with_darts(build, half, id)


def carves(build: Build, body: Body) -> None:
    """The sleeve, its two raglan seams, and its share of the neck."""
    asked, front, back = build.description.features.sleeve, body.front, body.back
    assert asked is not None
    knit = build.description.cloth is Structure.KNIT
    dart = 0.0 if knit else DART

    def wide(size: Size) -> float:
        return size.upper_arm + (15.0 if knit else 55.0)

    @cache
    def drawn(size: Size) -> tuple[Chain, Chain, Chain]:
        """(the seam to the back, the neck, the seam to the front); the underarm lies at x = 0."""
        blocks = [upper(build, size, half) for half in (back, front)]
        goals = [chain_length(raglan_line(block)) for block in blocks]
        goal = dart + sum(chain_length(neck_parts(block)[0]) for block in blocks)
        corners = [math.pi - _corner(block) for block in blocks]
        middle = wide(size) / 2

        def edges(half: float) -> tuple[Chain, Chain, Chain]:
            to_back, to_front = (_seam(one, middle - half) for one in goals)
            to_back, to_front = mirrored(to_back, middle), backwards(to_front)
            return to_back, _neckline(to_back, to_front, corners), to_front

        # The neck's ends are as far apart as makes it as long as what it is sewn to.
        return edges(solve(lambda half: chain_length(edges(half)[1]), goal, 0.2 * goal, 0.7 * goal))

    def long(size: Size) -> float:
        return max(30.0, (size.arm - CAP - cuff_depth(build.description)) * SHARE[asked.length])

    def draw(size: Size) -> Edges:
        to_back, neck, to_front = drawn(size)
        w = wide(size)
        inset = (w - end_width(asked, size, w)) / 2
        return {
            "underarm-front": straight((0.0, 0.0), (long(size), inset)),
            "wrist": straight((long(size), inset), (long(size), w - inset)),
            "underarm-back": straight((long(size), w - inset), (0.0, w)),
            "raglan-back": to_back,
            "neck": neck,
            "raglan-front": to_front,
        }

    build.piece("sleeve", "Raglan sleeve", draw, panel=Panel.SLEEVE, count=2, pair=True, hem=("wrist",))
    build.line("sleeve", LineKind.LEVEL, "bicep", lambda size: ((0.0, 0.0), (0.0, wide(size))))
    build.line(
        "sleeve",
        LineKind.LENGTHEN_SHORTEN,
        "sleeve-length",
        lambda size: ((x := lengthens_at(0.0, long(size)), 4.0), (x, wide(size) - 4.0)),
    )
    if dart:
        _shoulder_dart(build, dart, DART_LONG)
    for half in (front, back):
        build.join(
            f"raglan-{half.name}",
            f"Raglan seams, {half.name}",
            (part(half.name, "raglan"),),
            (part("sleeve", f"raglan-{half.name}"),),
            press=Press.BACK,
            each_hand=True,
        )
    build.join(
        "underarms",
        "Sleeve seams",
        (part("sleeve", "underarm-front"),),
        (part("sleeve", "underarm-back"),),
        each_hand=True,
    )
    build.along["armhole"] = ("raglan-front", "raglan-back")
    front.neck = [*front.neck, part("sleeve", "neck")]
    finish_end(build, asked, (part("sleeve", "wrist"),))


def _seam(goal: float, across: float) -> Chain:
    """The front's seam from the underarm up to the neck, `across` from the sleeve's edge, of a given length; the
    back's is its mirror image."""

    def drawn(top: float) -> Chain:
        return (curve((0.0, 0.0), (-0.2, 1.0), (-top, across), (-1.0, 0.12), 0.42, 0.3),)

    return drawn(solve(lambda top: chain_length(drawn(top)), goal, 20.0, 600.0))


def _corner(block: Upper) -> float:
    """The angle at the neck's end of the body's raglan line, in radians."""
    seam, neck = raglan_line(block)[-1].derivative(1.0), neck_parts(block)[1][0].derivative(0.0)
    return abs(math.atan2(-seam[0] * neck[1] + seam[1] * neck[0], -seam[0] * neck[0] - seam[1] * neck[1]))


def _neckline(to_back: Chain, to_front: Chain, corners: Sequence[float]) -> Chain:
    """The sleeve's share of the neck, from the back's seam to the front's: at each it makes up, with the body's corner
    there, a neck that runs on without one."""
    up, down = to_back[-1].derivative(1.0), to_front[0].derivative(0.0)
    leaves = _turned((-up[0], -up[1]), -corners[0])
    arrives = _turned(down, corners[1])
    return (curve(to_back[-1].end, leaves, to_front[0].start, (-arrives[0], -arrives[1]), 0.3),)


def _turned(v: Point, by: float) -> Point:
    return (v[0] * math.cos(by) - v[1] * math.sin(by), v[0] * math.sin(by) + v[1] * math.cos(by))


def _shoulder_dart(build: Build, dart: float, long: float) -> None:
    def at(size: Size, leg: int) -> float:
        return chain_length(build.edge("sleeve", "neck", size)) / 2 + (leg - 0.5) * dart

    marks = tuple(
        Mark(
            f"shoulder-dart-{k + 1}",
            MarkKind.DART_LEG,
            "neck",
            "start",
            build.each(lambda size, k=k: at(size, k)),
        )
        for k in (0, 1)
    )
    build.mark("sleeve", *marks)

    def point(size: Size) -> Point:
        neck = build.edge("sleeve", "neck", size)[0].at(0.5)
        return (neck[0] + long, neck[1])

    points = {size.name: point(size) for size in build.figures.sizes}
    build.dart("sleeve", Dart("shoulder-dart", "neck", (marks[0].id, marks[1].id), points))


def takes(d: Description, half: Half) -> bool:
    return is_raglan(d) and not (half.is_front and d.features.collar is CollarKind.NOTCHED)


def forbids(d: Description) -> Found:
    f = d.features
    if f.neck.shape not in (NeckShape.ROUND, NeckShape.SCOOP, NeckShape.HIGH, NeckShape.V):
        yield "features.neck.shape", "A raglan seam runs into a round or a V neck: choose round, scoop, V or high."
    for name, side in f.sides:
        other = next((one for one in side.shaping if one not in (Shaping.BUST_DART, Shaping.WAIST_DART)), None)
        if other is not None:
            yield (
                f"features.{name}.shaping",
                f"{other.words.capitalize()}: a raglan sleeve is drafted with darts at the side and the waist only.",
            )


FEATURES = (Feature("raglan", asked=is_raglan, forbids=forbids, takes=takes, panel=panel, carves=carves, rank=8),)
