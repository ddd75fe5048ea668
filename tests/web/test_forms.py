"""What a form shows is what it keeps: sent back untouched it changes nothing, in either household's units; a field that
cannot be taken is told beside it, and everything else that was typed stands as it was."""

import json
import re
import shutil
import sqlite3
from dataclasses import replace
from html import unescape
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.web.app import create_app
from rowanseed.web.as_shown import as_it_was
from rowanseed.web.cloth_fields import in_form_order

from .forms import forms

pytestmark = pytest.mark.slow
KEPT = ("household", "person", "measuring", "measurement", "pattern", "cloth", "project", "project_cloth")
"""What a sewist has written or chosen, by the tables it stands in."""
PAGES = (
    "/household",
    *(f"/people/{n}" for n in (1, 2, 3)),
    *(f"/cloths/{n}" for n in range(1, 8)),
    *(f"/patterns/{n}" for n in (1, 5)),
    "/patterns/5/tissue",
    *(f"/projects/{n}/{page}" for n in (1, 2, 4) for page in ("fit", "cloth", "cloth/layers", "cloth/extras", "keep")),
)
CHANGES_NOTHING = re.compile(
    r"/(people|cloths)/\d+|/household|/patterns/\d+/(name|tissue)"
    r"|/projects/\d+/(fit|fit/view|fit/wish|cloth|cloth/matching|cloth/layers|cloth/extras/card|keep/name)"
)
"""The forms that show what is kept; the others add something."""


@pytest.fixture
def house(filled, tmp_path, quick):
    """The demo household's pages as they are sent, with every line of every field."""
    shutil.copy(filled, tmp_path / "house.db")
    return TestClient(create_app(tmp_path / "house.db"), raise_server_exceptions=False)


SET_BEFORE = {
    "/projects/4/fit": {"least-waist": "3.3", "most-waist": "7.1"},
    "/projects/4/cloth/layers": {"pad": "0.9"},
}
"""Lengths in cm that no fraction of an inch is."""


def kept(path):
    """Every row of what is kept, but for how often it was saved."""
    with sqlite3.connect(path) as db:
        db.row_factory = sqlite3.Row
        rows = {table: [dict(row) for row in db.execute(f"SELECT * FROM {table}")] for table in KEPT}
    times = ("revision", "changed_at")
    return {t: sorted(repr({k: v for k, v in r.items() if k not in times}) for r in found) for t, found in rows.items()}


def shown(house, path):
    return [form for form in forms(house.get(path).text) if CHANGES_NOTHING.fullmatch(form.action.split("?")[0])]


@pytest.mark.parametrize("units", ["metric", "imperial"])
def test_a_form_sent_back_as_it_was_shown_changes_nothing(house, tmp_path, units):
    for path, written in SET_BEFORE.items():
        (form,) = [f for f in shown(house, path) if written.keys() <= f.fields.keys()]
        assert house.post(form.action, data={**form.fields, **written}).status_code in (200, 303)
    house.post("/household/units", data={"units": units, "next": "/"})
    before, sent = kept(tmp_path / "house.db"), set()
    for path in PAGES:
        for form in shown(house, path):
            answer = house.post(form.action, data=form.fields)
            assert answer.status_code in (200, 303), f"{form.action} of {path}: {answer.status_code}"
            assert kept(tmp_path / "house.db") == before, f"{form.action} of {path} changed something"
            sent.add(re.sub(r"\d+", "N", form.action))
    assert len(sent) >= 12, sent


@pytest.mark.parametrize("units", ["metric", "imperial"])
@pytest.mark.parametrize("pattern", [5, 6])
def test_a_description_opened_and_taken_again_is_the_same_garment(house, pattern, units):
    """It becomes a pattern of its own, so that the first one stays with the projects cut from it."""
    house.post("/household/units", data={"units": units, "next": "/"})
    page = house.get(f"/patterns/{pattern}/describe")
    if page.status_code == 404:
        page = house.get(f"/patterns/{pattern}/own")
    (form,) = [f for f in forms(page.text) if f.action == "/patterns/describe"]
    answer = house.post(form.action, data=form.fields, follow_redirects=False)
    assert answer.status_code == 303, said_wrong(answer.text)
    one, other = (
        json.loads(house.get(f"{path.split('?')[0]}/description.json").text)
        for path in (f"/patterns/{pattern}", answer.headers["location"])
    )
    assert one == other


FIGURES = st.dictionaries(st.sampled_from("abcdef"), st.floats(1, 2000), min_size=2)


@given(FIGURES, st.data())
def test_of_figures_that_are_shown_rounded_only_the_one_that_was_written_changes(before, data):
    shown = {name: round(mm) * 1.0 for name, mm in before.items()}
    assert as_it_was(before, shown, dict(shown)) == before
    one = data.draw(st.sampled_from(sorted(before)))
    written = {**shown, one: shown[one] + 10}
    assert as_it_was(before, shown, written) == {**before, one: written[one]}
    assert as_it_was({"rows": [before]}, {"rows": [shown]}, {"rows": [written]})["rows"][0][one] == written[one]
    gone = {name: mm for name, mm in shown.items() if name != one}
    assert as_it_was(before, shown, gone) == {name: mm for name, mm in before.items() if name != one}


