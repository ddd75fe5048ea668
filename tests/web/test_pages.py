"""The pages without a browser: errors in words, nothing lost, nothing let in that should not be."""

import re

import pytest
from fastapi.testclient import TestClient

from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import write_pattern
from rowanseed.web.app import create_app

PAGES = [
    "/",
    "/household",
    "/people/new",
    "/people/1",
    "/cloths/new",
    "/cloths/1",
    "/patterns/new",
    "/patterns/1",
    "/projects/new",
    *(f"/projects/{n}/{s}" for n in (1, 3) for s in ("fit", "cloth", "lay", "cut", "sew", "keep")),
]


@pytest.fixture
def pages(house):
    return house


@pytest.fixture
def empty(tmp_path):
    return TestClient(create_app(tmp_path / "empty.db"), raise_server_exceptions=False)


@pytest.mark.parametrize("path", PAGES)
def test_every_page_opens_under_the_strict_policy(pages, path):
    answer = pages.get(path)
    assert answer.status_code == 200
    policy = answer.headers["content-security-policy"]
    assert "script-src 'self'" in policy and "unsafe" not in policy
    assert not re.search(r"<script(?![^>]*src=)|\sstyle=|\son\w+=|javascript:", answer.text)


def test_an_empty_house_says_what_to_do_first(empty):
    answer = empty.get("/")
    assert "Nothing on the table yet" in answer.text
    assert "Measure a person" in answer.text


@pytest.mark.parametrize(
    "path", ["/nowhere", "/people/99", "/projects/99/fit", "/patterns/99", "/people/x", "/drawings/9"]
)
def test_what_is_not_there_is_told_in_a_sentence(pages, path):
    answer = pages.get(path)
    assert answer.status_code == 404
    assert "There is no such" in answer.text
    assert "Traceback" not in answer.text


def test_a_page_that_fails_tells_no_stack_trace_and_logs_where_it_was(house, monkeypatch, caplog):
    from rowanseed.web.pages import shelf

    def broken(*_):
        raise RuntimeError("secret detail")

    monkeypatch.setattr(shelf.people, "people", broken)
    answer = house.get("/")
    assert answer.status_code == 500
    assert "Something went wrong here, not with you" in answer.text
    assert "secret detail" not in answer.text
    (record,) = [record for record in caplog.records if record.levelname == "ERROR"]
    assert (record.method, record.path) == ("GET", "/") and record.request_id
    assert "secret detail" in str(record.exc_info[1])


@pytest.mark.parametrize(
    ("field", "typed", "said"),
    [
        ("width", "", "A length is needed here"),
        ("width", "wide", "not a length"),
        ("width", "-4", "more than nothing"),
        ("width", "900 m", "longer than any cloth"),
        ("width", "3 cm", "between 5 cm and 5 m"),
        ("length", "0", "more than nothing"),
        ("selvedge", "60", "a narrow strip"),
        ("shrink_along", "60 %", "more than 30 %"),
        ("shrink_along", "much", "A share is written like"),
        ("name", "  ", "Something has to be written"),
        ("direction", "sideways", "Choose or write one of"),
    ],
)
def test_a_cloth_that_cannot_be_is_refused_at_its_field_and_nothing_typed_is_lost(empty, field, typed, said):
    form = {
        "name": "My linen",
        "width": "140",
        "length": "2,4 m",
        "selvedge": "1",
        "direction": "two-way",
        "fibre": "linen",
        "shrink_along": "5",
        "shrink_across": "2",
        "colour": "#4a6078",
        "surface": "plain",
    }
    answer = empty.post("/cloths/new", data={**form, field: typed})
    assert answer.status_code == 422
    assert said in re.search(rf'id="said-{field}">([^<]*)<', answer.text)[1]
    typed_beside = {form[name] for name in ("name", "width", "length") if name != field}
    assert all(kept in answer.text for kept in typed_beside)
    assert "My linen" not in empty.get("/").text


def test_doubtful_measurements_are_asked_about_and_kept_when_confirmed(empty):
    form = {"name": "Ysolde", "age": "adult", "waist": "30", "hip": "101"}
    asked = empty.post("/people/new", data=form)
    assert "Was it measured in inches?" in asked.text
    assert "Ysolde" not in empty.get("/").text
    confirmed = re.search(r'name="confirmed" value="([^"]+)"', asked.text)[1]
    other = empty.post("/people/new", data={**form, "waist": "31", "confirmed": confirmed})
    assert "Was it measured in inches?" in other.text
    empty.post("/people/new", data={**form, "confirmed": confirmed})
    assert "Ysolde" in empty.get("/").text


