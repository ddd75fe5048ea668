"""From where to where seams and hems are sewn on whole garments: all round, from edge to edge, beside a zip."""

import pytest

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Legs, Opening, Pocket, Side, Skirt, Sleeve
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    GarmentKind,
    OpeningKind,
    PocketKind,
    PocketPlace,
    SkirtKind,
    SleeveEnd,
    Slit,
    Waist,
    Where,
)
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.demo import overshirt, six_gore_skirt, trousers

ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 200.0)
FLY = Opening(Where.FRONT, OpeningKind.FLY_ZIP, 170.0)


def shirt(*, placket):
    features = Features(
        front=Side(Centre.OPEN),
        opening=Opening(Where.FRONT, OpeningKind.BUTTONS),
        collar=CollarKind.SHIRT,
        sleeve=Sleeve(end=SleeveEnd.CUFF, placket=placket),
    )
    return compose(Description(name="Shirt", garment=GarmentKind.TOP, features=features)).pattern


def top():
    features = Features(back=Side(Centre.SEAM), opening=ZIP)
    return compose(Description(name="Top", garment=GarmentKind.TOP, features=features)).pattern


def slacks(*pockets):
    features = Features(opening=FLY, waist=Waist.WAISTBAND, legs=Legs(), pockets=pockets)
    return compose(Description(name="Slacks", garment=GarmentKind.TROUSERS, features=features)).pattern


def slit(where):
    skirt = Skirt(SkirtKind.STRAIGHT, length=600.0, slit=where)
    features = Features(back=Side(Centre.SEAM), opening=ZIP, waist=Waist.WAISTBAND, skirt=skirt)
    return compose(Description(name="Skirt", garment=GarmentKind.SKIRT, features=features)).pattern


SLANT = Pocket(PocketKind.SLANT, PocketPlace.FRONT)


def test_the_fronts_buttonholes_are_placed_by_themselves_whatever_the_cuffs_have():
    """On an edge folded on itself they lie across; those of the cuffs, which are bands, lie along them."""
    pattern = shirt(placket=True)
    steps = {op.id: " ".join(op.how) for op in compile_garment(pattern, "A", "12", MakingChoices()).operations}
    assert "They lie across" in steps["buttonholes-opening"] and "in the band" not in steps["buttonholes-opening"]
    assert "along the cuff" in steps["buttonholes-cuff-buttons"]
    assert steps["buttonholes-opening"].startswith("6 of them") and steps["buttonholes-cuff-buttons"].startswith("2 of")


@pytest.mark.parametrize(
    ("pattern", "step", "said"),
    [
        (shirt(placket=True), "sew-cuffs", "from one side of the placket to the other"),
        (shirt(placket=False), "sew-cuffs", "all round"),
        (overshirt.draft(), "sew-cuffs", "all round"),
        (shirt(placket=False), "sew-hem", "from front edge to front edge; backstitch at both ends"),
        (top(), "sew-hem", "at a side seam; sew over the beginning"),
        (six_gore_skirt.draft(), "sew-hem", "at a side seam"),
        (slacks(), "sew-waist", "from one side of the zip to the other"),
        (slacks(SLANT), "sew-waist", "from one side of the zip to the other"),
        (trousers.draft(), "sew-hem", "at the inner leg seam"),
        (slit(Slit.SIDES), "sew-hem", "from slit to slit; backstitch"),
        (slit(Slit.BACK), "sew-hem", "from one edge of the slit to the other"),
    ],
)
def test_a_seam_runs_from_where_the_garment_is_open_or_all_round(pattern, step, said):
    size = pattern.envelope.sizes[2]
    steps = {op.id: " ".join(op.how) for op in compile_garment(pattern, "A", size, MakingChoices()).operations}
    assert said in steps[step]
