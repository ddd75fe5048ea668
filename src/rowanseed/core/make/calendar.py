"""Sittings on days: one a day, on the weekdays that are free, each at the same hour."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta

from rowanseed.core.make.sittings import Sitting


@dataclass(frozen=True)
class Appointment:
    """A sitting and when it is."""

    number: int
    sitting: Sitting
    start: datetime

    @property
    def end(self) -> datetime:
        return self.start + timedelta(minutes=self.sitting.minutes)


def on_days(sittings: Sequence[Sitting], first: date, at: time, weekdays: frozenset[int]) -> tuple[Appointment, ...]:
    """Sittings from a day on; `weekdays` are those that are free, Monday 0. None free: every day is."""
    free = weekdays or frozenset(range(7))
    day, out = first, []
    for number, sitting in enumerate(sittings, start=1):
        while day.weekday() not in free:
            day += timedelta(days=1)
        out.append(Appointment(number, sitting, datetime.combine(day, at)))
        day += timedelta(days=1)
    return tuple(out)
