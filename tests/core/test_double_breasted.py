"""Fronts with two columns of buttons: where they stand, what they do not go with, how they are sewn and bought.

How far they lap and where the columns stand are common practice, no source.
"""

from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from shapely.geometry import Point, Polygon

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    GarmentKind,
    OpeningKind,
    Placket,
    Shaping,
    SkirtKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.notions.buttons import needs_buttons
from rowanseed.core.pattern.double_breasted import rows
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.formats.description_json import read_description, write_description

from .descriptions import double_breasted, drafted, mended
from .everyday import EVERYDAY, everyday

DOUBLE = Opening(Where.FRONT, OpeningKind.BUTTONS, double_breasted=True)
DOUBLES = [name for name, one in EVERYDAY.items() if one.features.opening.double_breasted]
SEWN_ON = (CollarKind.FLAT, CollarKind.ONE_PIECE, CollarKind.STAND, CollarKind.SHIRT, CollarKind.HOOD)
LARGEST = 15.0
"""Half a large button, in mm: so far inside the front's edge its middle stands at least."""


def described(garment=GarmentKind.JACKET, figure=Figure.WOMEN, **features):
    said = {"front": Side(Centre.OPEN), "opening": DOUBLE, "sleeve": Sleeve(), **features}
    return Description(name="It", garment=garment, figure=figure, features=Features(**said))


def with_rows(pattern, size):
    return [(piece, found) for piece in pattern.pieces if (found := rows(piece, size))]


def order(pattern, choices=None):
    return sequence(compile_garment(pattern, "A", middle(pattern), choices or MakingChoices()).operations)


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


@settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck))
@given(double_breasted.map(mended).filter(lambda d: d is not None and d.features.opening.double_breasted))
def test_each_hole_comes_to_lie_on_a_button_and_both_stand_well_inside_the_front(description):
    pattern = drafted(description).pattern
    found = [
        (piece, size, *row)
        for size in pattern.envelope.sizes
        for piece, every in with_rows(pattern, size)
        for row in every
    ]
    assert found
    for piece, size, hole, button in found:
        (x, y), (to_x, to_y) = hole.at[size], button.at[size]
        # Lapped, centre on centre, the other front's column lies mirrored beneath the holes.
        assert (x, -y) == pytest.approx((to_x, to_y), abs=0.01)
        ring = Polygon([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 0.5)])
        for at in (hole.at[size], button.at[size]):
            assert ring.contains(Point(at))
            assert ring.exterior.distance(Point(at)) >= LARGEST * (0.75 if description.figure is Figure.CHILDREN else 1)
        centre = [line.ends[size] for line in piece.lines if line.kind is LineKind.CENTRE]
        assert all(end[1] == pytest.approx(0.0, abs=0.01) for ends in centre for end in ends)


@pytest.mark.parametrize(("count", "marked", "sewn_on"), [(4, 2, 4), (6, 3, 6), (7, 3, 6), (8, 4, 8), (2, 1, 2)])
def test_the_envelopes_number_is_that_of_both_columns_and_one_more_is_bought_for_inside(count, marked, sewn_on):
    pattern = compose(described(opening=replace(DOUBLE, count=count), collar=CollarKind.NOTCHED)).pattern
    size = middle(pattern)
    assert sum(len(found) for _, found in with_rows(pattern, size)) == marked
    assert needs_buttons(pattern, size) == sewn_on + 1


def test_the_front_laps_farther_than_a_single_row_asks_for_and_the_column_follows_large_buttons():
    def reaches(**more):
        pattern = compose(replace(described(), **more)).pattern
        edges = pattern.piece("front").shapes[middle(pattern)].edges
        return -min(y for chain in edges.values() for _, y in flatten(chain, 0.5))

    def column(**more):
        pattern = compose(replace(described(), **more)).pattern
        size = middle(pattern)
        return rows(pattern.piece("front"), size)[0][1].at[size][1]

    single = replace(described().features, opening=replace(DOUBLE, double_breasted=False))
    assert reaches() > 2 * reaches(features=single)
    assert reaches(figure=Figure.CHILDREN) < reaches()
    assert column(notions=("6 buttons, 34 mm",)) < column()


@pytest.mark.parametrize(
    ("field", "features"),
    [
        ("features.opening.double_breasted", {"opening": replace(DOUBLE, kind=OpeningKind.SNAPS)}),
        ("features.opening.double_breasted", {"front": Side()}),
        (
            "features.opening.double_breasted",
            {"front": Side(), "back": Side(Centre.OPEN), "opening": replace(DOUBLE, where=Where.BACK)},
        ),
        ("features.opening.placket", {"opening": replace(DOUBLE, placket=Placket.BAND)}),
        ("features.opening.count", {"opening": replace(DOUBLE, count=1)}),
        ("features.front.shaping", {"front": Side(Centre.OPEN, (Shaping.YOKE, Shaping.GATHERS_UNDER_YOKE))}),
        ("features.waist", {"waist": Waist.ELASTIC_CASING}),
        ("features.skirt.kind", {"waist": Waist.SEAM, "skirt": Skirt(SkirtKind.GATHERED)}),
    ],
)
def test_what_two_columns_do_not_go_with_is_refused_at_its_field(field, features):
    garment = GarmentKind.DRESS if "waist" in features else GarmentKind.JACKET
    assert field in {one.field for one in refusals(described(garment, **features))}


