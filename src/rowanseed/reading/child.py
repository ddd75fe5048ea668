"""The process that reads one file from elsewhere and ends: `python -m rowanseed.reading.child KIND BYTES`.

The file comes in on standard input; a line of JSON goes out, and what was read after it. Memory and computing time are
bounded before anything is read.
"""

from __future__ import annotations

import json
import resource
import sys
from typing import assert_never

from rowanseed.core.base.errors import DocumentError, DrawingError, PatternError, RowanseedError, Told
from rowanseed.reading.kinds import FileKind

COMPUTING = 20
"""Seconds of computing a file may take."""
NAMES = {PatternError: "pattern", DrawingError: "drawing", DocumentError: "document"}


def main(kind: FileKind, memory: int) -> int:
    data = sys.stdin.buffer.read()
    try:
        # What has to be loaded is loaded first: the bound is for the file.
        read = _reader(kind)
        resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
        resource.setrlimit(resource.RLIMIT_CPU, (COMPUTING, COMPUTING + 1))
        out = read(data)
        said: dict[str, str | None] = {"error": None}
    except Told as error:
        out, said = b"", _told(error)
    except RowanseedError as error:
        out, said = b"", {"error": "document", "problem": str(error), "remedy": "", "where": "file"}
    except MemoryError:
        return 9
    except Exception as error:  # whatever a file does, its sender is told
        problem = f"This {kind.words} cannot be read ({type(error).__name__})."
        out, said = b"", {"error": "document", "problem": problem, "remedy": "Save it again, simpler.", "where": "file"}
    sys.stdout.buffer.write(json.dumps(said).encode() + b"\n" + out)
    return 0


def _told(error: Told) -> dict[str, str | None]:
    name = next((name for kind, name in NAMES.items() if isinstance(error, kind)), "document")
    return {"error": name, "problem": error.problem, "remedy": error.remedy, "where": error.where}


def _reader(kind: FileKind):  # type: ignore[no-untyped-def]
    match kind:
        case FileKind.DRAWING:
            from pydantic import TypeAdapter

            from rowanseed.formats.svg_read import Drawing, read_drawing

            drawing = TypeAdapter(Drawing)
            return lambda data: drawing.dump_json(read_drawing(data))
        case FileKind.PATTERN:
            from rowanseed.formats.pattern_json import read_pattern, write_pattern

            return lambda data: write_pattern(read_pattern(data)).encode()
        case FileKind.PHOTO:
            from rowanseed.reading.photo import small_jpeg

            return small_jpeg
        case FileKind.HOUSEHOLD:
            from rowanseed.formats.household_zip import read_household, write_household

            return lambda data: write_household(read_household(data))
        case _:
            assert_never(kind)


if __name__ == "__main__":
    sys.exit(main(FileKind(sys.argv[1]), int(sys.argv[2])))
