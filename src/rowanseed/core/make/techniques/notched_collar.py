"""A notched collar, sewn both ways from the dot where it meets the lapel."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import collars, facings
from rowanseed.core.make.families.collars_in_necks import on_neck, turned_collars
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, on_joins
from rowanseed.core.pattern.making import Join, Press

_CHAPTER = "waists, collars and cuffs"


def _on_facing(bench: Workbench, layer: str) -> Join | None:
    """The join that sews a layer of a collar to facings and lining."""
    for join in bench.joins.values():
        for side, other in ((join.a, join.b), (join.b, join.a)):
            if pieces_of(side) == {layer} and pieces_of(other) <= bench.inner:
                return join
    return None


def _notched(bench: Workbench) -> tuple[Join, Join, Join] | None:
    """(under collar to garment, upper collar to facings, collar's edge)."""
    for turned in turned_collars(bench):
        layers = (*pieces_of(turned.a), *pieces_of(turned.b))
        for upper, under in (layers, layers[::-1]):
            outer, inner = on_neck(bench, under), _on_facing(bench, upper)
            if outer is not None and inner is not None:
                return outer, inner, turned
    return None


def _fronts(bench: Workbench, outer: Join) -> tuple[Join, ...]:
    """The faced front edges that run out at the neck."""
    near = {j.id for j in bench.crossing([outer.id])}
    return tuple(bench.joins[d.id] for d in facings.finds(bench) if d.id in near)


def finds_notched(bench: Workbench) -> Iterator[Duty]:
    found = _notched(bench)
    if found:
        outer, inner, turned = found
        yield Duty((outer.id, inner.id, turned.id, *(j.id for j in _fronts(bench, outer))), whole=True)


def _crossed(bench: Workbench, join: Join, duty: Duty) -> Iterator[Need]:
    """Seams that end on a neck, but for those that are sewn from its dots."""
    for other in bench.crossing([join.id]):
        if other.id not in duty.ids:
            yield Need(facts.join(Fact.PRESSED, other.id), "a seam is pressed before another crosses it")


def notched(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    outer, inner, edge = (bench.joins[id] for id in duty.ids[:3])
    fronts = duty.ids[3:]
    settled = Need(facts.gate(Fact.SETTLED, "shell"), "neck and shoulders are settled first", where_given=True)
    for join, what, waits in (
        (outer, "under collar to the garment", (settled,)),
        (inner, "upper collar to the facings", tuple(facings.made_up(bench, inner))),
    ):
        yield sew(
            bench,
            (join.id,),
            "notched collar",
            act=Act.BAND,
            title=f"Sew the {what}: {lower_first(join.name)}",
            how=(
                "Right sides together, from dot to dot: centre back and shoulders first, the dots at both ends "
                "exactly on each other; clip the neck up to the stitching line where it pulls, and at the shoulder "
                "corner.",
                f"{bench.seam_of(join)}; begin and end exactly at the dots with a backstitch, the allowances beyond "
                "them free.",
            ),
            requires=(*waits, *_crossed(bench, join, duty)),
            meant=frozenset({Meant.ENCLOSES}),
            run=Run("dot", "dot"),
            flat=True,
            look="Both dots are the same distance from the front edge.",
        )
        yield press(
            bench,
            (join.id,),
            "notched collar",
            way="open",
            words="open" if join.press is not Press.BAND else "open, over a ham",
            look="Both allowances lie open and flat, and collar and lapel lie in one plane.",
        )
    both = tuple(
        Need(facts.join(Fact.PRESSED, join.id), "both necks are sewn from dot to dot first") for join in (outer, inner)
    )
    for op in collars.turned(bench, single(edge.id)):
        told = (
            (
                "Garment with under collar and facings with upper collar right sides together, the dots on each "
                "other: pin through both so that neither slips, the neck allowances folded out of the way.",
                *op.how[1:-1],
                f"{bench.seam_of(edge)} from dot to dot round the collar, never across the neck seam; backstitch at "
                "the dots.",
                f"Stitch length 1.5 for {bench.margin(25)} before and after a point, and two stitches across it.",
            )
            if op.act is Act.JOIN
            else op.how
        )
        yield replace(
            op,
            technique="notched collar",
            how=told,
            run=Run("dot", "dot") if op.act is Act.JOIN else op.run,
            requires=(*op.requires, *(both if op.act is Act.JOIN else ())),
        )
    for id in fronts:
        for op in facings.sews(bench, single(id)):
            first = (
                (
                    *op.how,
                    "Begin at the dot, down the lapel and the front edge: collar and lapel meet in one hole, no "
                    "stitch between.",
                )
                if op.act is Act.FACE
                else op.how
            )
            more = (*both, Need(facts.join(Fact.JOINED, edge.id), "the collar is sewn to its dots first"))
            yield replace(op, how=first, requires=(*op.requires, *(more if op.act is Act.FACE else ())))
    step = of_joins(bench, "notched collar", outer.id)
    yield step(
        "tack",
        Act.TACK,
        f"Join the two neck seams inside: {step.name}",
        "Collar rolled as it is worn: pin through the well of both neck seams from outside. Reach in and catch the "
        "two pressed-open allowances together by hand, loosely, from dot to dot.",
        at=Bench.HAND,
        took=minutes.hand(step.mm),
        needs=(
            Need(facts.join(Fact.PRESSED, edge.id), "the collar is turned first"),
            *(Need(facts.join(Fact.TURNED, id), "the facings are turned in first") for id in fronts),
        ),
        gives=(facts.join(Fact.ATTACHED, outer.id),),
        on=on_joins(bench, outer.id, inner.id),
        look="The collar does not shift against the garment, and the notches are alike.",
    )


TECHNIQUE = Technique(
    id="notched-collar",
    name="Notched collar",
    chapter=_CHAPTER,
    finds=finds_notched,
    sews=notched,
    rank=16,
    words={"notch of a collar": "the corner between collar and lapel, sewn both ways from one dot"},
    draw="collar",
)
