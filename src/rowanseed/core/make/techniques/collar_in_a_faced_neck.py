"""Collar caught in a faced neck."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.collars_in_necks import on_neck, turned_collars
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.shared import sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind, Join
from rowanseed.core.pattern.pieces import Panel

_CHAPTER = "waists, collars and cuffs"
STRAIGHTER = 1.5
"""A neck that bends so many times as much as the collar's edge has to be clipped before it lies along it."""


def _caught(bench: Workbench, layer: str) -> Finish | None:
    return next(
        (f for f in bench.finishes.values() if f.kind is FinishKind.CAUGHT and pieces_of(f.parts) == {layer}), None
    )


def finds_flat(bench: Workbench) -> Iterator[Duty]:
    for turned in turned_collars(bench):
        layers = (*pieces_of(turned.a), *pieces_of(turned.b))
        for one, other in (layers, layers[::-1]):
            neck, caught = on_neck(bench, one), _caught(bench, other)
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


def _is_straighter(bench: Workbench, join: Join) -> bool:
    """Whether the collar's edge is clearly straighter than the neck: a flat collar's has the neck's own curve."""
    collar = tuple(part for part in (*join.a, *join.b) if bench.panel(part.piece) is Panel.BAND)
    neck = tuple(part for part in (*join.a, *join.b) if part not in collar)
    return bench.bends.tightness(neck) > STRAIGHTER * bench.bends.tightness(collar)


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
        for t in turned_collars(bench)
    )
    clipped = _is_straighter(bench, join)
    if clipped:
        neck = tuple(part for part in (*join.a, *join.b) if bench.panel(part.piece) is not Panel.BAND)
        yield step(
            "clip",
            Act.CLIP,
            f"Clip the neck for the collar: {step.name}",
            f"The neck's allowance every {bench.margin(15)}, to {bench.margin(2)} from the stitching line, until its "
            "curve can be laid along the collar's straighter edge without a pucker.",
            at=Bench.HAND,
            took=minutes.each(3),
            needs=tuple(
                Need(facts.piece(Fact.STAYED, id), "the staystitching holds what is clipped", where_given=True)
                for id in sorted(pieces_of(neck))
            ),
            gives=(Fact.PREPARED,),
            on=On(edges=shown(neck)),
            look="Opened out, the clips let the raw edge lie as straight as the collar's.",
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
                *(
                    (Need(facts.join(Fact.PREPARED, join.id), "clipped, the neck lies along the collar's edge"),)
                    if clipped
                    else ()
                ),
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
        "even",
        Act.TRIM,
        f"Trim the raw edges even: {step.name}",
        "Rolled over your hand, the under layer of the collar stands out beyond the upper one: trim it even with the "
        "neck's raw edge, so that the seam takes one allowance of all layers.",
        at=Bench.HAND,
        took=minutes.each(2),
        after={Fact.JOINED: "it is basted on first"},
        gives=(Fact.PRESSED, *facts.joins(Fact.BASTED, _same_edges(bench, join))),
        look="All raw edges of the neck lie on each other, and the collar keeps its roll.",
    )


TECHNIQUE = Technique(
    id="collar-in-a-faced-neck",
    name="Collar caught in a faced neck",
    chapter=_CHAPTER,
    finds=finds_flat,
    sews=flat,
    rank=18,
    also=("flat collar",),
    draw="collar sandwich",
)
