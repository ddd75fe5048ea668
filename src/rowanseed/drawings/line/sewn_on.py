"""What is sewn onto a garment in its line drawing: trims, ruffles, straps, belts, cuffs, slits, rows of elastic,
fullness, bindings."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.drawings.line import (
    bands,
    bibs,
    ends,
    fullness,
    lower_bands,
    necks,
    pockets,
    stretched_bands,
    trims,
)
from rowanseed.drawings.line.dressed import Draw, Dressed, Stroke


def _faced_slit(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """At the neck, or above a cuff."""
    yield from necks.neck_slit(dressed, detail)
    yield from ends.sleeve_placket(dressed, detail)


def _straps(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """Of a bib, or above an edge."""
    yield from bibs.straps(dressed, detail) if bibs.is_of_a_bib(dressed, detail) else bands.straps(dressed, detail)


DRAWN: dict[DetailKind, Draw] = {
    DetailKind.PIPING: trims.trim("trims", trims.piping),
    DetailKind.BRAID: trims.trim("trims", trims.braid),
    DetailKind.RICKRACK: trims.trim("trims", trims.rickrack),
    DetailKind.LACE: trims.trim("trims", trims.lace),
    DetailKind.TOPSTITCHING: trims.trim("trims", trims.topstitching),
    DetailKind.RUFFLE: trims.trim("trims", trims.ruffle),
    DetailKind.EMBROIDERY: trims.embroidery,
    DetailKind.BIB: bibs.bib,
    DetailKind.STRAP: _straps,
    DetailKind.TIE_BELT: bands.tie_belt,
    DetailKind.TIES: bands.wrap_ties,
    DetailKind.BELT_LOOPS: bands.belt_loops,
    DetailKind.FLY: ends.fly,
    DetailKind.SLIT: ends.slit,
    DetailKind.VENT: ends.slit,
    DetailKind.SHIRRED_PANEL: ends.shirring,
    DetailKind.ELASTIC: ends.in_a_seam,
    DetailKind.DRAWSTRING: ends.in_a_seam,
    DetailKind.PLEATED_BAND: bands.pleated,
    DetailKind.IN_SEAM_POCKET: pockets.in_seam,
    DetailKind.POUCH: pockets.pouch,
    DetailKind.FACED_SLIT: _faced_slit,
    DetailKind.CONTINUOUS_PLACKET: ends.sleeve_placket,
    DetailKind.TOWER_PLACKET: ends.sleeve_placket,
    **dict.fromkeys(fullness.FALLS, fullness.falling),
}
"""How each kind of what is made on the pieces is shown; the rest is shown by its pieces, or not at all."""
FOUND: tuple[Callable[[Dressed], Iterator[Stroke]], ...] = (
    ends.hem_ruffle,
    ends.cuffs,
    fullness.gathered_caps,
    necks.bound,
    stretched_bands.stretched,
    lower_bands.lower_band,
    ends.casing,
    ends.drawn_in_neck,
    bands.back_belt,
    bands.front_band,
    bands.waistband_button,
    pockets.pockets,
    ends.on_one_hand,
    necks.tied,
    necks.cowl,
)
"""What is found on the pieces themselves, in the order in which it lies on them."""


def sewn_on(dressed: Dressed) -> Iterator[Stroke]:
    """All that is sewn onto this side."""
    for detail in dressed.pattern.making.details:
        draw = DRAWN.get(detail.kind)
        if draw is not None:
            yield from draw(dressed, detail)
    for found in FOUND:
        yield from found(dressed)
