"""Layout problems: read as the format says, refused with field and reason."""

import json
from dataclasses import replace
from pathlib import Path

import pytest

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.derive.choice import Layers
from rowanseed.core.derive.lining import schools
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.formats.layout_json import problem_document, read_problem

from ..core.everyday import EVERYDAY, everyday

PROBLEMS = sorted((Path(__file__).parent.parent / "outside" / "problems").glob("*.json"))


@pytest.mark.parametrize("path", PROBLEMS, ids=lambda p: p.stem)
def test_the_sample_problems_read_and_write_back(path):
    problem = read_problem(path.read_text())
    again = read_problem(json.dumps(problem_document(problem)))
    assert again == problem


PLAIN = Cloth("Cloth", 1500.0, None, 12.0, Direction.TWO_WAY)
EVERY_LAYER = Layers(trim_under_collar=True, fused=True, underlined=True, pad=9.0)


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_is_to_be_laid_reaches_the_search_as_it_is(name):
    """The search reads every problem from a document: each everyday garment, each way to save cloth, every layer."""
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[-1]
    lined = [replace(EVERY_LAYER, lining=school) for school in schools(pattern, view, size)[:1]]
    chosen = [
        *(Decisions(view, size, cloth=ClothChoices(layers=layers)) for layers in (EVERY_LAYER, *lined)),
        *(Decisions(view, size, tactics={Role.MAIN: (tactic,)}) for tactic in TACTICS),
    ]
    for decisions in chosen:
        project = Project(pattern, {}, decisions)
        for role in project.roles:
            problem = project.problem(role, PLAIN)
            if problem is not None:
                again = read_problem(json.dumps(problem_document(problem)))
                assert (again.pieces, again.matches) == (problem.pieces, problem.matches), decisions


def _good():
    return json.loads(PROBLEMS[0].read_text())


@pytest.mark.parametrize(
    ("change", "field"),
    [
        (lambda d: d.update(format="else"), "format"),
        (lambda d: d["cloth"].update(width=-1), "cloth.width"),
        (lambda d: d["cloth"].update(width=1e9), "cloth.width"),
        (lambda d: d["cloth"].update(selvedge=700), "cloth.selvedge"),
        (lambda d: d["cloth"].update(repeat={"x": 0, "y": None}), "cloth.repeat.x"),
        (lambda d: d.update(lays=["sideways"]), "lays.0"),
        (lambda d: d["pieces"][0].update(cut=0), "pieces.0.cut"),
        (lambda d: d["pieces"][0].update(cut=1.5), "pieces.0.cut"),
        (lambda d: d["pieces"][0].update(outline=[[0, 0], [1, 1]]), "pieces.0.outline"),
        (lambda d: d["pieces"][0].update(outline=[[0, 0], [9, 9], [0, 9], [9, 0]]), "pieces.0.outline"),
        (lambda d: d["pieces"][0].update(outline=[[0, 0], [9, 0], [18, 0]]), "pieces.0.outline"),
        (lambda d: d["pieces"][0].update(outline=[[0, 0], [9, 0], [9, 9], [9, 9]]), "pieces.0.outline"),
        (lambda d: d["pieces"][0].update(fold=[[0, 0], [5, 5]]), "pieces.0.fold"),
        (lambda d: d["pieces"][0].update(selvedge=[[0, 0], [5, 5]]), "pieces.0.selvedge"),
        (lambda d: d["pieces"][0].update(motif={"at": [0, 0], "places": []}), "pieces.0.motif.places"),
        (lambda d: d.update(forbidden=[[[0, 0], [5, 5], [5, 0], [0, 5]]]), "forbidden.0"),
        (
            lambda d: d.update(
                pins=[{"lay": "open", "piece": "?", "turn": 0, "mirrored": False, "whole": False, "at": [0, 0]}]
            ),
            "pins.0.piece",
        ),
        (lambda d: d["pieces"][0].update(outline=[[0, 0], [9, 0], [9, 9], [5, 5], [0, 9], [5, 5]]), "pieces.0.outline"),
        (lambda d: d["pieces"][1].update(id=d["pieces"][0]["id"]), "pieces.1.id"),
        (
            lambda d: d.update(matches=[{"axis": "x", "points": [{"piece": "?", "at": [0, 0]}]}]),
            "matches.0.points.0.piece",
        ),
    ],
)
def test_a_bad_document_is_refused_with_its_field(change, field):
    document = _good()
    change(document)
    with pytest.raises(DocumentError) as refused:
        read_problem(json.dumps(document))
    assert refused.value.where.startswith(field)


def test_an_outline_of_ten_thousand_points_is_simplified_and_that_is_told():
    import math

    from shapely.geometry import Polygon

    document = _good()
    ring = [
        [300 + 200 * math.cos(k * math.tau / 10_000), 300 + 200 * math.sin(k * math.tau / 10_000)]
        for k in range(10_000)
    ]
    document["pieces"][0]["outline"] = ring
    problem = read_problem(json.dumps(document))
    assert len(problem.pieces[0].outline) < 400
    assert Polygon(problem.pieces[0].outline).exterior.hausdorff_distance(Polygon(ring).exterior) <= 0.11
    assert "from 10000 to" in problem.notes[0]


@pytest.mark.parametrize("text", ["", "{", "[]", '{"cloth": NaN}', "[" * 100_000])
def test_what_is_no_document_is_refused(text):
    with pytest.raises(DocumentError):
        read_problem(text)
