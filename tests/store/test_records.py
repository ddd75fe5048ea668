"""Records that stay: copies, restoring, taking out and in, undoing, opening, and what survives a kill."""

import json
import os
import sqlite3
import stat
import subprocess
import sys
from concurrent.futures import ThreadPoolExecutor
from contextlib import closing
from datetime import date, datetime, timedelta

import pytest

from rowanseed.core.base.errors import ChangedMeanwhile, DocumentError, NewerDatabase, NotThere
from rowanseed.core.body.measures import Age
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.pattern.pieces import Role
from rowanseed.formats.household_zip import read_household, write_household
from rowanseed.store import cloths, people, projects
from rowanseed.store.backup import KEPT, CopyUnusable, copies, copies_folder, copy_now, daily_copy, restore
from rowanseed.store.database import connect, transaction
from rowanseed.store.household import habits
from rowanseed.store.opening import NotOpened, open_household
from rowanseed.store.taking_out import household_rows, take_in
from rowanseed.store.undo import ChangedSince, changes, forget_old, undo

NOW = datetime(2026, 11, 20, 9, 30)
DAY = NOW.date()
CORD = Cloth(name="cord", width=1120, length=2000, selvedge=10, direction=Direction.ONE_WAY)


@pytest.fixture
def path(tmp_path):
    return tmp_path / "home.db"


@pytest.fixture
def db(path):
    with closing(open_household(path, NOW)) as connection:
        yield connection


@pytest.fixture
def full(filled, tmp_path):
    """The demo household, copied."""
    path = tmp_path / "full.db"
    path.write_bytes(filled.read_bytes())
    with closing(open_household(path, NOW)) as connection:
        yield path, connection


def parsed(rows):
    """Records with their documents as what they say, not as they are written."""

    def value(text):
        try:
            return json.loads(text) if isinstance(text, str) and text[:1] in "{[" else text
        except ValueError:
            return text

    return {table: [{c: value(v) for c, v in row.items()} for row in found] for table, found in rows.items()}


def take_back(db, words):
    """Undo the newest change that says this."""
    change = next(c for c in changes(db) if words in c.words)
    with transaction(db, recorded=False):
        return undo(db, change.id)


# ---------------------------------------------------------------- copies


def test_a_copy_made_while_the_log_is_full_holds_everything_that_was_acknowledged(path, db):
    with closing(connect(path)) as other:
        for k in range(30):
            people.save_person(other, None, f"Singer {k}", Age.ADULT, {"hip": 900.0 + k}, DAY)
        copy_now(db, path.parent / "copy.db")
    # The file alone, without its log, may well lack them: that is why it is not simply copied.
    with closing(connect(path.parent / "copy.db")) as copy:
        assert len(people.people(copy)) == 30
    assert stat.S_IMODE((path.parent / "copy.db").stat().st_mode) == 0o600


def test_copies_asked_for_at_the_same_moment_do_not_disturb_each_other(path, db):
    people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    target = copies_folder(path) / "by-hand.db"

    def ask(_):
        with closing(connect(path)) as own:
            return copy_now(own, target)

    with ThreadPoolExecutor(4) as several:
        assert set(several.map(ask, range(12))) == {target}
    with closing(sqlite3.connect(target)) as copy:
        assert copy.execute("SELECT name FROM person").fetchone()[0] == "Nerys"
    assert [p.name for p in target.parent.iterdir()] == ["by-hand.db"], "nothing half made is left"


def test_fourteen_daily_copies_are_kept_and_one_a_day(path, db):
    for k in range(KEPT + 3):
        assert daily_copy(db, path, DAY + timedelta(days=k)) is not None
        assert daily_copy(db, path, DAY + timedelta(days=k)) is None
    names = sorted(copy.path.name for copy in copies(path))
    assert len(names) == KEPT and names[0] == f"daily-{DAY + timedelta(days=3)}.db"
    assert not list(copies_folder(path).glob(".*.part"))


def test_a_restored_copy_is_the_household_and_what_was_there_is_kept(path, db):
    people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    copy_now(db, path.parent / "early.db")
    people.save_person(db, None, "Bertil", Age.ADULT, {"hip": 990.0}, DAY)
    with closing(connect(path)) as reader:
        restore(db, path, path.parent / "early.db", NOW)
        assert [p.name for p in people.people(reader)] == ["Nerys"], "other open pages see it too"
    (kept,) = copies(path)
    restore(db, path, kept.path, NOW + timedelta(minutes=1))
    assert [p.name for p in people.people(db)] == ["Bertil", "Nerys"]


