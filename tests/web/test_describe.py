"""The pages that bring a garment: describe, measure the tissue, cut to the measure, bind a drawing."""

import html
import json
import re
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from rowanseed.core.compose.own_measure import OwnKind
from rowanseed.core.pattern.seamline import line_length, lines
from rowanseed.formats.pattern_json import read_pattern

from .forms import forms

SAMPLES = sorted(Path("tests/outside/descriptions").glob("*.json"))
DRESS = {
    "name": "Choir dress",
    "house": "Larkmoor Patterns",
    "code": "L 140",
    "garment": "dress",
    "figure": "women",
    "cloth": "woven",
    "runs": "small",
    "allowance": "1.5",
    "body_chart": "size 10 12 14\nbust 83 87 92\nwaist 64 68 73\nhip 88 92 97",
    "finished": "size 10 12 14\nbust 90 94 99",
    "yardage": "115 cm 2.60 2.70 2.80 m",
    "notions": "invisible zip, 56 cm\nhook and eye",
    "features.front.centre": "fold",
    "features.front.shaping.princess from armhole": "on",
    "features.back.centre": "seam",
    "features.opening.where": "back",
    "features.opening.kind": "invisible zip",
    "features.opening.length": "56",
    "features.neck.shape": "round",
    "features.hem.kind": "turned",
    "features.trim.0.kind": "piping",
    "features.trim.0.along": "neck",
}


def pattern_of(house, url):
    return read_pattern(house.get(f"{url}/document.json").content)


def described(house, **more):
    return _described(house, {**DRESS, **more})


def _described(house, said):
    answer = house.post("/patterns/describe", data=said, follow_redirects=False)
    assert answer.status_code == 303, _said(answer.text)
    return answer.headers["location"]


def _said(page):
    return re.findall(r'id="said-[^"]*">([^<]*)<', page)


# ---------------------------------------------------------------- describe


def test_a_garment_is_described_and_every_station_has_it(house):
    url = described(house)
    pattern = pattern_of(house, url)
    assert {"front", "side-front", "back"} <= {p.id for p in pattern.pieces}
    assert pattern.envelope.sizes == ("10", "12", "14") and pattern.envelope.finished["A"]["bust"]["12"] == 940
    assert [n.what for n in pattern.envelope.notions] == ["invisible zip", "hook and eye"]
    id = int(url.rsplit("/", 1)[1])
    made = house.post("/projects/new", data={"name": "It", "person": "1", "pattern": str(id)}, follow_redirects=False)
    project = made.headers["location"].rsplit("/", 1)[0]
    fit = house.get(f"{project}/fit").text
    assert "Its house is said to run small" in fit
    assert house.get(f"{project}/sew").status_code == 200


def test_the_look_follows_every_choice_and_says_what_cannot_be_at_its_field(house):
    plain = house.get("/patterns/describe/look", params=DRESS).text
    other = house.get("/patterns/describe/look", params={**DRESS, "features.sleeve.kind": "raglan"}).text
    assert "<svg" in plain and plain != other
    wrong = house.get("/patterns/describe/look", params={**DRESS, "features.back.centre": "fold"}).text
    assert "needs a seam there: the back is cut on the fold" in wrong and "<svg" in wrong


@pytest.mark.parametrize(
    ("change", "field", "why"),
    [
        ({"features.back.centre": "fold"}, "features.opening.kind", "the back is cut on the fold"),
        ({"body_chart": "size 10 12 14\nbust 83 87"}, "body_chart", "2 figures for 3 sizes"),
        ({"finished": "size 10 12 14\nbust 80 84 90"}, "finished", "smaller than the body"),
        ({"body_chart": "size 10 12 14\nbust 33 34 36"}, "body_chart", "cannot be right"),
        ({"allowance": "five"}, "allowance", ""),
        ({"name": ""}, "name", "Give the garment a name"),
        (
            {"features.pockets.0.kind": "in-seam", "features.pockets.0.on": "front"},
            "features.pockets.0.kind",
            "lies in the side seam",
        ),
        ({"features.straps.closed by": "ties", "features.straps.count": "9"}, "features.straps.count", ""),
        ({"views": "A\nB, longer"}, "views", "how much longer"),
        ({"views": "A\nB, 3 m longer"}, "views", "another garment"),
        ({"views": "A", "yardage": "view C\n115 cm 2.60 m"}, "yardage", "no view C"),
        ({"yardage": "115 cm 2.60"}, "yardage", ""),
    ],
)
def test_what_cannot_be_is_said_at_the_field_and_nothing_that_was_typed_is_lost(house, change, field, why):
    answer = house.post("/patterns/describe", data={**DRESS, **change})
    if field == "yardage" and not why:
        # One figure for all sizes is an envelope's habit, not a fault.
        assert answer.status_code == 200
        return
    assert answer.status_code == 422
    said = re.search(rf'id="said-{re.escape(field)}">([^<]*)<', answer.text)
    assert said and why in said[1], _said(answer.text)
    for name, value in {**DRESS, **change}.items():
        if value and name in ("house", "code", "features.opening.length"):
            assert f'value="{value}"' in answer.text
    assert "90 94 99" in answer.text or "finished" in change


