"""How neck, armholes and open fronts are finished: facings, bindings, bands, collars, plackets."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import replace

from rowanseed.core.compose.bands import along, band_draw, folded
from rowanseed.core.compose.bodice import EXTENSION
from rowanseed.core.compose.build import Build, Draw, Edges, part
from rowanseed.core.compose.description import (
    ArmholeFinish,
    Centre,
    CollarKind,
    FacedEdge,
    Interfaced,
    LiningMethod,
    NeckFinish,
    OpeningKind,
    Placket,
    Where,
)
from rowanseed.core.compose.drafting import backwards, curve, parallel, solve, straight
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.panels import Half
from rowanseed.core.geometry.outline import Affine, Chain, Point, chain_length, split_chain, transform_chain
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    Detail,
    DetailKind,
    EdgePart,
    FinishKind,
    Join,
    LayerKind,
    Press,
)
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Mark, MarkKind, Panel, Piece, PointKind, Role

FACING, ARMHOLE_FACING = 55.0, 35.0
FRONT_BAND = 30.0
STAND = 32.0
FALL = 55.0
SLIT = 140.0


def neck_parts(front: Half, back: Half) -> tuple[EdgePart, ...]:
    """One half of the neck, from the centre front to the centre back."""
    return (*front.neck, *reversed(back.neck))


def finish_neck(build: Build, front: Half, back: Half) -> None:
    """The neck by its finish, the usual one where nothing is said."""
    features = build.description.features
    parts = neck_parts(front, back)
    if features.collar is not None:
        _collar(build, features.collar, parts, front, back)
        return
    finish = features.neck.finish
    if finish is None:
        bagged = features.lining is not None and features.lining.method is LiningMethod.BAGGED
        finish = NeckFinish.LINING if bagged else NeckFinish.FACING
        build.assumed["features.neck.finish"] = "the lining finishes the neck" if bagged else "the neck is faced"
    match finish:
        case NeckFinish.FACING | NeckFinish.COLLAR:
            face(build, "neck", "neck", parts)
        case NeckFinish.BIAS_BINDING | NeckFinish.BAND:
            build.finish("neck", "Neck", FinishKind.BINDING, parts)
            build.along["neck"] = ("neck",)
        case NeckFinish.BIAS_FACING:
            build.finish("neck", "Neck", FinishKind.BINDING, parts)
            build.ways.append(("neck", "bias-facing"))
            build.along["neck"] = ("neck",)
        case NeckFinish.LINING:
            # The lining takes the neck in; it is sewn on where that is drafted.
            build.along["neck"] = ("neck",)


# ---------------------------------------------------------------- facings


def face(build: Build, id: str, words: str, parts: Iterable[EdgePart]) -> None:
    """Facings of an edge of several pieces, joined to each other where the pieces are, and sewn to the edge."""
    faced: list[EdgePart] = []
    made: dict[str, str] = {}
    parts = tuple(parts)
    deep = build.each(lambda size: min(facing_depth(build, p, size) for p in parts))
    for p in parts:
        facing = f"{p.piece}-{id}-facing"
        facing_of(build, facing, p, deep)
        made[p.piece] = facing
        build.layer(LayerKind.FACING, facing, p.piece)
        faced.append(part(facing, p.edge))
    _facing_seams(build, id, made)
    build.join(f"{id}-facing", f"Facing to {words}", tuple(parts), faced, press=Press.FACING, each_hand=id == "armhole")
    inner = tuple(part(facing, "inner") for facing in made.values())
    build.finish(f"{id}-facing-edge", f"Inner edge of the {words} facing", FinishKind.NEATENED, inner)
    _facing_ends(build, id, words, made)
    build.along[id] = (f"{id}-facing",)


def _ends(build: Build, p: EdgePart) -> tuple[str, str]:
    """The edges before and after an edge in the ring of its piece."""
    names = [e.name for e in build.pieces[p.piece].edges]
    k = names.index(p.edge)
    return names[k - 1], names[(k + 1) % len(names)]


def facing_depth(build: Build, p: EdgePart, size: Size) -> float:
    """How deep a facing can be on a piece: one depth for all of them, so that their ends meet."""
    before, after = _ends(build, p)
    edges = build.pieces[p.piece].shapes[size.name].edges
    ends = (edges[before][-1:], edges[after][:1])
    deep = min(ARMHOLE_FACING, 0.12 * chain_length(edges[p.edge]) + 8.0) if p.edge == "armhole" else FACING
    return min(deep, *(0.8 * chain_length(end) for end in ends))


def facing_of(build: Build, facing: str, p: EdgePart, deep: Mapping[str, float]) -> None:
    """The strip along an edge of a piece, its ends along the neighbouring edges."""
    base = build.pieces[p.piece]
    before, after = _ends(build, p)
    own = base.cuts[0]

    def draw(size: Size) -> Edges:
        edges = _smoothed(base, p.edge, _dart_closed(base, p.edge, size))
        depth = deep[size.name]
        first = split_chain(edges[before], chain_length(edges[before]) - depth)[1]
        last = split_chain(edges[after], depth)[0]
        inner = parallel(_followed(base, p.edge, edges[p.edge]), last[-1].end, first[0].start, -depth)
        return {p.edge: edges[p.edge], after: last, "inner": inner, before: first}

    fold = own.fold if own.fold in (before, after) else None
    build.piece(
        facing,
        f"{base.name}, {p.edge} facing",
        draw,
        panel=Panel.BAND,
        count=1 if fold else 2,
        pair=fold is None,
        fold=fold,
        allowances={"inner": 0.0},
    )
    build.interface(facing, Interfaced.FACINGS)


def _smoothed(base: Piece, edge: str, edges: Edges) -> Edges:
    """The short top of a raglan sleeve, which a folded dart bends, runs in one curve of the same length."""
    if base.panel is not Panel.SLEEVE or not any(dart.edge == edge for dart in base.darts):
        return edges
    start, end, goal = edges[edge][0].start, edges[edge][-1].end, chain_length(edges[edge])

    def drawn(by: float) -> Chain:
        return (curve(start, (by, -1.0), end, (-by, -1.0), 0.36),)

    return {**edges, edge: drawn(solve(lambda by: chain_length(drawn(by)), goal, 0.0, 4.0))}


def _followed(base: Piece, edge: str, chain: Chain) -> Chain:
    """What a facing's inner edge runs beside: the faced edge backwards, or its chord where a folded dart bends it."""
    if any(dart.edge == edge for dart in base.darts):
        return straight(chain[-1].end, chain[0].start)
    return backwards(chain)


