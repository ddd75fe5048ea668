"""The Cloth station's layers, extras, matching and shelf, and what is left after cutting, page by page."""

import io
import re

import pytest
from PIL import Image

pytestmark = pytest.mark.slow

CLOTH = {
    "name": "Checked",
    "width": "150",
    "length": "3 m",
    "selvedge": "1",
    "direction": "two-way",
    "fibre": "wool",
    "shrink_along": "0",
    "shrink_across": "0",
    "colour": "#4a6078",
    "surface": "checks",
    "washed": "yes",
}


def follow(house, path):
    with house.stream("GET", path) as stream:
        assert stream.read().decode().rstrip().endswith("event: done\ndata: {}")


def corners(patch, *places):
    """The fields of a patch by its corners, in cm."""
    return {
        f"gone-{patch}-{k}-{way}": str(mm)
        for k, place in enumerate(places)
        for way, mm in zip(("along", "across"), place, strict=True)
    }


def new_cloth(house, **more):
    answer = house.post("/cloths/new", data={**CLOTH, **more}, follow_redirects=False)
    assert answer.status_code == 303, re.findall(r'class="said"[^>]*>([^<]*)', answer.text)
    return answer.headers["location"].partition("?")[0]


# ---------------------------------------------------------------- the cloth's form


def test_a_cloth_with_repeat_lines_border_and_flaws_is_kept_and_drawn_to_scale(house):
    where = new_cloth(
        house,
        repeat_along="9,2",
        repeat_across="8.4 cm",
        lengthwise="1,2 : 1,2; 5,8 : 0,4",
        crosswise="1.4 : 1.3",
        half_drop="yes",
        border="one",
        border_line="6",
        weight="310 g/m²",
        price="39,50",
        care="dry clean",
        stretch="5",
        structure="knit",
        both_sides="yes",
        **corners(0, (0, 90), (40, 90), (40, 140), (0, 140)),
        **corners(1, (10, 5), (20, 5), (15, 8)),
    )
    page = house.get(where).text
    for said in (
        "9.2 cm repeat",
        "1.2 cm : 1.2 cm; 5.8 cm : 0.4 cm",
        'value="39.50"',
        'value="310"',
        'id="gone-1-2-along" name="gone-1-2-along" value="15 cm"',
        "Knit wool, 310 g/m², stretches 5 %",
        "What is left of it",
        "not over the table",
    ):
        assert said in page, said
    house.post(where, data={**CLOTH, "name": "Plainer"})
    assert "What is left of it" not in house.get(where).text


@pytest.mark.parametrize(
    "written, grams", [("8 oz", "271.2"), ("16 momme", "69.4"), ("150 gsm", "150"), ("150", "150")]
)
def test_a_weight_is_understood_as_shops_write_it(house, written, grams):
    """Denim is sold by the ounce for a square yard (28.3495 g for 0.836127 m²), silk by the momme (4.34 g/m²)."""
    assert f'value="{grams}"' in house.get(new_cloth(house, weight=written)).text


WRONG = [
    ({"repeat_along": "0"}, "A length has to be more than nothing."),
    ({"repeat_along": "3 m"}, "No repeat is longer than 2 m"),
    ({"lengthwise": "1 : 2"}, "The lines need the repeat across the cloth"),
    ({"repeat_across": "5", "lengthwise": "4 : 2"}, "The lines reach beyond one repeat."),
    ({"lengthwise": "every 4"}, "Write each line as where it begins"),
    ({"half_drop": "yes"}, "A half drop needs the repeat both ways."),
    ({"border": "both"}, "How far from the selvedge does the line stand"),
    ({"border": "one", "border_line": "90"}, "beyond the middle of the cloth"),
    ({"shrink_along": "60"}, "No cloth that can be sewn shrinks by more than 30 %."),
    ({"weight": "heavy"}, "Weight is written in grams"),
    ({"weight": "8 stone"}, "Weight is written in grams"),
    ({"weight": "0.1 oz"}, "Weight is written in grams"),
    ({"price": "much"}, "A price is written like 18 or 18.50."),
    ({"gone-0-0-along": "a hole", "gone-0-0-across": "5"}, "a hole"),
    ({"gone-0-0-along": "10 cm"}, "Both figures of a corner are needed."),
    ({"gone-0-0-along": "400", "gone-0-0-across": "5"}, "A patch has three corners or more."),
]


