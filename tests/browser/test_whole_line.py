"""One skirt from tape measure to last press, and a pattern of one's own, in the browser."""

import re

import pytest
from playwright.sync_api import expect

from rowanseed.demo.six_gore_skirt import draft

from .household import add_cloth, bring, bring_pattern, measure, start

pytestmark = pytest.mark.browser


def test_one_skirt_from_measuring_to_the_last_press(page, own):
    page.goto(own.url)
    expect(page.get_by_text("Nothing on the table yet")).to_be_visible()
    measure(page, own.url, "Ysolde", waist="30 1/4 in", hip="101,5 cm")
    bring_pattern(page, own.url, draft())
    expect(
        page.get_by_text("6 seams, stitching line measured against stitching line in every size: all meet.")
    ).to_be_visible()
    add_cloth(page, own.url, "Sprigs", "140 cm", "2,6 m", one_way=True)
    add_cloth(page, own.url, "Fusible", "90", "1 m", use="interfacing, fusible")

    page.goto(own.url)
    page.get_by_role("link", name="Start a project").click()
    page.get_by_label("For whom").select_option("Ysolde")
    page.get_by_label("Pattern", exact=True).select_option("Six-gore concert skirt")
    page.get_by_label("Cloth", exact=True).select_option("Sprigs")
    page.get_by_role("button", name="Start").click()

    # Fit: the size and why, the ease, a longer hem carried into every gore.
    expect(page.get_by_text("By the chart, the hip and the waist both say size 14.").first).to_be_visible()
    expect(page.get_by_role("img", name="Body against garment")).to_be_visible()
    page.get_by_role("button", name="Take by the chart").click()
    expect(page.locator(".headline")).to_contain_text("Taken by the chart")
    page.get_by_role("link", name="Alterations").click()
    page.get_by_label("What").select_option(label="Length at the hem")
    page.get_by_label("By", exact=True).fill("2 cm")
    page.get_by_role("button", name="Alter", exact=True).click()
    touched = page.locator(".slip.alteration", has_text="Length at the hem")
    for gore in ("Centre front gore", "Side front gore", "Side back gore", "Centre back gore"):
        expect(touched.get_by_text(gore)).to_be_visible()

    page.get_by_role("link", name="Size and ease").click()

    # Every figure shows its sum, by keyboard too.
    figure = page.locator(".figure").first
    figure.locator("summary").focus()
    page.keyboard.press("Enter")
    expect(figure.locator(".sum")).to_be_visible()

    # Cloth: how much, against the envelope and what is in hand.
    page.get_by_role("link", name="On to the cloth").click()
    page.get_by_label("Interfacing").select_option(label="Fusible, 90 cm")
    expect(page.get_by_text("It will do").first).to_be_visible()
    expect(page.get_by_text("The envelope says").first).to_be_visible(timeout=120_000)

    # Lay: drawn to scale, both ways comparable, one kept.
    page.get_by_role("link", name="On to the layout").click()
    drawing = page.locator("svg.lay")
    expect(drawing).to_be_visible()
    assert drawing.locator("g.piece").count() >= 6
    page.locator(".rivals a", has_text="open").click()
    expect(page.locator(".headline").get_by_text("open, one layer")).to_be_visible()
    page.locator(".rivals a", has_text="folded").click()
    page.get_by_role("button", name="Keep this layout").click()
    expect(page.get_by_text("this layout is kept")).to_be_visible()
    page.get_by_role("button", name="Nearer").click()
    expect(page.locator(".lay-box")).to_have_class(re.compile("scale-2"))
    page.locator(".tabs a", has_text="interfacing").click()
    page.get_by_role("button", name="Keep this layout").click()

    # Cut: piece by piece, and a slip undone.
    page.get_by_role("link", name="On to cutting").click()
    first = page.locator("#tick-main-1")
    first.click()
    expect(first).to_have_attribute("aria-pressed", "true")
    first.click()
    expect(first).to_have_attribute("aria-pressed", "false")
    while page.locator("button.tick[aria-pressed=false]").count():
        left = page.locator("button.tick[aria-pressed=false]").count()
        page.locator("button.tick[aria-pressed=false]").first.click()
        expect(page.locator("button.tick[aria-pressed=false]")).to_have_count(left - 1)
    expect(page.get_by_text("All cut", exact=True)).to_be_visible()

    # Sew: the order, step by step, to the last press.
    page.get_by_role("link", name="On to sewing").click()
    titles = []
    while page.get_by_role("button", name="Done, what next?").count():
        titles.append(page.locator(".step h2").inner_text())
        page.get_by_role("button", name="Done, what next?").click()
        expect(page.get_by_role("heading", name=re.compile(rf"^{len(titles)} of \d+ steps done$"))).to_be_visible()
    assert titles.index("Put in the invisible zip: centre back seam") < titles.index("Sew centre back seam")
    assert titles[-1] == "The last press"
    expect(page.locator(".worktop").get_by_text("Finished")).to_be_visible()

    # Keep: a note and the cloth used; then the server is started again and all is there.
    page.get_by_role("link", name=re.compile("^Keep")).click()
    page.get_by_label("A note").fill("Take in the waist by 1 cm.")
    page.get_by_role("button", name="Keep the note").click()
    expect(page.locator(".notes").get_by_text("Take in the waist by 1 cm.")).to_be_visible()
    page.locator("#used-main").fill("1,6 m")
    page.locator("#used-go-main").click()
    expect(page.get_by_text("used 1.60 m")).to_be_visible()
    own.stop()
    own.start()
    page.goto(f"{own.url}/projects/1/keep")
    expect(page.locator(".notes").get_by_text("Take in the waist by 1 cm.")).to_be_visible()
    expect(page.get_by_text("used 1.60 m")).to_be_visible()
    page.goto(f"{own.url}/projects/1/sew")
    expect(page.locator(".worktop").get_by_text("Finished")).to_be_visible()


