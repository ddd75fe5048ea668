"""Time: what to do in the minutes there are, the rest in sittings, and what her own times say."""

from __future__ import annotations

from datetime import date, datetime, time

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.app.sewing import PLACES, Sewing
from rowanseed.core.make.calendar import Appointment, on_days
from rowanseed.core.make.minutes import in_words
from rowanseed.core.make.operation import Act
from rowanseed.core.make.sittings import best_run, cut_into_sittings
from rowanseed.formats.calendar_file import write_calendar
from rowanseed.web.deps import Home, Id, number_of
from rowanseed.web.once import Once
from rowanseed.web.views.sewing import LearnedTime, SewTimeView, TimeAsked

router = APIRouter(route_class=Once)
WEEKDAYS = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
SHORTEST_SITTING, LONGEST_SITTING = 5, 600


def asked(home: Home) -> tuple[TimeAsked, dict[str, str]]:
    """What was asked for in the address; a sentence for what cannot be taken, and the usual in its place."""
    typed = home.request.query_params
    errors: dict[str, str] = {}

    def minutes(name: str, usual: int) -> int:
        said = typed.get(name, "").strip()
        found = number_of(said)
        if not said:
            return usual
        if found is None or not SHORTEST_SITTING <= found <= LONGEST_SITTING:
            errors[name] = f"Whole minutes, {SHORTEST_SITTING} to {LONGEST_SITTING}: 45."
            return usual
        return found

    try:
        first = date.fromisoformat(typed["first"]) if typed.get("first") else home.today
    except ValueError:
        errors["first"], first = "A day like 2026-12-01.", home.today
    try:
        at = time.fromisoformat(typed["at"]) if typed.get("at") else time(19, 0)
    except ValueError:
        errors["at"], at = "A time like 19:30.", time(19, 0)
    place = typed.get("place", "")
    return (
        TimeAsked(
            have=minutes("have", 45),
            place=place if place in PLACES else "",
            length=minutes("length", 60),
            first=first,
            at=at.replace(tzinfo=None),
            days=frozenset(day for day in typed.getlist("days") if day in WEEKDAYS),
        ),
        errors,
    )


def appointments(sewing: Sewing, wanted: TimeAsked) -> tuple[Appointment, ...]:
    """What is left, in sittings on the days that are free."""
    found = cut_into_sittings(sewing.line, wanted.length, sewing.took)
    return on_days(found, wanted.first, wanted.at, frozenset(WEEKDAYS.index(day) for day in wanted.days))


@router.get("/projects/{id}/sew/time")
def show_time(home: Home, id: Id) -> Response:
    sewing = Sewing(load(home, id))
    wanted, errors = asked(home)
    left = sewing.line.left
    return home.show(
        SewTimeView(
            project=sewing.project,
            line=sewing.line,
            asked=wanted,
            errors=errors,
            typed=dict(home.request.query_params),
            places={key: words for key, (words, _) in PLACES.items()},
            weekdays=tuple(zip(WEEKDAYS, ("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"), strict=True)),
            run=best_run(sewing.line, wanted.have, sewing.took, PLACES[wanted.place][1]),
            took=sewing.took,
            appointments=appointments(sewing, wanted),
            left=in_words(
                (sum(sewing.estimates[op.id].low for op in left), sum(sewing.estimates[op.id].high for op in left))
            ),
            query=home.request.url.query,
            learned=_learned(sewing),
        )
    )


def _learned(sewing: Sewing) -> tuple[LearnedTime, ...]:
    """What the household's own times say, by technique and by kind of work."""
    own = sewing.own
    out = [LearnedTime(name, ratio.middle, ratio.count) for name, ratio in own.techniques.items()]
    out += [LearnedTime(Act(act).words, ratio.middle, ratio.count, True) for act, ratio in own.acts.items()]
    return (*out, *((LearnedTime("all steps", own.whole.middle, own.whole.count, True),) if own.whole else ()))


@router.get("/projects/{id}/sew/sittings.ics")
def calendar(home: Home, id: Id) -> Response:
    """The sittings as a calendar file."""
    sewing = Sewing(load(home, id))
    wanted, _ = asked(home)
    name = sewing.project.record.name
    data = write_calendar(name, f"project-{id}", appointments(sewing, wanted), datetime.now())
    headers = {"Content-Disposition": 'attachment; filename="sittings.ics"'}
    return Response(data, media_type="text/calendar; charset=utf-8", headers=headers)
