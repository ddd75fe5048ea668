"""What every page needs: a connection, the household's habits, the template engine."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from pathlib import Path
from typing import Annotated, Any

from fastapi import Depends, Request
from fastapi.responses import HTMLResponse, RedirectResponse
from fastapi.templating import Jinja2Templates
from markupsafe import Markup
from starlette.datastructures import FormData

from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.choices import Habits
from rowanseed.store.database import Connection, connect
from rowanseed.store.household import habits

TEMPLATES = Jinja2Templates(directory=Path(__file__).parent / "templates")
TEMPLATES.env.trim_blocks = True
TEMPLATES.env.lstrip_blocks = True
TEMPLATES.env.filters["as_length"] = lambda mm, units: format_length(mm, units)
TEMPLATES.env.filters["as_fine"] = lambda mm, units: format_length(mm, units, fine=True)
TEMPLATES.env.filters["as_cloth"] = format_cloth
TEMPLATES.env.filters["day"] = lambda iso: f"{date.fromisoformat(iso):%-d %b %Y}"
TEMPLATES.env.filters["options"] = lambda members: [(member.value, member.words) for member in members]
TEMPLATES.env.filters["drawn"] = Markup
"""Marks SVG written by the drawings as markup; they escape every text themselves."""


class NotFound(Exception):
    """A page that is not there; `what` says what was looked for."""

    def __init__(self, what: str) -> None:
        super().__init__(what)
        self.what = what


def connection(request: Request) -> Iterator[Connection]:
    opened = connect(request.app.state.database)
    try:
        yield opened
    finally:
        opened.close()


Db = Annotated[Connection, Depends(connection)]


@dataclass(frozen=True)
class House:
    """One request's view of the household."""

    request: Request
    db: Connection
    habits: Habits
    today: date

    @property
    def units(self) -> Units:
        return self.habits.units

    def page(self, template: str, status: int = 200, **context: Any) -> HTMLResponse:
        everything = {"units": self.units, "habits": self.habits, "Units": Units, **context}
        return TEMPLATES.TemplateResponse(self.request, template, everything, status_code=status)


def house(request: Request, db: Db) -> House:
    return House(request=request, db=db, habits=habits(db), today=date.today())


Home = Annotated[House, Depends(house)]


async def typed(request: Request) -> dict[str, str]:
    """The text fields of a form, as typed."""
    form: FormData = await request.form()
    return {key: value for key, value in form.items() if isinstance(value, str)}


Typing = Annotated[dict[str, str], Depends(typed)]


def go(path: str) -> RedirectResponse:
    """After a change: look at the page again."""
    return RedirectResponse(path, status_code=303)
