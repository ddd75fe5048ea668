"""The list of techniques for the documentation, made from the techniques themselves."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import groupby

from rowanseed.core.make.registry import every
from rowanseed.core.make.technique import Companion, Technique

CHAPTERS = (
    "preparation",
    "stay",
    "stiffen and back",
    "shape",
    "fullness",
    "seams",
    "edges",
    "waists, collars and cuffs",
    "sleeves",
    "pockets and small parts",
    "closures",
    "layers",
    "hems",
    "fitting",
    "finish",
)


def markdown() -> str:
    """Chapters with a line a technique, and the glossary."""
    return "\n".join([*_chapters(), "", "## Words", "", *_glossary(), ""])


def _chapters() -> Iterator[str]:
    yield "# Techniques"
    yield ""
    yield (
        "What the making order knows how to sew, made from the techniques themselves by `make docs`. A technique is "
        "chosen by its id for a part of the garment (`choices.techniques` of a [project "
        "document](formats/project.md)); the usual one is taken where nothing is chosen, and what goes along is "
        "never chosen."
    )
    ordered = sorted(every(), key=lambda t: CHAPTERS.index(t.chapter))
    for chapter, found in groupby(ordered, key=lambda t: t.chapter):
        yield ""
        yield f"## {chapter.capitalize()}"
        yield ""
        yield "| technique | id | taken | also called |"
        yield "|---|---|---|---|"
        for technique in found:
            yield f"| {technique.name} | `{technique.id}` | {_taken(technique)} | {', '.join(technique.also)} |"


def _taken(technique: Technique | Companion) -> str:
    if isinstance(technique, Companion):
        return "goes along"
    return "usual" if technique.usual else "where chosen"


def glossary() -> dict[str, str]:
    """The words of the trade that techniques explain, by the alphabet."""
    found = {word: said for technique in every() for word, said in technique.words.items()}
    return dict(sorted(found.items(), key=lambda item: item[0].lower()))


def _glossary() -> Iterator[str]:
    for word, said in glossary().items():
        yield f"- **{word}**: {said}"