@pytest.mark.parametrize("wrong, said", WRONG, ids=lambda v: next(iter(v)) if isinstance(v, dict) else "")
def test_what_cannot_be_a_cloth_is_said_at_the_field_and_nothing_is_lost(house, wrong, said):
    answer = house.post("/cloths/new", data={**CLOTH, **wrong})
    assert answer.status_code == 422
    page = answer.text.replace("&#39;", "'")
    assert said in page and 'value="Checked"' in page
    for typed in wrong.values():
        assert typed in page


def test_a_triangle_may_be_torn_off_and_a_patch_off_the_cloth_is_said(house):
    torn = new_cloth(house, **corners(0, (0, 0), (30, 0), (0, 40)))
    assert "What is left of it" in house.get(torn).text
    for places, said in (
        (((190, 10), (990, 10), (200, 30)), "A corner lies off the cloth"),
        (((0, 0), (10, 10), (10, 0), (0, 10)), "in order, all the way round"),
    ):
        answer = house.post("/cloths/new", data={**CLOTH, **corners(0, *places)})
        assert answer.status_code == 422 and said in answer.text
    more = house.post("/cloths/new", data={**CLOTH, **corners(0, (0, 0), (30, 0), (0, 40)), "more": "patch"})
    assert 'name="gone-1-3-across"' in more.text and 'value="Checked"' in more.text


def test_a_photo_is_made_small_and_says_nothing_of_where_it_was_taken(house):
    picture = Image.new("RGB", (2400, 1600), "#8c2f4f")
    exif = Image.Exif()
    exif[0x010F] = "a camera"
    data = io.BytesIO()
    picture.save(data, "JPEG", exif=exif)
    where = new_cloth(house)
    assert house.post(f"{where}/photo", files={"photo": ("wool.jpg", data.getvalue(), "image/jpeg")}).status_code == 200
    answer = house.get(f"{where}/photo.jpg")
    kept = Image.open(io.BytesIO(answer.content))
    assert answer.headers["content-type"] == "image/jpeg" and kept.size == (1200, 800) and not kept.getexif()
    assert f'src="{where}/photo.jpg"' in house.get(where).text
    house.post(f"{where}/photo/remove")
    assert house.get(f"{where}/photo.jpg").status_code == 404
    refused = house.post(f"{where}/photo", files={"photo": ("x.jpg", b"not a photo", "image/jpeg")})
    assert refused.status_code == 422 and "This is not a photo that can be read." in refused.text


def test_a_cloth_in_use_stays_on_the_shelf(house):
    assert "it stays" in house.post("/cloths/1/remove").text
    where = new_cloth(house)
    house.post(f"{where}/remove")
    assert house.get(where).status_code == 404


# ---------------------------------------------------------------- layers


def test_a_lining_brings_pieces_a_cloth_to_choose_and_steps(house):
    page = house.get("/projects/2/cloth/layers").text
    assert "As the pattern has it" in page and "Ease pleat" not in page
    house.post("/projects/2/cloth/layers", data={"lining": "deduct", "hem": "free"})
    page = house.get("/projects/2/cloth/layers").text
    assert (
        "4 pieces worked out"
    ) in page and "− facing + two seam allowances; hem 1.9 cm shorter, hanging free" in page
    assert 'id="cloth-lining"' in house.get("/projects/2/cloth").text
    assert "Sew lining to the facing" in house.get("/projects/2/sew?step=sew-lining-facing-waist").text
    house.post("/projects/2/cloth/layers", data={"lining": "none"})
    assert 'id="cloth-lining"' not in house.get("/projects/2/cloth").text


