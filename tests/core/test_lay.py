"""The lay engine: whatever the pieces, a plan that is given out is right.

Every plan is checked twice: by the core's own exact check and by the open checker of the layout format,
which shares no code with the application.
"""

import json
import math
from dataclasses import replace
from time import sleep

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from shapely.affinity import translate
from shapely.geometry import Polygon

from rowanseed.core.base.lay_errors import LayRefusal, OnTheBias, TooWide
from rowanseed.core.base.saying import said
from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction, Repeat, Surface
from rowanseed.core.cloth.matching import BARS, BOTH, NOTHING
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.lay.check import check
from rowanseed.core.lay.engine import Budget, solve, solve_each
from rowanseed.core.lay.problem import LayCloth, LayKind, LayPiece, Match, MatchPoint, Placement, Plan, Problem, moved
from rowanseed.core.lay.search.kernel import depth
from rowanseed.core.lay.search.nofit import no_fit
from rowanseed.core.lay.search.tables import build
from rowanseed.core.pattern.pieces import Grain, Role
from rowanseed.demo.waistcoat import draft as waistcoat
from rowanseed.formats.layout_json import plan_document, problem_document
from tests.outside import check_plan

RECTANGLE = ((0.0, 0.0), (400.0, 0.0), (400.0, 250.0), (0.0, 250.0))


def _piece(id="panel", outline=RECTANGLE, cut=1, pair=False, fold=None, grain=Grain.LENGTHWISE):
    return LayPiece(id=id, outline=outline, cut=cut, pair=pair, fold=fold, grain=grain)


def _problem(*pieces, width=1120.0, one_way=False, lays=(LayKind.FOLDED, LayKind.OPEN), gap=3.0, length=None, **more):
    return Problem(
        name="test",
        cloth=LayCloth(width=width, length=length, selvedge=12.0, one_way=one_way, **more),
        gap=gap,
        lays=lays,
        pieces=pieces,
    )


def outside(problem, plan, tmp_path):
    """What the independent checker says."""
    paths = [tmp_path / "problem.json", tmp_path / "plan.json"]
    for path, document in zip(paths, (problem_document(problem), plan_document(plan)), strict=True):
        path.write_text(json.dumps(document))
    return check_plan.check(check_plan.read_problem(str(paths[0])), check_plan.read_plan(str(paths[1])), 0.5)


@st.composite
def _pieces(draw):
    """A star-shaped outline with three to nine corners, sometimes half of a symmetrical piece."""
    corners = draw(st.integers(3, 9))
    radii = [draw(st.floats(60, 240)) for _ in range(corners)]
    outline = [
        (
            round(260 + r * math.cos(2 * math.pi * k / corners), 1),
            round(260 + r * math.sin(2 * math.pi * k / corners), 1),
        )
        for k, r in enumerate(radii)
    ]
    fold = None
    if draw(st.booleans()):
        low = [(20.0, 0.0), (500.0, 0.0)]
        outline = [
            *low,
            (round(420 + draw(st.floats(0, 80)), 1), 180.0),
            (round(40 + draw(st.floats(0, 90)), 1), 210.0),
        ]
        fold = (low[0], low[1])
    pair = fold is None and draw(st.booleans())
    return tuple(outline), draw(st.integers(1, 3)), pair, fold


