"""An edge drawn in several sizes, made of the same segments in each: cut wherever one of any size ends.

The lines stay where they were drawn, to a ten-thousandth of their length. In mm.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from itertools import accumulate

from rowanseed.core.geometry.outline import Chain, Segment, chain_length, lerp, split_chain

NEAR = 1e-4
"""Ends of segments no further apart than this share of the edge are one."""


def same_segments(sizes: Mapping[str, Mapping[str, Chain]]) -> dict[str, dict[str, Chain]]:
    """Size → edge → chain, each edge with as many segments, of the same kinds, in every size."""
    names = next(iter(sizes.values()), {})
    alike = {name: _alike({size: edges[name] for size, edges in sizes.items()}) for name in names}
    return {size: {name: alike[name][size] for name in names} for size in sizes}


def _alike(chains: Mapping[str, Chain]) -> Mapping[str, Chain]:
    if len({len(chain) for chain in chains.values()}) > 1:
        ends = _merged({share for chain in chains.values() for share in _ends(chain)})
        chains = {size: _cut(chain, ends) for size, chain in chains.items()}
    if len({tuple(s.is_curve for s in chain) for chain in chains.values()}) > 1:
        return {size: tuple(_as_curve(s) for s in chain) for size, chain in chains.items()}
    return chains


def _ends(chain: Chain) -> list[float]:
    """Where the segments of a chain end, its own end left out, as shares of its length."""
    whole = chain_length(chain)
    return [along / whole for along in accumulate(s.length() for s in chain[:-1])]


def _merged(shares: set[float]) -> list[float]:
    out: list[float] = []
    for share in sorted(shares):
        if not out or share - out[-1] > NEAR:
            out.append(share)
    return out


def _cut(chain: Chain, shares: list[float]) -> Chain:
    """A chain cut at shares of its length, into one segment between each two of them.

    Its own ends are among the shares but for what was merged: a segment that is left over there is no longer than that,
    and is drawn into the one before it.
    """
    whole, run, done = chain_length(chain), chain, 0.0
    out: list[Segment] = []
    for share in shares:
        before, run = split_chain(run, whole * share - done)
        done = whole * share
        out.append(_one(before))
    return (*out, _one(run))


def _one(run: Chain) -> Segment:
    """The longest segment of a run, from end to end of all of it."""
    longest = max(run, key=Segment.length)
    return longest if len(run) == 1 else replace(longest, start=run[0].start, end=run[-1].end)


def _as_curve(segment: Segment) -> Segment:
    """A straight line as a curve that runs along it."""
    if segment.is_curve:
        return segment
    a, b = segment.start, segment.end
    return replace(segment, control1=lerp(a, b, 1 / 3), control2=lerp(a, b, 2 / 3))
