"""What is put on and in: pockets, trims, elastic, boning, straps, belts, linings, underlining."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.body import Half
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import (
    Along,
    BeltKind,
    Boned,
    Elastic,
    ElasticPlace,
    Interfaced,
    LiningMethod,
    Pocket,
    PocketKind,
    PocketPlace,
    Trim,
    TrimKind,
)
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.figures import Size
from rowanseed.core.geometry.outline import bounds, flatten
from rowanseed.core.pattern.making import (
    Detail,
    DetailKind,
    EdgePart,
    FinishKind,
    Layer,
    LayerKind,
    Press,
)
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Panel, PointKind, Role

PATCH = (130.0, 150.0)
"""A patch pocket: wide, deep, in mm."""
CHEST = (110.0, 125.0)
MOUTH = 35.0
BAG = (160.0, 280.0)
WELT = (20.0, 130.0)


def pockets(build: Build) -> None:
    for k, pocket in enumerate(build.description.features.pockets):
        suffix = "" if k == 0 else f"-{k + 1}"
        match pocket.kind:
            case PocketKind.PATCH:
                _patch(build, pocket, f"pocket{suffix}")
            case PocketKind.FLAP:
                _patch(build, pocket, f"pocket{suffix}")
                _flap(build, pocket, f"flap{suffix}")
            case PocketKind.IN_SEAM:
                _bags(build, f"pocket-bag{suffix}")
            case PocketKind.WELT:
                _welt(build, pocket, f"welt{suffix}")
            case PocketKind.SLANT:
                raise AssertionError("refused before")


def _carrier(build: Build, pocket: Pocket) -> str:
    """The piece that a pocket is sewn on."""
    half = "back" if pocket.on is PocketPlace.BACK else "front"
    below = f"skirt-{half}"
    if pocket.on is not PocketPlace.CHEST and below in build.pieces:
        return below
    return half


def _place(build: Build, carrier: str, size: Size, share: tuple[float, float], wide: float) -> tuple[float, float]:
    """The upper corner nearest the centre: so far down and across the piece, and still upon it."""
    points = [p for chain in build.pieces[carrier].shapes[size.name].edges.values() for p in flatten(chain, 2.0)]
    x0, y0, x1, y1 = bounds(points)
    y0 = max(0.0, y0)
    return x0 + share[0] * (x1 - x0), min(y0 + share[1] * (y1 - y0), y1 - wide - 15.0)


def _share(build: Build, pocket: Pocket, carrier: str) -> tuple[float, float]:
    if pocket.on is PocketPlace.CHEST:
        return 0.3, 0.3
    bodice = build.description.garment.has_bodice and not carrier.startswith("skirt")
    return (0.62 if bodice else 0.16), 0.25


def _corners(build: Build, carrier: str, pocket: Pocket, wide: float, id: str) -> None:
    share = _share(build, pocket, carrier)
    at = {size.name: _place(build, carrier, size, share, wide) for size in build.figures.sizes}
    build.point(
        carrier,
        InnerPoint(f"{id}-inner", PointKind.POCKET, at),
        InnerPoint(f"{id}-outer", PointKind.POCKET, {s: (x, y + wide) for s, (x, y) in at.items()}),
    )


def _patch(build: Build, pocket: Pocket, id: str) -> None:
    wide, deep = CHEST if pocket.on is PocketPlace.CHEST else PATCH
    carrier = _carrier(build, pocket)
    build.piece(
        id,
        "Patch pocket" if pocket.on is not PocketPlace.CHEST else "Breast pocket",
        lambda size: band_draw(deep, wide, ("left", "bottom", "right", "top")),
        panel=Panel.OTHER,
        count=1 if pocket.on is PocketPlace.CHEST else 2,
        pair=pocket.on is not PocketPlace.CHEST,
        allowances={"top": MOUTH},
    )
    edges = ("left", "bottom", "right", "top")
    build.finish(f"{id}-edges", "Edges of the pocket", FinishKind.TURNED, (part(id, e) for e in edges))
    _corners(build, carrier, pocket, wide, id)


def _flap(build: Build, pocket: Pocket, id: str) -> None:
    wide = (CHEST if pocket.on is PocketPlace.CHEST else PATCH)[0] + 6.0
    edges = ("left", "lower", "right", "top")
    build.piece(id, "Pocket flap", lambda size: band_draw(50.0, wide, edges), panel=Panel.OTHER, count=2, pair=True)
    build.copy_of(f"{id}-facing", id, "Flap lining", role=Role.MAIN)
    round_ = edges[:3]
    build.join(
        f"{id}-edge",
        "Edge of the flap",
        (part(id, e) for e in round_),
        (part(f"{id}-facing", e) for e in round_),
        press=Press.FACING,
        each_hand=True,
    )
    both = (part(id, "top"), part(f"{id}-facing", "top"))
    build.finish(f"{id}-top", "Upper edge of the flap", FinishKind.CAUGHT, both)
    build.details.append(
        Detail(id, "Pocket flap", DetailKind.FLAP, pieces=(id, f"{id}-facing"), on=(_carrier(build, pocket),), count=2)
    )


def _side_join(build: Build) -> str:
    ids = [j.id for j in build.joins]
    wanted = ("skirt-sides", "sides", "outseams")
    return next(id for name in wanted for id in ids if id.startswith(name))


def _bags(build: Build, id: str) -> None:
    """Two bags a side, sewn into the side seam."""
    wide, long = BAG
    edges = ("lower", "round", "top", "opening")

    def draw(size: Size) -> Edges:
        corners = [(long, 0.0), (long, wide), (0.0, wide * 0.7), (0.0, 0.0)]
        return {
            "opening": straight((0.0, 0.0), corners[0]),
            "lower": straight(corners[0], corners[1]),
            "round": straight(corners[1], corners[2]),
            "top": straight(corners[2], (0.0, 0.0)),
        }

    build.piece(id, "Pocket bag", draw, panel=Panel.OTHER, count=4, pair=True)
    join = next(j for j in build.joins if j.id == _side_join(build))
    build.join(
        f"{id}-round",
        "Round of the pocket bags",
        tuple(part(id, e, "left") for e in ("lower", "round")),
        tuple(part(id, e, "right") for e in ("lower", "round")),
    )
    caught = (part(id, "opening"), part(id, "top"))
    build.finish(f"{id}-opening", "Open edges of the pocket bags", FinishKind.CAUGHT, caught)
    on = tuple(dict.fromkeys(p.piece for p in (*join.a, *join.b)))
    build.details.append(Detail(id, "In-seam pockets", DetailKind.IN_SEAM_POCKET, pieces=(id,), on=on, count=2))
    assert edges


def _welt(build: Build, pocket: Pocket, id: str) -> None:
    deep, wide = WELT
    carrier = _carrier(build, pocket)
    build.piece(
        id,
        "Pocket welt",
        lambda size: band_draw(2 * deep, wide, ("left", "bottom", "right", "top")),
        panel=Panel.OTHER,
        count=2,
        pair=True,
    )
    build.line(id, LineKind.FOLD, "fold", lambda size: ((deep, 0.0), (deep, wide)))
    build.interface(id, Interfaced.FRONT, Interfaced.FACINGS)
    bag = f"{id}-bag"
    build.piece(
        bag,
        "Bag of the welt pocket",
        lambda size: band_draw(150.0, wide + 30.0, ("left", "bottom", "right", "top")),
        panel=Panel.OTHER,
        count=4,
        pair=True,
    )
    edges = ("left", "bottom", "right", "top")
    build.finish(f"{id}-edges", "Edges of the welt", FinishKind.CAUGHT, (part(id, e) for e in edges))
    build.finish(f"{bag}-edges", "Edges of the bags", FinishKind.CAUGHT, (part(bag, e) for e in edges))
    build.details.append(
        Detail(id, "Welt pockets", DetailKind.WELT_POCKET, pieces=(id, bag), on=(carrier,), count=2, width=deep)
    )
    _corners(build, carrier, pocket, wide, id)


# ---------------------------------------------------------------- trims, elastic, boning


def trims(build: Build) -> None:
    for k, trim in enumerate(build.description.features.trim):
        if trim == Trim(TrimKind.RUFFLE, Along.HEM):
            continue
        along = build.along.get(trim.along.value, ())
        kind = DetailKind(trim.kind.value)
        id = f"{kind.value}-{trim.along.value}{'' if k == 0 else f'-{k + 1}'}"
        name = f"{trim.kind.words.capitalize()} along the {trim.along.words}"
        joins = {j.id for j in build.joins}
        if trim.kind is TrimKind.EMBROIDERY:
            on = next((p for p in ("front", "skirt-front") if p in build.pieces), "front")
            build.details.append(Detail(id, name, kind, on=(on,)))
            continue
        needs_seam = trim.kind in (TrimKind.PIPING, TrimKind.RUFFLE)
        if not along or (needs_seam and not set(along) <= joins):
            build.assumed[f"features.trim.{k}"] = f"no {trim.kind.words}: a seam is needed along the {trim.along.words}"
            continue
        pieces: tuple[str, ...] = ()
        if trim.kind is TrimKind.RUFFLE:
            _ruffle(build, f"{id}-strip", along[0])
            pieces = (f"{id}-strip",)
        build.details.append(Detail(id, name, kind, pieces=pieces, along=along))


def _ruffle(build: Build, id: str, along: str) -> None:
    join = next(j for j in build.joins if j.id == along)
    from rowanseed.core.compose.bands import along as length_along

    build.piece(
        id,
        "Ruffle",
        lambda size: band_draw(2 * length_along(build, join.a, size) * 2.0, 60.0, ("upper", "end", "lower", "start")),
        panel=Panel.OTHER,
        count=1,
        allowances={"lower": 12.0},
    )
    build.finish(f"{id}-upper", "Upper edge of the ruffle", FinishKind.CAUGHT, (part(id, "upper"),))
    ends = (part(id, "end"), part(id, "lower"), part(id, "start"))
    build.finish(f"{id}-hem", "Hem and ends of the ruffle", FinishKind.HEM, ends, (6.0, 6.0))


def elastics(build: Build) -> None:
    for k, one in enumerate(build.description.features.elastic):
        cased = _is_cased(build, one)
        if cased:
            continue
        on = {
            ElasticPlace.SLEEVE: "sleeve",
            ElasticPlace.BACK: "back",
            ElasticPlace.WAIST: "back",
            ElasticPlace.NECK: "front",
        }[one.where]
        if on in build.pieces:
            build.details.append(
                Detail(
                    f"elastic-{k + 1}",
                    f"Elastic at the {one.where.words}",
                    DetailKind.ELASTIC,
                    on=(on,),
                    width=one.width,
                )
            )


def _is_cased(build: Build, one: Elastic) -> bool:
    where = {ElasticPlace.WAIST: "waist", ElasticPlace.SLEEVE: "wrist", ElasticPlace.NECK: "neck"}.get(one.where)
    return any(f.id == where and f.kind is FinishKind.CASING for f in build.finishes)


def bones(build: Build, front: Half | None, back: Half | None) -> None:
    ids = {j.id for j in build.joins}
    wanted = {
        Boned.SIDE: ("sides",),
        Boned.PRINCESS: tuple(h.princess for h in (front, back) if h is not None and h.princess),
        Boned.CENTRE_BACK: ("centre-back",),
    }
    along = tuple(id for boned in build.description.features.boning for id in wanted[boned] if id in ids)
    if along:
        build.details.append(Detail("boning", "Boning", DetailKind.BONING, along=along))


# ---------------------------------------------------------------- straps, belts


def straps(build: Build) -> None:
    asked = build.description.features.straps
    if asked is None:
        return
    wide = asked.width
    build.piece(
        "strap",
        "Strap",
        lambda size: band_draw(420.0 * size.tall, 4 * wide, ("a", "lower", "b", "upper")),
        panel=Panel.OTHER,
        count=asked.count,
        allowances=dict.fromkeys(("a", "b"), 0.0),
    )
    long = (part("strap", "a"), part("strap", "b"))
    build.finish("strap-sides", "Long edges of the straps", FinishKind.TURNED, long)
    ends = (part("strap", "lower"), part("strap", "upper"))
    build.finish("strap-ends", "Ends of the straps", FinishKind.CAUGHT, ends)
    joins = {j.id for j in build.joins}
    neck = build.along.get("neck", ())
    along = neck if set(neck) <= joins else ()
    if not along:
        build.assumed["features.straps"] = "their ends are sewn to the inside of the edge: no seam catches them"
    build.details.append(
        Detail("straps", "Straps", DetailKind.STRAP, pieces=("strap",), along=along, count=asked.count, width=wide)
    )


def belt(build: Build) -> None:
    kind = build.description.features.belt
    if kind is None:
        return
    edges = ("a", "lower", "b", "upper")
    if kind is BeltKind.TIE:
        build.piece(
            "tie-belt",
            "Tie belt",
            lambda size: band_draw(size.body_waist / 2 + 500.0, 70.0, edges),
            panel=Panel.OTHER,
            count=2,
            pair=True,
        )
        build.join(
            "belt-seam", "Seam of the belt", (part("tie-belt", "upper", "left"),), (part("tie-belt", "upper", "right"),)
        )
        rest = (part("tie-belt", e) for e in ("a", "lower", "b"))
        build.finish("belt-edges", "Edges of the belt", FinishKind.TURNED, rest)
        build.details.append(Detail("belt", "Tie belt", DetailKind.TIE_BELT, pieces=("tie-belt",)))
        return
    build.piece(
        "back-belt",
        "Back belt",
        lambda size: band_draw((size.waist or size.bust) / 4 + 25.0, 40.0, edges),
        panel=Panel.OTHER,
        count=4,
    )
    build.finish("belt-edges", "Edges of the belt", FinishKind.TURNED, (part("back-belt", e) for e in edges))


# ---------------------------------------------------------------- layers


def layers(build: Build) -> None:
    """Underlining and interlining of the body's pieces; interfacing of fronts where it is asked for."""
    features = build.description.features
    shell = [p.id for p in build.pieces.values() if p.panel in (Panel.FRONT, Panel.BACK)]
    for id in shell:
        piece = build.pieces[id]
        main = piece.cuts[0]
        if main.role is not Role.MAIN:
            continue
        if features.underlining:
            build.change(id, cuts=(*piece.cuts, replace(main, role=Role.UNDERLINING)))
        if features.interlining:
            build.layers.append(Layer(LayerKind.INTERLINING, id, id))
    if Interfaced.FRONT in features.interfacing and "front" in build.pieces and "band" not in build.pieces:
        build.interface("front", Interfaced.FRONT)


