"""The edge of the pages: what comes in, what goes out, what fails, and what two windows do to each other."""

import importlib
import pkgutil
import re
import time
from dataclasses import fields
from pathlib import Path

import pytest
from jinja2 import meta, nodes

from rowanseed.core.base.lay_errors import StoppedTooSoon
from rowanseed.jobs import searches as jobs
from rowanseed.settings import settings
from rowanseed.store.database import connect
from rowanseed.web import telling, views
from rowanseed.web.deps import TEMPLATES, PageView, StationView
from rowanseed.web.static import FOLDER

from .forms import forms

pytestmark = pytest.mark.slow

# ---------------------------------------------------------------- what comes in


@pytest.mark.parametrize("number", ["0", "99999999999999999999", "-1", "9223372036854775808", "x"])
@pytest.mark.parametrize("path", ["/people/{}", "/cloths/{}", "/projects/{}/fit", "/people/1/measure?project={}"])
def test_a_number_that_nothing_has_is_not_there(house, path, number):
    answer = house.get(path.format(number))
    if number == "0" and "project=" in path:
        assert answer.status_code == 200
    else:
        assert answer.status_code == 404 and "There is no such" in answer.text


def test_a_form_without_its_file_says_what_is_missing(house):
    answer = house.post("/patterns/new")
    assert answer.status_code == 422 and "Something is missing from what was sent: file." in answer.text


@pytest.mark.parametrize(
    ("headers", "status"),
    [
        ({"sec-fetch-site": "cross-site"}, 403),
        ({"sec-fetch-site": "same-site"}, 403),
        ({"sec-fetch-site": "same-origin"}, 200),
        ({"sec-fetch-site": "none"}, 200),
        ({"origin": "http://elsewhere.example"}, 403),
        ({"origin": "http://testserver"}, 200),
        ({}, 200),
    ],
)
def test_only_the_pages_themselves_may_change_anything(house, headers, status):
    answer = house.post("/household/units", data={"units": "imperial"}, headers=headers)
    assert answer.status_code == status
    assert ('aria-pressed="true">in<' in house.get("/household").text) == (status == 200)


def test_what_comes_in_is_counted_whatever_its_header_says(house):
    def endless():
        for _ in range(200):
            yield b"x" * 65536

    answer = house.post("/household", content=endless(), headers={"content-type": "application/octet-stream"})
    assert answer.status_code in (413, 200)
    sent = 200 * 65536
    assert sent > settings().largest_request
    typed = house.post("/household", content=endless(), headers={"content-type": "application/x-www-form-urlencoded"})
    assert typed.status_code == 413 and "6 MB is the most" in typed.text


# ---------------------------------------------------------------- what goes out


def test_static_files_are_named_by_what_is_in_them_and_kept_for_good(house):
    page = house.get("/").text
    addresses = re.findall(r'(?:src|href)="(/static/[^"]+)"', page)
    assert len(addresses) >= 5
    for address in addresses:
        answer = house.get(address)
        assert answer.status_code == 200 and "immutable" in answer.headers["cache-control"]
        assert house.get(address.split("?")[0]).headers["cache-control"] == "no-cache"
        assert house.get(f"{address.split('?')[0]}?v=old").headers["cache-control"] == "no-cache"
    assert house.get("/static/nothing.css").status_code == 404


def test_pages_are_not_kept_and_every_answer_has_its_guards(house):
    for path in ("/", "/nowhere", "/static/style/base.css", "/projects/1/lay/main/lay.svg"):
        headers = house.get(path).headers
        assert "default-src 'none'" in headers["content-security-policy"]
        assert headers["x-content-type-options"] == "nosniff"
        assert headers["cross-origin-resource-policy"] == "same-origin"
    assert house.get("/").headers["cache-control"] == "no-store"


def test_the_headings_of_a_page_can_be_asked_for_alone(house):
    whole, alone = house.get("/household"), house.head("/household")
    assert alone.status_code == 200 and alone.headers["content-type"] == whole.headers["content-type"]
    assert house.head("/projects/1/lays/events").status_code == 405


