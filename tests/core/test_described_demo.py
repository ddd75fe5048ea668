"""Each demo garment described as its envelope would tell it: the same pieces, seams, closures and order as its draft.

What the description cannot say is named in each case, and only that differs.
"""

from dataclasses import dataclass, field

import pytest

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import (
    Band,
    Description,
    Features,
    Legs,
    Lining,
    Opening,
    Pocket,
    Side,
    Skirt,
    Sleeve,
)
from rowanseed.core.compose.vocabulary import (
    ArmholeFinish,
    BeltKind,
    Centre,
    CollarKind,
    FacedEdge,
    GarmentKind,
    Interfaced,
    LegKind,
    LiningMethod,
    OpeningKind,
    Placket,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveEnd,
    Waist,
    Where,
)
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat


@dataclass(frozen=True)
class Case:
    """`same` and `seams`: pieces and seams that the draft calls otherwise (its id → the composed one's). What the
    description cannot say: the pieces and seams of the draft that it `lacks`, and those it has `instead`, with why."""

    draft: object
    description: Description
    same: dict = field(default_factory=dict)
    seams: dict = field(default_factory=dict)
    lacks: dict = field(default_factory=dict)
    instead: dict = field(default_factory=dict)


ONE_FACING = "a facing cut in one over several gores: each gore has its own"
DOUBLE = "a yoke of two layers"
FACED_LINING = "a facing between a bagged lining and the front's edge"
SHAM = "a welt without a pocket behind it"
CASES = {
    "skirt": Case(
        six_gore_skirt.draft(),
        Description(
            name="Skirt",
            garment=GarmentKind.SKIRT,
            features=Features(
                back=Side(Centre.SEAM),
                opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 200.0),
                waist=Waist.FACING,
                skirt=Skirt(SkirtKind.GORED, panels=6),
                interfacing=frozenset({Interfaced.FACINGS}),
            ),
        ),
        seams={
            "front-seams": "gores-front",
            "back-seams": "gores-back",
            "side-seams": "sides",
            "waist": "waist-facing",
        },
        lacks={"front-facing": ONE_FACING, "back-facing": ONE_FACING, "facing-sides": ONE_FACING},
        instead=dict.fromkeys(
            (
                *(f"{p}-waist-facing" for p in ("front", "side-front", "back", "side-back")),
                *(f"waist-{j}-facing" for j in ("gores-front", "gores-back", "sides", "centre-back")),
            ),
            ONE_FACING,
        ),
    ),
    "trousers": Case(
        trousers.draft(),
        Description(
            name="Trousers",
            garment=GarmentKind.TROUSERS,
            features=Features(
                opening=Opening(Where.FRONT, OpeningKind.LAPPED_ZIP, 180.0),
                waist=Waist.WAISTBAND,
                band=Band(parts=2),
                legs=Legs(LegKind.WIDE),
                pockets=(Pocket(PocketKind.PATCH, PocketPlace.BACK),),
                interfacing=frozenset({Interfaced.WAISTBAND}),
            ),
        ),
        seams={"front-crotch": "centre-front", "back-crotch": "centre-back", "band-back": "waistband-seam"},
    ),
    "overshirt": Case(
        overshirt.draft(),
        Description(
            name="Overshirt",
            garment=GarmentKind.TOP,
            figure=Figure.UNISEX,
            features=Features(
                front=Side(Centre.OPEN),
                back=Side(shaping=(Shaping.YOKE,)),
                opening=Opening(Where.FRONT, OpeningKind.BUTTONS, None, 7, Placket.BAND),
                collar=CollarKind.SHIRT,
                sleeve=Sleeve(end=SleeveEnd.CUFF),
                pockets=(Pocket(PocketKind.PATCH, PocketPlace.CHEST),),
                interfacing=frozenset({Interfaced.COLLAR, Interfaced.CUFFS, Interfaced.PLACKETS}),
            ),
        ),
        same={"yoke": "back-yoke"},
        seams={"yoke": "yoke-back"},
        lacks=dict.fromkeys(("yoke-inner", "yoke-inside", "shoulders-inside", "yoke-layers"), DOUBLE),
    ),
    "waistcoat": Case(
        waistcoat.draft(),
        Description(
            name="Waistcoat",
            garment=GarmentKind.WAISTCOAT,
            features=Features(
                front=Side(Centre.OPEN, (Shaping.PRINCESS_ARMHOLE,)),
                back=Side(Centre.SEAM),
                opening=Opening(Where.FRONT, OpeningKind.BUTTONS, None, 5),
                armhole=ArmholeFinish.LINING,
                lining=Lining(method=LiningMethod.BAGGED),
                facing=frozenset({FacedEdge.FRONT}),
                pockets=(Pocket(PocketKind.WELT, PocketPlace.FRONT),),
                belt=BeltKind.BACK_BELT,
            ),
        ),
        same={
            "side-lining": "side-front-lining",
            "belt": "back-belt",
        },
        seams={
            "princess": "princess-front",
            "lining-princess": "lining-princess-front",
            "lining-back": "lining-centre-back",
            "armholes": "armhole",
            "hems": "hem",
        },
        lacks={"facing": FACED_LINING, "lining-facing": FACED_LINING},
        instead={"front-edges": FACED_LINING, "welt-bag": SHAM},
    ),
}


