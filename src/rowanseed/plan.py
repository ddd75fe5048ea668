"""The main job without pages: one project document in, the results of all stations out."""

from __future__ import annotations

import json
from collections.abc import Mapping
from pathlib import Path
from typing import Any

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.yardage import lay_to_use, need, printed, will_it_do
from rowanseed.core.cutting import CutItem
from rowanseed.core.lay.choice import plans_of
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import LayKind, Plan
from rowanseed.core.pattern.one_size import in_one_size
from rowanseed.core.shopping import ClothWanted, Shared, lines_of, merged
from rowanseed.drawings.lay import draw_lay
from rowanseed.drawings.lay_pieces import LayView
from rowanseed.drawings.summary import ClothSummary, summary_page
from rowanseed.formats.layout_json import plan_document, problem_document
from rowanseed.formats.order_json import garment_document, order_document
from rowanseed.formats.project_json import ProjectDocument, read_project
from rowanseed.formats.results_json import cloth_document, cut_document, fit_document
from rowanseed.formats.shopping_csv import write_shopping


def plan_project(document: Path, out: Path, budget: Budget) -> list[str]:
    """Read a project document, write every station's result into a folder, and return the file names.

    Raises DocumentError, PatternError or LayRefusal; nothing is written then.
    """

    def open_pattern(name: str) -> bytes:
        if Path(name).name != name:
            raise DocumentError("The pattern must lie beside the project.", "Write its file name only.", "pattern")
        try:
            return (document.parent / name).read_bytes()
        except OSError as error:
            raise DocumentError(f"The pattern cannot be read: {error.strerror}.", "", f"pattern, {name}") from None

    try:
        text = document.read_bytes()
    except OSError as error:
        raise DocumentError(f"The document cannot be read: {error.strerror}.", "", str(document)) from None
    files = _results(read_project(text, open_pattern), budget)
    out.mkdir(parents=True, exist_ok=True)
    for name, content in files.items():
        shown = content if isinstance(content, str) else json.dumps(content, ensure_ascii=False, indent=1)
        (out / name).write_text(shown + "\n", encoding="utf-8")
    return list(files)


def _results(document: ProjectDocument, budget: Budget) -> dict[str, Any]:
    project = document.project
    for refused in project.refusals:
        raise refused.error
    choices, units = project.choices, project.habits.units
    if choices is None:
        raise DocumentError("The size cannot be told.", project.followed.reason, "choices, size")
    files: dict[str, Any] = {"fit.json": fit_document(project, choices)}
    cloth_results, cut_results, summaries = {}, list[CutItem](), []
    wanted: list[ClothWanted] = []
    for role in project.roles:
        cloth = project.cloths.get(role)
        problem = project.problem(role, cloth) if cloth is not None else None
        if cloth is None or problem is None:
            wanted.append(ClothWanted(role=role, cloth=cloth))
            continue
        plan = _best(solve_each(problem, budget), document.lay, cloth)
        items = project.cut_items(role, cloth, problem, plan)
        needed = need(plan.length, cloth, problem.gap, units)
        verdict = will_it_do(needed, cloth)
        envelope = printed(project.pattern.envelope, project.view, choices.size, role, cloth)
        picture = draw_lay(plan, problem.cloth, cloth, items, LayView(units, numbered=True, id=f"lay-{role.value}"))
        files[f"lay-{role.value}-problem.json"] = problem_document(problem)
        files[f"lay-{role.value}-plan.json"] = plan_document(plan)
        files[f"lay-{role.value}.svg"] = picture
        cloth_results[role.value] = cloth_document(needed, verdict, envelope.length if envelope else None, units)
        cut_results += items
        wanted.append(ClothWanted(role=role, cloth=cloth, number=len(wanted) + 1, need=needed, verdict=verdict))
        summaries.append(
            ClothSummary(role=role, name=cloth.name, need=needed, verdict=verdict, picture=picture, items=items)
        )
    files["cloth.json"] = cloth_results
    files["cut.json"] = cut_document(tuple(cut_results))
    files["garment.json"] = garment_document(in_one_size(project.garment, choices.size))
    files["order.json"] = order_document(
        project.steps,
        pattern=project.garment,
        size=choices.size,
        view=project.view,
        garment="garment.json",
        gaps=project.gaps,
    )
    files["keep.json"] = _to_keep(document)
    files["shopping.csv"] = write_shopping(merged(lines_of(project, document.name, 1, wanted, Shared())), units)
    files["summary.html"] = summary_page(
        name=document.name,
        person=document.person,
        size=choices.size,
        reason=project.followed.reason,
        rows=project.rows,
        cloths=summaries,
        steps=project.steps,
        units=units,
    )
    return files


def _best(answers: Mapping[str, Plan | LayRefusal], wanted: LayKind | None, cloth: Cloth) -> Plan:
    """The lay that was asked for, or the easiest of the shortest. Raises the engine's own error where there is none."""
    if wanted is not None:
        answer = answers.get(wanted.value)
        if answer is None:
            raise DocumentError(f"The lay “{wanted.value}” is not tried for this.", "", "choices, lay")
        if isinstance(answer, LayRefusal):
            raise answer
        return answer
    plans = plans_of(answers)
    name = lay_to_use(plans, cloth)
    if name is None:
        refused = {name: answer for name, answer in answers.items() if isinstance(answer, LayRefusal)}
        raise refused.get(LayKind.OPEN.value) or next(iter(refused.values()))
    return plans[name]


def _to_keep(document: ProjectDocument) -> dict[str, Any]:
    """The log as it begins: what was planned, with room for what happened."""
    project = document.project
    return {
        "project": document.name,
        "pattern": project.pattern.name,
        "cloths": {role.value: {"planned": "cloth.json", "used": None} for role in project.cloths},
        "notes": [],
    }
