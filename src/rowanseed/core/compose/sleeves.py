"""Sleeves drafted to the armhole they go into, and what ends them: hems, cuffs, casings, bindings."""

from __future__ import annotations

from collections.abc import Callable
from functools import cache

from rowanseed.core.compose import sleeve_plackets, two_piece
from rowanseed.core.compose.bands import cuff
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description, Sleeve
from rowanseed.core.compose.drafting import backwards, curve, lengthens_at, mirrored, straight
from rowanseed.core.compose.flared_sleeves import Flared
from rowanseed.core.compose.folded import GAP, fold_edge
from rowanseed.core.compose.folds import Folds
from rowanseed.core.compose.hems import hem_depth, hemmed_by
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.stretched_bands import Sewn, stretched_on
from rowanseed.core.compose.tunnels import casing_depth
from rowanseed.core.compose.vocabulary import (
    CollarKind,
    ElasticPlace,
    Interfaced,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    SleeveShape,
)
from rowanseed.core.geometry.outline import Chain, chain_length
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    Difference,
    DifferenceKind,
    EdgePart,
    FinishKind,
    Press,
)
from rowanseed.core.pattern.pieces import Corner, LineKind, Mark, MarkKind, Panel, Taken

TAILORED, EASED, SHIRT = 30.0, 22.0, 10.0
"""How much longer than its armhole a cap that is set in is, in mm: of a jacket or coat, as is usual, of a shirt or a
child's garment (common practice, no source)."""
GATHERED = 1.35
"""A gathered cap is so much longer than its armhole."""
SHARE = {
    SleeveLength.CAP: 0.02,
    SleeveLength.SHORT: 0.18,
    SleeveLength.ELBOW: 0.42,
    SleeveLength.THREE_QUARTER: 0.68,
    SleeveLength.LONG: 1.0,
}
"""How far down the underarm a sleeve reaches, as a share of its length to the wrist."""
CUFF = 50.0
LEAST_UNDERARM = 30.0
"""A sleeve's seam under the arm is at least so long, in mm."""
CASING = 30.0
"""The allowance of a sleeve's end that is a tunnel for elastic of no width said, in mm."""
FULL_END, FULL_SHORT_END = 1.5, 1.3
"""An end that is gathered is so many times as wide as the arm asks there; of a short sleeve less, which would flare."""
ROOM = 45.0
"""So much wider than the arm is a sleeve, in mm."""
FLATTEST, SPREAD = 0.93, 0.9
"""A sleeve is at most so wide, as a share of its cap; and at least such a share of its end."""
CUFF_PLEATS, BEFORE_A_PLACKET = Folds(Taken.PLEAT, 2, 18.0, 50.0), 30.0
"""The pleats above a cuff, and how far before a placket the last of them lies, in mm (common practice, no source)."""
FACED_OVER = 15.0
FLARED_HEM = 16.0
"""A flared end is turned in by so much, in mm: a deeper hem does not lie flat round it (common practice, no source)."""


def armhole_length(build: Build, half: Half, size: Size) -> float:
    return sum(chain_length(build.edge(p.piece, p.edge, size)) for p in half.armhole)


def _cap(height: float, width: float) -> Chain:
    """From the back's underarm over the top to the front's, symmetrical."""
    middle = width / 2
    low, high = (height, width), (0.0, middle)
    turn = (height * 0.46, width * 0.84)
    first = (curve(low, (-0.15, -1.0), turn, (-1.0, -0.9), 0.4), curve(turn, (-1.0, -0.9), high, (0.0, -1.0), 0.4))
    return (*first, *mirrored(backwards(first), middle))


def cap_ease(description: Description) -> float:
    """How much is eased into the armhole, in mm: nothing of a knit, a dropped sleeve, or a cap that is gathered."""
    features = description.features
    if features.sleeve is None or features.sleeve.kind is not SleeveKind.SET_IN or description.cloth is Structure.KNIT:
        return 0.0
    if features.collar is CollarKind.SHIRT or description.figure is Figure.CHILDREN:
        return SHIRT
    return TAILORED if description.garment.is_outer else EASED


