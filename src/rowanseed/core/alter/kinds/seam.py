"""A seam taken in or let out."""

from __future__ import annotations

from collections.abc import Iterator
from typing import assert_never

from rowanseed.core.alter import seam as along_seams
from rowanseed.core.alter import waist_seam
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.alter.ring import is_let_in
from rowanseed.core.alter.seam_run import dies_away_above, levels_crossed
from rowanseed.core.base.words import lower_first
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece

SCHOOLS = (
    (along_seams.KEEP_CAP, "the sleeve with it, its cap kept"),
    (along_seams.KEEP_SLEEVE, "the sleeve as it is, its cap fitted"),
)
"""What becomes of a sleeve whose armhole the seam runs up to; the first is what a fitter does at the try-on."""


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    return tuple(
        place
        for join in along_seams.takeable(pattern)
        for level in ("", *levels_crossed(pattern, size, join))
        for place in _ways(pattern, size, join, level)
    )


def _ways(pattern: Pattern, size: str, join: Join, level: str) -> tuple[Place, ...]:
    """A seam at a level; where it runs up to a sleeve, once in each school."""
    words = f"{join.name}, at the {level}" if level else f"{join.name}, all along"
    crossed = levels_crossed(pattern, size, join)
    reaches_up = not level or level == crossed[0]
    sleeve = along_seams.sleeve_above(pattern, size, join)
    if reaches_up and sleeve is not None and pattern.piece(sleeve).has_edge("cap"):
        return tuple(
            Place(f"{words}: {how}", at=join.id, level=level, school="" if k == 0 else school)
            for k, (school, how) in enumerate(SCHOOLS)
        )
    return (Place(words, at=join.id, level=level),)


def _named(alteration: Alteration, pattern: Pattern) -> str:
    join = next((j for j in pattern.making.joins if j.id == alteration.at), None)
    level = f", at the {alteration.level}" if alteration.level else ""
    return f"{join.name if join else alteration.at}{level}"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    a, join = told.alteration, told.pattern.making.join(told.alteration.at)
    edges = along_seams.edge_count(told.pattern, join)
    each = told.show(a.by / edges)
    where = f"At the {a.level} mark a point" if a.level else "All along the seam mark points"
    taper = "Draw a smooth curve from there to nothing at the next levels." if a.level else "Join them."
    if not a.level and dies_away_above(told.pattern, told.size, join):
        taper = "Join them; above the uppermost level draw on to nothing at the upper end, which keeps its length."
    side = "outside" if told.more else "inside"
    drawn_once = len({(p.piece, p.edge) for p in (*join.a, *join.b)}) == 1
    on = "on the tissue, which is cut twice" if drawn_once else "on each of the two edges"
    steps = [
        f"{where} {each} {side} the cutting line, {on}. {taper}",
        f"{edges} edges meet in it round the garment, so that makes {told.figure} in all.",
        "Cut on the new line; the seam allowance stays as it was.",
    ]
    for partner in along_seams.seams_moved(told.pattern, told.size, join, a.level)[1:]:
        taper = ", to nothing at the next level" if a.level else ""
        steps.append(f"Do the same at the {partner.name.lower()}{taper}: the waist seam meets as before.")
    steps += _beyond_the_waist(told)
    sleeve = along_seams.sleeve_above(told.pattern, told.size, join)
    if sleeve is not None and sleeve in {t.piece for t in told.step.touched}:
        name = told.pattern.piece(sleeve).name.lower()
        if a.school == along_seams.KEEP_SLEEVE:
            steps.append(f"The {name} keeps its width: its cap is drawn to the new armhole.")
        else:
            steps.append(f"Do the same at both underarm edges of the {name}, to nothing at the wrist.")
    return tuple(steps)


def _lies_along(pattern: Pattern, size: str, a: Alteration, piece: Piece) -> bool:
    """Whether the seam runs along a piece or what it is drawn on, or the seam does that goes on across the waist."""
    seams = along_seams.seams_moved(pattern, size, pattern.making.join(a.at), a.level)
    parts = [p for seam in seams for p in (*seam.a, *seam.b)]
    if is_let_in(piece):
        return any(p.piece == piece.id for p in parts)
    return any(pattern.piece(p.piece).frame == piece.frame for p in parts)


def _why_on(pattern: Pattern, size: str, a: Alteration, piece: Piece) -> str:
    return KIND.why if _lies_along(pattern, size, a, piece) else "the waist seam sews it to what was altered"


def _beyond_the_waist(told: OnTissue) -> Iterator[str]:
    """What is drawn on the pieces that the waist seam sews to the altered ones."""
    before, after, size = told.step.before, told.step.after, told.size
    layers = {layer.piece for layer in before.making.layers if layer.piece != layer.of}
    for touched in told.step.touched:
        piece = before.piece(touched.piece)
        if piece.id in layers or piece.panel not in (Panel.FRONT, Panel.BACK):
            continue
        if _lies_along(before, size, told.alteration, piece):
            continue
        name = lower_first(piece.name)
        for done in waist_seam.beyond(piece, after.piece(piece.id), size):
            mm = told.show(done.by)
            match done.how:
                case waist_seam.How.DART:
                    apart = "farther apart" if done.by > 0 else "nearer to each other"
                    does = f"Draw the legs of the {name}'s waist dart {mm} {apart} at the waist, half of it at each"
                case waist_seam.How.CURVE:
                    where = "below" if done.by > 0 else "above"
                    does = f"Cut the waist of the {name} {mm} {where} its line, all along"
                case waist_seam.How.SIDE:
                    where = "outside" if done.by > 0 else "inside"
                    does = f"Move the side of the {name} {mm} {where} its line at the waist, to nothing farther down"
                case waist_seam.How.BAND:
                    below, above = _longer(told, done.by), _longer(told, done.above)
                    along = f"{below} along its lower edge, {above} along its upper one"
                    along = f"{below} along both edges" if below == above else along
                    does = f"Redraw the {name}, as deep as it was: {along}"
                case _:
                    assert_never(done.how)
            yield f"{does}: the waist seam meets as before."


def _longer(told: OnTissue, mm: float) -> str:
    if not told.can_be_told(mm):
        return "the same"
    return f"{told.show(mm)} {'longer' if mm > 0 else 'shorter'}"


KIND = AlterationKind(
    id="seam",
    name="A seam",
    order=30,
    sense="let out",
    opposite="taken in",
    most=200,
    why="the seam runs along it",
    offered=lambda pattern, size: bool(along_seams.takeable(pattern)),
    carry_out=lambda pattern, size, a: along_seams.change_at_seam(pattern, size, a.at, a.by, a.level, a.school),
    tissue=_tissue,
    places=_places,
    why_on=_why_on,
    named=_named,
)
