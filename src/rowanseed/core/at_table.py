"""At the cutting table, step by step: fold like this, lay these, check the grain, cut, mark, open out, go on."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass
from typing import assert_never

from rowanseed.core.base.ids import TableKey
from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.base.words import Worded, lower_first, plural
from rowanseed.core.cloth.cloth import Cloth, Direction, Surface, Use, is_delicate
from rowanseed.core.cutting import CutItem, cut_words
from rowanseed.core.lay.problem import LayKind, Plan, Stretch
from rowanseed.core.pattern.pieces import Role


class TableAct(Worded):
    """What is done in a step."""

    CLOTH = "cloth", "lay the cloth"
    PIECES = "pieces", "lay the pieces"
    GRAIN = "grain", "check the grain"
    CUT = "cut"
    MARK = "mark"


@dataclass(frozen=True)
class TableStep:
    """A step at the table. `needs` are steps that come before it; a step that cuts has its item's own key as its id."""

    id: str
    act: TableAct
    title: str
    how: tuple[str, ...]
    role: Role
    stretch: int
    items: tuple[CutItem, ...] = ()
    mind: tuple[str, ...] = ()
    look: str = ""
    needs: tuple[str, ...] = ()


@dataclass(frozen=True)
class OnTable:
    """A cloth as it comes on the table: its lay with what is cut from it; `width` as it is ready to be cut."""

    role: Role
    cloth: Cloth
    width: float
    plan: Plan
    items: tuple[CutItem, ...]


def table_steps(cloths: Sequence[OnTable], units: Units) -> tuple[TableStep, ...]:
    """Every step of every cloth, in order."""
    twins, fused = _cut_as_one(cloths), _fused(cloths)
    return tuple(step for one in cloths for step in _steps_of(one, units, twins, fused))


def _cut_as_one(cloths: Iterable[OnTable]) -> frozenset[str]:
    """Keys of what may be stacked: the same outline in the main cloth and in a sewn-in interfacing."""
    main = [item for one in cloths if one.role is Role.MAIN for item in one.items]
    stiff = [
        item for one in cloths if one.role is Role.INTERFACING and one.cloth.use is Use.SEWN_IN for item in one.items
    ]
    pairs = [(a, b) for a in main for b in stiff if a.what == b.what and a.gives == b.gives]
    return frozenset(item.key for pair in pairs for item in pair)


def _fused(cloths: Iterable[OnTable]) -> frozenset[str]:
    """The pieces that a fusible interfacing is cut for."""
    stiff = [
        item.piece
        for one in cloths
        if one.role is Role.INTERFACING and one.cloth.use is Use.FUSIBLE
        for item in one.items
    ]
    return frozenset(piece.derived.of if piece.derived is not None else piece.id for piece in stiff)


def _steps_of(one: OnTable, units: Units, twins: Collection[str], fused: Collection[str]) -> Iterator[TableStep]:
    before: tuple[str, ...] = ()
    for n, stretch in enumerate(one.plan.stretches):
        items = tuple(item for item in one.items if item.stretch == n)
        if not items:
            # What lies there belongs to somebody else, with whom this is laid together.
            continue
        key = TableKey(one.role.value, n, stretch.lay.value)
        cloth = TableStep(
            id=str(key.with_act(TableAct.CLOTH.value)),
            act=TableAct.CLOTH,
            title=_cloth_title(one, n, stretch),
            how=_cloth_words(one, n, stretch, units),
            role=one.role,
            stretch=n,
            mind=_cloth_minds(one, fused),
            look="The crosswise threads stand square to the fold or selvedge, and nothing is stretched.",
            needs=before,
        )
        pieces = TableStep(
            id=str(key.with_act(TableAct.PIECES.value)),
            act=TableAct.PIECES,
            title=f"Lay {plural(len(items), 'piece')} on it",
            how=tuple(f"{item.number} {item.piece.name}: {cut_words(item)}." for item in items),
            role=one.role,
            stretch=n,
            items=items,
            mind=("Every top points the same way, to the start of the cloth.",) if _is_one_way(one) else (),
            look="Every piece lies where the layout has it, flat, and none reaches over another.",
            needs=(cloth.id,),
        )
        grain = TableStep(
            id=str(key.with_act(TableAct.GRAIN.value)),
            act=TableAct.GRAIN,
            title="Check every grainline at both ends",
            how=tuple(f"{item.number} {item.piece.name}: {_grain_words(item, units)}." for item in items),
            role=one.role,
            stretch=n,
            items=items,
            look="Both distances of a piece are what stands here; then it is weighted or pinned.",
            needs=(pieces.id,),
        )
        yield from (cloth, pieces, grain)
        cuts = [_cut(one, n, item, grain.id, twins) for item in items]
        yield from cuts
        for item in items:
            if item.marks:
                yield _mark(one, n, key, item)
        before = tuple(step.id for step in cuts)


