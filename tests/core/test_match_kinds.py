"""What can be matched, kind by kind, on the lay that comes of it.

That hems lie on one bar, pockets on their ground's print and lines meet in a V is common practice, no source; here it
is looked at point by point where the cloth is really cut, not where the match says.
"""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.cloth.across_seams import lying_on_cloth, nearest, sewn_seams
from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat, Stripe, Stripes
from rowanseed.core.cloth.matching import KINDS, NOTHING, Held, Matching, hem_points, offered
from rowanseed.core.cloth.matching.symmetry import mirror_lines, places
from rowanseed.core.cloth.on_ground import pockets_on_ground
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Skirt
from rowanseed.core.compose.vocabulary import SkirtGrain
from rowanseed.core.garment import GarmentChoices, altered, lay_problem, matched
from rowanseed.core.geometry.outline import chain_length, flatten, point_at
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay import edit
from rowanseed.core.lay.check import check
from rowanseed.core.lay.edit.placements import lay_down, put
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import LayKind, Plan
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.opened_out import OTHER_HAND, with_unlike_opened
from rowanseed.core.pattern.pieces import Grain, Panel, Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .everyday import EVERYDAY
from .test_lay import outside

ALONG, ACROSS = 92.0, 84.0
LINES = (Stripe(18, 4), Stripe(40, 20), Stripe(78, 4))
"""Mirror images of each other about the middle of the broad line, at 50 mm, and half a repeat further, at 8 mm."""
CHECK = Cloth(
    name="check",
    width=1500,
    length=None,
    selvedge=12,
    direction=Direction.TWO_WAY,
    washed=True,
    repeat=Repeat(ALONG, ACROSS),
    lines=Stripes(LINES),
)


def laid(draft, how, cloth=CHECK, change=lambda pattern: pattern, seed=1):
    pattern = draft()
    size = pattern.envelope.sizes[2]
    choices = GarmentChoices(pattern.envelope.views[0].id, size)
    cut = change(altered(pattern, choices).pattern)
    problem = lay_problem(cut, choices, Role.MAIN, cloth, matching=how)
    plans = [plan for plan in solve_each(problem, Budget(sweeps=8, seed=seed)).values() if isinstance(plan, Plan)]
    plan = min(plans, key=lambda one: one.length)
    assert check(problem, plan) == []
    _, said = matched(cut, choices, Role.MAIN, cloth, how)
    return cut, size, problem, plan, {one.name: one.why_not for one in said}


def along_from_below(pattern, size, part, up):
    """A point of an edge, so many mm of stitching above its lower end."""
    chain = pattern.piece(part.piece).shapes[size].edges[part.edge]
    falls = chain[-1].end > chain[0].start
    return point_at(chain, chain_length(chain) - up if falls else up)


def wanting(*kinds, **more):
    return Matching(frozenset(kinds), **more)


# ---------------------------------------------------------------- where a print is its own mirror image


@given(
    st.lists(st.tuples(st.integers(0, 90), st.integers(1, 9)), min_size=1, max_size=4),
    st.integers(0, 99),
    st.integers(100, 160),
)
def test_lines_that_are_mirrored_about_a_place_are_found_to_be(half, about, repeat):
    lines = [Stripe(middle - wide / 2, wide) for at, wide in half for middle in (about + at, about - at)]
    found = mirror_lines(lines, repeat)
    assert any(abs(nearest(place - about, repeat)) < 1 for place in found)
    for place in found:
        for line in lines:
            there = 2 * place - (line.at + line.width / 2)
            assert any(
                abs(nearest(other.at + other.width / 2 - there, repeat)) < 1 and abs(other.width - line.width) < 1
                for other in lines
            )


def test_an_unbalanced_print_is_nowhere_its_own_mirror_image():
    assert mirror_lines((Stripe(0, 4), Stripe(10, 9), Stripe(40, 2)), 84) == ()
    assert mirror_lines((), 84) == ()


def test_what_can_stand_at_a_centre_is_every_line_and_every_space_between():
    told = {place.words: (place.at, place.mirrors) for place in places(CHECK)}
    assert told["on line 2"] == (50, True) and told["on line 1"] == (20, False)
    assert len(told) == 6


# ---------------------------------------------------------------- kind by kind


@pytest.mark.parametrize("draft", [six_gore_skirt.draft, trousers.draft], ids=["skirt", "trousers"])
def test_level_hems_lie_on_one_bar(draft):
    pattern, size, problem, plan, said = laid(draft, wanting("hems", "seams"))
    hems = hem_points(pattern, size)
    bars = [one.at(hems[one.laid.piece])[0] for one in lying_on_cloth(problem, plan) if one.laid.piece in hems]
    assert len(bars) >= 4
    assert max(abs(nearest(bar - bars[0], ALONG)) for bar in bars) < 0.3
    assert any("level at the hem already" in why for why in said.values())


