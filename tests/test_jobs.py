"""Lays searched as jobs: what goes in and out are documents, and what went wrong comes back in words."""

import pytest

from rowanseed.core.base.errors import LayRefusal
from rowanseed.core.lay.check import check
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Plan, Problem
from rowanseed.core.pattern.pieces import Grain
from rowanseed.jobs import lays as jobs

SQUARE = ((0.0, 0.0), (300.0, 0.0), (300.0, 200.0), (0.0, 200.0))


def _problem(width=900.0):
    pieces = (LayPiece(id="panel", outline=SQUARE, cut=4, pair=True, fold=None, grain=Grain.LENGTHWISE),)
    return Problem(
        name="job",
        cloth=LayCloth(width=width, length=None, selvedge=10, one_way=False),
        gap=3,
        lays=(LayKind.OPEN, LayKind.FOLDED),
        pieces=pieces,
    )


@pytest.fixture(autouse=True)
def at_once(monkeypatch):
    """Jobs run where they are asked for, without a worker."""
    monkeypatch.setattr(jobs.queue, "immediate", True)


def test_a_job_answers_with_checked_plans_and_leaves_nothing_behind():
    assert jobs.state("a") is None
    jobs.start("a", _problem(), 0.3)
    assert jobs.state("a").state == "done"
    answers = jobs.collect("a")
    assert isinstance(answers["open"], Plan) and isinstance(answers["folded"], Plan)
    for plan in answers.values():
        assert check(_problem(), plan) == []
    assert jobs.state("a") is None


def test_a_refusal_comes_back_in_words():
    jobs.start("b", _problem(width=150.0), 0.3)
    answers = jobs.collect("b")
    assert "200 mm wide" in str(answers["open"])


def test_a_job_that_is_not_there_or_went_wrong_is_told_so(monkeypatch):
    with pytest.raises(LayRefusal, match="no search"):
        jobs.collect("none")

    def broken(*_, **__):
        raise RuntimeError("inside")

    monkeypatch.setattr(jobs, "solve_each", broken)
    jobs.start("c", _problem(), 0.3)
    with pytest.raises(LayRefusal, match="went wrong here"):
        jobs.collect("c")
    assert jobs.state("c") is None


def test_a_waiting_job_says_so_and_a_silent_one_counts_as_lost(monkeypatch):
    monkeypatch.setattr(jobs.queue, "enqueue", lambda task: None)
    jobs.start("d", _problem(), 5.0, again=True)
    assert (jobs.state("d").state, jobs.state("d").again) == ("waiting", True)
    jobs.queue.storage.put_data("lay-word-d", b'{"at": 0, "elapsed": 3, "seconds": 5}')
    assert jobs.state("d").state == "lost"
