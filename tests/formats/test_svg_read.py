"""Drawings that come in: true to scale, and refused in a sentence when they cannot be used."""

import pytest

from rowanseed.core.base.errors import DrawingError
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.geometry.polyline import signed_area
from rowanseed.core.pattern.pieces import Role
from rowanseed.formats.drawn_pattern import Decision, fold_choices, pattern_of
from rowanseed.formats.svg_read import read_drawing
from rowanseed.settings import settings


def _svg(body, size='width="600mm" height="800mm" viewBox="0 0 600 800"', more=""):
    return f'<svg xmlns="http://www.w3.org/2000/svg" {size} {more}>{body}</svg>'.encode()


PANEL = '<path id="panel" d="M20 20 H320 C330 200 330 300 360 520 H20 Z"/>'


def _area(piece, size="as drawn"):
    return signed_area([p for chain in piece.edges[size] for p in flatten(chain, 0.02)[:-1]])


@pytest.mark.parametrize(
    ("size", "scale"),
    [
        ('width="600mm" height="800mm" viewBox="0 0 600 800"', 1.0),
        ('width="60cm" height="80cm" viewBox="0 0 600 800"', 1.0),
        ('width="300mm" height="400mm" viewBox="0 0 600 800"', 0.5),
        ('width="23.622047in" height="31.496063in" viewBox="0 0 600 800"', 1.0),
        ('width="1700.787pt" height="2267.717pt" viewBox="0 0 600 800"', 1.0),
        ('width="2267.717px" height="3023.622px" viewBox="0 0 600 800"', 1.0),
        ('width="600" height="800"', 25.4 / 96),
    ],
)
def test_pieces_come_in_at_their_true_size(size, scale):
    (piece,) = read_drawing(_svg('<rect id="band" x="10" y="10" width="100" height="400"/>', size)).pieces
    lengths = sorted(chain_length(chain) for chain in piece.edges["as drawn"])
    assert lengths == pytest.approx([100 * scale, 100 * scale, 400 * scale, 400 * scale], rel=1e-5)
    assert _area(piece) == pytest.approx(40_000 * scale**2, rel=1e-5)


def test_transforms_groups_and_true_curves_are_kept():
    body = f'<g transform="translate(30 40) scale(2)">{PANEL.replace("320", "200").replace("360", "230")}</g>'
    (piece,) = read_drawing(
        _svg(body, 'width="2m" height="2m"'.replace("2m", "2000mm") + ' viewBox="0 0 2000 2000"')
    ).pieces
    assert any(s.is_curve for chain in piece.edges["as drawn"] for s in chain)
    assert len(piece.edges["as drawn"]) == 4


def test_the_garment_upright_on_the_page_has_its_top_at_the_small_end():
    (piece,) = read_drawing(_svg(PANEL)).pieces
    ys = [x for chain in piece.edges["as drawn"] for x, _ in flatten(chain)]
    assert min(ys) == pytest.approx(20, abs=1e-3)
    assert max(ys) == pytest.approx(520, abs=1e-3)


def test_a_nest_of_sizes_is_read_and_differing_structure_is_evened_out_and_told():
    nest = (
        f'<g id="size-S">{PANEL.replace("panel", "panel-S")}</g>'
        '<g id="size-L"><path id="panel-L" d="M20 20 H340 C350 200 350 300 370 400 L380 540 H20 Z"/></g>'
    )
    drawing = read_drawing(_svg(nest))
    assert drawing.sizes == ("S", "L")
    (piece,) = drawing.pieces
    assert 0 < piece.residual < 2
    assert _area(piece, "L") > _area(piece, "S")


