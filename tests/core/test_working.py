"""A figure carries the sum that made it, in the household's units."""

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.base.working import Given, Source, Working, cloth_length, count, fine, length, percent, words


@pytest.mark.parametrize(
    ("quantity", "metric", "imperial"),
    [
        (length(927.1), "92.5 cm", "36 1/2 in"),
        (fine(15.0), "1.5 cm", "9/16 in"),
        (cloth_length(1485.9), "1.49 m", "1 5/8 yd"),
        (count(12), "12", "12"),
        (percent(0.055), "5.5 %", "5.5 %"),
        (words("14"), "14", "14"),
        (length(-25.4), "−2.5 cm", "−1 in"),
    ],
)
def test_every_kind_of_figure_has_its_unit(quantity, metric, imperial):
    assert quantity.show(Units.METRIC) == metric
    assert quantity.show(Units.IMPERIAL) == imperial


def test_sums_come_deepest_first():
    lay = Working(name="lay", quantity=cloth_length(1000), formula="as drawn", given=())
    ready = Working(
        name="ready",
        quantity=cloth_length(1050),
        formula="lay + straightening",
        given=(lay.as_given(), Given("ends", length(50), Source.PRACTICE)),
    )
    buy = Working(
        name="buy", quantity=cloth_length(1100), formula="rounded up", given=(ready.as_given("ready to cut"),)
    )
    assert [step.name for step in buy.steps()] == ["lay", "ready", "buy"]
    assert buy.given[0].name == "ready to cut"
    assert buy.given[0].source is Source.WORKED_OUT
