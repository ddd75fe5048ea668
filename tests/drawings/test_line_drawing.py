"""The line drawing shows what is sewn on: each choice changes the view that it belongs to, and stays on the sheet."""

import re
from dataclasses import replace
from itertools import pairwise
from xml.etree import ElementTree

import pytest
from hypothesis import HealthCheck, given, settings
from shapely.geometry import LineString, Polygon

from rowanseed.core.compose.collars import FALL
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import (
    Description,
    Elastic,
    Features,
    Hem,
    Neck,
    Opening,
    Pocket,
    Side,
    Skirt,
    Sleeve,
    Straps,
    Trim,
)
from rowanseed.core.compose.features.flat_collar import DEEP
from rowanseed.core.compose.vocabulary import (
    Along,
    ArmholeFinish,
    BeltKind,
    Centre,
    CollarKind,
    ElasticPlace,
    GarmentKind,
    Hand,
    HemKind,
    NeckFinish,
    OpeningKind,
    Placket,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleevePlacket,
    Slit,
    StrapsClosed,
    TrimKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.pattern.making import Making
from rowanseed.core.pattern.pieces import Drawn, Panel
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.drawings.line.drawing import can_be_drawn, line_drawing
from rowanseed.drawings.line.dressed import Dressed
from rowanseed.drawings.line.laid import laid, sleeve
from rowanseed.drawings.line.parts import Figure, collars
from rowanseed.drawings.line.sewn_on import sewn_on
from rowanseed.drawings.portrait import portrait

from ..core.descriptions import whole_ones

ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 400.0)
PLAIN = Features(back=Side(Centre.SEAM), opening=ZIP, armhole=ArmholeFinish.FACING)
BUTTONED = Features(front=Side(Centre.OPEN), opening=Opening(Where.FRONT, OpeningKind.BUTTONS), collar=CollarKind.SHIRT)
SLEEVED = replace(PLAIN, sleeve=Sleeve(), armhole=None)
PLEATED = replace(SLEEVED, opening=Opening(), back=Side(shaping=(Shaping.YOKE,)))
CUFFED = replace(SLEEVED, sleeve=Sleeve(end=SleeveEnd.CUFF))
SLASHED = replace(SLEEVED, sleeve=Sleeve(end=SleeveEnd.CUFF, placket=SleevePlacket.CONTINUOUS))
PULLED_ON = replace(SLEEVED, opening=Opening(), back=Side(), neck=Neck(finish=NeckFinish.FACING))
FRONT, BACK = (Panel.FRONT,), (Panel.BACK,)
BOTH = (Panel.FRONT, Panel.BACK)


def strokes(features, panel, garment=GarmentKind.DRESS):
    """What is sewn on one side, as the drawing has it."""
    pattern = compose(Description(name="It", garment=garment, features=features)).pattern
    size = pattern.envelope.sizes[2]
    pieces = tuple(laid(pattern, panel, size))
    return list(
        sewn_on(Dressed(pattern, size, panel is Panel.FRONT, pieces, tuple(sleeve(pattern, list(pieces), size))))
    )


