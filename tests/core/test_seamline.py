"""From seam line to cutting line and back, against Shapely's mitred buffer and by folding up the hem."""

import pytest
from shapely.affinity import affine_transform
from shapely.geometry import Polygon

from rowanseed.core.pattern.pieces import Dart, Drawn, Mark, MarkKind
from rowanseed.core.pattern.seamline import lines, mark_point, seam_length

from .pieces import quadrilateral

SLANTED = [(0.0, 0.0), (600.0, -60.0), (620.0, 300.0), (10.0, 200.0)]


def test_an_even_allowance_is_shapelys_mitred_buffer():
    piece = quadrilateral(SLANTED, (15, 15, 15, 15))
    ours = Polygon(lines(piece, "S").cutting_ring())
    theirs = Polygon(SLANTED).buffer(15, join_style="mitre", mitre_limit=20)
    assert ours.symmetric_difference(theirs).area < 1e-3


def test_each_edge_lies_at_its_own_allowance():
    piece = quadrilateral(SLANTED, (15, 38, 10, 0))
    both = lines(piece, "S")
    seam = Polygon(SLANTED).exterior
    from shapely.geometry import LineString

    for edge, allowance in (("left", 15), ("hem", 38), ("right", 10), ("top", 0)):
        middle = LineString(both.cutting[edge]).interpolate(0.5, normalized=True)
        assert middle.distance(LineString(both.seam[edge])) == pytest.approx(allowance, abs=1e-6)
    assert seam.length > 0


def test_a_cutting_line_leads_back_to_its_seam_line():
    cutting = lines(quadrilateral(SLANTED, (15, 30, 15, 10)), "S").cutting_ring()
    back = lines(quadrilateral(cutting, (15, 30, 15, 10), drawn=Drawn.CUTTING), "S")
    assert Polygon(back.seam_ring()).symmetric_difference(Polygon(SLANTED)).area < 1e-3


def test_a_hem_turned_up_mirrors_the_garment_above_it():
    """Fold the allowance up along the hem line: its ends must lie on the side seams' cutting lines."""
    piece = quadrilateral(SLANTED, (15, 40, 15, 15), corner="hem")
    cutting = Polygon(lines(piece, "S").cutting_ring())
    assert cutting.is_valid
    (x0, y0), (x1, y1) = SLANTED[1], SLANTED[2]
    long = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5
    c, s = (x1 - x0) / long, (y1 - y0) / long
    a, b = c * c - s * s, 2 * c * s  # the reflection about the hem line
    reflection = [a, b, b, -a, x0 - a * x0 - b * y0, y0 - b * x0 + a * y0]
    right_of_hem = Polygon([SLANTED[1], SLANTED[2], (5000, 500), (5000, -500)])
    beyond = cutting.intersection(right_of_hem.buffer(60, join_style="mitre")).intersection(
        Polygon([(x0 - 100 * c, y0 - 100 * s), (x1 + 100 * c, y1 + 100 * s), (1000, 400), (1000, -200)])
    )
    folded_up = affine_transform(beyond, reflection)
    assert beyond.area == pytest.approx(40 * long, rel=0.1)
    assert folded_up.difference(cutting).area < 1.0


def test_darts_are_taken_off_the_seam():
    marks = [
        Mark(id="leg-1", kind=MarkKind.DART_LEG, edge="top", anchor="start", distance={"S": 60.0}),
        Mark(id="leg-2", kind=MarkKind.DART_LEG, edge="top", anchor="leg-1", distance={"S": 22.0}),
    ]
    dart = Dart(id="waist", edge="top", legs=("leg-1", "leg-2"), point={"S": (100.0, 90.0)})
    plain = quadrilateral(SLANTED, (15, 15, 15, 15))
    darted = quadrilateral(SLANTED, (15, 15, 15, 15), marks=marks, darts=[dart])
    assert seam_length(plain, "S", "top") - seam_length(darted, "S", "top") == pytest.approx(22)


def test_a_mark_is_found_from_either_end():
    long = quadrilateral(SLANTED, (0, 0, 0, 0))
    whole = seam_length(long, "S", "left")
    from_end = Mark(id="m", kind=MarkKind.NOTCH, edge="left", anchor="end", distance={"S": 100.0})
    from_start = Mark(id="m", kind=MarkKind.NOTCH, edge="left", anchor="start", distance={"S": whole - 100.0})
    assert mark_point(long, "S", from_end) == pytest.approx(mark_point(long, "S", from_start))
