"""Skirts from the waist down: straight and A-line, gored, full ones of straight lengths, circles; and aprons."""

from __future__ import annotations

import math
from collections.abc import Callable

from rowanseed.core.compose.bands import along, waistband
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Along, Centre, Interfaced, SkirtKind, Slit, Trim, TrimKind, Where
from rowanseed.core.compose.drafting import UP, curve, solve, straight, y_at
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.folded import fold_edge
from rowanseed.core.compose.folds import Folds, folds_in
from rowanseed.core.compose.panels import Half, upper
from rowanseed.core.compose.ruffles import DEEP
from rowanseed.core.geometry.outline import Chain, arc_chain, chain_length
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    Detail,
    DetailKind,
    Difference,
    DifferenceKind,
    EdgePart,
    FinishKind,
    Press,
)
from rowanseed.core.pattern.pieces import Dart, LineKind, Mark, MarkKind, Panel

FLARE = 0.13
"""How much an A-line widens at each side below the hip, for each mm of length."""
GORE_FLARE = 0.16
WAIST_RISE = 12.0
"""The waist rises so far from the centre to the side, in mm."""
POINT = 120.0
"""So far a pointed panel runs down beyond its sides, in mm."""
SLIT = 200.0
TIED = 900.0
"""What an apron's band has more than the waist where its ends are tied, in mm."""
TURN = {SkirtKind.CIRCLE: 1.0, SkirtKind.HALF_CIRCLE: 0.5}
"""The share of a whole circle that the skirt makes."""


def waist_of(build: Build, size: Size) -> float:
    """What the skirt's waist comes to all the way round, in mm."""
    return size.waist if size.waist is not None else size.body_waist + 20.0


def length_of(build: Build, size: Size) -> float:
    """From the waist to the hem, or to the ruffle that is sewn there."""
    ruffled = Trim(TrimKind.RUFFLE, Along.HEM) in build.description.features.trim
    return _whole_length(build, size) - (DEEP if ruffled else 0.0)


def _whole_length(build: Build, size: Size) -> float:
    skirt = build.description.features.skirt
    if build.description.garment.has_bodice:
        if skirt is not None and skirt.length is not None and "length" not in build.description.finished:
            return skirt.length
        return max(150.0, size.length - size.back_waist)
    if "length" in build.description.finished or skirt is None or skirt.length is None:
        return size.length
    return skirt.length


def skirt(build: Build) -> tuple[Half, Half]:
    """The skirt's front and back; their upper edges are to be finished, or sewn to a bodice."""
    asked = build.description.features.skirt
    kind = asked.kind if asked else SkirtKind.A_LINE
    match kind:
        case SkirtKind.GORED:
            return _gores(build)
        case SkirtKind.POINTED_PANELS:
            return _gores(build, point=POINT)
        case SkirtKind.CIRCLE | SkirtKind.HALF_CIRCLE:
            return _circle(build, TURN[kind])
        case _ if kind.is_full:
            return _full(build, kind)
        case _:
            return _shaped(build, flare=FLARE if kind is SkirtKind.A_LINE else 0.0)


def _ids(build: Build) -> tuple[str, str]:
    """Under a bodice the skirt's pieces are called so."""
    return ("skirt-front", "skirt-back") if build.description.garment.has_bodice else ("front", "back")


def _cuts(build: Build, half: Half) -> tuple[str, str | None, int, bool]:
    """(name of the centre edge, the fold, how many, whether paired)."""
    features = build.description.features
    centre = (features.front if half.is_front else features.back).centre
    if centre is Centre.FOLD:
        return "centre", "centre", 1, False
    opened = centre is Centre.OPEN and build.description.garment.has_bodice
    return ("opening" if opened else "centre"), None, 2, True


def _beyond(build: Build, half: Half) -> float:
    """How far a skirt that is open with its bodice reaches beyond the centre, as the bodice does."""
    return upper(build, build.figures.sizes[0], half).centre if _cuts(build, half)[0] == "opening" else 0.0


def _seams(build: Build, halves: tuple[Half, Half]) -> None:
    front, back = halves
    under = build.description.garment.has_bodice
    prefix = "skirt-" if under else ""
    words = "Skirt side seams" if under else "Side seams"
    build.join(f"{prefix}sides", words, front.side, back.side, each_hand=True)
    for half in halves:
        edge, fold, _, _ = _cuts(build, half)
        if fold is None and edge == "centre":
            build.join(
                f"{prefix}centre-{half.name}",
                f"{'Skirt, centre' if under else 'Centre'} {half.name} seam",
                (part(p.piece, p.edge, "left") for p in half.centre),
                (part(p.piece, p.edge, "right") for p in half.centre),
            )