def test_a_pocket_whose_place_is_left_open_lies_where_it_usually_does(house):
    in_seam = pattern_of(house, described(house, **{"features.pockets.0.kind": "in-seam", "features.pockets.0.on": ""}))
    assert any(piece.id == "pocket-bag" for piece in in_seam.pieces)
    assert "features.pockets.0" not in dict(in_seam.assumed)


def test_the_envelopes_views_are_chosen_from_and_each_has_its_own_length_and_yardage(house):
    views = {"views": "A\nB: with a tie, 20 cm longer", "yardage": "view A\n115 cm 2.60 m\nview B\n115 cm 3 m"}
    url = described(house, **views)
    document = json.loads(house.get(f"{url}/document.json").content)
    envelope = document["envelope"]
    assert [(v["id"], v["name"], v["below"]) for v in envelope["views"]] == [
        ("A", "As described", 0.0),
        ("B", "with a tie", 200.0),
    ]
    long = {view: rows["length"]["12"] for view, rows in envelope["finished"].items()}
    assert long["B"] == pytest.approx(long["A"] + 200.0)
    assert {line["length"] for line in envelope["yardage"] if line["view"] == "B"} == {3000.0}
    page = house.get(f"{url}/describe").text
    assert "B: with a tie, 20 cm longer" in page and "view B" in page and "cut alike but for their length" in page


def test_a_project_begins_with_the_lining_and_the_faced_hem_that_were_described(house):
    layers = {"features.lining.method": "hanging free", "features.lining.of": "all", "features.hem.kind": "faced"}
    id = described(house, **layers).rsplit("/", 1)[1]
    made = house.post("/projects/new", data={"name": "It", "person": "1", "pattern": id}, follow_redirects=False)
    project = made.headers["location"].rsplit("/", 1)[0]
    house.post(f"{project}/fit", data={"size": "12"})
    page = house.get(f"{project}/cloth/layers").text
    assert re.search(r'value="whole"\s+selected', page) and re.search(r'name="faced[^>]*checked', page), page[:200]
    assert 'name="cloth-lining"' in house.get(f"{project}/cloth").text


def test_a_described_pattern_is_opened_again_and_changed_into_another_and_loses_nothing(house):
    first = described(house)
    page = house.get(f"{first}/describe").text
    of = re.search(r'name="of" value="(\d+)"', page)[1]
    for value in ("Choir dress", "L 140", "56 cm"):
        assert f'value="{value}"' in page
    second = described(house, of=of, **{"features.sleeve.kind": "set-in", "features.sleeve.length": "short"})
    one, other = (json.loads(house.get(f"{url}/description.json").content) for url in (first, second))
    assert other["features"].pop("sleeve")["length"] == "short"
    assert one == other and first != second


@pytest.mark.parametrize("path", SAMPLES, ids=lambda path: path.stem)
def test_every_sample_comes_in_goes_out_and_passes_through_the_form_unchanged(house, path):
    sent = house.post("/patterns/new", files={"file": (path.name, path.read_bytes())}, follow_redirects=False)
    assert sent.status_code == 303
    url = sent.headers["location"]
    out = json.loads(house.get(f"{url}/description.json").content)
    # As it is sent, with its line breaks.
    page = TestClient(house.app).get(f"{url}/describe").text
    again = house.post("/patterns/describe", data=_form(page), follow_redirects=False)
    assert again.status_code == 303, _said(again.text)
    same = json.loads(house.get(f"{again.headers['location']}/description.json").content)
    kinds = {id: [e["name"] for e in p["edges"]] for id, p in _pieces(house, url).items()}
    assert kinds == {id: [e["name"] for e in p["edges"]] for id, p in _pieces(house, again.headers["location"]).items()}
    for name in ("garment", "sizes", "body_chart", "finished", "notions"):
        assert same.get(name) == out.get(name), name


