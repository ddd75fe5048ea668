"""The cutting table in the browser: a piece dragged, moved by keys, mended, and kept; found again after a reload."""

import re
import shutil
import sqlite3
from contextlib import closing

import pytest
from playwright.sync_api import expect

from .conftest import Server, accessibility

pytestmark = pytest.mark.browser


@pytest.fixture
def table(filled, tmp_path):
    """The demo household before anything of its first project was cut."""
    shutil.copy(filled, tmp_path / "house.db")
    with closing(sqlite3.connect(tmp_path / "house.db")) as opened, opened:
        opened.execute("DELETE FROM tick WHERE project_id = 1 AND list = 'cut'")
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


def widths(page):
    return page.evaluate("document.querySelector('#table-box svg').getBoundingClientRect().width")


def test_the_cloth_is_zoomed_by_keys_and_wheel_with_a_small_map_and_fitted_again(page, table):
    page.goto(f"{table.url}/projects/1/lay/table")
    whole = widths(page)
    piece(page, "Side back gore").focus()
    page.keyboard.press("+")
    page.keyboard.press("+")
    assert widths(page) == pytest.approx(whole * 1.96, rel=0.02)
    expect(page.locator("#table-map svg")).to_be_visible()
    box = page.locator("#table-box").bounding_box()
    page.mouse.move(box["x"] + box["width"] * 0.8, box["y"] + box["height"] * 0.5)
    nearer = widths(page)
    page.mouse.wheel(0, -400)
    page.wait_for_timeout(300)
    assert widths(page) > nearer
    # The rulers go along: a mark stands where so much of the cloth lies from the cut end.
    off = page.evaluate("""() => {
      const svg = document.querySelector('#table-box svg'), mark = document.querySelectorAll('#ruler-along i')[1];
      const per = svg.getBoundingClientRect().width / Number(svg.getAttribute('viewBox').split(' ')[2]);
      const x = svg.getBoundingClientRect().left + (Number(svg.dataset.left) + parseFloat(mark.textContent) * 10) * per;
      return mark.getBoundingClientRect().left - x;
    }""")
    assert abs(off) < 1.5
    assert accessibility(page) == []
    # The map takes the cloth elsewhere; what is in hand is moved at any zoom by as much as the hand.
    page.locator("#table-map").scroll_into_view_if_needed()
    small = page.locator("#table-map").bounding_box()
    page.mouse.click(small["x"] + 12, small["y"] + small["height"] / 2)
    assert page.evaluate("document.querySelector('#table-box').scrollLeft") == 0
    page.keyboard.press("0")
    page.locator("#zoom-fit").click()
    assert widths(page) == pytest.approx(whole, rel=0.01)
    expect(page.locator("#ruler-along")).to_be_hidden()


def test_two_fingers_zoom_and_one_drags(browser, table):
    context = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True)
    page = context.new_page()
    page.goto(f"{table.url}/projects/1/lay/table")
    whole = widths(page)
    page.locator("#table-box").evaluate("box => box.scrollIntoView({ block: 'center', behavior: 'instant' })")
    box = page.locator("#table-box").bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    touch = page.context.new_cdp_session(page)

    def fingers(kind, *spots):
        points = [{"x": px, "y": py, "id": k} for k, (px, py) in enumerate(spots)]
        touch.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": points})

    fingers("touchStart", (x - 30, y))
    fingers("touchStart", (x - 30, y), (x + 30, y))
    for far in (40, 60, 80):
        fingers("touchMove", (x - far, y), (x + far, y))
    fingers("touchEnd")
    assert widths(page) > whole * 1.8
    context.close()


def test_a_flaw_is_drawn_on_the_cloth_and_the_cut_end_is_pulled(page, table):
    page.goto(f"{table.url}/projects/1/lay/table")
    page.locator("#cut-end").focus()
    page.keyboard.press("Home")
    expect(page.locator("#cut-end-said")).to_contain_text("no longer fit")
    assert page.locator("#table-box .piece.beyond").count() > 0
    page.keyboard.press("End")
    expect(page.locator("#cut-end-said")).to_have_text("")
    page.get_by_label("Mark a flaw").check()
    ground = page.locator("#table-box .ground").bounding_box()
    x, y = ground["x"] + ground["width"] - 30, ground["y"] + 30
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 14, y + 10, steps=3)
    page.mouse.up()
    expect(page.locator("#table-said")).to_contain_text("kept with the cloth")
    expect(page.locator("#table-box .flaw")).to_be_visible()
    assert accessibility(page) == []


def test_a_piece_beside_the_cloth_and_a_layout_put_by_under_a_name(page, table):
    page.goto(f"{table.url}/projects/1/lay/table")
    piece(page, "Back waist facing").click()
    page.locator('.table-tools [data-do="park"]').click()
    expect(page.locator("#table-parked")).to_contain_text("Back waist facing")
    expect(page.locator("#table-faults")).to_contain_text("too seldom")
    page.locator("[data-parked]").click()
    expect(page.locator("#table-faults h2")).to_have_text("All is right")
    page.get_by_label("Or only put it by, under a name").fill("facing at the end")
    page.locator("#name-lay").click()
    expect(page.locator(".rivals-list")).to_contain_text("facing at the end")
    assert accessibility(page) == []
    page.get_by_label("What is matched with what").check()
    page.get_by_label("Seam lines and notches").check()
    expect(page.locator("#table-box .inside").first).to_be_visible()


def test_two_projects_on_one_cloth_are_laid_on_one_table(page, table):
    for number, size in ((3, "14"), (7, "12")):
        page.goto(f"{table.url}/projects/{number}/fit")
        page.locator(f'button[value="{size}"], input[value="{size}"]').first.click()
        page.goto(f"{table.url}/projects/{number}/lay?role=main")
        expect(page.locator(".lay-box").first).to_be_visible(timeout=120_000)
        expect(page.locator(".waiting")).to_have_count(0, timeout=120_000)
    page.goto(f"{table.url}/projects/3/lay/table?role=main")
    page.get_by_role("link", name="Lay it on the same table").click()
    expect(page.locator(".owners")).to_contain_text("Yoked dress for the soprano")
    expect(page.locator("#table-faults h2")).to_have_text("All is right")
    assert page.locator('#table-box .piece[aria-label*="Yoked dress"]').count() > 3
    piece(page, "Yoked dress").focus()
    page.keyboard.press("p")
    expect(page.locator("#table-said")).to_contain_text("pinned")
    assert accessibility(page) == []
    page.locator("#keep-table").click()
    expect(page.locator(".headline")).to_contain_text("Laid together with Yoked dress for the soprano")


def test_the_print_is_matched_where_it_is_shown_as_it_will_look_sewn(page, table):
    page.goto(f"{table.url}/projects/4/lay?role=main")
    expect(page.locator(".waiting")).to_have_count(0, timeout=120_000)
    page.goto(f"{table.url}/projects/4/lay/sewn?role=main")
    expect(page.locator(".big")).to_contain_text("meets at every seam")
    page.get_by_label("At the centres", exact=True).select_option(label="on line 1: left and right mirror each other")
    page.get_by_label("hems level on one bar").check()
    page.locator("#match-again").click()
    expect(page.locator("#match-again")).to_have_count(0)
    expect(page.locator(".waiting")).to_have_count(0, timeout=120_000)
    page.goto(f"{table.url}/projects/4/lay/sewn?role=main")
    expect(page.get_by_label("At the centres", exact=True)).to_have_value("18")
    expect(page.get_by_label("hems level on one bar")).to_be_checked()
    assert accessibility(page) == []
