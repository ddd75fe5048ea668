"""Where in its repeat the print is put, for the matches that leave that free."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.folding import fold_on_cloth
from rowanseed.core.lay.problem import LayKind, Problem


def phases_to_try(problem: Problem, lay: LayKind, rng: np.random.Generator) -> list[tuple[float, ...]]:
    """Places of the repeat to try for the matches that leave them free.

    First so that the first matched piece lies at the start of the cloth (and, across, so that a match on
    the fold holds on both layers), then some at random. Matches that share a piece follow one another.
    """
    if not problem.matches:
        return [()]
    cloth, out = problem.cloth, []
    for attempt in range(4 if any(m.phase is None for m in problem.matches) else 1):
        chosen: list[float] = []
        for n, match in enumerate(problem.matches):
            repeat = (cloth.repeat_x if match.axis == "x" else cloth.repeat_y) or 1.0
            if match.phase is not None:
                chosen.append(match.phase)
                continue
            followed = _follows(problem, n, chosen)
            if followed is not None:
                chosen.append(followed)
            elif match.axis == "x":
                left = bounds(problem.piece(match.points[0].piece).outline)[0]
                chosen.append(
                    (match.points[0].at[0] - left if attempt == 0 else float(rng.uniform(0, repeat))) % repeat
                )
            else:
                fold = fold_on_cloth(lay, cloth.width)
                free = float(rng.uniform(0, repeat))
                chosen.append((fold + repeat / 2 * (attempt % 2) if fold is not None else free) % repeat)
        out.append(tuple(chosen))
    return list(dict.fromkeys(out))


def _follows(problem: Problem, n: int, chosen: Sequence[float]) -> float | None:
    """The phase of a match that shares a piece with an earlier one on the same axis, as that piece is drawn."""
    axis = 0 if problem.matches[n].axis == "x" else 1
    for earlier, phase in enumerate(chosen):
        if problem.matches[earlier].axis != problem.matches[n].axis:
            continue
        for mine in problem.matches[n].points:
            for theirs in problem.matches[earlier].points:
                if mine.piece == theirs.piece:
                    return phase + mine.at[axis] - theirs.at[axis]
    return None
