"""Drawings are true to scale, readable and safe, whatever stands in them.

Contrast is checked against values published with WCAG 2.x: black on white 21, #767676 on white 4.54 (from
memory, as the lightest grey that passes).
"""

import re
from dataclasses import replace
from xml.etree import ElementTree

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString, box

from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.cloth.cloth import Cloth, Direction, PrintBorder, Repeat, Surface
from rowanseed.core.cutting import cut_list
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.folding import layers_of, regions
from rowanseed.core.lay.problem import LayCloth, LayKind, Stretch
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sizing.ease import ease_rows
from rowanseed.core.sizing.wish import Wish
from rowanseed.demo.six_gore_skirt import SIZES, draft
from rowanseed.drawings.colour import READABLE, contrast, parse, thread
from rowanseed.drawings.ease import PHONE, SCREEN, draw_ease
from rowanseed.drawings.lay import define_layers, draw_lay, draw_thumbnail
from rowanseed.drawings.lay_pieces import LayView, Sheet
from rowanseed.drawings.order import draw_order
from rowanseed.drawings.pieces import draw_nest
from rowanseed.drawings.strips import Strip, draw_strips

from ..core.everyday import everyday

SKIRT = draft()
SVG = "{http://www.w3.org/2000/svg}"


def _read(text):
    return ElementTree.fromstring(text)


def _texts(root):
    return [e.text for e in root.iter(f"{SVG}text")]


def _numbers(path):
    found = [float(n) for n in re.findall(r"-?\d+\.?\d*", path)]
    return list(zip(found[::2], found[1::2], strict=True))


# ---------------------------------------------------------------- colour


def test_contrast_is_wcags():
    assert contrast(parse("#000000"), parse("#ffffff")) == pytest.approx(21)
    assert contrast(parse("#767676"), parse("#ffffff")) == pytest.approx(4.54, abs=0.01)


@given(st.integers(0, 0xFFFFFF))
def test_any_cloth_gives_a_thread_that_can_be_read(value):
    colour = thread(f"#{value:06x}")
    assert contrast(parse(colour), parse("#e9edec")) >= READABLE - 0.05
    assert contrast(parse(colour), parse("#ffffff")) >= 4.5


# ---------------------------------------------------------------- the lay


@pytest.fixture(scope="module")
def lay():
    cloth = Cloth(
        name="Sprigs <&>",
        width=1400,
        length=2600,
        selvedge=12,
        direction=Direction.ONE_WAY,
        surface=Surface.SPRIGS,
        colour="#8c2f4f",
    )
    problem = lay_problem(SKIRT, GarmentChoices("A", "14"), Role.MAIN, cloth)
    plan = solve_each(problem, Budget(sweeps=6))["folded"]
    return (
        cloth,
        problem,
        plan,
        cut_list(
            pattern=SKIRT,
            size="14",
            role=Role.MAIN,
            problem=problem,
            plan=plan,
            cloth=cloth,
            units=Units.METRIC,
        ),
    )


@pytest.mark.parametrize("units", list(Units))
def test_the_lay_is_drawn_to_scale_with_the_fold_at_the_bottom(lay, units):
    cloth, problem, plan, items = lay
    root = _read(draw_lay(plan, problem.cloth, cloth, items, LayView(units)))
    drawn = [
        _numbers(g.find(f"{SVG}path").get("d"))
        for g in root.iter(f"{SVG}g")
        if (g.get("class") or "").startswith("piece")
    ]
    assert len(drawn) == len(items)
    for points, item in zip(drawn, items, strict=True):
        outline = item.placement.outline
        dx, dy = points[0][0] - outline[0][0], points[0][1] + outline[0][1]
        for (x, y), (px, py) in zip(points, outline, strict=True):
            assert (x - dx, dy - y) == pytest.approx((px, py), abs=0.02)
    texts = _texts(root)
    assert format_cloth(plan.length, units) in texts
    assert "fold, nearest you · wrong side up" in texts
    assert any("tops of all pieces this way" in text for text in texts)


def test_both_ends_of_every_grainline_have_their_distance(lay):
    cloth, problem, plan, items = lay
    texts = _texts(_read(draw_lay(plan, problem.cloth, cloth, items, LayView(Units.METRIC))))
    for item in items:
        shown = format_length(item.grain.at_top, Units.METRIC)
        written = [text for text in texts if text.startswith(shown)]
        assert len(written) >= 2 or any("both ends" in text or text == shown for text in written)


