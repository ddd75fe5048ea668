"""The length of a hem and where it runs: hung, tried on, levelled; round the garment or from edge to edge."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.openings import ZIPS
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.which import (
    edges_of,
    ends_of_facings,
    hem_at_ends,
    is_lining,
    is_of_opening,
    is_pointed,
    is_shaped,
    is_sleeve,
)
from rowanseed.core.make.workbench import BLADES, Workbench, shown
from rowanseed.core.pattern.making import VENT_EDGE, ClosureKind, Detail, DetailKind, Finish, FinishKind
from rowanseed.core.pattern.pieces import Panel

A_DAY = 24 * 60.0
SIDE, UNDERARM, INNER_LEG = "side seam", "underarm seam", "inner leg seam"
"""The seams that a hem all round begins at, as `runs` calls them."""


CLOSED_FIRST = (ClosureKind.HOOK_AND_EYE, *ZIPS)
"""What has to close before a garment hangs as it will be worn."""


def _hangs_as_worn(bench: Workbench, finish: Finish) -> Iterator[Need]:
    """Everything above a hem that decides how it hangs."""
    why = "it hangs as it will be worn"
    for join in bench.joins.values():
        panels, pieces = bench.panels((*join.a, *join.b)), pieces_of((*join.a, *join.b))
        if bench.is_faced(join):
            yield Need(facts.join(Fact.ATTACHED, join.id), why, where_given=True)
        elif (Panel.SLEEVE in panels and Panel.BAND not in panels and not pieces & bench.inner) or (
            Panel.BAND in panels
            and panels & {Panel.FRONT, Panel.BACK}
            and not any(p.edge == "opening" for p in (*join.a, *join.b))
        ):
            yield Need(facts.join(Fact.PRESSED, join.id), why, where_given=True)
    for closure in bench.closures.values():
        if closure.kind in CLOSED_FIRST:
            yield Need(facts.closure(Fact.CLOSED, closure.id), why, where_given=True)
    for detail in bench.details_of(DetailKind.ELASTIC):
        if detail.along:
            yield Need(facts.detail(Fact.FINISHED, detail.id), why, where_given=True)
    for other in () if is_sleeve(bench, finish) else bench.finishes.values():
        # No band of the body changes how a sleeve hangs.
        band = other.kind is FinishKind.TURNED and bench.panels(other.parts) == {Panel.BAND}
        if band and not _ends_at(bench, other, finish):
            yield Need(facts.finish(Fact.FINISHED, other.id), why, where_given=True)


def _ends_at(bench: Workbench, band: Finish, hem: Finish) -> bool:
    """Whether a band runs down to a hem, so that its end is closed there."""
    bands, pieces = pieces_of(band.parts), pieces_of(hem.parts)
    return any(
        pieces_of((*j.a, *j.b)) & bands
        and pieces_of((*j.a, *j.b)) & pieces
        and any(p.edge == "opening" for p in (*j.a, *j.b))
        for j in bench.joins.values()
    )


def _seams_across(bench: Workbench, finish: Finish) -> Iterator[Need]:
    for join in bench.crossing([finish.id]):
        if not any(p.edge == "opening" for p in (*join.a, *join.b)) or bench.is_faced(join):
            yield Need(
                facts.join(Fact.PRESSED, join.id), "a seam is pressed before the hem crosses it", where_given=True
            )
        else:
            yield Need(facts.join(Fact.PRESSED, join.id), "the band is on first", where_given=True)


def levelled(bench: Workbench, finish: Finish) -> Iterator[Operation]:
    """Hung for a day where it is curved, tried on, chalked and cut level."""
    shown_edges = shown(finish.parts)
    settled = Need(facts.gate(Fact.SETTLED, "shell"), "its length is judged once the fit is settled", where_given=True)
    before = (*_seams_across(bench, finish), *_hangs_as_worn(bench, finish), settled)
    pointed = is_pointed(bench, finish)
    shaped = not pointed and is_shaped(bench, finish)
    curved = any(bench.bends.is_curved(part) for part in finish.parts) and not pointed and not shaped
    depth = bench.edge_allowance(finish.parts[0])
    on_bias = any(bench.bends.is_cut_on_the_bias(part.piece) for part in finish.parts)
    drops = "What is cut on the bias drops" if on_bias else "A curved hem runs partly on the bias and drops"
    if (curved or on_bias) and not is_sleeve(bench, finish):
        yield Operation(
            id=f"hang-{finish.id}",
            technique="hang and level",
            act=Act.HANG,
            title="Let it hang for a day",
            how=(f"On a hanger or a form, as it is worn. {drops} before it is levelled.",),
            bench=Bench.HAND,
            minutes=(2, 3),
            waits=A_DAY,
            on=On(edges=shown_edges),
            requires=before,
            gives=(facts.finish(Fact.HUNG, finish.id),),
            look="Hung again beside a ruler it no longer drops.",
        )
        before = (Need(facts.finish(Fact.HUNG, finish.id), f"{'it' if on_bias else 'a curved hem'} drops first"),)
    worn = (
        "Arms hanging and bent: where the sleeve is to end. Pin, and look at both."
        if is_sleeve(bench, finish)
        else "In the shoes it will be worn with, standing straight, somebody else measuring up from the floor all "
        "round; pin the hem line and look from the side."
    )
    if pointed:
        worn = (
            "Standing straight, in the shoes it will be worn with: look from the side whether all points hang at one "
            "height. What is too long is not cut off the points: take the skirt up at the waist."
        )
    elif shaped:
        worn = (
            "Standing straight, arms hanging: where it ends at the centre and at the sides, seen from the front and "
            "the back. Pin how much is to come off all round: the curve keeps its shape, whatever the floor says."
        )
    yield Operation(
        id=f"try-on-{finish.id}",
        technique="hang and level",
        act=Act.TRY_ON,
        title=_length_tried(bench, finish),
        how=(worn,),
        bench=Bench.MIRROR,
        minutes=minutes.each(10),
        on=On(gates=(f"length of the {lower_first(finish.name)}",), edges=shown_edges),
        requires=before,
        gives=(facts.finish(Fact.TRIED, finish.id),),
        look=_hangs_right(bench, finish, shaped=shaped),
    )
    yield _settled(bench, finish, depth, pointed=pointed, shaped=shaped)


def _hangs_right(bench: Workbench, finish: Finish, *, shaped: bool) -> str:
    """How one sees that a length is right."""
    if is_sleeve(bench, finish):
        return "Both sleeves end alike."
    if shaped:
        return "Left and right end alike, and the sides lie as much higher as they should."
    return "The edge runs level, seen from every side."


def _settled(bench: Workbench, finish: Finish, depth: float, *, pointed: bool, shaped: bool) -> Operation:
    """A lower edge cut once its length is settled: level, or by its points or its curve, in the place of that."""
    name = lower_first(finish.name)
    thinned = f"inside the hem thin the seams' allowances to {bench.margin(6)}."
    title, look = f"Chalk and cut the {name} level", "Folded at the centre, both halves of the edge lie on each other."
    how: tuple[str, ...] = (
        "Take it off, chalk the hem line along the pins, smooth it out, and compare left with right.",
        f"Cut the allowance level {bench.margin(depth)} below the line; {thinned}",
    )
    if pointed:
        title, look = f"Make the points of the {name} alike", "Laid on each other, all points are equal."
        how = (
            "A card cut to one point on the stitching line: lay it on every panel, seam on seam, and chalk round it on "
            "the wrong side.",
            f"Trim the allowance to {bench.margin(depth)} all along; at the seams cut nothing off into the valley.",
        )
    elif shaped:
        title = f"True the curve of the {name}"
        how = (
            "Fold it at the centre, side seam on side seam. Where it is to be shorter chalk a line parallel to the "
            "edge, by the front's tissue laid up higher.",
            "At the side seams open it out: the curve runs on across the seam without a corner.",
            f"Cut the allowance {bench.margin(depth)} below the line all along, both halves at once; {thinned}",
        )
    return Operation(
        id=f"level-{finish.id}",
        technique="hang and level",
        act=Act.LEVEL,
        title=title,
        how=how,
        bench=Bench.TABLE,
        minutes=minutes.trim(2 * bench.around([finish.id])),
        on=On(edges=shown(finish.parts)),
        requires=(Need(facts.finish(Fact.TRIED, finish.id), "the length is settled"),),
        gives=(facts.finish(Fact.LEVELLED, finish.id),),
        caution=BLADES,
        look=look,
    )


def _length_tried(bench: Workbench, finish: Finish) -> str:
    """The title of its try-on; where several edges have one, each says which."""
    several = [f for f in edges_of(bench, FinishKind.HEM) if not is_lining(bench, f)]
    return "Try it on: the length" if len(several) < 2 else f"Try it on: the length at the {lower_first(finish.name)}"


def before_hem(bench: Workbench, finish: Finish) -> tuple[list[Operation], tuple[Need, ...]]:
    """What comes before a hem is folded, and what the fold waits for."""
    if is_lining(bench, finish):
        outer = [f for f in edges_of(bench, FinishKind.HEM) if not is_lining(bench, f)]
        needs = [
            Need(facts.finish(Fact.HEMMED, f.id), "it is levelled by the garment's own hem", where_given=True)
            for f in outer
        ]
        needs += [Need(facts.layer(Fact.BASTED, "lining"), "it hangs in the garment", where_given=True)]
        return [], (*_seams_across(bench, finish), *needs)
    ends = (f for f in ends_of_facings(bench) if hem_at_ends(bench, f) == finish)
    before = (Need(facts.finish(Fact.FINISHED, f.id), "the facings' ends are closed on the hem line") for f in ends)
    opened = (f for f in bench.finishes.values() if is_of_opening(f) and pieces_of(f.parts) & pieces_of(finish.parts))
    across = (Need(facts.finish(Fact.FINISHED, f.id), "the hem is folded over edges that are done") for f in opened)
    return list(levelled(bench, finish)), (
        Need(facts.finish(Fact.LEVELLED, finish.id), "the length is settled"),
        *before,
        *across,
    )


# ---------------------------------------------------------------- where it runs


def run_of(bench: Workbench, finish: Finish) -> Run:
    """Where a hem begins and ends: at a seam, or at the edges that the garment is open at."""
    run, slit = bench.runs.over(finish.parts), slit_in(bench, finish)
    if slit is not None:
        word, twice = slit.kind.value, any(bench.joins[id].each_hand for id in slit.along if id in bench.joins)
        if run.start == word != run.end or run.end == word != run.start:
            return replace(run, said=f"{run.words}, each side")
        if not run.ring and run.start != word:
            return replace(run, said=f"{run.words}, parted at the {word}")
        return Run(word, word, said=f"from {word} to {word}" if twice else f"from one edge of the {word} to the other")
    if not is_round(bench, finish):
        return run
    legs = any(bench.piece(p.piece).has_edge("inseam") for p in finish.parts)
    of_sleeve = is_sleeve(bench, finish)
    where = INNER_LEG if legs else UNDERARM if of_sleeve else SIDE
    if of_sleeve and not any(bench.runs.beside(part, end) == UNDERARM for part in finish.parts for end in (0, 1)):
        # A sleeve in two pieces has none under the arm.
        where = "seam of the sleeve"
    said = f"beginning and ending at {'the' if where in (INNER_LEG, UNDERARM) else 'a'} {where}"
    return Run(where, where, ring=True, said=f"{said}{', both alike' if legs or of_sleeve else ''}")


def begins_at(bench: Workbench, finish: Finish) -> str:
    """The same in words."""
    return run_of(bench, finish).words


def is_round(bench: Workbench, finish: Finish) -> bool:
    """Whether a hem goes all round; that of an open front, of an apron, or with a slit or vent in it does not."""
    if slit_in(bench, finish) is not None:
        return False
    return is_sleeve(bench, finish) or bench.runs.over(finish.parts).ring


def far(bench: Workbench, finish: Finish) -> str:
    """How far along it its raw edge is neatened."""
    return "all round" if is_round(bench, finish) else "from end to end"


def slit_in(bench: Workbench, finish: Finish) -> Detail | None:
    """The slit or vent that a hem is cut apart by."""
    for detail in bench.details_of(DetailKind.SLIT, DetailKind.VENT):
        if detail.to_mark is None:
            continue
        piece, id = detail.to_mark
        mark = bench.piece(piece).mark(id)
        own = [p for p in finish.parts if p.piece == piece]
        if any(VENT_EDGE in bench.neighbours(p) for p in own):
            return detail
        beside = {found for p in own for found in zip(bench.neighbours(p), ("end", "start"), strict=True)}
        if (mark.edge, mark.anchor) in beside:
            return detail
    return None


def over_the_beginning(bench: Workbench, finish: Finish) -> str:
    return "sew over the beginning" if is_round(bench, finish) else "backstitch at both ends"
