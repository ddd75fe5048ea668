"""The shelf: projects with the next action on each, people, patterns, cloths."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app.shelf import broken_rows, project_cards
from rowanseed.store import cloths, patterns, people
from rowanseed.web.accent import NEUTRAL, style_sheet
from rowanseed.web.deps import Home
from rowanseed.web.views.house import ShelfView

router = APIRouter()


@router.get("/")
def show_shelf(home: Home) -> Response:
    return home.show(
        ShelfView(
            cards=project_cards(home),
            people=people.people(home.db),
            patterns=patterns.patterns(home.db),
            cloths=cloths.cloths(home.db),
            broken=broken_rows(home),
        )
    )


@router.get("/thread/{colour}.css")
def thread(colour: str) -> Response:
    return style_sheet(colour if len(colour) == 6 else NEUTRAL)