DRAWING = """<svg xmlns="http://www.w3.org/2000/svg" width="900mm" height="700mm" viewBox="0 0 900 700">
<g id="size-S"><path id="body-S" d="M20 20 H300 C320 200 330 300 340 620 H20 Z"/>
<rect id="band-S" x="420" y="20" width="90" height="600"/></g>
<g id="size-L"><path id="body-L" d="M20 20 H330 C350 210 360 320 370 660 H20 Z"/>
<rect id="band-L" x="420" y="20" width="90" height="640"/></g></svg>"""


def test_a_pattern_of_ones_own_gets_size_length_lay_and_list(page, own):
    measure(page, own.url, "Nerys", hip="104")
    add_cloth(page, own.url, "Canvas", "112", "1,5 m")
    bring(page, own.url, "apron.svg", DRAWING.replace('width="900mm"', 'width="900"').encode())
    expect(page.locator(".slip.warn")).to_contain_text("tells its size in pixels")
    bring(page, own.url, "apron.svg", DRAWING.encode())
    expect(page.get_by_text("2 outlines in apron.svg")).to_be_visible()
    page.get_by_label("Name of the pattern").fill("Choir apron")
    page.locator("#fold-0").select_option(index=1)
    page.locator("#count-1").fill("none")
    for size, hip in (("S", "96"), ("L", "104")):
        page.get_by_label(f"Hip, size {size}").fill(hip)
    page.get_by_role("button", name="Make the pattern").click()
    expect(page.get_by_text("a whole number from 1 to 100")).to_be_visible()
    expect(page.get_by_label("Name of the pattern")).to_have_value("Choir apron")
    page.locator("#count-1").fill("2")
    page.get_by_role("button", name="Make the pattern").click()
    page.get_by_role("link", name="Sew from it").click()
    page.get_by_label("For whom").select_option("Nerys")
    page.get_by_label("Cloth", exact=True).select_option("Canvas")
    page.get_by_role("button", name="Start").click()
    expect(page.get_by_text("By the chart, the hip says size L.").first).to_be_visible()
    page.get_by_role("button", name="Keep this size").click()
    page.get_by_role("link", name="On to the cloth").click()
    expect(page.get_by_text(re.compile("It will do: .* left over"))).to_be_visible()
    page.get_by_role("link", name="On to the layout").click()
    page.get_by_role("button", name="Keep this layout").click()
    page.get_by_role("link", name="On to cutting").click()
    expect(page.locator("ol.ticks li").first).to_be_visible()
    page.get_by_role("link", name="On to sewing").click()
    expect(page.get_by_text("This pattern names no seams yet")).to_be_visible()


def test_a_search_tells_how_far_it_is_stops_when_asked_and_outlives_its_worker(page, unhurried):
    measure(page, unhurried.url, "Ysolde", waist="77", hip="101")
    bring_pattern(page, unhurried.url, draft())
    add_cloth(page, unhurried.url, "Sprigs", "140 cm", "2,6 m")
    start(page, unhurried.url, "Ysolde", "Sprigs")
    page.goto(f"{unhurried.url}/projects/1/lay")
    expect(page.locator(".waiting .words")).to_contain_text("Main:")
    expect(page.locator("svg.lay")).to_be_visible(timeout=120_000)
    before = page.locator(".headline .big").inner_text()

    page.get_by_role("button", name="Search longer").click()
    expect(page.locator(".waiting .words")).to_contain_text("of 20 s", timeout=120_000)
    page.get_by_role("button", name="That will do").click()
    expect(page.locator("svg.lay")).to_be_visible(timeout=5_000)
    assert page.locator(".headline .big").inner_text() <= before

    # The worker is killed in the middle: the search is taken up again, or said to be lost, and answered in the end.
    page.get_by_role("button", name="Search longer").click()
    expect(page.locator(".waiting .words")).to_contain_text("of 20 s", timeout=120_000)
    unhurried.kill_workers()
    expect(page.locator(".waiting .words")).to_contain_text("its worker had stopped", timeout=90_000)
    page.get_by_role("button", name="That will do").click()
    expect(page.locator("svg.lay")).to_be_visible(timeout=120_000)
