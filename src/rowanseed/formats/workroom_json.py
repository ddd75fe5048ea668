"""`rowanseed-workroom/1`: what a household sews with and how it is used to sewing, as a document."""

from __future__ import annotations

from rowanseed.core.make.equipment import Workroom
from rowanseed.formats.documents import Kind

KIND = Kind("rowanseed-workroom", 1, Workroom, "What the household sews with cannot be read.")


def write_workroom(workroom: Workroom) -> str:
    return KIND.write(workroom)


def read_workroom(text: str) -> Workroom:
    """Raises DocumentError for a document that is none."""
    return KIND.read(text)
