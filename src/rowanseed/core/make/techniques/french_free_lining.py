"""French seam of a free lining."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.french_seams import french
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import straight_seams
from rowanseed.core.make.workbench import Workbench


def finds_free_lining(bench: Workbench) -> Iterator[Duty]:
    """Seams of a lining that hangs free: both its sides are seen, and nothing covers their edges."""
    for join in straight_seams(bench) if bench.hangs_free else ():
        if {p.piece for p in (*join.a, *join.b)} <= bench.hung and bench.edge_allowance(join.a[0]) >= 12:
            yield single(join.id)


TECHNIQUE = Technique(
    id="french-free-lining",
    name="French seam of a free lining",
    chapter="layers",
    finds=finds_free_lining,
    sews=french,
    rank=39,
    draw="french",
)
