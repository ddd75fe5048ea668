"""A shirt fitted from the tape to the tissue, in the browser."""

import re

import pytest
from playwright.sync_api import expect

from rowanseed.demo.overshirt import draft

from ..core.pieces import unlike_shoulders
from .household import bring_pattern, measure, start

pytestmark = pytest.mark.browser


def test_a_shirt_is_measured_chosen_altered_walked_and_told_for_the_tissue(page, own):
    measure(page, own.url, "Bertil")
    bring_pattern(page, own.url, unlike_shoulders(draft()))
    start(page, own.url, "Bertil")

    # Nothing is measured yet: the station asks, and walks through what this pattern needs.
    expect(page.locator(".ask").first).to_contain_text("Not measured yet")
    page.get_by_role("link", name="Measure Bertil").click()
    figures = {"Bust or chest": "108 cm", "Hip": "104", "Waist": "96", "Neck": "41.5", "Upper arm": "35"}
    for _ in range(8):
        heading = page.locator("h1.big")
        if not heading.count():
            break
        expect(page.locator("svg.figure-drawing")).to_be_visible()
        page.get_by_label("What the tape says").fill(figures.get(heading.inner_text(), ""))
        page.locator("#next-measure").click()
        page.wait_for_load_state()
    expect(page.get_by_text("What each school of choosing would give")).to_be_visible()

    # All schools side by side; a different wish changes what they say; one is taken, with a reason.
    schools = page.locator("table.schools tr")
    expect(schools).to_have_count(7)
    page.get_by_label("Worn over").select_option("a thick jumper or a jacket more")
    page.get_by_role("button", name="Work it out for this").click()
    expect(page.locator("table.schools tr.best")).to_contain_text("As outerwear")
    page.get_by_role("button", name="Take as outerwear").click()
    expect(page.locator(".headline")).to_contain_text("Taken as outerwear")
    expect(page.locator(".headline .big")).to_contain_text("Size 2XL")
    page.get_by_role("radio", name="L", exact=True).check()
    page.get_by_label("Why, for later").fill("he likes it close")
    page.get_by_role("button", name="Change").click()
    expect(page.locator(".headline")).to_contain_text("Your own choice: he likes it close")

    # Altered: sleeves shorter, the body longer; the band goes along; the order can be changed.
    page.get_by_role("link", name="Alterations").click()
    page.get_by_label("What").select_option(label="Sleeve length, at the printed line")
    page.get_by_label("Which way").select_option("less")
    page.get_by_label("By", exact=True).fill("2 cm")
    page.get_by_role("button", name="Alter", exact=True).click()
    expect(page.locator(".alteration")).to_have_count(1)
    page.get_by_label("What").select_option(label="Body length, at the printed line")
    page.get_by_label("By", exact=True).fill("1 metre")
    page.get_by_role("button", name="Alter", exact=True).click()
    expect(page.locator(".said")).to_contain_text("more than this alteration bears")
    expect(page.get_by_label("By", exact=True)).to_have_value("1 metre")
    page.get_by_label("By", exact=True).fill("1 in")
    page.get_by_role("button", name="Alter", exact=True).click()
    second = page.locator(".alteration").nth(1)
    expect(second).to_contain_text("Front band +2.5 cm")
    expect(second).to_contain_text("sewn to “Front”")
    second.get_by_role("button", name="Earlier").click()
    expect(page.locator(".alteration").nth(0)).to_contain_text("Body length")
    page.get_by_role("button", name="Nearer").click()
    expect(page.locator(".lay-box")).to_have_class(re.compile("scale-2"))

    # Front and back are drawn with unlike shoulders: their seam is asked about, on both yokes, and is meant so.
    expect(page.get_by_role("alert")).to_contain_text("A seam no longer meets")
    page.get_by_role("link", name="Look at the seams").click()
    expect(page.locator(".headline")).to_contain_text("2 seams do not meet")
    for left in ("1 seam does not meet", "Every seam meets"):
        page.get_by_role("button", name=re.compile("It is meant so")).first.click()
        expect(page.locator(".headline")).to_contain_text(left)

    # On the tissue: in order, each step with its figure.
    page.get_by_role("link", name="On the tissue").click()
    expect(page.locator(".tissue")).to_have_count(2)
    expect(page.locator(".tissue").nth(0)).to_contain_text("spread the halves 2.5 cm apart")
    expect(page.locator(".tissue").nth(1)).to_contain_text("2 cm below the printed line")


def test_the_schools_stand_below_each_other_on_a_phone(browser, demo):
    page = browser.new_page(viewport={"width": 390, "height": 844})
    page.goto(f"{demo.url}/projects/4/fit")
    row = page.locator("table.schools tr", has_text="By the high bust")
    box, button = row.bounding_box(), row.get_by_role("button").bounding_box()
    assert button["x"] + button["width"] <= 390
    assert box["width"] <= 390
    page.close()
