"""The cloth shelf in the database: old databases carried over, cutting up and putting back, photos."""

import sqlite3
from dataclasses import replace
from datetime import date
from importlib import resources

import pytest

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.body.measures import Age
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, PrintBorder, Repeat, Stripe, Stripes, Surface
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sums.rectangles import Rectangle, RectangleKind
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.cloth_choices_json import read_cloth_choices
from rowanseed.formats.cloth_json import read_cloth, write_cloth
from rowanseed.store import cloths, patterns, people, projects
from rowanseed.store.database import connect, migrate

WOOL = Cloth(
    name="wool",
    width=1500,
    length=1600,
    selvedge=15,
    direction=Direction.TWO_WAY,
    fibre=Fibre.WOOL,
    shrink_along=0.03,
    shrink_across=0.02,
    washed=True,
    colour="#6b4f7d",
    surface=Surface.CHECK,
    weight=310.0,
    structure=Structure.WOVEN,
    stretch=0.0,
    repeat=Repeat(92, 84, True),
    lines=Stripes((Stripe(12, 12),), (Stripe(14, 13),)),
    border=PrintBorder.ONE,
    border_line=60.0,
    both_sides=True,
    price=39.5,
    care="dry clean",
    gone=(((0.0, 0.0), (10.0, 0.0), (10.0, 20.0)),),
)


@pytest.fixture
def db(tmp_path):
    connection = connect(tmp_path / "test.db")
    migrate(connection)
    yield connection
    connection.close()


@pytest.fixture
def project(db):
    person = people.save_person(db, None, "Nerys", Age.ADULT, {"waist": 700.0}, date(2026, 11, 1))
    pattern = patterns.add_pattern(db, draft(), date(2026, 11, 1))
    cloth = cloths.save_cloth(db, None, WOOL)
    return projects.start_project(db, "skirt", person, pattern, "A", {Role.MAIN: cloth}, date(2026, 11, 1)), cloth


def test_a_database_from_before_keeps_its_cloths_and_who_cuts_from_them(tmp_path):
    path = tmp_path / "old.db"
    old = sqlite3.connect(path, isolation_level=None)
    folder = resources.files("rowanseed.store").joinpath("migrations")
    for number in (1, 2, 3):
        script = next(f for f in folder.iterdir() if f.name.startswith(f"00{number}_"))
        old.executescript(script.read_text())
    old.execute("PRAGMA user_version = 3")
    old.execute("INSERT INTO person (id, name, age) VALUES (1, 'Nerys', 'adult')")
    old.execute("INSERT INTO pattern (id, name, document, added_on) VALUES (1, 'skirt', '{}', '2026-01-01')")
    old.execute(
        "INSERT INTO cloth VALUES (7, 'cord', 1120.0, NULL, 10.0, 'one-way', 'cotton', 0.04, 0.02, 1, '#2f5d4e', "
        "'needlecord')"
    )
    old.execute(
        "INSERT INTO project (id, name, person_id, pattern_id, view, started_on) VALUES (1, 'p', 1, 1, 'A', "
        "'2026-01-01')"
    )
    old.execute("INSERT INTO project_cloth VALUES (1, 'main', 7)")
    old.close()
    db = connect(path)
    migrate(db)
    entry = cloths.cloth(db, 7)
    assert entry.cloth == Cloth(
        name="cord",
        width=1120,
        length=None,
        selvedge=10,
        direction=Direction.ONE_WAY,
        fibre=Fibre.COTTON,
        shrink_along=0.04,
        shrink_across=0.02,
        washed=True,
        colour="#2f5d4e",
        surface=Surface.CORD,
    )
    record = projects.project(db, 1)
    assert record.cloths == {Role.MAIN: 7} and record.cloth_choices == ClothChoices()
    with pytest.raises(sqlite3.IntegrityError):
        db.execute("DELETE FROM cloth WHERE id = 7")
    assert db.execute("PRAGMA foreign_key_check").fetchall() == []
    db.close()


def test_a_cloth_with_everything_comes_back_as_it_was_put_away(db):
    assert cloths.cloth(db, cloths.save_cloth(db, None, WOOL)).cloth == WOOL
    assert read_cloth(write_cloth(WOOL)) == WOOL


def _cut_contrast_from(db, id, cloth):
    chosen = {} if cloth is None else {Role.CONTRAST: cloth}
    projects.decide(db, id, lambda before: replace(before, cloths={Role.MAIN: before.cloths[Role.MAIN], **chosen}))


def test_cutting_up_takes_the_cloth_off_the_shelf_and_undoing_brings_it_back(db, project):
    id, cloth = project
    rest = Cloth(name="wool, what is left", width=1500, length=700, selvedge=15, direction=Direction.TWO_WAY)
    cloths.cut_up(db, cloth, id, [rest])
    assert [e.cloth.name for e in cloths.cloths(db)] == ["wool, what is left"]
    assert cloths.cloth(db, cloth).cut_by == id and cloths.cloths(db)[0].cut_from == cloth
    assert cloths.put_back(db, cloth)
    assert [e.cloth.name for e in cloths.cloths(db)] == ["wool"]


def test_what_is_in_use_is_neither_put_back_nor_thrown_away(db, project):
    id, cloth = project
    cloths.cut_up(db, cloth, id, [Cloth(name="rest", width=1500, length=700, selvedge=15, direction=Direction.TWO_WAY)])
    rest = cloths.cloths(db)[0]
    _cut_contrast_from(db, id, rest.id)
    assert not cloths.put_back(db, cloth) and not cloths.throw_away(db, rest.id) and not cloths.throw_away(db, cloth)
    _cut_contrast_from(db, id, None)
    assert cloths.throw_away(db, rest.id) and cloths.cloths(db) == []


def test_a_photo_is_kept_replaced_and_let_go(db):
    cloth = cloths.save_cloth(db, None, WOOL)
    cloths.keep_photo(db, cloth, b"one")
    cloths.keep_photo(db, cloth, b"two")
    assert cloths.photo(db, cloth) == b"two" and cloths.cloth(db, cloth).has_photo
    cloths.keep_photo(db, cloth, None)
    assert cloths.photo(db, cloth) is None


def test_what_is_reckoned_with_stays_with_the_project(db, project):
    id, _ = project
    kept = ClothChoices(rectangles=(Rectangle(kind=RectangleKind.TIE, name="tie", long=900, wide=25),))
    projects.decide(db, id, lambda before: replace(before, cloth_choices=kept))
    assert projects.project(db, id).cloth_choices == kept


def test_documents_that_are_none_are_refused_in_words():
    with pytest.raises(DocumentError, match="cannot be read"):
        read_cloth_choices('{"batch": 3}')
    with pytest.raises(DocumentError, match="cannot be read"):
        read_cloth("[]")
