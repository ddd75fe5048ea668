"""A bib on the front of a waistband: two layers turned right side out, held up by straps."""

from __future__ import annotations

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.bands import beneath, is_halved, lies_under_first
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.features.waistband import OPENS
from rowanseed.core.compose.openings import is_open_skirt
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import (
    BibShape,
    Centre,
    GarmentKind,
    Interfaced,
    StrapsClosed,
    Waist,
    Where,
)
from rowanseed.core.compose.waists import waist_finish
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import RUNS_ON, Detail, DetailKind, DifferenceKind, FinishKind, Press
from rowanseed.core.pattern.pieces import LineKind, Panel, Role
from rowanseed.core.pattern.walk import length_on

BIB, FACING, EDGE = "bib", "bib-facing", "bib-edge"
"""The ids of its two layers, and of the seam round three of its sides."""
WIDE, HIGH, LEAN = 220.0, 250.0, 0.12
"""How wide a woman's bib is at its top and how high, in mm, and how much further out each side of one that is wider
below stands there, as a share of its height; here and below: common practice, no source."""
CLEAR = 10.0
"""It ends so far before the side seams, in mm."""
AT_THE_NECK = (
    "An apron is open behind, where no strap can be held: choose one strap that is sewn in, round the neck, or ties."
)
NO_TIES = "Nothing is tied round a child's neck: close the straps otherwise."
CARRIES = (GarmentKind.SKIRT, GarmentKind.TROUSERS, GarmentKind.APRON)


def width(d: Description, size: Size) -> float:
    """How wide a bib is at its top."""
    said = d.features.bib.width if d.features.bib else None
    return said if said is not None else WIDE * size.tall


def height(d: Description, size: Size) -> float:
    """How high a bib stands above its band."""
    said = d.features.bib.height if d.features.bib else None
    return said if said is not None else HIGH * size.tall


def foot(d: Description, size: Size) -> float:
    """How wide half of a bib is where it stands on its band."""
    leans = d.features.bib is not None and d.features.bib.shape is BibShape.TAPERED
    return width(d, size) / 2 + (LEAN * height(d, size) if leans else 0.0)


def forbids(d: Description) -> Found:
    f = d.features
    if d.garment not in CARRIES:
        said = "A bib stands on a waistband: describe a pinafore as a skirt with a bib, dungarees as trousers with one."
        yield "features.bib.shape", said
        return
    if d.garment is not GarmentKind.APRON and waist_finish(d) is not Waist.WAISTBAND:
        yield "features.waist", "A bib is sewn to a waistband: say that a waistband finishes the top."
    at_front = f.opening.where is Where.FRONT and f.opening.kind is not None
    if at_front or f.front.centre is Centre.OPEN or is_open_skirt(d):
        where = "features.front.centre" if f.front.centre is Centre.OPEN else "features.opening.where"
        yield where, "A bib stands on the front of its band, which opens there: open it at the side or at the back."
    yield from _straps(d)


def _straps(d: Description) -> Found:
    straps = d.features.straps
    if straps is None:
        yield "features.straps.closed by", "What holds the bib up? Say how its straps are closed."
        return
    buttoned = straps.closed_by in (StrapsClosed.BUTTONS, StrapsClosed.SNAPS)
    if straps.closed_by is StrapsClosed.TIES and d.figure is Figure.CHILDREN:
        yield "features.straps.closed by", NO_TIES
    elif straps.count > 2:
        yield "features.straps.count", "A bib hangs from one strap round the neck, or from two over the shoulders."
    elif straps.count == 1 and buttoned:
        yield "features.straps.count", "One strap goes round the neck and is sewn in at both ends: choose two."
    elif d.garment is GarmentKind.APRON and buttoned:
        yield "features.straps.closed by", AT_THE_NECK
    elif d.garment is GarmentKind.APRON and straps.count == 2 and straps.closed_by is StrapsClosed.SEWN_IN:
        yield "features.straps.count", AT_THE_NECK


