"""What a person writes is kept as she wrote it, once, and by nobody else; and files from elsewhere harm nobody."""

import io
import re
import sqlite3
import struct
import time
import zlib
from contextlib import closing

import pytest
from PIL import Image

from rowanseed.core.base.errors import DocumentError
from rowanseed.demo import six_gore_skirt
from rowanseed.formats.pattern_json import write_pattern
from rowanseed.reading import apart
from rowanseed.store import cloths, people
from rowanseed.store.database import connect

pytestmark = pytest.mark.slow


@pytest.fixture
def db(house):
    with closing(connect(house.app.state.database)) as connection:
        yield connection


def sealed(page):
    """The hidden fields of the page's own form."""
    form = page.split('<main id="main"')[1]
    return {name: re.search(rf'name="{name}" value="([^"]*)"', form)[1] for name in ("shown_in", "once")}


# ---------------------------------------------------------------- forms


def test_a_form_is_read_in_the_units_it_was_shown_in(house, db):
    """Shown in centimetres, the household switched to inches in another window, then sent: still centimetres."""
    page = house.get("/people/new").text
    house.post("/household/units", data={"units": "imperial"})
    house.post("/people/new", data={"name": "Cleo", "age": "adult", "hip": "102", **sealed(page)})
    assert next(p for p in people.people(db) if p.name == "Cleo").body == {"hip": 1020.0}


def test_a_form_that_is_sent_twice_is_taken_once(house, db):
    page = house.get("/people/new").text
    data = {"name": "Twin", "age": "adult", "hip": "102", **sealed(page)}
    first, second = (house.post("/people/new", data=data, follow_redirects=False) for _ in range(2))
    assert (first.status_code, first.headers["location"]) == (second.status_code, second.headers["location"])
    assert [p.name for p in people.people(db)].count("Twin") == 1
    # What was refused may be sent again, put right, from the page that refused it.
    bad = house.post("/people/new", data={**data, "name": "", "once": "another"})
    assert bad.status_code == 422
    assert house.post("/people/new", data={**data, "name": "Third", **sealed(bad.text)}).status_code == 200
    assert "Third" in {p.name for p in people.people(db)}


def test_all_cut_sent_three_times_leaves_the_remainders_of_one_cutting(house, db):
    """The same form three times: the cloth is cut up once, and its remainders stand on the shelf once."""
    house.get("/projects/1/lays/events")
    form = house.get("/projects/1/cut").text
    once = re.search(r'name="once" value="([^"]*)"', form)[1]
    kept = []
    for _ in range(3):
        house.post("/projects/1/cut/remainders", data={"once": once, "role": "main"})
        kept.append(len(cloths.cloths(db)))
    assert len(set(kept)) == 1


def test_two_windows_on_one_person_lose_nothing(house, db):
    old = house.get("/people/1").text
    revision = re.search(r'name="revision" value="(\d+)"', old)[1]
    person = people.person(db, 1)
    house.post("/people/1", data={"name": person.name, "age": "adult", "waist": "76.8", "revision": revision})
    late = house.post("/people/1", data={"name": person.name, "age": "adult", "waist": "74", "revision": revision})
    assert late.status_code == 409 and "changed in another window" in late.text and 'value="74"' in late.text
    assert people.person(db, 1).body == {"waist": 768.0}
    again = re.search(r'name="revision" value="(\d+)"', late.text)[1]
    house.post("/people/1", data={"name": person.name, "age": "adult", "waist": "74", "revision": again})
    assert people.person(db, 1).body == {"waist": 740.0}


# ---------------------------------------------------------------- undo and records on the pages


def test_what_was_put_away_is_offered_back_on_the_shelf(house):
    name = "Concert skirt for the alto"
    assert name in house.get("/").text
    house.post("/projects/1/remove")
    shelf = house.get("/").text
    assert "Project “" in shelf and "removed" in shelf
    change = re.search(r"/household/changes/(\d+)/undo", shelf)[1]
    house.post(f"/household/changes/{change}/undo")
    assert name in house.get("/").text
    assert house.get("/projects/1/keep").status_code == 200


