"""The simulator plays every order: it finds what is wrong with a spoilt one, and nothing in any that can be reached."""

import random
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Fibre, Surface
from rowanseed.core.garment import derived
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment, offered
from rowanseed.core.make.equipment import Equipment, SeamFinish, SewingHabits, StaySchool, TryOn
from rowanseed.core.make.operation import Act
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.make.workbench import workbench
from rowanseed.core.make.zip_kinds import zipped_as_chosen
from rowanseed.core.pattern.envelope import Structure

from .garments import SIZE, garments
from .test_make import DRAFTS, HOUSEHOLDS, LAYERS, faults, ordered

pytestmark = pytest.mark.slow

households = st.builds(
    MakingChoices,
    equipment=st.builds(
        Equipment,
        machine=st.booleans(),
        zigzag=st.booleans(),
        overlock_threads=st.sampled_from([0, 2, 3, 4, 5]),
        feet=st.just(frozenset()),
    ),
    habits=st.builds(
        SewingHabits,
        seam_finish=st.sampled_from(SeamFinish),
        stay=st.sampled_from(StaySchool),
        try_on=st.sampled_from(TryOn),
        hem_by_hand=st.booleans(),
    ),
    fibre=st.sampled_from(Fibre),
    structure=st.sampled_from(Structure),
    surface=st.sampled_from([Surface.PLAIN, Surface.PILE]),
    weight=st.sampled_from([None, 60.0, 180.0, 400.0]),
)


@pytest.mark.parametrize("household", HOUSEHOLDS)
@pytest.mark.parametrize("layers", LAYERS)
@pytest.mark.parametrize("name", DRAFTS)
def test_every_order_can_be_played_to_its_end(name, layers, household):
    draft, size = DRAFTS[name]
    pattern = derived(draft, size, "A", ClothChoices(layers=LAYERS[layers]), ())
    assert play(pattern, ordered(pattern, size, HOUSEHOLDS[household]).operations) == ()


@pytest.mark.parametrize("name", DRAFTS)
def test_whatever_is_ready_may_be_done_next(name):
    """Orders that a sewist reaches by taking anything that is ready: a hundred of them, at random."""
    draft, size = DRAFTS[name]
    operations = ordered(draft, size, MakingChoices()).operations
    for seed in range(25):
        chance, done, left = random.Random(seed), [], list(operations)
        while left:
            names = {op.id for op in done}
            free = [op for op in left if all(n.step in names for n in op.needs)]
            taken = chance.choice(free)
            done.append(taken)
            left.remove(taken)
        assert play(draft, done) == ()
        assert play(draft, done[: len(done) // 2], whole=False) == ()


@pytest.mark.parametrize("name", DRAFTS)
def test_an_operation_before_what_it_needs_is_found(name):
    draft, size = DRAFTS[name]
    operations = ordered(draft, size, MakingChoices()).operations
    places = {op.id: k for k, op in enumerate(operations)}
    spoilt = 0
    for op in operations:
        before = [places[n.step] for n in op.needs if n.must and "everything else" not in n.why]
        if not before or op.id in ("look-over", "last-press"):
            continue
        rest = [o for o in operations if o.id != op.id]
        rest.insert(min(before), op)
        assert play(draft, rest) != (), op.id
        spoilt += 1
    assert spoilt > 20


@pytest.mark.parametrize(
    ("act", "said"),
    [
        (Act.JOIN, "nothing sews"),
        (Act.HEM, "nothing finishes"),
        (Act.CLOSE, "never closed"),
        (Act.BUTTON, "nothing closes"),
        (Act.FINISH, "last press"),
    ],
)
def test_what_is_left_out_is_missed(act, said):
    draft, size = DRAFTS["overshirt" if act in (Act.HEM, Act.JOIN) else "waistcoat"]
    operations = [op for op in ordered(draft, size, MakingChoices()).operations if op.act is not act]
    assert any(said in fault.said for fault in play(draft, operations))


def test_a_basting_that_nobody_takes_out_is_missed():
    draft, size = DRAFTS["skirt"]
    operations = [replace(op, removes=()) for op in ordered(draft, size, MakingChoices()).operations]
    assert any("never taken out" in fault.said for fault in play(draft, operations))


# ---------------------------------------------------------------- generated garments


@given(pattern=garments, household=households)
@settings(max_examples=150, deadline=None, suppress_health_check=[HealthCheck.too_slow])
def test_any_garment_becomes_an_order_in_which_nothing_is_wrong(pattern, household):
    made = compile_garment(pattern, "A", SIZE, household)
    assert made.gaps == ()
    operations = sequence(made.operations)
    assert play(pattern, operations) == ()
    assert faults(pattern, SIZE, operations) == []


@given(pattern=garments, data=st.data())
@settings(max_examples=100, deadline=None, suppress_health_check=[HealthCheck.too_slow])
def test_any_technique_that_is_offered_can_be_taken(pattern, data):
    """One after another, as on the page: what is offered for a part may hang on how another one is made.

    Two parts that are sewn in one cannot each be made another way: that is told, and the first choice holds.
    """

    def ways(chosen):
        household = MakingChoices(techniques=tuple(chosen))
        return offered(workbench(pattern, "A", SIZE, household))

    chosen = []
    for id in sorted(id for id, found in ways(()).items() if len(found) > 1):
        if data.draw(st.booleans()):
            chosen.append((id, data.draw(st.sampled_from([t.id for t in ways(chosen)[id]]))))
    made = compile_garment(pattern, "A", SIZE, MakingChoices(techniques=tuple(chosen)))
    assert all("a part that it is sewn in one with" in gap.said for gap in made.gaps)
    told = {gap.id for gap in made.gaps}
    assert {one for one in chosen if one[0] not in told} <= set(made.taken)
    operations, garment = sequence(made.operations), zipped_as_chosen(pattern, chosen)
    assert play(garment, operations) == ()
    assert faults(garment, SIZE, operations) == []