def sleeves(build: Build, front: Half, back: Half) -> None:
    """The sleeves of a garment, set into its armholes; nothing for one without, or cut in one with the body."""
    sleeve = build.description.features.sleeve
    if sleeve is None or sleeve.kind in (SleeveKind.CUT_IN_ONE, SleeveKind.RAGLAN):
        return
    gathered = sleeve.kind is SleeveKind.GATHERED_CAP
    knit = build.description.cloth is Structure.KNIT
    ease = cap_ease(build.description)

    @cache
    def goal(size: Size) -> float:
        whole = armhole_length(build, front, size) + armhole_length(build, back, size)
        return whole * GATHERED if gathered else whole + ease

    @cache
    def plain(size: Size) -> float:
        """How wide it is under the arm before its end is made fuller."""
        arm = size.upper_arm + (ROOM if not knit else 15.0) + (60.0 if gathered else 0.0)
        return min(
            max(arm, goal(size) * 0.62 if sleeve.kind is not SleeveKind.DROPPED else goal(size) * 0.9),
            goal(size) * FLATTEST,
        )

    flared = sleeve.shape is SleeveShape.FLARED

    def ends(size: Size) -> float:
        return plain(size) if flared else end_width(sleeve, size, plain(size))

    @cache
    def width(size: Size) -> float:
        # Fullness of a short sleeve's end is spread over all of it, or its seam would run out sideways.
        return min(max(plain(size), SPREAD * ends(size)), goal(size) * FLATTEST)

    @cache
    def height(size: Size) -> float:
        return solve(lambda h: chain_length(_cap(h, width(size))), goal(size), 5.0, 400.0)

    def long(size: Size) -> float:
        top = height(size)
        printed = build.description.finished.get("sleeve", {}).get(size.name)
        if printed is not None and sleeve.kind is not SleeveKind.DROPPED:
            return max(top + LEAST_UNDERARM, printed - cuff_depth(build.description))
        return top + max(LEAST_UNDERARM, (size.arm - top - cuff_depth(build.description)) * SHARE[sleeve.length])

    def draw(size: Size) -> Edges:
        wide, top, foot = width(size), height(size), long(size)
        if flared:
            bell = Flared(wide, top, foot, SHARE[sleeve.length])
            return {
                "underarm-front": straight((top, 0.0), (bell.side, bell.inset)),
                "wrist": bell.wrist,
                "underarm-back": straight((bell.side, wide - bell.inset), (top, wide)),
                "cap": _cap(top, wide),
            }
        inset = (wide - ends(size)) / 2
        return {
            "underarm-front": straight((top, 0.0), (foot, inset)),
            "wrist": straight((foot, inset), (foot, wide - inset)),
            "underarm-back": straight((foot, wide - inset), (top, wide)),
            "cap": _cap(top, wide),
        }

    if sleeve.pieces == 2:
        two_piece.draft(
            build,
            cap=lambda size: _cap(height(size), width(size)),
            wide=width,
            end=ends,
            long=long,
            height=height,
        )
        _shoulder_point(
            build, lambda size: _at_shoulder(build, back, front, size, goal(size)) - _under_behind(build, size)
        )
        _set_in(build, ("sleeve", "under-sleeve"), front, back, ease=ease, gathered=False)
        finish_end(build, sleeve, (part("sleeve", "wrist"), part("under-sleeve", "wrist")))
        return
    build.piece("sleeve", "Sleeve", draw, panel=Panel.SLEEVE, count=2, pair=True, hem=("wrist",))
    _shoulder_point(build, lambda size: _at_shoulder(build, back, front, size, goal(size)))
    build.line("sleeve", LineKind.LEVEL, "bicep", lambda size: ((height(size), 0.0), (height(size), width(size))))
    build.line(
        "sleeve",
        LineKind.LENGTHEN_SHORTEN,
        "sleeve-length",
        lambda size: ((x := lengthens_at(height(size), long(size)), 4.0), (x, width(size) - 4.0)),
    )
    build.join(
        "underarms",
        "Sleeve seams",
        (part("sleeve", "underarm-front"),),
        (part("sleeve", "underarm-back"),),
        each_hand=True,
    )
    _set_in(build, ("sleeve",), front, back, ease=ease, gathered=gathered)
    finish_end(build, sleeve, (part("sleeve", "wrist"),))


def _set_in(build: Build, pieces: tuple[str, ...], front: Half, back: Half, *, ease: float, gathered: bool) -> None:
    """The cap, on however many pieces, into the armhole."""
    difference = (
        Difference(DifferenceKind.GATHERS, GATHERED)
        if gathered
        else Difference(DifferenceKind.EASE, ease)
        if ease
        else Difference()
    )
    build.join(
        "armholes",
        "Sleeves into armholes",
        tuple(part(piece, "cap") for piece in pieces),
        (*front.armhole, *back.armhole),
        difference=difference,
        press=Press.BACK,
        each_hand=True,
        why="the cap is eased over the shoulder" if ease else "",
    )
    build.along["armhole"] = ("armholes",)


def _shoulder_point(build: Build, at: Callable[[Size], float]) -> None:
    """The dot on a cap that meets the shoulder seam, so far from its back end."""
    build.mark("sleeve", Mark("shoulder", MarkKind.DOT, "cap", "start", build.each(at)))


def _under_behind(build: Build, size: Size) -> float:
    """What the under sleeve takes of the back half of a cap."""
    ahead = next(mark for mark in build.pieces["under-sleeve"].marks if mark.id == two_piece.UNDERARM)
    return chain_length(build.edge("under-sleeve", "cap", size)) - ahead.distance[size.name]


def _at_shoulder(build: Build, back: Half, front: Half, size: Size, goal: float) -> float:
    """The shoulder's place on the cap: the armhole's back, with its share of the fullness."""
    ahead, behind = armhole_length(build, front, size), armhole_length(build, back, size)
    return goal * behind / (ahead + behind)


