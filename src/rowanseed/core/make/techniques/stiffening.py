"""Interfacing: fused to a piece while it is flat, or sewn in where it is not fusible."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import HOT, Workbench, shown
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import Role

KEY = "stiffen:"
COOLS = 5.0
"""Fused pieces lie flat for so long before they are moved, in minutes (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for id in bench.interfaced():
        yield single(f"{KEY}{id}")


def _piece(duty: Duty) -> str:
    return duty.id.removeprefix(KEY)


def _on(bench: Workbench, id: str) -> On:
    return On(pieces=(id,), edges=shown(EdgePart(id, e.name) for e in bench.piece(id).edges))


def _is_trimmed(bench: Workbench, id: str) -> bool:
    """Whether the interfacing is cut to the stitching lines, from a piece of its own."""
    return any(
        p.derived is not None and p.derived.of == id and any(c.role is Role.INTERFACING for c in p.cuts)
        for p in bench.pattern.pieces
    )


def fuses(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = _piece(duty)
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
        on=_on(bench, id),
        requires=(Need(facts.piece(Fact.BACKED, id), "the underlining is on first", where_given=True),),
        gives=(facts.piece(Fact.STIFFENED, id),),
        waits=COOLS,
        caution=HOT,
        look="Cold, no corner lifts with a fingernail, and no bubble shows on the right side.",
    )


def bastes(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = _piece(duty)
    yield Operation(
        id=f"interface-{id}",
        technique="sewn-in interfacing",
        act=Act.BACK,
        title=f"Baste the interfacing to the {bench.name(id)}",
        how=(
            "On the wrong side, grain on grain, both flat on the table; pin from the middle outwards.",
            f"Baste {bench.margin(12)} from the raw edge. After the seams are sewn trim it back to the stitching.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(6, bench.number_cut(id)),
        on=_on(bench, id),
        requires=(Need(facts.piece(Fact.BACKED, id), "the underlining is on first", where_given=True),),
        gives=(facts.piece(Fact.STIFFENED, id),),
        leaves=(f"basting of the interfacing, {bench.name(id)}",),
        look="The two lie together like one cloth when the piece is held up.",
    )


TECHNIQUES = (
    Technique(
        id="fusing",
        name="Fusible interfacing",
        chapter="stiffen and back",
        finds=finds,
        sews=fuses,
        rank=10,
        also=("iron-on interfacing",),
        words={"interfacing": "a layer that stiffens a collar, cuff, band or front edge"},
        draw="fused",
    ),
    Technique(
        id="sewn-in-interfacing",
        name="Sewn-in interfacing",
        chapter="stiffen and back",
        finds=finds,
        sews=bastes,
        rank=11,
        usual=False,
        also=("canvas",),
        draw="basted layer",
    ),
)
