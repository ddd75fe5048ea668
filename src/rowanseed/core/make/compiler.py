"""From a garment and the sewist's choices to operations that wait for each other: the compiler refuses silence.

Every part of the making graph is taken by a technique: the one that was chosen, or else the usual one. Then the
operations are linked by their facts. What no technique makes is told by name, never passed over.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace

from rowanseed.core.make import facts
from rowanseed.core.make.by_hand import by_hand
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.facts import State, SubjectKind
from rowanseed.core.make.operation import Act, After, Need, Operation
from rowanseed.core.make.registry import all_techniques, by_id, companions
from rowanseed.core.make.technique import Companion, Duty, Technique
from rowanseed.core.make.techniques import samples
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pattern import Pattern

NO_WORK = (FinishKind.SELVEDGE, FinishKind.RAW)
PRESSED = "the seams it crosses are pressed"


@dataclass(frozen=True)
class Gap:
    """What nothing here makes, or not as it was asked: the id of the part, and in words what and why."""

    id: str
    said: str


@dataclass(frozen=True)
class Made:
    """The operations of a garment, each with what it needs, not yet in order; and what is missing."""

    operations: tuple[Operation, ...]
    gaps: tuple[Gap, ...] = ()
    taken: tuple[tuple[str, str], ...] = ()
    """(id of a part, id of the technique that makes it)."""


def compile_garment(pattern: Pattern, view: str, size: str, choices: MakingChoices) -> Made:
    """Every operation of making a garment; none if the pattern has no joins."""
    if not pattern.making.joins:
        return Made(())
    bench = Workbench(pattern=pattern, view=view, size=size, household=choices)
    duties, gaps = share_out(bench)
    operations = [op for technique, duty in duties for op in technique.sews(bench, duty)]
    for companion in _in_order():
        operations += companion.adds(bench, tuple(operations))
    operations = [_with_samples(bench, op) for op in operations]
    if not choices.equipment.machine:
        operations = [by_hand(bench, op) for op in operations]
    linked, unmet = _linked(bench, operations, {gap.id for gap in gaps})
    return Made(
        operations=_ended(linked),
        gaps=(*gaps, *unmet, *_sewn_twice(bench, linked)),
        taken=tuple((id, technique.id) for technique, duty in duties for id in duty.ids),
    )


def compile_steps(pattern: Pattern, view: str, size: str, choices: MakingChoices) -> tuple[Operation, ...]:
    """The operations alone."""
    return compile_garment(pattern, view, size, choices).operations


def _in_order() -> list[Companion]:
    """Companions in the order in which they look at the operations: samples and the end see all the others."""
    late = {"samples": 1, "the-end": 2}
    return sorted(companions(), key=lambda c: (late.get(c.id, 0), c.id))


# ---------------------------------------------------------------- who makes what


def wanted(bench: Workbench) -> tuple[str, ...]:
    """The ids of everything that has to be made, whoever makes it."""
    found = {id for technique in all_techniques() for duty in technique.finds(bench) for id in duty.ids}
    graph = [*bench.joins, *(f.id for f in bench.finishes.values() if f.kind not in NO_WORK), *bench.closures]
    return tuple(dict.fromkeys([*graph, *sorted(found)]))


def offered(bench: Workbench) -> dict[str, tuple[Technique, ...]]:
    """The techniques that can make each part, the usual one first."""
    out: dict[str, list[Technique]] = {id: [] for id in wanted(bench)}
    for technique in sorted(all_techniques(), key=lambda t: (not t.usual, t.rank)):
        if technique.asks(bench):
            continue
        for duty in technique.finds(bench):
            for id in duty.ids:
                out[id].append(technique)
    return {id: tuple(found) for id, found in out.items()}


def share_out(bench: Workbench) -> tuple[list[tuple[Technique, Duty]], list[Gap]]:
    """Every part given to a technique: first to those that were chosen, then to the usual ones by rank."""
    known = wanted(bench)
    duties, gaps = _chosen(bench, known)
    left = set(known) - {id for _, duty in duties for id in duty.ids}
    for technique in all_techniques():
        if not technique.usual or technique.asks(bench):
            continue
        for duty in technique.finds(bench):
            if set(duty.ids) <= left:
                duties.append((technique, duty))
                left -= set(duty.ids)
    gaps += [
        Gap(id, f"Nothing here sews “{named(bench, id)}” ({kind_of(bench, id)}): sew it by your booklet.")
        for id in known
        if id in left
    ]
    order = {id: k for k, id in enumerate(known)}
    return sorted(duties, key=lambda found: order[found[1].id]), gaps


def _chosen(bench: Workbench, known: Sequence[str]) -> tuple[list[tuple[Technique, Duty]], list[Gap]]:
    """What was chosen, as far as it can be sewn so; what cannot is told, and made the usual way."""
    duties: list[tuple[Technique, Duty]] = []
    gaps: list[Gap] = []
    taken: dict[str, Technique] = {}
    for id, name in bench.household.techniques:
        technique = by_id().get(name)
        what = technique.name if technique else name
        if id not in known:
            gaps.append(Gap(id, f"There is no “{id}” in this garment now, so “{what}” was chosen for nothing."))
            continue
        if technique is not None and taken.get(id) is technique:
            continue
        duty = None if technique is None else next((d for d in technique.finds(bench) if id in d.ids), None)
        refused = "" if technique is None else technique.asks(bench)
        if technique is None or duty is None or refused or taken.keys() & set(duty.ids):
            why = refused or "it cannot be sewn that way"
            gaps.append(Gap(id, f"“{named(bench, id)}” is not made as “{what}”: {why}. It is made the usual way."))
            continue
        duties.append((technique, duty))
        taken |= dict.fromkeys(duty.ids, technique)
    return duties, gaps


def named(bench: Workbench, id: str) -> str:
    """A part of the graph in words."""
    if id in bench.joins:
        return bench.joins[id].name
    if id in bench.finishes:
        return bench.finishes[id].name
    return bench.closures[id].kind.words if id in bench.closures else id


def kind_of(bench: Workbench, id: str) -> str:
    if id in bench.joins:
        return "a seam"
    if id in bench.finishes:
        return bench.finishes[id].kind.words
    return bench.closures[id].kind.words if id in bench.closures else "a layer"


# ---------------------------------------------------------------- linking


def _with_samples(bench: Workbench, op: Operation) -> Operation:
    waits = tuple(
        Need(facts.sample(id), "the setting is tried on a scrap first", where_given=True)
        for id in samples.waits_for(bench, op)
    )
    return replace(op, requires=(*op.requires, *waits))


def _linked(bench: Workbench, operations: Iterable[Operation], told: set[str]) -> tuple[list[Operation], list[Gap]]:
    """Operations with what each needs, and what is required and given by none; `told` are parts that nothing makes."""
    every = list(operations)
    givers: dict[State, list[str]] = {}
    for op in every:
        for state in op.gives:
            givers.setdefault(state, []).append(op.id)
        for thing in op.leaves:
            givers.setdefault(facts.thing(thing), []).append(op.id)
    gaps: list[Gap] = []
    out = []
    for op in every:
        needs: dict[str, After] = {}
        removing = tuple(Need(facts.thing(thing), "it is put in before it is taken out") for thing in op.removes)
        for need in (*op.requires, *removing):
            found = [id for id in givers.get(need.state, ()) if id != op.id]
            lacking = not found and not need.where_given and op.id not in givers.get(need.state, ())
            if lacking and need.state.of.id not in told:
                gaps.append(Gap(op.id, f"“{op.title}” waits for {_words(bench, need)}, which nothing here does."))
            for id in found:
                before = needs.get(id)
                if before is None or (need.must and not before.must):
                    needs[id] = After(id, need.why, need.must)
        out.append(replace(op, needs=tuple(needs.values())))
    return out, gaps


def _words(bench: Workbench, need: Need) -> str:
    of = need.state.of
    name = bench.name(of.id) if of.kind is SubjectKind.PIECE else named(bench, of.id)
    return f"“{name}” to be {need.state.fact.words}"


def _ended(operations: list[Operation]) -> tuple[Operation, ...]:
    """The look over the whole waits for everything that nothing else waits for."""
    waited = {need.step for op in operations for need in op.needs}
    loose = [op.id for op in operations if op.id not in waited and op.act is not Act.FINISH]
    return tuple(
        replace(
            op,
            needs=(
                *op.needs,
                *(
                    After(id, "everything else is done")
                    for id in loose
                    if id != op.id and id not in {need.step for need in op.needs}
                ),
            ),
        )
        if op.id == "look-over"
        else op
        for op in operations
    )


def _sewn_twice(bench: Workbench, operations: list[Operation]) -> Iterator[Gap]:
    """Joins that are sewn more than once."""
    counted: dict[str, int] = {}
    for op in operations:
        if op.act.sews_join:
            for id in op.on.joins:
                counted[id] = counted.get(id, 0) + 1
    for id in bench.joins:
        if counted.get(id, 0) > 1:
            yield Gap(id, f"“{named(bench, id)}” is sewn {counted[id]} times.")
