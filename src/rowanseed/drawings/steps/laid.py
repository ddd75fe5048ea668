"""How the pieces of a step lie on the table, from their real edges: laid together, opened out, or one by itself.

Right and wrong side are told apart by tone, by pattern and by word; the upper of two layers has a corner turned back.
"""

from __future__ import annotations

from functools import lru_cache

from rowanseed.core.base.same import Same
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.operation import Act, Meant, Operation
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.making import PLACKET_BASE, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.drawings.steps.by_themselves import by_themselves
from rowanseed.drawings.steps.folding import Folding, folding
from rowanseed.drawings.steps.opened import opened
from rowanseed.drawings.steps.paper import Paper
from rowanseed.drawings.steps.shown import Laid
from rowanseed.drawings.steps.stack import drawn
from rowanseed.drawings.steps.stacked import stack_of
from rowanseed.drawings.steps.together import Together, pair_shown, sides_together, together

TOGETHER = frozenset({Act.JOIN, Act.FACE, Act.BAND, Act.LINE, Act.BIND, Act.BASTE, Act.PIPE, Act.CLOSE})
OPENED = frozenset({Act.PRESS, Act.UNDERSTITCH, Act.TOPSTITCH, Act.TRIM, Act.CLIP, Act.TURN, Act.TACK})


def draw_laid(pattern: Pattern, view: str, size: str, op: Operation, thread: str, shade: str) -> Laid | None:
    """How the pieces of a step lie; None for one that is done on no piece. `shade` is the tone of the right side."""
    return _drawn(Same(pattern), view, size, op, thread, shade)


@lru_cache(maxsize=1024)
def _drawn(same: Same[Pattern], view: str, size: str, op: Operation, thread: str, shade: str) -> Laid | None:
    pattern = same.it
    bench = workbench(pattern, view, size, MakingChoices())
    join = next((bench.joins[id] for id in op.on.joins if id in bench.joins), None)
    paper = Paper(thread=thread, shade=shade, key=f"s{abs(hash((op.id, size))) % 10**8}")
    stack = stack_of(bench, op)
    if stack is not None:
        return drawn(paper, stack)
    if join is not None and _is_apart(join) and op.act in TOGETHER | OPENED | {Act.NEATEN}:
        one, _ = pair_shown(bench, op, join)
        folds = folding(bench, join) is Folding.ON_ITS_FOLD
        if op.act in OPENED and len(one) == 1 and not folds and sides_together(op) is Together.RIGHT:
            flat = opened(paper, bench, op, join)
            if flat is not None:
                return flat
        if op.act in TOGETHER | OPENED or Meant.TOGETHER in op.meant:
            return together(paper, bench, op, join)
    return by_themselves(paper, bench, op)


def _is_apart(join: Join) -> bool:
    """Whether two pieces, or two of one, are sewn to each other, and not a piece to itself along one edge; the bands of
    a half placket hang through the box that they are closed across."""
    return bool(join.a and join.b) and not any(p.edge == PLACKET_BASE for p in (*join.a, *join.b))
