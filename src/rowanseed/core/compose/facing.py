"""Shaped facings: a strip along an edge of several pieces, joined as they are, sewn to the edge and turned inside."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import replace
from functools import lru_cache

from rowanseed.core.base.same import Same
from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.facing_drawn import along_both, along_one, beside_of, has_dart
from rowanseed.core.compose.laps import EXTENSION, column, extension
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Interfaced, NeckShape, Where
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import DetailKind, EdgePart, FinishKind, Join, LayerKind, Press
from rowanseed.core.pattern.pieces import Panel, Piece, Role
from rowanseed.core.pattern.seamline import mark_distance

FACING, ARMHOLE_FACING, AT_OPENING = 55.0, 35.0, 70.0
"""How deep facings are, in mm: those of armholes less, those of an edge that buttons as deep again behind its lap."""
IN_FOLDS = 80.0
"""That of an edge that falls in folds is so deep, in mm, that it does not turn out, and is never interfaced (common
practice, no source)."""
USUAL = {"armhole": ARMHOLE_FACING, "opening": AT_OPENING}
LEAST, CLEAR = 25.0, 5.0
"""A facing ends so far, in mm, before a dart or a pleat of the edge beside it, if that leaves it so much."""
ALONG_OPENING = "opening-facing"
"""The seam of a facing to the edges of an opening."""
INNER_EDGES = "Inner edges of the facings"
ENOUGH = 0.75
"""A facing ends in the first segment of the edge beside it that leaves it this share of its depth."""


def face(build: Build, id: str, words: str, parts: Iterable[EdgePart], neck: Iterable[EdgePart] = ()) -> None:
    """Facings of an edge of several pieces, joined to each other where the pieces are, and sewn to the edge.

    A piece that has its part of the `neck`, too, gets one facing for both edges, and the neck's own facing goes on
    from it.
    """
    parts, neck = tuple(parts), tuple(neck)
    deep, at_neck = _deep(build, parts), _deep(build, neck)
    made, new = dict[str, str](), list[str]()
    for p in parts:
        known = build.faced.get((p.piece, p.edge))
        if known is None:
            known = f"{p.piece}-{id}-facing"
            beside = next((q for q in neck if q.piece == p.piece and not has_dart(build.pieces[q.piece], q.edge)), None)
            if beside is None:
                facing_of(build, known, p, deep)
            else:
                _facing_of_both(build, known, p, beside, deep, at_neck)
                build.faced[beside.piece, beside.edge] = known
            build.layer(LayerKind.FACING, known, p.piece)
            new.append(known)
        made[p.piece] = known
    _facing_seams(build, id, made)
    faced = tuple(part(made[p.piece], p.edge) for p in parts)
    inner = tuple(part(facing, "inner") for facing in new)
    if len(new) < len(made):
        _in_one(build, words, parts, faced, inner)
        build.along[id] = (ALONG_OPENING,)
    else:
        build.join(f"{id}-facing", f"Facing to {words}", parts, faced, press=Press.FACING, each_hand=id == "armhole")
        inside = f"Inner edge of the {lower_first(_called(build, id))} facing"
        build.finish(f"{id}-facing-edge", inside, FinishKind.NEATENED, inner)
        build.along[id] = (f"{id}-facing",)
    _facing_ends(build, id, new)


def face_with_copies(build: Build, id: str, words: str, parts: Iterable[EdgePart]) -> None:
    """An edge of several pieces faced with the same pieces again: each covers the inside of its own, down to the edge
    across from the faced one, which covers the seam there."""
    parts = tuple(parts)
    made = {p.piece: f"{p.piece}-{id}-facing" for p in parts}
    inner = []
    for p in parts:
        base, facing = build.pieces[p.piece], made[p.piece]
        build.copy_of(facing, p.piece, f"{base.name} facing", role=Role.MAIN, panel=Panel.BAND)
        build.change(facing, marks=())
        build.interface(facing, Interfaced.FACINGS)
        build.layer(LayerKind.FACING, facing, p.piece)
        inner.append(part(facing, _across_from(base, p.edge)))
    _facing_seams(build, id, made)
    faced = tuple(part(made[p.piece], p.edge) for p in parts)
    build.join(f"{id}-facing", f"Facing to {words}", parts, faced, press=Press.FACING)
    inside = f"Inner edge of the {lower_first(_called(build, id))} facing"
    build.finish(f"{id}-facing-edge", inside, FinishKind.NEATENED, inner)
    build.along[id] = (f"{id}-facing",)
    _facing_ends(build, id, made.values())


def _across_from(piece: Piece, edge: str) -> str:
    """The edge across from one, of a piece with four."""
    names = [one.name for one in piece.edges]
    return names[(names.index(edge) + 2) % len(names)]


def _called(build: Build, id: str) -> str:
    """What a facing is called by what it faces."""
    if id == "neck" and build.description.is_without_shoulders:
        return "Upper"
    return f"{_opened(build)} edge" if id == "opening" else id.capitalize()


def _opened(build: Build) -> str:
    return "Back" if build.description.features.opening.where is Where.BACK else "Front"


def _in_one(
    build: Build, words: str, parts: tuple[EdgePart, ...], faced: tuple[EdgePart, ...], inner: tuple[EdgePart, ...]
) -> None:
    """The neck goes on from the edge that opens: one seam from the hem up and round, and one inner edge."""
    last = parts[-1].piece in {piece for piece, _ in build.faced}
    above, facings = (parts, faced) if last else (parts[::-1], faced[::-1])
    build.joins = [
        replace(join, name=f"{join.name} and {words}", a=(*above, *join.a), b=(*facings, *join.b))
        if join.id == ALONG_OPENING
        else join
        for join in build.joins
    ]
    build.finishes = [
        replace(finish, name=INNER_EDGES, parts=(*finish.parts, *inner))
        if finish.id == f"{ALONG_OPENING}-edge"
        else finish
        for finish in build.finishes
    ]


def _deep(build: Build, parts: tuple[EdgePart, ...]) -> dict[str, float]:
    """One depth for all of a facing, so that its ends meet."""
    return build.each(lambda size: min((facing_depth(build, p, size) for p in parts), default=0.0))


def facing_depth(build: Build, p: EdgePart, size: Size) -> float:
    """How deep a facing can be on a piece, in mm."""
    before, after = beside_of(build.pieces[p.piece], p.edge)
    piece = build.pieces[p.piece]
    usual = IN_FOLDS if _falls(build, p) else USUAL.get(p.edge, FACING)
    if p.edge == "opening":
        # As deep again behind a wide lap, and behind a second column of buttons.
        usual += extension(build.description) - EXTENSION + column(build.description)
    deep = usual
    if p.edge == "armhole":
        whole = sum(
            chain_length(one.shapes[size.name].edges["armhole"])
            for one in build.pieces.values()
            if one.panel is piece.panel and one.has_edge("armhole")
        )
        deep = min(usual, 0.12 * whole + 8.0)
    ends = (_reaches(Same(piece), edge, usual, from_end=edge == before)[size.name] for edge in (before, after))
    return min(deep, *ends)


@lru_cache(maxsize=256)
def _reaches(piece: Same[Piece], edge: str, deep: float, *, from_end: bool) -> dict[str, float]:
    """Size → how far a facing's end may run along the edge beside it: into the same of its segments in every size, and
    not into what a dart or a pleat takes in there."""
    every: dict[str, list[float]] = {}
    for size, shape in piece.it.shapes.items():
        chain = shape.edges[edge]
        every[size] = [chain_length((s,)) for s in (reversed(chain) if from_end else chain)]
    before = min(_before_darts(piece.it, edge, size, from_end=from_end) for size in every) - CLEAR
    if before >= LEAST:
        deep = min(deep, before)
    count = len(next(iter(every.values())))
    k = next((k for k in range(count) if all(sum(one[: k + 1]) >= deep * ENOUGH for one in every.values())), 0)
    return {size: min(deep, sum(own[:k]) + 0.8 * own[k]) for size, own in every.items()}


def _before_darts(piece: Piece, edge: str, size: str, *, from_end: bool) -> float:
    """How far along an edge its first dart, tuck or pleat begins, in mm."""
    legs = [
        mark_distance(piece, size, piece.mark(leg)) for dart in piece.darts if dart.edge == edge for leg in dart.legs
    ]
    whole = chain_length(piece.shapes[size].edges[edge])
    return min((whole - at if from_end else at for at in legs), default=math.inf)


def _facing_of_both(
    build: Build, facing: str, p: EdgePart, neck: EdgePart, deep: Mapping[str, float], at_neck: Mapping[str, float]
) -> None:
    """The facing of an edge that opens and of the edge above it in one."""
    base = build.pieces[p.piece]

    def draw(size: Size) -> Edges:
        return along_both(base, p.edge, neck.edge, size.name, deep[size.name], at_neck[size.name])

    build.piece(
        facing,
        f"{base.name} facing",
        draw,
        panel=Panel.BAND,
        count=2,
        pair=True,
        allowances={"inner": 0.0},
        drawn_on=base.frame,
    )
    build.interface(facing, Interfaced.FACINGS)


def _falls(build: Build, p: EdgePart) -> bool:
    """Whether an edge falls in folds: the neck of a front that is draped."""
    draped = build.description.features.neck.shape is NeckShape.COWL
    return draped and p.edge == "neck" and build.pieces[p.piece].panel is Panel.FRONT


def facing_of(build: Build, facing: str, p: EdgePart, deep: Mapping[str, float]) -> None:
    """The strip along an edge of a piece, its ends along the neighbouring edges."""
    base = build.pieces[p.piece]
    fold = base.cuts[0].fold if base.cuts[0].fold in beside_of(base, p.edge) else None
    build.piece(
        facing,
        f"{base.name} facing" if p.edge == "opening" else f"{base.name}, {lower_first(_called(build, p.edge))} facing",
        lambda size: along_one(base, p.edge, size.name, deep[size.name]),
        panel=Panel.BAND,
        count=1 if fold else 2,
        pair=fold is None,
        fold=fold,
        allowances={"inner": 0.0},
        drawn_on="" if has_dart(base, p.edge) else base.frame,
    )
    if not _falls(build, p):
        build.interface(facing, Interfaced.FACINGS)


def _facing_seams(build: Build, id: str, made: dict[str, str]) -> None:
    """Facings are joined as the pieces they lie on."""
    for join in list(build.joins):
        ends = [p for p in (*join.a, *join.b) if p.piece in made and build.pieces[made[p.piece]].has_edge(p.edge)]
        a = tuple(p for p in join.a if p in ends)
        b = tuple(p for p in join.b if p in ends)
        if a and b:
            build.join(
                f"{id}-{join.id}-facing",
                f"{_called(build, id)} facing, {lower_first(join.name)}",
                (part(made[p.piece], p.edge, p.hand) for p in a),
                (part(made[p.piece], p.edge, p.hand) for p in b),
                each_hand=join.each_hand,
            )


def leave_open(build: Build) -> None:
    """Facings are not sewn together where a zip opens the seam beneath, or it is left open: their ends are turned."""
    zips = [(c.join, c.to_mark, "zip") for c in build.closures if c.to_mark is not None and c.from_mark is None]
    slits = (d for d in build.details if d.kind is DetailKind.SLIT and len(d.along) == 1)
    left = [(d.along[0], d.to_mark, "opening") for d in slits]
    for seam, to_mark, what in (*zips, *left):
        join = next((j for j in build.joins if j.id == seam), None)
        if join is None or to_mark is None:
            continue
        faced = _opens_on(build, join, to_mark)
        gone = [j for j in build.joins if j.id == f"{faced}-{join.id}-facing"]
        for own in gone:
            build.joins.remove(own)
            parts = dict.fromkeys(part(p.piece, p.edge, p.hand) for p in (*own.a, *own.b))
            build.finish(f"{own.id}-ends", f"Ends of the facing at the {what}", FinishKind.RAW, parts)


def _opens_on(build: Build, join: Join, to_mark: tuple[str, str]) -> str:
    """The edge that a seam runs out on where it is open.

    On one piece that is beside the end its mark is measured from; a seam over several is open from the farthest one.
    """
    side = next((one for one in (join.a, join.b) if any(p.piece == to_mark[0] for p in one)), join.a)
    mark = build.pieces[to_mark[0]].mark(to_mark[1])
    k = next((k for k, p in enumerate(side) if p.piece == to_mark[0]), 0)
    far = side[0] if k else side[-1]
    names = [e.name for e in build.pieces[far.piece].edges]
    own = names.index(far.edge)
    return names[(own + 1) % len(names)] if mark.anchor == "end" else names[own - 1]


def _facing_ends(build: Build, id: str, made: Iterable[str]) -> None:
    """Ends of a facing that meet no other: closed with a hem, caught beneath a band, turned in at an opening."""
    sewn = {(p.piece, p.edge) for j in build.joins for p in (*j.a, *j.b)}
    done = {(p.piece, p.edge) for f in build.finishes for p in f.parts}
    left: list[EdgePart] = []
    low: list[EdgePart] = []
    for facing in made:
        piece = build.pieces[facing]
        own = {id, "inner", *(cut.fold for cut in piece.cuts)}
        if facing in build.faced.values():
            own |= {"neck", "shoulder"}
        for e in piece.edges:
            if (facing, e.name) not in sewn | done and e.name not in own:
                at_hem = e.name == "hem" and not build.description.ends_in_band
                (low if at_hem else left).append(part(facing, e.name))
    build.finish(f"{id}-facing-ends", f"Ends of the {lower_first(_called(build, id))} facing", FinishKind.RAW, left)
    build.finish(f"{id}-facing-hems", "Lower ends of the facings", FinishKind.TURNED, low)