def ids(pattern):
    pieces = {p.id for p in pattern.pieces if any(c.role is not Role.INTERFACING for c in p.cuts)}
    return pieces, {j.id for j in pattern.making.joins}


@pytest.mark.parametrize("name", CASES)
def test_the_same_pieces_and_seams_but_for_what_cannot_be_said(name):
    case = CASES[name]
    composed = compose(case.description).pattern
    for drafted, made, names in zip(ids(case.draft), ids(composed), (case.same, case.seams), strict=True):
        expected = {names.get(id, id) for id in drafted - set(case.lacks)}
        assert made - expected == made & set(case.instead)
        assert expected - made == set()


@pytest.mark.parametrize("name", CASES)
def test_pieces_are_cut_as_often_and_on_the_fold_alike(name):
    case = CASES[name]
    composed = compose(case.description).pattern
    made = {p.id: p for p in composed.pieces}
    for piece in case.draft.pieces:
        if piece.id in case.lacks:
            continue
        own, other = piece.cuts[0], made[case.same.get(piece.id, piece.id)].cuts[0]
        assert (own.role, own.count, bool(own.fold)) == (other.role, other.count, bool(other.fold)), piece.id


@pytest.mark.parametrize("name", CASES)
def test_it_closes_alike(name):
    case = CASES[name]
    composed = compose(case.description).pattern
    assert {c.kind for c in composed.making.closures} == {c.kind for c in case.draft.making.closures}


@pytest.mark.parametrize("name", CASES)
def test_seams_that_both_have_are_sewn_in_the_same_order_where_one_crosses_another(name):
    """Not seam by seam, which is taste: of two seams that meet, the same one comes first."""
    case = CASES[name]
    composed = compose(case.description).pattern
    made_joins = {j.id for j in composed.making.joins}
    orders = []
    for pattern, names in ((case.draft, case.seams), (composed, {})):
        size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
        operations = sequence(compile_garment(pattern, "A", size, MakingChoices()).operations)
        at = {}
        for k, op in enumerate(operations):
            for join in op.on.joins:
                if op.id.startswith(("sew-", "set-in-")):
                    at.setdefault(names.get(join, join) if names.get(join, join) in made_joins else join, k)
        orders.append(at)
    both = set(orders[0]) & set(orders[1])
    assert len(both) >= 3
    crossing = {frozenset({a, b}) for a in both for b in both if a < b and _meet(composed, a, b)}
    for pair in crossing:
        a, b = sorted(pair)
        assert (orders[0][a] < orders[0][b]) == (orders[1][a] < orders[1][b]), (a, b)


def _meet(pattern, a, b):
    """Whether two seams run out on each other: neighbouring edges of one piece."""
    one, other = (pattern.making.join(id) for id in (a, b))
    for p in (*one.a, *one.b):
        names = [e.name for e in pattern.piece(p.piece).edges]
        for q in (*other.a, *other.b):
            if p.piece == q.piece and abs(names.index(p.edge) - names.index(q.edge)) in (1, len(names) - 1):
                return True
    return False
