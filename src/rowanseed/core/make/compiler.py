"""Compile a garment's graph into steps with what each of them needs; the order is worked out after.

Every rule here is common practice (no source): staystitch curved edges that will be handled, interface
before joining, neaten before a seam that is pressed open, an invisible zip before the seam below it,
the facing after the zip, the hem last, try-ons where the fit can still be changed.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from rowanseed.core.cloth import Fibre
from rowanseed.core.make import graph, settings
from rowanseed.core.make.steps import Bench, EdgeShown, Need, Setting, Step, Task
from rowanseed.core.pattern import (
    Closure,
    ClosureKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    Pattern,
    Press,
    Role,
)
from rowanseed.core.units import Units, format_length

HOT = "Iron and steam burn: keep fingers off the glue side, and switch the iron off when you walk away."
NEEDLE = "Take pins out before the needle reaches them; a broken needle flies."
BLADES = "Cut away from yourself, and clip to the stitching, not through it."


@dataclass(frozen=True)
class Household:
    """What changes the steps: an overlocker or not, how the hem is sewn, the cloth's fibre, units."""

    overlocker: bool = False
    hem_by_hand: bool = False
    fibre: Fibre = Fibre.OTHER
    units: Units = Units.METRIC


@dataclass(frozen=True)
class _Bench:
    """The garment being compiled, with what the rules ask of it."""

    pattern: Pattern
    view: str
    size: str
    household: Household

    @property
    def needle(self) -> str:
        return settings.needle_for(self.household.fibre)

    @property
    def neaten_setting(self) -> Setting:
        return settings.overlock() if self.household.overlocker else settings.zigzag(self.needle)

    @property
    def neaten_bench(self) -> Bench:
        return Bench.OVERLOCKER if self.household.overlocker else Bench.MACHINE

    def name(self, piece: str) -> str:
        found = self.pattern.piece(piece).name
        return found[:1].lower() + found[1:]

    def fine(self, mm: float) -> str:
        return format_length(mm, self.household.units, fine=True)

    def allowance(self, join: Join) -> str:
        part = join.a[0]
        return self.fine(self.pattern.piece(part.piece).edge(part.edge).allowance)

    def booklet(self, id: str) -> str:
        return next((b.number for b in self.pattern.making.booklet if id in b.about), "")

    def zip_on(self, join: Join) -> Closure | None:
        zips = (ClosureKind.INVISIBLE_ZIP, ClosureKind.CENTRED_ZIP, ClosureKind.LAPPED_ZIP)
        return next((c for c in self.pattern.making.closures if c.join == join.id and c.kind in zips), None)

    def interfaced(self) -> tuple[str, ...]:
        return tuple(piece.id for piece, _ in self.pattern.pieces_for(Role.INTERFACING, self.view))


def compile_steps(pattern: Pattern, view: str, size: str, household: Household) -> tuple[Step, ...]:
    """Every step of making a garment, each with what it needs; empty if the pattern has no joins.

    Needs that point at steps which this garment does not have are dropped.
    """
    if not pattern.making.joins:
        return ()
    bench = _Bench(pattern, view, size, household)
    steps = [
        *_samples(bench),
        *_staystitching(bench),
        *_interfacing(bench),
        *(step for join in pattern.making.joins for step in _join(bench, join)),
        *_facing_edges(bench),
        *_try_on(bench),
        *_fastenings(bench),
        *(step for finish in graph.hems(pattern.making) for step in _hem(bench, finish)),
        *_last_press(bench),
    ]
    known = {step.id for step in steps}
    return tuple(_with_known_needs(step, known) for step in steps)


def _with_known_needs(step: Step, known: set[str]) -> Step:
    return replace(step, needs=tuple(need for need in step.needs if need.step in known))


def _beside_zip(join: Join, closure: Closure, *, zip_part: bool) -> tuple[EdgeShown, ...]:
    """The edges of a join with a zip: the part the zip takes, or the seam below it."""
    beyond = zip_part == (join.sewn_from == "start")
    out = []
    for shown in _shown((*join.a, *join.b)):
        has_mark = closure.to_mark is not None and closure.to_mark[0] == shown.piece
        out.append(
            replace(shown, mark=closure.to_mark[1], beyond_mark=beyond) if closure.to_mark and has_mark else shown
        )
    return tuple(out)


def _shown(parts: tuple[EdgePart, ...]) -> tuple[EdgeShown, ...]:
    return tuple(dict.fromkeys(EdgeShown(part.piece, part.edge) for part in parts))


