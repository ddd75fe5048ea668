"""When the cloth is short: what can be done, what it costs in looks and work, and how it is laid then.

All are common practice, no source. A tactic changes the pattern (and so the making order), or only how it is
laid; each is judged by an actual lay, never by a rule of thumb.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from enum import Enum
from itertools import combinations

from rowanseed.core.lay.problem import LayKind, Problem


class Tactic(Enum):
    """The tactics, the cheapest in looks and work first."""

    OPEN_OUT = "lay it open, one layer"
    PART_FOLD = "fold only as deep as the widest fold piece"
    TWO_FOLDS = "fold both edges to the middle"
    SHARE_CUTS = "let neighbours share one cutting line"
    BANDS_ACROSS = "cut bands across the grain"
    NARROW_HEM = "a narrower hem"
    OTHER_FACING = "facings from another cloth"
    PIECED_FACING = "piece facings and bands that lie on the fold"
    FACED_HEM = "face the hem instead of turning it up"
    FOLD_TO_SELVEDGE = "cut the back against the selvedges, with a seam, the front on the fold"
    OTHER_BANDS = "collar, cuffs and bands from another cloth"
    CENTRE_SEAM = "a seam where a piece lay on the fold"
    OTHER_BACK = "the back from another cloth"
    TURN_PIECES = "turn pieces end for end"
    SHORTEN = "shorten it by 3 cm"
    OTHER_SLEEVES = "sleeves from another cloth"
    SMALLER_BATCH = "one garment fewer"


OTHER_CLOTH = frozenset({Tactic.OTHER_FACING, Tactic.OTHER_BANDS, Tactic.OTHER_BACK, Tactic.OTHER_SLEEVES})
"""Tactics that make it up in two cloths: pieces of the main cloth are cut from the contrast cloth."""

LOOSENS = (
    frozenset(
        {
            Tactic.SHARE_CUTS,
            Tactic.BANDS_ACROSS,
            Tactic.NARROW_HEM,
            Tactic.FACED_HEM,
            Tactic.TURN_PIECES,
            Tactic.SHORTEN,
            Tactic.SMALLER_BATCH,
        }
    )
    | OTHER_CLOTH
)
"""Tactics that only make pieces smaller, fewer or freer: whatever was laid without them can be laid with them."""


@dataclass(frozen=True)
class Price:
    """What a tactic costs: `points` to rank by, and in words, its looks and its work."""

    points: int
    looks: str
    work: str


PRICES: dict[Tactic, Price] = {
    Tactic.OPEN_OUT: Price(1, "none", "every piece is cut by itself; mind left and right"),
    Tactic.PART_FOLD: Price(1, "none", "the fold is measured along its whole length"),
    Tactic.TWO_FOLDS: Price(1, "none", "both folds are measured along their whole length"),
    Tactic.SHARE_CUTS: Price(2, "none", "no room for a slip of the shears between pieces"),
    Tactic.BANDS_ACROSS: Price(
        3, "the print or nap runs the other way on bands, and they stretch a little", "interface them well"
    ),
    Tactic.NARROW_HEM: Price(3, "the hem hangs lighter", "less to let down later"),
    Tactic.OTHER_FACING: Price(
        4, "another cloth shows when it hangs open", "another cloth is needed, of the same weight or lighter"
    ),
    Tactic.PIECED_FACING: Price(4, "a seam inside, where nobody sees it", "a short seam to press open in each facing"),
    Tactic.FACED_HEM: Price(
        5, "none from the right side", "facings from other cloth, sewn on, turned and caught: about half an hour"
    ),
    Tactic.FOLD_TO_SELVEDGE: Price(
        5, "a seam shows down the back", "one more seam; its edges are the selvedges and need no neatening"
    ),
    Tactic.OTHER_BANDS: Price(6, "collar, cuffs and bands stand out", "another cloth is needed, of the same weight"),
    Tactic.CENTRE_SEAM: Price(6, "a seam shows down the middle", "one more seam to sew, neaten and press"),
    Tactic.OTHER_BACK: Price(
        7,
        "the back is another cloth, as on many a waistcoat",
        "another cloth is needed, that washes and stretches alike",
    ),
    Tactic.TURN_PIECES: Price(
        8, "nap shades differently, a print stands on its head on some pieces", "look at it hung up before you cut"
    ),
    Tactic.SHORTEN: Price(8, "the garment is shorter", "none"),
    Tactic.OTHER_SLEEVES: Price(
        8, "the sleeves are another cloth", "another cloth is needed, that washes and stretches alike"
    ),
    Tactic.SMALLER_BATCH: Price(9, "one goes without", "one garment less to sew"),
}

FOLDS = frozenset({Tactic.OPEN_OUT, Tactic.PART_FOLD, Tactic.TWO_FOLDS})
_ANSWERS_TO_ONE_QUESTION = (
    FOLDS,
    frozenset({Tactic.NARROW_HEM, Tactic.FACED_HEM}),
    frozenset({Tactic.CENTRE_SEAM, Tactic.FOLD_TO_SELVEDGE, Tactic.OTHER_BACK}),
    frozenset({Tactic.PIECED_FACING, Tactic.OTHER_FACING}),
)


def points(tactics: tuple[Tactic, ...]) -> int:
    """What tactics cost together."""
    return sum(PRICES[tactic].points for tactic in tactics)


def clash(one: Tactic, other: Tactic) -> bool:
    """Whether two tactics are two answers to the same question."""
    return one is other or any({one, other} <= alike for alike in _ANSWERS_TO_ONE_QUESTION)


def combined(tactics: tuple[Tactic, ...]) -> tuple[Tactic, ...]:
    """Tactics that go together, the cheaper kept where two clash."""
    kept: list[Tactic] = []
    for tactic in sorted(tactics, key=lambda t: PRICES[t].points):
        if not any(clash(tactic, other) for other in kept):
            kept.append(tactic)
    return tuple(kept)


# ---------------------------------------------------------------- which to try together

MOST_TOGETHER = 3
TRIED_TOGETHER = 5
WORTH_IT = 5.0
"""A tactic that saves less than this, in mm, is no use to any other."""
HOPE = 0.75
"""Savings rarely add up in full nor get in each other's way by more: who promises less of what is short is not
tried."""


def worth_combining(
    saved: Mapping[Tactic, float], short_by: float, dearest: int | None = None
) -> tuple[tuple[Tactic, ...], ...]:
    """The combinations that are worth laying, at most `TRIED_TOGETHER`, from what each tactic saved by itself (mm).

    Where the cloth is `short_by` so much: the cheapest whose savings add up to about that, and the one that promises
    most, so that “it will not do” is said of that too. `dearest`: a single tactic will do for so many points, and
    only cheaper ones are asked for. Where nothing is short, those that save most for their price.
    """
    useful = [tactic for tactic, mm in saved.items() if mm > WORTH_IT]
    every = [
        combined(chosen)
        for number in range(2, MOST_TOGETHER + 1)
        for chosen in combinations(useful, number)
        if not any(clash(a, b) for a, b in combinations(chosen, 2))
    ]

    def promised(chosen: tuple[Tactic, ...]) -> float:
        return sum(saved[tactic] for tactic in chosen)

    if short_by <= 0:
        return tuple(sorted(every, key=lambda c: (-promised(c) / points(c), points(c)))[:2])
    hopeful = [c for c in every if promised(c) >= short_by * HOPE and (dearest is None or points(c) < dearest)]
    cheapest = sorted(hopeful, key=lambda c: (points(c), -promised(c)))[: TRIED_TOGETHER - 1]
    most = max(every, key=promised, default=None)
    if dearest is None and most is not None and most not in cheapest:
        cheapest.append(most)
    return tuple(cheapest)


# ---------------------------------------------------------------- how it is laid


def laid_with(problem: Problem, tactics: tuple[Tactic, ...]) -> Problem:
    """A layout problem laid as the tactics ask; those that change pieces are in the pattern already."""
    for tactic in tactics:
        match tactic:
            case Tactic.OPEN_OUT:
                problem = replace(problem, lays=(LayKind.OPEN,))
            case Tactic.PART_FOLD:
                problem = replace(problem, lays=(LayKind.PART_FOLDED,))
            case Tactic.TWO_FOLDS:
                problem = replace(problem, lays=(LayKind.TWO_FOLDS,))
            case Tactic.SHARE_CUTS:
                problem = replace(problem, gap=0.0)
            case Tactic.TURN_PIECES:
                problem = replace(problem, cloth=replace(problem.cloth, one_way=False))
            case _:
                continue
    return problem
