"""Every tactic that helps when cloth is short, on every everyday garment, plain and lined: what is left can be sewn."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Opening, Side
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Waist, Where
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.derive.facing import can_be_faced
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.pieces import DerivedAs, Role
from rowanseed.core.project import Project
from rowanseed.core.saving.tactics import TACTICS

from .everyday import EVERYDAY, everyday
from .test_make import faults


@pytest.mark.slow
@pytest.mark.parametrize("lining", [LiningSchool.NONE, LiningSchool.DEDUCT], ids=lambda school: school.value)
@pytest.mark.parametrize("name", EVERYDAY)
def test_what_a_tactic_makes_of_a_garment_can_be_sewn(name, lining):
    """A pieced collar's steps waited for each other; a facing beside a dart had no inner edge; the facing of a tier's
    width had two edges of one name."""
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[1]
    decisions = Decisions(view, size, cloth=ClothChoices(layers=Layers(lining=lining)))
    project = Project(pattern, {}, decisions)
    told = compile_garment(project.garment, view, size, MakingChoices()).gaps
    for tactic in TACTICS:
        garment = project.garment_with(Role.MAIN, (tactic,))
        if garment == project.garment:
            continue
        for piece in garment.pieces:
            assert len({edge.name for edge in piece.edges}) == len(piece.edges), (tactic, piece.id)
        made = compile_garment(garment, view, size, MakingChoices())
        order = sequence(made.operations)
        assert play(garment, order) == () and faults(garment, size, order) == [], tactic
        assert set(made.gaps) <= set(told), tactic


PLAIN = Cloth("Cloth", 1500.0, None, 12.0, Direction.TWO_WAY)


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_back_cut_against_the_selvedges_has_a_straight_edge_that_lies_there(name):
    """At a turned hem or casing it was off by a hair, and the back was laid anywhere."""
    pattern = everyday(name)
    project = Project(
        pattern, {}, Decisions("A", pattern.envelope.sizes[1], tactics={Role.MAIN: ("fold-to-selvedge",)})
    )
    halved = {piece.id: cut for piece, cut in project.garment.pieces_for(Role.MAIN, "A") if cut.selvedge is not None}
    problem = project.problem(Role.MAIN, PLAIN)
    assert problem is not None
    for piece in problem.pieces:
        if piece.id in halved:
            assert piece.selvedge is not None and piece.selvedge[0][1] == piece.selvedge[1][1]
            assert min(y for _, y in piece.outline) == piece.selvedge[0][1], "nothing lies beyond the selvedge"


def test_only_the_garments_own_cloth_is_cut_against_its_selvedges():
    pattern = everyday("A-line skirt")
    layers = Layers(lining=LiningSchool.WHOLE, underlined=True)
    tactics = {Role.MAIN: ("fold-to-selvedge",)}
    decisions = Decisions("A", pattern.envelope.sizes[1], tactics=tactics, cloth=ClothChoices(layers=layers))
    cuts = [cut for piece in Project(pattern, {}, decisions).garment.pieces for cut in piece.cuts]
    assert {cut.role for cut in cuts if cut.selvedge is not None} == {Role.MAIN}
    assert {Role.LINING, Role.UNDERLINING} <= {cut.role for cut in cuts}


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_faces_a_back_cut_against_the_selvedges_is_cut_anywhere(name):
    """An armhole's facing has no centre to lie there with, and a neck's has no need to."""
    pattern = everyday(name)
    layers = Layers(faced=tuple(finish.id for finish in can_be_faced(pattern, "A")))
    decisions = Decisions(
        "A",
        pattern.envelope.sizes[1],
        tactics={Role.MAIN: ("fold-to-selvedge",)},
        cloth=ClothChoices(layers=layers),
    )
    project = Project(pattern, {}, decisions)
    assert project.problem(Role.MAIN, PLAIN) is not None
    faced = [piece for piece in project.cut_pattern.pieces if piece.derived and piece.derived.kind is DerivedAs.FACING]
    assert [cut.selvedge for piece in faced for cut in piece.cuts if cut.selvedge] == []


@pytest.mark.parametrize("kind", [OpeningKind.SLIT, OpeningKind.KEYHOLE], ids=lambda kind: kind.value)
def test_what_a_slit_is_cut_into_is_not_cut_apart(kind):
    described = EVERYDAY["drawstring dress"]
    opening = replace(described.features.opening, kind=kind, where=Where.FRONT)
    pattern = compose(replace(described, features=replace(described.features, opening=opening))).pattern
    seamed = Project(pattern, {}, Decisions("A", pattern.envelope.sizes[1])).garment_with(Role.MAIN, ("centre-seam",))
    assert {join.id for join in seamed.making.joins if join.id.startswith("centre-")} == {
        "centre-back",
        "centre-skirt-front",
        "centre-skirt-back",
    }


def test_the_pleated_strip_of_a_band_let_in_is_not_cut_apart():
    """Nothing sewed the seam down its middle: its pleats run on across it."""
    zipped = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)
    features = Features(back=Side(Centre.SEAM), opening=zipped, waist=Waist.PLEATED_BAND)
    pattern = compose(Description(name="banded", garment=GarmentKind.DRESS, features=features)).pattern
    assert pattern.piece("pleated-front").cuts[0].fold
    project = Project(pattern, {}, Decisions("A", "12", tactics={Role.MAIN: ("centre-seam",)}))
    assert not {join.id for join in project.garment.making.joins if "pleated" in join.id}
    assert play(project.garment, project.steps) == ()


def test_two_halves_are_one_piece_before_a_yoke_on_the_fold_is_sewn_across_them():
    """The yoke was sewn to both halves of a back, and their seam up to it afterwards."""
    pattern = everyday("blouse")
    size = pattern.envelope.sizes[1]
    halved = Project(pattern, {}, Decisions("A", size)).garment_with(Role.MAIN, ("fold-to-selvedge",))
    order = list(sequence(compile_garment(halved, "A", size, MakingChoices()).operations))
    ids = [op.id for op in order]
    assert ids.index("press-centre-back") < ids.index("sew-yoke-back")
    yoke_first = [op for op in order if "centre-back" not in op.id]
    late = [op for op in order if "centre-back" in op.id]
    found = {fault.said for fault in play(halved, [*yoke_first[:-1], *late, yoke_first[-1]])}
    assert "both hands of back are not one piece yet" in found
