"""What was to save cloth and changes nothing of the garment any more is told at every station, and let go of."""

import json

from rowanseed.core.choices import ClothChoices
from rowanseed.core.derive.choice import Layers
from rowanseed.formats.cloth_choices_json import write_cloth_choices
from rowanseed.store.database import connect

PASSED_OVER = "It is passed over"


def test_what_saves_nothing_is_told_everywhere_and_let_go_of_with_one_button(house, tmp_path):
    with connect(tmp_path / "house.db") as db:
        tactics = json.dumps({"main": ["narrow-hem", "smaller-batch"]})
        moved = write_cloth_choices(ClothChoices(moved=("hood",)))
        db.execute("update project set tactics = ?, cloth_choices = ? where id = 2", (tactics, moved))
    for station in ("fit", "cloth", "cloth/short", "sew"):
        assert house.get(f"/projects/2/{station}").text.count(PASSED_OVER) == 2
    page = house.get("/projects/2/cloth").text
    assert "“hood” from the contrast cloth: the garment has no such piece" in page
    assert "Let go of what saves no cloth here" in page
    after = house.post("/projects/2/cloth/passed-over").text
    assert PASSED_OVER not in after and "Let go of what saves no cloth" not in after
    # What does change something is still taken.
    assert "First fold 0.6 cm" in house.get("/projects/2/sew?step=fold-hem").text


def test_a_facing_that_the_pattern_does_not_draw_may_be_cut_from_an_off_cut(house, tmp_path):
    """The shelf offered it, and then there was "no such piece"."""
    with connect(tmp_path / "house.db") as db:
        faced = write_cloth_choices(ClothChoices(layers=Layers(faced=("hem",))))
        db.execute("update project set cloth_choices = ? where id = 2", (faced,))
        (number,) = db.execute("select min(id) from cloth").fetchone()
    facing = {"piece": "front-hem-facing"}
    page = house.post("/projects/2/cloth/shelf/piece", data=facing | {"cloth": str(number)})
    assert page.status_code == 200 and "Cut from the contrast cloth" in page.text
    assert 'value="front-hem-facing"' in page.text
    page = house.post("/projects/2/cloth/shelf/piece", data=facing)
    assert "Cut from the contrast cloth" not in page.text
