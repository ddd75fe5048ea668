"""How far searches are, as server-sent events; no thread is held between two words."""

from __future__ import annotations

import asyncio
import json
from collections.abc import AsyncIterator, Sequence
from contextlib import suppress

from sse_starlette import EventSourceResponse, ServerSentEvent
from starlette.concurrency import run_in_threadpool

from rowanseed.app import searching
from rowanseed.app.searching import Asked, Look
from rowanseed.drawings.lay import draw_running
from rowanseed.settings import settings
from rowanseed.web.deps import House

SOON = 0.05
"""Seconds between the first looks, while no lay has been found yet."""


def follow(home: House, asked: Sequence[Asked]) -> EventSourceResponse:
    """Start the searches that do not run yet, and stream how far they are until all are answered or have failed."""
    searching.ask(home.db, asked)
    return EventSourceResponse(_told(_looks(home, asked)), headers={"Cache-Control": "no-store"}, sep="\n")


async def until_answered(home: House, asked: Sequence[Asked]) -> None:
    """Start the searches that do not run yet, and wait until all are answered or have failed, or no worker comes."""
    searching.ask(home.db, asked)
    longest = settings().waited_too_long + sum(one.seconds for one in asked)
    with suppress(TimeoutError):
        async with asyncio.timeout(longest):
            async for _ in _looks(home, asked):
                pass


async def _told(looks: AsyncIterator[Look]) -> AsyncIterator[ServerSentEvent]:
    """The words each time, a picture only where a lay has become shorter."""
    shown: dict[str, float] = {}
    async for seen in looks:
        lays = []
        for one in seen.running:
            name, length = one.asked.question, round(one.plan.length, 1)
            if shown.get(name) != length:
                shown[name] = length
                picture = draw_running(one.plan, one.asked.problem.cloth, one.asked.label)
                lays.append(
                    {"label": one.asked.label, "length": length, "at": round(one.elapsed, 2), "picture": picture}
                )
        said = {"words": seen.lines, "lays": lays}
        yield ServerSentEvent(event="progress", data=json.dumps(said), sep="\n")
    yield ServerSentEvent(event="done", data="{}", sep="\n")


async def _looks(home: House, asked: Sequence[Asked]) -> AsyncIterator[Look]:
    """How far the searches are, time after time, until all are answered or have failed."""
    lender, units = home.request.app.state.lender, home.units

    def look() -> Look | None:
        with lender.lent() as db:
            searching.collect(db)
            return searching.look(db, asked, units)

    soon = SOON
    while (seen := await run_in_threadpool(look)) is not None:
        yield seen
        # The first lay is waited for with open eyes; what comes after it does not come so fast.
        soon = settings().collect_every if seen.running else min(1.2 * soon, settings().collect_every)
        await asyncio.sleep(soon)
