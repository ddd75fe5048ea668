"""Seam that ends in a vent."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.slits import finds_opening_below, long_seam, open_part, run_down_to, zipped
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.neatening import finishes_edges, neaten_apart
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation, Supply, Use
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import edges_of, facing_of, is_vent
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import VENT_EDGE, Detail, DetailKind, EdgePart, FinishKind

SLANTS = 15.0
"""The row across the top of a vent falls by so much to the extension's edge, in mm (common practice, no source)."""
ROUND_THE_VENT = ("In one run with what is cut on for the vent, round its upper corner.",)


def vent(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail, join = bench.details[duty.id], bench.joins[duty.ids[1]]
    step = of_joins(bench, "vent", join.id)
    yield step(
        "stiffen",
        Act.STAY,
        f"Fuse a strip along the vent: {step.name}",
        f"On the wrong side of the upper extension a strip of fusible from the vent's stitching line, on which it is "
        f"folded, to {bench.margin(12)} past it, edge on that line, so that the vent's edge stays sharp.",
        iron_for(bench),
        at=Bench.IRON,
        took=minutes.each(4),
        uses=(Use(Supply.FUSIBLE_TAPE, 2 * (open_part(bench, detail, join) or 200.0)),),
        gives=(facts.detail(Fact.PREPARED, detail.id),),
        on=On(joins=(join.id,), edges=_cut_on(bench, detail) or step.on.edges),
        look="The strip's edge lies on the line of the fold, and nothing of it bubbles.",
    )
    requires, leaves, above = zipped(bench, join)
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
            on=On(
                joins=(join.id,),
                finishes=ids,
                edges=(*neaten.on.edges, *shown(p for f in own for p in f.parts)),
            ),
            gives=(*neaten.gives, *(facts.finish(fact, id) for id in ids for fact in (Fact.FINISHED, Fact.NEATENED))),
        )
        requires.append(
            Need(facts.join(Fact.NEATENED, join.id), "the vent's edges are neatened apart, before the seam")
        )
    across = _across(bench, detail)
    run = run_down_to(bench, join, detail, "pivot mark")
    yield sew(
        bench,
        (join.id,),
        "vent",
        how=(
            matching(bench, join),
            f"{bench.seam_of(join)} {run.words}, needle down, turn, and "
            f"{across}; backstitch. {long_seam(bench, detail, join).capitalize()} stays open.",
            "Clip the underlap's allowance into the corner, up to the stitching, so that the seam above opens.",
            *above,
        ),
        requires=tuple(requires),
        leaves=leaves,
        run=run,
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
        look="Above the clip the seam lies open; below it both extensions lie to one side, flat on each other.",
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


def _cut_on(bench: Workbench, detail: Detail) -> tuple[EdgeShown, ...]:
    """The edge of what is cut on for the vent, where it is drawn apart."""
    piece = detail.to_mark[0] if detail.to_mark is not None else ""
    return shown([EdgePart(piece, VENT_EDGE)]) if piece and bench.piece(piece).has_edge(VENT_EDGE) else ()


def _across(bench: Workbench, detail: Detail) -> str:
    """Over the top of what is cut on for the vent, to its edge."""
    wide = 0.0
    if detail.to_mark is not None and bench.piece(detail.to_mark[0]).has_edge(VENT_EDGE):
        wide = bench.piece(detail.to_mark[0]).edge(VENT_EDGE).allowance
    over = f"the {bench.margin(wide)} cut on for the vent" if wide else "the top of the extension"
    return f"across {over} to its edge, {bench.margin(SLANTS)} below its upper end"


TECHNIQUE = Technique(
    id="vent-in-a-seam",
    name="Seam that ends in a vent",
    chapter="seams",
    finds=finds_opening_below(DetailKind.VENT),
    sews=vent,
    rank=13,
    words={"vent": "a slit whose sides lap over each other"},
    draw="slit",
)
