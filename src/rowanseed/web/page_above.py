"""Addresses that only take what is sent in: a browser that opens one again is led to the page its form stands on."""

from __future__ import annotations

from fastapi import Request
from fastapi.responses import RedirectResponse
from starlette.routing import Match


def lead_to_page_above(request: Request) -> RedirectResponse:
    """To the nearest address above this one that shows a page, with what was asked of it.

    A form that is refused is shown under the address it was sent to: its links and a reload start from there.
    """
    path = request.url.path.rstrip("/")
    while path and not _shows(request, path):
        path = path.rpartition("/")[0]
    query = f"?{request.url.query}" if request.url.query else ""
    return RedirectResponse(f"{path or '/'}{query}", status_code=303)


def _shows(request: Request, path: str) -> bool:
    scope = {**request.scope, "path": path, "method": "GET", "path_params": {}}
    return any(route.matches(scope)[0] is Match.FULL for route in request.app.routes)
