"""Lengths as people write them, against the exact definitions.

Source: international yard and pound agreement, 1959: 1 yd = 0.9144 m, so 1 in = 25.4 mm, exactly.
"""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import (
    MM_PER_UNIT,
    Units,
    at_least,
    at_most,
    format_allowance,
    format_cloth,
    format_length,
    parse_length,
    parse_signed_length,
    round_up_for_shop,
    shop_increment,
)


def test_the_units_are_those_of_the_1959_agreement():
    assert MM_PER_UNIT["yd"] == Fraction("914.4")
    assert MM_PER_UNIT["in"] == Fraction("25.4")
    assert MM_PER_UNIT["ft"] * 3 == MM_PER_UNIT["yd"] == 36 * MM_PER_UNIT["in"]


@pytest.mark.parametrize(
    ("written", "unit", "mm"),
    [
        ("36 1/2", "in", 927.1),
        ("36.5", "in", 927.1),
        ("36½", "in", 927.1),
        ('36.5"', "cm", 927.1),
        ("36 1/2 in", "cm", 927.1),
        ("92,5 cm", "in", 925.0),
        ("92,5", "cm", 925.0),
        ("1 5/8 yd", "cm", 1485.9),
        ("1⅝ yd", "cm", 1485.9),
        ("2,4 m", "in", 2400.0),
        ("15mm", "in", 15.0),
        ("5' 4\"", "cm", 1625.6),
        ("1 yd 9 in", "cm", 1143.0),
        ("  3/4 ", "in", 19.05),
        (".5", "cm", 5.0),
    ],
)
def test_reads_what_people_write(written, unit, mm):
    assert parse_length(written, unit) == pytest.approx(mm, abs=1e-9)


@pytest.mark.parametrize(
    "written", ["", "  ", "wide", "3 6 cm 2", "1/0", "12 elephants", "0", "-4 cm", "900 m", "1 yd 9"]
)
def test_refuses_what_is_no_length_and_shows_how_to_write_one(written):
    with pytest.raises(LengthError) as refused:
        parse_length(written, "cm")
    assert refused.value.problem


def test_a_change_may_shorten():
    assert parse_signed_length("−2 cm", "in") == -20
    assert parse_signed_length("-3/4", "in") == pytest.approx(-19.05)
    assert parse_signed_length("+1", "cm") == 10


@given(st.integers(1, 16 * 200))
def test_an_inch_figure_that_is_shown_reads_back_as_itself(sixteenths):
    mm = float(Fraction(sixteenths, 16) * Fraction("25.4"))
    assert parse_length(format_length(mm, Units.IMPERIAL, fine=True), "cm") == pytest.approx(mm, abs=1e-9)


@given(st.floats(1, 3000))
def test_shown_figures_are_within_half_a_step(mm):
    assert abs(parse_length(format_length(mm, Units.METRIC, fine=True), "in") - mm) <= 0.5 + 1e-6
    inches = format_length(mm + 3.175, Units.IMPERIAL)
    assert abs(parse_length(inches, "cm") - mm - 3.175) <= 25.4 / 16 + 1e-6


def test_figures_carry_their_unit():
    assert format_length(927.1, Units.IMPERIAL) == "36 1/2 in"
    assert format_length(925, Units.METRIC) == "92.5 cm"
    assert format_length(926, Units.METRIC) == "92.5 cm"
    assert format_length(-20, Units.METRIC) == "−2 cm"
    assert format_cloth(1485.9, Units.IMPERIAL) == "1 5/8 yd"
    assert format_cloth(1485.9, Units.METRIC) == "1.49 m"


@given(st.integers(1, 5000), st.sampled_from(list(Units)))
def test_the_shop_rounds_up_and_never_by_a_whole_step(tenths, units):
    """Against exact fractions; the increments are common practice, no source."""
    mm = tenths * 1.7
    sold, step = Fraction(round_up_for_shop(mm, units)), shop_increment(units)
    assert sold >= Fraction(mm) - Fraction(1, 500)
    assert sold - step < Fraction(mm)
    assert abs(sold / step - round(sold / step)) < Fraction(1, 10**9)


def test_an_exact_yard_is_not_rounded_up():
    assert round_up_for_shop(914.4, Units.IMPERIAL) == pytest.approx(914.4)
    assert round_up_for_shop(0.1 + 0.2 + 999.7, Units.METRIC) == 1000


@pytest.mark.parametrize(
    ("mm", "words"),
    [(15, "5/8 in"), (10, "3/8 in"), (6, "1/4 in"), (12, "1/2 in"), (20, "3/4 in"), (40, "1 5/8 in"), (1, "1/16 in")],
)
def test_allowances_in_inches_are_those_of_the_trade(mm, words):
    """1.5 cm is sewn as 5/8, 1 cm as 3/8 (the allowances envelopes print side by side; from memory)."""
    assert format_allowance(mm, Units.IMPERIAL) == words
    assert format_allowance(mm, Units.METRIC) == format_length(mm, Units.METRIC, fine=True)


@given(st.floats(4, 3000))
def test_a_limit_that_is_told_keeps_to_itself_in_both_units(mm):
    told, least = ([parse_length(one, "") for one in said(mm).strip(")").split(" (")] for said in (at_most, at_least))
    assert mm - 1.0 < told[0] <= mm + 1e-3 and mm - 25.4 / 8 < told[1] <= mm + 1e-3
    assert mm - 1e-3 <= least[0] < mm + 1.0 and mm - 1e-3 <= least[1] < mm + 25.4 / 8
