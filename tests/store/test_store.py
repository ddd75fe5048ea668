"""What is kept stays, whole or not at all."""

import sqlite3
from dataclasses import replace
from datetime import date

import pytest

from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.body.measures import Age
from rowanseed.core.choices import FitChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sizing.schools import School
from rowanseed.core.sizing.wish import Fit, Over, Wish
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.store import cloths, lays, lessons, patterns, people, projects
from rowanseed.store.database import connect, migrate, transaction

DAY = date(2026, 11, 1)
FIT = FitChoices(
    school=School.BETWEEN,
    reason="she likes it loose",
    blend=(("waist", "10"), ("hip", "12")),
    alterations=(Alteration("hem", -15.0),),
    wish=Wish(fit=Fit.LOOSE, over=Over.SHIRT, stretch=0.1, own={"hip": (50.0, 90.0)}),
    accepted={"waist": 3.2},
)


@pytest.fixture
def path(tmp_path):
    return tmp_path / "test.db"


@pytest.fixture
def db(path):
    connection = connect(path)
    migrate(connection)
    yield connection
    connection.close()


def test_every_table_is_strict_and_migrating_twice_is_harmless(db):
    migrate(db)
    tables = db.execute("SELECT name, strict FROM pragma_table_list WHERE schema = 'main' AND name NOT LIKE 'sqlite_%'")
    assert {row["name"] for row in tables.fetchall() if not row["strict"]} == set()
    assert db.execute("PRAGMA foreign_keys").fetchone()[0] == 1
    assert db.execute("PRAGMA journal_mode").fetchone()[0] == "wal"


def test_a_transaction_that_fails_leaves_nothing_behind(db):
    with pytest.raises(sqlite3.IntegrityError), transaction(db):  # noqa: PT012 the transaction is what is tested
        db.execute("INSERT INTO person (name, age) VALUES ('Nerys', 'adult')")
        db.execute("INSERT INTO measuring (person_id, taken_on) VALUES (999, '2026-01-01')")
    assert people.people(db) == []


def test_new_measurements_are_added_and_old_ones_stay(db):
    id = people.save_person(db, None, "Nerys", Age.ADULT, {"waist": 680.0}, DAY)
    first = people.person(db, id)
    people.save_person(db, id, "Nerys", Age.ADULT, {"waist": 680.0}, date(2026, 12, 1))
    assert people.person(db, id).measuring_id == first.measuring_id
    people.save_person(db, id, "Nerys", Age.ADULT, {"waist": 695.0}, date(2026, 12, 2))
    now = people.person(db, id)
    assert now is not None and first is not None
    assert (now.body, now.taken_on) == ({"waist": 695.0}, "2026-12-02")
    assert people.measurements(db, first.measuring_id) == {"waist": 680.0}


def test_everything_is_there_after_closing_and_opening_again(db, path):
    person = people.save_person(db, None, "Nerys", Age.ADULT, {"waist": 680.0, "hip": 930.0}, DAY)
    pattern = patterns.add_pattern(db, draft(), DAY)
    cloth = cloths.save_cloth(
        db, None, Cloth(name="Linen", width=1450, length=None, selvedge=10, direction=Direction.TWO_WAY)
    )
    id = projects.start_project(db, "Skirt", person, pattern, "A", {Role.MAIN: cloth}, DAY)
    projects.decide(db, id, lambda before: replace(before, size="10", fit=FIT))
    projects.set_tick(db, id, "sew", "sew-hem", True)
    projects.add_note(db, id, "Longer next time.", DAY)
    projects.set_cloth_used(db, id, Role.MAIN, 1480.0, DAY)
    before = projects.project(db, id)
    db.close()
    again = connect(path)
    migrate(again)
    assert projects.project(again, id) == before
    assert set(projects.ticks(again, id, "sew")) == {"sew-hem"}
    assert [note.text for note in projects.notes(again, id)] == ["Longer next time."]
    assert projects.cloth_used(again, id)[Role.MAIN].mm == 1480.0
    projects.set_tick(again, id, "sew", "sew-hem", False)
    assert not projects.ticks(again, id, "sew")
    again.close()


