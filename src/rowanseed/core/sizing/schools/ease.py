"""By the ease wanted: the size whose finished measures leave it."""

from __future__ import annotations

from rowanseed.core.base.working import Given, Source, Working, length, words
from rowanseed.core.sizing.chart import measure_name
from rowanseed.core.sizing.ease import misfit
from rowanseed.core.sizing.proposal import Choosing, Proposal, School, fits
from rowanseed.core.sizing.wish import Wish


def ease(c: Choosing) -> Proposal:
    """The size whose finished measures leave the ease wanted: every size is tried."""
    tried = [(misfit(rows), k, size, rows) for k, size in enumerate(c.sizes) if (rows := c.rows(size))]
    known = [entry for entry in tried if any(r.body is not None and r.band is not None for r in entry[3])]
    if not known:
        return Proposal(School.EASE, None, "The pattern prints no finished figure for what has been measured.")
    # A size that is nowhere smaller than the body goes before one that is, however well that sits elsewhere.
    _, _, size, rows = min(known, key=lambda entry: (not fits(entry[3]), *entry[:2]))
    worst = max(rows, key=lambda r: abs(r.told))
    as_drawn = c.wish == Wish()
    said = (
        "It leaves the ease wanted at every measure."
        if worst.told == 0
        else (
            f"It comes nearest to the ease wanted; the {measure_name(worst.measure)} is off by "
            f"{c.show(abs(worst.told))}."
        )
    )
    given = tuple(
        Given(
            f"{measure_name(r.measure)}: finished {c.show(r.finished)}, wanted beyond the body",
            length(r.band[0]),
            Source.WORKED_OUT if as_drawn else Source.CHOSEN,
        )
        for r in rows
        if r.band is not None and r.body is not None
    )
    working = Working(
        name="Size",
        quantity=words(size),
        formula="every size tried; the least misfit, tight counted double, what cannot be altered more",
        given=given,
    )
    return Proposal(school=School.EASE, size=size, reason=said, rows=rows, working=working)