def test_what_was_undone_in_another_window_is_said_and_not_passed_over(house):
    house.post("/projects/1/remove")
    change = re.search(r"/household/changes/(\d+)/undo", house.get("/").text)[1]
    house.post(f"/household/changes/{change}/undo")
    again = house.post(f"/household/changes/{change}/undo")
    assert again.status_code == 422 and "That change is no longer kept" in again.text


def test_a_copy_is_taken_along_and_put_back_by_the_pages(house, db):
    copy = house.get("/household/records/copy.db")
    assert copy.content[:15] == b"SQLite format 3" and "attachment" in copy.headers["content-disposition"]
    house.post("/projects/1/remove")
    back = house.post("/household/records/restore-file", files={"file": ("copy.db", copy.content)})
    assert "The copy is your household now" in back.text
    assert house.get("/projects/1/keep").status_code == 200
    refused = house.post("/household/records/restore-file", files={"file": ("copy.db", b"no")})
    assert refused.status_code == 422 and "cannot be restored" in refused.text


def test_everything_goes_out_and_in_by_the_pages(house):
    packed = house.get("/household/records/household.zip").content
    house.post("/projects/2/remove")
    assert "taken in" in house.post("/household/records/take-in", files={"file": ("h.zip", packed)}).text
    assert house.get("/projects/2/keep").status_code == 200
    refused = house.post("/household/records/take-in", files={"file": ("h.zip", b"PK")})
    assert refused.status_code == 422 and "not a household" in refused.text


# ---------------------------------------------------------------- faults are told as what they are


@pytest.mark.parametrize(
    ("name", "said"),
    [
        ("SQLITE_FULL", "The disk is full"),
        ("SQLITE_BUSY", "Another program is writing"),
        ("SQLITE_READONLY", "may not be written to"),
        ("SQLITE_CORRUPT", "is damaged"),
        ("SQLITE_IOERR_WRITE", "The disk does not do"),
    ],
)
def test_a_fault_of_the_disk_is_told_as_what_it_is(house, monkeypatch, name, said):
    def fails(*_, **__):
        error = sqlite3.OperationalError("inside")
        error.sqlite_errorname = name
        raise error

    monkeypatch.setattr(people, "save_person", fails)
    answer = house.post("/people/new", data={"name": "Cleo", "age": "adult", "hip": "102"})
    assert answer.status_code == 503 and said in answer.text and "Traceback" not in answer.text
    assert house.get("/").status_code == 200, "reading goes on"
    assert answer.headers["content-security-policy"]


def test_a_file_that_is_gone_is_not_begun_anew(house):
    house.app.state.database.unlink()
    answer = house.get("/")
    assert answer.status_code == 503 and "not where it was" in answer.text
    assert not house.app.state.database.exists()


# ---------------------------------------------------------------- files from elsewhere


def nested_uses(deep, wide=10):
    """A small drawing that unfolds to `wide` to the power of `deep` outlines."""
    layers = ['<path id="l0" d="M0 0h100v100h-100z"/>']
    for k in range(1, deep):
        layers.append(f'<g id="l{k}">' + f'<use href="#l{k - 1}"/>' * wide + "</g>")
    return f'<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm">{"".join(layers)}</svg>'.encode()


def bomb_png(width, height):
    def chunk(kind, data):
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

    head = struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", zlib.compress(b"\0" * 1000)) + chunk(b"IEND", b"")
    )


