"""What comes last: try-ons, buttons and hooks, the hem, the last press."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import graph, settings
from rowanseed.core.make.steps import After, Bench, MakingStep, Task
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, shown_edges
from rowanseed.core.pattern.making import ClosureKind, EdgePart, Finish, FinishKind, Join
from rowanseed.core.pattern.pieces import Panel


def shell_joins(bench: Workbench) -> tuple[Join, ...]:
    """The seams a first try-on needs: the body's, but for sides that close last."""
    making = bench.pattern.making
    return tuple(
        j
        for j in making.joins
        if (bench.joins_shell(j) or not any(bench.panels((*j.a, *j.b)) & {p} for p in Panel if p is not Panel.OTHER))
        and not graph.faces(j, making)
        and not graph.within_facing(j, making)
        and not graph.pieces_of((*j.a, *j.b)) & bench.linings
        and not (bench.is_bagged and bench.closes_side(j))
    )


def try_on(bench: Workbench) -> Iterator[MakingStep]:
    needs = [After(f"press-{join.id}", "the shell is whole") for join in shell_joins(bench)]
    needs += [After(f"zip-{c.id}", "it closes") for c in bench.pattern.making.closures]
    sleeves = any(p.panel is Panel.SLEEVE for p in bench.pattern.pieces)
    how = ["Wear what will be worn under it. Sit, bend, walk."]
    if bench.is_bagged:
        how.append("Pin the sides on the stitching line; they are sewn last.")
    if sleeves:
        how.append("The sides are easiest taken in now, before the sleeves are set.")
    how.append("Now the seams can still be taken in or let out; write down by how much, on which seam.")
    yield MakingStep("try-on-shell", "Try it on: the shell", tuple(how), Bench.MIRROR, Task.TRY_ON, tuple(needs))


def fastenings(bench: Workbench) -> Iterator[MakingStep]:
    making = bench.pattern.making
    facing = [j for j in making.joins if graph.faces(j, making)]
    for closure in making.closures:
        held = [After(f"tack-{j.id}", "the facing holds it") for j in facing]
        held += [After(f"turn-in-{f.id}", "the band is whole") for f in making.finishes]
        if closure.kind is ClosureKind.HOOK_AND_EYE:
            yield MakingStep(
                f"hook-{closure.id}",
                "Sew on the hook and eye",
                (
                    (
                        "Above the zip on the inside, the hook just short of the edge, the eye just past it. Close it "
                        "and "
                        "look."
                    ),
                ),
                Bench.HAND,
                Task.HAND_SEW,
                tuple(held),
                about=closure.id,
            )
        elif closure.kind is ClosureKind.BUTTONS:
            yield from _buttons(bench, closure.id, [*held, After("turn-out", "it is turned right side out")])


def _buttons(bench: Workbench, id: str, before: list[After]) -> Iterator[MakingStep]:
    women = "right over left"
    yield MakingStep(
        f"buttonholes-{id}",
        "Sew the buttonholes",
        (
            "A sample first, through the same layers. Length: diameter of the button and its thickness.",
            f"Horizontal ones begin {bench.fine(3)} beyond the centre line, towards the edge; in a band they stand "
            "upright on it. "
            f"Women's garments lap {women}.",
            "Cut them open from both ends to the middle, a pin across each end.",
        ),
        Bench.MACHINE,
        Task.BUTTONS,
        tuple(before),
        settings.buttonhole(bench.needle),
        (),
        "A blade slips: a pin across the end of the hole stops it.",
        bench.booklet(id),
        id,
    )
    yield MakingStep(
        f"buttons-{id}",
        "Sew on the buttons",
        (
            "Lay the edges level, at the top and the hem first, then between; mark through the opened holes.",
            "A shank as long as the layers are thick.",
        ),
        Bench.HAND,
        Task.BUTTONS,
        (After(f"buttonholes-{id}", "they are marked through the holes"),),
        about=id,
    )


def hem(bench: Workbench, finish: Finish) -> Iterator[MakingStep]:
    making = bench.pattern.making
    curved = any(graph.is_curved(bench.pattern, bench.size, part) for part in finish.parts)
    before = [
        After(f"press-{j.id}", "a seam is pressed before the hem crosses it")
        for j in graph.crossed_by(making, finish.parts)
    ]
    before += [
        After(f"tack-{j.id}", "the hem comes last, when it hangs as it will be worn")
        for j in making.joins
        if graph.faces(j, making)
    ]
    before += [
        After(f"{what}-{c.id}", "it hangs as it will be worn")
        for c in making.closures
        for what in ("hook", "buttonholes")
    ]
    before += [
        After(f"turn-in-{f.id}", "bands are finished before the hem meets them")
        for f in making.finishes
        if f.kind is FinishKind.TURNED
    ]
    before += [
        After(f"press-{j.id}", "it hangs as it will be worn")
        for j in making.joins
        if Panel.SLEEVE in bench.panels((*j.a, *j.b))
    ]
    shown = shown_edges(finish.parts)
    if graph.pieces_of(finish.parts) <= bench.linings:
        # The lining is levelled by the garment's own hem.
        outer = [f for f in graph.hems(making) if not graph.pieces_of(f.parts) <= bench.linings]
        yield from _fold_and_sew(
            bench, finish, [After(f"sew-{f.id}", "it is levelled by the garment's hem") for f in outer]
        )
        return
    if curved:
        yield MakingStep(
            f"hang-{finish.id}",
            "Let it hang for a day",
            ("A curved hem runs partly on the bias and drops before it is levelled.",),
            Bench.HAND,
            Task.HANG,
            tuple(before),
            edges=shown,
            about=finish.id,
        )
        before = [After(f"hang-{finish.id}", "a curved hem drops first")]
    yield MakingStep(
        f"try-on-{finish.id}",
        "Try it on: the length",
        ("In the shoes it will be worn with. Level the edge from the floor, pin, and look from the side.",),
        Bench.MIRROR,
        Task.TRY_ON,
        tuple(before),
        edges=shown,
        about=finish.id,
    )
    facing = graph.facing_of(bench.pattern, finish)
    settled = [After(f"try-on-{finish.id}", "the length is settled")]
    yield from _faced(bench, finish, facing, settled) if facing else _fold_and_sew(bench, finish, settled)