# ---------------------------------------------------------------- straight and A-line


def _shaped(build: Build, *, flare: float) -> tuple[Half, Half]:
    asked = build.description.features.skirt
    darts = asked.darts if asked and asked.darts is not None else True
    halves = (Half(True), Half(False))
    for half, id in zip(halves, _ids(build), strict=True):
        edge, fold, count, pair = _cuts(build, half)
        forward = 5.0 if half.is_front else -5.0
        folds = _folds(build, half)

        def hip(size: Size, forward: float = forward) -> float:
            return size.hip / 4 + forward

        def taken(size: Size) -> float:
            """What has to go from a quarter between hip and waist."""
            return max(0.0, (size.hip - waist_of(build, size)) / 4)

        def dart(size: Size, folds: Folds | None = folds) -> float:
            least = min(max(0.0, (one.hip - waist_of(build, one)) / 4) for one in build.figures.sizes)
            return taken(size) * 0.55 if (darts or folds) and least > 12.0 else 0.0

        def draw(size: Size, edge: str = edge, half: Half = half) -> Edges:
            long, wide, c = length_of(build, size), hip(size), _beyond(build, half)
            level_at = _hip_depth(size, long)
            goal = wide - taken(size) + dart(size)
            side = solve(lambda by: chain_length(_rise(wide - by)), goal, -20.0, 0.8 * wide)
            low, level = (long, wide + flare * max(0.0, long - level_at)), (level_at, wide)
            top = (-WAIST_RISE, wide - side)
            upper: Chain = (curve(level, UP, top, (-1.0, -max(0.0, min(0.5, side / 90.0))), 0.4),)
            return {
                edge: straight((0.0, c), (long, c)),
                "hem": straight((long, c), low),
                "side": (*straight(low, level), *upper),
                "waist": (*_rise(wide - side), *(straight((0.0, 0.0), (0.0, c)) if c else ())),
            }

        name = f"Skirt {half.name}" if id.startswith("skirt") else half.name.capitalize()
        panel = Panel.FRONT if half.is_front else Panel.BACK
        build.piece(id, name, draw, panel=panel, count=count, pair=pair, fold=fold, hem=("hem",))
        build.line(
            id,
            LineKind.LEVEL,
            "hip",
            lambda size, hip=hip: ((x := _hip_depth(size, length_of(build, size)), 0.0), (x, hip(size))),
        )
        build.line(
            id,
            LineKind.LEVEL,
            "waist",
            lambda size, id=id: ((0.0, 0.0), (0.0, y_at(build.edge(id, "side", size), 0.0))),
        )
        build.line(
            id,
            LineKind.LENGTHEN_SHORTEN,
            "skirt-length",
            lambda size, hip=hip: ((x := _hip_depth(size, length_of(build, size)) + 20.0, 0.0), (x, hip(size))),
        )
        if folds and any(dart(size) == 0 for size in build.figures.sizes):
            build.assumed[f"features.{half.name}.shaping"] = f"the waist takes in too little for {folds.taken.words}s"
        elif folds:
            middle = lambda size, id=id: chain_length(build.edge(id, "waist", size)) / 2  # noqa: E731
            fold_edge(build, id, "waist", folds, taken=dart, middle=middle, down=1.0)
        elif darts and all(dart(size) > 0 for size in build.figures.sizes):
            _waist_dart(build, id, dart, half)
        half.side, half.lower, half.neck = [part(id, "side")], [part(id, "hem")], [part(id, "waist")]
        half.centre = [part(id, edge)]
    _seams(build, halves)
    _slits(build, halves)
    return halves


def _folds(build: Build, half: Half) -> Folds | None:
    """Pleats or tucks at the waist, where the description shapes a skirt of its own by them."""
    if build.description.garment.has_bodice:
        return None
    features = build.description.features
    return folds_in((features.front if half.is_front else features.back).shaping)


def _hip_depth(size: Size, long: float) -> float:
    """Where the hip lies below the waist; a skirt that ends above it is as wide at its lower part."""
    return min(size.hip_depth, 0.75 * long)


def _rise(to: float) -> Chain:
    """The waist from the side, where it stands a little higher, to the centre."""
    return (curve((-WAIST_RISE, to), (0.12, -1.0), (0.0, 0.0), (0.0, -1.0), 0.34),)


