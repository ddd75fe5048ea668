"""Hems that meet at a corner, mitred: folded edges of one piece sewn in one run with their corners slanted."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patches import turned_all_round
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import hems
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind

ID = "mitred hem"
FOLDED = (FinishKind.HEM, FinishKind.TURNED)


def _corners(bench: Workbench) -> Iterator[tuple[Finish, Finish]]:
    """Two folded edges of one piece, each of that piece alone, that end on each other."""
    loose = {finish.id for finish in turned_all_round(bench)}
    own = [
        finish
        for finish in bench.finishes.values()
        if finish.kind in FOLDED and finish.id not in loose and len({p.piece for p in finish.parts}) == 1
    ]
    for one in own:
        for other in own:
            if one.kind is FinishKind.HEM and other.kind is FinishKind.TURNED and _meet(bench, one, other):
                yield one, other


def _meet(bench: Workbench, one: Finish, other: Finish) -> bool:
    if one.parts[0].piece != other.parts[0].piece:
        return False
    beside = {edge for part in one.parts for edge in bench.neighbours(part)}
    return any(part.edge in beside for part in other.parts)


def finds(bench: Workbench) -> Iterator[Duty]:
    seen: set[str] = set()
    for one, other in _corners(bench):
        if not {one.id, other.id} & seen:
            seen |= {one.id, other.id}
            yield Duty((one.id, other.id))


def _why_not(bench: Workbench, id: str) -> str | None:
    if any(id in duty.ids for duty in finds(bench)):
        return ""
    is_hem = any(finish.id == id for finish in hems(bench))
    return "it meets no other turned edge of its own piece at a corner" if is_hem else None


def _flat(bench: Workbench, hem: Finish) -> tuple[Need, ...]:
    """The edges are mitred while the piece lies flat, before what they end on is gathered or banded; a seam between its
    halves ends on the hem."""
    piece = hem.parts[0].piece
    return (
        Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),
        *crossings(bench, hem.id),
    )


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    hem, side = (bench.finishes[id] for id in duty.ids)
    parts = (*hem.parts, *side.parts)
    deep = [bench.edge_allowance(finish.parts[0]) for finish in (hem, side)]
    depths = bench.margin(deep[0]) if abs(deep[0] - deep[1]) < 0.5 else " and ".join(bench.margin(d) for d in deep)
    names = f"{lower_first(hem.name)} and {lower_first(side.name)}"
    yield Operation(
        id=f"fold-{hem.id}",
        technique=ID,
        act=Act.PRESS,
        title=f"Fold and press both edges: {names}",
        how=(
            "The corners settle the length: hold the piece to you and measure it from the waist before anything is "
            "folded.",
            f"Press the first, narrow fold of each edge, then the second; {depths} altogether. Open the second folds "
            "again: both creases cross at the corner.",
            iron_for(bench),
        ),
        bench=Bench.IRON,
        minutes=minutes.press(2 * bench.around(duty.ids)),
        on=On(edges=shown(parts)),
        requires=_flat(bench, hem),
        gives=tuple(facts.finish(Fact.PREPARED, id) for id in duty.ids),
        caution=HOT,
        look="The crossing of the creases is the finished corner.",
    )
    yield Operation(
        id=f"mitre-{hem.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Mitre the corners: {names}",
        how=(
            "Fold the corner right sides together so that both raw edges lie on each other, the fold running from the "
            "crossing of the creases; the narrow folds stay in.",
            "Mark the line from the crossing, square to the fold, to the raw edges; where the hems are unequally "
            "deep it runs from the end of one crease to the end of the other. Sew it from the fold outwards; "
            "backstitch.",
            f"Trim to {bench.fine(6)}, the point across; press open over a point, turn, push the corner out.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(6, 2),
        on=On(edges=shown(parts)),
        requires=tuple(
            Need(facts.finish(Fact.PREPARED, id), "its creases show where the mitre runs") for id in duty.ids
        ),
        gives=tuple(facts.finish(Fact.TURNED, id) for id in duty.ids),
        setting=settings.seam(bench.household),
        caution=NEEDLE,
        look="The corner is square, and the slanting seam ends exactly in it.",
    )
    yield Operation(
        id=f"sew-{hem.id}",
        technique=ID,
        act=Act.HEM,
        title=f"Sew {names} in one run",
        how=(
            f"From the wrong side, {bench.margin(2)} from the inner fold; at each corner stop in the mitre with the "
            "needle down, lift the foot, turn.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around(duty.ids)),
        on=On(finishes=duty.ids, edges=shown(parts)),
        requires=tuple(Need(facts.finish(Fact.TURNED, id), "the corners are mitred first") for id in duty.ids),
        gives=tuple(facts.finish(fact, id) for id in duty.ids for fact in (Fact.HEMMED, Fact.FINISHED)),
        setting=settings.hem(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(*duty.ids),
        look="The row turns square at each corner and runs at one distance from the edge.",
    )


TECHNIQUE = Technique(
    id="mitred-hem",
    name="Hems with mitred corners",
    chapter="hems",
    finds=finds,
    why_not=_why_not,
    sews=sews,
    rank=15,
    usual=False,
    also=("mitre", "mitered corner"),
    words={"mitre": "a corner whose two hems are sewn together on the slant, so that neither lies over the other"},
    draw="double hem",
)
