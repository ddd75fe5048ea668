"""Try-ons of the shell, where the fit can still be changed, each with the work that follows from it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import runs_over
from rowanseed.core.make.equipment import TryOn
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bands_and_zips import zips_after_bands
from rowanseed.core.make.families.facings import all_in_one
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.openings import ZIPS
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DifferenceKind, Join, Press
from rowanseed.core.pattern.pieces import Panel

SHELL, BASTED = "shell", "basted"


def shell_joins(bench: Workbench) -> tuple[Join, ...]:
    """The seams of the body without its layers."""
    return tuple(
        j
        for j in bench.joins.values()
        if bench.panels((*j.a, *j.b)) <= {Panel.FRONT, Panel.BACK, Panel.OTHER}
        and not bench.is_faced(j)
        and not bench.encloses(j)
        and not pieces_of((*j.a, *j.b)) & bench.inner
    )


def sews_sides_last(bench: Workbench) -> bool:
    """Whether the sides stay open until the edges are closed: bagged, or with neck and armholes faced in one."""
    return bench.is_bagged or bool(all_in_one(bench))


def drawn_in_at_waist(bench: Workbench) -> tuple[Join, ...]:
    """The seams that gather a full skirt to a bodice or a band."""
    return tuple(
        j
        for j in bench.joins.values()
        if j.difference.kind is DifferenceKind.GATHERS
        and bench.panels(j.a) <= {Panel.FRONT, Panel.BACK}
        and all(p.edge == "waist" for p in j.a)
        and not pieces_of(j.a) & bench.inner
    )


def fitted_joins(bench: Workbench) -> tuple[Join, ...]:
    """The seams of the body without those of a full skirt, which is as wide as it likes below its gathers."""
    full = hanging(bench)
    return tuple(j for j in shell_joins(bench) if not pieces_of((*j.a, *j.b)) & full)


def hanging(bench: Workbench) -> frozenset[str]:
    """The pieces of a full skirt: what is gathered at the waist, and the tiers and the ruffle that hang from it."""
    gathered = drawn_in_at_waist(bench)
    below = [pieces_of((*j.a, *j.b)) for j in shell_joins(bench) if j not in gathered]
    full = {p.piece for j in gathered for p in j.a}
    while more := {piece for pieces in below if pieces & full for piece in pieces} - full:
        full |= more
    return frozenset(full)


def bastes_sides(bench: Workbench) -> bool:
    """Whether the sides are basted for the try-on: in skirts and dresses, and wherever it is asked for."""
    sides = [j for j in fitted_joins(bench) if bench.closes_side(j)]
    if not sides or sews_sides_last(bench) or bench.household.habits.try_on is TryOn.SEWN:
        return False
    if zipped_across(bench, sides):
        return False
    if bench.household.habits.try_on is TryOn.BASTED:
        return True
    crotch = any(p.has_edge("crotch") for p in bench.pattern.pieces)
    return not bench.has_sleeves and not crotch


def zipped_across(bench: Workbench, sides: Sequence[Join]) -> bool:
    """Whether a zip goes in across a seam that crosses the sides: they are sewn before the garment can be closed."""
    over = [j for j in shell_joins(bench) if any(runs_over(bench, j.id, side.id) for side in sides)]
    return any(runs_over(bench, zip_.join, join.id) for zip_ in bench.openings.zips for join in over)


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    body = shell_joins(bench)
    if not body:
        yield from _only_looked_at(bench, operations)
        return
    basted, full = bastes_sides(bench), drawn_in_at_waist(bench)
    if basted:
        # What is gathered to it hangs from a bodice that fits.
        body = fitted_joins(bench)
    sides = [j for j in body if bench.closes_side(j)]
    if basted:
        # A seam at the waist crosses the sides: it is basted with them.
        sides += [j for j in body if any(runs_over(bench, j.id, side.id) for side in sides)]
    later = zips_after_bands(operations)
    left_open = {c.join for c in bench.closures.values() if c.id in later}
    open_sides = {j.id for j in sides} if basted or sews_sides_last(bench) else set()
    needs = [
        Need(facts.join(Fact.PRESSED, j.id), "the shell is whole", where_given=True)
        for j in body
        if j.id not in open_sides and j.id not in left_open
    ]
    needs += [
        Need(facts.closure(Fact.CLOSED, c.id), "it closes", where_given=True)
        for c in bench.closures.values()
        if c.id not in later and c.kind in ZIPS
    ]
    words = "basting of the sides"
    if basted:
        yield _baste(bench, sides, words)
        needs += [Need(facts.join(Fact.PREPARED, j.id), "the sides are basted for it") for j in sides]
    if not basted:
        needs += [Need(facts.join(Fact.DRAWN_UP, j.id), "its fullness is drawn up", where_given=True) for j in full]
    gate = BASTED if basted else SHELL
    how = ["Over what will be worn under it. Stand, sit, bend, lift the arms, walk."]
    if full and basted:
        how.append("The bodice by itself: the skirt comes to it afterwards.")
    elif any(Panel.BAND in bench.panels(j.b) for j in full):
        how.append("Pin its folds to a tape round the waist, or to the band, as they will be sewn: that holds it.")
    if left_open:
        how.append("Pin the seam of the zip from the waist down: the zip goes in after the band.")
    if sews_sides_last(bench):
        how.append("Pin the sides on the stitching line; they are sewn last.")
    if any(op.technique == "set-in sleeve" for op in operations):
        how.append("The sides are easiest taken in now, before the sleeves are set.")
    if bench.household.habits.try_on is TryOn.BASTED and zipped_across(bench, sides):
        how.append("The sides are sewn and not basted: the zip crosses the waist seam, and that crosses them.")
    how.append("Where it pulls or hangs: pin the same on both sides, and write down by how much, on which seam.")
    yield Operation(
        id="try-on-shell",
        technique="try-on",
        act=Act.TRY_ON,
        title="Try it on: the shell",
        how=tuple(how),
        bench=Bench.MIRROR,
        minutes=minutes.each(15),
        on=On(gates=("shell",)),
        requires=tuple(needs),
        gives=(facts.gate(Fact.TRIED, SHELL),),
        look="The side seams hang straight, the waist and hip lie level, and you can breathe.",
    )
    yield Operation(
        id="carry-out-shell",
        technique="try-on",
        act=Act.MARK,
        title="Carry out what the try-on showed",
        how=(
            "Nothing to change: go on.",
            *(
                ("Mark the stitching line anew where it was pinned, both sides alike; then take the basting out.",)
                if basted
                else ("Unpick the seam there, mark the new stitching line, both sides alike, sew and press it again.",)
            ),
            f"Change {_alike(bench)} by the same amount at the same places, and write it down for the next one.",
        ),
        bench=Bench.TABLE,
        minutes=(5, 40),
        on=On(gates=("shell",), edges=shown(p for j in sides for p in j.a)),
        requires=(Need(facts.gate(Fact.TRIED, SHELL), "the try-on shows what to change"),),
        gives=(facts.gate(Fact.SETTLED, gate),),
        removes=(words,) if basted else (),
        look="Tried on again, what was pinned is gone, and both sides measure alike.",
    )
    if basted:
        yield Operation(
            id="settle-shell",
            technique="try-on",
            act=Act.MARK,
            title="Measure once more, the sides sewn",
            how=("The waist and the hip still measure what was tried on. Write them down.",),
            bench=Bench.TABLE,
            minutes=(1, 3),
            on=On(gates=("shell",)),
            requires=tuple(Need(facts.join(Fact.PRESSED, j.id), "the sides are sewn to the fit") for j in sides),
            gives=(facts.gate(Fact.SETTLED, SHELL),),
            look="Both measure what they measured pinned, or you know by how much they differ.",
        )


def _alike(bench: Workbench) -> str:
    layers = ["shell"]
    if bench.facings:
        layers.append("facing")
    if bench.linings:
        layers.append("lining")
    if any(p.panel is Panel.BAND and p.id not in bench.facings for p in bench.pattern.pieces):
        layers.append("bands")
    return f"{', '.join(layers[:-1])} and {layers[-1]} alike" if len(layers) > 1 else "every piece it goes through"


def _baste(bench: Workbench, sides: list[Join], words: str) -> Operation:
    ids = [j.id for j in sides]
    mm = bench.around(ids)
    return Operation(
        id="baste-sides",
        technique="try-on",
        act=Act.BASTE,
        title=f"Baste for the try-on: {', '.join(lower_first(j.name) for j in sides)}",
        how=(
            "Right sides together, notches matched, on the stitching line at the longest stitch; no backstitch, it "
            "comes out again.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.neaten(mm),
        on=On(edges=shown(p for j in sides for p in (*j.a, *j.b))),
        requires=(
            *bench.flat_first(ids),
            *(
                Need(
                    facts.join(Fact.NEATENED, id),
                    "edges pressed open are neatened apart, before the seam",
                    where_given=True,
                )
                for id in ids
                if bench.joins[id].press is Press.OPEN
            ),
            *(
                Need(facts.join(Fact.PRESSED, j.id), "the panels are whole", where_given=True)
                for j in fitted_joins(bench)
                if j.id not in ids and not j.a[0].hand
            ),
        ),
        gives=facts.joins(Fact.PREPARED, ids),
        setting=settings.longest(bench.household),
        leaves=(words,),
        look="The whole can be put on, and no row gives way.",
    )


def _only_looked_at(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    """A garment without seams of a body, an apron or a shawl: tried on before its hem or its last closure."""
    if not bench.joins or any(op.act is Act.TRY_ON for op in operations):
        return
    yield Operation(
        id="try-on-shell",
        technique="try-on",
        act=Act.TRY_ON,
        title="Try it on",
        how=(
            "Pinned as it will be worn. Look at its length and how it hangs; pin what has to change, both sides alike.",
        ),
        bench=Bench.MIRROR,
        minutes=minutes.each(8),
        on=On(gates=("shell",)),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "it is whole", where_given=True) for id in bench.joins),
        gives=(facts.gate(Fact.TRIED, SHELL),),
        look="It hangs as you want it, and both sides alike.",
    )


TECHNIQUE = Companion(
    id="try-on",
    name="Try-ons",
    chapter="fitting",
    adds=adds,
    also=("fitting",),
    words={"shell": "the outer garment without facings and lining"},
    draw="",
)