@pytest.mark.parametrize("what", ["text", "empty database", "damaged", "newer"])
def test_what_cannot_be_restored_leaves_the_household_as_it_is(path, db, what):
    people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    bad = path.parent / "bad.db"
    if what == "text":
        bad.write_text("my measurements")
    elif what == "empty database":
        with closing(sqlite3.connect(bad)) as made:
            made.execute("CREATE TABLE t (x)")
    else:
        copy_now(db, bad)
        if what == "damaged":
            data = bytearray(bad.read_bytes())
            data[8192:12288] = b"\xff" * 4096
            bad.write_bytes(data)
        else:
            with closing(sqlite3.connect(bad)) as made:
                made.execute("PRAGMA user_version = 99")
    with pytest.raises((CopyUnusable, NewerDatabase)):
        restore(db, path, bad, NOW)
    assert [p.name for p in people.people(db)] == ["Nerys"]


def test_a_copy_is_kept_before_every_migration(full):
    path, connection = full
    connection.close()
    with closing(sqlite3.connect(path, isolation_level=None)) as old:
        triggers = old.execute("SELECT name FROM sqlite_master WHERE name LIKE 'undo_%' AND type = 'trigger'")
        for (name,) in triggers.fetchall():
            old.execute(f"DROP TRIGGER {name}")
        sewing = ("step_state", "own_step", "moved_step", "step_note", "step_clock", "step_time", "order_seen")
        for table in (
            "undo",
            "undo_now",
            "change",
            "sent",
            *sewing,
            "kept_sample",
            "lay_table",
            "lay_step",
            "named_lay",
            "cloth_print",
        ):
            old.execute(f"DROP TABLE {table}")
        added = (
            ("person", "revision"),
            ("cloth", "revision"),
            ("drawing", "read"),
            ("tick", "what"),
            ("tick", "words"),
            ("household", "stand_in_shop"),
            ("project", "techniques"),
            ("project", "as_cut"),
            ("kept_lay", "together"),
        )
        for table, column in added:
            old.execute(f"ALTER TABLE {table} DROP COLUMN {column}")
        old.execute("DROP TRIGGER pattern_changed")
        old.execute("ALTER TABLE household DROP COLUMN workroom")
        for column in ("overlocker", "hem_by_hand", "overlock_threads"):
            old.execute(f"ALTER TABLE household ADD COLUMN {column} INTEGER NOT NULL DEFAULT 4")
        old.execute("PRAGMA user_version = 6")
        people_before = old.execute("SELECT count(*) FROM person").fetchone()[0]
    with closing(open_household(path, NOW)) as opened:
        assert habits(opened).equipment.overlock_threads == 4 and habits(opened).sewing.hem_by_hand
    (copy,) = [c for c in copies(path) if "new version" in c.words]
    assert copy.path.name == "before-version-007-2026-11-20.db"
    with closing(sqlite3.connect(copy.path)) as kept:
        assert kept.execute("PRAGMA user_version").fetchone()[0] == 6
        assert kept.execute("SELECT count(*) FROM person").fetchone()[0] == people_before


# ---------------------------------------------------------------- out and in


def test_a_whole_household_goes_out_as_open_documents_and_in_again(full, tmp_path):
    _, db = full
    rows = household_rows(db)
    packed = write_household(rows)
    assert packed == write_household(household_rows(db)), "the same records give the same file"
    with closing(open_household(tmp_path / "other.db", NOW)) as other:
        take_in(other, read_household(packed))
        assert parsed(household_rows(other)) == parsed(rows)
        assert len(projects.projects(other)) == len(projects.projects(db)) > 5


@pytest.mark.parametrize(
    ("spoil", "said"),
    [
        (lambda rows: rows["person"][0].update(id="x"), "person, 1"),
        (lambda rows: rows["person"][0].update(shoe=38), "shoe"),
        (lambda rows: rows["project"][0].update(person_id=999), "project"),
        (lambda rows: rows["pattern"][0].update(document="{}"), ""),
        (lambda rows: rows["household"].clear(), "household"),
    ],
)
def test_a_household_with_a_broken_record_is_refused_and_nothing_is_changed(full, spoil, said):
    _, db = full
    before = household_rows(db)
    rows = {table: [dict(row) for row in found] for table, found in before.items()}
    spoil(rows)
    with pytest.raises(DocumentError) as refused:
        take_in(db, rows)
    assert said in str(refused.value)
    assert household_rows(db) == before


