"""A drawing bound to a description: outlines find their pieces and corners; what is drawn gets edges, joins, marks."""

import math
from itertools import pairwise

import pytest

from rowanseed.core.base.errors import PatternError
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Opening, Side, Sleeve
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Shaping, Where
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.pieces import Drawn
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.pattern.walk import walk
from rowanseed.formats.bound_drawing import bound
from rowanseed.formats.matched_outlines import bind, propose
from rowanseed.formats.svg_read import ONE_SIZE, read_drawing
from tests.core.everyday import EVERYDAY, everyday

TOP = compose(
    Description(
        name="Top",
        garment=GarmentKind.TOP,
        features=Features(
            front=Side(shaping=(Shaping.BUST_DART,)),
            back=Side(Centre.SEAM),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 300.0),
            sleeve=Sleeve(),
        ),
    )
).pattern
SIZE = "12"
UNTOLD = {"front": "upper left", "back": "oval", "sleeve": "shape"}
"""Names that say nothing of the pieces."""


def svg(outlines, *, size=None):
    """Outlines in mm as a drawing program would save them: name → points."""
    paths = "".join(
        f'<path id="{name.replace(" ", "-")}" d="M {" L ".join(f"{x:.3f} {y:.3f}" for x, y in points)} Z"/>'
        for name, points in outlines.items()
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="3000mm" height="3000mm" viewBox="0 0 3000 3000">{paths}</svg>'
    )


def drawn(transform, pieces=("front", "back", "sleeve"), name=lambda id: id):
    out = {}
    for k, id in enumerate(pieces):
        ring = lines(TOP.piece(id), SIZE, 0.2).cutting_ring()
        out[name(id)] = [transform(p, k) for p in ring]
    return read_drawing(svg(out).encode())


def aside(p, k):
    return (p[0] + 200 + 20 * k, p[1] + 150 + 700 * k)


def turned(p, k):
    x, y = aside(p, k)
    return (y, 2800 - x)


def mirrored(p, k):
    x, y = aside(p, k)
    return (2800 - x, y)


@pytest.mark.parametrize("transform", [aside, turned, mirrored])
@pytest.mark.parametrize(
    "name", [lambda id: id, lambda id: {"front": "upper left", "back": "oval", "sleeve": "shape"}[id]]
)
def test_outlines_find_their_pieces_by_name_shape_and_size_however_they_lie(transform, name):
    drawing = drawn(transform, name=name)
    found = propose(TOP, drawing, SIZE)
    assert {found[d.id].piece for d in drawing.pieces if d.id in found} == {"front", "back", "sleeve"}


@pytest.mark.parametrize("transform", [aside, turned, mirrored])
def test_a_bound_drawing_has_the_drawn_lengths_and_the_composed_edges_and_joins(transform):
    drawing = drawn(transform)
    made = bound(TOP, drawing, tuple(propose(TOP, drawing, SIZE).values()), Drawn.CUTTING, SIZE)
    assert made.envelope.sizes == (SIZE,)
    assert [j.id for j in made.making.joins] == [j.id for j in TOP.making.joins]
    for id in ("front", "back", "sleeve"):
        own, was = made.piece(id), lines(TOP.piece(id), SIZE)
        assert [e.name for e in own.edges] == [e.name for e in TOP.piece(id).edges]
        assert own.drawn is Drawn.CUTTING and not own.approximate
        for edge in own.edges:
            long = sum(
                math.dist(a, b) for a, b in zip(was.cutting[edge.name], was.cutting[edge.name][1:], strict=False)
            )
            assert chain_length(own.shapes[SIZE].edges[edge.name]) == pytest.approx(long, rel=0.02, abs=2.0), (id, edge)
    assert list(faults(made)) == []
    assert [w.join.id for w in walk(made, SIZE) if abs(w.fault) > 2.0] == []


JOGGED = {"sleeve-fronts": 9.0, "sleeve-backs": 13.0, "armholes": 21.0, "neck-princess-back-facing": 4.0}
"""Seams whose cutting lines do not meet at a corner but run on beside each other: which of the two the step between
them belongs to is not drawn, and so much, in mm, may come of it."""


