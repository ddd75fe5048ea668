"""The shelf: projects with the next action on each, people, patterns, cloths."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app.open_project import view_of
from rowanseed.store import cloths, patterns, people, projects
from rowanseed.web.accent import NEUTRAL, style_sheet
from rowanseed.web.deps import Home

router = APIRouter()


@router.get("/")
def shelf(home: Home) -> Response:
    return home.page(
        "shelf.html",
        projects=[view_of(home, record) for record in projects.projects(home.db)],
        people=people.people(home.db),
        patterns=patterns.patterns(home.db),
        cloths=cloths.cloths(home.db),
    )


@router.get("/thread/{colour}.css")
def thread(colour: str) -> Response:
    return style_sheet(colour if len(colour) == 6 else NEUTRAL)
