"""Some houses cut allowances of 6 mm or 1 cm: nothing is trimmed to what they are no wider than."""

import re
from dataclasses import replace

import pytest

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.trimming import gathering_rows, is_trimmed
from rowanseed.core.make.zip_kinds import IN_A_SEAM
from rowanseed.core.pattern.making import ClosureKind, DetailKind
from tests.core.everyday import EVERYDAY, everyday
from tests.core.garments import SIZE
from tests.core.wardrobe import WARDROBE

LENGTH = re.compile(r"(−?\d+(?:\.\d+)?) cm")
CUT = re.compile(
    r"(?i:trim|grade)(?:[^.;:]|\.\d)* to (\d+(?:\.\d+)?) cm(?: (?:and|up)[^.;:]*?(?:to )?(\d+(?:\.\d+)?) cm)?"
)
BESIDES = {"darts", "welt pocket", "patch pocket"}
"""What is trimmed there is no allowance of a seam, or chalked beside it."""

ZIPPED = [name for name, one in EVERYDAY.items() if (kind := one.features.opening.kind) and "zip" in kind.value]


def made(name, allowance):
    pattern = compose(replace(EVERYDAY[name], allowance=allowance)).pattern
    return pattern, compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).operations


@pytest.mark.parametrize("allowance", [6.0, 10.0])
@pytest.mark.parametrize("name", EVERYDAY)
def test_nothing_is_trimmed_to_what_it_is_no_wider_than(name, allowance):
    pattern, operations = made(name, allowance)
    for op in operations:
        said = " ".join(op.how)
        assert all(not length.startswith("−") for length in LENGTH.findall(said)), f"{op.id}: {said}"
        if op.technique in BESIDES:
            continue
        widest = max((pattern.piece(e.piece).edge(e.edge).allowance for e in op.edges), default=allowance)
        for lengths in CUT.findall(said):
            for length in filter(None, lengths):
                assert float(length) * 10 < widest, f"{op.id}: {said}"


@pytest.mark.parametrize("allowance", [6.0, 10.0, 15.0, 25.0])
def test_gathering_rows_lie_to_both_sides_of_the_stitching_line_and_clear_of_the_raw_edge(allowance):
    """At 15 mm they lie 10 and 18 mm from the raw edge (common practice, no source)."""
    outer, inner = gathering_rows(allowance)
    assert 3.0 <= outer < allowance < inner
    assert allowance != 15.0 or (outer, inner) == (10.0, 18.0)


@pytest.mark.parametrize("name", [*EVERYDAY, *WARDROBE])
def test_the_row_that_is_taken_out_lies_on_the_garments_side_of_the_seam(name):
    """Both rows of a ruffle lay in its allowance, and one of them was to be taken out of the garment."""
    if name in EVERYDAY:
        pattern = everyday(name)
        size = pattern.envelope.sizes[0]
    else:
        pattern, size = WARDROBE[name](), SIZE
    for op in compile_garment(pattern, "A", size, MakingChoices()).operations:
        said = " ".join(op.how)
        found = re.search(r"[Tt]wo rows at the longest stitch[^.;]*?, (\S+) cm and (\S+) cm from the raw edge", said)
        if found is not None and op.edges:
            allowance = min(pattern.piece(e.piece).edge(e.edge).allowance for e in op.edges) / 10
            outer, inner = (float(length) for length in found.groups())
            assert outer < allowance < inner, f"{op.id}: {said}"


def test_less_than_can_be_cut_off_evenly_is_left():
    assert is_trimmed(15.0, 10.0) and is_trimmed(8.0, 6.0)
    assert not is_trimmed(7.0, 6.0) and not is_trimmed(6.0, 6.0) and not is_trimmed(6.0, 10.0)


def test_a_step_that_trims_nothing_is_not_called_grading():
    for allowance, word in ((6.0, "Clip"), (15.0, "Grade and clip")):
        _, operations = made("tunic", allowance)
        (op,) = (op for op in operations if op.id == "trim-neck-facing")
        assert op.title.startswith(f"{word}: ")


def test_a_seam_that_is_a_tunnel_is_cut_wide_enough_for_its_cord():
    composed = compose(replace(EVERYDAY["drawstring dress"], allowance=6.0))
    (join,) = (j for j in composed.pattern.making.joins if j.id == "waist")
    assert {composed.pattern.piece(p.piece).edge(p.edge).allowance for p in (*join.a, *join.b)} == {15.0}
    assert "tunnel" in composed.assumed["features.waist"]


@pytest.mark.parametrize("name", ZIPPED)
def test_the_seam_of_a_zip_is_cut_wide_enough_for_it_and_says_so(name):
    """12 mm at least (common practice, no source): the tape has to be caught."""
    composed = compose(replace(EVERYDAY[name], allowance=6.0))
    making = composed.pattern.making
    zips = {closure.join for closure in making.closures if closure.kind in (*IN_A_SEAM, ClosureKind.FLY_ZIP)}
    parts = [p for join in making.joins if join.id in zips for p in (*join.a, *join.b)]
    assert all(composed.pattern.piece(p.piece).edge(p.edge).allowance >= 12.0 for p in parts)
    assert ("take no zip" in composed.assumed.get("features.opening.kind", "")) == bool(parts)
    assert "take no zip" not in compose(EVERYDAY[name]).assumed.get("features.opening.kind", "")


def test_allowances_too_wide_for_a_curve_are_refused_at_their_own_field():
    with pytest.raises(DescriptionRefused, match="make them narrower") as caught:
        compose(replace(EVERYDAY["tunic"], allowance=25.0))
    assert [one.field for one in caught.value.refusals] == ["allowance"]


def test_a_seam_too_narrow_for_a_tunnel_is_left_to_the_booklet():
    """A buttonhole of less than nothing was told there."""
    pattern = everyday("drawstring dress")
    narrow = tuple(
        replace(p, edges=tuple(replace(e, allowance=6.0) if e.name == "waist" else e for e in p.edges))
        for p in pattern.pieces
    )
    garment = compile_garment(replace(pattern, pieces=narrow), "A", pattern.envelope.sizes[0], MakingChoices())
    (detail,) = (d for d in pattern.making.details if d.kind is DetailKind.DRAWSTRING)
    assert [gap.id for gap in garment.gaps] == [detail.id]
