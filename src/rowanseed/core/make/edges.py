"""Edges: facings sewn and turned, linings bagged out, collars and bands turned and closed."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import graph, settings
from rowanseed.core.make.seams import crossings, parts_first
from rowanseed.core.make.steps import After, Bench, MakingStep, Task
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, flat_first, shown_edges
from rowanseed.core.pattern.making import FinishKind, Join
from rowanseed.core.pattern.pieces import Panel


def facing_steps(bench: Workbench, join: Join) -> Iterator[MakingStep]:
    making = bench.pattern.making
    edge = join.a[0].edge
    needs = crossings(bench, join)
    needs += [After(f"zip-{c.id}", "the facing goes on after the zip") for c in making.closures]
    needs += [
        After(f"neaten-{f.id}", "its lower edge is easier to finish before it is on")
        for f in making.finishes
        if f.kind is FinishKind.NEATENED and graph.pieces_of(f.parts) & graph.pieces_of((*join.a, *join.b))
    ]
    needs += list(flat_first(bench, join))
    needs.append(After("try-on-shell", f"the fit can still be changed while the {edge} is open"))
    hanging = [
        After(f"press-{j.id}", "the lining hangs from the facing")
        for j in making.joins
        if graph.pieces_of(j.a) <= bench.hung and graph.pieces_of(j.b) <= graph.facings(making)
    ]
    needs += hanging
    if not hanging:
        needs.append(After("lay-in-lining", "the lining is caught in the seam"))
    shown = shown_edges((*join.a, *join.b))
    yield MakingStep(
        id=f"sew-{join.id}",
        title=f"Sew {lower_first(join.name)}",
        how=(
            "Right sides together; match the seams, the centre and the notches, then the rest.",
            (f"Fold the facing's ends back {bench.fine(5)} short of the zip. " if bench.has_zip else "")
            + f"{bench.allowance(join)} seam, all round.",
        ),
        bench=Bench.MACHINE,
        task=Task.SEAM,
        needs=tuple(needs),
        setting=settings.seam(bench.needle),
        edges=shown,
        caution=NEEDLE,
        booklet=bench.booklet(join.id),
        about=join.id,
    )
    yield MakingStep(
        id=f"trim-{join.id}",
        title=f"Grade and clip the {edge} seam",
        how=(
            f"Trim the facing's allowance to {bench.fine(6)} and the garment's to {bench.fine(10)}.",
            f"Clip the curve every {bench.fine(20)}, nearer where it is tight.",
        ),
        bench=Bench.HAND,
        task=Task.TRIM,
        needs=(After(f"sew-{join.id}", "it is sewn first"),),
        edges=shown,
        caution=BLADES,
        about=join.id,
    )
    yield MakingStep(
        id=f"press-{join.id}",
        title=f"Press the {edge} seam {join.press.words}",
        how=("Press as sewn, then facing and allowances away from the garment.",),
        bench=Bench.IRON,
        task=Task.PRESS,
        needs=(After(f"trim-{join.id}", "thin allowances press flat"),),
        edges=shown,
        caution=HOT,
        about=join.id,
    )
    yield MakingStep(
        id=f"understitch-{join.id}",
        title=f"Understitch the {edge}",
        how=("Facing up, allowances under it; as near the ends as the machine will go. It keeps the facing inside.",),
        bench=Bench.MACHINE,
        task=Task.UNDERSTITCH,
        needs=(After(f"press-{join.id}", "the allowances lie towards the facing"),),
        setting=settings.understitch(bench.needle, bench.margin(2)),
        edges=shown,
        about=join.id,
    )
    yield MakingStep(
        id=f"turn-{join.id}",
        title=f"Turn the facing in and press the {edge}",
        how=(f"Roll the seam {bench.margin(1)} to the inside; press from the wrong side.",),
        bench=Bench.IRON,
        task=Task.PRESS,
        needs=(After(f"understitch-{join.id}", "then it stays inside"),),
        edges=shown,
        caution=HOT,
        about=join.id,
    )
    yield MakingStep(
        id=f"tack-{join.id}",
        title="Catch the facing down",
        how=("Tack it to the allowances at every seam; sew its folded ends to the zip tape, clear of the coil.",),
        bench=Bench.HAND,
        task=Task.HAND_SEW,
        needs=(After(f"turn-{join.id}", "it lies in its place"),),
        edges=shown,
        about=join.id,
    )


def facing_edges(bench: Workbench) -> Iterator[MakingStep]:
    making = bench.pattern.making
    for finish in making.finishes:
        if finish.kind is not FinishKind.NEATENED:
            continue
        crossed = graph.crossed_by(making, finish.parts)
        yield MakingStep(
            id=f"neaten-{finish.id}",
            title=f"Neaten the {lower_first(finish.name)}",
            how=("All round in one run, after its seams are pressed.",),
            bench=bench.neaten_bench,
            task=Task.NEATEN,
            needs=tuple(
                After(f"press-{join.id}", "a seam is pressed before its edge is finished across it") for join in crossed
            ),
            setting=bench.neaten_setting,
            edges=shown_edges(finish.parts),
            booklet=bench.booklet(finish.id),
            about=finish.id,
        )


# ---------------------------------------------------------------- collars and bands


def turned_corner(bench: Workbench, join: Join) -> Iterator[MakingStep]:
    shown, name = shown_edges((*join.a, *join.b)), lower_first(join.name)
    how = [
        "Right sides together, the upper one on top; two stitches across the point.",
        f"{bench.allowance(join)} seam.",
    ]
    if join.why:
        how.append(f"{join.why.capitalize()}.")
    yield MakingStep(
        id=f"sew-{join.id}",
        title=f"Sew {name}",
        how=tuple(how),
        bench=Bench.MACHINE,
        task=Task.SEAM,
        needs=(*flat_first(bench, join), After("sample-stitch", "the setting is tried first")),
        setting=settings.seam(bench.needle),
        edges=shown,
        caution=NEEDLE,
        booklet=bench.booklet(join.id),
        about=join.id,
    )
    yield MakingStep(
        id=f"trim-{join.id}",
        title=f"Trim and turn: {name}",
        how=(
            (
                f"Grade to {bench.fine(6)} and {bench.fine(4)}, the points close; press the seam open over a point, "
                "then "
                "turn."
            ),
            "Push the points out with something blunt.",
        ),
        bench=Bench.HAND,
        task=Task.TRIM,
        needs=(After(f"sew-{join.id}", "it is sewn first"),),
        edges=shown,
        caution=BLADES,
        about=join.id,
    )
    yield MakingStep(
        id=f"press-{join.id}",
        title=f"Press, the seam rolled under: {name}",
        how=(f"The upper one {bench.margin(1)} over the edge. Topstitch if you like it.",),
        bench=Bench.IRON,
        task=Task.PRESS,
        needs=(After(f"trim-{join.id}", "it is turned"),),
        edges=shown,
        caution=HOT,
        about=join.id,
    )


def bands_closed(bench: Workbench) -> Iterator[MakingStep]:
    """The inside of bands, cuffs and stands: turned in over the seam and stitched."""
    making = bench.pattern.making
    for finish in making.finishes:
        pieces = graph.pieces_of(finish.parts)
        if finish.kind is not FinishKind.TURNED or not all(bench.panel(id) is Panel.BAND for id in pieces):
            continue
        joined = [j for j in making.joins if (graph.pieces_of(j.a) | graph.pieces_of(j.b)) & pieces]
        shown = shown_edges(finish.parts)
        yield MakingStep(
            id=f"turn-in-{finish.id}",
            title=f"Turn in and stitch down: {lower_first(finish.name)}",
            how=(
                (
                    "Press the allowance in, fold along the fold line, ends right sides together first where they are "
                    "free."
                ),
                (
                    f"The fold passes the seam by {bench.fine(2)}; pin from the right side and stitch in the ditch, or "
                    "edgestitch."
                ),
            ),
            bench=Bench.MACHINE,
            task=Task.TURN,
            needs=tuple(After(f"press-{j.id}", "it is sewn on and pressed into the band") for j in joined),
            setting=settings.edgestitch(bench.needle, bench.margin(2)),
            edges=shown,
            caution=NEEDLE,
            booklet=bench.booklet(finish.id),
            about=finish.id,
        )


# ---------------------------------------------------------------- linings


def encloses(bench: Workbench, join: Join) -> bool:
    """Whether a join sews the lining (and facing) to the garment's edge."""
    one, other = graph.pieces_of(join.a), graph.pieces_of(join.b)
    inner = bench.linings | graph.facings(bench.pattern.making)
    return bench.is_enclosed and ((not one & inner and other <= inner) or (not other & inner and one <= inner))


