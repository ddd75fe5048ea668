"""Every step of whatever is described and chosen is drawn, on its own pieces and in section, and told in words."""

from __future__ import annotations

from xml.etree import ElementTree

import pytest
from hypothesis import given

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.registry import scene_of

from ..core.everyday import EVERYDAY, everyday
from ..core.projects import projects
from .test_step_drawings import NOT_ON_PIECES


@given(projects())
def test_every_step_of_any_project_is_drawn(project):
    if project is None:
        return
    for op in project.steps:
        assert scene_of(op) is not None, f"{op.technique} has no section"
        laid = draw_laid(project.garment, project.view, project.size, op, "#6b3d5b", "#d9cbd3")
        assert laid is not None or op.act in NOT_ON_PIECES or not op.edges, f"{op.id} is drawn on nothing"
        if laid is not None:
            assert laid.words.endswith(".") and "{" not in laid.words and "None" not in laid.words
            assert "nan" not in laid.svg
            ElementTree.fromstring(laid.svg)


@pytest.mark.parametrize("name", EVERYDAY)
def test_every_step_of_an_everyday_garment_has_its_section(name):
    pattern = everyday(name)
    made = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices())
    assert {op.technique for op in made.operations if scene_of(op) is None} == set()
