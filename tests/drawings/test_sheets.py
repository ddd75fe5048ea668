"""The map of the printed sheets: every piece is named on it, however small it is beside the whole."""

import re

import pytest

from rowanseed.core.printing.lines import print_piece
from rowanseed.core.printing.tiles import Paper, lay_on_sheets
from rowanseed.drawings.sheets import draw_sheets

from ..core.everyday import EVERYDAY, everyday
from ..core.pieces import quadrilateral


@pytest.mark.parametrize("name", list(EVERYDAY))
def test_every_piece_is_named_on_the_map_of_the_sheets(name):
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    pieces = [print_piece(p, [size], p.cuts, seam_line=False) for p in pattern.pieces]
    sheets = lay_on_sheets(pieces, Paper.A4)
    texts = re.findall(r"<text[^>]*>([^<]+)</text>", draw_sheets(sheets))
    assert [tile.name for tile in sheets.tiles if tile.name not in texts] == []
    assert [p.name for p in pieces if not {p.name, p.name.partition(" ")[0]} & set(texts)] == []


def test_a_piece_no_larger_than_a_sheets_name_is_not_hidden_by_it():
    large = quadrilateral([(0, 0), (0, 732), (692, 732), (692, 0)], (10, 10, 10, 10))
    loop = quadrilateral([(0, 0), (0, 6), (10, 6), (10, 0)], (2, 2, 2, 2), id="loop")
    printed = [print_piece(p, ["S"], p.cuts, seam_line=False) for p in (large, loop)]
    texts = re.findall(r"<text[^>]*>([^<]+)</text>", draw_sheets(lay_on_sheets(printed, Paper.A4)))
    assert {"A1", "A5", "1"} <= set(texts) | {text.partition(" ")[0] for text in texts}
    assert [text for text in texts if text in (printed[1].name, printed[1].name.partition(" ")[0])]
