"""From a garment and the sewist's choices to operations that wait for each other: the compiler refuses silence.

Every part of the making graph is taken by a technique: the one that was chosen, or else the usual one. Then the
operations are linked by their facts. What no technique makes is told by name, never passed over.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from rowanseed.core.base.same import Same
from rowanseed.core.make import facts
from rowanseed.core.make.by_hand import by_hand
from rowanseed.core.make.caught import with_lining_caught
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.facts import State, SubjectKind
from rowanseed.core.make.operation import Act, After, Need, Operation
from rowanseed.core.make.part_names import called, kind_of, named
from rowanseed.core.make.registry import all_techniques, by_id, companions
from rowanseed.core.make.technique import Companion, Duty, Technique
from rowanseed.core.make.techniques import samples
from rowanseed.core.make.workbench import Workbench, workbench
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
    bench = workbench(pattern, view, size, choices)
    duties, gaps = share_out(bench)
    operations = [op for technique, duty in duties for op in technique.sews(bench, duty)]
    for companion in _in_order():
        operations += companion.adds(bench, tuple(operations))
    operations = [with_lining_caught(bench, op) for op in operations]
    tried = samples.samples(bench)
    operations = [_with_samples(tried, op) for op in operations]
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


Found = list[tuple[Technique, Duty]]


def every_duty(bench: Workbench) -> Found:
    """Everything that any technique could make here, those techniques first that take parts first."""
    return list(_every_duty(Same(bench)))


@lru_cache(maxsize=16)
def _every_duty(known: Same[Workbench]) -> tuple[tuple[Technique, Duty], ...]:
    return tuple((technique, duty) for technique in all_techniques() for duty in technique.finds(known.it))


def wanted(bench: Workbench, every: Found) -> tuple[str, ...]:
    """The ids of everything that has to be made, whoever makes it."""
    graph = [
        *bench.joins,
        *(f.id for f in bench.finishes.values() if f.kind not in NO_WORK),
        *bench.closures,
        *bench.details,
    ]
    return tuple(dict.fromkeys([*graph, *sorted(id for _, duty in every for id in duty.ids)]))


def offered(bench: Workbench) -> dict[str, tuple[Technique, ...]]:
    """The techniques that can make each part, the usual one first; none that would leave another part unmade."""
    every = [(technique, duty) for technique, duty in every_duty(bench) if not technique.asks(bench)]
    out: dict[str, list[Technique]] = {id: [] for id in wanted(bench, every)}
    for technique, duty in sorted(every, key=lambda found: (not _is_usual(*found), found[0].rank)):
        if not left_unmade(bench, duty) and not taken_apart(bench, duty):
            for id in duty.ids:
                out[id].append(technique)
    return {id: tuple(found) for id, found in out.items()}


@lru_cache(maxsize=16)
def _usual_parts(known: Same[Workbench]) -> tuple[frozenset[str], ...]:
    """What the usual techniques make in one, each."""
    every = _every_duty(known)
    return tuple(frozenset(d.ids) for technique, d in every if _is_usual(technique, d) and not technique.asks(known.it))


def _is_usual(technique: Technique, duty: Duty) -> bool:
    return technique.usual and not duty.by_choice


def left_unmade(bench: Workbench, duty: Duty) -> tuple[str, ...]:
    """Parts that are usually made in one with these, and that nothing would make if these are made without them."""
    own = set(duty.ids)
    usual = _usual_parts(Same(bench))
    beside = {id for ids in usual if ids & own for id in ids - own}
    return tuple(sorted(id for id in beside if not any(id in ids and not ids & own for ids in usual)))


def taken_apart(bench: Workbench, duty: Duty) -> tuple[str, ...]:
    """Parts that can only be made together with these, and are not: a notched collar's seams."""
    own = set(duty.ids)
    return tuple(sorted(id for ids in _wholes(Same(bench)) if ids & own for id in ids - own))