@pytest.mark.parametrize(
    ("of", "more", "on"),
    [
        (PLAIN, {"trim": (Trim(TrimKind.PIPING, Along.NECK),)}, BOTH),
        (PLAIN, {"trim": (Trim(TrimKind.LACE, Along.HEM),)}, BOTH),
        (PLAIN, {"trim": (Trim(TrimKind.BRAID, Along.ARMHOLE),)}, BOTH),
        (PLAIN, {"trim": (Trim(TrimKind.RUFFLE, Along.HEM),)}, BOTH),
        (PLAIN, {"trim": (Trim(TrimKind.EMBROIDERY, Along.FRONT),)}, FRONT),
        (PLAIN, {"straps": Straps(2, 25.0, StrapsClosed.BUTTONS), "armhole": None}, BOTH),
        (PLAIN, {"belt": BeltKind.TIE}, BOTH),
        (PLAIN, {"belt": BeltKind.BACK_BELT}, BACK),
        (SLEEVED, {"sleeve": Sleeve(end=SleeveEnd.CUFF)}, BOTH),
        (CUFFED, {"sleeve": SLASHED.sleeve}, BACK),
        (SLASHED, {"sleeve": Sleeve(end=SleeveEnd.CUFF, placket=SleevePlacket.TOWER)}, BACK),
        (CUFFED, {"sleeve": Sleeve(end=SleeveEnd.CUFF, placket=SleevePlacket.FACED)}, BACK),
        (PLAIN, {"skirt": Skirt(SkirtKind.STRAIGHT, slit=Slit.BACK)}, BACK),
        (PLAIN, {"vent": True}, BACK),
        (PLAIN, {"opening": Opening(), "waist": Waist.SHIRRED}, BOTH),
        (PLAIN, {"pockets": (Pocket(PocketKind.WELT, PocketPlace.FRONT),)}, FRONT),
        (BUTTONED, {"opening": replace(BUTTONED.opening, placket=Placket.BAND)}, FRONT),
        (PLAIN, {"neck": Neck(finish=NeckFinish.BIAS_BINDING)}, BOTH),
        (PLAIN, {"armhole": ArmholeFinish.BIAS_BINDING}, BOTH),
        (SLEEVED, {"sleeve": Sleeve(SleeveKind.GATHERED_CAP)}, BOTH),
        (PLEATED, {"back": Side(shaping=(Shaping.YOKE, Shaping.PLEAT_UNDER_YOKE))}, BACK),
        (SLEEVED, {"sleeve": Sleeve(end=SleeveEnd.ELASTIC_CASING)}, BOTH),
        (PULLED_ON, {"elastic": (Elastic(ElasticPlace.NECK, 8.0),), "neck": Neck()}, BOTH),
        (SLEEVED, {"opening": Opening(Where.FRONT, OpeningKind.SLIT), "back": Side()}, FRONT),
        (SLEEVED, {"opening": Opening(Where.BACK, OpeningKind.KEYHOLE), "back": Side()}, BACK),
        (PULLED_ON, {"hem": Hem(HemKind.BAND), "ribbing": True}, BOTH),
        (PULLED_ON, {"neck": Neck(finish=NeckFinish.BAND), "ribbing": True}, BOTH),
        (PULLED_ON, {"pockets": (Pocket(PocketKind.POUCH),)}, FRONT),
    ],
)
def test_what_is_sewn_on_shows_on_the_side_that_it_is_on(of, more, on):
    for panel in BOTH:
        before, after = len(strokes(of, panel)), len(strokes(replace(of, **more), panel))
        assert (after > before) == (panel in on), panel


@pytest.mark.parametrize(
    ("pocket", "panel", "half"),
    [
        (Pocket(PocketKind.PATCH, PocketPlace.FRONT, Hand.LEFT), Panel.FRONT, (1,)),
        (Pocket(PocketKind.PATCH, PocketPlace.BACK, Hand.LEFT), Panel.BACK, (-1,)),
        (Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE, Hand.RIGHT), Panel.FRONT, (-1,)),
        (Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE), Panel.BACK, (-1, 1)),
    ],
)
def test_a_pocket_is_drawn_on_the_side_it_is_worn_on(pocket, panel, half):
    """Who looks at the front of a garment has its left on the right."""
    found = strokes(replace(PLAIN, pockets=(pocket,)), panel)
    assert found and {hand for stroke in found for hand in stroke.hands} == set(half)


@pytest.mark.parametrize(("kind", "deep"), [(PocketKind.WELT, 20.0), (PocketKind.PATCH, 150.0)])
def test_a_pocket_is_as_deep_as_its_piece_lies_on_the_garment(kind, deep):
    (box,) = strokes(replace(PLAIN, pockets=(Pocket(kind, PocketPlace.FRONT),)), Panel.FRONT)
    xs = [x for x, _ in box.run]
    assert abs(max(xs) - min(xs) - deep) < 10.0