def test_every_request_is_logged_with_its_time(house, caplog):
    caplog.set_level("INFO", "rowanseed.web")
    house.get("/people/1")
    record = next(r for r in caplog.records if r.getMessage() == "request")
    assert (record.method, record.path, record.status) == ("GET", "/people/1", 200)
    assert record.milliseconds > 0 and len(record.request_id) == 8


# ---------------------------------------------------------------- views and templates


def _views():
    found = pkgutil.iter_modules(views.__path__)
    modules = [*(importlib.import_module(f"{views.__name__}.{one.name}") for one in found), telling]
    found = [one for module in modules for one in vars(module).values() if isinstance(one, type)]
    return [one for one in found if issubclass(one, PageView) and hasattr(one, "template")]


def _names(template):
    """The names that a template and those it extends or includes use and do not set themselves."""
    tree = TEMPLATES.env.parse(TEMPLATES.env.loader.get_source(TEMPLATES.env, template)[0])
    found = set(meta.find_undeclared_variables(tree))
    for macro in tree.find_all(nodes.Macro):
        found.discard(macro.name)
    set_here = (name for node in tree.find_all(nodes.Assign) for name in node.find_all(nodes.Name))
    own = {name.name for name in set_here if name.ctx == "store"}
    own |= {name for node in tree.find_all(nodes.FromImport) for name in node.names}
    for other in meta.find_referenced_templates(tree):
        if other is not None and not isinstance(other, list) and other != "macros.html":
            more, set_there = _names(other)
            found |= more
            own |= set_there
    return found, own


@pytest.mark.parametrize("view", _views(), ids=lambda view: view.__name__)
def test_a_page_is_given_every_name_that_its_template_uses_and_no_other(view):
    given = {field.name for field in fields(view)}
    if issubclass(view, StationView):
        given |= {"station", "part"}
    everywhere = {"request", "units", "habits", "bare", *TEMPLATES.env.globals}
    used, own = _names(view.template)
    assert used - own - given - everywhere == set()
    assert given - used - {"station", "part"} == set()


def test_every_template_is_some_page_s(house):
    folder = Path(TEMPLATES.env.loader.searchpath[0])
    pages = {view.template for view in _views()}
    bases = {
        "base.html",
        "station.html",
        "macros.html",
        "sew_macros.html",
        "match_macros.html",
        "sew_order.html",
        *(f"{name}_part.html" for name in ("fit", "cloth", "lay", "sew")),
    }
    assert {path.name for path in folder.glob("*.html")} == pages | bases


def test_every_style_sheet_is_linked_by_a_page_and_every_link_leads_to_one():
    pages = "".join(path.read_text() for path in (FOLDER.parent / "templates").glob("*.html"))
    linked = set(re.findall(r"static\('style/(\w+)\.css'\)", pages))
    (listed,) = re.findall(r"for name in \((.*?)\) %\}\s*<link", pages, re.S)
    assert linked | set(re.findall(r'"(\w+)"', listed)) == {path.stem for path in (FOLDER / "style").glob("*.css")}


# ---------------------------------------------------------------- two windows


def test_a_change_from_an_older_page_is_refused_in_plain_words_and_nothing_is_lost(house):
    page = house.get("/projects/2/cloth/extras").text
    shown = re.search(r'name="revision" value="(\d+)"', page)[1]
    assert house.post("/projects/2/fit", data={"size": "12", "revision": shown}).status_code == 200
    late = house.post("/projects/2/cloth/layers", data={"fused": "yes", "revision": shown})
    assert late.status_code == 409 and "changed in another window" in late.text
    assert "size 12" in house.get("/projects/2/fit").text
    assert "checked" not in re.search(r'id="fused"[^>]*>', house.get("/projects/2/cloth/layers").text)[0]


def test_the_same_line_is_taken_out_once(house):
    strip = {"kind": "tie", "long": "90", "wide": "3", "count": "1", "fullness": "2", "role": "main"}
    for name in ("first", "second"):
        house.post("/projects/2/cloth/extras/strips", data={**strip, "name": name})
    page = house.get("/projects/2/cloth/extras").text
    first, second = re.findall(r'action="(/projects/2/cloth/extras/strips/[^"]+/remove)"', page)
    assert house.post(first).status_code == 200
    assert house.post(first).status_code == 404
    left = house.get("/projects/2/cloth/extras").text
    assert second in left and 'Take out<span class="visually-hidden">: second' in left


