"""Collars that are tied in a bow: how long they are sewn on, where they begin, how their ends are closed, who has none.

That a tie collar begins a little beside the centre line, so that its knot has room, and that it is a strip folded on
itself: common practice, no source.
"""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    FacedEdge,
    Interfaced,
    NeckShape,
    OpeningKind,
    Placket,
    Where,
)
from rowanseed.core.derive.layers import has_collar_alike
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import BESIDE_CENTRE, RUNS_ON
from rowanseed.core.pattern.pieces import LineKind, Role
from rowanseed.core.pattern.walk import part_length, walk
from rowanseed.drawings.line.drawing import line_drawing

from .descriptions import bows, drafted, mended
from .everyday import EVERYDAY, everyday

BUTTONED, SLIT = "bow blouse", "bow blouse, slit"
TIE, BETWEEN = 600.0, 20.0
"""How long each tie is, and how far apart both begin as it is worn, in mm."""
TIED = bows.map(mended).filter(lambda d: d is not None and d.features.collar is CollarKind.TIE)


def with_(name, **features):
    known = EVERYDAY[name]
    return replace(known, features=replace(known.features, **features))


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def steps(pattern):
    return sequence(compile_garment(pattern, "A", middle(pattern), MakingChoices()).operations)


def told(pattern, id):
    return " ".join(how for op in steps(pattern) if op.id == id for how in op.how)


def neck(pattern):
    return next(join for join in pattern.making.joins if join.id == "neck")


# ---------------------------------------------------------------- the piece


@settings(max_examples=20, deadline=None, suppress_health_check=list(HealthCheck))
@given(TIED)
def test_a_collar_is_as_long_as_the_neck_between_its_dots_and_its_ties_run_on(description):
    pattern = drafted(description).pattern
    join, collar = neck(pattern), pattern.piece("collar")
    for size in pattern.envelope.sizes:
        edges = {name: chain_length(chain) for name, chain in collar.shapes[size].edges.items()}
        around = sum(part_length(pattern, size, p) for p in join.a)
        assert edges["neck"] == pytest.approx(around, abs=0.05)
        assert edges[RUNS_ON[1]] == pytest.approx(TIE, abs=0.05)
        assert edges["inner"] == pytest.approx(edges["neck"] + edges[RUNS_ON[1]])
        (x0, y0), (x1, y1) = collar.line(LineKind.FOLD, "fold").ends[size]
        assert y0 == y1 == pytest.approx(edges["far-end"] / 2) and abs(x1 - x0) == pytest.approx(edges["inner"])
    assert all(one.walks for size in pattern.envelope.sizes for one in walk(pattern, size))


@settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck))
@given(TIED.filter(lambda d: d.features.front.centre is Centre.OPEN and d.features.opening.placket is not Placket.BAND))
def test_as_it_is_buttoned_both_ties_begin_so_far_apart(description):
    """What laps beyond the centre line is what the holes stand in: they are on that line."""
    pattern = drafted(description).pattern
    front = next(p for p in pattern.pieces if any(m.id == BESIDE_CENTRE for m in p.marks))
    size = middle(pattern)
    (end,) = [p for f in pattern.making.finishes if f.id == "lap-ends" for p in f.parts]
    gap = part_length(pattern, size, end)
    rows = [q.at[size] for q in front.points if q.id.startswith("button")]
    edge = max(q[1] for s in front.shapes[size].edges["opening"] for q in (s.start, s.end))
    if not rows or description.features.opening.double_breasted:
        return
    lap = abs(edge - rows[0][1])
    assert gap == pytest.approx(lap + BETWEEN / 2, abs=1.0), "a V's edge runs a little aslant there"


def test_a_slit_has_its_ties_at_its_edges():
    pattern = everyday(SLIT)
    assert not any(f.id == "lap-ends" for f in pattern.making.finishes)
    assert "its dots meet the edges of the slit" in told(pattern, "sew-neck").lower()


def test_what_is_folded_on_itself_has_no_under_collar_to_trim():
    assert not has_collar_alike(everyday(BUTTONED))
    assert not has_collar_alike(everyday(SLIT))


