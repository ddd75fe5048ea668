"""A lining that is sewn to the hem, where the garment has a slit or a vent: felled along it instead of hanging open."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hung_linings import KEY
from rowanseed.core.make.families.slits import open_part, seam_above
from rowanseed.core.make.hem_length import slit_in
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, DetailKind, Finish, FinishKind

ID = "lining at a vent"
USUAL = 200.0
"""An open part whose mark is not known is taken to be so long, in mm."""


def finds(bench: Workbench) -> Iterator[Duty]:
    plain = {join.id for join in seams(bench)}
    for detail in bench.details_of(DetailKind.SLIT):
        if len(detail.along) == 1 and detail.along[0] in plain and behind(bench, detail) is not None:
            yield single(detail.id, detail.along[0])


def behind(bench: Workbench, of_lining: Detail) -> Detail | None:
    """The garment's slit or vent that a lining's lies behind, where the lining is sewn to the hem."""
    if of_lining.to_mark is None or of_lining.to_mark[0] not in bench.hung:
        return None
    lower = next((f for f in bench.finishes.values() if _is_sewn_down(f) and slit_in(bench, f) is of_lining), None)
    if lower is None:
        return None
    of = {layer.piece: layer.of for layer in bench.pattern.making.layers}
    place = (of[of_lining.to_mark[0]], of_lining.to_mark[1])
    return next((d for d in bench.details_of(DetailKind.SLIT, DetailKind.VENT) if d.to_mark == place), None)


def _is_sewn_down(finish: Finish) -> bool:
    return finish.kind is FinishKind.TURNED


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail, join = bench.details[duty.id], bench.joins[duty.ids[1]]
    garments = behind(bench, detail)
    assert garments is not None
    yield from seam_above(bench, detail, join, ID)
    word = garments.kind.value
    yield of_joins(bench, ID, join.id)(
        "fell",
        Act.TACK,
        f"Fell the lining along the {word}: {lower_first(join.name)}",
        *(_along_vent(bench) if garments.kind is DetailKind.VENT else _along_slit(bench)),
        at=Bench.HAND,
        took=minutes.hand((4 if join.each_hand else 2) * (open_part(bench, detail, join) or USUAL)),
        after={Fact.PRESSED: "its own seam ends above"},
        needs=(
            Need(facts.layer(Fact.ATTACHED, KEY), "it hangs in the garment"),
            Need(facts.detail(Fact.FINISHED, garments.id), f"the {word} is finished first"),
            *(
                Need(facts.finish(Fact.HEMMED, f.id), "the hem's corners are made, and the lining ends at them")
                for f in bench.finishes.values()
                if f.kind is FinishKind.HEM and slit_in(bench, f) is garments
            ),
        ),
        gives=(facts.detail(Fact.FINISHED, detail.id), facts.join(Fact.ATTACHED, join.id)),
        look=f"Hanging, the {word} falls straight and closed: the lining does not draw it up or open.",
    )


def _along_slit(bench: Workbench) -> tuple[str, ...]:
    return (
        f"Turn the lining's edges in so far that their folds lie {bench.fine(3)} inside those of the slit, with "
        f"{bench.fine(5)} more of the lining lengthwise than lies flat: too short, it draws the slit up.",
        "Fell both to the slit's own turned-back allowances, nothing through to the right side; at the top a few "
        "stitches across.",
    )


def _along_vent(bench: Workbench) -> tuple[str, ...]:
    return (
        "Wrong side up, the vent lying closed and the lining smooth over it. On the side that the vent's extensions "
        "are folded to, mark on the lining where the folded extension ends: down its inner edge, and across its top up "
        "to the lining's seam.",
        f"Cut out what of the lining lies nearer the vent than {bench.margin(15)} beyond these lines, and clip into "
        "the corner up to the mark: both backs of the lining are cut alike, and only this one is cut out. Turn its "
        "edges in on the lines.",
        "On the other side turn the lining in along the line that its seam would go on in; what is cut on for the vent "
        "there stays single beyond it.",
        f"Both folds with {bench.fine(5)} more length than lies flat, so that the lining cannot draw the vent up; fell "
        "them to the extensions only, nothing through to the right side.",
    )


TECHNIQUE = Technique(
    id="lining-felled-to-vent",
    name="Lining felled along a slit or vent",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=12,
    draw="lining hung",
)
