"""The order of work is worked out from the graph, and every rule of the trade holds in it.

The checker in `tests/outside` knows the rules by itself and shares no code with the application. The rules (what comes
before what) are common practice, no source.
"""

import json
from dataclasses import replace

import pytest

from rowanseed.core.base.errors import PatternError
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Fibre, Surface
from rowanseed.core.derive.choice import InterfacingSchool, Layers, LinedPart, LiningHem, LiningSchool, Pleat
from rowanseed.core.garment import derived
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment, Foot, SeamFinish, SewingHabits, StaySchool, TryOn
from rowanseed.core.make.operation import Act, After, Bench, Operation
from rowanseed.core.make.sequencer import cost_of, ready, sequence, trips
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart, Finish, FinishKind, Making
from rowanseed.core.pattern.pieces import InnerLine, LineKind, Panel
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.formats.order_json import garment_document, order_document
from rowanseed.formats.pattern_json import read_pattern, write_pattern

from ..outside.check_order import Garment, check

SKIRT = six_gore_skirt.draft()
DRAFTS = {
    "skirt": (SKIRT, "14"),
    "waistcoat": (waistcoat.draft(), "14"),
    "trousers": (trousers.draft(), "14"),
    "overshirt": (overshirt.draft(), "L"),
}
LAYERS = {
    "plain": Layers(),
    "lined free": Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE, pleat=Pleat.FULL),
    "lined from the facing": Layers(lining=LiningSchool.DEDUCT, hem=LiningHem.ATTACHED, pad=8.0),
    "lined but for the sleeves": Layers(lining=LiningSchool.WHOLE, of=LinedPart.BODY, hem=LiningHem.ATTACHED),
    "underlined": Layers(underlined=True, interfacing=InterfacingSchool.TRIMMED),
    "hem faced": Layers(faced=frozenset({"hem"})),
}
HOUSEHOLDS = {
    "usual": MakingChoices(),
    "overlocker": MakingChoices(equipment=Equipment(overlock_threads=4)),
    "by hand only": MakingChoices(equipment=Equipment(machine=False)),
    "old machine": MakingChoices(equipment=Equipment(zigzag=False, stretch_stitch=False, feet=frozenset())),
    "knit": MakingChoices(structure=Structure.KNIT, equipment=Equipment(overlock_threads=4, differential=True)),
    "sides sewn": MakingChoices(habits=SewingHabits(try_on=TryOn.SEWN, hem_by_hand=True)),
    "basted, raw": MakingChoices(habits=SewingHabits(seam_finish=SeamFinish.RAW, try_on=TryOn.BASTED)),
    "pinked": MakingChoices(habits=SewingHabits(seam_finish=SeamFinish.PINKED, stay=StaySchool.EDGE)),
    "velvet": MakingChoices(surface=Surface.PILE, fibre=Fibre.VISCOSE, weight=320.0),
}


def ordered(pattern, size, choices):
    made = compile_garment(pattern, "A", size, choices)
    return replace(made, operations=sequence(made.operations))


def _order(pattern=SKIRT, **household):
    return sequence(compile_garment(pattern, "A", "14", MakingChoices(**household)).operations)


def _place(steps, id):
    return [step.id for step in steps].index(id)


def faults(pattern, size, operations):
    """What the outside checker finds in an order, played on the garment."""
    garment = json.loads(json.dumps(garment_document(pattern)))
    written = order_document(operations, pattern=pattern, size=size, view="A", garment="garment.json")
    order = json.loads(json.dumps(written))
    return check(Garment(garment), order["operations"])


# ---------------------------------------------------------------- the rules, from outside


