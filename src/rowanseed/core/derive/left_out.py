"""Layers that were chosen and that this garment cannot have: another pattern was drawn since, or a document asks so."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.craft_refusals import NoSuchLayer
from rowanseed.core.derive.choice import Layers, LinedPart, LiningSchool, Pleat
from rowanseed.core.derive.corners_on import corners_on, slanted
from rowanseed.core.derive.facing import can_be_faced, strips
from rowanseed.core.derive.layers import has_collar_alike
from rowanseed.core.derive.lining import can_be_lined, can_be_pleated, draws_lining, lined_parts, turns_back
from rowanseed.core.pattern.draped import fall
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role


def left_out(pattern: Pattern, view: str, size: str, layers: Layers) -> Iterator[NoSuchLayer]:
    """What of these layers an (altered) pattern is sewn without in a size, each with the reason."""
    is_lined = layers.lining is not LiningSchool.NONE
    can_be = can_be_lined(pattern, view)
    if is_lined and not can_be:
        drawn = "the pattern draws its own, and that is sewn"
        none = "under a cowl none is worked out" if fall(pattern.pieces) else "none can be worked out for this garment"
        yield NoSuchLayer("A lining", drawn if draws_lining(pattern) else none)
    elif is_lined and can_be and slanted(corners_on(pattern, size).pattern):
        yield NoSuchLayer("A lining", "as altered, the corners that slant pockets cut off do not fit the fronts again")
    elif is_lined and layers.lining is LiningSchool.WHOLE and turns_back(pattern, view):
        yield NoSuchLayer("A whole lining", "the front turns back, and is lined beside its facing; it is worked out so")
    if is_lined and can_be and layers.of is not LinedPart.ALL and layers.of not in lined_parts(pattern, view):
        yield NoSuchLayer(f"Only {layers.of.words} lined", "there is no seam at which such a lining would end")
    if layers.pleat is not Pleat.NONE and (is_lined or draws_lining(pattern)) and not can_be_pleated(pattern, view):
        yield NoSuchLayer("An ease pleat", "the lining has no closed centre back with a neck above it")
    if layers.trim_under_collar and not has_collar_alike(pattern):
        yield NoSuchLayer("An under collar trimmed", "no collar is cut twice from one piece")
    offered = {finish.id: finish for finish in can_be_faced(pattern, view)}
    names = {finish.id: finish.name for finish in pattern.making.finishes}
    for id in layers.faced:
        if id not in offered:
            name = names.get(id, id)
            yield NoSuchLayer(
                f"“{name}” faced", "only a hem or a bound edge of fronts, backs and sleeves can be faced instead"
            )
        elif not strips(pattern, size, offered[id], Role.MAIN):
            yield NoSuchLayer(
                f"“{names[id]}” faced",
                "a strip along it would cross itself, or not meet itself at a seam, on this garment",
            )
