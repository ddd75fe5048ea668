"""The lining, worked out from the garment's own pieces (common practice, no source).

Lining = garment less facing plus two seam allowances, or the whole piece with the facing laid on it; an ease pleat
at the centre back; a length by the way it hangs; room taken out for shoulder pads. A pattern that draws its own lining
keeps it, and only pleat and pads are worked into that.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping
from dataclasses import replace
from itertools import pairwise

from rowanseed.core.derive.choice import Layers, LinedPart, LiningHem, LiningSchool, Pleat
from rowanseed.core.derive.corners_on import can_have_corners_on, corners_on, slanted
from rowanseed.core.derive.deduct import TO_FACING, Deducted, deducted, facing_seams, unfinished
from rowanseed.core.derive.ease_pleat import hangs_from_waist, pleated
from rowanseed.core.derive.faced import facing_depths, with_lining_seams
from rowanseed.core.derive.less_full import less_full
from rowanseed.core.derive.lined_part import ends_at_seams, left_to_line, of_part, parts_of
from rowanseed.core.derive.lining_graph import FOLD_OF_EASE, ends_of, gathered_as_left, lined_making, shorter
from rowanseed.core.derive.plain_tiers import plain_tiers
from rowanseed.core.derive.shaping import Run, derived, moved, seam_runs, trim
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.check import piece_faults
from rowanseed.core.pattern.making import PLACKET_BASE, POCKET_DOTS, VENT_EDGE, Finish, FinishKind, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Corner, Derived, DerivedAs, InnerLine, LineKind, Panel, Piece, Role

LINED = (Panel.FRONT, Panel.BACK, Panel.SLEEVE)


def draws_lining(pattern: Pattern) -> bool:
    """Whether the pattern has lining pieces of its own."""
    return any(layer.kind is LayerKind.LINING for layer in pattern.making.layers)


def can_be_lined(pattern: Pattern, view: str) -> bool:
    """Whether a lining can be worked out from the shell, or from what of it the pattern draws none for."""
    whole = can_have_corners_on(pattern) and not has_half_placket(pattern) and not has_free_sides(pattern)
    return whole and bool(left_to_line(pattern, _lined(pattern, view))) and bool(pattern.making.joins)


def has_half_placket(pattern: Pattern) -> bool:
    """Whether a box is cut out below the neck for a placket's bands: a lining has no part in how these are sewn."""
    return any(piece.has_edge(PLACKET_BASE) for piece in pattern.pieces)


def has_free_sides(pattern: Pattern) -> bool:
    """Whether its sides meet nothing and are turned in by themselves, as an apron's: nothing there holds a lining."""
    turned = {p for f in pattern.making.finishes if f.kind is FinishKind.TURNED for p in f.parts}
    return any(p.edge == "side" and pattern.piece(p.piece).panel in LINED for p in turned)


def can_be_pleated(pattern: Pattern, view: str) -> bool:
    """Whether there is a centre back with a neck above it."""
    backs = [p for p, _ in pattern.pieces_for(Role.LINING if draws_lining(pattern) else Role.MAIN, view)]
    return any(p.has_edge("neck") and _centre(pattern, p) for p in backs)


def schools(pattern: Pattern, view: str, size: str) -> tuple[LiningSchool, ...]:
    """By which schools a lining can be worked out. A front that turns back is lined beside its facing or not at all."""
    if not can_be_lined(pattern, view):
        return (LiningSchool.NONE,)
    beside = (LiningSchool.DEDUCT,) if has_facings(pattern, view, size) else ()
    whole = () if turns_back(pattern, view) else (LiningSchool.WHOLE,)
    return (LiningSchool.NONE, *beside, *whole)


def turns_back(pattern: Pattern, view: str) -> bool:
    """Whether a front has a lapel or a collar of its own, which no lining covers."""
    return any(line.kind is LineKind.ROLL for piece in _lined(pattern, view) for line in piece.lines)


def lined_parts(pattern: Pattern, view: str) -> tuple[LinedPart, ...]:
    """What of a garment can be lined by itself."""
    return parts_of(pattern, _lined(pattern, view)) if can_be_lined(pattern, view) else (LinedPart.ALL,)


def has_facings(pattern: Pattern, view: str, size: str) -> bool:
    """Whether a facing can take the place of part of the lining, and enough of that is left beside it."""
    if not facing_depths(pattern, size, _lined(pattern, view)):
        return False
    made = with_lining(pattern, size, view, Layers(lining=LiningSchool.DEDUCT))
    return any(join.id.startswith(TO_FACING) for join in made.making.joins)


def with_lining(pattern: Pattern, size: str, view: str, layers: Layers) -> Pattern:
    """The pattern with a lining as chosen, in its pieces and its making graph."""
    if draws_lining(pattern):
        pattern = _worked_into_drawn(pattern, size, layers)
    if layers.lining is LiningSchool.NONE or not can_be_lined(pattern, view):
        return pattern
    if slanted(pattern):
        whole = corners_on(pattern, size)
        # What an alteration has parted cannot be put back.
        return pattern if slanted(whole.pattern) else whole.again(with_lining(whole.pattern, size, view, layers))
    if layers.hem is LiningHem.FREE:
        plain = plain_tiers(pattern, size)
        return plain.again(_lined_by(plain.pattern, size, view, layers))
    return _lined_by(pattern, size, view, layers)


