"""A zip in a seam of the bodice: at the centre, at the left side, or past the waist seam; or at a skirt's waist."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.openings import closes, opening_half, split_sides
from rowanseed.core.compose.vocabulary import GarmentKind, OpeningKind, Where
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart
from rowanseed.core.pattern.pieces import Mark, MarkKind

LONG, FITTED, AT_A_WAIST = 400.0, 160.0, 200.0
"""The usual length of a zip, in mm; of a fitted garment it ends so far below the waist."""


BELOW_SLEEVE = 45.0
"""Below a sleeve the side is sewn so far down before a zip begins, in mm (common practice, no source)."""
LEFT = 20.0
"""So much of a seam is sewn below a zip at least, in mm."""


def _kind(build: Build) -> ClosureKind:
    kind = build.description.features.opening.kind
    assert kind is not None
    return ClosureKind(kind.value.replace(" ", "-"))


def _length(build: Build, usual: float) -> float:
    said = build.description.features.opening.length
    if said is None:
        build.assumed["features.opening.length"] = "a zip of the usual length"
    return said or usual


def _reach(build: Build, where: EdgePart) -> float:
    """How long its seam is in the size where it is shortest."""
    return min(chain_length(build.edge(where.piece, where.edge, size)) for size in build.figures.sizes)


def _put_in(
    build: Build,
    join: str,
    where: EdgePart,
    anchor: str,
    long: Callable[[Size], float],
    *,
    below: EdgePart | None = None,
) -> None:
    """The zip down to a mark so far along an edge; `below` the edge on which it begins under a sleeve."""
    build.mark(where.piece, Mark("zip-end", MarkKind.ZIP_END, where.edge, anchor, build.each(long)))
    begins = None
    if below is not None:
        begins = (below.piece, "zip-start")
        sewn = build.each(lambda size: BELOW_SLEEVE)
        build.mark(below.piece, Mark("zip-start", MarkKind.ZIP_END, below.edge, anchor, sewn))
    build.closures.append(Closure("opening", _kind(build), join, (where.piece, "zip-end"), begins))


def in_a_bodice(build: Build, body: Body) -> None:
    if build.description.features.opening.where is Where.LEFT_SIDE:
        join, where = split_sides(build, "sides"), body.front.side[0]
        anchor = "end"
        if any(j.id == "skirt-sides" for j in build.joins):
            split_sides(build, "skirt-sides")
    else:
        half = opening_half(body, build.description)
        join, where, anchor = f"centre-{half.name}", half.centre[0], "start"
    sizes = build.figures.sizes
    fitted = any(size.waist is not None and size.waist < size.body_bust for size in sizes)
    long = _length(build, max(size.back_waist for size in sizes) + FITTED if fitted else LONG)
    reach = _reach(build, where)
    below = None
    if build.description.features.opening.where is Where.LEFT_SIDE and build.description.features.sleeve is not None:
        below, long = where, long + BELOW_SLEEVE
    if long > reach - 20.0:
        _through_the_waist(build, join, long, reach, anchor, below=below)
    else:
        _put_in(build, join, where, anchor, lambda size: long, below=below)


def _through_the_waist(
    build: Build, join: str, long: float, reach: float, anchor: str, *, below: EdgePart | None
) -> None:
    """A zip that runs past the waist seam: bodice and skirt have one seam for it. Centres are drawn from the neck down,
    sides from the hem up."""
    skirt = f"skirt-{join}"
    other = next((j for j in build.joins if j.id == skirt), None)
    own = next(j for j in build.joins if j.id == join)
    if other is None and below is not None:
        _put_in(build, join, below, anchor, lambda size: reach - LEFT, below=below)
        build.assumed["features.opening.length"] = "the zip ends above the end of its seam"
        return
    if other is None:
        build.closures.append(Closure("opening", _kind(build), join))
        build.assumed["features.opening.length"] = "the zip runs to the end of its seam"
        return
    build.joins = [j for j in build.joins if j.id not in (join, skirt)]
    first, last = (own, other) if anchor == "start" else (other, own)
    build.join(join, own.name, (*first.a, *last.a), (*first.b, *last.b))
    build.known_as(skirt, join)
    least = _reach(build, other.a[0]) - LEFT
    if long - reach > least and build.description.features.opening.length is not None:
        most = int((least + reach - (BELOW_SLEEVE if below is not None else 0.0)) / 10)
        build.refused.append(("features.opening.length", f"Its seam is shorter: the zip is {most} cm long at most."))
    upper = own.a[0]

    def on_skirt(size: Size) -> float:
        return min(least, max(20.0, long - chain_length(build.edge(upper.piece, upper.edge, size))))

    _put_in(build, join, other.a[0], anchor, on_skirt, below=below)


def at_a_waist(build: Build, body: Body) -> None:
    """From the waist down, not quite to the end of its seam."""
    if build.description.features.opening.where is Where.LEFT_SIDE:
        where, join, anchor = body.front.side[-1], split_sides(build, "sides"), "end"
    else:
        half = opening_half(body, build.description)
        where, join, anchor = half.centre[0], f"centre-{half.name}", "start"
    long = min(_length(build, AT_A_WAIST), _reach(build, where) - 30.0)
    _put_in(build, join, where, anchor, lambda size: long)


def zipped(kind: OpeningKind | None) -> bool:
    return kind is not None and kind.zips_a_seam


def _at_a_waist(d: Description) -> bool:
    return d.garment is GarmentKind.SKIRT and zipped(d.features.opening.kind)


ENDS = frozenset({Ended.OPENING})
FEATURES = (
    Feature("zip", asked=lambda d: zipped(closes(d)), ends=ENDS, finish=in_a_bodice),
    Feature("zip-at-a-waist", asked=_at_a_waist, ends=ENDS, finish=at_a_waist),
)
