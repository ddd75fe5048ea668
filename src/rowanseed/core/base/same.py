"""A value known by identity: what is worked out of it is remembered without comparing it part by part."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Generic, TypeVar

T = TypeVar("T")


@dataclass(frozen=True, eq=False)
class Same(Generic[T]):
    """A key for caches: equal to another one of the very same value. It keeps that value alive."""

    it: T

    def __hash__(self) -> int:
        return id(self.it)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Same) and other.it is self.it
