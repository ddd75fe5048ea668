"""Several garments sewn at once: one order over all of them, so that they share set-ups and walks."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from rowanseed.core.make.operation import After, Operation
from rowanseed.core.make.sequencer import sequence, trips

OF = ":"
"""Joins the number of a project and the id of its step."""


@dataclass(frozen=True)
class Shared:
    """A step of one of several garments: `project` is the number it was given with."""

    project: int
    op: Operation


@dataclass(frozen=True)
class Together:
    """One order over several garments, and how often one gets up; `apart`: sewn one after the other."""

    steps: tuple[Shared, ...]
    trips: int
    apart: int

    @property
    def saved(self) -> int:
        return self.apart - self.trips


def together(left: Mapping[int, Sequence[Operation]]) -> Together:
    """One order over what is left of several garments, each in its own order before."""
    needs = tuple(op.needs for steps in left.values() for op in steps)
    return _together(tuple((number, tuple(steps)) for number, steps in left.items()), needs)


@lru_cache(maxsize=8)
def _together(left: tuple[tuple[int, tuple[Operation, ...]], ...], _needs: tuple[tuple[After, ...], ...]) -> Together:
    """Remembered by what the steps need too, which is no part of what makes two of them equal."""
    known = {f"{number}{OF}{op.id}": Shared(number, op) for number, steps in left for op in steps}
    every = [_named(number, op, {one.id for one in steps}) for number, steps in left for op in steps]
    order = sequence(every)
    return Together(
        steps=tuple(known[op.id] for op in order),
        trips=trips(order),
        apart=sum(trips(steps) for _, steps in left) + max(0, len(left) - 1),
    )


def _named(number: int, op: Operation, ids: set[str]) -> Operation:
    """A step under a name that is its own among all garments; what is done already is waited for no longer."""
    needs = tuple(After(f"{number}{OF}{n.step}", n.why, n.must) for n in op.needs if n.step in ids)
    return replace(op, id=f"{number}{OF}{op.id}", needs=needs)
