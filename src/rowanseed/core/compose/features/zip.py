"""A zip in a seam of the bodice: at the centre, at the left side, or past the waist seam; or at the waist of
a skirt or of trousers."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from rowanseed.core.base.units import at_most
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.figures import waist_from_top
from rowanseed.core.compose.openings import closes, is_button_fly, opening_half, seam_below, split_sides
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import GarmentKind, OpeningKind, Where
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart, Join
from rowanseed.core.pattern.pieces import Mark, MarkKind

LONG, FITTED = 400.0, 160.0
"""The usual length of a zip, in mm; of a fitted garment it ends so far below the waist."""
AT_A_WAIST = {GarmentKind.SKIRT: 200.0, GarmentKind.TROUSERS: 170.0}
"""And of one that begins at a waist."""


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
        what = "an opening" if is_button_fly(build.description) else "a zip"
        build.assumed["features.opening.length"] = f"{what} of the usual length"
    return said or usual


def _deep(build: Build, parts: Sequence[EdgePart], size: Size) -> float:
    """How long some edges are, one after another, in a size."""
    return sum(chain_length(build.edge(p.piece, p.edge, size)) for p in parts)


def _reach(build: Build, *parts: EdgePart) -> float:
    """How long a seam is in the size where it is shortest."""
    return min(_deep(build, parts, size) for size in build.figures.sizes)


def _put_in(
    build: Build,
    join: str,
    where: EdgePart,
    anchor: str,
    long: Callable[[Size], float],
    *,
    kind: ClosureKind,
    below: EdgePart | None = None,
) -> None:
    """The zip down to a mark so far along an edge; `below` the edge on which it begins under a sleeve."""
    build.mark(where.piece, Mark("zip-end", MarkKind.ZIP_END, where.edge, anchor, build.each(long)))
    begins = None
    if below is not None:
        begins = (below.piece, "zip-start")
        sewn = build.each(lambda size: BELOW_SLEEVE)
        build.mark(below.piece, Mark("zip-start", MarkKind.ZIP_END, below.edge, anchor, sewn))
    build.closures.append(Closure("opening", kind, join, (where.piece, "zip-end"), begins))


def in_a_bodice(build: Build, body: Body) -> None:
    at_side = build.description.features.opening.where is Where.LEFT_SIDE
    if at_side:
        id, anchor = split_sides(build, "sides"), "end"
        lower = seam_below(build, "sides")
        if lower is not None:
            split_sides(build, lower.id)
    else:
        id, anchor = f"centre-{opening_half(body, build.description).name}", "start"
    sizes = build.figures.sizes
    fitted = any(size.waist is not None and size.waist < size.body_bust for size in sizes)
    long = _length(build, max(waist_from_top(build.description, size) for size in sizes) + FITTED if fitted else LONG)
    down = _down(build, id, anchor)
    below = down[0] if at_side and build.description.features.sleeve is not None else None
    if below is not None:
        long += BELOW_SLEEVE
    ends_above = long <= _reach(build, *down) - LEFT
    skirt = seam_below(build, id)
    if not ends_above and skirt is not None:
        _in_one_with(build, id, skirt, anchor)
        down = _down(build, id, anchor)
        _refuse_too_long(build, down, long, less=0.0 if below is None else BELOW_SLEEVE)
    elif not ends_above:
        build.assumed["features.opening.length"] = "the zip ends above the end of its seam"
        if below is None:
            build.assumed["features.opening.length"] = "the zip runs to the end of its seam"
            build.closures.append(Closure("opening", _kind(build), id))
            return
    _put_in_so_far(build, id, down, anchor, long, kind=_kind(build), below=below)


def _down(build: Build, id: str, anchor: str) -> tuple[EdgePart, ...]:
    """The edges of a seam from the top down. Centres are drawn from the neck down, sides from the hem up."""
    parts = next(j for j in build.joins if j.id == id).a
    return parts if anchor == "start" else parts[::-1]


def _in_one_with(build: Build, id: str, skirt: Join, anchor: str) -> None:
    """Bodice and skirt have one seam for a zip that runs past the waist."""
    own = next(j for j in build.joins if j.id == id)
    build.joins = [j for j in build.joins if j not in (own, skirt)]
    first, last = (own, skirt) if anchor == "start" else (skirt, own)
    build.join(id, own.name, (*first.a, *last.a), (*first.b, *last.b))
    build.known_as(skirt.id, id)


def _refuse_too_long(build: Build, down: Sequence[EdgePart], long: float, *, less: float) -> None:
    most = _reach(build, *down) - LEFT
    if long > most and build.description.features.opening.length is not None:
        said = f"Its seam is shorter: the zip is {at_most(most - less)} long at most."
        build.refused.append(("features.opening.length", said))


def _put_in_so_far(
    build: Build,
    id: str,
    down: Sequence[EdgePart],
    anchor: str,
    long: float,
    *,
    kind: ClosureKind,
    below: EdgePart | None = None,
) -> None:
    """A zip so long from the top of its seam: it ends on the first edge that reaches so far in every size."""
    k = next((k for k in range(len(down)) if long <= _reach(build, *down[: k + 1]) - LEFT), len(down) - 1)
    most = _reach(build, down[k]) - LEFT

    def on_its_edge(size: Size) -> float:
        return min(most, max(LEFT, long - _deep(build, down[:k], size)))

    _put_in(build, id, down[k], anchor, on_its_edge, kind=kind, below=below)


def at_a_waist(build: Build, body: Body, kind: ClosureKind | None = None) -> None:
    """From the waist down, not quite to the end of its seam."""
    garment = build.description.garment
    if build.description.features.opening.where is Where.LEFT_SIDE:
        sides = "outseams" if garment is GarmentKind.TROUSERS else "sides"
        join, anchor = split_sides(build, sides), "end"
    else:
        join, anchor = f"centre-{opening_half(body, build.description).name}", "start"
    down = _down(build, join, anchor)
    long = min(_length(build, AT_A_WAIST[garment]), _reach(build, *down) - 30.0)
    _put_in_so_far(build, join, down, anchor, long, kind=kind or _kind(build))


def zipped(kind: OpeningKind | None) -> bool:
    return kind is not None and kind.zips_a_seam


def _at_a_waist(d: Description) -> bool:
    return d.garment in AT_A_WAIST and zipped(d.features.opening.kind)


ENDS = frozenset({Ended.OPENING})
FEATURES = (
    Feature("zip", asked=lambda d: d.garment.has_bodice and zipped(closes(d)), ends=ENDS, finish=in_a_bodice),
    Feature("zip-at-a-waist", asked=_at_a_waist, ends=ENDS, finish=at_a_waist),
)