@pytest.mark.slow
@pytest.mark.parametrize("household", HOUSEHOLDS)
@pytest.mark.parametrize("layers", LAYERS)
@pytest.mark.parametrize("name", DRAFTS)
def test_the_checker_finds_nothing_in_any_order(name, layers, household):
    draft, size = DRAFTS[name]
    pattern = derived(draft, size, "A", ClothChoices(layers=LAYERS[layers]), ())
    made = ordered(pattern, size, HOUSEHOLDS[household])
    assert made.gaps == ()
    assert faults(pattern, size, made.operations) == []


@pytest.mark.parametrize("name", DRAFTS)
def test_the_garments_document_is_a_pattern_that_can_be_read(name):
    draft = DRAFTS[name][0]
    assert read_pattern(json.dumps(garment_document(draft))) == read_pattern(write_pattern(draft))


# ---------------------------------------------------------------- the reference orders of a teacher

TEACHER = [
    ("skirt", "staystitch-waist", "sew-front-seams"),
    ("skirt", "interface-front-facing", "sew-facing-sides"),
    ("skirt", "neaten-centre-back", "zip-zip"),
    ("skirt", "baste-sides", "try-on-shell"),
    ("skirt", "zip-zip", "sew-centre-back"),
    ("skirt", "press-centre-back", "try-on-shell"),
    ("skirt", "carry-out-shell", "sew-side-seams"),
    ("skirt", "press-side-seams", "sew-waist"),
    ("skirt", "stay-tape-waist", "sew-waist"),
    ("skirt", "trim-waist", "understitch-waist"),
    ("skirt", "understitch-waist", "turn-waist"),
    ("skirt", "hook-hook", "try-on-hem"),
    ("skirt", "hang-hem", "try-on-hem"),
    ("skirt", "level-hem", "fold-hem"),
    ("waistcoat", "staystitch-armholes", "sew-princess"),
    ("waistcoat", "sew-on-welt-edges", "sew-neck"),
    ("waistcoat", "sew-on-belt-edges", "sew-sides"),
    ("waistcoat", "clip-princess", "press-princess"),
    ("waistcoat", "carry-out-shell", "sew-neck"),
    ("waistcoat", "turn-out", "sew-sides"),
    ("waistcoat", "press-sides", "close-gap"),
    ("waistcoat", "close-gap", "buttonholes-buttons"),
    ("trousers", "press-darts-back", "sew-on-pocket-edges"),
    ("trousers", "mouth-pocket-edges", "sew-on-pocket-edges"),
    ("trousers", "sew-front-crotch", "underlap-zip"),
    ("trousers", "zip-zip", "sew-back-crotch"),
    ("trousers", "press-inseams", "sew-back-crotch"),
    ("trousers", "trim-back-crotch", "press-back-crotch"),
    ("trousers", "carry-out-shell", "sew-waist"),
    ("trousers", "press-in-waistband", "sew-waist"),
    ("trousers", "ends-band-inside", "turn-in-band-inside"),
    ("trousers", "turn-in-band-inside", "hook-hook"),
    ("overshirt", "staystitch-neck", "sew-yoke"),
    ("overshirt", "press-yoke", "sew-shoulders"),
    ("overshirt", "press-collar-edge", "baste-collar-stand"),
    ("overshirt", "baste-collar-stand", "sew-collar-stand"),
    ("overshirt", "press-sides", "sew-armholes"),
    ("overshirt", "carry-out-shell", "sew-armholes"),
    ("overshirt", "remove-rows-armholes", "last-press"),
    ("overshirt", "press-bands", "sew-neck"),
    ("overshirt", "sew-hem", "ends-band-inside"),
    ("overshirt", "turn-in-band-inside", "buttonholes-buttons"),
]


@pytest.mark.parametrize(("name", "before", "after"), TEACHER)
def test_garments_are_made_as_a_teacher_has_them_made(name, before, after):
    draft, size = DRAFTS[name]
    steps = ordered(draft, size, MakingChoices()).operations
    assert _place(steps, before) < _place(steps, after)


