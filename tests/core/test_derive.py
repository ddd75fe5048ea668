"""Lining, facing, interfacing and underlining, against a geometry library and against sums done by hand.

How much is added or taken off is common practice, no source.
"""

from dataclasses import replace
from pathlib import Path

import pytest
from shapely.geometry import LineString, Polygon

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.units import INCH, Units
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import compose
from rowanseed.core.derive.choice import InterfacingSchool, Layers, LiningHem, LiningSchool, Pleat
from rowanseed.core.derive.facing import can_be_faced, facing_of
from rowanseed.core.derive.layers import derivations, has_collar_alike, with_layers
from rowanseed.core.derive.lining import can_be_pleated, has_facings
from rowanseed.core.derive.lining_graph import shorter
from rowanseed.core.garment import GarmentChoices, altered, derived, lay_problem
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Layer, LayerKind
from rowanseed.core.pattern.pieces import Cut, Role
from rowanseed.core.pattern.seamline import lines, seam_length
from rowanseed.core.pattern.walk import walk
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.formats.description_json import read_description

from .everyday import everyday

SKIRT, WAISTCOAT, OVERSHIRT, TROUSERS = (m.draft() for m in (six_gore_skirt, waistcoat, overshirt, trousers))
DEDUCT = Layers(LiningSchool.DEDUCT)
WHOLE = Layers(LiningSchool.WHOLE)
CLOTH = Cloth(name="c", width=1400, length=None, selvedge=12, direction=Direction.TWO_WAY)


def seam(piece, size="14"):
    return Polygon(lines(piece, size).seam_ring())


def cutting(piece, size="14"):
    return Polygon(lines(piece, size).cutting_ring())


def test_a_deducted_lining_is_the_garment_less_the_facing_and_passes_its_edge_by_two_allowances():
    """The garment's outline less a strip along the waist, cut with a geometry library."""
    lined = with_layers(SKIRT, "14", "A", DEDUCT)
    facing_cut = six_gore_skirt.FACING_DEPTH
    for id in ("side-front", "side-back"):
        garment, lining = SKIRT.piece(id), lined.piece(f"{id}-lining")
        waist = LineString(lines(garment, "14").seam["waist"])
        # The facing's stitching line lies one allowance inside its cut edge.
        strip = waist.buffer(facing_cut - 15, quad_segs=32)
        hem = LineString(lines(garment, "14").seam["hem"]).buffer(INCH * 3 / 4, quad_segs=32)
        expected = seam(garment).difference(strip).difference(hem)
        assert seam(lining).symmetric_difference(expected).area < 0.004 * expected.area
        reach = max(cutting(lining).distance(p) for p in [LineString(lines(garment, "14").cutting["waist"])])
        assert reach == pytest.approx(15 + facing_cut - 30, abs=1.5)


def test_the_facing_keeps_its_cutting_line_where_a_lining_is_sewn_to_it():
    lined = with_layers(SKIRT, "14", "A", DEDUCT)
    before, after = SKIRT.piece("front-facing"), lined.piece("front-facing")
    assert cutting(after).symmetric_difference(cutting(before)).area < 30
    assert after.edge("lower").allowance == 15 and before.edge("lower").allowance == 0


def test_a_lining_that_hangs_free_is_cut_like_the_garment_and_finished_shorter():
    """A skirt's by 3/4 in; the turning takes what it hangs shorter, not the cut."""
    free, sewn = (with_layers(SKIRT, "14", "A", Layers(LiningSchool.WHOLE, hem=h)) for h in LiningHem)
    own, hung, attached = SKIRT.piece("front"), free.piece("front-lining"), sewn.piece("front-lining")
    assert max(p[0] for p in lines(own, "14").cutting["hem"]) == pytest.approx(
        max(p[0] for p in lines(hung, "14").cutting["hem"]), abs=0.3
    )
    fold_line = lines(own, "14").seam["hem"][0][0] - lines(hung, "14").seam["hem"][0][0]
    assert fold_line == pytest.approx(INCH * 3 / 4, abs=0.2)
    past = max(p[0] for p in lines(attached, "14").cutting["hem"]) - max(p[0] for p in lines(own, "14").seam["hem"])
    assert past == pytest.approx(INCH / 2, abs=0.2)


