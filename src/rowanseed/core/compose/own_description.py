"""The description that a garment cut to the wearer's own figures comes to, in one size, hers."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.description import (
    Band,
    Bib,
    Description,
    Features,
    Hem,
    Opening,
    Side,
    Skirt,
    Straps,
    Trim,
)
from rowanseed.core.compose.own_measure import NARROW, Own, OwnClosing, OwnKind
from rowanseed.core.compose.vocabulary import (
    Along,
    BibShape,
    Centre,
    GarmentKind,
    HemKind,
    OpeningKind,
    SkirtKind,
    StrapsClosed,
    TrimKind,
    Waist,
    Where,
)

OWN = "own"
"""What the one size is called."""
SKIRTS = {
    OwnKind.APRON: SkirtKind.GATHERED,
    OwnKind.BIB_APRON: SkirtKind.GATHERED,
    OwnKind.GATHERED: SkirtKind.GATHERED,
    OwnKind.UNDERSKIRT: SkirtKind.GATHERED,
    OwnKind.TIERED: SkirtKind.TIERED,
    OwnKind.PLEATED: SkirtKind.KNIFE_PLEATS,
    OwnKind.BOX: SkirtKind.BOX_PLEATS,
    OwnKind.CIRCLE: SkirtKind.CIRCLE,
    OwnKind.HALF_CIRCLE: SkirtKind.HALF_CIRCLE,
}
HIP = 1.3
"""A hip is usually so many times the waist (from memory)."""


def describe(own: Own) -> Description:
    """The garment as a description in one size, the wearer's own."""
    body = {"waist": own.waist, "bust": own.bust, "hip": own.hip or own.waist * _usual_hip(own)}
    common = Description(
        name=own.name,
        garment=GarmentKind.SKIRT,
        figure=own.figure,
        allowance=own.seam,
        sizes=(OWN,),
        body_chart={name: {OWN: mm} for name, mm in body.items() if mm},
        finished={"length": {OWN: own.long}},
    )
    if own.kind is OwnKind.ROBE:
        return replace(common, garment=GarmentKind.ROBE, sized_by=("bust",), features=Features(hem=_hem(own)))
    if own.kind.is_apron:
        return replace(common, garment=GarmentKind.APRON, sized_by=("waist",), features=_features(own))
    finished = {**common.finished, "waist": {OWN: own.waist + own.ease}}
    return replace(common, finished=finished, sized_by=("waist",), features=_features(own))


def _usual_hip(own: Own) -> float:
    """What a hip that was not measured is taken for, as a share of the waist; of what opens no more than goes round."""
    return HIP if own.closes is OwnClosing.ELASTIC or own.kind.is_apron else min(HIP, own.full)


def _hem(own: Own) -> Hem:
    return Hem(HemKind.NARROW, NARROW) if own.kind.is_round else Hem(HemKind.DOUBLE, own.hem)


def _features(own: Own) -> Features:
    closes = own.closes
    skirt = Skirt(
        SKIRTS[own.kind],
        tiers=own.tiers if own.kind is OwnKind.TIERED else None,
        fullness=None if own.kind.is_round else own.full,
        length=own.long,
        coverage=own.coverage if own.kind.is_apron else None,
    )
    band = Band(own.band, own.underlap, 1)
    if own.kind.is_apron:
        kinds = {OwnClosing.HOOK: OpeningKind.HOOK_AND_EYE, OwnClosing.BUTTON: OpeningKind.BUTTONS}
        opening = Opening(Where.BACK, kinds.get(closes or OwnClosing.TIES, OpeningKind.TIES))
        plain = Features(opening=opening, waist=Waist.WAISTBAND, band=band, skirt=skirt, hem=_hem(own))
        if own.kind is OwnKind.APRON:
            return plain
        bib = Bib(BibShape.STRAIGHT, own.bib_wide, own.bib_high)
        return replace(plain, bib=bib, straps=Straps(1, own.strap, StrapsClosed.SEWN_IN))
    trim = (Trim(TrimKind.RUFFLE, Along.HEM),) if own.kind is OwnKind.UNDERSKIRT else ()
    if closes is OwnClosing.ELASTIC:
        return Features(waist=Waist.ELASTIC_CASING, skirt=skirt, hem=_hem(own), trim=trim)
    kind = OpeningKind.INVISIBLE_ZIP if closes is OwnClosing.ZIP else OpeningKind.HOOK_AND_EYE
    return Features(
        back=Side(Centre.SEAM),
        opening=Opening(Where.BACK, kind),
        waist=Waist.WAISTBAND,
        band=band,
        skirt=skirt,
        hem=_hem(own),
        trim=trim,
    )