# ---------------------------------------------------------------- flat work


def _samples(bench: _Bench) -> Iterator[Step]:
    yield Step(
        "sample-stitch", "Try stitch and tension on a scrap",
        ("Two layers of a scrap, the thread of the garment, a seam's length.",
         "A new needle for each garment. If it skips or puckers: rethread, then another needle."),
        Bench.MACHINE, Task.SAMPLE, setting=settings.seam(bench.needle),
    )  # fmt: skip
    if bench.interfaced():
        yield Step(
            "sample-fuse", "Try the interfacing on a scrap",
            ("Cut two equal squares, fuse one, and compare size and hand.",
             "If the fused one is smaller, pre-shrink the interfacing before it goes on the pieces."),
            Bench.IRON, Task.SAMPLE, caution=HOT,
        )  # fmt: skip


def _staystitching(bench: _Bench) -> Iterator[Step]:
    """Curved edges that a facing will finish are held as soon as they are cut."""
    interfaced = set(bench.interfaced())
    for join in bench.pattern.making.joins:
        if not graph.faces(join, bench.pattern.making):
            continue
        parts = [
            part for part in (*join.a, *join.b)
            if part.piece not in interfaced and graph.is_curved(bench.pattern, bench.size, part)
        ]  # fmt: skip
        if not parts:
            continue
        names = ", ".join(bench.name(part.piece) for part in parts)
        inside = bench.fine(bench.pattern.piece(parts[0].piece).edge(parts[0].edge).allowance - 3)
        yield Step(
            f"staystitch-{join.id}", f"Staystitch the {parts[0].edge} edge of every piece",
            (f"On {names}: {inside} from the edge, just inside the seam line, before anything stretches it.",
             "From the side to the centre; a piece cut on the fold in two runs."),
            Bench.MACHINE, Task.STAYSTITCH, (Need("sample-stitch", "the setting is tried on a scrap first"),),
            settings.staystitch(bench.needle), _shown(tuple(parts)), about=join.id,
        )  # fmt: skip


def _interfacing(bench: _Bench) -> Iterator[Step]:
    for id in bench.interfaced():
        yield Step(
            f"interface-{id}", f"Fuse the interfacing to the {bench.name(id)}",
            ("Glue side to the wrong side. Press, do not slide, 10–15 s a place through a damp cloth; let the places "
             "overlap.", "Leave it flat until it is cool. The maker's leaflet rules where it differs."),
            Bench.IRON, Task.INTERFACE, (Need("sample-fuse", "the scrap shows whether it shrinks"),),
            edges=_shown(tuple(EdgePart(id, e.name) for e in bench.pattern.piece(id).edges)), caution=HOT, about=id,
        )  # fmt: skip


# ---------------------------------------------------------------- seams


def _join(bench: _Bench, join: Join) -> Iterator[Step]:
    making = bench.pattern.making
    if graph.faces(join, making):
        yield from _facing(bench, join)
        return
    closure = bench.zip_on(join)
    in_facing = graph.within_facing(join, making)
    if join.press is Press.OPEN and not in_facing:
        where = "before the zip and the seam" if closure else "before the seam, since it is pressed open"
        yield Step(
            f"neaten-{join.id}", f"Neaten the edges: {_lower(join.name)}{graph.hand_count(join)}",
            (f"Each edge by itself, {where}.",), bench.neaten_bench, Task.NEATEN,
            (*_flat_first(bench, join), Need("sample-stitch", "the setting is tried on a scrap first")),
            bench.neaten_setting, _shown((*join.a, *join.b)), about=join.id,
        )  # fmt: skip
    if closure and closure.kind is ClosureKind.INVISIBLE_ZIP:
        yield from _invisible_zip(bench, join, closure)
    yield _seam(bench, join, closure)
    yield _press(bench, join)
    if closure and closure.kind is not ClosureKind.INVISIBLE_ZIP:
        yield _zip_after(bench, join, closure)


def _flat_first(bench: _Bench, join: Join) -> Iterator[Need]:
    """Staystitching and interfacing come before a piece is joined."""
    pieces = graph.pieces_of(join.a) | graph.pieces_of(join.b)
    for other in bench.pattern.making.joins:
        if graph.faces(other, bench.pattern.making) and pieces & (graph.pieces_of(other.a) | graph.pieces_of(other.b)):
            yield Need(f"staystitch-{other.id}", "the edge is held before the piece is handled")
    for id in sorted(pieces):
        yield Need(f"interface-{id}", "interfacing goes on while the piece is flat")


