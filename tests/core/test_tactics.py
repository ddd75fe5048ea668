"""Tactics that cut a piece otherwise than the pattern has it; all are common practice, no source."""

from dataclasses import replace

import pytest

from rowanseed.core.alter.hem import bears, change_length_at_hem
from rowanseed.core.base.craft_refusals import EndsAboveMark
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Opening, Side
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Where
from rowanseed.core.garment import GarmentChoices, derived, lay_problem
from rowanseed.core.geometry.outline import chain_length, line_chain
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Envelope, View
from rowanseed.core.pattern.making import EdgePart, Join, Making
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Drawn, EdgeSpec, Panel, Piece, Role, Shape
from rowanseed.core.saving.apply import offered
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.demo import six_gore_skirt

SKIRT = six_gore_skirt.draft()


def two_piece_body():
    """A front and a back, each on the fold, of a plain top: 60 by 28 cm as drawn."""
    edges = tuple(EdgeSpec(name, 0.0 if name == "centre" else 15.0) for name in ("centre", "hem", "side", "top"))
    ring = ((0.0, 0.0), (600.0, 0.0), (600.0, 280.0), (0.0, 280.0), (0.0, 0.0))
    shape = Shape(
        {e.name: line_chain(ring[k], ring[k + 1]) for k, e in enumerate(edges)}, ((50.0, 100.0), (500.0, 100.0))
    )
    cut = (Cut(Role.MAIN, 1, fold="centre"),)
    front, back = (
        Piece(
            id=p.value, name=p.value, number=k, drawn=Drawn.SEAM, edges=edges, shapes={"one": shape}, cuts=cut, panel=p
        )
        for k, p in enumerate((Panel.FRONT, Panel.BACK), 1)
    )
    side = Join(
        id="sides", name="Side seams", a=(EdgePart("front", "side"),), b=(EdgePart("back", "side"),), each_hand=True
    )
    return Pattern(
        name="Top",
        house="",
        code="",
        garment="top",
        envelope=Envelope((View("A", ""),), ("one",)),
        pieces=(front, back),
        making=Making((side,)),
    )


def test_one_fold_piece_against_the_selvedges_halves_the_length_of_a_two_piece_body():
    """On folded cloth both lie on the fold, one after the other; with the back at the selvedges, side by side."""
    top, cloth = (
        two_piece_body(),
        Cloth(name="cloth", width=1260, length=3000, selvedge=10, direction=Direction.TWO_WAY, washed=True),
    )
    assert "fold-to-selvedge" in offered(top, "A", Role.MAIN, one_way=False)
    assert "fold-to-selvedge" not in offered(SKIRT, "A", Role.MAIN, one_way=False)
    changed = derived(top, "one", "A", ClothChoices(), ("fold-to-selvedge",))
    choices = GarmentChoices("A", "one")
    plain, moved = (lay_problem(p, choices, Role.MAIN, cloth) for p in (top, changed))
    assert moved.piece("back").selvedge is not None and moved.piece("front").fold is not None
    lengths = []
    for problem in (plain, moved):
        folded = replace(problem, lays=(LayKind.FOLDED,))
        plan = solve_each(folded, Budget(sweeps=20))["folded"]
        assert check(folded, plan) == []
        lengths.append(plan.length)
    assert lengths[1] == pytest.approx(lengths[0] / 2, rel=0.02)
    assert any(j.name == "Centre seam, back" for j in changed.making.joins)


def test_facings_on_the_fold_may_be_pieced_and_a_batch_made_smaller():
    assert "pieced-facing" in offered(SKIRT, "A", Role.MAIN, one_way=False)
    pieced = derived(SKIRT, "14", "A", ClothChoices(), ("pieced-facing",))
    facing = pieced.piece("front-facing").cuts_for(Role.MAIN, "A")[0]
    assert facing.fold is None and facing.count == 2 and pieced.piece("front").cuts[0].fold == "centre"
    assert sequence(compile_steps(pieced, "A", "14", MakingChoices()))
    assert "smaller-batch" in offered(SKIRT, "A", Role.MAIN, one_way=False, batch=True)
    assert "smaller-batch" not in offered(SKIRT, "A", Role.MAIN, one_way=False)


def test_faced_hems_ask_for_facings_of_another_cloth():
    faced = derived(SKIRT, "14", "A", ClothChoices(), ("faced-hem",))
    assert {p.id for p, _ in faced.pieces_for(Role.CONTRAST, "A")} == {
        f"{p}-hem-facing" for p in ("front", "side-front", "side-back", "back")
    }


def test_no_garment_is_shortened_above_the_end_of_its_zip():
    """A top with a long zip behind, shortened at the hem and again to save cloth, had the mark of its end beyond it."""
    back = Side(Centre.SEAM)
    zipped = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 420.0)
    features = Features(back=back, opening=zipped)
    pattern = compose(Description("Zipped", GarmentKind.TOP, features=features)).pattern
    size = pattern.envelope.sizes[2]
    piece = pattern.piece("back")
    room = chain_length(piece.shapes[size].edges["centre"]) - piece.mark("zip-end").distance[size]
    assert bears(pattern, 10.0 - room) and not bears(pattern, -room - 10.0)
    shorter = change_length_at_hem(pattern, size, 10.0 - room)
    assert TACTICS["shorten"].reshape(shorter, size) is shorter
    with pytest.raises(EndsAboveMark):
        change_length_at_hem(pattern, size, -room - 10.0)
