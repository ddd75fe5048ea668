"""Operations that several techniques have in common: pressing, grading, understitching, ease."""

from __future__ import annotations

from collections.abc import Iterable

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import corners, facts, looks, minutes, settings
from rowanseed.core.make.crossing import after_the_zip, crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.neatening import how_edges_end, is_lining
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.seams_on_bias import on_the_bias
from rowanseed.core.make.trimming import graded_each, is_trimmed, narrowest
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, both_sides, on_joins
from rowanseed.core.pattern.making import Join, Press
from rowanseed.core.pattern.pieces import Panel


def before_backing(piece: str) -> Need:
    """What comes before anything that hides the back of a piece, or shapes it."""
    why = "it is embroidered while it is flat and its back is open"
    return Need(facts.piece(Fact.EMBROIDERED, piece), why, where_given=True)


def before_shaping(piece: str, again: str = "its marks are made again first") -> tuple[Need, ...]:
    """What comes before darts, pleats and tucks of a piece; `again`: where a layer has covered its marks."""
    return (
        before_backing(piece),
        *(
            Need(facts.piece(fact, piece), why, where_given=True)
            for fact, why in (
                (Fact.STIFFENED, "interfacing goes on while the piece is flat"),
                (Fact.BACKED, "the underlining is on first"),
                (Fact.MARKED, again),
            )
        ),
    )


# ---------------------------------------------------------------- pressing


def press(
    bench: Workbench,
    duty: tuple[str, ...],
    technique: str,
    *,
    way: str,
    words: str,
    towards: Iterable[str] = (),
    how: tuple[str, ...] = (),
    requires: tuple[Need, ...] = (),
    title: str = "",
    look: str = "",
) -> Operation:
    """A seam pressed as sewn and then as it will lie; clipped before where its curve asks for it.

    `towards` are the pieces its allowances lie on then, where `words` and the seam do not tell.
    """
    join = bench.joins[duty[0]]
    told = list(how) or [
        "As sewn first, to set the stitches; then open, the two panels held apart so that no cloth is swallowed."
        if way == "open"
        else f"As sewn first, then {words}."
    ]
    if way != "flat" and any(bench.bends.is_curved(part) for id in duty for part in bench.parts(id)):
        told.append(
            "Over a ham where it curves." if bench.household.equipment.ham else "Over a rolled towel where it curves."
        )
    pressed = {part.piece for id in duty for part in bench.parts(id)}
    told.append(f"{iron_for(bench, pressed)} Let it cool before you move it.")
    own = tuple(
        need
        for id in duty
        for need in (
            Need(facts.join(Fact.JOINED, id), "it is sewn first"),
            Need(facts.join(Fact.UNBASTED, id), "an iron sets the marks of a basting for good", where_given=True),
        )
    )
    return Operation(
        id=f"press-{duty[0]}",
        technique=technique,
        act=Act.PRESS,
        title=title or f"Press {words}: {lower_first(join.name)}{both_sides(join)}",
        how=tuple(told),
        bench=Bench.IRON,
        minutes=minutes.press(bench.around(duty)),
        on=on_joins(bench, *duty),
        requires=(*own, *requires),
        gives=facts.joins(Fact.PRESSED, duty),
        way=words,
        towards=frozenset(towards) or _lies_on(bench, join, way, words),
        look=look or (looks.PRESSED_OPEN if way == "open" else looks.PRESSED_ASIDE),
        caution=HOT,
    )


def _lies_on(bench: Workbench, join: Join, way: str, words: str) -> frozenset[str]:
    """The pieces of a seam that its allowances lie on as it is pressed; none where the words alone say it."""
    pieces = pieces_of((*join.a, *join.b))
    panels = {Press.BACK.words: Panel.BACK, Press.FRONT.words: Panel.FRONT, Press.BAND.words: Panel.BAND}
    inner = way in ("facing", "lining")
    found = pieces & bench.inner if inner else frozenset(p for p in pieces if bench.panel(p) is panels.get(words))
    return pieces if way == "open" else found if found < pieces else frozenset()


def clip(bench: Workbench, duty: tuple[str, ...], technique: str) -> Operation | None:
    """Clips and notches along a curved seam that is pressed open; None where it lies flat without."""
    parts = tuple(part for id in duty for part in bench.parts(id))
    if not bench.bends.needs_clips(parts):
        return None
    join, every = bench.joins[duty[0]], bench.bends.clip_every(parts)
    return Operation(
        id=f"clip-{duty[0]}",
        technique=technique,
        act=Act.CLIP,
        title=f"Clip and notch the curve: {lower_first(join.name)}{both_sides(join)}",
        how=(
            f"Along the bend, about every {bench.margin(every)}: snip the allowance that curves inwards, and cut small "
            "wedges out of the one that curves outwards.",
            f"To {bench.margin(2)} from the stitching, not into it; clips of the two sides staggered.",
        ),
        bench=Bench.HAND,
        minutes=minutes.trim(bench.around(duty)),
        on=on_joins(bench, *duty),
        requires=tuple(Need(facts.join(Fact.JOINED, id), "it is sewn first") for id in duty),
        gives=facts.joins(Fact.GRADED, duty),
        caution=BLADES,
        look="Laid on the ham, both allowances lie flat without pulling.",
    )


