"""A whole pattern from a description: the blocks drafted, cut by the features, joined, closed, finished and layered."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from rowanseed.core.alter.hem import change_length_at_hem
from rowanseed.core.base.craft_refusals import AlterationError, EndsAboveMark
from rowanseed.core.base.errors import PatternError
from rowanseed.core.base.units import in_both
from rowanseed.core.compose import robe, sleeves, tissue
from rowanseed.core.compose import trousers as legs
from rowanseed.core.compose.allowances import room_for_a_tunnel, room_for_zips
from rowanseed.core.compose.apron import apron
from rowanseed.core.compose.as_pattern import as_pattern, to_stretch
from rowanseed.core.compose.band_notches import notch_bands
from rowanseed.core.compose.body import halves
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.centre_lines import draw_centre_lines
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.ease import is_full
from rowanseed.core.compose.facing import leave_open
from rowanseed.core.compose.feature import Body, Ended
from rowanseed.core.compose.features import FEATURES
from rowanseed.core.compose.figures import figures
from rowanseed.core.compose.hems import hem
from rowanseed.core.compose.idle import tell_idle
from rowanseed.core.compose.notches import notch
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.refusals import Refusal, refusals
from rowanseed.core.compose.shaped_skirts import shaped_skirt
from rowanseed.core.compose.tunnels import elastic_at
from rowanseed.core.compose.vocabulary import ElasticPlace, GarmentKind, Interfaced, InterfacingKind, NeckShape, Waist
from rowanseed.core.compose.waists import fullness, waist_parts
from rowanseed.core.make.booklet_text import as_steps, match_steps
from rowanseed.core.make.trimming import USUAL
from rowanseed.core.pattern.check import ALLOWANCES_CROSS, faults
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.inner_lines import with_lines_inside
from rowanseed.core.pattern.making import (
    STIFFEN,
    Detail,
    DetailKind,
    Difference,
    DifferenceKind,
    EdgePart,
    FinishKind,
    Press,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import walk


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
    _tell_length(build)
    match description.garment:
        case GarmentKind.SKIRT:
            _skirt(build)
        case GarmentKind.TROUSERS:
            _trousers(build)
        case GarmentKind.APRON:
            apron(build)
            hem(build, (part("front", "hem"),))
        case GarmentKind.ROBE:
            robe.robe(build)
        case _:
            _upper(build)
    for feature in FEATURES:
        if feature.adds is not None and feature.asked(description):
            feature.adds(build)
    if build.refused:
        raise DescriptionRefused(tuple(Refusal(*one) for one in build.refused))
    leave_open(build)
    room_for_zips(build)
    notch(build)
    notch_bands(build)
    draw_centre_lines(build)
    build.pieces = {id: with_lines_inside(piece) for id, piece in build.pieces.items()}
    _views(build)
    tell_idle(build)
    _pulled_on(build)
    _tell_limp(build)
    if build.description.features.interfacing_kind is InterfacingKind.SEWN_IN:
        stiff = (p.id for p in build.pieces.values() if any(c.role is Role.INTERFACING for c in p.cuts))
        build.ways += [(f"{STIFFEN}{id}", "sewn-in-interfacing") for id in stiff]
    pattern = replace(as_pattern(build), assumed=_unconfirmed(build))
    _refuse_what_does_not_meet(pattern, description)
    _refuse_views_that_end_too_high(pattern, description)
    if description.measured:
        pattern = _as_measured(pattern, description)
        # What the tape moves is put right again.
        pattern = replace(pattern, pieces=tuple(with_lines_inside(piece) for piece in pattern.pieces))
    if description.booklet:
        steps = as_steps(match_steps(pattern, description.booklet))
        pattern = replace(pattern, making=replace(pattern.making, booklet=steps))
    return Composed(pattern, dict(build.assumed))


def _tell_length(build: Build) -> None:
    """Say which of two lengths that were both said is taken."""
    description, features = build.description, build.description.features
    if "length" not in description.finished:
        return
    said = "the finished lengths say how long it is"
    if description.garment.has_legs and features.legs.length is not None:
        build.assumed["features.legs.length"] = said
    elif features.skirt is not None and features.skirt.length is not None:
        build.assumed["features.skirt.length"] = said


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


def _refuse_views_that_end_too_high(pattern: Pattern, description: Description) -> None:
    """A view that is shorter than a piece of the garment bears, as a short skirt below a waist seam."""
    for view in description.views:
        for size in pattern.envelope.sizes:
            try:
                change_length_at_hem(pattern, size, min(0.0, view.below))
            except AlterationError as refused:
                why = (
                    "it would end above the end of a zip, an opening or a pocket"
                    if isinstance(refused, EndsAboveMark)
                    else "hardly anything would be left above its hem"
                )
                said = f"View {view.id} is too short: in size {size} {why}."
                raise DescriptionRefused((Refusal("views", said),)) from refused


USUALLY_STIFF = (Interfaced.COLLAR, Interfaced.CUFFS, Interfaced.PLACKETS, Interfaced.WAISTBAND, Interfaced.FACINGS)


def _tell_limp(build: Build) -> None:
    """Say that nothing is interfaced where woven cloth usually is: an envelope that wants it lists it as a notion."""
    description = build.description
    usually = [one.words for one in USUALLY_STIFF if one in build.limp]
    if usually and not description.features.interfacing and description.cloth is Structure.WOVEN:
        build.assumed["features.interfacing"] = f"nothing is interfaced; usual in woven cloth: {', '.join(usually)}"


def _pulled_on(build: Build) -> None:
    """Say what was cut wider than it would fit, since nothing opens it."""
    description = build.description
    stretch = to_stretch(build)
    told = stretch or any(block.loose > 0 for block in build.blocks.values())
    if description.is_over_the_head and told and description.features.neck.shape is not NeckShape.COWL:
        where = f" where the cloth stretches by {100 * stretch:.0f} %" if stretch else ""
        build.assumed["features.neck.shape"] = f"the neck is wide enough for a head{where}: nothing opens it"
    if description.is_drawn_in and not is_full(description):
        over = "bust" if description.garment.has_bodice else "hip"
        build.assumed["finished.waist"] = f"the waist is as wide as the {over} before it is drawn in"


def _unconfirmed(build: Build) -> tuple[tuple[str, str], ...]:
    """What was assumed and nobody has said yet that it is right."""
    return tuple((field, said) for field, said in build.assumed.items() if field not in build.description.confirmed)


def _as_measured(pattern: Pattern, description: Description) -> Pattern:
    """The pieces met to what a tape read on the tissue."""
    found = tuple(tissue.wrong(pattern, description))
    if not found:
        pattern, found = tissue.fitted(pattern, description.measured)
    found = found or tuple(tissue.torn(pattern, description.measured))
    if found:
        raise DescriptionRefused(found)
    return pattern


def _refuse_what_does_not_meet(pattern: Pattern, description: Description) -> None:
    """Features that cannot be drafted together are refused, never handed on as a pattern that is not whole."""
    found, allowance = next(faults(pattern), None), description.allowance
    if found is not None and found.problem == ALLOWANCES_CROSS and allowance > USUAL:
        said = f"Allowances {in_both(allowance)} wide cross each other at a curve ({found.where}): make them narrower."
        raise DescriptionRefused((Refusal("allowance", said),))
    wide = elastic_at(description, ElasticPlace.NECK)
    if found is not None and found.problem == ALLOWANCES_CROSS and wide is not None:
        said = f"A tunnel for elastic {in_both(wide.width)} wide crosses itself ({found.where}): take a narrower one."
        raise DescriptionRefused((Refusal("features.elastic", said),))
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
    body = Body(*_drafted_skirt(build))
    _carve(build, body)
    _end(build, body)
    hem(build, _hems(body.front, body.back))
    _join_on(build, body)


def _drafted_skirt(build: Build) -> tuple[Half, Half]:
    """The skirt's front and back, by the feature that asks for its kind; a straight or A-line one is the block."""
    own = next((one for one in FEATURES if one.skirt is not None and one.asked(build.description)), None)
    return shaped_skirt(build) if own is None or own.skirt is None else own.skirt(build)