def test_a_hem_faced_and_a_garment_fused_all_over_follow_everywhere(house):
    house.post("/projects/2/cloth/layers", data={"faced-hem": "yes", "fused": "yes"})
    page = house.get("/projects/2/cloth/layers").text
    assert "4 pieces worked out" in page and "its own edge, 5 cm deep" in page
    assert re.search(r'id="faced-hem"[^>]*checked', page) and re.search(r'id="fused"[^>]*checked', page)
    house.get("/projects/2/lay/worked-out")
    assert "hem facing" in house.get("/projects/2/cut").text.lower()
    assert "Right sides together, seam on seam" in house.get("/projects/2/sew?step=face-hem").text
    assert "Fuse the interfacing to the centre front gore" in house.get("/projects/2/sew").text
    house.post("/projects/2/cloth/layers", data={"faced-collar": "yes"})
    assert "As the pattern has it" in house.get("/projects/2/cloth/layers").text


def test_layers_that_cannot_be_are_refused_with_what_was_typed(house):
    answer = house.post("/projects/4/cloth/layers", data={"pad": "9"})
    assert (
        answer.status_code == 422 and "Shoulder pads are up to 4 cm thick" in answer.text and 'value="9"' in answer.text
    )
    assert "The pattern draws its own lining." in answer.text


# ---------------------------------------------------------------- matching


def test_matching_shows_its_seams_and_its_cost_in_the_sum(house, quick):
    both = {"role": "main", "match-main-seams": "yes", "match-main-centres": "yes"}
    house.post("/projects/4/cloth/matching", data=both)
    follow(house, "/projects/4/lays/events")
    page = house.get("/projects/4/cloth").text
    assert "✓ Princess seams" in page and "✓ Lines alike at the centres" in page
    assert "Layout without matching" in page and "matching costs" in page
    assert house.post("/projects/4/cloth/matching", data=both | {"centre-main": "by eye"}).status_code == 404


def test_the_centre_stands_on_a_line_of_the_print_and_what_is_unticked_is_let_go(house, quick):
    """The demo's wool has lines 12 mm wide at 12 mm and 4 mm wide at 58 mm of 84: mirror images about both middles."""
    both = {"role": "main", "match-main-seams": "yes", "match-main-centres": "yes"}
    page = house.post("/projects/4/cloth/matching", data=both).text
    assert "on line 1: left and right mirror each other" in page
    on_it = house.post("/projects/4/cloth/matching", data=both | {"centre-main": "18"}).text
    assert re.search(r'value="18"\s+selected', on_it)
    gone = house.post("/projects/4/cloth/matching", data={"role": "main"}).text
    assert "Princess seams" not in gone and "At the centres" not in gone


# ---------------------------------------------------------------- strips, batch, notions


def test_strips_are_reckoned_join_the_cut_and_can_be_taken_out(house):
    strip = {
        "kind": "ruffle",
        "name": "hem ruffle",
        "long": "100",
        "wide": "12",
        "count": "2",
        "fullness": "1,5",
        "role": "main",
    }
    house.post("/projects/2/cloth/extras/strips", data=strip)
    page = house.get("/projects/2/cloth/extras").text
    assert "1 cut to the measure" in page and "152 cm" in page and "14.6 cm" in page
    house.get("/projects/2/lay/worked-out")
    assert "hem ruffle" in house.get("/projects/2/lay").text
    (out,) = re.findall(r'action="(/projects/2/cloth/extras/strips/[^/"]+/remove)"', page)
    house.post(out)
    assert "hem ruffle <small>" not in house.get("/projects/2/cloth/extras").text
    assert house.post(out).status_code == 404


