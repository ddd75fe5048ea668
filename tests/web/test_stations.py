"""The stations one by one: what is chosen is kept, what follows from it follows, and nothing is stored half."""

import re

import pytest

from rowanseed.core.make.booklet import LIKE_WORK
from rowanseed.jobs import searches as jobs

pytestmark = pytest.mark.slow


def _words(page, station):
    """What a station says of itself on the stitched line."""
    return re.search(rf"<b>{station}</b> <span class=\"words\">([^<]*)</span>", page.text)[1]


def test_the_line_says_at_every_station_what_there_is_to_settle(house):
    page = house.get("/projects/3/fit")
    assert [_words(page, s) for s in ("Fit", "Cloth", "Lay", "Cut", "Sew", "Keep")] == [
        "choose the size",
        "choose the interfacing",
        "keep a layout",
        "to come",
        "to come",
        "to come",
    ]
    assert "for Ysolde Marrick, alto" in page.text


def test_the_address_of_a_project_leads_to_its_next_station(house):
    assert house.get("/projects/3", follow_redirects=False).headers["location"] == "/projects/3/fit"
    assert house.get("/projects/1", follow_redirects=False).headers["location"] == "/projects/1/sew"


def test_new_measurements_make_the_project_say_so(house):
    house.post("/people/1", data={"name": "Ysolde", "age": "adult", "waist": "79", "hip": "101.5"})
    assert _words(house.get("/projects/1/fit"), "Fit") == "measured again since"
    house.post("/projects/1/fit", data={"size": "16"})
    assert _words(house.get("/projects/1/fit"), "Fit") == "size 16"


def test_an_overlocker_changes_the_making_order_of_every_project(house):
    before = house.get("/projects/1/sew").text
    house.post("/household", data={"units": "metric", "overlock_threads": "3"})
    after = house.get("/projects/1/sew").text
    assert '<span class="bench">overlocker</span>' in after
    assert '<span class="bench">overlocker</span>' not in before


def test_a_hem_by_hand_is_sewn_by_hand(house):
    house.post("/household", data={"units": "metric", "hem_by_hand": "on"})
    assert "Sew the hem by hand" in house.get("/projects/1/sew?step=sew-hem").text


def test_inches_are_read_and_shown_in_an_imperial_house(house):
    house.post("/household/units", data={"units": "imperial"})
    house.post("/projects/1/fit/alter", data={"what": "length:skirt-length:", "way": "more", "by": "1 1/2"})
    page = house.get("/projects/1/fit/alter").text
    assert "+1 1/2 in" in page
    assert " cm" not in re.sub(r"<p class=\"hint\".*?</p>", "", page)


def test_the_cloth_station_sums_up_and_asks_for_what_is_missing(house):
    page = house.get("/projects/1/cloth").text
    assert "It will do" in page
    assert "÷ (1 − shrinkage along the grain)" in page
    assert "The envelope says 2.35 m for 112 cm, with nap" in page


def test_cloth_that_is_too_short_says_by_how_much(house):
    form = {
        "name": "Scrap",
        "width": "140",
        "length": "80 cm",
        "selvedge": "1",
        "direction": "one-way",
        "fibre": "cotton",
        "shrink_along": "0",
        "shrink_across": "0",
        "colour": "#4a6078",
        "surface": "plain",
    }
    house.post("/cloths/new", data=form)
    shelf = house.get("/projects/1/cloth").text
    number = re.search(r'<option value="(\d+)"[^>]*>Scrap', shelf)[1]
    house.post("/projects/1/cloth", data={"cloth-main": number})
    house.get("/projects/1/cloth/worked-out")
    page = house.get("/projects/1/cloth")
    assert re.search(r"Short by 0\.\d\d m", page.text)
    assert _words(page, "Cloth").startswith("short by")


