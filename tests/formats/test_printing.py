"""Pieces at full size, read back by libraries that share nothing with what wrote them."""

from io import BytesIO, StringIO

import ezdxf
import pdfplumber
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon
from shapely.geometry import MultiLineString as Lines
from svgelements import SVG, Path

from rowanseed.core.geometry.outline import line_chain
from rowanseed.core.pattern.pieces import Cut, Drawn, EdgeSpec, MarkKind, Piece, Role, Shape
from rowanseed.core.pattern.seamline import mark_point
from rowanseed.core.printing.lines import LineType, print_piece
from rowanseed.core.printing.tiles import MARGIN, OVERLAP, Paper, lay_on_sheets
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.formats.print_dxf import write_dxf
from rowanseed.formats.print_pdf import WIDTHS, write_sheets
from rowanseed.formats.print_svg import write_full_size

MM = 72 / 25.4
NEAR = 0.1
DRAFTS = [overshirt, six_gore_skirt, trousers, waistcoat]


def printed(draft, paper, sizes=None):
    pattern = draft.draft()
    sizes = sizes or (pattern.envelope.sizes[2],)
    return lay_on_sheets([print_piece(p, sizes, p.cuts, seam_line=True) for p in pattern.pieces], paper)


def read(document):
    """The pages of a PDF: size, runs of points with their width, letters with their boxes; all in mm from the top."""
    out = []
    with pdfplumber.open(BytesIO(document)) as pdf:
        for page in pdf.pages:
            runs = [
                ([(x / MM, y / MM) for x, y in one["pts"]], one["linewidth"] / MM)
                for one in (*page.lines, *page.curves)
                if one["stroke"]
            ]
            # A rectangle is given by its corners: the last side closes it.
            for one in page.rects:
                corners = [(x / MM, y / MM) for x, y in one["pts"]]
                runs += [([*corners, corners[0]], one["linewidth"] / MM)] if one["stroke"] else []
            letters = [(c["x0"] / MM, c["top"] / MM, c["x1"] / MM, c["bottom"] / MM) for c in page.chars]
            out.append((page.width / MM, page.height / MM, runs, letters, page.extract_text()))
    return out


def ring_at(placed, line):
    left, top = placed.by
    return LineString([(x + left, y + top) for x, y in line.points])


@pytest.mark.parametrize("draft", DRAFTS)
@pytest.mark.parametrize("paper", list(Paper))
def test_every_line_stands_on_the_sheets_within_a_tenth_of_a_millimetre(draft, paper):
    sheets = printed(draft, paper)
    pages = read(write_sheets(sheets, "Test"))
    pages = pages[len(pages) - len(sheets.tiles) :]
    together = {}
    for tile, (_, _, runs, _, _) in zip(sheets.tiles, pages, strict=True):
        left, top = sheets.origin(tile)
        for run, width in runs:
            points = [(x - MARGIN + left, y - MARGIN + top) for x, y in run]
            together.setdefault(round(width, 2), []).append(points)
    for placed in sheets.placed:
        for line in placed.piece.lines:
            drawn = Lines(together[WIDTHS[line.type]]).buffer(NEAR)
            missing = ring_at(placed, line).difference(drawn)
            assert missing.length < 0.01, (placed.piece.name, line.type, missing.length)
    # And no cutting line or notch stands there that is none.
    true = [ring_at(p, line) for p in sheets.placed for line in p.piece.lines if WIDTHS[line.type] == 0.5]
    room = Lines(true).buffer(NEAR)
    assert all(room.covers(LineString(run)) for run in together[WIDTHS[LineType.CUT]])


@pytest.mark.parametrize("paper", list(Paper))
def test_nothing_is_printed_where_printers_print_nothing(paper):
    sheets = printed(overshirt, paper)
    for wide, tall, runs, letters, _ in read(write_sheets(sheets, "A long name for a garment, and one more word")):
        assert (wide, tall) == pytest.approx(paper.size, abs=0.05)
        for x0, y0, x1, y1 in [*letters, *((x, y, x, y) for run, _ in runs for x, y in run)]:
            assert x0 >= MARGIN - 0.2 and y0 >= MARGIN - 0.2
            assert x1 <= wide - MARGIN + 0.2 and y1 <= tall - MARGIN + 0.2


@pytest.mark.parametrize("paper", list(Paper))
def test_the_test_squares_measure_what_they_say(paper):
    """An inch is 25.4 mm exactly (international yard and pound agreement of 1959)."""
    runs = read(write_sheets(printed(six_gore_skirt, paper), "Test"))[0][2]
    sides = set()
    for run, _ in runs:
        xs, ys = [x for x, _ in run], [y for _, y in run]
        if max(xs) - min(xs) == pytest.approx(max(ys) - min(ys), abs=0.01):
            sides.add(round(max(xs) - min(xs), 1))
    assert {50.0, 50.8} <= sides


def test_a_long_title_and_letters_of_other_languages_are_printed():
    pages = read(write_sheets(printed(six_gore_skirt, Paper.A4), "Spódnica dla Łucji, größe 40"))
    assert "Spódnica dla Łucji, größe 40" in pages[0][4]


