"""The cutting table: changes by hand are kept step by step, told with their cost, and kept as the lay once right."""

import re
import sqlite3
from contextlib import closing
from dataclasses import replace

import pytest

from rowanseed.app import table_deeds
from rowanseed.store import cloths
from rowanseed.store.database import connect

TABLE = "/projects/1/lay/table"


@pytest.fixture
def house(house):
    """The demo household before anything of its first project was cut."""
    with closing(sqlite3.connect(house.app.state.database)) as opened, opened:
        opened.execute("DELETE FROM tick WHERE project_id = 1 AND list = 'cut'")
    return house


def change(house, **asked):
    return house.post(f"{TABLE}/change", json={"role": "main", **asked})


def place(picture, piece):
    """The id and place of a piece in the drawing, by the end of its name."""
    group = next(g for g in re.findall(r"<g [^>]*data-id[^>]*>", picture) if re.search(rf"\d {piece},", g))
    x, y = re.search(r'data-at="([-\d.]+) ([-\d.]+)"', group).groups()
    return re.search(r'data-id="([\d.]+)"', group).group(1), float(x), float(y)


def test_a_piece_moved_away_costs_cloth_and_undo_brings_it_back_across_a_reload(house):
    page = house.get(TABLE).text
    assert "All is right" in page and "as long as it began" in page
    id, x, y = place(page, "Side back gore")
    moved = change(house, do="move", id=id, at=[x + 1500, y]).json()
    assert "more than it began with" in moved["difference"] and moved["undo"] and moved["faults"] == []
    again = house.get(TABLE).text
    assert moved["length"] in again, "it is kept without being asked to"
    back = change(house, do="undo").json()
    assert back["difference"] == "as long as it began" and back["redo"] and not back["undo"]
    assert change(house, do="redo").json()["length"] == moved["length"]


def test_what_is_wrong_is_said_in_words_and_mended_and_nothing_wrong_is_kept(house):
    page = house.get(TABLE).text
    (mine, *_), (_, x, y) = place(page, "Side back gore"), place(page, "Side front gore")
    wrong = change(house, do="nudge", id=mine, at=[x, y]).json()
    assert any("lie over each other" in said and mends for said, mends in wrong["faults"])
    refused = house.post(TABLE, data={"role": "main"})
    assert refused.status_code == 422 and "It is not right yet" in refused.text
    for _ in range(8):
        if not wrong["faults"]:
            break
        wrong = change(house, do="mend", n=0).json()
    assert wrong["faults"] == []
    kept = house.post(TABLE, data={"role": "main"})
    assert kept.status_code == 200 and "this layout is kept" in kept.text and wrong["length"] in kept.text


def test_a_rule_that_forbids_a_turn_is_named_and_a_pin_holds(house):
    id, x, y = place(house.get(TABLE).text, "Side back gore")
    assert "the cloth has a way up" in change(house, do="turn", id=id).json()["said"]
    assert change(house, do="pin", id=id).json()["step"].endswith("pinned")
    held = change(house, do="move", id=id, at=[x + 300, y]).json()
    assert "take the pin out first" in held["said"]
    fold, *_ = place(house.get(TABLE).text, "Centre front gore")
    assert "it lies on the fold" in change(house, do="mirror", id=fold).json()["said"]


def test_what_cannot_be_asked_is_refused(house):
    house.get(TABLE)
    assert change(house, do="fly", id="0.0").status_code == 422
    assert change(house, do="move", id="9.9", at=[0, 0]).status_code == 404
    assert change(house, do="move", id="0.0", at=[1e9, 0]).status_code == 422
    assert change(house, do="mend", n=99).status_code == 404
    assert house.post(f"{TABLE}/change", json={"role": "nothing", "do": "undo"}).status_code == 200


def test_pieces_pushed_together_are_never_longer_and_another_lay_can_be_begun_with(house):
    id, x, y = place(house.get(TABLE).text, "Side back gore")
    change(house, do="move", id=id, at=[x + 1500, y])
    pushed = change(house, do="push").json()
    assert pushed["faults"] == []
    page = house.post(TABLE, data={"role": "main", "begin": "open"}).text
    assert "as long as it began" in page and page.count('class="piece') > pushed["picture"].count('class="piece')


