"""Every page by axe-core, at a phone's width, by keyboard, and in both units."""

import pytest
from playwright.sync_api import expect

from .conftest import accessibility
from .household import settled

pytestmark = pytest.mark.browser

PATHS = [
    "/",
    "/household",
    "/household/records",
    "/people/1",
    "/cloths/1",
    "/patterns/1",
    "/patterns/new",
    "/patterns/describe",
    "/patterns/own",
    "/patterns/own?kind=robe",
    *(f"/patterns/5{part}" for part in ("", "/describe", "/tissue")),
    "/patterns/6",
    *(f"/projects/7/{station}" for station in ("fit", "cloth", "lay")),
    "/projects/new",
    "/nowhere",
    "/shopping?project=1&project=4",
    "/projects/1/cloth/widths",
    "/cloths/new",
    *(f"/projects/3/cloth{part}" for part in ("", "/layers", "/extras", "/shelf")),
    "/projects/4/cloth",
    "/measuring",
    "/people/3/measure?project=5",
    *(f"/projects/4/fit{part}" for part in ("", "/alter", "/seams", "/tissue")),
    "/projects/4/sew",
    "/projects/1/sew/ways?part=front-seams&technique=french",
    *(f"/projects/1/sew{part}" for part in ("/line?step=zip-zip", "/time", "/samples?sample=stitch")),
    "/projects/1/sew?step=try-on-shell",
    "/projects/1/sew?step=sew-waist",
    "/projects/1/machine",
    "/sewing?with=1&with=2",
    *(f"/projects/1/{part}" for part in ("lay/table", "lay/sewn", "print", "projector", "cut/steps")),
    "/projects/1/cut/steps/main%3Afront%3A0/wrong",
    *(f"/projects/1/{station}" for station in ("cloth", "lay", "cut", "sew", "keep")),
    *(f"/projects/2/{station}" for station in ("lay", "cut")),
]


@pytest.mark.parametrize("path", PATHS)
def test_axe_finds_nothing_and_nothing_reaches_over_the_edge_of_a_phone(browser, demo, path):
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.goto(demo.url + path)
    settled(page)
    faults = accessibility(page)
    page.set_viewport_size({"width": 390, "height": 844})
    wide = page.evaluate("document.documentElement.scrollWidth")
    cut_off = page.evaluate("[...document.querySelectorAll('.units')].some(e => e.scrollWidth > e.clientWidth)")
    narrow = accessibility(page)
    page.close()
    assert faults == [] and narrow == []
    assert wide <= 390 and not cut_off


def test_a_step_is_ticked_by_keyboard_and_the_focus_stays(page, demo):
    page.goto(f"{demo.url}/projects/2/sew")
    first = page.locator("#step-done")
    first.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("1 of 44 steps done")).to_be_visible()
    expect(page.locator("#step-done")).to_be_focused()
    page.goto(f"{demo.url}/projects/2/sew?step=sample-stitch")
    page.get_by_role("button", name="Not done after all").click()
    expect(page.get_by_text("0 of 44 steps done")).to_be_visible()


def test_the_unit_switch_leads_back_to_the_same_page(page, demo):
    page.goto(f"{demo.url}/projects/1/fit")
    page.get_by_role("button", name="in", exact=True).click()
    bars = page.get_by_role("img", name="Body against garment")
    expect(bars.get_by_text("body 30 1/4 in", exact=True)).to_be_visible()
    assert page.url.endswith("/projects/1/fit")
    page.get_by_role("button", name="cm", exact=True).click()
    expect(bars.get_by_text("body 77 cm", exact=True)).to_be_visible()


def test_without_motion_nothing_moves(browser, demo):
    page = browser.new_page(reduced_motion="reduce")
    page.goto(demo.url)
    page.evaluate("document.body.insertAdjacentHTML('beforeend', '<div class=\"running\"></div>')")
    assert page.evaluate("getComputedStyle(document.querySelector('.running')).animationName") == "none"
    page.close()
