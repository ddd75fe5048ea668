"""Every field of every format comes back as it was written, and documents of before are brought up."""

import json
import os
import subprocess
import sys
from collections import Counter
from contextlib import suppress
from dataclasses import asdict, fields, is_dataclass, replace
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import KINDS
from rowanseed.core.base.errors import DocumentError, PatternError
from rowanseed.core.base.lay_errors import LAY_REFUSALS
from rowanseed.core.base.units import Units
from rowanseed.core.batch import Member
from rowanseed.core.body.measures import Age
from rowanseed.core.choices import ClothChoices, Decisions, FitChoices, Habits
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, PrintBorder, Repeat, Stripe, Stripes, Surface
from rowanseed.core.cloth.matching import BOTH
from rowanseed.core.geometry.outline import Segment
from rowanseed.core.lay.problem import (
    LayCloth,
    LayKind,
    LayPiece,
    Match,
    MatchPoint,
    Motif,
    OnLine,
    Pin,
    Placement,
    Plan,
    Problem,
    Stretch,
)
from rowanseed.core.make.equipment import Equipment, Foot, SeamFinish, SewingHabits, StaySchool, TryOn, Workroom
from rowanseed.core.notions.added import Wanted, WantedKind
from rowanseed.core.pattern.envelope import Figure, PrintedNotion, PrintedYardage, Structure, View
from rowanseed.core.pattern.making import (
    BookletStep,
    Closure,
    ClosureKind,
    Difference,
    DifferenceKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    Layer,
    LayerKind,
    Making,
    Press,
)
from rowanseed.core.pattern.pieces import (
    Cut,
    Dart,
    Derived,
    DerivedAs,
    Drawn,
    Grain,
    InnerLine,
    InnerPoint,
    LineKind,
    Mark,
    MarkKind,
    Panel,
    PointKind,
    Role,
)
from rowanseed.core.project import Project
from rowanseed.core.sizing.schools import School
from rowanseed.core.sizing.wish import Wish
from rowanseed.core.sums.rectangles import Rectangle, RectangleKind
from rowanseed.demo import six_gore_skirt
from rowanseed.formats.cloth_choices_json import read_cloth_choices, write_cloth_choices
from rowanseed.formats.cloth_json import read_cloth, write_cloth
from rowanseed.formats.documents import Kind
from rowanseed.formats.fit_json import read_alteration, read_fit, write_alteration, write_fit
from rowanseed.formats.layout_json import (
    plan_document,
    plan_text,
    problem_document,
    read_plan,
    read_plan_text,
    read_problem,
)
from rowanseed.formats.pattern_json import pattern_document, read_pattern, write_pattern
from rowanseed.formats.project_json import read_project, write_project
from rowanseed.formats.refusal_json import read_refusal, refusal_document
from rowanseed.formats.workroom_json import read_workroom, write_workroom

from ..core.pieces import pattern_of, quadrilateral
from .every_field import changed, names, renamed, texts

FINITE = st.floats(-1e4, 1e4, allow_nan=False)
TEXT = st.text(max_size=12)
for simple, strategy in ((float, FINITE), (str, TEXT), (int, st.integers(1, 40))):
    st.register_type_strategy(simple, strategy)
st.register_type_strategy(Alteration, st.builds(Alteration, st.sampled_from(sorted(KINDS)), FINITE, TEXT, TEXT, TEXT))


def whole(record):
    """A record with the fields that equality passes over, ids among them."""
    return asdict(record)


@given(st.from_type(Cloth))
def test_a_cloth_comes_back_whole(cloth):
    assert whole(read_cloth(write_cloth(cloth))) == whole(cloth)


@given(st.from_type(ClothChoices))
def test_what_was_chosen_at_the_cloth_station_comes_back_whole(choices):
    assert whole(read_cloth_choices(write_cloth_choices(choices))) == whole(choices)


