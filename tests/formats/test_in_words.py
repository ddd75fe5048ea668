"""What is wrong with a document is said in its writer's words, whatever is wrong with it."""

import json
import re
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.base.errors import RowanseedError
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.description_json import read_description
from rowanseed.formats.layout_json import read_problem
from rowanseed.formats.pattern_json import read_pattern, write_pattern

OUTSIDE = Path(__file__).parent.parent / "outside"
READERS = {
    "description": (read_description, next((OUTSIDE / "descriptions").glob("*.json")).read_text()),
    "layout": (read_problem, next((OUTSIDE / "problems").glob("*.json")).read_text()),
    "pattern": (read_pattern, write_pattern(draft())),
}
STRANGE = (None, True, -1, 0, 2.5, 1e12, "", "x", "x" * 5000, [], [1], {}, {"a": 1})
LIBRARYS_OWN = re.compile(
    r"Input should|Field required|Extra inputs|validation error|\bvalid (string|list|dict|integer)"
)


def places(value, before=()):
    """Every place in a document, by its way."""
    yield before
    inner = value.items() if isinstance(value, dict) else enumerate(value[:2]) if isinstance(value, list) else ()
    for key, one in inner:
        yield from places(one, (*before, key))


def put(document, way, value):
    *before, last = way
    for step in before:
        document = document[step]
    document[last] = value


@pytest.mark.parametrize("kind", READERS)
@given(st.data())
def test_a_strange_value_anywhere_in_a_document_is_refused_in_words_or_taken(kind, data):
    read, text = READERS[kind]
    document = json.loads(text)
    way = data.draw(st.sampled_from([way for way in places(document) if way]))
    put(document, way, data.draw(st.sampled_from(STRANGE)))
    try:
        read(json.dumps(document))
    except RowanseedError as error:
        assert not LIBRARYS_OWN.search(str(error)), str(error)


@pytest.mark.parametrize("kind", ["description", "pattern"])
def test_what_is_missing_and_what_is_too_much_is_named(kind):
    read, text = READERS[kind]
    document = json.loads(text)
    for changed in ({**document, "unheard-of": 1}, {k: v for k, v in document.items() if k not in ("name", "cloth")}):
        with pytest.raises(RowanseedError) as caught:
            read(json.dumps(changed))
        assert "no such field" in str(caught.value) or "is missing" in str(caught.value)
