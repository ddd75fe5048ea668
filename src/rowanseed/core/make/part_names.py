"""What the parts of a garment are called that a technique makes: those of the making graph, and the layers, darts and
folds that have no record there."""

from __future__ import annotations

from collections.abc import Mapping

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.workbench import Workbench

OF_A_PIECE: Mapping[str, str] = {
    "back": "Underlining",
    "darts": "Darts",
    "folds": "Folds",
    "interline": "Interlining",
    "one hand": "Folds of one hand",
    "pleat": "Ease pleat",
    "pleats": "Pleats",
    "stiffen": "Interfacing",
}
"""What lies on a piece, by the first half of its id; the second is the piece's."""
OF_A_SEAM: Mapping[str, str] = {"fullness": "Fullness", "lining-drawn": "Lining drawn in"}
"""What lies on a seam, likewise."""
OF_ALL: Mapping[str, str] = {"lining": "Lining", "pads": "Shoulder pads"}


def part_name(bench: Workbench, id: str) -> str:
    """A part in words, a closure with the seam or edge it closes."""
    if id in bench.closures:
        return f"Closure: {lower_first(part_name(bench, bench.closures[id].join))}"
    return named(bench, id)


def named(bench: Workbench, id: str) -> str:
    """A part in words; a closure by its kind alone."""
    graph = (bench.joins, bench.finishes, bench.details)
    known = next((records[id].name for records in graph if id in records), None)
    if known is not None:
        return known
    if id in bench.closures:
        return bench.closures[id].kind.words
    kind, _, of = id.partition(":")
    if kind in OF_A_PIECE:
        return f"{OF_A_PIECE[kind]} of the {bench.name(of)}"
    if kind in OF_A_SEAM and of in bench.joins:
        return f"{OF_A_SEAM[kind]} of the seam “{bench.joins[of].name}”"
    return OF_ALL.get(id) or called(id)


def called(id: str) -> str:
    """A part that is not in the garment, whose record is therefore not there to name it: by its id's own words."""
    kind, _, of = id.rpartition(":")
    what = {**OF_A_PIECE, **OF_A_SEAM}.get(kind)
    return f"{what} of the {of.replace('-', ' ')}" if what else id.replace("-", " ")


def kind_of(bench: Workbench, id: str) -> str:
    """What kind of part it is, in words."""
    if id in bench.joins:
        return "a seam"
    if id in bench.finishes:
        return bench.finishes[id].kind.words
    if id in bench.details:
        return bench.details[id].kind.words
    return bench.closures[id].kind.words if id in bench.closures else "a layer"
