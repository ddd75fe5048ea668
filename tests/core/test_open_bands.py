"""Bands whose ends are at an open front: how long they are cut, how their ends are closed, what fastens them.

That a blouson's band is closed by its zip or by the lowest of its buttons, and that its fold is where the zip ends:
common practice, no source.
"""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.compose.description import Description, Features, Hem, Lining, Neck, Opening, Side, Sleeve
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    BeltKind,
    Centre,
    GarmentKind,
    HemKind,
    HemShape,
    Interfaced,
    LiningMethod,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Placket,
    SleeveEnd,
    Where,
)
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.holes import button_under, holes_of_piece
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.workbench import workbench
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.fastenings import number_of, open_edges, spacing
from rowanseed.core.pattern.making import ClosureKind, DifferenceKind, FinishKind
from rowanseed.core.pattern.pieces import LineKind, Panel, PointKind, Role
from rowanseed.core.pattern.walk import part_length, walk

from .descriptions import blousons, drafted, mended
from .everyday import everyday
from .test_notches import between

OPEN = Side(Centre.OPEN)
ZIPPED = Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP)
BUTTONED = Opening(Where.FRONT, OpeningKind.BUTTONS, count=6)
FASTENED = (PointKind.BUTTON, PointKind.BUTTONHOLE)
ZIPS, BUTTONS = ("blouson", "banded hoodie"), ("denim jacket", "snapped jacket")


def described(cloth=Structure.WOVEN, garment=GarmentKind.JACKET, **features):
    own = {"front": OPEN, "opening": ZIPPED, "sleeve": Sleeve(end=SleeveEnd.CUFF), "hem": Hem(HemKind.BAND), **features}
    return Description("blouson", garment, figure=Figure.WOMEN, cloth=cloth, features=Features(**own))


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def lower(pattern):
    return next(join for join in pattern.making.joins if join.id == "lower-band")


def steps(pattern):
    return sequence(compile_garment(pattern, "A", middle(pattern), MakingChoices()).operations)


def told(pattern, id):
    return " ".join(how for op in steps(pattern) if op.id == id for how in op.how)


def order(pattern, *ids):
    made = [op.id for op in steps(pattern)]
    return [made.index(id) for id in ids]


# ---------------------------------------------------------------- the pieces


@settings(max_examples=20, deadline=None, suppress_health_check=list(HealthCheck))
@given(blousons.map(mended).filter(lambda d: d is not None and d.ends_in_band))
def test_a_band_is_as_long_as_its_edge_or_shorter_by_its_share_and_folds_in_half(description):
    pattern = drafted(description).pattern
    join, band = lower(pattern), pattern.piece("lower-band")
    share = 1.0 if not description.bands_stretch else 0.8 if description.features.ribbing else 0.9
    fold = band.line(LineKind.FOLD, "fold")
    for size in pattern.envelope.sizes:
        edge, own = (sum(part_length(pattern, size, p) for p in side) for side in (join.a, join.b))
        assert own == pytest.approx(share * edge, abs=0.05)
        edges = band.shapes[size].edges
        wide = chain_length(edges["far-end"])
        near = sum(chain_length(chain) for name, chain in edges.items() if name.startswith("near-end"))
        assert near == pytest.approx(wide)
        # Along the grain where it does not stretch, across it where it does: its arrow runs so far at most.
        start, end = band.shapes[size].grainline
        along_the_band = chain_length(edges["inner"]) if share == 1.0 else wide
        assert abs(end[0] - start[0]) + abs(end[1] - start[1]) < along_the_band
        (x0, y0), (x1, y1) = fold.ends[size]
        assert abs(x1 - x0) + abs(y1 - y0) == pytest.approx(chain_length(edges["inner"]))


@settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
@given(blousons.map(mended).filter(lambda d: d is not None and d.ends_in_band))
def test_a_garment_with_its_band_is_as_long_as_with_a_hem(description):
    """Its length is that of the whole garment: what the band takes up its panels lack."""
    hemmed = replace(description, features=replace(description.features, hem=Hem()))
    with_band, without = (drafted(one).pattern for one in (description, hemmed))
    deep = chain_length(with_band.piece("lower-band").shapes[middle(with_band)].edges["far-end"]) / 2
    for size in with_band.envelope.sizes:
        low, at_hem = (lowest(one, size) for one in (with_band, without))
        assert at_hem - low == pytest.approx(deep, abs=6.0), "but for how a hem is trued to its sides"


def lowest(pattern, size):
    return max(q[0] for p in pattern.pieces if p.panel is Panel.BACK for q in ends(p, size))


def ends(piece, size):
    edges = piece.shapes[size].edges
    return [s.start for s in edges["hem"]] if "hem" in edges else [(0.0, 0.0)]


@pytest.mark.parametrize("name", ZIPS)
def test_the_seam_of_a_zip_runs_on_over_the_end_of_the_band_to_its_fold(name):
    pattern = everyday(name)
    (closure,) = pattern.making.closures
    join = pattern.making.join(closure.join)
    size = middle(pattern)
    assert closure.kind is ClosureKind.SEPARATING_ZIP
    front = chain_length(pattern.piece("front").shapes[size].edges["opening"])
    deep = chain_length(pattern.piece("lower-band").shapes[size].edges["far-end"]) / 2
    assert sum(part_length(pattern, size, p) for p in open_edges(join)) == pytest.approx(front + deep)
    assert all(one.walks for one in walk(pattern, size))