def parked(answer):
    return [name.split(" ", 1)[1] for name in answer["parked"]]


def test_a_piece_is_laid_beside_the_cloth_said_to_be_missing_and_laid_on_again(house):
    id, *_ = place(house.get(TABLE).text, "Back waist facing")
    off = change(house, do="park", id=id).json()
    assert parked(off) == ["Back waist facing"]
    assert any("too seldom; 1 piece beside the cloth" in said for said, _ in off["faults"])
    assert house.post(TABLE, data={"role": "main"}).status_code == 422, "a lay that lacks a piece is not kept"
    assert "Back waist facing" in house.get(TABLE).text.split('id="table-parked"')[1].split("</ul>")[0]
    on = change(house, do="unpark", n=0).json()
    assert on["parked"] == [] and on["faults"] == []
    assert change(house, do="unpark", n=3).status_code == 404


def test_the_cloth_is_opened_out_behind_for_a_piece_and_the_stretches_exchanged(house):
    id, *_ = place(house.get(TABLE).text, "Centre front gore")
    behind = change(house, do="stretch", id=id, n=1).json()
    assert behind["stretches"] == ["folded lengthwise, two layers", "open, one layer"]
    assert behind["faults"] == [] and "1 refold" in behind["work"], "laid whole, where no fold runs"
    exchanged = change(house, do="exchange", n=0).json()
    assert exchanged["stretches"] == ["open, one layer", "folded lengthwise, two layers"]
    assert exchanged["length"] == behind["length"] and exchanged["faults"] == []
    kept = house.post(TABLE, data={"role": "main"}).text
    assert "this layout is kept" in kept and "open, one layer, then folded lengthwise" in kept


def test_a_flaw_that_is_marked_stays_with_the_cloth_and_the_pieces_are_laid_round_it(house):
    house.get(TABLE)
    _, x, y = place(house.get(TABLE).text, "Side front gore")
    answer = change(house, do="flaw", n=0, at=[x + 200, y + 100], to=[x + 260, y + 140]).json()
    assert answer["stretches"] == ["open, one layer"] and "kept with the cloth" in answer["said"]
    assert 'class="flaw"' in answer["picture"]
    assert any("lies on a flaw" in said for said, _ in answer["faults"])
    for _ in range(12):
        if not answer["faults"]:
            break
        answer = change(house, do="mend", n=0).json()
    assert answer["faults"] == []
    assert answer["length"] in house.get(TABLE).text, "it is there before anything is searched for the cloth as it is"
    house.post(TABLE, data={"role": "main"})
    assert "this layout is kept" in house.get("/projects/1/lay/worked-out").text


def test_what_is_cut_already_stays_unless_it_was_cut_differently(house):
    page = house.get("/projects/1/cut").text
    key = re.search(r'name="key" value="(main:side-back:0)"', page).group(1)
    house.post("/projects/1/cut", data={"key": key, "done": "yes"})
    id, x, y = place(house.get(TABLE).text, "Side back gore")
    assert "is cut already" in change(house, do="move", id=id, at=[x + 40, y]).json()["said"]
    other = change(house, do="move", id=id, at=[x + 1300.0, y], differently=True).json()
    assert other["step"] == "Side back gore was cut differently"
    again = change(house, do="rest").json()
    there = place(again["picture"], "Side back gore")
    assert there[1:] == (round(x + 1300, 2), y), "the rest is laid round it where it was really cut"
    assert again["faults"] == []


def test_lays_are_put_by_under_names_compared_and_taken_up_again(house):
    id, x, y = place(house.get(TABLE).text, "Side back gore")
    longer = change(house, do="move", id=id, at=[x + 900, y]).json()
    page = house.post(TABLE, data={"role": "main", "name": "  wide   apart "}).text
    assert "wide apart" in page and 'class="compared"' in page
    change(house, do="undo")
    number = re.search(r'value="(named:\d+)"', page).group(1)
    assert longer["length"] in house.post(TABLE, data={"role": "main", "begin": number}).text.split("table-tools")[0]
    assert house.post(TABLE, data={"role": "main", "name": "   "}).status_code == 422
    gone = house.post(TABLE, data={"role": "main", "forget": number.split(":")[1]}).text
    assert "wide apart" not in gone


