"""Drawings of fit and cloth: true lengths, what changed, and every figure with its unit.

Lengths are compared with Shapely's, numbers read back from the drawing itself.
"""

import re
from functools import cache
from xml.etree import ElementTree

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon

from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.body.measures import MEASURES, Age
from rowanseed.core.garment import GarmentChoices, altered
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.pattern.walk import walk
from rowanseed.core.sizing.ease import Ease
from rowanseed.demo import overshirt, six_gore_skirt, waistcoat
from rowanseed.drawings.ease import PHONE, SCREEN, draw_ease
from rowanseed.drawings.figure import ROUND, draw_measure
from rowanseed.drawings.history import draw_history
from rowanseed.drawings.pieces import draw_altered
from rowanseed.drawings.seams import LIFT, draw_seam
from rowanseed.drawings.svg import LINE
from rowanseed.drawings.widths import Bar, draw_widths

SVG = "{http://www.w3.org/2000/svg}"
THREAD, SHADE = "#3c5450", "#dde5e2"


@cache
def _draft(module):
    return module.draft()


def _texts(root):
    return [e.text for e in root.iter(f"{SVG}text")]


def _points(path):
    found = [float(n) for n in re.findall(r"-?\d+\.?\d*", path)]
    return list(zip(found[::2], found[1::2], strict=True))


def _inside(root):
    """Every word and point of a drawing lies on its sheet."""
    _, _, wide, tall = map(float, root.get("viewBox").split())
    spots = [(float(t.get("x")), float(t.get("y"))) for t in root.iter(f"{SVG}text")]
    for path in root.iter(f"{SVG}path"):
        if not re.search("[a-zHV]", path.get("d")):
            ((right, down),) = _points(path.get("transform", "translate(0 0)"))
            spots += [(x + right, y + down) for x, y in _points(path.get("d").replace("Z", ""))]
    return all(-1 <= x <= wide + 1 and -1 <= y <= tall + 1 for x, y in spots)


# ---------------------------------------------------------------- seams


@pytest.mark.parametrize("module", [overshirt, waistcoat, six_gore_skirt], ids=lambda m: m.__name__.split(".")[-1])
def test_the_two_edges_of_a_seam_are_drawn_to_one_scale_and_named(module):
    """The ratio of the two drawn curves is that of the seam lines, as Shapely measures both."""
    pattern = _draft(module)
    size = pattern.envelope.sizes[1]
    compared = 0
    for walked in walk(pattern, size):
        root = ElementTree.fromstring(draw_seam(pattern, size, walked, THREAD, Units.METRIC))
        assert _inside(root)
        texts = _texts(root)
        assert texts.count(format_length(walked.a, Units.METRIC, fine=True)) >= 1
        assert all(pattern.piece(p.piece).name in " ".join(texts) for p in (*walked.join.a, *walked.join.b))
        curves = [p for p in root.iter(f"{SVG}path") if p.get("stroke-linejoin") == "round"]
        assert [c.get("stroke-dasharray") for c in curves] == [None, "12 6"]
        a, b = (LineString(_points(c.get("d"))) for c in curves)
        lifted = [(x, y - LIFT) for x, y in b.coords]
        tall = LineString([*a.coords, *lifted]).bounds
        # Darts stand open in the drawing and are taken off the length; tall curves are squeezed to the sheet.
        darts = any(pattern.piece(p.piece).darts for p in (*walked.join.a, *walked.join.b))
        if tall[3] - tall[1] < 189 and not darts:
            assert a.length / b.length == pytest.approx(walked.a / walked.b, rel=0.004)
            compared += 1
    assert compared >= 4


def test_notches_are_ticks_on_their_edge():
    pattern = _draft(overshirt)
    for walked in walk(pattern, "M"):
        root = ElementTree.fromstring(draw_seam(pattern, "M", walked, THREAD, Units.METRIC))
        curves = [LineString(_points(p.get("d"))) for p in root.iter(f"{SVG}path") if p.get("stroke-linejoin")]
        for tick in (p.get("d") for p in root.iter(f"{SVG}path") if p.get("d").endswith("v16")):
            (x, y), *_ = _points(tick.replace("v16", ""))
            middle = LineString([(x, y + 7.5), (x, y + 8.5)])
            assert min(c.distance(middle) for c in curves) < 0.6


# ---------------------------------------------------------------- altered pieces


def _altered(module, size, *alterations):
    pattern = _draft(module)
    return pattern, altered(pattern, GarmentChoices(view="A", size=size, blend=(), alterations=alterations)).pattern


def test_what_changed_is_shaded_by_its_true_area():
    pattern, new = _altered(six_gore_skirt, "14", Alteration("hem", 50.0))
    root = ElementTree.fromstring(
        draw_altered(
            drawn=pattern, altered=new, size="14", thread=THREAD, shade=SHADE, names=["front"], units=Units.METRIC
        )
    )
    shaded = sum(Polygon(_points(p.get("d"))).area for p in root.iter(f"{SVG}path") if p.get("fill") == SHADE)
    ring = [p for p in root.iter(f"{SVG}path") if p.get("stroke") == THREAD and p.get("stroke-linejoin") == "round"]
    drawn = Polygon(_points(ring[0].get("d"))).area
    before, after = (Polygon(lines(p.piece("front"), "14").cutting_ring()).area for p in (pattern, new))
    assert shaded / drawn == pytest.approx((after - before) / after, rel=0.02)
    assert _inside(root)


