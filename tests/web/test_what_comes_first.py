"""A project that lacks something yet: every page says what, and nothing that is not so."""

from __future__ import annotations

import re
from dataclasses import replace
from datetime import date

import pytest

from rowanseed.core.pattern.making import Making
from rowanseed.formats.description_json import compose_pattern, write_description
from rowanseed.store import patterns
from rowanseed.store.database import connect
from tests.core.everyday import EVERYDAY

PAGES = (
    *("/fit", "/fit/alter", "/fit/seams", "/fit/tissue"),
    *("/cloth", "/cloth/layers", "/cloth/widths", "/lay", "/lay/table", "/cut", "/print"),
    *("/sew", "/sew/ways", "/sew/line", "/sew/time", "/sew/samples", "/keep"),
)


@pytest.fixture
def database(tmp_path):
    return tmp_path / "house.db"


def pattern(database, name, **changes):
    """A described garment on the shelf, changed as a document could have it."""
    with connect(database) as db:
        made = compose_pattern(write_description(EVERYDAY[name]))
        return patterns.add_pattern(db, replace(made, **changes), date(2026, 11, 28))


def unmeasured(house):
    """Someone of whom only the height is known."""
    assert house.post("/people/new", data={"name": "Pia", "age": "adult", "height": "170 cm"}).status_code == 200
    return re.search(r'<option value="(\d+)"[^>]*>Pia', house.get("/projects/new").text)[1]


def project(house, **asked):
    made = house.post("/projects/new", data=asked, follow_redirects=False)
    return made.headers["location"].removesuffix("/fit")


def big(page):
    """The large words of a page's own part."""
    return re.findall(r'<p class="big[^"]*">\s*([^<]*?)\s*</p>', page)


@pytest.mark.parametrize("cloth", ["", "5"])
def test_without_a_size_every_page_asks_for_that_first(house, database, cloth):
    """A lining was worked out in no size, and every page of such a project failed."""
    number = pattern(database, "pencil skirt")
    own = project(house, pattern=str(number), person=unmeasured(house), cloth=cloth)
    for page in PAGES:
        shown = house.get(own + page)
        assert shown.status_code == 200, page
        assert "None" not in shown.text, page
        if page not in ("/fit", "/keep"):
            assert big(shown.text) == ["The size comes first"], page
    several = house.get(f"{own}/print?size=8&size=12")
    assert several.status_code == 200 and "None" not in several.text and "size 8, 12" in several.text


def test_without_seams_the_pages_at_the_needle_say_so(house, database):
    number = pattern(database, "pencil skirt", making=Making(), description="")
    own = project(house, pattern=str(number), person="1", cloth="5")
    for page in ("/sew", "/sew/ways", "/sew/line", "/sew/time", "/sew/samples"):
        assert big(house.get(own + page).text) == ["This pattern names no seams yet"], page


def test_without_a_cloth_the_lay_asks_for_one(house, database):
    own = project(house, pattern=str(pattern(database, "pencil skirt")), person="1")
    assert big(house.get(f"{own}/lay").text) == ["The cloth comes first"]
    assert big(house.get(f"{own}/cut").text) == ["The layout comes first"]
    assert big(house.get(f"{own}/sew/ways").text) == ["How each part is sewn"]


# ---------------------------------------------------------------- for a child


def test_nightwear_and_small_parts_for_a_child_have_their_cautions_where_cloth_is_chosen(house, database):
    """Common practice, no source; what holds is the local rule, which the words point to."""
    smock = pattern(database, "smock dress")
    night = pattern(database, "smock dress", garment="nightdress")
    woman = pattern(database, "shirt dress")
    told = {}
    for name, number in (("smock", smock), ("night", night), ("woman", woman)):
        page = house.get(f"{project(house, pattern=str(number), person='1')}/cloth").text
        told[name] = re.findall(r'<p class="caution">([^<]*)</p>', page)
    assert [len(told[name]) for name in ("smock", "night", "woman")] == [1, 2, 0]
    assert "swallowed" in told["smock"][0] and "catches fire" in told["night"][0]
    assert all("local rules" in words for words in told["night"])


def test_a_cloth_that_does_not_suit_is_told_where_it_is_chosen(house, database):
    """Woven cloth for a T-shirt whose neck has to go over a head was taken without a word."""
    number = pattern(database, "t-shirt")
    own = project(house, pattern=str(number), person="1", cloth="5")
    page = " ".join(house.get(f"{own}/cloth").text.split())
    assert "<b>Mind:</b> The pattern is drawn for a knit" in page
    assert (
        "Try it: 10 cm across have to reach 13 cm"
        in house.get(project(house, pattern=str(number), person="1") + "/cloth").text
    )


def test_where_the_back_opens_no_ease_pleat_is_offered_and_that_is_said(house, database):
    told = {}
    for name in ("shift", "shirt dress"):
        own = project(house, pattern=str(pattern(database, name)), person="1")
        page = house.get(f"{own}/cloth/layers").text
        told[name] = ('name="pleat"' in page, "No ease pleat: its back opens down the middle." in page)
    assert told == {"shift": (False, True), "shirt dress": (True, False)}
