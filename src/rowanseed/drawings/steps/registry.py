"""Every section there is, found in the folder of scenes: adding one is adding it to a chapter."""

from __future__ import annotations

import importlib
import pkgutil
from functools import cache

from rowanseed.core.make.operation import Act, Meant, Operation
from rowanseed.drawings.steps import scenes
from rowanseed.drawings.steps.scene import Scene
from rowanseed.drawings.steps.scenes.frame import Frame


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
    asked = {op.id, op.id.partition("-")[0], op.bench.value, f"act:{op.act.value}"}
    if Meant.TOGETHER in op.meant:
        asked = {"together"}
    elif op.act is Act.PRESS and op.way and op.way != "open":
        asked.add("aside")
    return next((frame.scene for frame in known if asked & set(frame.at)), known[-1].scene)
