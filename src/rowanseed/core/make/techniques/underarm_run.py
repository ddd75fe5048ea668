"""Side and sleeve in one run, over the armhole seam, where the sleeve was sewn in flat."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.dropped_sleeves import finds_dropped
from rowanseed.core.make.families.plain_seams import order_needs
from rowanseed.core.make.families.raglans import finds_raglan
from rowanseed.core.make.families.set_in_sleeves import sleeve_joins
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.neatening import finishes_edges, neaten_apart
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import clip, press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import simple_seams
from rowanseed.core.make.workbench import Workbench, both_sides
from rowanseed.core.pattern.making import Join, Press
from rowanseed.core.pattern.pieces import Panel

ID = "underarm in one run"

FLAT = ("raglan", "dropped-sleeve", "sleeve-in-the-flat")
"""Techniques by which a sleeve is sewn in before it is closed."""


def finds(bench: Workbench) -> Iterator[Duty]:
    armholes = list(sleeve_joins(bench))
    if not armholes or not all(goes_in_flat(bench, join) for join in armholes):
        return
    sides, sleeves = _runs(bench, armholes)
    if len(sides) == len(sleeves) == 1:
        yield single(sides[0].id, sleeves[0].id)


def _why_not(bench: Workbench, id: str) -> str | None:
    """Said of the seams that close the sides and the sleeves."""
    if any(id in duty.ids for duty in finds(bench)):
        return ""
    armholes, join = list(sleeve_joins(bench)), bench.joins.get(id)
    if not armholes or join is None or not (bench.closes_side(join) or _closes_sleeve(bench, join)):
        return None
    if not all(goes_in_flat(bench, armhole) for armhole in armholes):
        return "the sleeves are set in after sides and sleeves are closed"
    return "side and sleeve do not meet as two plain seams that are pressed open"


def _runs(bench: Workbench, armholes: list[Join]) -> tuple[list[Join], list[Join]]:
    """The seams that close the sides and the sleeves and end at the armholes."""
    plain = [j for j in simple_seams(bench) if j.press is Press.OPEN and not pieces_of((*j.a, *j.b)) & bench.inner]
    sides = [j for j in plain if bench.closes_side(j) and _reaches(bench, j, armholes)]
    sleeves = [j for j in plain if _closes_sleeve(bench, j) and _reaches(bench, j, armholes)]
    return sides, sleeves


def _closes_sleeve(bench: Workbench, join: Join) -> bool:
    return join.each_hand and bench.panels((*join.a, *join.b)) == {Panel.SLEEVE}


def _reaches(bench: Workbench, join: Join, armholes: list[Join]) -> bool:
    """Whether it ends at the seams that sew the sleeve to the body."""
    return {other.id for other in bench.crossing([join.id])} >= {other.id for other in armholes}


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    side, sleeve = (bench.joins[id] for id in duty.ids)
    names, run = f"{lower_first(side.name)} and {lower_first(sleeve.name)}", _run(bench, side, sleeve)
    before: list[Need] = []
    needs = [need for join in (side, sleeve) for need in order_needs(bench, join)]
    if finishes_edges(bench, duty.ids):
        neatened = neaten_apart(bench, duty.ids, ID)
        yield replace(neatened, title=f"Neaten the edges: {names}{both_sides(side)}")
        needs.append(Need(facts.join(Fact.NEATENED, side.id), "edges pressed open are neatened apart, before the seam"))
    matched = bench.ends_and_notches(next((join for join in (side, sleeve) if bench.notched(join)), side))
    yield sew(
        bench,
        duty.ids,
        ID,
        title=f"Sew {names} in one run{both_sides(side)}",
        how=(
            "Right sides together; the seam between sleeve and body on itself first, its allowances lying as they "
            f"were pressed, then the {matched}, then between.",
            f"{bench.seam_of(side)} {run.words}; backstitch both ends.",
        ),
        requires=tuple(dict.fromkeys(needs)),
        run=run,
        look="Under the arm the four seams meet in one point, and no pleat is caught.",
    )
    clipped = clip(bench, duty.ids, ID)
    if clipped:
        yield replace(clipped, title=f"Clip and notch the curve: {names}{both_sides(side)}")
        before += [
            Need(facts.join(Fact.GRADED, id), "a curved allowance opens only where it is clipped") for id in duty.ids
        ]
    title = f"Press open: {names}{both_sides(side)}"
    yield press(bench, duty.ids, ID, way="open", words="open", title=title, requires=tuple(before))


def _run(bench: Workbench, side: Join, sleeve: Join) -> Run:
    far = _far(bench, side)
    said = f"from the {far} up the side, over that seam, and on to the {_far(bench, sleeve)}"
    return replace(bench.runs.begun_at(side, far), said=said, goes_on=True)


def _far(bench: Workbench, join: Join) -> str:
    """The end of a seam that lies away from the armhole."""
    run = bench.runs.over(join.a, each_hand=join.each_hand)
    return run.start if run.start in ("hem", "wrist", "waist", "lower edge") else run.end


def goes_in_flat(bench: Workbench, join: Join) -> bool:
    """Whether the seam between a sleeve and the body is sewn before sides and sleeves are closed, as chosen or as is
    usual."""
    chosen = next((technique for id, technique in bench.chosen if id == join.id), None)
    if chosen is not None:
        return chosen in FLAT
    return any(join.id in duty.ids for duty in (*finds_raglan(bench), *finds_dropped(bench)))


TECHNIQUE = Technique(
    id="underarm-in-one-run",
    name="Side and sleeve in one run",
    chapter="sleeves",
    finds=finds,
    why_not=_why_not,
    sews=sews,
    rank=60,
    words={"underarm": "where the side seam and the sleeve seam meet"},
    draw="seam open",
)