# ---------------------------------------------------------------- sewing


def matching(bench: Workbench, join: Join) -> str:
    """How the two sides are laid together."""
    ends = {"both": "the ends", "start": "the beginning", "end": "the end"}.get(join.align, "the ends")
    notches = " and the notches" if bench.notched(join) else ""
    return f"Right sides together; match {ends} on the stitching line{notches}, pin these first, then between."


def sew(
    bench: Workbench,
    duty: tuple[str, ...],
    technique: str,
    *,
    how: tuple[str, ...],
    title: str = "",
    act: Act = Act.JOIN,
    requires: tuple[Need, ...] = (),
    meant: frozenset[Meant] = frozenset(),
    leaves: tuple[str, ...] = (),
    rows: float = 1.0,
    look: str = "",
    on: On | None = None,
    run: Run | None = None,
    flat: bool = False,
) -> Operation:
    """The stitching of a seam, with everything that any seam waits for; `flat`: before the seams it would cross."""
    join = bench.joins[duty[0]]
    own = tuple(
        Need(facts.join(fact, id), why, where_given=True)
        for id in duty
        for fact, why in (
            (Fact.DRAWN_UP, "its fullness is drawn up first"),
            (Fact.BASTED, "it is basted first"),
        )
    )
    return Operation(
        id=f"sew-{duty[0]}",
        technique=technique,
        act=act,
        title=title or f"Sew {lower_first(join.name)}{both_sides(join)}",
        how=(*how, *on_the_bias(bench, duty)),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around(duty)),
        on=on or on_joins(bench, *duty),
        requires=(
            *bench.flat_first(duty),
            *(() if flat else crossings(bench, *duty)),
            *after_the_zip(bench, *duty),
            *own,
            *requires,
        ),
        gives=facts.joins(Fact.JOINED, duty),
        setting=settings.seam(bench.household, lining=is_lining(bench, duty)),
        meant=meant if Meant.ENCLOSES in meant else meant | how_edges_end(bench, duty),
        leaves=leaves,
        run=run,
        rows=rows,
        look=look or looks.SEWN,
        caution=NEEDLE,
        booklet=bench.booklet(*duty),
    )


def grade(bench: Workbench, duty: tuple[str, ...], technique: str, *, inner: str, outer: str) -> Operation:
    """Allowances of an enclosed edge trimmed in steps, and clipped where it curves."""
    join = bench.joins[duty[0]]
    parts = tuple(part for id in duty for part in bench.parts(id))
    told = [graded_each(bench, narrowest(bench, parts), (f"the {inner}", 6.0), (f"the {outer}", 10.0))]
    curved, turns = any(corners.curves(bench, part) for part in parts), corners.inward(bench, parts)
    if curved:
        told.append(
            f"Clip the curve every {bench.margin(20)}, nearer where it is tight, to {bench.margin(2)} from the "
            "stitching."
        )
    if turns:
        told.append(turns.clipped)
    is_graded = is_trimmed(narrowest(bench, parts), 6.0)
    clipped, left = ("Grade and clip", "Grade the allowances") if is_graded else ("Clip", "Leave the allowances")
    what = clipped if curved or turns else left
    return Operation(
        id=f"trim-{duty[0]}",
        technique=technique,
        act=Act.TRIM,
        title=f"{what}: {lower_first(join.name)}{both_sides(join)}",
        how=tuple(told),
        bench=Bench.HAND,
        minutes=minutes.trim(2 * bench.around(duty)),
        on=on_joins(bench, *duty),
        requires=tuple(Need(facts.join(Fact.JOINED, id), "it is sewn first") for id in duty),
        gives=facts.joins(Fact.GRADED, duty),
        caution=BLADES,
        look="The widest allowance lies next to the side that shows, so that there is no ridge.",
    )


def understitch(
    bench: Workbench,
    duty: tuple[str, ...],
    technique: str,
    *,
    what: str,
    how: str,
    before: Fact = Fact.PRESSED,
) -> Operation:
    """The inner layer stitched to the allowances, so that the seam rolls in; without a machine by prick stitch."""
    mm = bench.around(duty)
    lining = bool(pieces_of(part for id in duty for part in bench.parts(id)) & bench.linings)
    return Operation(
        id=f"understitch-{duty[0]}",
        technique=technique,
        act=Act.UNDERSTITCH,
        title=f"Understitch the {what}",
        how=(how,),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=on_joins(bench, *duty),
        requires=tuple(Need(facts.join(before, id), "the allowances lie inwards") for id in duty),
        gives=facts.joins(Fact.UNDERSTITCHED, duty),
        setting=settings.understitch(bench.household, bench.margin(2), lining=lining),
        look="Held to the light, the stitches catch inner layer and allowances, never the outside.",
    )
