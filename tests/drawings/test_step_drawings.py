"""Every technique has its drawing: the layers in section, and the pieces as they lie, from their real edges.

Which sides lie together is common practice, no source. Areas and distances are measured with Shapely.
"""

import math
import re
from xml.etree import ElementTree

import pytest
from shapely.geometry import LineString, Point, Polygon

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Neck, Opening, Sleeve
from rowanseed.core.compose.vocabulary import GarmentKind, NeckShape, OpeningKind, SleeveKind, Where
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.operation import Act
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps.badges import badges, overlaps
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.placing import as_drawn, laid_on, opened_from
from rowanseed.drawings.steps.registry import frames, scene_of
from rowanseed.drawings.steps.scene import Sheet
from rowanseed.drawings.steps.section import draw_section

from ..core.garments import SIZE
from ..core.test_make import DRAFTS
from ..core.test_wardrobe import HOUSEHOLDS
from ..core.wardrobe import WARDROBE

SCENES = {f"{word}: {one.scene.title}": one.scene for word, found in frames().items() for one in found}
NOT_ON_PIECES = frozenset(
    (Act.SAMPLE, Act.FINISH, Act.REMOVE, Act.TRY_ON, Act.MARK, Act.TURN, Act.ATTACH, Act.TRIM, Act.TOPSTITCH)
)
"""Acts of which some are done on no piece by itself: a scrap, the whole garment, a button."""


def garments():
    for name, made in WARDROBE.items():
        yield name, made(), SIZE
    for name, (draft, size) in DRAFTS.items():
        yield name, draft, size


@pytest.mark.parametrize("scene", SCENES)
def test_numbers_of_a_section_lie_on_no_line_and_each_stands_for_something(scene):
    drawn = SCENES[scene]
    assert overlaps(drawn) == ()
    assert len(badges(drawn)) == len(drawn.names) > 0
    assert any(isinstance(part, Sheet) for part in drawn.parts)
    root = ElementTree.fromstring(draw_section(drawn, "#6b3d5b"))
    assert root.find("{*}desc").text.startswith(drawn.title)
    for name in drawn.names:
        assert name in root.find("{*}desc").text, "those who do not see it are told as much"


@pytest.mark.parametrize("scene", SCENES)
def test_sheets_of_a_section_do_not_lie_in_each_other(scene):
    """Cloth cannot pass through cloth: the middles of two sheets never cross."""
    sheets = [part for part in SCENES[scene].parts if isinstance(part, Sheet)]
    for k, one in enumerate(sheets):
        for other in sheets[k + 1 :]:
            assert not one.line.crosses(other.line), f"{one.name} × {other.name}"


@pytest.mark.parametrize("household", ["usual", "every machine", "knit"])
@pytest.mark.parametrize("name", [*WARDROBE, *DRAFTS])
def test_no_step_is_without_a_drawing(name, household):
    pattern, size = DRAFTS[name] if name in DRAFTS else (WARDROBE[name](), SIZE)
    for op in compile_garment(pattern, "A", size, HOUSEHOLDS[household]).operations:
        laid, scene = draw_laid(pattern, "A", size, op, "#6b3d5b", "#d9cbd3"), scene_of(op)
        assert scene is not None, f"{op.technique} has no section"
        assert laid is not None or op.act in NOT_ON_PIECES or not op.edges, f"{op.id} is drawn on nothing"
        if laid is not None:
            assert laid.words.endswith(".") and "{" not in laid.words and "None" not in laid.words
            ElementTree.fromstring(laid.svg)


@pytest.mark.parametrize("name", DRAFTS)
def test_joined_edges_lie_on_each_other_and_both_pieces_on_one_side_of_the_seam(name):
    """Right sides together the stitching lines end alike and the pieces overlap; opened out they do not."""
    pattern, size = DRAFTS[name]
    for join in pattern.making.joins:
        one, other = join.a[0], join.b[0]
        if len(join.a) > 1 or len(join.b) > 1 or one.piece == other.piece:
            continue
        against = runs_against(pattern, one, other)
        under = as_drawn(pattern.piece(one.piece), size)
        over = laid_on(under, (one,), pattern.piece(other.piece), (other,), against=against)
        line, upper = under.stitched((one,)), over.stitched((other,))
        upper = upper[::-1] if against else upper
        slack = abs(LineString(line).length - LineString(upper).length) + max(bent(line), bent(upper))
        assert math.dist(line[0], upper[0]) <= slack + 1 and math.dist(line[-1], upper[-1]) <= slack + 1, join.id
        assert not over.right_side_up and under.right_side_up
        a, b = Polygon(under.seam()).buffer(0), Polygon(over.seam()).buffer(0)
        smaller = min(a.area, b.area)
        assert a.intersection(b).area > 0.4 * smaller, f"{join.id} does not lie on its partner"
        flat = opened_from(under, (one,), pattern.piece(other.piece), (other,), against=against)
        apart = Polygon(flat.seam()).buffer(0)
        assert a.intersection(apart).area < 0.3 * smaller, f"{join.id} opens onto itself"
        assert Polygon(flat.seam()).area == pytest.approx(Polygon(over.seam()).area, rel=1e-6), "nothing is stretched"


def bent(line):
    """How far a line strays from the straight one between its ends."""
    chord = LineString([line[0], line[-1]])
    return max(chord.distance(Point(p)) for p in line)


