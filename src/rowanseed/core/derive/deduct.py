"""A lining less the facings: where it begins under each, and the seam that it shares with it (common practice).

A facing drawn on its piece gives the line exactly: the lining begins where the facing's stitching line to it runs. One
drawn apart, or with a dart folded out of it, gives a depth, by which the piece is trimmed.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

from shapely.geometry import LineString, Point

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.faced import facing_depth, facing_depths, inner_edges
from rowanseed.core.derive.shaping import Run, as_far_as, moved_in, neighbours, seam_runs
from rowanseed.core.pattern.making import EdgePart, Join, LayerKind, Press
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Derived, DerivedAs, Piece
from rowanseed.core.pattern.seamline import mark_distance

INNER = "inner"
TO_FACING = "lining-facing-"
"""How the ids of the seams between lining and facings begin."""
FACING_TO = "Facing to "
"""How the names of the seams of facings begin."""
ON_IT = 0.5
"""How near, in mm, an edge of a facing lies to that of the piece it is drawn on."""


@dataclass(frozen=True)
class Deducted:
    """A lined piece less its facings, by the stitching lines that are left of it.

    Edges that one facing covers one after the other become one, the inner edge: `kept` says by which name each edge
    with a facing goes on; `facings` which facing the lining is sewn to there.
    """

    runs: dict[str, Run]
    kept: Mapping[str, str]
    facings: Mapping[str, str]


def deducted(pattern: Pattern, size: str, lined: Sequence[Piece]) -> dict[str, Deducted]:
    """Every lined piece that a facing lies on, less it. The pattern's facings have their seam to the lining already."""
    inner, depths = inner_edges(pattern), facing_depths(pattern, size, tuple(lined))
    out = {}
    for piece in lined:
        runs = seam_runs(piece, size)
        kept: dict[str, str] = {}
        facings: dict[str, str] = {}
        for facing in _facings(pattern, piece):
            edge = inner.get(facing.id)
            covered = _covered(piece, runs, facing, size) if edge is not None and size in facing.shapes else ()
            if edge is None or not covered:
                continue
            name = covered[0] if len(covered) == 1 else INNER
            runs = _without(runs, covered, seam_runs(facing, size)[edge], name)
            kept |= dict.fromkeys(covered, name)
            facings[facing.id] = name
        by = {edge: deep for (id, edge), deep in depths.items() if id == piece.id and edge not in kept}
        # A facing in place of a hem has no lining sewn to it: that ends at the hem as it would without.
        folded = {
            edge: id
            for edge, id in _dart_folded_out(pattern, piece)
            if edge not in kept and edge not in by and id in inner
        }
        by |= {edge: facing_depth(pattern, size, EdgePart(id, edge)) for edge, id in folded.items()}
        if by:
            for edge, deep in by.items():
                ends = _ends(pattern, piece, edge, size) or (deep, deep)
                runs = moved_in(runs, edge, deep, ends=ends, taken=_taken_in(piece, size))
            kept |= {edge: edge for edge in by}
            facings |= {facing: edge for edge in by for facing in _sewn_to(pattern, piece.id, edge)}
            facings |= {id: edge for edge, id in folded.items()}
        if kept:
            out[piece.id] = Deducted(runs, kept, facings)
    return out


def _ends(pattern: Pattern, piece: Piece, edge: str, size: str) -> tuple[float, float] | None:
    """How far the ends of a piece's own facing reach along the edges before and after the faced one, in mm."""
    sewn = {*_sewn_to(pattern, piece.id, edge), *(id for one, id in _dart_folded_out(pattern, piece) if one == edge)}
    own = [facing for facing in _facings(pattern, piece) if facing.id in sewn]
    if len(own) != 1 or not own[0].has_edge(edge):
        return None
    runs = seam_runs(own[0], size)
    before, after = (LineString(runs[name]).length for name in neighbours(runs, edge))
    return before, after


def _dart_folded_out(pattern: Pattern, piece: Piece) -> Iterator[tuple[str, str]]:
    """(edge, facing) of facings that were drawn along an edge with its dart folded out: they do not lie on the piece,
    and a collar may come between the two."""
    darted = {dart.edge for dart in piece.darts}
    ends = _ends_of_facings(pattern)
    for facing in _facings(pattern, piece):
        yield from (
            (edge.name, facing.id)
            for edge in facing.edges
            if edge.name in darted and (facing.id, edge.name) not in ends
        )


def _ends_of_facings(pattern: Pattern) -> frozenset[tuple[str, str]]:
    """The edges by which facings are sewn to each other: they are as long as a facing is deep, no dart is in them."""
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    among = ((*j.a, *j.b) for j in pattern.making.joins if {p.piece for p in (*j.a, *j.b)} <= facings)
    return frozenset((part.piece, part.edge) for parts in among for part in parts)


def _taken_in(piece: Piece, size: str) -> dict[str, list[tuple[float, float]]]:
    """Edge → from where to where along it its darts, tucks and pleats take in."""
    out: dict[str, list[tuple[float, float]]] = {}
    for dart in piece.darts:
        a, b = sorted(mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs)
        out.setdefault(dart.edge, []).append((a, b))
    return out


def _facings(pattern: Pattern, piece: Piece) -> Iterator[Piece]:
    for layer in pattern.making.layers:
        if layer.kind is LayerKind.FACING and layer.of == piece.id and layer.piece != piece.id:
            yield pattern.piece(layer.piece)


