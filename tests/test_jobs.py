"""Lays searched as jobs: signed documents in and out, failures that are never answers, nothing left behind."""

import json
import os
import shutil
import socket
import subprocess
import sys
import time

import pytest
from huey import SqliteHuey

from rowanseed.core.base.lay_errors import NoSuchSearch, SearchBroke, StoppedTooSoon, TooWide
from rowanseed.core.lay.check import check
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Plan, Problem
from rowanseed.core.pattern.pieces import Grain
from rowanseed.formats.layout_json import problem_document
from rowanseed.jobs import searches as jobs
from rowanseed.jobs import worker
from rowanseed.jobs.documents import SignedDocuments, Unsigned
from rowanseed.jobs.queue import KeyNeeded, key_beside, open_queue
from rowanseed.jobs.searches import Phase

from .ports import free_port

SQUARE = ((0.0, 0.0), (300.0, 0.0), (300.0, 200.0), (0.0, 200.0))


def problem(width=900.0):
    pieces = (LayPiece(id="panel", outline=SQUARE, cut=4, pair=True, fold=None, grain=Grain.LENGTHWISE),)
    return Problem(
        name="job",
        cloth=LayCloth(width=width, length=None, selvedge=10, one_way=False),
        gap=3,
        lays=(LayKind.OPEN, LayKind.FOLDED),
        pieces=pieces,
    )


@pytest.fixture
def waiting(monkeypatch):
    """Jobs are put into the queue, and no worker takes them."""
    monkeypatch.setattr(jobs.queue, "enqueue", lambda task: None)


def left_behind():
    return [key for key in jobs.queue.all_results() if str(key).startswith("lay-")]


def test_a_job_answers_with_checked_plans_and_leaves_nothing_behind(quick):
    assert jobs.state("a") is None
    jobs.start("a", problem(), 0.3)
    assert jobs.state("a").phase is Phase.DONE
    answers = jobs.collect("a")
    assert isinstance(answers["open"], Plan) and isinstance(answers["folded"], Plan)
    for plan in answers.values():
        assert check(problem(), plan) == []
    assert jobs.state("a") is None and left_behind() == []


def test_a_refusal_is_an_answer_with_its_figures(quick):
    jobs.start("b", problem(width=150.0), 0.3)
    refused = jobs.collect("b")["open"]
    assert isinstance(refused, TooWide)
    assert (refused.piece, refused.needed, refused.room) == ("panel", 200.0, 130.0)


def test_what_went_wrong_is_a_failure_and_never_an_answer(quick, monkeypatch):
    with pytest.raises(NoSuchSearch):
        jobs.collect("none")

    def broken(*_, **__):
        raise RuntimeError("inside")

    monkeypatch.setattr(jobs, "solve_each", broken)
    jobs.start("c", problem(), 0.3)
    with pytest.raises(SearchBroke) as failed:
        jobs.collect("c")
    assert "inside" in failed.value.detail and "inside" not in str(failed.value)
    assert jobs.state("c") is None and left_behind() == []


def test_a_search_that_is_stopped_before_there_is_a_lay_says_so(quick, monkeypatch):
    def stopped(*_, **__):
        raise StoppedTooSoon

    monkeypatch.setattr(jobs, "solve_each", stopped)
    monkeypatch.setattr(jobs, "first_lay", lambda problem: None)
    jobs.start("s", problem(), 0.3)
    with pytest.raises(StoppedTooSoon):
        jobs.collect("s")


def test_one_that_is_stopped_at_once_gives_the_lay_that_was_shown_first(quick, monkeypatch):
    def stopped(*_, **__):
        raise StoppedTooSoon

    monkeypatch.setattr(jobs, "solve_each", stopped)
    jobs.start("f", problem(), 0.3)
    (plan,) = jobs.collect("f").values()
    assert check(problem(), plan) == [] and left_behind() == []


def test_that_will_do_ends_a_search_long_before_its_time(quick, monkeypatch):
    asked = jobs.queue.put

    def stop_once_there_is_a_lay(key, value):
        asked(key, value)
        if key == "lay-word-e" and "length" in value:
            jobs.stop("e")

    monkeypatch.setattr(jobs.queue, "put", stop_once_there_is_a_lay)
    started = time.monotonic()
    jobs.start("e", problem(), 60.0)
    assert time.monotonic() - started < 20
    assert all(check(problem(), plan) == [] for plan in jobs.collect("e").values())


def test_a_waiting_job_says_so_and_one_that_falls_silent_counts_as_lost(waiting, monkeypatch):
    now = [100.0]
    monkeypatch.setattr(jobs.time, "monotonic", lambda: now[0])
    jobs.start("d", problem(), 5.0, tries=2)
    assert (jobs.state("d").phase, jobs.state("d").tries) == (Phase.WAITING, 2)
    jobs.queue.put("lay-word-d", {"beat": 1, "elapsed": 3.0, "seconds": 5.0})
    assert jobs.state("d").phase is Phase.RUNNING
    now[0] += 60
    assert jobs.state("d").phase is Phase.LOST
    jobs.queue.put("lay-word-d", {"beat": 2, "elapsed": 63.0, "seconds": 5.0})
    assert jobs.state("d").phase is Phase.RUNNING
    jobs.cancel("d")
    assert jobs.state("d") is None


