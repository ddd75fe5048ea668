"""Where a pocket is sewn on, and its corners marked there; the pockets a description asks for, with their ids."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Mapping
from itertools import pairwise

from shapely.geometry import Polygon, box

from rowanseed.core.base.units import in_both
from rowanseed.core.base.words import lower_first, upper_first, with_article
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, Pocket
from rowanseed.core.compose.drafting import y_at
from rowanseed.core.compose.laps import column
from rowanseed.core.compose.openings import is_wrapped_skirt
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import GarmentKind, Hand, PocketKind, PocketPlace
from rowanseed.core.geometry.outline import Chain, Point, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.below_waist import LEGS, SKIRT, hangs_below
from rowanseed.core.pattern.pieces import InnerPoint, PointKind
from rowanseed.core.pattern.seamline import mark_point

PATCH = (130.0, 150.0)
"""A patch pocket: wide, deep, in mm."""
CHEST = (110.0, 125.0)
SEWN_ON = (PocketKind.PATCH, PocketKind.FLAP, PocketKind.WELT, PocketKind.POUCH)
"""What is sewn on at one and the same place of its piece."""


def patch_size(build: Build, pocket: Pocket) -> tuple[float, float]:
    """How wide a patch pocket is and how deep, in mm."""
    wide, deep = CHEST if pocket.on is PocketPlace.CHEST else PATCH
    return in_proportion(build.description, wide), in_proportion(build.description, deep)


def pockets_of(build: Build, *kinds: PocketKind) -> Iterator[tuple[Pocket, str]]:
    """The described pockets of some kinds, each with what tells its ids from those of the others."""
    for k, pocket in enumerate(build.description.features.pockets):
        if pocket.kind in kinds:
            yield pocket, "" if k == 0 else f"-{k + 1}"


def told_apart(build: Build, pocket: Pocket, name: str, *kinds: PocketKind) -> str:
    """A name that says where the pocket is, if there are some of these kinds at other places, or on the other hand."""
    others = [other for other in build.description.features.pockets if other.kind in kinds]
    if len({other.on for other in others}) > 1:
        name = f"{pocket.on.words.capitalize()} {lower_first(name)}"
    if len([other for other in others if other.on is pocket.on]) > 1:
        name = f"{pocket.hands.value.capitalize()} {lower_first(name)}"
    return name


def on_hand(pocket: Pocket, name: str) -> str:
    """The name of what is made there: of one alone it says on which hand, of two it is in the plural."""
    if pocket.hands is Hand.BOTH:
        return f"{name}s"
    said = name.startswith(pocket.hands.value.capitalize())
    return name if said else f"{name}, on the {pocket.hands.value}"


def asks_for(*kinds: PocketKind) -> Callable[[Description], bool]:
    return lambda description: any(pocket.kind in kinds for pocket in description.features.pockets)


def misplaced(d: Description, *kinds: PocketKind) -> Iterator[tuple[str, str]]:
    """What is wrong with where some kinds of pockets are said to be."""
    for k, pocket in enumerate(d.features.pockets):
        where = f"features.pockets.{k}"
        if pocket.kind not in kinds:
            continue
        in_seam = pocket.kind is PocketKind.IN_SEAM
        if d.garment is GarmentKind.APRON and (pocket.on is not PocketPlace.FRONT or in_seam):
            yield where, "An apron has only a front for its pockets."
        if pocket.on is PocketPlace.CHEST and not d.garment.has_bodice:
            yield where, f"{upper_first(d.garment.has)} no chest for a pocket."
        if in_seam and pocket.on is not PocketPlace.SIDE:
            yield where, "An in-seam pocket lies in the side seam: say that it is on the side."
        if not in_seam and pocket.on is PocketPlace.SIDE:
            yield where, f"{upper_first(with_article(pocket.kind.words))} pocket lies on the front or the back."
        if any(_stands_at(pocket, other) for other in d.features.pockets[:k]):
            yield (
                where,
                f"There is a pocket on the {pocket.on.words} already: say where else this one is, or leave it out.",
            )


def _stands_at(one: Pocket, other: Pocket) -> bool:
    """Whether two pockets would lie on each other."""
    alike = one.kind is other.kind or (one.kind in SEWN_ON and other.kind in SEWN_ON)
    apart = {one.hands, other.hands} == {Hand.LEFT, Hand.RIGHT}
    return alike and one.on is other.on and not apart


def carrier(build: Build, pocket: Pocket) -> str:
    """The piece that a pocket is sewn on."""
    half = "back" if pocket.on is PocketPlace.BACK else "front"
    below = next((id for id in (f"{SKIRT}{half}", f"{LEGS}{half}") if id in build.pieces), None)
    return below if below is not None and pocket.on is not PocketPlace.CHEST else half


APART = 12.0
"""A pocket stays so far from the stitching lines of its piece, in mm (common practice, no source)."""
BELOW_A_YOKE, ON_THE_SEAT = 30.0, 0.36
"""The mouth of a pocket on trousers lies so far below a yoke, in mm, or so far down their centre seam, as a share of it
(common practice, no source)."""
LEVELS = 8
"""Over its depth a pocket is looked at so often."""
ABOVE_UNDERARM = 25.0
"""The mouth of a breast pocket lies so far above the underarm, in mm (common practice, no source)."""
SHIFTS = tuple(float(sign * step) for step in range(0, 160, 10) for sign in ((1,) if step == 0 else (1, -1)))
"""How far down or up a pocket is moved to find room, in mm, the nearest first."""

Room = tuple[float, float]
Corners = tuple[dict[str, Point], dict[str, Point]]
"""The inner and the outer one by size."""


def place_pocket(build: Build, pocket: Pocket, wide: float, deep: float, id: str) -> tuple[str, ...]:
    """Mark a pocket's upper corners where it has room in every size: on its piece, across the princess seam to the one
    beside it, or on that; the pieces that they are on. Without room it is refused."""
    own = carrier(build, pocket)
    half = "back" if pocket.on is PocketPlace.BACK else "front"
    beside = own.replace(half, f"side-{half}")
    there = beside in build.pieces and pocket.on is not PocketPlace.CHEST
    tries = [(own, own), *(((own, beside), (beside, beside)) if there else ())]
    for first, last in tries:
        one = first == last
        at = _on_one(build, pocket, first, wide, deep) if one else _across(build, pocket, own, beside, wide, deep)
        if at is not None:
            _mark(build, pocket, id, (first, at[0]), (last, at[1]))
            return (first,) if one else (first, last)
    k = build.description.features.pockets.index(pocket)
    name = lower_first(build.pieces[own].name)
    build.refused.append(
        (
            f"features.pockets.{k}",
            f"A pocket {in_both(wide)} wide has no room on the {name}: say where else it is, or leave it out.",
        )
    )
    return (own,)


def carriers_of(build: Build, id: str) -> tuple[str, ...]:
    """The pieces that a pocket's corners are marked on."""
    marks = (f"{id}-inner", f"{id}-outer")
    return tuple(piece.id for piece in build.pieces.values() if any(q.id in marks for q in piece.points))


