"""What no longer holds together once its pieces are met to what a tape read, told beside a figure that was measured."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence

from rowanseed.core.base.units import in_both
from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.refusals import Refusal
from rowanseed.core.pattern.check import faults, piece_faults
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.walk import walk


def torn(pattern: Pattern, measured: Mapping[str, Measured]) -> Iterator[Refusal]:
    """Pieces that are none any more, seams that do not meet; nothing if the pattern is whole as it was measured."""
    for piece in pattern.pieces:
        fault = next(piece_faults(piece, pattern.envelope.sizes), None)
        if fault is not None:
            yield Refusal(
                _beside(measured, [piece.id]),
                f"With what was measured the {lower_first(piece.name)} is no whole piece ({fault.where}): "
                f"{lower_first(fault.problem)} Measure it again, and what it is sewn to, on the same line.",
            )
            return
    fault = next(faults(pattern), None)
    if fault is not None:
        why = f"With what was measured the pattern is not whole: {fault.where}: {fault.problem} Measure again."
        yield Refusal(_beside(measured, ()), why)
        return
    told = set()
    for size in pattern.envelope.sizes:
        for one in walk(pattern, size):
            if not one.walks and one.join.id not in told:
                told.add(one.join.id)
                yield Refusal(
                    _beside(measured, [part.piece for part in (*one.join.a, *one.join.b)]),
                    f"With what was measured the two sides of the seam “{one.join.name}” differ by "
                    f"{in_both(abs(one.fault))} in size {size}. Measure both again, on the same line.",
                )


def _beside(measured: Mapping[str, Measured], pieces: Sequence[str]) -> str:
    """The field of the first figure that was measured of some pieces; of any piece if none of theirs was."""
    id = next((id for id in pieces if id in measured), next(iter(measured)))
    return f"measured.{id}.{next(iter(measured[id].dimensions), 'size')}"