def test_edges_say_how_much_longer_they_are_and_others_say_nothing():
    pattern, new = _altered(six_gore_skirt, "14", Alteration("hem", 50.0))
    texts = _texts(
        ElementTree.fromstring(
            draw_altered(
                drawn=pattern, altered=new, size="14", thread=THREAD, shade=SHADE, names=["front"], units=Units.METRIC
            )
        )
    )
    grown = [t for t in texts if t.startswith(("+", "−"))]
    assert "+5 cm" in grown and len(grown) <= 3
    unchanged = draw_altered(
        drawn=pattern, altered=pattern, size="14", thread=THREAD, shade=SHADE, names=["front"], units=Units.METRIC
    )
    assert not [t for t in _texts(ElementTree.fromstring(unchanged)) if t.startswith("+")]
    assert SHADE not in unchanged


@pytest.mark.parametrize("units", list(Units))
def test_every_piece_of_a_much_altered_pattern_is_drawn_on_its_sheet(units):
    pattern, new = _altered(overshirt, "L", Alteration("hem", -40.0), Alteration("shoulder-slope", 12.0))
    names = [piece.id for piece in pattern.pieces]
    root = ElementTree.fromstring(
        draw_altered(drawn=pattern, altered=new, size="L", thread=THREAD, shade=SHADE, names=names, units=units)
    )
    assert _inside(root)
    assert {piece.name for piece in pattern.pieces} <= set(_texts(root))
    assert all(t.endswith((" cm", " in")) for t in _texts(root) if t.startswith(("+", "−")))


# ---------------------------------------------------------------- measuring


@pytest.mark.parametrize("age", list(Age))
def test_every_measurement_has_its_own_figure_with_a_tape_on_the_body(age):
    drawn = {}
    for measure in MEASURES:
        root = ElementTree.fromstring(draw_measure(measure, age))
        assert measure.name in root.find(f"{SVG}title").text and measure.how in root.find(f"{SVG}desc").text
        assert _inside(root)
        drawn[measure.key] = ElementTree.tostring(root)
    assert len(set(drawn.values())) == len(MEASURES)
    assert set(ROUND) < set(drawn)


# ---------------------------------------------------------------- history and widths


def test_measurements_over_time_lie_at_their_days_and_heights():
    taken = [("2026-01-01", 700.0), ("2026-01-11", 720.0), ("2026-01-31", 710.0)]
    root = ElementTree.fromstring(draw_history([("waist", taken)], THREAD, Units.METRIC))
    dots = [(float(c.get("cx")), float(c.get("cy"))) for c in root.iter(f"{SVG}circle")]
    (x0, y0), (x1, y1), (x2, y2) = dots
    assert (x1 - x0) / (x2 - x0) == pytest.approx(10 / 30, abs=0.001)
    assert (y0 - y2) / (y0 - y1) == pytest.approx(0.5, abs=0.001)
    assert {"70 cm", "71 cm", "+1 cm", "1 Jan 2026", "31 Jan 2026"} <= set(_texts(root))
    assert _inside(root)


def test_a_single_day_of_measurements_can_be_drawn():
    root = ElementTree.fromstring(draw_history([("hip", [("2026-01-01", 1000.0)])], THREAD, Units.IMPERIAL))
    assert len(list(root.iter(f"{SVG}circle"))) == 1 and _inside(root)


@pytest.mark.parametrize("units", list(Units))
def test_bars_of_widths_are_to_one_scale_with_the_envelopes_figure_marked(units):
    bars = [
        Bar(name="90 cm", one_way=False, length=3000.0, printed=3200.0),
        Bar(name="90 cm", one_way=True, length=3600.0, printed=None),
        Bar(name="150 cm", one_way=False, length=1500.0, printed=None),
    ]
    root = ElementTree.fromstring(draw_widths(bars, units, THREAD, SHADE, "main"))
    rects = [r for r in root.iter(f"{SVG}rect") if r.get("x")]
    widths = [float(r.get("width")) for r in rects]
    assert [b / widths[0] for b in widths[1:]] == pytest.approx([1.2, 0.5], rel=0.001)
    (mark,) = [p for p in root.iter(f"{SVG}path") if p.get("d").endswith("v28")]
    start = float(rects[0].get("x"))
    assert (_points(mark.get("d").replace("v28", ""))[0][0] - start) / widths[0] == pytest.approx(
        3200 / 3000, rel=0.001
    )
    assert "url(#nap-main)" in rects[1].get("fill") and "90 cm, with nap" in _texts(root)
    assert {format_cloth(b.length, units) for b in bars} <= set(_texts(root))
    assert _inside(root)


# ---------------------------------------------------------------- ease


@pytest.mark.parametrize("units", list(Units))
@pytest.mark.parametrize("room", [SCREEN, PHONE], ids=["screen", "phone"])
@given(body=st.floats(200.0, 1100.0), ease=st.floats(-80.0, 300.0))
def test_a_figure_in_a_bar_ends_before_the_line_of_the_body(units, room, body, ease):
    """A letter of the house's type is about half as wide as it is high (measured in the browser: 0.51)."""
    rows = [
        Ease(measure, body=mm, chart=None, finished=mm + more, band=None, better=None)
        for measure, mm, more in (("bust", 1080.0, 220.0), ("upper_arm", body, ease))
    ]
    root = ElementTree.fromstring(draw_ease(rows, units, THREAD, SHADE, room))
    bars = [e for e in root.iter(f"{SVG}rect") if e.get("fill") == LINE]
    for bar in bars:
        low, high = float(bar.get("y")), float(bar.get("y")) + float(bar.get("height"))
        inside = [t for t in root.iter(f"{SVG}text") if low < float(t.get("y")) < high and t.text.startswith("body")]
        for text in inside:
            assert float(text.get("x")) + 0.51 * 17 * len(text.text) < float(bar.get("x")) + float(bar.get("width"))
    assert sum(1 for t in _texts(root) if t.startswith("body")) == 2
