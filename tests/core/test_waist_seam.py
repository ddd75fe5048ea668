"""A seam taken in on one side of a waist seam: the other side goes along, and the tissue says how."""

import pytest

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.units import Units
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    OpeningKind,
    Placket,
    Shaping,
    SkirtKind,
    SleeveKind,
    SleeveLength,
    Waist,
    Where,
)
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import walk

PRINCESS, DART = Shaping.PRINCESS_ARMHOLE, Shaping.WAIST_DART
TURNS_OUT = 0.15
"""So near, in mm, do seams come to where they were."""


def dress(shaping, kind, *, waist=Waist.SEAM, panels=None):
    features = Features(
        front=Side(shaping=(shaping,)),
        back=Side(Centre.SEAM, (shaping,)),
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0),
        waist=waist,
        skirt=Skirt(kind, panels=panels),
    )
    pattern = compose(Description(name="Dress", garment=GarmentKind.DRESS, features=features)).pattern
    return pattern, pattern.envelope.sizes[3]


CASES = {
    "into a darted skirt": (dress, (PRINCESS, SkirtKind.STRAIGHT), {}, "princess-front", "legs of the skirt front"),
    "into a flared darted skirt": (dress, (PRINCESS, SkirtKind.A_LINE), {}, "princess-back", "legs of the skirt back"),
    "into a skirt cut as a circle": (
        dress,
        (PRINCESS, SkirtKind.HALF_CIRCLE),
        {},
        "princess-front",
        "Cut the waist of the skirt back",
    ),
    "into gores": (dress, (PRINCESS, SkirtKind.GORED), {"panels": 6}, "princess-front", "Do the same at the"),
    "of gores into darts": (dress, (DART, SkirtKind.GORED), {"panels": 6}, "skirt-gores-front", "legs of the front"),
    "of gores into a bodice without darts": (
        dress,
        (Shaping.YOKE, SkirtKind.GORED),
        {"panels": 6},
        "skirt-gores-back",
        "Move the side of the back",
    ),
    "of a side into a circle": (dress, (DART, SkirtKind.HALF_CIRCLE), {}, "sides", "Cut the waist of the skirt"),
}


@pytest.mark.parametrize("by", [20.0, -20.0, -32.0])
@pytest.mark.parametrize("level", ["waist", ""])
@pytest.mark.parametrize("case", CASES)
def test_a_waist_seam_meets_again_whatever_lies_beyond_it(case, level, by):
    make, how, more, seam, told = CASES[case]
    pattern, size = make(*how, **more)
    was = {w.join.id: w.fault for w in walk(pattern, size)}
    done = carry_out(pattern, size, [Alteration("seam", by, seam, level, "")])
    now = done.pattern
    for found in walk(now, size):
        # Sides above and below are curves of their own: a hair is eased in there, as ever.
        near = TURNS_OUT if found.join.id == "waist" else 1.5
        assert abs(found.fault - was[found.join.id]) <= near, found.join.id
    assert changes(pattern, now, size, "A")["waist"] == pytest.approx(by, abs=0.3)
    if seam == "sides" and not level:
        told = "Do the same at the skirt side seams"
    assert any(told in line for line in sheet(done.steps[0], Units.METRIC, size).steps)


@pytest.mark.parametrize("by", [20.0, -20.0])
def test_a_band_let_in_between_goes_along_and_the_skirt_below_it(by):
    pattern, size = dress(PRINCESS, SkirtKind.STRAIGHT, waist=Waist.PLAIN_BAND)
    done = carry_out(pattern, size, [Alteration("seam", by, "princess-front", "", "")])
    faults = {w.join.id: w.fault for w in walk(done.pattern, size)}
    assert abs(faults["waist"]) < TURNS_OUT and abs(faults["inset-front"]) < TURNS_OUT
    lines = sheet(done.steps[0], Units.METRIC, size).steps
    more = "1 cm longer" if by > 0 else "1 cm shorter"
    assert any(f"Redraw the inset band, front, as deep as it was: {more} along both edges" in line for line in lines)
    assert any("waist dart 1 cm" in line for line in lines)


def test_a_dart_that_has_too_little_to_give_is_let_out_as_far_as_it_goes_and_the_side_gives_the_rest():
    pattern, size = dress(PRINCESS, SkirtKind.STRAIGHT)
    skirt = pattern.piece("skirt-front")

    def intake(piece):
        one, other = (mark_distance(piece, size, piece.mark(leg)) for leg in piece.darts[0].legs)
        return abs(other - one)

    by = 2 * intake(skirt) + 12.0
    done = carry_out(pattern, size, [Alteration("seam", by, "princess-front", "waist", "")])
    assert 3.9 <= intake(done.pattern.piece("skirt-front")) < intake(skirt)
    assert abs(next(w.fault for w in walk(done.pattern, size) if w.join.id == "waist")) < TURNS_OUT
    lines = " ".join(sheet(done.steps[0], Units.METRIC, size).steps)
    assert "nearer to each other" in lines and "Move the side of the skirt front" in lines


@pytest.mark.parametrize("by", [25.0, -15.0])
def test_a_facing_that_runs_on_over_the_waist_seam_keeps_its_width_on_both_sides_of_it(by):
    """A bodice with its sleeves cut in one took its sides' change all across: its facing grew, the skirt's did not."""
    features = Features(
        front=Side(Centre.OPEN),
        opening=Opening(Where.FRONT, OpeningKind.BUTTONS, None, 8, Placket.FACING),
        sleeve=Sleeve(SleeveKind.CUT_IN_ONE, length=SleeveLength.SHORT),
        waist=Waist.SEAM,
        skirt=Skirt(SkirtKind.A_LINE),
    )
    pattern = compose(Description(name="Dress", garment=GarmentKind.DRESS, features=features)).pattern
    for size in (pattern.envelope.sizes[0], pattern.envelope.sizes[-1]):
        done = carry_out(pattern, size, [Alteration("seam", by, "skirt-sides", "waist", "")])
        found = {w.join.id: w.fault for w in walk(done.pattern, size)}
        assert abs(found["opening-waist-facing"]) < 0.1
        assert abs(found["waist"]) < TURNS_OUT
        assert changes(pattern, done.pattern, size, "A")["waist"] == pytest.approx(by, abs=0.3)


def test_each_piece_says_why_it_was_changed():
    pattern, size = dress(PRINCESS, SkirtKind.STRAIGHT)
    step = carry_out(pattern, size, [Alteration("seam", -20.0, "princess-front", "waist", "")]).steps[0]
    why = {touched.piece: touched.why for touched in step.touched}
    assert why["skirt-front"] == "the waist seam sews it to what was altered"
    assert why["side-front"] == "the seam runs along it"
    assert "skirt-back" not in why and "back" not in why
