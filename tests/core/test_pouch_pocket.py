"""Pouch pockets: where they lie, where they do not go, how they are sewn. Their shape is common practice, no source."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Hem, Neck, Opening, Pocket, Side, Skirt, Sleeve
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    Hand,
    HemKind,
    HemShape,
    NeckShape,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.seamline import lines
from rowanseed.drawings.line.drawing import line_drawing

from .everyday import everyday

POUCH = Pocket(PocketKind.POUCH)
ZIPPED = Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP)
WIDE = {"neck": Neck(NeckShape.BOAT), "sleeve": Sleeve(SleeveKind.DROPPED)}


def described(garment=GarmentKind.TOP, figure=Figure.WOMEN, cloth=Structure.WOVEN, pockets=(POUCH,), **features):
    features = {**WIDE, "pockets": pockets, **features}
    return Description(name="It", garment=garment, figure=figure, cloth=cloth, features=Features(**features))


@settings(max_examples=25, deadline=None, suppress_health_check=list(HealthCheck))
@given(
    st.builds(
        described,
        garment=st.sampled_from([GarmentKind.TOP, GarmentKind.DRESS, GarmentKind.NIGHTDRESS]),
        figure=st.sampled_from(list(Figure)),
        cloth=st.sampled_from(list(Structure)),
        hem=st.builds(
            Hem,
            st.sampled_from([HemKind.TURNED, HemKind.NARROW]),
            st.sampled_from([None, 12.0]),
            st.sampled_from(list(HemShape)),
        ),
    )
)
def test_it_lies_within_its_front_above_what_is_turned_up_in_every_size(description):
    pattern = compose(description).pattern
    front, pouch = pattern.piece("front"), pattern.piece("pouch-pocket")
    up = front.edge("hem").allowance
    at = {point.id: point for point in front.points}
    for size in pattern.envelope.sizes:
        x, y = at["pouch-pocket-inner"].at[size]
        own = [(x + down, y + out) for down, out in lines(pouch, size).seam_ring()]
        assert y == 0.0
        # What is turned up reaches as far as the pocket's lower edge at the most.
        for turned_up in (0.0, up):
            lower = [(down + turned_up, out) for down, out in own]
            assert Polygon(lines(front, size).seam_ring()).buffer(0.1).covers(Polygon(lower))
        corner = at["pouch-pocket-outer"].at[size]
        assert any(corner == pytest.approx(q) for q in own)


@pytest.mark.parametrize(
    ("field", "more"),
    [
        ("features.pockets.0", {"front": Side(Centre.OPEN), "opening": ZIPPED}),
        ("features.pockets.0", {"front": Side(Centre.FOLD, (Shaping.PRINCESS_SHOULDER,))}),
        ("features.pockets.0", {"waist": Waist.SEAM, "skirt": Skirt(SkirtKind.GATHERED), "garment": GarmentKind.DRESS}),
        ("features.pockets.0", {"garment": GarmentKind.SKIRT, "sleeve": None, "neck": Neck()}),
        ("features.pockets.0.on", {"pockets": (Pocket(PocketKind.POUCH, PocketPlace.CHEST),)}),
        ("features.pockets.0.hand", {"pockets": (Pocket(PocketKind.POUCH, hand=Hand.LEFT),)}),
        ("features.pockets.1", {"pockets": (POUCH, Pocket())}),
    ],
)
def test_where_it_does_not_go_is_refused_at_its_field(field, more):
    assert field in {one.field for one in refusals(described(**more))}


def test_without_room_it_is_refused_with_how_large_it_is():
    """A front so short that the pocket would reach above the underarm."""
    finished = {"length": {"10": 470.0, "12": 480.0}}
    short = replace(described(), sizes=("10", "12"), finished=finished)
    with pytest.raises(DescriptionRefused) as refused:
        compose(short)
    assert refused.value.refusals[0].field == "features.pockets.0"
    assert "33 cm (13 in) wide" in refused.value.refusals[0].why


@pytest.mark.parametrize("name", ["smock", "hooded sweatshirt"])
def test_its_mouths_are_hemmed_first_and_it_is_on_before_the_sides_are_sewn(name):
    pattern = everyday(name)
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    order = [op.id for op in sequence(compile_garment(pattern, "A", size, MakingChoices()).operations)]
    neaten, mouths, turned, on = (
        order.index(f"{what}-pouch-pocket") for what in ("neaten", "mouths", "turn-in", "sew-on")
    )
    assert neaten < mouths < turned < on < order.index("sew-sides")


def test_a_list_that_calls_it_a_kangaroo_pocket_is_ticked_off():
    tick = ticked_off(everyday("smock"), read_pieces(["4 Kangaroo pocket: cut 1 on fold"]))[0]
    assert tick.piece is not None
    assert (tick.piece.id, tick.question) == ("pouch-pocket", "")


def test_a_drawn_pouch_that_does_not_say_where_its_mouths_are_is_told():
    pattern = everyday("smock")
    edges = tuple(replace(e, name="slope") if e.name == "slanting" else e for e in pattern.piece("pouch-pocket").edges)
    shapes = {
        size: replace(shape, edges={("slope" if n == "slanting" else n): chain for n, chain in shape.edges.items()})
        for size, shape in pattern.piece("pouch-pocket").shapes.items()
    }
    pieces = tuple(replace(p, edges=edges, shapes=shapes) if p.id == "pouch-pocket" else p for p in pattern.pieces)
    finishes = tuple(
        replace(f, parts=tuple(replace(p, edge="slope") if p.edge == "slanting" else p for p in f.parts))
        for f in pattern.making.finishes
    )
    changed = replace(pattern, pieces=pieces, making=replace(pattern.making, finishes=finishes))
    size = pattern.envelope.sizes[0]
    made = compile_garment(changed, "A", size, MakingChoices())
    assert any("Pouch pocket" in gap.said and "booklet" in gap.said for gap in made.gaps)
    assert line_drawing(changed)