@pytest.mark.parametrize("pattern", [SKIRT, TROUSERS, OVERSHIRT], ids=lambda p: p.name)
def test_a_free_lining_is_finished_as_much_shorter_as_is_said(pattern):
    """What its hem folds away is what it is cut longer than its finished edge: 3/4 in shorter on a skirt, not 1/2."""
    size = pattern.envelope.sizes[3]
    made = with_layers(pattern, size, "A", Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE))
    hems = [f for f in made.making.finishes if f.kind is FinishKind.HEM and f.id.startswith("lining-")]
    assert hems
    for part in (part for hem in hems for part in hem.parts):
        hem = next(h for h in hems if part in h.parts)
        own = made.piece(part.piece)
        cut, shell = own.edge(part.edge).allowance, made.piece(own.derived.of).edge(part.edge).allowance
        assert sum(hem.folds) == pytest.approx(cut)
        assert cut - shell == pytest.approx(shorter(pattern)), "the finished edge lies so much higher"


@pytest.mark.parametrize("layers", [DEDUCT, WHOLE], ids=["deduct", "whole"])
@pytest.mark.parametrize("pattern", [SKIRT, OVERSHIRT, TROUSERS], ids=lambda p: p.garment)
def test_the_lining_s_own_seams_meet(pattern, layers):
    size = pattern.envelope.sizes[2]
    lined = with_layers(pattern, size, "A", layers)
    walks = [w for w in walk(lined, size) if w.join.id.startswith("lining-") and "facing" not in w.join.id]
    assert walks and all(w.walks for w in walks)


def test_the_lining_follows_what_was_altered():
    longer = altered(
        SKIRT, GarmentChoices(view="A", size="14", blend=(), alterations=(Alteration("hem", 50.0),))
    ).pattern
    before, after = (with_layers(p, "14", "A", DEDUCT).piece("front-lining") for p in (SKIRT, longer))
    assert seam_length(after, "14", "centre") - seam_length(before, "14", "centre") == pytest.approx(50, abs=0.1)


def test_an_ease_pleat_is_two_inches_wide_and_a_shoulder_pleat_ends_at_the_waist():
    """The centre is set 1 in from the fold, so the pleat takes up 2 in."""
    own = WAISTCOAT.piece("back-lining")
    for pleat, at_hem in ((Pleat.FULL, INCH), (Pleat.SHOULDERS, 0.0)):
        made = with_layers(WAISTCOAT, "14", "A", Layers(pleat=pleat)).piece("back-lining")
        before, after = lines(own, "14").seam["centre"], lines(made, "14").seam["centre"]
        assert before[0][1] - after[0][1] == pytest.approx(INCH)
        assert before[-1][1] - after[-1][1] == pytest.approx(at_hem, abs=0.1)
        assert any(line.id == "ease-pleat" for line in made.lines)
    assert can_be_pleated(WAISTCOAT, "A") and can_be_pleated(OVERSHIRT, "A") and not can_be_pleated(SKIRT, "A")


def test_room_for_a_pad_is_taken_at_the_tip_and_none_at_the_neck():
    made = with_layers(WAISTCOAT, "14", "A", Layers(pad=9.0)).piece("back-lining")
    old, new = (lines(p, "14").seam["shoulder"] for p in (WAISTCOAT.piece("back-lining"), made))
    moved = sorted(b[0] - a[0] for a, b in zip(old, new, strict=True))
    assert moved[0] == pytest.approx(0, abs=1e-6) and moved[-1] == pytest.approx(9)
    size = OVERSHIRT.envelope.sizes[2]
    sleeve = with_layers(OVERSHIRT, size, "A", replace(WHOLE, pad=9.0)).piece("sleeve-lining")
    cap, drawn = (min(p[0] for p in lines(p_, size).seam["cap"]) for p_ in (sleeve, OVERSHIRT.piece("sleeve")))
    assert cap - drawn == pytest.approx(9, abs=0.01)


