"""What a field of a long form can be, and where it is there: one of a closed set, several, a length, a number."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from itertools import groupby

from rowanseed.core.base.words import Worded
from rowanseed.core.compose import vocabulary as v


def of(garments: Iterable[v.GarmentKind]) -> When:
    """Of these garments."""
    return When("garment", tuple(kind.value for kind in v.GarmentKind if kind in garments))


def chosen(path: str, *values: Worded) -> When:
    """Where one of these is chosen in another field."""
    return When(path, tuple(str(one.value) for one in values))


@dataclass(frozen=True)
class When:
    """What has to be said in another field for a choice to be there: one of these values, or anything but none."""

    path: str
    values: tuple[str, ...] = ()

    @property
    def written(self) -> str:
        """As the page's script reads it: `path=one|other`, or the path alone."""
        return f"{self.path}={'|'.join(self.values)}" if self.values else self.path

    def holds(self, typed: Mapping[str, str]) -> bool:
        said = typed.get(self.path, "")
        return said in self.values if self.values else bool(said)


@dataclass(frozen=True)
class Choice:
    """A field of the form; it is there where all of `when` holds, and says nothing elsewhere."""

    path: str
    label: str
    when: tuple[When, ...] = field(default=(), kw_only=True)

    def is_there(self, typed: Mapping[str, str]) -> bool:
        return all(one.holds(typed) for one in self.when)


@dataclass(frozen=True)
class One(Choice):
    """One of a closed set, or none of it."""

    kind: type[Worded]
    none: str = ""
    """What no choice is called; empty where one has to be chosen."""
    first: Worded | None = None
    """What is taken where nothing was chosen yet; else the first of the set."""

    @property
    def usual(self) -> str:
        return str((self.first or next(iter(self.kind))).value)

    @property
    def options(self) -> list[tuple[str, str]]:
        own = [(one.value, one.words) for one in sorted(self.kind, key=lambda one: one is not self.first)]
        return [("", self.none), *own] if self.none else own


@dataclass(frozen=True)
class Option:
    """One of several: its value, its words, and where it is there."""

    value: str
    words: str
    when: tuple[When, ...] = ()


@dataclass(frozen=True)
class Several(Choice):
    """Any of a closed set."""

    kind: type[Worded]
    only: Mapping[Worded, frozenset[v.GarmentKind]] = field(default_factory=dict)
    """Those that are offered here, and for which garments; empty: all of them, for any."""

    @property
    def options(self) -> list[Option]:
        if not self.only:
            return [Option(one.value, one.words) for one in self.kind]
        return [Option(one.value, one.words, (of(garments),)) for one, garments in self.only.items()]


@dataclass(frozen=True)
class Length(Choice):
    hint: str = ""


@dataclass(frozen=True)
class Number(Choice):
    hint: str = ""
    whole: bool = True


@dataclass(frozen=True)
class Tick(Choice):
    """Said, or not."""


@dataclass(frozen=True)
class Either(Choice):
    """Said to be so or not to be, or not said."""

    none: str
    yes: str
    no: str

    @property
    def options(self) -> list[tuple[str, str]]:
        return [("", self.none), ("yes", self.yes), ("no", self.no)]


Field = One | Several | Length | Number | Tick | Either


@dataclass(frozen=True)
class Group:
    """A part of the garment: its fields, and the kinds of garment that have it."""

    id: str
    name: str
    fields: tuple[Field, ...]
    of: frozenset[v.GarmentKind] = frozenset(v.GarmentKind)

    @property
    def laid(self) -> tuple[tuple[Field, ...], ...]:
        """The fields as they stand on the page: those of one row of a list side by side, any other by itself."""
        return tuple(tuple(found) for _, found in groupby(self.fields, key=lambda one: _row_of(one.path)))

    @property
    def when(self) -> tuple[When, ...]:
        return (of(self.of),)

    def belongs_to(self, garment: str) -> bool:
        return garment in {kind.value for kind in self.of}


def _row_of(path: str) -> str:
    """What the fields of one row of a list have in common; any other field has only itself."""
    row = re.match(r"features\.\w+\.\d+(?=\.)", path)
    return row[0] if row else path
