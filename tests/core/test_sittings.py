"""Sittings: the best run is the best there is, by trying everything on small orders; and none ends with a pin in it."""

from dataclasses import replace
from datetime import date, time

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.make import facts
from rowanseed.core.make.calendar import on_days
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.equipment import Experience, SewingHabits
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.line_of_work import Log, line_of
from rowanseed.core.make.operation import Act, After, Bench, Operation, Setting
from rowanseed.core.make.own_times import ENOUGH, OwnTimes, Timed, estimate, own_times, reckoned
from rowanseed.core.make.sequencer import changing
from rowanseed.core.make.sittings import AGAINST_ADVICE, CHANGE, OUT_OF_ORDER, best_run, cut_into_sittings

from .test_line_of_work import order
from .test_make import DRAFTS

SEAM = Setting("straight", 2.5, "ordinary foot", "universal 80/12")


def step(id, bench=Bench.MACHINE, *, needs=(), advice=(), gives=(), sets=(), sets_back=(), act=Act.JOIN, waits=0.0):
    after = (*(After(n, "it is so") for n in needs), *(After(n, "better so", must=False) for n in advice))
    return Operation(
        id=id,
        technique="plain seam",
        act=act,
        title=id,
        how=(),
        bench=bench,
        gives=gives,
        sets=sets,
        sets_back=sets_back,
        setting=SEAM if bench is Bench.MACHINE else None,
        waits=waits,
        needs=after,
    )


@st.composite
def small_orders(draw):
    """Up to seven steps that wait for earlier ones, some gathered and sewn, some setting a machine otherwise."""
    count = draw(st.integers(2, 7))
    steps = []
    for k in range(count):
        before = [f"s{j}" for j in range(k)]
        needs = draw(st.sets(st.sampled_from(before), max_size=2)) if before else set()
        advice = draw(st.sets(st.sampled_from(before), max_size=1)) - needs if before else set()
        hangs = draw(st.sampled_from([(), (facts.join(Fact.DRAWN_UP, "seam"),), (facts.join(Fact.JOINED, "seam"),)]))
        bench = draw(st.sampled_from([Bench.MACHINE, Bench.IRON, Bench.HAND]))
        steps.append(step(f"s{k}", bench, needs=sorted(needs), advice=sorted(advice), gives=hangs))
    took = {op.id: float(draw(st.integers(1, 20))) for op in steps}
    return tuple(steps), took


def hangs(steps, done):
    """Whether fullness is drawn up and not sewn, where something is left that sews it."""
    drawn = any(s.fact is Fact.DRAWN_UP for op in steps if op.id in done for s in op.gives)
    sewers = [op.id for op in steps if any(s.fact is Fact.JOINED for s in op.gives)]
    return drawn and bool(sewers) and not any(id in done for id in sewers)


def worth_of(steps, run, took):
    """What a run is worth, by its definition."""
    total, done, last = 0.0, set(), None
    index = {op.id: k for k, op in enumerate(steps)}
    for op in run:
        total += took[op.id] - OUT_OF_ORDER * (index[op.id] - sum(index[id] < index[op.id] for id in done))
        total -= AGAINST_ADVICE * sum(not n.must and n.step not in done for n in op.needs)
        if last is not None:
            total -= CHANGE * changing(last, op)
        done.add(op.id)
        last = op
    return total


def by_trying_everything(steps, took, budget):
    best = 0.0

    def go_on(run, done, used):
        nonlocal best
        if run and not hangs(steps, done):
            best = max(best, worth_of(steps, run, took))
        for op in steps:
            if op.id in done or used + took[op.id] > budget:
                continue
            if all(n.step in done for n in op.needs if n.must):
                go_on([*run, op], done | {op.id}, used + took[op.id])

    go_on([], set(), 0.0)
    return best


@given(small_orders(), st.integers(5, 60))
def test_the_best_run_is_as_good_as_trying_everything(made, budget):
    steps, took = made
    run = best_run(line_of(steps, Log()), budget, took)
    best = by_trying_everything(steps, took, budget)
    assert (run.worth if run else 0.0) == pytest.approx(best, abs=1e-6)
    if run:
        assert run.minutes <= budget
        assert not hangs(steps, {op.id for op in run.steps})
        assert run.worth == pytest.approx(worth_of(steps, run.steps, took))


@pytest.mark.parametrize("name", DRAFTS)
@pytest.mark.parametrize("budget", [20, 45, 90])
def test_a_run_of_a_garment_fits_needs_nothing_that_is_not_done_and_hangs_on_nothing(name, budget):
    _, steps = order(name)
    took = {op.id: sum(op.minutes) / 2 for op in steps}
    done = frozenset(op.id for op in steps[:12])
    run = best_run(line_of(steps, Log(done=done)), budget, took)
    assert run is not None and sum(took[op.id] for op in run.steps) <= budget
    known = set(done)
    for op in run.steps:
        assert all(need.step in known for need in op.needs if need.must)
        known.add(op.id)


