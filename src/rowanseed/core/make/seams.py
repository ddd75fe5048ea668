"""Seams: what comes before each, how it is sewn, neatened and pressed."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import graph, settings
from rowanseed.core.make.flat import is_eased
from rowanseed.core.make.steps import After, Bench, MakingStep, Task
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, flat_first, shown_edges
from rowanseed.core.make.zips import beside_zip, invisible_zip, zip_after
from rowanseed.core.pattern.making import Closure, ClosureKind, DifferenceKind, Join, Press
from rowanseed.core.pattern.pieces import Panel

TO_ONE_SIDE = (Press.BACK, Press.FRONT, Press.UP, Press.DOWN)


def seam_steps(bench: Workbench, join: Join) -> Iterator[MakingStep]:
    """All steps of a plain seam, with the zip in it if it has one."""
    closure = bench.zip_on(join)
    if join.press is Press.OPEN and _is_neatened(bench, join):
        where = "before the zip and the seam" if closure else "before the seam, since it is pressed open"
        yield MakingStep(
            id=f"neaten-{join.id}",
            title=f"Neaten the edges: {lower_first(join.name)}{graph.hand_count(join)}",
            how=(f"Each edge by itself, {where}.",),
            bench=bench.neaten_bench,
            task=Task.NEATEN,
            needs=(*flat_first(bench, join), After("sample-stitch", "the setting is tried on a scrap first")),
            setting=bench.neaten_setting,
            edges=shown_edges((*join.a, *join.b)),
            about=join.id,
        )
    if any(is_eased(bench, part) for part in join.a) and join.difference.amount:
        yield _ease_stitching(bench, join)
    if closure and closure.kind is ClosureKind.INVISIBLE_ZIP:
        yield from invisible_zip(bench, join, closure)
    yield _seam(bench, join, closure)
    if join.press in TO_ONE_SIDE and _is_neatened(bench, join):
        yield MakingStep(
            id=f"neaten-{join.id}",
            title=f"Neaten both edges together: {lower_first(join.name)}{graph.hand_count(join)}",
            how=("Both allowances as one, since they are pressed to one side.",),
            bench=bench.neaten_bench,
            task=Task.NEATEN,
            needs=(After(f"sew-{join.id}", "it is sewn first"),),
            setting=bench.neaten_setting,
            edges=shown_edges((*join.a, *join.b)),
            about=join.id,
        )
    yield _press(bench, join)
    if closure and closure.kind is not ClosureKind.INVISIBLE_ZIP:
        yield zip_after(bench, join, closure)


def _is_neatened(bench: Workbench, join: Join) -> bool:
    """Edges inside a band are hidden, and a lined smooth cloth is left raw, without ridges."""
    pieces = graph.pieces_of(join.a) | graph.pieces_of(join.b)
    if pieces & bench.lined or Panel.BAND in bench.panels((*join.a, *join.b)):
        return False
    return not graph.within_facing(join, bench.pattern.making)


def crossings(bench: Workbench, join: Join) -> list[After]:
    """Seams that this one crosses: pressed before. Halves are joined after the seams that close each half."""
    making = bench.pattern.making
    crossed = [*graph.crossed_by(making, join.a, join.id), *graph.crossed_by(making, join.b, join.id)]
    if join.a[0].hand is not None:
        crossed += [j for j in making.joins if j.each_hand and _adjoins(bench, join, j) and bench.joins_shell(j)]
    if bench.is_bagged:
        crossed = [j for j in crossed if not bench.closes_side(j)]
    return [After(f"press-{j.id}", "a seam is pressed before another crosses it") for j in dict.fromkeys(crossed)]


def _adjoins(bench: Workbench, join: Join, other: Join) -> bool:
    """Whether two seams meet at the lower corner of a piece: a crotch and the inner leg seam."""
    for part in join.a:
        names = [edge.name for edge in bench.pattern.piece(part.piece).edges]
        after = names[(names.index(part.edge) + 1) % len(names)]
        if any(p.piece == part.piece and p.edge == after for p in (*other.a, *other.b)):
            return True
    return False


def _order_needs(bench: Workbench, join: Join) -> Iterator[After]:
    """What the kind of seam asks for: the fit settled, the zip in, the band made up before it is put on."""
    making, panels = bench.pattern.making, bench.panels((*join.a, *join.b))
    if Panel.SLEEVE in panels and panels != {Panel.SLEEVE} and Panel.BAND not in panels:
        yield After("try-on-shell", "the sides are easiest taken in before the sleeves are set")
    if bench.closes_side(join):
        yield from parts_first(bench)
    if panels == {Panel.BAND}:
        pieces = graph.pieces_of(join.a) | graph.pieces_of(join.b)
        for other in making.joins:
            if bench.is_turned_corner(other) and (graph.pieces_of(other.a) | graph.pieces_of(other.b)) & pieces:
                yield After(f"press-{other.id}", "a collar is turned and pressed before it is put on")
    if Panel.BAND not in panels or panels == {Panel.BAND}:
        return
    bands = {p.piece for p in (*join.a, *join.b) if bench.panel(p.piece) is Panel.BAND}
    for other in graph.made_of(making, bands, {p.id for p in bench.pattern.pieces if p.panel is Panel.BAND}):
        yield After(f"press-{other.id}", "a collar or band is made up before it is put on")
    if panels & {Panel.FRONT, Panel.BACK, Panel.SLEEVE}:
        yield After("lay-in-lining", "the lining is caught in the seam")
    if join.press is Press.BAND and panels & {Panel.FRONT, Panel.BACK}:
        for closure in making.closures:
            yield After(f"zip-{closure.id}", "the band goes on after the zip")
        if bench.has_zip:
            yield After("try-on-shell", "the waist can still be taken in")


def parts_first(bench: Workbench) -> Iterator[After]:
    """Pockets, welts and belts go on while the garment lies flat."""
    for finish in bench.pattern.making.finishes:
        yield After(f"sew-on-{finish.id}", "pockets go on while the piece is flat")


def _seam(bench: Workbench, join: Join, closure: Closure | None) -> MakingStep:
    start, end = graph.direction(bench.pattern, join)
    how = ["Right sides together; match the ends on the stitching line and the notches, then the rest."]
    needs = [
        *flat_first(bench, join),
        *crossings(bench, join),
        *_order_needs(bench, join),
        After(f"ease-{join.id}", "the cap is drawn up first"),
    ]
    if join.press is Press.OPEN:
        needs.append(After(f"neaten-{join.id}", "edges pressed open are neatened apart, before the seam"))
    if bench.is_bagged and bench.closes_side(join):
        needs.append(After("turn-out", "a bagged shape is closed at the sides last, after turning"))
    if closure and closure.kind is ClosureKind.INVISIBLE_ZIP:
        how.append(
            f"{bench.allowance(join)} seam from the {start} up to within a stitch of the zip, its tail held clear."
        )
        needs.append(After(f"zip-{closure.id}", "an invisible zip goes in before the seam below it"))
    elif closure:
        how.append(
            f"{bench.allowance(join)} seam from the {start} to the zip mark, backstitch, then baste on to the {end}."
        )
    else:
        how.append(f"{bench.allowance(join)} seam from the {start} to the {end}; backstitch both ends.")
    if join.difference.kind is DifferenceKind.EASE and join.difference.amount:
        how.append(
            f"{bench.name(join.a[0].piece).capitalize()} underneath, on the feed dogs: its "
            f"{bench.fine(join.difference.amount)} more are eased in."
        )
    elif join.difference.amount:
        how.append("The longer side underneath, on the feed dogs, which ease it in.")
    shown = beside_zip(join, closure, zip_part=False) if closure else shown_edges((*join.a, *join.b))
    return MakingStep(
        id=f"sew-{join.id}",
        title=f"Sew {lower_first(join.name)}{graph.hand_count(join)}",
        how=tuple(how),
        bench=Bench.MACHINE,
        task=Task.SEAM,
        needs=tuple(needs),
        setting=settings.seam(bench.needle),
        edges=shown,
        caution=NEEDLE,
        booklet=bench.booklet(join.id),
        about=join.id,
    )


def _ease_stitching(bench: Workbench, join: Join) -> MakingStep:
    return MakingStep(
        id=f"ease-{join.id}",
        title=f"Ease-stitch: {lower_first(join.name)}",
        how=(
            f"Two rows between the notches, {bench.margin(3)} to either side of the seam line, longest stitch, "
            "ends left long.",
            (
                f"Draw up {bench.fine(join.difference.amount)} until the cap curves and no gathers show; shrink the "
                "fullness over a ham."
            ),
        ),
        bench=Bench.MACHINE,
        task=Task.SEAM,
        needs=(After("sample-stitch", "the setting is tried first"),),
        setting=settings.ease(bench.needle),
        edges=shown_edges(join.a),
        about=join.id,
    )


def _press(bench: Workbench, join: Join) -> MakingStep:
    how = (
        "Press as sewn, then open, the two panels held apart so that no cloth is swallowed."
        if join.press is Press.OPEN
        else f"Press as sewn, then {join.press.words}."
    )
    needs = [After(f"sew-{join.id}", "it is sewn first")]
    if join.press in TO_ONE_SIDE:
        needs.append(After(f"neaten-{join.id}", "both edges are neatened together first"))
    return MakingStep(
        id=f"press-{join.id}",
        title=f"Press {join.press.words}: {lower_first(join.name)}{graph.hand_count(join)}",
        how=(how, "Over a ham where it curves. Let it cool before you move it."),
        bench=Bench.IRON,
        task=Task.PRESS,
        needs=tuple(needs),
        edges=shown_edges((*join.a, *join.b)),
        caution=HOT,
        about=join.id,
    )