def test_cut_pieces_are_ticked_and_the_next_one_stands_out(lay):
    cloth, problem, plan, items = lay
    view = LayView(Units.METRIC, done={items[0].key}, current=items[1].key, numbered=True)
    root = _read(draw_lay(plan, problem.cloth, cloth, items, view))
    classes = [g.get("class") for g in root.iter(f"{SVG}g")]
    assert classes.count("piece done") == classes.count("piece current") == 1
    assert any(text.startswith("✓ 1") for text in _texts(root))


@pytest.mark.parametrize("surface", list(Surface))
def test_every_print_can_be_drawn(lay, surface):
    cloth, problem, plan, items = lay
    _read(draw_lay(plan, problem.cloth, replace(cloth, surface=surface), items, LayView(Units.METRIC)))
    _read(draw_thumbnail(plan, problem.cloth, cloth, "a & b", plan.length))


# ---------------------------------------------------------------- fit, cloth, sew


@pytest.mark.parametrize("room", [SCREEN, PHONE], ids=["screen", "phone"])
def test_bars_of_ease_are_to_one_scale(room):
    rows = ease_rows(body={"waist": 760.0, "hip": 1010.0}, pattern=SKIRT, view="A", sizes={}, size="14", wish=Wish())
    root = _read(draw_ease(rows, Units.METRIC, "#3c5450", "#dde5e2", room))
    widths = [float(r.get("width")) for r in root.iter(f"{SVG}rect")]
    ends = [float(r.get("x")) + float(r.get("width")) for r in root.iter(f"{SVG}rect")]
    waist_ease, hip_ease = widths[1], widths[3]
    assert hip_ease / waist_ease == pytest.approx(80 / 20, rel=0.01)
    assert (ends[2] - ends[0]) / hip_ease == pytest.approx((1010 - 760) / 80, rel=0.02)
    assert "+ 2 cm ease" in _texts(root)
    assert all(0.0 <= end <= room.wide - room.right for end in ends)


def test_a_garment_smaller_than_the_body_says_so_in_more_than_colour():
    rows = ease_rows(body={"waist": 900.0, "hip": 1010.0}, pattern=SKIRT, view="A", sizes={}, size="14", wish=Wish())
    assert any(text.startswith("−") for text in _texts(_read(draw_ease(rows, Units.METRIC, "#3c5450", "#dde5e2"))))


def test_the_nest_shows_every_size_and_names_every_piece():
    root = _read(draw_nest(SKIRT, "14", "#3c5450", SKIRT.pieces))
    dashed = {p.get("stroke-dasharray") for p in root.iter(f"{SVG}path")} - {None}
    assert len(dashed) >= len(SIZES) - 1
    assert {piece.name for piece in SKIRT.pieces} <= set(_texts(root))


def test_every_mark_inside_a_piece_is_drawn():
    """Buttonholes, pocket corners, bust points: without them a sewist could not tell where the pocket goes."""
    pattern = everyday("camp shirt")
    size = pattern.envelope.sizes[0]
    bare = replace(pattern, pieces=tuple(replace(piece, points=()) for piece in pattern.pieces))
    marked, plain = (
        len(list(ElementTree.fromstring(draw_nest(each, size, "#6b3d5b", each.pieces)).iter()))
        for each in (pattern, bare)
    )
    points = [point for piece in pattern.pieces for point in piece.points if size in point.at]
    assert marked - plain == len(points) > 5


def test_the_longer_strip_is_the_longer_one():
    strips = [Strip("in hand", 2000.0, is_cloth=True), Strip("to buy", 1500.0)]
    root = _read(
        draw_strips(
            strips,
            Cloth(name="c", width=1400, length=2000, selvedge=12, direction=Direction.TWO_WAY),
            1450.0,
            Units.METRIC,
        )
    )
    widths = [float(r.get("width")) for r in root.iter(f"{SVG}rect") if r.get("stroke")]
    assert widths[0] / widths[1] == pytest.approx(2000 / 1500, rel=1e-3)


def test_the_line_of_work_shows_every_step_and_where_one_stands():
    steps = sequence(compile_steps(SKIRT, "A", "14", MakingChoices()))
    root = _read(draw_order(steps, {steps[0].id, steps[1].id}, steps[2].id, "#3c5450"))
    links = list(root.iter(f"{SVG}a"))
    assert [link.get("href") for link in links] == [f"?step={step.id}" for step in steps]
    assert "done" in links[0].find(f"{SVG}title").text
    gates = [link for link, step in zip(links, steps, strict=True) if step.is_gate]
    assert all(link.find(f"{SVG}circle") is None for link in gates)