@pytest.mark.parametrize("collar", SEWN_ON)
def test_a_collar_that_is_sewn_on_ends_at_the_centre_and_not_where_the_front_laps_to(collar):
    pattern = compose(described(GarmentKind.COAT, collar=collar)).pattern
    joins = [join for join in pattern.making.joins if join.id in ("neck", "collar-neck")]
    on_front = [p for join in joins for p in join.a if p.piece == "front"]
    assert on_front
    for part in on_front:
        mark = pattern.piece("front").mark(part.to_mark)
        assert mark.distance[middle(pattern)] == pytest.approx(80.0, abs=0.5)


@pytest.mark.parametrize(("name", "what"), [("trench coat", "collar"), ("hooded pea jacket", "hood")])
def test_the_laps_are_closed_before_a_stand_or_a_hood_is_sewn_to_its_dots(name, what):
    steps = {op.id: op for op in order(everyday(name))}
    ids = list(steps)
    assert ids.index("turn-opening-facing") < ids.index("close-lap-ends") < ids.index("sew-neck")
    assert f"the {what} begins at that dot" in " ".join(steps["close-lap-ends"].how)
    sewn = " ".join(steps["sew-neck"].how)
    assert "at the dots of the centre line" in sewn and "front edges" not in sewn


def test_a_stand_that_meets_at_the_centre_has_no_button_and_the_front_has_them_all():
    pattern = everyday("trench coat")
    assert not pattern.piece("stand").points
    ((_, found),) = with_rows(pattern, middle(pattern))
    assert len(found) == 4 and needs_buttons(pattern, middle(pattern)) == 9


@pytest.mark.parametrize("name", DOUBLES)
def test_the_buttons_that_close_come_before_those_beside_them_and_one_hole_more_for_the_one_inside(name):
    pattern = everyday(name)
    size, steps = middle(pattern), order(everyday(name))
    by_id = {op.id: k for k, op in enumerate(steps)}
    holes, closing, beside = (f"{what}-opening" for what in ("buttonholes", "buttons", "beside"))
    assert by_id[holes] < by_id[closing] < by_id[beside]
    marked = sum(len(found) for _, found in with_rows(pattern, size))
    assert steps[by_id[holes]].how[0].startswith(f"{marked + 1} of them.")
    assert steps[by_id[beside]].minutes > steps[by_id[closing]].minutes


def test_loops_are_not_offered_and_covered_buttons_are_counted_in_both_columns():
    pattern = everyday("double-breasted jacket")
    chosen = MakingChoices(techniques=(("opening", "covered-buttons"),))
    cover = next(op for op in order(pattern, chosen) if op.id == "cover-opening")
    assert [use.count for use in cover.uses] == [7]
    made = compile_garment(pattern, "A", middle(pattern), MakingChoices(techniques=(("opening", "button-loops"),)))
    assert "buttonholes-opening" in {op.id for op in made.operations}
    assert any("double-breasted" in gap.said for gap in made.gaps)


def test_a_single_row_has_neither_second_column_nor_button_inside():
    pattern = everyday("blazer")
    assert not with_rows(pattern, middle(pattern))
    assert not any(op.id.startswith("beside-") for op in order(pattern))
    assert needs_buttons(pattern, middle(pattern)) == 2


@pytest.mark.parametrize(
    "alteration",
    [
        Alteration("length", -30.0, at="body-length"),
        Alteration("length", 45.0, at="body-length"),
        Alteration("bust", 30.0),
        Alteration("back-width", 15.0),
    ],
)
def test_holes_still_come_to_lie_on_buttons_where_the_front_is_altered(alteration):
    pattern = everyday("double-breasted jacket")
    size = middle(pattern)
    altered = carry_out(pattern, size, [alteration]).pattern.piece("front")
    assert len(rows(altered, size)) == len(rows(pattern.piece("front"), size))
    for hole, button in rows(altered, size):
        (x, y), (to_x, to_y) = hole.at[size], button.at[size]
        assert (x, -y) == pytest.approx((to_x, to_y), abs=1.0)


def test_both_columns_are_seen_in_the_line_drawing_and_the_document_keeps_them():
    description = described(opening=replace(DOUBLE, count=6), collar=CollarKind.NOTCHED)
    drawn = line_drawing(compose(description).pattern)
    across = {text.split('"')[1] for text in drawn.split("<circle ")[1:] for text in [text[text.index("cx=") :]]}
    assert drawn.count("<circle ") == 6
    assert len(across) == 2
    assert read_description(write_description(description)).features == description.features


def test_the_ends_of_a_collar_that_meets_at_the_centre_are_sewn_there():
    step = next(op for op in order(everyday("sailor coat")) if op.id == "ends-collar-inside")
    assert "centre line's dot" in " ".join(step.how)
    assert "garment's edge" not in " ".join(step.how)
