"""The shelf: projects with the next action on each, people, patterns, cloths."""

from __future__ import annotations

from datetime import datetime, timedelta
from pathlib import Path

from fastapi import APIRouter, Response

from rowanseed.app.shelf import broken_rows, project_cards
from rowanseed.store import cloths, patterns, people
from rowanseed.store.backup import copies
from rowanseed.store.undo import Change, changes
from rowanseed.web.accent import NEUTRAL, style_sheet
from rowanseed.web.deps import Home, House
from rowanseed.web.once import Once
from rowanseed.web.views.house import ShelfView

router = APIRouter(route_class=Once)


@router.get("/")
def show_shelf(home: Home) -> Response:
    return home.show(
        ShelfView(
            cards=project_cards(home),
            people=people.people(home.db),
            patterns=patterns.patterns(home.db),
            cloths=cloths.cloths(home.db),
            last_copy=next(iter(copies(Path(home.request.app.state.database))), None),
            last_change=_just_changed(home),
            broken=broken_rows(home),
        )
    )


A_WHILE = timedelta(minutes=10)


def _just_changed(home: House) -> Change | None:
    """What was changed in the last minutes, so that it can be undone where one lands after it."""
    last = next(iter(changes(home.db)), None)
    return last if last is not None and datetime.now() - last.made_at < A_WHILE else None


@router.get("/thread/{colour}.css")
def thread(colour: str) -> Response:
    return style_sheet(colour if len(colour) == 6 else NEUTRAL)
