"""A whole pattern from a description: the blocks drafted, cut by the features, joined, closed, finished and layered."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from rowanseed.core.base.errors import PatternError
from rowanseed.core.compose import measured, necks, robe, skirts, sleeves
from rowanseed.core.compose import trousers as legs
from rowanseed.core.compose.bodice import has_waist_seam
from rowanseed.core.compose.body import halves
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import (
    Description,
    FacedEdge,
    GarmentKind,
    InterfacingKind,
    PrintedView,
    Waist,
    Where,
)
from rowanseed.core.compose.envelope_text import is_cloth, read_notion
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.features import FEATURES
from rowanseed.core.compose.figures import figures
from rowanseed.core.compose.hems import hem
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.refusals import Refusal, refusals
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.booklet_text import as_steps, match_steps
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.envelope import Envelope, PrintedYardage, View
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    Difference,
    DifferenceKind,
    EdgePart,
    FinishKind,
    Press,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Corner, Mark, MarkKind, Role
from rowanseed.core.pattern.walk import walk

CASING = 40.0
"""The allowance of a waist that is a tunnel, in mm: the elastic's width, its room, and a turning."""


class DescriptionRefused(PatternError):
    """A description that contradicts itself, or asks for what is not drafted here; `refusals` say all of it."""

    def __init__(self, found: tuple[Refusal, ...]) -> None:
        super().__init__(found[0].why, "", found[0].field)
        self.refusals = found


@dataclass(frozen=True)
class Composed:
    """The pattern, and what was assumed for it: field → in words."""

    pattern: Pattern
    assumed: Mapping[str, str] = field(default_factory=dict)


def compose(description: Description) -> Composed:
    """Compose the whole pattern. Raises DescriptionRefused for what cannot be."""
    found = refusals(description)
    if found:
        raise DescriptionRefused(found)
    sized = figures(description)
    build = Build(description, sized)
    build.assumed.update(sized.assumed)
    match description.garment:
        case GarmentKind.SKIRT:
            _skirt(build)
        case GarmentKind.TROUSERS:
            _trousers(build)
        case GarmentKind.APRON:
            skirts.apron(build)
            hem(build, (part("front", "hem"),))
        case GarmentKind.ROBE:
            robe.robe(build)
        case _:
            _upper(build)
    for feature in FEATURES:
        if feature.adds is not None and feature.asked(description):
            feature.adds(build)
    _views(build)
    if build.description.features.pads:
        build.assumed["features.pads"] = "room for the pads is made at the Cloth station, with their thickness"
    if build.description.features.interfacing_kind is InterfacingKind.SEWN_IN:
        stiff = (p.id for p in build.pieces.values() if any(c.role is Role.INTERFACING for c in p.cuts))
        build.ways += [(f"stiffen:{id}", "sewn-in-interfacing") for id in stiff]
    pattern = replace(_pattern(build), assumed=_unconfirmed(build))
    _refuse_what_does_not_meet(pattern)
    if description.measured:
        pattern = _as_measured(pattern, description)
        _refuse_what_does_not_meet(pattern)
    if description.booklet:
        steps = as_steps(match_steps(pattern, description.booklet))
        pattern = replace(pattern, making=replace(pattern.making, booklet=steps))
    return Composed(pattern, dict(build.assumed))


def _views(build: Build) -> None:
    """Views differ here by their lower edge alone, and a lower edge is moved where it is hemmed."""
    views = build.description.views
    moved = next((one for one in views if one.below), None)
    if moved is not None and all(one.kind is not FinishKind.HEM for one in build.finishes):
        said = f"View {moved.id} cannot be longer or shorter: nothing is hemmed. Describe it as a garment of its own."
        raise DescriptionRefused((Refusal("views", said),))
    if len(views) > 1:
        build.assumed["views"] = (
            f"views {', '.join(one.id for one in views)} are cut alike but for their length: what else differs, "
            "describe as another garment"
        )


def _unconfirmed(build: Build) -> tuple[tuple[str, str], ...]:
    """What was assumed and nobody has said yet that it is right."""
    return tuple((field, said) for field, said in build.assumed.items() if field not in build.description.confirmed)


def _as_measured(pattern: Pattern, description: Description) -> Pattern:
    """The pieces met to what a tape read on the tissue."""
    found = tuple(measured.wrong(pattern, description))
    if not found:
        pattern, found = measured.fitted(pattern, description.measured)
    if found:
        raise DescriptionRefused(found)
    return pattern


