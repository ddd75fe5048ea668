"""All that is derived from the garment's pieces: lining, underlining, interfacing, the under collar.

Common practice, no source. What is derived follows the altered pieces, whatever was altered on them.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.choice import InterfacingSchool, Layers, LiningHem, Pleat
from rowanseed.core.derive.deduct import TO_FACING
from rowanseed.core.derive.ease_pleat import PLEAT_DEPTH
from rowanseed.core.derive.facing import can_be_faced, with_facings
from rowanseed.core.derive.lining import draws_lining, with_lining
from rowanseed.core.derive.lining_graph import FOLD_OF_EASE, shorter
from rowanseed.core.derive.plain_tiers import HEM
from rowanseed.core.derive.shaping import Run, derived, neighbours, seam_runs, trim
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.draped import fall
from rowanseed.core.pattern.making import STIFFEN, Layer, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import EASE_PLEAT, Cut, Derived, DerivedAs, LineKind, Panel, Piece, Role
from rowanseed.core.pattern.tiers import LOWER

UNDER_COLLAR = 3.0
"""How much an under collar is trimmed on its outer edges, so that the seam rolls under."""


def with_layers(pattern: Pattern, size: str, view: str, layers: Layers) -> Pattern:
    """The pattern with everything derived that was chosen; unchanged where nothing was."""
    if layers == Layers():
        return pattern
    faced = {finish.id for finish in can_be_faced(pattern, view)}.intersection(layers.faced)
    pattern = with_facings(pattern, size, faced, Role.MAIN)
    pattern = with_lining(pattern, size, view, layers)
    if layers.fused:
        pattern = _fused(pattern, view)
    if layers.underlined:
        pattern = _underlined(pattern, view)
    if layers.trim_under_collar:
        pattern = _under_collar(pattern, size)
    if layers.interfacing is InterfacingSchool.TRIMMED:
        pattern = _interfacing_trimmed(pattern, size)
    return pattern


# ---------------------------------------------------------------- underlining


def shell(pattern: Pattern, view: str) -> frozenset[str]:
    """The pieces that a second layer backs: fronts, backs and sleeves; where no piece is named as one, all of them.
    What falls in a cowl stays single."""
    main = [p for p, _ in pattern.pieces_for(Role.MAIN, view)]
    named = frozenset(p.id for p in main if p.panel in (Panel.FRONT, Panel.BACK, Panel.SLEEVE))
    return (named or frozenset(p.id for p in main)) - fall(p for p in main)


def _underlined(pattern: Pattern, view: str) -> Pattern:
    """Fronts, backs and sleeves cut once more from the underlining; the two layers then act as one."""
    has_one = {p.id for p, _ in pattern.pieces_for(Role.UNDERLINING, view)}
    backed = shell(pattern, view) - has_one
    pieces = tuple(
        replace(
            p,
            cuts=(*p.cuts, *(replace(c, role=Role.UNDERLINING, selvedge=None) for c in p.cuts if c.role is Role.MAIN)),
        )
        if p.id in backed
        else p
        for p in pattern.pieces
    )
    added = tuple(Layer(LayerKind.UNDERLINING, id, id) for id in sorted(backed))
    return replace(pattern, pieces=pieces, making=replace(pattern.making, layers=(*pattern.making.layers, *added)))


# ---------------------------------------------------------------- interfacing


def _fused(pattern: Pattern, view: str) -> Pattern:
    """Fronts, backs and sleeves stiffened all over: they are cut once more from the interfacing, and fused to it."""
    stiff = {p.id for p, _ in pattern.pieces_for(Role.INTERFACING, view)}
    fused = shell(pattern, view) - stiff
    pieces = tuple(
        replace(
            p,
            cuts=(*p.cuts, *(replace(c, role=Role.INTERFACING, selvedge=None) for c in p.cuts if c.role is Role.MAIN)),
        )
        if p.id in fused
        else p
        for p in pattern.pieces
    )
    ways = tuple((f"{STIFFEN}{id}", "fusing") for id in sorted(fused))
    return replace(pattern, pieces=pieces, making=replace(pattern.making, ways=(*pattern.making.ways, *ways)))


def _interfacing_trimmed(pattern: Pattern, size: str) -> Pattern:
    """Interfacing cut along the stitching line, so that no seam has it; a collar keeps it at its joining edge."""
    pieces: list[Piece] = []
    layers: list[Layer] = []
    number = max(piece.number for piece in pattern.pieces)
    for piece in pattern.pieces:
        cuts = tuple(cut for cut in piece.cuts if cut.role is Role.INTERFACING)
        if not cuts or size not in piece.shapes:
            pieces.append(piece)
            continue
        number += 1
        joining = _joining_edges(pattern, piece)
        trimmed = {e.name: (e.allowance if e.name in joining else 0.0) for e in piece.edges}
        own = derived(
            piece=piece,
            size=size,
            made=Derived(DerivedAs.INTERFACING, piece.id),
            name=f"{piece.name} interfacing",
            number=number,
            runs=seam_runs(piece, size),
            cuts=cuts,
            allowances=trimmed,
        )
        pieces += [
            replace(piece, cuts=tuple(c for c in piece.cuts if c.role is not Role.INTERFACING)),
            replace(own, panel=Panel.OTHER, darts=()),
        ]
        layers.append(Layer(LayerKind.INTERFACING, own.id, piece.id))
    return replace(
        pattern,
        pieces=tuple(pieces),
        making=replace(pattern.making, layers=(*pattern.making.layers, *layers)),
    )


def _joining_edges(pattern: Pattern, piece: Piece) -> frozenset[str]:
    """The edges where a collar joins its stand or the neck."""
    if not is_collar(piece):
        return frozenset()
    return frozenset(
        part.edge
        for join in pattern.making.joins
        for part, other in ((p, q) for one, two in ((join.a, join.b), (join.b, join.a)) for p in one for q in two)
        if part.piece == piece.id and not is_collar(pattern.piece(other.piece))
    )


# ---------------------------------------------------------------- the under collar


def is_collar(piece: Piece) -> bool:
    return piece.collar


def has_collar_alike(pattern: Pattern) -> bool:
    """Whether a collar is cut twice from one piece, so that the under collar is yet to be trimmed."""
    return any(_cut_twice(pattern, piece) for piece in pattern.pieces)


def _cut_twice(pattern: Pattern, piece: Piece) -> bool:
    """Whether both layers of a collar are cut from one piece; in halves it is cut twice too, for left and right, and
    one folded on itself is its own under side."""
    is_folded = any(line.kind is LineKind.FOLD for line in piece.lines)
    twice = is_collar(piece) and not is_folded and any(c.role is Role.MAIN and c.count == 2 for c in piece.cuts)
    return twice and not _has_under_collar(pattern, piece)


def _has_under_collar(pattern: Pattern, piece: Piece) -> bool:
    """Whether a collar is sewn, edge to like edge, to another collar: its other layer has a piece of its own."""
    pairs = ((p, q) for join in pattern.making.joins for p in join.a for q in join.b if p.edge == q.edge)
    return any(
        piece.id in (p.piece, q.piece) and p.piece != q.piece and all(is_collar(pattern.piece(r.piece)) for r in (p, q))
        for p, q in pairs
    )


def _under_collar(pattern: Pattern, size: str) -> Pattern:
    pieces: list[Piece] = []
    number = max(piece.number for piece in pattern.pieces)
    for piece in pattern.pieces:
        if not _cut_twice(pattern, piece):
            pieces.append(piece)
            continue
        joining, folds = _joining_edges(pattern, piece), {cut.fold for cut in piece.cuts if cut.fold}
        outer = [e.name for e in piece.edges if e.name not in joining and e.name not in folds]
        number += 1
        drawn = seam_runs(piece, size)
        runs = _tapered(drawn, trim(drawn, dict.fromkeys(outer, UNDER_COLLAR)), joining, outer)
        once = tuple(replace(c, count=1, pair=False) if c.role is Role.MAIN else c for c in piece.cuts)
        main: tuple[Cut, ...] = tuple(c for c in once if c.role is Role.MAIN)
        under = derived(
            piece=piece,
            size=size,
            made=Derived(DerivedAs.UNDER_COLLAR, piece.id),
            name=f"Under {lower_first(piece.name)}",
            number=number,
            runs=runs,
            cuts=main,
        )
        pieces += [replace(piece, cuts=once), under]
    return replace(pattern, pieces=tuple(pieces))


def _tapered(
    drawn: dict[str, Run], trimmed: dict[str, Run], joining: frozenset[str], outer: list[str]
) -> dict[str, Run]:
    """Trimmed edges that reach the joining edge, tapered to nothing there, so that it still fits its stand or neck."""
    names = list(drawn)
    out = {name: trimmed[name] if name in outer else drawn[name] for name in names}
    for k, name in enumerate(names):
        before, after = names[k - 1], names[(k + 1) % len(names)]
        if name not in outer or not {before, after} & joining:
            continue
        run = drawn[name] if before in joining else list(reversed(drawn[name]))
        corner = trimmed[name][-1] if before in joining else trimmed[name][0]
        shift = (corner[0] - run[-1][0], corner[1] - run[-1][1])
        last = len(run) - 1
        moved = [(x + shift[0] * i / last, y + shift[1] * i / last) for i, (x, y) in enumerate(run)]
        out[name] = moved if before in joining else list(reversed(moved))
    for k, name in enumerate(names):
        following = names[(k + 1) % len(names)]
        if out[name][-1] != out[following][0] and name not in outer and name not in joining:
            out[name] = [*out[name][:-1], out[following][0]]
        elif out[name][-1] != out[following][0] and following not in outer and following not in joining:
            out[following] = [out[name][-1], *out[following][1:]]
    return out


# ---------------------------------------------------------------- what was derived from what


@dataclass(frozen=True)
class Derivation:
    """A derived piece, the piece it comes from, and in words how."""

    piece: Piece
    of: Piece
    words: tuple[str, ...]


def derivations(before: Pattern, after: Pattern, layers: Layers, units: Units) -> tuple[Derivation, ...]:
    """Every piece that is new or changed, with what it was derived from."""
    old = {piece.id: piece for piece in before.pieces}
    out = []
    for piece in after.pieces:
        if piece.id in old:
            if piece.shapes != old[piece.id].shapes and draws_lining(before):
                out.append(Derivation(piece, old[piece.id], _pleat_and_pads(piece, layers, units)))
            continue
        base = old.get(piece.derived.of) if piece.derived is not None else None
        if base is not None:
            out.append(Derivation(piece, base, derived_words(after, piece, base, layers, units)))
    return tuple(out)


def derived_words(pattern: Pattern, piece: Piece, base: Piece, layers: Layers, units: Units) -> tuple[str, ...]:
    kind = piece.derived.kind if piece.derived is not None else None
    if kind is DerivedAs.INTERFACING:
        return (f"{base.name} without its allowances" + (", kept at the joining edge" if is_collar(base) else ""),)
    if piece.derived is not None and kind is DerivedAs.FACING:
        edges = next(iter(piece.shapes.values())).edges
        deep = min(chain_length(edges[beside]) for beside in neighbours(edges, piece.derived.edge))
        return (f"its own edge, {_fine(deep, units)} deep",)
    if kind is DerivedAs.UNDER_COLLAR:
        return (f"{base.name} − {_fine(UNDER_COLLAR, units)} on its outer edges",)
    said = ["the tiers in one straight length"] if base.has_edge(LOWER) and piece.has_edge(HEM) else []
    if any(join.id.startswith(TO_FACING) and piece.id in {p.piece for p in join.a} for join in pattern.making.joins):
        said.append("− facing + two seam allowances")
    if base.has_edge(HEM) or piece.has_edge(HEM):
        said.append(
            f"hem {_fine(shorter(pattern), units)} shorter, hanging free"
            if layers.hem is LiningHem.FREE
            else f"{_fine(FOLD_OF_EASE, units)} past the finished hem, for a fold of ease"
        )
    said += _pleat_and_pads(piece, layers, units)
    return tuple(said) or ("cut alike",)


def _pleat_and_pads(piece: Piece, layers: Layers, units: Units) -> tuple[str, ...]:
    said = []
    if any(line.id == EASE_PLEAT for line in piece.lines):
        where = "over the whole length" if layers.pleat is Pleat.FULL else "at the shoulders"
        said.append(
            f"+ {_fine(PLEAT_DEPTH, units)} at the centre back: a pleat of {_fine(2 * PLEAT_DEPTH, units)} {where}"
        )
    if layers.pad and (piece.has_edge("shoulder") or piece.has_edge("cap")):
        said.append(f"− {_fine(layers.pad, units)} at the shoulder for the pad")
    return tuple(said)


def _fine(mm: float, units: Units) -> str:
    return format_length(mm, units, fine=True)