@pytest.mark.parametrize("household", HOUSEHOLDS)
def test_every_need_comes_before_what_needs_it(household):
    for draft, size in DRAFTS.values():
        done = set()
        for step in ordered(draft, size, HOUSEHOLDS[household]).operations:
            assert {need.step for need in step.needs if need.must} <= done, step.title
            done.add(step.id)


def test_the_hem_is_the_last_seam_and_the_press_the_last_step():
    steps = _order()
    assert steps[-1].id == "last-press"
    assert [s.id for s in steps if s.bench is Bench.MACHINE][-1] == "sew-hem"


# ---------------------------------------------------------------- what is told


def _how(steps, id):
    return " ".join(next(s for s in steps if s.id == id).how)


def test_the_front_seam_of_trousers_is_closed_below_the_zip_and_not_over_it():
    how = _how(_order(DRAFTS["trousers"][0]), "sew-front-crotch")
    assert "above the crotch point" in how and "up to the zip mark" in how
    assert "baste on from the zip mark to the waist" in how


def test_a_pocket_keeps_its_mouth_open():
    steps = _order(DRAFTS["trousers"][0])
    assert "three sides" in _how(steps, "sew-on-pocket-edges")
    assert "mouth stays open" in _how(steps, "sew-on-pocket-edges")


def test_a_gap_is_left_before_it_is_closed():
    steps = _order(DRAFTS["waistcoat"][0])
    assert "On the second side stop" in _how(steps, "sew-sides")
    assert _place(steps, "sew-sides") < _place(steps, "close-gap")


def test_a_sleeve_is_never_pressed_to_the_back():
    steps = ordered(*DRAFTS["overshirt"], MakingChoices()).operations
    press = next(s for s in steps if s.id == "press-armholes")
    assert "into the sleeve" in press.title
    assert "all round" in _how(steps, "sew-armholes") and "second row" in _how(steps, "sew-armholes")


def test_men_lap_left_over_right_and_women_right_over_left():
    shirt, size = DRAFTS["overshirt"]
    mens = replace(shirt, envelope=replace(shirt.envelope, figure=Figure.MEN))
    assert "left front laps over the right" in _how(
        ordered(mens, size, MakingChoices()).operations, "buttonholes-buttons"
    )
    assert "right front laps over the left" in _how(_order(DRAFTS["waistcoat"][0]), "buttonholes-buttons")


def test_a_lapped_zip_is_not_told_like_a_centred_one():
    def told(kind):
        closures = tuple(replace(c, kind=kind) if c.id == "zip" else c for c in DRAFTS["trousers"][0].making.closures)
        pattern = replace(DRAFTS["trousers"][0], making=replace(DRAFTS["trousers"][0].making, closures=closures))
        return [step.how for step in _order(pattern) if "zip" in step.on.closures]

    assert told(ClosureKind.LAPPED_ZIP) != told(ClosureKind.CENTRED_ZIP)


def test_a_hook_above_a_zip_gets_an_eye_and_one_on_a_lapped_band_a_bar():
    assert "eye just past the other" in _how(_order(), "hook-hook")
    assert "right side of the underlap" in _how(_order(DRAFTS["trousers"][0]), "hook-hook")


def test_a_knit_is_sewn_with_a_stitch_that_stretches_and_hemmed_with_a_twin_needle():
    steps = {s.id: s for s in _order(structure=Structure.KNIT)}
    assert "stretch" in steps["sew-side-seams"].setting.stitch
    assert "twin needle" in steps["sew-hem"].setting.needle
    assert not any(id.startswith("staystitch") for id in steps)


def test_a_knit_is_hemmed_at_the_coverstitch_machine_where_there_is_one():
    steps = {s.id: s for s in _order(structure=Structure.KNIT, equipment=Equipment(coverstitch=True))}
    assert steps["sew-hem"].bench is Bench.COVERSTITCH and "coverstitch" in steps["sew-hem"].setting.stitch