def _refuse_what_does_not_meet(pattern: Pattern) -> None:
    """Features that cannot be drafted together are refused, never handed on as a pattern that is not whole."""
    found = next(faults(pattern), None)
    if found is not None:
        said = f"Drafted together, these features give no whole pattern: {found.where}: {found.problem}"
        raise DescriptionRefused((Refusal("features", said),))
    for size in pattern.envelope.sizes:
        apart = next((one for one in walk(pattern, size) if not one.walks), None)
        if apart is not None:
            said = (
                f"Drafted together, these features leave the seam “{apart.join.name}” {abs(apart.fault):.0f} mm apart."
            )
            raise DescriptionRefused((Refusal("features", said),))


# ---------------------------------------------------------------- skirts and trousers


def _skirt(build: Build) -> None:
    both = skirts.skirt(build)
    body = Body(*both)
    _carve(build, body)
    _skirt_opening(build, both)
    _waist(build, both)
    hem(build, _hems(both))
    _join_on(build, body)


def _hems(halves: tuple[Half, Half]) -> tuple[EdgePart, ...]:
    return (*halves[0].lower, *reversed(halves[1].lower))


def _skirt_opening(build: Build, halves: tuple[Half, Half]) -> None:
    opening = build.description.features.opening
    if opening.kind is None or not opening.kind.is_zip:
        if opening.kind is not None and opening.where is not Where.NONE:
            _hooked(build, halves)
        return
    half = halves[0] if opening.where is Where.FRONT else halves[1]
    if opening.where is Where.LEFT_SIDE:
        where, join, anchor = halves[0].side[-1], necks.split_sides(build, "sides"), "end"
    else:
        where, join, anchor = half.centre[0], f"centre-{half.name}", "start"
    long = opening.length or 200.0
    if opening.length is None:
        build.assumed["features.opening.length"] = "a zip of the usual length"
    reach = min(chain_length(build.edge(where.piece, where.edge, size)) for size in build.figures.sizes)
    build.mark(
        where.piece,
        Mark("zip-end", MarkKind.ZIP_END, where.edge, anchor, build.each(lambda size: min(long, reach - 30.0))),
    )
    kind = ClosureKind(opening.kind.value.replace(" ", "-"))
    build.closures.append(Closure("opening", kind, join, (where.piece, "zip-end")))


def _hooked(build: Build, halves: tuple[Half, Half]) -> None:
    """Hooks, snaps, ties or buttons at the waist, above a seam left open."""
    opening = build.description.features.opening
    assert opening.kind is not None
    half = halves[0] if opening.where is Where.FRONT else halves[1]
    kinds = {"buttons": ClosureKind.BUTTONS, "snaps": ClosureKind.SNAPS, "ties": ClosureKind.TIES}
    kind = kinds.get(opening.kind.value, ClosureKind.HOOK_AND_EYE)
    build.closures.append(Closure("opening", kind, f"centre-{half.name}"))


def _waist(build: Build, halves: tuple[Half, Half]) -> None:
    """The top of a skirt or of trousers."""
    features = build.description.features
    parts = skirts.waist_parts(halves)
    waist = features.waist
    full = skirts.fullness(build) > 1
    if waist is None and FacedEdge.WAIST in features.facing and features.opening.kind is not None:
        waist = Waist.FACING
    if waist is None:
        waist = Waist.WAISTBAND if features.opening.kind is not None else Waist.ELASTIC_CASING
        build.assumed["features.waist"] = waist.words
    match waist:
        case Waist.FACING if not full:
            necks.face(build, "waist", "waist", parts)
            zipped = next((c for c in build.closures if c.kind.value.endswith("zip")), None)
            if zipped is not None:
                # Above the zip the faced edge is held by a hook.
                build.closures.append(Closure("waist-hook", ClosureKind.HOOK_AND_EYE, zipped.join))
        case Waist.ELASTIC_CASING | Waist.DRAWSTRING:
            for p in parts:
                build.allow(p.piece, p.edge, CASING, Corner.TURNED)
            build.finish("waist", "Waist", FinishKind.CASING, parts)
            kind = ClosureKind.TIES if waist is Waist.DRAWSTRING else ClosureKind.ELASTIC
            join = next(j.id for j in build.joins if j.id.startswith(("sides", "outseams", "skirt-sides")))
            build.closures.append(Closure("waist-drawn", kind, join))
            build.along["waist"] = ("waist",)
        case _:
            if waist is Waist.FACING:
                build.assumed["features.waist"] = "a full skirt is held by a band, not by a facing"
            skirts.band_on(build, halves)
            if features.opening.kind is not None and features.opening.kind.is_zip:
                build.closures.append(Closure("band-hook", ClosureKind.HOOK_AND_EYE, "waist"))


def _trousers(build: Build) -> None:
    both = legs.trousers(build)
    body = Body(*both)
    _carve(build, body)
    _waist(build, both)
    _join_on(build, body)


# ---------------------------------------------------------------- with a bodice


