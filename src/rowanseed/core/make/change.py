"""What another way of sewing a part changes: operations that come and go, minutes, stitching."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import Made, every_duty, left_unmade, offered, taken_apart
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.part_names import part_name
from rowanseed.core.make.registry import all_techniques
from rowanseed.core.make.technique import Technique
from rowanseed.core.make.workbench import workbench
from rowanseed.core.make.zip_kinds import SEWN_AS
from rowanseed.core.pattern.pattern import Pattern


@dataclass(frozen=True)
class Way:
    """A part of the garment and the ways it can be made: the one that is taken, and the others."""

    id: str
    name: str
    taken: Technique
    others: tuple[Technique, ...]
    usual: Technique

    @property
    def is_chosen(self) -> bool:
        """Whether it is made otherwise than is usual."""
        return self.taken is not self.usual


@dataclass(frozen=True)
class Changed:
    """What comes, what goes, and how much longer it takes, least and most, in minutes."""

    come: tuple[Operation, ...]
    go: tuple[Operation, ...]
    told_otherwise: tuple[Operation, ...]
    minutes: tuple[float, float]
    benches: tuple[Bench, ...]
    """Stations that are needed now and were not before."""


def ways(pattern: Pattern, view: str, size: str, choices: MakingChoices, made: Made) -> tuple[Way, ...]:
    """Every part that can be made in more than one way, in the order of the making graph."""
    bench = workbench(pattern, view, size, choices)
    taken = dict(made.taken)
    out = []
    for id, found in offered(bench).items():
        now = next((t for t in found if t.id == taken.get(id)), None)
        if now is None or len(found) < 2:
            continue
        others = tuple(t for t in found if t is not now)
        meant = dict(pattern.making.ways).get(id)
        usual = next((t for t in found if t.id == meant), found[0])
        out.append(Way(id=id, name=part_name(bench, id), taken=now, others=others, usual=usual))
    return tuple(out)


def settled(pattern: Pattern, view: str, size: str, choices: MakingChoices, made: Made) -> tuple[Way, ...]:
    """Every part that is made in one way only, in the order of the making graph."""
    bench = workbench(pattern, view, size, choices)
    taken = dict(made.taken)
    alone = ((id, found[0]) for id, found in offered(bench).items() if len(found) == 1 and taken.get(id) == found[0].id)
    return tuple(Way(id=id, name=part_name(bench, id), taken=one, others=(), usual=one) for id, one in alone)


@dataclass(frozen=True)
class Unsuited:
    """A technique for parts of this kind that does not suit this one, and why."""

    name: str
    why: str


def unsuited(pattern: Pattern, view: str, size: str, choices: MakingChoices, part: str) -> tuple[Unsuited, ...]:
    """The techniques for parts of its kind which do not suit a part, or which the household cannot do."""
    bench = workbench(pattern, view, size, choices)
    suited = {technique.id for technique in offered(bench).get(part, ())}
    duties = {technique.id: duty for technique, duty in every_duty(bench) if part in duty.ids}
    out = []
    for technique in all_techniques():
        why = None if technique.id in suited else technique.why_not(bench, part)
        if why is None:
            continue
        duty = duties.get(technique.id)
        left = left_unmade(bench, duty) if duty is not None else ()
        if not why and left:
            why = f"“{part_name(bench, left[0])}”, which is made in one with it, would be left"
        if not why and duty is not None and (apart := taken_apart(bench, duty)):
            why = f"“{part_name(bench, apart[0])}” is made in one with it, and cannot be made apart"
        out.append(Unsuited(technique.name, why or technique.asks(bench)))
    return tuple(sorted(out, key=lambda one: one.name))


def in_the_way(
    pattern: Pattern, view: str, size: str, choices: MakingChoices, part: str, wanted: str
) -> frozenset[str]:
    """The parts with a choice of their own that could not hold beside a technique wanted for this part: both sew
    something that can be sewn only once."""
    every = every_duty(workbench(pattern, view, size, choices))

    def sewn(id: str, name: str) -> frozenset[str]:
        return frozenset(next((d.ids for t, d in every if t.id == name and id in d.ids), (id,)))

    own = sewn(part, wanted)
    return frozenset(id for id, name in choices.techniques if id != part and name != wanted and own & sewn(id, name))


def kept_for(pattern: Pattern, view: str, size: str, choices: MakingChoices, part: str, wanted: str) -> str:
    """The part that a choice is kept for: the zip itself where a technique sews it as a kind that may not be drawn."""
    if wanted not in SEWN_AS:
        return part
    every = every_duty(workbench(pattern, view, size, choices))
    ids = next((d.ids for t, d in every if t.id == wanted and part in d.ids), ())
    return next((closure.id for closure in pattern.making.closures if closure.id in ids), part)


def with_technique(
    choices: MakingChoices, part: str, technique: str | None, *, given_up: frozenset[str] = frozenset()
) -> MakingChoices:
    """The choices with one part made another way, its allowances not settled by cutting; None: the usual one.

    `given_up`: other parts that are made in the usual way again.
    """
    gone = {part, *given_up}
    kept = tuple((id, name) for id, name in choices.techniques if id not in gone)
    techniques = kept if technique is None else (*kept, (part, technique))
    return replace(choices, techniques=techniques, as_cut=choices.as_cut - gone)


def changed(before: Iterable[Operation], after: Iterable[Operation]) -> Changed:
    """What the operations of a garment become."""
    old, new = ({op.id: op for op in operations} for operations in (before, after))
    low = sum(op.minutes[0] for op in new.values()) - sum(op.minutes[0] for op in old.values())
    high = sum(op.minutes[1] for op in new.values()) - sum(op.minutes[1] for op in old.values())
    benches = {op.bench for op in new.values()} - {op.bench for op in old.values()}
    return Changed(
        come=tuple(op for id, op in new.items() if id not in old),
        go=tuple(op for id, op in old.items() if id not in new),
        told_otherwise=tuple(op for id, op in new.items() if id in old and _told(old[id]) != _told(op)),
        minutes=(low, high),
        benches=tuple(bench for bench in Bench if bench in benches),
    )


def _told(op: Operation) -> tuple[str, ...]:
    return (op.title, *op.how)
