"""Marks from tissue to cloth: those that some step of the making uses, by the means that suit cloth and mark.

Which means suit is common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_allowance
from rowanseed.core.cloth.cloth import SHEER, Cloth, Fibre, Surface
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import Making
from rowanseed.core.pattern.opened_out import drawn_name
from rowanseed.core.pattern.pieces import SLASHES, InnerPoint, LineKind, Mark, MarkKind, Piece, PointKind, Role
from rowanseed.core.pattern.pleats import FOLD, is_of_pleat

ON_TISSUE = (LineKind.LENGTHEN_SHORTEN, LineKind.LEVEL)
"""Lines that say where the tissue is altered and measured; no cloth is marked with them."""
SLASHED = "line that is slashed when a step says so, not now"
FOLDS = frozenset({Act.FOLD, Act.TURN, Act.DART, Act.ATTACH, Act.PRESS, Act.STAY, Act.PAD})


@dataclass(frozen=True)
class MarkToMake:
    """A mark to bring from tissue to cloth and how."""

    what: str
    how: str


@dataclass(frozen=True)
class Means:
    """How each kind of mark is made on a cloth."""

    at_edge: str
    on_wrong_side: str
    inside: str


def means(cloth: Cloth, units: Units) -> Means:
    """By surface, weave and weight."""
    loose = cloth.surface in (Surface.CORD, Surface.FUR)
    sheer = cloth.fibre is Fibre.SILK or (cloth.weight is not None and cloth.weight <= SHEER)
    if loose:
        at_edge = "chalk line across the allowance; no snips in this cloth"
    elif cloth.structure is Structure.KNIT:
        at_edge = f"snip of {format_allowance(2, units)} at most, or a pin: a knit ladders from a deeper one"
    else:
        at_edge = f"snip into the allowance, no more than {format_allowance(3, units)}"
    if sheer:
        return Means(at_edge, "a thread mark; chalk shows through", "tailor's tack in fine thread")
    if cloth.surface.is_pile:
        return Means(at_edge, "chalk on the wrong side; a wheel crushes the pile", "tailor's tack")
    return Means(at_edge, "chalk or a tracing wheel on the wrong side", "tailor's tack")


@dataclass(frozen=True)
class MarksUsed:
    """What the steps of a garment do with its marks."""

    edges: frozenset[tuple[str, str]]
    acts: Mapping[str, frozenset[Act]]
    zips: frozenset[tuple[str, str]]
    points: frozenset[PointKind]

    def mark(self, piece: Piece, mark: Mark) -> bool:
        if mark.kind is MarkKind.ZIP_END:
            return (piece.own_id, drawn_name(mark.id)) in self.zips
        return (piece.own_id, drawn_name(mark.edge)) in self.edges

    def lines(self, piece: Piece) -> bool:
        """Whether anything folds, turns or places something on a piece."""
        return bool(self.acts.get(piece.own_id, frozenset()) & FOLDS)

    def point(self, point: InnerPoint) -> bool:
        return point.kind in self.points


def marks_used(making: Making, operations: Iterable[Operation]) -> MarksUsed:
    """The marks that some step uses."""
    joins = {join.id: join for join in making.joins}
    edges: set[tuple[str, str]] = set()
    acts: dict[str, set[Act]] = {}
    points = {PointKind.DOT}
    for op in operations:
        parts = {(p.piece, p.edge) for id in op.on.joins if id in joins for p in (*joins[id].a, *joins[id].b)}
        parts |= {(shown.piece, shown.edge) for shown in op.edges}
        edges |= parts
        for piece in {piece for piece, _ in parts} | set(op.on.pieces):
            acts.setdefault(piece, set()).add(op.act)
        if op.act in (Act.BUTTONHOLE, Act.BUTTON, Act.FASTEN):
            points |= {PointKind.BUTTON, PointKind.BUTTONHOLE, PointKind.HOOK, PointKind.TIE}
        if op.act in (Act.ATTACH, Act.STAY) and "pocket" in f"{op.technique} {op.title}".lower():
            points.add(PointKind.POCKET)
        if op.act is Act.ATTACH:
            points.add(PointKind.POCKET)
    return MarksUsed(
        edges=frozenset(edges),
        acts={piece: frozenset(found) for piece, found in acts.items()},
        zips=frozenset(m for c in making.closures for m in (c.from_mark, c.to_mark) if m is not None)
        | frozenset(detail.to_mark for detail in making.details if detail.to_mark is not None),
        points=frozenset(points),
    )


def marks_to_make(
    piece: Piece, cloth: Cloth, role: Role, units: Units, used: MarksUsed | None = None, *, pair: bool = False
) -> tuple[MarkToMake, ...]:
    """What is marked before the tissue comes off, and how.

    Lengthen-or-shorten lines and measuring levels stay on the tissue. Interfacing is marked only with its notches.
    Without `used` every mark of the piece is made. A `pair` is told apart by a letter.
    """
    by = means(cloth, units)
    named: dict[tuple[str, str], int] = {}

    def add(what: str, how: str) -> None:
        named[what, how] = named.get((what, how), 0) + 1

    for mark in piece.marks:
        if used is not None and not used.mark(piece, mark):
            continue
        match mark.kind:
            case MarkKind.NOTCH:
                add("single notch", by.at_edge)
            case MarkKind.DOUBLE_NOTCH:
                add("double notch", by.at_edge)
            case MarkKind.ZIP_END:
                add("end of the zip", "chalk or a pin on the wrong side")
            case MarkKind.DART_LEG:
                continue
            case _:
                add(mark.kind.words, by.on_wrong_side)
    if role is Role.INTERFACING:
        return tuple(MarkToMake(_times(what, n), how) for (what, how), n in named.items() if "notch" in what)
    for dart in piece.darts:
        add(dart.taken.words, f"{by.inside}s at legs and point" if by.inside == "tailor's tack" else by.inside)
    for line in piece.lines:
        if line.kind in ON_TISSUE or not (used is None or used.lines(piece)):
            continue
        if is_of_pleat(line):
            # Told apart by colour: nothing else on the cloth says which is folded and which one the fold meets.
            folds = line.id.endswith(FOLD)
            what = "line where a pleat is folded" if folds else "line that a pleat's fold meets"
            add(what, f"{by.inside} at both ends, {'one' if folds else 'the other'} of two colours")
        else:
            add(SLASHED if line.id in SLASHES else line.kind.words, by.on_wrong_side)
    for point in piece.points:
        if used is None or used.point(point):
            alone = f", on the {point.hand} as worn only" if point.hand else ""
            add(f"{point.kind.words}{alone}", by.inside)
    if {cut.fold for cut in piece.cuts if cut.fold}:
        add("centre, at both ends of the fold", by.at_edge)
    if pair:
        add("left and right", "L and R in chalk on the wrong side, in the allowance at the top: outlines alone deceive")
    return tuple(MarkToMake(_times(what, n), how) for (what, how), n in named.items())


def left_on_tissue(piece: Piece, used: MarksUsed) -> tuple[str, ...]:
    """Marks that no step uses, in words: they stay on the tissue."""
    out = [mark.kind.words for mark in piece.marks if not used.mark(piece, mark)]
    out += [point.kind.words for point in piece.points if not used.point(point)]
    out += [line.kind.words for line in piece.lines if line.kind not in ON_TISSUE and not used.lines(piece)]
    return tuple(dict.fromkeys(out))


def _times(what: str, n: int) -> str:
    return what if n == 1 else f"{n} × {what}"
