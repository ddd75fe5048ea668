"""Zips: invisible before the seam below it, centred and lapped after it, exposed; each in its own operations."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation, Supply, Use
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Closure, ClosureKind, Join
from rowanseed.core.pattern.pieces import Mark, Panel
from rowanseed.core.pattern.seamline import mark_distance

SOFT = (Fibre.VISCOSE, Fibre.SILK, Fibre.ACETATE)
STOP = 8.0
"""The top of the pull stands so far below the stitching line at the upper edge, in mm."""
TAIL = 20.0
TAPE_ENDS = "The upper ends of the tape: turned aside into the allowances and sewn to these only"
ABOVE_THE_PULL = f"{TAPE_ENDS}; a bar across, above the pull, holds both sides together."


def _finds(kind: ClosureKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for closure in bench.closures.values():
            if closure.kind is kind and closure.join in bench.joins:
                yield single(closure.id)

    return finds


def beside(bench: Workbench, join: Join, closure: Closure) -> tuple[EdgeShown, ...]:
    """The edges of a join along its zip."""
    out = []
    for edge in shown((*join.a, *join.b)):
        first, last = (
            _mark_on(bench, edge, found) if found is not None else None
            for found in (closure.from_mark, closure.to_mark)
        )
        if first is not None and last is not None:
            out.append(replace(edge, mark=last.id, to_mark=first.id))
        elif first is not None:
            out.append(replace(edge, mark=first.id, beyond_mark=_at_start(bench, edge, first)))
        elif last is not None:
            out.append(replace(edge, mark=last.id, beyond_mark=not _at_start(bench, edge, last)))
        else:
            out.append(edge)
    return tuple(out)


def _mark_on(bench: Workbench, edge: EdgeShown, found: tuple[str, str]) -> Mark | None:
    """A mark (piece, id), if it is on this edge."""
    mark = bench.piece(edge.piece).mark(found[1]) if found[0] == edge.piece else None
    return mark if mark is not None and mark.edge == edge.edge else None


def _at_start(bench: Workbench, edge: EdgeShown, mark: Mark) -> bool:
    """Whether the end that a mark is measured from, or lies nearer to, is its edge's first."""
    piece = bench.piece(edge.piece)
    whole = sum(s.length() for s in piece.shapes[bench.size].edges[edge.edge])
    return mark.anchor == "start" or (mark.anchor != "end" and mark_distance(piece, bench.size, mark) < whole / 2)


def top(bench: Workbench, closure: Closure) -> str:
    """Where the top of the pull stands."""
    if closure.from_mark is not None:
        return f"the top of the pull {bench.fine(STOP)} below the upper mark"
    return f"the top of the pull {bench.fine(STOP)} below the upper stitching line"


def _parts(bench: Workbench, duty: Duty) -> tuple[Closure, Join, str, On]:
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    return closure, join, lower_first(join.name), On(closures=(closure.id,), edges=beside(bench, join, closure))