def test_a_lay_for_another_size_is_carried_over_and_what_changed_is_said(house):
    id, x, y = place(house.get(TABLE).text, "Side back gore")
    change(house, do="move", id=id, at=[x + 20, y])
    house.post("/projects/1/fit", data={"size": "16"})
    house.get("/projects/1/lay/worked-out")
    page = house.get(TABLE).text
    assert "Since you worked on it:" in page and "changed" in page
    assert page.count('class="piece') == 6
    assert "Since you worked on it" not in house.get(TABLE).text, "it is said once"


def test_pins_that_lie_over_each_other_are_told_and_laying_again_never_makes_a_right_layout_longer(house, monkeypatch):
    monkeypatch.setattr(table_deeds, "SECONDS", 0.3)
    page = house.get(TABLE).text
    began = re.search(r'id="table-length">([^<]+)<', page).group(1)
    again = change(house, do="rest").json()
    assert again["length"] <= began and again["faults"] == []
    (mine, *_), (other, x, y) = place(again["picture"], "Side back gore"), place(again["picture"], "Side front gore")
    change(house, do="nudge", id=mine, at=[x, y])
    for id in (mine, other):
        change(house, do="pin", id=id)
    told = change(house, do="rest").json()
    assert "lie over each other, and would stay so" in told["said"]


# ---------------------------------------------------------------- several projects on one cloth


def both_laid(house):
    """The linen skirt and the linen dress of the demo, each with a size and its lays found."""
    for id, size in ((3, "14"), (7, "12")):
        house.post(f"/projects/{id}/fit", data={"size": size})
        house.get(f"/projects/{id}/lay/worked-out")


def test_two_projects_lie_on_one_table_and_each_keeps_its_own(house):
    both_laid(house)
    alone = house.get("/projects/3/lay/table?role=main").text
    assert "Yoked dress for the soprano" in alone and "Lay it on the same table" in alone
    page = house.get("/projects/3/lay/table?role=main&with=7.main").text
    assert 'class="owners"' in page and "All is right" in page and "Take it off this table" in page
    sent = {"role": "main", "others": "7.main", "do": "pin", "id": "0.0"}
    assert house.post("/projects/3/lay/table/change", json=sent).json()["step"].endswith("pinned")
    house.post("/projects/3/lay/table", data={"role": "main", "with": "7.main"})
    for id, other in ((3, "Yoked dress for the soprano"), (7, "Linen skirt for spring")):
        assert f"Laid together with {other}" in house.get(f"/projects/{id}/lay?role=main").text
        assert f"“{other}” is laid together with it, on the same length." in house.get(f"/projects/{id}/cloth").text
    assert "This is the layout that is kept" in house.get("/projects/7/lay/table?role=main&with=3.main").text
    # Neither is laid again as if the other were not there: by hand it is said, at the table it is refused.
    assert "may lie over it" in house.get("/projects/3/lay/table?role=main").text
    wrong = {"what": "flaw", "along": "30 cm", "long": "3 cm", "across": "10 cm", "wide": "3 cm"}
    step = "main%3Afront%3A0"
    told = house.post(f"/projects/3/cut/steps/{step}/wrong", data=wrong).text
    assert "whose pieces lie between these" in told and "Not laid again yet" in told
    steps = house.get("/projects/7/cut").text
    assert "do not cut into them" in steps
    # The length is bought once.
    shopping = house.get("/shopping?p=3&p=7").text
    assert shopping.count("whose length is for both") <= 1


def test_who_changes_after_both_were_laid_is_told_to_the_other_until_it_is_laid_again(house):
    both_laid(house)
    house.get("/projects/3/lay/table?role=main&with=7.main")
    house.post("/projects/3/lay/table", data={"role": "main", "with": "7.main"})
    assert "No longer laid together" not in house.get("/projects/3/lay?role=main").text
    house.post("/projects/7/fit", data={"size": "14"})
    house.get("/projects/7/lay/worked-out")
    told = house.get("/projects/3/lay?role=main").text
    assert "No longer laid together" in told and "Yoked dress for the soprano lay between these pieces" in told
    assert "with=7.main" in told, "they may be laid together again"
    assert "lies otherwise now" in house.get("/projects/3/cut").text
    house.post("/projects/3/lay", data={"role": "main", "release": "yes"})
    assert "No longer laid together" not in house.get("/projects/3/lay?role=main").text