def _hems(front: Half, back: Half) -> tuple[EdgePart, ...]:
    return (*front.lower, *reversed(back.lower))


def _trousers(build: Build) -> None:
    halves = legs.trousers(build)
    legs.end_legs(build, halves)
    body = Body(*halves)
    _carve(build, body)
    _end(build, body)
    _join_on(build, body)


# ---------------------------------------------------------------- with a bodice


def _upper(build: Build) -> None:
    front, back = halves(build)
    for half in (front, back):
        if half.yoke:
            build.along["yoke"] = (*build.along.get("yoke", ()), half.yoke)
    below = None
    has_legs = build.description.garment.has_legs
    if build.description.has_waist_seam:
        below = legs.trousers(build) if has_legs else _drafted_skirt(build)
        _waist_seam(build, front, back, below)
        for half, other in zip((front, back), below, strict=True):
            if any(p.edge == "opening" for p in other.centre):
                half.centre += other.centre
    body = Body(front, back, below)
    _carve(build, body)
    _end(build, body)
    sleeves.sleeves(build, front, back)
    _sleeves_in_one(build)
    if below is not None and has_legs:
        legs.end_legs(build, below)
    else:
        hem(build, _hems(*(below or (front, back))))
    _join_on(build, body)


def _carve(build: Build, body: Body) -> None:
    for feature in FEATURES:
        if feature.carves is not None and feature.asked(build.description):
            feature.carves(build, body)


def _end(build: Build, body: Body) -> None:
    """Each of a garment's ends by the first feature that is asked for it."""
    for what in Ended:
        own = next((one for one in FEATURES if what in one.ends and one.asked(build.description)), None)
        if own is not None and own.finish is not None:
            own.finish(build, body)


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
    ratio = fullness(build.description)
    build.join(
        "waist",
        "Waist seam",
        waist_parts(*below),
        (*front.lower, *reversed(back.lower)),
        press=Press.UP,
        difference=Difference(DifferenceKind.GATHERS, ratio) if ratio > 1 else Difference(),
    )
    build.along["waist"] = ("waist",)
    waist = build.description.features.waist
    if waist in (Waist.ELASTIC_CASING, Waist.DRAWSTRING):
        room_for_a_tunnel(build, (*waist_parts(*below), *front.lower, *back.lower))
    if waist is Waist.ELASTIC_CASING:
        elastic = Detail("waist-elastic", "Elastic in the waist seam", DetailKind.ELASTIC, along=("waist",))
        build.details.append(elastic)
    if waist is Waist.DRAWSTRING:
        cord = Detail("waist-cord", "Drawstring in the waist seam", DetailKind.DRAWSTRING, along=("waist",))
        build.details.append(cord)