def test_cloth_that_is_too_narrow_says_which_piece_and_what_to_do(house):
    form = {
        "name": "Ribbon",
        "width": "15",
        "length": "",
        "selvedge": "",
        "direction": "two-way",
        "fibre": "cotton",
        "shrink_along": "0",
        "shrink_across": "0",
        "colour": "#4a6078",
        "surface": "plain",
    }
    house.post("/cloths/new", data=form)
    number = re.search(r'<option value="(\d+)"[^>]*>Ribbon', house.get("/projects/1/cloth").text)[1]
    house.post("/projects/1/cloth", data={"cloth-main": number})
    house.get("/projects/1/cloth/worked-out")
    page = house.get("/projects/1/cloth").text
    assert "cannot be laid on this cloth" in page
    assert re.search(
        r"“Centre front gore” is [\d.]+ cm wide across the cloth and there are 1[35] cm to lay it on", page
    )
    assert "What may help: a seam where a piece lay on the fold." in page
    house.post("/household/units", data={"units": "imperial"})
    assert re.search(r"gore” is \d+ \d/\d+ in wide across the cloth", house.get("/projects/1/lay").text)


def test_a_kept_lay_can_be_let_go_and_another_kept(house):
    house.post("/projects/1/lay", data={"role": "main", "lay": "folded", "release": "yes"})
    assert _words(house.get("/projects/1/lay"), "Lay") == "keep a layout"
    house.post("/projects/1/lay", data={"role": "main", "lay": "open", "keep": "yes"})
    page = house.get("/projects/1/lay").text
    assert "this layout is kept" in page and "open, one layer" in page


def test_searching_longer_waits_in_the_queue_and_the_page_shows_that(house, monkeypatch):
    monkeypatch.setattr(jobs.queue, "enqueue", lambda task: None)
    house.post("/projects/1/lays/tighten", data={"role": "main"})
    page = house.get("/projects/1/lay").text
    assert "Laying the pieces out" in page and "take the shortest so far" in page
    assert house.post("/projects/1/lays/stop", data={}, follow_redirects=False).status_code == 303


def test_a_longer_search_is_thrown_away_and_what_there_was_stays(house, monkeypatch):
    before = re.findall(r"<b>([^<]+)</b>", house.get("/projects/1/lay").text)
    monkeypatch.setattr(jobs.queue, "enqueue", lambda task: None)
    house.post("/projects/1/lays/tighten", data={"role": "main"})
    assert "Stop, and keep to what there was" in house.get("/projects/1/lay").text
    house.post("/projects/1/lays/stop", data={"throw": "yes"})
    page = house.get("/projects/1/lay").text
    assert "Laying the pieces out" not in page and re.findall(r"<b>([^<]+)</b>", page) == before
    # Where there is nothing yet, there is nothing to keep to.
    house.post("/projects/3/fit", data={"size": "12"})
    house.post("/projects/3/lays/again", data={"station": "lay"})
    assert "keep to what there was" not in house.get("/projects/3/lay").text


def test_a_search_that_is_done_is_told_by_the_stream_and_kept(house, monkeypatch):
    monkeypatch.setattr(jobs.queue, "immediate", True)
    house.post("/projects/3/fit", data={"size": "12"})
    with house.stream("GET", "/projects/3/lays/events") as stream:
        told = stream.read().decode()
    assert told.rstrip().endswith("event: done\ndata: {}")
    page = house.get("/projects/3/lay").text
    assert 'class="lay"' in page


def test_ticks_are_kept_and_undone(house):
    house.post("/projects/2/sew", data={"key": "sample-stitch", "done": "yes"})
    assert "1 of 44 steps done" in house.get("/projects/2/sew").text
    house.post("/projects/2/sew", data={"key": "sample-stitch", "done": "no"})
    assert "0 of 44 steps done" in house.get("/projects/2/sew").text


def test_a_note_is_kept_as_written_and_can_be_thrown_away(house):
    house.post("/projects/2/keep/notes", data={"text": "First line\nsecond <line>"})
    page = house.get("/projects/2/keep").text
    assert "First line second &lt;line&gt;" in page
    number = re.search(r"/keep/notes/(\d+)/remove", page)[1]
    house.post(f"/projects/2/keep/notes/{number}/remove")
    assert "First line" not in house.get("/projects/2/keep").text


