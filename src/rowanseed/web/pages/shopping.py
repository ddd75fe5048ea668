"""One shopping list for one or several projects: tickable in the shop, printable, and as CSV."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Response

from rowanseed.core.batch import garments
from rowanseed.core.notions import notions
from rowanseed.core.notions_wanted import notion as wanted
from rowanseed.core.pattern import Role
from rowanseed.core.shopping import GROUPS, Line, merged
from rowanseed.formats.shopping_csv import write_shopping
from rowanseed.shop.prices import Price, currency, price_of_cloth, price_of_notion, shop_name
from rowanseed.store import projects
from rowanseed.web.deps import Home, House
from rowanseed.web.project import ProjectView, view_of

router = APIRouter()

Chosen = Annotated[list[int], Query()]


def _lines(home: House, project: ProjectView) -> list[Line]:
    """What one project needs: its cloths by role, then its notions."""
    if project.choices is None:
        return []
    name, out = project.record.name, []
    for role in project.roles:
        group = "cloth" if role in (Role.MAIN, Role.CONTRAST) else "lining and interfacing"
        needed, verdict, entry = project.need(role), project.verdict(role), project.cloth_entries.get(role)
        if needed is None:
            what = f"{entry.cloth.name if entry else role.value.capitalize() + ' cloth'}"
            out.append(Line(group, what, "not worked out yet", 1, None, (name,), ()))
            continue
        enough = verdict is not None and verdict.enough
        what = entry.cloth.name if entry else role.value
        out.append(Line(group, what, needed.to_buy.quantity.show(home.units), 1, needed.to_buy.value, (name,), (needed.to_buy,),
                        "enough on the shelf" if enough else ""))  # fmt: skip
    main = project.cloth_entries.get(Role.MAIN)
    found = notions(
        project.garment, project.record.view, project.choices.size, main.cloth if main else None,
        overlocker=home.habits.overlocker, garments=garments(project.reckoning.batch),
    )  # fmt: skip
    found = (*found, *(wanted(project.garment, project.choices.size, w) for w in project.reckoning.wanted))
    out += [Line(n.kind, n.what, str(n.count), n.count, None, (name,), (n.working,)) for n in found]
    return out


def _chosen(home: House, wanted: list[int]) -> list[ProjectView]:
    records = [r for r in projects.projects(home.db) if not wanted or r.id in wanted]
    return [view_of(home, record) for record in records]


@router.get("/shopping")
def show(home: Home, project: Chosen = []) -> Response:  # noqa: B006 (FastAPI copies it)
    views = _chosen(home, project)
    lines = merged(line for view in views for line in _lines(home, view))
    prices = {line: price for line in lines if (price := _price(line)) is not None}
    total = sum(price.amount for line, price in prices.items() if not line.home)
    return home.page(
        "shopping.html", lines=lines, groups=GROUPS, prices=prices, total=total, shop=shop_name(), currency=currency(),
        every=projects.projects(home.db), chosen={view.record.id for view in views},
        key="-".join(str(view.record.id) for view in views), query="&".join(f"project={view.record.id}" for view in views),
    )  # fmt: skip


def _price(line: Line) -> Price | None:
    if line.group in GROUPS[:2]:
        return None if line.length is None else price_of_cloth(line.what, line.length)
    return price_of_notion(line.what, line.count)


@router.get("/shopping.csv")
def as_csv(home: Home, project: Chosen = []) -> Response:  # noqa: B006
    lines = merged(line for view in _chosen(home, project) for line in _lines(home, view))
    headers = {"Content-Disposition": 'attachment; filename="shopping.csv"'}
    return Response(write_shopping(lines), media_type="text/csv; charset=utf-8", headers=headers)
