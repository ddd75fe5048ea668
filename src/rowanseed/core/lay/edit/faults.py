"""What is wrong with a lay: what the exact check finds, with the placements it is about."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace

from rowanseed.core.base.words import Worded
from rowanseed.core.lay.check import check
from rowanseed.core.lay.edit.placements import ids
from rowanseed.core.lay.problem import Plan, Problem


class FaultKind(Worded):
    OVERLAP = "overlap", "lie over each other"
    NEAR = "near", "are nearer than the gap"
    OFF_CLOTH = "off-cloth", "reaches beyond the cloth"
    OFF_FOLD = "off-fold", "is to lie on the fold and does not"
    OFF_GRAIN = "off-grain", "lies against the grain or the way of the cloth"
    UNMATCHED = "unmatched", "does not match the print"
    TOO_FEW = "too-few", "is cut too seldom"
    TOO_MANY = "too-many", "is cut once too often"
    TOO_LONG = "too-long", "the layout is longer than the cloth in hand"
    FLAW = "flaw", "lies on a flaw"
    PLACE = "place", "does not lie where the cloth asks for it"


@dataclass(frozen=True)
class Fault:
    """What is wrong, with the placements (ids) or the piece it is wrong with."""

    kind: FaultKind
    ids: tuple[str, ...]
    piece: str = ""

    @property
    def can_be_mended(self) -> bool:
        """Whether one tap puts it right, if there is room."""
        return self.kind not in (FaultKind.TOO_FEW, FaultKind.TOO_MANY, FaultKind.TOO_LONG) and bool(self.ids)


_LABEL = re.compile(r"\S+#(\d+)")
_KINDS = (
    ("overlaps", FaultKind.OVERLAP),
    ("nearer than the gap", FaultKind.NEAR),
    ("reaches out", FaultKind.OFF_CLOTH),
    ("the fold edge is not on a fold", FaultKind.OFF_FOLD),
    ("against the grain", FaultKind.OFF_GRAIN),
    ("too few", FaultKind.TOO_FEW),
    ("more than needed", FaultKind.TOO_MANY),
    ("longer than the cloth", FaultKind.TOO_LONG),
    ("forbidden patch", FaultKind.FLAW),
)
"""What the exact check says, by a part of its words."""


def faults(problem: Problem, plan: Plan) -> tuple[Fault, ...]:
    """What the exact check finds, with the placements it is about."""
    in_order = [id for id, _ in ids(plan)]
    out = []
    for said in check(replace(problem, pins=()), plan):
        kind = next((kind for words, kind in _KINDS if words in said), FaultKind.PLACE)
        found = re.fullmatch(r"match (\d+) does not hold", said)
        if found is not None:
            pieces = {point.piece for point in problem.matches[int(found.group(1))].points}
            out.append(Fault(FaultKind.UNMATCHED, tuple(id for id, p in ids(plan) if p.piece in pieces)))
            continue
        named = tuple(in_order[int(n)] for n in _LABEL.findall(said))
        piece = "" if named else said.partition(":")[0]
        out.append(Fault(kind, tuple(reversed(named)) if len(named) > 1 else named, piece))
    return tuple(out)