def _pieces(house, url):
    return {p["id"]: p for p in json.loads(house.get(f"{url}/document.json").content)["pieces"]}


def _form(page):
    """What a browser would send of the describing form as it stands."""
    form = page.split('id="describe"', 1)[1].split("</form>", 1)[0]
    data = {}
    for tag in re.findall(r"<input [^>]*>", form):
        name = re.search(r'name="([^"]*)"', tag)
        value = re.search(r'value="([^"]*)"', tag)
        if name and not ("checkbox" in tag and "checked" not in tag):
            data[name[1]] = value[1] if value else ""
    for name, body in re.findall(r'<textarea [^>]*name="([^"]*)"[^>]*>(.*?)</textarea>', form, re.S):
        data[name] = html.unescape(body)
    for name, body in re.findall(r'<select [^>]*name="([^"]*)"[^>]*>(.*?)</select>', form, re.S):
        chosen = re.search(r'<option value="([^"]*)"[^>]*selected', body) or re.search(r'<option value="([^"]*)"', body)
        data[name] = chosen[1] if chosen else ""
    return data


def test_what_is_assumed_can_be_confirmed_and_stays_so_when_it_is_opened_again(house):
    look = house.get("/patterns/describe/look", params=DRESS).text
    offered = dict(re.findall(r'name="confirmed\.([^"]*)" value="([^"]*)">', look))
    assert "features.neck.finish" in offered
    chosen = {f"confirmed.{name}": words for name, words in offered.items() if name.startswith("features")}
    url = described(house, **chosen)
    left = dict(pattern_of(house, url).assumed)
    assert left and not any(name.startswith("features") for name in left)
    page = house.get(f"{url}/describe").text
    assert re.search(r'name="confirmed.features.neck.finish" value="the neck is faced" checked', page)


def test_a_pattern_composed_before_something_was_learned_says_which_pieces_would_come_out_otherwise(house):
    url = described(house)
    assert 'id="otherwise"' not in house.get(url).text
    document = house.get(f"{url}/document.json").json()
    back = next(one for one in document["pieces"] if one["id"] == "back")
    # As an earlier draft had it: a mark elsewhere.
    mark = back["marks"][0]
    mark["distance"] = {size: mm + 7 for size, mm in mark["distance"].items()}
    sent = house.post(
        "/patterns/new", files={"file": ("p.json", json.dumps(document).encode())}, follow_redirects=False
    )
    assert sent.status_code == 303, _said(sent.text)
    page = house.get(sent.headers["location"]).text
    assert re.search(r'id="otherwise".*back would\s+come out otherwise', page, re.S)
    assert f'href="{sent.headers["location"]}/describe"' in page


def test_the_chart_s_lengths_are_what_fit_compares_the_body_s_with(house):
    chart = (
        "size 10 12 14\nbust 83 87 92\nwaist 64 68 73\nhip 88 92 97\nBack waist length 40 40.5 41\nHeight 168 168 168"
    )
    url = described(house, body_chart=chart)
    page = house.get(url).text
    assert "Back waist length" in page and "Height" in page
    typed = {
        "name": "Tall",
        "age": "adult",
        "bust": "87",
        "waist": "68",
        "hip": "92",
        "back_waist": "43",
        "height": "175",
    }
    house.post("/people/new", data={**typed, "shown_in": "metric"})
    form = house.get(f"/projects/new?pattern={url.rsplit('/', 1)[1]}").text
    who = re.search(r'<option value="(\d+)"[^>]*>Tall', form)[1]
    project = {"pattern": url.rsplit("/", 1)[1], "person": who}
    started = house.post("/projects/new", data=project, follow_redirects=False)
    assert started.status_code == 303, _said(started.text)
    fit = house.get(started.headers["location"]).text
    assert re.search(r"2\.5 cm\s+longer than the size is drawn for", fit)


def test_a_usual_chart_is_there_to_start_from(house):
    found = house.get("/patterns/describe/chart", params={"figure": "children"}).text
    assert re.search(r"size 4 6 8", found) and "bust" in found
    assert house.get("/patterns/describe/chart", params={"figure": "giants"}).status_code in (200, 404, 422)


