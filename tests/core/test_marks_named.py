"""What a step names is drawn: the dot, the line, the mark that it sends a sewist to is on the tissue of its pieces.

That a tissue draws them is common practice, no source.
"""

import contextlib
import re
from dataclasses import replace

import pytest
from shapely.geometry import LineString, Polygon

from rowanseed.core.alter.hem import change_length_at_hem
from rowanseed.core.base.errors import PatternError
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.matching.seam_points import centre_point
from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.vocabulary import Interfaced
from rowanseed.core.garment import derived
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.pieces import LineKind, MarkKind, PointKind

from .everyday import EVERYDAY, everyday
from .test_make import DRAFTS
from .test_wardrobe import LAYERS


def line(kind):
    return lambda pieces: any(line.kind is kind for piece in pieces for line in piece.lines)


def mark(kind):
    return lambda pieces: any(mark.kind is kind for piece in pieces for mark in piece.marks)


NAMED = {
    r"placement line": line(LineKind.PLACEMENT),
    r"roll line": line(LineKind.ROLL),
    r"zip mark": mark(MarkKind.ZIP_END),
    r"dot to dot|the dots?\b|at its dots": mark(MarkKind.DOT),
    r"beyond the centre line": lambda pieces: (
        line(LineKind.CENTRE)(pieces) or any(cut.fold for piece in pieces for cut in piece.cuts)
    ),
}
"""What is said, and whether some of the pieces have it."""


def pieces_of(bench, op):
    ids = {*op.on.pieces, *(edge.piece for edge in op.edges)}
    for id in (*op.on.joins, *op.on.finishes):
        ids |= {part.piece for part in bench.parts(id)}
    return [bench.piece(id) for id in ids]


@pytest.mark.parametrize("name", sorted(EVERYDAY))
def test_no_step_names_a_mark_that_its_pieces_do_not_have(name):
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    bench = workbench(pattern, "A", size, MakingChoices())
    for op in compile_garment(pattern, "A", size, MakingChoices()).operations:
        for said, has in NAMED.items():
            # Marks made again are the tissue's, whichever it has.
            if op.technique != "marks made again" and re.search(said, " ".join(op.how)):
                assert has(pieces_of(bench, op)), f"{op.title}: {said}"


@pytest.mark.parametrize("name", ["jeans", "men's jeans", "denim skirt"])
def test_the_mouth_of_a_slant_pocket_is_drawn_on_its_side_piece_where_the_front_ends(name):
    pattern = everyday(name)
    front, side = (next(p for p in pattern.pieces if p.id == id) for id in ("front", "pocket-side"))
    for size in pattern.envelope.sizes:
        (drawn,) = (line.ends[size] for line in side.lines if line.id == "mouth")
        edge = front.shapes[size].edges["mouth"]
        assert drawn[0] == pytest.approx(edge[0].start) and drawn[1] == pytest.approx(edge[-1].end)


@pytest.mark.parametrize("name", ["blazer", "raglan coat", "coat dress"])
def test_collar_lapel_and_their_facings_have_the_dot_that_they_are_sewn_to(name):
    pattern = everyday(name)
    join = next(join for join in pattern.making.joins if join.id == "collar-neck")
    dotted = [p for p in pattern.pieces if any(mark.id == "collar-meets-lapel" for mark in p.marks)]
    assert {"front", "front-facing", "collar", "under-collar"} == {piece.id for piece in dotted}
    assert {part.piece for part in (*join.a, *join.b)} & {piece.id for piece in dotted}


@pytest.mark.parametrize("name", ["camp shirt", "blazer", "buttoned skirt", "waistcoat", "shirt dress", "wrap skirt"])
def test_a_front_that_laps_has_its_centre_line_and_its_buttonholes_lie_beyond_it(name):
    """The line runs from the neck or the waist to the hem; a print can be centred on it."""
    pattern = everyday(name)
    front = pattern.piece("front")
    (centre,) = (line for line in front.lines if line.kind is LineKind.CENTRE)
    for size in pattern.envelope.sizes:
        (a, b) = centre.ends[size]
        assert a[1] == b[1] == 0.0 and a[0] < b[0]
        # A hole lies across and begins 3 mm towards the edge.
        holes = [q.at[size] for q in front.points if q.kind is PointKind.BUTTONHOLE]
        assert all(y == pytest.approx(0.0, abs=4.0) and a[0] < x < b[0] for x, y in holes)
        assert centre_point(pattern, front, size) == a


