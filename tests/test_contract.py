"""The pages and `rowanseed plan` say the same of the same project: sizes, figures, pieces, steps, what to buy."""

import json
import shutil
from datetime import date

import pytest
from fastapi.testclient import TestClient

from rowanseed.app.desk import Desk
from rowanseed.app.open_project import load
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.plan import plan_project
from rowanseed.store.database import connect
from rowanseed.store.household import habits
from rowanseed.store.lays import keep_answers, keep_lay
from rowanseed.web.app import create_app

pytestmark = pytest.mark.slow

BUDGET = Budget(sweeps=40, threads=1)


@pytest.mark.parametrize("id", [1, 3, 4, 5])
def test_pages_and_command_line_agree(filled, tmp_path, quick, id):
    shutil.copy(filled, tmp_path / "house.db")
    db = connect(tmp_path / "house.db")
    desk = Desk(db=db, habits=habits(db), today=date(2026, 11, 25))
    for role, plan in load(desk, id).cloth_plans.items():
        # Both are to speak of the same lays: those that this many sweeps find, and none that was kept.
        keep_lay(db, id, role, None)
        db.execute("DELETE FROM lay_answer WHERE question = ?", (plan.question,))
        keep_answers(db, plan.question, solve_each(plan.problem, BUDGET))
    pages = TestClient(create_app(tmp_path / "house.db"))
    document = tmp_path / "project.json"
    document.write_bytes(pages.get(f"/projects/{id}/project.json").content)
    plan_project(document, tmp_path / "out", BUDGET)

    def planned(name):
        return json.loads((tmp_path / "out" / name).read_text())

    project = load(desk, id)
    fit = planned("fit.json")
    assert fit["size"] == project.core.size
    assert f"Size {fit['size']}" in pages.get(f"/projects/{id}/fit").text
    assert set(planned("cloth.json")) == {role.value for role in project.cloth_plans}
    cloth_page = pages.get(f"/projects/{id}/cloth").text
    for role in project.cloth_plans:
        problem = pages.get(f"/projects/{id}/lay/{role.value}/problem.json").json()
        assert problem == planned(f"lay-{role.value}-problem.json")
        assert pages.get(f"/projects/{id}/lay/{role.value}/plan.json").json() == planned(f"lay-{role.value}-plan.json")
        needed, written = project.need(role), planned("cloth.json")[role.value]
        assert written["lay"]["value"] == round(needed.lay.value, 4)
        assert written["to_buy"]["value"] == round(needed.to_buy.value, 4)
        assert written["to_buy"]["shown"] in cloth_page
        verdict = project.verdict(role)
        assert written["in_hand"] == (None if verdict is None else written["in_hand"])
        assert verdict is None or written["in_hand"]["enough"] == verdict.enough
    assert [item["piece"] for item in planned("cut.json")] == [item.piece.id for item in project.cut_items]
    sewn = planned("order.json")["operations"]
    assert [step["id"] for step in sewn] == [step.id for step in project.core.steps]
    assert f"of {len(sewn)}" in pages.get(f"/projects/{id}/sew").text
    assert (tmp_path / "out" / "shopping.csv").read_text().split() == pages.get(
        f"/shopping.csv?project={id}"
    ).text.split()
    db.close()
