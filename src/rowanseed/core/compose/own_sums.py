"""The figures that garments without a pattern are cut by, with how they come about.

The allowances and laps are common practice, no source; the circle's radius is a geometric fact (waist over 2 pi and the
share of a circle).
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import assert_never

from rowanseed.core.base.working import Given, Source, Working, count, fine, length
from rowanseed.core.compose.bands import beneath
from rowanseed.core.compose.ease import ROBE_EASE
from rowanseed.core.compose.figures import HEM_RUFFLE
from rowanseed.core.compose.own_measure import NARROW, Own, OwnClosing, OwnKind
from rowanseed.core.compose.ruffles import FULL


def sums(own: Own) -> tuple[Working, ...]:
    """The figures to cut by, with how they come about."""
    return tuple(_sums(own))


def _sums(own: Own) -> Iterator[Working]:
    match own.kind:
        case OwnKind.ROBE:
            yield from _robe(own)
            return
        case OwnKind.CIRCLE | OwnKind.HALF_CIRCLE:
            yield from _round(own)
        case OwnKind.TIERED:
            yield from _tier_lengths(own)
            yield from _tier_widths(own)
        case OwnKind.APRON | OwnKind.BIB_APRON | OwnKind.GATHERED | OwnKind.PLEATED | OwnKind.BOX | OwnKind.UNDERSKIRT:
            yield _skirt_length(own)
            yield _skirt_width(own)
            if own.kind.is_pleated:
                yield _pleats(own)
        case _:
            assert_never(own.kind)
    if own.closes is not OwnClosing.ELASTIC:
        yield _band_length(own)
        yield _band_width(own)
    if own.kind is OwnKind.BIB_APRON:
        yield from _bib(own)
    if own.kind is OwnKind.UNDERSKIRT:
        yield _ruffle(own)


def _chosen(name: str, mm: float) -> Given:
    return Given(name, fine(mm), Source.CHOSEN)


def _measured(name: str, mm: float) -> Given:
    return Given(name, length(mm), Source.MEASURED)


def _band_length(own: Own) -> Working:
    tied = own.closes is OwnClosing.TIES
    given = [_measured("waist", own.waist)]
    said = "waist"
    if own.ease:
        given.append(_chosen("ease", own.ease))
        said += " + ease"
    more = 900.0 if tied else own.lap
    given.append(Given("ends to tie", length(more), Source.PRACTICE) if tied else _chosen("lap", more))
    given.append(_chosen("allowance at each end", own.seam))
    return Working(
        name="Cut the band, long",
        quantity=length(own.waist + own.ease + more + 2 * own.seam),
        formula=f"{said} + {'ends to tie' if tied else 'lap'} + 2 × allowance",
        given=tuple(given),
    )


def _band_width(own: Own) -> Working:
    return Working(
        name="Cut the band, wide",
        quantity=fine(2 * own.band + 2 * own.seam),
        formula="2 × finished width + 2 × allowance",
        given=(_chosen("finished width", own.band), _chosen("allowance", own.seam)),
    )


def _bib(own: Own) -> Iterator[Working]:
    """Bib and facing, cut alike, and the strap; how much of the bib lies behind the band, its description says."""
    seam = _chosen("allowance", own.seam)
    yield Working(
        name="Cut the bib and its facing, wide",
        quantity=fine(own.bib_wide + 2 * own.seam),
        formula="finished width + 2 × allowance",
        given=(_chosen("finished width", own.bib_wide), seam),
    )
    behind = beneath(own.band, own.seam)
    yield Working(
        name="Cut the bib and its facing, high",
        quantity=fine(own.bib_high + own.seam + behind),
        formula="finished height + allowance + behind the band",
        given=(_chosen("finished height", own.bib_high), seam, _chosen("behind the band", behind)),
    )
    yield Working(
        name="Cut the strap, wide; as long as it needs to be round the neck",
        quantity=fine(4 * own.strap),
        formula="4 × finished width",
        given=(_chosen("finished width", own.strap),),
    )


def _top(own: Own) -> tuple[str, float]:
    """What the upper edge takes: the seam of a band, or the casing."""
    return ("casing", 40.0) if own.closes is OwnClosing.ELASTIC else ("allowance", own.seam)


def _skirt_length(own: Own) -> Working:
    name, top = _top(own)
    ruffled = own.kind is OwnKind.UNDERSKIRT
    low = own.seam if ruffled else own.hem
    given = [_measured("finished length", own.long), _chosen(name, top)]
    said = f"finished length + {name}"
    if ruffled:
        given += [Given("ruffle", fine(HEM_RUFFLE), Source.PRACTICE), _chosen("allowance at the ruffle", low)]
        said = f"finished length − ruffle + {name} + allowance"
    else:
        given.append(_chosen("hem", low))
        said += " + hem"
    return Working(
        name="Cut the skirt, long",
        quantity=length(own.long - (HEM_RUFFLE if ruffled else 0.0) + top + low),
        formula=said,
        given=tuple(given),
    )


SIDES = 20.0
"""What the side of an apron is turned in, in mm."""


def _skirt_width(own: Own) -> Working:
    """All round; of an apron what covers it."""
    waist = own.waist if own.kind.is_apron else own.waist + own.ease
    given = [_measured("waist", own.waist)]
    said = "waist"
    if own.kind.is_apron:
        given.append(Given("share that is covered", count(round(own.coverage, 3)), Source.CHOSEN))
        said += " × share covered"
        wide = waist * own.coverage * own.full + 2 * SIDES
        ends = _chosen("each side turned in", SIDES)
        end = "2 × side"
    else:
        if own.ease:
            given.append(_chosen("ease", own.ease))
            said = "(waist + ease)"
        seams = 4 if own.closes is OwnClosing.ELASTIC else 6
        wide = waist * own.full + seams * own.seam
        ends = _chosen("allowance", own.seam)
        end = f"{seams} × allowance, {'two' if seams == 4 else 'three'} parts"
    given += [Given("fullness", count(own.full), Source.CHOSEN), ends]
    return Working(
        name="Cut the skirt, wide in all",
        quantity=length(wide),
        formula=f"{said} × fullness + {end}",
        given=tuple(given),
    )


def _tier_lengths(own: Own) -> Iterator[Working]:
    """The first with what its upper edge takes, those between, the last with its hem."""
    name, top = _top(own)
    given = (_measured("finished length", own.long), Given("tiers", count(own.tiers), Source.CHOSEN))
    seam, each = _chosen("allowance", own.seam), own.long / own.tiers
    yield Working(
        name="Cut the first tier, long",
        quantity=length(each + top + own.seam),
        formula=f"finished length ÷ tiers + {name} + allowance" if name != "allowance" else BETWEEN,
        given=(*given, *(() if name == "allowance" else (_chosen(name, top),)), seam),
    )
    if own.tiers > 2:
        yield Working(
            name="Cut each tier between, long",
            quantity=length(each + 2 * own.seam),
            formula=BETWEEN,
            given=(*given, seam),
        )
    yield Working(
        name="Cut the last tier, long",
        quantity=length(each + own.seam + own.hem),
        formula="finished length ÷ tiers + allowance + hem",
        given=(*given, seam, _chosen("hem", own.hem)),
    )


BETWEEN = "finished length ÷ tiers + 2 × allowance"


def _tier_widths(own: Own) -> Iterator[Working]:
    """Each all round, before the seams that its widths are joined by."""
    above = Given("waist with its ease", length(own.waist + own.ease), Source.WORKED_OUT)
    wide = own.waist + own.ease
    for nth in range(1, own.tiers + 1):
        wide *= own.full
        tier = Working(
            name=f"Tier {nth}, all round, with 2 × allowance more for every width",
            quantity=length(wide),
            formula=f"{above.name} × fullness",
            given=(above, Given("fullness", count(own.full), Source.CHOSEN)),
        )
        yield tier
        above = Given(f"tier {nth}", length(wide), Source.WORKED_OUT)


def _pleats(own: Own) -> Working:
    each = 40.0 if own.kind is OwnKind.PLEATED else 80.0
    waist = own.waist + own.ease
    number = max(2, round(waist / each))
    return Working(
        name=f"Each of {number} pleats takes",
        quantity=fine(waist * (own.full - 1) / number),
        formula="waist × (fullness − 1) ÷ pleats",
        given=(
            Given("waist with its ease", length(waist), Source.WORKED_OUT),
            Given("fullness", count(own.full), Source.CHOSEN),
            Given("pleats", count(number), Source.WORKED_OUT),
        ),
    )


def _round(own: Own) -> Iterator[Working]:
    share = 1.0 if own.kind is OwnKind.CIRCLE else 0.5
    waist = own.waist + own.ease
    radius = Working(
        name="Radius of the waist",
        quantity=fine(waist / (2 * math.pi * share)),
        formula="waist ÷ (2π × share of a circle)",
        given=(
            Given("waist with its ease", length(waist), Source.WORKED_OUT),
            Given("share of a circle", count(share), Source.CHOSEN),
        ),
    )
    yield radius
    yield Working(
        name="Cut the waist at a radius of",
        quantity=fine(radius.value - own.seam),
        formula="radius of the waist − allowance",
        given=(radius.as_given(), _chosen("allowance", own.seam)),
    )
    rim = Working(
        name="Radius of the hem",
        quantity=length(radius.value + own.long),
        formula="radius of the waist + finished length",
        given=(radius.as_given(), _measured("finished length", own.long)),
    )
    yield rim
    yield Working(
        name="Cut the hem at a radius of",
        quantity=length(rim.value + NARROW),
        formula="radius of the hem + a narrow hem",
        given=(rim.as_given(), Given("narrow hem, as a circle takes it", fine(NARROW), Source.PRACTICE)),
    )


def _robe(own: Own) -> Iterator[Working]:
    widest = max(own.bust + ROBE_EASE["bust"], own.hip + ROBE_EASE["hip"])
    yield Working(
        name="Cut the back, wide on the fold",
        quantity=length(widest / 4 + own.seam),
        formula="widest measure with its ease ÷ 4 + allowance",
        given=(
            Given("widest measure with its ease", length(widest), Source.WORKED_OUT),
            _chosen("allowance", own.seam),
        ),
    )
    yield Working(
        name="Cut the back, long",
        quantity=length(own.long + own.seam + own.hem),
        formula="finished length + allowance + hem",
        given=(
            _measured("finished length", own.long),
            _chosen("allowance", own.seam),
            _chosen("hem", own.hem),
        ),
    )


def _ruffle(own: Own) -> Working:
    hem = (own.waist + own.ease) * own.full
    return Working(
        name="Cut the ruffle, long in all",
        quantity=length(hem * FULL + 4 * own.seam),
        formula="lower edge × fullness of the ruffle + 4 × allowance",
        given=(
            Given("lower edge", length(hem), Source.WORKED_OUT),
            Given("fullness of the ruffle", count(FULL), Source.PRACTICE),
            _chosen("allowance", own.seam),
        ),
    )
