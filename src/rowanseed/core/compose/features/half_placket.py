"""A half placket: a box cut out of a front or back on the fold below the neck, filled by two bands that lap in it."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.base.units import at_least, at_most, in_both
from rowanseed.core.compose.bands import band_draw, folded
from rowanseed.core.compose.bodice import FRONT_BAND
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import neck_on_band
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import ending_at, straight
from rowanseed.core.compose.fastenings import closing
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.necks import runs_over_bands
from rowanseed.core.compose.openings import is_half_placket, opening_half, opening_side
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import CollarKind, Interfaced, NeckShape, OpeningKind, Placket, Shaping
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.making import PLACKET_BASE, FinishKind, Press
from rowanseed.core.pattern.pieces import EdgeSpec, InnerLine, Mark, MarkKind, Panel

HALF = FRONT_BAND / 2
"""The box lies so far to each side of the centre line, in mm: the bands lap in it by their whole width."""
LONG, SHORTEST = 260.0, 80.0
"""The usual length of a half placket, in mm, and the least that takes a button below the neck."""
BELOW = 60.0
"""So much of the piece is left below the box, in mm, before a seam or a hem."""
NARROW = 10.0
"""The allowances along the box, in mm, at most: wider ones would meet in the middle of it."""
SIDE, CENTRE_OF_BAND = "placket", "centre"


def forbids(d: Description) -> Found:
    f, side = d.features, opening_side(d)
    name = f.opening.where.value
    kind = (f.opening.kind or OpeningKind.BUTTONS).words
    if f.opening.placket not in (None, Placket.BAND):
        yield (
            "features.opening.placket",
            f"Beside a fold the {kind} close a half placket, which has bands of its own; otherwise say that the {name} "
            "is open.",
        )
    if d.is_without_shoulders:
        yield "features.opening.kind", "A half placket begins at a neck, which a top on straps does not have."
    if side.has(Shaping.SHOULDER_TUCK_LEFT, Shaping.SQUARE_YOKE):
        yield f"features.{name}.shaping", "A half placket is cut into a plain middle: without a square yoke or a tuck."
    if f.neck.shape is NeckShape.V and name == "front":
        yield "features.neck.shape", "The bands of a half placket end square at the neck: choose another than a V."
    if f.collar is CollarKind.FLAT:
        yield (
            "features.collar",
            "A flat collar ends at the centre line, in the middle of the placket: choose a stand, a shirt collar or "
            "one in one piece.",
        )
    elif not runs_over_bands(d):
        yield (
            "features.neck.finish",
            "What finishes the neck catches the placket's bands: a collar, a binding, a bias facing or a band.",
        )
    if f.lining is not None:
        yield "features.lining", "No lining is drafted behind a half placket."


def finish(build: Build, body: Body) -> None:
    half = opening_half(body, build.description)
    piece = half.neck[0].piece
    whole = min(chain_length(build.edge(piece, "centre", size)) for size in build.figures.sizes)
    reach = (whole - BELOW) // 10 * 10
    asked = build.description.features.opening.length
    long = asked or min(LONG, reach)
    if long > reach or long < SHORTEST:
        _refuse(build, reach, long)
        return
    if asked is None:
        build.assumed["features.opening.length"] = f"a placket of {in_both(long)}"
    _cut_out(build, piece, long)
    _bands(build, piece, long)
    build.join(
        "bands",
        "Sides of the placket",
        (part(piece, SIDE),),
        (part("band", "front"),),
        press=Press.BAND,
        each_hand=True,
    )
    build.join(
        "placket-end",
        "Lower end of the placket",
        (part(piece, PLACKET_BASE),),
        (replace(part("band", "end"), from_mark=CENTRE_OF_BAND),),
        press=Press.DOWN,
        each_hand=True,
    )
    build.finish("band-inside", "Inside of the bands", FinishKind.TURNED, (part("band", "inner"),))
    neck_on_band(build, half)
    build.along["front"] = ("bands",)
    closing(build, half, "bands")


def _refuse(build: Build, reach: float, long: float) -> None:
    if reach < SHORTEST:
        build.refused.append(
            ("features.opening.kind", "There is no room for a half placket above the seam below the neck.")
        )
    elif long < SHORTEST:
        build.refused.append(("features.opening.length", f"A half placket is {at_least(SHORTEST)} long at least."))
    else:
        build.refused.append(
            (
                "features.opening.length",
                f"The placket runs past what is below the neck: {at_most(reach)} at most, or open it all the way.",
            )
        )


def _cut_out(build: Build, piece: str, long: float) -> None:
    """The half box out of the piece on the fold: down beside the centre line, and across to it."""
    known, shapes, foot = build.pieces[piece], {}, {}
    for size, shape in known.shapes.items():
        edges = dict(shape.edges)
        neck = ending_at(edges["neck"], HALF)
        top, low = neck[-1].end, edges["centre"][-1].end
        foot[size] = top[0] + long
        edges |= {
            "neck": neck,
            "centre": straight((foot[size], 0.0), low),
            SIDE: straight(top, (foot[size], HALF)),
            PLACKET_BASE: straight((foot[size], HALF), (foot[size], 0.0)),
        }
        shapes[size] = replace(shape, edges=edges)

    def beside(size: str, at: Point) -> Point:
        """A measuring line begins where the piece does: beside the box, as far down as that reaches."""
        return (at[0], max(at[1], HALF)) if at[0] <= foot[size] else at

    def outside(line: InnerLine) -> InnerLine:
        return replace(line, ends={size: (beside(size, a), beside(size, b)) for size, (a, b) in line.ends.items()})

    allowance = min(build.seam, NARROW)
    build.change(
        piece,
        shapes=shapes,
        edges=(*known.edges, EdgeSpec(SIDE, allowance), EdgeSpec(PLACKET_BASE, allowance)),
        lines=tuple(outside(line) for line in known.lines),
    )


def _bands(build: Build, piece: str, long: float) -> None:
    name = build.pieces[piece].name

    def draw(size: Size) -> Edges:
        return band_draw(long, 2 * FRONT_BAND, ("inner", "end", "front", "top"))

    allowance = min(build.seam, NARROW)
    build.piece(
        "band",
        f"{name} placket band",
        draw,
        panel=Panel.BAND,
        count=2,
        pair=True,
        allowances={"front": allowance, "end": allowance, "inner": allowance},
    )
    folded(build, "band", FRONT_BAND)
    build.mark("band", Mark(CENTRE_OF_BAND, MarkKind.DOT, "end", "end", build.each(lambda size: HALF)))
    build.interface("band", Interfaced.PLACKETS, Interfaced.FRONT)


FEATURES = (
    Feature("half-placket", asked=is_half_placket, forbids=forbids, ends=frozenset({Ended.OPENING}), finish=finish),
)
