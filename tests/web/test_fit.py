"""The Fit station's pages: schools side by side, a wish kept, alterations added, reordered, taken out, seams
settled."""

import re
from dataclasses import replace

import pytest

from rowanseed.core.body.measures import MEASURES
from rowanseed.demo.overshirt import draft
from rowanseed.formats.pattern_json import write_pattern

from ..core.pieces import gathered_skirt, unlike_shoulders

pytestmark = pytest.mark.slow


def _page(house, path="", project=4):
    answer = house.get(f"/projects/{project}/fit{path}")
    assert answer.status_code == 200
    return answer.text


def _listed(house, project=4):
    """The alterations as they stand on the list, in order."""
    return re.findall(r"<h2>\d\. ([^<]*?) <span", _page(house, "/alter", project))


def _lines(house, project):
    """The ids of the alterations on the list, in order."""
    return re.findall(r'name="line" value="([^"]+)"', _page(house, "/alter", project))


def _alter(house, what, by, way="more", project=2):
    return house.post(f"/projects/{project}/fit/alter", data={"what": what, "way": way, "by": by})


def test_all_schools_stand_side_by_side_with_their_reasons(house):
    page = _page(house)
    for name in (
        "By the chart",
        "By the high bust",
        "By the ease wanted",
        "Between sizes",
        "As outerwear",
        "Made to measure",
    ):
        assert name in page
    assert "A full-bust adjustment of 5 cm makes up for it." in page
    assert "only straight ones are cut from" in page


def test_a_school_is_taken_with_its_alterations_and_left_again_without_them(house):
    house.post("/projects/4/fit/school", data={"school": "between"})
    page = _page(house)
    assert "Size 16, blended" in page
    assert _listed(house) == ["Body length: longer"]
    house.post("/projects/4/fit/school", data={"school": "high-bust", "reason": "neck fits"})
    assert _listed(house) == ["Bust: full-bust adjustment", "Body length: longer"]
    assert "Taken by the high bust: neck fits" in _page(house)


def test_a_reason_is_added_to_a_school_without_leaving_it(house):
    house.post("/projects/4/fit", data={"size": "14", "reason": "her back is narrow"})
    assert "Taken by the high bust: her back is narrow" in _page(house)
    house.post("/projects/1/fit", data={"size": "16", "reason": "for a thick blouse"})
    assert "Your own choice: for a thick blouse" in _page(house, project=1)


def test_ones_own_size_leaves_what_a_school_altered_but_keeps_what_she_altered_herself(house):
    house.post("/projects/4/fit/school", data={"school": "high-bust"})
    brought, hers = _listed(house)
    assert (brought, hers) == ("Bust: full-bust adjustment", "Body length: longer")
    house.post("/projects/4/fit", data={"size": "18", "reason": "her last one was tight"})
    assert _listed(house) == [hers]
    assert "Your own choice: her last one was tight" in _page(house)


def test_altering_what_is_only_recommended_takes_the_recommendation(house):
    """Nothing is chosen yet; whoever starts to alter has settled for the size she was shown."""
    house.post("/people/3/measure?project=5&step=0", data={"value": "104"})
    shown = re.search(r"Size (\w+)", _page(house, project=5))[1]
    assert _alter(house, "hem::", "1 cm", "less", project=5).status_code == 200
    page = _page(house, project=5)
    assert f"Size {shown}" in page and "Taken" in page


def test_rectangles_brought_by_hand_are_cut_to_the_measure(house):
    """(hip 101 + 5.08) ÷ 2 + 2 × 1.5 cm = 56.04 cm, worked by hand."""
    house.post("/patterns/new", files={"file": ("gathered.json", write_pattern(gathered_skirt()).encode())})
    number = re.findall(r'href="/patterns/(\d+)"[^>]*>[^<]*Gathered', house.get("/").text)[0]
    house.post("/projects/new", data={"pattern": number, "person": "1", "name": "Gathered", "view": "A"})
    id = max(int(n) for n in re.findall(r'href="/projects/(\d+)"', house.get("/").text))
    page = _page(house, project=id)
    assert "Made to measure" in page and "56" in page


def test_a_child_in_a_grown_ups_pattern_is_told_so(house):
    child = {"name": "Pia", "age": "child", "waist": "60 cm", "hip": "72 cm"}
    house.post("/people/new", data=child)
    person = re.search(r'<option value="(\d+)"[^>]*>Pia', house.get("/projects/new?pattern=1").text)[1]
    house.post("/projects/new", data={"pattern": "1", "person": person, "name": "Small skirt", "view": "A"})
    id = max(int(n) for n in re.findall(r'href="/projects/(\d+)"', house.get("/").text))
    assert "Pia is a child: proportions differ" in _page(house, project=id)
    assert "proportions differ" not in _page(house, project=1)


def test_a_school_without_a_size_is_refused(house):
    answer = house.post("/projects/4/fit/school", data={"school": "to-measure"})
    assert answer.status_code == 422 and "no size for you here" in answer.text


