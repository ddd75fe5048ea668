"""The numbers the search goes by, in one record, so that a benchmark can try others.

Found by trial on the sample problems and the demo patterns; none is a fact of the trade. Shares are of the budget.
"""

from __future__ import annotations

from typing import NamedTuple


class Moves(NamedTuple):
    """How the compiled separation moves one piece; numbers that the compiler needs as constants stand in the kernel."""

    spread: float = 0.35
    """The widest local guess, as a share of the piece's extent."""
    first_step: float = 0.2
    """The first step downhill, as a share of the lesser half extent."""
    least_first_step: float = 4.0
    """…and at least so much, in mm."""
    last_step: float = 0.04
    """The step at which walking downhill ends, in mm."""
    wander: float = 0.3
    """The chance to take another place that overlaps nothing either."""
    gain: float = 0.98
    """The overlap has to fall below this share of the least so far to count as gain."""
    patience: int = 20
    """Sweeps without gain that make a strike."""
    strikes: int = 2
    """Strikes after which a trial has failed."""
    heavier: float = 1.2
    """What a pair in conflict weighs more after a sweep…"""
    heaviest: float = 0.8
    """…and by how much more still the worst one does."""
    lighter: float = 0.95
    """What a pair without conflict keeps of its weight."""


class Shrinking(NamedTuple):
    """By how much a lay is shortened for the next trial, and what a trial begins with."""

    explore: float = 0.03
    least: float = 0.001
    explore_low: float = 0.5
    """An exploring step is drawn between this share of it and all of it."""
    most_halvings: int = 5
    from_pool: float = 0.7
    """The chance to begin with a near miss after a failure."""
    pool: int = 6
    afresh: int = 10
    """Failures in a row after which a search begins again elsewhere, until the end nears."""
    astray: float = 0.6
    """How far the order of the fill that it begins with strays from that by area: of the logarithm."""
    compress: float = 0.004
    compress_low: float = 0.4
    compress_high: float = 1.2
    fall: float = 0.1
    """By which the compressing step falls over its time…"""
    late: float = 0.8
    """…and after this share of it…"""
    late_fall: float = 1.2
    """…by so many powers more: where nothing is left to gain."""


class Racing(NamedTuple):
    """How arrangements share the time."""

    first_look: float = 0.06
    """The share of the time in which all arrangements are searched in turn."""
    for_comparison: int = 12
    """One slice in so many goes to the simple kinds that are behind, so that they can be compared."""
    in_the_running: float = 1.03
    """How much longer than the best an arrangement may be and still be searched: folded cloth that wastes much is soon
    out, so that offering it costs the open lay little."""
    in_the_running_at_most: int = 4
    best_alone: float = 0.5
    """After this share the best one gets everything."""
    neighbour_every: int = 40
    """A mix beside the best is entered once in so many slices."""
    open_out: tuple[float, float, float] = (0.12, 0.45, 0.9)
    """When the open lay is started again from the folded one."""
    open_out_gain: float = 0.995
    """…where that is shorter by this."""
    open_out_room: float = 1.004
    open_out_slices: int = 12
    compress_from: float = 0.78
    """The share of the time after which steps grow less and less."""
    patience: float = 3.0
    """How much longer by the clock so many seconds of computing may take on a busy machine."""


class Tuning(NamedTuple):
    moves: Moves = Moves()
    shrinking: Shrinking = Shrinking()
    racing: Racing = Racing()
    slice: int = 6
    """Sweeps between two looks at the clock."""
    first_heights: int = 48
    """Heights that the first fill tries for each piece."""
    crowd: int = 100
    """With more items than this, the first fill tries one order and fewer heights."""


TUNING = Tuning()
