"""Hems lie level on one bar: body pieces that no matched seam brings there are tied at their hems.

Common practice, no source. Sleeves are left out: their hems hang higher or lower than the garment's.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.cloth.matching.border import hem_points
from rowanseed.core.cloth.matching.ground import SHELL, TIED, Ground, MatchKind, points
from rowanseed.core.cloth.matching.record import Found, MatchedSeam
from rowanseed.core.lay.problem import Match


def _finds(ground: Ground) -> Iterator[Found]:
    here = ground.cuts
    aslant = [id for id in hem_points(ground.pattern, ground.size) if id in here and ground.is_on_bias(id)]
    for id in aslant:
        yield Found(MatchedSeam(f"Hem of the {_name(ground, id)}", "it is cut on the bias: bars run aslant to its hem"))
    hems = [
        (id, at)
        for id, at in hem_points(ground.pattern, ground.size).items()
        if id in here and here[id][0].panel in SHELL and not ground.is_on_bias(id)
    ]
    for id, at in hems[:1]:
        ground.x.tie(id, id)
        yield Found(MatchedSeam(f"Hem of the {_name(ground, id)}"), (Match("x", points((id, at))),))
    for id, at in hems[1:]:
        said = f"Hem of the {_name(ground, id)}"
        first = hems[0]
        if ground.x.tie(first[0], id):
            yield Found(MatchedSeam(said), (Match("x", points(first, (id, at))),))
        else:
            yield Found(MatchedSeam(said, TIED))


def _name(ground: Ground, id: str) -> str:
    name = ground.pattern.piece(id).name
    return f"{name[:1].lower()}{name[1:]}"


KIND = MatchKind("hems", "hems level on one bar", 20, frozenset("x"), _finds)