def _lined_by(pattern: Pattern, size: str, view: str, layers: Layers) -> Pattern:
    """The pattern with a lining that can be worked out."""
    drawn, turned, every = pattern, turns_back(pattern, view), _lined(pattern, view)
    parts = parts_of(pattern, every)
    part = layers.of if layers.of in parts else parts[0]
    lined = of_part(every, part)
    if turned:
        layers = replace(layers, lining=LiningSchool.DEDUCT)
    if layers.pleat is not Pleat.NONE and not can_be_pleated(pattern, view):
        layers = replace(layers, pleat=Pleat.NONE)
    taken: dict[str, Deducted] = {}
    if layers.lining is LiningSchool.DEDUCT and facing_depths(pattern, size, lined):
        pattern = with_lining_seams(pattern)
        taken = deducted(pattern, size, lined)
    hems = {(part.piece, part.edge): f for f in ends_of(pattern, lined) for part in f.parts}
    number = max(piece.number for piece in pattern.pieces)
    pieces = []
    # What is sewn to the hem is as wide as that is.
    hangs = layers.hem is LiningHem.FREE
    for k, piece in enumerate((less_full(pattern, size, one) if hangs else one for one in lined), start=1):
        pieces.append(
            _lining_piece(
                pattern=pattern,
                size=size,
                piece=piece,
                layers=layers,
                less=taken.get(piece.id),
                hems=hems,
                number=number + k,
            )
        )
    if taken and any(True for piece in pieces for _ in piece_faults(piece, (size,))):
        # Too little is left beside the facing: the lining is cut whole, and the facing laid on it.
        return drawn if turned else _lined_by(drawn, size, view, replace(layers, lining=LiningSchool.WHOLE))
    seams, faced = facing_seams(pattern, taken), {id: one.kept for id, one in taken.items()}
    pattern = unfinished(pattern, seams)
    making = lined_making(pattern, lined, layers, seams, faced)
    making = replace(making, finishes=(*making.finishes, *ends_at_seams(drawn, every, lined)))
    return gathered_as_left(replace(pattern, pieces=(*pattern.pieces, *pieces), making=making), size)


def _lined(pattern: Pattern, view: str) -> tuple[Piece, ...]:
    facing = {layer.piece for layer in pattern.making.layers if layer.piece != layer.of}
    # The lining of a front has the corner on that a slant pocket has cut off.
    facing |= {id for detail in slanted(pattern) for id in detail.pieces}
    found = {p.id: p for p, _ in pattern.pieces_for(Role.MAIN, view) if p.panel in LINED and p.id not in facing}
    return tuple(found.values())


# ---------------------------------------------------------------- one piece


def _lining_piece(
    pattern: Pattern,
    size: str,
    piece: Piece,
    layers: Layers,
    less: Deducted | None,
    hems: Mapping[tuple[str, str], Finish],
    number: int,
) -> Piece:
    runs = _without_vent(less.runs if less is not None else seam_runs(piece, size))
    allowances = {edge.name: edge.allowance for edge in piece.edges}
    if less is not None:
        allowances |= {name: allowances[edge] for edge, name in less.kept.items()}
    by: dict[str, float] = {}
    corners: dict[str, Corner] = {}
    for edge in piece.edges:
        if (piece.id, edge.name) not in hems:
            continue
        corners[edge.name] = Corner.MITRE
        if layers.hem is LiningHem.FREE:
            short = shorter(pattern)
            by[edge.name] = short
            allowances[edge.name] = edge.allowance + short
        else:
            allowances[edge.name] = FOLD_OF_EASE
    if by:
        runs = trim(runs, by)
    runs, lines_added = _shaped(pattern, size, piece, runs, layers)
    cuts = tuple(replace(cut, role=Role.LINING, selvedge=None) for cut in piece.cuts if cut.role is Role.MAIN)
    made = derived(
        piece=piece,
        size=size,
        made=Derived(DerivedAs.LINING, piece.id),
        name=f"{piece.name} lining",
        number=number,
        runs=runs,
        cuts=cuts,
        allowances=allowances,
    )
    edges = tuple(replace(e, corner=corners.get(e.name, e.corner)) for e in made.edges)
    legs = {leg for dart in made.darts for leg in dart.legs}
    # What is matched at the faced edge is matched by the facing: its inner edge has no notches.
    faced = set(less.kept.values()) if less is not None else set()
    kept = (m for m in made.marks if (m.edge not in faced or m.id in legs) and m.id not in POCKET_DOTS)
    made = replace(made, marks=tuple(kept))
    return replace(made, edges=edges, panel=Panel.OTHER, lines=(*made.lines, *lines_added), points=())


