"""The kinds of alteration, one file each, found by their folder: a new file with a `KIND` is a new kind."""

from __future__ import annotations

import importlib
import pkgutil

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.turned_yoke import laid_open


def _found() -> dict[str, AlterationKind]:
    modules = (importlib.import_module(f"{__name__}.{module.name}") for module in pkgutil.iter_modules(__path__))
    found: list[AlterationKind] = [module.KIND for module in modules]
    return {kind.id: kind for kind in sorted(found, key=lambda kind: kind.order)}


KINDS: dict[str, AlterationKind] = _found()
"""Every kind by its id, in the order in which they are offered."""


def kind_of(alteration: Alteration) -> AlterationKind:
    return KINDS[alteration.kind]


def offered(pattern: Pattern, size: str) -> tuple[AlterationKind, ...]:
    """The alterations that this pattern's pieces allow."""
    opened = laid_open(pattern)
    return tuple(kind for kind in KINDS.values() if kind.offered(opened, size))


def title(alteration: Alteration, pattern: Pattern) -> str:
    """An alteration in words, without its figure: “Side seams, at the waist: taken in”."""
    kind = kind_of(alteration)
    what = kind.named(alteration, pattern) if kind.named is not None else kind.name
    return f"{what}: {kind.sense if alteration.by >= 0 else kind.opposite or kind.sense}"
