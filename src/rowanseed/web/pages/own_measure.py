"""Cut to the measure: a garment without a pattern, from the wearer's own figures, with the sums beside it."""

from __future__ import annotations

from collections.abc import Mapping

from fastapi import APIRouter, Request, Response

from rowanseed.core.compose.compose import DescriptionRefused
from rowanseed.core.compose.own_description import describe
from rowanseed.core.compose.own_measure import CLOSINGS, Own, OwnKind
from rowanseed.core.compose.own_sums import sums
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.formats.description_json import compose_pattern, write_description
from rowanseed.store import patterns, people
from rowanseed.web.deps import Home, House, Typing, go, number_of
from rowanseed.web.once import Once
from rowanseed.web.own_form import ASKED, filled, on_a_usual_figure, one_of, read_own
from rowanseed.web.views.house import OwnLookView, OwnView

router = APIRouter(route_class=Once)
FIELDS = {
    "body_chart.bust": "bust",
    "body_chart.hip": "hip",
    "body_chart.waist": "waist",
    "features.band.underlap": "underlap",
    "features.band.width": "band",
    "features.bib.height": "bib_high",
    "features.bib.width": "bib_wide",
    "features.hem.depth": "hem",
    "features.opening": "closing",
    "features.skirt.coverage": "coverage",
    "features.skirt.fullness": "fullness",
    "features.skirt.length": "long",
    "features.skirt.tiers": "tiers",
    "features.straps.width": "strap",
    "finished.length": "long",
    "finished.waist": "ease",
}
"""What a description's field is called on this form."""


@router.get("/patterns/own")
def own(home: Home, request: Request) -> Response:
    return _page(home, request.query_params, {})


@router.get("/patterns/own/look")
def look(home: Home, request: Request) -> Response:
    """The sums as the form stands: asked for with every figure, and nothing is kept."""
    typed = request.query_params
    made, found, errors = _made(home, typed)
    return home.show(
        OwnLookView(
            sums=sums(found) if made else (),
            drawn=_drawn(home, typed, made),
            errors={} if _is_new(typed) else errors,
            usual=made is None,
        )
    )


@router.post("/patterns/own")
def take(home: Home, typed: Typing) -> Response:
    made, _, errors = _made(home, typed)
    if made is None:
        return _page(home, typed, errors, status=422)
    return go(f"/patterns/{patterns.add_pattern(home.db, made, home.today)}")


def _is_new(typed: Mapping[str, str]) -> bool:
    """Whether nothing that is needed was typed yet."""
    return not any(typed.get(one.id, "").strip() for one in ASKED if one.needed)


def _made(home: House, typed: Mapping[str, str]) -> tuple[Pattern | None, Own, dict[str, str]]:
    found, errors = read_own(typed, home.units)
    if errors:
        return None, found, errors
    try:
        return compose_pattern(write_description(describe(found))), found, {}
    except DescriptionRefused as refused:
        return None, found, {FIELDS.get(one.field, "form"): one.why for one in reversed(refused.refusals)}


def _drawn(home: House, typed: Mapping[str, str], made: Pattern | None) -> str | None:
    """The garment; where its figures are not known yet, as it looks on a usual figure."""
    made = made or _made(home, on_a_usual_figure(typed, home.units))[0]
    return None if made is None else line_drawing(made)


def _page(home: House, typed: Mapping[str, str], errors: Mapping[str, str], status: int = 200) -> Response:
    kind = one_of(OwnKind, typed.get("kind"), OwnKind.APRON)
    chosen = number_of(typed.get("person"))
    person = None if chosen is None else people.person(home.db, chosen)
    shown = filled(typed, kind, None if person is None else person.body, home.units)
    made, found, _ = _made(home, shown)
    return home.show(
        OwnView(
            typed=shown,
            errors=errors,
            kinds=[(one.value, one.words) for one in OwnKind],
            closings=[(one.value, one.words) for one in CLOSINGS[kind]],
            persons=[("", "nobody here"), *((str(p.id), p.name) for p in people.people(home.db))],
            asked=[one for one in ASKED if kind in one.kinds],
            sums=sums(found) if made else (),
            drawn=_drawn(home, shown, made),
            usual=made is None,
        ),
        status,
    )