def _cloth_title(one: OnTable, n: int, stretch: Stretch) -> str:
    name = one.cloth.name
    match stretch.lay:
        case LayKind.OPEN:
            return f"Open {name} out, in one layer" if n else f"Lay {name} open, in one layer"
        case LayKind.FOLDED:
            return f"Fold {name} lengthwise, selvedge on selvedge"
        case LayKind.TWO_FOLDS:
            return f"Bring both selvedges of {name} to the middle"
        case LayKind.PART_FOLDED:
            return f"Fold in one edge of {name}"
        case _:
            assert_never(stretch.lay)


def _cloth_words(one: OnTable, n: int, stretch: Stretch, units: Units) -> tuple[str, ...]:
    depth = {LayKind.FOLDED: one.width / 2, LayKind.TWO_FOLDS: one.width / 4}.get(stretch.lay, stretch.depth)
    out = []
    if n:
        out.append("Cut off what has been laid so far, or roll it up: this is the cloth that follows.")
    if stretch.lay is LayKind.OPEN:
        out.append("Right side up, its selvedges along the table.")
    else:
        deep = format_length(depth or 0.0, units)
        out.append("Right sides together, the fold nearest you.")
        where = "the turned-in selvedge" if stretch.lay is LayKind.PART_FOLDED else "the selvedge"
        out.append(f"From the fold to {where} it is {deep}, measured at both ends and in the middle.")
    out.append(f"{format_cloth(stretch.end - stretch.start, units)} of it are needed, from the cut end on.")
    return tuple(out)


def _cloth_minds(one: OnTable, fused: Collection[str]) -> tuple[str, ...]:
    out = []
    if one.cloth.surface.is_pile:
        out.append("Pile is laid in one layer; stroke it to find its way, and keep that for every piece.")
    if one.cloth.surface is Surface.FUR:
        out.append("Cut the backing only. Fur sheds fibres: a dust mask, and vacuum table and machine.")
    elif is_delicate(one.cloth):
        out.append(
            "It slips, and pins leave holes in it: weights hold it, and thin paper beneath, cut along with it, keeps "
            "it square."
        )
        slips = dict.fromkeys(lower_first(i.piece.name) for i in one.items if i.piece.id in fused and not i.later)
        if slips and one.role in (Role.MAIN, Role.CONTRAST):
            out.append(
                f"What is fused is easier fused to an uncut block of it, and both cut out at once: {', '.join(slips)}. "
                "It is one of the choices at the Sew station."
            )
    if one.cloth.repeat and any(stretch.lay is not LayKind.OPEN for stretch in one.plan.stretches):
        out.append("Pin through both layers, so that the print lies on itself all along.")
    return tuple(out)


def _is_one_way(one: OnTable) -> bool:
    return one.cloth.direction is Direction.ONE_WAY


def _grain_words(item: CutItem, units: Units) -> str:
    if item.grain is None:
        return "by eye: it lies straight to neither"
    if round(item.placement.turn) % 90:
        at = [format_length(at, units) for at in (item.grain.at_top, item.grain.at_bottom)]
        both = at[0] if at[0] == at[1] else f"{at[0]} at one end, {at[1]} at the other"
        return f"on the bias: the arrow at 45° to its length lies along the cloth, {both} from the {item.grain.to}"
    top, bottom = (format_length(at, units) for at in (item.grain.at_top, item.grain.at_bottom))
    return f"{top} from the {item.grain.to} at the top, {bottom} at the bottom"


def _called(one: OnTable, item: CutItem) -> str:
    """A piece's name, and which of its placements it is where there are several."""
    name = lower_first(item.piece.name)
    alike = [other.key for other in one.items if other.piece.id == item.piece.id]
    return name if len(alike) == 1 else f"{name}, {alike.index(item.key) + 1} of {len(alike)}"


def _cut(one: OnTable, n: int, item: CutItem, grain: str, twins: Collection[str]) -> TableStep:
    how = [f"Number {item.number}, {cut_words(item)}."]
    if item.gives == 2 and not item.spare and not item.alike:
        how.append("This gives two, left and right: put a pin in one of them, so that they are told apart.")
    if item.spare:
        how.append("Keep the spare one with the remnants.")
    if item.key in twins:
        other = "the main cloth" if one.role is Role.INTERFACING else "the sewn-in interfacing"
        how.append(f"It has the same outline in {other}: stack both and cut them as one.")
    return TableStep(
        id=item.key,
        act=TableAct.CUT,
        title=f"Cut the {_called(one, item)}",
        how=tuple(how),
        role=one.role,
        stretch=n,
        items=(item,),
        mind=(item.later,) if item.later else (),
        look="The edge is smooth and follows the tissue all round; nothing of the neighbour is cut into.",
        needs=(grain,),
    )


def _mark(one: OnTable, n: int, key: TableKey, item: CutItem) -> TableStep:
    stays = (f"On the tissue it stays, since no step uses it: {', '.join(item.on_tissue)}.",) if item.on_tissue else ()
    return TableStep(
        id=str(key.with_act(f"{TableAct.MARK.value}.{item.number}")),
        act=TableAct.MARK,
        title=f"Mark the {_called(one, item)}",
        how=(*(f"{mark.what}: {mark.how}" for mark in item.marks), *stays),
        role=one.role,
        stretch=n,
        items=(item,),
        look="Every mark is seen on each layer, and the tissue may come off.",
        needs=(item.key,),
    )
