"""One step in large type, at the machine and at the cutting table: what its page is sent, and what it sends back."""

from __future__ import annotations

import json
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field

MOST_TICKS = 500


class TickSent(BaseModel):
    """A tick as the page sends it, perhaps long after it was made."""

    model_config = ConfigDict(extra="forbid")

    step: Annotated[str, Field(max_length=200)]
    done: bool
    at: datetime

    @property
    def when(self) -> datetime:
        """In the time of this machine."""
        return self.at.replace(tzinfo=None) if self.at.tzinfo is None else self.at.astimezone().replace(tzinfo=None)


class TicksSent(BaseModel):
    model_config = ConfigDict(extra="forbid")

    ticks: Annotated[list[TickSent], Field(max_length=MOST_TICKS)]


@dataclass(frozen=True, kw_only=True)
class Told:
    """A step as its page shows it; `settings` are what, how, and whether it is new; `pictures` and
    `links` addresses and words."""

    id: str
    title: str
    bench: str
    how: Sequence[str]
    done: bool
    needs: Sequence[str]
    look: str = ""
    caution: str = ""
    minutes: tuple[float, float] | None = None
    settings: Sequence[tuple[str, str, bool]] = ()
    note: str = ""
    tension: str = ""
    mind: Sequence[str] = ()
    waits: float = 0.0
    overnight: bool = False
    place: int = 0
    settled: bool = False
    shows: Sequence[str] = ()
    pictures: Sequence[tuple[str, str]] = ()
    links: Sequence[tuple[str, str]] = ()


def document(*, key: str, ticks_to: str, name: str, order: str, at: str, steps: Sequence[Told]) -> str:
    """The whole order as JSON: the page works on without the server once it has it.

    `key` is what its ticks are kept under in the browser, `ticks_to` where they are sent, `order` the order's mark,
    `at` the step that comes next.
    """
    head = {"key": key, "ticks_to": ticks_to, "name": name, "order": order, "next": at}
    return json.dumps({**head, "steps": [vars(step) for step in steps]})


def taken(sent: TicksSent, take: Callable[[TickSent], str]) -> list[tuple[str, str]]:
    """Take ticks in their order, each by `take`, which says why where it cannot: those steps, with the reason."""
    return [(one.step, said) for one in sent.ticks if (said := take(one))]


def answer(refused: Sequence[tuple[str, str]], done: Sequence[str], order: str, at: str) -> dict[str, Any]:
    """What is said to ticks that were sent: which were not taken and why, what is done now."""
    return {
        "refused": [{"step": step, "said": said} for step, said in refused],
        "done": sorted(done),
        "order": order,
        "next": at,
    }