@pytest.mark.parametrize("data", [b"", b"{}", b"PK\x03\x04" + b"x" * 40])
def test_what_is_no_household_is_refused_in_words(data):
    with pytest.raises(DocumentError, match="not a household"):
        read_household(data)


# ---------------------------------------------------------------- undo


def test_every_removal_of_the_last_day_can_be_undone_with_all_that_hung_on_it(full):
    _, db = full
    before = household_rows(db)
    project = projects.projects(db)[-1]
    projects.remove_project(db, project.id)
    assert project.id not in {p.id for p in projects.projects(db)}
    assert project.name in take_back(db, "Project")
    assert household_rows(db) == before


def test_a_change_is_undone_and_a_later_one_of_the_same_comes_first(db):
    id = people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    people.save_person(db, id, "Nerys", Age.ADULT, {"hip": 910.0}, DAY + timedelta(days=1))
    people.save_person(db, id, "Nerys B", Age.ADULT, {"hip": 910.0}, DAY + timedelta(days=1))
    first, second, _ = reversed(changes(db))
    assert "“Nerys” added" in first.words and "changed" in second.words
    with pytest.raises(ChangedSince, match="Undo that first"), transaction(db, recorded=False):
        undo(db, second.id)
    take_back(db, "“Nerys” changed")
    take_back(db, "“Nerys” changed")
    assert people.person(db, id).body == {"hip": 900.0}
    take_back(db, "added")
    assert people.people(db) == []


def test_what_something_else_hangs_on_by_now_is_not_undone(full):
    _, db = full
    id = people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    added = changes(db)[0]
    before = projects.projects(db)[0]
    projects.start_project(db, "Skirt", id, before.pattern_id, before.view, {}, DAY)
    with pytest.raises(ChangedSince, match="belongs to it now"), transaction(db, recorded=False):
        undo(db, added.id)
    assert people.person(db, id) is not None


def test_a_person_forgotten_comes_back_with_every_set_of_measurements(db):
    id = people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    people.save_person(db, id, "Nerys", Age.ADULT, {"hip": 910.0, "waist": 700.0}, DAY + timedelta(days=9))
    sets = people.measurings(db, id)
    people.remove_person(db, id)
    assert people.person(db, id) is None
    take_back(db, "removed")
    assert people.measurings(db, id) == sets


def test_a_photo_and_a_cloth_come_back(db):
    id = cloths.save_cloth(db, None, CORD)
    cloths.keep_photo(db, id, b"\xff\xd8\x00'\"photo")
    cloths.throw_away(db, id)
    take_back(db, "cord")
    assert cloths.photo(db, id) == b"\xff\xd8\x00'\"photo"


def test_changes_are_let_go_after_a_day(db):
    people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    made = changes(db)[0].made_at
    with transaction(db, recorded=False):
        forget_old(db, made + timedelta(hours=23))
        assert changes(db)
        forget_old(db, made + timedelta(hours=31))
    assert not changes(db) and not db.execute("SELECT 1 FROM undo").fetchone()


# ---------------------------------------------------------------- two windows, the clock


def test_the_older_page_of_two_overwrites_nobody(db):
    id = people.save_person(db, None, "Nerys", Age.ADULT, {"waist": 740.0}, DAY)
    shown = people.person(db, id).revision
    people.save_person(db, id, "Nerys", Age.ADULT, {"waist": 768.0}, DAY, revision=shown)
    with pytest.raises(ChangedMeanwhile):
        people.save_person(db, id, "Nerys", Age.ADULT, {"waist": 740.0}, DAY, revision=shown)
    assert people.person(db, id).body == {"waist": 768.0}
    cloth = cloths.save_cloth(db, None, CORD)
    cloths.throw_away(db, cloth)
    with pytest.raises(NotThere):
        cloths.save_cloth(db, cloth, CORD)


def test_measurements_taken_with_the_clock_set_back_are_the_newest_all_the_same(db):
    id = people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    people.save_person(db, id, "Nerys", Age.ADULT, {"hip": 930.0}, date(1986, 1, 1))
    assert people.person(db, id).body == {"hip": 930.0}