def enclosing(bench: Workbench, join: Join) -> Iterator[MakingStep]:
    """An edge of a lined garment: sewn, graded, clipped."""
    shown, name = shown_edges((*join.a, *join.b)), lower_first(join.name)
    needs = [
        *crossings(bench, join),
        *flat_first(bench, join),
        *parts_first(bench),
        After("try-on-shell", "the fit can still be changed"),
    ]
    yield MakingStep(
        id=f"sew-{join.id}",
        title=f"Sew {name}{graph.hand_count(join)}",
        how=(
            "Right sides together, shell and lining; match the seams, then the rest.",
            f"{bench.allowance(join)} seam from side seam to side seam."
            if bench.is_bagged
            else f"{bench.allowance(join)} seam, all round.",
        ),
        bench=Bench.MACHINE,
        task=Task.SEAM,
        needs=tuple(needs),
        setting=settings.seam(bench.needle),
        edges=shown,
        caution=NEEDLE,
        booklet=bench.booklet(join.id),
        about=join.id,
    )
    yield MakingStep(
        id=f"press-{join.id}",
        title=f"Grade, clip and press: {name}{graph.hand_count(join)}",
        how=(
            f"Trim to {bench.fine(6)} and {bench.fine(10)}, clip where it curves, press the seam over a roll.",
            "Understitch the lining as far as the machine goes.",
        ),
        bench=Bench.IRON,
        task=Task.PRESS,
        needs=(After(f"sew-{join.id}", "it is sewn first"),),
        edges=shown,
        caution=BLADES,
        about=join.id,
    )


def turned_out(bench: Workbench) -> Iterator[MakingStep]:
    """A lined shape without sleeves is turned through a side, then closed."""
    if not bench.is_bagged:
        return
    making = bench.pattern.making
    enclosed = [j for j in making.joins if encloses(bench, j)]
    yield MakingStep(
        id="turn-out",
        title="Turn it right side out",
        how=("Through an open side, front by front over the shoulders. Push the corners out and press the edges.",),
        bench=Bench.IRON,
        task=Task.TURN,
        needs=tuple(After(f"press-{j.id}", "necks, armholes and hem are sewn first") for j in enclosed),
        caution=HOT,
    )
    sides = [j for j in making.joins if bench.closes_side(j)]
    yield MakingStep(
        id="close-gap",
        title="Close the gap in the lining",
        how=(f"Slip stitch the {bench.margin(140)} left open in the lining's side seam.",),
        bench=Bench.HAND,
        task=Task.HAND_SEW,
        needs=tuple(After(f"press-{j.id}", "the sides are sewn and pressed") for j in sides),
    )
