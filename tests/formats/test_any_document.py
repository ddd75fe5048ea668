"""Whatever is described and chosen comes back from its documents, and is sewn in the same order."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given

from rowanseed.core.body.measures import Age
from rowanseed.formats.pattern_json import read_pattern, write_pattern
from rowanseed.formats.project_json import read_project, write_project

from ..core.projects import projects


def in_document(found):
    """A project with its pattern as the pattern's document has it, which rounds what is drawn."""
    return replace(found, pattern=read_pattern(write_pattern(found.pattern)))


@given(projects())
def test_a_project_comes_back_as_it_was_chosen(found):
    if found is None:
        return
    project = in_document(found)
    assert read_pattern(write_pattern(project.pattern)) == project.pattern
    text = write_project(name="Any", person="Ysolde", age=Age.ADULT, project=project)
    again = read_project(text, open_pattern=lambda name: "").project
    assert again.decisions == project.decisions
    assert dict(again.cloths) == dict(project.cloths)
    assert again.habits == project.habits
    assert [op.id for op in again.steps] == [op.id for op in project.steps]
