"""Small pieces to test with."""

import math
from dataclasses import replace

from rowanseed.core.alter.frame import with_pieces
from rowanseed.core.geometry.outline import line_chain
from rowanseed.core.pattern.envelope import Envelope, View
from rowanseed.core.pattern.making import Making
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Corner, Cut, Drawn, EdgeSpec, Panel, Piece, Role, Shape


def quadrilateral(corners, allowances, *, drawn=Drawn.SEAM, id="panel", cut=None, corner=None, marks=(), darts=()):
    """A four-cornered piece with edges left, hem, right, top in ring order from corner 0."""
    names = ("left", "hem", "right", "top")
    ring = [*corners, corners[0]]
    edges = {name: line_chain(ring[k], ring[k + 1]) for k, name in enumerate(names)}
    middle = sum(y for _, y in corners) / 4
    specs = tuple(
        EdgeSpec(n, a, Corner.TURNED if corner == n else Corner.MITRE) for n, a in zip(names, allowances, strict=True)
    )
    xs = [x for x, _ in corners]
    shape = Shape(edges, ((min(xs) + 20, middle), (max(xs) - 20, middle)))
    return Piece(
        id=id,
        name=id.capitalize(),
        number=1,
        drawn=drawn,
        edges=specs,
        shapes={"S": shape},
        cuts=(cut or Cut(Role.MAIN, 1),),
        marks=tuple(marks),
        darts=tuple(darts),
    )


def pattern_of(*pieces, making=None, **envelope):
    return Pattern(
        name="Test",
        house="",
        code="",
        garment="test",
        envelope=Envelope((View("A", "A"),), ("S",), **envelope),
        pieces=pieces,
        making=making or Making(),
    )


def unlike_shoulders(pattern, by=8.0):
    """A pattern whose back has a shoulder longer by so much, in mm, than its front: drawn so, in every size."""
    return with_pieces(
        pattern, [_wider(p, by) for p in pattern.pieces if p.has_edge("shoulder") and p.panel is not Panel.FRONT]
    )


def _wider(piece, by):
    shapes = {}
    for size, shape in piece.shapes.items():
        ends = (shape.edges["shoulder"][0].start, shape.edges["shoulder"][-1].end)
        neck, tip = sorted(ends, key=lambda p: abs(p[1]))
        out = tuple(t + (t - n) * by / math.dist(neck, tip) for n, t in zip(neck, tip, strict=True))

        def moved(segment, tip=tip, out=out):
            where = {end: out for end in ("start", "end") if math.dist(getattr(segment, end), tip) < 0.01}
            return replace(segment, **where)

        edges = {name: tuple(moved(segment) for segment in chain) for name, chain in shape.edges.items()}
        shapes[size] = replace(shape, edges=edges)
    return replace(piece, shapes=shapes)


def gathered_skirt():
    """Two rectangles, 60 by 50 cm as drawn, of one size."""
    edges = tuple(EdgeSpec(name, 15.0) for name in ("left", "hem", "right", "waist"))
    corners = ((0.0, 0.0), (600.0, 0.0), (600.0, 500.0), (0.0, 500.0), (0.0, 0.0))
    shape = Shape(
        {e.name: line_chain(corners[k], corners[k + 1]) for k, e in enumerate(edges)}, ((50.0, 100.0), (500.0, 100.0))
    )
    piece = Piece(
        id="panel",
        name="Panel",
        number=1,
        drawn=Drawn.SEAM,
        edges=edges,
        shapes={"one": shape},
        cuts=(Cut(Role.MAIN, 2),),
    )
    return Pattern(
        name="Gathered skirt",
        house="",
        code="",
        garment="skirt",
        envelope=Envelope((View("A", ""),), ("one",)),
        pieces=(piece,),
    )