def test_ones_own_size_with_another_at_the_hip(house):
    house.post("/projects/6/fit", data={"size": "L", "blend-hip": "XL", "reason": "he likes it loose"})
    page = _page(house, project=6)
    assert "Size L, blended" in page and "Your own choice: he likes it loose" in page
    assert "line XL at the hip" in _page(house, "/tissue", 6)


def test_what_is_wanted_changes_the_verdicts(house):
    page = house.post("/projects/1/fit/wish", data={"fit": "close", "over": "nothing", "stretch": "10 %"}).text
    assert "roomier at the hip than wanted" in page
    own = {"fit": "as-drawn", "over": "nothing", "least-hip": "6 cm", "most-hip": "9 cm"}
    page = house.post("/projects/1/fit/wish", data=own).text
    assert 'value="6 cm"' in page and "roomier" not in page


@pytest.mark.parametrize(
    ("typed", "said"),
    [
        ({"least-hip": "9", "most-hip": "6"}, "Write both, the least first."),
        ({"least-hip": "9"}, "Write both, the least first."),
        ({"least-hip": "a lot", "most-hip": "6"}, "not a length"),
        ({"stretch": "much"}, "as a share"),
    ],
)
def test_a_wish_that_cannot_be_read_is_told_at_its_field(house, typed, said):
    answer = house.post("/projects/1/fit/wish", data={"fit": "as-drawn", "over": "nothing", **typed})
    assert answer.status_code == 422 and said in answer.text
    assert all(f'value="{value}"' in answer.text for value in typed.values())


def test_an_alteration_tells_what_it_touches_and_why(house):
    page = _alter(house, "seam:side-seams:waist", "4 cm", "less").text
    assert "1 alteration, 4 pieces changed" in page
    assert "its upper edge is sewn to “Centre front gore”" in page
    assert "Side seams, at the waist: taken in" in page
    assert "−4 cm" in re.search(r"What it does to the garment.*?</table>", page, re.S)[0]


def test_alterations_are_reordered_and_taken_out(house):
    _alter(house, "hem::", "2 cm")
    _alter(house, "seam:side-seams:", "2 cm", "less")

    assert _listed(house, 2) == ["Length at the hem: longer", "Side seams: taken in"]
    house.post("/projects/2/fit/alter/order", data={"line": _lines(house, 2)[1], "do": "up"})
    assert _listed(house, 2) == ["Side seams: taken in", "Length at the hem: longer"]
    house.post("/projects/2/fit/alter/order", data={"line": _lines(house, 2)[0], "do": "out"})
    assert _listed(house, 2) == ["Length at the hem: longer"]
    assert house.post("/projects/2/fit/alter/order", data={"number": "7", "do": "out"}).status_code == 404


def test_an_alteration_is_taken_out_where_another_garment_is_altered_alike(house):
    """What is carried out alike is remembered once for both; each keeps its own lines."""
    _alter(house, "hem::", "2 cm")
    house.post("/projects/new", data={"pattern": "1", "person": "1", "name": "Its twin", "view": "A"})
    twin = max(int(n) for n in re.findall(r'href="/projects/(\d+)"', house.get("/").text))
    size = re.search(r"size (\w+)", _page(house, "/alter", 2))[1]
    house.post(f"/projects/{twin}/fit", data={"size": size})
    house.post("/projects/2/fit", data={"size": size})
    _alter(house, "hem::", "2 cm", project=twin)
    assert _listed(house, twin) == _listed(house, 2) == ["Length at the hem: longer"]
    for project in (2, twin):
        (line,) = _lines(house, project)
        assert house.post(f"/projects/{project}/fit/alter/order", data={"line": line, "do": "out"}).status_code == 200
        assert _listed(house, project) == []


@pytest.mark.parametrize(
    ("what", "by", "way", "said"),
    [
        ("elbow::", "2", "more", "Choose what to alter."),
        ("hem::", "", "more", "A length is needed"),
        ("hem::", "2.5 m", "less", "cannot be shortened"),
        ("seam:centre-back:", "19.9 cm", "less", "crosses itself|cannot be taken in"),
    ],
)
def test_what_cannot_be_altered_is_said_at_the_field_and_nothing_is_kept(house, what, by, way, said):
    answer = _alter(house, what, by, way)
    assert answer.status_code == 422 and re.search(said, answer.text)
    assert "As drawn, size 10" in _page(house, "/alter", 2)


def test_alterations_made_in_another_size_are_not_kept_without_a_word(house):
    """They start from other lines there: said on the page of the size and on theirs, until it is looked at."""
    house.post("/projects/2/fit", data={"size": "14"})
    _alter(house, "hem::", "2 cm")
    assert "made in size" not in _page(house, "", 2)
    house.post("/projects/2/fit", data={"size": "16"})
    for page in ("", "/alter"):
        assert "1 alteration was made in size 14." in _page(house, page, 2)
    house.post("/projects/2/fit/alter/looked")
    assert "made in size" not in _page(house, "", 2) and "made in size" not in _page(house, "/alter", 2)
    house.post("/projects/2/fit", data={"size": "14"})
    assert "made in size 16" in _page(house, "/alter", 2)