@pytest.mark.parametrize(
    ("used", "day", "said"),
    [
        ("much", "2026-11-01", "not a length"),
        ("1,5 m", "soon", "Choose a day"),
        ("", "2026-11-01", "A length is needed"),
    ],
)
def test_cloth_used_is_refused_at_its_field(house, used, day, said):
    answer = house.post("/projects/1/keep/used/main", data={"used": used, "used_on": day})
    assert answer.status_code == 422
    assert said in answer.text
    assert f'value="{used}"' in answer.text


def test_cloth_used_stands_beside_the_plan(house):
    house.post("/projects/1/keep/used/main", data={"used": "1,6", "used_on": "2026-11-01"})
    assert re.search(r"used 1\.60 m, 0\.\d\d m more", house.get("/projects/1/keep").text)


@pytest.mark.parametrize(
    ("form", "said"),
    [
        ({"person": "", "pattern": "1"}, "Choose who it is for."),
        ({"person": "1", "pattern": ""}, "Choose the pattern."),
        ({"person": "1", "pattern": "99999999999999"}, "Choose the pattern."),
        ({"person": "1", "pattern": "1", "cloth": "77"}, "Choose one of the cloths"),
    ],
)
def test_a_project_is_not_started_half(house, form, said):
    before = house.get("/").text.count("project-card")
    answer = house.post("/projects/new", data=form)
    assert answer.status_code == 422
    assert said in answer.text
    assert house.get("/").text.count("project-card") == before


def test_a_fold_that_is_off_the_grain_is_refused_where_it_was_chosen(house):
    svg = (
        b'<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="600mm" viewBox="0 0 600 600">'
        b'<path id="wedge" d="M20 20 H300 L400 500 H100 Z"/></svg>'
    )
    answer = house.post("/patterns/new", files={"file": ("w.svg", svg)}, follow_redirects=False)
    place = answer.headers["location"]
    form = {
        "name": "Wedge",
        "use-0": "yes",
        "count-0": "1",
        "fold-0": "edge-1",
        "role-0": "main",
        "grain-0": "lengthwise",
    }
    refused = house.post(place, data=form)
    assert refused.status_code == 422
    assert "cannot lie on the fold" in refused.text
    assert house.post(place, data={**form, "fold-0": ""}, follow_redirects=False).status_code == 303
    assert house.get(place).status_code == 404


def test_one_outline_is_cut_from_several_cloths(house):
    """A facing from the garment's cloth, its interfacing and the lining: one tissue, three layouts."""
    svg = (
        b'<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="600mm" viewBox="0 0 600 600">'
        b'<path id="facing" d="M20 20 H300 V80 H20 Z"/></svg>'
    )
    place = house.post("/patterns/new", files={"file": ("f.svg", svg)}, follow_redirects=False).headers["location"]
    assert "and the same from" in house.get(place).text
    form = {
        "name": "Facing",
        "use-0": "yes",
        "count-0": "2",
        "pair-0": "yes",
        "role-0": "main",
        "grain-0": "lengthwise",
    }
    form |= {"also-0-interfacing": "yes", "also-0-lining": "yes"}
    made = house.post(place, data=form, follow_redirects=False).headers["location"]
    page = house.get(made).text
    assert all(f"{role}: 2 in pairs" in page for role in ("main", "interfacing", "lining"))
    cuts = house.get(f"{made}/document.json").json()["pieces"][0]["cuts"]
    assert [(c["role"], c["count"], c["pair"]) for c in cuts] == [
        ("main", 2, True),
        ("lining", 2, True),
        ("interfacing", 2, True),
    ]