def is_stretched_cuff(description: Description) -> bool:
    """Whether the sleeves' cuffs are closed rings that are stretched on; not where a bagged lining is sewn in."""
    sleeve = description.features.sleeve
    plain = sleeve is not None and sleeve.end is SleeveEnd.CUFF and sleeve.placket is None
    return plain and description.bands_stretch and not description.features.has_bagged_lining


def cuff_depth(description: Description) -> float:
    sleeve = description.features.sleeve
    return in_proportion(description, CUFF) if sleeve is not None and sleeve.end.is_cuff else 0.0


def end_width(sleeve: Sleeve, size: Size, wide: float) -> float:
    hand = size.wrist + 75.0
    at = wide + (hand - wide) * SHARE[sleeve.length]
    if sleeve.end is SleeveEnd.PLEATED_CUFF:
        return at + CUFF_PLEATS.whole
    if sleeve.end not in (SleeveEnd.GATHERED_CUFF, SleeveEnd.ELASTIC_CASING):
        return at
    arm = min(wide, size.upper_arm + ROOM)
    return max((arm + (hand - arm) * SHARE[sleeve.length]) * full_end(sleeve), wide)


def full_end(sleeve: Sleeve) -> float:
    """How many times as wide as the arm asks an end is that is gathered."""
    return FULL_SHORT_END if sleeve.length in (SleeveLength.CAP, SleeveLength.SHORT) else FULL_END


def _corner(p: EdgePart) -> Corner:
    """A sleeve's end is squared off for its hem; the slanting end of one cut in one with the body is not."""
    return Corner.TURNED if p.piece in ("sleeve", "under-sleeve") else Corner.MITRE


def finish_end(build: Build, sleeve: Sleeve, parts: tuple[EdgePart, ...]) -> None:
    """The end of a sleeve by its kind."""
    match sleeve.end:
        case SleeveEnd.HEM | SleeveEnd.FACING:
            depth, folds = (
                hem_depth(build, FLARED_HEM if sleeve.shape is SleeveShape.FLARED else 25.0)
                if sleeve.end is SleeveEnd.HEM
                else (FACED_OVER * 2, (FACED_OVER, FACED_OVER))
            )
            for p in parts:
                build.allow(p.piece, p.edge, depth, _corner(p))
            build.finish("wrist", "Sleeve ends", FinishKind.HEM, parts, folds)
            if sleeve.end is SleeveEnd.HEM:
                hemmed_by(build, "wrist")
            if sleeve.end is SleeveEnd.FACING:
                build.assumed["features.sleeve.end"] = (
                    "the facing of the sleeve ends is cut from the pieces' own shape; change it at the Cloth station"
                )
        case SleeveEnd.BINDING:
            build.finish("wrist", "Sleeve ends", FinishKind.BINDING, parts)
        case SleeveEnd.ELASTIC_CASING:
            depth = casing_depth(build.description, ElasticPlace.SLEEVE, CASING)
            for p in parts:
                build.allow(p.piece, p.edge, depth, _corner(p))
            build.finish("wrist", "Sleeve ends", FinishKind.CASING, parts)
            build.closures.append(Closure("wrist-elastic", ClosureKind.ELASTIC, _sleeve_seam(build)))
        case SleeveEnd.CUFF | SleeveEnd.GATHERED_CUFF | SleeveEnd.PLEATED_CUFF:
            if sleeve.end is SleeveEnd.PLEATED_CUFF:
                _pleated(build, parts[0])
            gathered = sleeve.end is SleeveEnd.GATHERED_CUFF
            if is_stretched_cuff(build.description):
                sewn = Sewn("cuff", "Cuff", "cuffs", "Cuffs to sleeves", Press.UP, count=2, each_hand=True)
                stretched_on(build, parts, sewn=sewn, depth=cuff_depth(build.description))
                return
            laps = sleeve_plackets.laps(sleeve.placket)
            cuff(
                build,
                parts,
                depth=cuff_depth(build.description),
                ratio=full_end(sleeve) if gathered else 1.0,
                laps=laps,
            )
            build.interface("cuff", Interfaced.CUFFS)
            sleeve_plackets.add(build, sleeve.placket)


def _pleated(build: Build, end: EdgePart) -> None:
    """Pleats in a sleeve's end, in front of where a placket opens it."""

    def middle(size: Size) -> float:
        long = chain_length(build.edge(end.piece, end.edge, size))
        return long * sleeve_plackets.FROM_THE_FRONT - BEFORE_A_PLACKET - (CUFF_PLEATS.whole + GAP) / 2

    fold_edge(build, end.piece, end.edge, CUFF_PLEATS, taken=lambda size: CUFF_PLEATS.whole, middle=middle, down=-1.0)


def _sleeve_seam(build: Build) -> str:
    """The seam that an elastic in the sleeve's end is closed with."""
    ids = {join.id for join in build.joins}
    return next(id for id in ("underarms", "sleeve-backs", "sides") if id in ids)
