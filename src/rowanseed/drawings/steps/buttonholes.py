"""Buttonholes as they lie on a piece, buttons where they are sewn on, and the hand whose piece that is."""

from __future__ import annotations

from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Spot

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.buttonholes import BESIDE, what_laps
from rowanseed.core.make.holes import USUAL, Hole, button_under, holes_of_piece, is_along_edge, is_upright
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.fastenings import cuffs
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.pattern.pieces import Panel, Piece, PointKind
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.hands import OTHER, hand_of
from rowanseed.drawings.steps.paper import Paper
from rowanseed.drawings.steps.placing import Lying, as_drawn
from rowanseed.drawings.svg import PAPER, path_of

BEAD = 0.16
"""Its beads are drawn so wide to both sides of the cut, as a share of the lettering."""
LEAST = 0.26
"""A button is drawn with this share of the lettering for its radius at least."""


def hand_worked(bench: Workbench, op: Operation, piece: Piece) -> tuple[str, bool]:
    """The hand whose piece has the holes, or the buttons, and whether the pattern draws the other one; empty where
    either hand's may, and of pieces that lie on both."""
    lapping = {Figure.WOMEN: "right", Figure.MEN: "left"}.get(bench.pattern.envelope.figure)
    drawn = _drawn_hand(bench, piece)
    if op.act not in (Act.BUTTON, Act.BUTTONHOLE) or lapping is None or not drawn:
        return "", False
    if any(bench.is_side_of_one_hand(bench.joins[one.join]) for one in bench.openings.openers):
        return "", False
    is_upper = op.act is Act.BUTTONHOLE or op.technique == BESIDE
    hand = lapping if is_upper else OTHER[lapping]
    return hand, drawn != hand


def _drawn_hand(bench: Workbench, piece: Piece) -> str:
    """The hand of a piece as the pattern draws it; empty of a cuff, whose holes lie on both sleeves, and of a band that
    goes all the way round."""
    if piece.id in cuffs(bench.pattern) or not all(cut.pair or cut.fold for cut in piece.cuts):
        return ""
    if piece.panel is not Panel.BAND:
        return hand_of(bench, piece)
    holes = holes_of_piece(bench, piece)
    if holes and not is_upright(bench, piece):
        return hand_of_end(bench, piece, holes[0])
    sewn = [
        p for join in bench.joins.values() if is_along_edge(join) for p in (*join.a, *join.b) if p.piece == piece.id
    ]
    if not sewn:
        return ""
    flat = as_drawn(piece, bench.size)
    is_left = LineString(flat.stitched(sewn[:1])).centroid.x < Polygon(flat.seam()).centroid.x
    return "right" if is_left else "left"


def hand_of_end(bench: Workbench, piece: Piece, hole: Hole) -> str:
    """On which hand of the wearer the end of a band lies that has the hole: seen from outside, its seam below, the
    right end is at the wearer's right where the front opens, at the left where the back does. Empty of a band that is
    sewn to nothing, or that opens elsewhere."""
    flies = any(one.kind is ClosureKind.BUTTON_FLY for one in bench.closures.values())
    opens = "front" if flies else what_laps(bench)
    sides = ((a, b) for join in bench.joins.values() for a, b in ((join.a, join.b), (join.b, join.a)))
    own = [
        part for a, b in sides if bench.panels(b) - {Panel.BAND, Panel.OTHER} for part in a if part.piece == piece.id
    ]
    if not own or opens == "end":
        return ""
    flat = as_drawn(piece, bench.size)
    seam, whole = LineString(flat.stitched(own[:1])).centroid, Polygon(flat.seam()).centroid
    (end, inner) = (upright(p) for p in hole.ends)
    turn = (seam.x - whole.x) * (end[1] - inner[1]) - (seam.y - whole.y) * (end[0] - inner[0])
    return "right" if (turn < 0) is (opens != "back") else "left"


def called(piece: Piece, hand: str) -> str:
    if hand and piece.panel is Panel.BAND and not all(cut.pair and cut.count > 1 for cut in piece.cuts):
        return f"{piece.name}, its {hand} end"
    return f"{hand.capitalize()} {lower_first(piece.name)}" if hand else piece.name


def mirrored(lying: Lying) -> Lying:
    """The other hand's piece, the same side up."""
    return Lying(lying.piece, lying.size, lambda p: (-p[0], p[1]), lying.right_side_up, lying.kept)


def has_holes(piece: Piece) -> bool:
    return any(point.kind is PointKind.BUTTONHOLE for point in piece.points)


def draw_fastenings(paper: Paper, bench: Workbench, op: Operation, lying: Lying) -> None:
    """The holes, each from bar to bar, or the buttons on their marks."""
    for hole in holes_of_piece(bench, lying.piece):
        if op.act is Act.BUTTONHOLE:
            cut = LineString([lying.move(upright(p)) for p in hole.ends])
            bead = cut.buffer(paper.letter * BEAD, cap_style="square", join_style="mitre")
            paper.add("path", d=path_of(list(bead.exterior.coords)[:-1]), fill=paper.thread)
            paper.line([(x, y) for x, y in cut.coords], paper.letter * 0.1, stroke=PAPER)
            paper.crossed(cut)
        else:
            size = bench.button_size(on_cuffs=lying.piece.id in cuffs(bench.pattern)) or USUAL
            radius = max(size / 2, paper.letter * LEAST)
            at = lying.move(upright(button_under(bench, lying.piece, hole)))
            draw_button(paper, at, radius)
            paper.crossed(Spot(at).buffer(radius).exterior)


def draw_button(paper: Paper, at: tuple[float, float], radius: float) -> None:
    x, y = at
    paper.add("circle", cx=x, cy=y, r=radius, fill=PAPER, stroke=paper.thread, stroke_width=paper.letter * 0.12)
    for dx in (-0.35, 0.35):
        paper.add("circle", cx=x + dx * radius, cy=y, r=radius * 0.16, fill=paper.thread)
