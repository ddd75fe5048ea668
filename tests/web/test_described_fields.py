"""The form that a garment is described in: what it says of a figure, and that it says it where one can see it."""

import json
import re

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from rowanseed.core.base.errors import DocumentError, RowanseedError
from rowanseed.core.base.units import Units, parse_length
from rowanseed.core.compose.compose import DescriptionRefused
from rowanseed.core.compose.limits import limit_of
from rowanseed.core.compose.vocabulary import GarmentKind
from rowanseed.core.pattern.envelope import Figure
from rowanseed.formats.description_json import compose_pattern, write_description
from rowanseed.web.describe_form import to_document
from rowanseed.web.described_fields import GROUPS, HEAD
from rowanseed.web.described_starts import start_of
from rowanseed.web.field_kinds import Either, Length, Number, One, Several, Tick
from rowanseed.web.pages.describe import field_of

from ..core.everyday import EVERYDAY

FIELDS = [field for group in GROUPS for field in group.fields]
FIGURES = [field for field in FIELDS if isinstance(field, Length | Number)]
TYPED = ("", "0", "0.2", "1", "2.5", "4", "9", "20", "60", "-3", "1e9", "nan", "wide", "7/8 in", "300 cm")


@st.composite
def forms(draw):
    """Anything that can be chosen and typed: most of it as the form begins, some of it not."""
    typed = {"name": "It"}
    for head in HEAD:
        typed[head.path] = draw(st.sampled_from([value for value, _ in head.options]))
    other = draw(st.lists(st.sampled_from(FIELDS), max_size=12, unique_by=lambda field: field.path))
    for field in FIELDS:
        if isinstance(field, One | Either):
            values = [value for value, _ in field.options]
            typed[field.path] = draw(st.sampled_from(values)) if field in other else values[0]
    for field in other:
        if isinstance(field, Several):
            typed[f"{field.path}.{draw(st.sampled_from([one.value for one in field.options]))}"] = "on"
        elif isinstance(field, Length | Number):
            typed[field.path] = draw(st.sampled_from(TYPED))
        elif isinstance(field, Tick):
            typed[field.path] = "on"
    return typed


def wrong(typed):
    document, errors = to_document(typed, Units.METRIC)
    try:
        compose_pattern(json.dumps(document))
    except DescriptionRefused as refused:
        return {**{field_of(one.field, typed): one.why for one in refused.refusals}, **errors}
    except DocumentError as error:
        return {field_of(error.where, typed): error.problem, **errors}
    except RowanseedError as error:
        return {"form": str(error), **errors}
    return errors


@settings(suppress_health_check=[HealthCheck.too_slow])
@given(forms())
def test_whatever_is_chosen_what_is_wrong_with_it_is_said_at_a_field_that_is_there(typed):
    there = {head.path for head in HEAD} | {
        field.path
        for group in GROUPS
        if group.belongs_to(typed["garment"])
        for field in group.fields
        if field.is_there(typed)
    }
    found = wrong(typed)
    assert {field: why for field, why in found.items() if field not in there} == {}
    assert [why for why in found.values() if "Input should" in why or "cannot be read" in why] == []


def alone(field, text, units=Units.METRIC):
    """A form in which this is typed and everything is chosen that has to be for the field to be there."""
    typed = {when.path: when.values[-1] if when.values else "buttons" for when in field.when}
    typed = {"name": "It", "garment": "dress", **typed, field.path: text}
    group = next(one for one in GROUPS if field in one.fields)
    if not group.belongs_to(typed["garment"]):
        typed["garment"] = sorted(one.value for one in group.of)[0]
    assert field.is_there(typed), field.path
    return to_document(typed, units)[1].get(field.path)


@pytest.mark.parametrize("field", FIGURES, ids=lambda field: field.path)
def test_a_figure_beyond_its_limits_is_told_them_and_what_is_told_may_be_typed(field):
    limit = limit_of(field.path)
    said = alone(field, "1999" if isinstance(field, Length) else "99")
    assert said == limit.refusal()
    if isinstance(field, Number):
        for figure in (limit.least, limit.most):
            assert alone(field, f"{figure:g}") is None
        if field.whole:
            assert "is no whole number" in alone(field, "1.5")
        return
    told = re.findall(r"[\d.]+ cm|(?<=\()[\d /]+ in(?=\))", said)
    assert told
    for figure in told:
        assert alone(field, figure) is None, figure
        assert limit.least <= parse_length(figure, "cm") <= limit.most
        assert alone(field, figure.removesuffix(" in"), Units.IMPERIAL) is None or not figure.endswith("in")


@pytest.mark.parametrize("garment", GarmentKind, ids=str)
@pytest.mark.parametrize("cloth", ["woven", "knit"])
@pytest.mark.parametrize("figure", Figure, ids=str)
def test_what_a_form_begins_with_can_be_composed_as_it_stands(garment, cloth, figure):
    typed = {**start_of(garment), "name": "Begun", "cloth": cloth, "figure": figure.value}
    document, errors = to_document(typed, Units.METRIC)
    assert errors == {}
    assert compose_pattern(json.dumps(document)).garment == garment.words


def test_the_second_row_of_a_list_is_told_of_where_the_first_is_empty():
    typed = {"name": "It", "garment": "dress", "features.opening.where": "none"}
    typed |= {"features.pockets.1.kind": "in-seam", "features.pockets.1.on": "front"}
    assert set(wrong(typed)) == {"features.pockets.1.kind"}


def test_a_garment_that_opens_nowhere_says_nothing_of_what_closes_it():
    typed = {"name": "It", "garment": "skirt", "features.waist": "shirred", "features.opening.kind": "invisible zip"}
    assert wrong({**typed, "features.opening.where": "back"})
    assert wrong({**typed, "features.opening.where": "none"}) == {}


def chosen_in(features, path="features"):
    """(path, value) of everything that a document says of its features, as the form names it."""
    for key, value in features.items():
        here = f"{path}.{key}"
        if isinstance(value, dict):
            yield from chosen_in(value, here)
        elif isinstance(value, list):
            for k, one in enumerate(value):
                yield from chosen_in(one, f"{here}.{k}") if isinstance(one, dict) else [(f"{here}.{one}", "on")]
        else:
            yield here, value


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_makes_an_everyday_garment_can_all_be_chosen_on_the_form(name):
    """A garment that is drafted, but whose yoke is not among what its front can be shaped by, is out of reach."""
    description = EVERYDAY[name]
    said = dict(chosen_in(json.loads(write_description(description))["features"]))
    typed = {"garment": description.garment.value, **{path: str(value) for path, value in said.items()}}
    offered = set()
    for group in GROUPS:
        for field in group.fields if group.belongs_to(typed["garment"]) else ():
            if isinstance(field, Several):
                there = (one for one in field.options if all(when.holds(typed) for when in one.when))
                offered |= {f"{field.path}.{one.value}" for one in there}
            elif field.is_there(typed):
                offered.add(field.path)
    wanted = {path for path, value in said.items() if path.startswith(("features.front.", "features.back."))}
    wanted |= {"features.opening.kind", "features.skirt.kind", "features.sleeve.kind", "features.collar"} & set(said)
    # Legs always have a seam there, an apron never has.
    given = {"features.front.centre", "features.back.centre"} if typed["garment"] in ("trousers", "apron") else set()
    assert wanted - given <= offered
