"""Fusible interfacing."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.stiffened import finds_fused, on_piece, stiffened_piece, why_not_fused
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.shared import before_backing
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import HOT, Workbench
from rowanseed.core.pattern.pieces import Role

COOLS = 5.0
"""Fused pieces lie flat for so long before they are moved, in minutes (common practice, no source)."""


def _is_trimmed(bench: Workbench, id: str) -> bool:
    """Whether the interfacing is cut to the stitching lines, from a piece of its own."""
    return any(
        p.derived is not None and p.derived.of == id and any(c.role is Role.INTERFACING for c in p.cuts)
        for p in bench.pattern.pieces
    )


def fuses(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = stiffened_piece(duty)
    where = (
        "It is cut without allowances: lay it inside the stitching lines all round."
        if _is_trimmed(bench, id)
        else "Edge on edge, no glue beyond the cloth."
    )
    yield Operation(
        id=f"interface-{id}",
        technique="fusing",
        act=Act.FUSE,
        title=f"Fuse the interfacing to the {bench.name(id)}",
        how=(
            f"Glue side to the wrong side. {where}",
            "From the middle outwards: set the iron down, press 10–15 s a place through a damp cloth, lift, overlap "
            "the next place. Do not slide. Longer with a light hand iron, until the scrap held.",
            "Leave it flat until it is cool. The maker's leaflet rules where it differs.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(3, bench.number_cut(id)),
        on=on_piece(bench, id),
        requires=(
            before_backing(id),
            Need(facts.piece(Fact.BACKED, id), "the underlining is on first", where_given=True),
        ),
        gives=(facts.piece(Fact.STIFFENED, id),),
        waits=COOLS,
        caution=HOT,
        look="Cold, no corner lifts with a fingernail, and no bubble shows on the right side.",
    )


TECHNIQUE = Technique(
    id="fusing",
    name="Fusible interfacing",
    chapter="stiffen and back",
    finds=finds_fused,
    why_not=why_not_fused,
    sews=fuses,
    rank=10,
    also=("iron-on interfacing",),
    words={"interfacing": "a layer that stiffens a collar, cuff, band or front edge"},
    draw="fused",
)