# ---------------------------------------------------------------- opening


@pytest.mark.parametrize(
    ("make", "said"),
    [
        (lambda p: p.mkdir(), "folder"),
        (lambda p: p.write_bytes(b""), "empty"),
        (lambda p: p.write_text("waist 74"), "no household"),
        (lambda p: p.write_bytes(b"SQLite format 3\x00" + b"\x01" * 5000), "damaged"),
    ],
)
def test_a_file_that_is_no_household_is_said_to_be_none_and_left_untouched(path, make, said):
    make(path)
    before = path.read_bytes() if path.is_file() else None
    with pytest.raises(NotOpened, match=said):
        open_household(path, NOW)
    assert before is None or path.read_bytes() == before


def test_a_household_opened_twice_keeps_its_log_from_other_processes(path, db):
    """A file that a process opens and closes beside SQLite lets go of every lock that it holds on it: another process,
    such as the one that searches layouts, would think itself alone and take the log away.

    Source: SQLite, “How To Corrupt An SQLite Database File”, 2.2 (from memory).
    """
    open_household(path, NOW).close()
    people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    other = "import sqlite3, sys; sqlite3.connect(sys.argv[1]).execute('SELECT * FROM person').connection.close()"
    subprocess.run([sys.executable, "-c", other, path], check=True)
    people.save_person(db, None, "Ysolde", Age.ADULT, {"hip": 960.0}, DAY)
    with closing(connect(path)) as reader:
        assert [one.name for one in people.people(reader)] == ["Nerys", "Ysolde"]
        assert reader.execute("PRAGMA integrity_check").fetchone()[0] == "ok"


def test_a_newer_household_is_not_written_to(path, db):
    db.execute("PRAGMA user_version = 99")
    db.close()
    before = path.read_bytes()
    with pytest.raises(NewerDatabase):
        open_household(path, NOW)
    assert path.read_bytes() == before


def test_the_file_is_private_to_its_account(path, db):
    assert stat.S_IMODE(path.stat().st_mode) == 0o600


def test_a_household_that_may_not_be_written_can_still_be_read(path, db):
    if os.geteuid() == 0:
        # Root may write everything: what the fallback opens is tried by itself.
        people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
        db.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        with closing(sqlite3.connect(f"{path.as_uri()}?mode=ro&immutable=1", uri=True)) as reader:
            assert reader.execute("SELECT name FROM person").fetchone()[0] == "Nerys"
        return
    people.save_person(db, None, "Nerys", Age.ADULT, {"hip": 900.0}, DAY)
    db.close()
    path.chmod(0o400)
    path.parent.chmod(0o500)
    try:
        with closing(connect(path, create=False)) as reader:
            assert people.people(reader)[0].name == "Nerys"
    finally:
        path.parent.chmod(0o700)


def test_what_was_acknowledged_survives_a_kill(path, db):
    """A writer is killed with no chance to tidy up; what it had said was kept is there, and the file is whole."""
    code = """
import sys, os, signal
from datetime import date
from pathlib import Path
from rowanseed.core.body.measures import Age
from rowanseed.store import people
from rowanseed.store.database import connect
db = connect(Path(sys.argv[1]))
for k in range(1000):
    people.save_person(db, None, f"Singer {k}", Age.ADULT, {"hip": 900.0}, date(2026, 11, 20))
    print(k, flush=True)
"""
    writer = subprocess.Popen([sys.executable, "-c", code, str(path)], stdout=subprocess.PIPE, text=True)
    told = [int(writer.stdout.readline()) for _ in range(25)]
    writer.kill()
    told += [int(line) for line in writer.communicate()[0].split()]
    with closing(connect(path)) as again:
        names = {p.name for p in people.people(again)}
        assert {f"Singer {k}" for k in told} <= names
        assert again.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
        assert again.execute("PRAGMA synchronous").fetchone()[0] == 2  # FULL


def test_projects_keep_their_cloths_when_a_household_is_taken_in(full):
    _, db = full
    chosen = {p.id: dict(p.cloths) for p in projects.projects(db)}
    take_in(db, read_household(write_household(household_rows(db))))
    assert {p.id: dict(p.cloths) for p in projects.projects(db)} == chosen
    assert any(Role.MAIN in found for found in chosen.values())