NOT_WRITTEN = "§ no figure"


def said_wrong(html):
    """The fields that a page marks as wrong, by name."""
    tags = re.findall(r"<(?:input|select|textarea)\b[^>]*>", html)
    return {re.search(r'name="([^"]*)"', tag)[1] for tag in tags if 'aria-invalid="true"' in tag and 'name="' in tag}


TAG = re.compile(r"<(?:input|select|textarea)\b(?:[^>{]|\{\{.*?\}\}|\{%.*?%\})*>", re.S)


def test_no_field_is_marked_as_wrong_by_its_colour_alone():
    tags = {path.name: TAG.findall(path.read_text()) for path in Path("src/rowanseed/web/templates").glob("*.html")}
    marked = [(name, tag) for name, found in tags.items() for tag in found if "is-wrong" in tag]
    assert len(marked) > 12
    assert [one for one in marked if "aria-invalid" not in one[1] and "wrong(errors" not in one[1]] == []


LENGTHS = {
    "/people/1": ("bust", "hip", "arm"),
    "/cloths/1": ("width", "length", "repeat_along", "weight", "price", "shrink_along"),
    "/projects/1/fit": ("least-waist", "most-hip"),
    "/projects/1/cloth/extras": ("long", "wide", "fullness", "count"),
    "/patterns/5/tissue": ("front.side", "front.shoulder"),
}


@pytest.mark.parametrize("path", LENGTHS)
def test_a_figure_that_is_none_is_told_at_its_field_and_nothing_typed_is_lost(house, tmp_path, path):
    before, tried = kept(tmp_path / "house.db"), 0
    for form in forms(house.get(path).text):
        for name in LENGTHS[path]:
            if name not in form.fields or name in form.lists:
                continue
            typed = {**form.fields, name: NOT_WRITTEN}
            for other in form.asked - form.lists - {name}:
                if other in ("name", "care", "colour"):
                    typed[other] = form.fields.get(other) or ("#123456" if other == "colour" else "mine")
            answer = house.post(form.action, data=typed)
            tried += 1
            assert answer.status_code == 422, f"{name} of {form.action}"
            assert name in said_wrong(answer.text), f"{name} is not marked on {form.action}"
            again = next(f for f in forms(answer.text) if f.action.split("?")[0] == form.action.split("?")[0])
            lost = {
                k: (v, again.fields.get(k))
                for k, v in typed.items()
                if k in form.asked and v and unescape(again.fields.get(k) or "") != v
            }
            assert not lost, f"{form.action}: {lost}"
    assert tried and kept(tmp_path / "house.db") == before


def test_yardage_in_another_order_than_the_form_s_keeps_each_row_its_own_figures(house):
    """Rows that were brought size by size are shown width by width: changing one moves no other's figure to it."""
    house.post("/household/units", data={"units": "imperial", "next": "/"})
    rows = [
        {"role": "main", "width": width, "length": long + 70.0 * k, "size": size, "one_way": False, "view": ""}
        for k, size in enumerate(("10", "12"))
        for width, long in ((1150.0, 2700.0), (1500.0, 2100.0))
    ]
    chart = {"bust": {"10": 830, "12": 870}, "waist": {"10": 640, "12": 670}, "hip": {"10": 880, "12": 920}}
    document = {
        "format": "rowanseed-description/1",
        "name": "It",
        "garment": "top",
        "sizes": ["10", "12"],
        "body_chart": chart,
        "yardage": rows,
    }
    added = house.post(
        "/patterns/new", files={"file": ("it.json", json.dumps(document), "application/json")}, follow_redirects=False
    )
    assert added.status_code == 303, added.text
    (form,) = [
        f for f in forms(house.get(added.headers["location"] + "/describe").text) if f.action == "/patterns/describe"
    ]
    lines = form.fields["yardage"].split("\n")
    wide, figures = lines[1].split(" in ")
    lines[1] = f"{wide} in 4,{figures.split(',', 1)[1]}"
    sent = house.post(form.action, data={**form.fields, "yardage": "\n".join(lines)}, follow_redirects=False)
    kept_rows = json.loads(house.get(sent.headers["location"].split("?")[0] + "/description.json").text)["yardage"]
    found = {(row["width"], row["size"]): row["length"] for row in kept_rows}
    expected = {(row["width"], row["size"]): row["length"] for row in rows} | {(1150.0, "10"): 4 * 914.4}
    assert found == pytest.approx(expected)


def test_what_an_earlier_garment_left_of_a_cloth_stays_where_a_patch_beside_it_is_changed():
    """A patch that was written before a cut is shown by itself: what the cut took is neither lost nor doubled."""
    written = ((100.0, 0.0), (300.0, 0.0), (300.0, 200.0))
    cut = tuple((500.0 + 10 * k, 100.0 + (k % 2) * 50.0) for k in range(14))
    cloth = Cloth("It", 1400.0, 2000.0, 10.0, Direction.TWO_WAY, gone=(written, cut))
    moved = ((120.0, 0.0), *written[1:])
    made = replace(cloth, gone=(cut, moved))
    assert as_it_was(in_form_order(cloth), replace(cloth, gone=(cut, written)), made).gone == (cut, moved)
