"""Where the tape is put on the tissue: every number is beside its own line, and on no other's."""

from xml.etree import ElementTree

import pytest
from shapely.geometry import LineString, Point

from rowanseed.core.compose.tape import dimensions
from rowanseed.core.compose.vocabulary import TapeLine
from rowanseed.drawings.tape_lines import ROUND, draw_tape_lines

from ..core.everyday import EVERYDAY, everyday


def numbers(root):
    """The middle of each number's circle."""
    return [Point(float(c.get("cx")), float(c.get("cy"))) for c in root.findall(".//{*}circle")]


def tapes_across(root):
    """The lines that are dashed across the piece."""
    for path in root.findall(".//{*}path"):
        if path.get("stroke-dasharray"):
            runs = path.get("d").replace("M", " ").replace("L", " ").replace(",", " ").split()
            yield LineString(list(zip(map(float, runs[::2]), map(float, runs[1::2]), strict=True)))


@pytest.mark.parametrize("line", TapeLine)
@pytest.mark.parametrize("name", list(EVERYDAY)[::3])
def test_no_number_lies_on_another_or_on_the_line_of_another(name, line):
    """The number of a waist's edge lay on the line of the width below it, as if that were to be measured twice."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    for piece in pattern.pieces:
        root = ElementTree.fromstring(draw_tape_lines(piece, size, line, set()))
        found, across = numbers(root), list(tapes_across(root))
        levels = [d.level for d in dimensions(piece)]
        assert len(found) == len(levels) and len(across) == sum(bool(level) for level in levels)
        left, top, wide, tall = map(float, root.get("viewBox").split())
        for k, (number, level) in enumerate(zip(found, levels, strict=True)):
            assert left + ROUND <= number.x <= left + wide - ROUND and top + ROUND <= number.y <= top + tall - ROUND
            assert all(number.distance(other) >= 2 * ROUND for other in found[:k]), (piece.id, k)
            on = [line.distance(number) < ROUND for line in across]
            assert sum(on) == bool(level), (piece.id, k)
        edges = [number for number, level in zip(found, levels, strict=True) if not level]
        leaders = [leader_of(path) for path in root.findall(".//{*}path[@class='leader']")]
        assert len(leaders) == len(edges)
        outlines = [outline_of(path) for path in root.findall(".//{*}path") if path.get("d").endswith("Z")]
        for number, (start, end) in zip(edges, leaders, strict=True):
            assert start.distance(number) < 0.1
            assert min(outline.distance(end) for outline in outlines) < 1.0, piece.id


def leader_of(path):
    """Where the line from an edge's number starts, and the place on the edge where it ends."""
    (a, b), (c, d) = (pair.replace(",", " ").split() for pair in path.get("d")[1:].split("L"))
    return Point(float(a), float(b)), Point(float(c), float(d))


def outline_of(path):
    points = [pair.replace(",", " ").split() for pair in path.get("d").strip("MZ ").split("L")]
    ring = [(float(x), float(y)) for x, y in points]
    return LineString([*ring, ring[0]])