def _seam(bench: _Bench, join: Join, closure: Closure | None) -> Step:
    start, end = graph.direction(bench.pattern, join)
    how = ["Right sides together; match the ends on the stitching line and the notches, then the rest."]
    needs = [
        *_flat_first(bench, join),
        Need(f"neaten-{join.id}", "edges pressed open are neatened apart, before the seam"),
    ]
    if closure and closure.kind is ClosureKind.INVISIBLE_ZIP:
        how.append(
            f"{bench.allowance(join)} seam from the {start} up to within a stitch of the zip, its tail held clear."
        )
        needs.append(Need(f"zip-{closure.id}", "an invisible zip goes in before the seam below it"))
    elif closure:
        how.append(
            f"{bench.allowance(join)} seam from the {start} to the zip mark, backstitch, then baste on to the {end}."
        )
    else:
        how.append(f"{bench.allowance(join)} seam from the {start} to the {end}; backstitch both ends.")
    if join.difference.amount:
        how.append("The longer side underneath, on the feed dogs, which ease it in.")
    return Step(
        f"sew-{join.id}", f"Sew {_lower(join.name)}{graph.hand_count(join)}", tuple(how), Bench.MACHINE, Task.SEAM,
        tuple(needs), settings.seam(bench.needle), _beside_zip(join, closure, zip_part=False) if closure else _shown((*join.a, *join.b)), NEEDLE, bench.booklet(join.id), join.id,
    )  # fmt: skip


def _press(bench: _Bench, join: Join) -> Step:
    how = "Press as sewn, then open, the two panels held apart so that no cloth is swallowed." if join.press is Press.OPEN \
        else f"Press as sewn, then {join.press.value}."  # fmt: skip
    return Step(
        f"press-{join.id}", f"Press {join.press.value}: {_lower(join.name)}{graph.hand_count(join)}",
        (how, "Over a ham where it curves. Let it cool before you move it."), Bench.IRON, Task.PRESS,
        (Need(f"sew-{join.id}", "it is sewn first"),), edges=_shown((*join.a, *join.b)), caution=HOT, about=join.id,
    )  # fmt: skip


def _lower(name: str) -> str:
    return name[:1].lower() + name[1:]


# ---------------------------------------------------------------- zips


def _invisible_zip(bench: _Bench, join: Join, closure: Closure) -> Iterator[Step]:
    yield Step(
        f"uncurl-{closure.id}", "Press the zip's coils flat",
        ("Zip open, from the wrong side, cool iron, until the coils stand away from the tape.",), Bench.IRON, Task.PRESS,
        caution=HOT, about=closure.id,
    )  # fmt: skip
    yield Step(
        f"zip-{closure.id}", f"Put in the {closure.kind.value}: {_lower(join.name)}",
        (f"Zip open, face down on the right side; the coil on the seam line ({bench.allowance(join)} from the edge), "
         f"the stop {bench.fine(8)} below the waist seam line.",
         "Sew each side from the top to the zip mark, the coil rolled open under the foot. Close it and see that both "
         "sides are level before the seam."),
        Bench.MACHINE, Task.ZIP,
        (Need(f"uncurl-{closure.id}", "flat coils let the needle come close"),
         Need(f"neaten-{join.id}", "the edges of a zip opening are neatened before the zip"),
         *_flat_first(bench, join)),
        settings.invisible_zip(bench.needle), _beside_zip(join, closure, zip_part=True), NEEDLE, bench.booklet(closure.id), closure.id,
    )  # fmt: skip


def _zip_after(bench: _Bench, join: Join, closure: Closure) -> Step:
    return Step(
        f"zip-{closure.id}", f"Put in the {closure.kind.value}: {_lower(join.name)}",
        ("Centre the closed zip under the basted part, face down on the pressed allowances.",
         "Sew down one side, across and up the other; then take the basting out."),
        Bench.MACHINE, Task.ZIP, (Need(f"press-{join.id}", "the seam below is sewn and pressed first"),),
        settings.invisible_zip(bench.needle), _beside_zip(join, closure, zip_part=True), NEEDLE, bench.booklet(closure.id), closure.id,
    )  # fmt: skip


# ---------------------------------------------------------------- facings


