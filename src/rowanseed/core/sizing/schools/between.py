"""Between two sizes: lines blended from one to the other, or the larger taken in after a try-on."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence

from rowanseed.core.alter.blend import blendable
from rowanseed.core.alter.change import Alteration
from rowanseed.core.sizing.chart import SizeByMeasure, measure_name, size_by_measure
from rowanseed.core.sizing.proposal import Choosing, Proposal, School


def between_sizes(c: Choosing) -> Proposal:
    advice = c.advice
    if advice.size is None:
        return Proposal(School.BETWEEN, None, advice.reason)
    round_it = ("bust", "waist", "hip") if c.is_top else ("waist", "hip")
    charted = [m for m in round_it if m in c.body and c.chart(m)]
    finished = c.pattern.envelope.finished.get(c.view, {})
    free = [m for m in charted if m in c.undecided]
    # Of a full skirt nothing is printed at the hip, and it is not sized by it; elsewhere it may just not be said.
    deciding = c.pattern.envelope.sized_by or charted
    unsaid = [m for m in charted if m not in (*free, *deciding) and finished and m not in finished]
    measures = [m for m in charted if m not in (*free, *unsaid)]
    by_measure = {m: size_by_measure(m, c.body[m], c.chart(m), c.sizes) for m in measures}
    found = {m: f.size for m, f in by_measure.items()}
    if len(set(found.values())) < 2:
        return Proposal(
            School.BETWEEN,
            None,
            f"{_all_say(by_measure.values(), advice.size)}: there is nothing to go between."
            f"{_hang_free(free)}{_unsaid(unsaid)}",
        )
    first = advice.by_measure[0].measure
    base = found.get(first, advice.size)
    levels = [level for level in blendable(c.pattern, base) if level in found]
    said = ", ".join(f"{found[m]} at the {measure_name(m)}" for m in measures)
    if len(levels) > 1 and len({found[level] for level in levels}) > 1:
        blend = tuple((level, found[level]) for level in levels)
        larger = max(found.values(), key=c.sizes.index)
        # Neck and shoulders stay the size that they are.
        where = "the sides by " if c.is_top and larger != base else ""
        return Proposal(
            school=School.BETWEEN,
            size=base,
            reason=f"{said}, with a smooth line between; the length is that of {base}. "
            f"Safer still: cut {where}{larger} and take in after the try-on.",
            rows=c.rows(base),
            blend=blend,
        )
    return _larger_taken_in(c, found, said)


def _all_say(found: Collection[SizeByMeasure], size: str) -> str:
    if any(f.beyond > 0 for f in found):
        return f"Nothing is drawn beyond size {size}"
    if any(f.beyond < 0 for f in found):
        return f"Nothing is drawn below size {size}"
    return f"Your measures all say size {size}"


def _hang_free(measures: Sequence[str]) -> str:
    if not measures:
        return ""
    verb = "hangs" if len(measures) == 1 else "hang"
    return f" The {' and the '.join(measure_name(m) for m in measures)} {verb} free of it."


def _unsaid(measures: Sequence[str]) -> str:
    if not measures:
        return ""
    ends = "is printed: it asks" if len(measures) == 1 else "are printed: they ask"
    return f" No finished {' and '.join(measure_name(m) for m in measures)} {ends} for no size here."


def _larger_taken_in(c: Choosing, found: Mapping[str, str], said: str) -> Proposal:
    """The larger size, its side seams taken in where the smaller one would do."""
    larger = max(found.values(), key=c.sizes.index)
    finished = c.pattern.envelope.finished.get(c.view, {})
    seams = c.side_seams(larger)
    alterations: list[Alteration] = []
    for m, size in found.items():
        if size != larger and m in finished and m in seams:
            by = finished[m][size] - finished[m][larger]
            alterations.append(Alteration(kind="seam", by=round(by), at=seams[m].id, level=m))
    return Proposal(
        school=School.BETWEEN,
        size=larger,
        reason=f"{said}: cut the larger, {larger}, and take in the side seams after a try-on.",
        rows=c.rows(larger),
        alterations=tuple(alterations),
    )