def test_front_and_back_meet_at_the_same_end_of_the_shoulder():
    """Neck on neck and armhole on armhole, whichever way the two are drawn."""
    waistcoat, size = DRAFTS["waistcoat"]
    shoulder = next(j for j in waistcoat.making.joins if "shoulder" in j.id and "lining" not in j.id)
    one, other = shoulder.a[0], shoulder.b[0]
    under = as_drawn(waistcoat.piece(one.piece), size)
    against = runs_against(waistcoat, one, other)
    over = laid_on(under, (one,), waistcoat.piece(other.piece), (other,), against=against)
    necks = [LineString(lying.stitched((EdgePart(lying.piece.id, "neck"),))) for lying in (under, over)]
    holes = [LineString(lying.stitched((EdgePart(lying.piece.id, "armhole"),))) for lying in (under, over)]
    assert necks[0].distance(necks[1]) < 8 and holes[0].distance(holes[1]) < 8, "the back's ease is spread"
    assert necks[0].distance(holes[1]) > 50


def test_a_seam_says_where_it_begins_which_way_it_runs_and_what_is_matched():
    pattern, size = DRAFTS["skirt"]
    made = compile_garment(pattern, "A", size, MakingChoices())
    sew = next(op for op in made.operations if op.id == "sew-side-seams")
    laid = draw_laid(pattern, "A", size, sew, "#6b3d5b", "#d9cbd3")
    assert "right sides together" in laid.words and "Sew from the hem to the waist" in laid.words
    assert "Match the" in laid.words
    texts = re.findall(r"<text[^>]*>([^<]*)</text>", laid.svg)
    assert {"begin", "end", "wrong side"} <= set(texts)


def test_the_first_row_of_a_french_seam_lies_wrong_sides_together():
    pattern, size = DRAFTS["skirt"]
    choices = MakingChoices(techniques=(("side-seams", "french"),))
    ops = {op.id: op for op in compile_garment(pattern, "A", size, choices).operations}
    first = draw_laid(pattern, "A", size, ops["first-side-seams"], "#6b3d5b", "#d9cbd3")
    again = draw_laid(pattern, "A", size, ops["sew-side-seams"], "#6b3d5b", "#d9cbd3")
    assert "wrong sides together" in first.words and "right sides together" in again.words
    assert scene_of(ops["first-side-seams"]) != scene_of(ops["sew-side-seams"])


def test_an_edge_that_a_step_works_on_up_to_a_mark_is_drawn_up_to_it():
    pattern, size = DRAFTS["skirt"]
    zip_ = next(op for op in compile_garment(pattern, "A", size, MakingChoices()).operations if op.id == "zip-zip")
    shown = next(edge for edge in zip_.edges if edge.mark is not None)
    lying = as_drawn(pattern.piece(shown.piece), size)
    part = EdgePart(shown.piece, shown.edge, to_mark=shown.mark)
    whole = LineString(lying.stitched((EdgePart(shown.piece, shown.edge),))).length
    assert 0 < LineString(lying.stitched((part,))).length < whole


def test_a_seam_below_a_zip_is_drawn_from_its_mark_and_not_over_the_opening():
    """The concert skirt's centre back: what is drawn and said is what is sewn, shorter by the zip."""
    pattern, size = DRAFTS["skirt"] if "skirt" in DRAFTS else next(iter(DRAFTS.values()))
    operations = compile_garment(pattern, "A", size, HOUSEHOLDS["usual"]).operations
    op = next(op for op in operations if op.id == "sew-centre-back")
    laid = draw_laid(pattern, "A", size, op, "#6b3d5b", "#d9cbd3")
    assert "from the hem up to within a stitch of the zip" in laid.words and "waist" not in laid.words


def test_a_seam_with_a_zip_between_two_marks_is_drawn_below_it_and_above():
    features = Features(
        neck=Neck(NeckShape.SCOOP),
        sleeve=Sleeve(SleeveKind.SET_IN),
        opening=Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP, 300.0),
    )
    pattern = compose(Description(name="It", garment=GarmentKind.DRESS, features=features)).pattern
    size = pattern.envelope.sizes[2]
    ops = {op.id: op for op in compile_garment(pattern, "A", size, MakingChoices()).operations}
    laid = draw_laid(pattern, "A", size, ops["sew-sides-left"], "#6b3d5b", "#d9cbd3")
    assert "from the hem up to the zip mark, and on above its upper mark" in laid.words
    edges = [edge for edge in ops["zip-opening"].edges if edge.mark is not None]
    assert [edge.to_mark is not None for edge in edges] == [True], "the zip is drawn between its marks"


def test_of_two_alike_the_words_do_not_say_one_name_twice():
    """Left and right of one piece, sewn together at the centre: lying on each other, then opened out."""
    pattern = WARDROBE["skirt"]()
    made = {op.id: op for op in compile_garment(pattern, "A", SIZE, HOUSEHOLDS["usual"]).operations}
    said = [
        draw_laid(pattern, "A", SIZE, made[id], "#6b3d5b", "#d9cbd3").words
        for id in ("sew-centre-back", "press-centre-back")
    ]
    assert said[0].startswith("One back on the other, right sides together")
    assert said[1].startswith("The left and right back opened out")
