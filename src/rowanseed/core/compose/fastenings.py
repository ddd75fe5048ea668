"""What closes an edge that laps, and where its buttons or snaps stand along it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from rowanseed.core.compose.bodice import FRONT_BAND
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.figures import lower_band
from rowanseed.core.compose.laps import marks_of_a_row
from rowanseed.core.compose.openings import is_half_placket, is_open_skirt
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Centre, CollarKind, GarmentKind, OpeningKind
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart
from rowanseed.core.pattern.pieces import InnerPoint, PointKind

USUAL_COUNT, OF_HALF = 6, 3
"""So many buttons close an edge where nothing else is said, and a half placket."""
OF_A_COLUMN, LONG = 4, (GarmentKind.COAT, GarmentKind.DRESS, GarmentKind.NIGHTDRESS)
"""So many stand in a column of a double-breasted front that is not long."""
FIRST, LAST = 15.0, 105.0
"""The first lies so far below the neck, in mm, the last so far above the lower end."""
FALLS = 65.0
"""A collar that falls reaches so far below the neck, in mm."""
ABOVE = 16.0
"""The one in a stand or a waistband is so far above the edge's upper end, in mm: in the middle of its height."""
ABOVE_A_BAND = 3
"""A band at the lower edge has one of so many or more."""
OFF_SEAM = 12.0
"""None stands nearer than this to a seam across, in mm: a button does not lie flat on one."""
NAMES = {PointKind.HOOK: "hook", PointKind.TIE: "tie"}
"""What their marks are called; any other is a button's."""
OF_THE_BOX = 30.0
"""In a half placket the last lies so far above the lower end, in mm."""


def usual_count(description: Description) -> int:
    """How many buttons or snaps stand along an edge, one below the other."""
    opening = description.features.opening
    if opening.double_breasted:
        usual = USUAL_COUNT if description.garment in LONG else OF_A_COLUMN
    else:
        usual = OF_HALF if is_half_placket(description) else USUAL_COUNT
    return opening.rows or usual


def how_many(description: Description, rows: int) -> str:
    """How many fasten an edge with so many rows, as it is told."""
    return f"{2 * rows} of them, in two columns" if description.features.opening.double_breasted else f"{rows} of them"


def fastening_mark(description: Description) -> PointKind | None:
    """The mark that a button or a snap on a band or a stand has; None where none closes it."""
    match description.features.opening.kind:
        case OpeningKind.BUTTONS:
            return PointKind.BUTTONHOLE
        case OpeningKind.SNAPS:
            return PointKind.BUTTON
        case _:
            return None


def along_the_edge(description: Description) -> PointKind | None:
    """The mark of what closes an edge at several places; None where one hook or tie at its top does."""
    several = (description.features.opening.count or 1) > 1
    match description.features.opening.kind:
        case OpeningKind.HOOK_AND_EYE if several:
            return PointKind.HOOK
        case OpeningKind.TIES if several:
            return PointKind.TIE
        case _:
            return fastening_mark(description)


def fastens_above(description: Description) -> bool:
    """Whether the uppermost is in what goes on above the edge: a collar's stand, a waistband."""
    features = description.features
    stand = features.collar is CollarKind.SHIRT and not features.opening.double_breasted
    return stand or is_open_skirt(description)


def fastens_below(description: Description) -> bool:
    """Whether the lowest is in the band at the lower edge, below the front's own edge."""
    opened = description.features.front.centre is Centre.OPEN
    several = usual_count(description) >= ABOVE_A_BAND
    return description.ends_in_band and opened and several and fastening_mark(description) is not None


def closing(build: Build, half: Half, join: str) -> None:
    """The closure on an open edge, with its places."""
    opening = build.description.features.opening
    assert opening.kind is not None
    kinds = {
        OpeningKind.BUTTONS: ClosureKind.BUTTONS,
        OpeningKind.SNAPS: ClosureKind.SNAPS,
        OpeningKind.TIES: ClosureKind.TIES,
        OpeningKind.HOOK_AND_EYE: ClosureKind.HOOK_AND_EYE,
        OpeningKind.SEPARATING_ZIP: ClosureKind.SEPARATING_ZIP,
    }
    build.closures.append(Closure("opening", kinds.get(opening.kind, ClosureKind.BUTTONS), join))
    kind = along_the_edge(build.description)
    if kind is None:
        if opening.count is None and opening.kind in (OpeningKind.HOOK_AND_EYE, OpeningKind.TIES):
            build.assumed["features.opening.count"] = "one at the top of the edge"
        return
    if opening.count is None:
        build.assumed["features.opening.count"] = how_many(build.description, usual_count(build.description))
    edges = [part("band", "front")] if "band" in build.pieces else half.centre
    lines = {size: _line(build, half, edges, size) for size in build.figures.sizes}
    for k in range(next(iter(lines.values())).count):
        fasten(build, k, kind, edges, {size: line.places[k] for size, line in lines.items()})