@pytest.mark.slow
@settings(max_examples=20, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(
    shapes=st.lists(_pieces(), min_size=1, max_size=4),
    one_way=st.booleans(),
    gap=st.sampled_from([0.0, 3.0]),
    grain=st.sampled_from([Grain.LENGTHWISE, Grain.EITHER]),
)
def test_every_plan_is_right(tmp_path, shapes, one_way, gap, grain):
    pieces = [
        _piece(id=f"p{k}", outline=outline, cut=cut, pair=pair, fold=fold, grain=Grain.LENGTHWISE if fold else grain)
        for k, (outline, cut, pair, fold) in enumerate(shapes)
    ]
    problem = _problem(*pieces, one_way=one_way, gap=gap, width=1500.0, lays=tuple(LayKind))
    plans = [p for p in solve_each(problem, Budget(sweeps=2)).values() if isinstance(p, Plan)]
    assert plans
    for plan in plans:
        assert check(problem, plan) == []
        assert outside(problem, plan, tmp_path) == []
        assert plan.density(problem) <= 1


def test_equal_questions_have_equal_answers():
    problem = _problem(_piece(cut=5), _piece("strap", ((0.0, 0.0), (700.0, 0.0), (700.0, 80.0), (0.0, 80.0)), 2))
    assert solve(problem, Budget(sweeps=8, seed=3)) == solve(problem, Budget(sweeps=8, seed=3))


def test_the_longer_it_searches_the_shorter_the_lay():
    odd = ((0.0, 40.0), (420.0, 0.0), (380.0, 300.0), (30.0, 240.0))
    problem = _problem(_piece(cut=4, outline=odd), _piece("b", cut=3), lays=(LayKind.OPEN, LayKind.FOLDED))
    told = []
    plan = solve(problem, Budget(sweeps=120), told.append)
    lengths = [progress.length for progress in told]
    assert lengths == sorted(lengths, reverse=True)
    assert plan.length == pytest.approx(lengths[-1])
    assert plan.length <= solve(problem, Budget(sweeps=1)).length


def test_two_rectangles_lie_side_by_side_at_the_gap():
    plan = solve(_problem(_piece(cut=2), lays=(LayKind.OPEN,), width=1120.0), Budget(sweeps=4))
    assert plan.length == pytest.approx(400, abs=1e-6)
    ys = sorted(min(y for _, y in p.outline) for p in plan.stretches[0].placements)
    assert ys[1] - ys[0] - 250 >= 3.0


def test_one_way_cloth_turns_nothing_round():
    odd = ((0.0, 0.0), (500.0, 0.0), (500.0, 60.0), (0.0, 300.0))
    plan = solve(_problem(_piece(outline=odd, cut=4), one_way=True, lays=(LayKind.OPEN,)), Budget(sweeps=6))
    assert {p.turn for s in plan.stretches for p in s.placements} == {0}
    both_ways = solve(_problem(_piece(outline=odd, cut=4), lays=(LayKind.OPEN,)), Budget(sweeps=6))
    assert both_ways.length <= plan.length + 1e-6


def test_a_piece_too_wide_is_refused_with_its_name_and_both_widths():
    wide = _piece("cape", ((0.0, 0.0), (300.0, 0.0), (300.0, 1300.0), (0.0, 1300.0)))
    with pytest.raises(TooWide) as refused:
        solve(_problem(wide), Budget(sweeps=1))
    assert refused.value.values() == {"piece": "cape", "needed": 1300.0, "room": 1096.0, "open": True}
    told = said(refused.value, Units.IMPERIAL, {"cape": "Cape, back"})
    assert told.problem == "“Cape, back” is 51 3/16 in wide across the cloth and there are 43 1/8 in to lay it on."


def test_a_fold_that_lies_aslant_is_not_laid_on_the_cloths_fold_and_that_is_why():
    """It was said to fit the cloth, but not where its print or its motif asked it to lie: it has none."""
    on_the_bias = _piece(fold=((0.0, 0.0), (400.0, 0.0)), grain=Grain.BIAS)
    refused = solve_each(_problem(on_the_bias), Budget(sweeps=2))[LayKind.FOLDED.value]
    assert isinstance(refused, OnTheBias)
    told = said(refused, Units.METRIC, {"panel": "Front"})
    assert "Front" in told.problem and "bias" in told.problem and told.remedy == "Lay the cloth open."


def test_cloth_too_short_is_refused_with_what_is_lacking():
    with pytest.raises(LayRefusal, match="too short by"):
        solve(_problem(_piece(cut=6), length=300.0), Budget(sweeps=2))


def test_the_search_stops_when_asked():
    asked = []

    def stop():
        asked.append(1)
        return len(asked) > 3

    plan = solve(_problem(_piece(cut=6)), Budget(seconds=60), should_stop=stop)
    assert check(_problem(_piece(cut=6)), plan) == []


@pytest.mark.slow
def test_a_machine_busy_with_other_things_is_given_longer_by_the_clock():
    """What waits for the processor does not count as computing: a sleeping search is not half over."""
    looks = {}
    for computing in (False, True):
        asked = looks[computing] = []

        def stop(asked=asked):
            asked.append(1)
            sleep(0.02)
            return False

        solve(_problem(_piece(cut=6)), Budget(seconds=0.6, threads=1, computing=computing), should_stop=stop)
    assert len(looks[True]) > 1.5 * len(looks[False])


@settings(max_examples=30, deadline=None)
@given(_pieces(), _pieces(), st.floats(-700, 700), st.floats(-700, 700))
def test_no_fit_polygons_agree_with_shapelys_distances(a, b, x, y):
    """Outside the no-fit polygon the two are at least the gap apart; well inside they are not."""
    from shapely.affinity import translate
    from shapely.geometry import Point, Polygon

    forbidden = no_fit(a[0], b[0], 3.0)
    apart = Polygon(a[0]).distance(translate(Polygon(b[0]), x, y))
    if not forbidden.covers(Point(x, y)):
        assert apart >= 3.0
    elif forbidden.exterior.distance(Point(x, y)) > 1.5:
        assert apart < 3.0


def _shifted(plan, by):
    first, *rest = plan.stretches[0].placements
    moved = Placement(
        piece=first.piece,
        turn=first.turn,
        mirrored=first.mirrored,
        whole=first.whole,
        at=(first.at[0] + by, first.at[1]),
        outline=tuple((x + by, y) for x, y in first.outline),
    )
    from dataclasses import replace

    return replace(plan, stretches=(replace(plan.stretches[0], placements=(moved, *rest)),))


def test_the_exact_check_finds_what_is_wrong(tmp_path):
    problem = _problem(_piece(cut=3), lays=(LayKind.OPEN,))
    plan = solve(problem, Budget(sweeps=2))
    from dataclasses import replace

    assert any("reaches out" in f for f in check(problem, _shifted(plan, 900.0)))
    fewer = replace(plan, stretches=(replace(plan.stretches[0], placements=plan.stretches[0].placements[1:]),))
    assert any("too few" in f for f in check(problem, fewer))
    twice = replace(plan, stretches=(replace(plan.stretches[0], placements=plan.stretches[0].placements[:1] * 4),))
    assert any("overlaps" in f for f in check(problem, twice))
    assert outside(problem, twice, tmp_path)


# ---------------------------------------------------------------- print, border, selvedge, motif, pins, flaws


PANEL = ((0.0, 20.0), (380.0, 0.0), (400.0, 240.0), (30.0, 260.0))
BAND = ((0.0, 0.0), (700.0, 0.0), (700.0, 90.0), (0.0, 90.0))


def _matched(axis, phase=None, **repeat):
    matches = (Match(axis, (MatchPoint("front", (200.0, 130.0)), MatchPoint("back", (100.0, 100.0))), phase),)
    pieces = (_piece("front", PANEL, 2, True), _piece("back", RECTANGLE, 2))
    return Problem(
        name="m",
        cloth=LayCloth(width=1120, length=None, selvedge=12, one_way=False, **repeat),
        gap=3,
        lays=(LayKind.OPEN, LayKind.FOLDED),
        pieces=pieces,
        matches=matches,
    )


@pytest.mark.parametrize(
    ("axis", "phase", "repeat"),
    [
        ("x", None, {"repeat_x": 90.0}),
        ("x", 31.0, {"repeat_x": 90.0}),
        ("y", None, {"repeat_y": 64.0}),
        ("y", 10.0, {"repeat_y": 64.0}),
        ("x", None, {"repeat_x": 150.0, "repeat_y": 64.0}),
    ],
)
def test_the_print_is_matched_on_every_copy(tmp_path, axis, phase, repeat):
    problem = _matched(axis, phase, **repeat)
    plan = solve(problem, Budget(sweeps=120))
    assert outside(problem, plan, tmp_path) == []
    free = solve(
        Problem(name="f", cloth=problem.cloth, gap=3, lays=problem.lays, pieces=problem.pieces), Budget(sweeps=120)
    )
    assert plan.length >= free.length - 5


def test_a_match_that_cannot_hold_is_refused():
    """Two points of one piece, a third of a repeat apart, are asked to stand at the same place of the print."""
    match = Match("x", (MatchPoint("panel", (0.0, 0.0)), MatchPoint("panel", (30.0, 0.0))))
    problem = Problem(
        name="m",
        cloth=LayCloth(width=1120, length=None, selvedge=12, one_way=False, repeat_x=90.0),
        gap=3,
        lays=(LayKind.OPEN,),
        pieces=(_piece(),),
        matches=(match,),
    )
    with pytest.raises(LayRefusal, match="not where its print"):
        solve(problem, Budget(sweeps=10))


def test_a_pinned_piece_stays_and_the_rest_is_laid_round_it():
    from rowanseed.core.lay.problem import Pin

    pin = Pin(lay=LayKind.OPEN, piece="panel", turn=0, mirrored=False, whole=False, at=(350.0, 300.0))
    problem = Problem(
        name="p",
        cloth=LayCloth(width=1120, length=None, selvedge=12, one_way=False),
        gap=3,
        lays=(LayKind.OPEN, LayKind.FOLDED),
        pieces=(_piece(cut=5),),
        matches=(),
        pins=(pin,),
    )
    plan = solve(problem, Budget(sweeps=60))
    assert check(problem, plan) == []
    assert any(p.at == pytest.approx((350.0, 300.0)) for p in plan.stretches[0].placements)


@pytest.mark.parametrize("lay", [LayKind.OPEN, LayKind.FOLDED])
def test_nothing_lies_on_a_flaw(lay):
    """A flaw where a piece would lie: it lies elsewhere, and the plan that knew of none is found at fault."""
    cloth = LayCloth(width=1120, length=None, selvedge=12, one_way=False)
    free = Problem(name="f", cloth=cloth, gap=3, lays=(lay,), pieces=(_piece(cut=4),))
    before = solve(free, Budget(sweeps=60))
    xs, ys = zip(*before.stretches[0].placements[0].outline, strict=True)
    x, y = sum(xs) / len(xs), sum(ys) / len(ys)
    flaw = ((x - 20, y - 20), (x + 20, y - 20), (x + 20, y + 20), (x - 20, y + 20))
    problem = replace(free, forbidden=(flaw,))
    assert check(problem, solve(problem, Budget(sweeps=60))) == []
    assert any("forbidden" in fault for fault in check(problem, before))


@pytest.mark.parametrize("selvedge", [0.0, 1.0, 10.0])
def test_strips_of_a_cloth_folded_in_at_one_edge_keep_the_gap_between_them(selvedge):
    """With no selvedge nothing but the gap is between what lies doubled and what lies on the single strip."""
    fold = LayPiece(
        id="fold",
        outline=((0.0, 0.0), (80.0, 0.0), (80.0, 230.0), (0.0, 230.0)),
        cut=1,
        pair=False,
        fold=((0.0, 0.0), (80.0, 0.0)),
        grain=Grain.LENGTHWISE,
    )
    problem = Problem(
        name="edge folded in",
        cloth=LayCloth(width=900.0, length=None, selvedge=selvedge, one_way=False),
        gap=3.0,
        lays=(LayKind.PART_FOLDED,),
        pieces=(fold, replace(_piece(cut=5), id="other")),
    )
    for seed in range(6):
        assert check(problem, solve(problem, Budget(sweeps=80, seed=seed))) == []


def test_a_waistband_lies_along_the_selvedge():
    from dataclasses import replace

    band = replace(_piece("band", BAND), selvedge=((0.0, 0.0), (700.0, 0.0)))
    problem = _problem(_piece(cut=3), band, lays=(LayKind.OPEN, LayKind.FOLDED))
    for plan in solve_each(problem, Budget(sweeps=60)).values():
        assert isinstance(plan, Plan)
        assert check(problem, plan) == []


def test_a_hem_stands_on_the_border_and_a_motif_where_it_is():
    from dataclasses import replace

    from rowanseed.core.lay.problem import Motif, OnLine

    skirt = replace(_piece("skirt", PANEL, 2, grain=Grain.CROSSWISE), border=OnLine((390.0, 120.0), 100.0))
    pocket = replace(
        _piece("pocket", ((0.0, 0.0), (150.0, 0.0), (150.0, 140.0), (0.0, 140.0))),
        motif=Motif((75.0, 70.0), ((300.0, 700.0), (900.0, 700.0))),
    )
    problem = _problem(skirt, pocket, lays=(LayKind.OPEN,))
    plan = solve(problem, Budget(sweeps=120))
    assert check(problem, plan) == []


def test_mixed_lays_win_back_what_a_fold_wastes(tmp_path):
    """Singles cut double waste cloth: a doubled stretch and then an open one is shorter than either alone."""
    front = ((0.0, 0.0), (700.0, 0.0), (700.0, 500.0), (0.0, 520.0))
    collar = ((0.0, 0.0), (430.0, 0.0), (430.0, 530.0), (0.0, 530.0))
    problem = _problem(
        LayPiece(id="front", outline=front, cut=1, pair=False, fold=((0.0, 0.0), (700.0, 0.0)), grain=Grain.LENGTHWISE),
        _piece("collar", collar, 2),
        width=1120.0,
        gap=3.0,
    )
    outcomes = solve_each(problem, Budget(sweeps=150))
    best = min(p.length for p in outcomes.values() if isinstance(p, Plan))
    simple = min(p.length for k, p in outcomes.items() if isinstance(p, Plan) and "then" not in k)
    assert best <= simple + 1e-6
    for plan in outcomes.values():
        if isinstance(plan, Plan):
            assert outside(problem, plan, tmp_path) == []


def test_depth_tables_agree_with_shapely():
    """Signed depth near the boundary against the no-fit polygon's distance, by Shapely."""
    import numpy as np
    from shapely.geometry import Point

    from rowanseed.core.lay.search.kernel import depth
    from rowanseed.core.lay.search.shapes import FLIPS, ShapeSet
    from rowanseed.core.lay.search.tables import build

    shapes = ShapeSet()
    for outline in (PANEL, BAND, ((0.0, 0.0), (300.0, 20.0), (150.0, 90.0), (280.0, 260.0), (10.0, 240.0))):
        shapes.add(outline, 0, False)
    number = len(shapes.bases)
    tables = build(shapes.bases, 3.0, set(FLIPS), {(a, b) for a in range(number) for b in range(number)})
    rng = np.random.default_rng(4)
    for _ in range(400):
        (a, b), (fa, fb) = rng.integers(number, size=2), (FLIPS[k] for k in rng.integers(4, size=2))
        x, y = rng.uniform(-500, 500, 2)
        fixed, moving = (tuple((f[0] * px, f[1] * py) for px, py in shapes.bases[k]) for k, f in ((a, fa), (b, fb)))
        polygon = no_fit(fixed, moving, 3.0)
        away = polygon.exterior.distance(Point(x, y))
        found = depth(tables, a, fa[0], fa[1], b, fb[0], fb[1], x, y)
        if polygon.contains(Point(x, y)):
            assert found == pytest.approx(away, abs=0.05 if away < 10 else 6)
        else:
            assert found <= 0.01


def test_depth_is_right_opposite_a_point_on_a_straight_edge():
    """A rectangle on the bias: its no-fit polygon has points within its long sides, right opposite the diagonal."""
    turned = tuple(moved(((0.0, 0.0), (347.0, 0.0), (347.0, 362.0), (0.0, 362.0)), 45, False))
    left, low, right, high = Polygon(turned).bounds
    base = tuple((x - (left + right) / 2, y - (low + high) / 2) for x, y in turned)
    tables = build([base], 3.0, {(1, 1)}, {(0, 0)})
    for k in range(-40, 41):
        x, y = 12.5 * k, -12.5 * k
        apart = Polygon(base).distance(translate(Polygon(base), x, y))
        found = depth(tables, 0, 1.0, 1.0, 0, 1.0, 1.0, x, y)
        assert (found > 0) == (apart < 3.0) or abs(apart - 3.0) < 0.3, k


@pytest.mark.slow
def test_a_folded_lay_opened_out_is_no_longer():
    """What lies doubled lies twice on open cloth, mirrored at the fold: the open lay can always follow."""
    from rowanseed.demo.six_gore_skirt import draft

    problem = lay_problem(
        draft(),
        GarmentChoices("A", "14"),
        Role.MAIN,
        Cloth(name="c", width=1450, length=None, selvedge=10, direction=Direction.TWO_WAY),
    )
    answers = solve_each(problem, Budget(sweeps=1500))
    folded, opened = answers["folded"], answers["open"]
    assert isinstance(folded, Plan) and isinstance(opened, Plan)
    assert opened.length <= folded.length * 1.02


@pytest.mark.parametrize("selvedge", [0.0, 1.0, 10.0])
def test_strips_of_a_cloth_with_both_edges_folded_in_keep_the_gap_between_them(selvedge):
    """The selvedges meet in the middle: with none, what lies on either side of it would touch."""
    problem = Problem(
        name="both edges folded in",
        cloth=LayCloth(width=900.0, length=None, selvedge=selvedge, one_way=False),
        gap=3.0,
        lays=(LayKind.TWO_FOLDS,),
        pieces=(
            replace(_piece(cut=12, outline=((0.0, 0.0), (230.0, 0.0), (230.0, 60.0), (0.0, 60.0))), id="belt"),
            replace(_piece(cut=4, pair=True, outline=((0, 0), (480, 0), (480, 180), (0, 130))), id="side"),
        ),
    )
    for seed in range(6):
        assert check(problem, solve(problem, Budget(sweeps=80, seed=seed))) == []


@pytest.mark.parametrize("kind", list(LayKind))
@pytest.mark.parametrize("one_way", [True, False])
def test_every_lay_by_itself_gives_a_plan_that_passes_the_check(kind, one_way):
    """A skirt with one fold piece among pairs: alone a pair knows no part fold, in company it does."""
    from rowanseed.demo.six_gore_skirt import draft

    cloth = Cloth(
        name="c", width=1400, length=None, selvedge=12, direction=Direction.ONE_WAY if one_way else Direction.TWO_WAY
    )
    problem = replace(lay_problem(draft(), GarmentChoices("A", "14"), Role.MAIN, cloth), lays=(kind,))
    assert check(problem, solve(problem, Budget(sweeps=60))) == []


@pytest.mark.parametrize("width", [1120, 1400, 1500])
@pytest.mark.parametrize("matching", [NOTHING, BARS, BOTH])
@pytest.mark.parametrize("sweeps", [2, 12])
def test_no_open_lay_is_longer_than_a_folded_one_that_it_can_be_opened_from(width, matching, sweeps, tmp_path):
    """Whatever the search missed, on checked cloth too, and the exact check holds for what was taken over."""
    cloth = Cloth("c", width, None, 10, Direction.TWO_WAY, repeat=Repeat(46, 46), surface=Surface.CHECK)
    problem = lay_problem(waistcoat(), GarmentChoices("A", "14"), Role.MAIN, cloth, matching=matching)
    answers = solve_each(problem, Budget(sweeps=sweeps))
    folded, lies_open = answers["folded"], answers["open"]
    if lies_open.length > folded.length + 0.1:
        # Two that meet at the fold need a gap on open cloth, and there is no room for it at the selvedge.
        highest = max(y for p in folded.stretches[0].placements for _, y in p.outline)
        assert highest > width / 2 - 10 - problem.gap / 2
    assert check(problem, lies_open) == [] and outside(problem, lies_open, tmp_path) == []
