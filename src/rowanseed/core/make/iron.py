"""How the iron is set and held, by the cloth that lies under it (common practice, no source); its own label rules."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.workbench import Workbench

HOW = {
    Fibre.COTTON: "Hot iron, steam.",
    Fibre.LINEN: "Hot iron, much steam, from the wrong side.",
    Fibre.VISCOSE: "Medium iron, little steam, from the wrong side: wet viscose stretches.",
    Fibre.WOOL: "Medium iron through a damp cloth; lift and set down, do not slide.",
    Fibre.SILK: "Cool to medium iron, dry, from the wrong side: drops of water mark silk.",
    Fibre.ACETATE: "Cool iron, dry, from the wrong side: acetate melts.",
    Fibre.POLYESTER: "Cool to medium iron through a cloth.",
    Fibre.OTHER: "Heat and steam as a scrap of it bears them.",
}
PILE = (
    "From the wrong side only, face down on a towel or a piece of the same cloth: an iron on the right side crushes "
    "the pile. Let steam do it."
)
HOTTER = (Fibre.ACETATE, Fibre.POLYESTER, Fibre.SILK, Fibre.VISCOSE, Fibre.WOOL, Fibre.COTTON, Fibre.LINEN)
"""From what bears the least heat to what bears the most."""


def iron_for(bench: Workbench, pieces: Iterable[str] = ()) -> str:
    """For what is pressed of these pieces; for the main cloth where none are named. Where cloths meet, the one that
    bears least heat decides."""
    cloths = bench.cloths_of(pieces)
    return _where_they_meet(cloths) if len(cloths) > 1 else _by_cloth(next(iter(cloths.values()), bench.household))


def iron_for_both(bench: Workbench) -> str:
    """For edges at which shell and lining are turned out together."""
    return _where_they_meet({"main cloth": bench.household, "lining": bench.household.on_the_lining})


def others_by_themselves(bench: Workbench) -> tuple[str, ...]:
    """What the last press says of a contrast cloth or a lining that is ironed otherwise than the main cloth."""
    own, cloths = _by_cloth(bench.household), bench.cloths_of(piece.id for piece in bench.pattern.pieces)
    others = {name: _by_cloth(cloth) for name, cloth in cloths.items()}
    return tuple(f"The {name} by itself: {lower_first(how)}" for name, how in others.items() if how != own)


def _where_they_meet(cloths: Mapping[str, MakingChoices]) -> str:
    (_, first), *others = cloths.items()
    if Fibre.OTHER in {cloth.fibre for cloth in cloths.values()}:
        return f"{_by_cloth(first)} No hotter than the {others[-1][0]} bears."
    name, coolest = min(cloths.items(), key=lambda one: HOTTER.index(one[1].fibre))
    return _by_cloth(first) if coolest.fibre is first.fibre else f"As the {name} bears it. {_by_cloth(coolest)}"


def _by_cloth(choices: MakingChoices) -> str:
    return PILE if choices.surface.is_pile else HOW[choices.fibre]