def _mark(
    build: Build,
    pocket: Pocket,
    id: str,
    inner: tuple[str, dict[str, Point]],
    outer: tuple[str, dict[str, Point]],
) -> None:
    hand = None if pocket.hands is Hand.BOTH else pocket.hands.value
    for name, (piece, at) in (("inner", inner), ("outer", outer)):
        build.point(piece, InnerPoint(f"{id}-{name}", PointKind.POCKET, at, hand))


def rings(build: Build, piece: str) -> dict[str, list[Point]]:
    """A piece's stitching line in every size, as points."""
    shapes = build.pieces[piece].shapes
    return {size: [p for chain in shape.edges.values() for p in flatten(chain, 2.0)] for size, shape in shapes.items()}


def room_at(ring: list[Point], top: float, deep: float) -> Room | None:
    """From where to where a pocket may lie across a piece at a level; none where the piece is there twice, or not."""
    low, high = -math.inf, math.inf
    for k in range(LEVELS + 1):
        x = top + k * deep / LEVELS
        crossed = [
            ay + (by - ay) * (x - ax) / (bx - ax)
            for (ax, ay), (bx, by) in pairwise([*ring, ring[0]])
            if (ax <= x) is not (bx <= x)
        ]
        if len(crossed) != 2:
            return None
        low, high = max(low, min(crossed)), min(high, max(crossed))
    return low + APART, high - APART


