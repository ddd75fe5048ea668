"""The inside of a band: made ready while the band is flat, its ends closed, stitched down over its seam."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import laps
from rowanseed.core.make.families.bands import (
    INNER,
    PASSES,
    band_of,
    called,
    closed_by,
    runs_on,
    runs_over,
)
from rowanseed.core.make.families.stretched_bands import tried
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.trimming import is_trimmed, narrowest
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import (
    NECK_CENTRE,
    DetailKind,
    DifferenceKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
)

ID, FLAT = "band", "band lying flat"
STRETCHED = ", the band held stretched."


def is_stretched(join: Join) -> bool:
    return join.difference.kind is DifferenceKind.STRETCHED_ON


def lies_flat(bench: Workbench, piece: str) -> bool:
    """Whether the inner edge of a band lies flat over its seam, neatened: turned in, it would not stretch."""
    return any(is_stretched(j) and band_of(bench, j) == piece for j in bench.joins.values())


def neatened(bench: Workbench, piece: str, join: Join, inside: Finish) -> Operation:
    """The inner edge of a band that is stretched on, made ready while the band is flat."""
    at, setting = settings.neaten(bench.household.as_a_knit)
    parts = tuple(p for p in inside.parts if p.edge in INNER)
    return Operation(
        id=f"neaten-{inside.id}",
        technique=ID,
        act=Act.NEATEN,
        title=f"Neaten the inner edge: {bench.name(piece)}",
        how=(
            tried(bench, 1 / join.difference.amount),
            "Neaten the inner edge by itself, right side up, without stretching it: it lies flat over the seam inside, "
            "and is not turned in.",
            f"Press the fold line lightly, wrong sides together. {iron_for(bench, {piece})}",
        ),
        bench=at,
        minutes=minutes.neaten(bench.around([inside.id])),
        on=On(pieces=(piece,), edges=shown(parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on while it is flat", where_given=True),),
        gives=(facts.piece(Fact.PREPARED, piece), facts.finish(Fact.NEATENED, inside.id)),
        setting=setting,
        look=looks.NEATENED,
    )


def is_over(bench: Workbench, join: Join, kind: DetailKind) -> bool:
    """Whether a band is sewn over an opening of a kind that is slashed into what it is sewn to."""
    pieces = pieces_of((*join.a, *join.b))
    return any(pieces & set(detail.on) for detail in bench.details_of(kind))


def fold_in(bench: Workbench, piece: str, inside: Finish | None) -> Operation:
    """The inner edge of a band pressed to its wrong side, while it is flat."""
    parts = tuple(p for p in (inside.parts if inside else ()) if p.edge in INNER) or (inside.parts if inside else ())
    allowance = bench.edge_allowance(parts[0]) if parts else 15.0
    return Operation(
        id=f"press-in-{piece}",
        technique=ID,
        act=Act.TURN,
        title=f"Press in the inner edge: {bench.name(piece)}",
        how=(
            f"Press the {called(bench, [piece])} along its fold line, wrong sides together; open it and press "
            f"{bench.margin(allowance - PASSES)} of its inner edge to the wrong side, {bench.margin(PASSES)} less "
            "than the allowance: later it passes the seam by that.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(3, bench.number_cut(piece)),
        on=On(pieces=(piece,), edges=shown(parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on while it is flat", where_given=True),),
        gives=(facts.piece(Fact.PREPARED, piece),),
        turned=Turned((allowance - PASSES,)),
        caution=HOT,
        look="The fold is straight and parallel to the fold line.",
    )


def closes(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    pieces = pieces_of(finish.parts)
    name, flat = called(bench, pieces), any(lies_flat(bench, piece) for piece in pieces)
    over = runs_over(bench, finish)
    joined = [j for j in bench.joins.values() if pieces_of((*j.a, *j.b)) & pieces and not {*j.a, *j.b} & {*over}]
    after = tuple(Need(facts.join(Fact.PRESSED, j.id), "it is sewn on and pressed into the band") for j in joined)
    before = list(after)
    faced = next((join for piece in sorted(pieces) if (join := closed_by(bench, piece)) is not None), None)
    if faced is not None:
        before.append(Need(facts.join(Fact.TURNED, faced.id), "its ends are turned out with the facing first"))
    has_ends = any(p.edge not in INNER for p in finish.parts)
    if over:
        # What closes an upper end is sewn while the band is not folded yet.
        closed = Need(facts.finish(Fact.PREPARED, finish.id), "its upper end is closed first")
        above = has_ends and all(p.edge == "end" for p in over)
        yield fold_over(bench, finish, over, (*after, closed) if above else after)
        before.append(Need(facts.finish(Fact.BASTED, finish.id), "its ends are folded first"))
    if has_ends:
        yield close_ends(bench, finish, after)
        before.append(Need(facts.finish(Fact.PREPARED, finish.id), "its ends are closed first"))
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique=FLAT if flat else ID,
        act=Act.TURN,
        title=f"{'Fold over' if flat else 'Turn in'} and stitch down: {lower_first(finish.name)}",
        how=(
            *(("The facing's lower ends lie flat below it.",) if faced is not None else ()),
            f"Fold the {name} on its fold line over the allowances; {_passes(bench, finish, flat=flat)}. Pin from the "
            "right side, or baste.",
            f"Right side up, stitch in the ditch of the seam, catching the {'edge' if flat else 'fold'} below"
            f"{STRETCHED if flat else f'; or edgestitch the {name} {bench.margin(2)} from the seam.'}",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(p for p in finish.parts if p.edge in INNER) or shown(finish.parts)),
        requires=tuple(before),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        setting=settings.seam(bench.household.as_a_knit)
        if flat
        else settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
        look=f"Inside, the {'edge' if flat else 'fold'} is caught all along.",
    )


def _passes(bench: Workbench, finish: Finish, *, flat: bool) -> str:
    """How far the inside of a band reaches past its seam."""
    if flat:
        allowance = narrowest(bench, (p for p in finish.parts if p.edge in INNER))
        return f"its neatened edge passes the seam by its allowance, {bench.margin(allowance)}, on the inside"
    return f"the pressed fold passes the seam by {bench.margin(PASSES)} on the inside"


def fold_over(bench: Workbench, finish: Finish, over: tuple[EdgePart, ...], after: tuple[Need, ...]) -> Operation:
    """A band folded where a collar or a binding runs on over its end, both layers held as one."""
    name, which = bench.names(p.piece for p in over), _ends_of(over)
    lapped = laps.beyond(bench, over)
    return Operation(
        id=f"fold-over-{finish.id}",
        technique=ID,
        act=Act.BASTE,
        title=f"Fold the bands and baste across their {which} ends: {name}",
        how=(
            f"The {name} folded on its fold line, wrong sides together, over the allowances of its seam, the "
            "pressed-in edge inside: raw edges even there.",
            f"Baste {bench.margin(5)} from the raw edge, in the allowance, "
            + ("from the dot to the band's seam" if lapped else "from the fold to the band's seam")
            + "; it stays in. From now on both layers are one there.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(2, bench.number_cut(over[0].piece)),
        on=On(edges=shown(sorted(over, key=lambda p: p.edge == "end"))),
        requires=(*after, *laps.needs(bench, lapped)),
        gives=(facts.finish(Fact.BASTED, finish.id),),
        look="Both bands end in line with the edge beside them, their folds straight.",
    )


def _ends_of(over: tuple[EdgePart, ...]) -> str:
    """Which ends of front bands something runs on over."""
    words = {"top": "upper", "end": "lower"}
    return " and ".join(words[edge] for edge in words if any(p.edge == edge for p in over)) or "upper"


def kept(bench: Workbench, pieces: Iterable[str]) -> str:
    """How the inner edge of a band lies while its ends are closed."""
    if any(lies_flat(bench, piece) for piece in pieces):
        return "its neatened inner edge lying flat over the seam"
    return "the pressed inner edge staying turned up"


def _at_the_corner(bench: Workbench, finish: Finish) -> str:
    allowance = narrowest(bench, (p for p in finish.parts if p.edge not in INNER))
    return f"Trim to {bench.fine(6)}, the corner across" if is_trimmed(allowance, 6.0) else "Cut the corner across"


def close_ends(bench: Workbench, finish: Finish, after: tuple[Need, ...]) -> Operation:
    pieces = pieces_of(finish.parts)
    levelled = tuple(
        Need(
            facts.finish(Fact.HEMMED, f.id),
            "the length is settled before the band's end is closed at it",
            where_given=True,
        )
        for f in bench.finishes.values()
        if f.kind is FinishKind.HEM and meets(bench, f, pieces)
    )
    tied = tuple(
        Need(facts.detail(Fact.FINISHED, detail.id), "its ties lie in its ends before they are closed")
        for detail in bench.details_of(DetailKind.TIES)
        if finish.id in detail.along
    )
    own = [j for j in bench.joins.values() if band_of(bench, j) in pieces]
    to_centre = any(NECK_CENTRE in (p.from_mark, p.to_mark) for j in own for p in (*j.a, *j.b))
    ends_at = "which meets the centre line's dot" if to_centre else "in line with the garment's edge"
    underlap = any(
        p.piece in pieces and (p.from_mark or p.to_mark)
        for j in own
        for p in (*j.a, *j.b)
        if not (p.from_mark and p.to_mark and is_over(bench, j, DetailKind.TOWER_PLACKET))
    )
    return Operation(
        id=f"ends-{finish.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Close the ends: {lower_first(finish.name)}",
        how=(
            *(
                (
                    f"Fold the {called(bench, pieces)} back on its fold line, right sides together; beyond the dots "
                    "its inner edge lies opened out again. From each end sew across it and along the raw edges to the "
                    "dot, where its seam begins, pivoting at the corner; backstitch, and clip to the stitching there.",
                )
                if any(runs_on(bench, piece) for piece in pieces)
                else (
                    f"Fold the {called(bench, pieces)} back on its fold line, right sides together, "
                    f"{kept(bench, pieces)}; sew across the end on the stitching line, {ends_at}, and backstitch.",
                )
            ),
            *(
                (
                    "The underlap's lower edge is sewn in the same run, up to the garment's edge: pivot at the "
                    "corner, and clip there to the stitching.",
                )
                if underlap
                else ()
            ),
            f"{_at_the_corner(bench, finish)}; turn, push it out with something blunt, and press. {iron_for(bench)}",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(5, 2),
        on=On(pieces=tuple(sorted(pieces)), edges=shown(p for p in finish.parts if p.edge not in INNER)),
        requires=(*after, *levelled, *tied),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        setting=settings.seam(bench.household),
        rows=0,
        caution=NEEDLE,
        look="Both ends are as long and as square as each other.",
    )


def meets(bench: Workbench, hem: Finish, bands: frozenset[str]) -> bool:
    """Whether a band is sewn to a piece whose hem this is."""
    pieces = pieces_of(hem.parts)
    return any(
        pieces_of((*j.a, *j.b)) & bands
        and pieces_of((*j.a, *j.b)) & pieces
        and any(p.edge == "opening" for p in (*j.a, *j.b))
        for j in bench.joins.values()
    )