@pytest.mark.parametrize(("choice", "role"), [("underlined", "underlining"), ("fused", "interfacing")])
def test_a_second_layer_of_a_drawing_is_really_cut(house, choice, role):
    """No outline of a drawing is named a front or a back: all of them are cut once more, and said so by name."""
    svg = (
        b'<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="600mm" viewBox="0 0 600 600">'
        b'<path id="panel" d="M20 20 H300 V400 H20 Z"/></svg>'
    )
    place = house.post("/patterns/new", files={"file": ("f.svg", svg)}, follow_redirects=False).headers["location"]
    form = {"name": "Apron", "use-0": "yes", "count-0": "2", "role-0": "main", "grain-0": "lengthwise"}
    pattern = house.post(place, data=form, follow_redirects=False).headers["location"].rpartition("/")[2]
    start = {"person": "1", "pattern": pattern, "cloth": "1", "name": "Apron"}
    project = house.post("/projects/new", data=start, follow_redirects=False).headers["location"].split("/")[2]
    house.post(f"/projects/{project}/fit", data={"size": "as drawn"})
    page = house.post(f"/projects/{project}/cloth/layers", data={choice: "yes"}).text
    assert "1 piece has a second layer" in page and f"Cut once more from the {role}" in page
    assert f"choose the {role}" in house.get(f"/projects/{project}/cloth").text.lower()


def test_a_chart_is_given_for_every_size_or_for_none(house):
    svg = (
        b'<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="600mm" viewBox="0 0 600 600">'
        b'<g id="size-S"><rect id="a-S" width="90" height="300"/></g><g id="size-L"><rect id="a-L" width="100" '
        b'height="320"/></g></svg>'
    )
    place = house.post("/patterns/new", files={"file": ("w.svg", svg)}, follow_redirects=False).headers["location"]
    form = {
        "name": "Band",
        "use-0": "yes",
        "count-0": "1",
        "role-0": "main",
        "grain-0": "lengthwise",
        "chart-hip-0": "96",
    }
    assert "Give this measure for every size, or for none." in house.post(place, data=form).text
    falling = house.post(place, data={**form, "chart-hip-1": "90"})
    assert "is less than that of size" in falling.text


# ---------------------------------------------------------------- other ways of sewing it


def test_another_way_says_what_it_changes_before_it_is_taken_and_can_be_taken_back(house):
    page = house.get("/projects/1/sew/ways?part=front-seams&technique=french").text
    assert "First row, wrong sides together" in page and "Neaten the edges: side front seams" in page
    assert "more stitching" in page and "less to neaten" in page
    before = house.get("/projects/1/sew").text
    house.post("/projects/1/sew/ways", data={"part": "front-seams", "technique": "french"})
    after = house.get("/projects/1/sew").text
    assert "First row, wrong sides together" in after and "First row" not in before
    assert "your choice, not the usual" in house.get("/projects/1/sew/ways").text
    house.post("/projects/1/sew/ways", data={"part": "front-seams", "technique": "plain"})
    assert "First row" not in house.get("/projects/1/sew").text
    assert "your choice, not the usual" not in house.get("/projects/1/sew/ways").text


def test_another_hem_says_what_is_cut_otherwise_before_it_is_taken(house):
    page = house.get("/projects/2/sew/ways?part=hem&technique=rolled-hem").text
    assert "Cut otherwise, and laid otherwise: Centre front gore, hem with 0.6 cm instead of 3 cm" in page
    assert "The pieces stay as they are." in house.get("/projects/2/sew/ways?part=hem&technique=hem-by-hand").text


def test_what_stands_elsewhere_than_in_the_booklet_is_listed_until_its_order_is_kept(house):
    page = house.get("/projects/2/sew").text
    assert "elsewhere than in your booklet" in page and "Your booklet has this as step" in page
    house.post("/household", data={"units": "metric", "zigzag": "on", "by_booklet": "on"})
    assert LIKE_WORK in page and LIKE_WORK not in house.get("/projects/2/sew").text


def test_pieces_that_are_cut_stay_as_they_are_whatever_hem_is_chosen(house):
    """The first project's pieces are cut; a hem that takes less leaves them done, and says what to cut off."""
    assert "Pieces are cut already" in house.get("/projects/1/sew/ways?part=hem&technique=rolled-hem").text
    house.post("/projects/1/sew/ways", data={"part": "hem", "technique": "rolled-hem"})
    assert "is cut in another size" not in house.get("/projects/1/cut").text
    page = house.get("/projects/1/sew?step=trim-hem").text
    assert "cut 2.4 cm of it off" in page


