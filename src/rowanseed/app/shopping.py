"""One shopping list for several projects of the household."""

from __future__ import annotations

from collections.abc import Collection, Sequence

from rowanseed.app.desk import Desk
from rowanseed.app.open_project import OpenProject, open_record
from rowanseed.app.searching import Asked, asked
from rowanseed.app.shared_lay import laid_with
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.shopping import ClothWanted, Shared, ShoppingLine, lines_of, merged
from rowanseed.settings import settings
from rowanseed.shop.prices import Price, price_of_cloth, price_of_notion
from rowanseed.store import projects


def chosen_projects(desk: Desk, numbers: Sequence[int]) -> tuple[list[OpenProject], list[str]]:
    """The projects of these numbers, or all, the newest first; and in words those that cannot be worked out."""
    found, broken = [], []
    for record in projects.projects(desk.db):
        if numbers and record.id not in numbers:
            continue
        try:
            project = open_record(desk, record)
            _ = project.cloth_entries
        except RowanseedError as error:
            broken.append(f"{record.name}: {error}")
        else:
            found.append(project)
    return found, broken


def shopping_list(chosen: Sequence[OpenProject]) -> tuple[ShoppingLine, ...]:
    """One list for all of them; those that were started first cut first from a cloth they share."""
    shared, before = Shared(), set[int]()
    lines: list[ShoppingLine] = []
    for project in reversed(chosen):
        wanted = _cloths(project, before)
        lines += lines_of(project.core, project.record.name, project.record.id, wanted, shared)
        before.add(project.record.id)
    return merged(lines)


def _cloths(project: OpenProject, before: Collection[int]) -> list[ClothWanted]:
    """The cloths it needs; `before` are the projects on the list that have told theirs already."""
    out = []
    for role in project.core.roles:
        entry, found = project.cloth_entries.get(role), project.cloth_plans.get(role)
        together = laid_with(project, found) if found is not None else ()
        first = next((one for one in together if one.project.record.id in before), None)
        out.append(
            ClothWanted(
                role=role,
                cloth=entry.cloth if entry else None,
                number=entry.id if entry else 0,
                need=project.need(role),
                verdict=project.verdict(role),
                is_cut=entry is not None and entry.cut_by is not None,
                laid_with=first.name if first is not None else "",
            )
        )
    return out


def lacking(chosen: Sequence[OpenProject]) -> list[Asked]:
    """The lays that the list still lacks: one for each cloth that has been chosen and not been laid."""
    return [
        asked(f"{project.record.name}, {plan.role.words}", plan.problem, settings().seconds_for_a_lay)
        for project in chosen
        for plan in project.cloth_plans.values()
        if plan.plan is None and not plan.answers
    ]


def priced(lines: Sequence[ShoppingLine]) -> dict[ShoppingLine, Price]:
    """What the stand-in shop asks for each line that it has."""
    found = {line: _price(line) for line in lines}
    return {line: price for line, price in found.items() if price is not None}


def _price(line: ShoppingLine) -> Price | None:
    if line.sort is not None:
        return price_of_notion(line.sort, line.count, line.length)
    if line.cloth is None or line.role is None or line.length is None:
        return None
    return price_of_cloth(line.role, line.cloth, line.length, line.width)
