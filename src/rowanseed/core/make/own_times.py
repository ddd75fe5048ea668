"""How long a step will take her: the reckoned minutes by cloth, layers and experience, then by her own clock.

What a sewist's own times say is a ratio to what was reckoned. It is taken by the technique where she has timed it often
enough, else by the kind of work, else over everything. The middle of ratios is their median and the spread their
median deviation, so that one interrupted hour changes little (Hampel et al., Robust Statistics, 1986).
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from statistics import median
from types import MappingProxyType

from rowanseed.core.cloth.cloth import SHEER
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.equipment import Experience
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.settings import THICK

ENOUGH = 2
"""So many times say something of a technique or a kind of work."""
EXPERIENCE = {Experience.NEW: 1.6, Experience.PRACTISED: 1.0, Experience.QUICK: 0.8}
AWKWARD = 1.25
"""Pile creeps, knits and sheers slip, thick layers are pinned and trimmed longer (common practice, no source)."""
EACH_LAYER = 0.1
"""More for every layer over two."""
LIMITS = (0.3, 4.0)
"""Ratios beyond these are taken as slips of the clock."""
SIGMA = 1.4826
"""A median deviation times this is a standard deviation, of what is normally distributed."""


@dataclass(frozen=True)
class Timed:
    """A step that was timed: minutes reckoned and minutes taken."""

    technique: str
    act: str
    expected: float
    minutes: float

    @property
    def ratio(self) -> float:
        return min(max(self.minutes / self.expected, LIMITS[0]), LIMITS[1])


@dataclass(frozen=True)
class Ratio:
    """How much longer than reckoned: the middle, its spread, and of how many times."""

    middle: float
    spread: float
    count: int


@dataclass(frozen=True)
class OwnTimes:
    """Ratios by technique, by act, and of all."""

    techniques: Mapping[str, Ratio] = field(default_factory=lambda: MappingProxyType({}))
    acts: Mapping[str, Ratio] = field(default_factory=lambda: MappingProxyType({}))
    whole: Ratio | None = None

    def of(self, op: Operation) -> tuple[Ratio, str] | None:
        """The ratio for a step, and of what it was learned, in words."""
        if op.technique in self.techniques:
            return self.techniques[op.technique], "this technique"
        if op.act.value in self.acts:
            return self.acts[op.act.value], f"steps of this kind ({op.act.words})"
        return (self.whole, "all your steps") if self.whole else None


@dataclass(frozen=True)
class Estimate:
    """Minutes, least and most; `learned` says of which own times, empty where there are none."""

    low: float
    high: float
    learned: str = ""

    @property
    def middle(self) -> float:
        return (self.low + self.high) / 2

    @property
    def range(self) -> tuple[float, float]:
        return self.low, self.high


def own_times(timed: Iterable[Timed]) -> OwnTimes:
    """What one's own times say."""
    found = [one for one in timed if one.expected > 0 and one.minutes > 0]
    return OwnTimes(
        techniques=_ratios(((one.technique, one.ratio) for one in found), ENOUGH),
        acts=_ratios(((one.act, one.ratio) for one in found), ENOUGH),
        whole=_ratios((("", one.ratio) for one in found), ENOUGH + 1).get(""),
    )


def _ratios(pairs: Iterable[tuple[str, float]], enough: int) -> dict[str, Ratio]:
    groups: dict[str, list[float]] = {}
    for key, ratio in pairs:
        groups.setdefault(key, []).append(ratio)
    out = {}
    for key, found in groups.items():
        if len(found) >= enough:
            middle = median(found)
            out[key] = Ratio(middle, SIGMA * median(abs(r - middle) for r in found), len(found))
    return out


def reckoned(op: Operation, choices: MakingChoices) -> tuple[float, float]:
    """Minutes by the step itself, its layers, the cloth and the experience, least and most."""
    share = EXPERIENCE[choices.habits.experience]
    if op.bench.is_machine:
        share *= AWKWARD if _is_awkward(choices) else 1.0
        share *= 1.0 + EACH_LAYER * max(0, len(set(op.on.pieces)) - 2)
    return op.minutes[0] * share, op.minutes[1] * share


def _is_awkward(choices: MakingChoices) -> bool:
    weight = choices.weight
    return choices.surface.is_deep or choices.is_knit or (weight is not None and not SHEER < weight < THICK)


def estimate(op: Operation, choices: MakingChoices, own: OwnTimes) -> Estimate:
    """Minutes for a step, by one's own times where there are some."""
    low, high = reckoned(op, choices)
    known = own.of(op)
    if known is None:
        return Estimate(max(1.0, round(low)), max(1.0, round(high)))
    ratio, what = known
    middle = (low + high) / 2 * ratio.middle
    spread = max((high - low) / 4, (low + high) / 2 * ratio.spread)
    words = f"your own {ratio.count} times of {what}: {ratio.middle:.2g} × what is usual"
    least = max(1.0, round(middle - spread))
    return Estimate(least, max(least, round(middle + spread)), words)
