"""The fit document: whatever was decided reads back, and nothing half-read is believed."""

import json

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import KINDS
from rowanseed.core.base.errors import DocumentError
from rowanseed.core.choices import FitChoices
from rowanseed.core.sizing.schools import School
from rowanseed.core.sizing.wish import Fit, Over, Wish
from rowanseed.formats.fit_json import alteration_document, read_alteration, read_fit, write_fit

MM = st.floats(-300, 300, allow_nan=False)
NAMES = st.text("abcdefghij-", max_size=8)
ALTERATIONS = st.builds(Alteration, st.sampled_from(sorted(KINDS)), MM, NAMES, NAMES)
CHOICES = st.builds(
    FitChoices,
    school=st.none() | st.sampled_from(School),
    reason=st.text(max_size=40),
    blend=st.lists(st.tuples(NAMES, NAMES), max_size=3).map(tuple),
    alterations=st.lists(ALTERATIONS, max_size=4).map(tuple),
    wish=st.builds(
        Wish,
        st.sampled_from(Fit),
        st.sampled_from(Over),
        st.floats(0, 1),
        st.dictionaries(NAMES, st.tuples(MM, MM), max_size=3),
    ),
    accepted=st.dictionaries(NAMES, MM, max_size=3),
)


@given(CHOICES)
def test_every_choice_reads_back_as_it_was_written(choice):
    assert read_fit(write_fit(choice)) == choice


@given(ALTERATIONS)
def test_every_alteration_reads_back(alteration):
    assert read_alteration(json.dumps(alteration_document(alteration))) == alteration


def test_what_was_kept_before_there_were_alterations_is_still_read():
    assert read_fit("{}") == FitChoices()


@pytest.mark.parametrize(
    "text",
    [
        "",
        "[]",
        '{"alterations": [{"kind": "elbow", "by": 1}]}',
        '{"alterations": [{"kind": "hem", "by": NaN}]}',
        '{"accepted": {"waist": Infinity}}',
        '{"surprise": 1}',
    ],
)
def test_what_is_no_fit_is_refused_in_words(text):
    with pytest.raises(DocumentError, match="The fit cannot be read"):
        read_fit(text)
