"""The cutting table in the browser: a piece dragged, moved by keys, mended, and kept; found again after a reload."""

import re
import shutil

import pytest
from playwright.sync_api import expect

from .conftest import Server, accessibility

pytestmark = pytest.mark.browser


@pytest.fixture
def table(filled, tmp_path):
    shutil.copy(filled, tmp_path / "house.db")
    server = Server("--database", str(tmp_path / "house.db"))
    yield server
    server.stop()


def piece(page, name):
    return page.locator(f'#table-box .piece[aria-label*="{name}"]').first


def length(page):
    return page.locator("#table-length").inner_text()


def test_a_lay_is_changed_by_mouse_and_by_keys_and_kept(page, table):
    page.goto(f"{table.url}/projects/1/lay")
    page.get_by_role("link", name="By hand").click()
    expect(page.locator("#table-faults h2")).to_have_text("All is right")
    began = length(page)
    # Dragged over another: said at once on both, in words, with a way to mend it.
    mine, other = piece(page, "Side back gore"), piece(page, "Side front gore")
    a, b = mine.bounding_box(), other.bounding_box()
    page.mouse.move(a["x"] + a["width"] / 2, a["y"] + a["height"] / 2)
    page.mouse.down()
    page.mouse.move(b["x"] + b["width"] / 2, b["y"] + b["height"] / 2, steps=6)
    page.mouse.up()
    expect(page.locator("#table-faults")).to_contain_text("lie over each other")
    assert page.locator("#table-box .piece.fault").count() == 2
    for _ in range(8):
        if not page.locator("#table-faults [data-fault]").count():
            break
        before = page.locator("#table-said").inner_text()
        page.locator("#table-faults [data-fault]").first.click()
        expect(page.locator("#table-said")).not_to_have_text(before)
    expect(page.locator("#table-faults h2")).to_have_text("All is right")
    # By keys alone: the piece keeps the focus, its place is read out.
    piece(page, "Side back gore").focus()
    place = piece(page, "Side back gore").get_attribute("data-at")
    page.keyboard.press("ArrowRight")
    expect(piece(page, "Side back gore")).not_to_have_attribute("data-at", place)
    expect(piece(page, "Side back gore")).to_be_focused()
    expect(page.locator("#table-said")).to_contain_text("Side back gore")
    page.keyboard.press("z")
    expect(piece(page, "Side back gore")).to_have_attribute("data-at", place)
    page.keyboard.press("t")
    expect(page.locator("#table-said")).to_contain_text("the cloth has a way up")
    assert accessibility(page) == []
    changed = length(page)
    assert changed != began
    page.reload()
    expect(page.locator("#table-length")).to_have_text(changed)
    page.locator("#keep-table").click()
    expect(page.locator(".headline")).to_contain_text("this layout is kept")
    expect(page.locator(".headline .big")).to_have_text(changed)


def test_on_a_telephone_a_finger_drags_and_the_page_stays_within_its_width(browser, table):
    context = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True)
    page = context.new_page()
    page.goto(f"{table.url}/projects/1/lay/table")
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    assert accessibility(page) == []
    piece(page, "Back waist facing").tap()
    page.locator('.table-tools [data-do="pin"]').tap()
    expect(piece(page, "Back waist facing")).to_have_class(re.compile("pinned"))
    page.locator('.table-tools [data-do="push"]').tap()
    expect(page.locator("#table-faults h2")).to_have_text("All is right")
    context.close()