@given(
    st.builds(
        FitChoices,
        wish=st.builds(Wish, own=st.dictionaries(TEXT, st.tuples(FINITE, FINITE))),
        accepted=st.dictionaries(TEXT, FINITE),
        school=st.none() | st.sampled_from(School),
    )
)
def test_what_was_chosen_at_the_fit_station_comes_back_whole(choices):
    assert whole(read_fit(write_fit(choices))) == whole(choices)


@given(st.from_type(Alteration))
def test_an_alteration_comes_back_whole(alteration):
    assert whole(read_alteration(write_alteration(alteration))) == whole(alteration)


@pytest.mark.parametrize("kind", list(LAY_REFUSALS.values()), ids=list(LAY_REFUSALS))
def test_a_refusal_comes_back_whole(kind):
    values = {"Mm": 12.5, "PieceId": "front", "bool": True}
    refusal = kind(**{field.name: values[field.type] for field in fields(kind)})
    again = read_refusal(json.loads(json.dumps(refusal_document(refusal))))
    assert type(again) is kind and again.values() == refusal.values() and str(again) == str(refusal)


# ---------------------------------------------------------------- patterns


def full_pattern():
    """Two small pieces and between them everything that a pattern can say."""
    curve = Segment((0.0, 400.0), (0.0, 0.0), (-20.0, 300.0), (-20.0, 150.0))
    square = ((0.0, 400.0), (0.0, 0.0), (500.0, 0.0), (500.0, 400.0))

    def panel(id, number, top, **more):
        plain = quadrilateral(square, (15.0, 20.0, 15.0, top), id=id, corner="hem")
        shape = plain.shapes["S"]
        shapes = {size: replace(shape, edges={**shape.edges, "left": (curve,)}) for size in ("S", "M")}
        return replace(plain, number=number, shapes=shapes, **more)

    both = dict.fromkeys(("S", "M"), 0.0)
    legs = [
        Mark(id=id, kind=MarkKind.DART_LEG, edge="top", anchor="start", distance={"S": at, "M": at + 5})
        for id, at in (("leg-1", 100.0), ("leg-2", 140.0))
    ]
    end = Mark(id="end", kind=MarkKind.ZIP_END, edge="right", anchor="end", distance=both | {"S": 50.0, "M": 60.0})
    front = panel(
        "front",
        1,
        10.0,
        panel=Panel.FRONT,
        collar=True,
        drawn=Drawn.CUTTING,
        cuts=(
            Cut(Role.MAIN, 2, pair=True, one_way=True, motif=True, views=("A",)),
            Cut(Role.CONTRAST, 1, selvedge="hem"),
        ),
        marks=(*legs, end),
        darts=(Dart(id="dart", edge="top", legs=("leg-1", "leg-2"), point={"S": (120.0, 90.0), "M": (125.0, 95.0)}),),
        lines=(
            InnerLine(
                id="length",
                kind=LineKind.LENGTHEN_SHORTEN,
                ends={"S": ((0.0, 200.0), (500.0, 200.0)), "M": ((0.0, 210.0), (500.0, 210.0))},
            ),
        ),
        points=(InnerPoint(id="apex", kind=PointKind.BUST, at={"S": (250.0, 100.0), "M": (260.0, 110.0)}),),
    )
    back = panel(
        "back",
        2,
        0.0,
        panel=Panel.BACK,
        cuts=(Cut(Role.MAIN, 1, fold="top", grain=Grain.CROSSWISE),),
        marks=(end, replace(end, id="hem-end", edge="hem")),
        derived=Derived(DerivedAs.FACING, "front", "top"),
        garment=2,
    )
    sides = Join(
        id="sides",
        name="Side seams",
        a=(EdgePart("front", "right", from_mark="end"),),
        b=(EdgePart("back", "right", hand="left"),),
        difference=Difference(DifferenceKind.GATHERS, 1.5),
        align="start",
        sewn_from="end",
        press=Press.BACK,
        each_hand=True,
        why="fullness",
    )
    centre = Join(id="centre", name="Centre", a=(EdgePart("front", "left"),), b=(EdgePart("back", "left"),))
    making = Making(
        joins=(sides, centre),
        closures=(Closure(id="zip", kind=ClosureKind.CENTRED_ZIP, join="sides", to_mark=("front", "end")),),
        finishes=(
            Finish(
                id="hem",
                name="Hem",
                kind=FinishKind.HEM,
                parts=(EdgePart("front", "hem"), EdgePart("back", "hem", to_mark="hem-end")),
                folds=(6.0, 14.0),
            ),
            Finish(id="top", name="Top", kind=FinishKind.NEATENED, parts=(EdgePart("front", "top"),)),
        ),
        layers=(Layer(LayerKind.FACING, "back", "front"),),
        booklet=(BookletStep("1", ("sides",)), BookletStep("2", ("hem",))),
    )
    pattern = pattern_of(front, back, making=making)
    envelope = replace(
        pattern.envelope,
        views=(View("A", "Long"), View("B", "Short")),
        sizes=("S", "M"),
        sized_by=("waist", "hip"),
        body_chart={"waist": {"S": 700.0, "M": 740.0}, "hip": {"S": 940.0, "M": 980.0}},
        finished={"A": {"waist": {"S": 720.0, "M": 760.0}}},
        yardage=(
            PrintedYardage(view="A", size="S", role=Role.MAIN, width=1400.0, one_way=True, length=2000.0),
            PrintedYardage(view="A", size="M", role=Role.MAIN, width=1120.0, one_way=False, length=2600.0),
        ),
        notions=(PrintedNotion("zip", 1, "20 cm"),),
        figure=Figure.WOMEN,
    )
    return replace(pattern, house="House", code="0001", envelope=envelope)


