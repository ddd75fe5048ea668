"""Edges: facings sewn and turned, linings bagged out, collars and bands turned and closed."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import graph, settings
from rowanseed.core.make.seams import crossings, parts_first
from rowanseed.core.make.steps import Bench, Need, Step, Task
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, flat_first, lower_first, shown_edges
from rowanseed.core.pattern import FinishKind, Join, Panel


def facing_steps(bench: Workbench, join: Join) -> Iterator[Step]:
    making = bench.pattern.making
    edge = join.a[0].edge
    needs = crossings(bench, join)
    needs += [Need(f"zip-{c.id}", "the facing goes on after the zip") for c in making.closures]
    needs += [
        Need(f"neaten-{f.id}", "its lower edge is easier to finish before it is on")
        for f in making.finishes
        if f.kind is FinishKind.NEATENED and graph.pieces_of(f.parts) & graph.pieces_of((*join.a, *join.b))
    ]
    needs += list(flat_first(bench, join))
    needs.append(Need("try-on-shell", f"the fit can still be changed while the {edge} is open"))
    needs += [Need(f"press-{j.id}", "the lining hangs from the facing") for j in making.joins
              if graph.pieces_of(j.a) <= bench.hung and graph.pieces_of(j.b) <= graph.facings(making)]  # fmt: skip
    if not any(need.why.startswith("the lining hangs") for need in needs):
        needs.append(Need("lay-in-lining", "the lining is caught in the seam"))
    shown = shown_edges((*join.a, *join.b))
    yield Step(
        f"sew-{join.id}", f"Sew {lower_first(join.name)}",
        ("Right sides together; match the seams, the centre and the notches, then the rest.",
         (f"Fold the facing's ends back {bench.fine(5)} short of the zip. " if bench.has_zip else "")
         + f"{bench.allowance(join)} seam, all round."),
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


def facing_edges(bench: Workbench) -> Iterator[Step]:
    making = bench.pattern.making
    for finish in making.finishes:
        if finish.kind is not FinishKind.NEATENED:
            continue
        crossed = graph.crossed_by(making, finish.parts)
        yield Step(
            f"neaten-{finish.id}", f"Neaten the {lower_first(finish.name)}", ("All round in one run, after its seams are pressed.",),
            bench.neaten_bench, Task.NEATEN,
            tuple(Need(f"press-{join.id}", "a seam is pressed before its edge is finished across it") for join in crossed),
            bench.neaten_setting, shown_edges(finish.parts), booklet=bench.booklet(finish.id), about=finish.id,
        )  # fmt: skip


# ---------------------------------------------------------------- collars and bands


def turned_corner(bench: Workbench, join: Join) -> Iterator[Step]:
    shown, name = shown_edges((*join.a, *join.b)), lower_first(join.name)
    how = [
        "Right sides together, the upper one on top; two stitches across the point.",
        f"{bench.allowance(join)} seam.",
    ]
    if join.why:
        how.append(f"{join.why.capitalize()}.")
    yield Step(
        f"sew-{join.id}", f"Sew {name}", tuple(how), Bench.MACHINE, Task.SEAM,
        (*flat_first(bench, join), Need("sample-stitch", "the setting is tried first")), settings.seam(bench.needle), shown, NEEDLE,
        bench.booklet(join.id), join.id,
    )  # fmt: skip
    yield Step(
        f"trim-{join.id}", f"Trim and turn: {name}",
        (f"Grade to {bench.fine(6)} and {bench.fine(4)}, the points close; press the seam open over a point, then turn.",
         "Push the points out with something blunt."),
        Bench.HAND, Task.TRIM, (Need(f"sew-{join.id}", "it is sewn first"),), edges=shown, caution=BLADES, about=join.id,
    )  # fmt: skip
    yield Step(
        f"press-{join.id}", f"Press, the seam rolled under: {name}", ("The upper one a hair over the edge. Topstitch if you like it.",),
        Bench.IRON, Task.PRESS, (Need(f"trim-{join.id}", "it is turned"),), edges=shown, caution=HOT, about=join.id,
    )  # fmt: skip


def bands_closed(bench: Workbench) -> Iterator[Step]:
    """The inside of bands, cuffs and stands: turned in over the seam and stitched."""
    making = bench.pattern.making
    for finish in making.finishes:
        pieces = graph.pieces_of(finish.parts)
        if finish.kind is not FinishKind.TURNED or not all(bench.panel(id) is Panel.BAND for id in pieces):
            continue
        joined = [j for j in making.joins if (graph.pieces_of(j.a) | graph.pieces_of(j.b)) & pieces]
        shown = shown_edges(finish.parts)
        yield Step(
            f"turn-in-{finish.id}", f"Turn in and stitch down: {lower_first(finish.name)}",
            ("Press the allowance in, fold along the fold line, ends right sides together first where they are free.",
             f"The fold passes the seam by {bench.fine(2)}; pin from the right side and stitch in the ditch, or edgestitch."),
            Bench.MACHINE, Task.TURN, tuple(Need(f"press-{j.id}", "it is sewn on and pressed into the band") for j in joined),
            settings.edgestitch(bench.needle), shown, NEEDLE, bench.booklet(finish.id), finish.id,
        )  # fmt: skip


# ---------------------------------------------------------------- linings


def encloses(bench: Workbench, join: Join) -> bool:
    """Whether a join sews the lining (and facing) to the garment's edge."""
    one, other = graph.pieces_of(join.a), graph.pieces_of(join.b)
    inner = bench.linings | graph.facings(bench.pattern.making)
    return bench.is_enclosed and ((not one & inner and other <= inner) or (not other & inner and one <= inner))


