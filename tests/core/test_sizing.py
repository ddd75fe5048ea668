"""The chart school, by figures worked by hand on a small invented chart."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.pattern.envelope import Envelope, View
from rowanseed.core.sizing.chart import by_chart

CHART = {"hip": {"10": 920.0, "12": 960.0, "14": 1000.0}, "waist": {"10": 680.0, "12": 720.0, "14": 760.0}}
FINISHED = {"A": {"hip": {"10": 1000.0, "12": 1040.0, "14": 1080.0}, "waist": {"10": 700.0, "12": 740.0, "14": 780.0}}}
ENVELOPE = Envelope(
    views=(View("A", ""),), sizes=("10", "12", "14"), sized_by=("hip", "waist"), body_chart=CHART, finished=FINISHED
)


@pytest.mark.parametrize(
    ("hip", "waist", "size"),
    [
        (960, 720, "12"),
        (970, 720, "12"),  # a quarter of the step over is forgiven
        (971, 720, "14"),
        (900, 650, "10"),
        (925, 715, "12"),  # the waist needs the larger one
        (995, 690, "14"),
    ],
)
def test_the_larger_of_what_the_measures_say(hip, waist, size):
    advice = by_chart({"hip": hip, "waist": waist}, ENVELOPE)
    assert advice.size == size
    assert advice.working is not None


def test_it_says_where_to_take_in():
    assert "take in at the hip" in by_chart({"hip": 925, "waist": 715}, ENVELOPE).reason.lower()
    assert "the waist alone would be 10" in by_chart({"hip": 995, "waist": 680}, ENVELOPE).reason


def test_a_body_off_the_chart_is_told_so():
    assert "above the largest" in by_chart({"hip": 1150, "waist": 760}, ENVELOPE).reason
    assert "below the smallest" in by_chart({"hip": 800, "waist": 680}, ENVELOPE).reason


def test_a_missing_measure_is_asked_for_and_no_chart_is_no_size():
    assert by_chart({"waist": 720}, ENVELOPE).missing == ("hip",)
    assert by_chart({}, ENVELOPE).size is None
    assert by_chart({"hip": 960}, Envelope((View("A", ""),), ("S", "M"))).size is None
    assert by_chart({}, Envelope((View("A", ""),), ("as drawn",))).size == "as drawn"


@given(st.floats(850, 1015), st.floats(0, 40))
def test_a_larger_body_never_gets_a_smaller_size(hip, more):
    sizes = ENVELOPE.sizes
    smaller, larger = (by_chart({"hip": h, "waist": 680}, ENVELOPE).size for h in (hip, hip + more))
    assert sizes.index(smaller) <= sizes.index(larger)
