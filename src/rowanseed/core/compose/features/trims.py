"""Trims along seams and edges; embroidery on a front; a ruffle caught in a seam."""

from __future__ import annotations

from rowanseed.core.base.words import upper_first
from rowanseed.core.compose.bands import along as length_along
from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description, Trim
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.vocabulary import Along, Centre, GarmentKind, Shaping, SleeveKind, Slit, TrimKind, Waist
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel


def adds(build: Build) -> None:
    for k, trim in enumerate(build.description.features.trim):
        if trim == Trim(TrimKind.RUFFLE, Along.HEM):
            continue
        along = build.along.get(trim.along.value, ())
        kind = DetailKind(trim.kind.value)
        id = f"{kind.value}-{trim.along.value}{'' if k == 0 else f'-{k + 1}'}"
        name = f"{trim.kind.words.capitalize()} along the {trim.along.words}"
        joins = {j.id for j in build.joins}
        if trim.kind is TrimKind.EMBROIDERY:
            on = next((p for p in ("front", "skirt-front") if p in build.pieces), "front")
            build.details.append(Detail(id, name, kind, on=(on,)))
            continue
        needs_seam = trim.kind in (TrimKind.PIPING, TrimKind.RUFFLE)
        if not along or (needs_seam and not set(along) <= joins):
            build.assumed[f"features.trim.{k}"] = f"no {trim.kind.words}: a seam is needed along the {trim.along.words}"
            continue
        pieces: tuple[str, ...] = ()
        if trim.kind is TrimKind.RUFFLE:
            _ruffle(build, f"{id}-strip", along[0])
            pieces = (f"{id}-strip",)
        build.details.append(Detail(id, name, kind, pieces=pieces, along=along))


def _ruffle(build: Build, id: str, along: str) -> None:
    join = next(j for j in build.joins if j.id == along)
    build.piece(
        id,
        "Ruffle",
        lambda size: band_draw(2 * length_along(build, join.a, size) * 2.0, 60.0, ("upper", "end", "lower", "start")),
        panel=Panel.OTHER,
        count=1,
        allowances={"lower": 12.0},
    )
    build.finish(f"{id}-upper", "Upper edge of the ruffle", FinishKind.CAUGHT, (part(id, "upper"),))
    ends = (part(id, "end"), part(id, "lower"), part(id, "start"))
    build.finish(f"{id}-hem", "Hem and ends of the ruffle", FinishKind.HEM, ends, (6.0, 6.0))


def forbids(d: Description) -> Found:
    f = d.features
    for k, trim in enumerate(f.trim):
        where = f"features.trim.{k}"
        if trim in f.trim[:k]:
            yield where, f"{trim.kind.words.capitalize()} along the {trim.along.words} is said twice."
        if trim.along is Along.COLLAR and not f.collar:
            yield where, "There is no collar to trim."
        if trim.along is Along.YOKE and not (
            f.front.has(Shaping.YOKE, Shaping.SQUARE_YOKE) or f.back.has(Shaping.YOKE)
        ):
            yield where, "There is no yoke to trim."
        if trim.along is Along.WAIST and f.waist in (None, Waist.NONE) and not d.has_waist_seam:
            yield where, "There is no seam at the waist to trim."
        if trim.along is Along.HEM and trim.kind is TrimKind.PIPING:
            yield where, "Piping at a hem is a seam of its own, which is not drafted here."
        if trim == Trim(TrimKind.RUFFLE, Along.HEM):
            if d.garment.has_legs or d.garment in (GarmentKind.APRON, GarmentKind.ROBE):
                yield where, f"A ruffle at the hem of {d.garment.one} is not drafted here."
            elif (
                Centre.OPEN in (f.front.centre, f.back.centre) or f.vent or (f.skirt and f.skirt.slit is not Slit.NONE)
            ):
                yield where, "A ruffle goes round the hem in one: not where it is open, slit or has a vent."
        if trim.along in (Along.NECK, Along.ARMHOLE, Along.FRONT, Along.COLLAR) and not d.garment.has_bodice:
            yield where, f"{upper_first(d.garment.has)} no {trim.along.words}."
        if trim.along is Along.ARMHOLE and f.sleeve and f.sleeve.kind is SleeveKind.CUT_IN_ONE:
            yield where, "A sleeve cut in one has no armhole."


FEATURES = (Feature("trims", asked=lambda d: bool(d.features.trim), forbids=forbids, adds=adds, rank=60),)
