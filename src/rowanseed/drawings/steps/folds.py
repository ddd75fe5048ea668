"""How cloth lies on the table, seen from its cut end: one scene for each way of laying it."""

from __future__ import annotations

from typing import assert_never

from rowanseed.core.lay.problem import LayKind
from rowanseed.drawings.steps.scene import Scene, Thing
from rowanseed.drawings.steps.scenes.frame import cloth, far

HALF = 150.0
APART = 18.0
TABLE = "the table's edge, where you stand"


def fold_scene(lay: LayKind, depth: str) -> Scene:
    """`depth`: in words, how far it is from the fold to the selvedge that is laid over."""
    you = Thing(TABLE, "round", (-HALF - 26, 4), (9, 9))
    match lay:
        case LayKind.OPEN:
            flat = cloth("the cloth, right side up", (-HALF, 0), (HALF, 0), right="left")
            return Scene("Open, seen from the cut end", (flat, you))
        case LayKind.FOLDED:
            name = "the cloth, right sides inside; the fold on the left"
            folded = cloth(name, (HALF, 0), (-HALF, 0), (-HALF, -APART), (HALF, -APART), right="right")
            said = far(f"{depth} from the fold to the selvedges", (-HALF, 22), (HALF, 22))
            return Scene("Folded lengthwise, seen from the cut end", (folded, said, you))
        case LayKind.TWO_FOLDS:
            name = "the cloth, right sides inside; a fold on each side, the selvedges in the middle"
            points = ((-4, -APART), (-HALF, -APART), (-HALF, 0), (HALF, 0), (HALF, -APART), (4, -APART))
            folded = cloth(name, *points, right="left")
            said = far(f"{depth} from each fold to its selvedge", (-HALF, 22), (-4, 22))
            return Scene("Both selvedges to the middle, seen from the cut end", (folded, said, you))
        case LayKind.PART_FOLDED:
            name = "the cloth, one edge folded in, right sides together"
            folded = cloth(name, (HALF, 0), (-HALF, 0), (-HALF, -APART), (-20, -APART), right="right")
            said = far(f"{depth} from the fold to the turned-in selvedge", (-HALF, 22), (-20, 22))
            return Scene("One edge folded in, seen from the cut end", (folded, said, you))
        case _:
            assert_never(lay)
