"""Figures of the garment beside a step: how far buttons stand apart, how long an end is, how long elastic is cut."""

from __future__ import annotations

import pytest

from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment, workbench
from rowanseed.core.make.step_facts import figures
from rowanseed.core.pattern.pieces import PointKind

from .everyday import everyday


def beside(name, step):
    pattern = everyday(name)
    size, choices = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2], MakingChoices()
    made = compile_garment(pattern, "A", size, choices)
    op = next(op for op in made.operations if op.id == step)
    return pattern, size, {one.what: one.mm for one in figures(workbench(pattern, "A", size, choices), op)}


@pytest.mark.parametrize("name", ["blouse", "shirt dress", "waistcoat", "polo shirt", "buttoned skirt"])
def test_buttonholes_stand_as_far_apart_as_their_marks(name):
    pattern, size, told = beside(name, "buttonholes-opening")
    holed = {p.id: sorted(q.at[size] for q in p.points if q.kind is PointKind.BUTTONHOLE) for p in pattern.pieces}
    row = max(holed.values(), key=len)
    assert told["from one to the next"] == pytest.approx((row[-1][0] - row[0][0]) / (len(row) - 1), abs=0.5)


def test_a_cuffs_single_button_is_no_distance_from_the_fronts():
    _, _, told = beside("blouse", "buttonholes-cuff-buttons")
    assert not any("next" in what for what in told)


@pytest.mark.parametrize(("name", "end", "edge"), [("t-shirt", "wrist", "wrist"), ("wide trousers", "hem", "hem")])
def test_the_ends_of_a_pair_are_told_for_each(name, end, edge):
    pattern, size, told = beside(name, f"sew-{end}")
    of_one = sum(chain_length(p.shapes[size].edges[edge]) for p in pattern.pieces if p.has_edge(edge))
    assert next(mm for what, mm in told.items() if what.endswith(", each")) == pytest.approx(of_one)


def test_elastic_is_cut_for_the_waist_of_the_chart():
    """A tenth less than the waist, and half an inch to lap: for 72 cm 64.8 + 1.3 = 66.1 cm."""
    pattern, size, told = beside("circle skirt", "thread-waist")
    assert pattern.envelope.body_chart["waist"][size] == 720.0
    assert told["elastic, cut for the chart's waist"] == pytest.approx(660.7)
    assert not any("elastic" in what for what in beside("peasant blouse", "thread-wrist")[2])