def _dart_closed(base: Piece, edge: str, size: Size) -> Edges:
    """The edges of a piece with the darts on one of them folded: what lies before a dart is turned about its point, as
    far as its legs stand apart."""
    edges = dict(base.shapes[size.name].edges)
    names = [e.name for e in base.edges]
    before = names[names.index(edge) - 1]
    for dart in base.darts:
        if dart.edge != edge:
            continue
        whole = chain_length(edges[edge])
        marks = [base.mark(leg) for leg in dart.legs]
        at = sorted(m.distance[size.name] if m.anchor == "start" else whole - m.distance[size.name] for m in marks)
        first, rest = split_chain(edges[edge], at[0])
        last = split_chain(rest, at[1] - at[0])[1]
        point = dart.point[size.name]
        turn = _turned(point, first[-1].end, last[0].start)
        edges[edge] = (*transform_chain(first, turn), *last)
        edges[before] = transform_chain(edges[before], turn)
    return edges


def _turned(about: Point, one: Point, other: Point) -> Affine:
    """A turn about a dart's point that brings one leg onto the other, without stretching anything."""
    angle = math.atan2(other[1] - about[1], other[0] - about[0]) - math.atan2(one[1] - about[1], one[0] - about[0])
    c, s = math.cos(angle), math.sin(angle)
    x, y = c * one[0] - s * one[1], s * one[0] + c * one[1]
    return Affine(c, -s, s, c, other[0] - x, other[1] - y)


def _facing_seams(build: Build, id: str, made: dict[str, str]) -> None:
    """Facings are joined as the pieces they lie on."""
    for join in list(build.joins):
        ends = [p for p in (*join.a, *join.b) if p.piece in made and _has(build, made[p.piece], p.edge)]
        a = tuple(p for p in join.a if p in ends)
        b = tuple(p for p in join.b if p in ends)
        if a and b:
            build.join(
                f"{id}-{join.id}-facing",
                f"Facing, {join.name[:1].lower()}{join.name[1:]}",
                (part(made[p.piece], p.edge, p.hand) for p in a),
                (part(made[p.piece], p.edge, p.hand) for p in b),
                each_hand=join.each_hand,
            )