def _stiffened_opening(bench: Workbench, closure: Closure, on: On, name: str) -> Iterator[Operation]:
    """Soft cloth gets a strip of fusible along the opening, so that the zip does not ripple."""
    soft = bench.household.fibre in SOFT or bench.household.is_knit
    if not soft:
        return
    yield Operation(
        id=f"strip-{closure.id}",
        technique="fusible strips",
        act=Act.FUSE,
        title=f"Fuse a strip along the zip's opening: {name}",
        how=(
            f"Light fusible, {bench.margin(20)} wide and {bench.margin(20)} longer than the opening, on the wrong "
            "side of both edges, to the raw edge.",
            "Set the iron down, lift, do not slide; let it cool flat.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(4),
        on=replace(on, pieces=tuple(sorted(pieces_of(bench.parts(closure.join))))),
        gives=tuple(facts.piece(Fact.STIFFENED, id) for id in sorted(pieces_of(bench.parts(closure.join)))),
        uses=(Use(Supply.FUSIBLE_TAPE, 2 * ((bench.openings.zip_length(closure) or 200.0) + 20.0)),),
        caution=HOT,
        look="The strip ends below the zip mark, and the edge hangs without a ripple.",
    )


def invisible(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure, join, name, on = _parts(bench, duty)
    between = closure.from_mark is not None
    marks, upper, begin = ("zip marks", "mark", "upper mark") if between else ("zip mark", "stitching line", "top")
    yield from _stiffened_opening(bench, closure, on, name)
    yield Operation(
        id=f"uncurl-{closure.id}",
        technique="invisible zip",
        act=Act.PRESS,
        title="Press the zip's coils flat",
        how=(
            "Zip open, face down, cool iron along the coils until they stand away from the tape. Not over the slider.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(2),
        on=On(closures=(closure.id,)),
        gives=(facts.closure(Fact.PREPARED, closure.id),),
        caution=HOT,
        look="The groove beside the coil can be seen.",
    )
    basting = "basting of the invisible zip"
    yield Operation(
        id=f"baste-{closure.id}",
        technique="invisible zip",
        act=Act.BASTE,
        title=f"Baste in the zip: {name}",
        how=(
            f"Chalk the stitching line, {bench.allowance(join)} from the edge, and the {marks} on the right side of "
            "both edges.",
            "Zip open, face down on the right side of the right edge: the coil exactly on the chalk line, the tape "
            f"towards the raw edge, {top(bench, closure)}. Baste through the tape.",
            f"Close the zip; on its free tape mark the upper {upper} and every seam or notch that has to meet. Open "
            "it, lay the free tape on the left edge the same way, mark on mark, and baste. Nothing is twisted.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(10),
        on=on,
        requires=(
            Need(facts.closure(Fact.PREPARED, closure.id), "flat coils let the needle come close"),
            Need(
                facts.join(Fact.NEATENED, join.id),
                "the edges of a zip opening are neatened before the zip",
                where_given=True,
            ),
            *crossings(bench, join.id),
            *bench.flat_first([join.id]),
        ),
        gives=(facts.closure(Fact.BASTED, closure.id),),
        leaves=(basting,),
        look="Closed, both edges are level at the top, and the seam lines meet.",
    )
    setting = settings.zip_foot(bench.household, invisible=True)
    yield Operation(
        id=f"zip-{closure.id}",
        technique="invisible zip",
        act=Act.INSERT_CLOSURE,
        title=f"Put in the invisible zip: {name}",
        how=(
            f"Zip open. Right edge first, from the {begin} down: the coil rolled up under the foot, the needle in the "
            "groove beside it, not through it. Stop at the zip mark and backstitch.",
            "Then the left edge, from the top down as well, to the same level.",
            *((f"{TAPE_ENDS}.",) if between else ()),
            "Take the basting out, close the zip and look. Push its tail aside; sew the free edges of the tape to "
            f"the allowances only. Longer than {bench.margin(TAIL)} below the mark: whip a new stop over the coil "
            "and cut it there.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(15),
        on=on,
        requires=(Need(facts.closure(Fact.BASTED, closure.id), "it is basted, so that both sides stay level"),),
        gives=(facts.closure(Fact.CLOSED, closure.id),),
        setting=setting,
        removes=(basting,),
        caution=NEEDLE,
        booklet=bench.booklet(closure.id),
        look="Closed, only the pull can be seen, and it slides without catching.",
    )


def after_seam(bench: Workbench, closure: Closure, join: Join) -> tuple[Need, ...]:
    return (Need(facts.join(Fact.PRESSED, join.id), "the seam below is sewn and pressed, the opening basted, first"),)


def centred(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure, join, name, on = _parts(bench, duty)
    yield from _stiffened_opening(bench, closure, on, name)
    basting = "basting of the centred zip"
    yield Operation(
        id=f"baste-{closure.id}",
        technique="centred zip",
        act=Act.BASTE,
        title=f"Baste in the zip: {name}",
        how=(
            "Wrong side up, the basted part of the seam pressed open. The closed zip face down on it, the coil's "
            f"middle on the seam, {top(bench, closure)}.",
            "Baste both tapes through all layers.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(8),
        on=on,
        requires=after_seam(bench, closure, join),
        gives=(facts.closure(Fact.BASTED, closure.id),),
        leaves=(basting,),
    )
    setting = settings.zip_foot(bench.household, invisible=False)
    yield Operation(
        id=f"zip-{closure.id}",
        technique="centred zip",
        act=Act.INSERT_CLOSURE,
        title=f"Put in the centred zip: {name}",
        how=(
            f"Right side up, {bench.margin(6)} from the seam: down one side, needle down, pivot, across below the "
            "stop, pivot, and up the other side; the slider moved out of the way.",
            *((f"Across above the slider as well, from row to row. {ABOVE_THE_PULL}",) if closure.from_mark else ()),
            "Take out both bastings: the zip's and the seam's over the opening.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(14),
        on=on,
        requires=(Need(facts.closure(Fact.BASTED, closure.id), "it is basted first"),),
        gives=(facts.closure(Fact.CLOSED, closure.id),),
        setting=setting,
        removes=(basting, "basting of the centred zip's opening"),
        caution=NEEDLE,
        booklet=bench.booklet(closure.id),
        look="Both folds meet over the coil, and the rows stand at one distance from them.",
    )


def _laps(bench: Workbench, join: Join) -> str:
    """Which side of a lapped zip lies on top (common practice, no source)."""
    if pieces_of(join.a) != pieces_of(join.b):
        return "The front laps over the back; the back is the underlap."
    women = bench.pattern.envelope.figure is Figure.WOMEN
    at_back = Panel.BACK in bench.panels(join.a)
    lap, under = ("right", "left") if women and not at_back else ("left", "right")
    return (
        f"The {lap} side laps over the {under}, as the wearer sees it; lap it the other way if your booklet does, or "
        "if that hand reaches it more easily."
    )


def lapped(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure, join, name, on = _parts(bench, duty)
    yield from _stiffened_opening(bench, closure, on, name)
    setting = settings.zip_foot(bench.household, invisible=False)
    own = {
        "technique": "lapped zip",
        "on": on,
        "bench": Bench.MACHINE,
        "setting": setting,
        "caution": NEEDLE,
    }
    basting = "basting of the lap"
    upper = "upper mark, pivot, and across to the seam" if closure.from_mark else "upper edge"
    yield Operation(
        id=f"underlap-{closure.id}",
        act=Act.BASTE,
        title=f"Sew the zip to the underlap: {name}",
        how=(
            _laps(bench, join),
            "Take the basting of the opening out. Fold the underlap's allowance "
            f"{bench.margin(3)} outside the stitching line and press it.",
            f"Zip closed, face up under that fold, the fold close beside the coil, {top(bench, closure)}. Edgestitch "
            f"{bench.margin(2)} from the fold, from below the stop to the top.",
        ),
        minutes=minutes.each(8),
        requires=after_seam(bench, closure, join),
        gives=(facts.closure(Fact.PREPARED, closure.id),),
        removes=("basting of the lapped zip's opening",),
        look="The fold runs beside the coil all the way and does not cover it.",
        **own,  # type: ignore[arg-type]
    )
    yield Operation(
        id=f"baste-{closure.id}",
        technique="lapped zip",
        act=Act.BASTE,
        title=f"Baste the lap over the zip: {name}",
        how=(
            "Fold the lap on the stitching line and lay it over the closed zip, so that it just covers the other row.",
            f"Baste {bench.margin(12)} from the fold, through the lap and the zip's tape, straight down to the mark.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(5),
        on=on,
        requires=(Need(facts.closure(Fact.PREPARED, closure.id), "the underlap is sewn first"),),
        gives=(facts.closure(Fact.BASTED, closure.id),),
        leaves=(basting,),
    )
    yield Operation(
        id=f"zip-{closure.id}",
        act=Act.INSERT_CLOSURE,
        title=f"Stitch the lap: {name}",
        how=(
            f"Right side up: across below the stop from the seam, needle down, pivot, then up {bench.margin(11)} from "
            f"the fold to the {upper}. The slider moved out of the way.",
            "Take the basting out; bar the lower end with a few stitches on the spot.",
            *((ABOVE_THE_PULL,) if closure.from_mark else ()),
        ),
        minutes=minutes.each(8),
        requires=(Need(facts.closure(Fact.BASTED, closure.id), "it is basted first"),),
        gives=(facts.closure(Fact.CLOSED, closure.id),),
        removes=(basting,),
        booklet=bench.booklet(closure.id),
        look="Closed, the lap covers coil and underlap, and the row is parallel to the fold.",
        **own,  # type: ignore[arg-type]
    )


_COIL = {"coil": "the spiral of a zip's teeth", "prick stitch": "a backstitch of which only a dot shows"}

TECHNIQUES = (
    Technique(
        id="invisible-zip",
        name="Invisible zip",
        chapter="closures",
        finds=_finds(ClosureKind.INVISIBLE_ZIP),
        sews=invisible,
        rank=20,
        also=("concealed zip",),
        words=_COIL,
        draw="invisible zip",
    ),
    Technique(
        id="centred-zip",
        name="Centred zip",
        chapter="closures",
        finds=_finds(ClosureKind.CENTRED_ZIP),
        sews=centred,
        rank=20,
        draw="centred zip",
    ),
    Technique(
        id="lapped-zip",
        name="Lapped zip",
        chapter="closures",
        finds=_finds(ClosureKind.LAPPED_ZIP),
        sews=lapped,
        rank=20,
        words={"underlap": "the part of an opening that lies below the other when it is closed"},
        draw="lapped zip",
    ),
)
