"""The cutting table: a page with 60 pieces, dragging them, a moved piece's check, printing, the first lay on screen.

What a browser shows is measured in headless Chromium by its own clock, beside a server in a process of its own.
"""

from __future__ import annotations

import json
import tempfile
from collections.abc import Iterator
from dataclasses import replace
from datetime import date
from pathlib import Path
from statistics import median
from time import perf_counter

from playwright.sync_api import Page, sync_playwright
from tests.browser.conftest import ARGUMENTS, CHROMIUM, Server

from benchmarks.figures import Figure, median_seconds
from rowanseed.app.desk import Desk
from rowanseed.app.open_project import load
from rowanseed.core.batch import Member
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.engine import Budget
from rowanseed.core.lay.first import first_lay
from rowanseed.core.lay.problem import LayKind, laid
from rowanseed.core.lay.search import nofit, tables
from rowanseed.core.lay.search.outcome import Progress
from rowanseed.core.lay.search.race import race
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.printing.lines import print_piece
from rowanseed.core.printing.tiles import Paper, lay_on_sheets
from rowanseed.demo import overshirt
from rowanseed.demo.household import fill
from rowanseed.formats.print_pdf import write_sheets
from rowanseed.jobs.searches import warm
from rowanseed.store.database import connect
from rowanseed.store.household import habits
from rowanseed.store.lays import KeptLay, keep_lay
from rowanseed.store.projects import decide

TODAY = date(2026, 11, 26)
OTHERS = 9
MOVES = 30
DRAG_STEPS = 120

COUNT_FRAMES = """() => {
  window.frames_ = [];
  const on = (at) => { window.frames_.push(at); requestAnimationFrame(on); };
  requestAnimationFrame(on);
}"""


def figures() -> Iterator[Figure]:
    yield from _printing()
    yield from _tables()
    with tempfile.TemporaryDirectory() as folder:
        database = Path(folder) / "house.db"
        fill(database)
        pieces = _sixty_pieces(database)
        yield Figure("table", "pieces", pieces, None)
        yield from _in_the_browser(database)


def _printing() -> Iterator[Figure]:
    """The overshirt's pieces from the pattern to the file, nothing remembered of the sheets."""
    pattern = overshirt.draft()
    size = pattern.envelope.sizes[2]
    for paper in Paper:

        def write(paper: Paper = paper) -> None:
            pieces = [print_piece(piece, (size,), piece.cuts, seam_line=True) for piece in pattern.pieces]
            write_sheets(lay_on_sheets(pieces, paper), "Overshirt")

        yield Figure("table", f"overshirt-pdf-{paper.value}-seconds", median_seconds(write, 3), 3.0)


def _tables() -> Iterator[Figure]:
    """How long the overshirt's search takes before it lays anything, and the lay that is shown before that."""
    warm()
    pattern = overshirt.draft()
    cloth = Cloth("Cloth", 1400.0, None, 12.0, Direction.TWO_WAY)
    problem = lay_problem(pattern, GarmentChoices("A", pattern.envelope.sizes[2]), Role.MAIN, cloth)
    for cache in (tables._one, nofit._no_fit, nofit.convex_parts):
        cache.cache_clear()
    seen: list[Progress] = []
    race(problem, Budget(seconds=1.0), seen.append)
    yield Figure("table", "overshirt-tables-seconds", seen[0].tables, 1.0)
    yield Figure("table", "overshirt-first-lay-seconds", median_seconds(lambda: first_lay(problem), 5), 0.2)


def _sixty_pieces(database: Path) -> int:
    """The skirt as a batch, one layer, by rectangles: its lay is kept, so that the table opens with it."""
    db = connect(database, create=False)
    try:
        record = load(Desk(db, habits(db), TODAY), 1).record
        batch = ClothChoices(batch=(Member("Choir", record.size or "", OTHERS),))
        decide(db, 1, lambda found: replace(found, cloth_choices=batch))
        db.execute("DELETE FROM tick WHERE project_id = 1")
        found = load(Desk(db, habits(db), TODAY), 1).cloth_plans[Role.MAIN]
        plan = first_lay(replace(found.problem, lays=(LayKind.FOLDED,)))
        if plan is None:
            raise RuntimeError("the batch has no first lay")
        keep_lay(db, 1, Role.MAIN, KeptLay(found.question, laid(plan), plan))
        return sum(len(stretch.placements) for stretch in plan.stretches)
    finally:
        db.close()


MOVED = """async ([id, x, y]) => {
  const asked = { role: "main", do: "move", id, at: [x, y] };
  const began = performance.now();
  const answer = await fetch("/projects/1/lay/table/change", {
    method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(asked),
  });
  await answer.json();
  return performance.now() - began;
}"""


def _moves(page: Page) -> Iterator[Figure]:
    """Moved over others, to the edge, and free, as the browser waits for it: the drawing is in the answer."""
    read = "[...document.querySelectorAll('#table-box .piece')].map((one) => [one.dataset.id, one.dataset.at])"
    places = page.evaluate(read)
    taken = []
    for k in range(MOVES):
        id, at = places[k % len(places)]
        x, y = (float(part) for part in at.split())
        taken.append(page.evaluate(MOVED, [id, x + 7 * (k % 9), y + 3 * (k % 5)]) / 1000)
    yield Figure("table", "moved-piece-median-seconds", median(taken), 0.05)
    yield Figure("table", "moved-piece-slowest-seconds", max(taken), None)


def _in_the_browser(database: Path) -> Iterator[Figure]:
    server = Server("--database", str(database))
    try:
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(f"{server.url}/projects/1/lay/table")
            page.goto(f"{server.url}/projects/1/lay/table")
            ready = page.evaluate("performance.getEntriesByType('navigation')[0].domContentLoadedEventEnd / 1000")
            yield Figure("table", "page-interactive-seconds", ready, 0.5)
            yield from _moves(page)
            yield Figure("table", "drag-frames-a-second", _frames(page), 50, at_least=True)
            start = perf_counter()
            page.goto(f"{server.url}/projects/5/lay")
            page.wait_for_selector(".live .running-lay")
            yield Figure("table", "first-lay-on-screen-seconds", perf_counter() - start, 1.0)
            browser.close()
    finally:
        server.stop()


def _frames(page: Page) -> float:
    """Frames a second while a piece is dragged hither and thither, by the times the browser gives its own frames."""
    box = page.locator("#table-box .piece").nth(10).bounding_box()
    if box is None:
        raise RuntimeError("there is no piece to drag")
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.evaluate(COUNT_FRAMES)
    for k in range(DRAG_STEPS):
        page.mouse.move(x + 60 * (k % 20) / 20, y + 20 * (k % 10) / 10)
    times = json.loads(page.evaluate("JSON.stringify(window.frames_)"))
    page.mouse.up()
    return float(1000 * (len(times) - 1) / (times[-1] - times[0]))