@lru_cache(maxsize=16)
def _wholes(known: Same[Workbench]) -> tuple[frozenset[str], ...]:
    every = _every_duty(known)
    return tuple(frozenset(duty.ids) for technique, duty in every if duty.whole and _is_usual(technique, duty))


def share_out(bench: Workbench) -> tuple[Found, list[Gap]]:
    """Every part given to a technique: first to those that were chosen, then to the usual ones by rank."""
    every = every_duty(bench)
    known = wanted(bench, every)
    duties, gaps = _chosen(bench, every, known)
    left = set(known) - {id for _, duty in duties for id in duty.ids}
    refused = {technique.id: technique.asks(bench) for technique, _ in every}
    for technique, duty in every:
        if _is_usual(technique, duty) and not refused[technique.id] and set(duty.ids) <= left:
            duties.append((technique, duty))
            left -= set(duty.ids)
    gaps += [
        Gap(id, f"Nothing here sews “{named(bench, id)}” ({kind_of(bench, id)}): sew it by your booklet.")
        for id in known
        if id in left
    ]
    order = {id: k for k, id in enumerate(known)}
    return sorted(duties, key=lambda found: order[found[1].id]), gaps


def chosen_duties(bench: Workbench) -> Found:
    """What was chosen, as far as it can be sewn so."""
    every = every_duty(bench)
    return _chosen(bench, every, wanted(bench, every))[0]


def _chosen(bench: Workbench, every: Found, known: Sequence[str]) -> tuple[Found, list[Gap]]:
    """What was chosen, as far as it can be sewn so; what cannot is told, and made the usual way."""
    duties: Found = []
    gaps: list[Gap] = []
    taken: dict[str, Technique] = {}
    for id, name in bench.chosen:
        technique = by_id().get(name)
        what = technique.name if technique else name
        is_meant = (id, name) in bench.pattern.making.ways
        if id not in known and is_meant:
            continue
        if id not in known:
            gaps.append(Gap(id, f"There is no “{called(id)}” in this garment now, so “{what}” was chosen for nothing."))
            continue
        if technique is not None and taken.get(id) is technique:
            continue
        duty = next((d for t, d in every if t is technique and id in d.ids), None)
        why = _why_not(bench, id, technique, duty, taken.keys())
        parts = {id, *(duty.ids if duty is not None else ())}
        if why and is_meant and (parts & taken.keys() or _is_of_another_kind(bench, id, technique, duty)):
            # The pattern's own wish, where she chose otherwise: for what it is sewn in one with, or for its layers.
            continue
        if why or technique is None or duty is None:
            gaps.append(Gap(id, f"“{named(bench, id)}” is not made as “{what}”: {why}. It is made the usual way."))
            continue
        duties.append((technique, duty))
        taken |= dict.fromkeys(duty.ids, technique)
    return duties, gaps


def _is_of_another_kind(bench: Workbench, id: str, technique: Technique | None, duty: Duty | None) -> bool:
    """Whether a technique is not meant for parts like this one at all."""
    return technique is not None and duty is None and technique.why_not(bench, id) is None


def _why_not(bench: Workbench, id: str, technique: Technique | None, duty: Duty | None, taken: Collection[str]) -> str:
    """Why a chosen technique cannot make a part; empty if it can."""
    if technique is None or duty is None:
        return (technique.why_not(bench, id) if technique is not None else "") or "it cannot be sewn that way"
    refused = technique.asks(bench)
    if refused:
        return refused
    if set(taken) & set(duty.ids):
        return "something else was chosen for a part that it is sewn in one with"
    apart = taken_apart(bench, duty)
    if apart:
        return f"“{named(bench, apart[0])}” is made in one with it, and cannot be made apart"
    unmade = left_unmade(bench, duty)
    return f"“{named(bench, unmade[0])}” is made in one with it and would be left" if unmade else ""


# ---------------------------------------------------------------- linking


def _with_samples(tried: Sequence[samples.Sample], op: Operation) -> Operation:
    waits = tuple(
        Need(facts.sample(id), "the setting is tried on a scrap first", where_given=True)
        for id in samples.waits_for(tried, op)
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
