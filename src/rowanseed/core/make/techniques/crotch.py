"""A crotch seam: sewn in one run with the legs inside one another, twice, and trimmed below."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.shared import finishes_edges, matching, neaten_apart, press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import BLADES, NEEDLE, Workbench, on_joins
from rowanseed.core.pattern.making import ClosureKind, Join, Press
from rowanseed.core.pattern.pieces import Panel

ID = "crotch seam"
LEFT_OPEN = 40.0
"""So much of the front's seam above the crotch point is left for the one run, in mm."""


def _crotch(bench: Workbench) -> tuple[list[Join], list[Join]]:
    """(seams with a zip, seams without) between the two hands along the crotch."""
    found = [
        j
        for j in bench.joins.values()
        if pieces_of(j.a) == pieces_of(j.b)
        and j.a[0].edge == "crotch"
        and j.press is Press.OPEN
        and not pieces_of(j.a) & bench.inner
    ]
    return [j for j in found if bench.openings.zip_on(j)], [j for j in found if not bench.openings.zip_on(j)]


def finds_run(bench: Workbench) -> Iterator[Duty]:
    _, plain = _crotch(bench)
    if plain:
        yield single(*(j.id for j in plain))


def finds_front(bench: Workbench) -> Iterator[Duty]:
    zipped, plain = _crotch(bench)
    for join in zipped:
        closure = bench.openings.zip_on(join)
        # An invisible zip goes in first, so that its seam is an ordinary one below it.
        if plain and closure is not None and closure.kind is not ClosureKind.INVISIBLE_ZIP:
            yield single(join.id)


def _is_at_back(bench: Workbench, join: Join) -> bool:
    return Panel.BACK in bench.panels(join.a)


def front(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """The seam below a zip, sewn while fronts, or backs, are flat; its last bit waits for the one run."""
    join = bench.joins[duty.id]
    closure = bench.openings.zip_on(join)
    if finishes_edges(bench, duty.ids):
        yield neaten_apart(bench, duty.ids, ID)
    words = closure.kind.words if closure else "zip"
    yield sew(
        bench,
        duty.ids,
        ID,
        how=(
            matching(bench, join),
            f"{bench.seam_of(join)}: begin {bench.margin(LEFT_OPEN)} above the crotch point, with a backstitch, and "
            "sew up to the zip mark; backstitch there. The rest below is sewn when the legs are joined.",
            "Then the longest stitch: baste on from the zip mark to the waist.",
        ),
        requires=(Need(facts.join(Fact.NEATENED, join.id), "its edges are neatened apart first", where_given=True),),
        flat=True,
        leaves=(f"basting of the {words}'s opening",),
        look="The backstitch stands exactly at the zip mark.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="open",
        words="open",
        how=("As sewn first, then open, the basted part too, down to where it curves: below it stays unpressed.",),
    )


def run(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    zipped, _ = _crotch(bench)
    names = " and ".join(lower_first(bench.joins[id].name) for id in duty.ids)
    if finishes_edges(bench, duty.ids):
        yield neaten_apart(bench, duty.ids, ID)
    other, flat = ("front", "backs") if zipped and _is_at_back(bench, zipped[0]) else ("back", "fronts")
    own = flat.removesuffix("s")
    where = (
        f"from the waist at the {other}, down over the crotch point and on to where the {own}'s seam begins, "
        f"overlapping it by {bench.margin(15)}"
        if zipped
        else "from the waist at the front, down over the crotch point and up to the waist at the back"
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        title=f"Sew the crotch in one run: {names}",
        how=(
            "One leg right side out inside the other, wrong side out; crotch point on crotch point, the inner leg "
            "seams on each other, then the waist ends, then between.",
            f"{bench.seam_of(join)}, {where}.",
            f"A second row {bench.margin(3)} inside the first, in the allowance, along the lower curve from notch to "
            "notch: it takes all the strain.",
        ),
        requires=(
            Need(facts.join(Fact.NEATENED, join.id), "its edges are neatened apart first", where_given=True),
            *(
                Need(
                    facts.join(Fact.PRESSED, j.id),
                    f"the {own}'s seam and its zip come first, while the {flat} are flat",
                )
                for j in zipped
            ),
            *(
                Need(facts.closure(Fact.CLOSED, c.id), f"the zip goes in while the {flat} are flat", where_given=True)
                for j in zipped
                if (c := bench.openings.zip_on(j))
            ),
        ),
        rows=1.4,
        look="The inner leg seams meet exactly, and nothing is caught of the other leg.",
    )
    at, setting = settings.neaten(bench.household)
    yield Operation(
        id=f"trim-{duty.id}",
        technique=ID,
        act=Act.TRIM,
        title="Trim the lower crotch",
        how=(
            f"Between the notches only, trim both allowances to {bench.margin(8)} and neaten them together there. "
            "Above the curve leave them whole.",
        ),
        bench=at,
        minutes=minutes.trim(400),
        on=on_joins(bench, *duty.ids),
        requires=tuple(Need(facts.join(Fact.JOINED, id), "it is sewn twice first") for id in duty.ids),
        gives=facts.joins(Fact.GRADED, duty.ids),
        setting=setting,
        rows=0,
        caution=f"{BLADES} {NEEDLE}",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="open",
        words="open above the curve",
        how=("Open above the curve only; the lower curve stands up, it is never pressed open.",),
        requires=tuple(Need(facts.join(Fact.GRADED, id), "the lower curve is trimmed") for id in duty.ids),
    )


TECHNIQUES = (
    Technique(
        id="crotch-front",
        name="Front seam below a zip",
        chapter="seams",
        finds=finds_front,
        sews=front,
        rank=30,
        draw="seam open",
    ),
    Technique(
        id="crotch-in-one-run",
        name="Crotch seam in one run",
        chapter="seams",
        finds=finds_run,
        sews=run,
        rank=31,
        words={"crotch point": "where the four inner seams of trousers meet"},
        draw="crotch",
    ),
)
