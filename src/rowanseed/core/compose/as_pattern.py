"""What was composed as a pattern: its pieces and graph, and the envelope that they come to."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from rowanseed.core.compose.as_printed import PrintedView
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.ease import is_free_at_the_hip
from rowanseed.core.compose.figures import reaches_the_hip, sewn_below
from rowanseed.core.compose.notion_text import is_cloth, read_notion
from rowanseed.core.compose.sizes import NAPE, Size
from rowanseed.core.compose.vocabulary import WaistLevel
from rowanseed.core.pattern.envelope import Envelope, PrintedYardage, View
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role


def to_stretch(build: Build) -> float:
    """How far the cloth has to stretch so that the neck goes over a head, as a share of its length."""
    if not build.description.is_over_the_head:
        return 0.0
    return round(max((block.stretch for block in build.blocks.values()), default=1.0) - 1, 3)


def _drawn_length(build: Build, size: Size) -> float:
    """How long the garment is as it is drawn: of one with a bodice from the nape, a ruffle at its hem included."""
    description = build.description
    if not description.garment.has_bodice or description.has_waist_seam:
        return size.length
    return build.block(size, is_front=False).hem - NAPE + sewn_below(description)


def _as_long(finished: Mapping[str, Mapping[str, float]], below: float) -> Mapping[str, Mapping[str, float]]:
    """The finished measurements of a view whose lower edge lies so far below the one described."""
    longer = {size: mm + below for size, mm in finished["length"].items()}
    return {**finished, "length": longer}


def _from_the_top(measure: str) -> int:
    """Where a finished measurement stands in a list that goes down the body; what else is printed comes after."""
    order = ("bust", "waist", "hip")
    return order.index(measure) if measure in order else len(order)


def as_pattern(build: Build) -> Pattern:
    """The whole pattern, with its envelope."""
    description = build.description
    sizes = build.figures.names
    chart = {
        name: {size.name: getattr(size, f"body_{name}") for size in build.figures.sizes}
        for name in ("bust", "waist", "hip")
    }
    finished = {
        "hip": {size.name: size.hip for size in build.figures.sizes},
        "length": {size.name: _drawn_length(build, size) for size in build.figures.sizes},
    }
    if description.garment.hangs_from_the_shoulders:
        finished["bust"] = {size.name: size.bust for size in build.figures.sizes}
    fits = description.seam_level is WaistLevel.NATURAL and not description.is_drawn_in
    if fits and all(size.waist is not None for size in build.figures.sizes):
        finished["waist"] = {size.name: size.waist or 0.0 for size in build.figures.sizes}
    finished |= {name: dict(row) for name, row in description.finished.items()}
    finished = {name: finished[name] for name in sorted(finished, key=_from_the_top)}
    if is_free_at_the_hip(description) or not reaches_the_hip(description, build.figures.sizes):
        finished.pop("hip", None)
    at_the_hip = () if is_free_at_the_hip(description) else ("hip",)
    usual = ("bust",) if description.garment.hangs_from_the_shoulders else ("waist", *at_the_hip)
    if description.seam_level is not WaistLevel.NATURAL:
        finished.pop("waist", None)
    views = description.views or (PrintedView("A"),)
    return Pattern(
        name=description.name,
        house=description.house,
        code=description.code,
        garment=description.garment.words,
        envelope=Envelope(
            views=tuple(View(one.id, one.name or "As described", one.below) for one in views),
            sizes=sizes,
            sized_by=description.sized_by or usual,
            body_chart={**chart, **description.body_chart},
            finished={one.id: _as_long(finished, one.below) for one in views},
            yardage=tuple(
                PrintedYardage(one.id, size, Role(line.role), line.width, line.one_way, line.length)
                for one in views
                for line in description.yardage
                if line.view in ("", one.id)
                for size in ((line.size,) if line.size else sizes)
            ),
            notions=tuple(read_notion(said) for said in description.notions if not is_cloth(said)),
            figure=description.figure,
            fabrics=description.fabrics,
            runs=description.runs,
            cloth=description.cloth,
            stretch=to_stretch(build),
        ),
        pieces=tuple(replace(piece, approximate=True) for piece in build.pieces.values()),
        making=build.making(),
    )