def test_a_figure_that_was_only_looked_at_keeps_its_exact_millimetres(empty):
    empty.post("/people/new", data={"name": "Ysolde", "age": "adult", "waist": "30 1/4 in"})
    shown = re.search(r'id="waist"[^>]*value="([^"]+)"', empty.get("/people/1").text)[1]
    assert shown == "76.8 cm"
    empty.post("/people/1", data={"name": "Ysolde", "age": "adult", "waist": shown})
    empty.post("/household/units", data={"units": "imperial"})
    assert 'value="30 1/4 in"' in empty.get("/people/1").text


@pytest.mark.parametrize(
    ("name", "data", "said"),
    [
        ("a.svg", b'<svg xmlns="http://www.w3.org/2000/svg" height="9"/>', "nobody knows how large"),
        ("a.json", write_pattern(draft()).replace('"hem": [', '"him": [', 1).encode(), "edge “hem”"),
        ("a.svg", b"", "No file was chosen"),
        ("a.svg", b"<svg" + b" " * (5 * 1024 * 1024), "5 MB is the most"),
        ("a.svg", b"x" * (7 * 1024 * 1024), "too large"),
    ],
)
def test_a_bad_upload_is_refused_and_nothing_is_stored(empty, name, data, said):
    answer = empty.post("/patterns/new", files={"file": (name, data)})
    assert answer.status_code in (413, 422)
    assert said in answer.text
    assert "None yet" in empty.get("/").text


def test_a_pattern_document_goes_out_as_it_came_in(empty):
    empty.post("/patterns/new", files={"file": ("skirt.json", write_pattern(draft()))})
    out = empty.get("/patterns/1/document.json")
    assert "attachment" in out.headers["content-disposition"]
    empty.post("/patterns/new", files={"file": ("again.json", out.content)})
    assert empty.get("/patterns/2/document.json").text == out.text


def test_other_sites_cannot_post(pages):
    answer = pages.post("/household/units", data={"units": "imperial"}, headers={"origin": "http://elsewhere.example"})
    assert answer.status_code == 403
    assert pages.get("/", headers={"host": "elsewhere.example"}).status_code == 400


@pytest.mark.slow
def test_a_change_of_size_makes_the_kept_lay_say_so(pages):
    assert "this layout is kept" in pages.get("/projects/1/lay").text
    pages.post("/projects/1/fit", data={"size": "16"})
    pages.get("/projects/1/lay/worked-out")
    assert "Changed since it was kept" in pages.get("/projects/1/lay").text
    pages.post("/projects/1/lay", data={"role": "main", "lay": "open", "keep": "yes"})
    assert "this layout is kept" in pages.get("/projects/1/lay").text


@pytest.mark.parametrize(("change", "said"), [("2.5 m", "cannot be shortened"), ("a bit", "not a length")])
def test_a_length_that_cannot_be_is_refused_at_its_field(pages, change, said):
    answer = pages.post("/projects/2/fit/alter", data={"what": "hem::", "way": "less", "by": change})
    assert answer.status_code == 422
    assert said in answer.text
    assert f'value="{change}"' in answer.text


def test_unknown_ticks_and_lays_are_not_stored(pages):
    assert pages.post("/projects/1/sew", data={"key": "nonsense", "done": "yes"}).status_code == 404
    assert pages.post("/projects/1/cut", data={"key": "nonsense", "done": "yes"}).status_code == 404
    assert pages.get("/projects/1/lay/main/secret.txt").status_code == 404


def test_the_lay_comes_out_as_open_files(pages):
    assert pages.get("/projects/1/lay/main/problem.json").json()["format"] == "rowanseed-layout-problem/1"
    assert pages.get("/projects/1/lay/main/plan.json").json()["format"] == "rowanseed-layout-plan/1"
    assert pages.get("/projects/1/lay/main/lay.svg").text.startswith("<svg")


def test_text_is_escaped_wherever_it_stands(empty):
    nasty = "<b onclick=x>&\"'"
    empty.post("/people/new", data={"name": nasty, "age": "adult"})
    assert nasty not in empty.get("/").text
    assert "&lt;b onclick=x&gt;" in empty.get("/").text
