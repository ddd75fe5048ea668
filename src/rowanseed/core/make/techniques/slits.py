"""A seam that ends in a slit or a vent: sewn to a mark, its open part turned back and held at the end."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.shared import finishes_edges, iron_for, matching, neaten_apart, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.which import edges_of, facing_of, is_vent, seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import VENT_EDGE, ClosureKind, Detail, DetailKind, FinishKind, Join
from rowanseed.core.pattern.seamline import mark_distance, seam_length

ROUND_THE_VENT = ("In one run with what is cut on for the vent, round its upper corner.",)
BEYOND = 6.0
"""The slit is barred so far above its end, in mm (the craft's 1/4 in)."""


def _finds(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        plain = {join.id for join in seams(bench)}
        for detail in bench.details_of(kind):
            if len(detail.along) == 1 and detail.along[0] in plain and not bench.openings.opens_above(detail):
                own = (f.id for f in bench.finishes.values() if kind is DetailKind.VENT and is_vent(bench, f))
                yield single(detail.id, detail.along[0], *own)

    return finds


def open_part(bench: Workbench, detail: Detail, join: Join) -> float | None:
    """How long the open part is from the lower edge, in mm; None where no mark says."""
    if detail.to_mark is None:
        return None
    piece = bench.piece(detail.to_mark[0])
    if piece.has_edge(VENT_EDGE):
        return seam_length(piece, bench.size, VENT_EDGE)
    mark = piece.mark(detail.to_mark[1])
    at = mark_distance(piece, bench.size, mark)
    whole = seam_length(piece, bench.size, mark.edge)
    return min(at, whole - at) if join else None


def _long(bench: Workbench, detail: Detail, join: Join) -> str:
    part = open_part(bench, detail, join)
    return f"the lower {bench.length(part)}" if part else "the part below the mark"


def slit(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail, join = bench.details[duty.id], bench.joins[duty.ids[1]]
    step = of_joins(bench, "slit", join.id)
    ids = (join.id,)
    yield from seam_above(bench, detail, join, "slit")
    allowance = bench.edge_allowance(join.a[0])
    yield step(
        "slit",
        Act.TURN,
        f"Turn back the edges of the slit: {step.name}",
        f"Along {_long(bench, detail, join)} the allowances lie on in line with those pressed open above; where they "
        f"are {bench.margin(12)} or more turn their raw edges under by {bench.margin(5)}, the overlocked ones stay "
        "single.",
        f"Stitch {bench.margin(max(allowance - 4, 6))} from the fold: up one side, across {bench.margin(BEYOND)} above "
        "the end of the slit, and down the other side. Pivot with the needle down. Or slip stitch the edges by hand "
        "and bar the end.",
        took=minutes.each(8, 2 if join.each_hand else 1),
        setting=settings.topstitch(bench.household, bench.margin(max(allowance - 4, 6)), lining=step.lining),
        after={Fact.PRESSED: "the seam above is pressed open first"},
        gives=(
            facts.detail(Fact.FINISHED, detail.id),
            *(facts.join(Fact.ATTACHED, id) for id in ids),
        ),
        rows=0.4,
        booklet=True,
        look="Both edges are equally long, and the end lies flat without a pucker.",
    )


def _top(bench: Workbench, join: Join) -> str:
    """Where a seam begins above its open part."""
    return "the end of the zip" if bench.openings.zip_on(join) is not None else "the upper end"


def _zipped(bench: Workbench, join: Join) -> tuple[list[Need], tuple[str, ...], tuple[str, ...]]:
    """What a seam waits for, what basting it leaves, and what a zip above the open part changes about it."""
    needs = list(plain_seams.order_needs(bench, join))
    closure = bench.openings.zip_on(join)
    if closure is None:
        return needs, (), ()
    if closure.kind is ClosureKind.INVISIBLE_ZIP:
        needs.append(Need(facts.closure(Fact.CLOSED, closure.id), "an invisible zip goes in before the seam below it"))
        return needs, (), ("It begins within a stitch of the zip, its tail held clear, with the zipper foot.",)
    words = f"basting of the {closure.kind.words}'s opening"
    return (
        needs,
        (words,),
        (f"Backstitch at the zip mark. {plain_seams.basted_on(closure, 'upper end')}",),
    )


def seam_above(bench: Workbench, detail: Detail, join: Join, technique: str) -> Iterator[Operation]:
    """The seam itself, sewn down to the mark of its open part and pressed open."""
    requires, leaves, above = _zipped(bench, join)
    in_lining = bench.openings.opening_in_lining(join)
    down = (
        plain_seams.left_open(bench, join, in_lining, f"mark of the {detail.kind.value}")
        if in_lining
        else (
            f"{bench.seam_of(join)} from {_top(bench, join)} down to the mark of the {detail.kind.value}; backstitch "
            "there three stitches.",
        )
    )
    if finishes_edges(bench, (join.id,)):
        yield neaten_apart(bench, (join.id,), technique)
        requires.append(
            Need(facts.join(Fact.NEATENED, join.id), "the slit's edges are neatened apart, before the seam")
        )
    yield sew(
        bench,
        (join.id,),
        technique,
        how=(
            matching(bench, join),
            *down,
            f"{_long(bench, detail, join).capitalize()} stays open.",
            *above,
        ),
        requires=tuple(requires),
        leaves=leaves,
        look="Both sides end at the same height." if join.each_hand else "The seam ends exactly at the mark.",
    )
    yield press(
        bench,
        (join.id,),
        technique,
        way="open",
        words="open",
        how=(
            "As sewn first; then open, and on below the mark: the allowances of the open part are pressed back in the "
            "same line.",
        ),
    )


def vent(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail, join = bench.details[duty.id], bench.joins[duty.ids[1]]
    step = of_joins(bench, "vent", join.id)
    yield step(
        "stiffen",
        Act.STAY,
        f"Fuse a strip along the vent: {step.name}",
        f"On the wrong side of the upper extension a strip of fusible from the fold line to {bench.margin(12)} past "
        "it, edge on the fold line, so that the vent's edge stays sharp.",
        iron_for(bench),
        at=Bench.IRON,
        took=minutes.each(4),
        uses=(Use(Supply.FUSIBLE_TAPE, 2 * (open_part(bench, detail, join) or 200.0)),),
        gives=(facts.detail(Fact.PREPARED, detail.id),),
    )
    requires, leaves, above = _zipped(bench, join)
    requires.append(Need(facts.detail(Fact.PREPARED, detail.id), "the strip goes on while the piece is flat"))
    own = [f for f in bench.finishes.values() if is_vent(bench, f)]
    if finishes_edges(bench, (join.id,)) or own:
        neaten = neaten_apart(bench, (join.id,), "vent")
        ids = tuple(f.id for f in own)
        yield replace(
            neaten,
            how=(
                *neaten.how,
                *(ROUND_THE_VENT if own else ()),
            ),
            on=On(joins=(join.id,), finishes=ids, edges=neaten.on.edges),
            gives=(*neaten.gives, *(facts.finish(fact, id) for id in ids for fact in (Fact.FINISHED, Fact.NEATENED))),
        )
        requires.append(
            Need(facts.join(Fact.NEATENED, join.id), "the vent's edges are neatened apart, before the seam")
        )
    across = _across(bench, detail)
    yield sew(
        bench,
        (join.id,),
        "vent",
        how=(
            matching(bench, join),
            f"{bench.seam_of(join)} from {_top(bench, join)} down to the pivot mark, needle down, turn, and {across}; "
            f"backstitch. {_long(bench, detail, join).capitalize()} stays open.",
            "Clip the underlap's allowance into the corner, up to the stitching, so that the seam above opens.",
            *above,
        ),
        requires=tuple(requires),
        leaves=leaves,
    )
    yield press(
        bench,
        (join.id,),
        "vent",
        way="open",
        words="open",
        how=(
            "The seam open above the clip; the vent's extensions both to the side that the upper one is folded to, "
            "usually the wearer's left.",
        ),
    )
    yield step(
        "vent",
        Act.TOPSTITCH,
        f"Hold the top of the vent: {step.name}",
        "Right side up, the vent lying closed: from the seam slanting down to the edge of the extension, through all "
        "layers, along the row inside; or catch it by hand to the extension only, so that nothing shows.",
        "Hem it later with the vent opened out"
        + (
            ", its facing's ends turned in there."
            if any(facing_of(bench, f) for f in edges_of(bench, FinishKind.HEM))
            else ": the upper side's corner is mitred, the underlap's folded square."
        ),
        took=minutes.each(6),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.PRESSED: "the extensions lie to their side"},
        gives=(facts.detail(Fact.FINISHED, detail.id), facts.join(Fact.TOPSTITCHED, join.id)),
        rows=0.1,
        booklet=True,
        look="Hanging, both edges of the vent lie on each other and do not spread.",
    )


def _across(bench: Workbench, detail: Detail) -> str:
    """Over the top of what is cut on for the vent, to its edge."""
    wide = 0.0
    if detail.to_mark is not None and bench.piece(detail.to_mark[0]).has_edge(VENT_EDGE):
        wide = bench.piece(detail.to_mark[0]).edge(VENT_EDGE).allowance
    over = f"the {bench.margin(wide)} cut on for the vent" if wide else "the top of the extension"
    return f"across {over} to its edge, {bench.margin(15)} below its upper end"


def _technique(
    kind: DetailKind, name: str, sews: Callable[..., Iterator[Operation]], words: dict[str, str]
) -> Technique:
    return Technique(
        id=f"{kind.value}-in-a-seam",
        name=name,
        chapter="seams",
        finds=_finds(kind),
        sews=sews,
        rank=13,
        words=words,
        draw="slit",
    )


TECHNIQUES = (
    _technique(DetailKind.SLIT, "Seam that ends in a slit", slit, {"slit": "the end of a seam left open on purpose"}),
    _technique(DetailKind.VENT, "Seam that ends in a vent", vent, {"vent": "a slit whose sides lap over each other"}),
)
