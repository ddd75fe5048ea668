"""Seams that end in a slit or a vent: which they are, and what of them stays open."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.neatening import finishes_edges, neaten_apart
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.run import Run, Secured
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.technique import Duty, Finds, single
from rowanseed.core.make.which import is_vent, seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import VENT_EDGE, ClosureKind, Detail, DetailKind, Join
from rowanseed.core.pattern.seamline import mark_distance, seam_length

BEYOND = 6.0
"""The row round an open part runs so far past its end, in mm (the craft's 1/4 in)."""
TURNED, WIDE = 5.0, 12.0
"""Raw edges are turned under by so much, where the allowances are at least so wide, in mm."""


def from_the_fold(allowance: float) -> float:
    """How far from the fold the edges of an open part are stitched, in mm: on the allowance, turned under or not."""
    reaches = allowance - TURNED if allowance >= WIDE else allowance
    return max(reaches - 2.0, reaches / 2)


def turned_under(bench: Workbench) -> str:
    """What becomes of the raw edges of the allowances that are turned back."""
    return (
        f"where they are {bench.margin(WIDE)} or more turn raw edges under by {bench.margin(TURNED)}, the overlocked "
        "ones stay single."
    )


def finds_opening_below(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        plain = {join.id for join in seams(bench)}
        for detail in bench.details_of(kind):
            if len(detail.along) == 1 and detail.along[0] in plain and not bench.openings.opens_above(detail):
                own = (f.id for f in bench.finishes.values() if kind is DetailKind.VENT and is_vent(bench, f))
                yield single(detail.id, detail.along[0], *own)

    return finds


def open_part(bench: Workbench, detail: Detail, join: Join) -> float | None:
    """How long the open part is from the lower edge, in mm; None where no mark says."""
    if detail.to_mark is None:
        return None
    piece = bench.piece(detail.to_mark[0])
    if piece.has_edge(VENT_EDGE):
        return seam_length(piece, bench.size, VENT_EDGE)
    mark = piece.mark(detail.to_mark[1])
    at = mark_distance(piece, bench.size, mark)
    whole = seam_length(piece, bench.size, mark.edge)
    return min(at, whole - at) if join else None


def long_seam(bench: Workbench, detail: Detail, join: Join) -> str:
    part = open_part(bench, detail, join)
    return f"the lower {bench.length(part)}" if part else "the part below the mark"


def top_of(bench: Workbench, join: Join) -> str:
    """Where a seam begins above its open part."""
    return "the end of the zip" if bench.openings.zip_on(join) is not None else "the upper end"


def run_down_to(bench: Workbench, join: Join, detail: Detail, mark: str) -> Run:
    """A seam sewn from above down to the mark of its open part, from the end of a zip where it has one."""
    closure, top = bench.openings.zip_on(join), top_of(bench, join)
    return Run(
        top.removeprefix("the "),
        mark,
        said=f"from {top} down to the {mark}",
        from_mark=None if closure is None else closure.to_mark,
        to_mark=detail.to_mark,
        secured=Secured.BOTH if closure is None or closure.kind is not ClosureKind.INVISIBLE_ZIP else Secured.END,
    )


def zipped(bench: Workbench, join: Join) -> tuple[list[Need], tuple[str, ...], tuple[str, ...]]:
    """What a seam waits for, what basting it leaves, and what a zip above the open part changes about it."""
    needs = list(plain_seams.order_needs(bench, join))
    closure = bench.openings.zip_on(join)
    if closure is None:
        return needs, (), ()
    if closure.kind is ClosureKind.INVISIBLE_ZIP:
        needs.append(Need(facts.closure(Fact.CLOSED, closure.id), "an invisible zip goes in before the seam below it"))
        return needs, (), ("It begins within a stitch of the zip, its tail held clear, with the zipper foot.",)
    words = f"basting of the {closure.kind.words}'s opening"
    return (
        needs,
        (words,),
        (f"Backstitch at the zip mark. {plain_seams.basted_on(closure, 'upper end')}",),
    )


def seam_above(bench: Workbench, detail: Detail, join: Join, technique: str) -> Iterator[Operation]:
    """The seam itself, sewn down to the mark of its open part and pressed open."""
    requires, leaves, above = zipped(bench, join)
    in_lining = bench.openings.opening_in_lining(join)
    mark = f"mark of the {detail.kind.value}"
    run = run_down_to(bench, join, detail, mark)
    down: tuple[str, ...] = (f"{bench.seam_of(join)} {run.words}; backstitch there three stitches.",)
    if in_lining:
        run = replace(plain_seams.run_left_open(bench, join, in_lining, mark), from_mark=detail.to_mark)
        down = plain_seams.left_open(bench, join, in_lining, mark)
    if finishes_edges(bench, (join.id,)):
        yield neaten_apart(bench, (join.id,), technique)
        requires.append(
            Need(facts.join(Fact.NEATENED, join.id), "the slit's edges are neatened apart, before the seam")
        )
    yield sew(
        bench,
        (join.id,),
        technique,
        how=(
            matching(bench, join),
            *down,
            f"{long_seam(bench, detail, join).capitalize()} stays open.",
            *above,
        ),
        requires=tuple(requires),
        leaves=leaves,
        run=run,
        look="Both sides end at the same height." if join.each_hand else "The seam ends exactly at the mark.",
    )
    yield press(
        bench,
        (join.id,),
        technique,
        way="open",
        words="open",
        how=(
            "As sewn first; then open, and on below the mark: the allowances of the open part are pressed back in the "
            "same line.",
        ),
    )