NEVER_ALONE = {"Segment.start", "Segment.end", "LayPiece.fold", "LayPiece.selvedge", "Pattern.description"}
"""What touches something else cannot be changed by itself; that the whole comes back tells of them."""
MOST_TRIES = 60
"""So many changes of a field are tried."""


@pytest.mark.slow
def test_every_field_of_a_pattern_comes_back():
    """Each is changed in turn; where the pattern still holds together, it comes back changed."""
    pattern, kept, tried = full_pattern(), set(), Counter()
    plain = pattern_document(pattern)
    assert read_pattern(json.dumps(plain)) == pattern
    described = replace(pattern, description='{"name": "Choir dress", "sizes": ["8"]}', assumed=(("a", "b"),))
    assert read_pattern(json.dumps(pattern_document(described))) == described
    for name, variant in changed(pattern):
        if name in kept or tried[name] >= MOST_TRIES:
            continue
        tried[name] += 1
        try:
            written = pattern_document(variant)
            again = read_pattern(json.dumps(written))
        except Exception:  # a change that no pattern can have: another of the same field will do
            continue
        if again == variant and written != plain:
            kept.add(name)
    # What is named and spoken of in several places changes in all of them.
    for text in texts(pattern):
        touched: set[str] = set()
        variant = renamed(pattern, text, f"{text}x", touched)
        with suppress(PatternError, ValueError):
            if read_pattern(json.dumps(pattern_document(variant))) == variant:
                kept |= touched
    assert names(pattern) - kept - NEVER_ALONE == set()


# ---------------------------------------------------------------- lays