def test_soft_cloth_gets_strips_along_its_zip_and_its_waist_is_stayed_all_round():
    steps = {s.id: s for s in _order(fibre=Fibre.VISCOSE)}
    assert "strip-zip" in steps
    assert {e.piece for e in steps["staystitch-waist"].edges} == {"front", "side-front", "side-back", "back"}


def test_pile_is_sewn_under_a_walking_foot_and_pressed_from_the_wrong_side_only():
    feet = frozenset({Foot.WALKING})
    steps = {s.id: s for s in _order(surface=Surface.PILE, equipment=Equipment(feet=feet))}
    assert steps["sew-side-seams"].setting.foot == "walking foot" and steps["sew-side-seams"].setting.length == 3.0
    assert "crushes the pile" in " ".join(steps["press-side-seams"].how)


def test_four_threads_are_said_where_there_are_four():
    steps = _order(equipment=Equipment(overlock_threads=4))
    assert {s.setting.stitch for s in steps if s.bench is Bench.OVERLOCKER} == {"4-thread overlock"}
    assert {s.bench for s in steps if s.act is Act.NEATEN} == {Bench.OVERLOCKER}


def test_a_house_without_a_machine_sews_everything_by_hand():
    steps = _order(equipment=Equipment(machine=False))
    assert not any(s.bench.is_machine or s.setting for s in steps)
    assert "backstitch" in _how(steps, "sew-side-seams")


@pytest.mark.slow
def test_machine_steps_say_how_the_machine_is_set():
    for household in HOUSEHOLDS.values():
        for draft, size in DRAFTS.values():
            for step in ordered(draft, size, household).operations:
                assert (step.setting is not None) == step.bench.is_machine, (step.id, step.bench)
                assert step.how and step.title and 0 < step.minutes[0] <= step.minutes[1]


# ---------------------------------------------------------------- silence is refused


def test_what_nothing_sews_is_told_by_name():
    closures = tuple(
        replace(c, kind=ClosureKind.ELASTIC) for c in DRAFTS["trousers"][0].making.closures if c.id == "zip"
    )
    made = compile_garment(
        replace(DRAFTS["trousers"][0], making=replace(DRAFTS["trousers"][0].making, closures=closures)),
        "A",
        "14",
        MakingChoices(),
    )
    assert any("elastic" in gap.said and "booklet" in gap.said for gap in made.gaps)


def test_what_was_chosen_for_a_part_that_is_gone_is_told():
    """A faced hem takes the place of a turned one; a project document may name what was never there."""
    made = compile_garment(SKIRT, "A", "14", MakingChoices(techniques=(("cuffs", "french"), ("hem", "glue"))))
    said = " ".join(gap.said for gap in made.gaps)
    assert "There is no “cuffs” in this garment now" in said and "not made as “glue”" in said
    assert faults(SKIRT, "14", sequence(made.operations)) == []


def test_what_waits_for_a_part_that_nothing_sews_is_not_told_a_second_time():
    """The elastic is told once, by its name, and no id of a piece or seam is ever read out."""
    draft = DRAFTS["trousers"][0]
    closures = tuple(replace(c, kind=ClosureKind.ELASTIC) for c in draft.making.closures if c.id == "zip")
    made = compile_garment(replace(draft, making=replace(draft.making, closures=closures)), "A", "14", MakingChoices())
    assert len(made.gaps) == 1


def test_the_same_way_chosen_for_two_parts_that_are_sewn_as_one_is_one_choice():
    draft = DRAFTS["waistcoat"][0]
    both = (("neck", "lining-edge-to-edge"), ("hems", "lining-edge-to-edge"))
    made = compile_garment(draft, "A", "14", MakingChoices(techniques=both))
    assert made.gaps == () and dict(made.taken)["hems"] == "lining-edge-to-edge"


