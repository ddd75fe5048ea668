"""Guards around every request, as plain ASGI: what is too large or comes from another site goes no further."""

from __future__ import annotations

import logging
import time
import uuid
from collections.abc import Mapping
from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from rowanseed.settings import megabytes
from rowanseed.web.telling import error_page

log = logging.getLogger("rowanseed.web")

POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; "
    "connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'"
)
OWN_SITE = ("same-origin", "none")
"""What a browser says of a request that the pages made, or that was typed by hand."""


STARTS_WORK = ("/events", "/worked-out")


class TooLarge(Exception):
    """More was sent than is taken in."""


class Guards:
    """Refuses foreign and outsized requests, sends the security headers, and logs every request with its time."""

    def __init__(self, app: ASGIApp, largest: int, larger: Mapping[str, int]) -> None:
        self.app, self.largest, self.larger = app, largest, larger

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        started, id = time.perf_counter(), uuid.uuid4().hex[:8]
        scope["request_id"] = id
        status = 0
        begun = False

        async def tell(message: Message) -> None:
            nonlocal status, begun
            if message["type"] == "http.response.start":
                status, begun = message["status"], True
                headers = MutableHeaders(scope=message)
                headers["Content-Security-Policy"] = POLICY
                headers["X-Content-Type-Options"] = "nosniff"
                headers["Referrer-Policy"] = "same-origin"
                headers["Cross-Origin-Opener-Policy"] = "same-origin"
                headers["Cross-Origin-Resource-Policy"] = "same-origin"
                if headers.get("content-type", "").startswith("text/html"):
                    headers.setdefault("Cache-Control", "no-store")
            await send(message)

        if scope["method"] == "HEAD" and not scope["path"].endswith(STARTS_WORK):
            # Asked for the headings of a page: those it would have. The server sends no body with them.
            scope = {**scope, "method": "GET"}
        try:
            await self._guarded(scope, receive, tell)
        except TooLarge:
            if not begun:
                most = f"{megabytes(self._most(scope))} is the most."
                await error_page(scope, 413, "That file is too large.", most)(scope, receive, tell)
        finally:
            taken = time.perf_counter() - started
            log.info(
                "request",
                extra={
                    "request_id": id,
                    "method": scope["method"],
                    "path": scope["path"],
                    "status": status,
                    "milliseconds": round(taken * 1000, 1),
                },
            )

    def _most(self, scope: Scope) -> int:
        return self.larger.get(scope["path"], self.largest)

    async def _guarded(self, scope: Scope, receive: Receive, send: Send) -> None:
        headers = Headers(scope=scope)
        if is_foreign(scope["method"], scope["path"], headers):
            page = error_page(scope, 403, "That came from another site.", "Use the pages of this application.")
            await page(scope, receive, send)
            return
        most = self._most(scope)
        said = headers.get("content-length", "0")
        if said.isascii() and said.isdigit() and (len(said) > 18 or int(said) > most):
            raise TooLarge
        taken = 0

        async def counted() -> Message:
            # Whatever the header says: what comes in is counted.
            nonlocal taken
            message = await receive()
            taken += len(message.get("body", b""))
            if taken > most:
                raise TooLarge
            return message

        await self.app(scope, counted, send)


def is_foreign(method: str, path: str, headers: Headers) -> bool:
    """Whether a request was made by another site's page: to change something, or to fetch what is not shown whole.

    A link from elsewhere may lead to a page; what starts work leads nowhere from there.
    """
    fetched = headers.get("sec-fetch-site")
    if method in ("GET", "HEAD", "OPTIONS"):
        is_link = headers.get("sec-fetch-mode") == "navigate" and not path.endswith(STARTS_WORK)
        return fetched is not None and fetched not in OWN_SITE and not is_link
    if fetched is not None:
        return fetched not in OWN_SITE
    origin = headers.get("origin")
    return bool(origin) and _host_of(origin or "") != headers.get("host")


def _host_of(origin: str) -> str | None:
    try:
        return urlsplit(origin).netloc
    except ValueError:
        return None
