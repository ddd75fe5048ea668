"""Every section there is, found in the folder of scenes: adding one is adding it to a chapter."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Iterator
from functools import cache

from rowanseed.core.make.operation import Act, Meant, Operation
from rowanseed.drawings.steps import scenes
from rowanseed.drawings.steps.scene import Scene
from rowanseed.drawings.steps.scenes.frame import Frame

OPENED = ("open", "open above the curve")
"""How a seam is pressed whose allowances lie open."""


@cache
def frames() -> dict[str, tuple[Frame, ...]]:
    """Frames by the word of their technique."""
    out: dict[str, tuple[Frame, ...]] = {}
    for found in sorted(pkgutil.iter_modules(scenes.__path__), key=lambda module: module.name):
        out |= getattr(importlib.import_module(f"{scenes.__name__}.{found.name}"), "SCENES", {})
    return out


def scene_of(op: Operation) -> Scene | None:
    """The section that a step is shown with: its own, or else the thing when it is done."""
    known = frames().get(op.technique)
    if not known:
        return None
    return next((frame.scene for word in _asked(op) for frame in known if word in frame.at), known[-1].scene)


def _asked(op: Operation) -> Iterator[str]:
    """The words a step's section is asked for by, what tells most of it first."""
    if Meant.TOGETHER in op.meant:
        yield "together"
        return
    words = op.id.split("-")
    yield op.id
    yield "-".join(words[:2])
    if op.run is not None and op.run.to_mark is not None:
        yield "to-mark"
    if op.act is Act.PRESS and op.way:
        yield "opened" if op.way.split(",")[0] in OPENED else "aside"
    yield from (words[0], op.bench.value, f"act:{op.act.value}")