def test_an_altered_neck_changes_what_is_sewn_to_it_and_leaves_its_ties_as_long():
    pattern = everyday(BUTTONED)
    size, changed = middle(pattern), 0
    before = sum(part_length(pattern, size, p) for p in neck(pattern).a)
    for kind in offered(pattern, size):
        place = next(iter(kind.places_on(pattern, size)), None)
        if place is None:
            continue
        change = Alteration(kind.id, min(8.0, kind.most), place.at, place.level, place.school)
        after = carry_out(pattern, size, (change,)).pattern
        around = sum(part_length(after, size, p) for p in neck(after).a)
        edges = after.piece("collar").shapes[size].edges
        changed += abs(around - before) > 1.0
        assert chain_length(edges["neck"]) == pytest.approx(around, abs=0.5), kind.id
        assert chain_length(edges[RUNS_ON[1]]) == pytest.approx(TIE, abs=0.5), kind.id
    assert changed


# ---------------------------------------------------------------- the order


def test_the_lap_is_closed_before_the_collar_and_its_ends_before_its_inside():
    made = [op.id for op in steps(everyday(BUTTONED))]
    order = ["sew-collar-seam", "close-lap-ends", "sew-neck", "ends-collar-inside", "turn-in-collar-inside"]
    assert [made.index(id) for id in order] == sorted(made.index(id) for id in order)
    assert made.index("ties-collar-ties") > made.index("turn-in-collar-inside")


@settings(max_examples=10, deadline=None, suppress_health_check=list(HealthCheck))
@given(TIED)
def test_its_order_can_be_played_and_says_where_it_begins(description):
    pattern = drafted(description).pattern
    assert play(pattern, steps(pattern)) == ()
    where = "the edges of the slit" if description.features.opening.kind is OpeningKind.SLIT else "beside the centre"
    assert where in told(pattern, "sew-neck")
    assert "its ties" in told(pattern, "ties-collar-ties")


def test_nothing_is_bought_for_a_bow():
    tied, stands = (drafted(d).pattern for d in (EVERYDAY[BUTTONED], with_(BUTTONED, collar=CollarKind.STAND)))
    bought = [
        [(one.unit, one.count) for one in notions(p, "A", middle(p), None, overlocker=False) if one.unit != "spool"]
        for p in (tied, stands)
    ]
    assert bought[0] == bought[1]


def test_a_bow_is_drawn_at_the_front_only():
    front, back = line_drawing(everyday(BUTTONED)).split(">front<")
    without = line_drawing(drafted(with_(BUTTONED, collar=CollarKind.STAND)).pattern).split(">front<")
    assert front.count("<path") > without[0].count("<path")
    assert back.count("<path") == without[1].count("<path")


# ---------------------------------------------------------------- where there is none


@pytest.mark.parametrize(
    ("features", "field", "words"),
    [
        ({"opening": replace(EVERYDAY[BUTTONED].features.opening, kind=OpeningKind.SEPARATING_ZIP)}, "collar", "tied"),
        ({"opening": replace(EVERYDAY[BUTTONED].features.opening, where=Where.BACK)}, "collar", "at the front"),
        ({"facing": frozenset({FacedEdge.NECK})}, "facing", "takes the neck's edge in"),
        (
            {"neck": replace(EVERYDAY[BUTTONED].features.neck, shape=NeckShape.HIGH)},
            "neck.shape",
            "a round neck, a scoop or a V",
        ),
    ],
)
def test_what_cannot_be_tied_is_refused_at_its_field(features, field, words):
    found = {one.field: one.why for one in refusals(with_(BUTTONED, **features))}
    assert words in found[f"features.{field}"]


@pytest.mark.parametrize("name", [BUTTONED, SLIT])
def test_a_childs_neck_has_no_ties(name):
    """Cords at the necks of children's clothes: EN 14682 forbids them for the young (from memory)."""
    found = {one.field: one.why for one in refusals(replace(EVERYDAY[name], figure=Figure.CHILDREN))}
    assert "strangle" in found["features.collar"] and "rules" in found["features.collar"]


def test_it_is_stiffened_where_that_is_asked_for():
    for asked, roles in ((frozenset(), {Role.MAIN}), (frozenset({Interfaced.COLLAR}), {Role.MAIN, Role.INTERFACING})):
        collar = drafted(with_(BUTTONED, interfacing=asked)).pattern.piece("collar")
        assert {cut.role for cut in collar.cuts} == roles