def test_a_silent_worker_that_is_seen_alive_is_waited_for_but_not_for_ever(waiting, monkeypatch):
    now = [100.0]
    monkeypatch.setattr(jobs.time, "monotonic", lambda: now[0])
    jobs.start("h", problem(), 5.0)
    with subprocess.Popen(["sleep", "60"]) as worker:
        jobs.queue.put("lay-word-h", {"beat": 1, "elapsed": 3.0, "seconds": 5.0, "process": worker.pid})
        assert jobs.state("h").phase is Phase.RUNNING
        now[0] += 60
        assert jobs.state("h").phase is Phase.RUNNING
        now[0] += 300
        assert jobs.state("h").phase is Phase.LOST
        now[0] -= 300
        worker.kill()
    assert jobs.state("h").phase is Phase.LOST
    jobs.cancel("h")


def test_a_job_that_was_given_up_leaves_nothing_even_when_a_worker_still_runs_it(quick, monkeypatch):
    search = jobs._search

    def given_up_meanwhile(job, *rest):
        jobs.cancel(job)
        return search(job, *rest)

    monkeypatch.setattr(jobs, "_search", given_up_meanwhile)
    jobs.start("g", problem(), 0.2)
    assert jobs.state("g") is None and left_behind() == []


# ---------------------------------------------------------------- what goes through the queue


def test_a_document_that_was_changed_or_signed_by_another_is_refused():
    mine, other = SignedDocuments("one key"), SignedDocuments("another key")
    written = mine.serialize({"answers": {"open": 1.5}})
    assert mine.deserialize(written) == {"answers": {"open": 1.5}}
    with pytest.raises(Unsigned):
        other.deserialize(written)
    with pytest.raises(Unsigned):
        mine.deserialize(written[:-2] + bytes([written[-2] ^ 1]) + written[-1:])


def test_what_goes_through_the_queue_is_plain_json_and_no_pickle(tmp_path):
    queue = open_queue(str(tmp_path / "q"), "")
    queue.put("a", {"length": 12.5})
    (stored,) = queue.all_results().values()
    assert b'"length"' in bytes(stored) and not bytes(stored).startswith(b"\x80")


def test_the_key_of_a_queue_is_made_once_and_kept_from_others(tmp_path):
    file = tmp_path / "house.queue"
    key = key_beside(file)
    assert key_beside(file) == key and len(key) == 64
    assert (tmp_path / "house.queue.key").stat().st_mode & 0o077 == 0
    assert isinstance(open_queue(str(file), ""), SqliteHuey)


def test_machines_that_share_a_queue_need_a_key_in_common():
    with pytest.raises(KeyNeeded) as refused:
        open_queue("redis://localhost/0", "")
    assert "ROWANSEED_QUEUE_KEY" in refused.value.remedy


# ---------------------------------------------------------------- workers


def test_a_worker_that_keeps_dying_is_not_started_for_ever_and_says_so(monkeypatch):
    monkeypatch.setattr(worker, "LOOK_EVERY", 0.05)
    keeper = worker.Keeper(["false"])
    try:
        for _ in range(200):
            if worker.keeps_dying():
                break
            time.sleep(0.05)
        assert worker.keeps_dying() and keeper.is_dying
        started = len(keeper.starts)
        time.sleep(0.5)
        assert len(keeper.starts) == started
    finally:
        keeper.stop()
        worker.queue.delete(worker.KEEPS_DYING)


@pytest.fixture
def redis_server(tmp_path):
    program = shutil.which("redis-server")
    if program is None:
        pytest.skip("no redis-server is installed here (Debian: apt install redis-server)")
    port = free_port()
    command = [program, "--port", str(port), "--bind", "127.0.0.1", "--save", "", "--dir", str(tmp_path)]
    server = subprocess.Popen(command, stdout=subprocess.DEVNULL)
    try:
        for _ in range(100):
            with socket.socket() as probe:
                if probe.connect_ex(("127.0.0.1", port)) == 0:
                    break
            time.sleep(0.05)
        yield f"redis://127.0.0.1:{port}/0"
    finally:
        server.terminate()
        server.wait(5)


@pytest.mark.slow
def test_a_search_goes_through_redis_and_back(redis_server, tmp_path):
    """Server and worker as two processes that share nothing but the Redis and the key."""
    environment = {"ROWANSEED_QUEUE": redis_server, "ROWANSEED_QUEUE_KEY": "a long secret in common"}
    document = tmp_path / "problem.json"
    document.write_text(json.dumps(problem_document(problem())))
    asking = (
        "import sys, time, pathlib\n"
        "from rowanseed.jobs import searches\n"
        "searches.start_document('r', pathlib.Path(sys.argv[1]).read_text(), 0.3)\n"
        "while searches.state('r').phase.name != 'DONE': time.sleep(0.05)\n"
        "print(sorted(searches.collect('r')), searches.state('r'))\n"
    )
    both = {**os.environ, **environment}
    taking = subprocess.Popen([sys.executable, "-m", "rowanseed.cli", "worker", "--workers", "1"], env=both)
    try:
        asked = subprocess.run(
            [sys.executable, "-c", asking, str(document)], env=both, capture_output=True, text=True, timeout=120
        )
    finally:
        taking.terminate()
        taking.wait(10)
    assert asked.stdout.strip() == "['folded', 'open'] None", asked.stderr
