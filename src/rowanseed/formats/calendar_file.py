"""Sittings as an iCalendar file (RFC 5545), to be taken into any calendar."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, datetime

from icalendar import Calendar, Event

from rowanseed.core.make.calendar import Appointment


def write_calendar(project: str, uid: str, appointments: Sequence[Appointment], now: datetime) -> bytes:
    """A calendar with one event a sitting, at local times; the same sitting of a project always has the same uid."""
    calendar = Calendar()
    calendar.add("prodid", "-//Rowanseed//Sewing sittings//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", f"Sewing: {project}")
    for one in appointments:
        event = Event()
        event.add("uid", f"{uid}-{one.number}@rowanseed")
        event.add("dtstamp", now.astimezone(UTC))
        event.add("dtstart", one.start)
        event.add("dtend", one.end)
        event.add("summary", f"{project}, sitting {one.number}: {one.sitting.title}")
        event.add("description", "\n".join(step.title for step in one.sitting.steps))
        calendar.add_component(event)
    return bytes(calendar.to_ical())
