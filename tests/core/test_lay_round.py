"""Half way through cutting the rest is laid again round a flaw: what was cut lies where it was, and stays ticked."""

import shutil
from datetime import date

import pytest

from rowanseed.app.desk import Desk
from rowanseed.app.lay_round import lay_round
from rowanseed.app.open_project import load
from rowanseed.core.base.lay_errors import FlawInCut
from rowanseed.core.lay import edit
from rowanseed.core.lay.check import check
from rowanseed.core.lay.on_cloth import spots
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.database import connect
from rowanseed.store.household import habits
from rowanseed.store.projects import set_tick

TODAY = date(2026, 11, 26)


@pytest.fixture
def desk(filled, tmp_path):
    shutil.copy(filled, tmp_path / "house.db")
    db = connect(tmp_path / "house.db", create=False)
    db.execute("DELETE FROM tick WHERE list = 'cut'")
    yield Desk(db, habits(db), TODAY)
    db.close()


def where_cut(project, done):
    """Where on the open cloth each ticked piece was cut, layer by layer."""
    found = project.cloth_plans[Role.MAIN]
    placed = [item.placement.outline for item in project.cut_items if item.role is Role.MAIN and item.key in done]
    out = []
    for id, p in edit.ids(found.plan):
        if any(_same(p.outline, one) for one in placed):
            out += [(spot.piece, spot.at) for spot in spots(found.problem, found.plan, id)]
    return sorted(out, key=lambda one: (one[0], round(one[1][0], -1), one[1][1]))


def _same(a, b):
    return all(min(p[k] for p in a) == pytest.approx(min(p[k] for p in b), abs=0.5) for k in (0, 1))


@pytest.mark.parametrize("number", [1, 3, 5])
def test_what_is_cut_stays_where_it_was_cut(desk, number):
    project = load(desk, 1)
    items = [item for item in project.cut_items if item.role is Role.MAIN]
    for item in items[:number]:
        set_tick(desk.db, 1, "cut", item.key, True, what=item.what)
    before = where_cut(load(desk, 1), load(desk, 1).ticked("cut"))
    last = max(items[number:], key=lambda item: max(x for x, _ in item.placement.outline))
    x = sum(x for x, _ in last.placement.outline) / len(last.placement.outline)
    y = sum(y for _, y in last.placement.outline) / len(last.placement.outline)
    said = lay_round(desk, 1, Role.MAIN, last.stretch, (x - 15, y - 15), (x + 15, y + 15))
    assert said.startswith("Laid again round it")
    after = load(desk, 1)
    found = after.cloth_plans[Role.MAIN]
    assert found.is_kept and check(found.problem, found.plan) == [] and found.problem.forbidden
    now = where_cut(after, after.ticked("cut"))
    assert [piece for piece, _ in now] == [piece for piece, _ in before]
    for (_, a), (_, b) in zip(now, before, strict=True):
        assert a == pytest.approx(b, abs=found.problem.gap + 1)
    # A piece opened out of the fold that is not cut yet is not ticked either.
    assert len(after.ticked("cut")) <= len(before)


def test_a_flaw_in_what_is_cut_changes_nothing(desk):
    project = load(desk, 1)
    item = next(item for item in project.cut_items if item.role is Role.MAIN)
    set_tick(desk.db, 1, "cut", item.key, True, what=item.what)
    x = sum(x for x, _ in item.placement.outline) / len(item.placement.outline)
    y = sum(y for _, y in item.placement.outline) / len(item.placement.outline)
    with pytest.raises(FlawInCut):
        lay_round(desk, 1, Role.MAIN, item.stretch, (x - 15, y - 15), (x + 15, y + 15))
    assert load(desk, 1).cloth_plans[Role.MAIN].problem.forbidden == ()


def test_grain_that_runs_askew_across_a_cut_piece_is_left_out_beside_it(desk):
    """The strip goes from selvedge to selvedge; what is cut of it is cut."""
    project = load(desk, 1)
    item = next(item for item in project.cut_items if item.role is Role.MAIN)
    set_tick(desk.db, 1, "cut", item.key, True, what=item.what)
    xs = [x for x, _ in item.placement.outline]
    middle = (min(xs) + max(xs)) / 2
    width = project.cloth_plans[Role.MAIN].problem.cloth.width
    lay_round(desk, 1, Role.MAIN, item.stretch, (middle, 0.0), (middle + 40, width / 2))
    found = load(desk, 1).cloth_plans[Role.MAIN]
    assert found.problem.forbidden
    assert found.plan is None or check(found.problem, found.plan) == []