@pytest.mark.parametrize("line", Drawn)
@pytest.mark.parametrize("name", EVERYDAY)
def test_anything_everyday_is_bound_to_its_own_outlines_in_whichever_line_they_are_drawn(name, line):
    """Drawn on the stitching line some were refused, and corners lay up to 17 cm off: they were looked for on the
    cutting line. A sleeve was taken the other side up, its front for its back."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    outlines = {}
    for k, piece in enumerate(pattern.pieces):
        own = lines(piece, size, 0.2)
        ring = own.cutting_ring() if line is Drawn.CUTTING else own.seam_ring()
        outlines[piece.name] = [(p[0] + 200, p[1] + 150 + 600 * k) for p in ring]
    drawing = read_drawing(svg(outlines).replace("3000", "20000").encode())
    found = propose(pattern, drawing, size, line)
    assert len(found) == len(pattern.pieces)
    made = bound(pattern, drawing, tuple(found.values()), line, size)
    was = {w.join.id: w.fault for w in walk(pattern, size)}
    sewn = [w for w in walk(made, size) if w.join.difference.kind is not DifferenceKind.GATHERS]
    # Widths of one name are told apart by their shapes alone.
    apart = [w for w in sewn if "-widths" not in w.join.id]
    assert [(w.join.id, w.fault) for w in apart if abs(w.fault - was[w.join.id]) > JOGGED.get(w.join.id, 2.0)] == []


def test_what_the_drawing_lacks_stays_composed():
    drawing = drawn(aside, pieces=("front", "back"))
    made = bound(TOP, drawing, tuple(propose(TOP, drawing, SIZE).values()), Drawn.CUTTING, SIZE)
    assert made.piece("sleeve").approximate and not made.piece("front").approximate
    assert made.piece("sleeve").shapes[SIZE] == TOP.piece("sleeve").shapes[SIZE]


def test_a_drawing_that_is_a_little_larger_makes_pieces_a_little_larger():
    drawing = drawn(lambda p, k: aside((p[0] * 1.04, p[1] * 1.04), k), pieces=("front", "back"))
    made = bound(TOP, drawing, tuple(propose(TOP, drawing, SIZE).values()), Drawn.CUTTING, SIZE)
    was = lines(TOP.piece("front"), SIZE).cutting["hem"]
    long = sum(math.dist(a, b) for a, b in pairwise(was))
    assert chain_length(made.piece("front").shapes[SIZE].edges["hem"]) == pytest.approx(long * 1.04, rel=0.01)


def test_a_moved_corner_moves_length_from_one_edge_to_its_neighbour():
    drawing = drawn(aside, pieces=("front",))
    (first,) = propose(TOP, drawing, SIZE).values()
    corners = list(first.corners)
    names = [e.name for e in TOP.piece("front").edges]
    k = names.index("side")
    corners[k] = corners[k] - 0.3
    moved = type(first)(first.drawn, first.piece, first.turn, tuple(corners))
    before = bound(TOP, drawing, (first,), Drawn.CUTTING, SIZE).piece("front")
    try:
        after = bound(TOP, drawing, (moved,), Drawn.CUTTING, SIZE).piece("front")
    except PatternError:
        return
    gained = chain_length(after.shapes[SIZE].edges["side"]) - chain_length(before.shapes[SIZE].edges["side"])
    lost = chain_length(before.shapes[SIZE].edges[names[k - 1]]) - chain_length(after.shapes[SIZE].edges[names[k - 1]])
    assert gained > 0 and gained == pytest.approx(lost, abs=1.0)


def test_an_outline_can_be_taken_for_another_piece_by_hand():
    drawing = drawn(aside, pieces=("front",), name=lambda id: "unnamed")
    one = bind(TOP, drawing, SIZE, drawing.pieces[0].id, "back")
    assert one.piece == "back" and len(one.corners) == len(TOP.piece("back").edges)
    assert drawing.sizes == (ONE_SIZE,)
    assert flatten(TOP.piece("back").shapes[SIZE].edges["hem"], 1.0)


def test_a_tiny_outline_may_be_taken_for_a_piece_of_many_edges():
    """It had fewer places for a corner than the piece has edges, and the page broke."""
    pattern = everyday("blazer")
    piece = max(pattern.pieces, key=lambda one: len(one.edges))
    size = pattern.envelope.sizes[0]
    drawing = read_drawing(svg({"Tiny": [(100, 100), (110, 100), (105, 103)]}).encode())
    one = bind(pattern, drawing, size, drawing.pieces[0].id, piece.id)
    assert len(set(one.corners)) == len(piece.edges) > 6
    made = bound(pattern, drawing, (one,), Drawn.CUTTING, size)
    assert [w.join.id for w in walk(made, size) if not w.walks]


# ---------------------------------------------------------------- a nest of sizes


def nest(called):
    """The stitching lines of TOP in several sizes, each in a group: size of TOP → what the drawing calls it."""

    def path(id, size, name, k):
        segments = [s for edge in TOP.piece(id).edges for s in TOP.piece(id).shapes[size].edges[edge.name]]

        def place(p):
            return "{:.3f} {:.3f}".format(*aside(p, k))

        drawn = " ".join("C " + ", ".join(place(p) for p in s.points()[1:]) for s in segments)
        return f'<path id="{id}-{name}" d="M {place(segments[0].start)} {drawn} Z"/>'

    groups = "".join(
        f'<g id="size-{name}">{"".join(path(id, size, name, k) for k, id in enumerate(UNTOLD))}</g>'
        for size, name in called.items()
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="3000mm" height="3000mm" viewBox="0 0 3000 3000">{groups}</svg>'
    )


@pytest.mark.parametrize("sizes", [("10", "12", "14"), ("14", "8"), ("8", "16")])
def test_a_nest_gives_every_size_its_own_outline_in_the_order_of_the_description(sizes):
    drawing = read_drawing(nest({size: size for size in sizes}).encode())
    made = bound(TOP, drawing, tuple(propose(TOP, drawing, sizes[0], Drawn.SEAM).values()), Drawn.SEAM)
    assert made.envelope.sizes == tuple(size for size in TOP.envelope.sizes if size in sizes)
    for id in UNTOLD:
        for size in made.envelope.sizes:
            for edge in TOP.piece(id).edges:
                long = chain_length(TOP.piece(id).shapes[size].edges[edge.name])
                assert chain_length(made.piece(id).shapes[size].edges[edge.name]) == pytest.approx(long, abs=0.5)


def test_a_nest_of_sizes_that_the_description_does_not_have_is_refused_with_both():
    """It gave the composed pattern, and nothing of what was drawn, without a word."""
    drawing = read_drawing(nest({"10": "36", "12": "38"}).encode())
    found = tuple(propose(TOP, drawing, "12", Drawn.SEAM).values())
    assert found
    with pytest.raises(PatternError) as refused:
        bound(TOP, drawing, found, Drawn.SEAM)
    assert "36, 38" in refused.value.problem and "10, 12" in refused.value.problem and refused.value.remedy
