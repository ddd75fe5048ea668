"""Which of the lays that were found is in use, and what a search's answers come to."""

from __future__ import annotations

from collections.abc import Mapping

from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.base.saying import said
from rowanseed.core.base.units import Units
from rowanseed.core.lay.problem import Plan
from rowanseed.core.pattern.pattern import Pattern

Answers = Mapping[str, Plan | LayRefusal]
"""What came of a problem: by how it is laid, a plan, or why there is none."""

NEARLY_AS_SHORT = 10.0
"""Within so many mm the lay with the fewest pieces to cut round is less work (common practice, no source)."""


def plans_of(answers: Answers) -> dict[str, Plan]:
    return {name: answer for name, answer in answers.items() if isinstance(answer, Plan)}


def shortest(answers: Answers) -> Plan | None:
    """The shortest plan among the answers; None where there is no plan."""
    return min(plans_of(answers).values(), key=lambda plan: plan.length, default=None)


def easiest(plans: Mapping[str, Plan]) -> str | None:
    """The name of the lay to use: the shortest; of two that are nearly as short, the one with fewer pieces to cut."""
    if not plans:
        return None
    most = min(plan.length for plan in plans.values()) + NEARLY_AS_SHORT
    near = [name for name, plan in plans.items() if plan.length <= most]
    return min(near, key=lambda name: sum(len(stretch.placements) for stretch in plans[name].stretches))


def better_of(now: Answers, before: Answers) -> dict[str, Plan | LayRefusal]:
    """Each answer, the shorter of a new one and the one that was kept before."""
    out = dict(now)
    for name, kept in plans_of(before).items():
        found = out.get(name)
        if not (isinstance(found, Plan) and found.length < kept.length):
            out[name] = kept
    return out


def piece_names(pattern: Pattern) -> dict[str, str]:
    """Names of pieces by their ids, to say errors with."""
    return {piece.id: piece.name for piece in pattern.pieces}


def refusal(answers: Answers, pattern: Pattern, units: Units) -> str:
    """Why nothing can be laid; empty where something can, or where nothing was asked yet."""
    if shortest(answers) is not None:
        return ""
    refused = next((answer for answer in answers.values() if isinstance(answer, LayRefusal)), None)
    return "" if refused is None else str(said(refused, units, piece_names(pattern)))