@st.composite
def rectangles(draw):
    made = []
    for k in range(draw(st.integers(1, 7))):
        long, wide = draw(st.integers(20, 1500)), draw(st.integers(20, 1200))
        corners = [(0.0, 0.0), (float(long), 0.0), (float(long), float(wide)), (0.0, float(wide))]
        edges = {str(n): line_chain(corners[n], corners[(n + 1) % 4]) for n in range(4)}
        shape = Shape(edges, ((10.0, wide / 2), (long - 10.0, wide / 2)))
        specs = tuple(EdgeSpec(name, 10.0) for name in edges)
        made.append(Piece(f"p{k}", f"Piece {k}", k + 1, Drawn.CUTTING, specs, {"M": shape}, (Cut(Role.MAIN, 2),)))
    return made


@settings(max_examples=20)
@given(rectangles(), st.sampled_from([Paper.A4, Paper.LETTER]))
def test_pieces_lie_clear_of_each_other_on_sheets_whose_edges_meet_in_pairs(pieces, paper):
    sheets = lay_on_sheets([print_piece(p, ["M"], p.cuts, seam_line=False) for p in pieces], paper)
    outlines = [placed.outline for placed in sheets.placed]
    assert len(outlines) == len(pieces)
    for k, one in enumerate(outlines):
        assert all(one.distance(other) > 1 for other in outlines[k + 1 :])
    windows = [Polygon.from_bounds(*sheets.window(tile)) for tile in sheets.tiles]
    for one in outlines:
        left = one
        for window in windows:
            left = left.difference(window)
        assert left.area < 1e-6, "something stands on no sheet"
    sides = {}
    for tile in sheets.tiles:
        for side, number in tile.edges:
            sides.setdefault(number, []).append((side, tile.row, tile.column))
    for meeting in sides.values():
        assert sorted(side for side, _, _ in meeting) in (["left", "right"], ["bottom", "top"])
        (_, row, column), (_, other_row, other_column) = meeting
        assert abs(row - other_row) + abs(column - other_column) == 1
    assert OVERLAP > 0 and len({tile.name for tile in sheets.tiles}) == len(sheets.tiles)


@pytest.mark.parametrize("draft", DRAFTS)
def test_a_dxf_has_each_boundary_in_millimetres_on_its_layer(draft):
    """Read back by ezdxf's own reader, areas by Shapely."""
    sheets = printed(draft, Paper.A0)
    document = ezdxf.read(StringIO(write_dxf(sheets, "Test")))
    assert not document.audit().errors
    placed = {insert.dxf.name: insert for insert in document.modelspace().query("INSERT")}
    assert len(placed) == len(sheets.placed)
    for k, one in enumerate(sheets.placed, start=1):
        block = document.blocks[f"PIECE-{k}"]
        (boundary,) = block.query('POLYLINE[layer=="1"]')
        ring = Polygon([(v.dxf.location.x, v.dxf.location.y) for v in boundary.vertices])
        assert ring.area == pytest.approx(one.piece.outline.area, rel=1e-6)
        # y goes up in a DXF: the piece is not mirrored, and lies where it lies on the paper.
        assert ring.exterior.is_ccw != one.piece.outline.exterior.is_ccw
        assert len(block.query('LINE[layer=="7"]')) == 1
        words = [text.dxf.text for text in block.query("TEXT")]
        assert f"PIECE NAME: {one.piece.name}" in words
        seams = [line for line in one.piece.lines if line.type is LineType.SEAM]
        assert len(block.query('*[layer=="14"]')) == len(seams)


def test_an_svg_is_as_large_as_the_cloth_it_is_cut_from():
    sheets = printed(trousers, Paper.A0)
    drawn = SVG.parse(StringIO(write_full_size(sheets, "Test")), ppi=25.4)
    assert drawn.width == pytest.approx(max(p.piece.box[2] + p.by[0] for p in sheets.placed), abs=0.01)
    for one in sheets.placed:
        group = drawn.get_element_by_id(one.piece.id)
        cuts = [path for path in group.select(lambda e: isinstance(e, Path)) if "cut " in path.values["class"]]
        for path, ring in zip(cuts, one.piece.rings, strict=True):
            left, top, right, bottom = path.bbox()
            assert (right - left, bottom - top) == pytest.approx(
                (max(x for x, _ in ring) - min(x for x, _ in ring), max(y for _, y in ring) - min(y for _, y in ring)),
                abs=0.01,
            )


def test_several_sizes_lie_over_each_other_each_with_a_line_of_its_own():
    pattern = overshirt.draft()
    sizes = pattern.envelope.sizes[1:4]
    sheets = printed(overshirt, Paper.A4, sizes)
    for placed in sheets.placed:
        rings = placed.piece.rings
        assert len(rings) == 3
    front = next(p.piece for p in sheets.placed if p.piece.id == "front")
    areas = [Polygon(ring).area for ring in front.rings]
    assert areas == sorted(areas)


def test_where_a_zip_or_gathers_end_is_printed_too():
    """What is marked on the stitching line and is no notch is a mark as one inside the piece is."""
    for draft in DRAFTS:
        pattern = draft.draft()
        size = pattern.envelope.sizes[2]
        for piece in pattern.pieces:
            ends = [m for m in piece.marks if m.kind in (MarkKind.ZIP_END, MarkKind.GATHER_END, MarkKind.DOT)]
            dots = print_piece(piece, [size], piece.cuts, seam_line=True).dots
            for mark in ends:
                x, y = mark_point(piece, size, mark)
                assert (y, x) in dots, (piece.name, mark.id)
    assert any(m.kind is MarkKind.ZIP_END for d in DRAFTS for p in d.draft().pieces for m in p.marks)
