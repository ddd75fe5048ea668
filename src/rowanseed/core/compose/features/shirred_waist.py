"""Shirring round the waist: rows of elastic thread over what crosses it in a garment without a seam there, which is cut
as wide as the bust; or below the turned top of a skirt or of trousers."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.vocabulary import LiningMethod, Shaping, Waist
from rowanseed.core.compose.waists import waist_finish, waist_parts
from rowanseed.core.make.families.shirred import APART
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Corner

ROWS = 7
"""So many rows, 12 mm apart, draw a waist in (common practice, no source)."""
HEADING = 30.0
"""What a shirred top is turned down by, in two folds, in mm: the first row is its stitching."""


def joins(build: Build, body: Body) -> None:
    on = tuple(dict.fromkeys(p.piece for half in (body.front, body.back) for p in half.side))
    build.details.append(_shirring(on))


def finish(build: Build, body: Body) -> None:
    parts = waist_parts(body.front, body.back)
    for p in parts:
        build.allow(p.piece, p.edge, HEADING, Corner.TURNED)
    build.finish("waist", "Waist", FinishKind.TURNED, parts)
    build.details.append(_shirring(tuple(p.piece for p in parts), along=("waist",)))
    build.along["waist"] = ("waist",)


def _shirring(on: tuple[str, ...], along: tuple[str, ...] = ()) -> Detail:
    return Detail(
        "shirred-waist",
        "Shirring round the waist",
        DetailKind.SHIRRED_PANEL,
        on=on,
        along=along,
        count=ROWS,
        width=(ROWS - 1) * APART,
    )


def asked_across(d: Description) -> bool:
    return d.garment.has_bodice and d.features.waist is Waist.SHIRRED


def asked_at_top(d: Description) -> bool:
    return waist_finish(d) is Waist.SHIRRED


def forbids(d: Description) -> Found:
    if d.features.back.has(Shaping.SHIRRED_PANEL):
        yield "features.back.shaping", "Shirring goes round the waist already: leave the shirred panel out."


def forbids_at_top(d: Description) -> Found:
    lining = d.features.lining
    if lining is not None and lining.method is not LiningMethod.HANGING_FREE:
        yield "features.lining.method", "A lining below a shirred top hangs free from the turned edge."


FEATURES = (
    Feature("shirred-waist", asked=asked_across, forbids=forbids, joins=joins, rank=12),
    Feature(
        "shirred-top", asked=asked_at_top, forbids=forbids_at_top, ends=frozenset({Ended.WAIST}), finish=finish, rank=12
    ),
)
