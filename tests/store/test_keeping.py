"""What keeps a household's file whole: migrations, versions, revisions, broken rows, what is let go."""

import json
import sqlite3
from dataclasses import replace
from datetime import date
from importlib import resources

import pytest

from rowanseed.core.base.errors import ChangedMeanwhile, NewerDatabase, NotThere, StoreError
from rowanseed.core.body.measures import Age
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction, Surface
from rowanseed.core.lay.problem import Plan
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import write_pattern
from rowanseed.store import cloths, lays, patterns, people, projects, sewing, summaries
from rowanseed.store.database import connect, migrate
from rowanseed.store.summaries import ProjectSummary, StationSummary

DAY = date(2026, 11, 1)
CORD = Cloth(name="cord", width=1120, length=2000, selvedge=10, direction=Direction.ONE_WAY)


@pytest.fixture
def db(tmp_path):
    connection = connect(tmp_path / "test.db")
    migrate(connection)
    yield connection
    connection.close()


@pytest.fixture
def project(db):
    person = people.save_person(db, None, "Nerys", Age.ADULT, {"waist": 700.0}, DAY)
    pattern = patterns.add_pattern(db, draft(), DAY)
    cloth = cloths.save_cloth(db, None, CORD)
    return projects.start_project(db, "skirt", person, pattern, "A", {Role.MAIN: cloth}, DAY)


def old_database(path, upto):
    """A database as an earlier version left it."""
    old = sqlite3.connect(path, isolation_level=None)
    folder = resources.files("rowanseed.store").joinpath("migrations")
    scripts = sorted((int(f.name.split("_")[0]), f) for f in folder.iterdir() if f.name.endswith(".sql"))
    for number, script in scripts:
        if number <= upto:
            old.executescript(script.read_text())
    old.execute(f"PRAGMA user_version = {upto}")
    old.execute("INSERT INTO person (id, name, age) VALUES (1, 'Nerys', 'adult')")
    old.execute(
        "INSERT INTO pattern (id, name, document, added_on) VALUES (1, 'skirt', ?, '2026-01-01')",
        (write_pattern(draft()),),
    )
    return old


def test_a_hem_that_was_changed_before_there_were_alterations_is_an_alteration_now(tmp_path):
    old = old_database(tmp_path / "old.db", 1)
    old.execute(
        "INSERT INTO project (id, name, person_id, pattern_id, view, size, hem_change, started_on) "
        "VALUES (1, 'p', 1, 1, 'A', '14', 20.0, '2026-01-01')"
    )
    old.close()
    db = connect(tmp_path / "old.db")
    migrate(db)
    (alteration,) = projects.project(db, 1).fit.alterations
    assert (alteration.kind, alteration.by) == ("hem", 20.0) and alteration.id
    db.close()


def test_what_was_kept_by_its_wording_is_kept_by_ids_now(tmp_path):
    """Tactics, choices and cloths; a tactic that nobody knows is passed over; refusals in sentences are asked again."""
    old = old_database(tmp_path / "old.db", 5)
    old.execute(
        "INSERT INTO cloth (id, name, document) VALUES (3, 'wool', ?)",
        (
            json.dumps(
                {
                    "name": "wool",
                    "width": 1500,
                    "length": None,
                    "selvedge": 15,
                    "direction": "two-way",
                    "surface": "checks",
                }
            ),
        ),
    )
    old.execute(
        "INSERT INTO project (id, name, person_id, pattern_id, view, size, started_on, tactics, reckoning, fit) "
        "VALUES (1, 'p', 1, 1, 'A', '14', '2026-01-01', ?, ?, ?)",
        (
            json.dumps({"main": ["a narrower hem", "by magic"]}),
            json.dumps({"layers": {"lining": "facing deducted"}}),
            json.dumps({"school": "by the chart"}),
        ),
    )
    old.execute("INSERT INTO project_cloth VALUES (1, 'main', 3)")
    old.execute("INSERT INTO lay_answer (question, lay, plan, refusal) VALUES ('q', 'open', NULL, 'It broke.')")
    old.close()
    db = connect(tmp_path / "old.db")
    migrate(db)
    kept = projects.project(db, 1)
    assert kept.tactics == {Role.MAIN: ("narrow-hem",)}
    assert kept.cloth_choices.layers.lining.value == "deduct" and kept.fit.school.value == "chart"
    assert cloths.cloth(db, 3).cloth.surface is Surface.CHECK and kept.cloths == {Role.MAIN: 3}
    assert lays.answers(db, "q") == {}
    db.close()


