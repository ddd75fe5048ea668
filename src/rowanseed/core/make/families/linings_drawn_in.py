"""The upper edge of a full skirt's lining: where it is drawn in by itself."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, FinishKind, Join


def drawn_in(bench: Workbench) -> Iterator[tuple[Join, tuple[EdgePart, ...]]]:
    """Seams that draw the garment in, with the edges of a hung lining that lie under them, are in no seam of their own
    and end in no hem of their own, as above a cuff."""
    sewn = {(p.piece, p.edge) for join in bench.joins.values() for p in (*join.a, *join.b)}
    sewn |= {(p.piece, p.edge) for f in bench.finishes.values() if f.kind is not FinishKind.CAUGHT for p in f.parts}
    for join in bench.joins.values():
        if join.difference.kind is not DifferenceKind.GATHERS or pieces_of(join.a) & bench.linings:
            continue
        under = {layer.of: layer.piece for layer in bench.pattern.making.layers if layer.piece in bench.hung}
        parts = tuple(
            EdgePart(under[p.piece], p.edge, p.hand)
            for p in join.a
            if p.piece in under
            and bench.piece(under[p.piece]).has_edge(p.edge)
            and (under[p.piece], p.edge) not in sewn
        )
        if parts:
            yield join, parts


def drawn(join: Join) -> facts.State:
    """What is given once the lining is as short as the seam it goes into."""
    return facts.layer(Fact.DRAWN_UP, f"lining {join.id}")