def _sewn_to(pattern: Pattern, piece: str, edge: str) -> Iterator[str]:
    """The facing that is sewn to an edge."""
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    for join in pattern.making.joins:
        for one, other in ((join.a, join.b), (join.b, join.a)):
            if any((p.piece, p.edge) == (piece, edge) for p in one):
                yield from (p.piece for p in other if p.piece in facings)


def _covered(piece: Piece, runs: Mapping[str, Run], facing: Piece, size: str) -> tuple[str, ...]:
    """The edges that a facing drawn on the piece covers whole, in ring order; empty where it is drawn otherwise."""
    own = seam_runs(facing, size)
    names = [name for name in runs if name in own and _lies_on(runs[name], own[name])]
    if not names or any(dart.edge in names for dart in piece.darts):
        return ()
    order = list(runs)
    k = next((k for k, name in enumerate(order) if name in names and order[k - 1] not in names), None)
    if k is None:
        return ()
    chain = [order[(k + n) % len(order)] for n in range(len(names))]
    return tuple(chain) if set(chain) == set(names) else ()


def _lies_on(run: Run, other: Run) -> bool:
    line = LineString(other)
    return all(line.distance(Point(p)) <= ON_IT for p in run)


def _without(runs: Mapping[str, Run], covered: Sequence[str], inner: Run, name: str) -> dict[str, Run]:
    """The runs with the covered edges gone: their neighbours end where the facing's inner line meets them."""
    order = list(runs)
    before = order[order.index(covered[0]) - 1]
    after = order[(order.index(covered[-1]) + 1) % len(order)]
    line = list(reversed(inner))
    out = {}
    for edge, run in runs.items():
        if edge == covered[0]:
            out[name] = line
        elif edge not in covered:
            kept = as_far_as(run, line[0]) if edge == before else list(run)
            out[edge] = list(reversed(as_far_as(list(reversed(kept)), line[-1]))) if edge == after else kept
    return out


# ---------------------------------------------------------------- the seam between the two


def facing_seams(pattern: Pattern, taken: Mapping[str, Deducted]) -> tuple[Join, ...]:
    """The seams of the lining with the facings: one for each run of facings that are sewn to each other."""
    left = {facing for one in taken.values() for facing in one.facings}
    out: list[Join] = []
    for join in pattern.making.joins:
        parts = (*join.a, *join.b)
        found = list(dict.fromkeys(p.piece for p in parts if p.piece in left))
        shell = [p.piece for p in parts if p.piece in taken]
        if not found or not shell:
            continue
        run = _connected(pattern, found, left)
        out.append(_seam(pattern, taken, join.id, run, shell, each_hand=join.each_hand and set(run) == set(found)))
        left -= set(run)
    # What a collar comes between, and a sleeve without a lining parts from the rest.
    for facing in [facing for one in taken.values() for facing in one.facings if facing in left]:
        if facing in left:
            run = _connected(pattern, [facing], left)
            out.append(_seam(pattern, taken, facing, run, []))
            left -= set(run)
    return tuple(out) if len(out) == 1 else tuple(replace(seam, name=_called(pattern, seam)) for seam in out)


def _called(pattern: Pattern, seam: Join) -> str:
    """What one of several such seams is called: by the edges that its facing is sewn to, else by the facing."""
    of = next((j for j in pattern.making.joins if f"{TO_FACING}{j.id}" == seam.id), None)
    if of is None or not of.name.startswith(FACING_TO):
        return f"Lining to the {', '.join(lower_first(pattern.piece(p.piece).name) for p in seam.b)}"
    return f"Lining to the facing of the {of.name.removeprefix(FACING_TO).removeprefix('the ')}"


def _seam(
    pattern: Pattern,
    taken: Mapping[str, Deducted],
    id: str,
    run: Sequence[str],
    shell: Sequence[str],
    *,
    each_hand: bool = False,
) -> Join:
    """The lining's seam along a run of facings."""
    inner = inner_edges(pattern)
    on = dict.fromkeys((*shell, *(id for id, one in taken.items() if set(run) & set(one.facings))))
    edges = dict.fromkeys((id, edge) for id in on for facing, edge in taken[id].facings.items() if facing in run)
    return Join(
        id=f"{TO_FACING}{id}",
        name="Lining to the facing",
        a=tuple(EdgePart(Derived(DerivedAs.LINING, id).piece_id, edge) for id, edge in edges),
        b=tuple(EdgePart(id, inner[id]) for id in run),
        press=Press.DOWN,
        each_hand=each_hand,
    )


def _connected(pattern: Pattern, first: Sequence[str], known: Collection[str]) -> tuple[str, ...]:
    """These facings, and those that they are sewn to, one after the other."""
    run = list(first)
    for _ in known:
        for join in pattern.making.joins:
            pieces = {p.piece for p in (*join.a, *join.b)}
            if pieces <= set(known) and pieces & set(run):
                run += [id for id in sorted(pieces) if id not in run]
    return tuple(run)


def unfinished(pattern: Pattern, seams: Sequence[Join]) -> Pattern:
    """The pattern without the finishes of inner edges that the lining is sewn to; the booklet speaks of the seams."""
    sewn = {(p.piece, p.edge): join.id for join in seams for p in join.b}
    making = pattern.making
    instead = {f.id: sewn[p.piece, p.edge] for f in making.finishes for p in f.parts if (p.piece, p.edge) in sewn}
    return replace(
        pattern,
        making=replace(
            making,
            finishes=tuple(f for f in making.finishes if f.id not in instead),
            booklet=tuple(replace(s, about=tuple(instead.get(id, id) for id in s.about)) for s in making.booklet),
        ),
    )
