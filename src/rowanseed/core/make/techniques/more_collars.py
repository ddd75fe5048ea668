"""Collars caught between garment and facing: flat ones in the neck seam, notched ones sewn both ways from the dot."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques import collars, facing
from rowanseed.core.make.workbench import Workbench, on_joins, shown
from rowanseed.core.pattern.making import Finish, FinishKind, Join, Press
from rowanseed.core.pattern.pieces import Panel

_CHAPTER = "waists, collars and cuffs"


def _turned(bench: Workbench) -> Iterator[Join]:
    return (bench.joins[duty.id] for duty in collars.finds_turned(bench))


def _on_neck(bench: Workbench, layer: str) -> Join | None:
    """The join that sews a layer of a collar to the garment."""
    for join in bench.joins.values():
        for side, other in ((join.a, join.b), (join.b, join.a)):
            on_body = (
                bench.panels(other) <= {Panel.FRONT, Panel.BACK, Panel.SLEEVE} and not pieces_of(other) & bench.inner
            )
            if pieces_of(side) == {layer} and on_body:
                return join
    return None


def _on_facing(bench: Workbench, layer: str) -> Join | None:
    """The join that sews a layer of a collar to facings and lining."""
    for join in bench.joins.values():
        for side, other in ((join.a, join.b), (join.b, join.a)):
            if pieces_of(side) == {layer} and pieces_of(other) <= bench.inner:
                return join
    return None


# ---------------------------------------------------------------- flat, or any collar caught in a faced neck


def _caught(bench: Workbench, layer: str) -> Finish | None:
    return next(
        (f for f in bench.finishes.values() if f.kind is FinishKind.CAUGHT and pieces_of(f.parts) == {layer}), None
    )


def finds_flat(bench: Workbench) -> Iterator[Duty]:
    for turned in _turned(bench):
        layers = (*pieces_of(turned.a), *pieces_of(turned.b))
        for one, other in (layers, layers[::-1]):
            neck, caught = _on_neck(bench, one), _caught(bench, other)
            if neck is not None and caught is not None:
                yield single(neck.id, caught.id)


def _same_edges(bench: Workbench, join: Join) -> tuple[str, ...]:
    """Faced seams along the same edges of the garment."""
    own = {(p.piece, p.edge) for p in (*join.a, *join.b)}
    return tuple(
        other.id
        for other in bench.joins.values()
        if other.id != join.id and bench.is_faced(other) and {(p.piece, p.edge) for p in (*other.a, *other.b)} & own
    )


def flat(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, caught = bench.joins[duty.id], bench.finishes[duty.ids[1]]
    step = of_joins(bench, "collar in a faced neck", duty.id)
    where = (
        "the halves meeting at the centre front, the shoulder marks, and the other ends at the centre back"
        if join.each_hand
        else "centre back, shoulder marks, and its ends at the centre front"
    )
    turned = tuple(
        Need(facts.join(Fact.PRESSED, t.id), "a collar is turned and pressed before it is put on")
        for t in _turned(bench)
    )
    yield replace(
        sew(
            bench,
            (join.id,),
            "collar in a faced neck",
            act=Act.BAND,
            title=f"Baste the collar to the neck: {step.name}",
            how=(
                "Collar on the right side of the neck, its upper side up, both layers' raw edges even with the "
                f"neck's: {where} first. Let the upper layer keep its roll: hold it over your hand as you pin, and "
                "what it then stands back is trimmed.",
                f"Baste {bench.margin(3)} outside the stitching line, in the allowance, where it stays. It ends at "
                "the centre line, short of an edge that laps over it.",
                "The facing sewn over it goes through all layers on the stitching line.",
            ),
            requires=(
                *turned,
                Need(facts.gate(Fact.SETTLED, "shell"), "neck and shoulders are settled first", where_given=True),
            ),
            meant=frozenset({Meant.ENCLOSES}),
            look="Its ends meet at the centre line when the garment is closed, and stand at the same height.",
        ),
        on=On(joins=(join.id,), finishes=(caught.id,), edges=shown((*join.a, *join.b, *caught.parts))),
        gives=(
            facts.join(Fact.JOINED, join.id),
            facts.finish(Fact.FINISHED, caught.id),
        ),
    )
    yield step(
        "clip",
        Act.CLIP,
        f"Clip the neck under the collar: {step.name}",
        f"The neck's allowance every {bench.margin(15)}, to {bench.margin(2)} from the stitching line, until it lies "
        "along the collar's straighter edge without a pucker.",
        at=Bench.HAND,
        took=minutes.each(3),
        after={Fact.JOINED: "it is basted on first"},
        gives=(Fact.PRESSED, *facts.joins(Fact.BASTED, _same_edges(bench, join))),
    )


# ---------------------------------------------------------------- notched


def _notched(bench: Workbench) -> tuple[Join, Join, Join] | None:
    """(under collar to garment, upper collar to facings, collar's edge)."""
    for turned in _turned(bench):
        layers = (*pieces_of(turned.a), *pieces_of(turned.b))
        for upper, under in (layers, layers[::-1]):
            outer, inner = _on_neck(bench, under), _on_facing(bench, upper)
            if outer is not None and inner is not None:
                return outer, inner, turned
    return None


def _fronts(bench: Workbench, outer: Join) -> tuple[Join, ...]:
    """The faced front edges that run out at the neck."""
    near = {j.id for j in bench.crossing([outer.id])}
    return tuple(bench.joins[d.id] for d in facing.finds(bench) if d.id in near)


def finds_notched(bench: Workbench) -> Iterator[Duty]:
    found = _notched(bench)
    if found:
        outer, inner, turned = found
        yield single(outer.id, inner.id, turned.id, *(j.id for j in _fronts(bench, outer)))


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
        (inner, "upper collar to the facings", tuple(facing.made_up(bench, inner))),
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
            flat=True,
            look="Both dots are the same distance from the front edge.",
        )
        yield press(
            bench,
            (join.id,),
            "notched collar",
            way="open",
            words="open" if join.press is not Press.BAND else "open, over a ham",
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
            requires=(*op.requires, *(both if op.act is Act.JOIN else ())),
        )
    for id in fronts:
        for op in facing.sews(bench, single(id)):
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


TECHNIQUES = (
    Technique(
        id="collar-in-a-faced-neck",
        name="Collar caught in a faced neck",
        chapter=_CHAPTER,
        finds=finds_flat,
        sews=flat,
        rank=18,
        also=("flat collar",),
        draw="collar sandwich",
    ),
    Technique(
        id="notched-collar",
        name="Notched collar",
        chapter=_CHAPTER,
        finds=finds_notched,
        sews=notched,
        rank=16,
        words={"notch of a collar": "the corner between collar and lapel, sewn both ways from one dot"},
        draw="collar",
    ),
)