def test_a_list_and_a_booklet_are_held_against_what_is_composed(house):
    listed = {
        "pieces": "1 Centre front: cut 1 on fold\n2 Side front: cut 2\n3 Back: cut 2\n4 Collar: cut 2",
        "booklet": "1. Stitch the princess seams\n2. Sew on the buttons",
    }
    look = house.get("/patterns/describe/look", params={**DRESS, **listed}).text
    words = re.sub(r"<[^>]+>", " ", look)
    assert "Has it a collar?" in words
    assert re.search(r"Stitch the princess seams\s+princess seams, front", words, re.IGNORECASE), words[-900:]


# ---------------------------------------------------------------- the tissue


def test_figures_are_typed_met_and_kept_and_what_disagrees_is_said_at_once(house):
    url = described(house)
    page = house.get(f"{url}/tissue").text
    assert "0 of" in page
    data = {"size": "12", "line": "stitching", "back.side": "60", "side-front.side": "63"}
    look = house.get(f"{url}/tissue/look", params=data).text
    assert "3 cm (1 1/8 in)" in look
    refused = house.post(f"{url}/tissue", data=data)
    assert refused.status_code == 422 and 'value="63"' in refused.text
    front = pattern_of(house, url).piece("front")
    shoulder = f"{line_length(front, '12', 'shoulder') / 10 + 0.4:.1f}"
    kept = house.post(f"{url}/tissue", data={"size": "12", "line": "stitching", "front.shoulder": shoulder})
    assert kept.status_code == 200
    assert f'value="{shoulder}"' in house.get(f"{url}/tissue").text
    met = line_length(pattern_of(house, url).piece("front"), "12", "shoulder")
    assert met == pytest.approx(float(shoulder) * 10, abs=0.5)
    other = house.post(f"{url}/tissue", data={"size": "12", "line": "stitching", "front.shoulder": "wide"})
    assert other.status_code == 422 and 'value="wide"' in other.text


# ---------------------------------------------------------------- to the measure


def test_an_apron_to_her_own_measure_has_its_sums_and_becomes_a_pattern(house):
    house.post("/household/units", data={"units": "imperial"})
    typed = {"kind": "apron", "name": "Tea apron", "waist": "25", "long": "26"}
    look = house.get("/patterns/own/look", params=typed).text
    assert ">27 in<" in look and ">28 1/2 in<" in look
    made = house.post("/patterns/own", data=typed, follow_redirects=False)
    assert made.status_code == 303
    pattern = pattern_of(house, made.headers["location"])
    xs = [x for x, _ in lines(pattern.piece("waistband"), "own").cutting_ring()]
    assert max(xs) - min(xs) == pytest.approx(27 * 25.4, abs=0.5)
    missing = house.post("/patterns/own", data={**typed, "waist": ""})
    assert missing.status_code == 422 and "this figure is needed" in missing.text and 'value="26"' in missing.text


def test_what_was_usual_for_another_garment_is_not_taken_over_and_what_was_typed_is(house):
    """An apron's fullness of 2.5, which nobody chose, would make four tiers wider than can be cut."""

    def value(page, field):
        found = re.search(rf'id="{field}"[^>]*value="([^"]*)"', page)
        return found[1] if found else None

    first = house.get("/patterns/own").text
    typed = {field: value(first, field) for field in ("coverage", "fullness", "band", "underlap", "seam", "hem")}
    assert typed["fullness"] == "2.5"
    typed |= {"asked": "apron", "kind": "tiered", "closing": "hook and eye", "waist": "72", "long": "84", "band": "5"}
    then = house.get("/patterns/own", params=typed).text
    assert (value(then, "fullness"), value(then, "tiers"), value(then, "band")) == ("1.5", "3", "5")
    assert re.search(r'value="elastic"[^>]*selected', then)
    said = "Tier 3, all round"
    assert said in house.get("/patterns/own/look", params=typed | {"fullness": "1.5", "tiers": "3"}).text
    half = house.get("/patterns/own/look", params=typed | {"fullness": "1.5", "tiers": "2.5"}).text
    assert "Tiers: a whole number." in half
    # What she had changed herself stays.
    kept = house.get("/patterns/own", params=typed | {"fullness": "1.8"}).text
    assert value(kept, "fullness") == "1.8"


