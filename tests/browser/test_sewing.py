"""A whole garment sewn from the screen: by keyboard, by touch, at the machine, and without a network in the middle."""

import html
import json
import re
import shutil
from pathlib import Path

import pytest
from playwright.sync_api import expect

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.registry import frames, scene_of
from rowanseed.drawings.steps.section import draw_section
from rowanseed.formats.description_json import read_description

from ..core.test_make import DRAFTS
from .conftest import Server, accessibility
from .hands import Keyboard, Touch

pytestmark = pytest.mark.browser
SAMPLES = Path(__file__).parent.parent / "outside" / "descriptions"


@pytest.fixture
def sewn(filled, tmp_path):
    """The demo household, in a copy that may be sewn to the end."""
    shutil.copy(filled, tmp_path / "house.db")
    server = Server("--database", str(tmp_path / "house.db"))
    yield server
    server.stop()


def done(page):
    return int(re.match(r"(\d+) of", page.locator(".slip.order h2").inner_text()).group(1))


def test_a_garment_by_keyboard_with_another_choice_half_way(page, sewn):
    keys = Keyboard(page)
    page.goto(f"{sewn.url}/projects/1/sew")
    assert done(page) == 9
    # Put off what is offered: another step is.
    title = page.locator(".step h2").inner_text()
    keys.press("#put-off")
    expect(page.locator(".step h2")).not_to_have_text(title)
    for number in range(10, 21):
        keys.press("#step-done")
        expect(page.get_by_role("heading", name=f"{number} of 45 steps done")).to_be_visible()
    # Another hem, half-way: what is done stays done, and what changes is said.
    page.goto(f"{sewn.url}/projects/1/sew/ways?part=hem&technique=narrow-hem")
    keys.press("#take-way")
    expect(page.locator("#way-hem")).to_contain_text("your choice, not the usual")
    page.goto(f"{sewn.url}/projects/1/sew")
    expect(page.locator("#since")).to_contain_text("Sew the narrow hem")
    assert done(page) == 20
    keys.press("#looked")
    expect(page.locator("#since")).to_have_count(0)
    # A step of one's own, a note.
    keys.press("#own summary")
    keys.fill("#own-title", "Sew in the label")
    keys.press("#add-own")
    expect(page.locator(".step h2")).to_have_text("Sew in the label")
    keys.press("#notes summary")
    keys.fill("#note-text", "Cotton tape, 4 cm.")
    keys.press("#keep-note")
    expect(page.locator(".step-note")).to_contain_text("Cotton tape, 4 cm.")
    for _ in range(60):
        if not page.locator("#step-done").count():
            break
        before = done(page)
        keys.press("#step-done")
        expect(page.locator(".slip.order h2")).not_to_contain_text(re.compile(rf"^{before} of"))
    expect(page.locator(".worktop").get_by_text("Finished")).to_be_visible()


def test_out_of_order_it_asks_and_ready_now_keeps_to_where_one_is(page, sewn):
    page.goto(f"{sewn.url}/projects/1/sew?step=sew-waist")
    page.locator("#step-done").click()
    expect(page.locator("#asked")).to_contain_text("come first")
    assert done(page) == 9
    page.get_by_role("link", name="No, what is next?").click()
    page.get_by_label("Where you can work").select_option("no-iron")
    expect(page).to_have_url(re.compile("place=no-iron"))
    benches = page.locator(".ready-list .bench").all_inner_texts()
    assert benches and "iron" not in benches
    word = page.locator(".gloss").first
    page.goto(f"{sewn.url}/projects/1/sew?step=sew-waist")
    word.click()
    expect(page.locator(".meaning:popover-open")).to_be_visible()


def test_a_garment_at_the_machine_by_touch_offline_in_the_middle(browser, sewn):
    """390 px wide, taps on either half of the screen; the network goes, the page is opened again, and comes back."""
    context = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True, service_workers="allow")
    page = context.new_page()
    page.set_default_timeout(20_000)
    hand = Touch(page)
    page.goto(f"{sewn.url}/projects/1/sew")
    hand.press("#at-the-machine")
    expect(page.locator("html")).to_have_attribute("data-kept", "yes")
    first = page.locator("#title").inner_text()
    page.touchscreen.tap(330, 420)
    expect(page.locator("#title")).not_to_have_text(first)
    page.touchscreen.tap(40, 420)
    expect(page.locator("#where")).to_contain_text("done")
    expect(page.locator("#line-state")).to_have_text("")

    context.set_offline(True)
    page.touchscreen.tap(330, 420)
    for _ in range(4):
        title = page.locator("#title").inner_text()
        hand.press("#next")
        expect(page.locator("#title")).not_to_have_text(title)
    expect(page.locator("#line-state")).to_contain_text("ticks kept here")
    where = page.locator("#where").inner_text()
    page.reload()
    expect(page.locator("#where")).to_contain_text(re.compile(r"step \d+ of 45"))
    expect(page.locator("#line-state")).to_contain_text("ticks kept here")
    assert where
    context.set_offline(False)
    expect(page.locator("#line-state")).to_have_text("", timeout=60_000)
    page.goto(f"{sewn.url}/projects/1/sew")
    assert done(page) >= 14
    page.goto(f"{sewn.url}/projects/1/machine")
    for _ in range(60):
        if page.evaluate("JSON.parse(document.getElementById('order').textContent).next") == "":
            break
        for _ in range(45):
            if "Done" not in page.locator("#next").inner_text():
                break
            hand.press("#next")
        expect(page.locator("#line-state")).to_have_text("")
        page.goto(f"{sewn.url}/projects/1/machine")
    page.goto(f"{sewn.url}/projects/1/sew")
    expect(page.locator(".worktop").get_by_text("Finished")).to_be_visible()
    context.close()


