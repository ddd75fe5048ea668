"""Double-ended darts are told and drawn by their dots, in the size that is sewn."""

import re

import pytest

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.pattern.double_darts import double_darts_of
from rowanseed.core.printing.lines import LineType, print_piece, upright
from rowanseed.drawings.steps.laid import draw_laid

from .everyday import everyday

SHIFT = everyday("shift")


@pytest.mark.parametrize("size", SHIFT.envelope.sizes)
def test_the_step_says_what_the_dots_of_the_size_take_in(size):
    (dart,) = double_darts_of(SHIFT.piece("back"), size)
    op = next(op for op in compile_garment(SHIFT, "A", size, MakingChoices()).operations if "darts-back" in op.id)
    told = re.search(r"each takes in ([\d.]+) cm", " ".join(op.how))
    assert told is not None and 10 * float(told[1]) == pytest.approx(dart.takes, abs=0.6)


def test_it_is_drawn_on_the_piece_that_is_printed_and_on_the_one_that_is_sewn():
    size = SHIFT.envelope.sizes[1]
    piece = SHIFT.piece("back")
    (dart,) = double_darts_of(piece, size)
    taken = [
        line.points
        for line in print_piece(piece, [size], piece.cuts, seam_line=True).lines
        if line.type is LineType.TAKEN
    ]
    assert tuple(upright(p) for p in dart.ring) in taken
    op = next(op for op in compile_garment(SHIFT, "A", size, MakingChoices()).operations if "darts-back" in op.id)
    found = draw_laid(SHIFT, "A", size, op, "#6b3d5b", "#d9cbd3")
    rings = [d for d in re.findall(r'<path d="([^"]+)"[^>]*stroke-dasharray', found.svg) if d.count("L") == 4]
    assert len(rings) == 1, "the dart and nothing else is worked"
