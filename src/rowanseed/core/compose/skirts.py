"""A skirt from the waist down: how long it is, how it is cut at the centre; straight and A-line ones drafted whole.

A skirt of another kind is a feature of its own, which drafts it from the same figures.
"""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.build import Build, Draw, Edges, part
from rowanseed.core.compose.drafting import UP, curve, ending_at, solve, straight, y_at
from rowanseed.core.compose.figures import Size, hem_ruffle
from rowanseed.core.compose.folded import fold_edge
from rowanseed.core.compose.folds import Folds, folds_in
from rowanseed.core.compose.panels import Half, upper
from rowanseed.core.compose.vocabulary import Centre, ClothKind, SkirtKind, Slit
from rowanseed.core.geometry.outline import Chain, chain_length
from rowanseed.core.pattern.pieces import Dart, LineKind, Mark, MarkKind, Panel

SHAPED = (SkirtKind.STRAIGHT, SkirtKind.A_LINE)
FLARE = 0.13
"""How much an A-line widens at each side below the hip, for each mm of length."""
WAIST_RISE = 12.0
"""The waist rises so far from the centre to the side, in mm."""


def waist_of(build: Build, size: Size) -> float:
    """What the skirt's waist comes to all the way round, in mm."""
    return size.waist if size.waist is not None else size.body_waist + 20.0


def length_of(build: Build, size: Size) -> float:
    """From the waist to the hem, or to the ruffle that is sewn there."""
    above = size.back_waist if build.description.garment.has_bodice else 0.0
    return size.length - above - hem_ruffle(build.description)


def skirt_ids(build: Build) -> tuple[str, str]:
    """Under a bodice the skirt's pieces are called so."""
    return ("skirt-front", "skirt-back") if build.description.garment.has_bodice else ("front", "back")


def centre_cut(build: Build, half: Half) -> tuple[str, str | None, int, bool]:
    """(name of the centre edge, the fold, how many, whether paired)."""
    features = build.description.features
    centre = (features.front if half.is_front else features.back).centre
    if centre is Centre.FOLD:
        return "centre", "centre", 1, False
    return ("opening" if centre is Centre.OPEN else "centre"), None, 2, True


def beyond(build: Build, half: Half) -> float:
    """How far a skirt that is open all the way reaches beyond the centre; with a bodice as far as that does."""
    return upper(build, build.figures.sizes[0], half).centre if centre_cut(build, half)[0] == "opening" else 0.0


def sew_skirt(build: Build, halves: tuple[Half, Half]) -> None:
    front, back = halves
    under = build.description.garment.has_bodice
    prefix = "skirt-" if under else ""
    words = "Skirt side seams" if under else "Side seams"
    build.join(f"{prefix}sides", words, front.side, back.side, each_hand=True)
    for half in halves:
        edge, fold, _, _ = centre_cut(build, half)
        if fold is None and edge == "centre":
            build.join(
                f"{prefix}centre-{half.name}",
                f"{'Skirt, centre' if under else 'Centre'} {half.name} seam",
                (part(p.piece, p.edge, "left") for p in half.centre),
                (part(p.piece, p.edge, "right") for p in half.centre),
            )


def skirt_panel(build: Build, half: Half, id: str, draw: Draw) -> None:
    """One half of a skirt drafted: its piece, and its edges by what they are."""
    edge, fold, count, pair = centre_cut(build, half)
    name = f"Skirt {half.name}" if id.startswith("skirt") else half.name.capitalize()
    panel = Panel.FRONT if half.is_front else Panel.BACK
    build.piece(id, name, draw, panel=panel, count=count, pair=pair, fold=fold, hem=("hem",))
    half.side, half.lower, half.neck = [part(id, "side")], [part(id, "hem")], [part(id, "waist")]
    half.centre = [part(id, edge)]


# ---------------------------------------------------------------- straight and A-line


def shaped_skirt(build: Build) -> tuple[Half, Half]:
    """Front and back of a straight or A-line skirt; their upper edges are to be finished, or sewn to a bodice."""
    asked = build.description.features.skirt
    flare = FLARE if asked is None or asked.kind is SkirtKind.A_LINE else 0.0
    darts = (asked.darts if asked and asked.darts is not None else True) and not build.description.is_drawn_in
    halves = (Half(True), Half(False))
    for half, id in zip(halves, skirt_ids(build), strict=True):
        edge = centre_cut(build, half)[0]
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
            long, wide, c = length_of(build, size), hip(size), beyond(build, half)
            level_at = hip_depth_of(size, long)
            goal = wide - taken(size) + dart(size)
            side = solve(lambda by: chain_length(_rise(wide - by)), goal, -20.0, 0.8 * wide)
            low, level = (long, wide + flare * max(0.0, long - level_at)), (level_at, wide)
            top = (-WAIST_RISE, wide - side)
            upper: Chain = (curve(level, UP, top, (-1.0, -max(0.0, min(0.5, side / 90.0))), 0.4),)
            waist = ending_at(_rise(wide - side), c)
            return {
                edge: straight(waist[-1].end, (long, c)),
                "hem": straight((long, c), low),
                "side": (*straight(low, level), *upper),
                "waist": waist,
            }

        skirt_panel(build, half, id, draw)
        build.line(
            id,
            LineKind.LEVEL,
            "hip",
            lambda size, hip=hip: ((x := hip_depth_of(size, length_of(build, size)), 0.0), (x, hip(size))),
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
            lambda size, hip=hip: ((x := hip_depth_of(size, length_of(build, size)) + 20.0, 0.0), (x, hip(size))),
        )
        if folds and any(dart(size) == 0 for size in build.figures.sizes):
            build.assumed[f"features.{half.name}.shaping"] = f"the waist takes in too little for {folds.taken.words}s"
        elif folds:
            middle = lambda size, id=id: chain_length(build.edge(id, "waist", size)) / 2  # noqa: E731
            fold_edge(build, id, "waist", folds, taken=dart, middle=middle, down=1.0)
        elif darts and all(dart(size) > 0 for size in build.figures.sizes):
            _waist_dart(build, id, dart, half)
    sew_skirt(build, halves)
    _tell_stride(build, flare)
    return halves


STRIDE = 650.0
"""A straight skirt longer than this, in mm, needs a slit, a vent or a pleat to walk in (common practice, no source)."""


def _tell_stride(build: Build, flare: float) -> None:
    """Say where a straight skirt is too long to walk in without an opening at its hem."""
    features = build.description.features
    opens = features.vent or (features.skirt is not None and features.skirt.slit is not Slit.NONE)
    narrow = flare == 0 and build.description.cloth is ClothKind.WOVEN and not opens
    if narrow and any(length_of(build, size) > STRIDE for size in build.figures.sizes):
        build.assumed["features.skirt.slit"] = "no slit or vent, though a straight skirt so long is hard to walk in"


def _folds(build: Build, half: Half) -> Folds | None:
    """Pleats or tucks at the waist, where the description shapes a skirt of its own by them."""
    if build.description.garment.has_bodice:
        return None
    features = build.description.features
    return folds_in((features.front if half.is_front else features.back).shaping)


def hip_depth_of(size: Size, long: float) -> float:
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
