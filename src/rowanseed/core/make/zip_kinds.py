"""The kind of zip in a seam is a choice: an invisible one may be centred, lapped or exposed as well."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import replace

from rowanseed.core.pattern.making import Closure, ClosureKind
from rowanseed.core.pattern.pattern import Pattern

IN_A_SEAM = (
    ClosureKind.INVISIBLE_ZIP,
    ClosureKind.CENTRED_ZIP,
    ClosureKind.LAPPED_ZIP,
    ClosureKind.EXPOSED_ZIP,
)
"""The zips that may take each other's place: all of them lie in a seam that is open down to a mark. Each is sewn by the
technique of its own name."""
SEWN_AS = {"band-first": ClosureKind.INVISIBLE_ZIP}
"""Techniques that sew a zip together with something else, and the kind of zip that takes."""
WIDE = 12.0
"""So many mm of allowance a zip takes that is not drawn for it (common practice, no source)."""


def zips_in_seams(pattern: Pattern) -> tuple[Closure, ...]:
    seams = {join.id for join in pattern.making.joins}
    return tuple(c for c in pattern.making.closures if c.kind in IN_A_SEAM and c.join in seams)


def why_not_zip(pattern: Pattern, closure: Closure, kind: ClosureKind, told: Callable[[float], str]) -> str:
    """Why a zip cannot be one of another kind, empty where it can; `told` says an allowance in mm in words."""
    if closure.kind is kind:
        return ""
    join = pattern.making.join(closure.join)
    narrow = min(pattern.piece(part.piece).edge(part.edge).allowance for part in (*join.a, *join.b))
    if narrow < WIDE:
        return f"the allowance beside it is {told(narrow)} wide: it takes {told(WIDE)}"
    if kind is ClosureKind.EXPOSED_ZIP and closure.from_mark is not None:
        return "below a sleeve a zip is lapped, centred or invisible"
    return ""


def zipped_as_chosen(pattern: Pattern, techniques: Iterable[tuple[str, str]]) -> Pattern:
    """The garment with the kinds of zip that were chosen for it; what the pattern has stays its usual way."""
    chosen = dict(techniques)
    kinds = {kind.value: kind for kind in IN_A_SEAM} | SEWN_AS
    changed = {
        closure.id: kind
        for closure in zips_in_seams(pattern)
        if (kind := kinds.get(chosen.get(closure.id, ""))) is not None
        and kind is not closure.kind
        and not why_not_zip(pattern, closure, kind, str)
    }
    if not changed:
        return pattern
    making = pattern.making
    meant = dict(making.ways)
    ways = tuple((c.id, c.kind.value) for c in making.closures if c.id in changed and c.id not in meant)
    closures = tuple(replace(c, kind=changed.get(c.id, c.kind)) for c in making.closures)
    return replace(pattern, making=replace(making, closures=closures, ways=(*making.ways, *ways)))
