"""Lining sewn to the hem by machine."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hung_linings import KEY, WAIST
from rowanseed.core.make.families.jacket_hems import LEAST_HEM
from rowanseed.core.make.families.jacket_linings import GAP, falls
from rowanseed.core.make.families.slits import open_part
from rowanseed.core.make.families.turned_hems import strip_first
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.hem_length import before_hem, begins_at, is_round, slit_in
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import ends_of_facings, hems, is_lining, is_sleeve
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart, Finish, FinishKind, LayerKind

ID = "bagged lining"


OUT = "Turn it right side out through the gap, without force."


def finds(bench: Workbench) -> Iterator[Duty]:
    for lining, hem in lower_edges(bench):
        if _is_deep(bench, hem):
            yield single(lining.id, hem.id)


def lower_edges(bench: Workbench) -> Iterator[tuple[Finish, Finish]]:
    """The lower edges of a lining that is sewn to the garment's hems, each with the hem that it lies behind."""
    of = {layer.piece: layer.of for layer in bench.pattern.making.layers if layer.kind is LayerKind.LINING}
    for lining in bench.finishes.values():
        if lining.kind is not FinishKind.TURNED or not pieces_of(lining.parts) <= bench.hung:
            continue
        behind = {EdgePart(of[p.piece], p.edge) for p in lining.parts}
        hem = next((f for f in hems(bench) if not is_lining(bench, f) and _edges(f) == behind), None)
        if hem is not None:
            yield lining, hem


def _edges(finish: Finish) -> set[EdgePart]:
    return {EdgePart(p.piece, p.edge) for p in finish.parts}


def _is_deep(bench: Workbench, hem: Finish) -> bool:
    """Deep enough to be folded once, whatever its own folds are."""
    return all(bench.edge_allowance(p) >= LEAST_HEM for p in hem.parts)


def _gap_at(bench: Workbench, lining: Finish) -> Detail | None:
    """The slit of the lining that the garment is turned through: what is felled along it by hand at the end."""
    slit = slit_in(bench, lining)
    wide = slit is not None and any(
        2 * (open_part(bench, slit, bench.joins[id]) or 0.0) >= GAP for id in slit.along if id in bench.joins
    )
    return slit if wide else None


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    lining, hem = (bench.finishes[id] for id in duty.ids)
    first, before = before_hem(bench, hem)
    yield from first
    yield _pressed_up(bench, hem, before)
    yield _sewn(bench, lining, hem)
    yield _anchored(bench, lining, hem)
    if _has_gap(bench, lining, hem):
        yield _closed(bench, lining, hem)


def _pressed_up(bench: Workbench, hem: Finish, before: tuple[Need, ...]) -> Operation:
    deep = bench.edge_allowance(hem.parts[0])
    return Operation(
        id=f"fold-{hem.id}",
        technique=ID,
        act=Act.PRESS,
        title=f"Fold and press the {lower_first(hem.name)}",
        how=(
            f"One fold of {bench.fine(deep)}: a line chalked {bench.fine(2 * deep)} from the raw edge, and the edge "
            "brought to it. Press it sharply and open it again: the lining is sewn to the raw edge, which needs no "
            "other finish.",
            iron_for(bench),
        ),
        bench=Bench.IRON,
        minutes=minutes.press(2 * bench.around([hem.id])),
        on=On(edges=shown(hem.parts)),
        requires=(*before, strip_first(hem.id)),
        gives=(facts.finish(Fact.PREPARED, hem.id), facts.finish(Fact.NEATENED, hem.id)),
        caution=HOT,
        look="The crease is sharp and equally deep all round.",
    )


def _has_gap(bench: Workbench, lining: Finish, hem: Finish) -> bool:
    """Whether a gap of its own is left at a hem: it is the last one sewn, and no slit of the lining lies open."""
    return not is_sleeve(bench, hem) and _gap_at(bench, lining) is None


def _in_a_ring(bench: Workbench, lining: Finish) -> tuple[str, ...]:
    return (
        "The garment and its lining as they are worn: pin lining to sleeve at the seam, so that nothing twists. "
        "Reach in between the two through the open hem, take hold of both ends where they are pinned and draw "
        "them out; fold one into the other, right sides together, raw edge on raw edge: a ring.",
        f"{_seam(bench, lining)} from the raw edges, all round; each sleeve by itself.",
    )


