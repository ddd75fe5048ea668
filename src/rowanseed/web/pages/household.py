"""The household's habits: units, machines."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import TypeVar
from urllib.parse import urlsplit

from fastapi import APIRouter, Response

from rowanseed.core.base.units import Units
from rowanseed.core.base.words import Worded
from rowanseed.core.choices import Habits
from rowanseed.core.make.equipment import (
    Equipment,
    Experience,
    Foot,
    Holding,
    SeamFinish,
    SewingHabits,
    StaySchool,
    TryOn,
    Workroom,
)
from rowanseed.store.household import set_habits
from rowanseed.web.deps import Home, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.house import HouseholdView

router = APIRouter(route_class=Once)

LONGEST_NAME = 20
OVERLOCKERS = ("2", "3", "4", "5")
Chosen = TypeVar("Chosen", bound=Worded)


@router.get("/household")
def show_household(home: Home) -> Response:
    return home.show(
        HouseholdView(
            saved="saved" in home.request.query_params,
            feet=tuple(Foot),
            seam_finishes=tuple(SeamFinish),
            stays=tuple(StaySchool),
            try_ons=tuple(TryOn),
            holdings=tuple(Holding),
            experiences=tuple(Experience),
        )
    )


@router.post("/household")
def save(home: Home, typed: Typing) -> Response:
    units = Units(typed["units"]) if typed.get("units") in {u.value for u in Units} else home.units
    money = " ".join(typed.get("money", "").split())[:LONGEST_NAME]
    set_habits(
        home.db,
        Habits(units=units, workroom=_workroom(typed), money=money, stand_in_shop="stand_in_shop" in typed),
    )
    return go("/household?saved")


def _workroom(typed: Mapping[str, str]) -> Workroom:
    """What was ticked; anything that no list offers is taken for the usual."""
    usual = Workroom()
    threads = typed.get("overlock_threads", "0")
    equipment = Equipment(
        machine="by_hand_only" not in typed,
        zigzag="zigzag" in typed,
        stretch_stitch="stretch_stitch" in typed,
        overlock_threads=int(threads) if threads in OVERLOCKERS else 0,
        differential="differential" in typed,
        coverstitch="coverstitch" in typed,
        feet=frozenset(foot for foot in Foot if f"foot-{foot.value}" in typed),
        ham="ham" in typed,
    )
    habits = SewingHabits(
        seam_finish=_one_of(SeamFinish, typed.get("seam_finish"), usual.habits.seam_finish),
        stay=_one_of(StaySchool, typed.get("stay"), usual.habits.stay),
        try_on=_one_of(TryOn, typed.get("try_on"), usual.habits.try_on),
        holding=_one_of(Holding, typed.get("holding"), usual.habits.holding),
        hem_by_hand="hem_by_hand" in typed,
        experience=_one_of(Experience, typed.get("experience"), usual.habits.experience),
        by_booklet="by_booklet" in typed,
    )
    return Workroom(equipment, habits)


def _one_of(kind: type[Chosen], said: str | None, usual: Chosen) -> Chosen:
    return next((one for one in kind if one.value == said), usual)


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