def test_a_project_put_away_leaves_word_with_who_was_laid_together_with_it(house):
    both_laid(house)
    house.get("/projects/3/lay/table?role=main&with=7.main")
    house.post("/projects/3/lay/table", data={"role": "main", "with": "7.main"})
    house.post("/projects/7/remove", data={})
    told = house.get("/projects/3/lay?role=main").text
    assert "a project that was put away lay between these pieces" in told and "with=7.main" not in told


def test_the_cloth_is_put_away_once_all_that_lie_on_it_are_cut(house):
    both_laid(house)
    house.get("/projects/3/lay/table?role=main&with=7.main")
    house.post("/projects/3/lay/table", data={"role": "main", "with": "7.main"})
    for id in (3, 7):
        keys = re.findall(r'name="key" value="(main:[^"]+)"', house.get(f"/projects/{id}/cut").text)
        assert keys
        for key in dict.fromkeys(keys):
            house.post(f"/projects/{id}/cut", data={"key": key, "done": "yes"})
        page = house.get(f"/projects/{id}/cut").text
        if id == 3:
            assert "put away once Yoked dress for the soprano is cut too" in page
    assert "put away once" not in house.get("/projects/3/cut").text


def test_what_is_left_of_a_shared_cloth_is_told_once_and_neither_project_loses_it(house):
    with closing(connect(house.app.state.database, create=False)) as db:
        entry = next(e for e in cloths.cloths(db) if e.cloth.name == "Slate linen")
        cloths.save_cloth(db, entry.id, replace(entry.cloth, length=3200.0))
    both_laid(house)
    house.get("/projects/3/lay/table?role=main&with=7.main")
    house.post("/projects/3/lay/table", data={"role": "main", "with": "7.main"})
    for id in (3, 7):
        for key in dict.fromkeys(re.findall(r'name="key" value="(main:[^"]+)"', house.get(f"/projects/{id}/cut").text)):
            house.post(f"/projects/{id}/cut", data={"key": key, "done": "yes"})
    page = house.get("/projects/7/cut").text
    assert "What is left of Slate linen" in page
    house.post("/projects/7/cut/left/main", data={"keep-0": "yes"})
    for id in (3, 7):
        assert "was cut up for" not in house.get(f"/projects/{id}/cloth").text
        assert "What is left of Slate linen" not in house.get(f"/projects/{id}/cut").text
    with closing(connect(house.app.state.database, create=False)) as db:
        rest = [e for e in cloths.cloths(db) if e.cut_from == entry.id]
        assert len(rest) == 1 and rest[0].cloth.name == "Slate linen, what is left"
        # Less than what either project by itself would leave of 3.2 m.
        assert 200.0 < rest[0].cloth.length < 3200.0 - 1000.0


def test_who_is_not_cut_from_the_cloth_cannot_lie_on_it(house):
    both_laid(house)
    assert house.get("/projects/3/lay/table?role=main&with=1.main").status_code == 404
    sent = {"role": "main", "others": "99.main", "do": "push"}
    assert house.post("/projects/3/lay/table/change", json=sent).status_code == 404


def test_a_piece_is_held_on_its_motif_and_let_go_again(house):
    house.get("/projects/4/lay/worked-out")
    page = house.get("/projects/4/lay/table?role=main").text
    assert "Hold on its motif" in page
    held = house.post("/projects/4/lay/table/change", json={"role": "main", "do": "hold", "id": "0.0"}).json()
    assert "stays on this place of the print" in held["said"]
    assert "on its motif" in house.get("/projects/4/cloth").text
    gone = house.post("/projects/4/lay/table/change", json={"role": "main", "do": "hold", "id": "0.0"}).json()
    assert "no longer held" in gone["said"]
    assert "on its motif" not in house.get("/projects/4/cloth").text