def test_only_facings_can_be_deducted():
    assert has_facings(SKIRT, "A", "14")
    assert not has_facings(TROUSERS, "A", TROUSERS.envelope.sizes[0])


def test_interfacing_may_be_trimmed_and_a_collar_keeps_it_where_it_joins():
    size = OVERSHIRT.envelope.sizes[2]
    made = with_layers(OVERSHIRT, size, "A", Layers(interfacing=InterfacingSchool.TRIMMED))
    band = OVERSHIRT.piece("band")
    assert cutting(made.piece("band-interfacing"), size).equals_exact(seam(band, size), 0.01)
    collar, stiff = OVERSHIRT.piece("collar"), made.piece("collar-interfacing")
    assert stiff.edge("stand").allowance == collar.edge("stand").allowance > 0
    assert stiff.edge("outer").allowance == 0
    assert not any(c.role is Role.INTERFACING for c in made.piece("band").cuts)
    steps = {s.id for s in compile_steps(made, "A", size, MakingChoices())}
    assert "interface-band" in steps and "interface-band-interfacing" not in steps


def test_what_the_pattern_has_already_is_not_derived_again():
    """A collar in halves is cut twice, but its under side is a piece of its own; an underlined front has its layer."""
    pattern = everyday("puff-sleeved dress")
    size = pattern.envelope.sizes[0]
    assert not has_collar_alike(pattern)
    assert with_layers(pattern, size, "A", Layers(trim_under_collar=True)).pieces == pattern.pieces
    once = with_layers(pattern, size, "A", Layers(underlined=True))
    assert with_layers(once, size, "A", Layers(underlined=True)).pieces == once.pieces


def test_an_under_collar_is_trimmed_on_its_outer_edges_only():
    """As the overshirt draws it: 3 mm off the outer edge and the ends."""
    size = OVERSHIRT.envelope.sizes[2]
    twice = replace(OVERSHIRT.piece("collar"), cuts=(Cut(Role.MAIN, 2, fold="centre"),))
    pieces = tuple(twice if p.id == "collar" else p for p in OVERSHIRT.pieces if p.id != "under-collar")
    making = replace(
        OVERSHIRT.making,
        joins=tuple(j for j in OVERSHIRT.making.joins if "under" not in j.id and j.id != "collar-edge"),
    )
    made = with_layers(replace(OVERSHIRT, pieces=pieces, making=making), size, "A", Layers(trim_under_collar=True))
    under, drawn = made.piece("under-collar"), OVERSHIRT.piece("under-collar")
    assert made.piece("collar").cuts_for(Role.MAIN, "A")[0].count == 1
    assert seam(under, size).area == pytest.approx(seam(drawn, size).area, rel=0.006)
    assert seam_length(under, size, "stand") == pytest.approx(seam_length(twice, size, "stand"), abs=0.01)


def test_underlining_cuts_the_garment_once_more_and_comes_before_everything():
    made = with_layers(SKIRT, "14", "A", Layers(underlined=True))
    assert {p.id for p, _ in made.pieces_for(Role.UNDERLINING, "A")} == {"front", "side-front", "side-back", "back"}
    order = [s.id for s in sequence(compile_steps(made, "A", "14", MakingChoices()))]
    assert order.index("underline-front") < order.index("sew-front-seams")


def test_a_hem_facing_is_the_garment_s_own_strip():
    """Against the geometry library: the part of the piece within 5 cm of its hem line."""
    piece = SKIRT.piece("side-front")
    made = facing_of(piece, "14", "hem", 9, Role.CONTRAST)
    hem = LineString(lines(piece, "14").seam["hem"])
    expected = seam(piece).intersection(hem.buffer(50, quad_segs=32))
    assert seam(made).symmetric_difference(expected).area < 0.01 * expected.area
    front = facing_of(SKIRT.piece("front"), "14", "hem", 9, Role.CONTRAST)
    assert front.cuts[0].fold == "centre" and front.cuts[0].role is Role.CONTRAST


