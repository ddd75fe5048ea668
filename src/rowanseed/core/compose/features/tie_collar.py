"""A collar that is tied in a bow: a strip folded on itself, sewn on like a band, that runs on beyond the neck as ties.

It is in two halves that meet in a seam at the centre back. At edges that lap it begins a little beside the centre line,
so that the knot has room (common practice, no source).
"""

from __future__ import annotations

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.bands import along, folded
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import has_collar, neck_parts, to_the_centre
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.openings import is_half_placket
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Centre, CollarKind, Interfaced, NeckShape, OpeningKind, Where
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import RUNS_ON, Closure, ClosureKind, FinishKind, Press
from rowanseed.core.pattern.pieces import Mark, MarkKind, Panel

WIDE, TIE, BESIDE = 50.0, 600.0, 10.0
"""How wide it is finished, how long each of its ties, and how far beside the centre line it begins, in mm (common
practice, no source)."""
WHERE = "features.collar"
COLLAR, NECK, BEYOND = "collar", "neck", RUNS_ON[1]


def forbids(d: Description) -> Found:
    f = d.features
    if d.figure is Figure.CHILDREN:
        yield (
            WHERE,
            "Ties at a child's neck can catch on something and strangle, and rules for children's clothes forbid "
            "them in many places: choose another collar.",
        )
        return
    opened = f.front.centre is Centre.OPEN or is_half_placket(d)
    laps = opened and f.opening.kind in (OpeningKind.BUTTONS, OpeningKind.SNAPS)
    if f.opening.where is not Where.FRONT or not (laps or f.opening.kind is OpeningKind.SLIT):
        yield (
            WHERE,
            "A tie collar is tied at the front, over an edge that buttons or snaps, a half placket or a slit: say that "
            "the front opens by one of these.",
        )
    if f.neck.shape not in (NeckShape.ROUND, NeckShape.SCOOP, NeckShape.V):
        shape = f.neck.shape.words
        yield "features.neck.shape", f"A tie collar follows a round neck, a scoop or a V, not a {shape} one."


def finish(build: Build, body: Body) -> None:
    parts, beyond = to_the_centre(build, neck_parts(body), beside=BESIDE)
    build.finish("lap-ends", "Upper ends of the edges that lap", FinishKind.TURNED, beyond)
    depth, tie = (in_proportion(build.description, mm) for mm in (WIDE, TIE))

    def draw(size: Size) -> Edges:
        on = along(build, parts, size)
        end, wide = on + tie, 2 * depth
        return {
            "inner": straight((0.0, 0.0), (end, 0.0)),
            "far-end": straight((end, 0.0), (end, wide)),
            BEYOND: straight((end, wide), (on, wide)),
            NECK: straight((on, wide), (0.0, wide)),
            "centre": straight((0.0, wide), (0.0, 0.0)),
        }

    build.piece(COLLAR, "Tie collar", draw, panel=Panel.BAND, count=2, pair=True, collar=True)
    folded(build, COLLAR, depth)
    # Where the neck ends: beyond it the collar runs on.
    build.mark(COLLAR, Mark("ties", MarkKind.DOT, NECK, "start", build.each(lambda size: 0.0)))
    build.interface(COLLAR, Interfaced.COLLAR)
    build.join(
        "collar-seam",
        "Seam of the collar at the centre back",
        (part(COLLAR, "centre", "left"),),
        (part(COLLAR, "centre", "right"),),
    )
    build.join("neck", "Collar to neck", parts, (part(COLLAR, NECK),), press=Press.BAND)
    inside = (part(COLLAR, edge) for edge in ("inner", "far-end", BEYOND))
    build.finish("collar-inside", "Inside of the collar", FinishKind.TURNED, inside)
    build.closures.append(Closure("collar-ties", ClosureKind.TIES, "neck"))
    build.along |= {"neck": ("neck",), "collar": ("neck",)}
    build.assumed[WHERE] = f"a strip of {in_both(depth)} when folded, with ties of {in_both(tie)}"


FEATURES = (
    Feature(
        "tie-collar",
        asked=lambda d: has_collar(d, CollarKind.TIE),
        forbids=forbids,
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