def _without_vent(runs: dict[str, Run]) -> dict[str, Run]:
    """The seam's edge down to the hem: a lining has a slit where the garment has a vent, and nothing cut on for it."""
    if VENT_EDGE not in runs:
        return dict(runs)
    order = list(runs)
    above = order[order.index(VENT_EDGE) - 1]
    whole = {above: [*runs[above], *runs[VENT_EDGE][1:]]}
    return {name: whole.get(name, run) for name, run in runs.items() if name != VENT_EDGE}


def _shaped(
    pattern: Pattern, size: str, piece: Piece, runs: dict[str, Run], layers: Layers
) -> tuple[dict[str, Run], tuple[InnerLine, ...]]:
    """Pleat and pads, worked into the stitching lines; and the lines that the pleat adds."""
    added: tuple[InnerLine, ...] = ()
    centre = _centre(pattern, piece)
    if layers.pleat is not Pleat.NONE and centre is not None and not hangs_from_waist(runs, centre):
        runs, added = pleated(piece, size, runs, centre, layers.pleat)
    if layers.pad > 0:
        runs = _lowered(piece, runs, layers.pad)
    return runs, added


def _centre(pattern: Pattern, piece: Piece) -> str | None:
    """The centre back edge of a piece: its fold, or the seam between its two hands; none where the back opens there."""
    linings = [layer for layer in pattern.making.layers if layer.kind is LayerKind.LINING]
    shell = [pattern.piece(layer.of) for layer in linings if layer.piece == piece.id] or [piece]
    if not any(one.panel is Panel.BACK for one in shell):
        return None
    if any(_opens(pattern, one) for one in shell):
        return None
    fold = next((cut.fold for cut in piece.cuts if cut.fold), None)
    return fold or next((edge for _, edge in _own_seams(pattern, piece)), None)


def opens_down_the_back(pattern: Pattern) -> bool:
    """Whether a closure runs down from the neck at the centre back, where a pleat would be."""
    return any(p.panel is Panel.BACK and p.has_edge("neck") and _opens(pattern, p) for p in pattern.pieces)


def _opens(pattern: Pattern, piece: Piece) -> bool:
    opened = {closure.join for closure in pattern.making.closures}
    return any(id in opened for id, _ in _own_seams(pattern, piece))


def _own_seams(pattern: Pattern, piece: Piece) -> Iterator[tuple[str, str]]:
    """The seams that sew both hands of a piece to each other, each with its edge."""
    for join in pattern.making.joins:
        for part in join.a:
            if part.hand and part.piece == piece.id and any(other.piece == piece.id for other in join.b):
                yield join.id, part.edge


def _lowered(piece: Piece, runs: dict[str, Run], pad: float) -> dict[str, Run]:
    """The shoulder's outer end lowered by the pad, nothing at the neck; a cap lowered, nothing at its ends."""
    if "shoulder" in runs and "armhole" in runs:
        tip = _shared(runs["shoulder"], runs["armhole"])
        if tip is None:
            return runs
        at_neck = max(runs["shoulder"], key=lambda p: math.dist(p, tip))
        long = math.dist(tip, at_neck) or 1.0
        reach = _run_length(runs["armhole"]) / 2
        out = moved(
            runs, lambda p: (p[0] + pad * (1 - min(1.0, math.dist(p, tip) / long)), p[1]), frozenset({"shoulder"})
        )
        out["armhole"] = [(p[0] + pad * max(0.0, 1 - math.dist(p, tip) / reach), p[1]) for p in runs["armhole"]]
        return out
    if "cap" in runs:
        run = runs["cap"]
        low, high = max(p[0] for p in run), min(p[0] for p in run)
        if high in (run[0][0], run[-1][0]):
            # An under sleeve's, which hollows out below its corners: the pad lies above it.
            return runs
        notches = low - (low - high) * 0.5
        span = notches - high or 1.0
        lowered = [(p[0] + pad * max(0.0, (notches - p[0]) / span), p[1]) for p in run]
        return {**runs, "cap": lowered}
    return runs


def _shared(a: Run, b: Run) -> Point | None:
    ends = ((p, q) for p in (a[0], a[-1]) for q in (b[0], b[-1]))
    return next((p for p, q in ends if math.dist(p, q) < 0.01), None)


def _run_length(run: Run) -> float:
    return sum(math.dist(p, q) for p, q in pairwise(run))


# ---------------------------------------------------------------- a lining that the pattern draws


def _worked_into_drawn(pattern: Pattern, size: str, layers: Layers) -> Pattern:
    if layers.pleat is Pleat.NONE and not layers.pad:
        return pattern
    linings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.LINING}
    pieces = []
    for piece in pattern.pieces:
        if piece.id not in linings:
            pieces.append(piece)
            continue
        runs, added = _shaped(pattern, size, piece, seam_runs(piece, size), layers)
        made = derived(
            piece=piece, size=size, made=None, name=piece.name, number=piece.number, runs=runs, cuts=piece.cuts
        )
        pieces.append(
            replace(
                piece,
                drawn=made.drawn,
                shapes={**piece.shapes, size: made.shapes[size]},
                marks=made.marks,
                darts=made.darts,
                lines=(*piece.lines, *added),
            )
        )
    return replace(pattern, pieces=tuple(pieces))
