"""`rowanseed-cloth-choices/2`: what was decided at the Cloth station, as a document."""

from __future__ import annotations

from typing import Any

from rowanseed.core.choices import ClothChoices
from rowanseed.formats.documents import Kind
from rowanseed.formats.wording import CLOTH_CHOICES, in_ids

LISTS = ("rectangles", "batch", "wanted")


def from_0(document: dict[str, Any]) -> dict[str, Any]:
    """Closed sets were kept by their wording, and the lines of lists had no ids."""
    worded: dict[str, Any] = in_ids(document, CLOTH_CHOICES)
    for name in LISTS:
        worded[name] = [{**line, "id": str(k)} for k, line in enumerate(worded.get(name, []), start=1)]
    return worded


WAYS = {"none": [], "bars": ["seams"], "both": ["centres", "seams"]}
"""The three ways of matching that there were, and the kinds they are now."""


def from_1(document: dict[str, Any]) -> dict[str, Any]:
    """How a cloth is matched was one of three words."""
    pairs = [[role, {"kinds": WAYS[how]}] for role, how in document.get("matching", [])]
    return {**document, "matching": pairs}


KIND = Kind(
    "rowanseed-cloth-choices",
    2,
    ClothChoices,
    "What was chosen at the Cloth station cannot be read.",
    {0: from_0, 1: from_1},
)


def write_cloth_choices(choices: ClothChoices) -> str:
    return KIND.write(choices)


def read_cloth_choices(text: str) -> ClothChoices:
    """Raises DocumentError for a document that is none."""
    return KIND.read(text)
