"""How far fronts lap for their buttons, and how large these are as an envelope prints them.

A front laps as far as a button is wide, so that half of one lies inside the edge and as much again: common practice,
no source. Forty lignes are an inch, from memory.
"""

import math
from dataclasses import replace

import pytest

from rowanseed.core.base.units import INCH
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.notion_text import read_notion
from rowanseed.core.compose.vocabulary import GarmentKind
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.holes import holes_of_piece
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.pieces import PointKind
from rowanseed.core.pattern.printed_buttons import button_size

from .everyday import EVERYDAY

BUTTONED = ("camp shirt", "coat dress", "shirt dress", "blazer")


@pytest.mark.parametrize(
    ("line", "mm"),
    [
        ("5 buttons, 15 mm", 15.0),
        ("7 buttons, 1.5 cm", 15.0),
        ("10 buttons 1,8 cm", 18.0),
        ("6 buttons 3/4 in", 0.75 * INCH),
        ("Four 3/4-inch buttons", 0.75 * INCH),
        ("3 buttons 1 1/8 in", 1.125 * INCH),
        ("5 buttons, ½ in", 0.5 * INCH),
        ('Buttons: six 5/8"', 0.625 * INCH),
        ("5 buttons 24 L", 24 * INCH / 40),
        ("3 buttons", None),
        ("2 cards of buttons, 400 mm", None),
        ("invisible zip, 56 cm", None),
    ],
)
def test_the_size_of_buttons_is_read_in_the_unit_it_is_printed_in(line, mm):
    """A centimetre and a half was taken for a millimetre and a half, and the hole told to be 4.5 mm long."""
    assert button_size([read_notion(line)]) == (None if mm is None else pytest.approx(mm))


def test_the_hole_is_told_for_the_button_that_is_printed():
    described = replace(EVERYDAY["camp shirt"], notions=("5 buttons, 1.5 cm",))
    pattern = compose(described).pattern
    size = pattern.envelope.sizes[0]
    made = compile_garment(pattern, "A", size, MakingChoices())
    told = " ".join(line for op in made.operations for line in op.how if "Length of a hole" in line)
    assert "1.5 cm across and about 0.3 cm thick make 1.8 cm" in told


def test_of_two_sizes_the_larger_buttons_close_the_front_and_the_smaller_ones_the_cuffs():
    """The first that was printed was taken for all of them."""
    described = replace(EVERYDAY["dress shirt"], notions=("4 buttons, 1 cm", "7 buttons, 1.5 cm"))
    pattern = compose(described).pattern
    size = pattern.envelope.sizes[0]
    holes = {
        op.id: op.how[0]
        for op in compile_garment(pattern, "A", size, MakingChoices()).operations
        if op.id.startswith("buttonholes-")
    }
    assert "1.5 cm across" in holes["buttonholes-opening"]
    assert "1 cm across" in holes["buttonholes-cuff-buttons"]
    bench = workbench(pattern, "A", size, MakingChoices())
    long = {id: math.dist(*hole.ends) for id in ("cuff", "stand") for hole in holes_of_piece(bench, pattern.piece(id))}
    assert long == {"cuff": pytest.approx(13.0), "stand": pytest.approx(18.0)}


def laps(description):
    """How far the buttons of a front stand from its edge, in every size."""
    pattern = compose(description).pattern
    front = pattern.piece("front")
    holes = [p for p in front.points if p.kind in (PointKind.BUTTONHOLE, PointKind.BUTTON)]
    assert holes
    for size in pattern.envelope.sizes:
        edge = min(q.start[1] for q in front.shapes[size].edges["opening"])
        yield from (p.at[size][1] - edge for p in holes)
    assert workbench(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).button_size() is not None


@pytest.mark.parametrize("name", [name for name in BUTTONED if name in EVERYDAY])
@pytest.mark.parametrize("mm", [12, 22, 34])
def test_a_front_laps_as_far_as_its_buttons_are_wide(name, mm):
    """Fronts of coats lapped by 15 mm whatever was printed: half of a large button stood over the edge."""
    described = EVERYDAY[name]
    assert min(laps(replace(described, notions=(f"5 buttons, {mm} mm",)))) >= mm - 0.1


def test_a_coat_laps_further_than_a_jacket_and_a_jacket_than_a_shirt():
    described = replace(EVERYDAY["camp shirt"], notions=("5 buttons, 12 mm",))
    found = [
        min(laps(replace(described, garment=kind))) for kind in (GarmentKind.COAT, GarmentKind.JACKET, GarmentKind.TOP)
    ]
    assert found == sorted(found, reverse=True) and len(set(found)) == 3
