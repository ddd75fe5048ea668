"""Words on a lay stand inside their piece, clear of its grainline and of each other.

Boxes are measured by Shapely on the pieces of real lays, laid quickly.
"""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import affinity
from shapely.geometry import LineString, Polygon

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.cutting import cut_list
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.first import first_lay
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.drawings.lay_labels import beneath, named

CLOTH = Cloth("c", 1120.0, None, 10.0, Direction.TWO_WAY)


def inner_width(shape):
    """How wide the widest circle inside is, by narrowing the piece until nothing is left."""
    wide = 0.0
    while not shape.buffer(-wide / 2).is_empty:
        wide += 4.0
    return wide


@pytest.mark.parametrize("letter", [14.0, 26.0, 40.0])
@pytest.mark.parametrize("draft", [overshirt, six_gore_skirt, trousers, waistcoat], ids=lambda d: d.__name__[15:])
def test_every_name_stands_inside_its_piece_and_off_its_grainline(draft, letter):
    pattern = draft.draft()
    size = pattern.envelope.sizes[3]
    problem = lay_problem(pattern, GarmentChoices("A", size), Role.MAIN, CLOTH)
    plan = first_lay(problem)
    items = cut_list(
        pattern=pattern, size=size, role=Role.MAIN, problem=problem, plan=plan, cloth=CLOTH, units=Units.METRIC
    )
    whole = 0
    for item in items:
        shape = Polygon(item.placement.outline)
        grain = item.grain.line if item.grain is not None else None
        name = named(shape, (item.piece.name, str(item.piece.number)), letter, grain[0][1] if grain else None)
        whole += name.text == item.piece.name
        crossed = grain is not None and LineString(grain).intersects(name.room)
        if crossed or not shape.contains(name.room):
            # Only a number at its smallest may have no room anywhere.
            assert name.text == str(item.piece.number) and inner_width(shape) < 2.2 * letter, item.piece.name
            continue
        second = beneath(shape, "2, tissue face down", letter, name, grain[0][1] if grain else None)
        if second is not None:
            assert shape.contains(second.room) and not second.room.intersects(name.room)
    assert whole >= len(items) * 0.6 or letter > 26.0


@given(
    st.floats(40.0, 900.0),
    st.floats(40.0, 900.0),
    st.floats(-0.4, 0.4),
    st.floats(0.1, 0.9),
    st.sampled_from([12.0, 24.0]),
)
@settings(max_examples=200, deadline=None)
def test_in_a_slanting_strip_a_name_has_the_largest_size_that_fits_and_lies_along_it(long, wide, slant, at, letter):
    shape = affinity.skew(Polygon([(0, 0), (long, 0), (long, wide), (0, wide)]), slant * 57.3)
    grain_y = at * wide
    name = named(shape, ("Side front", "7"), letter, grain_y)
    smallest = 0.72 * letter
    if name.text == "7" and not shape.contains(name.room):
        assert wide * at < 2 * letter or wide * (1 - at) < 2 * letter or long < 3 * letter
    elif name.text == "Side front":
        assert shape.contains(name.room) and name.size >= smallest
    assert name.upright == (wide > 1.7 * (shape.bounds[2] - shape.bounds[0])) or not shape.contains(name.room)
