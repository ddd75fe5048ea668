"""At the cutting table: what is ticked there is ticked at Cut, and what cannot be done yet is told."""

import json
import re
import sqlite3
from contextlib import closing
from datetime import datetime
from urllib.parse import quote

NOW = datetime(2026, 11, 26, 10, 0).isoformat()


def order(house, project=2):
    page = house.get(f"/projects/{project}/cut/steps").text
    return json.loads(re.search(r'id="order">(.*?)</script>', page, re.S).group(1).replace("<\\/", "</"))


def send(house, *ticks, project=2):
    sent = {"ticks": [{"step": step, "done": done, "at": NOW} for step, done in ticks]}
    return house.post(f"/projects/{project}/cut/steps/ticks", json=sent).json()


def test_the_whole_cloth_is_cut_by_steps_and_cut_says_the_same(house):
    steps = order(house)["steps"]
    assert steps[0]["title"].startswith("Lay Pine needlecord open") and not steps[0]["done"]
    answer = send(house, *[(step["id"], True) for step in steps])
    assert answer["refused"] == [] and answer["next"] == "" and len(answer["done"]) == len(steps)
    assert "All cut" in house.get("/projects/2/cut").text


def test_what_has_its_turn_later_is_refused_by_name_and_nothing_else_is_lost(house):
    steps = order(house)["steps"]
    cut = next(step for step in steps if step["title"].startswith("Cut"))
    answer = send(house, (cut["id"], True), (steps[0]["id"], True), ("table.main.7.open.cloth", True))
    assert [one["step"] for one in answer["refused"]] == [cut["id"], "table.main.7.open.cloth"]
    assert "Check every grainline" in answer["refused"][0]["said"]
    assert "no longer there" in answer["refused"][1]["said"]
    assert answer["done"] == [steps[0]["id"]]


def test_a_piece_ticked_at_cut_is_done_here_with_what_came_before_it(house):
    page = house.get("/projects/2/cut").text
    key = re.search(r'name="key" value="(main:[^"]+)"', page).group(1)
    house.post("/projects/2/cut", data={"key": key, "done": "yes"})
    steps = {step["id"]: step for step in order(house)["steps"]}
    assert steps[key]["done"] and all(steps[need]["done"] for need in steps[key]["needs"])
    answer = send(house, (key, False))
    assert key not in answer["done"] and "0 of 12 cut" in house.get("/projects/2/cut").text


def test_every_picture_that_a_step_names_is_there(house):
    for project in (1, 2):
        for step in order(house, project)["steps"]:
            for address, _ in step["pictures"]:
                answer = house.get(address)
                assert answer.status_code == 200 and answer.text.startswith("<svg"), address
    assert house.get(f"/projects/1/cut/steps/{quote('main:front:0', safe='')}/photo.svg").status_code == 404


def test_where_there_is_no_layout_yet_the_page_says_so(house):
    assert "There is no layout yet" in house.get("/projects/7/cut/steps").text


# ---------------------------------------------------------------- something is wrong with the cloth


def some_cut(house, number=2):
    """The demo's first project, the first pieces of it cut; the steps that cut them."""
    with closing(sqlite3.connect(house.app.state.database)) as opened, opened:
        opened.execute("DELETE FROM tick WHERE project_id = 1 AND list = 'cut'")
    steps = order(house, 1)["steps"]
    cuts = [step["id"] for step in steps if step["id"].startswith("main:")][:number]
    for key in cuts:
        house.post("/projects/1/cut", data={"key": key, "done": "yes"})
    return cuts


def test_round_a_flaw_the_rest_is_laid_again_and_what_is_cut_stays_where_it_was_cut(house):
    cut = some_cut(house)
    step = next(s for s in order(house, 1)["steps"] if not s["done"])
    address, words = step["links"][0]
    assert "flaw" in words and "From the cut end" in house.get(address).text
    sent = {"what": "flaw", "along": "100 cm", "long": "4 cm", "across": "20 cm", "wide": "4 cm"}
    page = house.post(address, data=sent).text
    said = re.search(r'<p role="status">(.*?)</p>', page).group(1)
    assert "Laid again round it, what is cut where it was cut" in said
    after = order(house, 1)
    assert {s["id"] for s in after["steps"] if s["done"]} >= set(cut), "their ticks are kept"
    assert "All is right" in house.get("/projects/1/lay/table").text


def test_a_length_whose_grain_runs_askew_is_left_out_and_a_place_off_the_cloth_is_said_at_its_field(house):
    some_cut(house, 1)
    address = next(s for s in order(house, 1)["steps"] if not s["done"])["links"][0][0]
    wrong = house.post(address, data={"what": "flaw", "along": "90 m", "long": "3", "across": "1", "wide": "3"})
    assert wrong.status_code == 422 and "measure from the cut end" in wrong.text and 'value="90 m"' in wrong.text
    empty = house.post(address, data={"what": "flaw", "along": "", "long": "3", "across": "1", "wide": "3"})
    assert empty.status_code == 422
    page = house.post(address, data={"what": "askew", "along": "110 cm", "long": "5 cm"}).text
    said = re.search(r'<p role="status">(.*?)</p>', page).group(1)
    assert said.startswith("Laid again round it"), said


def test_what_was_changed_by_hand_and_not_kept_lies_by_under_a_name_when_a_flaw_is_told(house):
    some_cut(house, 0)
    address = next(s for s in order(house, 1)["steps"] if not s["done"])["links"][0][0]
    table = house.get("/projects/1/lay/table").text
    id, x, y = re.search(r'data-id="([\d.]+)"[^>]*data-at="([-\d.]+) ([-\d.]+)"', table).groups()
    moved = {"role": "main", "do": "move", "id": id, "at": [float(x) + 3000, float(y)]}
    changed = house.post("/projects/1/lay/table/change", json=moved).json()
    sent = {"what": "flaw", "along": "100 cm", "long": "4 cm", "across": "20 cm", "wide": "4 cm"}
    assert "lies by, named “as it lay before the flaw”" in house.post(address, data=sent).text
    after = house.get("/projects/1/lay/table").text
    assert "as it lay before the flaw" in after and changed["length"] in after
    # A second flaw keeps what was changed before it beside the first.
    id, x, y = re.search(r'data-id="([\d.]+)"[^>]*data-at="([-\d.]+) ([-\d.]+)"', after).groups()
    moved = {"role": "main", "do": "move", "id": id, "at": [float(x) + 4000, float(y)]}
    house.post("/projects/1/lay/table/change", json=moved)
    address = next(s for s in order(house, 1)["steps"] if not s["done"])["links"][0][0]
    told = house.post(address, data={**sent, "along": "60 cm"}).text
    assert "named “as it lay before flaw 2”" in told
    assert "as it lay before the flaw" in house.get("/projects/1/lay/table").text