def test_at_the_machine_every_key_does_and_axe_finds_nothing_in_the_dark(page, sewn):
    page.goto(f"{sewn.url}/projects/1/machine?step=fold-hem")
    assert accessibility(page) == []
    title = page.locator("#title").inner_text()
    page.keyboard.press("n")
    expect(page.locator("#title")).not_to_have_text(title)
    page.keyboard.press("ArrowLeft")
    expect(page.locator("#title")).to_have_text(title)
    page.keyboard.press("PageUp")
    expect(page.locator("#title")).not_to_have_text(title)
    page.keyboard.press("d")
    expect(page.locator("html")).to_have_attribute("data-theme", "dark")
    assert accessibility(page) == []
    size = float(page.locator("#how li").first.evaluate("e => parseFloat(getComputedStyle(e).fontSize)"))
    assert size >= 28, "readable from a metre"
    page.goto(f"{sewn.url}/projects/1/machine?step=interface-back-facing")
    expect(page.locator("#timer")).to_contain_text("0:12")
    page.keyboard.press("t")
    expect(page.locator("#timer")).to_contain_text(re.compile(r"0:(12|11|10)"))


# ---------------------------------------------------------------- every drawing, measured


MEASURE = """() => [...document.querySelectorAll('svg')].flatMap((svg) => {
  const outer = svg.getBoundingClientRect(), name = svg.dataset.name, said = [];
  const texts = [...svg.querySelectorAll('text')], boxes = texts.map((t) => t.getBoundingClientRect());
  if (!svg.querySelector('path, circle, rect')) said.push(name + ': empty');
  boxes.forEach((box, k) => {
    const words = texts[k].textContent;
    const wide = box.left < outer.left - 1 || box.right > outer.right + 1;
    if (wide || box.top < outer.top - 1 || box.bottom > outer.bottom + 1)
      said.push(`${name}: “${words}” reaches out`);
    boxes.slice(k + 1).forEach((other, j) => {
      const over = Math.min(box.right, other.right) - Math.max(box.left, other.left);
      const down = Math.min(box.bottom, other.bottom) - Math.max(box.top, other.top);
      if (over > 1 && down > Math.min(box.height, other.height) * 0.35)
        said.push(`${name}: “${words}” lies on “${texts[k + 1 + j].textContent}”`);
    });
    for (const path of svg.querySelectorAll('path')) {
      if (path.closest('pattern') || path.getAttribute('stroke') === null) continue;
      const into = path.getScreenCTM().inverse();
      for (const share of [0.12, 0.3, 0.5, 0.7, 0.88]) {
        const at = new DOMPoint(box.left + box.width * share, box.top + box.height * 0.52).matrixTransform(into);
        if (path.isPointInStroke(at)) { said.push(`${name}: a line goes through “${words}”`); break; }
      }
    }
  });
  return [...new Set(said)];
})"""


def _measured(browser, drawings):
    page = browser.new_page(viewport={"width": 900, "height": 800})
    parts = [
        svg.replace("<svg ", f'<svg data-name="{html.escape(name, quote=True)}" style="width:420px;height:320px" ', 1)
        for name, svg in drawings
    ]
    page.set_content(f"<body>{''.join(parts)}</body>")
    found = page.evaluate(MEASURE)
    page.close()
    return found


def test_numbers_of_every_section_lie_inside_and_on_no_line(browser):
    scenes = [(word, one.scene) for word, found in frames().items() for one in found]
    drawings = [(f"{word}: {scene.title}", draw_section(scene, "#6b3d5b")) for word, scene in scenes]
    assert len(drawings) > 150
    assert _measured(browser, drawings) == []


def composed():
    from rowanseed.core.compose.compose import compose

    for path in sorted(SAMPLES.glob("*.json")):
        description = read_description(path.read_text())
        yield path.stem, compose(description).pattern, None


@pytest.mark.parametrize("which", ["demo", "described"])
def test_labels_of_every_steps_drawing_lie_inside_and_on_no_line(browser, which):
    garments = [(name, draft, size) for name, (draft, size) in DRAFTS.items()] if which == "demo" else list(composed())
    drawings = []
    for name, pattern, wanted in garments:
        size = wanted or pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
        view = pattern.envelope.views[0]
        for op in compile_garment(pattern, view, size, MakingChoices()).operations:
            laid, scene = draw_laid(pattern, view, size, op, "#6b3d5b", "#d9cbd3"), scene_of(op)
            assert scene is not None or laid is not None, f"{name}: {op.id} has no drawing"
            if laid is not None:
                drawings.append((f"{name} {op.id}", laid.svg))
    assert len(drawings) > 80
    found = _measured(browser, drawings)
    assert found == [], json.dumps(found[:30], indent=1, ensure_ascii=False)
