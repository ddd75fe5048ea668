"""Drawings of cloth, lengths and derived pieces: to scale, legible, nothing over anything else.

Areas and overlaps are taken with a geometry library from the SVG's own paths.
"""

import re
from dataclasses import replace
from itertools import combinations
from xml.etree import ElementTree

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon, box

from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat, Stripe, Stripes, Surface
from rowanseed.core.cloth.remainder import area_in_hand
from rowanseed.core.derive.choice import InterfacingSchool, Layers, LiningSchool
from rowanseed.core.derive.layers import derivations, with_layers
from rowanseed.core.pattern.seamline import lines
from rowanseed.demo import overshirt, six_gore_skirt
from rowanseed.drawings.cloth import SWATCH_LONG, SWATCH_WIDE, draw_left, draw_swatch
from rowanseed.drawings.derived import draw_derived
from rowanseed.drawings.pieces import IN_A_ROW
from rowanseed.drawings.strips import Strip, draw_strips
from rowanseed.drawings.widths import Bar, draw_widths

SVG = "{http://www.w3.org/2000/svg}"
CHECKED = Cloth(
    name="checked wool",
    width=1500,
    length=1600,
    selvedge=15,
    direction=Direction.TWO_WAY,
    surface=Surface.CHECK,
    repeat=Repeat(92, 84),
    lines=Stripes((Stripe(12, 12), Stripe(58, 4)), (Stripe(14, 13),)),
)
LETTER = 0.56
"""About how wide a letter is, as a share of its size."""


def read(text):
    return ElementTree.fromstring(text)


def rects(root):
    return [{k: float(e.get(k, 0)) for k in ("x", "y", "width", "height")} for e in root.iter(f"{SVG}rect")]


def reach(text):
    """(left, right) of a text, by the usual width of its letters."""
    x, size = float(text.get("x")), float(text.get("font-size"))
    wide = len("".join(text.itertext())) * size * LETTER
    left = x - {"end": wide, "middle": wide / 2}.get(text.get("text-anchor"), 0.0)
    return left, left + wide


def rings(path):
    """The closed rings of a path of straight lines."""
    found = []
    for part in path.get("d").split("M")[1:]:
        numbers = [float(n) for n in re.findall(r"-?\d+\.?\d*", part)]
        points = list(zip(numbers[::2], numbers[1::2], strict=True))
        if len(points) > 2:
            found.append(points)
    return found


# ---------------------------------------------------------------- strips and widths


LENGTHS = st.lists(st.floats(150, 6000), min_size=2, max_size=5)
NAMES = ("in hand, washed", "laid folded then open", "laid two-folds", "envelope says", "to buy")


@given(LENGTHS, st.floats(100, 6000), st.sampled_from(Units))
@settings(max_examples=40)
def test_strips_are_to_one_scale_and_no_word_is_cut_off(lengths, needed, units):
    strips = [Strip(NAMES[k], mm, is_cloth=k == 0) for k, mm in enumerate(lengths)]
    root = read(draw_strips(strips, CHECKED, needed, units))
    wide = float(root.get("viewBox").split()[2])
    drawn = [r["width"] for r in rects(root) if r["x"] > 0][-len(strips) :]
    for mm, across in zip(lengths, drawn, strict=True):
        assert across / drawn[0] == pytest.approx(mm / lengths[0], rel=0.01)
    for text in root.iter(f"{SVG}text"):
        left, right = reach(text)
        assert left >= -2 and right <= wide + 12, text.text
    said = ["".join(text.itertext()) for text in root.iter(f"{SVG}text")]
    assert {f"{NAMES[k]} {format_cloth(mm, units)}" for k, mm in enumerate(lengths)} <= set(said)


@given(LENGTHS, st.floats(100, 6000), st.sampled_from(Units))
@settings(max_examples=40)
def test_the_line_at_what_is_needed_crosses_every_strip_and_no_word(lengths, needed, units):
    strips = [Strip(NAMES[k], mm, is_cloth=k == 0) for k, mm in enumerate(lengths)]
    root = read(draw_strips(strips, CHECKED, needed, units))
    lines = [p.get("d") for p in root.iter(f"{SVG}path") if p.get("stroke-width") == "2.5"]
    at = [tuple(float(n) for n in re.findall(r"-?\d+\.?\d*", d)) for d in lines]
    drawn = [r for r in rects(root) if r["x"] > 0][-len(strips) :]
    words = [(float(t.get("y")), float(t.get("font-size"))) for t in root.iter(f"{SVG}text")]
    for (_, top, deep), strip in zip(at, drawn, strict=True):
        assert top < strip["y"] and top + deep > strip["y"] + strip["height"]
        assert all(y + 0.2 * size < top or y - 0.72 * size > top + deep for y, size in words)
    scale = drawn[0]["width"] / lengths[0]
    assert all(x == pytest.approx(drawn[0]["x"] + needed * scale, abs=0.2) for x, _, _ in at)