def test_what_is_cut_to_the_measure_besides_is_not_passed_over_by_the_making_order(house):
    assert "every step has what it needs" in house.get("/projects/1/sew").text
    sash = {"kind": "tie", "name": "sash", "long": "90 cm", "wide": "4 cm", "count": "1", "role": "main"}
    house.post("/projects/1/cloth/extras/strips", data=sash)
    page = house.get("/projects/1/sew").text
    assert "Nothing here says where “sash” goes" in page and "every step has what it needs" not in page


def test_ticks_stay_where_another_way_is_taken(house):
    house.post("/projects/1/sew", data={"key": "sew-front-seams", "done": "yes", "also": "yes"})
    house.post("/projects/1/sew/ways", data={"part": "hem", "technique": "hem-by-hand"})
    page = house.get("/projects/1/sew?step=sew-front-seams").text
    assert "Not done after all" in page


def test_a_way_that_is_none_is_not_there(house):
    for data in ({"part": "front-seams", "technique": "glue"}, {"part": "x", "technique": "plain"}, {}):
        assert house.post("/projects/1/sew/ways", data=data).status_code == 404


def test_the_household_asks_what_it_sews_with(house):
    everything = {
        "units": "metric",
        "overlock_threads": "4",
        "differential": "on",
        "zigzag": "on",
        "foot-walking": "on",
    }
    house.post("/household", data=everything | {"try_on": "sewn", "seam_finish": "pinked", "stay": "edge"})
    page = house.get("/household").text
    assert re.search(r'id="foot-walking"\s+checked', page) and 'value="pinked" selected' in page
    assert "With pinking shears" in house.get("/projects/1/sew?step=neaten-front-seams").text
    house.post("/household", data={"units": "metric", "by_hand_only": "on", "overlock_threads": "9", "stay": "?"})
    page = house.get("/projects/1/sew").text
    assert '<span class="bench">machine</span>' not in page


def test_seams_are_shown_as_they_will_look_sewn_with_what_the_print_misses_by(house):
    house.get("/projects/4/lay/worked-out")
    page = house.get("/projects/4/lay/sewn").text
    assert "The print meets at every seam shown" in page and page.count('class="sewn"') == 3
    assert "Matching takes" in page
    house.get("/projects/1/lay/worked-out")
    sprigs = house.get("/projects/1/lay/sewn").text
    assert "misses by" in sprigs or "No print to match" in sprigs or "nothing repeats" in sprigs
    assert house.get("/projects/7/lay/sewn").url.path == "/projects/7/lay", "there is no layout yet"


def test_a_zip_of_another_kind_is_tried_taken_and_bought(house):
    """The kind of zip is a choice like any other; why a French seam does not suit stands beside it."""
    page = " ".join(house.get("/projects/2/sew/ways?part=zip&technique=centred-zip").text.split())
    assert "to buy: Centred zip" in page and "no longer: Invisible zip" in page
    page_of_seam = " ".join(house.get("/projects/2/sew/ways?part=centre-back").text.split())
    assert "Double-stitched seam, Flat-felled seam, French seam" in page_of_seam
    assert "<small>a zip lies in it</small>" in page_of_seam
    house.post("/projects/2/sew/ways", data={"part": "zip", "technique": "centred-zip"})
    page = " ".join(house.get("/projects/2/sew/ways").text.split())
    assert '<b>Centred zip</b> <span class="tag">your choice, not the usual' in page
    assert "Centred zip" in house.get("/shopping").text
    steps = house.get("/projects/2/sew").text
    assert "Baste in the zip" in steps and "Press the zip" not in steps
    house.post("/projects/2/sew/ways", data={"part": "zip", "technique": "invisible-zip"})
    assert "your choice, not the usual" not in house.get("/projects/2/sew/ways").text


def test_a_project_s_name_is_not_said_twice_at_its_head(house):
    def head(project):
        return re.search(r'<div class="project-head">.*?</div>', house.get(f"/projects/{project}/keep").text, re.S)[0]

    who = "Ysolde Marrick, alto"
    assert f"<p>for {who} · size" in head(1)
    house.post("/projects/1/keep/name", data={"name": f"Skirt for {who}"})
    assert head(1).count(who) == 1
