"""What a description says that cannot be, each by its field and the reason in a sewist's words."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import at_least, in_both
from rowanseed.core.base.words import upper_first, with_article
from rowanseed.core.body.measures import MEASURE
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.ease import is_yoked_at_waist
from rowanseed.core.compose.feature import Found
from rowanseed.core.compose.features import FEATURES
from rowanseed.core.compose.features.tiered_skirt import full_at
from rowanseed.core.compose.figures import figures, least_length, waist_from_top
from rowanseed.core.compose.folds import SHAPED
from rowanseed.core.compose.limits import beyond
from rowanseed.core.compose.opening_refusals import opening_refused
from rowanseed.core.compose.openings import is_half_placket
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirt_refusals import hem_refused, skirt_refused
from rowanseed.core.compose.vocabulary import (
    PRINCESS,
    ArmholeFinish,
    Centre,
    CollarKind,
    GarmentKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    Waist,
    Where,
)
from rowanseed.core.compose.waists import skirt_fullness
from rowanseed.core.compose.yokes import UNDER_A_YOKE
from rowanseed.core.pattern.envelope import Structure


@dataclass(frozen=True)
class Refusal:
    """A field of the document, and why what it says cannot be."""

    field: str
    why: str


def refusals(description: Description) -> tuple[Refusal, ...]:
    """Everything that contradicts itself or cannot be drafted, in the order of the document."""
    rules = (*RULES, *(feature.forbids for feature in FEATURES if feature.asked(description)))
    found = tuple(Refusal(*one) for rule in rules for one in rule(description))
    # What is right in itself may still not be put on.
    return found or tuple(Refusal(*one) for one in _put_on(description))


DRAWN_IN = (SleeveEnd.GATHERED_CUFF, SleeveEnd.PLEATED_CUFF, SleeveEnd.ELASTIC_CASING)
"""Ends that are wider than what holds them."""
BELOW_THE_WAIST = 40.0
"""An opening that lets a fitted waist through ends at least so far below it, in mm."""


def opens_the_waist(d: Description, size: Size) -> bool:
    """Whether what is widest goes through the waist of a garment that does not stretch."""
    f, opening = d.features, d.features.opening
    if size.waist is None or size.waist >= size.body_bust or Centre.OPEN in (f.front.centre, f.back.centre):
        return True
    if opening.kind is None or opening.where is Where.NONE or opening.kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE):
        return False
    if opening.where is Where.LEFT_SIDE or (opening.length is None and opening.kind.zips_a_seam):
        return True
    reaches = waist_from_top(d, size) + BELOW_THE_WAIST
    return (opening.length or 0.0) >= reaches or (opening.length or 0.0) >= size.length - 40.0


def _put_on(d: Description) -> Found:
    sizes = figures(d).sizes
    short = [size for size in sizes if d.garment.has_bodice and size.length < least_length(d, size) - 1.0]
    if short and "length" in d.finished:
        least = at_least(least_length(d, short[0]))
        below = "no legs" if d.garment.has_legs else "no skirt"
        where = f"there would be {below} below its waist seam" if d.has_waist_seam else "it would end under the arms"
        yield "finished.length", f"In size {short[0].name} {where}: from the nape it is {least} long at least."
    if d.garment.has_bodice and d.cloth is Structure.WOVEN and not all(opens_the_waist(d, size) for size in sizes):
        field = "features.opening.length" if d.features.opening.length else "features.opening"
        yield (
            field,
            "Its waist is narrower than the bust that has to go through, and nothing opens it there: say where and how "
            "it opens, down to below the waist, or have the waist drawn in.",
        )
    skirt = d.features.skirt
    if skirt is None or not skirt.kind.is_full:
        return
    if d.garment is GarmentKind.APRON or is_yoked_at_waist(d):
        return
    narrow = [size for size in sizes if (size.waist or size.body_waist) * _full_at_the_hip(d, size) < size.body_hip]
    if d.is_drawn_in and narrow and not d.garment.has_bodice:
        yield "features.skirt.fullness", "So little fullness does not go over the hip: make it fuller, or open it."
    elif d.cloth is Structure.WOVEN and any(_covers_the_hip(d, size) for size in narrow):
        of_size = f" in size {narrow[0].name}" if len(sizes) > 1 else ""
        yield (
            "features.skirt.fullness",
            f"So little fullness is narrower than the hip below it{of_size}: make it fuller.",
        )


def _full_at_the_hip(d: Description, size: Size) -> float:
    """How many times its waist a full skirt is wide at the hip: a tier below the first is fuller."""
    tiered = d.features.skirt is not None and d.features.skirt.kind is SkirtKind.TIERED
    if not tiered or d.is_drawn_in or not _covers_the_hip(d, size):
        return skirt_fullness(d)
    return full_at(d, size.seam_to_hip, _below_the_seam(d, size))


def _covers_the_hip(d: Description, size: Size) -> bool:
    """Whether a skirt is long enough to lie over the hip."""
    return _below_the_seam(d, size) > size.seam_to_hip


def _below_the_seam(d: Description, size: Size) -> float:
    """How long a skirt is, from the waist or the seam that it hangs from, in mm."""
    return size.length - (size.seam if d.garment.has_bodice else 0.0)


BODIES = {"bust": (350.0, 2200.0), "waist": (350.0, 2200.0), "hip": (380.0, 2400.0)}
"""Girths that a body or a garment has, in mm: inches taken for centimetres, or the other way round, lie outside."""
ANY_LENGTH = (50.0, 4000.0)
LONGER, SHORTER, SHORT_GARMENT = 1000.0, 0.6, 300.0
"""A view is longer than what is described by at most so many mm, and shorter by at most such a part of it; of a garment
whose length is not said, by such a part of a short one."""


def _plausible(measure: str) -> tuple[float, float]:
    """What a body can measure, in mm: of a length a good deal more and less than is asked of a person."""
    if measure in BODIES or measure not in MEASURE:
        return BODIES.get(measure, ANY_LENGTH)
    return MEASURE[measure].child[0] * 0.8, MEASURE[measure].adult[1] * 1.2


def _figures(d: Description) -> Found:
    if d.sizes and len(set(d.sizes)) < len(d.sizes):
        yield "sizes", "A size is named twice."
    for table, chart in (("body_chart", d.body_chart), ("finished", d.finished)):
        for measure, row in chart.items():
            where = f"{table}.{measure}"
            missing = [size for size in d.sizes if size not in row]
            if d.sizes and missing:
                yield where, f"Size {missing[0]} is missing: give a figure for every size, or for none."
            elif d.sizes and [row[s] for s in d.sizes] != sorted(row[s] for s in d.sizes):
                yield where, "The figures have to rise with the sizes."
            least, most = _plausible(measure) if table == "body_chart" else BODIES.get(measure, ANY_LENGTH)
            strange = next(((size, mm) for size, mm in row.items() if not least <= mm <= most), None)
            if strange is not None:
                size, mm = strange
                yield where, f"Size {size}: {in_both(mm)} cannot be right. Is it cm, or inches?"
    slack = -0.25 if d.cloth is Structure.KNIT else 0.0
    for measure, row in d.finished.items():
        body = d.body_chart.get(measure, {})
        for size in d.sizes:
            known = measure in ("bust", "waist", "hip") and size in row and size in body
            if known and row[size] < body[size] * (1 + slack):
                yield (
                    f"finished.{measure}",
                    f"In size {size} the garment is smaller than the body.",
                )
                break
    waist, hip = d.finished.get("waist", {}), d.finished.get("hip", {})
    if any(size in hip and hip[size] < waist[size] for size in waist):
        yield "finished.hip", "The garment is narrower at the hip than at the waist."


def _views(d: Description) -> Found:
    lengths = [row[size] for row in (d.finished.get("length", {}),) for size in row]
    least = -SHORTER * min(lengths, default=SHORT_GARMENT)
    for one in d.views:
        if not least <= one.below <= LONGER:
            yield "views", f"View {one.id}: so much longer or shorter is another garment, to be described by itself."
    known = {one.id for one in d.views}
    strange = next((line.view for line in d.yardage if line.view and line.view not in known), None)
    if strange is not None:
        yield "yardage", f"There is no view {strange} among the views."


SHAPES_A_WAIST: Mapping[GarmentKind, tuple[Shaping, ...]] = {
    GarmentKind.SKIRT: (*SHAPED, Shaping.WAIST_DART, Shaping.YOKE),
    GarmentKind.TROUSERS: (Shaping.WAIST_DART, Shaping.YOKE),
}
"""What shapes a garment that begins at the waist; pleats of trousers are said of their legs."""


def _shapes_no_waist(d: Description, shaping: Shaping) -> str:
    if shaping in UNDER_A_YOKE and d.garment is GarmentKind.SKIRT:
        return "What is gathered or pleated below a skirt's yoke is the skirt itself: choose a yoke, and its kind."
    if shaping in (Shaping.SQUARE_YOKE, *UNDER_A_YOKE) and d.garment in SHAPES_A_WAIST:
        return (
            f"Of {d.garment.one} a plain yoke is drafted here, with nothing gathered or pleated below it: choose that, "
            "and sew what differs by your booklet."
        )
    return f"{shaping.words.capitalize()} shapes a bodice; this has none."


def _shaping(d: Description) -> Found:
    f = d.features
    if not d.garment.has_bodice:
        shapes = SHAPES_A_WAIST.get(d.garment, ())
        for name, side in f.sides:
            other = next((one for one in side.shaping if one not in shapes), None)
            if other is not None:
                yield f"features.{name}.shaping", _shapes_no_waist(d, other)
        return
    if f.front.has(Shaping.SHOULDER_DART):
        yield "features.front.shaping", "A shoulder dart shapes the back; the front's dart is the bust dart."
    if f.back.has(Shaping.BUST_DART):
        yield "features.back.shaping", "A bust dart shapes the front."


def _neck(d: Description) -> Found:
    f = d.features
    if not d.garment.has_bodice:
        if f.collar:
            yield "features.collar", f"{upper_first(d.garment.has)} no neck for a collar."
        if f.sleeve:
            yield "features.sleeve", f"{upper_first(d.garment.has)} no sleeves."
        return
    open_front = f.front.centre is Centre.OPEN
    opened = f.opening.where in (Where.FRONT, Where.BACK) and f.opening.kind is not None
    if f.collar and f.neck.finish not in (None, NeckFinish.COLLAR):
        yield (
            "features.neck.finish",
            f"The neck has {f.collar.one}, so it is not finished by {f.neck.finish.words}." if (f.neck.finish) else "",
        )
    if f.neck.finish is NeckFinish.COLLAR and not f.collar:
        yield "features.collar", "Say which collar the neck has."
    if f.collar in (CollarKind.SHIRT, CollarKind.STAND, CollarKind.ONE_PIECE) and not opened:
        yield (
            "features.collar",
            f"{upper_first(f.collar.one)} closes at the neck: the garment needs an opening at the front or back.",
        )
    if f.collar is CollarKind.SHIRT and not open_front and not (is_half_placket(d) and f.opening.where is Where.FRONT):
        yield "features.collar", "A shirt collar with stand ends at an open front, or at a half placket."
    if f.collar and f.neck.shape in (NeckShape.SQUARE, NeckShape.BOAT):
        yield "features.neck.shape", f"A collar follows a round neck, not a {f.neck.shape.words} one."
    if f.neck.shape is NeckShape.HIGH and not opened and d.cloth is Structure.WOVEN:
        yield "features.neck.shape", "A high neck of woven cloth needs an opening, or the head does not go through."
    if f.neck.finish is NeckFinish.LINING and not f.has_bagged_lining:
        yield "features.neck.finish", "A lining that finishes the neck is bagged: say so under lining."
    if f.neck.finish is NeckFinish.BAND and not d.bands_stretch and not opened:
        yield (
            "features.neck.finish",
            "A neck band is stretched on: a knit stretches, or ribbing; woven cloth needs an opening.",
        )


def _sleeve(d: Description) -> Found:
    f = d.features
    sleeve = f.sleeve
    if not d.garment.has_bodice or sleeve is None:
        return
    if f.armhole is not None:
        yield "features.armhole", "The armhole goes into the sleeve: say how it is finished only where there is none."
    if sleeve.pieces not in (1, 2):
        yield "features.sleeve.pieces", "A sleeve has one piece or two."
    if sleeve.pieces == 2 and (
        sleeve.kind is not SleeveKind.SET_IN or sleeve.length not in (SleeveLength.LONG, SleeveLength.THREE_QUARTER)
    ):
        yield "features.sleeve.pieces", "A sleeve of two pieces is set in and reaches at least below the elbow."
    if sleeve.pieces == 2 and sleeve.placket:
        yield "features.sleeve.placket", "A sleeve of two pieces opens in its back seam: it needs no placket."
    if sleeve.pieces == 2 and sleeve.end in DRAWN_IN:
        yield "features.sleeve.end", "A sleeve of two pieces is shaped to the wrist: nothing is drawn in there."
    if sleeve.placket and not sleeve.end.is_cuff:
        yield "features.sleeve.placket", "A placket opens a cuff: the sleeve has none."
    if sleeve.placket and sleeve.length is SleeveLength.SHORT:
        yield "features.sleeve.placket", "A short sleeve has no room for a placket: its cuff goes over the arm closed."
    if sleeve.length is SleeveLength.CAP and sleeve.end.is_cuff:
        yield "features.sleeve.end", "A cap sleeve is too short for a cuff."
    if sleeve.length is SleeveLength.CAP and sleeve.end is SleeveEnd.ELASTIC_CASING:
        yield "features.sleeve.end", "A cap sleeve is too short to be drawn in: say that it is short, or hem it."


def _waist(d: Description) -> Found:
    f = d.features
    waist = f.waist
    if d.garment.has_bodice and waist in (Waist.WAISTBAND, Waist.FACING):
        yield (
            "features.waist",
            f"{upper_first(with_article(waist.words))} finishes the top of a skirt or of trousers; {d.garment.one} "
            "goes on above, joined by a seam.",
        )
    if d.garment is GarmentKind.ROBE:
        if waist not in (None, Waist.NONE):
            yield "features.waist", "A robe of rectangles has no waist of its own: its belt holds it."
        return
    if d.garment is GarmentKind.APRON and waist not in (None, Waist.WAISTBAND, Waist.PLAIN_BAND):
        yield "features.waist", "An apron hangs from a plain band, which goes round the waist."
        return
    if not d.garment.has_bodice and waist in (Waist.NONE, Waist.SEAM):
        yield "features.waist", "Say how the waist is finished: by a band, a facing, elastic or a cord."
    drawn = waist in (Waist.ELASTIC_CASING, Waist.DRAWSTRING, Waist.SHIRRED)
    if drawn and not d.garment.has_bodice and f.opening.kind is not None:
        yield (
            "features.waist",
            f"A waist that is drawn in needs no {f.opening.kind.words}: it opens as wide as the hip.",
        )
    if d.garment is GarmentKind.SKIRT and Centre.OPEN in (f.front.centre, f.back.centre):
        yield from _open_skirt(d)
        if waist not in (None, Waist.WAISTBAND):
            yield "features.waist", "A skirt that is open all the way is held by a waistband here."
    if d.garment.has_bodice and f.crosses and waist in (Waist.PLAIN_BAND, Waist.PLEATED_BAND):
        yield "features.waist", "Fronts that cross meet the skirt at one seam here: a band between them is not drafted."
    fitted = waist in (Waist.WAISTBAND, Waist.FACING, Waist.PLAIN_BAND, Waist.PLEATED_BAND)
    if fitted and d.garment in (GarmentKind.SKIRT, GarmentKind.TROUSERS) and f.opening.kind is None:
        yield "features.opening", "A waist that fits needs an opening: say where and how it closes."
    taken = (Shaping.WAIST_DART, *PRINCESS)
    if d.garment.has_bodice and d.is_drawn_in and (f.front.has(*taken) or f.back.has(*taken)):
        yield "features.waist", "A waist that is drawn in has no darts or princess seams that take it in as well."
    if f.legs.pleats and not d.garment.has_legs:
        yield "features.legs.pleats", "Only trousers have pleats at their legs' waist."
    if f.legs.pleats and (f.opening.kind is None or d.is_drawn_in):
        yield "features.legs.pleats", "Pleats fit a waist: one that is drawn in by elastic or a cord has none."
    if f.legs.pleats and f.front.has(Shaping.WAIST_DART) and not d.garment.has_bodice:
        yield "features.front.shaping", "The front is taken in by its pleats: choose them or the dart."
    if d.garment is GarmentKind.TROUSERS and f.skirt is not None:
        yield "features.skirt", "Trousers have no skirt."


def _open_skirt(d: Description) -> Found:
    f = d.features
    open_ = [name for name, side in f.sides if side.centre is Centre.OPEN]
    if len(open_) == 2:
        yield "features.back.centre", "Front and back are both open: a skirt is open all the way at one of them."
    elif f.opening.kind is None:
        where = "where" if f.opening.where is Where.NONE else "kind"
        yield f"features.opening.{where}", "Say where the edges are that are open all the way, and what closes them."
    elif f.opening.where.value != open_[0]:
        yield "features.opening.where", f"The {open_[0]} is open all the way, so the opening lies there."


def _rest(d: Description) -> Found:
    f = d.features
    if f.armhole is ArmholeFinish.LINING and not f.is_bagged:
        why = (
            "Under a collar the lining hangs beside its facings: the armholes are faced or bound."
            if f.is_bagged_at_hem
            else "A lining that finishes the armholes is bagged: say so under lining."
        )
        yield "features.armhole", why


RULES: tuple[Callable[[Description], Found], ...] = (
    _figures,
    beyond,
    _views,
    opening_refused,
    _shaping,
    _neck,
    _sleeve,
    _waist,
    skirt_refused,
    hem_refused,
    _rest,
)