@dataclass(frozen=True)
class _Line:
    """Where the fastenings of an edge stand: the first so far along it, the others so far apart, in mm."""

    first: float
    apart: float
    count: int
    whole: float
    last: float
    """The last stands no nearer to the end than this."""

    @property
    def places(self) -> tuple[float, ...]:
        return tuple(self.first + k * self.apart for k in range(self.count))

    @property
    def fits(self) -> bool:
        """Whether the last stands where a last one does: not beyond the end, nor far above it."""
        return self.last * 0.5 <= self.whole - self.places[-1] <= self.last + 1.5 * self.apart


def _line(build: Build, half: Half, edges: Sequence[EdgePart], size: Size) -> _Line:
    """Evenly from the neck or the waist down; one at the fullest bust, where the others can be moved for it."""
    plain = _evenly(build, edges, size)
    every = [(one, _evenly(build, edges, one)) for one in build.figures.sizes]
    middle, at_middle = every[len(every) // 2]
    bust = _bust(build, half, middle)
    if bust is None or plain.count < 2:
        return plain
    above = 1 if fastens_above(build.description) else 0
    k = min(range(plain.count), key=lambda k: abs(at_middle.places[k] - bust))
    if k + above == 0:
        return plain
    moved = {one.name: _to_bust(line, _bust(build, half, one) or bust, k, above) for one, line in every}
    return moved[size.name] if all(line.fits for line in moved.values()) else plain


def _to_bust(line: _Line, bust: float, k: int, above: int) -> _Line:
    """The same with one at the bust, and the space between them changed for it."""
    top = line.first - above * line.apart
    apart = (bust - top) / (k + above)
    return replace(line, first=top + above * apart, apart=apart)


def _first(description: Description) -> float:
    """How far below the neck the first stands: of double-breasted fronts clear of a collar that falls over them."""
    falls = description.features.collar in (CollarKind.FLAT, CollarKind.ONE_PIECE, CollarKind.SHIRT)
    clear = in_proportion(description, FALLS) if falls and description.features.opening.double_breasted else 0.0
    return FIRST + clear


def _evenly(build: Build, edges: Sequence[EdgePart], size: Size) -> _Line:
    whole = sum(chain_length(build.edge(p.piece, p.edge, size)) for p in edges)
    last = OF_THE_BOX if is_half_placket(build.description) else LAST
    above, below = fastens_above(build.description), fastens_below(build.description)
    first = -ABOVE if above else _first(build.description)
    lowest = whole + lower_band(build.description) / 2 if below else whole - last
    every = usual_count(build.description)
    if above:
        # The uppermost is in a stand or a band, and the next one as far below it as all the others.
        every = max(2, every)
    apart = (lowest - first) / max(1, every - 1)
    at_last = lowest - apart if below else lowest
    return _Line(first + above * apart, apart, every - above - below, whole, whole - at_last)


def _bust(build: Build, half: Half, size: Size) -> float | None:
    """How far below the neck the fullest bust is, along the edge that closes; None where it is of no account."""
    description = build.description
    women = description.figure in (Figure.WOMEN, Figure.UNISEX)
    collar = description.features.collar
    turned = collar is not None and collar.turns_back
    if not (half.is_front and women and description.garment.has_bodice) or turned:
        return None
    block = build.block(size, is_front=True)
    if description.is_without_shoulders:
        chains = (build.edge(p.piece, p.edge, size) for p in half.centre)
        return block.bust_point[0] - min(min(chain[0].start[0], chain[-1].end[0]) for chain in chains)
    return block.bust_point[0] - block.neck_end


def fasten(build: Build, k: int, kind: PointKind, edges: Sequence[EdgePart], along: Mapping[Size, float]) -> None:
    """The fastening number `k`, on the piece that it falls on in the middle size: on a band's middle, or on the centre
    line, and clear of a seam across."""
    longs = {size: [chain_length(build.edge(p.piece, p.edge, size)) for p in edges] for size in along}
    middle = build.figures.sizes[len(build.figures.sizes) // 2]
    which = 0
    while which + 1 < len(edges) and along[middle] > sum(longs[middle][: which + 1]):
        which += 1
    where = edges[which]

    def place(size: Size) -> tuple[float, float]:
        low = OFF_SEAM if which else 0.0
        high = longs[size][which] - (OFF_SEAM if which + 1 < len(edges) else 0.0)
        chain = build.edge(where.piece, where.edge, size)
        down = min(max(along[size] - sum(longs[size][:which]), low), high)
        return (min(chain[0].start[0], chain[-1].end[0]) + down, FRONT_BAND * 1.5 if where.piece == "band" else 0.0)

    for beside, own, away in marks_of_a_row(build.description, kind):
        at = {size.name: (x, y + away) for size in along for x, y in (place(size),)}
        build.point(where.piece, InnerPoint(f"{NAMES.get(kind, 'button')}-{k + 1}{beside}", own, at))
