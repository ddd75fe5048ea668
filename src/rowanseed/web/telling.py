"""Errors told as pages, in a sewist's words; what went wrong is logged with the request it went wrong in."""

from __future__ import annotations

import logging
import sqlite3
from collections.abc import Awaitable, Callable
from dataclasses import dataclass

from fastapi import FastAPI, Request, Response
from fastapi.exceptions import RequestValidationError
from starlette.exceptions import HTTPException
from starlette.types import Scope

from rowanseed.core.base.errors import ChangedMeanwhile, NotThere, RowanseedError, StoreError
from rowanseed.core.base.saying import said
from rowanseed.core.base.units import Units
from rowanseed.web.deps import TEMPLATES, PageView
from rowanseed.web.page_above import lead_to_page_above

log = logging.getLogger("rowanseed.web")


@dataclass(frozen=True, kw_only=True)
class ErrorView(PageView):
    template = "error.html"
    problem: str
    remedy: str


def error_page(scope: Scope, status: int, problem: str, remedy: str) -> Response:
    context = {"problem": problem, "remedy": remedy, "bare": True}
    return TEMPLATES.TemplateResponse(Request(scope), ErrorView.template, context, status_code=status)


Handler = Callable[[Request, Exception], Awaitable[Response]]


def tell_errors(app: FastAPI) -> None:
    """Have every error of an application told."""
    handlers: dict[type[Exception], Handler] = {
        NotThere: _not_there,
        ChangedMeanwhile: _changed,
        StoreError: _broken,
        RowanseedError: _refused,
        RequestValidationError: _not_understood,
        HTTPException: _http_error,
        sqlite3.DatabaseError: _store_fails,
        Exception: _broken,
    }
    for kind, handler in handlers.items():
        app.add_exception_handler(kind, handler)


def _where(request: Request) -> dict[str, str]:
    return {
        "request_id": str(request.scope.get("request_id", "")),
        "method": request.method,
        "path": request.url.path,
    }


async def _not_there(request: Request, error: Exception) -> Response:
    what = error.what if isinstance(error, NotThere) else "page"
    return error_page(
        request.scope, 404, f"There is no such {what} here.", "It may have been put away. Start again from the shelf."
    )


async def _http_error(request: Request, error: Exception) -> Response:
    status = error.status_code if isinstance(error, HTTPException) else 500
    if status == 404:
        return await _not_there(request, error)
    if status == 405 and request.method == "GET":
        return lead_to_page_above(request)
    return error_page(
        request.scope,
        status,
        "That cannot be done in this way.",
        "Go back to the page you came from and try again.",
    )


async def _not_understood(request: Request, error: Exception) -> Response:
    """An address that cannot be one of ours, or a form without a part that it has to have."""
    faults = error.errors() if isinstance(error, RequestValidationError) else []
    if any(fault["loc"][0] in ("path", "query") for fault in faults):
        return await _not_there(request, error)
    names = ", ".join(str(fault["loc"][-1]) for fault in faults)
    return error_page(
        request.scope,
        422,
        f"Something is missing from what was sent: {names}.",
        "Go back, choose or write it, and send it again.",
    )


async def _refused(request: Request, error: Exception) -> Response:
    """A rule of the craft said no where no field was at fault."""
    told = said(error, Units.METRIC) if isinstance(error, RowanseedError) else None
    problem = str(error) if told is None else f"{told.where}: {told.problem}" if told.where else told.problem
    log.info("refused", extra={**_where(request), "problem": problem})
    return error_page(request.scope, 422, problem, told.remedy if told else "")


async def _changed(request: Request, error: Exception) -> Response:
    remedy = error.remedy if isinstance(error, RowanseedError) else ""
    return error_page(request.scope, 409, str(error), remedy)


KEPT = "Nothing that was kept before is lost, and you can still look at everything."
FAULTS = {
    "SQLITE_FULL": ("The disk is full, so this could not be kept.", f"{KEPT} Make room on the disk and send it again."),
    "SQLITE_BUSY": (
        "Another program is writing to your household's file, so this could not be kept.",
        f"{KEPT} Go back and send it again in a moment.",
    ),
    "SQLITE_READONLY": (
        "Your household's file may not be written to, so this could not be kept.",
        f"{KEPT} Allow your account to write to the file and its folder.",
    ),
    "SQLITE_CANTOPEN": (
        "Your household's file is not where it was.",
        "Put it back in its place, or restore the last copy; until then nothing is shown or kept.",
    ),
    "SQLITE_CORRUPT": (
        "Your household's file is damaged.",
        "Close Rowanseed and restore the last copy: rowanseed restore COPY. What was written since may be lost.",
    ),
    "SQLITE_IOERR": (
        "The disk does not do what it is told, so this could not be kept.",
        f"{KEPT} Look whether the disk is full or broken before you go on.",
    ),
}
"""What the database says is wrong, by the beginning of its name, and what to do about it."""


async def _store_fails(request: Request, error: Exception) -> Response:
    log.error("the database cannot be used", exc_info=error, extra=_where(request))
    name = str(getattr(error, "sqlite_errorname", "")).replace("SQLITE_NOTADB", "SQLITE_CORRUPT")
    problem, remedy = next(
        (told for known, told in FAULTS.items() if name.startswith(known)),
        (f"Your household's file cannot be used just now: {error}.", "Go back and try again in a moment."),
    )
    return error_page(request.scope, 503, problem, remedy)


async def _broken(request: Request, error: Exception) -> Response:
    number = request.scope.get("request_id", "")
    log.error("a page failed", exc_info=error, extra=_where(request))
    return error_page(
        request.scope,
        500,
        "Something went wrong here, not with you.",
        f"Go back and try again; if it happens twice, tell who looks after this its number, {number}.",
    )
