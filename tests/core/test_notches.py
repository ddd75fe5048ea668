"""Notches of composed patterns: both sides of a seam carry them at one place, in every size and however it is altered.

That single ones belong to the front and double ones to the back is common practice, no source.
"""

import re
from dataclasses import replace
from itertools import product

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.base.units import Units
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.vocabulary import Waist
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.making import DifferenceKind, EdgePart
from rowanseed.core.pattern.pieces import MarkKind, Panel
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import part_length, walk

from .descriptions import whole_ones
from .everyday import EVERYDAY, everyday

KINDS = (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)
MEET = 1.0
"""So near, in mm, two notches are matched as one."""
TOLD = re.compile(r"(?<!small )\bnotch(es|ed)?\b(?! out| of the collar| curves)")
NOT_ITS_OWN = {"invisible zip", "back belt"}
"""Steps that name notches of seams beside them."""


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


@given(description=whole_ones)
@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
def test_the_notches_of_a_seam_meet_in_every_size(description):
    try:
        pattern = compose(description).pattern
    except DescriptionRefused:
        return
    for size in (pattern.envelope.sizes[0], pattern.envelope.sizes[-1]):
        for seam in walk(pattern, size):
            assert all(pair.apart <= MEET for pair in seam.notches), (size, seam.join.id)
    for piece in pattern.pieces:
        for mark in (one for one in piece.marks if one.kind in KINDS):
            for size in pattern.envelope.sizes:
                long = chain_length(piece.shapes[size].edges[mark.edge])
                assert 0.0 < mark_distance(piece, size, mark) < long, (piece.id, mark.id)


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_sleeve_that_is_set_in_tells_its_front_from_its_back(name):
    pattern = everyday(name)
    join = next((j for j in pattern.making.joins if j.id == "armholes"), None)
    if join is None or not any(p.edge == "cap" for p in join.a):
        return
    caps = {m.kind for p in join.a for m in pattern.piece(p.piece).marks if m.edge == "cap" and m.kind in KINDS}
    assert caps == set(KINDS)
    for part in join.b:
        piece = pattern.piece(part.piece)
        own = {m.kind for m in piece.marks if m.edge == "armhole"}
        assert own <= ({MarkKind.NOTCH} if piece.panel is Panel.FRONT else {MarkKind.DOUBLE_NOTCH})


@pytest.mark.slow
@pytest.mark.parametrize("name", EVERYDAY)
def test_altered_by_two_centimetres_notches_still_meet(name):
    pattern = everyday(name)
    size = middle(pattern)
    for kind in offered(pattern, size):
        for place in kind.places_on(pattern, size):
            for by in (20.0, -20.0):
                try:
                    altered = carry_out(pattern, size, [Alteration(kind.id, by, place.at, place.level, place.school)])
                except AlterationError:
                    continue
                apart = [pair.apart for seam in walk(altered.pattern, size) for pair in seam.notches]
                assert max(apart, default=0.0) <= MEET, (kind.id, place.at, by)


@pytest.mark.parametrize("name", ["camp shirt", "coat"])
def test_a_shoulder_moved_forward_takes_the_point_of_the_cap_along(name):
    """The front of a cap is known by its notch: without one the point stayed where it was."""
    pattern = everyday(name)
    size = middle(pattern)
    altered = carry_out(pattern, size, [Alteration("forward-shoulder", 10.0)]).pattern

    def to_front(of):
        sleeve = of.piece("sleeve")
        at = {mark.id: mark_distance(sleeve, size, mark) for mark in sleeve.marks}
        return at["cap-front"] - at["shoulder"]

    assert to_front(altered) == pytest.approx(to_front(pattern) - 10.0, abs=2.5)


def test_the_tissue_sheet_says_whose_notches_are_marked_anew():
    pattern = everyday("puff-sleeved dress")
    size = middle(pattern)
    (step,) = carry_out(pattern, size, [Alteration("shoulder-width", 15.0)]).steps
    told = sheet(step, Units.METRIC, size)
    assert told.steps[-1].startswith("Walk the seams once more") and told.steps[-1].endswith(": Sleeve.")
    assert "Sleeve" not in told.pieces and not any(one.startswith("Sleeve:") for one in told.along)
    (longer,) = carry_out(pattern, size, [Alteration("length", 15.0, "skirt-length")]).steps
    assert not any("notches" in one for one in sheet(longer, Units.METRIC, size).steps)


def test_the_dot_of_an_under_sleeve_lies_as_far_from_the_front_seam_as_the_cap_was_cut():
    pattern = everyday("coat")
    for size in pattern.envelope.sizes:
        under, upper = pattern.piece("under-sleeve"), pattern.piece("sleeve")
        (dot,) = (mark for mark in under.marks if mark.id == "underarm")
        ahead = mark_distance(under, size, dot)
        (front,) = (mark for mark in upper.marks if mark.id == "cap-front")
        cap = chain_length(upper.shapes[size].edges["cap"])
        (body,) = (mark for mark in pattern.piece("front").marks if mark.id == "armhole-front")
        from_underarm = mark_distance(pattern.piece("front"), size, body)
        assert cap - mark_distance(upper, size, front) + ahead == pytest.approx(from_underarm, abs=0.2)
    steps = compile_garment(pattern, "A", middle(pattern), MakingChoices()).operations
    sewn = next(op for op in steps if op.id == "sew-armholes")
    assert "the under sleeve's dot on the side seam" in sewn.how[0]


