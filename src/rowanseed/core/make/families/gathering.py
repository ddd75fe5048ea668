"""Gathers: what waits for them, how long the edge is to become."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bands import band_of
from rowanseed.core.make.families.between_notches import between_notches
from rowanseed.core.make.families.eased import KEY, fullness_ids
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.families.waistbands import sides_first
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.workbench import Workbench, both_sides, shown
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.walk import copies, part_length


def why_not_gathered(bench: Workbench, id: str) -> str:
    """Why a fullness is not gathered."""
    is_gathered = bench.joins[id.removeprefix(KEY)].difference.kind is DifferenceKind.GATHERS
    return "" if is_gathered else "it is eased in: no gathers are to show"


def why_not_so_full(bench: Workbench, id: str, most: float) -> str:
    """Why a fullness of more than so many times is not gathered in a way that draws no further."""
    ratio = bench.joins[id.removeprefix(KEY)].difference.amount
    told = f"it gathers {ratio:.2g} times as much cloth, and this draws up {most:.2g} times at most"
    return why_not_gathered(bench, id) or ("" if ratio <= most else told)


finds = finds_of(fullness_ids, why_not_gathered)
why_not = why_not_of(fullness_ids, why_not_gathered)


def lengths_of(bench: Workbench, join: Join) -> str:
    """From what length to what: of what runs round the garment in all, of what is there on both hands on each; of a
    cap between its notches."""
    held = between_notches(bench, join)
    return f"from {bench.fine(held.long if held else _long(bench, join, join.a))} to {drawn_to(bench, join)}"


def drawn_to(bench: Workbench, join: Join) -> str:
    """What it is to measure once it is drawn up."""
    held = between_notches(bench, join)
    if held is not None:
        return f"{bench.fine(held.drawn_to)} between the notches, on each side"
    return f"{bench.fine(_long(bench, join, join.b))} {'on each side' if join.each_hand else 'altogether'}"


def pinned(bench: Workbench, join: Join) -> str:
    """How the fullness is shared out before it is drawn up."""
    if between_notches(bench, join) is None:
        return "Mark both edges in quarters and pin quarter on quarter."
    return "Pin notch on notch, and the shoulder point on the shoulder seam."


def from_where(bench: Workbench, join: Join) -> str:
    """How far along an edge it is gathered, within a sentence; empty for all of it."""
    return "" if between_notches(bench, join) is None else " from notch to notch over the cap"


def _long(bench: Workbench, join: Join, parts: Iterable[EdgePart]) -> float:
    """How long what lies under the needle is: a piece cut on the fold is opened."""
    return sum(
        part_length(bench.pattern, bench.size, p) * (1 if join.each_hand else copies(bench.pattern, p)) for p in parts
    )


def whole_first(bench: Workbench, join: Join) -> Iterator[Need]:
    """Rows that run round the garment stop at its seams, so these are sewn, and at sides that are turned in; a cap is
    gathered while it lies flat."""
    if join.each_hand:
        return
    if band_of(bench, join):
        yield from sides_first(bench, join.a)
    for need in crossings(bench, join.id):
        seam = bench.joins[need.state.of.id]
        if bench.joins_shell(seam) and not bench.is_faced(seam) and bench.openings.zip_on(seam) is None:
            yield need


def gathered_edges(bench: Workbench, join: Join) -> tuple[EdgeShown, ...]:
    held = between_notches(bench, join)
    return shown(join.a) if held is None else (held.edge,)


def gathering_step(bench: Workbench, join: Join, technique: str, how: tuple[str, ...], **more: object) -> Operation:
    return Operation(
        id=f"gather-{join.id}",
        technique=technique,
        act=Act.GATHER,
        title=f"Gather: {lower_first(join.name)}{both_sides(join)}",
        how=how,
        bench=Bench.MACHINE,
        minutes=minutes.seam(3 * bench.around([join.id])),
        on=On(joins=(join.id,), edges=gathered_edges(bench, join)),
        requires=(*bench.flat_first([join.id]), *whole_first(bench, join)),
        gives=(facts.join(Fact.DRAWN_UP, join.id),),
        setting=settings.longest(bench.household, lining=pieces_of(join.a) <= bench.linings),
        look="The folds are even and run straight away from the edge.",
        rows=2,
        **more,  # type: ignore[arg-type]
    )
