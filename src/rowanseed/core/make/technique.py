"""What a technique is: where it is found in a garment, what it asks for, and the operations it yields."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench


@dataclass(frozen=True)
class Duty:
    """Parts of the making graph that a technique sews as one: ids of joins, finishes, closures, pieces or layers.

    `by_choice`: usual as the technique may be, it is not for these parts: only where it is chosen. `whole`: where this
    is how they are usually made, none of them can be made apart from the others.
    """

    ids: tuple[str, ...]
    by_choice: bool = False
    whole: bool = False

    @property
    def id(self) -> str:
        """The id it is chosen by, and its operations are named after."""
        return self.ids[0]


def single(*ids: str) -> Duty:
    return Duty(ids)


Finds = Callable[[Workbench], Iterator[Duty]]
Sews = Callable[[Workbench, Duty], Iterator[Operation]]
Adds = Callable[[Workbench, tuple[Operation, ...]], Iterator[Operation]]
WhyNot = Callable[[Workbench, str], str | None]
"""Why a part, given by its id, is not one of those that a technique finds: empty where it is; None for a part of
another kind, of which nobody would ask."""


@dataclass(frozen=True)
class Technique:
    """A way of making a part of a garment.

    `finds` yields the parts that it can make, so specific that nothing it yields comes out wrong. `usual`: taken where
    nothing is chosen; of several usual ones that of the lowest `rank`. `also` are other words of the trade for it;
    `words` are for the glossary. `draw` names its drawing.
    """

    id: str
    name: str
    chapter: str
    finds: Finds
    sews: Sews
    rank: int = 50
    usual: bool = True
    also: tuple[str, ...] = ()
    words: Mapping[str, str] = field(default_factory=lambda: MappingProxyType({}))
    asks: Callable[[Workbench], str] = lambda bench: ""
    """Why a household cannot do it; empty if it can."""
    why_not: WhyNot = lambda bench, id: None
    allowances: Callable[[Workbench, Duty], Mapping[tuple[str, str], float]] = lambda bench, duty: {}
    """What the allowances have to be where it is chosen before the pieces are cut, in mm by piece and edge."""
    iso: str = ""
    draw: str = ""


@dataclass(frozen=True)
class Companion:
    """What goes along with other operations: samples before them, staystitching, try-ons, the last press."""

    id: str
    name: str
    chapter: str
    adds: Adds
    also: tuple[str, ...] = ()
    words: Mapping[str, str] = field(default_factory=lambda: MappingProxyType({}))
    draw: str = ""
