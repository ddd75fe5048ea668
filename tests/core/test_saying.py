"""Errors put into words: lengths in the household's units, pieces by their names, ids nowhere."""

from dataclasses import fields

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.base.craft_refusals import NoSuchPieceToMove, TooNarrow
from rowanseed.core.base.errors import LengthError, Refused
from rowanseed.core.base.lay_errors import LAY_REFUSALS, TooWide
from rowanseed.core.base.saying import said
from rowanseed.core.base.units import Units, parse_length


def _kinds(kind=Refused):
    for below in kind.__subclasses__():
        yield from _kinds(below)
        if below.PROBLEM:
            yield below


@pytest.mark.parametrize(
    ("units", "problem"),
    [
        (Units.METRIC, "“Front” is 51.1 cm wide across the cloth and there are 41 cm to lay it on."),
        (Units.IMPERIAL, "“Front” is 20 1/8 in wide across the cloth and there are 16 1/8 in to lay it on."),
    ],
)
def test_a_refusal_is_said_in_the_household_s_units_with_the_piece_s_name(units, problem):
    refused = TooWide(piece="front@2", needed=511.0, room=410.0, open=False)
    assert said(refused, units, {"front@2": "Front"}).problem == problem
    assert "Lay the cloth open" in said(refused, units).remedy
    assert "Lay the cloth open" not in said(TooWide("front", 511.0, 410.0, open=True), units).remedy


@given(st.integers(1, 5000), st.sampled_from(Units))
def test_a_length_that_is_said_is_the_length_it_was(mm, units):
    """Read back, to half of what fine figures are rounded to."""
    problem = said(TooWide("front", float(mm), 1.0, open=True), units).problem
    shown = problem.split(" is ")[1].split(" wide")[0]
    assert parse_length(shown, "mm") == pytest.approx(mm, abs=0.5 if units is Units.METRIC else 25.4 / 32 + 0.01)


KINDS = list(_kinds())


def test_refusals_of_fit_cloth_and_lay_are_among_them():
    assert {TooNarrow, NoSuchPieceToMove, TooWide} <= set(KINDS)


@pytest.mark.parametrize("kind", KINDS, ids=lambda kind: kind.__name__)
def test_every_refusal_fills_its_sentences_from_its_own_fields(kind):
    values = {"Mm": 12.5, "bool": True, "PieceId": "front", "str": "this"}
    refused = kind(**{field.name: values[field.type] for field in fields(kind)})
    for units in Units:
        told = said(refused, units, {"front": "Front"})
        assert told.problem and not set("{}") & set(str(told))
        assert "front" not in str(told)


def test_what_was_told_where_it_was_raised_is_said_as_it_stands():
    assert str(said(LengthError("“x” is not a length.", "Write 3 cm."), Units.METRIC)) == (
        "“x” is not a length. Write 3 cm."
    )
    assert LAY_REFUSALS["too-wide"] is TooWide