# ---------------------------------------------------------------- failures are not answers


def _cut_anew(house):
    """A project whose lays have to be searched."""
    house.post("/projects/2/fit", data={"size": "16"})


def test_a_search_that_breaks_is_told_kept_nowhere_and_may_be_tried_again(house, tmp_path, monkeypatch):
    search = jobs.solve_each

    def broken(*_, **__):
        raise MemoryError("all of it")

    _cut_anew(house)
    monkeypatch.setattr(jobs, "solve_each", broken)
    house.get("/projects/2/lay/worked-out")
    for station in ("cloth", "lay", "cut"):
        page = house.get(f"/projects/2/{station}").text
        assert "Not searched to the end" in page and "The search went wrong here, not with you." in page
        assert "cannot be laid" not in page and 'id="search-again"' in page
        assert "all of it" not in page
    db = connect(tmp_path / "house.db")
    assert db.execute("SELECT count(*) FROM open_search WHERE failed <> ''").fetchone()[0] == 2
    assert db.execute("SELECT max(tries) FROM open_search").fetchone()[0] == settings().tries
    db.close()
    monkeypatch.setattr(jobs, "solve_each", search)
    house.post("/projects/2/lays/again", data={"station": "lay"})
    house.get("/projects/2/lay/worked-out")
    assert 'class="lay"' in house.get("/projects/2/lay").text
    assert "Not searched to the end" not in house.get("/projects/2/cloth").text


def test_a_search_that_was_stopped_before_there_was_a_lay_is_no_answer(house, monkeypatch):
    search = jobs.solve_each

    def stopped(*_, **__):
        raise StoppedTooSoon

    _cut_anew(house)
    monkeypatch.setattr(jobs, "first_lay", lambda problem: None)
    monkeypatch.setattr(jobs, "solve_each", stopped)
    house.get("/projects/2/lay/worked-out")
    page = house.get("/projects/2/lay").text
    assert "The search was stopped before there was a layout." in page and "cannot be laid" not in page
    monkeypatch.setattr(jobs, "solve_each", search)
    house.post("/projects/2/lays/again", data={"station": "lay"})
    house.get("/projects/2/lay/worked-out")
    assert 'class="lay"' in house.get("/projects/2/lay").text


@pytest.mark.parametrize("page", ["widths", "shelf/main/0"])
def test_tables_of_searches_tell_what_broke_and_try_again(house, monkeypatch, page):
    shown = {"widths": "widths", "shelf/main/0": "shelf"}[page]
    search = jobs.solve_each

    def broken(*_, **__):
        raise RuntimeError("inside")

    _cut_anew(house)
    cloth = {"width": "150", "fibre": "wool", "surface": "plain", "direction": "two-way", "colour": "#4a6078"}
    for length in ("0.9 m", "1.1 m", "1.3 m", "1.6 m"):
        data = {**cloth, "name": length, "length": length, "shrink_along": "0", "shrink_across": "0", "washed": "yes"}
        house.post("/cloths/new", data=data)
    monkeypatch.setattr(jobs, "solve_each", broken)
    house.get(f"/projects/2/{page}/events")
    told = house.get(f"/projects/2/cloth/{shown}").text
    assert "Not searched to the end" in told and "Laying the pieces out" not in told
    monkeypatch.setattr(jobs, "solve_each", search)
    house.post(f"/projects/2/{page}/again")
    for _ in range(2):
        house.get(f"/projects/2/{page}/events")
    assert "Not searched to the end" not in house.get(f"/projects/2/cloth/{shown}").text


