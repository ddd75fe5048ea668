"""One shopping list for one or several projects: tickable in the shop, printable, and as CSV."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter, Query, Response

from rowanseed.app.open_project import OpenProject, view_of
from rowanseed.core.base.units import format_cloth
from rowanseed.core.batch import garments
from rowanseed.core.notions.added import asked_for
from rowanseed.core.notions.added import notion as wanted
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.shopping import GROUPS, ShoppingLine, merged
from rowanseed.formats.shopping_csv import write_shopping
from rowanseed.shop.prices import Price, currency, price_of_cloth, price_of_notion, shop_name
from rowanseed.store import projects
from rowanseed.web.deps import Home, House

router = APIRouter()

Chosen = Annotated[list[int], Query()]


def _lines(home: House, project: OpenProject, taken: dict[int, tuple[float, str]]) -> list[ShoppingLine]:
    """What one project needs: its cloths by role, then its notions.

    `taken` is what the projects before it on the list cut from each cloth (mm, ready to cut) and the last of them;
    what this one cuts is added.
    """
    if project.core.choices is None:
        return []
    name = project.record.name
    out = [_cloth_line(project, role, taken) for role in project.core.roles]
    main = project.cloth_entries.get(Role.MAIN)
    found = notions(
        project.core.garment,
        project.record.view,
        project.core.choices.size,
        main.cloth if main else None,
        overlocker=home.habits.overlocker,
        garments=garments(project.core.cloth_choices.batch),
        threads=home.habits.overlock_threads,
        card=project.core.cloth_choices.card,
    )
    size, number = project.core.choices.size, garments(project.core.cloth_choices.batch)
    besides = (wanted(project.core.garment, size, w) for w in asked_for(project.core.garment, project.core.cloth_choices.layers))
    found = (*found, *(replace(n, count=n.count * number) for n in besides))
    found = (*found, *(wanted(project.core.garment, size, w) for w in project.core.cloth_choices.wanted))
    out += [
        ShoppingLine(
            group=n.kind,
            what=n.what,
            count=n.count,
            unit=n.unit,
            length=n.length,
            projects=(name,),
            workings=(n.working,),
        )
        for n in found
    ]
    return out


def _cloth_line(project: OpenProject, role: Role, taken: dict[int, tuple[float, str]]) -> ShoppingLine:
    name, units = project.record.name, project.desk.units
    group = GROUPS[0] if role in (Role.MAIN, Role.CONTRAST) else GROUPS[1]
    needed, verdict, entry = project.need(role), project.verdict(role), project.cloth_entries.get(role)
    what = entry.cloth.name if entry else f"{role.words.capitalize()} cloth"
    width = entry.cloth.width if entry else None
    if needed is None or entry is None:
        return ShoppingLine(
            group=group, what=what, count=1, unit="", length=None, projects=(name,), workings=(), width=width
        )
    line = ShoppingLine(
        group=group,
        what=what,
        count=1,
        unit="",
        length=needed.to_buy.value,
        projects=(name,),
        workings=(needed.to_buy,),
        width=width,
    )
    before, whose = taken.get(entry.id, (0.0, ""))
    if entry.cut_by is None:
        taken[entry.id] = (before + needed.ready.value, name)
    if verdict is None:
        return line
    if not verdict.enough:
        return replace(line, note=f"What is in hand is short by {verdict.spare.quantity.show(units)}")
    rest = (entry.cloth.ready_length or 0.0) - before
    if before and rest < needed.ready.value - 1 and entry.cut_by is None:
        more = format_cloth(needed.ready.value - max(0.0, rest), units)
        return replace(line, note=f"{whose} is cut from it too: for both it is short by {more}")
    return replace(line, home="enough on the shelf")


def _chosen(home: House, wanted: list[int]) -> list[OpenProject]:
    records = [r for r in projects.projects(home.db) if not wanted or r.id in wanted]
    return [view_of(home, record) for record in records]


@router.get("/shopping")
def show_shopping(home: Home, project: Chosen = []) -> Response:  # noqa: B006 (FastAPI copies it)
    views = _chosen(home, project)
    lines = _list(home, views)
    prices = {line: price for line in lines if (price := _price(line)) is not None}
    total = sum(price.amount for line, price in prices.items() if not line.home)
    return home.page(
        "shopping.html",
        lines=lines,
        groups=GROUPS,
        prices=prices,
        total=total,
        shop=shop_name(),
        currency=currency(),
        every=projects.projects(home.db),
        chosen={view.record.id for view in views},
        by_name={view.record.name: view.record.id for view in views},
        key="-".join(str(view.record.id) for view in views),
        query="&".join(f"project={view.record.id}" for view in views),
    )


def _list(home: House, views: list[OpenProject]) -> tuple[ShoppingLine, ...]:
    """One list for all of them; those that were started first cut first from a cloth they share."""
    taken: dict[int, tuple[float, str]] = {}
    return merged(line for view in reversed(views) for line in _lines(home, view, taken))


def _price(line: ShoppingLine) -> Price | None:
    if line.group in GROUPS[:2]:
        return None if line.length is None else price_of_cloth(line.what, line.length, line.width)
    return price_of_notion(line.what, line.count, line.length)


@router.get("/shopping.csv")
def as_csv(home: Home, project: Chosen = []) -> Response:  # noqa: B006
    lines = _list(home, _chosen(home, project))
    headers = {"Content-Disposition": 'attachment; filename="shopping.csv"'}
    return Response(write_shopping(lines, home.units), media_type="text/csv; charset=utf-8", headers=headers)
