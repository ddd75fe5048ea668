"""Notions and the list they stand on, by figures worked by hand.

Card sizes, stock lengths, spares and allowances are common practice, no source.
"""

import csv
import math
import re
from dataclasses import replace

import pytest

from rowanseed.core.base.units import INCH, Units
from rowanseed.core.base.working import Working, cloth_length
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment, compile_steps
from rowanseed.core.make.equipment import Equipment
from rowanseed.core.make.operation import Bench, Supply
from rowanseed.core.notions.added import Wanted, WantedKind, asked_for, edge_length, edges_to_choose, notion
from rowanseed.core.notions.buttons import buttons_to_buy
from rowanseed.core.notions.notion import InUse
from rowanseed.core.notions.sorts import Group, Sort
from rowanseed.core.notions.thread import LOCKSTITCH, WASTE, sewn_lengths
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.notions.zips import zip_to_buy
from rowanseed.core.pattern.envelope import PrintedNotion, Structure
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind
from rowanseed.core.shopping import ShoppingLine, is_printed, merged
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.formats.shopping_csv import write_shopping

from .everyday import EVERYDAY, everyday
from .garments import SIZE
from .wardrobe import WARDROBE

SKIRT, SHIRT, TROUSERS, WAISTCOAT = (m.draft() for m in (six_gore_skirt, overshirt, trousers, waistcoat))


def steps_of(pattern, size):
    return compile_steps(pattern, "A", size, MakingChoices())


@pytest.mark.parametrize(("needed", "cards"), [(1, 1), (2, 1), (3, 2), (5, 2), (6, 3), (7, 3), (8, 3), (9, 4)])
def test_buttons_are_bought_by_the_card_with_one_to_spare(needed, cards):
    assert buttons_to_buy(needed).value == cards


@pytest.mark.parametrize(("card", "cards"), [(1, 8), (2, 4), (3, 3), (4, 2), (8, 1)])
def test_cards_hold_as_many_as_the_shop_has_on_them(card, cards):
    """The overshirt's seven buttons and a spare, on cards of so many: whole cards."""
    found = notions(SHIRT, "A", "L", None, overlocker=False, card=card)
    (buttons,) = [n for n in found if n.what.startswith("Buttons")]
    assert buttons.count == cards and f"{card * cards - 7} left over" in buttons.working.formula


@pytest.mark.parametrize(
    ("opening", "invisible", "inches"),
    [(100.0, False, 4), (200.0, False, 8), (180.0, False, 7), (270.0, False, 12), (900.0, False, 36), (200.0, True, 9)],
)
def test_a_zip_is_the_next_stock_length(opening, invisible, inches):
    """Less the 8 mm left free at its top; an invisible one is 2 to 3 cm longer than its opening (by hand)."""
    assert zip_to_buy(opening, invisible=invisible).value == pytest.approx(inches * INCH)


def test_what_only_the_envelope_asks_for_is_bought_and_buttons_have_their_size():
    found = notions(WAISTCOAT, "A", "14", None, overlocker=False, garments=2)
    assert ("Buckle, for the back belt", 2) in [(n.what, n.count) for n in found]
    assert any(n.what.startswith("Buttons, 20 mm (3/4 in): 10") for n in found)
    hooks = next(n for n in notions(SKIRT, "A", "14", None, overlocker=False, garments=6) if n.sort is Sort.HOOKS)
    assert hooks.count == 1, "six hooks come in one packet"


def test_thread_is_bought_for_what_is_sewn_and_neatened_and_for_nothing_else():
    """A bagged waistcoat neatens nothing: its thread is that of its seams alone."""
    straight, neatened = sewn_lengths(WAISTCOAT, "14", steps_of(WAISTCOAT, "14"))
    assert neatened == 0 and straight > 5_000