@pytest.mark.parametrize("pattern", [SKIRT, OVERSHIRT, TROUSERS], ids=lambda p: p.garment)
def test_hems_faced_instead_hold_together_and_are_sewn_once_the_length_is_settled(pattern):
    size = pattern.envelope.sizes[2]
    hems = tuple(f.id for f in can_be_faced(pattern, "A"))
    assert hems
    made = with_layers(pattern, size, "A", Layers(faced=hems))
    own = replace(made, envelope=replace(made.envelope, sizes=(size,)))
    assert [f.problem for f in faults(own)] == []
    order = [s.id for s in sequence(compile_steps(made, "A", size, MakingChoices()))]
    for id in hems:
        assert order.index(f"neaten-{id}-facing-edge") < order.index(f"face-{id}")
        assert order.index(f"try-on-{id}") < order.index(f"face-{id}") < order.index(f"sew-{id}")
    drawn = lay_problem(pattern, GarmentChoices("A", size), Role.MAIN, CLOTH)
    more = lay_problem(made, GarmentChoices("A", size), Role.MAIN, CLOTH)
    assert {p.id for p in more.pieces} - {p.id for p in drawn.pieces} == {
        f"{part.piece}-hem-facing" for f in pattern.making.finishes if f.id in hems for part in f.parts
    }


def test_a_bound_waist_that_is_faced_instead_is_a_seam_graded_and_understitched():
    """The skirt with its own facing taken away and the waist bound; then faced from its gores."""
    gone = {"front-facing", "back-facing"}
    parts = tuple(EdgePart(p, "waist") for p in ("front", "side-front", "side-back", "back"))
    making = SKIRT.making
    bound = replace(
        SKIRT,
        pieces=tuple(p for p in SKIRT.pieces if p.id not in gone),
        making=replace(
            making,
            joins=tuple(j for j in making.joins if not {p.piece for p in (*j.a, *j.b)} & gone),
            finishes=(
                *(f for f in making.finishes if not {p.piece for p in f.parts} & gone),
                Finish(id="waist", name="Waist", kind=FinishKind.BINDING, parts=parts),
            ),
            layers=(),
            booklet=(),
        ),
    )
    assert [f.id for f in can_be_faced(bound, "A")] == ["hem", "waist"]
    made = with_layers(bound, "14", "A", Layers(faced=("waist",)))
    own = replace(made, envelope=replace(made.envelope, sizes=("14",), yardage=()))
    assert [f.problem for f in faults(own)] == []
    order = [s.id for s in sequence(compile_steps(made, "A", "14", MakingChoices()))]
    assert order.index("zip-zip") < order.index("sew-waist-facing") < order.index("understitch-waist-facing")
    assert order.index("sew-waist-facing-side-seams") < order.index("sew-waist-facing")
    # The derived facing is as long as the waist it is sewn to: every seam walks.
    (walked,) = [w for w in walk(made, "14") if w.join.id == "waist-facing"]
    assert abs(walked.fault) < 0.1


def test_a_garment_fused_all_over_is_cut_from_the_interfacing_too():
    made = with_layers(SKIRT, "14", "A", Layers(fused=True))
    stiff = {p.id for p, _ in made.pieces_for(Role.INTERFACING, "A")}
    assert stiff == {p.id for p, _ in SKIRT.pieces_for(Role.MAIN, "A")}
    order = [s.id for s in sequence(compile_steps(made, "A", "14", MakingChoices()))]
    assert order.index("sample-fuse") < order.index("interface-front") < order.index("sew-front-seams")
    trimmed = with_layers(SKIRT, "14", "A", Layers(fused=True, interfacing=InterfacingSchool.TRIMMED))
    front = trimmed.piece("front-interfacing")
    assert seam(SKIRT.piece("front")).area == pytest.approx(seam(front).area, rel=1e-3)


