"""Measurements that cannot be right are questioned, and right ones are left alone."""

from rowanseed.core.base.units import Units
from rowanseed.core.body.measures import Age, questions


def _asked(body, age=Age.ADULT):
    return {q.key: q.text for q in questions(body, age, Units.METRIC)}


def test_plausible_figures_raise_no_question():
    assert _asked({"waist": 760, "hip": 1010, "bust": 960, "high_bust": 900, "height": 1700}) == {}
    assert _asked({"waist": 560, "hip": 640, "height": 1200}, Age.CHILD) == {}


def test_inches_typed_as_centimetres_are_asked_about():
    assert "inches" in _asked({"waist": 300})["waist"]  # 30 typed where cm are meant
    assert "76" in _asked({"waist": 300})["waist"]


def test_centimetres_typed_as_inches_are_asked_about():
    assert "centimetres" in _asked({"hip": 101 * 25.4})["hip"]


def test_a_childs_figure_on_an_adult_is_asked_about():
    assert "child's" in _asked({"height": 1200})["height"]
    assert "adult's" in _asked({"height": 1850}, Age.CHILD)["height"]


def test_a_waist_far_above_the_hip_is_asked_about_once():
    assert list(_asked({"waist": 1200, "hip": 950})) == ["waist"]
    assert _asked({"waist": 960, "hip": 940}) == {}
