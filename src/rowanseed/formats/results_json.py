"""Write what the stations work out as JSON: every figure with its value, its words and its sum."""

from __future__ import annotations

from typing import Any

from rowanseed.core.base.units import Units
from rowanseed.core.base.working import Working
from rowanseed.core.cloth.yardage import ClothNeed, ClothVerdict
from rowanseed.core.cutting import CutItem
from rowanseed.core.garment import GarmentChoices
from rowanseed.core.project import Project
from rowanseed.formats.fit_json import alteration_document


def working_document(working: Working, units: Units) -> dict[str, Any]:
    return {
        "name": working.name,
        "value": round(working.value, 4),
        "shown": working.quantity.show(units),
        "formula": working.formula,
        "rounding": working.rounding,
        "given": [
            {
                "name": given.name,
                "value": round(given.quantity.value, 4),
                "shown": given.quantity.show(units),
                "source": given.source.value,
                **({"working": working_document(given.working, units)} if given.working else {}),
            }
            for given in working.given
        ],
    }


def fit_document(project: Project, choices: GarmentChoices) -> dict[str, Any]:
    """Everything the Fit station shows: size and school, the other schools, ease, alterations, seams."""
    chosen, schools, units = project.followed, project.proposals, project.habits.units
    rows, altered, walks = project.rows, project.altered, project.walks
    return {
        "size": choices.size,
        "recommended": chosen.size,
        "reason": chosen.reason,
        "school": chosen.school.value,
        "schools": [
            {
                "school": p.school.value,
                "size": p.size,
                "blend": dict(p.blend),
                "reason": p.reason,
                "alterations": [alteration_document(a) for a in p.alterations],
            }
            for p in schools
        ],
        "size_working": working_document(chosen.working, units) if chosen.working else None,
        "ease": [
            {
                "measure": row.measure,
                "body": row.body,
                "chart": row.chart,
                "finished": row.finished,
                "ease": row.ease,
                "verdict": row.verdict(units),
            }
            for row in rows
        ],
        "blend": dict(choices.blend),
        "alterations": [alteration_document(a) for a in choices.alterations],
        "touched": [{"piece": t.piece, "edges": list(t.edges), "by": t.by, "why": t.why} for t in altered.touched],
        "seams": [
            {
                "join": w.join.id,
                "a": round(w.a, 3),
                "b": round(w.b, 3),
                "intended": round(w.intended, 3),
                "fault": round(w.fault, 3),
                "verdict": w.verdict.value,
            }
            for w in walks
        ],
    }


def cloth_document(
    needed: ClothNeed, verdict: ClothVerdict | None, envelope: float | None, units: Units
) -> dict[str, Any]:
    return {
        "lay": working_document(needed.lay, units),
        "to_buy": working_document(needed.to_buy, units),
        "envelope": envelope,
        "in_hand": None
        if verdict is None
        else {"enough": verdict.enough, "spare": working_document(verdict.spare, units)},
    }


def cut_document(items: tuple[CutItem, ...]) -> list[dict[str, Any]]:
    return [
        {
            "number": item.number,
            "piece": item.piece.id,
            "cloth": item.role.value,
            "gives": item.gives,
            "layers": item.layers,
            "on_fold": item.on_fold,
            "face_down": item.face_down,
            "grain": None
            if item.grain is None
            else {
                "to": item.grain.to,
                "at_top": round(item.grain.at_top, 2),
                "at_bottom": round(item.grain.at_bottom, 2),
            },
            "marks": [{"what": mark.what, "how": mark.how} for mark in item.marks],
        }
        for item in items
    ]
