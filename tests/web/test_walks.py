"""A household used at random: links are followed, forms are sent with whatever may be chosen or typed in them, in any
order, by somebody who reads nothing. No page breaks, and whatever is refused is said where it was typed."""

import html
import json
import re
import shutil
from datetime import date
from random import Random

import pytest

from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.lay.engine import Budget
from rowanseed.formats.description_json import compose_pattern, write_description
from rowanseed.plan import plan_project
from rowanseed.store import patterns
from rowanseed.store.database import connect

from ..core.everyday import EVERYDAY
from ..outside import check_order, check_plan
from .forms import forms
from .test_every_garment import STRANGE, read

pytestmark = pytest.mark.slow
STEPS = 40
TYPED = ("", "0", "2", "3.5", "12", "100", "150 cm", "7/8 in", "40 1/2", "-3", "1e9", "NaN", "wide", "½", "2026-12-24")
SAID = ('class="said"', "is missing from what was sent", 'class="problem"')
"""How a page says what it did not take."""
ANSWERS = {200, 404, 409, 422}
CHOOSE = ("fit", "fit/alter", "cloth", "cloth/layers", "cloth/extras", "cloth/short?role=main", "sew/ways")
"""Where it is chosen what the garment is to be."""
LAID = ("cloth/widths", "lay", "lay/table", "print", "cut", "cut/steps")
STATIONS = (*CHOOSE, *LAID, "sew", "sew/line", "machine", "keep")
CHOICES = 10
PUTS_AWAY = re.compile(r"/remove|/undo|/records/|/units")
"""What takes the ground from under the walk: seldom done."""


class Walk:
    """Somebody at the pages, who goes wherever `luck` has it."""

    def __init__(self, house, projects, luck, stations=STATIONS):
        self.house, self.projects, self.luck, self.stations = house, projects, luck, stations
        self.trail = []
        self.faults = []
        self.somewhere()

    def somewhere(self):
        self.take("GET", f"{self.luck.choice(self.projects)}/{self.luck.choice(self.stations)}")

    def take(self, method, path, data=None):
        self.trail.append(f"{method} {path} {data or ''}")
        sent = {"params": data or None} if method == "GET" else {"data": data}
        self.page = self.house.request(method, path, **sent)
        self.look()

    def look(self):
        status, text = self.page.status_code, self.page.text
        if status not in ANSWERS:
            self.faults.append(f"{status} after {self.trail[-3:]}")
        if not self.page.headers.get("content-type", "").startswith("text/html"):
            self.somewhere()
            return
        if status == 422 and not any(sign in text for sign in SAID):
            self.faults.append(f"nothing is said after {self.trail[-1]}")
        # What somebody typed is said back to her in quotation marks.
        words = re.sub(r"“[^”]*”", " ", read(text))
        strange = [words[m.start() - 30 : m.end() + 30] for m in STRANGE.finditer(words)]
        self.faults += [f"{one} after {self.trail[-1]}" for one in strange]

    def step(self):
        sendable = forms(self.page.text, asking=True)
        if sendable and self.luck.random() < 0.6:
            self.send(self.luck.choice(sendable))
            return
        links = [html.unescape(link) for link in re.findall(r'href="([/?][^"#]*)', self.page.text)]
        links = [link for link in links if not link.startswith("/static")]
        if not links or self.luck.random() < 0.1:
            self.somewhere()
        else:
            self.take("GET", str(self.page.url.join(self.luck.choice(links))))

    def send(self, form):
        if not form.action.startswith("/") or (PUTS_AWAY.search(form.action) and self.luck.random() < 0.9):
            return
        wild = self.luck.choice((0.0, 0.2, 0.8))
        data = dict(form.fields)
        for name in sorted(form.asked):
            if self.luck.random() >= wild:
                continue
            if name in form.ticks:
                data[name] = [value for value in form.choices[name] if self.luck.random() < 0.5]
            else:
                data[name] = self.luck.choice(form.choices.get(name) or TYPED)
        name, value = self.luck.choice(form.buttons or [("", "")])
        self.take(form.method, form.action, data | ({name: value} if name else {}))
        if self.page.status_code in (404, 409):
            self.faults.append(f"{self.page.status_code}, though it was on the page: {self.trail[-1]}")


def begin(house, database, luck):
    """Two of the demo's projects, and two more of everyday garments, described as an envelope does, each in a size."""
    house.post("/household/units", data={"units": luck.choice(["metric", "imperial"]), "next": "/"})
    db = connect(database)
    numbers = [
        patterns.add_pattern(db, compose_pattern(write_description(EVERYDAY[name])), date(2026, 11, 27))
        for name in luck.sample(sorted(EVERYDAY), 2)
    ]
    db.close()
    projects = ["/projects/1", "/projects/2"]
    for number in numbers:
        begun = {"person": "1", "pattern": str(number), "cloth": luck.choice("1234567")}
        answer = house.post("/projects/new", data=begun, follow_redirects=False)
        projects.append(answer.headers["location"].removesuffix("/fit"))
        fit = next(form for form in forms(house.get(f"{projects[-1]}/fit").text) if "size" in form.choices)
        house.post(fit.action, data=fit.fields | {"size": luck.choice(fit.choices["size"])})
    return projects


@pytest.mark.parametrize("seed", range(6))
def test_whatever_is_pressed_no_page_breaks_and_what_is_refused_is_said(house, tmp_path, seed):
    luck = Random(seed)
    walk = Walk(house, begin(house, tmp_path / "house.db", luck), luck)
    for _ in range(STEPS):
        walk.step()
    assert walk.faults == []


@pytest.mark.parametrize("seed", range(4))
def test_what_a_walk_has_chosen_is_planned_from_its_document_without_a_fault(house, tmp_path, seed):
    """The order played by `check_order`, every lay looked at by `check_plan`: neither shares code with the pages."""
    luck = Random(seed)
    for project in begin(house, tmp_path / "house.db", luck)[2:]:
        walk = Walk(house, [project], luck, CHOOSE)
        for _ in range(CHOICES):
            walk.somewhere()
            walk.step()
        document, out = tmp_path / "project.json", tmp_path / "out"
        document.write_bytes(house.get(f"{project}/project.json").content)
        shutil.rmtree(out, ignore_errors=True)
        try:
            plan_project(document, out, Budget(sweeps=3, threads=1))
        except RowanseedError as refused:
            assert refused.problem
            continue
        garment, order = (json.loads((out / name).read_text()) for name in ("garment.json", "order.json"))
        assert len(order["operations"]) > 8
        assert check_order.check(check_order.Garment(garment), order["operations"]) == [], walk.trail
        for lay in out.glob("lay-*-plan.json"):
            laid = (
                check_plan.read_problem(lay.with_name(lay.name.replace("plan", "problem"))),
                check_plan.read_plan(lay),
            )
            assert check_plan.check(*laid, 0.5) == [], walk.trail