@pytest.mark.parametrize(
    "wrong, said",
    [
        ({"long": ""}, "A length is needed here."),
        ({"fullness": "9"}, "Fullness is how many times"),
        ({"count": "0"}, "A number from 1 to 40."),
        ({"name": " "}, "Something has to be written here."),
    ],
)
def test_a_strip_that_cannot_be_cut_is_refused(house, wrong, said):
    strip = {
        "kind": "tie",
        "name": "tie",
        "long": "90",
        "wide": "2,5",
        "count": "1",
        "fullness": "2",
        "role": "main",
        **wrong,
    }
    answer = house.post("/projects/2/cloth/extras/strips", data=strip)
    assert answer.status_code == 422 and said in answer.text and 'value="2,5"' in answer.text


def test_a_batch_is_laid_together_and_counted_on_the_shopping_list(house):
    house.post("/projects/2/cloth/extras/batch", data={"whose": "person:1", "count": "1"})
    house.post("/projects/2/cloth/extras/batch", data={"whose": "size:16", "count": "2"})
    house.post("/projects/2/cloth/extras/batch", data={"whose": "like", "count": "1"})
    house.get("/projects/2/lay/worked-out")
    page = house.get("/projects/2/cloth/extras").text
    assert "5 garments, laid together" in page and "Ysolde Marrick, size" in page and "for each" in page
    assert re.search(r"Side front gore, size 16", house.get("/projects/2/cut").text)
    listed = house.get("/shopping.csv?project=2").text
    assert re.search(r"Invisible zip[^\n]*,5 zips,", listed)
    nobody = house.post("/projects/2/cloth/extras/batch", data={"whose": "person:999"})
    assert nobody.status_code == 422 and "Choose for whom" in nobody.text


def test_notions_besides_stand_on_the_list_with_their_sums(house):
    house.post("/projects/2/cloth/extras/notions", data={"what": "piping", "edge": "waist"})
    house.post("/projects/2/cloth/extras/notions", data={"what": "elastic", "length": "70"})
    page = house.get("/projects/2/cloth/extras").text
    assert "64.5 cm" in page and "Piping, 2.5 m (2 3/4 yd)" in page
    assert "Elastic" in house.get("/shopping?project=2").text
    answer = house.post("/projects/2/cloth/extras/notions", data={"what": "snaps"})
    assert answer.status_code == 422 and "How long, or along which edge" in answer.text


def test_pads_that_room_was_left_for_are_on_the_list(house):
    assert "Shoulder pads" not in house.get("/shopping?project=4").text
    house.post("/projects/4/cloth/layers", data={"pad": "0,8"})
    assert re.search(r"Shoulder pads</b>.*?1 pair", house.get("/shopping?project=4").text, re.S)


def test_buttons_are_bought_on_the_cards_the_shop_has(house):
    assert "7 buttons for each garment" in house.get("/projects/6/cloth/extras").text
    house.post("/projects/6/cloth/extras/card", data={"card": "4"})
    assert re.search(
        r"Buttons, 15 mm \(5/8 in\): 7, on cards of 4</b>.*?2 cards", house.get("/shopping?project=6").text, re.S
    )
    refused = house.post("/projects/6/cloth/extras/card", data={"card": "many"})
    assert refused.status_code == 422 and 'value="many"' in refused.text


# ---------------------------------------------------------------- what is left, and the shelf