@pytest.mark.parametrize(
    ("svg", "said"),
    [
        (_svg(PANEL, 'viewBox="0 0 600 800"'), "says nothing"),
        (_svg(PANEL, 'width="100%" height="100%"'), "how large"),
        (_svg('<path id="sleeve" d="M0 0 L100 0 L100 100"/>'), "sleeve: The outline is open"),
        (_svg('<path id="cuff" d="M0 0 L100 0 L0 100 L100 100 Z"/>'), "cuff: The outline crosses itself"),
        (_svg(""), "no closed outlines"),
        (_svg("<text>front</text>"), "no closed outlines"),
        (_svg(f"<script>alert(1)</script>{PANEL}"), "a script"),
        (_svg(PANEL.replace("<path", '<path onclick="x()"')), "a script"),
        (_svg(f'{PANEL}<use href="http://elsewhere.example/a.svg#b"/>'), "refers to another file"),
        (_svg(f'{PANEL}<image href="data:image/png;base64,AAAA"/>'), "a picture"),
        (_svg(f"<style>@import 'http://elsewhere.example/a.css';</style>{PANEL}"), "refers to another file"),
        (_svg('<path id="dot" d="M0 0 h2 v2 h-2 Z"/>'), "that small"),
        (_svg('<path id="sail" d="M0 0 h9000 v9000 h-9000 Z"/>'), "no piece is"),
        (b'<!DOCTYPE svg [<!ENTITY a "&#65;">]><svg xmlns="http://www.w3.org/2000/svg">&a;</svg>', "entities"),
        (b"not a drawing at all", "not an SVG drawing"),
        (b"<html></html>", "not an SVG drawing"),
        (
            b'<svg xmlns="urn:a-drawing" width="9cm" height="9cm"><g><path d="M0 0h90v90z"/></g></svg>',
            "does not belong to SVG",
        ),
        (_svg('<path id="yoke" d="M10 10 a2 134 0 1 1 542 1e999 L587 409 Z"/>'), "“yoke” cannot be drawn"),
        (b"x" * (settings().largest_drawing + 1), "5 MB is the most"),
        (_svg("".join(f'<rect id="r{k}" x="{k}" y="0" width="20" height="20"/>' for k in range(500))), "more than 400"),
        (
            _svg(
                '<g id="size-S"><rect id="a-S" width="50" height="90"/></g><g id="size-L"><rect id="b-L" '
                'width="50" '
                'height="90"/></g>'
            ),
            "not there in every size",
        ),
    ],
)
def test_what_cannot_be_used_is_refused_in_a_sentence(svg, said):
    with pytest.raises(DrawingError) as refused:
        read_drawing(svg)
    assert said in str(refused.value)


def test_a_drawing_becomes_a_pattern_that_can_be_laid():
    drawing = read_drawing(_svg(PANEL))
    (piece,) = drawing.pieces
    fold = fold_choices(piece, "as drawn", across=False)[0]
    assert fold.length == pytest.approx(500, abs=0.01)
    decision = Decision(name="Panel", role=Role.MAIN, count=2, pair=False, fold=fold.name, grain_across_page=False)
    pattern = pattern_of(drawing, {"panel": decision}, "Apron", "apron", {"hip": {"as drawn": 960.0}})
    problem = lay_problem(
        pattern,
        GarmentChoices("A", "as drawn"),
        Role.MAIN,
        Cloth(name="c", width=1120, length=None, selvedge=10, direction=Direction.TWO_WAY),
    )
    assert problem.pieces[0].area == pytest.approx(2 * _area(piece), rel=1e-3)
    assert problem.pieces[0].fold is not None


def test_pixels_are_told():
    assert read_drawing(_svg(PANEL, 'width="2268px" height="3024px" viewBox="0 0 600 800"')).in_pixels
    assert not read_drawing(_svg(PANEL)).in_pixels


BOX = '<path id="{id}" d="M{x} 10 h{wide} v200 h-{wide} Z"/>'


def _box(id, x=10, wide=100):
    return BOX.format(id=id, x=x, wide=wide)


