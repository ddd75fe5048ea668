"""The layers that a step is drawn with, found in the folder of stacks: adding one is adding it to a file there."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Callable
from functools import cache

from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.drawings.steps import stacks
from rowanseed.drawings.steps.stack import Stack

Builds = Callable[[Workbench, Operation], Stack | None]


@cache
def builders() -> dict[tuple[str, str], Builds]:
    """What builds the layers of a step, by its technique and the first word of its id."""
    out: dict[tuple[str, str], Builds] = {}
    for found in sorted(pkgutil.iter_modules(stacks.__path__), key=lambda module: module.name):
        out |= getattr(importlib.import_module(f"{stacks.__name__}.{found.name}"), "STACKS", {})
    return out


def stack_of(bench: Workbench, op: Operation) -> Stack | None:
    """The layers of a step; None where none are told, or where this garment's pieces do not say where they lie."""
    builds = builders().get((op.technique, op.id.partition("-")[0]))
    return builds(bench, op) if builds is not None else None
