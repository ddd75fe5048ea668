"""Pleats by their lines: what they take in is what their edge is longer than what it is sewn to, in every size."""

import re

import pytest

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Opening, Side, Skirt
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, Shaping, SkirtKind, Waist, Where
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.pattern.pleats import pleats_of
from rowanseed.core.printing.lines import LineType, print_piece

from .everyday import buttoned, everyday

SIDE_ZIP = Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP, length=200.0)
BUTTONED = buttoned(7)
PLEATED = [SkirtKind.KNIFE_PLEATS, SkirtKind.BOX_PLEATS]


def skirt(kind, fullness=None, opening=SIDE_ZIP, **more):
    features = Features(opening=opening, skirt=Skirt(kind, fullness=fullness), waist=Waist.WAISTBAND, **more)
    return compose(Description(name="It", garment=GarmentKind.SKIRT, features=features)).pattern


def fold(pattern, size):
    """The step that folds them."""
    steps = compile_garment(pattern, "A", size, MakingChoices()).operations
    return next(op for op in steps if op.id.startswith("pleats-"))


@pytest.mark.parametrize("kind", PLEATED)
@pytest.mark.parametrize("fullness", [1.5, 2.0, 2.7, 3.0])
@pytest.mark.parametrize("opening", [SIDE_ZIP, BUTTONED])
def test_the_cloth_is_what_it_finishes_to_and_what_the_pleats_take(kind, fullness, opening):
    """The rule of thumb that is taught: finished + 2 x depth x number for knife pleats, 4 x depth for box pleats;
    common practice, no source."""
    more = {"front": Side(Centre.OPEN)} if opening is BUTTONED else {}
    pattern = skirt(kind, fullness, opening, **more)
    (detail,) = (d for d in pattern.making.details if d.id == "pleats")
    layers = 2 if kind is SkirtKind.KNIFE_PLEATS else 4
    for size in pattern.envelope.sizes:
        for id in ("front", "back"):
            piece = pattern.piece(id)
            cloth = chain_length(piece.shapes[size].edges["waist"])
            pleats = pleats_of(piece, size)
            number = len(pleats) / (1 if kind is SkirtKind.KNIFE_PLEATS else 2)
            depth = pleats[0].takes / 2
            assert cloth == pytest.approx(cloth / fullness + layers * depth * number, abs=0.1)
            assert detail.count == 2 * sum(
                len(pleats_of(pattern.piece(of), size)) / (layers / 2) for of in ("front", "back")
            )


@pytest.mark.parametrize("kind", PLEATED)
def test_no_pleat_is_laid_over_a_seam_or_over_the_fold_of_another(kind):
    pattern = skirt(kind)
    size = pattern.envelope.sizes[0]
    for id in ("front", "back"):
        piece = pattern.piece(id)
        wide = chain_length(piece.shapes[size].edges["waist"])
        spans = sorted(sorted((q.fold[0][1], q.meeting[0][1])) for q in pleats_of(piece, size))
        flat = [y for span in spans for y in span]
        assert flat == sorted(flat) and flat[0] >= 0.0 and flat[-1] <= wide
        for pleat in pleats_of(piece, size):
            assert pleat.fold[1][0] == pytest.approx(piece.shapes[size].edges["hem"][0].start[0]), "down to the hem"


def test_the_step_says_what_a_pleat_takes_in_the_size_that_is_sewn():
    pattern = skirt(SkirtKind.KNIFE_PLEATS)
    told = {}
    for size in (pattern.envelope.sizes[0], pattern.envelope.sizes[-1]):
        told[size] = re.search(r"(?:Each|It) takes in ([\d.]+) cm", " ".join(fold(pattern, size).how))[1]
        takes = pleats_of(pattern.piece("front"), size)[0].takes
        assert float(told[size]) == pytest.approx(takes / 10, abs=0.05)
    assert len(set(told.values())) == 2


@pytest.mark.parametrize("name", ["blouse", "yoked shirt dress"])
def test_a_pleat_under_a_yoke_takes_in_what_its_edge_is_longer_than_the_yoke(name):
    """A box pleat has its other half beyond the fold."""
    pattern = everyday(name)
    (join,) = (j for j in pattern.making.joins if {p.piece for p in (*j.a, *j.b)} == {"back", "back-yoke"})
    for size in pattern.envelope.sizes:
        lengths = {p.piece: chain_length(pattern.piece(p.piece).shapes[size].edges[p.edge]) for p in (*join.a, *join.b)}
        (pleat,) = pleats_of(pattern.piece("back"), size)
        assert pleat.takes == pytest.approx(lengths["back"] - lengths["back-yoke"], abs=0.1)
        assert pleat.fold[0][1] == pytest.approx(pleat.takes / 2), "below, both folds meet at the centre"


def test_a_front_has_a_pleat_on_each_hand_under_its_yoke():
    features = Features(front=Side(Centre.OPEN, (Shaping.YOKE, Shaping.PLEAT_UNDER_YOKE)), opening=buttoned(7))
    pattern = compose(Description(name="It", garment=GarmentKind.TOP, features=features)).pattern
    size = pattern.envelope.sizes[1]
    (pleat,) = pleats_of(pattern.piece("front"), size)
    assert pleat.meeting[0][1] > pleat.fold[0][1], "laid away from the centre"
    assert fold(pattern, size).how[0].startswith("2 of them.")


def test_what_an_alteration_gives_the_pleats_to_take_in_is_told():
    pattern = skirt(SkirtKind.KNIFE_PLEATS)
    size = pattern.envelope.sizes[2]
    before = " ".join(fold(pattern, size).how)
    wider = carry_out(pattern, size, (Alteration("straight-width", 20.0, "waistband"),)).pattern
    told = " ".join(fold(wider, size).how)
    assert "Altered" not in before and "to take in over all of them than their lines do" in told
    assert " less to take in" in told and "short of its line" in told


def test_a_printed_piece_shows_which_line_is_laid_on_which():
    pattern = skirt(SkirtKind.BOX_PLEATS)
    size = pattern.envelope.sizes[2]
    piece = pattern.piece("front")
    inner = [
        line.points
        for line in print_piece(piece, [size], piece.cuts, seam_line=True).lines
        if line.type is LineType.INNER
    ]
    for pleat in pleats_of(piece, size):
        start, end = ((y, x) for x, y in pleat.arrow)
        assert (start, end) in inner
        assert any(len(run) == 3 and run[1] == end for run in inner), "the head is where the fold is laid"
