"""The try-on: what to look at, area by area; and how what it showed is carried out on what is cut and sewn already.

What to look at is common practice, no source.
"""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass

from rowanseed.core.alter.change import Touched
from rowanseed.core.base.words import lower_first
from rowanseed.core.make.line_of_work import OwnStep
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import Panel

LEAST_LEFT = 6.0
"""So much of an allowance, in mm, has to be left when a seam is let out into it (common practice, no source)."""


@dataclass(frozen=True)
class Area:
    """A part of the body, and what to look at there."""

    name: str
    look: tuple[str, ...]


def areas(bench: Workbench) -> tuple[Area, ...]:
    """What to look at on this garment, from the top down."""
    edges = {edge.name for piece in bench.pattern.pieces for edge in piece.edges}
    panels = {piece.panel for piece in bench.pattern.pieces}
    out = []
    if "shoulder" in edges:
        out.append(
            Area(
                "Shoulders and neck",
                (
                    "The shoulder seam lies on top of the shoulder and ends at its bone.",
                    "Folds from the neck to the armhole: the shoulder slopes more. A gaping neck: it is too long "
                    "there.",
                ),
            )
        )
        out.append(
            Area(
                "Bust and back",
                (
                    "The centre lies straight; drag lines that point to the bust ask for more length and width there.",
                    "Reach forward: the back gives. Standing, no fold lies across between the armholes.",
                ),
            )
        )
    if "armhole" in edges and Panel.SLEEVE in panels:
        out.append(
            Area(
                "Sleeve",
                (
                    "Its grain hangs straight; folds at the front of the cap: turn it a little towards the front.",
                    "Bend the elbow: the wrist still covers the bone.",
                ),
            )
        )
    if "waist" in edges or "side" in edges:
        out.append(
            Area(
                "Waist and hip",
                (
                    "The side seams hang straight down, and the waist lies level. Cross folds below it: too tight "
                    "at the hip.",
                    "Sit down and breathe: you still can.",
                ),
            )
        )
    if "crotch" in edges:
        out.append(
            Area(
                "Seat and crotch",
                (
                    "Smile-shaped folds at the front: more length in the crotch. Folds under the seat: less, or a "
                    "flatter one.",
                    "Sit: the back waist does not slide down.",
                ),
            )
        )
    if any(finish.kind.words == "hem" for finish in bench.finishes.values()):
        out.append(Area("Length", ("Seen from the side, the hem lies level; in the shoes that it is worn with.",)))
    return tuple(out)


@dataclass(frozen=True)
class TooMuch:
    """A seam that cannot be let out so far on what is cut: the most that its allowance gives at an edge, in mm."""

    piece: str
    most: float


def too_much(
    bench: Workbench, edges: Sequence[tuple[str, str]], at_each: float, cut: Collection[str]
) -> TooMuch | None:
    """Whether letting out by so much at each edge is more than the allowance of a cut piece gives."""
    for piece, edge in edges:
        if piece in cut:
            most = bench.piece(piece).edge(edge).allowance - LEAST_LEFT
            if at_each > most + 0.05:
                return TooMuch(piece, max(0.0, most))
    return None


def steps_for(
    bench: Workbench,
    title: str,
    touched: Sequence[Touched],
    *,
    at_each: float,
    cut: Collection[str],
    sewn: Collection[str],
    before: Operation | None,
) -> tuple[OwnStep, ...]:
    """The steps that carry out an alteration on the pieces that are cut: `sewn` are the seams that are sewn already.

    `at_each` is what one edge of the seam moves by, in mm, inwards negative; 0 where the edges move differently.
    """
    pieces = [t.piece for t in touched if t.piece in cut]
    if not pieces:
        return ()
    names = [lower_first(bench.piece(piece).name) for piece in dict.fromkeys(pieces)]
    alike = names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
    place = before.id if before is not None else ""
    each = f" by {bench.fine(abs(at_each))} at each edge" if at_each else ""
    opened = [bench.joins[id].name for id in sewn if id in bench.joins]
    unpick = f" Unpick {', '.join(lower_first(name) for name in opened)} where it changes." if opened else ""
    moved = "inside" if at_each < 0 else "outside"
    mark = OwnStep(
        id="",
        title=f"Mark it anew: {lower_first(title)}",
        bench=Bench.TABLE,
        minutes=8.0,
        before=place,
        how=f"On {alike} alike{each}, {moved} the old stitching line, to nothing where it runs out; both sides alike."
        f"{unpick}",
    )
    if not opened:
        return (mark,)
    again = OwnStep(
        id="",
        title=f"Sew and press again: {', '.join(lower_first(name) for name in opened)}",
        bench=Bench.MACHINE if bench.household.equipment.machine else Bench.HAND,
        minutes=10.0 * len(opened),
        before=place,
        how="On the new line, from where it leaves the old one to where it meets it again, three stitches over "
        "each. Take "
        "the old stitches out, trim the allowance if it is too wide, press as before.",
    )
    return (mark, again)
