"""The pattern document: what is written reads back, and what is wrong is named by piece and edge."""

import json

import pytest

from rowanseed.core.base.errors import PatternError
from rowanseed.core.pattern.seamline import lines
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import pattern_document, read_pattern, write_pattern


@pytest.fixture
def document():
    return json.loads(write_pattern(draft()))


def _refused(document):
    with pytest.raises(PatternError) as error:
        read_pattern(json.dumps(document))
    return str(error.value)


def test_reading_what_was_written_gives_the_same_pattern():
    once = read_pattern(write_pattern(draft()))
    assert pattern_document(read_pattern(write_pattern(once))) == pattern_document(once)
    assert once.making == draft().making
    for piece in draft().pieces:
        ours, theirs = (lines(p.piece(piece.id), "22").cutting_ring() for p in (once, draft()))
        assert max(abs(a - b) for p, q in zip(ours, theirs, strict=True) for a, b in zip(p, q, strict=True)) < 0.01


def test_a_missing_edge_names_piece_size_and_edge(document):
    del document["pieces"][1]["sizes"]["12"]["edges"]["hem"]
    assert _refused(document).startswith("Piece “Side front gore”, size 12, edge “hem”: The edge is missing.")


def test_a_wrong_number_names_its_place(document):
    document["pieces"][0]["edges"][1]["allowance"] = "wide"
    assert "pieces, “Centre front gore”, edges, “hem”, allowance" in _refused(document)


@pytest.mark.parametrize("bad", [float("nan"), float("inf"), 1e300])
def test_numbers_that_are_none_are_refused(document, bad):
    document["pieces"][0]["sizes"]["8"]["edges"]["hem"][1][0] = bad
    assert _refused(document)


def test_a_join_to_nowhere_is_refused(document):
    document["making"]["joins"][0]["b"][0]["edge"] = "elbow"
    assert "has no edge “elbow”" in _refused(document)


def test_a_gap_in_the_chart_is_refused(document):
    del document["envelope"]["body_chart"]["hip"]["14"]
    assert "hip has no figure for size 14" in _refused(document)


@pytest.mark.parametrize("text", ["", "{", "[]", '{"format": "other/1"}', "[" * 100_000])
def test_what_is_no_pattern_is_told_so(text):
    with pytest.raises(PatternError):
        read_pattern(text)
