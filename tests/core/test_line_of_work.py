"""The line of work: whatever is ticked, put off, left out, moved or added, what is offered next can be done.

The simulator plays what was reached; it knows the making graph and shares nothing with the line.
"""

import random
from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.make.change import changed, with_technique
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.line_of_work import Log, OwnStep, line_of, ticked
from rowanseed.core.make.operation import Bench
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play

from .test_make import DRAFTS

ORDERS = {}


def order(name):
    if name not in ORDERS:
        draft, size = DRAFTS[name]
        ORDERS[name] = (draft, sequence(compile_garment(draft, "A", size, MakingChoices()).operations))
    return ORDERS[name]


@given(st.sampled_from(sorted(DRAFTS)), st.integers(0, 10**6))
def test_what_is_offered_next_can_be_done_from_wherever_the_screen_leads(name, seed):
    """A sewist ticks, puts off, leaves out, takes up again, moves, at random: what was done is played in that order."""
    draft, steps = order(name)
    chance, log, done = random.Random(seed), Log(), []
    for _ in range(chance.randrange(5, 40)):
        line = line_of(steps, log)
        if line.next is None:
            break
        deed = chance.randrange(6)
        if deed <= 2:
            step = line.next if deed < 2 else chance.choice(line.ready)
            done.append(step.id)
            log = ticked(line, step.id).log
        elif deed == 3:
            log = replace(log, put_off=log.put_off | {line.next.id})
        elif deed == 4:
            free = [op for op in line.ready if not line.held_up(op.id)]
            if free:
                log = replace(log, left_out={**log.left_out, chance.choice(free).id: "no need"})
        else:
            step, before = chance.choice(line.left), chance.choice(line.left)
            if step is not before and not line.why_not_moved(step.id, before.id):
                log = replace(log, moved=(*log.moved, (step.id, before.id)))
    line = line_of(steps, log)
    offered = [] if line.next is None else [line.next]
    by_id = {op.id: op for op in steps}
    assert play(draft, [*(by_id[id] for id in done), *offered], whole=False) == ()
    places = {op.id: k for k, op in enumerate(line.steps)}
    for op in line.steps:
        for need in op.needs:
            assert not need.must or places[need.step] < places[op.id], "a move broke the order"


def test_a_step_is_not_ticked_before_what_it_cannot_do_without():
    _, steps = order("skirt")
    line = line_of(steps, Log())
    last = steps[-1]
    before = line.before(last.id)
    assert {op.id for op in before} == {op.id for op in steps} - {last.id}, "everything comes before the last press"
    done = ticked(line, *(op.id for op in before))
    assert line_of(steps, done.log).next.id == last.id


def test_taking_a_tick_back_names_what_rests_on_it():
    _, steps = order("skirt")
    line = ticked(line_of(steps, Log()), *(op.id for op in steps))
    staystitched = next(op for op in steps if op.technique == "staystitching")
    resting = {op.id for op in line_of(steps, line.log).resting_on(staystitched.id)}
    assert "sew-waist" in resting and staystitched.id not in resting


def test_what_is_put_off_is_offered_only_when_nothing_else_is_left():
    _, steps = order("skirt")
    first = line_of(steps, Log()).next
    line = line_of(steps, Log(put_off=frozenset({first.id})))
    assert line.next.id != first.id
    rest = frozenset(op.id for op in line.ready) - {first.id}
    blocked = line_of(steps, Log(put_off=frozenset({first.id}), done=frozenset(), left_out=dict.fromkeys(rest, "")))
    assert blocked.next is not None


def test_a_step_of_ones_own_stands_where_it_was_put_and_is_offered():
    _, steps = order("trousers")
    own = OwnStep("own-1", "Sew in the label", Bench.HAND, 5.0, steps[3].id)
    line = line_of(steps, Log(own=(own,), done=frozenset(op.id for op in steps[:3])))
    assert [op.id for op in line.steps[3:5]] == ["own-1", steps[3].id]
    assert line.next.id == "own-1"


def test_a_move_that_cannot_be_is_refused_with_the_reason_and_passed_over():
    _, steps = order("skirt")
    line = line_of(steps, Log())
    press = next(op for op in steps if op.id == "press-side-seams")
    why = line.why_not_moved(press.id, "sew-side-seams")
    assert "has to be done before it" in why
    assert line_of(steps, Log(moved=((press.id, "sew-side-seams"),))).steps == line.steps


def test_ticks_stay_when_a_choice_is_changed_half_way():
    draft, size = DRAFTS["skirt"]
    _, steps = order("skirt")
    done = frozenset(op.id for op in steps[:20])
    made = compile_garment(draft, "A", size, with_technique(MakingChoices(), "side-seams", "french"))
    after = sequence(made.operations)
    line = line_of(after, Log(done=done))
    gone = {op.id for op in changed(steps, after).go}
    assert line.settled == done - gone
    assert line.next is not None and not line.missing(line.next.id)


def test_the_line_is_the_order_where_nothing_was_done_to_it():
    _, steps = order("overshirt")
    line = line_of(steps, Log())
    assert line.steps == steps
    assert all(a.id != b.id for a, b in pairwise(line.steps))
    assert line.next == steps[0]


@pytest.mark.parametrize("name", DRAFTS)
def test_doing_what_is_offered_until_nothing_is_left_makes_the_garment(name):
    draft, steps = order(name)
    log, done = Log(), []
    while (line := line_of(steps, log)).next is not None:
        done.append(line.next)
        log = ticked(line, line.next.id).log
    assert play(draft, done) == ()
