"""Short of cloth, and a list for the shop, in the browser."""

import re

import pytest
from playwright.sync_api import expect

from rowanseed.demo.six_gore_skirt import draft

from .conftest import accessibility
from .household import bring_pattern, measure, settled, start

pytestmark = pytest.mark.browser


def test_short_cloth_is_rescued_by_a_tactic_and_the_order_of_making_follows(page, unhurried):
    measure(page, unhurried.url, "Ysolde", waist="77 cm", hip="101 cm")
    bring_pattern(page, unhurried.url, draft())
    page.goto(f"{unhurried.url}/cloths/new")
    page.get_by_label("Name").fill("Remnant")
    page.get_by_label("Width needed").fill("140 cm")
    page.get_by_label("Length in hand").fill("1,45 m")
    page.get_by_label("One-way").check()
    page.get_by_text("Work the shrinkage out").click()
    page.get_by_label("Side before washing").fill("20 cm")
    page.get_by_label("Along the length, after").fill("20 cm")
    page.get_by_label("Across, after").fill("20 cm")
    page.get_by_role("button", name="Keep").click()
    start(page, unhurried.url, "Ysolde", "Remnant")

    # A first answer by bounds at once, then the lay, which says that it is short.
    page.goto(f"{unhurried.url}/projects/1/cloth")
    expect(page.get_by_text("At first sight")).to_be_visible()
    expect(page.get_by_text(re.compile(r"1\.45 m in hand:\s+it (will hardly|will probably|cannot)"))).to_be_visible()
    expect(page.get_by_text(re.compile("Short by")).first).to_be_visible(timeout=120_000)
    page.get_by_role("link", name="What can be done?").click()
    settled(page)
    expect(page.locator(".headline .big")).to_contain_text("It will do with:", timeout=120_000)
    expect(page.locator("table.schools tbody tr").first).to_contain_text("it will do")
    assert accessibility(page) == []
    page.set_viewport_size({"width": 390, "height": 844})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.set_viewport_size({"width": 1280, "height": 800})
    page.get_by_role("button", name="Do that").click()
    expect(page.locator(".slip", has_text="In use")).not_to_contain_text("Cut as the pattern has it")
    page.get_by_role("link", name="This cloth", exact=True).click()
    expect(page.get_by_text(re.compile("It will do: .* left over"))).to_be_visible(timeout=120_000)


def test_stopping_the_table_of_widths_ends_the_searches(page, unhurried):
    """Stopped means stopped: the page is left, and no further case gets known."""
    measure(page, unhurried.url, "Ysolde", hip="101 cm", waist="77 cm")
    bring_pattern(page, unhurried.url, draft())
    start(page, unhurried.url, "Ysolde")
    page.goto(f"{unhurried.url}/projects/1/cloth/widths")
    expect(page.locator(".waiting li").first).to_be_visible(timeout=120_000)
    page.get_by_role("button", name="Stop this").click()
    expect(page).to_have_url(re.compile("/projects/1/cloth$"))
    known = re.compile(r"(\d+) of 9 cases are known")

    def count():
        return int(known.search(page.request.get(f"{unhurried.url}/projects/1/cloth/widths").text())[1])

    page.wait_for_timeout(1000)
    before = count()
    page.wait_for_timeout(3500)  # a case would be searched by now
    assert count() == before < 9


def test_ticks_of_the_shopping_list_outlive_the_page_and_the_network(page, demo):
    page.goto(f"{demo.url}/shopping?project=1&project=4")
    box = page.get_by_label("Hook and eye")
    expect(box).not_to_be_checked()
    page.context.set_offline(True)
    box.check()
    page.context.set_offline(False)
    page.reload()
    expect(page.get_by_label("Hook and eye")).to_be_checked()
    with page.expect_download() as given:
        page.get_by_role("link", name="As CSV").click()
    assert given.value.suggested_filename == "shopping.csv"


