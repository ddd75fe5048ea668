"""Which interfacing suits: by the garment, by the cloth it stiffens, by what is known of the one that is chosen.

Common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.units import format_length
from rowanseed.core.cloth.choosing.remark import Chosen, Remark
from rowanseed.core.cloth.cloth import Cloth, Fibre, Use
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import DetailKind, LayerKind
from rowanseed.core.sizing.wish import GarmentClass, garment_class

THIN = 100.0
"""A cloth of less than so many g/m² is stiffened with a sheer interfacing."""
WAISTBAND = (32.0, 38.0)
"""How wide waistband stiffening is sold, in mm (1 1/4 to 1 1/2 in)."""
LOW_HEAT = (Fibre.SILK, Fibre.ACETATE, Fibre.POLYESTER)


def remarks(chosen: Chosen) -> Iterator[Remark]:
    """On the interfacing, or what to look for; then how its grain lies."""
    if chosen.cloth is None:
        yield Remark("look-for", _look_for(chosen))
    else:
        yield from _of(chosen, chosen.cloth)
    if any(detail.kind is DetailKind.BONING for detail in chosen.garment.making.details):
        yield Remark("boned", "A boned bodice takes a stiff one for the outside, and a lighter one for its lining.")
    if any("waistband" in piece.name.lower() for piece in chosen.pieces):
        narrow, wide = (format_length(mm, chosen.units) for mm in WAISTBAND)
        yield Remark(
            "along-the-band",
            "In the waistband the way it does not stretch runs along the band; stiffening sold for waistbands, "
            f"{narrow} to {wide} wide, may take its place.",
        )


def _look_for(chosen: Chosen) -> str:
    main = chosen.main
    if main is not None and main.structure is Structure.KNIT:
        return "Look for a knitted fusible that stretches as the cloth does, and lay its stretch round the body."
    if main is not None and main.surface.is_pile:
        return "Look for one to be sewn in: heat and steam crush the pile."
    if garment_class(chosen.garment.garment) in (GarmentClass.JACKET, GarmentClass.COAT):
        return (
            "Look for a weft-inserted fusible, which is quick, or a canvas to be sewn in and pad-stitched, which gives "
            "the better shape."
        )
    if main is not None and main.weight is not None and main.weight < THIN:
        return "Look for a sheer one: it must not shine through, nor stiffen more than the edge needs."
    return "Look for a fusible of knitted tricot first, lighter than the cloth; a sheer one where the cloth is thin."


def _is_for_facings(chosen: Chosen) -> bool:
    """Whether it stiffens facings alone, whose pile nobody sees."""
    facings = {layer.piece for layer in chosen.garment.making.layers if layer.kind is LayerKind.FACING}
    return {piece.id for piece in chosen.pieces} <= facings


def _of(chosen: Chosen, cloth: Cloth) -> Iterator[Remark]:
    main = chosen.main
    if main is None:
        return
    fusible = cloth.use is Use.FUSIBLE
    if fusible and main.surface.is_pile and not _is_for_facings(chosen):
        yield Remark("crushes", "Heat and steam crush pile: sew one in, or fuse the facing only.", "mind")
    elif fusible and main.fibre in LOW_HEAT:
        yield Remark(
            "low-heat", f"{main.fibre.words.capitalize()} bears little heat: fuse the two squares first.", "mind"
        )
    elif fusible and main.fibre is Fibre.WOOL:
        yield Remark(
            "wool", "On wool some prefer one that is sewn in, on the straight grain: slower, and softer to wear."
        )
    if main.structure is Structure.KNIT and cloth.structure is Structure.WOVEN:
        yield Remark(
            "holds-a-knit", "Woven, it holds the knit as it is: for button bands only, never round a neck.", "mind"
        )
    if chosen.is_heavier_than_main:
        yield Remark("heavier", "It is heavier than the cloth it stiffens: try a lighter one on a scrap first.", "mind")
