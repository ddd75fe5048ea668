"""The kinds of matching, one file each, found by their folder: a new file with a `KIND` is a new kind."""

from __future__ import annotations

import importlib
import pkgutil

from rowanseed.core.cloth.matching.ground import MatchKind


def _found() -> dict[str, MatchKind]:
    modules = (importlib.import_module(f"{__name__}.{module.name}") for module in pkgutil.iter_modules(__path__))
    found: list[MatchKind] = [module.KIND for module in modules]
    return {kind.id: kind for kind in sorted(found, key=lambda kind: kind.order)}


KINDS: dict[str, MatchKind] = _found()
"""Every kind by its id, in the order in which they are tied: what comes first is never given up for what follows."""
