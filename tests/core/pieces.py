"""Small pieces to test with."""

from rowanseed.core.geometry.outline import line_chain
from rowanseed.core.pattern.envelope import Envelope, View
from rowanseed.core.pattern.making import Making
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Corner, Cut, Drawn, EdgeSpec, Piece, Role, Shape


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
