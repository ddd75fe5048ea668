"""Notches on a band where the seams and the centres of what it is sewn to come to stand: they are matched first."""

from __future__ import annotations

from collections.abc import Sequence

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Where
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pieces import Mark, MarkKind, Panel, Piece
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import length_on

EDGES = ("waist", "neck", "edge")
"""The edges of bands that go along an edge of the garment."""
KINDS = (DifferenceKind.NONE, DifferenceKind.GATHERS)
SIDES = (Where.LEFT_SIDE,)
SHELL = (Panel.FRONT, Panel.BACK)
OURS = "at-seam-"
"""How the ids of these notches begin."""
Places = dict[str, float]
"""Where a band is notched, in mm from the beginning of its edge, by the ids of the notches."""


def notch_bands(build: Build) -> None:
    for join in build.joins:
        if len(join.b) == 1 and len(join.a) > 1 and join.b[0].edge in EDGES:
            band = build.pieces[join.b[0].piece]
            # One that is stretched on is quartered where it is a ring, and notched where it has ends.
            notched = join.difference.kind in KINDS or band.has_edge("near-end")
            if band.panel is Panel.BAND and notched:
                _notched(build, join, band)


def _notched(build: Build, join: Join, band: Piece) -> None:
    every = {size.name: _places(build, join, band, size) for size in build.figures.sizes}
    names = list(next(iter(every.values())))
    for name in names:
        distance = {size: round(places[name], 1) for size, places in every.items()}
        build.mark(band.id, Mark(name, MarkKind.NOTCH, join.b[0].edge, "start", distance))


def _places(build: Build, join: Join, band: Piece, size: Size) -> Places:
    """By how the band is cut: on the fold, in two halves, or whole."""
    ratio = 1.0 if join.difference.kind is DifferenceKind.NONE else join.difference.amount
    opening, cut, edge = build.description.features.opening, band.cuts[0], join.b[0]
    half = [p for p in join.a if p.hand in (None, "left")]
    if opening.kind is None or len(half) < 2 or any(mark.edge == edge.edge and _is_ours(mark) for mark in band.marks):
        return {}

    under = mark_distance(band, size.name, band.mark(edge.from_mark)) if edge.from_mark else 0.0

    def long(part: EdgePart) -> float:
        return length_on(build.pieces[part.piece], size.name, part) / ratio

    def along(parts: Sequence[EdgePart]) -> list[float]:
        """Where the panels of the garment meet, from the first of some edges on."""
        panels = [build.pieces[p.piece].panel for p in parts]
        return [sum(long(p) for p in parts[: k + 1]) for k in range(len(parts) - 1) if panels[k] is not panels[k + 1]]

    if opening.where in SIDES:
        panels = {panel: sum(long(p) for p in half if build.pieces[p.piece].panel is panel) for panel in SHELL}
        if cut.fold or cut.count != 1 or sum(panels.values()) < sum(long(p) for p in half) - 1.0:
            return {}
        # The end beneath lies on the back; from there round the back.
        front, back = panels[Panel.FRONT], panels[Panel.BACK]
        return _named([under + at for at in (back, 2 * back, 2 * back + front)])
    # What is sewn to a band is told from the front to the back.
    from_the_opening = half[::-1] if opening.where is Where.BACK else half
    whole, met = _reach(band, size, edge), along(from_the_opening)
    if cut.fold:
        names = [one.name for one in band.edges]
        on_fold_first = names[names.index(edge.edge) - 1] == cut.fold
        return _named(sorted(whole - at for at in met) if on_fold_first else met)
    if cut.pair and cut.count == 2:
        # From the centre that is closed to the one that opens.
        total = sum(long(p) for p in half)
        return _named(sorted(total - at for at in met))
    total = 2 * sum(long(p) for p in half)
    return _named([under + at for at in (*met, total / 2, *sorted(total - at for at in met))])


def _named(places: Sequence[float]) -> Places:
    return {f"{OURS}{k}": at for k, at in enumerate(places, start=1)}


def _is_ours(mark: Mark) -> bool:
    return mark.id.startswith(OURS)


def _reach(band: Piece, size: Size, part: EdgePart) -> float:
    return length_on(band, size.name, EdgePart(band.id, part.edge))