@pytest.mark.parametrize("name", ZIPS)
def test_the_zip_to_buy_is_as_long_as_the_front_and_half_the_band(name):
    pattern = everyday(name)
    size = middle(pattern)
    front = chain_length(pattern.piece("front").shapes[size].edges["opening"])
    deep = chain_length(pattern.piece("lower-band").shapes[size].edges["far-end"]) / 2
    (bought,) = (one for one in notions(pattern, "A", size, None, overlocker=False) if one.unit == "zip")
    assert [given.quantity.value for given in bought.working.given] == pytest.approx([front + deep])


@pytest.mark.parametrize("name", BUTTONS)
def test_the_lowest_of_its_fastenings_is_in_the_band_as_far_from_the_next_as_all_others(name):
    pattern = everyday(name)
    (closure,) = pattern.making.closures
    size = middle(pattern)
    assert number_of(pattern, size, FASTENED, closure) == 6
    (in_band,) = (q for q in pattern.piece("lower-band").points if q.kind in FASTENED)
    deep = chain_length(pattern.piece("lower-band").shapes[size].edges["far-end"]) / 2
    apart = spacing(pattern, size, FASTENED, closure)
    piece = pattern.piece("band" if name == "denim jacket" else "front")
    low = max(q.at[size][0] for q in piece.points if q.kind in FASTENED)
    on = "end" if name == "denim jacket" else "hem"
    hem = max(s.start[0] for s in piece.shapes[size].edges[on])
    assert hem + deep / 2 - low == pytest.approx(min(apart), rel=0.15)
    assert size in in_band.at


def test_a_front_band_ends_on_the_lower_one_as_wide_as_it_is_folded():
    pattern = everyday("denim jacket")
    size = middle(pattern)
    (on_front,) = (p for p in lower(pattern).a if p.piece == "band")
    wide = chain_length(pattern.piece("band").shapes[size].edges["end"])
    assert part_length(pattern, size, on_front) == pytest.approx(wide / 2)
    assert all((p.piece, p.edge) != ("band", "end") for f in pattern.making.finishes for p in f.parts)
    assert "upper and lower ends" in next(op.title for op in steps(pattern) if op.id == "fold-over-band-inside")


def test_the_hole_in_a_lower_band_is_told_as_the_lowest_and_its_button_is_on_the_other_half():
    pattern = everyday("denim jacket")
    said = told(pattern, "buttonholes-opening")
    assert "The lowest lies along the lower band" in said and "The uppermost lies along the collar stand" in said
    bench = workbench(pattern, "A", middle(pattern), MakingChoices())
    band = bench.piece("lower-band")
    (hole,) = holes_of_piece(bench, band)
    assert button_under(bench, band, hole) == hole.mark


def test_a_band_without_stretch_may_be_interfaced_and_one_that_stretches_is_not():
    stiff = frozenset({Interfaced.WAISTBAND})
    for ribbing, roles in ((False, {Role.MAIN, Role.INTERFACING}), (True, {Role.CONTRAST})):
        pattern = drafted(described(ribbing=ribbing, interfacing=stiff)).pattern
        assert {cut.role for cut in pattern.piece("lower-band").cuts} == roles


def test_a_neck_band_at_an_open_front_has_ends_and_one_that_is_closed_has_none():
    pattern = everyday("blouson")
    (join,) = (j for j in pattern.making.joins if j.id == "neck")
    assert join.difference.kind is DifferenceKind.STRETCHED_ON
    assert join.difference.amount == pytest.approx(1 / 0.8)
    assert {"near-end", "far-end"} <= {edge.name for edge in pattern.piece("neck-band").edges}
    assert not everyday("sweatshirt").piece("neck-band").has_edge("near-end")


@pytest.mark.parametrize(
    "more",
    [
        {"neck": Neck(NeckShape.V, NeckFinish.BAND)},
        {"neck": Neck(finish=NeckFinish.BAND), "opening": replace(BUTTONED, placket=Placket.BAND)},
    ],
)
def test_a_neck_that_no_such_band_goes_round_is_bound(more):
    pattern = drafted(described(ribbing=True, **{"hem": Hem(), **more})).pattern
    assert any(f.kind is FinishKind.BINDING and f.id == "neck" for f in pattern.making.finishes)


# ---------------------------------------------------------------- its making


@pytest.mark.parametrize("name", ZIPS)
def test_with_a_zip_the_band_comes_first_and_its_inside_last(name):
    ids = ("sew-lower-band", "baste-opening", "sew-opening-facing", "turn-in-lower-band-inside", "zip-opening")
    found = order(everyday(name), *ids)
    assert found == sorted(found)


