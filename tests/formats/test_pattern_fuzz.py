"""A pattern document that is accepted is complete: whatever was taken out of it or put into it, all of the application
can work with what it let in."""

import copy
import json
from functools import cache

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.derive.choice import Layers, LiningSchool, Pleat
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.drawings.pieces import draw_nest
from rowanseed.formats.pattern_json import read_pattern, write_pattern

DRAFTS = (six_gore_skirt, trousers, overshirt, waistcoat)
BODY = {"bust": 930.0, "high_bust": 880.0, "waist": 760.0, "hip": 1010.0, "arm": 600.0, "inseam": 760.0}
CLOTH = Cloth(name="cloth", width=1400, length=4000, selvedge=10, direction=Direction.TWO_WAY)
ODD = (None, "", "nowhere", -1, 0, 1e9, [], {}, "☃" * 300, True)


@cache
def document(k):
    """A demo document in two sizes, to be quick."""
    found = json.loads(write_pattern(DRAFTS[k].draft()))
    sizes = found["envelope"]["sizes"][3:5]

    def thinned(value):
        if isinstance(value, dict):
            if set(found_sizes) <= set(value):
                return {s: thinned(value[s]) for s in sizes}
            return {key: thinned(v) for key, v in value.items()}
        return [thinned(v) for v in value] if isinstance(value, list) else value

    found_sizes = found["envelope"]["sizes"]
    thin = thinned(found)
    thin["envelope"]["sizes"] = sizes
    thin["envelope"]["yardage"] = [y for y in thin["envelope"]["yardage"] if y["size"] in sizes]
    return thin


def places(value, here=()):
    """Every place in a document."""
    yield here
    if isinstance(value, dict):
        for key, inner in value.items():
            yield from places(inner, (*here, key))
    elif isinstance(value, list):
        for k, inner in enumerate(value[:6]):
            yield from places(inner, (*here, k))


@cache
def every_place(k):
    return [place for place in places(document(k)) if place]


def spoiled(draw, k):
    """The document with a few places taken out, emptied or swapped."""
    made = copy.deepcopy(document(k))
    for _ in range(draw(st.integers(1, 2))):
        place = draw(st.sampled_from(every_place(k)))
        value = made
        try:
            for step in place[:-1]:
                value = value[step]
            if draw(st.booleans()):
                del value[place[-1]]
            else:
                value[place[-1]] = draw(st.sampled_from(ODD))
        except (KeyError, IndexError, TypeError):
            continue
    return made


def use(pattern):
    """Everything the stations ask of a pattern."""
    for size in pattern.envelope.sizes:
        draw_nest(pattern, size, "#334444", pattern.pieces)
    layers = Layers(lining=LiningSchool.WHOLE, pleat=Pleat.FULL, pad=8.0, underlined=True)
    for view in pattern.envelope.views:
        for chosen in (ClothChoices(), ClothChoices(layers=layers)):
            decisions = Decisions(view=view.id, size=pattern.envelope.sizes[0], cloth=chosen)
            project = Project(pattern, BODY, decisions, {Role.MAIN: CLOTH})
            assert project.proposals and project.recommended
            assert isinstance(project.rows, tuple) and isinstance(project.lengths, tuple)
            project.walks, project.refusals, project.steps, project.cut_pattern, project.roles  # noqa: B018
            project.problem(Role.MAIN, CLOTH)


@given(data=st.data())
@settings(max_examples=120, deadline=None)
@pytest.mark.slow
def test_what_is_accepted_can_be_worked_with(data):
    k = data.draw(st.integers(0, len(DRAFTS) - 1))
    made = spoiled(data.draw, k)
    try:
        pattern = read_pattern(json.dumps(made))
    except RowanseedError as refused:
        assert str(refused)
        return
    try:
        use(pattern)
    except RowanseedError as refused:
        assert str(refused)


@pytest.mark.parametrize(
    ("spoil", "said"),
    [
        (lambda d: d["pieces"][0]["lines"][0]["ends"].pop(d["envelope"]["sizes"][0]), "is missing in this size"),
        (lambda d: d["pieces"][0]["points"][0]["at"].pop(d["envelope"]["sizes"][1]), "is missing in this size"),
        (lambda d: d["making"]["joins"][0]["a"][0].update(to_mark="nowhere"), "a mark “nowhere”"),
        (lambda d: d["pieces"][0]["cuts"][0].update(views=["Z"]), "a view “Z”"),
        (lambda d: d["making"]["booklet"][0]["about"].append("sleeves-of-fire"), "which there is not"),
        (lambda d: d["pieces"][0].update(name="x" * 5000), "at most 200 letters"),
        (lambda d: d["pieces"][0]["cuts"][0].update(selvedge="nowhere"), "along the selvedge"),
    ],
)
def test_what_is_missing_is_said_with_its_piece(spoil, said):
    made = copy.deepcopy(document(3))
    spoil(made)
    with pytest.raises(RowanseedError) as refused:
        read_pattern(json.dumps(made))
    assert said in str(refused.value)


def test_a_dart_without_its_point_in_a_size_is_refused():
    made = copy.deepcopy(document(1))
    made["pieces"][0]["darts"][0]["point"].pop(made["envelope"]["sizes"][0])
    with pytest.raises(RowanseedError, match="point of the dart"):
        read_pattern(json.dumps(made))