@pytest.mark.parametrize(
    ("name", "id", "said"),
    [
        ("dress shirt", "mark-sleeve-placket", "these: fold lines, the line that is slashed."),
        ("jeans", "mark-waistband", "these: fold lines, placement lines."),
        ("coat dress", "mark-under-collar", "these: dots."),
    ],
)
def test_what_is_marked_again_is_what_the_piece_has(name, id, said):
    described = EVERYDAY[name]
    every = replace(described.features, interfacing=frozenset({Interfaced.ALL}))
    pattern = compose(replace(described, features=every)).pattern
    steps = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).operations
    assert said in " ".join(next(op for op in steps if op.id == id).how)


@pytest.mark.parametrize("by", [30.0, -30.0])
@pytest.mark.parametrize("name", ["camp shirt", "buttoned skirt", "pleated skirt"])
def test_lines_that_run_out_at_the_hem_do_so_when_it_is_moved(name, by):
    """A centre line ran on over the hem of a front that was shortened there, and ended above one made longer."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    altered = change_length_at_hem(pattern, size, by)
    for piece in pattern.pieces:
        for line in (line for line in piece.lines if line.kind in (LineKind.CENTRE, LineKind.PLEAT)):
            (_, was), (_, now) = line.ends[size], altered.piece(piece.id).line(line.kind, line.id).ends[size]
            assert now[0] - was[0] == pytest.approx(by, abs=0.5)


@pytest.mark.parametrize("name", ["blazer", "raglan coat", "coat dress", "wrap coat", "dressing gown"])
def test_a_roll_line_lies_on_its_front(name):
    """A raglan sleeve takes the part of the neck where it began."""
    pattern = everyday(name)
    for piece in pattern.pieces:
        for drawn in (line for line in piece.lines if line.kind is LineKind.ROLL):
            for size, ends in drawn.ends.items():
                outline = Polygon([p for chain in piece.shapes[size].edges.values() for p in flatten(chain)])
                assert outline.buffer(0.5).contains(LineString(ends)), (piece.id, size)


def inside(piece, size):
    return Polygon([p for chain in piece.shapes[size].edges.values() for p in flatten(chain, 0.2)]).buffer(0.7)


@pytest.mark.parametrize("name", sorted({*EVERYDAY, *DRAFTS}))
def test_every_grainline_and_drawn_line_lies_on_its_piece_and_on_every_layer_made_of_it(name):
    """A curved facing's lay beside it, that of a lining on the facing it was cut away for: no one could measure from
    it to the selvedge. Levels are measured, not drawn."""
    pattern = DRAFTS[name][0] if name in DRAFTS else everyday(name)
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    made = [pattern]
    for layers in LAYERS.values():
        with contextlib.suppress(PatternError):
            made.append(derived(pattern, size, "A", ClothChoices(layers=layers), ()))
    for each in made:
        for piece in each.pieces:
            for own in piece.shapes if each is pattern else (size,):
                outline = inside(piece, own)
                drawn = [line for line in piece.lines if line.kind is not LineKind.LEVEL and own in line.ends]
                assert outline.contains(LineString(piece.shapes[own].grainline)), (piece.id, own)
                for line in drawn:
                    assert LineString(line.ends[own]).difference(outline).length < 1.5, (piece.id, line.id, own)


def test_a_grainline_lies_on_its_piece_when_what_it_is_sewn_to_was_measured():
    """That of a narrow facing ran off it in four sizes."""
    measured = {
        "back-waist-facing": Measured("16", {"side": 70.0, "centre": 50.0, "waist": 197.53}),
        "front": Measured("16", {"waist": 227.375, "centre": 615.0, "hip width": 270.0}),
        "back": Measured("16", {"hem": 323.0567, "waist": 217.375, "hip width": 260.0}),
    }
    pattern = compose(replace(EVERYDAY["A-line skirt"], measured=measured)).pattern
    for piece in pattern.pieces:
        for size, shape in piece.shapes.items():
            assert inside(piece, size).contains(LineString(shape.grainline)), (piece.id, size)