# ---------------------------------------------------------------- the making order


CHOICES = [
    replace(DEDUCT, underlined=True, interfacing=InterfacingSchool.TRIMMED),
    Layers(lining=LiningSchool.WHOLE, pleat=Pleat.FULL, hem=LiningHem.ATTACHED, pad=8.0),
]


@pytest.mark.parametrize("layers", CHOICES, ids=["deduct", "whole"])
@pytest.mark.parametrize("pattern", [SKIRT, WAISTCOAT, OVERSHIRT, TROUSERS], ids=lambda p: p.garment)
def test_every_lined_garment_has_an_order_that_holds(pattern, layers):
    size = pattern.envelope.sizes[2]
    made = with_layers(pattern, size, "A", layers)
    steps = sequence(compile_steps(made, "A", size, MakingChoices()))
    done = set()
    for step in steps:
        assert {need.step for need in step.needs} <= done, step.title
        done.add(step.id)
    assert len(steps) == len({s.id for s in steps})


def test_a_lining_sewn_to_the_facing_goes_on_with_it_and_a_whole_one_is_laid_in_before():
    deducted = [
        s.id for s in sequence(compile_steps(with_layers(SKIRT, "14", "A", DEDUCT), "A", "14", MakingChoices()))
    ]
    assert deducted.index("sew-lining-facing-waist") < deducted.index("sew-waist") < deducted.index("lay-in-lining")
    assert "neaten-facing-edge" not in deducted
    whole = [s.id for s in sequence(compile_steps(with_layers(SKIRT, "14", "A", WHOLE), "A", "14", MakingChoices()))]
    assert whole.index("lay-in-lining") < whole.index("sew-waist")
    assert whole.index("sew-hem") < whole.index("sew-lining-hem")


def test_each_derived_piece_says_what_it_comes_from():
    layers = Layers(LiningSchool.DEDUCT)
    found = derivations(SKIRT, with_layers(SKIRT, "14", "A", layers), layers, Units.IMPERIAL)
    assert (found[0].piece.id, found[0].of.id) == ("front-lining", "front")
    assert found[0].words == ("− facing + two seam allowances", "hem 3/4 in shorter, hanging free")


def test_nothing_chosen_leaves_the_pattern_alone():
    assert with_layers(SKIRT, "14", "A", Layers()) is SKIRT


def test_an_interlined_garment_is_lined_and_altered_whole():
    """A layer that is cut from the garment's own pieces does not make these pieces linings."""
    plain = overshirt.draft()
    own = tuple(Layer(LayerKind.INTERLINING, p, p) for p in ("front", "back"))
    warm = replace(plain, making=replace(plain.making, layers=(*plain.making.layers, *own)))
    choices = ClothChoices(layers=Layers(lining=LiningSchool.WHOLE))
    lined = [
        {layer.of for layer in derived(one, "L", "A", choices, ()).making.layers if layer.kind is LayerKind.LINING}
        for one in (plain, warm)
    ]
    assert lined[0] == lined[1] and {"front", "back"} <= lined[0]
    longer = Alteration("hem", 30.0)
    changed = [{t.piece for t in carry_out(one, "L", (longer,)).touched} for one in (plain, warm)]
    assert changed[0] == changed[1]


def test_a_dress_with_a_waist_seam_has_its_lining_sewn_in_at_the_waist():
    """Common practice, no source: allowance to allowance, once the lining hangs and both waists are whole."""
    text = (Path(__file__).parents[1] / "outside" / "descriptions" / "gathered-dress.json").read_text()
    dress = compose(read_description(text)).pattern
    size = dress.envelope.sizes[1]
    lined = with_layers(dress, size, "A", WHOLE)
    order = [op.id for op in sequence(compile_steps(lined, "A", size, MakingChoices()))]
    assert "catch-lining-waist" in order
    waist = max(order.index(id) for id in order if id.startswith("press-") and "waist" in id)
    assert order.index("lay-in-lining") < order.index("catch-lining-waist") > waist