def _faced(bench: Workbench, finish: Finish, facing: tuple[EdgePart, ...], before: list[After]) -> Iterator[MakingStep]:
    """A hem with a facing: sewn on once the length is settled, turned in and caught."""
    making, shown, name = bench.pattern.making, shown_edges((*finish.parts, *facing)), lower_first(finish.name)
    pieces = graph.pieces_of(facing)
    before = [
        *before,
        *(After(f"press-{j.id}", "the facing is made up first") for j in graph.crossed_by(making, facing)),
        *(
            After(f"neaten-{f.id}", "its inner edge is easier to finish before it is on")
            for f in making.finishes
            if graph.pieces_of(f.parts) <= pieces
        ),
    ]
    yield MakingStep(
        f"face-{finish.id}",
        f"Sew the facing to the {name}",
        (
            (
                f"Trim the edge level where the try-on asks for it, leaving {bench.fine(finish.folds[0])} below the "
                "hem line."
            ),
            f"Right sides together, seam on seam; {bench.fine(finish.folds[0])} seam, all round.",
        ),
        Bench.MACHINE,
        Task.SEAM,
        tuple(before),
        settings.seam(bench.needle),
        shown,
        NEEDLE,
        bench.booklet(finish.id),
        finish.id,
    )
    yield MakingStep(
        f"understitch-{finish.id}",
        f"Understitch the {name}",
        ("Clip where it curves, allowances towards the facing; facing up, as near the edge as it will go.",),
        Bench.MACHINE,
        Task.UNDERSTITCH,
        (After(f"face-{finish.id}", "it is sewn first"),),
        settings.understitch(bench.needle, bench.margin(2)),
        shown,
        BLADES,
        about=finish.id,
    )
    yield MakingStep(
        f"fold-{finish.id}",
        f"Turn the facing in and press the {name}",
        (f"Roll the seam {bench.margin(1)} to the inside; press from the wrong side.",),
        Bench.IRON,
        Task.PRESS,
        (After(f"understitch-{finish.id}", "then it stays inside"),),
        edges=shown,
        caution=HOT,
        about=finish.id,
    )
    yield MakingStep(
        f"sew-{finish.id}",
        f"Catch the facing down: {name}",
        ("Slip stitch its inner edge, loose enough that nothing pulls on the right side.",),
        Bench.HAND,
        Task.HEM,
        (After(f"fold-{finish.id}", "it lies in its place"),),
        edges=shown,
        about=finish.id,
    )


def _fold_and_sew(bench: Workbench, finish: Finish, before: list[After]) -> Iterator[MakingStep]:
    shown = shown_edges(finish.parts)
    folds = finish.folds or (10.0, 20.0)
    lines = (2 * folds[0], 2 * folds[-1] + folds[0]) if len(folds) == 2 else folds
    yield MakingStep(
        f"fold-{finish.id}",
        f"Fold and press the {lower_first(finish.name)}",
        (
            f"First fold {bench.fine(folds[0])}" + (f", second {bench.fine(folds[1])}." if len(folds) == 2 else "."),
            f"Lines drawn {' and '.join(bench.fine(line) for line in lines)} from the raw edge help: bring the edge "
            "to the "
            "first, then the fold to the second.",
            "On a curve ease the fullness in with the iron, a little at every seam.",
        ),
        Bench.IRON,
        Task.PRESS,
        tuple(before),
        edges=shown,
        caution=HOT,
        about=finish.id,
    )
    by_hand = bench.household.hem_by_hand
    yield MakingStep(
        f"sew-{finish.id}",
        f"Sew the {lower_first(finish.name)}{' by hand' if by_hand else ''}",
        (
            ("Slip stitch, loose enough that nothing pulls on the right side.",)
            if by_hand
            else ("From the wrong side, beginning and ending at a side seam.",)
        ),
        Bench.HAND if by_hand else Bench.MACHINE,
        Task.HEM,
        (After(f"fold-{finish.id}", "it is folded and pressed"),),
        None if by_hand else settings.hem(bench.needle, bench.margin(2)),
        shown,
        "" if by_hand else NEEDLE,
        bench.booklet(finish.id),
        finish.id,
    )


def last_press() -> Iterator[MakingStep]:
    """After everything: it needs every step that nothing else waits for, which the compiler fills in."""
    yield MakingStep(
        "last-press",
        "The last press",
        ("From the wrong side, seams on a roll, hem last. Hang it up until it is cool.",),
        Bench.IRON,
        Task.PRESS,
        (),
        caution=HOT,
    )