def test_taking_back_an_alteration_is_called_so(house):
    _alter(house, "hem::", "2 cm")
    assert "takes back" in _alter(house, "hem::", "1 cm", "less").text


def test_a_broken_seam_is_an_alarm_until_it_is_said_to_be_meant(house):
    pattern = replace(unlike_shoulders(draft()), name="Unlike shirt")
    house.post("/patterns/new", files={"file": ("unlike.json", write_pattern(pattern).encode())})
    number = re.findall(r'href="/patterns/(\d+)"[^>]*>[^<]*Unlike', house.get("/").text)[0]
    house.post("/projects/new", data={"pattern": number, "person": "1", "name": "Unlike", "view": "A"})
    id = max(int(n) for n in re.findall(r'href="/projects/(\d+)"', house.get("/").text))
    house.post(f"/projects/{id}/fit", data={"size": "L"})
    assert "2 seams do not meet" in _page(house, "/seams", id), "outside and inside"
    assert "a seam does not meet" in house.get(f"/projects/{id}/cut").text
    house.get(f"/projects/{id}/lay/worked-out")
    assert "Settle it" in house.get(f"/projects/{id}/lay").text
    for seam in ("shoulders", "shoulders-inside"):
        house.post(f"/projects/{id}/fit/seams/{seam}", data={"accept": "yes"})
    assert "Meant so, you said." in _page(house, "/seams", id)
    assert "a seam does not meet" not in house.get(f"/projects/{id}/cut").text
    # Another alteration changes the difference, and it is asked about again.
    _alter(house, "shoulder-width::", "3 cm", project=id)
    assert "does not meet" in _page(house, "/seams", id)


def test_every_seam_is_drawn_with_its_two_edges(house):
    page = _page(house, "/seams")
    assert page.count('class="seam-drawing"') == 12
    assert "the fuller side is eased over the bust" in page
    assert page.count("<b>Underneath:</b>") == 4


def test_lessons_and_earlier_alterations_are_offered_and_taken_over(house):
    page = _page(house, "/alter", 3)
    assert "From earlier garments" in page
    assert "Concert skirt for the alto: gapes a little at the back" in page
    assert "Concert skirt for the alto: done on this pattern" in page
    house.post("/projects/3/fit", data={"size": "14"})
    key = re.search(r'name="again" value="(seam[^"]*)"', page)[1]
    after = house.post("/projects/3/fit/alter/again", data={"again": key}).text
    assert "1. Side seams, at the waist: taken in" in after
    assert house.post("/projects/3/fit/alter/again", data={"again": "seam:x:y:1"}).status_code == 404


def test_what_to_alter_next_time_is_written_down_at_the_end(house):
    page = house.post(
        "/projects/2/keep/lessons", data={"what": "hem::", "way": "less", "by": "1 cm", "said": "trips on it"}
    ).text
    assert "Length at the hem: shorter 1 cm" in page and "trips on it" in page
    number = re.search(r"/keep/lessons/(\d+)/remove", page)[1]
    assert "trips on it" not in house.post(f"/projects/2/keep/lessons/{number}/remove").text
    assert house.post("/projects/2/keep/lessons", data={"what": "x::", "way": "less", "by": "1"}).status_code == 422


# ---------------------------------------------------------------- measuring


def test_the_guide_shows_every_measurement_for_adult_and_child(house):
    for age in ("adult", "child"):
        page = house.get(f"/measuring?age={age}").text
        assert page.count('class="figure-drawing"') == len(MEASURES)
    assert house.get("/measuring?age=adult").text != page


def test_measuring_step_by_step_asks_only_what_the_pattern_needs(house):
    first = house.get("/people/3/measure?project=5").text
    assert "1 of 5" in first and ">Hip<" in first
    for step in range(4):
        house.post(f"/people/3/measure?project=5&step={step}", data={"value": "104" if step == 0 else ""})
    assert 'value="104 cm"' in house.get("/people/3").text


def test_a_doubtful_figure_is_asked_about_and_then_believed(house):
    asked = house.post("/people/3/measure?project=5&step=0", data={"value": "41"})
    assert "Was it measured in inches?" in asked.text
    house.post("/people/3/measure?project=5&step=0", data={"value": "41", "confirmed": "41"})
    assert 'value="41 cm"' in house.get("/people/3").text
    assert house.post("/people/3/measure?step=1", data={"value": "wide"}).status_code == 422


def test_sets_have_a_history_and_say_who_used_them(house):
    page = house.get("/people/1").text
    assert "How they have changed" in page and "14 Mar 2026" in page
    assert "used by" in page and "Concert skirt for the alto" in page


def test_the_tissue_of_a_size_that_is_not_chosen_yet_is_told_as_recommended(house):
    """Only what is altered is walked and marked as altered."""
    page = house.get("/projects/3/fit/tissue").text
    assert "Nothing to alter on the tissue" in page and "Walk the altered seams" not in page
    assert re.search(r"Cut size 14,\s+as recommended until you choose one", page)
    page = house.get("/projects/1/fit/tissue").text
    assert "as recommended" not in page and "Walk the altered seams" in page