def test_in_the_train_only_hand_work_is_offered():
    _, steps = order("skirt")
    took = {op.id: sum(op.minutes) / 2 for op in steps}
    hand = next(k for k, op in enumerate(steps) if op.bench is Bench.HAND)
    run = best_run(
        line_of(steps, Log(done=frozenset(op.id for op in steps[:hand]))), 300, took, frozenset({Bench.HAND})
    )
    assert run is not None and {op.bench for op in run.steps} == {Bench.HAND}


def test_gathers_are_not_left_hanging_on_two_threads():
    gather = step("gather", act=Act.GATHER, gives=(facts.join(Fact.DRAWN_UP, "waist"),))
    sew = step("sew", needs=["gather"], gives=(facts.join(Fact.JOINED, "waist"),))
    other = step("other")
    took = {"gather": 20.0, "sew": 20.0, "other": 5.0}
    line = line_of((gather, sew, other), Log())
    assert [op.id for op in best_run(line, 30, took).steps] == ["other"], "the gathers would hang"
    assert {op.id for op in best_run(line, 45, took).steps} == {"gather", "sew", "other"}


def test_a_machine_set_otherwise_is_set_back_before_the_evening_ends():
    shirr = step("shirr", sets=("elastic in the bobbin",))
    back = step("back", needs=["shirr"], sets_back=("elastic in the bobbin",))
    line = line_of((shirr, back), Log())
    took = {"shirr": 10.0, "back": 10.0}
    assert best_run(line, 15, took) is None
    assert [op.id for op in best_run(line, 20, took).steps] == ["shirr", "back"]


@pytest.mark.parametrize("name", DRAFTS)
def test_sittings_hold_every_step_once_in_order_and_end_safely(name):
    _, steps = order(name)
    took = {op.id: sum(op.minutes) / 2 for op in steps}
    cut = cut_into_sittings(line_of(steps, Log()), 60, took)
    assert [op for one in cut for op in one.steps] == list(steps)
    assert all(one.minutes <= 60 or len(one.steps) == 1 for one in cut)
    assert not any(one.hangs for one in cut)


def test_what_hangs_a_day_is_gone_on_with_another_day():
    _, steps = order("skirt")
    took = {op.id: sum(op.minutes) / 2 for op in steps}
    cut = cut_into_sittings(line_of(steps, Log()), 600, took)
    hung = next(k for k, one in enumerate(cut) if any(op.id == "hang-hem" for op in one.steps))
    assert cut[hung + 1].next_day
    days = [one.start.date() for one in on_days(cut, date(2026, 11, 26), time(19), frozenset({0, 3}))]
    assert all(day.weekday() in (0, 3) for day in days) and len(set(days)) == len(days)


# ---------------------------------------------------------------- times


def test_ones_own_times_make_the_next_estimate_and_an_interrupted_hour_does_not():
    usual = step("sew")
    told = [Timed("plain seam", "join", 10.0, minutes) for minutes in (15.0, 14.0, 16.0, 15.0)]
    plain, own = estimate(usual, MakingChoices(), OwnTimes()), own_times(told)
    learned = estimate(replace(usual, minutes=(8.0, 12.0)), MakingChoices(), own)
    assert learned.middle == pytest.approx(15.0, abs=1.0) and "4 times" in learned.learned
    interrupted = own_times([*told, Timed("plain seam", "join", 10.0, 200.0)])
    again = estimate(replace(usual, minutes=(8.0, 12.0)), MakingChoices(), interrupted)
    assert abs(again.middle - learned.middle) <= 1.0
    assert plain.learned == ""


def test_where_a_technique_was_timed_too_seldom_its_kind_of_work_says():
    told = [Timed("french", "join", 10.0, 20.0), Timed("lapped", "join", 10.0, 20.0)]
    assert len(told) >= ENOUGH
    found = own_times(told)
    assert found.techniques == {} and found.acts["join"].middle == 2.0


@given(st.lists(st.floats(1.0, 100.0), min_size=3, max_size=12))
def test_the_middle_of_ones_times_lies_among_them(minutes):
    found = own_times([Timed("t", "join", 10.0, m) for m in minutes]).techniques["t"]
    ratios = [min(max(m / 10, 0.3), 4.0) for m in minutes]
    assert min(ratios) <= found.middle <= max(ratios)


def test_a_beginner_is_given_more_time_and_pile_takes_longer():
    usual = step("sew")
    new = MakingChoices(habits=SewingHabits(experience=Experience.NEW))
    assert reckoned(usual, new)[0] > reckoned(usual, MakingChoices())[0]
    assert reckoned(usual, MakingChoices(weight=400.0))[0] > reckoned(usual, MakingChoices(weight=180.0))[0]
