"""The stitched line: every station settled or not, and in words what there is to settle."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from rowanseed.core.base.units import format_cloth
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
        return Station(key="fit", name="Fit", done=False, words="choose the size")
    if project.record.measuring_id != project.person.measuring_id:
        return Station(key="fit", name="Fit", done=False, words="measured again since", alarm=True)
    if project.broken:
        return Station(key="fit", name="Fit", done=False, words="a seam does not meet", alarm=True)
    return Station(key="fit", name="Fit", done=True, words=f"size {project.record.size}")


def _cloth(project: ProjectView) -> Station:
    if any(e.cut_by not in (None, project.record.id) for e in project.cloth_entries.values()):
        return Station(key="cloth", name="Cloth", done=False, words="its cloth is cut up for another", alarm=True)
    missing = [role.value for role in project.roles if role not in project.cloth_entries]
    if missing:
        return Station(
            key="cloth",
            name="Cloth",
            done=False,
            words=f"choose the {missing[0]} cloth" if missing[0] == "main" else f"choose the {missing[0]}",
        )
    verdicts = [project.verdict(role) for role in project.roles]
    short = [v for v in verdicts if v is not None and not v.enough]
    if short:
        return Station(
            key="cloth",
            name="Cloth",
            done=False,
            words=f"short by {short[0].spare.quantity.show(project.home.units)}",
            alarm=True,
        )
    if not project.cloth_plans or not project.is_worked_out:
        return Station(key="cloth", name="Cloth", done=False, words="work out how much")
    return Station(key="cloth", name="Cloth", done=True, words="enough" if any(verdicts) else "length known")


def _lay(project: ProjectView) -> Station:
    plans = list(project.cloth_plans.values())
    if any(p.is_stale for p in plans):
        return Station(key="lay", name="Lay", done=False, words="changed since it was kept", alarm=True)
    kept = [p for p in plans if p.is_kept]
    if plans and len(kept) == len(project.roles):
        main = kept[0].plan
        return Station(
            key="lay", name="Lay", done=True, words=format_cloth(main.length, project.home.units) if main else "kept"
        )
    return Station(key="lay", name="Lay", done=False, words="keep a lay" if plans else "to come")


def _cut(project: ProjectView) -> Station:
    done = project.ticked("cut")
    # Nothing ticked needs no list: the shelf asks this of every project.
    items = project.cut_items if done else ()
    number = sum(item.key in done for item in items)
    if items and number == len(items):
        return Station(key="cut", name="Cut", done=True, words="all cut")
    return Station(key="cut", name="Cut", done=False, words=f"{number} of {len(items)} cut" if number else "to come")


def _sew(project: ProjectView) -> Station:
    done = project.ticked("sew")
    steps = project.steps if done else ()
    number = sum(step.id in done for step in steps)
    if steps and number == len(steps):
        return Station(key="sew", name="Sew", done=True, words="finished")
    return Station(key="sew", name="Sew", done=False, words=f"{number} of {len(steps)} steps" if number else "to come")


def _keep(project: ProjectView) -> Station:
    notes = len(projects.notes(project.home.db, project.record.id))
    return Station(
        key="keep",
        name="Keep",
        done=notes > 0,
        words=f"{notes} note{'s' if notes != 1 else ''}" if notes else "to come",
    )