def _round_the_hem(bench: Workbench, lining: Finish, hem: Finish) -> tuple[str, ...]:
    """How far it is sewn, and where it is turned out."""
    aside = "fold the facings out of the way and " if any(ends_of_facings(bench)) else ""
    far = "all round"
    if not is_round(bench, hem):
        run = "from facing to facing" if slit_in(bench, hem) is None else begins_at(bench, hem)
        far = f"{run}, the last {bench.margin(20)} at every end left for the fold"
    turned = _gap_at(bench, lining)
    gap = (
        f"; between two seams at the back leave {bench.length(GAP)} open, with a backstitch at both ends of that gap."
        if turned is None
        else "."
    )
    cut = slit_in(bench, hem)
    out = OUT
    if turned is not None and cut is not None:
        out = f"Turn it right side out where the lining is still open at the {cut.kind.value}, without force."
    return (
        f"Turn the garment wrong side out, {aside}lay hem and lining right sides together, raw edge on raw edge, seams "
        "and centres on each other; the lining eases in.",
        f"{_seam(bench, lining)} from the raw edges, {far}{gap}",
        out,
    )


def _seam(bench: Workbench, lining: Finish) -> str:
    return bench.margin(bench.edge_allowance(lining.parts[0]))


def _sewn(bench: Workbench, lining: Finish, hem: Finish) -> Operation:
    sleeves = is_sleeve(bench, hem)
    first = [] if sleeves else [f for _, f in lower_edges(bench) if is_sleeve(bench, f)]
    return Operation(
        id=f"sew-{lining.id}",
        technique=ID,
        act=Act.LINE,
        title=f"Sew the lining to the {lower_first(hem.name)}",
        how=_in_a_ring(bench, lining) if sleeves else _round_the_hem(bench, lining, hem),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around([lining.id])),
        on=On(finishes=(lining.id, hem.id), edges=shown((*hem.parts, *lining.parts))),
        requires=(
            Need(facts.finish(Fact.PREPARED, hem.id), "the fold shows where the hem will lie"),
            Need(facts.layer(Fact.ATTACHED, KEY), "it hangs in the shell"),
            *(Need(facts.finish(Fact.HEMMED, f.id), "through the open hem one reaches it") for f in first),
            *(
                ()
                if sleeves
                else (Need(facts.layer(Fact.ATTACHED, WAIST), "one reaches in from below", where_given=True),)
            ),
        ),
        gives=(facts.finish(Fact.JOINED, lining.id),),
        meant=frozenset({Meant.ENCLOSES, *((Meant.LEAVES_OPEN,) if _has_gap(bench, lining, hem) else ())}),
        setting=settings.seam(bench.household),
        caution=NEEDLE,
        look="Pulled back, the lining hangs straight and nothing is twisted.",
    )


def _anchored(bench: Workbench, lining: Finish, hem: Finish) -> Operation:
    sleeves = is_sleeve(bench, hem)
    gap = _has_gap(bench, lining, hem)
    through = "" if sleeves else f" Reach in through the {'gap' if gap else 'open part of the lining'}."
    ends = [f for f in ends_of_facings(bench) if not sleeves]
    down = ("Fell the lining down the facings where it was left open, in a fold.",) if ends else ()
    slit = slit_in(bench, hem)
    if slit is not None and slit.kind is DetailKind.VENT:
        down = ("At the vent turn its ends up with it, the upper side's corner mitred, the underlap's square.", *down)
    return Operation(
        id=f"anchor-{hem.id}",
        technique=ID,
        act=Act.TACK,
        title=f"Anchor the {lower_first(hem.name)}",
        how=(
            f"Turn it up on its fold, and catch the allowance to the garment's seams, and between them loosely to the "
            f"interfacing or by single threads.{through}{falls(bench, hem.parts[0], lining.parts[0])}",
            *down,
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([hem.id]) / 2),
        on=On(finishes=(hem.id,), edges=shown(hem.parts)),
        requires=(Need(facts.finish(Fact.JOINED, lining.id), "the lining is sewn on first"),),
        gives=(
            facts.finish(Fact.HEMMED, hem.id),
            facts.finish(Fact.FINISHED, hem.id),
            *(() if gap else (facts.finish(Fact.FINISHED, lining.id),)),
        ),
        look="The lining falls over the hem in a fold and does not pull it up.",
    )


def _closed(bench: Workbench, lining: Finish, hem: Finish) -> Operation:
    return Operation(
        id=f"close-{lining.id}",
        technique=ID,
        act=Act.CLOSE,
        title="Close the gap at the hem",
        how=(
            f"The lining's edge of the {bench.length(GAP)} left open turned in, fold on the hem's allowance: ladder "
            "stitch, which takes the allowance only.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(GAP),
        on=On(finishes=(lining.id,), edges=shown(lining.parts)),
        requires=(Need(facts.finish(Fact.HEMMED, hem.id), "the hem is anchored through the gap"),),
        gives=(facts.finish(Fact.FINISHED, lining.id),),
        look="The gap cannot be told from the seam.",
    )


TECHNIQUE = Technique(
    id="lining-bagged-at-hem",
    name="Lining sewn to the hem by machine",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=60,
    usual=False,
    also=("bagged at the hem",),
    draw="bagged side",
)