def test_what_is_left_goes_on_the_shelf_and_serves_the_next_project(house, quick):
    page = house.get("/projects/1/cut").text
    assert "What is left of Rowan sprigs, viscose" in page and re.search(
        r"The end: 1\.\d+ m at the full width of 137 cm and 0\.\d+ m more", page
    )
    house.post("/projects/1/cut/left/main", data={"keep-0": "yes", "keep-1": "yes"})
    shelf = house.get("/").text
    assert "Rowan sprigs, viscose, what is left" in shelf and "Rowan sprigs, viscose, off-cut 1" in shelf
    assert '">Rowan sprigs, viscose</a>' not in shelf
    assert "on the shelf now" in house.get("/projects/1/cut").text
    follow(house, "/projects/2/shelf/main/0/events")
    page = house.get("/projects/2/cloth/shelf").text
    assert "Small pieces an off-cut would hold" in page and "Front waist facing" in page
    number = re.search(r'name="piece" value="front-facing"><input type="hidden" name="cloth" value="(\d+)"', page)[1]
    house.post("/projects/2/cloth/shelf/piece", data={"piece": "front-facing", "cloth": number})
    assert re.search(rf'<option value="{number}" selected>', house.get("/projects/2/cloth").text)
    refused = house.post("/projects/1/cut/left/main/back")
    assert refused.status_code == 422 and "A project cuts from what was left" in refused.text
    house.post("/projects/2/cloth/shelf/piece", data={"piece": "front-facing"})
    assert 'id="cloth-contrast"' not in house.get("/projects/2/cloth").text
    house.post("/projects/1/cut/left/main/back")
    assert '">Rowan sprigs, viscose</a>' in house.get("/").text


def test_any_cloth_on_the_shelf_is_answered_at_once_where_it_is_certain(house, quick):
    new_cloth(house, name="Snippet", length="20 cm", width="30")
    new_cloth(house, name="Bolt", length="20 m")
    new_cloth(house, name="Nearly", length="1.05 m", width="150")
    new_cloth(house, name="Meant for lining", length="20 m", use="lining")
    page = house.get("/projects/2/cloth/shelf").text
    rows = {name: re.search(rf">{name}</a>.*?</tr>", page, re.S)[0] for name in ("Snippet", "Bolt")}
    assert "<b>yes</b>" in rows["Bolt"] and "<b>yes</b>" not in rows["Snippet"] and ">no" in rows["Snippet"]
    assert "of them only a real layout can tell" in page
    assert ">Meant for lining</a>" not in page and "Light fusible" not in page
    follow(house, "/projects/2/shelf/main/0/events")
    assert "by real layouts" in house.get("/projects/2/cloth/shelf").text


def test_the_most_a_remainder_can_give_is_told_by_real_lays(house, quick):
    """30 cm hold no skirt of 60 cm; 2.3 m of cord hold every size."""
    cord = re.search(r'href="/cloths/(\d+)">Pine needlecord', house.get("/").text)[1]
    follow(house, f"/projects/2/shelf/main/{cord}/events")
    page = house.get(f"/projects/2/cloth/shelf?give={cord}").text
    assert re.search(r"Pine needlecord gives size 22( or \d of this garment, size 10)? at the most", page)
    short = new_cloth(house, name="Scrap", length="30 cm").rpartition("/")[2]
    assert "Scrap gives no size of this pattern" in house.get(f"/projects/2/cloth/shelf?give={short}").text


def test_a_cloth_that_was_cut_up_for_another_project_is_an_alarm(house):
    cord = re.search(r'href="/cloths/(\d+)">Rowan sprigs', house.get("/").text)[1]
    house.post("/projects/3/cloth", data={"cloth-main": cord})
    house.post("/projects/1/cut/left/main", data={})
    assert "its cloth is cut up for another" in house.get("/projects/3/cloth").text


def test_cloth_shorter_than_the_longest_piece_is_told_so(house):
    where = new_cloth(house, name="Scrap", length="30 cm").rpartition("/")[2]
    house.post("/projects/2/cloth", data={"cloth-main": where})
    house.get("/projects/2/cloth/worked-out")
    page = house.get("/projects/2/cloth").text
    assert re.search(r"The (centre|side) (front|back) gore alone is 0\.\d+ m long: no layout helps", page)


def test_cloth_of_unknown_fibre_gets_the_burn_test_with_its_caution(house):
    page = house.get(new_cloth(house, fibre="other")).text
    assert "Burn a snippet held in tweezers" in page and "water at hand" in page