def test_lay_answers_are_kept_by_their_question(db):
    pattern, choices = draft(), GarmentChoices("A", "12")
    problem = lay_problem(
        pattern,
        choices,
        Role.MAIN,
        Cloth(name="narrow", width=700, length=None, selvedge=10, direction=Direction.TWO_WAY),
    )
    found = solve_each(problem, Budget(sweeps=1))
    lays.keep_answers(db, lays.question_of(problem), found)
    again = lays.answers(db, lays.question_of(problem))
    assert {k: getattr(v, "length", str(v)) for k, v in again.items()} == {
        k: getattr(v, "length", str(v)) for k, v in found.items()
    }
    other = lay_problem(
        pattern,
        GarmentChoices("A", "14"),
        Role.MAIN,
        Cloth(name="narrow", width=700, length=None, selvedge=10, direction=Direction.TWO_WAY),
    )
    assert lays.answers(db, lays.question_of(other)) == {}
    narrow = lay_problem(
        pattern,
        choices,
        Role.MAIN,
        Cloth(name="ribbon", width=200, length=None, selvedge=5, direction=Direction.TWO_WAY),
    )
    refused = solve_each(narrow, Budget(sweeps=1))
    lays.keep_answers(db, lays.question_of(narrow), refused)
    assert isinstance(lays.answers(db, lays.question_of(narrow))[LayKind.FOLDED.value], LayRefusal)


@pytest.fixture
def two_projects(db):
    """A person's two skirts, and one of somebody else."""
    mine, other = (people.save_person(db, None, name, Age.ADULT, {"waist": 680.0}, DAY) for name in ("Nerys", "Odo"))
    pattern = patterns.add_pattern(db, draft(), DAY)
    return mine, [
        projects.start_project(db, name, who, pattern, "A", {}, DAY)
        for name, who in (("first", mine), ("second", mine), ("his", other))
    ]


def test_what_was_learned_is_offered_in_a_persons_other_projects_only(db, two_projects):
    mine, (first, second, his) = two_projects
    shorter = Alteration("hem", -20.0)
    lessons.add_lesson(db, first, shorter, "trips on it", DAY)
    lessons.add_lesson(db, his, Alteration("hem", 30.0), "his, not hers", DAY)
    (found,) = lessons.lessons_for(db, mine, but=second)
    assert (found.project, found.alteration, found.said) == ("first", shorter, "trips on it")
    assert lessons.lessons_for(db, mine, but=first) == []
    # A lesson is taken out of its own project, not by its number out of another.
    lessons.remove_lesson(db, second, found.id)
    assert lessons.lessons(db, first) == [found]
    lessons.remove_lesson(db, first, found.id)
    assert lessons.lessons(db, first) == []


def test_earlier_alterations_are_remembered_with_the_size_they_were_made_in(db, two_projects):
    mine, (first, second, _) = two_projects
    projects.decide(db, first, lambda before: replace(before, size="14", fit=FIT))
    projects.decide(db, second, lambda before: replace(before, size="12"))
    (before,) = lessons.altered_before(db, mine, but=second)
    assert (before.project, before.size, before.alterations) == ("first", "14", FIT.alterations)
    assert lessons.altered_before(db, mine, but=first) == []


def test_a_note_comes_back_with_the_cloth_that_is_seen_of_a_garment_and_not_with_its_lining(db, two_projects):
    _, (first, second, _) = two_projects
    linen, lining = (
        cloths.save_cloth(db, None, Cloth(name, 1400.0, None, 12.0, Direction.TWO_WAY)) for name in ("linen", "lining")
    )
    projects.add_note(db, first, "It creases", DAY)
    projects.decide(db, first, lambda before: replace(before, cloths={Role.MAIN: linen, Role.LINING: lining}))
    seen = (Role.MAIN, Role.CONTRAST)

    def noted(*ids, roles=tuple(Role)):
        return [note.text for note in projects.earlier_notes(db, but=second, cloth_ids=ids, roles=roles)]

    assert noted(linen, roles=seen) == ["It creases"]
    assert noted(lining, roles=seen) == [] and noted(roles=seen) == []
    assert noted(lining) == ["It creases"], "on the lining's own page"


def test_tactics_are_kept_for_the_cloth_they_were_taken_for(db, two_projects):
    _, (first, *_) = two_projects
    taken = {Role.MAIN: ("narrow-hem",), Role.LINING: ("share-cuts",)}
    projects.decide(db, first, lambda before: replace(before, tactics=taken))
    assert projects.project(db, first).tactics == taken
    projects.decide(db, first, lambda before: replace(before, tactics={}))
    assert projects.project(db, first).tactics == {}
