"""Front and back of a garment with a bodice: plain, or cut by the feature that asks for it; their seams."""

from __future__ import annotations

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.drafting import moved, straight
from rowanseed.core.compose.features import FEATURES
from rowanseed.core.compose.folded import fold_edge
from rowanseed.core.compose.folds import Folds, folds_in
from rowanseed.core.compose.inset_band import has_inset_band, let_in
from rowanseed.core.compose.panels import (
    Half,
    centre_of,
    centre_seam,
    lower_edge,
    new_panel,
    panel_levels,
    shape_with_darts,
    side_of,
    upper,
)
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.spread import Widened
from rowanseed.core.geometry.outline import chain_length


def halves(build: Build) -> tuple[Half, Half]:
    """Draft front and back, and sew them together at sides and shoulders."""
    front, back = _half(build, is_front=True), _half(build, is_front=False)
    build.join("sides", "Side seams", front.side, back.side, each_hand=True)
    if front.shoulder:
        build.join("shoulders", "Shoulder seams", front.shoulder, back.shoulder, each_hand=True)
    return front, back


def _half(build: Build, *, is_front: bool) -> Half:
    half = Half(is_front)
    own = next((one for one in FEATURES if one.panel is not None and one.takes(build.description, half)), None)
    cut = _plain if own is None or own.panel is None else own.panel
    cut(build, half)
    if has_inset_band(build.description):
        let_in(build, half)
    centre_seam(build, half)
    return half


def _ring(build: Build, block: Upper, edge: str, more: float) -> Edges:
    """The whole half; `more` is let in beside the shoulder for folds, from there to the lower edge."""
    low, c = lower_edge(build), block.centre
    tip_x, tip_y = block.tip
    return {
        edge: straight((block.neck_end, c), (block.hem, c)),
        low: block.lower((block.hem, c), more),
        "side": moved(block.side, 0.0, more),
        "armhole": moved(block.armhole, 0.0, more),
        "shoulder": straight((tip_x, tip_y + more), block.neck_point),
        "neck": block.neck,
    }


def _plain(build: Build, half: Half) -> None:
    edge = centre_of(build, half)[0]
    id, folds = half.name, folds_in(side_of(build, half).shaping)
    more = folds.whole if folds else 0.0
    new_panel(build, half, id, half.name.capitalize(), lambda block: _ring(build, block, edge, more), at_centre=True)
    panel_levels(build, half, id, lambda block, x: 0.0, lambda block, x: block.outer(x) + more)
    half.neck, half.shoulder = [part(id, "neck")], [part(id, "shoulder")]
    half.armhole, half.side = [part(id, "armhole")], [part(id, "side")]
    half.lower = [part(id, lower_edge(build))]
    shape_with_darts(build, half, id, lambda block: Widened(block.centre, more))
    if folds:
        _folded(build, half, id, folds)


def _folded(build: Build, half: Half, id: str, folds: Folds) -> None:
    """Pleats or tucks at the shoulder, and again at a waist seam; between them the fullness is let go."""

    def shoulder(size: Size) -> float:
        return upper(build, size, half).shoulder

    def taken(size: Size) -> float:
        return chain_length(build.edge(id, "shoulder", size)) - shoulder(size)

    fold_edge(
        build,
        id,
        "shoulder",
        folds,
        taken=taken,
        middle=lambda size: chain_length(build.edge(id, "shoulder", size)) / 2,
        down=1.0,
    )
    if build.description.has_waist_seam:
        fold_edge(
            build,
            id,
            "waist",
            folds,
            taken=lambda size: folds.whole,
            middle=lambda size: (block := upper(build, size, half)).bust_point[1] - block.centre + folds.whole / 2,
            down=-1.0,
            name="waist-fold",
        )
