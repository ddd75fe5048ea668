"""When the cloth is short: what can be done, what it costs in looks and work, and how it changes pieces and lay.

All are common practice, no source. A tactic changes the pattern (and so the making order), or only how it is
laid; each is judged by an actual lay, never by a rule of thumb.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from enum import Enum

from rowanseed.core.alter.hem import change_length_at_hem, hem_edges
from rowanseed.core.derive.facing import with_hem_facings
from rowanseed.core.errors import AlterationError
from rowanseed.core.lay.problem import LayKind, Problem
from rowanseed.core.pattern import (
    Cut,
    EdgePart,
    Finish,
    FinishKind,
    Grain,
    Join,
    LayerKind,
    Panel,
    Pattern,
    Piece,
    Role,
)

SEAM_ADDED = 15.0
NARROW_HEM = 16.0
FACED_HEM = 10.0
SHORTER = 30.0


class Tactic(Enum):
    """The tactics, the cheapest in looks and work first."""

    OPEN_OUT = "lay it open, one layer"
    PART_FOLD = "fold only as deep as the widest fold piece"
    TWO_FOLDS = "fold both edges to the middle"
    SHARE_CUTS = "let neighbours share one cutting line"
    BANDS_ACROSS = "cut bands across the grain"
    NARROW_HEM = "a narrower hem"
    OTHER_FACING = "facings from another cloth"
    PIECED_FACING = "piece facings and bands that lie on the fold"
    FACED_HEM = "face the hem instead of turning it up"
    FOLD_TO_SELVEDGE = "cut the back against the selvedges, with a seam, the front on the fold"
    CENTRE_SEAM = "a seam where a piece lay on the fold"
    TURN_PIECES = "turn pieces end for end"
    SHORTEN = "shorten it by 3 cm"
    SMALLER_BATCH = "one garment fewer"


LOOSENS = frozenset({Tactic.SHARE_CUTS, Tactic.BANDS_ACROSS, Tactic.NARROW_HEM, Tactic.OTHER_FACING, Tactic.FACED_HEM,
                     Tactic.TURN_PIECES, Tactic.SHORTEN, Tactic.SMALLER_BATCH})  # fmt: skip
"""Tactics that only make pieces smaller or freer: whatever was laid without them can be laid with them."""


@dataclass(frozen=True)
class Price:
    """What a tactic costs: `points` to rank by, and in words, its looks and its work."""

    points: int
    looks: str
    work: str


PRICES: dict[Tactic, Price] = {
    Tactic.OPEN_OUT: Price(1, "none", "every piece is cut by itself; mind left and right"),
    Tactic.PART_FOLD: Price(1, "none", "the fold is measured along its whole length"),
    Tactic.TWO_FOLDS: Price(1, "none", "both folds are measured along their whole length"),
    Tactic.SHARE_CUTS: Price(2, "none", "no room for a slip of the shears between pieces"),
    Tactic.BANDS_ACROSS: Price(3, "the print or nap runs the other way on bands, and they stretch a little", "interface them well"),
    Tactic.NARROW_HEM: Price(3, "the hem hangs lighter", "less to let down later"),
    Tactic.OTHER_FACING: Price(4, "another cloth shows when it hangs open", "another cloth is needed, of the same weight or lighter"),
    Tactic.FACED_HEM: Price(5, "none from the right side", "facings from other cloth, sewn on, turned and caught: about half an hour"),
    Tactic.PIECED_FACING: Price(4, "a seam inside, where nobody sees it", "a short seam to press open in each facing"),
    Tactic.FOLD_TO_SELVEDGE: Price(5, "a seam shows down the back", "one more seam; its edges are the selvedges and need no neatening"),
    Tactic.CENTRE_SEAM: Price(6, "a seam shows down the middle", "one more seam to sew, neaten and press"),
    Tactic.TURN_PIECES: Price(8, "nap shades differently, a print stands on its head on some pieces", "look at it hung up before you cut"),
    Tactic.SHORTEN: Price(8, "the garment is shorter", "none"),
    Tactic.SMALLER_BATCH: Price(9, "one goes without", "one garment less to sew"),
}  # fmt: skip


def offered(pattern: Pattern, view: str, role: Role, *, one_way: bool, batch: bool = False) -> tuple[Tactic, ...]:
    """The tactics that can change anything for this cloth of this garment."""
    pieces = pattern.pieces_for(role, view)
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    hemmed = {piece for piece, _ in hem_edges(pattern)}
    found = [Tactic.OPEN_OUT, Tactic.TWO_FOLDS, Tactic.SHARE_CUTS]
    if any(cut.fold for _, cut in pieces):
        found += [Tactic.PART_FOLD, Tactic.CENTRE_SEAM]
    if any(p.panel is Panel.BAND and cut.grain is Grain.LENGTHWISE for p, cut in pieces):
        found.append(Tactic.BANDS_ACROSS)
    if role is Role.MAIN and any(p.id in facings for p, _ in pieces):
        found.append(Tactic.OTHER_FACING)
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


def clash(one: Tactic, other: Tactic) -> bool:
    """Whether two tactics are two answers to the same question."""
    folds = {Tactic.OPEN_OUT, Tactic.PART_FOLD, Tactic.TWO_FOLDS}
    hems = {Tactic.NARROW_HEM, Tactic.FACED_HEM}
    seams = {Tactic.CENTRE_SEAM, Tactic.FOLD_TO_SELVEDGE}
    return one is other or any({one, other} <= alike for alike in (folds, hems, seams))


def combined(tactics: tuple[Tactic, ...]) -> tuple[Tactic, ...]:
    """Tactics that go together, the cheaper kept where two clash."""
    kept: list[Tactic] = []
    for tactic in sorted(tactics, key=lambda t: PRICES[t].points):
        if not any(clash(tactic, other) for other in kept):
            kept.append(tactic)
    return tuple(kept)


# ---------------------------------------------------------------- what they change


def with_tactics(pattern: Pattern, tactics: tuple[Tactic, ...], size: str) -> Pattern:
    """The pattern with its pieces and making graph changed as the tactics ask, in every cloth that it is cut from."""
    for tactic in tactics:
        match tactic:
            case Tactic.NARROW_HEM:
                pattern = _with_hem(pattern, NARROW_HEM, (6.0, 10.0))
            case Tactic.FACED_HEM:
                pattern = with_hem_facings(_with_hem(pattern, FACED_HEM, ()), size, Role.CONTRAST)
            case Tactic.CENTRE_SEAM:
                pattern = _with_centre_seams(pattern)
            case Tactic.FOLD_TO_SELVEDGE:
                pattern = _with_back_to_selvedge(pattern)
            case Tactic.PIECED_FACING:
                pattern = _with_pieced_facings(pattern)
            case Tactic.BANDS_ACROSS:
                pattern = _bands_across(pattern)
            case Tactic.OTHER_FACING:
                pattern = _other_facing(pattern)
            case Tactic.SHORTEN:
                try:
                    pattern = change_length_at_hem(pattern, size, -SHORTER)
                except AlterationError:
                    continue
            case _:
                continue
    return pattern


def laid_with(problem: Problem, tactics: tuple[Tactic, ...]) -> Problem:
    """A layout problem laid as the tactics ask; those that change pieces are in the pattern already."""
    for tactic in tactics:
        match tactic:
            case Tactic.OPEN_OUT:
                problem = replace(problem, lays=(LayKind.OPEN,))
            case Tactic.PART_FOLD:
                problem = replace(problem, lays=(LayKind.PART_FOLDED,))
            case Tactic.TWO_FOLDS:
                problem = replace(problem, lays=(LayKind.TWO_FOLDS,))
            case Tactic.SHARE_CUTS:
                problem = replace(problem, gap=0.0)
            case Tactic.TURN_PIECES:
                problem = replace(problem, cloth=replace(problem.cloth, one_way=False))
            case _:
                continue
    return problem


def _with_hem(pattern: Pattern, allowance: float, folds: tuple[float, ...]) -> Pattern:
    hems = set(hem_edges(pattern))
    pieces = tuple(
        replace(p, edges=tuple(
            replace(e, allowance=min(e.allowance, allowance)) if (p.id, e.name) in hems and p.panel in (Panel.FRONT, Panel.BACK) else e
            for e in p.edges
        ))
        for p in pattern.pieces
    )  # fmt: skip
    finishes = tuple(_hem_finish(f, hems, folds) for f in pattern.making.finishes)
    return replace(pattern, pieces=pieces, making=replace(pattern.making, finishes=finishes))


def _hem_finish(finish: Finish, hems: set[tuple[str, str]], folds: tuple[float, ...]) -> Finish:
    if finish.kind is not FinishKind.HEM or not any((p.piece, p.edge) in hems for p in finish.parts):
        return finish
    return replace(
        finish,
        folds=folds or (FACED_HEM,),
        name=finish.name if folds else f"{finish.name}, faced with a strip of other cloth",
    )


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
            joins.append(Join(f"centre-{piece.id}", name, (one,), (other,)))
    return replace(pattern, pieces=tuple(pieces), making=replace(pattern.making, joins=tuple(joins)))


def _cut_double(cut: Cut, folds: set[str | None], *, selvedge: bool) -> Cut:
    if cut.fold not in folds:
        return cut
    along = cut.fold if selvedge and cut.role is Role.MAIN else None
    return replace(cut, fold=None, count=cut.count * 2, pair=True, selvedge=along)


def _bands_across(pattern: Pattern) -> Pattern:
    pieces = tuple(
        replace(p, cuts=tuple(replace(c, grain=Grain.EITHER) if c.grain is Grain.LENGTHWISE and not c.fold else c for c in p.cuts))
        if p.panel is Panel.BAND else p
        for p in pattern.pieces
    )  # fmt: skip
    return replace(pattern, pieces=pieces)


def _other_facing(pattern: Pattern) -> Pattern:
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    pieces = tuple(
        replace(p, cuts=tuple(replace(c, role=Role.CONTRAST) if c.role is Role.MAIN else c for c in p.cuts)) if p.id in facings else p
        for p in pattern.pieces
    )  # fmt: skip
    return replace(pattern, pieces=pieces)
