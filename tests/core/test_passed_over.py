"""What was to save cloth and changes nothing of a garment is told, and can be let go of; what does is left alone."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.derive.choice import Layers
from rowanseed.core.derive.facing import can_be_faced
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.core.saving.apply import offered
from rowanseed.core.saving.passed_over import let_go
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.demo import six_gore_skirt

from .everyday import EVERYDAY, everyday

BATCH_ONLY = "smaller-batch"


def project(pattern, **decided):
    return Project(pattern, {}, Decisions(pattern.envelope.views[0].id, pattern.envelope.sizes[0], **decided), {})


@pytest.mark.parametrize("name", EVERYDAY)
def test_exactly_what_is_not_offered_is_told(name):
    pattern = everyday(name)
    plain = project(pattern)
    there = offered(plain.altered.pattern, plain.view, Role.MAIN, one_way=True)
    # Each by itself: some change the same pieces.
    for id in TACTICS:
        told = project(pattern, tactics={Role.MAIN: (id,)}).saves_nothing
        assert [one.id for one in told] == ([] if id in there else [id])
        assert all(one.problem.startswith("To save cloth, “") for one in told)


def test_a_batch_that_is_gone_has_no_garment_fewer():
    (told,) = project(six_gore_skirt.draft(), tactics={Role.MAIN: ("narrow-hem", BATCH_ONLY)}).saves_nothing
    assert (told.id, told.where) == (BATCH_ONLY, "tactics, main")


def test_what_is_let_go_of_leaves_the_rest_as_it_was_taken():
    choices = ClothChoices(moved=("front-facing", "hood"), on_border=True)
    taken = {Role.MAIN: ("narrow-hem", BATCH_ONLY), Role.LINING: ("fold-to-selvedge",)}
    before = project(six_gore_skirt.draft(), tactics=taken, cloth=choices)
    tactics, left = let_go(taken, choices, before.saves_nothing)
    assert tactics == {Role.MAIN: ("narrow-hem",), Role.LINING: ()}
    assert left == replace(choices, moved=("front-facing",))
    after = project(six_gore_skirt.draft(), tactics=tactics, cloth=left)
    assert after.saves_nothing == () and after.garment == before.garment


def test_a_facing_that_was_worked_out_here_may_come_from_the_contrast_cloth():
    """It is no piece of the pattern as drawn."""
    pattern = everyday("A-line skirt")
    edges = tuple(finish.id for finish in can_be_faced(pattern, pattern.envelope.views[0].id))
    faced = project(pattern, cloth=ClothChoices(layers=Layers(faced=edges)))
    drawn = {piece.id for piece in pattern.pieces}
    new = [piece.id for piece, _ in faced.garment.pieces_for(Role.MAIN, faced.view) if piece.id not in drawn]
    assert new
    moved = project(pattern, cloth=ClothChoices(layers=Layers(faced=edges), moved=(new[0],)))
    assert moved.saves_nothing == ()
    assert new[0] in {piece.id for piece, _ in moved.garment.pieces_for(Role.CONTRAST, moved.view)}
    # Without the facing there is nothing to move.
    (told,) = project(pattern, cloth=ClothChoices(moved=(new[0],))).saves_nothing
    assert told.what == new[0] and "no such piece" in told.problem