def _facing(bench: _Bench, join: Join) -> Iterator[Step]:
    making = bench.pattern.making
    crossed = (*graph.crossed_by(making, join.a, join.id), *graph.crossed_by(making, join.b, join.id))
    edge = join.a[0].edge
    needs = [Need(f"press-{other.id}", "a seam is pressed before another crosses it") for other in crossed]
    needs += [Need(f"zip-{c.id}", "the facing goes on after the zip") for c in making.closures]
    needs += [
        Need(f"neaten-{f.id}", "its lower edge is easier to finish before it is on")
        for f in making.finishes
        if f.kind is FinishKind.NEATENED
    ]
    needs += list(_flat_first(bench, join))
    needs.append(Need("try-on-shell", f"the fit can still be changed while the {edge} is open"))
    shown = _shown((*join.a, *join.b))
    yield Step(
        f"sew-{join.id}", f"Sew {_lower(join.name)}",
        ("Right sides together; match the seams, the centre and the notches, then the rest.",
         f"Fold the facing's ends back {bench.fine(5)} short of the zip. {bench.allowance(join)} seam, all round."),
        Bench.MACHINE, Task.SEAM, tuple(needs), settings.seam(bench.needle), shown, NEEDLE, bench.booklet(join.id), join.id,
    )  # fmt: skip
    yield Step(
        f"trim-{join.id}", f"Grade and clip the {edge} seam",
        (f"Trim the facing's allowance to {bench.fine(6)} and the garment's to {bench.fine(10)}.",
         f"Clip the curve every {bench.fine(20)}, nearer where it is tight."),
        Bench.HAND, Task.TRIM, (Need(f"sew-{join.id}", "it is sewn first"),), edges=shown, caution=BLADES, about=join.id,
    )  # fmt: skip
    yield Step(
        f"press-{join.id}", f"Press the {edge} seam {join.press.value}",
        ("Press as sewn, then facing and allowances away from the garment.",), Bench.IRON, Task.PRESS,
        (Need(f"trim-{join.id}", "thin allowances press flat"),), edges=shown, caution=HOT, about=join.id,
    )  # fmt: skip
    yield Step(
        f"understitch-{join.id}", f"Understitch the {edge}",
        ("Facing up, allowances under it; as near the ends as the machine will go. It keeps the facing inside.",),
        Bench.MACHINE, Task.UNDERSTITCH, (Need(f"press-{join.id}", "the allowances lie towards the facing"),),
        settings.understitch(bench.needle), shown, about=join.id,
    )  # fmt: skip
    yield Step(
        f"turn-{join.id}", f"Turn the facing in and press the {edge}",
        ("Roll the seam a hair to the inside; press from the wrong side.",), Bench.IRON, Task.PRESS,
        (Need(f"understitch-{join.id}", "then it stays inside"),), edges=shown, caution=HOT, about=join.id,
    )  # fmt: skip
    yield Step(
        f"tack-{join.id}", "Catch the facing down",
        ("Tack it to the allowances at every seam; sew its folded ends to the zip tape, clear of the coil.",),
        Bench.HAND, Task.HAND_SEW, (Need(f"turn-{join.id}", "it lies in its place"),), edges=shown, about=join.id,
    )  # fmt: skip


def _facing_edges(bench: _Bench) -> Iterator[Step]:
    making = bench.pattern.making
    for finish in making.finishes:
        if finish.kind is not FinishKind.NEATENED:
            continue
        crossed = graph.crossed_by(making, finish.parts)
        yield Step(
            f"neaten-{finish.id}", f"Neaten the {_lower(finish.name)}", ("All round in one run, after its seams are pressed.",),
            bench.neaten_bench, Task.NEATEN,
            tuple(Need(f"press-{join.id}", "a seam is pressed before its edge is finished across it") for join in crossed),
            bench.neaten_setting, _shown(finish.parts), booklet=bench.booklet(finish.id), about=finish.id,
        )  # fmt: skip


# ---------------------------------------------------------------- try-ons, fastenings, hem


def _shell_joins(bench: _Bench) -> tuple[Join, ...]:
    making = bench.pattern.making
    return tuple(j for j in making.joins if not graph.faces(j, making) and not graph.within_facing(j, making))


