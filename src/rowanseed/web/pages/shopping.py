"""One shopping list for several projects: grouped as a shop is walked, priced by the stand-in shop, and as CSV."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Response

from rowanseed.app import searching
from rowanseed.app.shopping import chosen_projects, lacking, priced, shopping_list
from rowanseed.core.notions.sorts import Group
from rowanseed.formats.shopping_csv import write_shopping
from rowanseed.shop.prices import currency, shop_name
from rowanseed.store import projects
from rowanseed.web.deps import Home
from rowanseed.web.events import follow
from rowanseed.web.once import Once
from rowanseed.web.views.house import ShoppingView

router = APIRouter(route_class=Once)

Chosen = Annotated[list[int], Query(default_factory=list, max_length=500)]


@router.get("/shopping")
def show_shopping(home: Home, project: Chosen) -> Response:
    chosen, broken = chosen_projects(home, project)
    lines = shopping_list(chosen)
    prices = priced(lines) if home.habits.stand_in_shop else {}
    numbers = [one.record.id for one in chosen]
    return home.show(
        ShoppingView(
            lines=lines,
            broken=broken,
            groups=list(Group),
            prices=prices,
            total=sum(price.amount for line, price in prices.items() if not line.home),
            shop=shop_name(),
            currency=currency(),
            every=[(record.id, record.name) for record in projects.projects(home.db)],
            chosen=set(numbers),
            key="-".join(map(str, numbers)),
            query="&".join(f"project={number}" for number in numbers),
            lacking=len(searching.unanswered(home.db, lacking(chosen))),
        )
    )


@router.get("/shopping/events")
def shopping_events(home: Home, project: Chosen) -> Response:
    """Search the lays the list lacks, and tell how far they are."""
    chosen, _ = chosen_projects(home, project)
    return follow(home, searching.unanswered(home.db, lacking(chosen)))


@router.get("/shopping.csv")
def shopping_csv(home: Home, project: Chosen) -> Response:
    lines = shopping_list(chosen_projects(home, project)[0])
    headers = {"Content-Disposition": 'attachment; filename="shopping.csv"'}
    return Response(write_shopping(lines, home.units), media_type="text/csv; charset=utf-8", headers=headers)
