"""Every technique there is, found in the folder: adding one is adding a file."""

from __future__ import annotations

import importlib
import pkgutil
from functools import cache

from rowanseed.core.make import techniques
from rowanseed.core.make.technique import Companion, Technique


@cache
def every() -> tuple[Technique | Companion, ...]:
    """All techniques and companions, by the name of their file."""
    names = sorted(found.name for found in pkgutil.iter_modules(techniques.__path__))
    modules = [importlib.import_module(f"{techniques.__name__}.{name}") for name in names]
    return tuple(module.TECHNIQUE for module in modules)


@cache
def all_techniques() -> tuple[Technique, ...]:
    """Those that make a part of the garment, in the order in which they take parts."""
    return tuple(sorted((t for t in every() if isinstance(t, Technique)), key=lambda t: t.rank))


@cache
def companions() -> tuple[Companion, ...]:
    return tuple(c for c in every() if isinstance(c, Companion))


@cache
def by_id() -> dict[str, Technique]:
    return {technique.id: technique for technique in all_techniques()}
