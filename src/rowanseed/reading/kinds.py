"""What may be sent to be read apart."""

from __future__ import annotations

from rowanseed.core.base.words import Worded


class FileKind(Worded):
    DRAWING = "drawing"
    PATTERN = "pattern", "pattern document"
    PHOTO = "photo"
    HOUSEHOLD = "household"