def adds(build: Build) -> None:
    d = build.description
    _tell_usual(build)

    def draw(size: Size) -> Edges:
        high, half, low = height(d, size), width(d, size) / 2, foot(d, size)
        return {
            "centre": straight((0.0, 0.0), (high, 0.0)),
            "lower": straight((high, 0.0), (high, low)),
            "side": straight((high, low), (0.0, half)),
            "top": straight((0.0, half), (0.0, 0.0)),
        }

    behind = beneath(d.features.band.width, build.seam)
    build.piece(BIB, "Bib", draw, panel=Panel.OTHER, fold="centre", allowances={"lower": behind})
    build.copy_of(FACING, BIB, "Bib facing", role=Role.MAIN)
    build.interface(FACING, Interfaced.FACINGS)
    round_ = (("side", "left"), ("top", "left"), ("top", "right"), ("side", "right"))
    build.join(
        EDGE,
        "Edge of the bib",
        (part(BIB, edge, hand) for edge, hand in round_),
        (part(FACING, edge, hand) for edge, hand in round_),
        press=Press.FACING,
    )
    lower = (part(piece, "lower", hand) for piece in (BIB, FACING) for hand in ("left", "right"))
    build.finish("bib-lower", "Lower edge of the bib", FinishKind.CAUGHT, lower)
    build.details.append(Detail(BIB, "Bib", DetailKind.BIB, pieces=(BIB, FACING), on=("waistband",)))
    _place(build)


def _tell_usual(build: Build) -> None:
    """Say how large it is drafted, where nothing was said."""
    d = build.description
    middle = build.figures.sizes[len(build.figures.sizes) // 2]
    for name, usual in (("width", width), ("height", height)):
        if getattr(d.features.bib, name) is None:
            build.assumed[f"features.bib.{name}"] = f"as usual, {in_both(usual(d, middle))} in size {middle.name}"


def _place(build: Build) -> None:
    """A line across the band at the centre front; refused where the bib would reach the side seams."""
    d = build.description
    front = {size.name: _half_front(build, size) for size in build.figures.sizes}
    broad = next((size for size in build.figures.sizes if foot(d, size) > front[size.name] - CLEAR), None)
    if broad is not None:
        said = (
            f"Where it stands on the band the bib would reach the side seams in size {broad.name}, whose front is "
            f"{in_both(2 * front[broad.name])} wide there: make it narrower."
        )
        build.refused.append(("features.bib.width", said))
        return
    if d.garment is not GarmentKind.APRON and is_halved(build, _opens(d)):
        # The seam of the two halves lies at the centre front.
        return

    def ends(size: Size) -> tuple[Point, Point]:
        x = _centre_front(build, size, front[size.name])
        return (x, d.features.band.width), (x, 2 * d.features.band.width)

    build.line("waistband", LineKind.PLACEMENT, BIB, ends)


def _opens(d: Description) -> str:
    """Where the band opens; empty where nothing does."""
    return OPENS[d.features.opening.where] if d.features.opening.kind is not None else ""


def _half_front(build: Build, size: Size) -> float:
    """How far the side seam lies from the centre front on the band."""
    waist = next(join for join in build.joins if join.id == "waist")
    front = [p for p in waist.a if build.pieces[p.piece].panel is Panel.FRONT and p.hand != "right"]
    ratio = waist.difference.amount if waist.difference.kind is DifferenceKind.GATHERS else 1.0
    return sum(length_on(build.pieces[p.piece], size.name, p) for p in front) / ratio


def _centre_front(build: Build, size: Size, front: float) -> float:
    """Where the centre front lies on a band in one piece, measured from its beginning along its inner edge."""
    d = build.description
    long = chain_length(build.edge("waistband", "inner", size))
    if d.garment is GarmentKind.APRON:
        before = chain_length(build.edge("waistband", RUNS_ON[0], size))
        return before + chain_length(build.edge("waistband", "waist", size)) / 2
    opens = _opens(d)
    if opens == "side":
        return front
    lap = d.features.band.underlap if opens else 0.0
    return (long - lap) / 2 + (0.0 if lies_under_first(build, opens) else lap)


def asked(d: Description) -> bool:
    return d.features.bib is not None


FEATURES = (Feature("bib", asked=asked, forbids=forbids, adds=adds, rank=20),)
