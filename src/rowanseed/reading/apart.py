"""Asking for a file to be read apart, from the side that must not be harmed by it.

A drawing, a pattern document or a photo may be made to take all memory or never to end. It is read in a process of its
own (`child`), bounded in memory, time and what it may answer; if that dies, only who sent the file is told.
"""

from __future__ import annotations

import json
import subprocess
import sys
import threading

from pydantic import TypeAdapter

from rowanseed.core.base.errors import DocumentError, DrawingError, PatternError, Told
from rowanseed.formats.svg_read import Drawing
from rowanseed.reading.kinds import FileKind
from rowanseed.settings import settings

AT_ONCE = threading.BoundedSemaphore(2)
"""So many files are read at a time; more wait."""
ANSWER = 256 * 1024 * 1024
"""Bytes of an answer at most; a household with all its photos is the largest."""
ERRORS: dict[str, type[Told]] = {"pattern": PatternError, "drawing": DrawingError, "document": DocumentError}

_DRAWING = TypeAdapter(Drawing)


def drawing(data: bytes) -> Drawing:
    """A drawing to scale. Raises DrawingError and the others of its kind in the sewist's words."""
    return _DRAWING.validate_json(_read(FileKind.DRAWING, data))


def written(found: Drawing) -> bytes:
    """A drawing as it was read, to be kept while it waits."""
    return _DRAWING.dump_json(found)


def rewritten(data: bytes) -> Drawing:
    """A drawing that `written` wrote."""
    return _DRAWING.validate_json(data)


def pattern_document(data: bytes) -> bytes:
    """A pattern document, read and written again: whole, checked, of the newest version."""
    return _read(FileKind.PATTERN, data)


def photo(data: bytes) -> bytes:
    """A photo as a small JPEG, with everything about place and camera left out."""
    return _read(FileKind.PHOTO, data)


def household(data: bytes) -> bytes:
    """A household as it was taken out, read and written again; its records are checked when they are taken in."""
    return _read(FileKind.HOUSEHOLD, data)


def _read(kind: FileKind, data: bytes) -> bytes:
    command = [sys.executable, "-m", "rowanseed.reading.child", kind.value, str(settings().reading_memory)]
    with AT_ONCE:
        child = subprocess.Popen(
            command, stdin=subprocess.PIPE, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, start_new_session=True
        )
        try:
            answer, _ = child.communicate(data, timeout=settings().seconds_to_read)
        except subprocess.TimeoutExpired:
            child.kill()
            child.communicate()
            raise _too_much(kind, "takes too long to read") from None
        except BaseException:
            child.kill()
            child.wait()
            raise
    if child.returncode != 0 or len(answer) > ANSWER:
        raise _too_much(kind, "takes more memory than a file may")
    head, _, rest = answer.partition(b"\n")
    said = json.loads(head)
    if said["error"] is not None:
        raise ERRORS[said["error"]](said["problem"], said["remedy"], said["where"])
    return rest


def _too_much(kind: FileKind, why: str) -> DocumentError:
    return DocumentError(f"This {kind.words} {why}.", "Save it simpler, without patterns and nested copies.", "file")
