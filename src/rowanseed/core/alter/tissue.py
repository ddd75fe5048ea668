"""An alteration as a person does it on the tissue: which line to cut, where to slash, by how much, in order."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.alter.change import Alteration, AlterationStep
from rowanseed.core.alter.kind import OnTissue
from rowanseed.core.alter.kinds import kind_of, title
from rowanseed.core.base.units import Units
from rowanseed.core.base.words import lower_first
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.turned_yoke import turned_yokes


@dataclass(frozen=True)
class TissueSheet:
    """What to do for one alteration: a heading, the pieces it begins with, the steps, and what goes along."""

    title: str
    pieces: tuple[str, ...]
    steps: tuple[str, ...]
    along: tuple[str, ...]


def sheet(step: AlterationStep, units: Units, size: str) -> TissueSheet:
    """The instruction for one alteration."""
    told, pattern = OnTissue(step, units, size), step.before
    alteration = step.alteration
    followers = [t for t in step.touched if t.edges and _follows(pattern, t.piece, alteration)]
    own = [t for t in step.touched if t not in followers and not (t.notched and not t.edges)]
    names = tuple(pattern.piece(t.piece).name for t in own)

    along = tuple(
        f"{pattern.piece(t.piece).name}: {'longer' if t.by > 0 else 'shorter'} by {told.show(t.by)} ({t.why})."
        if told.can_be_told(t.by)
        else f"{pattern.piece(t.piece).name}: redrawn to match ({t.why})."
        for t in followers
    )
    return TissueSheet(
        title=f"{title(alteration, pattern)} {told.show(alteration.by)}",
        pieces=names,
        steps=(*kind_of(alteration).tissue(told), *_on_yokes(step), *_trued(told), *_notched(step)),
        along=along,
    )


def _on_yokes(step: AlterationStep) -> Iterator[str]:
    """How a yoke that lies turned is altered with the piece below it."""
    touched = {t.piece for t in step.touched}
    for one in turned_yokes(step.before):
        if one.yoke in touched:
            yoke = lower_first(step.before.piece(one.yoke).name)
            meets = ""
            if one.below is not None:
                below = lower_first(step.before.piece(one.below).name)
                meets = f" Where they are sewn together {yoke} and {below} stay equally long."
            yield (
                f"The {yoke} is cut with its dart closed, so it lies turned: do the same at its own edges, measured "
                f"square to them.{meets}"
            )


def _trued(told: OnTissue) -> Iterator[str]:
    """Seams whose sides come out unlike, by more than nothing."""
    for seam in told.step.trued:
        if not told.can_be_told(seam.by):
            continue
        longer, shorter = (lower_first(told.step.before.piece(id).name) for id in (seam.longer, seam.shorter))
        yield (
            f"Walk the seam of {longer} and {shorter}: its two sides come out unlike. True their lower ends, "
            f"{told.show(seam.by)} off the {longer} and as much onto the {shorter}, running out to nothing."
        )


def _notched(step: AlterationStep) -> Iterator[str]:
    """Pieces whose notches are to be marked anew."""
    names = ", ".join(step.before.piece(t.piece).name for t in step.touched if t.notched)
    if names:
        yield f"Walk the seams once more and mark the notches anew where the other side's come to lie: {names}."


def _follows(pattern: Pattern, piece: str, alteration: Alteration) -> bool:
    if piece == alteration.at:
        return False
    panel = pattern.piece(piece).panel
    on_sleeve = kind_of(alteration).on_sleeve(alteration)
    return panel is Panel.BAND or (panel is Panel.SLEEVE and not on_sleeve)
