"""The page of printing: what is chosen is what is printed, and what cannot be is said."""

import re
from io import BytesIO

import pdfplumber
import pytest


def sheets_of(page):
    return int(re.search(r"(\d+) sheets? of", page).group(1))


@pytest.mark.parametrize("paper,name", [("a4", "A4"), ("letter", "Letter"), ("a0", "A0")])
def test_the_file_has_as_many_sheets_as_the_page_says(house, paper, name):
    page = house.get(f"/projects/4/print?paper={paper}").text
    assert f"of {name}" in page
    answer = house.get(f"/projects/4/print/pieces.pdf?paper={paper}")
    assert answer.headers["content-type"] == "application/pdf"
    with pdfplumber.open(BytesIO(answer.content)) as pdf:
        assert len(pdf.pages) == sheets_of(page) + (paper != "a0")


def test_only_the_pieces_and_sizes_that_were_chosen_are_printed(house):
    whole = house.get("/projects/4/print").text
    some = house.get("/projects/4/print?piece=back&size=12&size=16&seam=no").text
    assert sheets_of(some) < sheets_of(whole)
    assert "size 12, 16" in some and "1 piece at full size" in some
    drawn = house.get("/projects/4/print/pieces.svg?piece=back&size=12&size=16&seam=no").text
    assert 'class="cut size-12"' in drawn and 'class="cut size-16"' in drawn and 'class="seam' not in drawn
    assert drawn.count("<g ") == 1


def test_what_is_worked_out_for_one_size_is_printed_in_that_and_it_is_said(house):
    """The linen skirt's lining is derived from its pieces in the size that is sewn."""
    asked = "piece=front&piece=front-lining&size=12&size=16"
    page = house.get(f"/projects/3/print?{asked}").text
    assert "Worked out in size 14 alone, and printed in no other size: “Centre front gore lining”." in page
    drawn = house.get(f"/projects/3/print/pieces.svg?{asked}").text
    assert {size: drawn.count(f'class="cut size-{size}"') for size in ("12", "14", "16")} == {"12": 1, "14": 1, "16": 1}
    for kind in ("pdf", "dxf"):
        assert house.get(f"/projects/3/print/pieces.{kind}?{asked}").status_code == 200
    assert "Worked out" not in house.get("/projects/3/print").text


def test_the_layout_on_a_page_is_to_the_scale_it_names_and_its_words_stand_on_it(house):
    house.get("/projects/1/lay/worked-out")
    with pdfplumber.open(BytesIO(house.get("/projects/1/print/lay.pdf").content)) as pdf:
        (page,) = pdf.pages
        text = page.extract_text()
        scale = float(re.search(r"scale 1 : (\d+)", text).group(1))
        bar = next(c for c in page.curves if len(c["pts"]) == 6)
        long = (max(x for x, _ in bar["pts"]) - min(x for x, _ in bar["pts"])) * 25.4 / 72
        assert long * scale == pytest.approx({"5": 500, "2": 200, "1": 100}[re.search(r"(\d)0 cm on", text).group(1)])
        for c in page.chars:
            assert c["x0"] >= 0 and c["x1"] <= page.width and c["top"] >= 0 and c["bottom"] <= page.height
    for name in ("Side back gore", "Front waist facing", "fold, nearest you"):
        assert name in text


def test_without_a_size_and_for_what_is_not_there_a_plain_word_is_said(house):
    assert house.get("/projects/4/print/pieces.ps").status_code == 404
    assert house.get("/projects/4/print?paper=papyrus&piece=none&size=99").status_code == 200
    page = house.get("/projects/7/print").text
    assert "approximate" in page


def test_an_approximate_piece_says_so_on_the_paper_too(house):
    with pdfplumber.open(BytesIO(house.get("/projects/7/print/pieces.pdf?paper=a0").content)) as pdf:
        assert "approximate: measure before you cut" in pdf.pages[0].extract_text()
