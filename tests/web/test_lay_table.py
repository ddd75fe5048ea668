"""The cutting table: changes by hand are kept step by step, told with their cost, and kept as the lay once right."""

import re

TABLE = "/projects/1/lay/table"


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
        wrong = change(house, do="mend", fault=0).json()
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
    assert change(house, do="mend", fault=99).status_code == 404
    assert house.post(f"{TABLE}/change", json={"role": "nothing", "do": "undo"}).status_code == 200


def test_pieces_pushed_together_are_never_longer_and_another_lay_can_be_begun_with(house):
    id, x, y = place(house.get(TABLE).text, "Side back gore")
    change(house, do="move", id=id, at=[x + 1500, y])
    pushed = change(house, do="push").json()
    assert pushed["faults"] == []
    page = house.post(TABLE, data={"role": "main", "begin": "open"}).text
    assert "as long as it began" in page and page.count('class="piece') > pushed["picture"].count('class="piece')
