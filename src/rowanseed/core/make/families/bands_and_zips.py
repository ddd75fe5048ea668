"""Zips that go up to the fold of a band: which they are."""

from __future__ import annotations

from collections.abc import Sequence

from rowanseed.core.make.operation import Operation

ID = "band before the zip"


WHY = "the zip runs up into the band"


def zips_after_bands(operations: Sequence[Operation]) -> frozenset[str]:
    """The zips that go in only after the band: for a try-on their openings are pinned."""
    return frozenset(id for op in operations if any(need.why == WHY for need in op.requires) for id in op.on.closures)
