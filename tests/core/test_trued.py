"""Seams that come apart where sizes are blended are trued: they meet again, and nothing else is given up for it."""

from __future__ import annotations

from random import Random

import pytest

from rowanseed.core.alter.blend import blend_sizes, blendable
from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.alter.trued import MOST, trued
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.base.units import Units
from rowanseed.core.pattern.check import piece_faults
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.stitching import on_stitching_line
from rowanseed.core.pattern.walk import fault
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .everyday import EVERYDAY, everyday

DEMO = {module.__name__.rpartition(".")[2]: module for module in (overshirt, six_gore_skirt, trousers, waistcoat)}


def drawn(name):
    return on_stitching_line(DEMO[name].draft() if name in DEMO else everyday(name))


def blends(pattern, size, number):
    """Blends with up to two sizes more or less at each level, by seed."""
    sizes, luck = pattern.envelope.sizes, Random(number)
    k, levels = sizes.index(size), blendable(pattern, size)
    for _ in range(number):
        yield tuple((level, sizes[min(max(k + luck.randint(-2, 2), 0), len(sizes) - 1)]) for level in levels)


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def at_seams(pattern, size):
    """Every seam let out and taken in by 3 cm, at every level."""
    kind = next(kind for kind in offered(pattern, size) if kind.id == "seam")
    for place in kind.places_on(pattern, size):
        for by in (30.0, -30.0):
            yield Alteration("seam", by, place.at, place.level, place.school)


def down_the_body(pattern, size):
    """The seams that run down between fronts or backs, on edges from end to end."""
    for join in pattern.making.joins:
        parts = (*join.a, *join.b)
        if (
            all(part.from_mark is None and part.to_mark is None for part in parts)
            and join.difference.kind is not DifferenceKind.GATHERS
            and join.align == "both"
        ):
            edges = [pattern.piece(part.piece).shapes[size].edges[part.edge] for part in parts]
            panels = {pattern.piece(part.piece).panel for part in parts}
            ends = [(edge[0].start, edge[-1].end) for edge in edges]
            long = all(abs(b[0] - a[0]) > abs(b[1] - a[1]) for a, b in ends)
            if long and panels <= {Panel.FRONT, Panel.BACK} and join.a[-1].piece != join.b[-1].piece:
                yield join


@pytest.mark.parametrize("name", [*EVERYDAY, *DEMO])
def test_blended_over_several_sizes_every_seam_down_the_body_is_as_long_on_both_sides_as_it_was_drawn(name):
    """Princess seams came apart by 4 to 6 mm, the sides of an empire dress by 7."""
    pattern = drawn(name)
    size = middle(pattern)
    for blend in blends(pattern, size, 4):
        now = carry_out(pattern, size, [], blend).pattern
        assert [one for piece in now.pieces for one in piece_faults(piece, (size,))] == []
        for join in down_the_body(pattern, size):
            assert fault(now, size, join) == pytest.approx(fault(pattern, size, join), abs=0.1), (blend, join.id)


@pytest.mark.parametrize("name", ["ball gown", "princess dress", "western blouse", "blazer", "coat dress"])
def test_let_out_or_taken_in_at_a_seam_every_seam_down_the_body_is_as_long_on_both_sides_as_it_was(name):
    """A princess seam from the shoulder came apart by 3 mm where it was let out at the bust."""
    pattern = drawn(name)
    for size in (pattern.envelope.sizes[0], pattern.envelope.sizes[-1]):
        for alteration in at_seams(pattern, size):
            try:
                now = carry_out(pattern, size, [alteration]).pattern
            except AlterationError:
                continue
            for join in down_the_body(pattern, size):
                off = fault(now, size, join) - fault(pattern, size, join)
                assert off == pytest.approx(0.0, abs=0.1), (alteration, join.id)


def test_the_tissue_sheet_says_which_seam_is_trued_and_by_how_much_on_each_side():
    pattern = drawn("ball gown")
    size = pattern.envelope.sizes[-1]
    told = {}
    for alteration in at_seams(pattern, size):
        (step,) = carry_out(pattern, size, [alteration]).steps
        told[alteration.at, alteration.level, alteration.by] = " ".join(sheet(step, Units.METRIC, size).steps)
    more, less = told["princess-front", "bust", 30.0], told["princess-front", "bust", -30.0]
    assert "0.1 cm off the side front and as much onto the centre front, running out to nothing" in more
    assert "0.1 cm off the centre front and as much onto the side front, running out to nothing" in less
    assert not any("True their lower ends" in said for (at, _, _), said in told.items() if at == "sides")


@pytest.mark.parametrize("name", ["princess dress", "empire dress", "western blouse", "blazer", "waistcoat", "jeans"])
def test_truing_moves_the_lower_corners_alone_and_each_by_half_of_what_they_were_apart(name):
    pattern = drawn(name)
    size = middle(pattern)
    for blend in blends(pattern, size, 4):
        apart = blend_sizes(pattern, size, blend)
        now = trued(pattern, apart, size)
        off = max(abs(fault(apart, size, join) - fault(pattern, size, join)) for join in down_the_body(pattern, size))
        assert off < MOST
        for before, after in zip(apart.pieces, now.pieces, strict=True):
            if before is after:
                continue
            for edge, chain in before.shapes[size].edges.items():
                for old, new in zip((chain[0].start, chain[-1].end), _ends(after, size, edge), strict=True):
                    where = (blend, before.id, edge)
                    assert new[1] == pytest.approx(old[1]) and abs(new[0] - old[0]) <= off / 2 + 0.5, where
        changed = changes(apart, now, size, "A")
        assert abs(changed.pop("length", 0.0)) <= off / 2 + 0.5
        assert all(abs(mm) < 0.6 for mm in changed.values()), blend


def _ends(piece, size, edge):
    chain = piece.shapes[size].edges[edge]
    return chain[0].start, chain[-1].end


def test_what_is_not_blended_is_not_touched():
    for name in ("princess dress", "jeans"):
        pattern = drawn(name)
        assert trued(pattern, pattern, middle(pattern)) is pattern
