"""A piece held on a motif: where it lies on the print now is where it lies in every layout from now on."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject
from rowanseed.core.base.errors import NotThere
from rowanseed.core.cloth.across_seams import lying_on_cloth
from rowanseed.core.cloth.matching import Held
from rowanseed.core.lay import edit
from rowanseed.core.lay.problem import Plan
from rowanseed.core.pattern.pieces import Piece
from rowanseed.store import projects


def hold(project: OpenProject, found: ClothPlan, plan: Plan, id: str) -> str:
    """Hold the piece of a placement on the print, or let it go where it is held; what was done, in words.

    Raises NotThere for a placement that is none, ChangedMeanwhile where something else was decided since.
    """
    laid = dict(edit.ids(plan)).get(id)
    if laid is None or project.core.size is None:
        raise NotThere("piece")
    piece = next(p for p in project.core.cut_pattern.pieces if p.id == laid.piece)
    how = project.core.cloth_choices.matched(found.role)
    if any(one.piece == piece.own_id for one in how.held):
        after, said = how.without(piece.own_id), f"{piece.name} is no longer held on its motif."
    else:
        one, doubled = _held(project, found, plan, id, piece)
        after = how.holding(one)
        said = f"{piece.name} stays on this place of the print, every copy of it: lay the rest again."
        if doubled:
            said += " It lies on doubled cloth, so only its place along the cloth is held; opened out, both are."
    choices = project.core.cloth_choices
    projects.decide(
        project.desk.db,
        project.record.id,
        lambda record: replace(
            record, cloth_choices=replace(choices, matching=choices.matching_with(found.role, after))
        ),
        revision=project.record.revision,
    )
    return said


def _held(project: OpenProject, found: ClothPlan, plan: Plan, id: str, piece: Piece) -> tuple[Held, bool]:
    """Where its grainline begins in the repeat as it was bought, and whether it lies on doubled cloth."""
    cloth = found.entry.cloth
    along, across = cloth.ready_repeat
    stretch, laid = edit.stretch_of(plan, id), edit.placement(plan, id)
    every = list(lying_on_cloth(found.problem, plan))
    layers = [one for one in every if one.laid is laid and one.start == stretch.start and one.over is None]
    x, y = layers[0].at(piece.shapes[project.core.size or ""].grainline[0])
    doubled = len(layers) > 1
    return Held(
        piece.own_id,
        None if along is None else round(x % along / cloth.along, 2),
        None if across is None or doubled else round(y % across / cloth.across, 2),
    ), doubled and across is not None
