"""What came of a lay that was asked for: the shortest plan, or why there is none, in the sewist's words."""

from __future__ import annotations

import re
from collections.abc import Mapping

from rowanseed.core.base.errors import LayRefusal
from rowanseed.core.base.units import Units, in_household_units
from rowanseed.core.lay.problem import Plan
from rowanseed.core.pattern.pattern import Pattern

Answers = Mapping[str, Plan | LayRefusal]


def shortest(answers: Answers) -> Plan | None:
    """The shortest plan among the answers; None where there is no plan."""
    return min((a for a in answers.values() if isinstance(a, Plan)), key=lambda plan: plan.length, default=None)


def refusal(answers: Answers, pattern: Pattern, units: Units) -> str:
    """Why nothing can be laid; empty where something can, or where nothing was asked yet."""
    if shortest(answers) is not None:
        return ""
    return next((words_of(a, pattern, units) for a in answers.values() if isinstance(a, LayRefusal)), "")


def words_of(error: LayRefusal, pattern: Pattern, units: Units) -> str:
    """A refusal with pieces called by their names and lengths in the household's units."""
    names = {piece.id: piece.name for piece in pattern.pieces}
    said = re.sub(r"“([^”]+)”", lambda found: f"“{names.get(found[1], found[1])}”", f"{error.problem} {error.remedy}")
    return in_household_units(said.strip(), units)
