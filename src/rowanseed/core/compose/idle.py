"""What is said of a garment and is of no use in it: told, never passed over.

Nothing here contradicts itself; a hem's depth simply changes nothing where both legs end in cuffs. What is said as it
is anyway (a value that is taken where nothing is said) is not told.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from operator import attrgetter

from rowanseed.core.compose.apron import is_tied
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, Features, Lining, Skirt, Sleeve, Straps
from rowanseed.core.compose.ease import is_free_at_the_hip, is_full
from rowanseed.core.compose.features.opening_in_seam import AT_A_WAIST, PULLED
from rowanseed.core.compose.figures import reaches_the_hip
from rowanseed.core.compose.openings import is_half_placket, is_open_skirt, is_wrapped_skirt, placket
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import SHAPED, skirt_ids
from rowanseed.core.compose.vocabulary import (
    GarmentKind,
    Interfaced,
    LegEnd,
    OpeningKind,
    Shaping,
    SkirtKind,
    SleeveKind,
    WaistLevel,
    Where,
)
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import EdgePart, FinishKind
from rowanseed.core.pattern.pieces import Role

Found = Iterator[tuple[str, str]]
"""Fields below `features`, each with all that lies below it, and why what they say changes nothing."""
FOLLOWED = ("bust", "waist", "hip", "length", "sleeve", "hem")
"""Finished measurements that the pieces are drafted by."""
NEAR = 5.0
"""A hem is as wide as is printed to so many mm."""
SET_IN = (SleeveKind.SET_IN, SleeveKind.GATHERED_CAP)
PLAIN = Features(skirt=Skirt(), sleeve=Sleeve(), straps=Straps(), lining=Lining())
IN_PANELS = (SkirtKind.GORED, SkirtKind.POINTED_PANELS)
FRONT_AND_BACK = 2
"""A skirt that is not cut in panels is cut in so many."""


def idle(build: Build) -> Mapping[str, str]:
    """The fields that were said and change nothing in what was composed, each with why."""
    found: dict[str, str] = {}
    description = build.description
    said = sorted(path.removeprefix("features.") for path in description.said if path.startswith("features."))
    for rule in RULES:
        for name, why in rule(build, description):
            for path in said:
                if (path == name or path.startswith(f"{name}.")) and not _is_usual(description, path):
                    found.setdefault(f"features.{path}", why)
    return found


def tell_idle(build: Build) -> None:
    """Say it once for each reason, at the first of the fields that it is the reason for."""
    told: set[str] = set()
    for field, why in _finished(build):
        build.assumed[field] = why
    for field, why in idle(build).items():
        if why not in told:
            build.assumed.setdefault(field, why)
            told.add(why)


def _finished(build: Build) -> Found:
    """What is printed of the finished garment and no piece follows."""
    d = build.description
    sleeve = d.features.sleeve
    for measure in d.finished:
        field = f"finished.{measure}"
        if measure == "sleeve" and (sleeve is None or sleeve.kind not in SET_IN):
            without = "it has no sleeves" if sleeve is None else f"{sleeve.kind.one} does not follow it"
            yield field, f"{without}: the finished sleeve length is shown as it is printed"
        if measure == "bust" and not d.garment.hangs_from_the_shoulders:
            yield field, f"{d.garment.has} no bust"
        if measure == "hip" and is_free_at_the_hip(d):
            yield field, "its fullness says how wide it is at the hip"
        if measure == "hip" and not reaches_the_hip(d, build.figures.sizes):
            yield field, "it ends above the hip"
        if measure == "waist" and d.is_drawn_in:
            yield field, "a waist that is drawn in is as wide as what it goes over"
        elif measure == "waist" and d.seam_level is not WaistLevel.NATURAL:
            yield field, "its seam lies away from the waist: it is not fitted there"
        if measure == "hem" and (why := _hem_unlike(build)):
            yield field, why
        if measure not in FOLLOWED:
            yield field, f"the pieces do not follow the {measure} that is printed: measure the tissue"


def _hem_unlike(build: Build) -> str:
    """Why the lower edge is not as wide as is printed; nothing where it is."""
    d, printed = build.description, build.description.finished["hem"]
    hem = next((finish for finish in build.finishes if finish.id == "hem"), None)
    if hem is None:
        return "no edge of it is hemmed: measure the tissue"
    ends = 2 if d.garment.has_legs else 1
    for size in build.figures.sizes:
        round_it = sum(_copies(build, part.piece) * _to_the_centre(build, part, size) for part in hem.parts)
        if abs(round_it / ends - printed[size.name]) > NEAR:
            if is_full(d):
                times = printed[size.name] / (size.waist or size.body_waist)
                return f"its fullness says how wide its hem is: {times:.1f} times the waist would be as printed"
            return "its hem does not come to what is printed, drafted by its other figures: measure the tissue"
    return ""


def _to_the_centre(build: Build, part: EdgePart, size: Size) -> float:
    """How long a lower edge is without what laps over the centre line: that lies double once it is closed."""
    chain = build.edge(part.piece, part.edge, size)
    laps = -min(chain[0].start[1], chain[-1].end[1]) if build.pieces[part.piece].has_edge("opening") else 0.0
    return chain_length(chain) - max(0.0, laps)


def _copies(build: Build, piece: str) -> int:
    cut = build.pieces[piece].cuts[0]
    return cut.count * (2 if cut.fold else 1)


def _is_usual(description: Description, path: str) -> bool:
    """Whether a field says what is taken where nothing is said."""
    at = attrgetter(path.replace(" ", "_"))
    return bool(at(description.features) == at(PLAIN))


def _upper(build: Build, d: Description) -> Found:
    if d.garment.has_bodice:
        return
    if d.garment is GarmentKind.ROBE:
        yield "neck", "the neck of a robe of rectangles is cut straight and held by its band"
        yield "armhole", "the armholes of a robe of rectangles take its sleeves in"
        return
    yield "neck", f"{d.garment.has} no neck"
    yield "armhole", f"{d.garment.has} no armholes"


def _legs(build: Build, d: Description) -> Found:
    if not d.garment.has_legs:
        yield "legs", f"only trousers and a jumpsuit have legs: {d.garment.has} none"
    elif d.features.legs.end is LegEnd.TURN_UP:
        yield "hem", "the legs end in turn-ups, whose hem lies inside"


def _centre(build: Build, d: Description) -> Found:
    for name, side in d.features.sides:
        match d.garment:
            case GarmentKind.TROUSERS:
                yield f"{name}.centre", f"trousers are always joined by a seam at the centre {name}"
            case GarmentKind.APRON:
                yield f"{name}.centre", f"an apron is one width, cut on the fold: it has no centre {name} seam"
            case GarmentKind.ROBE:
                cut = "open" if name == "front" else "cut on the fold"
                yield f"{name}.centre", f"the {name} of a robe of rectangles is always {cut}"
            case GarmentKind.SKIRT if side.has(Shaping.WAIST_DART):
                yield from _undarted(d, name)


def _undarted(d: Description, name: str) -> Found:
    skirt = d.features.skirt
    if skirt is not None and skirt.kind not in SHAPED:
        yield f"{name}.shaping", f"{skirt.kind.one} fits the waist without darts"
    elif d.is_drawn_in:
        yield f"{name}.shaping", "a waist that is drawn in has no darts"


def _skirt(build: Build, d: Description) -> Found:
    skirt = d.features.skirt
    if skirt is None:
        return
    if d.garment is GarmentKind.ROBE:
        yield "skirt", "a robe of rectangles hangs straight from the shoulders"
        return
    if d.garment is GarmentKind.APRON:
        yield from _apron(skirt)
        return
    kind = skirt.kind.one
    if skirt.kind not in IN_PANELS and skirt.panels != FRONT_AND_BACK:
        yield "skirt.panels", f"{kind} is cut in a front and a back here, not in panels"
    if skirt.kind is not SkirtKind.TIERED:
        yield "skirt.tiers", f"{kind} is not cut in tiers"
    if not skirt.kind.is_full:
        yield "skirt.fullness", f"{kind} is not drawn in to the waist"
    if skirt.kind not in SHAPED:
        yield "skirt.darts", f"{kind} has no darts"
    elif d.is_drawn_in:
        yield "skirt.darts", "a waist that is drawn in has no darts"
    elif d.garment.has_bodice and not d.has_waist_seam:
        yield "skirt.darts", "without a waist seam the darts are those of front and back"
    elif skirt.darts and not any(build.pieces[id].darts for id in skirt_ids(build)):
        yield "skirt.darts", "its waist takes in too little for darts"


def _lining(build: Build, d: Description) -> Found:
    if d.garment is GarmentKind.APRON:
        yield "lining", "the sides of an apron are turned in, and nothing there holds a lining: line it by your booklet"


def _straps(build: Build, d: Description) -> Found:
    if d.features.straps is None:
        return
    if not d.garment.has_bodice:
        yield "straps.go", "straps of a bib go over the shoulders, or round the neck, by how many there are"
    elif d.is_halter:
        yield "straps.count", "round the neck goes one strap, or two that are tied there"


def _apron(skirt: Skirt) -> Found:
    if not skirt.kind.is_full:
        for name in ("kind", "fullness"):
            yield f"skirt.{name}", "an apron is a straight length, drawn in a little to its band"
    yield "skirt.panels", "an apron is one width, not cut in panels"
    yield "skirt.tiers", "an apron is one length, not cut in tiers"
    yield "skirt.darts", "an apron has no darts"
    yield "skirt.slit", "an apron does not meet behind: it needs no slit"
    yield "skirt.grain", "an apron is a straight length along the grain"


def _opening(build: Build, d: Description) -> Found:
    opening = d.features.opening
    if opening.kind is None:
        yield "opening", "nothing opens it: say where, and what closes it"
        return
    if d.garment is GarmentKind.APRON:
        for name in ("length", "count", "placket", *(() if opening.where is Where.BACK else ("where",))):
            yield f"opening.{name}", "an apron closes behind, where the ends of its band meet"
    if opening.kind.zips_a_seam or opening.kind in (OpeningKind.SEPARATING_ZIP, OpeningKind.SLIT, OpeningKind.KEYHOLE):
        yield "opening.count", f"there is one {opening.kind.words}"
    if opening.kind in PULLED and d.garment in AT_A_WAIST and not is_open_skirt(d):
        yield "opening.count", "below a waist the opening is closed at its top, by one"
    if is_wrapped_skirt(d):
        yield "opening.count", "a skirt that wraps has one tie at each end of its band"
    if placket(d) is None and not is_half_placket(d):
        yield "opening.placket", "a placket belongs to edges that are open all the way down"


def _waist(build: Build, d: Description) -> Found:
    ids = set(build.pieces)
    if not ids & {"waistband", "inset-front"}:
        yield "band", "there is no band at the waist"
    elif "waistband" not in ids:
        for name in ("underlap", "parts"):
            yield f"band.{name}", "the band is let in between bodice and skirt: it is cut and closed as they are"
    elif is_open_skirt(d):
        yield "band.underlap", "the skirt's own edges lap, and the band with them"
    elif d.garment is GarmentKind.APRON:
        yield "band.parts", "an apron's band is cut in one"
        if is_tied(d):
            yield "band.underlap", "ends that are tied do not lap"


def _bands(build: Build, d: Description) -> Found:
    if not any(cut.role is Role.CONTRAST for piece in build.pieces.values() for cut in piece.cuts):
        yield "ribbing", "no band is stretched on: neither neck, sleeves, legs nor lower edge end in one that closes"


def _hem(build: Build, d: Description) -> Found:
    if d.ends_in_band:
        return
    if all(finish.kind is not FinishKind.HEM for finish in build.finishes):
        yield "hem", "no edge of it is hemmed"


def _stiffening(build: Build, d: Description) -> Found:
    asked = d.features.interfacing
    without = ", ".join(one.words for one in Interfaced if one in asked - build.stiffened)
    if without:
        yield "interfacing", f"no piece of its own for: {without}"
    if not any(cut.role is Role.INTERFACING for piece in build.pieces.values() for cut in piece.cuts):
        yield "interfacing_kind", "nothing of it is interfaced"


RULES: tuple[Callable[[Build, Description], Found], ...] = (
    _upper,
    _legs,
    _centre,
    _skirt,
    _lining,
    _straps,
    _opening,
    _waist,
    _bands,
    _hem,
    _stiffening,
)
