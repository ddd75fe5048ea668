"""Elastic sewn onto the cloth: on a line, along an edge."""

from __future__ import annotations

import math
from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Need, Setting
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pieces import WAIST, LineKind, Panel, Role
from rowanseed.core.pattern.seamline import lines


def finds_on_a_line(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.ELASTIC):
        if detail.on:
            yield single(detail.id)


def chalked_and_cut(bench: Workbench, detail: Detail) -> str:
    """Where the elastic runs, and how long it is."""
    return (
        f"Chalk {'the lines' if detail.count > 1 else 'the line'} on the wrong side of the {bench.names(detail.on)}"
        f"{_where(bench, detail)}. Cut the elastic as long as this part of the body less a tenth, try it round the "
        "body, and halve and quarter both."
    )


def ready_first(detail: Detail) -> tuple[Need, ...]:
    return tuple(
        Need(facts.piece(fact, piece), "the piece is ready first", where_given=True)
        for piece in detail.on
        for fact in (Fact.STAYED, Fact.SHAPED)
    )


def round_the_body(bench: Workbench, detail: Detail) -> float:
    """How long all its lines lie round the body, in mm: by the chart at a waist, else as wide as its pieces at most."""
    at, size = _level(bench, detail), bench.size
    wide = 0.0
    for piece in (bench.piece(id) for id in detail.on):
        line = piece.line(LineKind.LEVEL, at)
        across = [p[1] for p in lines(piece, size).seam_ring()]
        half = max(across) - min(across) if line is None else math.dist(*line.ends[size])
        wide += half * sum(cut.count * (2 if cut.fold else 1) for cut in piece.cuts if cut.role is Role.MAIN)
    chart = bench.pattern.envelope.body_chart.get("waist", {}).get(size)
    all_round = {Panel.FRONT, Panel.BACK} <= {bench.panel(id) for id in detail.on}
    return detail.count * (min(wide, chart) if at == WAIST and all_round and chart is not None else wide)


def _level(bench: Workbench, detail: Detail) -> str:
    """The level that the pattern says it runs at, if all its pieces have it; empty where the tissue alone tells."""
    said = next((at for at in (WAIST, "hip", "bust") if at in detail.id or at in detail.name.lower()), "")
    has = said and all(bench.piece(id).line(LineKind.LEVEL, said) is not None for id in detail.on)
    return said if has else ""


def _where(bench: Workbench, detail: Detail) -> str:
    at = _level(bench, detail)
    return f" along its {at} line" if at else ", where the tissue marks it"


def needs_zigzag(bench: Workbench) -> str:
    """Why it cannot be sewn on; empty where the machine has the stitch."""
    return "" if bench.household.equipment.sews_zigzag else "it needs a zigzag stitch"


def zigzag_setting(bench: Workbench) -> Setting:
    return Setting(
        "zigzag, width 3", 2.5, ORDINARY, needle(bench.household), "three-step zigzag if there is one", "304"
    )
