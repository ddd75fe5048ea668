"""A pattern made plainer so that a lining can be worked out from it, and the way back to the garment as it is."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from typing import Protocol, TypeVar

from rowanseed.core.pattern.pattern import Pattern


class _Named(Protocol):
    @property
    def id(self) -> str: ...


Part = TypeVar("Part", bound=_Named)


@dataclass(frozen=True)
class Plain:
    """The plainer pattern, and how it was; `as_it_was` are pieces that nothing done to the plain ones changes."""

    pattern: Pattern
    was: Pattern
    as_it_was: frozenset[str] = frozenset()

    def again(self, made: Pattern) -> Pattern:
        """What was worked out from the plain pattern, with its shell as it was."""
        was, plain, making = self.was.making, self.pattern.making, made.making
        return replace(
            made,
            pieces=_taken_back(self.was.pieces, self.pattern.pieces, made.pieces, self.as_it_was),
            making=replace(
                making,
                joins=_taken_back(was.joins, plain.joins, making.joins),
                finishes=_taken_back(was.finishes, plain.finishes, making.finishes),
                closures=_taken_back(was.closures, plain.closures, making.closures),
                details=_taken_back(was.details, plain.details, making.details),
                layers=(*was.layers, *(layer for layer in making.layers if layer not in plain.layers)),
            ),
        )


def _taken_back(
    was: Sequence[Part], plain: Sequence[Part], made: Sequence[Part], as_it_was: Collection[str] = ()
) -> tuple[Part, ...]:
    """What was made, but for what only the plain pattern has otherwise; what was added stands behind."""
    known, now = {one.id: one for one in plain}, {one.id: one for one in made}
    kept = [
        one if one.id in as_it_was or one.id not in known or now[one.id] == known[one.id] else now[one.id]
        for one in was
        if one.id in as_it_was or one.id not in known or one.id in now
    ]
    ids = {one.id for one in was}
    return (*kept, *(one for one in made if one.id not in ids))
