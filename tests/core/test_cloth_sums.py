"""Widths, conversion, tactics and notions, by figures worked by hand and by the trade's tables.

The conversion table's figures are checked against single cells written out here a second time, from memory, as
the extension services hand them out. Card sizes, stock lengths and spares are common practice, no source.
"""

from dataclasses import replace
from fractions import Fraction
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.base.units import INCH, YARD, Units
from rowanseed.core.choices import ClothChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.cloth.conversion import TABLE, WIDTHS_IN, column, convert
from rowanseed.core.cloth.widths import USUAL_WIDTHS, best_plans, cells
from rowanseed.core.garment import GarmentChoices, derived, lay_problem
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.estimate import FirstSight, estimate
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.saving.apply import offered
from rowanseed.core.saving.combine import clash, combined
from rowanseed.core.saving.tactics import LOOSENS, TACTICS
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

SKIRT, SHIRT, TROUSERS, WAISTCOAT = (m.draft() for m in (six_gore_skirt, overshirt, trousers, waistcoat))
WIDE = Cloth(name="c", width=1400, length=None, selvedge=12, direction=Direction.ONE_WAY)


# ---------------------------------------------------------------- the conversion table


@pytest.mark.parametrize(
    ("inches", "yards", "to", "wanted"),
    [
        (45, "1 3/8", 60, "1"),
        (45, "2 1/4", 60, "1 3/4"),
        (36, "3 1/8", 45, "2 1/2"),
        (60, "2", 54, "2 1/4"),
        (54, "2", 45, "2 1/2"),
    ],
)
def test_the_table_reads_as_it_is_handed_out(inches, yards, to, wanted):
    def mm(text):
        return float(sum(Fraction(part) for part in text.split())) * YARD

    found = convert(mm(yards), inches * INCH, to * INCH, add_nap=False)
    assert found.value == pytest.approx(mm(wanted))


def test_the_table_falls_from_narrow_to_wide_and_grows_down():
    assert len(TABLE) == 12 and all(len(row) == len(WIDTHS_IN) for row in TABLE)
    assert all(a >= b for row in TABLE for a, b in pairwise(row))
    assert all(x < y for a, b in pairwise(TABLE) for x, y in zip(a, b, strict=True))


def test_nap_and_a_large_difference_of_width_add_a_quarter_yard_each():
    plain, nap = (convert(2 * YARD, 45 * INCH, 54 * INCH, add_nap=n).value for n in (False, True))
    assert nap - plain == pytest.approx(YARD / 4)
    far = convert(2 * YARD, 36 * INCH, 60 * INCH, add_nap=False)
    assert far.value == pytest.approx((1 + 1 / 4 + 1 / 4) * YARD)


def test_beyond_the_table_it_says_nothing():
    assert convert(9 * YARD, 45 * INCH, 60 * INCH, add_nap=False) is None
    assert convert(0.4 * YARD, 36 * INCH, 45 * INCH, add_nap=False) is None
    assert column(500.0) is None


# ---------------------------------------------------------------- every width


@pytest.fixture(scope="module")
def skirt_lays():
    every = cells(SKIRT, GarmentChoices("A", "10"), Role.MAIN, None)
    return every, {k: solve(cell.problem, Budget(sweeps=40)) for k, cell in enumerate(every)}


@pytest.mark.slow
def test_every_usual_width_in_both_directions_is_asked_for(skirt_lays):
    every, _ = skirt_lays
    assert [(c.width, c.one_way) for c in every] == [
        (w, d is Direction.ONE_WAY) for w in USUAL_WIDTHS[Units.METRIC] for d in Direction
    ]
    assert len(cells(SKIRT, GarmentChoices("A", "10"), Role.INTERFACING, None)) == 1
    yards = cells(SKIRT, GarmentChoices("A", "10"), Role.MAIN, None, Units.IMPERIAL)
    assert sorted({round(c.width / 25.4, 3) for c in yards}) == [36, 45, 54, 60], "an inch shop's own widths"


def test_no_lay_is_shorter_than_its_pieces_areas_allow(skirt_lays):
    """The sum of the areas, by Shapely, over the usable width is a lower bound for every lay."""
    every, plans = skirt_lays
    for k, cell in enumerate(every):
        area = sum(Polygon(p.outline).area * p.cut * (2 if p.fold else 1) for p in cell.problem.pieces)
        assert plans[k].length >= area / (cell.width - 2 * cell.cloth.selvedge)


def test_more_width_or_more_freedom_never_needs_more(skirt_lays):
    every, plans = skirt_lays
    best = best_plans(plans, every)
    by = {(c.width, c.one_way): best[k].length for k, c in enumerate(every)}
    for width in USUAL_WIDTHS[Units.METRIC]:
        assert by[width, False] <= by[width, True]
    for one_way in (True, False):
        opened = [k for k, c in enumerate(every) if c.one_way is one_way and plans[k].stretches[0].lay is LayKind.OPEN]
        for a in opened:
            for b in range(len(every)):
                if every[b].one_way is one_way and every[b].width >= every[a].width:
                    assert best[b].length <= plans[a].length + 1e-6


