"""What is left of a cloth, layers and strips, in the browser as a sewist meets them."""

import io
import re

import pytest
from PIL import Image
from playwright.sync_api import expect

from .conftest import accessibility
from .household import settled

pytestmark = pytest.mark.browser


def test_what_is_left_is_shelved_offered_to_another_garment_and_put_back(page, demo):
    page.goto(f"{demo.url}/projects/1/cut")
    form = page.locator(".remnants", has_text="Rowan sprigs, viscose")
    expect(form.locator("svg").first).to_be_visible()
    form.get_by_role("button", name="Put these on the shelf").click()
    expect(page.get_by_text("Left of Rowan sprigs, viscose, on the shelf now")).to_be_visible()
    page.get_by_role("link", name="Rowan sprigs, viscose, what is left").click()
    expect(page.get_by_role("heading", name="What is left of it")).to_be_visible()

    page.goto(f"{demo.url}/projects/2/cloth/shelf")
    settled(page)
    expect(page.locator(".headline .big")).to_have_text(re.compile(r"\d of \d+ cloths on the shelf will do"))
    row = page.get_by_role("row", name=re.compile("Front waist facing.*what is left"))
    row.get_by_role("button").click()
    slip = page.locator(".slip", has_text="Cut from the contrast cloth")
    expect(slip).to_contain_text("Front waist facing")
    assert accessibility(page) == []
    page.goto(f"{demo.url}/projects/2/cut")
    settled(page)
    expect(page.get_by_role("heading", name=re.compile("Rowan sprigs, viscose, what is left, open"))).to_be_visible()
    page.goto(f"{demo.url}/projects/2/cloth/shelf")
    settled(page)
    page.locator(".slip", has_text="Cut from the contrast cloth").get_by_role("button").click()
    expect(page.locator(".slip", has_text="Cut from the contrast cloth")).to_have_count(0)
    page.goto(f"{demo.url}/projects/1/cut")
    page.locator("#put-back-main").click()
    expect(page.locator("#keep-left-main")).to_be_visible()


def test_a_lining_is_chosen_seen_and_sewn(page, demo):
    page.goto(f"{demo.url}/projects/2/cloth/layers")
    page.get_by_label("Lining", exact=True).select_option("facing deducted")
    expect(page.locator(".headline .big")).to_have_text("4 pieces worked out from the garment's own")
    page.get_by_label("At the hem").select_option("sewn to the hem")
    expect(page.get_by_role("cell", name=re.compile("1.3 cm past the finished hem")).first).to_be_visible()
    assert accessibility(page) == []
    page.goto(f"{demo.url}/projects/2/sew")
    expect(page.get_by_role("link", name=re.compile("Hang the lining in the shell")).first).to_be_visible()
    page.goto(f"{demo.url}/projects/2/cloth/layers")
    page.get_by_label("Lining", exact=True).select_option("no lining")
    expect(page.locator(".headline .big")).to_have_text("As the pattern has it")


def test_a_strip_and_a_batch_are_reckoned_by_keyboard(page, demo):
    page.goto(f"{demo.url}/projects/5/cloth/extras")
    page.get_by_label("Kind").select_option("bias strip for binding")
    page.get_by_label("Name").fill("pocket binding")
    page.get_by_label("Finished length").fill("60")
    page.get_by_label("Finished width").fill("nothing")
    page.keyboard.press("Enter")
    expect(page.get_by_text("“nothing” is not a length that can be read.")).to_be_visible()
    expect(page.get_by_label("Name")).to_have_value("pocket binding")
    page.get_by_label("Finished width").fill("1")
    page.keyboard.press("Enter")
    row = page.get_by_role("row", name=re.compile("pocket binding"))
    expect(row).to_contain_text("62 cm")
    row.locator("summary").first.click()
    expect(row.locator(".sum").first).to_contain_text("finished length")
    page.get_by_label("One more, for").select_option(label="Ysolde Marrick, alto")
    page.get_by_role("button", name="Add to the batch").click()
    expect(page.locator(".headline .big")).to_have_text("2 garments, laid together")
    assert accessibility(page) == []
    for name in (re.compile("Take out ?: pocket binding"), re.compile("Take out ?: Ysolde")):
        page.get_by_role("button", name=name).click()
        expect(page.get_by_role("button", name=name)).to_have_count(0)


def test_a_photo_of_the_cloth_is_kept(page, demo):
    picture = io.BytesIO()
    Image.new("RGB", (300, 200), "#4a6078").save(picture, "PNG")
    page.goto(f"{demo.url}/cloths/4")
    page.get_by_label("A photo of it").set_input_files(
        {"name": "linen.png", "mimeType": "image/png", "buffer": picture.getvalue()}
    )
    page.get_by_role("button", name="Keep the photo").click()
    expect(page.get_by_role("img", name="Slate linen", exact=True)).to_be_visible()
    page.get_by_role("button", name="Remove the photo").click()
    expect(page.get_by_label("A photo of it")).to_be_visible()
