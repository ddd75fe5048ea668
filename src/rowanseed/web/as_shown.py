"""What a form shows is rounded: a figure that comes back as it was shown keeps its exact value."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import fields, is_dataclass, replace
from typing import Any, TypeVar

T = TypeVar("T")


def as_it_was(before: T, shown: T, made: T) -> T:
    """What was written, and what it was `before` wherever that was left as `shown`; part by part.

    `shown` is what the form reads back as where nothing in it is touched. Mappings go by their keys, records by their
    fields, sequences by their places where they are as long as before: what `before` has in a row stands in the order
    in which the form gives it back.
    """
    old: Any = before
    seen: Any = shown
    new: Any = made
    if isinstance(new, Mapping) and isinstance(old, Mapping) and isinstance(seen, Mapping):
        known = old.keys() & seen.keys()
        merged: Any = {k: as_it_was(old[k], seen[k], v) if k in known else v for k, v in new.items()}
        return merged  # type: ignore[no-any-return]
    if is_dataclass(new) and not isinstance(new, type) and type(new) is type(old) is type(seen):
        names = [one.name for one in fields(new) if one.init]
        parts = {name: as_it_was(*(getattr(one, name) for one in (old, seen, new))) for name in names}
        record: Any = replace(new, **parts)
        return record  # type: ignore[no-any-return]
    if isinstance(new, list | tuple) and type(new) is type(old) is type(seen) and len(new) == len(old) == len(seen):
        row: Any = type(new)(as_it_was(*three) for three in zip(old, seen, new, strict=True))
        return row  # type: ignore[no-any-return]
    return before if new == seen else made