@pytest.mark.parametrize("units", ["metric", "imperial"])
@pytest.mark.parametrize("kind", OwnKind)
def test_what_is_cut_to_the_measure_is_seen_before_any_figure_is_known(house, kind, units):
    """The page was empty beside its form until waist and length were typed."""
    house.post("/household/units", data={"units": units})
    usual = "On a usual figure, until yours are known."
    for address in ("/patterns/own", "/patterns/own/look"):
        page = house.get(address, params={"kind": kind.value}).text
        assert "<svg" in page.split('id="look"')[-1] and usual in page
    known = {"kind": kind.value, "waist": "72", "bust": "90", "hip": "96", "long": "70"}
    known = {name: said if name == "kind" or units == "metric" else f"{said} cm" for name, said in known.items()}
    assert usual not in house.get("/patterns/own/look", params=known).text


# ---------------------------------------------------------------- a drawing


def test_a_drawing_is_bound_to_a_description_and_a_piece_taken_twice_is_refused(house):
    url = described(house)
    pattern = pattern_of(house, url)
    paths = ""
    for k, id in enumerate(("front", "side-front")):
        ring = lines(pattern.piece(id), "12", 0.5).cutting_ring()
        points = " L ".join(f"{x + 100:.2f} {y + 100 + 500 * k:.2f}" for x, y in ring)
        paths += f'<path id="{id}" d="M {points} Z"/>'
    box = 'width="2000mm" height="2000mm" viewBox="0 0 2000 2000"'
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" {box}>{paths}</svg>'
    sent = house.post("/patterns/new", files={"file": ("it.svg", svg.encode())}, follow_redirects=False)
    drawing = sent.headers["location"]
    number = url.rsplit("/", 1)[1]
    page = house.get(f"{drawing}/bind", params={"pattern": number}).text
    assert page.count("<svg") >= 2 and "Left out" not in page.split("piece-1")[0]
    twice = {"pattern": number, "size": "12", "line": "cutting", "piece-0": "front", "piece-1": "front"}
    refused = house.post(f"{drawing}/bind", data=twice)
    assert refused.status_code == 422 and "take one out" in refused.text
    made = house.post(f"{drawing}/bind", data={**twice, "piece-1": "side-front"}, follow_redirects=False)
    assert made.status_code == 303
    bound = pattern_of(house, made.headers["location"])
    assert not bound.piece("front").approximate and bound.piece("back").approximate
    assert [j.id for j in bound.making.joins] == [j.id for j in pattern.making.joins]


def nest_of(house, url, sizes):
    """A drawing sent in of one piece in two sizes of the pattern, called as the drawing has them; where it is bound."""
    front = pattern_of(house, url).piece("front")
    groups = ""
    for name, size in zip(sizes, ("10", "12"), strict=True):
        corners = [front.shapes[size].edges[edge.name][0].start for edge in front.edges]
        points = " L ".join(f"{x + 100:.2f} {y + 100:.2f}" for x, y in corners)
        groups += f'<g id="size-{name}"><path id="front-{name}" d="M {points} Z"/></g>'
    box = 'width="2000mm" height="2000mm" viewBox="0 0 2000 2000"'
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" {box}>{groups}</svg>'
    sent = house.post("/patterns/new", files={"file": ("it.svg", svg.encode())}, follow_redirects=False)
    return f"{sent.headers['location']}/bind", {"pattern": url.rsplit("/", 1)[1], "line": "seam", "piece-0": "front"}


def test_a_nest_is_bound_in_the_sizes_that_have_the_same_names(house):
    url = described(house)
    bind, typed = nest_of(house, url, ("10", "12"))
    page = house.get(bind, params=typed).text
    fields = next(form for form in forms(page) if form.action.endswith("/bind")).fields
    assert (fields["nest-0"], fields["nest-1"]) == ("10", "12")
    assert "The pattern is made in 10, 12." in page
    made = house.post(bind, data=typed, follow_redirects=False)
    assert pattern_of(house, made.headers["location"]).envelope.sizes == ("10", "12")