def _upper(build: Build) -> None:
    front, back = halves(build)
    for half in (front, back):
        if half.yoke:
            build.along["yoke"] = (*build.along.get("yoke", ()), half.yoke)
    below = None
    if has_waist_seam(build.description):
        below = skirts.skirt(build)
        _waist_seam(build, front, back, below)
        for half, other in zip((front, back), below, strict=True):
            if any(p.edge == "opening" for p in other.centre):
                half.centre += other.centre
    body = Body(front, back, below)
    _carve(build, body)
    done = {what for one in FEATURES if one.asked(build.description) for what in one.finishes}
    if "opening" not in done:
        necks.finish_opening(build, front, back)
    if "neck" not in done:
        necks.finish_neck(build, front, back)
    necks.finish_armholes(build, front, back)
    sleeves.sleeves(build, front, back)
    _sleeves_in_one(build)
    lower = _hems(below) if below else (*front.lower, *reversed(back.lower))
    hem(build, lower)
    _join_on(build, body)


def _carve(build: Build, body: Body) -> None:
    for feature in FEATURES:
        if feature.carves is not None and feature.asked(build.description):
            feature.carves(build, body)


def _join_on(build: Build, body: Body) -> None:
    for feature in FEATURES:
        if feature.joins is not None and feature.asked(build.description):
            feature.joins(build, body)


def _sleeves_in_one(build: Build) -> None:
    sleeve = build.description.features.sleeve
    if sleeve is not None and build.pieces["front"].has_edge("wrist"):
        sleeves.finish_end(build, sleeve, (part("front", "wrist"), part("back", "wrist")))


def _waist_seam(build: Build, front: Half, back: Half, below: tuple[Half, Half]) -> None:
    """The skirt sewn to the bodice; a full one is drawn in to it."""
    ratio = skirts.fullness(build)
    build.join(
        "waist",
        "Waist seam",
        skirts.waist_parts(below),
        (*front.lower, *reversed(back.lower)),
        press=Press.UP,
        difference=Difference(DifferenceKind.GATHERS, ratio) if ratio > 1 else Difference(),
    )
    build.along["waist"] = ("waist",)
    waist = build.description.features.waist
    if waist in (Waist.ELASTIC_CASING, Waist.DRAWSTRING, Waist.PLAIN_BAND, Waist.PLEATED_BAND):
        build.assumed["features.waist"] = f"a seam at the waist; the {waist.words} is sewn over it by your booklet"


# ---------------------------------------------------------------- the pattern


def _as_long(finished: Mapping[str, Mapping[str, float]], below: float) -> Mapping[str, Mapping[str, float]]:
    """The finished measurements of a view whose lower edge lies so far below the one described."""
    longer = {size: mm + below for size, mm in finished["length"].items()}
    return {**finished, "length": longer}


def _pattern(build: Build) -> Pattern:
    description = build.description
    sizes = build.figures.names
    chart = {
        name: {size.name: getattr(size, f"body_{name}") for size in build.figures.sizes}
        for name in ("bust", "waist", "hip")
    }
    finished = {
        "hip": {size.name: size.hip for size in build.figures.sizes},
        "length": {size.name: size.length for size in build.figures.sizes},
    }
    if description.garment.hangs_from_the_shoulders:
        finished["bust"] = {size.name: size.bust for size in build.figures.sizes}
    if all(size.waist is not None for size in build.figures.sizes):
        finished["waist"] = {size.name: size.waist or 0.0 for size in build.figures.sizes}
    finished |= {name: dict(row) for name, row in description.finished.items()}
    usual = ("bust",) if description.garment.hangs_from_the_shoulders else ("waist", "hip")
    full = skirts.fullness(build) > 1 and not description.garment.has_bodice
    if description.garment is GarmentKind.APRON or full:
        finished.pop("hip", None)
    views = description.views or (PrintedView("A"),)
    return Pattern(
        name=description.name,
        house=description.house,
        code=description.code,
        garment=description.garment.words,
        envelope=Envelope(
            views=tuple(View(one.id, one.name or "As described", one.below) for one in views),
            sizes=sizes,
            sized_by=description.sized_by or usual,
            body_chart={**chart, **description.body_chart},
            finished={one.id: _as_long(finished, one.below) for one in views},
            yardage=tuple(
                PrintedYardage(one.id, size, Role(line.role), line.width, line.one_way, line.length)
                for one in views
                for line in description.yardage
                if line.view in ("", one.id)
                for size in ((line.size,) if line.size else sizes)
            ),
            notions=tuple(read_notion(said) for said in description.notions if not is_cloth(said)),
            figure=description.figure,
            fabrics=description.fabrics,
            runs=description.runs,
        ),
        pieces=tuple(replace(piece, approximate=True) for piece in build.pieces.values()),
        making=build.making(),
    )