@given(LENGTHS, st.sampled_from(Units))
@settings(max_examples=40)
def test_the_figure_of_a_width_stands_in_its_own_bar_and_not_beside_the_envelopes_mark(lengths, units):
    bars = [
        Bar(name="112 cm", one_way=bool(k % 2), length=mm + 500, printed=None if k else mm + 520)
        for k, mm in enumerate(lengths)
    ]
    root = read(draw_widths(bars, units, "#553355", "#ddccdd", "main"))
    drawn = [r for r in rects(root) if r["height"] == 22]
    figures = [t for t in root.iter(f"{SVG}text") if t.get("font-weight") == "700"]
    for bar, rect, figure in zip(bars, drawn, figures, strict=True):
        assert figure.text == format_cloth(bar.length, units)
        assert reach(figure)[1] <= rect["x"] + rect["width"] + 0.01
        assert rect["width"] / drawn[0]["width"] == pytest.approx(bar.length / bars[0].length, rel=0.01)


# ---------------------------------------------------------------- the cloth itself


@pytest.mark.parametrize("surface", [Surface.CHECK, Surface.STRIPES, Surface.SPRIGS, Surface.TOSSED, Surface.CORD])
def test_a_swatch_repeats_as_the_cloth_does(surface):
    """A unit is a millimetre: the tile is as long and wide as the repeat, two columns of it for a half drop."""
    cloth = replace(CHECKED, surface=surface)
    tiles = {e.get("id"): e for e in read(draw_swatch(cloth, Units.METRIC)).iter(f"{SVG}pattern")}
    tile = tiles["swatch-fill"]
    assert (float(tile.get("width")), float(tile.get("height"))) == (92, 84)
    dropped = replace(cloth, repeat=Repeat(92, 84, half_drop=True))
    tile = next(
        e for e in read(draw_swatch(dropped, Units.METRIC)).iter(f"{SVG}pattern") if e.get("id") == "swatch-fill"
    )
    assert float(tile.get("height")) == 168
    view = next(
        e
        for e in read(draw_swatch(cloth, Units.METRIC)).iter(f"{SVG}svg")
        if e.get("viewBox", "").startswith("0 0 320")
    )
    assert (float(view.get("width")), float(view.get("height"))) == (SWATCH_LONG, SWATCH_WIDE)


def test_lines_stand_where_they_were_measured():
    tile = next(
        e for e in read(draw_swatch(CHECKED, Units.METRIC)).iter(f"{SVG}pattern") if e.get("id") == "swatch-fill"
    )
    found = {tuple(float(e.get(k, 0)) for k in ("x", "y", "width", "height")) for e in tile.iter(f"{SVG}rect")}
    assert {(0, 12, 92, 12), (0, 58, 92, 4), (14, 0, 13, 84)} <= found


def test_the_repeat_is_measured_on_the_swatch_in_the_household_s_units():
    for units, along in ((Units.METRIC, "9.2 cm repeat"), (Units.IMPERIAL, "3 5/8 in repeat")):
        texts = {t.text for t in read(draw_swatch(CHECKED, units)).iter(f"{SVG}text")}
        assert along in texts


@given(st.floats(0.05, 0.6), st.floats(0.05, 0.6))
@settings(max_examples=25)
def test_what_is_left_is_drawn_with_its_true_area(a, b):
    patch = ((0.0, 0.0), (1600 * a, 0.0), (1600 * a, 1500 * b), (0.0, 1500 * b))
    rest = replace(CHECKED, selvedge=0.0, washed=True, gone=(patch,))
    root = read(draw_left(rest, Units.METRIC, "x"))
    path = next(e for e in root.iter(f"{SVG}path") if e.get("fill-rule") == "evenodd")
    assert sum(Polygon(ring).area for ring in rings(path)) == pytest.approx(area_in_hand(rest), rel=0.002)
    assert draw_left(replace(rest, length=None), Units.METRIC, "x") == ""


# ---------------------------------------------------------------- what was derived


MANY = Layers(LiningSchool.DEDUCT, interfacing=InterfacingSchool.TRIMMED, trim_under_collar=True, faced=("hem",))


@pytest.mark.parametrize("module", [six_gore_skirt, overshirt], ids=lambda m: m.__name__[15:])
def test_derived_pieces_are_drawn_to_scale_apart_from_each_other_in_rows(module):
    pattern = module.draft()
    size = pattern.envelope.sizes[2]
    found = derivations(pattern, with_layers(pattern, size, "A", MANY), MANY, Units.METRIC)
    assert len(found) > IN_A_ROW
    root = read(draw_derived(found, size, "#553355", "#ddccdd"))
    filled = [rings(e)[0] for e in root.iter(f"{SVG}path") if e.get("fill") == "#ddccdd"]
    areas = sorted(Polygon(lines(d.piece, size).cutting_ring()).area for d in found)
    assert sorted(Polygon(r).area for r in filled) == pytest.approx(areas, rel=0.01)
    frames = [box(*Polygon(r).bounds) for r in filled]
    assert all(a.intersection(b).area < 1 for a, b in combinations(frames, 2))
    assert {d.piece.name for d in found} == {t.text for t in root.iter(f"{SVG}text")}
    _, _, wide, tall = (float(n) for n in root.get("viewBox").split())
    assert all(0 <= x <= wide and 0 <= y <= tall for ring in filled for x, y in ring)
