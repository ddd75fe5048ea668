"""What an envelope and its booklet print, read as it is printed."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.base.units import INCH, Units
from rowanseed.core.compose.as_printed import Printed, PrintedView
from rowanseed.core.compose.chart import ChartError, read_chart
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Neck, Opening, Side, Sleeve
from rowanseed.core.compose.envelope_text import EnvelopeError, read_views, read_yardage, written_views, written_yardage
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.notion_text import is_cloth, notion_lines, read_notion
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, NeckFinish, OpeningKind, Where
from rowanseed.core.make.booklet_text import match_steps, read_steps
from rowanseed.core.pattern.pieces import Role

DRESS = compose(
    Description(
        name="Dress",
        garment=GarmentKind.DRESS,
        features=Features(
            back=Side(Centre.SEAM),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 400.0),
            neck=Neck(finish=NeckFinish.FACING),
            sleeve=Sleeve(),
        ),
    )
).pattern


@pytest.mark.parametrize(
    ("line", "count", "what", "size"),
    [
        ("5 buttons, 15 mm", 5, "buttons", "15 mm"),
        ("invisible zip, 56 cm", 1, "invisible zip", "56 cm"),
        ("one hook and eye", 1, "hook and eye", ""),
        ("Zipper 22 in", 1, "Zipper", "22 in"),
        ("2 packets of bias binding", 2, "bias binding", "by the packet"),
        ("22 in. invisible zipper", 1, "invisible zipper", "22 in"),
        ("1/2 yd of 1/4 in. elastic", 1, "elastic", "1/2 yd, 1/4 in"),
        ("one pkg of ½” wide double fold bias tape", 1, "double fold bias tape", "½”, by the packet"),
        ("Six ½ in. (13 mm) buttons", 6, "buttons", "½ in, 13 mm"),
        ('zipper: 7" (18 cm)', 1, "zipper", '7", 18 cm'),
        ("10 buttons Ø 11 mm", 10, "buttons", "11 mm"),
        ("eyelets 12", 12, "eyelets", ""),
        ("pair of shoulder pads", 1, "shoulder pads", ""),
        ('Three 5/8" buttons', 3, "buttons", '5/8"'),
    ],
)
def test_a_notion_is_read_into_how_many_what_and_which_size(line, count, what, size):
    read = read_notion(line)
    assert (read.count, read.what, read.detail) == (count, what, size)


@pytest.mark.parametrize(
    "line",
    [
        "interfacing 0.30 m",
        "1.50 m of lining",
        "light fusible interfacing, 1/2 yd",
        "Interfacing 0.60 m x 90 cm",
        '7/8 yd. of 22" lightweight fusible interfacing',
    ],
)
def test_cloth_among_the_notions_is_cloth(line):
    assert is_cloth(line)


@pytest.mark.parametrize("line", ["5 buttons, 15 mm", "invisible zip, 56 cm", "elastic 1 m", "hem tape 2 m", "lining"])
def test_a_thing_to_buy_is_not_taken_for_cloth(line):
    assert not is_cloth(line)


def test_yardage_is_read_by_width_role_and_nap():
    rows = read_yardage("size 10 12\n115 cm 2.40 2.50 m with nap\nlining 140 cm 1.10 m", ("10", "12"), "cm")
    assert [(r.role, r.width, r.length, r.size, r.one_way) for r in rows] == [
        ("main", 1150, 2400, "10", True),
        ("main", 1150, 2500, "12", True),
        ("lining", 1400, 1100, "10", False),
        ("lining", 1400, 1100, "12", False),
    ]
    (inches,) = read_yardage("45 in 2 1/2", ("12",), "in")
    assert inches.width == pytest.approx(45 * INCH) and inches.length == pytest.approx(2.5 * 914.4)


@pytest.mark.parametrize(
    ("text", "said"),
    [("115 cm 2.40 m 2.50", "2 figures"), ("nothing here", "begins with a width"), ("9 cm 2 m", "not 9 cm wide")],
)
def test_yardage_that_cannot_be_read_says_which_line_and_why(text, said):
    with pytest.raises(EnvelopeError, match=said):
        read_yardage(text, ("8", "10", "12"), "cm")


@pytest.mark.parametrize(
    ("line", "view"),
    [
        ("A", ("A", "", 0.0)),
        ("View B: with a tie, 20 cm longer", ("B", "with a tie", 200.0)),
        ("c) shorter by 4 in", ("C", "", -101.6)),
        ("D - knee length, 12.5 shorter, no pockets", ("D", "knee length, no pockets", -125.0)),
        ("view 2, 1/2 in longer", ("2", "", 12.7)),
    ],
)
def test_a_view_is_read_with_its_letter_and_how_much_longer_it_is(line, view):
    (found,) = read_views(line, "cm")
    assert (found.id, found.name) == view[:2] and found.below == pytest.approx(view[2])


@pytest.mark.parametrize(
    ("text", "said"),
    [("A\nB, longer", "how much longer"), ("A\na", "View A is there twice"), ("the long one", "begin with the view")],
)
def test_views_that_cannot_be_read_say_which_line_and_why(text, said):
    with pytest.raises(EnvelopeError, match=said):
        read_views(text, "cm")


@given(
    st.dictionaries(
        st.sampled_from("ABCDE"),
        st.tuples(st.sampled_from(["", "with a tie", "short, sleeveless"]), st.integers(-300, 300)),
        min_size=1,
    )
)
def test_views_that_are_written_read_back(views):
    printed = tuple(PrintedView(id, name, below * 1.0) for id, (name, below) in views.items())
    assert read_views(written_views(printed, Units.METRIC), "cm") == printed


@pytest.mark.parametrize(
    ("text", "rows"),
    [
        ('View A & B\n45" 2', [("A", 1143, 1828.8), ("B", 1143, 1828.8)]),
        ("A, B 115 cm 2.10\nC 115 cm 2.40", [("A", 1150, 2100), ("B", 1150, 2100), ("C", 1150, 2400)]),
        ("Dress A\n115 cm 2.10 m", [("A", 1150, 2100)]),
        ('115cm (45") 2.10', [("", 1150, 2100)]),
        ("1.15 m wide 2.10", [("", 1150, 2100)]),
        ('44/45" 2', [("", 1117.6, 1828.8)]),
    ],
)
def test_widths_and_views_are_read_as_envelopes_print_them(text, rows):
    read = read_yardage(text, ("10",), "in" if '"' in text and "cm" not in text else "cm")
    assert [(row.view, round(row.width, 1), round(row.length, 1)) for row in read] == rows


def test_yardage_with_or_without_nap_does_for_a_cloth_with_one():
    (row,) = read_yardage("150 cm with or without nap 1.80", ("10",), "cm")
    (plain,) = read_yardage("150 cm without nap 1.80", ("10",), "cm")
    assert row.one_way and not plain.one_way


@pytest.mark.parametrize(
    ("text", "lines"),
    [
        (
            "NOTIONS: Thread, 14” zipper, hook and eye, ½ yd. of ¼” elastic.",
            ["Thread", "14” zipper", "hook and eye", "½ yd. of ¼” elastic"],
        ),
        ('Thread, three 5/8" buttons, zip, 20 cm', ["Thread", 'three 5/8" buttons', "zip, 20 cm"]),
        ("invisible zip, 56 cm\nThread", ["invisible zip, 56 cm", "Thread"]),
        ("2,5 m of tape", ["2,5 m of tape"]),
    ],
)
def test_a_paragraph_of_notions_is_taken_apart_and_a_size_stays_with_its_thing(text, lines):
    assert notion_lines(text) == lines


def test_yardage_printed_for_a_view_is_that_views():
    rows = read_yardage("115 cm 2.40 m\nview B\n115 cm 2.80 m\nlining 140 cm 1 m", ("10",), "cm")
    known = [("", "main", 2400), ("B", "main", 2800), ("B", "lining", 1000)]
    assert [(r.view, r.role, r.length) for r in rows] == known
    again = read_yardage(written_yardage(rows, Units.METRIC), ("10",), "cm")
    assert sorted(again, key=str) == sorted(rows, key=str)


@given(
    st.lists(
        st.tuples(st.sampled_from(["main", "lining"]), st.integers(60, 160), st.booleans(), st.integers(40, 400)),
        min_size=1,
        max_size=3,
        unique_by=lambda row: row[:3],
    )
)
def test_yardage_that_is_written_reads_back(rows):
    printed = [
        Printed(role, wide * 10.0, long * 10.0 + k, s, nap)
        for role, wide, nap, long in rows
        for k, s in enumerate(("10", "12"))
    ]
    again = read_yardage(written_yardage(printed, Units.METRIC), ("10", "12"), "cm")
    assert sorted(again, key=str) == sorted(printed, key=str)


def test_in_inches_everything_is_written_in_fractions_and_reads_back_to_the_eighth():
    """As envelopes print it: widths to the inch or a part of one, lengths to the eighth of a yard."""
    rows = [Printed("main", 1150.0, 2700.0 + 60 * k, s, nap) for nap in (False, True) for k, s in enumerate("AB")]
    text = written_yardage(rows, Units.IMPERIAL)
    assert "45 1/4 in 3, 3 yd" in text and "." not in text
    for row, again in zip(rows, read_yardage(text, ("A", "B"), "in"), strict=True):
        assert (again.size, again.one_way) == (row.size, row.one_way)
        assert again.width == pytest.approx(row.width, abs=INCH / 16)
        assert again.length == pytest.approx(row.length, abs=36 * INCH / 16)
    assert (
        written_views((PrintedView("B", "with a tie", -100.0),), Units.IMPERIAL) == "B: with a tie, 3 15/16 in shorter"
    )


def test_a_list_of_pieces_is_read_with_its_cuts():
    front, back = read_pieces(["1 Front: cut 1 on fold of fabric, cut 1 interfacing", "2. Back (cut two)"])
    assert (front.number, front.name) == ("1", "Front")
    assert [(c.count, c.fold, c.role) for c in front.cuts] == [(1, True, Role.MAIN), (1, False, Role.INTERFACING)]
    assert back.name == "Back" and back.cuts[0].count == 2 and not back.cuts[0].fold


@pytest.mark.parametrize(
    ("line", "number", "name", "cuts"),
    [
        ("A – Front bodice: Cut 1 on fold", "A", "Front bodice", [(1, True, Role.MAIN)]),
        (
            "3. Back yoke, cut 2 self + 1 interfacing",
            "3",
            "Back yoke",
            [(2, False, Role.MAIN), (1, False, Role.INTERFACING)],
        ),
        ("8 WAISTBAND CUT 1 FABRIC 1 FUSIBLE", "8", "WAISTBAND", [(1, False, Role.MAIN), (1, False, Role.INTERFACING)]),
        ("Front skirt x1 fold", "1", "Front skirt", [(1, True, Role.MAIN)]),
        ("6 Cuff 2x", "6", "Cuff", [(2, False, Role.MAIN)]),
        ("2 Backs: cut 1 pair", "2", "Backs", [(2, False, Role.MAIN)]),
        ("4 Sleeve Cut 2 each of fabric and lining", "4", "Sleeve", [(2, False, Role.MAIN), (2, False, Role.LINING)]),
        ("Belt carrier 5 Cut 1", "1", "Belt carrier 5", [(1, False, Role.MAIN)]),
    ],
)
def test_a_line_of_the_list_is_read_as_it_is_printed(line, number, name, cuts):
    (read,) = read_pieces([line])
    assert (read.number, read.name, [(c.count, c.fold, c.role) for c in read.cuts]) == (number, name, cuts)


def test_a_chart_that_is_printed_a_line_a_size_is_turned():
    usual = "size 10 12\nbust 32 1/2 34\nhigh bust 31 32 1/2\nwaist 25 26 1/2"
    turned = "Size, Bust, High bust, Waist\n10, 32 1/2, 31, 25\n12, 34, 32 1/2, 26 1/2"
    assert read_chart(turned, "in") == read_chart(usual, "in")
    with pytest.raises(ChartError, match="Size 12 has 1 figure for 2 measures"):
        read_chart("size bust waist\n10 83 64\n12 87", "cm")


def test_a_range_in_a_chart_is_told_from_what_is_no_length():
    assert read_chart("size 10 12\nBust - 32 1/2, 34", "in").rows["bust"]["10"] == 825.5
    with pytest.raises(ChartError, match="“83-84” is a range: give the one figure"):
        read_chart("size 10 12\nbust 83-84 87-88", "cm")
    with pytest.raises(ChartError, match="“tall” is no length"):
        read_chart("size 10 12\nbust 83 tall", "cm")


@pytest.mark.parametrize(
    ("line", "field"),
    [
        ("4 Hood: cut 2", "features.collar"),
        ("4 Back yoke: cut 2", "features.back.shaping"),
        ("4 Belt: cut 1", "features.belt"),
        ("4 Shoulder strap: cut 2", "features.straps.closed by"),
    ],
)
def test_a_piece_that_nothing_was_composed_for_leads_to_the_field_that_asks_for_it(line, field):
    lines = ["1 Front: cut 1 on fold", "2 Back: cut 2", line]
    tick = next(t for t in ticked_off(DRESS, read_pieces(lines)) if t.listed.number == "4")
    assert tick.piece is None and tick.question.endswith("?") and tick.field == field


def test_a_list_is_ticked_off_and_a_piece_too_many_or_too_few_is_a_question():
    lines = [
        "1 Front: cut 1 on fold",
        "2 Back: cut 2",
        "3 Sleeve: cut 2",
        "4 Front neck facing: cut 1 on fold",
        "5 Back neck facing: cut 2",
        "6 Collar: cut 2",
    ]
    ticks = ticked_off(DRESS, read_pieces(lines))
    assert [t.piece.id if t.piece else None for t in ticks] == [
        "front",
        "back",
        "sleeve",
        "front-neck-facing",
        "back-neck-facing",
        None,
    ]
    assert "Has it a collar?" in ticks[-1].question and ticks[-1].field == "features.collar"
    fewer = ticked_off(DRESS, read_pieces(lines[:3]))
    asked = [t for t in fewer if t.question]
    assert len(asked) == 2 and all("facing" in t.question and t.field == "features.neck.finish" for t in asked)
    on_fold = ticked_off(DRESS, read_pieces(["1 Front: cut 1 on fold", "2 Back: cut 1 on fold"]))
    assert "on the fold" in on_fold[1].question and on_fold[1].field == "features.back.centre"


def test_steps_are_numbered_as_printed_and_matched_to_what_they_sew():
    lines = [
        "1. Stitch shoulder seams.",
        "2. Stitch facing to neck edge, right sides together.",
        "3. Insert the invisible zip into the back seam.",
        "4. Stitch the side seams.",
        "5. Set in the sleeves.",
        "6. Turn up and sew the hem.",
        "7. Sing a song.",
    ]
    assert [n for n, _ in read_steps(lines)] == list("1234567")
    found = {one.number: set(one.about) for one in match_steps(DRESS, lines)}
    assert "shoulders" in found["1"] and "neck-facing" in found["2"] and "opening" in found["3"]
    assert "sides" in found["4"] and "armholes" in found["5"] and "hem" in found["6"] and not found["7"]
    every = [id for ids in found.values() for id in ids]
    assert len(every) == len(set(every)), "a part belongs to one step"