def test_a_plan_taken_over_from_a_stricter_case_holds_there(skirt_lays):
    """The exact checker accepts it on the other cloth."""
    every, plans = skirt_lays
    best = best_plans(plans, every)
    for k, cell in enumerate(every):
        if best[k] is not plans[k]:
            assert check(cell.problem, best[k]) == [], cell.cloth.name


# ---------------------------------------------------------------- tactics


@pytest.mark.slow
@pytest.mark.parametrize("pattern", [SKIRT, SHIRT, TROUSERS, WAISTCOAT], ids=lambda p: p.name)
def test_every_tactic_leaves_a_pattern_that_holds_together_and_can_be_sewn(pattern):
    size = pattern.envelope.sizes[3]
    for tactic in offered(pattern, "A", Role.MAIN, one_way=True):
        changed = derived(pattern, size, "A", ClothChoices(), (tactic,))
        # Pieces worked out for this garment have no other sizes.
        own = replace(changed, envelope=replace(changed.envelope, sizes=(size,)))
        assert [f.problem for f in faults(own)] == [], tactic
        assert sequence(compile_steps(changed, "A", size, MakingChoices()))


def _tried(pattern, tactics):
    return lay_problem(
        derived(pattern, "14", "A", ClothChoices(), tactics), GarmentChoices("A", "14"), Role.MAIN, WIDE, tactics
    )


@pytest.mark.slow
@pytest.mark.parametrize("tactic", sorted(LOOSENS))
def test_what_loosens_never_needs_more_area_and_its_lay_passes_the_check(tactic):
    plain, loose = (_tried(SKIRT, t) for t in ((), (tactic,)))
    assert sum(p.area * p.cut for p in loose.pieces) <= sum(p.area * p.cut for p in plain.pieces) + 1
    assert check(loose, solve(loose, Budget(sweeps=20))) == []


def test_a_centre_seam_adds_its_allowance_and_a_step_to_sew():
    seamed = derived(SKIRT, "14", "A", ClothChoices(), ("centre-seam",))
    (cut,) = seamed.piece("front").cuts_for(Role.MAIN, "A")
    assert (cut.fold, cut.count, cut.pair) == (None, 2, True)
    grown = (
        Polygon(lines(seamed.piece("front"), "14").cutting_ring()).area
        - Polygon(lines(SKIRT.piece("front"), "14").cutting_ring()).area
    )
    long = lines(SKIRT.piece("front"), "14").cutting["centre"]
    assert grown == pytest.approx(15 * (long[-1][0] - long[0][0]), rel=0.03)
    assert "sew-centre-front" in {s.id for s in compile_steps(seamed, "A", "14", MakingChoices())}


def test_a_faced_hem_changes_what_is_folded():
    steps = {
        s.id: s
        for s in compile_steps(derived(SKIRT, "14", "A", ClothChoices(), ("faced-hem",)), "A", "14", MakingChoices())
    }
    assert steps["face-hem"].title == "Sew the facing to the hem"
    assert {n.step for n in steps["face-hem"].needs} >= {
        "level-hem",
        "press-hem-facing-side-seams",
        "neaten-hem-facing-edge",
    }
    assert steps["sew-hem"].title.startswith("Catch the facing down")


def test_facings_from_another_cloth_leave_the_main_cloth():
    pieces = _tried(WAISTCOAT, ("other-facing",)).pieces
    assert "facing" not in {p.id for p in pieces}
    assert Role.CONTRAST in derived(WAISTCOAT, "14", "A", ClothChoices(), ("other-facing",)).roles("A")


@given(st.lists(st.sampled_from(sorted(TACTICS)), max_size=6))
def test_tactics_that_clash_are_not_combined(tactics):
    kept = combined(tuple(tactics))
    assert not any(clash(a, b) for k, a in enumerate(kept) for b in kept[:k])
    assert set(kept) <= set(tactics)
    assert [TACTICS[t].cost.points for t in kept] == sorted(TACTICS[t].cost.points for t in kept)


# ---------------------------------------------------------------- the first answer


@pytest.mark.slow
@pytest.mark.parametrize("pattern", [SKIRT, SHIRT, TROUSERS, WAISTCOAT], ids=lambda p: p.name)
@pytest.mark.parametrize("width", USUAL_WIDTHS[Units.METRIC])
def test_every_lay_comes_out_between_the_first_bounds(pattern, width):
    """The likely length is a guess; the bounds are not: a searched lay of open cloth lies between them, to 1 %."""
    cloth = Cloth(name="c", width=width, length=None, selvedge=12, direction=Direction.ONE_WAY)
    problem = lay_problem(pattern, GarmentChoices("A", pattern.envelope.sizes[1]), Role.MAIN, cloth, ("open-out",))
    first = estimate(problem)
    found = solve(problem, Budget(sweeps=300)).length
    assert first.least <= found
    assert first.most is None or found <= first.most * 1.01
    assert first.least <= first.likely


def test_the_first_answer_says_what_is_certain():
    first = estimate(lay_problem(SKIRT, GarmentChoices("A", "14"), Role.MAIN, WIDE))
    assert first.of(first.least - 5) is FirstSight.NO
    assert first.of(first.most + 1) is FirstSight.SURE
    assert first.of(first.likely + 1) is FirstSight.LIKELY
    assert first.of((first.least + first.likely) / 2) is FirstSight.DOUBTFUL