def _with_ruffle():
    """A ruffle caught in the skirt's side seams: three layers, of which the yoke's way of sewing says nothing."""
    piece = replace(SKIRT.piece("side-back"), id="ruffle", name="Ruffle", panel=Panel.OTHER)
    side = next(j for j in SKIRT.making.joins if j.id == "side-seams")
    caught = replace(side, id="ruffle-sides", name="Ruffle into the side seams", b=(EdgePart("ruffle", "front"),))
    loose = Finish(
        "ruffle-edges",
        "Ruffle's edges",
        FinishKind.NEATENED,
        tuple(EdgePart("ruffle", edge) for edge in ("hem", "back", "waist")),
    )
    making = replace(SKIRT.making, joins=(*SKIRT.making.joins, caught), finishes=(*SKIRT.making.finishes, loose))
    return replace(SKIRT, pieces=(*SKIRT.pieces, piece), making=making)


def test_three_layers_are_sewn_in_one_seam_and_not_told_as_a_yoke():
    made = ordered(_with_ruffle(), "14", MakingChoices())
    taken = dict(made.taken)
    assert taken["side-seams"] == taken["ruffle-sides"] == "three-layers"
    assert "Roll" not in _how(made.operations, "sew-side-seams") and made.gaps == ()
    assert faults(_with_ruffle(), "14", made.operations) == [] and play(_with_ruffle(), made.operations) == ()


@pytest.mark.parametrize(
    ("piece", "name", "technique"),
    [("belt", "Back belt", "back-belt"), ("belt", "Badge", "patch"), ("welt", "Welt", "sham-welt")],
)
def test_a_loose_piece_is_made_up_as_what_the_pattern_calls_it(piece, name, technique):
    """Four of a loose strip are no back belt unless the pattern says so."""
    draft = DRAFTS["waistcoat"][0]
    id = piece if name.lower().endswith(piece) else "badge"
    pieces = tuple(replace(p, id=id, name=name) if p.id == piece else p for p in draft.pieces)
    finishes = tuple(
        replace(f, parts=tuple(replace(q, piece=id if q.piece == piece else q.piece) for q in f.parts))
        for f in draft.making.finishes
    )
    pattern = replace(draft, pieces=pieces, making=replace(draft.making, finishes=finishes))
    assert dict(compile_garment(pattern, "A", "14", MakingChoices()).taken)[f"{piece}-edges"] == technique


def test_a_folded_loose_piece_that_is_no_welt_is_left_to_the_booklet():
    draft = DRAFTS["waistcoat"][0]
    pieces = tuple(replace(p, name="Flap") if p.id == "welt" else p for p in draft.pieces)
    pieces = tuple(replace(p, id="flap") if p.id == "welt" else p for p in pieces)
    finishes = tuple(
        replace(f, parts=tuple(replace(q, piece="flap" if q.piece == "welt" else q.piece) for q in f.parts))
        for f in draft.making.finishes
    )
    made = compile_garment(
        replace(draft, pieces=pieces, making=replace(draft.making, finishes=finishes)), "A", "14", MakingChoices()
    )
    assert ["Edges of the welts" in gap.said and "booklet" in gap.said for gap in made.gaps].count(True) == 1


def test_every_casing_gets_its_own_elastic_and_one_without_says_that_it_is_not_known():
    edges = {f.id: f for f in SKIRT.making.finishes}
    waist = Finish(
        "top", "Waist casing", FinishKind.CASING, tuple(EdgePart(p.piece, "waist") for p in edges["hem"].parts)
    )
    hem = replace(edges["hem"], kind=FinishKind.CASING)
    facing = {"front-facing", "back-facing"}
    making = replace(
        SKIRT.making,
        joins=tuple(j for j in SKIRT.making.joins if j.id not in ("waist", "facing-sides")),
        closures=(Closure("elastic", ClosureKind.ELASTIC, "centre-back"),),
        finishes=(waist, hem),
        layers=(),
        booklet=(),
    )
    pattern = replace(SKIRT, pieces=tuple(p for p in SKIRT.pieces if p.id not in facing), making=making)
    made = ordered(pattern, "14", MakingChoices())
    assert made.gaps == () and faults(pattern, "14", made.operations) == []
    assert "envelope's notions do" not in _how(made.operations, "thread-top")
    assert "envelope's notions do" in _how(made.operations, "thread-hem")