def _has(build: Build, piece: str, edge: str) -> bool:
    return build.pieces[piece].has_edge(edge)


def _facing_ends(build: Build, id: str, words: str, made: dict[str, str]) -> None:
    """Ends of a facing that meet no other: at an opening they are turned in."""
    sewn = {(p.piece, p.edge) for j in build.joins for p in (*j.a, *j.b)}
    done = {(p.piece, p.edge) for f in build.finishes for p in f.parts}
    left = []
    for facing in made.values():
        folds = {cut.fold for cut in build.pieces[facing].cuts}
        for e in build.pieces[facing].edges:
            if (
                (facing, e.name) not in sewn | done
                and e.name not in folds
                and e.name not in ("inner",)
                and not _outer(e.name, made, facing, id)
            ):
                left.append(part(facing, e.name))
    build.finish(f"{id}-facing-ends", f"Ends of the {words} facing", FinishKind.RAW, left)


def _outer(edge: str, made: dict[str, str], facing: str, id: str) -> bool:
    return edge == id


# ---------------------------------------------------------------- armholes


def finish_armholes(build: Build, front: Half, back: Half) -> None:
    features = build.description.features
    if features.sleeve is not None:
        return
    parts = (*front.armhole, *reversed(back.armhole))
    finish = features.armhole
    if finish is None and FacedEdge.ARMHOLE in features.facing:
        finish = ArmholeFinish.FACING
    elif finish is None:
        bagged = features.lining is not None and features.lining.method is LiningMethod.BAGGED
        finish = ArmholeFinish.LINING if bagged else ArmholeFinish.BIAS_BINDING
        build.assumed["features.armhole"] = "the lining finishes the armholes" if bagged else "the armholes are bound"
    match finish:
        case ArmholeFinish.FACING:
            face(build, "armhole", "armholes", parts)
        case ArmholeFinish.BIAS_BINDING:
            build.finish("armhole", "Armholes", FinishKind.BINDING, parts)
            build.along["armhole"] = ("armhole",)
        case ArmholeFinish.LINING:
            build.along["armhole"] = ("armhole",)


# ---------------------------------------------------------------- open fronts


def finish_opening(build: Build, front: Half, back: Half) -> None:
    """The edges and the closure of an opening in a bodice."""
    features = build.description.features
    opening = features.opening
    if opening.kind is None or opening.where is Where.NONE:
        for half in (front, back):
            _open_edges(build, half)
        return
    if opening.kind.is_zip:
        _zip(build, front, back)
        return
    half = front if opening.where is Where.FRONT else back
    side = features.front if half.is_front else features.back
    if side.centre is Centre.OPEN:
        _edges(build, half)
        return
    if opening.kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE):
        _slit(build, half)
        return
    # Hooks or ties on the end of a centre seam that is left open below the neck.
    _left_open(build, half)


def _open_edges(build: Build, half: Half) -> None:
    """Edges that are open and never closed: faced where that is asked for, else turned in."""
    edges = tuple(p for p in half.centre if p.edge == "opening")
    lining = build.description.features.lining
    if not edges or (lining is not None and lining.method.value == "bagged"):
        return
    if FacedEdge.FRONT in build.description.features.facing:
        face(build, "opening", "front edges", edges)
        build.along["front"] = ("opening-facing",)
        return
    build.finish("front-edges", f"{half.name.capitalize()} edges", FinishKind.TURNED, edges)
    build.along["front"] = ("front-edges",)


