"""A slit or keyhole cut into the fold below the neck: faced in one with a faced neck, else by a facing of its own."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.base.units import at_most
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.facing_drawn import round_a_slit
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import faced_neck
from rowanseed.core.compose.openings import closes, closes_an_edge, opening_half
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import OpeningKind
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Panel, PointKind

SLIT, SHORTEST = 140.0, 50.0
"""The usual length of a slit at the neck, in mm, and the least."""
BUTTON_BELOW = 6.0
"""The button's middle lies so far below the neck, in mm."""
BELOW = 45.0
"""So much of the piece is left below its end, for the facing."""


def finish(build: Build, body: Body) -> None:
    piece = opening_half(body, build.description).neck[0].piece
    reach = min(chain_length(build.edge(piece, "centre", size)) for size in build.figures.sizes) - BELOW
    if reach < _long(build):
        _refuse(build, reach)
        return
    _line(build, piece, piece)
    if not faced_neck(build, body):
        _facing(build, piece)


def _refuse(build: Build, reach: float) -> None:
    field = "features.opening.length" if build.description.features.opening.length else "features.opening.kind"
    shorter = f"make it {at_most(reach)} long at most, or " if reach >= SHORTEST else ""
    build.refused.append((field, f"The slit runs past the seam below the neck: {shorter}leave the yoke out."))


def adds(build: Build) -> None:
    """What the slit is faced by, once the neck is."""
    if build.refused:
        return
    where = build.description.features.opening.where
    own = next(p for p in build.pieces.values() if p.line(LineKind.PLACEMENT, "slit") is not None)
    facing = f"{own.id}-neck-facing"
    if facing in build.pieces:
        known = build.pieces[facing]
        shapes = {
            size: replace(shape, edges=round_a_slit(shape.edges, _long(build))) for size, shape in known.shapes.items()
        }
        build.change(facing, shapes=shapes, name=f"{where.words.capitalize()} facing of neck and slit")
        _line(build, facing, own.id)
    kind = build.description.features.opening.kind
    assert kind is not None
    by = facing if facing in build.pieces else "slit-facing"
    build.details.append(
        Detail("slit", f"{kind.words.capitalize()} at the neck", DetailKind.FACED_SLIT, pieces=(by,), on=(own.id,))
    )
    if kind is OpeningKind.KEYHOLE:
        _closed_above(build, own.id)


def _closed_above(build: Build, piece: str) -> None:
    """A keyhole closes at the neck, by a button and a loop unless the booklet has something else."""
    neck = next(iter(build.along.get("neck", ())), None)
    if neck is None:
        build.assumed["features.opening.kind"] = (
            "a keyhole is drafted by its middle line; what closes it at the top is sewn by your booklet"
        )
        return
    build.closures.append(Closure("opening", ClosureKind.BUTTON_LOOP, neck))
    build.point(
        piece,
        InnerPoint(
            "keyhole-button",
            PointKind.BUTTON,
            {
                size.name: (build.edge(piece, "neck", size)[-1].end[0] + BUTTON_BELOW, 0.0)
                for size in build.figures.sizes
            },
        ),
    )
    build.assumed["features.opening.kind"] = (
        "a keyhole is drafted by its middle line, and closed above by a button and a loop"
    )


def _long(build: Build) -> float:
    return build.description.features.opening.length or SLIT


def _line(build: Build, piece: str, of: str) -> None:
    """The line of the slit on a piece, where the neck of another ends at the centre."""
    long = _long(build)
    build.line(
        piece,
        LineKind.PLACEMENT,
        "slit",
        lambda size: ((x := build.edge(of, "neck", size)[-1].end[0], 0.0), (x + long, 0.0)),
    )


def _facing(build: Build, piece: str) -> None:
    long = _long(build)

    def draw(size: Size) -> Edges:
        top = build.edge(piece, "neck", size)[-1].end[0]
        return {
            "centre": straight((top, 0.0), (top + long + 40.0, 0.0)),
            "lower": straight((top + long + 40.0, 0.0), (top + long + 40.0, 40.0)),
            "outer": straight((top + long + 40.0, 40.0), (top, 40.0)),
            "top": straight((top, 40.0), (top, 0.0)),
        }

    build.piece("slit-facing", "Facing of the slit", draw, panel=Panel.OTHER, fold="centre")
    build.finish(
        "slit-facing-edge",
        "Edges of the slit's facing",
        FinishKind.NEATENED,
        (part("slit-facing", "lower"), part("slit-facing", "outer")),
    )
    build.finish("slit-facing-top", "Upper edge of the slit's facing", FinishKind.RAW, (part("slit-facing", "top"),))


FEATURES = (
    Feature(
        "slit-at-neck",
        asked=lambda d: closes(d) in (OpeningKind.SLIT, OpeningKind.KEYHOLE) and not closes_an_edge(d),
        ends=frozenset({Ended.OPENING}),
        finish=finish,
        adds=adds,
    ),
)
