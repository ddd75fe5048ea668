"""From where to where seams and hems are sewn on whole garments: all round, from edge to edge, beside a zip."""

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.described_layers import described_layers
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
    SleevePlacket,
    Slit,
    Waist,
    Where,
)
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import Graph
from rowanseed.core.make.workbench import workbench
from rowanseed.core.project import Project
from rowanseed.demo import overshirt, six_gore_skirt, trousers

from .descriptions import whole_ones
from .everyday import EVERYDAY, everyday
from .test_whole_way import body_of

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
    pattern = shirt(placket=SleevePlacket.CONTINUOUS)
    steps = {op.id: " ".join(op.how) for op in compile_garment(pattern, "A", "12", MakingChoices()).operations}
    assert "They lie across" in steps["buttonholes-opening"] and "in the band" not in steps["buttonholes-opening"]
    assert "along the cuff" in steps["buttonholes-cuff-buttons"]
    assert steps["buttonholes-opening"].startswith("6 of them") and steps["buttonholes-cuff-buttons"].startswith("2 of")


@pytest.mark.parametrize(
    ("pattern", "step", "said"),
    [
        (shirt(placket=SleevePlacket.CONTINUOUS), "sew-cuffs", "from one side of the placket to the other"),
        (shirt(placket=None), "sew-cuffs", "all round"),
        (overshirt.draft(), "sew-cuffs", "all round"),
        (shirt(placket=None), "sew-hem", "from front edge to front edge; backstitch at both ends"),
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


# ---------------------------------------------------------------- of whatever is described


def project_of(description):
    """A project of it as it begins, with the layers that it was described with."""
    pattern = compose(description).pattern
    size, body = body_of(pattern)
    layers = described_layers(pattern, description, view="A", size=size)
    return Project(pattern, body, Decisions("A", size, cloth=ClothChoices(layers=layers)), {})


@given(description=whole_ones)
@settings(max_examples=30, deadline=None, suppress_health_check=list(HealthCheck))
def test_what_is_worked_all_round_has_every_seam_that_it_goes_across(description):
    """Whatever ends on an edge is sewn before anything is done “all round” it."""
    try:
        project = project_of(description)
    except DescriptionRefused:
        return
    graph = Graph(project.garment, "A", project.decisions.size)
    sewn = set()
    for step in project.steps:
        on = (*step.on.joins, *step.on.finishes)
        if on and "all round" in " ".join(step.how):
            open_ = {join.id for join in graph.crossing(on)} - sewn - set(on)
            assert not open_, (step.title, open_)
        sewn |= {state.of.id for state in step.gives if state.fact is Fact.JOINED}


SIDE_ZIP = {"opening": Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP, 380.0), "back": Side()}
BACK_ZIP = {"opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0), "back": Side(Centre.SEAM)}


@pytest.mark.parametrize("opening", [SIDE_ZIP, BACK_ZIP, SIDE_ZIP | {"sleeve": Sleeve()}])
@pytest.mark.parametrize("waist", [Waist.SEAM, Waist.PLAIN_BAND, Waist.ELASTIC_CASING])
def test_a_seam_that_a_zip_passes_runs_from_one_side_of_it_to_the_other(opening, waist):
    features = Features(skirt=Skirt(SkirtKind.A_LINE), waist=waist, **opening)
    pattern = compose(Description(name="Dress", garment=GarmentKind.DRESS, features=features)).pattern
    bench = workbench(pattern, "A", "14", MakingChoices())
    join = bench.joins["waist"]
    for side in (join.a, join.b):
        assert bench.runs.over(side).words == "from one side of the zip to the other"


def test_above_the_end_of_a_zip_alone_a_seam_is_open():
    """A zip in a side below a sleeve: the armhole goes round the seam that is sewn above it, the hem below it."""
    features = Features(skirt=Skirt(SkirtKind.A_LINE), waist=Waist.SEAM, **SIDE_ZIP, sleeve=Sleeve())
    pattern = compose(Description(name="Dress", garment=GarmentKind.DRESS, features=features)).pattern
    bench = workbench(pattern, "A", "14", MakingChoices())
    armhole = next(j for j in bench.joins.values() if any(p.edge == "armhole" for p in (*j.a, *j.b)))
    assert bench.runs.over(armhole.b, each_hand=True).ring
    assert bench.runs.over(bench.finishes["hem"].parts).ring


@pytest.mark.parametrize("name", sorted(EVERYDAY))
def test_what_is_finished_all_round_is_closed_by_a_seam_or_lies_round_a_hole(name):
    """The edge of a fly's facing is one piece's own: it ends where that is sewn over."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    bench = workbench(pattern, "A", size, MakingChoices())
    for op in compile_garment(pattern, "A", size, MakingChoices()).operations:
        if op.run is not None and op.run.ring and op.on.finishes:
            assert bench.crossing(op.on.finishes), op.title