def test_a_facing_waits_for_the_zip_that_meets_it_and_for_no_other():
    steps = {s.id: s for s in _order()}
    assert any(need.step == "zip-zip" for need in steps["sew-waist"].needs)
    closures = tuple(replace(c, join="side-seams", to_mark=None) if c.id == "zip" else c for c in SKIRT.making.closures)
    moved = {s.id: s for s in _order(replace(SKIRT, making=replace(SKIRT.making, closures=closures)))}
    assert any(need.step == "zip-zip" for need in moved["sew-waist"].needs)


def test_pads_are_sewn_in_before_the_lining_hides_them():
    draft, size = DRAFTS["overshirt"]
    layers = Layers(lining=LiningSchool.WHOLE, hem=LiningHem.ATTACHED, pad=8.0)
    pattern = derived(draft, size, "A", ClothChoices(layers=layers), ())
    steps = ordered(pattern, size, MakingChoices(pad=8.0)).operations
    assert _place(steps, "press-armholes") < _place(steps, "pads") < _place(steps, "lay-in-lining")
    assert "0.8 cm thick" in _how(steps, "pads") and faults(pattern, size, steps) == []
    assert not any(s.id == "pads" for s in ordered(pattern, size, MakingChoices()).operations)


def test_every_step_of_a_house_without_a_machine_says_its_stitch():
    """Whatever a technique writes for the machine is told by hand, with the stitch that takes its place."""
    for draft, size in DRAFTS.values():
        machine = {s.id: s for s in ordered(draft, size, MakingChoices()).operations}
        hand = {s.id: s for s in ordered(draft, size, MakingChoices(equipment=Equipment(machine=False))).operations}
        for id, step in hand.items():
            if id in machine and machine[id].bench.is_machine and id != "sew-hem":  # which is a hem by hand then
                assert step.how[-1].startswith("By hand: ") and step.minutes[0] > machine[id].minutes[0], id
                assert "needle reaches" not in step.caution
        assert not {"sample-neaten", "sample-zip"} & hand.keys()


def test_pleats_drawn_on_a_piece_are_folded_before_it_is_joined():
    front = SKIRT.piece("front")
    line = InnerLine("pleat-1", LineKind.PLEAT, dict.fromkeys(front.shapes, ((10.0, 30.0), (300.0, 30.0))))
    pieces = tuple(replace(p, lines=(*p.lines, line)) if p.id == "front" else p for p in SKIRT.pieces)
    pattern = replace(SKIRT, pieces=pieces)
    made = ordered(pattern, "14", MakingChoices())
    assert made.gaps == () and faults(pattern, "14", made.operations) == []
    assert _place(made.operations, "press-pleats-front") < _place(made.operations, "sew-front-seams")


def test_a_bound_edge_a_casing_and_a_turned_one_are_all_made():
    finishes = {f.id: f for f in SKIRT.making.finishes}
    for kind, id in (
        (FinishKind.BINDING, "bind-hem"),
        (FinishKind.CASING, "thread-hem"),
        (FinishKind.TURNED, "turn-in-hem"),
    ):
        hem = Finish("hem", "Hem", kind, finishes["hem"].parts)
        making = replace(SKIRT.making, finishes=tuple(hem if f.id == "hem" else f for f in SKIRT.making.finishes))
        made = ordered(replace(SKIRT, making=making), "14", MakingChoices())
        assert made.gaps == ()
        assert id in {op.id for op in made.operations}
        assert faults(replace(SKIRT, making=making), "14", made.operations) == []


