"""A skirt on the bias: how it is cut, printed, laid and sewn.

That a bias skirt hangs a day before it is hemmed, and that a narrow zigzag gives with its seams, is common practice, no
source. Angles and areas are measured with Shapely.
"""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Side, Skirt
from rowanseed.core.compose.vocabulary import Centre, SkirtGrain
from rowanseed.core.cutting import cut_list
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment
from rowanseed.core.pattern.grain import grain_arrow, turned_within
from rowanseed.core.pattern.opened_out import with_unlike_opened
from rowanseed.core.pattern.pieces import Grain, Role
from rowanseed.core.printing.lines import LineType, print_piece

from .everyday import EVERYDAY, everyday

PLAIN = Cloth(name="crepe", width=1500, length=None, selvedge=12, direction=Direction.TWO_WAY, washed=True)


def biased(name, **changes):
    described = EVERYDAY[name]
    skirt = replace(described.features.skirt or Skirt(), grain=SkirtGrain.BIAS)
    return compose(replace(described, features=replace(described.features, skirt=skirt, **changes))).pattern


def outline_of(piece, size):
    return Polygon([p for chain in piece.shapes[size].edges.values() for p in flatten(chain, 0.5)])


def slant(line):
    (x0, y0), (x1, y1) = line
    return math.degrees(math.atan2(y1 - y0, x1 - x0)) % 180


def test_only_the_panels_of_the_skirt_lie_on_the_bias():
    pattern = everyday("bias skirt")
    grains = {piece.id: {cut.grain for cut in piece.cuts if cut.role is Role.MAIN} for piece in pattern.pieces}
    assert grains["front"] == grains["back"] == {Grain.BIAS}
    assert all(found == {Grain.LENGTHWISE} for id, found in grains.items() if id not in ("front", "back"))


@pytest.mark.parametrize(
    ("name", "changes", "why"),
    [
        ("circle skirt", {}, "runs through every grain"),
        ("tunic", {}, "with a waist seam"),
        ("buttoned skirt", {"front": Side(Centre.OPEN)}, "would grow on the bias"),
    ],
)
def test_what_cannot_lie_on_the_bias_is_refused_at_its_field(name, changes, why):
    with pytest.raises(DescriptionRefused, match=why) as refused:
        biased(name, **changes)
    assert "features.skirt.grain" in str(refused.value)


@pytest.mark.parametrize("name", ["A-line skirt", "pencil skirt"])
def test_a_panel_without_a_seam_at_its_centre_is_cut_whole(name):
    """On the bias no edge of it lies on a fold."""
    pattern = biased(name)
    front = pattern.piece("front")
    assert front.is_cut_whole and not any(front.lies_on_fold(cut) for cut in front.cuts)
    opened = with_unlike_opened(pattern).piece("front")
    size = pattern.envelope.sizes[0]
    half, whole = (
        Polygon([p for chain in piece.shapes[size].edges.values() for p in flatten(chain, 0.5)])
        for piece in (front, opened)
    )
    assert whole.area == pytest.approx(2 * half.area, rel=1e-3)
    assert all(cut.fold is None for cut in opened.cuts)


@given(
    st.floats(100.0, 900.0), st.floats(60.0, 700.0), st.floats(-90.0, 90.0), st.floats(0.2, 0.8), st.floats(0.2, 0.8)
)
def test_an_arrow_on_the_grain_lies_inside_its_piece_at_the_angle_that_is_asked(long, wide, degrees, along, across):
    outline = [(0.0, 0.0), (long, 0.0), (long, wide), (0.0, wide)]
    line = ((along * long - 20.0, across * wide), (along * long + 20.0, across * wide))
    arrow = turned_within(line, outline, degrees)
    assert Polygon(outline).buffer(1e-6).contains(LineString(arrow))
    apart = abs(slant(arrow) - degrees % 180)
    assert min(apart, 180 - apart) < 1e-6
    assert math.dist(*arrow) <= math.dist(*line) + 1e-9


def test_the_printed_arrow_of_a_piece_on_the_bias_slants_and_any_other_does_not():
    """Printed along the piece it was laid along the cloth, and the skirt cut on the straight grain."""
    for name, wanted in (("bias skirt", 45.0), ("A-line skirt", 0.0)):
        piece, size = everyday(name).piece("front"), everyday(name).envelope.sizes[1]
        printed = print_piece(piece, (size,), piece.cuts, seam_line=False)
        (arrow,) = [line for line in printed.lines if line.type is LineType.GRAIN]
        leans = min(abs(slant((arrow.points[0], arrow.points[-1])) - 90.0), 90.0)
        assert leans == pytest.approx(wanted, abs=0.01)
        assert ("on the bias" in " ".join(printed.words)) is (wanted > 0)
    straight = everyday("A-line skirt").piece("front")
    assert grain_arrow(straight.shapes[size].grainline, [], straight.cuts) == straight.shapes[size].grainline


def test_on_the_cloth_the_arrow_lies_along_it_and_both_its_ends_stand_alike():
    pattern = everyday("bias skirt")
    size = pattern.envelope.sizes[2]
    problem = lay_problem(pattern, GarmentChoices("A", size), Role.MAIN, PLAIN)
    plan = solve_each(problem, Budget(sweeps=3))[LayKind.OPEN.value]
    items = cut_list(
        pattern=pattern, size=size, role=Role.MAIN, problem=problem, plan=plan, cloth=PLAIN, units=Units.METRIC
    )
    askew = [item for item in items if round(item.placement.turn) % 90]
    assert len(askew) == 4
    for item in askew:
        assert item.grain is not None and item.grain.at_top == pytest.approx(item.grain.at_bottom, abs=0.01)
        assert Polygon(item.placement.outline).contains(LineString(item.grain.line))


def steps_of(pattern, choices=None):
    choices = choices or MakingChoices()
    return {op.id: op for op in compile_garment(pattern, "A", pattern.envelope.sizes[1], choices).operations}


def test_it_hangs_a_day_its_seams_give_and_the_zips_opening_is_held():
    steps = steps_of(everyday("bias skirt"))
    assert "What is cut on the bias drops" in " ".join(steps["hang-hem"].how)
    for id in ("sew-sides", "sew-centre-front", "sew-centre-back"):
        assert "A zigzag 0.5 mm wide gives as the cloth does" in " ".join(steps[id].how)
    assert "staystitch-opening" in steps
    plain = steps_of(everyday("A-line skirt"))
    assert not any("on the bias" in " ".join(op.how) for id, op in plain.items() if id.startswith("sew-"))


def test_without_a_zigzag_its_seams_are_stretched_a_little():
    choices = replace(MakingChoices(), equipment=replace(Equipment(), zigzag=False))
    steps = steps_of(everyday("bias skirt"), choices)
    assert "Stretch it a little as you sew" in " ".join(steps["sew-sides"].how)