def split_sides(build: Build, id: str) -> str:
    """Side seams told apart, since only the left one has the zip; the id of the left one."""
    whole = next(j for j in build.joins if j.id == id)
    k = build.joins.index(whole)

    def one(hand: str) -> Join:
        def sided(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
            return tuple(replace(p, hand=hand) for p in parts)

        return replace(
            whole,
            id=f"{id}-{hand}",
            name=f"{hand.capitalize()} side seam",
            a=sided(whole.a),
            b=sided(whole.b),
            each_hand=False,
        )

    build.joins[k : k + 1] = [one("left"), one("right")]
    return f"{id}-left"


def _zip(build: Build, front: Half, back: Half) -> None:
    opening = build.description.features.opening
    assert opening.kind is not None
    if opening.where is Where.LEFT_SIDE:
        join, where = split_sides(build, "sides"), front.side[0]
        anchor = "end"
    else:
        half = front if opening.where is Where.FRONT else back
        join, where, anchor = f"centre-{half.name}", half.centre[0], "start"
    long = opening.length or 400.0
    if opening.length is None:
        build.assumed["features.opening.length"] = "a zip of the usual length"
    reach = min(chain_length(build.edge(where.piece, where.edge, size)) for size in build.figures.sizes)
    kind = ClosureKind(opening.kind.value.replace(" ", "-"))
    if long > reach - 20.0:
        _through_the_waist(build, join, kind, where, reach)
        return
    build.mark(where.piece, Mark("zip-end", MarkKind.ZIP_END, where.edge, anchor, build.each(lambda size: long)))
    build.closures.append(Closure("opening", kind, join, (where.piece, "zip-end")))


def _through_the_waist(build: Build, join: str, kind: ClosureKind, where: EdgePart, reach: float) -> None:
    """A zip that runs past the waist seam: bodice and skirt have one centre seam for it."""
    below = f"skirt-{join}"
    other = next((j for j in build.joins if j.id == below), None)
    own = next(j for j in build.joins if j.id == join)
    long = build.description.features.opening.length or 400.0
    if other is None:
        build.closures.append(Closure("opening", kind, join))
        build.assumed["features.opening.length"] = "the zip runs to the end of its seam"
        return
    build.joins = [j for j in build.joins if j.id not in (join, below)]
    build.join(join, own.name, (*own.a, *other.a), (*own.b, *other.b))
    lower = other.a[0]
    build.mark(
        lower.piece,
        Mark("zip-end", MarkKind.ZIP_END, lower.edge, "start", build.each(lambda size: max(20.0, long - reach))),
    )
    build.closures.append(Closure("opening", kind, join, (lower.piece, "zip-end")))


def _edges(build: Build, half: Half) -> None:
    """An edge that is open from neck to hem: folded on itself, banded, faced or left to the lining; closed along it."""
    features = build.description.features
    opening = features.opening
    edges = tuple(half.centre)
    laps = opening.kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
    lined = features.lining is not None and features.lining.method.value == "bagged"
    placket = opening.placket
    if lined:
        build.along["front"] = ("front-edges",)
        _closing(build, half, "front-edges")
        return
    if placket is None:
        placket = Placket.FACING if FacedEdge.FRONT in features.facing or not laps else Placket.GROWN_ON
        build.assumed["features.opening.placket"] = placket.words
    match placket:
        case Placket.GROWN_ON:
            for p in edges:
                build.allow(p.piece, p.edge, 4 * EXTENSION)
            build.finish("front-edges", "Front edges", FinishKind.TURNED, edges, (2 * EXTENSION, 2 * EXTENSION))
            build.along["front"] = ("front-edges",)
            _closing(build, half, "front-edges")
        case Placket.BAND:
            _band(build, edges)
            _closing(build, half, "bands")
        case Placket.FACING:
            face(build, "opening", "front edges", edges)
            build.along["front"] = ("opening-facing",)
            _closing(build, half, "opening-facing")


def _band(build: Build, edges: tuple[EdgePart, ...]) -> None:
    def draw(size: Size) -> Edges:
        return band_draw(along(build, edges, size), 2 * FRONT_BAND, ("inner", "end", "front", "top"))

    build.piece("band", "Front band", draw, panel=Panel.BAND, count=2, pair=True)
    folded(build, "band", FRONT_BAND)
    build.interface("band", Interfaced.PLACKETS, Interfaced.FRONT)
    build.join("bands", "Front bands", edges, (part("band", "front"),), press=Press.BAND, each_hand=True)
    build.finish(
        "band-inside",
        "Inside of the bands",
        FinishKind.TURNED,
        (part("band", "inner"), part("band", "end"), part("band", "top")),
    )
    build.along["front"] = ("bands",)


def _closing(build: Build, half: Half, join: str) -> None:
    """The closure on an open edge, with its places."""
    opening = build.description.features.opening
    assert opening.kind is not None
    kinds = {
        OpeningKind.BUTTONS: ClosureKind.BUTTONS,
        OpeningKind.SNAPS: ClosureKind.SNAPS,
        OpeningKind.TIES: ClosureKind.TIES,
        OpeningKind.HOOK_AND_EYE: ClosureKind.HOOK_AND_EYE,
    }
    build.closures.append(Closure("opening", kinds.get(opening.kind, ClosureKind.BUTTONS), join))
    if opening.kind not in (OpeningKind.BUTTONS, OpeningKind.SNAPS):
        return
    count = opening.count or 6
    if opening.count is None:
        build.assumed["features.opening.count"] = f"{count} of them"
    banded = "band" in build.pieces
    where = part("band", "front") if banded else half.centre[-1]
    kind = PointKind.BUTTONHOLE if opening.kind is OpeningKind.BUTTONS else PointKind.BUTTON

    def at(size: Size, k: int) -> tuple[float, float]:
        chain = build.edge(where.piece, where.edge, size)
        low, high = sorted((chain[0].start[0], chain[-1].end[0]))
        x = low + 15.0 + k * (high - low - 120.0) / max(1, count - 1)
        return (x, FRONT_BAND * 1.5 if banded else 0.0)

    build.point(
        where.piece,
        *(
            InnerPoint(f"button-{k + 1}", kind, {size.name: at(size, k) for size in build.figures.sizes})
            for k in range(count)
        ),
    )


def _slit(build: Build, half: Half) -> None:
    """A slit or keyhole into the fold, faced."""
    long = build.description.features.opening.length or SLIT
    piece = half.neck[0].piece

    def draw(size: Size) -> Edges:
        top = build.edge(piece, "neck", size)[-1].end[0]
        return {
            "centre": straight((top, 0.0), (top + long + 40.0, 0.0)),
            "lower": straight((top + long + 40.0, 0.0), (top + long + 40.0, 40.0)),
            "outer": straight((top + long + 40.0, 40.0), (top, 40.0)),
            "top": straight((top, 40.0), (top, 0.0)),
        }

    build.piece("slit-facing", "Facing of the slit", draw, panel=Panel.OTHER, fold="centre")
    build.line(
        piece,
        LineKind.PLACEMENT,
        "slit",
        lambda size: ((x := build.edge(piece, "neck", size)[-1].end[0], 0.0), (x + long, 0.0)),
    )
    build.finish(
        "slit-facing-edge",
        "Edges of the slit's facing",
        FinishKind.NEATENED,
        (part("slit-facing", "lower"), part("slit-facing", "outer")),
    )
    build.finish("slit-facing-top", "Upper edge of the slit's facing", FinishKind.RAW, (part("slit-facing", "top"),))
    kind = build.description.features.opening.kind
    assert kind is not None
    build.details.append(
        Detail(
            "slit",
            f"{kind.words.capitalize()} at the neck",
            DetailKind.FACED_SLIT,
            pieces=("slit-facing",),
            on=(piece,),
        )
    )


def _left_open(build: Build, half: Half) -> None:
    """A centre seam left open below the neck, turned in along it and closed by hooks or ties."""
    opening = build.description.features.opening
    long = opening.length or 180.0
    where = half.centre[0]
    join = f"centre-{half.name}"
    build.mark(where.piece, Mark("slit-end", MarkKind.DOT, where.edge, "start", build.each(lambda size: long)))
    build.details.append(
        Detail("slit", "Opening below the neck", DetailKind.SLIT, along=(join,), to_mark=(where.piece, "slit-end"))
    )
    kind = ClosureKind.TIES if opening.kind is OpeningKind.TIES else ClosureKind.HOOK_AND_EYE
    build.closures.append(Closure("opening", kind, join))


# ---------------------------------------------------------------- collars


def _collar(build: Build, kind: CollarKind, parts: tuple[EdgePart, ...], front: Half, back: Half) -> None:
    match kind:
        case CollarKind.SHIRT:
            _shirt_collar(build, parts)
        case CollarKind.ONE_PIECE | CollarKind.STAND:
            _folded_collar(build, kind, parts)
        case CollarKind.FLAT:
            _flat_collar(build, parts)
        case CollarKind.NOTCHED | CollarKind.SHAWL:
            raise AssertionError("drafted with the front's lapel, or refused")


def _whole(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
    return tuple(part(p.piece, p.edge, hand) for hand in ("left", "right") for p in parts)


def _folded_collar(build: Build, kind: CollarKind, parts: tuple[EdgePart, ...]) -> None:
    """A straight collar or standing band folded on itself, sewn on like a band."""
    depth = STAND if kind is CollarKind.STAND else STAND + FALL

    def draw(size: Size) -> Edges:
        return band_draw(2 * along(build, parts, size), 2 * depth, ("inner", "far-end", "neck", "near-end"))

    build.piece("collar", "Collar", draw, panel=Panel.BAND, collar=True)
    folded(build, "collar", depth)
    build.interface("collar", Interfaced.COLLAR)
    build.join("neck", "Collar to neck", _whole(parts), (part("collar", "neck"),), press=Press.BAND)
    build.finish(
        "collar-inside",
        "Inside of the collar",
        FinishKind.TURNED,
        (part("collar", "inner"), part("collar", "far-end"), part("collar", "near-end")),
    )
    build.along |= {"neck": ("neck",), "collar": ("neck",)}


def layers_of(build: Build, names: tuple[str, str], words: tuple[str, str], draw: Draw, fold: str) -> None:
    """A collar or a stand and the same again for its under side."""
    upper, under = names
    build.piece(upper, words[0], draw, panel=Panel.BAND, fold=fold, collar=True)
    build.interface(upper, Interfaced.COLLAR)
    build.copy_of(under, upper, words[1], role=Role.MAIN)


def _flat_collar(build: Build, parts: tuple[EdgePart, ...]) -> None:
    """Upper and under collar turned round their edge, caught between the neck and its facing."""

    def draw(size: Size) -> Edges:
        long = along(build, parts, size)
        return {
            "fold": straight((0.0, 0.0), (FALL + 10.0, 0.0)),
            "outer": straight((FALL + 10.0, 0.0), (FALL + 10.0, long + 8.0)),
            "end": straight((FALL + 10.0, long + 8.0), (0.0, long)),
            "neck": straight((0.0, long), (0.0, 0.0)),
        }

    layers_of(build, ("collar", "under-collar"), ("Collar", "Under collar"), draw, "fold")
    build.join(
        "collar-edge",
        "Collar to under collar",
        (part("collar", "outer"), part("collar", "end")),
        (part("under-collar", "outer"), part("under-collar", "end")),
        press=Press.FACING,
    )
    build.join("collar-neck", "Collar to neck", parts, (part("under-collar", "neck"),), press=Press.DOWN)
    build.finish("collar-inside", "Neck edge of the upper collar", FinishKind.CAUGHT, (part("collar", "neck"),))
    face(build, "neck", "neck", parts)
    build.along["collar"] = ("collar-edge",)


def _shirt_collar(build: Build, parts: tuple[EdgePart, ...]) -> None:
    """A collar of two layers between an outer and an inner stand."""

    def neck(size: Size) -> float:
        return along(build, parts, size)

    def stand(size: Size) -> Edges:
        long = neck(size)
        end = (4.0, long)
        return {
            "centre": straight((0.0, 0.0), (STAND, 0.0)),
            "neck": straight((STAND, 0.0), (STAND, long)),
            "front": (curve((STAND, long), (-1.0, 0.0), (end[0], long - EXTENSION), (-0.4, -1.0), 0.4),),
            "upper": straight((end[0], long - EXTENSION), (0.0, 0.0)),
        }

    def collar(size: Size) -> Edges:
        long = chain_length(stand(size)["upper"])
        return {
            "centre": straight((0.0, 0.0), (FALL, 0.0)),
            "stand": straight((FALL, 0.0), (FALL, long)),
            "end": straight((FALL, long), (-12.0, long + 14.0)),
            "outer": straight((-12.0, long + 14.0), (0.0, 0.0)),
        }

    layers_of(build, ("collar", "under-collar"), ("Collar", "Under collar"), collar, "centre")
    layers_of(build, ("stand", "stand-inner"), ("Collar stand", "Inner collar stand"), stand, "centre")
    build.join(
        "collar-edge",
        "Collar to under collar",
        (part("collar", "end"), part("collar", "outer")),
        (part("under-collar", "end"), part("under-collar", "outer")),
    )
    build.join(
        "collar-stand", "Collar to stand", (part("collar", "stand"),), (part("stand", "upper"),), press=Press.DOWN
    )
    build.join(
        "under-stand",
        "Under collar to inner stand",
        (part("under-collar", "stand"),),
        (part("stand-inner", "upper"),),
        press=Press.DOWN,
    )
    build.join(
        "stand-ends", "Ends of the stand", (part("stand", "front"),), (part("stand-inner", "front"),), each_hand=True
    )
    build.join("neck", "Stand to neck", parts, (part("stand", "neck"),), press=Press.UP)
    build.finish("stand-inside", "Inside of the stand", FinishKind.TURNED, (part("stand-inner", "neck"),))
    build.along |= {"neck": ("neck",), "collar": ("collar-edge",)}