def test_a_database_of_a_newer_version_is_left_as_it_is(tmp_path, db):
    db.execute("PRAGMA user_version = 999")
    with pytest.raises(NewerDatabase) as refused:
        migrate(db)
    assert "newer Rowanseed" in str(refused.value) and refused.value.found == 999
    assert db.execute("PRAGMA user_version").fetchone()[0] == 999


def test_rows_that_refer_to_nothing_are_said_and_nothing_is_changed(db, project):
    db.execute("PRAGMA foreign_keys = OFF")
    db.execute("UPDATE project SET person_id = 77")
    with pytest.raises(StoreError, match="project refers to something that is not there"):
        migrate(db)


@pytest.mark.parametrize("column", ["fit", "tactics", "cloth_choices"])
def test_a_document_that_is_no_json_cannot_get_in(db, project, column):
    with pytest.raises(sqlite3.IntegrityError):
        db.execute(f"UPDATE project SET {column} = 'half a '")


def test_every_foreign_key_has_an_index(db):
    tables = [row["name"] for row in db.execute("SELECT name FROM sqlite_master WHERE type = 'table'")]
    for table in tables:
        indexed = set()
        for index in db.execute(f"PRAGMA index_list({table})").fetchall():
            indexed.add(db.execute(f"PRAGMA index_info('{index['name']}')").fetchone()["name"])
        indexed |= {row["name"] for row in db.execute(f"PRAGMA table_info({table})") if row["pk"] == 1}
        for key in db.execute(f"PRAGMA foreign_key_list({table})"):
            assert key["from"] in indexed, (table, key["from"])


# ---------------------------------------------------------------- decisions


def test_a_decision_counts_the_revision_and_one_from_an_older_page_is_refused(db, project):
    first = projects.project(db, project)
    after = projects.decide(db, project, lambda p: replace(p, size="14"), revision=first.revision)
    assert after.revision == first.revision + 1
    with pytest.raises(ChangedMeanwhile) as refused:
        projects.decide(db, project, lambda p: replace(p, size="16"), revision=first.revision)
    assert "another window" in str(refused.value)
    assert projects.project(db, project).size == "14"
    same = projects.decide(db, project, lambda p: replace(p, size="14"), revision=after.revision)
    assert same.revision == after.revision, "nothing was decided"


def test_a_decision_that_breaks_in_the_middle_changes_nothing(db, project):
    """A size and a cloth that is not there: both or neither."""
    with pytest.raises(sqlite3.IntegrityError):
        projects.decide(db, project, lambda p: replace(p, size="14", cloths={Role.MAIN: 999}))
    kept = projects.project(db, project)
    assert kept.size is None and kept.cloths != {Role.MAIN: 999}
    with pytest.raises(NotThere):
        projects.decide(db, 999, lambda p: p)


def test_one_row_that_cannot_be_read_hides_no_other(db, project):
    other = projects.start_project(db, "second", 1, 1, "A", {}, DAY)
    db.execute("UPDATE project SET cloth_choices = ? WHERE id = ?", ('{"surprise": 1}', project))
    assert [record.id for record in projects.projects(db)] == [other]
    (broken,) = projects.broken_projects(db)
    assert (broken.id, broken.name, broken.what) == (project, "skirt", "project") and broken.said
    db.execute('UPDATE cloth SET document = \'{"width": "wide"}\'')
    assert cloths.cloths(db) == [] and [row.name for row in cloths.broken_cloths(db)] == ["cord"]


