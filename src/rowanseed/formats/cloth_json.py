"""`rowanseed-cloth/1`: a cloth as a document, described in docs/formats/cloth.md."""

from __future__ import annotations

from typing import Any

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.formats.documents import Kind
from rowanseed.formats.wording import CLOTH, in_ids


def _from_0(document: dict[str, Any]) -> dict[str, Any]:
    """What was as it usually is was left out, and closed sets were kept by their wording."""
    worded: dict[str, Any] = in_ids(document, CLOTH)
    return worded


KIND = Kind("rowanseed-cloth", 1, Cloth, "This cloth cannot be read.", {0: _from_0})


def write_cloth(cloth: Cloth) -> str:
    return KIND.write(cloth)


def read_cloth(text: str) -> Cloth:
    """Raises DocumentError for a document that is none."""
    return KIND.read(text)