PIECE = ((0.0, 0.0), (300.0, 0.0), (300.0, 200.0), (0.0, 200.0))
FULL_PROBLEM = Problem(
    name="everything",
    cloth=LayCloth(width=1400.0, length=2000.0, selvedge=10.0, one_way=True, repeat_x=80.0, repeat_y=90.0),
    gap=3.0,
    lays=(LayKind.FOLDED, LayKind.OPEN, LayKind.TWO_FOLDS),
    pieces=(
        LayPiece(id="a", outline=PIECE, cut=2, pair=True, fold=None, grain=Grain.LENGTHWISE),
        LayPiece(
            id="b",
            outline=PIECE,
            cut=1,
            pair=False,
            fold=(PIECE[0], PIECE[1]),
            grain=Grain.LENGTHWISE,
        ),
        LayPiece(
            id="c",
            outline=PIECE,
            cut=2,
            pair=False,
            fold=None,
            grain=Grain.EITHER,
            selvedge=(PIECE[0], PIECE[1]),
        ),
        LayPiece(
            id="d",
            outline=PIECE,
            cut=1,
            pair=False,
            fold=None,
            grain=Grain.CROSSWISE,
            border=OnLine((10.0, 20.0), 30.0),
        ),
        LayPiece(
            id="e",
            outline=PIECE,
            cut=1,
            pair=False,
            fold=None,
            grain=Grain.BIAS,
            motif=Motif((50.0, 60.0), ((100.0, 110.0), (300.0, 310.0))),
        ),
    ),
    matches=(Match("x", (MatchPoint("a", (1.0, 2.0)), MatchPoint("b", (3.0, 4.0))), 5.0),),
    pins=(Pin(lay=LayKind.OPEN, piece="a", turn=180.0, mirrored=True, whole=True, at=(20.0, 30.0)),),
    forbidden=(PIECE,),
)
FULL_PLAN = Plan(
    length=520.0,
    stretches=(
        Stretch(
            lay=LayKind.PART_FOLDED,
            depth=300.0,
            start=0.0,
            end=250.0,
            placements=(
                Placement(piece="a", turn=180.0, mirrored=True, whole=True, at=(1.5, 2.5), outline=PIECE),
                Placement(piece="b", turn=0.0, mirrored=False, whole=False, at=(3.5, 4.5), outline=PIECE),
            ),
        ),
        Stretch(lay=LayKind.OPEN, depth=None, start=250.0, end=520.0, placements=()),
    ),
)


def _lost(record, there_and_back):
    """The fields that no change of which comes back."""
    kept: set[str] = set()
    for name, variant in changed(record):
        try:
            if there_and_back(variant) == variant:
                kept.add(name)
        except Exception:  # a change that no such record can have
            continue
    return names(record) - kept


def test_every_field_of_a_layout_problem_comes_back():
    assert read_problem(json.dumps(problem_document(FULL_PROBLEM))) == FULL_PROBLEM
    assert _lost(FULL_PROBLEM, lambda p: read_problem(json.dumps(problem_document(p)))) <= NEVER_ALONE


def test_every_field_of_a_plan_comes_back():
    def there_and_back(plan):
        return read_plan(json.loads(json.dumps(plan_document(plan))))

    assert there_and_back(FULL_PLAN) == FULL_PLAN
    assert _lost(FULL_PLAN, there_and_back) == set()


@given(st.lists(st.tuples(st.floats(-3000, 3000), st.floats(-3000, 3000)), min_size=3))
def test_a_plan_that_is_remembered_is_what_its_text_says_to_the_bit(outline):
    """It is written at every move by hand, and known by its text until the application is started again."""
    (stretch, *_) = FULL_PLAN.stretches
    laid = replace(stretch.placements[0], outline=tuple(outline), at=outline[0])
    plan = replace(FULL_PLAN, stretches=(replace(stretch, placements=(laid,)),))
    text = plan_text(plan)
    assert read_plan_text(text) is plan
    assert read_plan(json.loads(text)) == plan


# ---------------------------------------------------------------- projects