@pytest.mark.parametrize("name", ["dress shirt", "blazer", "jeans", "cowl dress"])
def test_no_number_in_the_line_of_work_lies_on_its_stitch(name):
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    steps = sequence(compile_steps(pattern, "A", size, MakingChoices()))
    for current in (steps[7].id, steps[-3].id):
        root = _read(draw_order(steps, set(), current, "#3c5450"))
        runs = [p.get("d") for p in root.iter(f"{SVG}path") if p.get("stroke-dasharray") == "2 5"]
        stitches = [LineString([tuple(map(float, re.split("[ ,]+", q))) for q in run[1:].split("L")]) for run in runs]
        for text in (text for link in root.iter(f"{SVG}a") for text in link.iter(f"{SVG}text")):
            x, y, wide = float(text.get("x")), float(text.get("y")), len(text.text) * 7.0
            left = x - {"middle": wide / 2, "end": wide, "start": 0.0}[text.get("text-anchor")]
            assert not any(run.intersects(box(left, y - 8.5, left + wide, y)) for run in stitches), text.text


@pytest.mark.parametrize("many", [1, 7, 36, 37, 45, 64, 137])
def test_a_long_line_of_work_goes_on_in_the_next_row_as_large(many):
    """Every step stands inside the drawing, in its order, and the words are as large as those of a short line."""
    one = next(step for step in sequence(compile_steps(SKIRT, "A", "14", MakingChoices())) if not step.is_gate)
    steps = [replace(one, id=f"step-{k}") for k in range(many)]
    root = _read(draw_order(steps, set(), steps[0].id, "#3c5450", sittings=[(s.id, "an hour") for s in steps[::5]]))
    _, _, wide, tall = map(float, root.get("viewBox").split())
    knots = [next(link.iter(f"{SVG}circle")) for link in root.iter(f"{SVG}a")]
    places = [(float(knot.get("cy")), float(knot.get("cx"))) for knot in knots]
    assert places == sorted(set(places)) and len(places) == many
    assert all(0 < x < wide and 0 < y < tall for y, x in places)
    assert wide <= 1000, "14 units of a letter are 12 px and more where the drawing has 860"


@pytest.mark.parametrize("kind, depth", [("open", None), ("folded", None), ("two-folds", None), ("part-folded", 420.0)])
def test_the_print_of_the_cloth_is_drawn_where_it_stands_on_the_open_cloth(kind, depth):
    """Each strip shows its upper layer; a place of the print is where the lay has it, not where the drawing begins."""
    cloth = Cloth("c", 1400.0, None, 12.0, Direction.TWO_WAY, surface=Surface.CHECK, repeat=Repeat(92, 84))
    lay_cloth = LayCloth(1400.0, None, 12.0, False)
    stretch = Stretch(LayKind(kind), depth, 700.0, 1600.0, ())
    sheet, defs = Sheet(left=50.0, top=40.0, tall=1400.0, letter=20.0), ElementTree.Element("defs")
    bands = define_layers(defs, sheet, stretch, lay_cloth, cloth, "t")
    patterns = {p.get("id"): p.get("patternTransform") for p in defs.iter("pattern")}
    strips = regions(stretch.lay, depth, replace(lay_cloth, selvedge=0.0))
    assert [(band.low, band.high) for band in bands] == [(strip.low, strip.high) for strip in strips]
    for band, strip in zip(bands, strips, strict=True):
        a, b, c, d, e, f = map(float, re.findall(r"-?[\d.]+", patterns[band.fill[5:-1]]))
        for y in (band.low, (band.low + band.high) / 2, band.high):
            on_cloth = layers_of(stretch.lay, depth, strip, 1400.0)[-1].on_cloth(y)
            seen = sheet.at(stretch.start, (200.0, y))
            drawn = (a * 900.0 + c * -on_cloth + e, b * 900.0 + d * -on_cloth + f)
            assert drawn == pytest.approx(seen)
        assert band.right_side_up is (strip.layers == 1)


@pytest.mark.parametrize(
    "kind, heights", [("open", [60.0, 1340.0]), ("folded", [640.0]), ("two-folds", [290.0, 410.0])]
)
def test_a_border_is_drawn_where_its_hems_lie(kind, heights):
    """60 mm from both selvedges of cloth 1400 mm wide: folded, both lie 640 mm from the fold."""
    cloth = Cloth("c", 1400.0, None, 12.0, Direction.TWO_WAY, border=PrintBorder.BOTH, border_line=60.0)
    lay_cloth, sheet = LayCloth(1400.0, None, 12.0, False), Sheet(left=50.0, top=40.0, tall=1400.0, letter=20.0)
    stretch = Stretch(LayKind(kind), None, 0.0, 900.0, ())
    bands = define_layers(ElementTree.Element("defs"), sheet, stretch, lay_cloth, cloth, "t")
    assert sorted(y for band in bands for y in band.borders) == pytest.approx(heights)
