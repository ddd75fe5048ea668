"""Sleeves without a round armhole: raglan seams, sleeves cut in one with the body, dropped ones with a shallow cap."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Meant, Need, On, Operation
from rowanseed.core.make.shared import clip, finishes_edges, matching, neaten_together, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques import plain_seam, sleeves
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel

SHALLOW = 0.28
"""A cap no higher than so much of the sleeve's width goes in flat (common practice, no source)."""


FLAT = ("raglan", "dropped-sleeve", "sleeve-in-the-flat")
"""Techniques by which a sleeve is sewn in before it is closed."""


# ---------------------------------------------------------------- raglan


def finds_raglan(bench: Workbench) -> Iterator[Duty]:
    """A sleeve that is sewn to front and back by a seam each, up to the neck."""
    for join in seams(bench):
        panels = bench.panels((*join.a, *join.b))
        one_side = panels in ({Panel.SLEEVE, Panel.FRONT}, {Panel.SLEEVE, Panel.BACK})
        if one_side and not pieces_of((*join.a, *join.b)) & bench.inner:
            yield single(join.id)


def raglan(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    yield sew(
        bench,
        duty.ids,
        "raglan seam",
        how=(
            matching(bench, join),
            f"{bench.seam_of(join)} from the neck to the underarm, the more bias edge below on the feed dogs; "
            "backstitch both ends. Single notch belongs to the front, double to the back: look before you sew.",
            *plain_seam.fullness(bench, join),
        ),
        meant=frozenset({Meant.FLAT}),
        look="The bias edge has not grown: both ends are level.",
        flat=True,
    )
    clipped = clip(bench, duty.ids, "raglan seam")
    before = []
    if clipped:
        yield clipped
        before.append(Need(facts.join(Fact.GRADED, join.id), "a curved allowance lies flat only where it is clipped"))
    if finishes_edges(bench, duty.ids):
        yield neaten_together(bench, duty.ids, "raglan seam")
        before.append(Need(facts.join(Fact.FINISHED, join.id), sleeves.TOGETHER))
    pressed = press(
        bench,
        duty.ids,
        "raglan seam",
        way="side",
        words="towards the sleeve",
        requires=tuple(before),
    )
    yield replace(pressed, gives=(*pressed.gives, facts.join(Fact.ATTACHED, join.id)))


# ---------------------------------------------------------------- cut in one


def finds_cut_in_one(bench: Workbench) -> Iterator[Duty]:
    """Side and underarm in one seam, since front and back carry the sleeve."""
    for join in seams(bench):
        in_one = all(any(p.edge.startswith("underarm") for p in side) for side in (join.a, join.b))
        if in_one and bench.panels((*join.a, *join.b)) == {Panel.FRONT, Panel.BACK}:
            yield single(join.id)


def cut_in_one(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_joins(bench, "underarm in one with the side", duty.id)
    yield from plain_seam.sews(bench, duty)
    yield step(
        "reinforce",
        Act.STAY,
        f"Reinforce the underarm: {step.name}",
        f"Round the bend a second row on the first, stitch length 1.5, {bench.margin(60)} to both sides; or a bias "
        "tape of the same length laid over the stitching line, its middle at the bend, and stitched down with it. "
        f"Clip to {bench.margin(2)} from the stitching, not through the tape.",
        took=minutes.each(4, 2),
        setting=settings.staystitch(bench.household),
        after={Fact.JOINED: "the seam is sewn first"},
        gives=(facts.join(Fact.STAYED, duty.id),),
        on=On(edges=shown(bench.parts(duty.id))),
        rows=0,
        look="Arm raised, the seam gives and no thread cracks.",
    )


# ---------------------------------------------------------------- dropped


def finds_dropped(bench: Workbench) -> Iterator[Duty]:
    for duty in sleeves.finds(bench):
        if _is_shallow(bench, bench.joins[duty.id]):
            yield duty


def _is_shallow(bench: Workbench, join: Join) -> bool:
    caps = [p for p in (*join.a, *join.b) if bench.panel(p.piece) is Panel.SLEEVE]
    for cap in caps:
        shape = bench.piece(cap.piece).shapes[bench.size].edges[cap.edge]
        (x0, y0), (x1, y1) = shape[0].start, shape[-1].end
        width = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5
        if bench.bends.strays(cap) > SHALLOW * width:
            return False
    return bool(caps)


def goes_in_flat(bench: Workbench, join: Join) -> bool:
    """Whether the seam between a sleeve and the body is sewn before sides and sleeves are closed, as chosen or as is
    usual."""
    chosen = next((technique for id, technique in bench.chosen if id == join.id), None)
    if chosen is not None:
        return chosen in FLAT
    return any(join.id in duty.ids for duty in (*finds_raglan(bench), *finds_dropped(bench)))


TECHNIQUES = (
    Technique(
        id="raglan",
        name="Raglan seam",
        chapter="sleeves",
        finds=finds_raglan,
        sews=raglan,
        rank=22,
        words={"raglan": "a sleeve that runs up to the neck"},
        draw="seam to one side",
    ),
    Technique(
        id="cut-in-one",
        name="Sleeve cut in one with the body",
        chapter="sleeves",
        finds=finds_cut_in_one,
        sews=cut_in_one,
        rank=55,
        also=("dolman", "kimono sleeve"),
        draw="seam open",
    ),
    Technique(
        id="dropped-sleeve",
        name="Sleeve with a shallow cap, in the flat",
        chapter="sleeves",
        finds=finds_dropped,
        sews=sleeves.in_the_flat,
        rank=24,
        also=("dropped shoulder",),
        draw="sleeve",
    ),
)
