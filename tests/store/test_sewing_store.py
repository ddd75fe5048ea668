"""What a sewist did to her order is kept, can be undone, and goes along in the copy of a household."""

from datetime import date, datetime

import pytest

from rowanseed.core.make.line_of_work import OwnStep
from rowanseed.core.make.operation import Bench
from rowanseed.core.make.own_times import Timed
from rowanseed.formats.household_zip import read_household, write_household
from rowanseed.store import sewing, undo
from rowanseed.store.database import transaction
from rowanseed.store.projects import remove_project
from rowanseed.store.sewing import Sample
from rowanseed.store.taking_out import household_rows, take_in

from .test_keeping import db, project  # noqa: F401

NOW = datetime(2026, 11, 26, 19, 30)
DAY = date(2026, 11, 26)


@pytest.fixture
def worked(db, project):  # noqa: F811
    """A project with one of everything that can be done to its order."""
    sewing.tick(db, project, ["sew-a", "sew-b"], [], NOW)
    sewing.put_off(db, project, "press-c")
    sewing.leave_out(db, project, "hem-d", "the selvedge is the hem")
    own = sewing.add_step(db, project, OwnStep("", "Sew in the label", Bench.HAND, 5.0, "hem-d"))
    sewing.move(db, project, own, "sew-b")
    sewing.add_step_note(db, project, "sew-a", "puckered", b"\xff\xd8photo", DAY)
    sewing.keep_time(db, project, "sew-a", Timed("plain seam", "join", 5.0, 7.5), DAY)
    sewing.keep_sample(db, project, 1, Sample("stitch", tension="4.5", result="flat", made_on=DAY.isoformat()), b"jpg")
    return project


def test_everything_done_to_the_order_is_read_again(db, worked):  # noqa: F811
    log = sewing.log(db, worked)
    assert log.done == {"sew-a", "sew-b"} and log.put_off == {"press-c"}
    assert log.left_out == {"hem-d": "the selvedge is the hem"}
    (own,) = log.own
    assert own.title == "Sew in the label" and log.moved == ((own.id, "sew-b"),)
    (note,) = sewing.step_notes(db, worked)["sew-a"]
    assert note.has_photo and sewing.step_photo(db, worked, note.id) == b"\xff\xd8photo"
    assert sewing.times(db) == (Timed("plain seam", "join", 5.0, 7.5),)


def test_a_tick_takes_up_what_was_put_off_and_a_step_has_one_time(db, worked):  # noqa: F811
    sewing.tick(db, worked, ["press-c"], ["sew-b"], NOW)
    log = sewing.log(db, worked)
    assert log.done == {"sew-a", "press-c"} and not log.put_off
    sewing.keep_time(db, worked, "sew-a", Timed("plain seam", "join", 5.0, 6.0), DAY)
    assert [one.minutes for one in sewing.times(db)] == [6.0]


def test_an_own_step_goes_with_all_that_was_said_of_it(db, worked):  # noqa: F811
    (own,) = sewing.own_steps(db, worked)
    sewing.tick(db, worked, [own.id], [], NOW)
    sewing.remove_step(db, worked, own.id)
    log = sewing.log(db, worked)
    assert not log.own and not log.moved and own.id not in log.done


def test_leaving_out_can_be_taken_back(db, worked):  # noqa: F811
    sewing.leave_out(db, worked, "sew-e", "no need")
    last = undo.changes(db)[0]
    assert last.words.startswith("Step put off or left out added")
    with transaction(db, recorded=False):
        undo.undo(db, last.id)
    assert set(sewing.left_out(db, worked)) == {"hem-d"}


def test_a_sample_is_found_again_on_its_cloth_in_a_later_project_and_outlives_the_first(db, worked):  # noqa: F811
    remove_project(db, worked)
    (kept,) = sewing.samples(db, 999, 1)
    assert kept.tension == "4.5" and kept.project == "" and sewing.sample_photo(db, kept.id) == b"jpg"
    assert sewing.samples(db, 999, None) == ()


def test_the_whole_of_it_goes_out_with_the_household_and_in_again(db, worked):  # noqa: F811
    before = sewing.log(db, worked)
    rows = read_household(write_household(household_rows(db)))
    take_in(db, rows)
    assert sewing.log(db, worked) == before
    (note,) = sewing.step_notes(db, worked)["sew-a"]
    assert sewing.step_photo(db, worked, note.id) == b"\xff\xd8photo"
    assert sewing.samples(db, worked, None)[0].result == "flat"
