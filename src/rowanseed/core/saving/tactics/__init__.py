"""The tactics, one file each, found by their folder: a new file with a `TACTIC` is a new tactic."""

from __future__ import annotations

import importlib
import pkgutil

from rowanseed.core.saving.tactic import Tactic, TacticId


def _found() -> dict[TacticId, Tactic]:
    modules = (importlib.import_module(f"{__name__}.{module.name}") for module in pkgutil.iter_modules(__path__))
    found: list[Tactic] = [module.TACTIC for module in modules]
    return {tactic.id: tactic for tactic in sorted(found, key=lambda tactic: (tactic.cost.points, tactic.id))}


TACTICS: dict[TacticId, Tactic] = _found()
"""Every tactic by its id, the cheapest in looks and work first."""

LOOSENS = frozenset(id for id, tactic in TACTICS.items() if tactic.loosens)
FOLDS = frozenset(id for id, tactic in TACTICS.items() if tactic.answers == "how it is folded")
OTHER_CLOTH = frozenset(id for id, tactic in TACTICS.items() if tactic.other_cloth is not None)
"""Tactics that make it up in two cloths."""