def test_thread_is_the_seams_times_what_a_stitch_takes():
    """The skirt's seams by hand: six seams of 0.65 m, the centre back, waist 0.8 m, facing, hem 1.5 m: about 7 m.

    The rest: staystitching, understitching, the zip twice, and the sides basted for the try-on.
    """
    steps = steps_of(SKIRT, "14")
    straight, finish = sewn_lengths(SKIRT, "14", steps)
    assert 7_000 < straight < 12_000 and finish > 0
    found = notions(SKIRT, "A", "14", None, overlocker=True, steps=steps)
    (thread,) = [n for n in found if n.what.startswith("Sewing thread")]
    assert thread.working.value == pytest.approx(straight * LOCKSTITCH * WASTE)


def test_every_garment_gets_its_own_notions():
    found = {
        p.name: {
            n.what.split(":")[0].split(",")[0] for n in notions(p, "A", p.envelope.sizes[3], None, overlocker=False)
        }
        for p in (SKIRT, SHIRT, TROUSERS)
    }
    assert (
        "Invisible zip" in found[SKIRT.name] and "Buttons" in found[SHIRT.name] and "Lapped zip" in found[TROUSERS.name]
    )


def test_a_list_for_several_garments_adds_up_and_shares_a_packet_of_needles():
    def line(what, count, project, sort):
        return ShoppingLine(
            group=sort.group,
            what=what,
            count=count,
            unit="packet",
            length=None,
            projects=(project,),
            workings=(),
            sort=sort,
        )

    hooks = [line("Hook and eye", 1, p, Sort.HOOKS) for p in ("a", "b")]
    found = merged(
        [
            line("Machine needles, universal 80/12", 1, "a", Sort.NEEDLES),
            line("Machine needles, universal 80/12", 1, "b", Sort.NEEDLES),
            *hooks,
            line("Sewing thread to match", 1, "a", Sort.THREAD),
            line("Sewing thread to match", 2, "b", Sort.THREAD),
        ]
    )
    assert [(n.what, n.count, n.projects) for n in found] == [
        ("Hook and eye", 2, ("a", "b")),
        ("Machine needles, universal 80/12", 1, ("a", "b")),
        ("Sewing thread to match", 1, ("a",)),
        ("Sewing thread to match", 2, ("b",)),
    ]
    rows = list(csv.reader(write_shopping(found, Units.METRIC).splitlines()))
    assert rows[1] == [Group.FASTENINGS.words, "Hook and eye", "2 packets", "a; b", "", ""]


def test_several_garments_are_neatened_from_the_same_cones_as_long_as_these_last():
    def line(project, metres):
        working = Working("Overlock thread", cloth_length(metres * 1000.0), "edges", ())
        cones = InUse(at_once=4, reach=1_000_000.0)
        return ShoppingLine(
            group=Sort.OVERLOCK_THREAD.group,
            what="Overlock thread",
            count=cones.number(working.value),
            unit="cone",
            length=None,
            projects=(project,),
            workings=(working,),
            sort=Sort.OVERLOCK_THREAD,
            in_use=cones,
        )

    used = {"blouse": 300, "dress": 900, "coat": 1800, "six shirts": 2000}
    lines = [line(project, metres) for project, metres in used.items()]
    assert [merged(lines[:n])[0].count for n in range(1, 5)] == [4, 4, 4, 8]
    assert merged(lines)[0].projects == tuple(used)


def test_what_is_bought_by_length_adds_up_and_is_written_as_the_household_reads_it():
    elastic = [notion(SKIRT, "14", Wanted(WantedKind.ELASTIC, 700.0)) for _ in range(2)]
    found = merged(
        ShoppingLine(
            group=n.sort.group,
            what=n.what,
            count=n.count,
            unit=n.unit,
            length=n.length,
            projects=(p,),
            workings=(n.working,),
        )
        for n, p in zip(elastic, "ab", strict=True)
    )
    assert found[0].length == pytest.approx(2 * (0.9 * 700 + 12.7))
    assert found[0].amount(Units.METRIC) == "128.5 cm" and found[0].amount(Units.IMPERIAL) == "50 5/8 in"
    cloth = ShoppingLine(group=Group.CLOTH, what="Linen", count=1, unit="", length=1600.0, projects=("a",), workings=())
    assert cloth.amount(Units.METRIC) == "1.60 m" and cloth.amount(Units.IMPERIAL) == "1 3/4 yd"
    assert replace(cloth, length=None).amount(Units.METRIC) == "no cloth chosen yet"
    chosen = Cloth("Linen", 1400, None, 10, Direction.TWO_WAY)
    assert replace(cloth, length=None, cloth=chosen).amount(Units.METRIC) == "not worked out yet"


