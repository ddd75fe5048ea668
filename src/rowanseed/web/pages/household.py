"""The household's habits: units, machines."""

from __future__ import annotations

from dataclasses import replace
from urllib.parse import urlsplit

from fastapi import APIRouter, Response

from rowanseed.core.base.units import Units
from rowanseed.core.choices import Habits
from rowanseed.store.household import set_habits
from rowanseed.web.deps import Home, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.house import HouseholdView

router = APIRouter(route_class=Once)

LONGEST_NAME = 20


@router.get("/household")
def show_household(home: Home) -> Response:
    return home.show(HouseholdView(saved="saved" in home.request.query_params))


@router.post("/household")
def save(home: Home, typed: Typing) -> Response:
    units = Units(typed["units"]) if typed.get("units") in {u.value for u in Units} else home.units
    money = " ".join(typed.get("money", "").split())[:LONGEST_NAME]
    set_habits(
        home.db,
        Habits(
            units=units,
            overlocker="overlocker" in typed,
            hem_by_hand="hem_by_hand" in typed,
            money=money,
            stand_in_shop="stand_in_shop" in typed,
            overlock_threads=4 if typed.get("overlock_threads") == "4" else 3,
        ),
    )
    return go("/household?saved")


@router.post("/household/units")
def switch_units(home: Home, typed: Typing) -> Response:
    """The switch at the top of every page; leads back to where it was used."""
    if typed.get("units") in {u.value for u in Units}:
        set_habits(home.db, replace(home.habits, units=Units(typed["units"])))
    return go(_back(home.request.headers.get("referer", "/")))


def _back(referer: str) -> str:
    """The page a request came from; the shelf where that is not one of ours."""
    try:
        path = urlsplit(referer).path
    except ValueError:
        return "/"
    return path if path.startswith("/") and not path.startswith("//") else "/"
