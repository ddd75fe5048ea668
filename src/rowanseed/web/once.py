"""A form that is sent twice is taken once: every page gives its forms a key, and a key leads to one answer.

A double click, going back and sending again, a connection that broke before the answer came: the second time leads to
where the first one led.
"""

from __future__ import annotations

import asyncio
from collections.abc import Callable, Coroutine
from typing import Any

from fastapi import Request, Response
from fastapi.routing import APIRoute
from starlette.concurrency import run_in_threadpool

from rowanseed.store.database import transaction
from rowanseed.web.deps import go

LONGEST = 64
_under_way: dict[str, asyncio.Event] = {}

Handler = Callable[[Request], Coroutine[Any, Any, Response]]


class Once(APIRoute):
    """A route whose forms are taken once."""

    def get_route_handler(self) -> Handler:
        handle = super().get_route_handler()

        async def once(request: Request) -> Response:
            key = await _key_of(request)
            if key is None:
                return await handle(request)
            while (event := _under_way.get(key)) is not None:
                await event.wait()
            _under_way[key] = asyncio.Event()
            try:
                led_to = await run_in_threadpool(_answer, request, key)
                if led_to is not None:
                    return go(led_to)
                response = await handle(request)
                if response.status_code == 303:
                    await run_in_threadpool(_remember, request, key, response.headers["location"])
                return response
            finally:
                _under_way.pop(key).set()

        return once


async def _key_of(request: Request) -> str | None:
    """The key of a form; None for what changes nothing, or comes without one."""
    if request.method != "POST":
        return None
    kind = request.headers.get("content-type", "")
    if not kind.startswith(("application/x-www-form-urlencoded", "multipart/form-data")):
        return None
    key = (await request.form()).get("once")
    return key if isinstance(key, str) and 0 < len(key) <= LONGEST else None


def _answer(request: Request, key: str) -> str | None:
    with request.app.state.lender.lent() as db:
        row = db.execute("SELECT led_to FROM sent WHERE key = ?", (key,)).fetchone()
        return None if row is None else str(row["led_to"])


def _remember(request: Request, key: str, led_to: str) -> None:
    with request.app.state.lender.lent() as db, transaction(db, recorded=False):
        db.execute("INSERT OR REPLACE INTO sent (key, led_to) VALUES (?, ?)", (key, led_to))