HOSTILE = {
    "nested copies": nested_uses(12),
    "a name of underscores": b'<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm"><g id="size-12">'
    b'<path id="' + b"_" * 90_000 + b'12" d="M0 0h50v50h-50z"/></g></svg>',
    "an arc beyond measure": b'<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm">'
    b'<path d="M0 0A1e300 1e300 0 0 1 50 50L0 50z"/></svg>',
    "an unknown encoding": b'<?xml version="1.0" encoding="klingon"?><svg/>',
    "lone surrogates": b'{"format": "rowanseed-pattern/2", "name": "\\ud800"}',
    "deeply nested": b"[" * 100_000,
    "not a number": b'{"format": "rowanseed-pattern/2", "name": NaN}',
}


@pytest.mark.parametrize("what", HOSTILE)
def test_a_hostile_file_is_refused_in_words_and_nobody_else_waits(house, what, monkeypatch):
    begun = time.monotonic()
    answer = house.post("/patterns/new", files={"file": ("x.svg", HOSTILE[what])})
    assert answer.status_code == (200 if what == "a name of underscores" else 422), answer.text[:300]
    assert len(answer.text) < 60_000
    assert "Traceback" not in answer.text and "pydantic" not in answer.text
    assert time.monotonic() - begun < 20
    assert house.get("/").status_code == 200


def test_a_file_that_takes_too_much_dies_alone(monkeypatch):
    monkeypatch.setattr(apart, "settings", lambda: type("S", (), {"reading_memory": 10**9, "seconds_to_read": 0.05})())
    with pytest.raises(DocumentError, match="takes too long to read"):
        apart.drawing(nested_uses(3))


def test_a_photo_is_made_small_and_what_is_none_is_refused(house):
    out = io.BytesIO()
    Image.new("RGB", (3000, 2000), "#884444").save(out, "JPEG", exif=b"Exif\x00\x00MM\x00*\x00\x00\x00\x08\x00\x00")
    assert house.post("/cloths/1/photo", files={"photo": ("p.jpg", out.getvalue())}).status_code == 200
    kept = Image.open(io.BytesIO(house.get("/cloths/1/photo.jpg").content))
    assert max(kept.size) <= 1200 and not kept.getexif()
    for bad in (bomb_png(1, 60_000_000), bomb_png(50_000, 50_000), b"GIF89a", out.getvalue()[:300]):
        assert house.post("/cloths/1/photo", files={"photo": ("p.png", bad)}).status_code == 422


def test_a_document_that_was_read_apart_is_the_pattern_that_was_sent(house):
    sent = write_pattern(six_gore_skirt.draft()).encode()
    page = house.post("/patterns/new", files={"file": ("skirt.json", sent)})
    assert page.status_code == 200 and "Six-gore concert skirt" in page.text
    number = re.search(r"/patterns/(\d+)/document.json", page.text)[1]
    assert house.get(f"/patterns/{number}/document.json").text == sent.decode()


@pytest.mark.parametrize("field", ["gone", "lengthwise", "care", "name"])
def test_a_long_text_holds_nobody_up(house, field):
    begun = time.monotonic()
    data = {"name": "x", "width": "150", "fibre": "wool", "colour": "#112233", "surface": "plain"}
    house.post("/cloths/new", data={**data, field: "-" * 800 + "x" * 800})
    # A pattern that tries every way would take ages; this is not a measure of speed.
    assert time.monotonic() - begun < 20.0


@pytest.mark.parametrize("headers", [{"origin": "http://["}, {"referer": "http://["}, {"host": "testserver:x"}])
def test_odd_headers_are_no_fault_of_the_pages(house, headers):
    assert house.post("/household/units", data={"units": "metric"}, headers=headers).status_code < 500


def test_a_get_from_another_site_starts_no_search(house, monkeypatch):
    started = []
    monkeypatch.setattr("rowanseed.app.searching.ask", lambda *_, **__: started.append(1))
    for path in ("/projects/3/lays/events", "/projects/3/cloth/worked-out", "/projects/3/widths/events"):
        assert house.get(path, headers={"sec-fetch-site": "cross-site"}).status_code == 403
    assert not started
    assert house.get("/", headers={"sec-fetch-site": "cross-site", "sec-fetch-mode": "navigate"}).status_code == 200
