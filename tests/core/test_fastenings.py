"""As many buttons, snaps, hooks and ties as an envelope says are marked, sewn on and bought; a zip that runs to the end
of its seam is bought too. Where they stand is common practice, no source."""

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Neck, Opening, Side, Sleeve, Straps
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    NeckShape,
    OpeningKind,
    Shaping,
    SleeveEnd,
    SleevePlacket,
    Where,
)
from rowanseed.core.derive.choice import Layers
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.notions.added import asked_for
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.pieces import PointKind

SIZE = "14"
KINDS = {
    OpeningKind.BUTTONS: (PointKind.BUTTONHOLE, Sort.BUTTONS),
    OpeningKind.SNAPS: (PointKind.BUTTON, Sort.SNAPS),
    OpeningKind.HOOK_AND_EYE: (PointKind.HOOK, Sort.HOOKS),
    OpeningKind.TIES: (PointKind.TIE, None),
}


def described(kind, count, *, where=Where.FRONT, centre=Centre.OPEN, length=None, **more):
    side = Side(centre, more.pop("shaping", ()))
    features = Features(**{where.value: side}, opening=Opening(where, kind, length, count), **more)
    return Description(name="Closed", garment=GarmentKind.TOP, features=features)


def made(description):
    """The pattern, its order, and what is bought for it: by sort, how many."""
    pattern = compose(description).pattern
    steps = compile_garment(pattern, "A", SIZE, MakingChoices()).operations
    listed = (*notions(pattern, "A", SIZE, None, overlocker=False, steps=steps), *asked_for(steps, Layers()))
    return pattern, steps, listed


def marked(pattern, kind):
    return sum(1 for piece in pattern.pieces for point in piece.points if point.kind is kind and SIZE in point.at)


def places(pattern, kind):
    return sorted(p.at[SIZE][0] for piece in pattern.pieces for p in piece.points if p.kind is kind)


@given(kind=st.sampled_from(list(KINDS)), count=st.integers(2, 16))
@settings(deadline=None, max_examples=40)
def test_an_open_edge_has_as_many_as_the_envelope_says(kind, count):
    pattern, steps, listed = made(described(kind, count))
    point, sort = KINDS[kind]
    assert marked(pattern, point) == count
    at = places(pattern, point)
    neck = min(min(s.start[0], s.end[0]) for s in pattern.piece("front").shapes[SIZE].edges["opening"])
    hem = max(max(s.start[0], s.end[0]) for s in pattern.piece("front").shapes[SIZE].edges["opening"])
    assert neck < at[0] and at[-1] < hem and len(set(at)) == count
    told = " ".join(line for step in steps for line in step.how if step.on.closures)
    assert f"{count} " in told
    if sort is Sort.HOOKS:
        (packets,) = (n for n in listed if n.sort is sort)
        assert packets.count == -(-count // 6), "six hooks in a packet"
    elif sort is Sort.SNAPS:
        (snaps,) = (n for n in listed if n.sort is sort)
        assert snaps.count == count and not any(n.sort is Sort.BUTTONS for n in listed), "snaps are no buttons"
    elif sort is Sort.BUTTONS:
        (cards,) = (n for n in listed if n.sort is sort)
        assert f": {count}, on cards" in cards.what


def test_snaps_down_the_front_and_buttons_at_the_cuffs_are_told_apart():
    sleeve = Sleeve(end=SleeveEnd.CUFF, placket=SleevePlacket.CONTINUOUS)
    _, _, listed = made(described(OpeningKind.SNAPS, 7, sleeve=sleeve))
    counts = {n.sort: n for n in listed if n.sort in (Sort.BUTTONS, Sort.SNAPS)}
    assert counts[Sort.SNAPS].count == 7 and ": 2, on cards" in counts[Sort.BUTTONS].what


@pytest.mark.parametrize("kind", [OpeningKind.HOOK_AND_EYE, OpeningKind.TIES])
def test_where_no_number_is_said_one_at_the_top_is_assumed_and_told(kind):
    composed = compose(described(kind, None))
    assert composed.assumed["features.opening.count"] == "one at the top of the edge"
    assert marked(composed.pattern, KINDS[kind][0]) == 0


@given(count=st.integers(2, 6), length=st.floats(100.0, 200.0))
@settings(deadline=None, max_examples=15)
def test_hooks_below_a_neck_stand_evenly_down_the_part_that_is_left_open(count, length):
    back = described(OpeningKind.HOOK_AND_EYE, count, where=Where.BACK, centre=Centre.SEAM, length=length)
    pattern, steps, _ = made(back)
    at = places(pattern, PointKind.HOOK)
    gaps = [b - a for a, b in pairwise(at)]
    assert len(at) == count and max(gaps) - min(gaps) < 0.01
    top = min(s.start[0] for s in pattern.piece("back").shapes[SIZE].edges["centre"])
    assert at[0] - top == pytest.approx(10.0) and at[-1] - top == pytest.approx(length - 10.0)
    assert any(f"{count} of them, at the marks" in line for step in steps for line in step.how)


def test_a_zip_that_runs_to_the_end_of_its_seam_is_bought_as_long_as_the_seam():
    back = Side(Centre.SEAM)
    opening = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 590.0)
    features = Features(back=back, front=Side(shaping=(Shaping.WAIST_DART,)), opening=opening)
    composed = compose(Description(name="Z", garment=GarmentKind.WAISTCOAT, features=features))
    pattern = composed.pattern
    closure = next(c for c in pattern.making.closures if c.id == "opening")
    assert closure.to_mark is None and "end of its seam" in composed.assumed["features.opening.length"]
    (found,) = (n for n in notions(pattern, "A", SIZE, None, overlocker=False) if n.sort is Sort.INVISIBLE_ZIP)
    seam = sum(s.length() for s in pattern.piece("back").shapes[SIZE].edges["centre"])
    # 25 mm longer for an invisible one, less what is free at its top, up to the next length a shop has.
    assert seam + 25.0 - 8.0 - 1.0 <= found.working.value <= seam + 25.0 + 76.2


@pytest.mark.parametrize("kind", [OpeningKind.BUTTONS, OpeningKind.SNAPS])
@pytest.mark.parametrize(
    "more", [{"neck": Neck(NeckShape.STRAPLESS)}, {"straps": Straps()}], ids=["strapless", "straps"]
)
def test_a_top_without_shoulders_buttons_from_its_upper_edge_down(kind, more):
    """A strapless one could not be composed: its fullest bust was looked for below a neck that it has not."""
    pattern = compose(described(kind, 6, **more)).pattern
    front = pattern.piece("front")
    at = sorted(q.at[SIZE][0] for q in front.points if q.kind is KINDS[kind][0])
    edge = front.shapes[SIZE].edges["opening"]
    top, end = sorted((edge[0].start[0], edge[-1].end[0]))
    assert len(at) == 6 and top < at[0] < top + 40.0 and at[-1] < end
