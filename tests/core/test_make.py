"""The making order is worked out from the graph, and every rule of the trade holds in it.

The rules (what comes before what) are common practice, no source.
"""

from dataclasses import replace

import pytest

from rowanseed.core.base.errors import PatternError
from rowanseed.core.make.compiler import MakingChoices, compile_steps
from rowanseed.core.make.sequencer import sequence, trips
from rowanseed.core.make.steps import After, Bench, MakingStep, Task
from rowanseed.core.pattern.making import Closure, ClosureKind
from rowanseed.demo.six_gore_skirt import draft

SKIRT = draft()


def _order(pattern=SKIRT, **household):
    return sequence(compile_steps(pattern, "A", "14", MakingChoices(**household)))


def _place(steps, id):
    return [step.id for step in steps].index(id)


@pytest.mark.parametrize("household", [{}, {"overlocker": True}, {"hem_by_hand": True}])
def test_every_need_comes_before_what_needs_it(household):
    steps = _order(**household)
    done = set()
    for step in steps:
        assert {need.step for need in step.needs} <= done, step.title
        done.add(step.id)
    assert len(done) == len(steps)


@pytest.mark.parametrize(
    ("before", "after"),
    [
        ("staystitch-waist", "sew-front-seams"),
        ("interface-front-facing", "sew-facing-sides"),
        ("neaten-centre-back", "zip-zip"),
        ("zip-zip", "sew-centre-back"),
        ("zip-zip", "sew-waist"),
        ("press-side-seams", "sew-waist"),
        ("press-facing-sides", "sew-waist"),
        ("try-on-shell", "sew-waist"),
        ("sew-waist", "understitch-waist"),
        ("understitch-waist", "turn-waist"),
        ("tack-waist", "sew-hem"),
        ("hang-hem", "try-on-hem"),
        ("try-on-hem", "fold-hem"),
        ("sew-hem", "last-press"),
    ],
)
def test_the_skirt_is_made_in_this_order(before, after):
    steps = _order()
    assert _place(steps, before) < _place(steps, after)


def test_the_hem_is_the_last_seam_and_the_press_the_last_step():
    steps = _order()
    assert steps[-1].id == "last-press"
    assert [s.id for s in steps if s.bench is Bench.MACHINE][-1] == "sew-hem"


def test_a_centred_zip_goes_in_after_the_seam_below_it():
    closures = tuple(
        replace(c, kind=ClosureKind.CENTRED_ZIP) if c.kind is ClosureKind.INVISIBLE_ZIP else c
        for c in SKIRT.making.closures
    )
    steps = _order(replace(SKIRT, making=replace(SKIRT.making, closures=closures)))
    assert _place(steps, "press-centre-back") < _place(steps, "zip-zip") < _place(steps, "sew-waist")


def test_an_overlocker_takes_over_the_neatening():
    neatened = {s.bench for s in _order(overlocker=True) if s.task is Task.NEATEN}
    assert neatened == {Bench.OVERLOCKER}
    assert {s.bench for s in _order() if s.task is Task.NEATEN} == {Bench.MACHINE}


def test_like_is_done_with_like():
    """Fewer trips between benches than the order in which the graph happens to be written."""
    compiled = compile_steps(SKIRT, "A", "14", MakingChoices())
    assert trips(_order()) < trips(compiled) * 0.75


def test_machine_steps_say_how_the_machine_is_set():
    for step in _order():
        assert (step.setting is not None) == (step.bench in (Bench.MACHINE, Bench.OVERLOCKER)), step.title
        assert step.how


def test_a_pattern_without_joins_has_no_order():
    from rowanseed.core.pattern.making import Making

    assert compile_steps(replace(SKIRT, making=Making()), "A", "14", MakingChoices()) == ()


def test_a_zip_without_a_mark_still_compiles():
    closures = (Closure("zip", ClosureKind.INVISIBLE_ZIP, "centre-back"),)
    assert _order(replace(SKIRT, making=replace(SKIRT.making, closures=closures)))


def test_steps_that_wait_for_each_other_are_reported():
    def step(id, needs):
        return MakingStep(
            id=id, title=f"Do {id}", how=(), bench=Bench.HAND, task=Task.SEAM, needs=(After(needs, "so"),)
        )

    with pytest.raises(PatternError, match="wait for each other"):
        sequence([step("a", "b"), step("b", "a")])
