"""The stitched line: every station settled or not, and in words what there is to settle."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_cloth
from rowanseed.core.base.words import plural
from rowanseed.core.cloth.yardage import ClothVerdict
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.summaries import StationSummary


@dataclass(frozen=True)
class Ticked:
    """How many of a list are done; `total` is 0 where nothing of it was ever ticked."""

    done: int
    total: int

    @property
    def is_complete(self) -> bool:
        return 0 < self.total == self.done


@dataclass(frozen=True)
class Standing:
    """How a project stands: all that the stitched line goes by."""

    size: str | None
    measured_again: bool
    broken_seams: bool
    cut_for_another: bool
    cut_otherwise: int
    missing: Sequence[Role]
    verdicts: Sequence[ClothVerdict]
    is_worked_out: bool
    lays: int
    """How many cloths have been chosen, of `cloths` that are needed; of them `kept` have a lay that is kept."""
    cloths: int
    kept: int
    kept_length: float | None
    is_stale: bool
    cut: Ticked
    sewn: Ticked
    notes: int


def stitched_line(standing: Standing, units: Units) -> tuple[StationSummary, ...]:
    """The stations of a project, in the order of the work."""
    return (
        _fit(standing),
        _cloth(standing, units),
        _lay(standing, units),
        _cut(standing),
        _listed("sew", "Sew", standing.sewn, "steps", "finished"),
        _keep(standing),
    )


def _open(key: str, name: str, words: str, *, alarm: bool = False) -> StationSummary:
    return StationSummary(key=key, name=name, done=False, words=words, alarm=alarm)


def _done(key: str, name: str, words: str) -> StationSummary:
    return StationSummary(key=key, name=name, done=True, words=words)


def _fit(standing: Standing) -> StationSummary:
    if standing.size is None:
        return _open("fit", "Fit", "choose the size")
    if standing.measured_again:
        return _open("fit", "Fit", "measured again since", alarm=True)
    if standing.broken_seams:
        return _open("fit", "Fit", "a seam does not meet", alarm=True)
    return _done("fit", "Fit", f"size {standing.size}")


def _cloth(standing: Standing, units: Units) -> StationSummary:
    if standing.cut_for_another:
        return _open("cloth", "Cloth", "its cloth is cut up for another", alarm=True)
    if standing.missing:
        first = standing.missing[0]
        return _open("cloth", "Cloth", f"choose the {first.words}{' cloth' if first is Role.MAIN else ''}")
    short = next((verdict for verdict in standing.verdicts if not verdict.enough), None)
    if short is not None:
        return _open("cloth", "Cloth", f"short by {short.spare.quantity.show(units)}", alarm=True)
    if not standing.lays or not standing.is_worked_out:
        return _open("cloth", "Cloth", "work out how much")
    return _done("cloth", "Cloth", "enough" if standing.verdicts else "length known")


def _lay(standing: Standing, units: Units) -> StationSummary:
    if standing.is_stale:
        return _open("lay", "Lay", "changed since it was kept", alarm=True)
    if standing.lays and standing.kept == standing.cloths:
        return _done("lay", "Lay", format_cloth(standing.kept_length, units) if standing.kept_length else "kept")
    return _open("lay", "Lay", "keep a layout" if standing.lays else "to come")


def _cut(standing: Standing) -> StationSummary:
    if standing.cut_otherwise:
        return _open("cut", "Cut", f"{standing.cut_otherwise} cut before a change", alarm=True)
    return _listed("cut", "Cut", standing.cut, "cut", "all cut")


def _listed(key: str, name: str, progress: Ticked, what: str, complete: str) -> StationSummary:
    """A station with a list to tick."""
    if progress.is_complete:
        return _done(key, name, complete)
    return _open(key, name, f"{progress.done} of {progress.total} {what}" if progress.done else "to come")


def _keep(standing: Standing) -> StationSummary:
    if standing.notes:
        return _done("keep", "Keep", plural(standing.notes, "note"))
    return _open("keep", "Keep", "to come")