def test_that_will_do_stops_the_search_with_nothing_matched_too(house, monkeypatch):
    monkeypatch.setattr(jobs.queue, "enqueue", lambda task: None)
    house.post(
        "/projects/4/cloth/matching", data={"role": "main", "match-main-seams": "yes", "match-main-centres": "yes"}
    )
    house.post("/projects/4/fit", data={"size": "16"})
    stopped = []
    monkeypatch.setattr(jobs, "stop", stopped.append)
    house.post("/projects/4/lays/again", data={"station": "lay"})
    house.post("/projects/4/lays/stop", data={"station": "lay"})
    assert len(set(stopped)) == 4, "three cloths, and the main one with nothing matched"


def test_answers_are_collected_whether_or_not_a_page_listens(house, tmp_path):
    """The server looks after the searches itself: asked for, and nobody looks at a page again."""
    with house:
        _cut_anew(house)
        house.post("/projects/2/lays/again", data={"station": "lay"})
        db = connect(tmp_path / "house.db")
        for _ in range(100):
            if db.execute("SELECT count(*) FROM open_search").fetchone()[0] == 0:
                break
            time.sleep(0.1)
        assert db.execute("SELECT count(*) FROM open_search").fetchone()[0] == 0
        db.close()
    assert "Laying the pieces out" not in house.get("/projects/2/lay").text


# ---------------------------------------------------------------- one bad row


def test_one_bad_row_takes_no_page_down(house, tmp_path):
    db = connect(tmp_path / "house.db")
    db.execute('UPDATE project SET fit = \'{"school": "by magic"}\' WHERE id = 5')
    db.execute('UPDATE cloth SET document = \'{"width": "wide"}\' WHERE id = 4')
    db.execute("UPDATE pattern SET document = '{}' WHERE id = 4")
    db.close()
    shelf = house.get("/")
    assert shelf.status_code == 200
    assert "The project “Wide trousers for the soprano” cannot be read" in shelf.text
    assert "The cloth “Slate linen” cannot be read" in shelf.text
    assert "Concert skirt for the alto" in shelf.text
    for path in ("/shopping", "/people/2", "/projects/1/cloth", "/projects/new", "/projects/1/cloth/shelf"):
        assert house.get(path).status_code == 200, path
    alone = house.get("/projects/5/fit")
    assert alone.status_code == 422 and "cannot be read" in alone.text


def test_projects_people_and_patterns_can_be_put_away(house):
    assert "put those away first" in house.post("/people/2/remove").text
    assert house.post("/patterns/1/remove").status_code == 422
    for id in range(1, 8):
        assert f'action="/projects/{id}/remove"' in house.get(f"/projects/{id}/keep").text
        house.post(f"/projects/{id}/remove")
    assert house.get("/projects/1/keep").status_code == 404
    house.post("/people/2/remove")
    house.post("/patterns/1/remove")
    shelf = house.get("/").text
    assert "Nothing on the table yet" in shelf and "/people/2" not in shelf and "/patterns/1" not in shelf
    assert "Pattern “Six-gore concert skirt” removed" in shelf


# ---------------------------------------------------------------- an address that takes forms, opened


WITH_FORMS = ("cloth", "cloth/extras", "fit", "fit/alter", "keep", "sew", "sew/samples", "cut", "lay")


def test_an_address_that_takes_a_form_leads_to_the_page_of_the_form_when_it_is_opened_again(house):
    """A tab that the browser restores, or a page loaded again after a form was refused."""
    opened = set()
    for page in (f"/projects/1/{name}" for name in WITH_FORMS):
        for action in {form.action.split("?")[0] for form in forms(house.get(page).text) if form.action}:
            answer = house.get(action)
            assert answer.status_code == 200 and "That cannot be done" not in answer.text, action
            assert answer.url.path.split("/")[1] == action.split("/")[1], action
            opened.add(action)
    assert len(opened) > 12, opened


def test_links_of_a_page_that_was_refused_lead_on(house):
    page = house.get("/projects/1/sew").text
    step = next(form.fields for form in forms(page) if form.action.endswith("/sew/leave-out"))
    refused = house.post("/projects/1/sew/leave-out", data={**step, "why": ""})
    assert refused.status_code == 422
    link = re.search(r'href="(\?step=[\w-]+)"', refused.text)[1]
    assert house.get(str(refused.url.join(link))).url.path == "/projects/1/sew"