@pytest.mark.parametrize("name", EVERYDAY)
def test_no_step_speaks_of_notches_that_its_seams_do_not_have(name):
    pattern = everyday(name)
    size = middle(pattern)
    bench = workbench(pattern, "A", size, MakingChoices())
    for op in compile_garment(pattern, "A", size, MakingChoices()).operations:
        if op.technique in NOT_ITS_OWN or not TOLD.search(" ".join(op.how)):
            continue
        joins = [bench.joins[id] for id in op.on.joins if id in bench.joins]
        parts = {(p.piece, p.edge) for j in joins for p in (*j.a, *j.b)} | {(e.piece, e.edge) for e in op.edges}
        own = {(piece, mark.edge) for piece, _ in parts for mark in bench.piece(piece).marks if mark.kind in KINDS}
        assert parts & own, (op.id, op.how)


# ---------------------------------------------------------------- bands


def between(pattern, size):
    """Of each band whether its notches stand where edges of the garment meet: how far from the nearest such place."""
    for join in pattern.making.joins:
        band = pattern.piece(join.b[0].piece)
        own = [m for m in band.marks if m.id.startswith("at-seam") and m.edge == join.b[0].edge]
        if len(join.b) == 1 and own and len(join.a) > 1:
            ratio = 1.0 if join.difference.kind is DifferenceKind.NONE else join.difference.amount
            half = [part_length(pattern, size, p) / ratio for p in join.a if p.hand in (None, "left")]
            every = product((0, 1, 2), repeat=len(half))
            sums = {sum(c * long for c, long in zip(counts, half, strict=True)) for counts in every}
            under = join.b[0].from_mark
            lap = mark_distance(band, size, band.mark(under)) if under else 0.0
            yield [min(abs(mark_distance(band, size, m) - lap - at) for at in sums) for m in own], join, own


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_band_is_notched_where_the_seams_and_centres_of_its_edge_come_to_stand(name):
    pattern = everyday(name)
    for size in (pattern.envelope.sizes[0], pattern.envelope.sizes[-1]):
        for apart, _, _ in between(pattern, size):
            assert max(apart) < 0.2


def test_the_notch_of_a_waistband_stands_over_the_side_seam():
    """From the zip at the centre back on, beyond the underlap, lies the back."""
    pattern = everyday("pencil skirt")
    for size in pattern.envelope.sizes:
        band = pattern.piece("waistband")
        long = chain_length(band.shapes[size].edges["waist"])
        at = {mark.id: mark_distance(band, size, mark) for mark in band.marks}
        back = part_length(pattern, size, EdgePart("back", "waist"))
        assert at["opening"] - at["at-seam-1"] == pytest.approx(back, abs=0.2) and at["opening"] < long
    steps = compile_garment(pattern, "A", middle(pattern), MakingChoices()).operations
    assert any("match its notches with the seams" in text for op in steps for text in op.how)


def test_taken_in_at_the_sides_the_notch_of_the_band_goes_along():
    pattern = everyday("pencil skirt")
    size = middle(pattern)
    altered = carry_out(pattern, size, [Alteration("seam", -20.0, "sides")]).pattern
    ((apart, _, (mark,)),) = between(altered, size)
    assert apart[0] < 0.2
    assert mark.distance[size] < pattern.piece("waistband").mark(mark.id).distance[size] - 2.0


def test_taken_in_at_the_sides_the_notches_of_a_band_with_its_underlap_first_go_along():
    described = EVERYDAY["A-line skirt"]
    pattern = compose(replace(described, features=replace(described.features, waist=Waist.WAISTBAND))).pattern
    size = middle(pattern)
    altered = carry_out(pattern, size, [Alteration("seam", -20.0, "sides-left")]).pattern
    for found in (pattern, altered):
        ((apart, join, own),) = between(found, size)
        assert join.b[0].from_mark == "opening" and len(own) == 3 and max(apart) < 0.3
    was, now = (p.piece("waistband").mark("at-seam-1").distance[size] for p in (pattern, altered))
    assert now < was - 2.0


@pytest.mark.parametrize("name", ["puff-sleeved dress"])
def test_a_gathered_cap_is_drawn_up_between_its_notches_to_what_the_armhole_has_there(name):
    """Below them cap and armhole are alike: gathered all along, the notches could not meet."""
    pattern = everyday(name)
    size = middle(pattern)
    op = next(
        op for op in compile_garment(pattern, "A", size, MakingChoices()).operations if op.id == "gather-armholes"
    )
    told = re.search(r"from ([\d.]+) cm to ([\d.]+) cm between the notches", " ".join(op.how))
    at = {}
    for piece in pattern.pieces:
        for mark in piece.marks:
            at[mark.id] = mark_distance(piece, size, mark)
    cap = at["cap-front"] - at["cap-back"]
    (join,) = (j for j in pattern.making.joins if j.id == "armholes")
    armhole = sum(part_length(pattern, size, p) for p in join.b) - at["armhole-front"] - at["armhole-back"]
    assert [10 * float(figure) for figure in told.groups()] == pytest.approx([cap, armhole], abs=0.6)
    assert [(edge.mark, edge.to_mark) for edge in op.edges] == [("cap-back", "cap-front")]