def _waist_dart(build: Build, id: str, dart: Callable[[Size], float], half: Half) -> None:
    """A dart in the middle of the waist, whose legs take in what the hip has more."""

    def at(size: Size, leg: int) -> float:
        whole = chain_length(build.edge(id, "waist", size))
        return whole * 0.5 + (leg - 0.5) * dart(size)

    marks = tuple(
        Mark(f"dart-{k + 1}", MarkKind.DART_LEG, "waist", "start", build.each(lambda size, k=k: at(size, k)))
        for k in (0, 1)
    )
    build.mark(id, *marks)
    long = 0.5 if half.is_front else 0.65
    points = {
        size.name: (size.hip_depth * long, build.edge(id, "waist", size)[0].start[1] * 0.5)
        for size in build.figures.sizes
    }
    build.dart(id, Dart("dart", "waist", (marks[0].id, marks[1].id), points))


def _slits(build: Build, halves: tuple[Half, Half]) -> None:
    features = build.description.features
    asked = features.skirt.slit if features.skirt else Slit.NONE
    prefix = "skirt-" if build.description.garment.has_bodice else ""
    joins = {Slit.BACK: (f"{prefix}centre-back",), Slit.SIDES: (f"{prefix}sides",), Slit.NONE: ()}[asked]
    vent = features.vent and not joins
    for join in (f"{prefix}centre-back",) if vent else joins:
        half = halves[1]
        where = (half.centre if join.endswith("back") else half.side)[-1]
        anchor = "end" if where.edge == "centre" else "start"
        build.mark(
            where.piece,
            Mark(
                "slit-end",
                MarkKind.DOT,
                where.edge,
                anchor,
                build.each(lambda size: min(SLIT, 0.4 * length_of(build, size))),
            ),
        )
        kind = DetailKind.VENT if vent else DetailKind.SLIT
        build.details.append(
            Detail("slit", "Vent" if vent else "Slit", kind, along=(join,), to_mark=(where.piece, "slit-end"))
        )


# ---------------------------------------------------------------- gores