def test_of_a_nest_with_other_names_it_can_be_said_which_size_is_which(house):
    url = described(house)
    bind, typed = nest_of(house, url, ("36", "38"))
    page = house.get(bind, params=typed).text
    assert "The description has none of these sizes" in page
    refused = house.post(bind, data=typed)
    assert refused.status_code == 422 and "none is the same" in refused.text
    double = house.post(bind, data=typed | {"nest-0": "10", "nest-1": "10"})
    assert double.status_code == 422 and "Two of its sizes are 10" in double.text
    assert "The pattern is made in 10, 12." in house.get(bind, params=typed | {"nest-0": "10", "nest-1": "12"}).text
    made = house.post(bind, data=typed | {"nest-0": "10", "nest-1": "12"}, follow_redirects=False)
    bound, composed = pattern_of(house, made.headers["location"]), pattern_of(house, url)
    assert bound.envelope.sizes == ("10", "12")
    for size in bound.envelope.sizes:
        ends = [chain[0].start for chain in bound.piece("front").shapes[size].edges.values()]
        there = [chain[0].start for chain in composed.piece("front").shapes[size].edges.values()]
        assert widths(ends) == pytest.approx(widths(there), abs=0.1), "each in the size that was said"


def widths(points):
    """How long and how wide the box of some points is, in mm."""
    return [max(axis) - min(axis) for axis in zip(*points, strict=True)]


def test_a_size_of_a_nest_may_be_left_out(house):
    url = described(house)
    bind, typed = nest_of(house, url, ("36", "38"))
    made = house.post(bind, data=typed | {"nest-0": "", "nest-1": "14"}, follow_redirects=False)
    assert pattern_of(house, made.headers["location"]).envelope.sizes == ("14",)


def test_corners_are_proposed_anew_for_another_line_and_stay_as_dragged_for_the_same(house):
    """They stayed where the cutting line had them when the drawing was said to draw the stitching line."""
    url = described(house)
    pattern = pattern_of(house, url)
    ring = lines(pattern.piece("front"), "12", 0.5).seam_ring()
    points = " L ".join(f"{x + 100:.2f} {y + 100:.2f}" for x, y in ring)
    box = 'width="2000mm" height="2000mm" viewBox="0 0 2000 2000"'
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" {box}><path id="front" d="M {points} Z"/></svg>'
    sent = house.post("/patterns/new", files={"file": ("it.svg", svg.encode())}, follow_redirects=False)
    asked = f"{sent.headers['location']}/bind"

    def shown(**typed):
        page = house.get(asked, params={"pattern": url.rsplit("/", 1)[1], "size": "12", **typed}).text
        return dict(re.findall(r'name="(corner-0-\d+|was-0|was-compared)" value="([^"]*)"', page))

    cutting = shown()
    dragged = {**cutting, "piece-0": "front", "corner-0-0": str(float(cutting["corner-0-0"]) + 0.01)}
    assert shown(**dragged)["corner-0-0"] == dragged["corner-0-0"]
    seam = shown(**dragged, line="seam")
    corners = {name: where for name, where in seam.items() if name.startswith("corner")}
    assert all(float(where) == round(float(where)) for where in corners.values()) and len(corners) == len(
        pattern.piece("front").edges
    )
    assert seam["was-compared"] == "seam 12"


def test_what_another_way_gives_up_is_said_before_it_is_taken(house):
    """Side and sleeve of a dropped sleeve are sewn in one run: a way taken for one of them parts the two."""
    dropped = {"features.sleeve.kind": "dropped", "features.sleeve.length": "short"}
    plain = {name: said for name, said in DRESS.items() if "princess" not in name}
    id = _described(house, {**plain, **dropped}).rsplit("/", 1)[1]
    made = house.post("/projects/new", data={"name": "It", "person": "1", "pattern": id}, follow_redirects=False)
    project = made.headers["location"].rsplit("/", 1)[0]
    house.post(f"{project}/fit", data={"size": "12"})
    house.post(f"{project}/sew/ways", data={"part": "sides", "technique": "french"})
    page = house.get(f"{project}/sew/ways").text
    assert "your choice, not the usual" in page and "not the usual, because of another choice" in page
    tried = house.get(f"{project}/sew/ways?part=underarms&technique=underarm-in-one-run").text
    assert re.search(r"given up:</b> French seam of “Side seams”", tried), tried
    house.post(f"{project}/sew/ways", data={"part": "underarms", "technique": "underarm-in-one-run"})
    assert "French seam</b>" not in house.get(f"{project}/sew/ways").text


def test_a_missing_name_is_told_when_the_garment_is_composed_and_not_before(house):
    nameless = {key: said for key, said in DRESS.items() if key != "name"}
    assert "Give the garment a name" not in house.get("/patterns/describe/look", params=nameless).text
    assert "Give the garment a name" in house.post("/patterns/describe", data=nameless).text