def enclosing(bench: Workbench, join: Join) -> Iterator[Step]:
    """An edge of a lined garment: sewn, graded, clipped."""
    shown, name = shown_edges((*join.a, *join.b)), lower_first(join.name)
    needs = [
        *crossings(bench, join),
        *flat_first(bench, join),
        *parts_first(bench),
        Need("try-on-shell", "the fit can still be changed"),
    ]
    yield Step(
        f"sew-{join.id}", f"Sew {name}{graph.hand_count(join)}",
        ("Right sides together, shell and lining; match the seams, then the rest.", f"{bench.allowance(join)} seam from side seam to side seam."
         if bench.is_bagged else f"{bench.allowance(join)} seam, all round."),
        Bench.MACHINE, Task.SEAM, tuple(needs), settings.seam(bench.needle), shown, NEEDLE, bench.booklet(join.id), join.id,
    )  # fmt: skip
    yield Step(
        f"press-{join.id}", f"Grade, clip and press: {name}{graph.hand_count(join)}",
        (f"Trim to {bench.fine(6)} and {bench.fine(10)}, clip where it curves, press the seam over a roll.",
         "Understitch the lining as far as the machine goes."),
        Bench.IRON, Task.PRESS, (Need(f"sew-{join.id}", "it is sewn first"),), edges=shown, caution=BLADES, about=join.id,
    )  # fmt: skip


def turned_out(bench: Workbench) -> Iterator[Step]:
    """A lined shape without sleeves is turned through a side, then closed."""
    if not bench.is_bagged:
        return
    making = bench.pattern.making
    enclosed = [j for j in making.joins if encloses(bench, j)]
    yield Step(
        "turn-out", "Turn it right side out", ("Through an open side, front by front over the shoulders. Push the corners out and press the edges.",),
        Bench.IRON, Task.TURN, tuple(Need(f"press-{j.id}", "necks, armholes and hem are sewn first") for j in enclosed), caution=HOT,
    )  # fmt: skip
    sides = [j for j in making.joins if bench.closes_side(j)]
    yield Step(
        "close-gap", "Close the gap in the lining", ("Slip stitch the hand's breadth left open in the lining's side seam.",),
        Bench.HAND, Task.HAND_SEW, tuple(Need(f"press-{j.id}", "the sides are sewn and pressed") for j in sides),
    )  # fmt: skip
