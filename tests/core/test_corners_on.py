"""Linings behind slant pockets: the front's lining has the corner on that the pocket cut off. Areas by Shapely; that it
is cut so is common practice, no source."""

import pytest
from shapely.geometry import Polygon

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.derive.choice import Layers, LinedPart, LiningHem, LiningSchool
from rowanseed.core.derive.corners_on import corners_on, slanted
from rowanseed.core.derive.left_out import left_out
from rowanseed.core.derive.lining import lined_parts, schools, with_lining
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.check import piece_faults
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project

from .everyday import EVERYDAY, everyday
from .test_make import faults
from .wording import misprints

SLANTED = [name for name in EVERYDAY if slanted(everyday(name))]
FRONT = {name: slanted(everyday(name))[0].on[0] for name in SLANTED}


def outline(piece, size):
    return Polygon([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 0.1)])


@pytest.mark.parametrize("name", SLANTED)
def test_the_corner_is_on_again_in_every_size(name):
    pattern, id = everyday(name), FRONT[name]
    side = pattern.piece("pocket-side")
    for size in pattern.envelope.sizes:
        whole = corners_on(pattern, size).pattern
        front, now = outline(pattern.piece(id), size), outline(whole.piece(id), size)
        corner = now.difference(front)
        assert corner.area > 2000.0 and front.difference(now).area < 1.0
        assert corner.difference(outline(side, size).buffer(0.5)).area < 1.0
        edges = [piece.shapes[size].edges["waist"] for piece in (whole.piece(id), pattern.piece(id), side)]
        assert chain_length(edges[0]) == pytest.approx(chain_length(edges[1]) + chain_length(edges[2]), abs=0.1)
        assert not slanted(whole) and [f for piece in whole.pieces for f in piece_faults(piece, (size,))] == []
        assert all(one.walks for one in walk(whole, size))


@pytest.mark.parametrize("name", SLANTED)
def test_what_is_lined_so_is_sewn_without_a_fault_and_keeps_its_pockets(name):
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    assert len(schools(pattern, "A", size)) > 1
    for hem in LiningHem:
        layers = Layers(lining=LiningSchool.WHOLE, hem=hem)
        project = Project(pattern, {}, Decisions("A", size, cloth=ClothChoices(layers=layers)), {})
        garment, steps = project.garment, project.steps
        known = {piece.id: piece for piece in garment.pieces}
        assert {"pocket-side", "pocket-facing", f"{FRONT[name]}-lining"} <= known.keys()
        assert "mouth" in {edge.name for edge in known[FRONT[name]].edges}
        assert "mouth" not in {edge.name for edge in known[f"{FRONT[name]}-lining"].edges}
        assert faults(garment, size, steps) == [] and play(garment, steps) == ()
        assert [said for op in steps for said in misprints(op)] == [] and project.gaps == ()
        assert all(one.walks for one in walk(garment, size))
        assert any(piece.cuts_for(Role.LINING, "A") for piece in garment.pieces)


@pytest.mark.parametrize("name", ["tailored trousers", "boiler suit"])
@pytest.mark.parametrize(
    "alteration",
    [
        Alteration("crotch-length", 20.0),
        Alteration("full-abdomen", 20.0),
        Alteration("seam", -20.0, "outseams", "hip"),
        Alteration("length", 20.0, "crotch-depth"),
    ],
)
def test_after_an_alteration_it_is_lined_or_said_not_to_be(name, alteration):
    pattern = everyday(name)
    size, layers = pattern.envelope.sizes[1], Layers(lining=LiningSchool.WHOLE)
    try:
        altered = carry_out(pattern, size, (alteration,)).pattern
    except AlterationError:
        return
    lined = with_lining(altered, size, "A", layers)
    made = any(piece.cuts_for(Role.LINING, "A") for piece in lined.pieces)
    assert made or [str(one) for one in left_out(altered, "A", size, layers)] != []
    assert [f for piece in lined.pieces for f in piece_faults(piece, (size,))] == []


def test_trousers_with_a_yoke_behind_are_not_lined_above_and_below_a_waist_seam():
    """Their front has no yoke, and was taken for what hangs below."""
    assert lined_parts(everyday("jeans"), "A") == (LinedPart.ALL,)
    assert LinedPart.LOWER in lined_parts(everyday("boiler suit"), "A")