def test_a_skirt_faced_and_banded_is_reckoned_and_bought_from_a_phone(page, demo):
    """Layers and strips change what is cut, the sum opens where it stands, and the list goes along to the shop."""
    where = f"{demo.url}/projects/3/cloth"
    page.goto(f"{where}/layers")
    page.get_by_label("Hem", exact=True).check()
    expect(page.locator(".headline .big")).to_have_text("8 pieces worked out from the garment's own")
    expect(
        page.get_by_role("row", name=re.compile("Side front gore, hem facing.*its own edge, 5 cm deep"))
    ).to_be_visible()
    assert accessibility(page) == []

    page.goto(f"{where}/extras")
    page.get_by_label("Kind").select_option("waistband with an underlap")
    page.get_by_label("Name").fill("waistband")
    expect(page.get_by_text("waist is 77 cm, without ease")).to_be_visible()
    page.get_by_label("Finished length").fill("79 cm")
    page.get_by_label("Finished width").fill("3,5")
    page.get_by_role("button", name="Cut this too").click()
    row = page.get_by_role("row", name=re.compile("waistband"))
    expect(row).to_contain_text("84 cm")
    row.locator("summary").first.click()
    expect(row.locator(".sum").first).to_contain_text("underlap")

    page.goto(where)
    settled(page)
    buy = page.locator(".cloth-row", has_text="Slate linen")
    expect(buy.locator(".big")).to_have_text(re.compile(r"Buy \d\.\d0 m"))
    buy.locator(".total summary").click()
    for words in ("straightening", "shrinkage along the grain", "rounded up, as shops sell by 10 cm"):
        expect(buy.locator(".total .sum")).to_contain_text(words)
    said = buy.locator(".big").inner_text().removeprefix("Buy ")
    page.goto(f"{demo.url}/projects/3/cut")
    settled(page)
    expect(page.locator("title", has_text=re.compile("waistband: 1"))).not_to_have_count(0)

    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{demo.url}/shopping?project=3")
    line = page.locator("li", has_text="Slate linen")
    expect(line.locator(".amount")).to_contain_text(said)
    expect(line.locator(".price")).to_contain_text("crowns")
    page.get_by_label("Slate linen").check()
    expect(page.get_by_text(re.compile(r"Together about \d+\.\d\d crowns"))).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    assert accessibility(page) == []
    page.set_viewport_size({"width": 1280, "height": 800})

    page.goto(f"{where}/extras")
    page.get_by_role("button", name=re.compile("Take out ?: waistband")).click()
    expect(page.get_by_role("row", name=re.compile("waistband"))).to_have_count(0)
    page.goto(f"{where}/layers")
    page.get_by_label("Hem", exact=True).uncheck()
    expect(page.locator(".headline .big")).to_have_text("4 pieces worked out from the garment's own")


def test_trousers_that_nearly_suffice_are_saved_and_everything_follows_until_it_is_undone(page, demo):
    where = f"{demo.url}/projects/5/cloth"
    page.goto(where)
    settled(page)
    expect(page.locator(".headline .big").first).to_have_text(re.compile(r"Short by 0\.[01]"))
    page.goto(f"{demo.url}/shopping?project=5")
    expect(page.locator("li", has_text="Pine needlecord")).to_contain_text(
        re.compile(r"What is in hand is short by 0\.[01]. m")
    )
    page.get_by_role("link", name="what can be done?").click()
    settled(page)
    expect(page.locator(".headline .big")).to_contain_text("It will do with:", timeout=120_000)
    rows = page.locator("table.schools tbody tr")
    expect(rows.first).to_contain_text("it will do")
    facing = page.get_by_role("row", name=re.compile("Face the hem instead"))
    facing.get_by_text(re.compile(r"\d+ steps more")).click()
    expect(facing).to_contain_text("Sew the facing to the hem")
    # Which of them suffice lies with how far the searches came: one is taken that does.
    faced = "it will do" in facing.inner_text()
    taken = facing if faced else rows.first
    name = (
        "Face the hem instead of turning it up" if faced else taken.locator("th").inner_text().split(" it will do")[0]
    )
    taken.get_by_role("button", name="Do it").click()
    # Several that are taken together are listed one by one.
    for one in re.split(r", and | and (?=an? )", name):
        expect(page.locator(".slip", has_text="In use")).to_contain_text(re.compile(re.escape(one), re.IGNORECASE))
    if faced:
        page.goto(f"{demo.url}/projects/5/sew")
        expect(page.get_by_role("link", name=re.compile("Sew the facing to the hem")).first).to_be_visible()
    page.goto(where)
    settled(page)
    row = page.locator(".cloth-row", has_text="Pine needlecord").locator(".big")
    expect(row).to_have_text(re.compile("It will do: .* left over"))
    if faced:
        expect(page.get_by_label("Contrast")).to_be_visible()
    page.goto(f"{where}/short?role=main")
    settled(page)
    page.get_by_role("button", name="As the pattern has it").click()
    expect(page.locator(".slip", has_text="In use")).to_contain_text("Cut as the pattern has it.")