# ---------------------------------------------------------------- notions besides


def test_elastic_is_nine_tenths_of_the_body_and_half_an_inch():
    """Common practice, no source: 28 in round the waist, 25.2 + 0.5 = 25.7 in of elastic."""
    assert notion(SKIRT, "14", Wanted(WantedKind.ELASTIC, 28 * INCH)).working.value == pytest.approx(25.7 * INCH)


def test_bones_stop_an_eighth_of_an_inch_short_at_both_ends():
    bones = notion(SKIRT, "14", Wanted(WantedKind.BONING, 10 * INCH, count=6))
    assert bones.working.value == pytest.approx(6 * 9.75 * INCH)


def test_piping_along_an_edge_takes_the_edge_as_it_is_drawn():
    """Round the skirt's hem: both hands of every piece, with a joining allowance; two packets for more than 2.5 m."""
    around = edge_length(SKIRT, "14", "hem")
    piping = notion(SKIRT, "14", Wanted(WantedKind.PIPING, edge="hem"))
    assert piping.working.value == pytest.approx(around + 25 * (math.ceil(around / 2500) + 1))
    assert piping.count == math.ceil(piping.working.value / 2500)
    assert ("hem", "Hem") in edges_to_choose(SKIRT) and edge_length(SKIRT, "14", "no such edge") == 0


def test_bound_edges_casings_and_pads_ask_for_their_notions_themselves():
    parts = tuple(EdgePart(p, "hem") for p in ("front", "side-front", "side-back", "back"))
    finishes = tuple(f for f in SKIRT.making.finishes if f.id != "hem")
    bound = replace(
        SKIRT,
        making=replace(
            SKIRT.making, finishes=(*finishes, Finish(id="hem", name="Hem", kind=FinishKind.BINDING, parts=parts))
        ),
    )
    cased = replace(
        SKIRT,
        making=replace(
            SKIRT.making, finishes=(*finishes, Finish(id="hem", name="Hem", kind=FinishKind.CASING, parts=parts))
        ),
    )
    tape = "Stay tape"
    assert [one.what for one in asked_for(_made(SKIRT), Layers())] == [tape]
    assert [one.what for one in asked_for(_made(bound), Layers())] == [tape, "Bias binding, 2.5 m (2 3/4 yd)"]
    _, elastic, pads = asked_for(_made(cased), Layers(pad=8.0))
    around = edge_length(cased, "14", "hem")
    assert elastic.working.value == pytest.approx(around * 0.9 + 12.7)
    assert pads.sort is Sort.PADS


def test_a_cord_is_bought_for_a_drawstring_and_no_elastic():
    """What is drawn in is bought: a casing alone does not say which."""
    used = asked_for(compile_garment(WARDROBE["drawn skirt"](), "A", SIZE, MakingChoices()).operations, Layers())
    assert [one.sort for one in used if one.sort is not Sort.OTHER] == [Sort.CORD]


def test_what_the_envelope_prints_is_not_listed_a_second_time():
    printed = replace(SKIRT, envelope=replace(SKIRT.envelope, notions=(PrintedNotion("Cotton tape", 1, "6 mm"),)))
    (tape,) = asked_for(_made(SKIRT), Layers())
    assert is_printed(printed, tape) and not is_printed(SKIRT, tape)


def _made(pattern):
    return compile_garment(pattern, "A", "14", MakingChoices()).operations