def test_elastic_at_a_waist_draws_the_drawing_in():
    """A skirt that is pulled on is cut as wide as the hip, and hangs narrower at its waist."""
    features = Features(waist=Waist.ELASTIC_CASING, skirt=Skirt(SkirtKind.A_LINE, length=600.0))
    pattern = compose(Description(name="It", garment=GarmentKind.SKIRT, features=features)).pattern
    size = pattern.envelope.sizes[2]
    (front,) = laid(pattern, Panel.FRONT, size)
    cut = max(q[1] for chain in [pattern.piece("front").shapes[size].edges["waist"]] for q in (chain[0].start,))
    assert max(y for _, y in front.edges["waist"]) < 0.85 * cut
    assert any(stroke.part == "waist" for stroke in strokes(features, Panel.FRONT, GarmentKind.SKIRT))


@given(description=whole_ones)
@settings(max_examples=40, deadline=None, suppress_health_check=list(HealthCheck))
def test_nothing_that_is_drawn_leaves_the_sheet(description):
    try:
        drawn = line_drawing(compose(description).pattern)
    except DescriptionRefused:
        return
    wide, high = map(float, re.search(r'viewBox="0 0 ([\d.]+) ([\d.]+)"', drawn).groups())
    moves = [float(q) for q in re.findall(r'transform="translate\(([\d.]+) ', drawn)]
    assert "nan" not in drawn and len(moves) in (1, 2)
    for group, move in zip(drawn.split("<g ")[1:], moves, strict=True):
        path = re.findall(r' d="([^"]*)"', group)
        points = [tuple(map(float, q.split(" "))) for d in path for q in re.split(r"[MLZ]", d) if q]
        assert all(-1 <= move + x <= wide + 1 and -16 <= y <= high for x, y in points)


@pytest.mark.parametrize(("kind", "folds"), [(SkirtKind.KNIFE_PLEATS, 1), (SkirtKind.BOX_PLEATS, 2)])
def test_a_quarter_of_the_pleats_falls_from_waist_to_hem_on_each_half(kind, folds):
    features = Features(opening=replace(ZIP, where=Where.LEFT_SIDE, length=200.0), skirt=Skirt(kind))
    pattern = compose(Description(name="It", garment=GarmentKind.SKIRT, features=features)).pattern
    (pleats,) = (d for d in pattern.making.details if d.id == "pleats")
    drawn = [stroke.run for stroke in strokes(features, Panel.FRONT, GarmentKind.SKIRT)]
    low = max(x for run in drawn for x, _ in run)
    falling = [run for run in drawn if len(run) == 2 and run[1][0] > low - 60]
    assert len(falling) == folds * round(pleats.count / 4)
    runs = sorted(falling, key=lambda run: run[0][1])
    assert all(one[1][1] < other[1][1] for one, other in pairwise(runs)), "no fold crosses another"


def test_a_flat_collar_lies_on_the_garment_as_deep_as_its_piece():
    features = replace(BUTTONED, collar=CollarKind.FLAT)
    pattern = compose(Description(name="It", garment=GarmentKind.TOP, features=features)).pattern
    front = Figure(pattern, tuple(_edges_of(pattern)), is_front=True)
    (_, ring), *_ = collars(front)
    centre = front.run("neck")[0]
    assert max(x for x, _ in ring) - centre[0] <= DEEP + 1.0
    assert Polygon(ring).is_valid