@pytest.mark.parametrize("name", BUTTONS)
def test_with_buttons_the_edges_come_first_and_its_ends_are_closed_in_line_with_them(name):
    pattern = everyday(name)
    edges = "fold-over-band-inside" if name == "denim jacket" else "turn-opening-facing"
    found = order(pattern, edges, "sew-lower-band", "ends-lower-band-inside", "turn-in-lower-band-inside")
    assert found == sorted(found)
    assert "in line with the garment's edge" in told(pattern, "ends-lower-band-inside")


def test_what_is_stretched_on_is_tried_first_and_its_inside_lies_flat():
    pattern = everyday("blouson")
    assert "80 % as long as its edge" in told(pattern, "neaten-lower-band-inside")
    assert "stretched from pin to pin" in told(pattern, "sew-lower-band")
    assert "passes the seam by its allowance" in told(pattern, "turn-in-lower-band-inside")
    by_id = {op.id: op for op in steps(pattern)}
    for id in ("sew-lower-band", "turn-in-lower-band-inside", "sew-neck"):
        assert by_id[id].setting.stitch != "straight", "a seam across the stretch gives"
    assert "press-in-lower-band" not in by_id


def test_what_is_as_long_as_its_edge_is_pressed_in_and_not_stretched():
    pattern = everyday("denim jacket")
    assert "inner edge to the wrong side" in told(pattern, "press-in-lower-band")
    assert "stretch" not in told(pattern, "sew-lower-band")


@pytest.mark.parametrize("name", ZIPS)
def test_a_zip_ends_at_the_bands_fold_and_no_hem_is_spoken_of(name):
    pattern = everyday(name)
    assert "the lower stop on the fold line of the lower band" in told(pattern, "baste-opening")
    assert "fold the lower band up on its fold line" in told(pattern, "sew-opening-facing")
    assert "hem" not in told(pattern, "baste-opening") + told(pattern, "zip-opening")


@pytest.mark.parametrize("name", [*ZIPS, *BUTTONS])
def test_nothing_of_it_is_left_to_the_booklet(name):
    assert not compile_garment(everyday(name), "A", middle(everyday(name)), MakingChoices()).gaps


@pytest.mark.parametrize("method", [LiningMethod.SEWN_IN, LiningMethod.BY_HAND])
def test_a_closed_lining_is_felled_to_the_seams_of_the_bands_once_these_are_closed(method):
    """It was to be felled to the allowance of a hem, level with an edge that is not there."""
    described_ = described(ribbing=True, lining=Lining(method=method), neck=Neck(finish=NeckFinish.BAND))
    pattern = drafted(described_).pattern
    size = middle(pattern)
    lined = with_layers(pattern, size, "A", described_layers(pattern, described_, view="A", size=size))
    found = order(lined, "sew-lower-band", "turn-in-lower-band-inside", "fell-lining-lower-ends")
    assert found == sorted(found)
    for id, band in (("fell-lining-lower-ends", "lower band"), ("fell-lining-sleeve-ends", "cuff")):
        said = told(lined, id)
        assert f"the fold on the seam of the {band}" in said and "hem" not in said
    hemmed = drafted(replace(described_, features=replace(described_.features, hem=Hem()))).pattern
    hemmed = with_layers(hemmed, size, "A", described_layers(hemmed, described_, view="A", size=size))
    assert "hem's allowance" in told(hemmed, "fell-lining-hem")


# ---------------------------------------------------------------- what goes along


@pytest.mark.parametrize("name", ["blouson", "denim jacket"])
def test_a_band_follows_a_garment_that_is_made_wider(name):
    pattern = everyday(name)
    size, changed = middle(pattern), 0
    join = lower(pattern)
    (kind,) = (one for one in offered(pattern, size) if one.id == "seam")
    edge, band = (sum(part_length(pattern, size, p) for p in side) for side in (join.a, join.b))
    for place in kind.places_on(pattern, size):
        after = carry_out(pattern, size, (Alteration(kind.id, 30.0, place.at, place.level, place.school),)).pattern
        wider, longer = (sum(part_length(after, size, p) for p in side) for side in (lower(after).a, lower(after).b))
        if wider - edge > 1.0:
            changed += 1
            assert (longer - band) / (wider - edge) == pytest.approx(band / edge, abs=0.02)
            assert all(one.walks for one in walk(after, size))
            assert all(max(apart) < 0.5 for apart, _, _ in between(after, size)), "its notches stand at the seams"
    assert changed


# ---------------------------------------------------------------- where it does not go


@pytest.mark.parametrize(
    ("field", "more"),
    [
        ("features.hem.kind", {"front": Side(), "back": OPEN, "opening": Opening(Where.BACK, OpeningKind.BUTTONS)}),
        ("features.hem.kind", {"opening": Opening(Where.FRONT, OpeningKind.BUTTONS, double_breasted=True)}),
        ("features.hem.kind", {"opening": Opening(), "neck": Neck(NeckShape.V), "belt": BeltKind.TIE}),
        ("features.hem.shape", {"hem": Hem(HemKind.BAND, shape=HemShape.CURVED)}),
        ("features.lining.method", {"lining": Lining(method=LiningMethod.BAGGED)}),
    ],
)
def test_where_it_does_not_go_is_refused_at_its_field(field, more):
    assert field in {one.field for one in refusals(described(**more))}