@pytest.mark.parametrize("at", [50.0, 8.0, 20.0])
def test_the_chosen_place_of_the_print_stands_at_every_centre(at):
    _, _, problem, plan, _ = laid(waistcoat.draft, wanting("centres", centre_at=at))
    (match,) = problem.matches
    wanted = {point.piece: point.at for point in match.points}
    spots = [one.at(wanted[one.laid.piece])[1] for one in lying_on_cloth(problem, plan) if one.laid.piece in wanted]
    assert len(spots) >= 2
    assert max(abs(nearest(spot - at, ACROSS)) for spot in spots) < 0.3


@pytest.mark.parametrize("draft", [overshirt.draft, trousers.draft], ids=["overshirt", "trousers"])
def test_all_over_a_pocket_the_print_is_that_of_its_ground(draft):
    pattern, size, problem, plan, said = laid(draft, wanting("pockets"))
    (on,) = pockets_on_ground(pattern, size, Role.MAIN, "A", problem, plan, CHECK)
    assert said == {f"{on.pocket.name} on the {on.ground.name.lower()}": ""}
    ring = [p for chain in on.pocket.shapes[size].edges.values() for p in flatten(chain, 1.0)]
    left, low, right, high = bounds(ring)
    for p in ((left, low), (left, high), (right, low), ((left + right) / 2, (low + high) / 2)):
        here, there = on.lies.at(p), on.ground_lies.at(on.put(p))
        assert abs(nearest(here[0] - there[0], ALONG)) < 0.3
        # Mirrored on its ground, a pocket's print runs the other way: its middle is on the ground's all the same.
        if not on.flipped:
            assert abs(nearest(here[1] - there[1], ACROSS)) < 0.3


def test_a_welt_across_a_seam_is_told_by_name():
    *_, said = laid(waistcoat.draft, wanting("pockets"))
    assert said == {"Pocket welt": "it lies across a seam: match it by eye once that is sewn"}


@pytest.mark.parametrize("seed", range(1, 7))
def test_lines_meet_in_a_v_all_along_a_seam_that_leans_alike_on_both_sides(seed):
    pattern, size, problem, plan, said = laid(six_gore_skirt.draft, wanting("chevrons"), seed=seed)
    met = 0
    for seam in sewn_seams(pattern, size, problem, plan, CHECK):
        if said.get(seam.join.name) != "":
            continue
        met += 1
        assert abs(seam.off_v) < 0.3
        for up in (0.0, 40.0, 80.0, 160.0):
            here = [
                side.at(along_from_below(pattern, size, part, up))[1]
                for side, part in ((seam.a, seam.join.a[0]), (seam.b, seam.join.b[0]))
            ]
            # So far as one has gone beyond the mirror line, the other stands short of it.
            assert abs(nearest(sum(here) - 2 * 50.0, ACROSS)) < 2.0
    assert met
    assert any("matched across the cloth already" in why for why in said.values())


def on_the_bias(pattern):
    def cut(one):
        return replace(one, grain=Grain.BIAS) if one.role is Role.MAIN else one

    return replace(pattern, pieces=tuple(replace(p, cuts=tuple(map(cut, p.cuts))) for p in pattern.pieces))


LINES_ONLY = replace(CHECK, repeat=Repeat(None, ACROSS))


@pytest.mark.parametrize("seed", range(1, 4))
@pytest.mark.parametrize("cloth", [LINES_ONLY, CHECK], ids=["lines", "checks"])
def test_lines_and_bars_meet_in_a_v_all_along_a_seam_of_the_bias(cloth, seed, tmp_path):
    """Both sides slant as mirror images: so far as one has gone beyond the mirror line, the other stands short of it,
    or as far beyond it end for end; along the cloth both have gone as far."""
    pattern, size, problem, plan, said = laid(
        six_gore_skirt.draft, wanting("chevrons"), cloth=cloth, change=on_the_bias, seed=seed
    )
    assert outside(problem, plan, tmp_path) == []
    met = 0
    for seam in sewn_seams(pattern, size, problem, plan, cloth):
        if said.get(seam.join.name) != "":
            continue
        met += 1
        parts = ((seam.a, seam.join.a[0]), (seam.b, seam.join.b[0]))
        bars = cloth.repeat.along is not None and any(
            match.axis == "x" and {p.piece for p in match.points} == {part.piece for _, part in parts}
            for match in problem.matches
        )
        for up in (0.0, 40.0, 80.0, 160.0):
            (xa, ya), (xb, yb) = (side.at(along_from_below(pattern, size, part, up)) for side, part in parts)
            assert min(abs(nearest(ya + yb - 2 * 50.0, ACROSS)), abs(nearest(ya - yb, ACROSS))) < 2.0
            assert not bars or abs(nearest(xa - xb, ALONG)) < 2.0
    assert met