def _gores(build: Build, point: float = 0.0) -> tuple[Half, Half]:
    """Four, six or eight gores: alike, with a share of hip and waist each, front and back halved at the sides.

    `point`: so far each runs down to a point in its middle, in mm.
    """
    asked = build.description.features.skirt
    count = (asked.panels if asked and asked.panels else 6) // 2
    under = "skirt-" if build.description.garment.has_bodice else ""
    halves = (Half(True), Half(False))
    for half in halves:
        edge, fold, _, _ = _cuts(build, half)
        # Of an odd number one stands on the centre's fold (or is cut in two by its seam); the others lie beside it.
        shares = [0.5, *([1.0] * (count // 2))] if count % 2 else [1.0] * (count // 2)
        before, edges_shaped = None, 2 * len(shares) - 1
        for k, share in enumerate(shares):
            id = f"{under}{half.name}" if k == 0 else f"{under}side-{half.name}{'' if k == 1 else f'-{k}'}"
            at_centre = k == 0

            def draw(
                size: Size,
                share: float = share,
                at_centre: bool = at_centre,
                edge: str = edge,
                edges_shaped: int = edges_shaped,
            ) -> Edges:
                hip, long = size.hip / (count * 2) * share, length_of(build, size)
                more = GORE_FLARE * max(0.0, long - size.hip_depth) / 2
                # Every edge takes in as much as its neighbour, so that they meet.
                taken = (size.hip - waist_of(build, size)) / 4 / edges_shaped
                left_low = 0.0 if at_centre else -more
                # Half a panel at the centre ends in the point itself.
                foot = (long + point if share < 1 else long, left_low)
                tip = (long + point, (left_low + hip + more) / 2)
                left: Chain = (
                    straight((0.0, 0.0), foot)
                    if at_centre
                    else (
                        curve((0.0, taken), (1.0, -0.05), (size.hip_depth, 0.0), (1.0, 0.0), 0.36),
                        *straight((size.hip_depth, 0.0), (long, left_low)),
                    )
                )
                top = (0.0, hip - taken)
                return {
                    edge if at_centre else "front": left,
                    "hem": straight(foot, *((tip,) if point and share == 1 else ()), (long, hip + more)),
                    "side": (
                        *straight((long, hip + more), (size.hip_depth, hip)),
                        curve((size.hip_depth, hip), UP, top, (-1.0, -0.05), 0.36),
                    ),
                    "waist": straight(top, (0.0, 0.0 if at_centre else taken)),
                }

            name = f"{'Centre' if at_centre else 'Side'} {half.name} gore"
            panel = Panel.FRONT if half.is_front else Panel.BACK
            on_fold = fold if at_centre else None
            build.piece(
                id, name, draw, panel=panel, count=1 if on_fold else 2, pair=not on_fold, fold=on_fold, hem=("hem",)
            )
            build.line(
                id,
                LineKind.LEVEL,
                "hip",
                lambda size, share=share: ((size.hip_depth, 0.0), (size.hip_depth, size.hip / (count * 2) * share)),
            )
            if before is not None:
                build.join(
                    f"{under}gores-{half.name}{'' if k == 1 else f'-{k}'}",
                    f"Side {half.name} seams",
                    (part(before, "side"),),
                    (part(id, "front"),),
                    each_hand=True,
                )
            before = id
            half.lower.append(part(id, "hem"))
            half.neck.append(part(id, "waist"))
            if at_centre:
                half.centre = [part(id, edge)]
        half.side = [part(before or "", "side")]
    _seams(build, halves)
    return halves


# ---------------------------------------------------------------- full skirts


def _full(build: Build, kind: SkirtKind) -> tuple[Half, Half]:
    """Straight lengths of cloth, drawn in at the waist by gathers or pleats."""
    ratio = fullness(build)
    halves = (Half(True), Half(False))
    for half, id in zip(halves, _ids(build), strict=True):
        edge, fold, count, pair = _cuts(build, half)

        def draw(size: Size, edge: str = edge, half: Half = half) -> Edges:
            c, long = _beyond(build, half), length_of(build, size)
            wide = (waist_of(build, size) / 4 - c) * ratio + c
            return {
                edge: straight((0.0, c), (long, c)),
                "hem": straight((long, c), (long, wide)),
                "side": straight((long, wide), (0.0, wide)),
                "waist": straight((0.0, wide), (0.0, c)),
            }

        name = f"Skirt {half.name}" if id.startswith("skirt") else half.name.capitalize()
        panel = Panel.FRONT if half.is_front else Panel.BACK
        build.piece(id, name, draw, panel=panel, count=count, pair=pair, fold=fold, hem=("hem",))
        build.line(
            id,
            LineKind.LENGTHEN_SHORTEN,
            "skirt-length",
            lambda size: ((100.0, 0.0), (100.0, waist_of(build, size) / 4 * ratio)),
        )
        half.side, half.lower, half.neck = [part(id, "side")], [part(id, "hem")], [part(id, "waist")]
        half.centre = [part(id, edge)]
    _seams(build, halves)
    pleats = {SkirtKind.KNIFE_PLEATS: DetailKind.KNIFE_PLEATS, SkirtKind.BOX_PLEATS: DetailKind.BOX_PLEATS}
    if kind in pleats:
        middle = build.figures.sizes[len(build.figures.sizes) // 2]
        number = max(2, round(waist_of(build, middle) / (40.0 if kind is SkirtKind.KNIFE_PLEATS else 80.0)))
        taken = waist_of(build, middle) * (ratio - 1) / number
        build.details.append(
            Detail(
                "pleats",
                kind.words.capitalize(),
                pleats[kind],
                on=_ids(build),
                along=("waist",),
                count=number,
                width=round(taken, 1),
            )
        )
    elif kind is SkirtKind.CARTRIDGE_PLEATS:
        build.ways.append(("waist", "cartridge-pleats"))
    return halves


def fullness(build: Build) -> float:
    """How many times the waist a full skirt is wide; 1 for any other."""
    asked = build.description.features.skirt
    if asked is None or not asked.kind.is_full:
        return 1.0
    if asked.fullness is not None:
        return asked.fullness
    usual = {SkirtKind.GATHERED: 2.0, SkirtKind.CARTRIDGE_PLEATS: 3.0}.get(asked.kind, 3.0)
    build.assumed["features.skirt.fullness"] = f"{usual:g} times the waist"
    return usual


# ---------------------------------------------------------------- circles


def _circle(build: Build, turn: float) -> tuple[Half, Half]:
    """A ring, a quarter of it for each half of front and back: the radius is the waist over 2π and the share of a
    circle, a geometric fact."""
    halves = (Half(True), Half(False))
    for half, id in zip(halves, _ids(build), strict=True):
        edge, fold, count, pair = _cuts(build, half)

        def draw(size: Size, edge: str = edge) -> Edges:
            radius = waist_of(build, size) / (2 * math.pi * turn)
            outer, angle = radius + length_of(build, size), math.pi / 2 * turn
            rim = (outer * math.cos(angle), outer * math.sin(angle))
            mouth = (radius * math.cos(angle), radius * math.sin(angle))
            return {
                edge: straight((radius, 0.0), (outer, 0.0)),
                "hem": arc_chain((0.0, 0.0), outer, 0.0, angle),
                "side": straight(rim, mouth),
                "waist": arc_chain((0.0, 0.0), radius, angle, 0.0),
            }

        name = f"Skirt {half.name}" if id.startswith("skirt") else half.name.capitalize()
        panel = Panel.FRONT if half.is_front else Panel.BACK
        build.piece(id, name, draw, panel=panel, count=count, pair=pair, fold=fold, hem=("hem",))
        half.side, half.lower, half.neck = [part(id, "side")], [part(id, "hem")], [part(id, "waist")]
        half.centre = [part(id, edge)]
    _seams(build, halves)
    return halves


# ---------------------------------------------------------------- aprons


def apron(build: Build) -> None:
    """A straight length that covers a share of the waist, on a band that goes all the way round and laps."""
    asked = build.description.features.skirt
    coverage = asked.coverage if asked and asked.coverage else 0.67
    if asked is None or asked.coverage is None:
        build.assumed["features.skirt.coverage"] = "two thirds of the waist"
    ratio = max(1.2, fullness(build))

    def draw(size: Size) -> Edges:
        wide, long = size.body_waist * coverage / 2 * ratio, length_of(build, size)
        return {
            "centre": straight((0.0, 0.0), (long, 0.0)),
            "hem": straight((long, 0.0), (long, wide)),
            "side": straight((long, wide), (0.0, wide)),
            "waist": straight((0.0, wide), (0.0, 0.0)),
        }

    build.piece("front", "Apron skirt", draw, panel=Panel.FRONT, count=1, fold="centre", hem=("hem",))
    build.allow("front", "side", 20.0)
    build.finish("sides", "Sides of the apron", FinishKind.TURNED, (part("front", "side"),))
    covered = (part("front", "waist", "left"), part("front", "waist", "right"))
    asked_band = build.description.features.band
    ties = build.description.features.opening.kind is None or build.description.features.opening.kind.value == "ties"

    def band(size: Size) -> Edges:
        lap = 0.0 if ties else asked_band.underlap
        beyond = size.body_waist * (1 - coverage) + (TIED if ties else 0.0)
        whole = along(build, covered, size) / ratio
        free, end, wide = beyond / 2, whole + beyond + lap, 2 * asked_band.width
        return {
            "inner": straight((0.0, 0.0), (end, 0.0)),
            "far-end": straight((end, 0.0), (end, wide)),
            "beyond": straight((end, wide), (free + whole, wide)),
            "waist": straight((free + whole, wide), (free, wide)),
            "before": straight((free, wide), (0.0, wide)),
            "near-end": straight((0.0, wide), (0.0, 0.0)),
        }

    build.piece("waistband", "Waistband with its ends", band, panel=Panel.BAND, count=1)
    build.line(
        "waistband",
        LineKind.FOLD,
        "fold",
        lambda size: (
            (0.0, asked_band.width),
            (chain_length(build.edge("waistband", "inner", size)), asked_band.width),
        ),
    )
    build.interface("waistband", Interfaced.WAISTBAND)
    build.join(
        "waist",
        "Waistband to waist",
        covered,
        (part("waistband", "waist"),),
        press=Press.BAND,
        difference=Difference(DifferenceKind.GATHERS, ratio),
    )
    inside = ("inner", "far-end", "beyond", "before", "near-end")
    build.finish(
        "waistband-inside", "Inside of the waistband", FinishKind.TURNED, (part("waistband", e) for e in inside)
    )
    build.along["waist"] = ("waist",)
    kind = ClosureKind.TIES if ties else _closure(build)
    build.closures.append(Closure("closing", kind, "waist"))
    if asked is not None and asked.kind is SkirtKind.CARTRIDGE_PLEATS:
        build.ways.append(("waist", "cartridge-pleats"))


def _closure(build: Build) -> ClosureKind:
    kind = build.description.features.opening.kind
    return ClosureKind(kind.value.replace(" ", "-")) if kind is not None else ClosureKind.TIES


OPENS = {Where.BACK: "back", Where.FRONT: "front", Where.LEFT_SIDE: "side", Where.NONE: ""}


def waist_parts(halves: tuple[Half, Half]) -> tuple[EdgePart, ...]:
    """One half of a waist, from the centre front to the centre back."""
    front, back = halves
    return (*front.neck, *reversed(back.neck))


def band_on(build: Build, halves: tuple[Half, Half]) -> None:
    """A waistband on a skirt or trousers."""
    ratio = fullness(build)
    waistband(build, waist_parts(halves), opening=OPENS[build.description.features.opening.where], ratio=ratio)
    build.interface("waistband", Interfaced.WAISTBAND)