# ---------------------------------------------------------------- what is let go


def test_the_oldest_answers_that_no_project_rests_on_are_let_go(db, project):
    plan = Plan(length=100.0, stretches=())
    for k in range(6):
        lays.keep_answers(db, f"q{k}", {"open": plan})
        db.execute("UPDATE lay_answer SET answered_at = ? WHERE question = ?", (f"2026-01-0{k + 1}", f"q{k}"))
    station = StationSummary(key="fit", name="Fit", done=False, words="choose the size")
    summaries.write_summary(db, project, ProjectSummary("52615d", "", (station,)), ["q0"])
    assert lays.prune(db, 10) == 0
    assert lays.prune(db, 3) == 3
    assert [k for k in range(6) if lays.answers(db, f"q{k}")] == [0, 4, 5]


def test_a_summary_of_a_project_that_was_put_away_meanwhile_is_not_written(db, project):
    """Its page was being worked out when another window put it away: nothing is written, and nothing fails."""
    station = StationSummary(key="fit", name="Fit", done=False, words="choose the size")
    projects.remove_project(db, project)
    summaries.write_summary(db, project, ProjectSummary("52615d", "", (station,)), ["q0"])
    assert db.execute("SELECT count(*) FROM project_summary").fetchone()[0] == 0


def test_a_summary_is_stale_once_anything_changes_that_it_rests_on(db, project):
    station = StationSummary(key="fit", name="Fit", done=True, words="size 14")
    changes = [
        lambda: projects.decide(db, project, lambda p: replace(p, size="16")),
        lambda: projects.decide(db, project, lambda p: replace(p, cloth_choices=ClothChoices(card=4))),
        lambda: projects.decide(db, project, lambda p: replace(p, cloths={})),
        lambda: people.save_person(db, 1, "Nerys", Age.ADULT, {"waist": 720.0}, DAY),
        lambda: cloths.save_cloth(db, 1, replace(CORD, length=900)),
        lambda: projects.set_tick(db, project, "sew", "sew-hem", True),
        lambda: sewing.leave_out(db, project, "sew-hem", "the selvedge is the hem"),
        lambda: projects.add_note(db, project, "longer", DAY),
        lambda: lays.keep_answers(db, "q", {"open": Plan(length=90.0, stretches=())}),
        lambda: db.execute("UPDATE household SET units = 'imperial'"),
    ]
    projects.decide(db, project, lambda p: replace(p, cloths={Role.MAIN: 1}))
    for k, change in enumerate(changes):
        if k == 3:
            projects.decide(db, project, lambda p: replace(p, cloths={Role.MAIN: 1}))
        summaries.write_summary(db, project, ProjectSummary("52615d", "cord", (station,)), ["q"])
        (card,) = summaries.cards(db)
        assert card.is_fresh and card.summary.next_station == station
        change()
        assert not summaries.cards(db)[0].is_fresh, k


def test_a_project_that_is_put_away_takes_its_own_with_it_and_leaves_the_rest(db, project):
    rest = Cloth(name="rest", width=1120, length=500, selvedge=10, direction=Direction.TWO_WAY)
    cloths.cut_up(db, 1, project, [rest])
    projects.add_note(db, project, "longer", DAY)
    assert not people.remove_person(db, 1) and not patterns.remove_pattern(db, 1)
    projects.remove_project(db, project)
    assert projects.project(db, project) is None and projects.notes(db, project) == []
    assert [(e.cloth.name, e.cut_from) for e in cloths.cloths(db)] == [("rest", None)]
    assert people.remove_person(db, 1) and patterns.remove_pattern(db, 1)
    assert db.execute("SELECT count(*) FROM measurement").fetchone()[0] == 0
