"""What a described garment says it measures, its pieces measure: a figure that they do not have is not there."""

from dataclasses import replace

import pytest

from rowanseed.core.choices import Decisions
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Skirt
from rowanseed.core.compose.figures import figures
from rowanseed.core.compose.vocabulary import Centre, CollarKind, SkirtKind, WaistLevel
from rowanseed.core.compose.yokes import UNDER_A_YOKE
from rowanseed.core.pattern.finished import girths
from rowanseed.core.project import Project

from .everyday import EVERYDAY, everyday
from .test_whole_way import body_of

DRESSES = [name for name, d in EVERYDAY.items() if d.garment.has_bodice and d.features.skirt is not None]


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_finished_hip_is_that_of_the_pieces(name):
    """A gathered dress of 150 cm at the hip was said to measure its body and 6 cm more there."""
    pattern = everyday(name)
    for size in pattern.envelope.sizes:
        said, measured = pattern.envelope.finished["A"].get("hip", {}).get(size), girths(pattern, size, "A").get("hip")
        if said is not None and measured is not None:
            # A band of its own at an open front is measured by itself.
            band = 30.0 if EVERYDAY[name].features.front.centre is Centre.OPEN else 0.0
            full = 80.0 if any(side.has(*UNDER_A_YOKE) for _, side in EVERYDAY[name].features.sides) else 0.0
            assert said - band - 3.0 <= measured <= said + full + 3.0
        if measured is not None:
            skirt = EVERYDAY[name].features.skirt
            assert said is not None or skirt.kind is SkirtKind.GORED or skirt.kind.is_full


@pytest.mark.parametrize("name", DRESSES)
@pytest.mark.parametrize("kind", [kind for kind in SkirtKind if kind.is_full or "circle" in kind.value], ids=str)
def test_below_a_waist_seam_a_full_skirt_has_no_finished_hip(name, kind):
    described = EVERYDAY[name]
    opened = Centre.OPEN in (described.features.front.centre, described.features.back.centre)
    # Fronts that turn back have no tiers below them.
    tiers = kind is SkirtKind.TIERED and described.features.collar is CollarKind.NOTCHED
    if not described.has_waist_seam or kind is SkirtKind.CARTRIDGE_PLEATS or tiers or (opened and not kind.is_full):
        return
    features = replace(described.features, skirt=Skirt(kind), pockets=(), lining=None)
    made = compose(replace(described, features=features))
    assert "hip" not in made.pattern.envelope.finished["A"] and "finished.hip" not in made.assumed
    size, body = body_of(made.pattern)
    assert "hip" not in {row.measure for row in Project(made.pattern, body, Decisions("A", size), {}).rows}


def test_a_top_that_ends_above_the_hip_measures_nothing_there():
    described = EVERYDAY["t-shirt"]
    sizes = compose(described).pattern.envelope.sizes
    for long, there in ((640.0, True), (480.0, False)):
        lengths = {"length": dict.fromkeys(sizes, long)}
        made = compose(replace(described, sizes=sizes, finished=lengths))
        assert ("hip" in made.pattern.envelope.finished["A"]) is there
        assert ("finished.hip" in made.assumed) is there
    said = {"length": dict.fromkeys(sizes, 480.0), "hip": dict.fromkeys(sizes, 1000.0)}
    assert "ends above the hip" in compose(replace(described, sizes=sizes, finished=said)).assumed["finished.hip"]


def test_a_waist_that_is_printed_for_a_seam_elsewhere_is_told_and_not_shown():
    described = EVERYDAY["empire dress"]
    sizes = compose(described).pattern.envelope.sizes
    made = compose(replace(described, sizes=sizes, finished={"waist": dict.fromkeys(sizes, 800.0)}))
    assert "not fitted there" in made.assumed["finished.waist"]
    assert "waist" not in made.pattern.envelope.finished["A"]
    natural = replace(described.features, waist_level=WaistLevel.NATURAL)
    printed = {size.name: (size.waist or 0.0) + 10.0 for size in figures(replace(described, features=natural)).sizes}
    fitted = compose(replace(described, sizes=sizes, features=natural, finished={"waist": printed}))
    assert fitted.pattern.envelope.finished["A"]["waist"] == printed
