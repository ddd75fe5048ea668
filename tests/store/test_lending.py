"""Connections lent to one request after another: never to two at once, never to another file, never half-way."""

import shutil
import sqlite3

import pytest

from rowanseed.store.database import connect, migrate, transaction
from rowanseed.store.lending import Lender


@pytest.fixture
def household(tmp_path):
    path = tmp_path / "house.db"
    db = connect(path)
    migrate(db)
    db.close()
    return path


def people(db):
    return [row["name"] for row in db.execute("SELECT name FROM person ORDER BY id")]


def add(db, name):
    with transaction(db):
        db.execute("INSERT INTO person (name, age) VALUES (?, 'adult')", (name,))


def is_closed(db):
    try:
        db.execute("SELECT 1")
    except sqlite3.ProgrammingError:
        return True
    return False


def test_one_after_the_other_has_the_same_connection_and_two_at_once_have_their_own(household):
    lender = Lender(household, kept=2)
    with lender.lent() as first, lender.lent() as second:
        assert second is not first
    with lender.lent() as again:
        assert again in (first, second)
    lender.close()
    assert is_closed(first) and is_closed(second)


def test_nothing_is_kept_where_nothing_is_to_be(household):
    with Lender(household).lent() as db:
        pass
    assert is_closed(db)


def test_what_another_has_written_meanwhile_is_seen(household):
    lender = Lender(household, kept=1)
    with lender.lent() as db:
        assert people(db) == []
    other = connect(household)
    add(other, "Ada")
    other.close()
    with lender.lent() as db:
        assert people(db) == ["Ada"]
    lender.close()


def test_one_that_failed_or_is_half_way_through_a_change_is_never_lent_again(household):
    lender = Lender(household, kept=1)
    with pytest.raises(RuntimeError), lender.lent() as failed:
        raise RuntimeError
    assert is_closed(failed)
    with lender.lent() as half:
        half.execute("BEGIN IMMEDIATE")
        half.execute("INSERT INTO person (name, age) VALUES ('Half', 'adult')")
    assert is_closed(half)
    with lender.lent() as db:
        assert people(db) == []
    lender.close()


def test_a_file_that_was_put_in_the_household_s_place_is_the_one_that_is_written_to(household, tmp_path):
    """As when somebody copies a backup over the file by hand, while the server runs."""
    lender = Lender(household, kept=1)
    with lender.lent() as old:
        add(old, "Before")
    old.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    copy = tmp_path / "copy.db"
    shutil.copy(household, copy)
    other = connect(copy)
    add(other, "Restored")
    other.close()
    copy.replace(household)
    with lender.lent() as db:
        assert db is not old
        assert people(db) == ["Before", "Restored"]
        add(db, "After")
    lender.close()
    again = connect(household)
    assert people(again) == ["Before", "Restored", "After"]
    again.close()


def test_a_file_that_is_gone_is_an_error_and_not_a_new_household(household):
    lender = Lender(household, kept=1)
    with lender.lent():
        pass
    household.unlink()
    with pytest.raises(sqlite3.OperationalError), lender.lent():
        pass
    assert not household.exists()