def test_a_standing_collar_is_drawn_without_points_and_a_falling_one_no_deeper_than_it_falls():
    neck = {"opening": BUTTONED.opening, "front": BUTTONED.front}
    low = {}
    for collar in (CollarKind.STAND, CollarKind.ONE_PIECE):
        features = replace(BUTTONED, **neck, collar=collar)
        pattern = compose(Description(name="It", garment=GarmentKind.TOP, features=features)).pattern
        front = Figure(pattern, tuple(_edges_of(pattern)), is_front=True)
        (_, ring), *_ = collars(front)
        point = max(front.run("neck"), key=lambda q: q[1])
        low[collar] = max(x for x, y in ring if y > point[1]) - point[0] if any(y > point[1] for _, y in ring) else 0.0
    assert low[CollarKind.STAND] == 0.0
    assert 0 < low[CollarKind.ONE_PIECE] <= FALL


def _edges_of(pattern):
    size = pattern.envelope.sizes[0]
    for name, chain in pattern.piece("front").shapes[size].edges.items():
        yield name, flatten(chain, 1.0)


# ---------------------------------------------------------------- patterns that nobody described


def lying(pattern, panel, size):
    return {one.piece.id: one for one in laid(pattern, panel, size)}


def test_gores_lie_beside_each_other_whatever_their_own_frames():
    """A six-gore skirt, each gore drawn about its own middle: the edges of a seam come to lie on each other."""
    pattern = six_gore_skirt.draft()
    for panel, seam in ((Panel.FRONT, "front-seams"), (Panel.BACK, "back-seams")):
        found = lying(pattern, panel, "14")
        join = pattern.making.join(seam)
        one, other = (LineString(found[p.piece].edges[p.edge]) for p in (*join.a, *join.b))
        assert one.hausdorff_distance(other) < 6.0, "but for what the seam's ends differ by in level"
        rings = [Polygon([q for run in piece.edges.values() for q in run[:-1]]) for piece in found.values()]
        assert rings[0].intersection(rings[1]).area < 0.01 * rings[0].area
        assert min(y for piece in found.values() for run in piece.edges.values() for _, y in run) > -1.0


def test_a_shaped_centre_back_hangs_straight_and_pockets_lie_by_their_own_pieces():
    pattern = waistcoat.draft()
    back = lying(pattern, Panel.BACK, "14")["back"]
    assert max(abs(y) for _, y in back.edges["centre"]) < 1e-6
    front = tuple(laid(pattern, Panel.FRONT, "14"))
    welts = [s for s in sewn_on(Dressed(pattern, "14", True, front, ())) if s.part == "pockets"]
    deep = [max(x for x, _ in s.run) - min(x for x, _ in s.run) for s in welts]
    long = [max(y for _, y in s.run) - min(y for _, y in s.run) for s in welts]
    assert deep == pytest.approx([22.0], abs=1.0), "a welt's bar is half its folded piece"
    assert long == pytest.approx([115.0], abs=0.5), "from mark to mark over the sewn princess seam, as long as the welt"


@pytest.mark.parametrize("draft", [six_gore_skirt, waistcoat, overshirt, trousers])
def test_a_drafted_pattern_has_its_garment_for_a_portrait_and_one_of_loose_outlines_its_pieces(draft):
    pattern = draft.draft()
    assert can_be_drawn(pattern)
    drawn = ElementTree.fromstring(portrait(pattern))
    assert "line drawing" in drawn.find("{*}title").text and drawn.find(".//{*}text") is None
    loose = replace(pattern, pieces=tuple(replace(p, panel=Panel.OTHER) for p in pattern.pieces), making=Making())
    assert not can_be_drawn(loose)
    pieces = ElementTree.fromstring(portrait(loose))
    assert len(pieces.findall(".//{*}path")) == len(pattern.pieces)


def test_a_pattern_drawn_on_its_cutting_lines_is_shown_by_its_pieces():
    """Its outlines are wider than the garment: laid on a figure they would overlap."""
    pattern = trousers.draft()
    wider = replace(pattern, pieces=tuple(replace(p, drawn=Drawn.CUTTING) for p in pattern.pieces))
    assert can_be_drawn(pattern) and not can_be_drawn(wider)
