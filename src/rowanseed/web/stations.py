"""The stitched line: every station settled or not, and in words what there is to settle."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from rowanseed.core.units import format_cloth
from rowanseed.store import projects

if TYPE_CHECKING:
    from rowanseed.web.project import ProjectView


@dataclass(frozen=True)
class Station:
    """A station on the stitched line: settled or not, and in words what there is to settle."""

    key: str
    name: str
    done: bool
    words: str
    alarm: bool = False


def stitched_line(project: ProjectView) -> tuple[Station, ...]:
    """The stations of a project, in the order of the work."""
    return (_fit(project), _cloth(project), _lay(project), _cut(project), _sew(project), _keep(project))


def _fit(project: ProjectView) -> Station:
    if project.record.size is None:
        return Station("fit", "Fit", False, "choose the size")
    if project.record.measuring_id != project.person.measuring_id:
        return Station("fit", "Fit", False, "measured again since", alarm=True)
    if project.broken:
        return Station("fit", "Fit", False, "a seam does not meet", alarm=True)
    return Station("fit", "Fit", True, f"size {project.record.size}")


def _cloth(project: ProjectView) -> Station:
    if any(e.cut_by not in (None, project.record.id) for e in project.cloth_entries.values()):
        return Station("cloth", "Cloth", False, "its cloth is cut up for another", alarm=True)
    missing = [role.value for role in project.roles if role not in project.cloth_entries]
    if missing:
        return Station("cloth", "Cloth", False, f"choose the {missing[0]} cloth" if missing[0] == "main"
                       else f"choose the {missing[0]}")  # fmt: skip
    verdicts = [project.verdict(role) for role in project.roles]
    short = [v for v in verdicts if v is not None and not v.enough]
    if short:
        return Station(
            "cloth",
            "Cloth",
            False,
            f"short by {short[0].spare.quantity.show(project.home.units)}",
            alarm=True,
        )
    if not project.cloth_plans or not project.is_worked_out:
        return Station("cloth", "Cloth", False, "work out how much")
    return Station("cloth", "Cloth", True, "enough" if any(verdicts) else "length known")


def _lay(project: ProjectView) -> Station:
    plans = list(project.cloth_plans.values())
    if any(p.is_stale for p in plans):
        return Station("lay", "Lay", False, "changed since it was kept", alarm=True)
    kept = [p for p in plans if p.is_kept]
    if plans and len(kept) == len(project.roles):
        main = kept[0].plan
        return Station("lay", "Lay", True, format_cloth(main.length, project.home.units) if main else "kept")
    return Station("lay", "Lay", False, "keep a lay" if plans else "to come")


def _cut(project: ProjectView) -> Station:
    done = project.ticked("cut")
    # Nothing ticked needs no list: the shelf asks this of every project.
    items = project.cut_items if done else ()
    number = sum(item.key in done for item in items)
    if items and number == len(items):
        return Station("cut", "Cut", True, "all cut")
    return Station("cut", "Cut", False, f"{number} of {len(items)} cut" if number else "to come")


def _sew(project: ProjectView) -> Station:
    done = project.ticked("sew")
    steps = project.steps if done else ()
    number = sum(step.id in done for step in steps)
    if steps and number == len(steps):
        return Station("sew", "Sew", True, "finished")
    return Station("sew", "Sew", False, f"{number} of {len(steps)} steps" if number else "to come")


def _keep(project: ProjectView) -> Station:
    notes = len(projects.notes(project.home.db, project.record.id))
    return Station("keep", "Keep", notes > 0, f"{notes} note{'s' if notes != 1 else ''}" if notes else "to come")
