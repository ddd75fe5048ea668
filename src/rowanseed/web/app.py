"""The application: pages, static files, guards, and errors told in a sewist's words."""

from __future__ import annotations

import importlib
import logging
import pkgutil
from collections.abc import Awaitable, Callable
from pathlib import Path
from urllib.parse import urlsplit

from fastapi import FastAPI, Request, Response
from fastapi.exceptions import RequestValidationError
from fastapi.staticfiles import StaticFiles
from starlette.exceptions import HTTPException
from starlette.middleware.trustedhost import TrustedHostMiddleware

from rowanseed.core.base.errors import RowanseedError
from rowanseed.store.database import connect, migrate
from rowanseed.web import pages
from rowanseed.web.deps import TEMPLATES, NotFound

log = logging.getLogger("rowanseed")

LARGEST_REQUEST = 6 * 1024 * 1024
POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; "
    "connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'"
)


def create_app(database: Path) -> FastAPI:
    """The application on a database file, which is brought up to date first."""
    opened = connect(database)
    migrate(opened)
    opened.close()
    app = FastAPI(title="Rowanseed", docs_url=None, redoc_url=None, openapi_url=None)
    app.state.database = database
    app.mount("/static", StaticFiles(directory=Path(__file__).parent / "static"), name="static")
    for found in sorted(pkgutil.iter_modules(pages.__path__), key=lambda module: module.name):
        module = importlib.import_module(f"{pages.__name__}.{found.name}")
        app.include_router(module.router)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=["127.0.0.1", "localhost", "testserver"])
    app.middleware("http")(_guard)
    app.add_exception_handler(NotFound, _not_found)
    app.add_exception_handler(HTTPException, _http_error)
    app.add_exception_handler(RequestValidationError, _not_found)
    app.add_exception_handler(RowanseedError, _refused)
    app.add_exception_handler(Exception, _broken)
    return app


async def _guard(request: Request, following: Callable[[Request], Awaitable[Response]]) -> Response:
    """Refuse what is too large or comes from another site; send the security headers with everything."""
    said = request.headers.get("content-length", "0")
    origin = request.headers.get("origin")
    if said.isdigit() and int(said) > LARGEST_REQUEST:
        response = _error(
            request, 413, "That file is too large.", "5 MB is the most. Save the drawing without pictures."
        )
    elif request.method == "POST" and origin and urlsplit(origin).netloc != request.headers.get("host"):
        response = _error(request, 403, "That came from another site.", "Use the pages of this application.")
    else:
        response = await following(request)
    response.headers["Content-Security-Policy"] = POLICY
    response.headers["X-Content-Type-Options"] = "nosniff"
    response.headers["Referrer-Policy"] = "same-origin"
    return response


def _error(request: Request, status: int, problem: str, remedy: str) -> Response:
    return TEMPLATES.TemplateResponse(
        request, "error.html", {"problem": problem, "remedy": remedy, "bare": True}, status_code=status
    )


async def _not_found(request: Request, error: Exception) -> Response:
    what = error.what if isinstance(error, NotFound) else "page"
    return _error(
        request,
        404,
        f"There is no such {what} here.",
        "It may have been put away. Start again from the shelf.",
    )


async def _http_error(request: Request, error: Exception) -> Response:
    status = error.status_code if isinstance(error, HTTPException) else 500
    if status == 404:
        return await _not_found(request, error)
    return _error(
        request,
        status,
        "That cannot be done in this way.",
        "Go back to the page you came from and try again.",
    )


async def _refused(request: Request, error: Exception) -> Response:
    """A rule of the craft said no where no field was at fault."""
    problem = str(getattr(error, "problem", error))
    where = str(getattr(error, "where", ""))
    return _error(request, 422, f"{where}: {problem}" if where else problem, str(getattr(error, "remedy", "")))


async def _broken(request: Request, error: Exception) -> Response:
    log.error("a page failed", exc_info=error)
    return _error(
        request,
        500,
        "Something went wrong here, not with you.",
        "Nothing that was stored is lost. Go back and try again; if it happens twice, tell who looks after this.",
    )
