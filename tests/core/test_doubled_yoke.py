"""A second yoke inside the back's. How it is sewn, between both layers and rolled in, is common practice, no source."""

from dataclasses import replace

import pytest

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Neck, Side
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.vocabulary import ArmholeFinish, Centre, FacedEdge, NeckFinish, Shaping
from rowanseed.core.make import facts
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.facts import Fact
from rowanseed.demo import overshirt
from tests.core.everyday import EVERYDAY, everyday

DOUBLED = frozenset({FacedEdge.YOKE})


def composed(**features):
    described = EVERYDAY["dress shirt"]
    return compose(replace(described, features=replace(described.features, **features))).pattern


def steps(pattern):
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    return {op.id: op for op in compile_garment(pattern, "A", size, MakingChoices()).operations}


def test_both_yokes_are_cut_alike_and_sewn_to_what_lies_between_them():
    pattern = everyday("dress shirt")
    outer, inner = pattern.piece("back-yoke"), pattern.piece("yoke-inner")
    assert outer.shapes == inner.shapes
    sewn = steps(pattern)
    assert "three layers" in " ".join(sewn["sew-yoke-back"].how)
    assert "roll" in " ".join(sewn["sew-shoulders"].how).lower()
    assert not any(id.startswith("neaten-") and ("yoke" in id or "shoulder" in id) for id in sewn)


@pytest.mark.parametrize("pattern", [everyday("dress shirt"), overshirt.draft()], ids=["shirt", "overshirt"])
def test_neck_and_armholes_take_both_layers_in_so_these_are_basted_first(pattern):
    sewn = steps(pattern)
    for id in ("sew-neck", "sew-armholes"):
        assert any(need.state == facts.join(Fact.JOINED, "yoke-layers") for need in sewn[id].requires)


@pytest.mark.parametrize("below", [Shaping.GATHERS_UNDER_YOKE, Shaping.PLEAT_UNDER_YOKE])
def test_what_lies_between_the_yokes_is_drawn_up_or_folded_once(below):
    back = Side(shaping=(Shaping.YOKE, below))
    plain, doubled = (steps(composed(back=back, facing=facing)) for facing in (frozenset(), DOUBLED))
    for first in ("gather", "pleats", "remove-rows"):
        known = [id for id in plain if id.startswith(first)]
        assert [id for id in doubled if id.startswith(first)] == known


@pytest.mark.parametrize(
    "wrong",
    [
        {"back": Side()},
        {"back": Side(Centre.SEAM, (Shaping.YOKE,))},
        {"collar": None, "neck": Neck(finish=NeckFinish.FACING)},
        {"sleeve": None, "armhole": ArmholeFinish.FACING},
    ],
)
def test_where_it_cannot_lie_it_is_refused_with_the_reason(wrong):
    with pytest.raises(DescriptionRefused, match="yoke"):
        composed(**wrong)


@pytest.mark.parametrize(
    ("line", "doubled", "said"),
    [
        ("3 Yoke - cut 2 on fold", True, ""),
        ("3 Yoke - cut 2 on fold", False, "Is it doubled?"),
        ("4 Collar band - cut 2", True, ""),
        ("5 Cuff - cut 4", True, "here each is one piece, folded"),
        ("6 Button band - cut 2", True, ""),
        ("9 Belt carriers - cut 1", True, "How many belt loops"),
        ("8 Continuous lap - cut 2", True, ""),
    ],
)
def test_what_lists_call_the_pieces_of_a_shirt_is_known(line, doubled, said):
    pattern = composed(facing=DOUBLED if doubled else frozenset())
    tick = ticked_off(pattern, read_pieces([line]))[0]
    assert said in tick.question if said else not tick.question, tick


def test_a_yoke_without_a_sleeve_is_doubled_where_its_armholes_are_bound():
    """The binding takes both layers in; the facing of a faced armhole would be a third."""
    pattern = composed(sleeve=None, armhole=ArmholeFinish.BIAS_BINDING)
    (bind,) = (op for id, op in steps(pattern).items() if id == "bind-armhole")
    assert any(need.state == facts.join(Fact.JOINED, "yoke-layers") for need in bind.requires)
