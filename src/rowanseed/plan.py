"""The main job without pages: one project document in, the results of all stations out."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

from rowanseed.core.base.errors import DocumentError, LayRefusal
from rowanseed.core.batch import smaller
from rowanseed.core.cloth.yardage import need, printed, will_it_do
from rowanseed.core.cutting import CutItem, cut_list
from rowanseed.core.garment import GarmentChoices, altered, derived, lay_problem, to_cut
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import LayKind, Plan
from rowanseed.core.make.compiler import compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import walk
from rowanseed.core.saving.combine import combined
from rowanseed.core.sizing.schools import proposals
from rowanseed.drawings.lay import draw_lay
from rowanseed.drawings.lay_pieces import LayView
from rowanseed.drawings.summary import ClothSummary, summary_page
from rowanseed.formats.layout_json import plan_document, problem_document
from rowanseed.formats.project_json import ProjectDocument, read_project
from rowanseed.formats.results_json import cloth_document, cut_document, fit_document, sew_document


def plan_project(document: Path, out: Path, budget: Budget) -> list[str]:
    """Read a project document, write every station's result into a folder, and return the file names.

    Raises DocumentError, PatternError or LayRefusal; nothing is written then.
    """

    def open_pattern(name: str) -> bytes:
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


def _results(project: ProjectDocument, budget: Budget) -> dict[str, Any]:
    choices, units = project.choices(), project.household.units
    changed = altered(project.pattern, choices)
    garment, everything = _garments(project, choices, changed.pattern)
    advice, _ = project.proposal()
    grown = changes(project.pattern, changed.pattern, choices.size, project.view)
    rows = project.choosing().rows(choices.size, changes=grown)
    walks = walk(changed.pattern, choices.size)
    steps = sequence(compile_steps(garment, project.view, choices.size, project.household))
    files: dict[str, Any] = {
        "fit.json": fit_document(
            chosen=advice,
            schools=proposals(project.choosing()),
            choices=choices,
            rows=rows,
            altered=changed,
            walks=walks,
            units=units,
        )
    }
    cloth_results, cut_results, summaries = {}, list[CutItem](), []
    for role in everything.roles(project.view):
        cloth = project.cloths.get(role)
        if cloth is None:
            continue
        problem = lay_problem(
            pattern=everything,
            choices=choices,
            role=role,
            cloth=cloth,
            tactics=project.tactics.get(role, ()),
            matching=project.reckoning.matched(role),
            on_border=project.reckoning.on_border and role is Role.MAIN,
        )
        plan = _best(solve_each(problem, budget), project.lay)
        items = cut_list(
            pattern=everything, size=choices.size, role=role, problem=problem, plan=plan, surface=cloth.surface
        )
        needed = need(plan.length, cloth, problem.gap, units)
        verdict = will_it_do(needed, cloth)
        envelope = printed(project.pattern.envelope, project.view, choices.size, role, cloth)
        picture = draw_lay(plan, problem.cloth, cloth, items, LayView(units, numbered=True, id=f"lay-{role.value}"))
        files[f"lay-{role.value}-problem.json"] = problem_document(problem)
        files[f"lay-{role.value}-plan.json"] = plan_document(plan)
        files[f"lay-{role.value}.svg"] = picture
        cloth_results[role.value] = cloth_document(needed, verdict, envelope.length if envelope else None, units)
        cut_results += items
        summaries.append(
            ClothSummary(role=role, name=cloth.name, need=needed, verdict=verdict, picture=picture, items=items)
        )
    files["cloth.json"] = cloth_results
    files["cut.json"] = cut_document(tuple(cut_results))
    files["sew.json"] = sew_document(steps)
    files["keep.json"] = _to_keep(project, project.pattern)
    files["summary.html"] = summary_page(
        name=project.name,
        person=project.person,
        size=choices.size,
        reason=advice.reason,
        rows=rows,
        cloths=summaries,
        steps=steps,
        units=units,
    )
    return files


def _garments(project: ProjectDocument, choices: GarmentChoices, changed: Pattern) -> tuple[Pattern, Pattern]:
    """The garment as it is made, and all there is to cut: with strips and the batch's other garments."""
    tactics = combined(tuple(t for taken in project.tactics.values() for t in taken))
    reckoning = project.reckoning

    def made(pattern: Pattern, size: str) -> Pattern:
        return derived(pattern, size, project.view, reckoning, tactics)

    garment = made(changed, choices.size)
    batch = smaller(reckoning.batch) if "smaller-batch" in tactics else reckoning.batch
    members = tuple(
        (
            m,
            made(
                altered(
                    project.pattern,
                    GarmentChoices(view=project.view, size=m.size, blend=m.blend, alterations=m.alterations),
                ).pattern,
                m.size,
            ),
        )
        for m in batch
    )
    return garment, to_cut(garment, choices.size, reckoning, members)


def _best(answers: dict[str, Plan | LayRefusal], wanted: LayKind | None) -> Plan:
    """The lay that was asked for, or the shortest. Raises the engine's own error where there is none."""
    if wanted is not None:
        answer = answers.get(wanted.value)
        if answer is None:
            raise DocumentError(f"The lay “{wanted.value}” is not tried for this.", "", "choices, lay")
        if isinstance(answer, LayRefusal):
            raise answer
        return answer
    plans = [answer for answer in answers.values() if isinstance(answer, Plan)]
    if not plans:
        refused = {name: answer for name, answer in answers.items() if isinstance(answer, LayRefusal)}
        raise refused.get(LayKind.OPEN.value) or next(iter(refused.values()))
    return min(plans, key=lambda plan: plan.length)


def _to_keep(project: ProjectDocument, pattern: Pattern) -> dict[str, Any]:
    """The log as it begins: what was planned, with room for what happened."""
    return {
        "project": project.name,
        "pattern": pattern.name,
        "cloths": {role.value: {"planned": "cloth.json", "used": None} for role in project.cloths if role in Role},
        "notes": [],
    }
