"""What saving cloth changes in the pattern: hems, facings, seams where a fold was, pieces from another cloth.

Pieces and making graph change together, so that lay, yardage, cutting list and making order follow.
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import replace

from rowanseed.core.alter.hem import change_length_at_hem, hem_edges
from rowanseed.core.base.errors import AlterationError
from rowanseed.core.derive.facing import with_facings
from rowanseed.core.pattern.making import EdgePart, FinishKind, Join, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Grain, Panel, Piece, Role
from rowanseed.core.saving.tactics import OTHER_CLOTH, PRICES, Tactic

SEAM_ADDED = 15.0
NARROW_HEM = 16.0
NARROW_FOLDS = (6.0, 10.0)
SHORTER = 30.0


def offered(pattern: Pattern, view: str, role: Role, *, one_way: bool, batch: bool = False) -> tuple[Tactic, ...]:
    """The tactics that can change anything for this cloth of this garment."""
    pieces = pattern.pieces_for(role, view)
    hemmed = {piece for piece, _ in hem_edges(pattern)}
    found = [Tactic.OPEN_OUT, Tactic.TWO_FOLDS, Tactic.SHARE_CUTS]
    if any(cut.fold for _, cut in pieces):
        found += [Tactic.PART_FOLD, Tactic.CENTRE_SEAM]
    if any(p.panel is Panel.BAND and cut.grain is Grain.LENGTHWISE for p, cut in pieces):
        found.append(Tactic.BANDS_ACROSS)
    if role is Role.MAIN:
        found += [tactic for tactic in OTHER_CLOTH if _in_other_cloth(pattern, view, tactic)]
    if any(p.id in hemmed for p, _ in pieces):
        found += [Tactic.NARROW_HEM, Tactic.FACED_HEM, Tactic.SHORTEN]
    if _pieced(pattern, role, view):
        found.append(Tactic.PIECED_FACING)
    if role is Role.MAIN and _to_selvedge(pattern, view) is not None:
        found.append(Tactic.FOLD_TO_SELVEDGE)
    if batch:
        found.append(Tactic.SMALLER_BATCH)
    if one_way:
        found.append(Tactic.TURN_PIECES)
    return tuple(sorted(found, key=lambda tactic: (PRICES[tactic].points, list(Tactic).index(tactic))))


def helps_where_too_wide(pattern: Pattern, view: str, role: Role, id: str) -> tuple[Tactic, ...]:
    """What may be done about a piece that is wider than the cloth: in two parts, across the grain, from another
    cloth."""
    piece = pattern.piece(id)
    cuts = [cut for p, cut in pattern.pieces_for(role, view) if p.id == id]
    found = []
    if any(cut.fold for cut in cuts):
        found.append(Tactic.PIECED_FACING if piece.panel is Panel.BAND else Tactic.CENTRE_SEAM)
    if role is Role.MAIN:
        found += [tactic for tactic in OTHER_CLOTH if id in _in_other_cloth(pattern, view, tactic)]
    return tuple(sorted(found, key=lambda tactic: PRICES[tactic].points))


# ---------------------------------------------------------------- what they change


def with_tactics(pattern: Pattern, tactics: tuple[Tactic, ...], size: str, view: str) -> Pattern:
    """The pattern with its pieces and making graph changed as the tactics ask, in every cloth that it is cut from."""
    return in_other_cloth(reshaped(pattern, tactics, size), tactics, view)


def in_other_cloth(pattern: Pattern, tactics: tuple[Tactic, ...], view: str) -> Pattern:
    """The pattern with the pieces that the tactics cut from the contrast cloth; its layers are derived before."""
    for tactic in tactics:
        pattern = moved_to_contrast(pattern, _in_other_cloth(pattern, view, tactic))
    return pattern


def reshaped(pattern: Pattern, tactics: tuple[Tactic, ...], size: str) -> Pattern:
    """The pattern with the tactics that change pieces and seams."""
    # Shortened first: facings are then cut from the shorter pieces.
    for tactic in sorted(tactics, key=lambda tactic: tactic is not Tactic.SHORTEN):
        match tactic:
            case Tactic.NARROW_HEM:
                pattern = _with_narrow_hem(pattern)
            case Tactic.FACED_HEM:
                pattern = with_facings(pattern, size, _hems(pattern), Role.CONTRAST)
            case Tactic.CENTRE_SEAM:
                pattern = _with_centre_seams(pattern)
            case Tactic.FOLD_TO_SELVEDGE:
                pattern = _with_back_to_selvedge(pattern)
            case Tactic.PIECED_FACING:
                pattern = _with_pieced_facings(pattern)
            case Tactic.BANDS_ACROSS:
                pattern = _bands_across(pattern)
            case Tactic.SHORTEN:
                try:
                    pattern = change_length_at_hem(pattern, size, -SHORTER)
                except AlterationError:
                    continue
            case _:
                continue
    return pattern


def _hems(pattern: Pattern) -> frozenset[str]:
    """Ids of the hems of fronts and backs."""
    return frozenset(
        f.id
        for f in pattern.making.finishes
        if f.kind is FinishKind.HEM and all(pattern.piece(p.piece).panel in (Panel.FRONT, Panel.BACK) for p in f.parts)
    )


def _with_narrow_hem(pattern: Pattern) -> Pattern:
    edges = set(hem_edges(pattern))
    pieces = tuple(
        replace(
            p,
            edges=tuple(
                replace(e, allowance=min(e.allowance, NARROW_HEM))
                if (p.id, e.name) in edges and p.panel in (Panel.FRONT, Panel.BACK)
                else e
                for e in p.edges
            ),
        )
        for p in pattern.pieces
    )
    hems = _hems(pattern)
    finishes = tuple(replace(f, folds=NARROW_FOLDS) if f.id in hems else f for f in pattern.making.finishes)
    return replace(pattern, pieces=pieces, making=replace(pattern.making, finishes=finishes))


def _with_centre_seams(pattern: Pattern) -> Pattern:
    """Pieces on the fold cut twice with a seam there; the seam joins the making graph."""
    return _cut_apart(
        pattern, {p.id for p in pattern.pieces if _main_fold(p) and p.panel in (Panel.FRONT, Panel.BACK, Panel.OTHER)}
    )


def _main_fold(piece: Piece) -> str | None:
    return next((cut.fold for cut in piece.cuts if cut.fold and cut.role is Role.MAIN), None)


def _pieced(pattern: Pattern, role: Role, view: str) -> set[str]:
    """Facings and bands that lie on the fold, where a seam is out of sight."""
    return {p.id for p, cut in pattern.pieces_for(role, view) if cut.fold and p.panel is Panel.BAND}


def _with_pieced_facings(pattern: Pattern) -> Pattern:
    return _cut_apart(pattern, {p.id for p in pattern.pieces if _main_fold(p) and p.panel is Panel.BAND})


def _to_selvedge(pattern: Pattern, view: str) -> str | None:
    """The back that may be cut against the selvedges while a front stays on the fold."""
    folded = [p for p, cut in pattern.pieces_for(Role.MAIN, view) if cut.fold]
    if not any(p.panel is Panel.FRONT for p in folded):
        return None
    return next((p.id for p in folded if p.panel is Panel.BACK), None)


def _with_back_to_selvedge(pattern: Pattern) -> Pattern:
    back = next((p for p in pattern.pieces if p.panel is Panel.BACK and _main_fold(p)), None)
    return pattern if back is None else _cut_apart(pattern, {back.id}, selvedge=True)


def _cut_apart(pattern: Pattern, ids: set[str], *, selvedge: bool = False) -> Pattern:
    """Pieces on the fold cut twice with a seam there, which joins the making graph; `selvedge`: along it."""
    pieces, joins = [], list(pattern.making.joins)
    for piece in pattern.pieces:
        folds: set[str | None] = {cut.fold for cut in piece.cuts if cut.fold and cut.role is Role.MAIN}
        if piece.id not in ids or not folds:
            pieces.append(piece)
            continue
        edges = tuple(replace(e, allowance=SEAM_ADDED) if e.name in folds else e for e in piece.edges)
        cuts = tuple(_cut_double(cut, folds, selvedge=selvedge) for cut in piece.cuts)
        pieces.append(replace(piece, edges=edges, cuts=cuts))
        for edge in sorted(f for f in folds if f):
            name = f"Centre seam, {piece.name[:1].lower()}{piece.name[1:]}"
            one, other = EdgePart(piece.id, edge, "left"), EdgePart(piece.id, edge, "right")
            joins.append(Join(id=f"centre-{piece.id}", name=name, a=(one,), b=(other,)))
    return replace(pattern, pieces=tuple(pieces), making=replace(pattern.making, joins=tuple(joins)))


def _cut_double(cut: Cut, folds: set[str | None], *, selvedge: bool) -> Cut:
    if cut.fold not in folds:
        return cut
    along = cut.fold if selvedge and cut.role is Role.MAIN else None
    return replace(cut, fold=None, count=cut.count * 2, pair=True, selvedge=along)


def _bands_across(pattern: Pattern) -> Pattern:
    pieces = tuple(
        replace(
            p,
            cuts=tuple(
                replace(c, grain=Grain.EITHER) if c.grain is Grain.LENGTHWISE and not c.fold else c for c in p.cuts
            ),
        )
        if p.panel is Panel.BAND
        else p
        for p in pattern.pieces
    )
    return replace(pattern, pieces=pieces)


def _in_other_cloth(pattern: Pattern, view: str, tactic: Tactic) -> frozenset[str]:
    """The pieces of the main cloth that a tactic cuts from the contrast cloth; nothing if little would be left of
    it."""
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    main = [p for p, _ in pattern.pieces_for(Role.MAIN, view)]
    match tactic:
        case Tactic.OTHER_FACING:
            found = {p.id for p in main if p.id in facings}
        case Tactic.OTHER_BANDS:
            found = {p.id for p in main if p.panel is Panel.BAND and p.id not in facings}
        case Tactic.OTHER_SLEEVES:
            found = {p.id for p in main if p.panel is Panel.SLEEVE}
        case Tactic.OTHER_BACK:
            # A body's back; half a skirt of another cloth is another skirt.
            found = {p.id for p in main if p.panel is Panel.BACK and any(q.has_edge("neck") for q in main)}
        case _:
            found = set()
    return frozenset(found) if len(found) < len(main) else frozenset()


def moved_to_contrast(pattern: Pattern, moved: Collection[str]) -> Pattern:
    """Pieces of the main cloth cut from the contrast cloth instead."""
    if not moved:
        return pattern
    pieces = tuple(
        replace(p, cuts=tuple(replace(c, role=Role.CONTRAST) if c.role is Role.MAIN else c for c in p.cuts))
        if p.id in moved
        else p
        for p in pattern.pieces
    )
    return replace(pattern, pieces=pieces)