def two_wholes():
    """A skirt of two wholes alike, both on the bias: the usual cut of a skirt without seams at its centres."""
    described = EVERYDAY["A-line skirt"]
    skirt = replace(described.features.skirt or Skirt(), grain=SkirtGrain.BIAS)
    pattern = compose(replace(described, features=replace(described.features, skirt=skirt))).pattern
    back = replace(pattern.piece("front"), id="back", name="Back", panel=Panel.BACK, marks=(), darts=())
    front = replace(pattern.piece("front"), marks=(), darts=())
    sides = tuple(join for join in pattern.making.joins if {p.piece for p in (*join.a, *join.b)} == {"front", "back"})
    return replace(pattern, pieces=(front, back), making=replace(pattern.making, joins=sides))


def test_lines_of_two_wholes_on_the_bias_meet_in_a_v_at_both_sides():
    pattern, size, problem, plan, said = laid(two_wholes, wanting("chevrons"), change=with_unlike_opened)
    assert list(said.values()).count("") == 1
    front, back = sorted(lying_on_cloth(problem, plan), key=lambda one: one.laid.piece != "front")
    assert (front.laid.turn + back.laid.turn) % 180 == 0, "they slant as mirror images"
    for mine, yours in (("side", f"side{OTHER_HAND}"), (f"side{OTHER_HAND}", "side")):
        for up in (0.0, 80.0, 200.0):
            ya, yb = (
                one.at(along_from_below(pattern, size, EdgePart(id, edge), up))[1]
                for one, id, edge in ((front, "front", mine), (back, "back", yours))
            )
            assert min(abs(nearest(ya + yb - 100.0, ACROSS)), abs(nearest(ya - yb, ACROSS))) < 2.0
    shown = list(sewn_seams(pattern, size, problem, plan, CHECK))
    assert shown and all(seam.on_bias and abs(seam.off_v) < 0.3 for seam in shown)


def test_a_whole_and_a_pair_on_the_bias_are_not_promised_a_v():
    *_, said = laid(six_gore_skirt.draft, wanting("chevrons"), cloth=LINES_ONLY, change=on_the_bias)
    assert any("is whole, the other is cut twice" in why for why in said.values())


def test_by_hand_a_piece_matched_on_the_bias_keeps_its_slant():
    """Turned it goes end for end; where it slants as its partner does, the lay has a fault."""
    _, _, problem, plan, _ = laid(six_gore_skirt.draft, wanting("chevrons"), cloth=LINES_ONLY, change=on_the_bias)
    slanting = [(id, one) for id, one in edit.ids(plan) if problem.piece(one.piece).slants]
    assert slanting
    for id, one in slanting:
        assert edit.placement(edit.turn(problem, plan, id), id).turn == (one.turn + 180) % 360
        piece = problem.piece(one.piece)
        wrong = lay_down(piece, (one.turn + 90) % 360, one.mirrored, one.whole, one.at)
        assert any("slant the other way" in fault for fault in check(problem, put(plan, id, wrong)))


def test_on_cloth_with_a_way_up_lines_of_the_bias_cannot_mirror_each_other_and_that_is_said():
    napped = replace(CHECK, direction=Direction.ONE_WAY)
    *_, said = laid(six_gore_skirt.draft, wanting("chevrons"), cloth=napped, change=on_the_bias)
    assert any("the cloth has a way up" in why for why in said.values())


def test_bars_are_not_promised_to_meet_straight_at_a_seam_of_the_bias():
    *_, said = laid(six_gore_skirt.draft, wanting("seams", "hems"), change=on_the_bias)
    assert said and all("on the bias" in why for why in said.values())
    assert any(name.startswith("Hem of") for name in said), "nor passed over at the hems"


def test_a_piece_held_on_its_motif_stands_there_on_every_copy():
    held = Held("side-front", 30.0, 12.5)
    pattern, size, problem, plan, said = laid(six_gore_skirt.draft, wanting(held=(held,)))
    assert list(said.values()) == [""]
    at = pattern.piece("side-front").shapes[size].grainline[0]
    spots = [one.at(at) for one in lying_on_cloth(problem, plan) if one.laid.piece == "side-front"]
    assert len(spots) == 2
    for x, y in spots:
        assert abs(nearest(x - 30.0, ALONG)) < 0.3 and abs(nearest(y - 12.5, ACROSS)) < 0.3
    assert {stretch.lay for stretch in plan.stretches} == {LayKind.OPEN}, "both layers of doubled cloth cannot hold it"


@pytest.mark.parametrize("draft", [waistcoat.draft, six_gore_skirt.draft, trousers.draft, overshirt.draft])
def test_all_kinds_at_once_contradict_nothing(draft):
    """Where two kinds ask for different places the earlier holds: there is always a lay."""
    *_, said = laid(draft, wanting(*KINDS, centre_at=50.0))
    assert "" in said.values()


def test_only_what_repeats_can_be_matched():
    bars = replace(CHECK, repeat=Repeat(ALONG, None))
    assert {kind.id for kind in offered(bars)} == {"seams", "hems", "pockets"}
    assert offered(replace(CHECK, repeat=Repeat())) == ()
    assert not NOTHING and wanting("seams")
