"""Inside of a band closed."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families import laps
from rowanseed.core.make.families.band_insides import closes
from rowanseed.core.make.families.bands import is_band, is_folded
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import FinishKind


def finds_closing(bench: Workbench) -> Iterator[Duty]:
    for finish in bench.finishes.values():
        pieces = pieces_of(finish.parts)
        if laps.is_lap_end(bench, finish) or finish.id in bench.in_half_placket:
            continue
        if finish.kind is FinishKind.TURNED and all(is_band(bench, id) and is_folded(bench, id) for id in pieces):
            yield single(finish.id)


TECHNIQUE = Technique(
    id="band-closing",
    name="Inside of a band closed",
    chapter="waists, collars and cuffs",
    finds=finds_closing,
    sews=closes,
    rank=30,
    draw="band closed",
)
