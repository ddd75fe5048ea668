"""The making order beside a printed booklet: it is one of the answers, and what was moved is told with the reason."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.make.booklet import LIKE_WORK, _rising, by_the_booklet, moved, numbers
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.operation import Act
from rowanseed.core.make.sequencer import cost_of
from rowanseed.core.make.simulator import play

from .test_make import DRAFTS, faults, ordered


@pytest.mark.parametrize("name", DRAFTS)
def test_the_booklets_order_can_be_sewn_and_costs_no_less(name):
    draft, size = DRAFTS[name]
    own = ordered(draft, size, MakingChoices()).operations
    printed = by_the_booklet(draft, own)
    assert play(draft, printed) == () and faults(draft, size, printed) == []
    assert sorted(op.id for op in printed) == sorted(op.id for op in own)
    assert cost_of(own) <= cost_of(printed) + 1e-9


@pytest.mark.parametrize("name", DRAFTS)
def test_in_the_booklets_order_nothing_is_moved_that_could_stay(name):
    """What is still moved there is moved by a need, never for the sake of walks."""
    draft, size = DRAFTS[name]
    printed = by_the_booklet(draft, ordered(draft, size, MakingChoices()).operations)
    assert all(one.why != LIKE_WORK for one in moved(draft, printed))


@pytest.mark.parametrize("name", DRAFTS)
def test_what_is_moved_is_told_with_the_step_it_passed(name):
    draft, size = DRAFTS[name]
    operations = ordered(draft, size, MakingChoices()).operations
    places = {op.id: k for k, op in enumerate(operations)}
    printed = numbers(draft, operations)
    order = {step.number: k for k, step in enumerate(draft.making.booklet)}
    for one in moved(draft, operations):
        passed = [op for op in operations if op.booklet == one.past]
        assert one.said.endswith(".") and one.number in one.said
        if one.earlier:
            assert order[one.past] < printed[one.id] and any(places[op.id] > places[one.id] for op in passed)
        else:
            assert order[one.past] > printed[one.id] and any(places[op.id] < places[one.id] for op in passed)


def test_a_booklet_that_has_it_the_other_way_round_is_told_the_need():
    """A booklet that sets the waistband before the darts is not followed, and is told why."""
    draft, size = DRAFTS["trousers"]
    last_first = tuple(reversed(draft.making.booklet))
    backwards = replace(draft, making=replace(draft.making, booklet=last_first))
    told = moved(backwards, ordered(backwards, size, MakingChoices()).operations)
    assert any("waits for what comes before it" in one.said for one in told)


def test_a_pattern_without_a_booklet_has_nothing_moved():
    draft, size = DRAFTS["skirt"]
    bare = replace(draft, making=replace(draft.making, booklet=()))
    operations = ordered(bare, size, MakingChoices()).operations
    assert moved(bare, operations) == () and by_the_booklet(bare, operations) == operations


@given(st.lists(st.integers(0, 6), max_size=9))
def test_the_longest_run_that_does_not_fall_is_as_long_as_any(row):
    """Beside trying every subset."""
    kept = sorted(_rising(row))
    chosen = [row[k] for k in kept]
    assert chosen == sorted(chosen)
    every = ([row[k] for k in range(len(row)) if bits >> k & 1] for bits in range(1 << len(row)))
    assert len(chosen) == max(len(some) for some in every if some == sorted(some))


# ---------------------------------------------------------------- time in which other things are done


def test_what_cools_and_hangs_says_how_long_and_something_else_is_done_meanwhile():
    draft, size = DRAFTS["skirt"]
    operations = ordered(draft, size, MakingChoices()).operations
    hung = next(op for op in operations if op.act is Act.HANG)
    assert hung.waits == 24 * 60
    fused = [op for op in operations if op.act is Act.FUSE and op.waits]
    assert fused
    for op in fused:
        after = operations[operations.index(op) + 1]
        assert all(need.step != op.id for need in after.needs)
