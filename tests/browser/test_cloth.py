"""Short of cloth, and a list for the shop, in the browser."""

import re

import pytest
from playwright.sync_api import expect

from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import write_pattern

from .conftest import accessibility

pytestmark = pytest.mark.browser


def test_short_cloth_is_rescued_by_a_tactic_and_the_order_of_making_follows(page, own):
    page.goto(f"{own.url}/people/new")
    page.get_by_label("Name").fill("Ysolde")
    page.get_by_label("Waist", exact=True).fill("77 cm")
    page.get_by_label("Hip", exact=True).fill("101 cm")
    page.get_by_role("button", name="Keep").click()
    page.goto(f"{own.url}/patterns/new")
    page.get_by_label("A drawing").set_input_files(
        {"name": "skirt.json", "mimeType": "text/plain", "buffer": write_pattern(draft()).encode()}
    )
    page.get_by_role("button", name="Bring it").click()
    page.goto(f"{own.url}/cloths/new")
    page.get_by_label("Name").fill("Remnant")
    page.get_by_label("Width needed").fill("140 cm")
    page.get_by_label("Length in hand").fill("1,45 m")
    page.get_by_label("One-way").check()
    page.get_by_text("Work the shrinkage out").click()
    page.get_by_label("Side before washing").fill("20 cm")
    page.get_by_label("Along the length, after").fill("20 cm")
    page.get_by_label("Across, after").fill("20 cm")
    page.get_by_role("button", name="Keep").click()
    page.goto(f"{own.url}/projects/new?pattern=1")
    page.get_by_label("For whom").select_option("Ysolde")
    page.get_by_label("Cloth", exact=True).select_option("Remnant")
    page.get_by_role("button", name="Start").click()

    # A first answer by bounds at once, then the lay, which says that it is short.
    page.goto(f"{own.url}/projects/1/cloth")
    expect(page.get_by_text("At first sight")).to_be_visible()
    expect(page.get_by_text(re.compile("1.45 m in hand: it (will hardly|will probably|cannot)"))).to_be_visible()
    expect(page.get_by_text(re.compile("Short by")).first).to_be_visible(timeout=40_000)
    page.get_by_role("link", name="What can be done?").click()
    expect(page.locator("table.schools tr").nth(5)).to_be_visible(timeout=120_000)
    while page.locator(".waiting").count():
        page.wait_for_timeout(500)
    expect(page.locator(".headline .big")).to_contain_text("It will do with:")
    assert accessibility(page) == []
    page.set_viewport_size({"width": 390, "height": 844})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.set_viewport_size({"width": 1280, "height": 800})
    page.get_by_role("button", name="Do that").click()
    expect(page.locator(".slip", has_text="In use")).not_to_contain_text("Cut as the pattern has it")
    page.get_by_role("link", name="This cloth", exact=True).click()
    expect(page.get_by_text(re.compile("It will do: .* left over"))).to_be_visible(timeout=40_000)


def test_stopping_the_table_of_widths_ends_the_searches(page, own):
    """Stopped means stopped: the page is left, and no further case gets known."""
    page.goto(f"{own.url}/people/new")
    page.get_by_label("Name").fill("Ysolde")
    page.get_by_label("Hip", exact=True).fill("101 cm")
    page.get_by_label("Waist", exact=True).fill("77 cm")
    page.get_by_role("button", name="Keep").click()
    page.goto(f"{own.url}/patterns/new")
    page.get_by_label("A drawing").set_input_files(
        {"name": "skirt.json", "mimeType": "text/plain", "buffer": write_pattern(draft()).encode()}
    )
    page.get_by_role("button", name="Bring it").click()
    page.goto(f"{own.url}/projects/new?pattern=1")
    page.get_by_label("For whom").select_option("Ysolde")
    page.get_by_role("button", name="Start").click()
    page.goto(f"{own.url}/projects/1/cloth/widths")
    expect(page.locator(".waiting li").first).to_be_visible(timeout=40_000)
    page.get_by_role("button", name="Stop this").click()
    expect(page).to_have_url(re.compile("/projects/1/cloth$"))
    known = re.compile(r"(\d+) of 9 cases are known")

    def count():
        return int(known.search(page.request.get(f"{own.url}/projects/1/cloth/widths").text())[1])

    page.wait_for_timeout(1500)
    before = count()
    page.wait_for_timeout(6000)
    assert count() == before < 9


def test_ticks_of_the_shopping_list_outlive_the_page_and_the_network(page, demo):
    page.goto(f"{demo.url}/shopping?project=1&project=4")
    box = page.get_by_label("Hook and eye, or hook and bar")
    expect(box).not_to_be_checked()
    page.context.set_offline(True)
    box.check()
    page.context.set_offline(False)
    page.reload()
    expect(page.get_by_label("Hook and eye, or hook and bar")).to_be_checked()
    with page.expect_download() as given:
        page.get_by_role("link", name="As CSV").click()
    assert given.value.suggested_filename == "shopping.csv"