def _wanted(build: Build, pocket: Pocket, piece: str, size: Size) -> tuple[float, float]:
    """(how far down the mouth lies, at which share of the piece's width the pocket begins)."""
    edges = build.pieces[piece].shapes[size.name].edges
    x0, _, x1, _ = bounds([p for chain in edges.values() for p in flatten(chain, 2.0)])
    if pocket.on is PocketPlace.CHEST:
        armhole = edges.get("armhole")
        if armhole is None:
            return x0 + 0.3 * (x1 - x0), 0.3
        return max(p[0] for p in flatten(armhole, 2.0)) - ABOVE_UNDERARM, 0.3
    if "crotch" in edges:
        return _on_the_seat(edges), 0.25
    if build.description.garment.has_bodice and not hangs_below(piece):
        return x0 + 0.62 * (x1 - x0), 0.25
    return x0 + 0.16 * (x1 - x0 - size.seam_to_waist) + size.seam_to_waist, 0.25


def _on_the_seat(edges: Mapping[str, Chain]) -> float:
    """How far down the mouth of a pocket on trousers lies: below a yoke, or a third of the way from waist to fork."""
    if "yoke" in edges:
        return max(p[0] for p in flatten(edges["yoke"], 2.0)) + BELOW_A_YOKE
    along = [p[0] for p in flatten(edges["crotch"], 2.0)]
    return min(along) + ON_THE_SEAT * (max(along) - min(along))


def _on_one(build: Build, pocket: Pocket, piece: str, wide: float, deep: float) -> Corners | None:
    """Both upper corners in every size, if the pocket has room on one piece."""
    found_in = rings(build, piece)
    wanted = {size.name: _wanted(build, pocket, piece, size) for size in build.figures.sizes}
    tries = [(clear, shift, share) for clear in (True, False) for shift in SHIFTS for share in (None, 0.0, 1.0)]
    for clear, shift, share in tries:
        found: dict[str, Point] = {}
        for size in build.figures.sizes:
            top, usual = wanted[size.name]
            room = room_at(found_in[size.name], top + shift, deep)
            beside = column(build.description)
            if room is not None and (build.description.features.wraps or is_wrapped_skirt(build.description) or beside):
                # Where the fronts lap far, it stays on its own side of the centre, and clear of buttons there.
                room = max(room[0], APART + beside), room[1]
            if room is None or room[1] - room[0] < wide:
                break
            begin = room[0] - APART + (usual if share is None else share) * (room[1] - room[0] + 2 * APART)
            corner = (top + shift, min(max(begin, room[0]), room[1] - wide))
            if clear and _over_a_dart(build, piece, size, corner, wide, deep):
                break
            found[size.name] = corner
        else:
            return found, {size: (x, y + wide) for size, (x, y) in found.items()}
    return None


def _over_a_dart(build: Build, piece: str, size: Size, corner: Point, wide: float, deep: float) -> bool:
    """Whether a pocket would lie on a dart: it goes beside it where there is room (common practice, no source)."""
    own, (x, y) = build.pieces[piece], corner
    place = box(x, y, x + deep, y + wide)
    for dart in own.darts:
        legs = [mark_point(own, size.name, own.mark(leg)) for leg in dart.legs]
        if place.intersects(Polygon([*legs, dart.point[size.name]])):
            return True
    return False


def _across(build: Build, pocket: Pocket, own: str, beside: str, wide: float, deep: float) -> Corners | None:
    """Both upper corners of a pocket that lies half on each side of a princess seam."""
    if any(not build.pieces[piece].has_edge("princess") for piece in (own, beside)):
        return None
    both = [rings(build, piece) for piece in (own, beside)]
    for shift in SHIFTS:
        inner: dict[str, Point] = {}
        outer: dict[str, Point] = {}
        for size in build.figures.sizes:
            top = _wanted(build, pocket, own, size)[0] + shift
            here, there = (room_at(found[size.name], top, deep) for found in both)
            if here is None or there is None:
                break
            # At the seam itself it needs no distance.
            if min(here[1] - here[0], there[1] - there[0]) + APART < wide / 2:
                break
            seams = [y_at(build.edge(piece, "princess", size), top) for piece in (own, beside)]
            inner[size.name], outer[size.name] = (top, seams[0] - wide / 2), (top, seams[1] + wide / 2)
        else:
            return inner, outer
    return None