def lining(build: Build, front: Half | None, back: Half | None) -> None:
    """A bagged lining of a body without collar and waist seam; any other is derived at the Cloth station."""
    asked = build.description.features.lining
    if asked is None:
        return
    if asked.method is not LiningMethod.BAGGED or front is None or back is None:
        build.assumed["features.lining"] = (
            "the lining is worked out from the garment's own pieces at the Cloth station: choose “lined” there"
        )
        return
    _bagged(build, front, back)


def _bagged(build: Build, front: Half, back: Half) -> None:
    shell = [p.id for p in build.pieces.values() if p.panel in (Panel.FRONT, Panel.BACK, Panel.SLEEVE)]
    for id in shell:
        build.copy_of(f"{id}-lining", id, f"{build.pieces[id].name} lining", role=Role.LINING)
        build.layer(LayerKind.LINING, f"{id}-lining", id)

    def inside(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
        return tuple(replace(p, piece=f"{p.piece}-lining") for p in parts)

    for join in list(build.joins):
        if all(p.piece in shell for p in (*join.a, *join.b)):
            build.joins.append(
                replace(
                    join,
                    id=f"lining-{join.id}",
                    name=f"{join.name} of the lining",
                    a=inside(join.a),
                    b=inside(join.b),
                )
            )
    for detail in list(build.details):
        if detail.kind is DetailKind.DOUBLE_DARTS and set(detail.on) <= set(shell):
            on = tuple(f"{id}-lining" for id in detail.on)
            build.details.append(replace(detail, id=f"lining-{detail.id}", name=f"{detail.name}, lining", on=on))
            for id in detail.on:
                dots = tuple(q for q in build.pieces[id].points if q.kind is PointKind.DOT)
                build.point(f"{id}-lining", *dots)
    hem = next((f for f in build.finishes if f.id == "hem"), None)
    edges: list[tuple[str, str, tuple[EdgePart, ...], bool]] = []
    neck = (*front.neck, *reversed(back.neck))
    opening = tuple(p for half in (front, back) for p in half.centre if p.edge == "opening")
    edges.append(("neck", "Lining to neck", neck, False))
    if opening:
        edges.append(("front-edges", "Lining to front edges", opening, True))
    if hem is not None:
        build.finishes.remove(hem)
        for p in hem.parts:
            for id in (p.piece, f"{p.piece}-lining"):
                build.allow(id, p.edge, build.seam)
        edges.append(("hem", "Lining to hem", hem.parts, False))
    if build.description.features.sleeve is None:
        edges.append(("armhole", "Lining to armholes", (*front.armhole, *reversed(back.armhole)), True))
    else:
        wrist = next((f for f in build.finishes if f.id == "wrist"), None)
        if wrist is not None and all(f"{p.piece}-lining" in build.pieces for p in wrist.parts):
            build.finishes.remove(wrist)
            for p in wrist.parts:
                for id in (p.piece, f"{p.piece}-lining"):
                    build.allow(id, p.edge, build.seam)
            edges.append(("wrist", "Lining to sleeve ends", wrist.parts, True))
    for id, name, parts, each in edges:
        build.join(id, name, parts, inside(parts), press=Press.FACING, each_hand=each)
        build.along[{"front-edges": "front"}.get(id, id)] = (id,)
