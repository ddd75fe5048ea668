"""Whether a cloth suits the garment that is cut from it: what it is drawn for, its weight, what shows through.

Weights in g/m² are common practice, no source.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.units import INCH, Units, format_length
from rowanseed.core.cloth.choosing import ribbing
from rowanseed.core.cloth.choosing.remark import Chosen, Remark
from rowanseed.core.cloth.cloth import SHEER, Cloth, Surface
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import DetailKind, DifferenceKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sizing.wish import GarmentClass, garment_class

LIGHT, THICK = 150.0, 250.0
"""Below the first a cloth is a shirting, above the second it gathers thickly."""
SHIRRS = 150.0
"""Heavier cloth is drawn in less by elastic thread."""
FULL = 1.4
"""A seam so many times as long as what it is gathered to is a full one."""


def remarks(chosen: Chosen) -> Iterator[Remark]:
    """On the main cloth, or on one that is set against it."""
    if chosen.role is Role.CONTRAST and ribbing.is_for_bands(chosen):
        yield from ribbing.remarks(chosen)
        return
    if chosen.role is Role.MAIN and chosen.garment.envelope.fabrics:
        yield Remark("suggested", f"The envelope suggests: {'; '.join(chosen.garment.envelope.fabrics)}.")
    cloth = chosen.cloth
    if cloth is None:
        if chosen.role is Role.MAIN:
            yield from _to_look_for(chosen)
        return
    yield from _structure(chosen, cloth)
    yield from _surface(cloth)
    yield from _weight(chosen, cloth)


def _to_look_for(chosen: Chosen) -> Iterator[Remark]:
    envelope = chosen.garment.envelope
    if envelope.cloth is Structure.KNIT:
        yield Remark("look-for", f"Drawn for a knit.{_stretch_test(envelope.stretch, chosen.units)}")
    elif envelope.cloth is Structure.WOVEN:
        yield Remark("look-for", "Drawn for woven cloth.")


def _stretch_test(share: float, units: Units) -> str:
    """How a knit's stretch is tried in the shop, by hand; nothing where none is asked for."""
    if not share:
        return ""
    if units is Units.METRIC:
        return f" Try it: 10 cm across have to reach {10 * (1 + share):g} cm without straining, and spring back."
    reach = format_length(4 * INCH * (1 + share), units)
    return f" Try it: 4 in across have to reach {reach} without straining, and spring back."


def _structure(chosen: Chosen, cloth: Cloth) -> Iterator[Remark]:
    envelope = chosen.garment.envelope
    if envelope.cloth is Structure.KNIT and cloth.structure is Structure.WOVEN:
        neck = " and its neck would not go over a head" if envelope.stretch else ""
        yield Remark(
            "woven-for-knit", f"The pattern is drawn for a knit: in woven cloth it is too close{neck}.", "mind"
        )
    elif envelope.cloth is Structure.KNIT and cloth.stretch < envelope.stretch:
        asked = f"The neck goes over a head where the cloth stretches by {100 * envelope.stretch:.0f} % across"
        if cloth.stretch:
            yield Remark("stretches-less", f"{asked}; this one stretches by {100 * cloth.stretch:.0f} %.", "mind")
        else:
            test = _stretch_test(envelope.stretch, chosen.units)
            yield Remark("stretch-unknown", f"{asked}; of this one it is not written down.{test}")
    elif envelope.cloth is Structure.WOVEN and cloth.structure is Structure.KNIT:
        yield Remark(
            "knit-for-woven",
            "The pattern is drawn for woven cloth: a knit hangs limper and grows in wear. A firm one may do, a size "
            "smaller perhaps; edges with a zip or buttonholes need a stay.",
            "mind",
        )


def _surface(cloth: Cloth) -> Iterator[Remark]:
    if cloth.surface is Surface.FUR:
        yield Remark(
            "fur",
            "Fur hides its seams: leave topstitching out, face and line it with a smooth cloth, and sew interfacing in "
            "instead of fusing it.",
        )


def _weight(chosen: Chosen, cloth: Cloth) -> Iterator[Remark]:
    if cloth.weight is None:
        return
    making, kind = chosen.garment.making, garment_class(chosen.garment.garment)
    backed = {Role.LINING, Role.UNDERLINING} & set(chosen.garment.roles(chosen.view))
    if cloth.weight <= SHEER and not backed:
        yield Remark(
            "sheer",
            "So light a cloth shows what is under it: line or underline it, or sew French seams and bind the edges; "
            "facings and allowances show through.",
        )
    is_tailored = kind in (GarmentClass.JACKET, GarmentClass.COAT) or "trousers" in chosen.garment.garment.lower()
    if is_tailored and SHEER < cloth.weight < LIGHT and Role.UNDERLINING not in backed:
        yield Remark("light", f"Light for {_plural(chosen.garment.garment)}: an underlining gives it body.")
    full = any(j.difference.kind is DifferenceKind.GATHERS and j.difference.amount >= FULL for j in making.joins)
    if full and cloth.weight > THICK:
        yield Remark(
            "thick-gathers", "So heavy a cloth gathers thickly and stands out from the seam: try it on a scrap."
        )
    if any(d.kind is DetailKind.SHIRRED_PANEL for d in making.details) and cloth.weight > SHIRRS:
        yield Remark(
            "shirrs-less",
            "Elastic thread draws a heavier cloth in less: the scrap has to come to about half before you cut.",
        )


def _plural(garment: str) -> str:
    word = garment.lower()
    return word if word.endswith("s") and not word.endswith("ss") else f"a {word}"