def test_a_technique_that_cannot_be_is_told_and_the_usual_one_taken():
    made = compile_garment(SKIRT, "A", "14", MakingChoices(techniques=(("centre-back", "french"),)))
    (gap,) = made.gaps
    assert "Centre back seam" in gap.said and "usual way" in gap.said
    assert ("centre-back", "plain") in made.taken


@pytest.mark.parametrize("technique", ["french", "flat-felled", "mock-felled"])
def test_a_chosen_seam_changes_its_operations_and_nothing_else(technique):
    usual, chosen = (
        ordered(SKIRT, "14", MakingChoices(techniques=techniques)) for techniques in ((), (("front-seams", technique),))
    )
    assert chosen.gaps == () and faults(SKIRT, "14", chosen.operations) == []
    other = {op.id for op in usual.operations} ^ {op.id for op in chosen.operations}
    assert other and all(id.endswith("front-seams") for id in other)


def test_a_french_seam_uses_up_its_allowance():
    """6 and 9 mm are the 15 mm of the allowance (craft of linings, common practice, no source)."""
    how = _how(_order(techniques=(("front-seams", "french"),)), "first-front-seams")
    assert "0.6 cm and 0.9 cm are 1.5 cm" in how


@pytest.mark.parametrize("technique", ["hem-by-hand", "blind-hem", "hem-by-machine"])
def test_hems_by_other_ways_hold(technique):
    made = ordered(SKIRT, "14", MakingChoices(techniques=(("hem", technique),)))
    assert made.gaps == () and faults(SKIRT, "14", made.operations) == []
    assert dict(made.taken)["hem"] == technique


def test_a_sleeve_may_be_sewn_in_flat():
    draft, size = DRAFTS["overshirt"]
    made = ordered(draft, size, MakingChoices(techniques=(("armholes", "sleeve-in-the-flat"),)))
    assert made.gaps == () and faults(draft, size, made.operations) == []
    assert _place(made.operations, "sew-armholes") < _place(made.operations, "sew-sides")


# ---------------------------------------------------------------- the sequencer


def test_a_centred_zip_goes_in_after_the_seam_below_it():
    closures = tuple(
        replace(c, kind=ClosureKind.CENTRED_ZIP) if c.kind is ClosureKind.INVISIBLE_ZIP else c
        for c in SKIRT.making.closures
    )
    steps = _order(replace(SKIRT, making=replace(SKIRT.making, closures=closures)))
    assert _place(steps, "press-centre-back") < _place(steps, "zip-zip") < _place(steps, "sew-waist")


def test_like_is_done_with_like():
    """Fewer walks than the order in which the graph happens to be written."""
    compiled = compile_garment(SKIRT, "A", "14", MakingChoices()).operations
    assert trips(_order()) < trips(compiled) * 0.75
    assert cost_of(_order()) < cost_of(compiled)


def test_what_is_ready_waits_for_nothing():
    steps = _order()
    done = frozenset(step.id for step in steps[:12])
    free = ready(steps, done)
    assert steps[12] in free
    assert all({need.step for need in step.needs} <= done for step in free)
    assert ready(steps, frozenset(s.id for s in steps)) == ()


def test_a_pattern_without_joins_has_no_order():
    assert compile_garment(replace(SKIRT, making=Making()), "A", "14", MakingChoices()).operations == ()


def test_a_zip_without_a_mark_still_compiles():
    closures = (Closure("zip", ClosureKind.INVISIBLE_ZIP, "centre-back"),)
    assert _order(replace(SKIRT, making=replace(SKIRT.making, closures=closures)))


def test_steps_that_wait_for_each_other_are_reported():
    def step(id, needs):
        return Operation(
            id=id,
            technique="t",
            act=Act.JOIN,
            title=f"Do {id}",
            how=(),
            bench=Bench.HAND,
            needs=(After(needs, "so"),),
        )

    with pytest.raises(PatternError, match="wait for each other"):
        sequence([step("a", "b"), step("b", "a")])