FULL_CLOTH = Cloth(
    name="Everything",
    width=1500.0,
    length=2600.0,
    selvedge=15.0,
    direction=Direction.ONE_WAY,
    fibre=Fibre.WOOL,
    shrink_along=0.03,
    shrink_across=0.02,
    washed=True,
    colour="#6b4f7d",
    surface=Surface.CHECK,
    weight=310.0,
    structure=Structure.KNIT,
    stretch=0.25,
    repeat=Repeat(92.0, 84.0, half_drop=True),
    lines=Stripes((Stripe(12.0, 12.0),), (Stripe(14.0, 13.0),)),
    border=PrintBorder.ONE,
    border_line=60.0,
    both_sides=True,
    price=39.5,
    care="dry clean",
    gone=(((0.0, 0.0), (10.0, 0.0), (10.0, 20.0)),),
)


FULL_WORKROOM = Workroom(
    Equipment(
        machine=True,
        zigzag=False,
        stretch_stitch=False,
        overlock_threads=4,
        differential=True,
        coverstitch=True,
        feet=frozenset({Foot.WALKING, Foot.BLIND_HEM}),
        ham=False,
    ),
    SewingHabits(SeamFinish.PINKED, StaySchool.EDGE, TryOn.SEWN, hem_by_hand=True),
)


def test_a_workroom_comes_back_whole_and_its_short_forms_are_read():
    assert read_workroom(write_workroom(FULL_WORKROOM)) == FULL_WORKROOM
    document = json.loads(Path("docs/formats/project.md").read_text().split("```json")[1].split("```")[0])
    document["choices"] |= {"overlocker": True, "overlock_threads": 4, "hem_by_hand": True, "by_hand_only": True}
    workroom = read_project(
        json.dumps(document), lambda name: write_pattern(six_gore_skirt.draft())
    ).project.habits.workroom
    assert (workroom.equipment.overlock_threads, workroom.equipment.machine) == (4, False)
    assert workroom.habits.hem_by_hand


def test_a_project_comes_back_whole():
    pattern = read_pattern(write_pattern(six_gore_skirt.draft()))
    project = Project(
        pattern=pattern,
        body={"waist": 752.25, "hip": 1008.0},
        decisions=Decisions(
            view="A",
            size="14",
            fit=FitChoices(
                school=School.BETWEEN,
                reason="she likes it loose",
                blend=(("waist", "14"), ("hip", "16")),
                alterations=(Alteration("hem", -15.0, id="a1"),),
                accepted={"front-seams": 3.2},
            ),
            tactics={Role.MAIN: ("narrow-hem",)},
            cloth=ClothChoices(
                rectangles=(Rectangle(RectangleKind.TIE, "tie", 900.0, 25.0, id="r1"),),
                batch=(Member("Nerys", "10", 2, id="m1"),),
                wanted=(Wanted(WantedKind.SNAPS, 320.0, id="w1"),),
                card=4,
            ),
            techniques=(("side-seams", "french"), ("hem", "blind-hem")),
        ),
        cloths={Role.MAIN: FULL_CLOTH, Role.INTERFACING: replace(FULL_CLOTH, name="other", length=None)},
        habits=Habits(Units.IMPERIAL, FULL_WORKROOM, money="crowns"),
    )
    text = write_project(name="Skirt", person="Ysolde", age=Age.CHILD, project=project)
    again = read_project(text, lambda name: pytest.fail(name))
    assert (again.name, again.person) == ("Skirt", "Ysolde")
    assert whole(again.project.decisions) == whole(project.decisions)
    assert (again.project.pattern, again.project.cloths) == (project.pattern, project.cloths)
    assert (dict(again.project.body), again.project.habits) == (dict(project.body), project.habits)


# ---------------------------------------------------------------- versions


def test_a_cloth_from_before_there_were_versions_is_read_by_its_wording():
    old = {
        "name": "wool",
        "width": 1500,
        "length": None,
        "selvedge": 15,
        "direction": "one-way",
        "surface": "checks",
        "border": "along both selvedges",
        "fibre": "something else",
    }
    cloth = read_cloth(json.dumps(old))
    assert (cloth.surface, cloth.border, cloth.fibre) == (Surface.CHECK, PrintBorder.BOTH, Fibre.OTHER)
    assert cloth.price is None


