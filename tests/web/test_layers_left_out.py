"""A project whose pattern has changed since its layers were chosen: what cannot be is told, and can be let go of."""

import re

from rowanseed.core.choices import ClothChoices
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.formats.cloth_choices_json import write_cloth_choices
from rowanseed.store.database import connect

LEFT_OUT = "It is left out, until the layers are chosen again"


def test_layers_that_a_garment_cannot_have_are_told_everywhere_and_let_go_of_with_one_button(house, tmp_path):
    """The waistcoat draws its own lining, and its hem is faced already."""
    kept = ClothChoices(layers=Layers(lining=LiningSchool.DEDUCT, faced=("hem",), underlined=True))
    with connect(tmp_path / "house.db") as db:
        db.execute("update project set cloth_choices = ? where id = 4", (write_cloth_choices(kept),))
    for station in ("fit", "cloth", "sew"):
        assert house.get(f"/projects/4/{station}").text.count(LEFT_OUT) == 2
    page = house.get("/projects/4/cloth/layers").text
    assert "A lining: the pattern draws its own" in page and "Let go of what cannot be" in page
    form = re.search(r'<form[^>]*action="/projects/4/cloth/layers".*?</form>', page, re.S)[0]
    ticked = re.findall(r'name="([\w-]+)" value="yes" ?checked', form)
    assert ticked == ["underlined"]
    hidden = dict(re.findall(r'<input type="hidden" name="([\w-]+)" value="([^"]*)"', form))
    after = house.post("/projects/4/cloth/layers", data=hidden | dict.fromkeys(ticked, "yes")).text
    assert LEFT_OUT not in after and "Let go of what cannot be" not in after
    assert re.search(r'name="underlined" value="yes" ?checked', after)
