"""Edges of several sizes made of the same segments stay the lines that were drawn; Shapely measures them."""

import random
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LineString, hausdorff_distance

from rowanseed.core.geometry.outline import Segment, chain_length, flatten
from rowanseed.formats.same_segments import same_segments


def drawn(chance, pieces):
    """A line across the page in some segments, curves and straight ones."""
    xs = [0.0, *sorted(chance.uniform(20, 580) for _ in range(pieces - 1)), 600.0]
    points = [(x, chance.uniform(0, 60)) for x in xs]
    out = []
    for a, b in pairwise(points):
        third = (b[0] - a[0]) / 3
        bent = chance.random() < 0.5
        controls = ((a[0] + third, a[1] + chance.uniform(-30, 30)), (b[0] - third, b[1] + chance.uniform(-30, 30)))
        out.append(Segment(a, b, *controls) if bent else Segment(a, b))
    return tuple(out)


@given(st.integers(0, 10**6), st.lists(st.integers(1, 5), min_size=2, max_size=4))
def test_every_size_gets_the_same_segments_and_keeps_its_line(seed, pieces):
    chance = random.Random(seed)
    sizes = {str(k): {"edge": drawn(chance, n)} for k, n in enumerate(pieces)}
    made = same_segments(sizes)
    structures = {tuple(s.is_curve for s in edges["edge"]) for edges in made.values()}
    assert len(structures) == 1
    for size, edges in made.items():
        before, after = sizes[size]["edge"], edges["edge"]
        assert (after[0].start, after[-1].end) == (before[0].start, before[-1].end)
        assert all(a.end == b.start for a, b in pairwise(after))
        assert chain_length(after) == pytest.approx(chain_length(before), abs=0.1)
        assert hausdorff_distance(LineString(flatten(after, 0.01)), LineString(flatten(before, 0.01))) < 0.1


def test_what_is_alike_already_is_left_as_it_is():
    chance = random.Random(7)
    edges = {"edge": tuple(s for s in drawn(chance, 3))}
    assert same_segments({"10": edges, "12": edges}) == {"10": edges, "12": edges}