def test_shoulder_pads_come_in_pairs():
    assert notion(SHIRT, "L", Wanted(WantedKind.PADS, count=2)).count == 2


@pytest.mark.parametrize(("opening", "snaps"), [(40.0, 2), (100.0, 3), (101.0, 4), (300.0, 7)])
def test_snaps_are_a_hands_breadth_apart_with_one_at_each_end(opening, snaps):
    assert notion(SKIRT, "14", Wanted(WantedKind.SNAPS, opening)).count == snaps


@pytest.mark.parametrize(("threads", "factor"), [(3, 14.0), (4, 18.0)])
def test_an_overlocker_takes_a_cone_for_each_thread(threads, factor):
    """Thread per length of stitching: industry tables, from memory."""
    steps = steps_of(SKIRT, "14")
    _, finish = sewn_lengths(SKIRT, "14", steps)
    found = notions(SKIRT, "A", "14", None, overlocker=True, threads=threads, steps=steps)
    (cones,) = [n for n in found if n.what.startswith("Overlock")]
    assert cones.count == threads and cones.working.value == pytest.approx(finish * factor * WASTE)


def test_a_batch_buys_for_all_its_garments():
    one, three = (notions(SHIRT, "A", "L", None, overlocker=False, garments=n) for n in (1, 3))
    buttons = [next(n for n in found if n.what.startswith("Buttons")) for found in (one, three)]
    assert [b.working.given[0].quantity.value for b in buttons] == [7, 21]
    assert buttons[1].count == math.ceil((21 + 1) / 3)


@pytest.mark.parametrize("equipment", [Equipment(), Equipment(machine=False)])
@pytest.mark.parametrize("cloth", [Structure.WOVEN, Structure.KNIT])
@pytest.mark.parametrize("name", ["t-shirt", "shift", "blazer"])
def test_every_needle_that_a_step_threads_is_bought_and_no_other(name, cloth, equipment):
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    lined = with_layers(pattern, size, "A", Layers(lining=LiningSchool.WHOLE))
    steps = compile_steps(lined, "A", size, MakingChoices(equipment=equipment, structure=cloth))
    threaded = {op.setting.needle for op in steps if op.bench is Bench.MACHINE and op.setting}
    found = [n for n in notions(lined, "A", size, None, overlocker=False, steps=steps) if n.sort is Sort.NEEDLES]
    assert {n.what.lower().removeprefix("machine needles, ") for n in found} == (threaded or {"hand-sewing needles"})
    assert len(found) == len(threaded or {""}) and bool(threaded) is equipment.machine


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_a_step_lays_behind_a_cut_is_bought(name):
    """A sentence that says “where” or “or” leaves it to the sewist."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    for op in compile_garment(pattern, "A", size, MakingChoices()).operations:
        told = [one for text in op.how for one in re.split(r"(?<=[.;]) ", text) if "of fusible" in one]
        if any(not re.search(r"\b(where|loosely|soft|or with)\b", one) for one in told):
            assert {use.supply for use in op.uses} & {Supply.FUSIBLE, Supply.FUSIBLE_TAPE}, (op.id, told)


def test_bones_are_one_line_of_the_list_with_the_casing_that_they_lie_in():
    """Worked by hand: each bone 1/8 in shorter than its channel at both ends."""
    pattern = everyday("ball gown")
    steps = compile_garment(pattern, "A", "12", MakingChoices()).operations
    listed = [one for one in asked_for(steps, Layers()) if one.sort is Sort.BONING]
    bones = [use for op in steps for use in op.uses if use.supply is Supply.BONING]
    assert [one.what for one in listed] == ["Bone casing", f"Boning, {sum(use.count for use in bones)} bones"]
    cut = sum((use.mm - INCH / 4) * use.count for use in bones)
    assert listed[1].working.quantity.value == pytest.approx(cut)
    assert listed[0].working.quantity.value == pytest.approx(sum(use.mm * use.count for use in bones))