@pytest.mark.parametrize(
    "labels",
    [
        ("size-12", "size-14"),
        ("Gr. 36", "Gr. 38"),
        ("EU 38", "EU 40"),
        ("12", "14"),
        ("M", "XL"),
        ("layer_S", "layer_L"),
    ],
)
@pytest.mark.parametrize("named", [True, False])
def test_a_nest_is_found_by_the_names_of_its_groups(labels, named):
    """Layers called in any of the usual manners; the pieces in them by name, or by their order where all differ."""
    groups = ""
    for k, label in enumerate(labels):
        ids = ("front", "back") if named else (f"path{k}1", f"path{k}2")
        groups += f'<g id="{label}">{_box(ids[0], wide=100 + 10 * k)}{_box(ids[1], x=200, wide=120 + 10 * k)}</g>'
    drawing = read_drawing(_svg(f'<g id="pieces">{groups}</g>'))
    assert drawing.sizes == tuple(label.split("-")[-1].split(" ")[-1].split("_")[-1] for label in labels)
    assert len(drawing.pieces) == 2
    first = drawing.pieces[0]
    assert _area(first, drawing.sizes[1]) - _area(first, drawing.sizes[0]) == pytest.approx(2000, rel=1e-5)


def test_a_nest_is_found_by_the_ends_of_the_names():
    body = _box("front_10") + _box("front_12", wide=110) + _box("back 10", x=200) + _box("back 12", x=200, wide=120)
    drawing = read_drawing(_svg(body))
    assert drawing.sizes == ("10", "12") and [p.id for p in drawing.pieces] == ["front", "back"]


def test_two_pieces_that_are_no_nest_stay_two_pieces():
    assert read_drawing(_svg(_box("front 1") + _box("pocket 2", x=200))).sizes == ("as drawn",)


def test_lines_within_an_outline_are_kept_and_a_text_names_it():
    inner = '<line x1="60" y1="40" x2="60" y2="180"/><path d="M20 100 C60 90 80 120 105 100"/>'
    text = '<g transform="translate(5 5)"><text x="25" y="60">Front, cut 2</text></g>'
    drawing = read_drawing(_svg(_box("path8861") + inner + text))
    (piece,) = drawing.pieces
    assert piece.name == "Front, cut 2" and drawing.left_out == 1
    (stroke,) = piece.strokes
    assert sorted(x for x, _ in stroke) == pytest.approx([40, 180]) and stroke[0][1] == pytest.approx(60)


def test_what_drawing_programs_write_is_read():
    """`use`, nested transforms, relative paths, arcs, polygons and circles, each at its true size."""
    body = (
        '<defs><path id="cuff" d="m0 0 h60 v30 h-60 z"/></defs><use href="#cuff" x="50" y="60"/>'
        '<g transform="rotate(90 200 200)"><g transform="scale(2)"><polygon id="tab" points="100,100 130,100 130,140"/>'
        '</g></g><circle id="disc" cx="400" cy="400" r="50"/><path id="yoke" d="M300 100 a40 40 0 0 1 80 0 z"/>'
    )
    areas = {piece.id: _area(piece) for piece in read_drawing(_svg(body)).pieces}
    assert areas["cuff"] == pytest.approx(1800, rel=1e-5) and areas["tab"] == pytest.approx(2400, rel=1e-5)
    assert areas["disc"] == pytest.approx(3.14159265 * 2500, rel=1e-3)
    assert areas["yoke"] == pytest.approx(3.14159265 * 800, rel=1e-3)


def test_grain_across_the_page_turns_the_piece_a_quarter():
    drawing = read_drawing(_svg(PANEL))
    decision = Decision(name="Panel", role=Role.MAIN, count=1, pair=False, fold=None, grain_across_page=True)
    shape = pattern_of(drawing, {"panel": decision}, "Apron", "", {}).pieces[0].shapes["as drawn"]
    xs = [x for chain in shape.edges.values() for x, _ in flatten(chain)]
    assert max(xs) - min(xs) == pytest.approx(340, abs=0.1)
