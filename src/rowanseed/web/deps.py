"""What every page needs: a connection, the household's habits, the template engine."""

from __future__ import annotations

import uuid
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, fields, replace
from datetime import date
from pathlib import Path as FilePath
from typing import Annotated, Any, ClassVar

from fastapi import Depends, Path, Request
from fastapi.responses import HTMLResponse, RedirectResponse
from fastapi.templating import Jinja2Templates
from jinja2 import StrictUndefined
from markupsafe import Markup
from pydantic import AfterValidator
from starlette.datastructures import FormData

from rowanseed.app.desk import Desk
from rowanseed.app.open_project import OpenProject
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.base.saying import said
from rowanseed.core.base.units import Units, format_allowance, format_cloth, format_length
from rowanseed.core.base.words import lower_first, plural
from rowanseed.core.cloth.cloth import suits
from rowanseed.core.cloth.extent import extent
from rowanseed.core.lay.choice import piece_names
from rowanseed.core.make.minutes import a_while, more_in_words
from rowanseed.core.make.minutes import in_words as minutes_in_words
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.store import projects
from rowanseed.store.database import Connection
from rowanseed.store.household import habits
from rowanseed.store.projects import ProjectRecord
from rowanseed.web.gloss import gloss
from rowanseed.web.static import address

TEMPLATES = Jinja2Templates(directory=FilePath(__file__).parent / "templates")
TEMPLATES.env.undefined = StrictUndefined
TEMPLATES.env.trim_blocks = True
TEMPLATES.env.lstrip_blocks = True
TEMPLATES.env.globals["static"] = address
TEMPLATES.env.globals["new_key"] = lambda: uuid.uuid4().hex
TEMPLATES.env.globals["Units"] = Units
TEMPLATES.env.globals["suits"] = suits
TEMPLATES.env.globals["gloss"] = gloss
TEMPLATES.env.filters["as_length"] = lambda mm, units: format_length(mm, units)
TEMPLATES.env.filters["as_fine"] = lambda mm, units: format_length(mm, units, fine=True)
TEMPLATES.env.filters["as_cloth"] = format_cloth
TEMPLATES.env.filters["as_allowance"] = format_allowance
TEMPLATES.env.filters["extent"] = extent
TEMPLATES.env.filters["either"] = lambda units, metric, imperial: metric if units is Units.METRIC else imperial
TEMPLATES.env.filters["day"] = lambda iso: f"{date.fromisoformat(iso):%-d %b %Y}"
TEMPLATES.env.filters["options"] = lambda members: [(member.value, member.words) for member in members]
TEMPLATES.env.filters["counted"] = plural
TEMPLATES.env.filters["minutes"] = minutes_in_words
TEMPLATES.env.filters["a_while"] = a_while
TEMPLATES.env.filters["moment"] = lambda at: f"{at:%a %-d %b, %H:%M}"
TEMPLATES.env.filters["more_minutes"] = more_in_words
TEMPLATES.env.filters["lower_first"] = lower_first
TEMPLATES.env.filters["drawn"] = Markup
"""Marks SVG written by the drawings as markup; they escape every text themselves."""

LARGEST_ID = 2**63 - 1


def _bounded(value: int) -> int:
    if not 0 <= value <= LARGEST_ID:
        raise ValueError("no number of the household's")
    return value


Id = Annotated[int, Path(ge=1, le=LARGEST_ID)]
"""A number in an address, no larger than the database can have."""


Number = Annotated[int, AfterValidator(_bounded)]
"""A number in an address that may also be 0, for none."""


class Typed(dict[str, str]):
    """What was typed, by field; a field that was not is empty."""

    def __missing__(self, key: str) -> str:
        return ""


@dataclass(frozen=True, kw_only=True)
class PageView:
    """What a page shows: one record a template, every name that the template uses a field of it."""

    template: ClassVar[str]


@dataclass(frozen=True, kw_only=True)
class StationView(PageView):
    """A page of a project's station; `part` is the page within it."""

    project: OpenProject
    station: ClassVar[str]
    part: ClassVar[str] = ""


def connection(request: Request) -> Iterator[Connection]:
    with request.app.state.lender.lent() as lent:
        yield lent


Db = Annotated[Connection, Depends(connection)]


@dataclass(frozen=True)
class House(Desk):
    """A desk with the request at hand."""

    request: Request

    def show(self, view: PageView, status: int = 200) -> HTMLResponse:
        """A page. A project's page that is worked out anyway tells the shelf how the project stands."""
        context = {"units": self.units, "habits": self.habits, "bare": False, **_context(view)}
        response = TEMPLATES.TemplateResponse(self.request, view.template, context, status_code=status)
        if isinstance(view, StationView):
            view.project.write_summary()
        return response

    def told(self, error: RowanseedError, pattern: Pattern | None = None) -> str:
        """An error in the household's units; pieces by their names, where their pattern is given."""
        return str(said(error, self.units, piece_names(pattern) if pattern is not None else None))

    def decide(self, project: OpenProject, typed: Mapping[str, str], **changes: Any) -> ProjectRecord:
        """Keep what was decided of a project: fields of its record, as worked out from `project`.

        Raises ChangedMeanwhile where something else was decided since the form was shown, or since `project` was read.
        """
        shown = revision_of(typed)
        return projects.decide(
            self.db,
            project.record.id,
            lambda record: replace(record, **changes),
            revision=project.record.revision if shown is None else shown,
        )


def _context(view: PageView) -> dict[str, Any]:
    found: dict[str, Any] = {field.name: getattr(view, field.name) for field in fields(view)}
    if isinstance(view, StationView):
        found |= {"station": view.station, "part": view.part}
    for name in ("typed", "errors"):
        if isinstance(found.get(name), Mapping):
            found[name] = Typed(found[name])
    return found


async def shown_in(request: Request) -> Units | None:
    """The units that a form was shown in, whatever has been switched to since in another window."""
    if request.method != "POST":
        return None
    said = (await request.form()).get("shown_in")
    return Units(said) if said in {unit.value for unit in Units} else None


def house(request: Request, db: Db, shown: Annotated[Units | None, Depends(shown_in)]) -> House:
    kept = habits(db)
    return House(
        db=db, habits=kept if shown is None else replace(kept, units=shown), today=date.today(), request=request
    )


Home = Annotated[House, Depends(house)]


async def typed(request: Request) -> dict[str, str]:
    """The text fields of a form, as typed."""
    form: FormData = await request.form()
    return {key: value for key, value in form.items() if isinstance(value, str)}


Typing = Annotated[dict[str, str], Depends(typed)]


def revision_of(said: Mapping[str, str]) -> int | None:
    """The revision that a form was shown at; None where it does not say."""
    return number_of(said.get("revision"))


def number_of(text: str | None) -> int | None:
    """A number from a form; None for anything that cannot be one of the database's."""
    return int(text) if text and text.isascii() and text.isdigit() and len(text) < 12 else None


def own_path(text: str | None) -> str:
    """A path of these pages to return to; empty for anything else."""
    path = text or ""
    plain = path.isascii() and path.isprintable() and len(path) < 400
    return path if plain and path.startswith("/") and not path.startswith(("//", "/\\")) else ""


def go(path: str) -> RedirectResponse:
    """After a change: look at the page again."""
    return RedirectResponse(path, status_code=303)