def _try_on(bench: _Bench) -> Iterator[Step]:
    shell = _shell_joins(bench)
    needs = [Need(f"press-{join.id}", "the shell is whole") for join in shell]
    needs += [Need(f"zip-{c.id}", "it closes") for c in bench.pattern.making.closures]
    yield Step(
        "try-on-shell", "Try it on: the shell",
        ("Wear what will be worn under it. Sit, bend, walk.",
         "Now the seams can still be taken in or let out; write down by how much, on which seam."),
        Bench.MIRROR, Task.TRY_ON, tuple(needs),
    )  # fmt: skip


def _fastenings(bench: _Bench) -> Iterator[Step]:
    facing = [j for j in bench.pattern.making.joins if graph.faces(j, bench.pattern.making)]
    for closure in bench.pattern.making.closures:
        if closure.kind is ClosureKind.HOOK_AND_EYE:
            yield Step(
                f"hook-{closure.id}", "Sew on the hook and eye",
                ("Above the zip on the inside, the hook just short of the edge, the eye just past it. Close it and look.",),
                Bench.HAND, Task.HAND_SEW, tuple(Need(f"tack-{j.id}", "the facing holds it") for j in facing),
                about=closure.id,
            )  # fmt: skip


def _hem(bench: _Bench, finish: Finish) -> Iterator[Step]:
    making = bench.pattern.making
    curved = any(graph.is_curved(bench.pattern, bench.size, part) for part in finish.parts)
    before = [Need(f"press-{j.id}", "a seam is pressed before the hem crosses it")
              for j in graph.crossed_by(making, finish.parts)]  # fmt: skip
    before += [Need(f"tack-{j.id}", "the hem comes last, when it hangs as it will be worn")
               for j in making.joins if graph.faces(j, making)]  # fmt: skip
    before += [Need(f"hook-{c.id}", "it hangs as it will be worn") for c in making.closures]
    shown = _shown(finish.parts)
    if curved:
        yield Step(
            f"hang-{finish.id}", "Let it hang for a day", ("A curved hem runs partly on the bias and drops before it is levelled.",),
            Bench.MIRROR, Task.HANG, tuple(before), edges=shown, about=finish.id,
        )  # fmt: skip
        before = [Need(f"hang-{finish.id}", "a curved hem drops first")]
    yield Step(
        f"try-on-{finish.id}", "Try it on: the length",
        ("In the shoes it will be worn with. Level the edge from the floor, pin, and look from the side.",),
        Bench.MIRROR, Task.TRY_ON, tuple(before), edges=shown, about=finish.id,
    )  # fmt: skip
    folds = finish.folds or (10.0, 20.0)
    lines = (2 * folds[0], 2 * folds[-1] + folds[0]) if len(folds) == 2 else folds
    yield Step(
        f"fold-{finish.id}", f"Fold and press the {_lower(finish.name)}",
        (f"First fold {bench.fine(folds[0])}" + (f", second {bench.fine(folds[1])}." if len(folds) == 2 else "."),
         f"Lines drawn {' and '.join(bench.fine(line) for line in lines)} from the raw edge help: bring the edge to the "
         "first, then the fold to the second.",
         "On a curve ease the fullness in with the iron, a little at every seam."),
        Bench.IRON, Task.PRESS, (Need(f"try-on-{finish.id}", "the length is settled"),), edges=shown, caution=HOT,
        about=finish.id,
    )  # fmt: skip
    by_hand = bench.household.hem_by_hand
    yield Step(
        f"sew-{finish.id}", f"Sew the {_lower(finish.name)}{' by hand' if by_hand else ''}",
        (("Slip stitch, loose enough that nothing pulls on the right side.",) if by_hand else
         ("From the wrong side, beginning and ending at a side seam.",)),
        Bench.HAND if by_hand else Bench.MACHINE, Task.HEM, (Need(f"fold-{finish.id}", "it is folded and pressed"),),
        None if by_hand else settings.hem(bench.needle), shown, "" if by_hand else NEEDLE, bench.booklet(finish.id), finish.id,
    )  # fmt: skip


def _last_press(bench: _Bench) -> Iterator[Step]:
    making = bench.pattern.making
    needs = [Need(f"sew-{f.id}", "the hem is sewn") for f in graph.hems(making)]
    needs += [Need(f"press-{j.id}", "every seam is pressed") for j in making.joins]
    needs += [Need("try-on-shell", "it fits")]
    yield Step(
        "last-press", "The last press", ("From the wrong side, seams on a roll, hem last. Hang it up until it is cool.",),
        Bench.IRON, Task.PRESS, tuple(needs), caution=HOT,
    )  # fmt: skip