def test_choices_from_before_there_were_versions_are_read_and_their_lines_get_ids():
    old = {
        "layers": {"lining": "facing deducted", "hem": "hanging free"},
        "matching": [["main", "bars meet, lines centred"]],
        "rectangles": [{"kind": "tie, turned", "name": "tie", "long": 900, "wide": 25}] * 2,
        "wanted": [{"kind": "snaps", "length": 300}],
    }
    choices = read_cloth_choices(json.dumps(old))
    assert choices.layers.lining.value == "deduct" and choices.layers.hem.value == "free"
    assert [line.id for line in choices.rectangles] == ["1", "2"] and choices.wanted[0].id == "1"
    assert choices.matched(Role.MAIN) == BOTH
    fit = read_fit(json.dumps({"school": "by the high bust", "wish": {"over": "a jumper more"}}))
    assert fit.school is School.HIGH_BUST and fit.wish.over.value == "jumper"


def test_a_document_of_a_newer_version_or_another_sort_is_refused():
    for heading, said in (("rowanseed-cloth/99", "newer Rowanseed"), ("rowanseed-fit/1", "It says that it is")):
        document = json.loads(write_cloth(FULL_CLOTH)) | {"format": heading}
        with pytest.raises(DocumentError) as refused:
            read_cloth(json.dumps(document))
        assert said in str(refused.value)


@pytest.mark.parametrize(
    ("write", "record", "read"),
    [
        (write_cloth, FULL_CLOTH, read_cloth),
        (write_fit, FitChoices(), read_fit),
        (write_cloth_choices, ClothChoices(), read_cloth_choices),
    ],
    ids=["cloth", "fit", "cloth choices"],
)
def test_documents_say_their_version_write_every_value_and_refuse_what_they_do_not_know(write, record, read):
    document = json.loads(write(record))
    assert document["format"].startswith("rowanseed-")
    assert set(document) == {"format", *(field.name for field in fields(record))}
    with pytest.raises(DocumentError):
        read(json.dumps(document | {"surprise": 1}))


def test_upgraders_run_one_after_another():
    kind = Kind("rowanseed-test", 2, Habits, "No.", {0: lambda d: {**d, "money": "a"}, 1: lambda d: d | {"money": "b"}})
    assert kind.read("{}").money == "b"
    assert is_dataclass(kind.read("{}"))


# ---------------------------------------------------------------- what the documentation shows


def test_the_documented_project_is_planned_as_it_stands():
    written = Path("docs/formats/project.md").read_text().split("```json")[1].split("```")[0]
    read = read_project(written, lambda name: write_pattern(six_gore_skirt.draft()))
    assert (read.name, read.project.size) == ("Concert skirt for the alto", "14")
    assert [a.kind for a in read.project.decisions.fit.alterations] == ["seam", "hem"]


def test_worn_open_is_a_wish_of_the_document():
    document = json.loads(Path("docs/formats/project.md").read_text().split("```json")[1].split("```")[0])
    document["choices"]["worn_open"] = True
    read = read_project(json.dumps(document), lambda name: write_pattern(six_gore_skirt.draft()))
    assert read.project.decisions.fit.wish == Wish(worn_open=True)


def test_the_same_household_is_the_same_document_in_every_process():
    """A set has another order in each: its document has not."""
    code = (
        "from rowanseed.core.make.equipment import Workroom\n"
        "from rowanseed.formats.workroom_json import write_workroom\n"
        "print(write_workroom(Workroom()))"
    )
    said = {
        subprocess.run(
            [sys.executable, "-c", code], env={**os.environ, "PYTHONHASHSEED": seed}, capture_output=True, check=True
        ).stdout
        for seed in ("1", "2", "3", "4")
    }
    assert len(said) == 1
