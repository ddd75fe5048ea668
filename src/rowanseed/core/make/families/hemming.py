"""What ways of hemming share, besides the turned hem."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.suited import always, finds_of, why_not_of
from rowanseed.core.make.families.turned_hems import strip_first
from rowanseed.core.make.hem_length import before_hem, begins_at, far, run_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.steps import Steps, of_finish
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.which import hems
from rowanseed.core.make.workbench import Workbench, shown

Sews = Callable[[Workbench, Duty], Iterator[Operation]]
DONE = (Fact.HEMMED, Fact.FINISHED)


def hem_ids(bench: Workbench) -> tuple[str, ...]:
    return tuple(finish.id for finish in hems(bench))


DEEP = 20.0
"""A hem of so many mm is deep enough to be held inside by hand."""


def _shallow(bench: Workbench, id: str) -> str:
    deep = bench.edge_allowance(bench.finishes[id].parts[0])
    return "" if deep >= DEEP else f"the hem is {bench.margin(deep)} deep: it takes {bench.margin(DEEP)}"


def on_hem(step: Steps) -> On:
    """What the last step of a hem is done on."""
    return On(finishes=(step.id,), edges=shown(step.bench.finishes[step.id].parts))


def depth_of(step: Steps) -> float:
    """How much is turned up, in mm."""
    return step.bench.edge_allowance(step.bench.finishes[step.id].parts[0])


def begun(bench: Workbench, duty: Duty, technique: str) -> tuple[Steps, list[Operation], tuple[Need, ...]]:
    """The steps of a hem, what has to be done before it, and why."""
    operations, needs = before_hem(bench, bench.finishes[duty.id])
    return of_finish(bench, technique, duty.id), operations, needs


def surplus(step: Steps, kept: float) -> tuple[str, ...]:
    """What is cut off first, where the pattern gives more than this hem takes."""
    bench, depth = step.bench, depth_of(step)
    if depth <= kept + 1:
        return ()
    return (
        f"The pattern gives {bench.margin(depth)} for a deeper hem: cut {bench.margin(depth - kept)} of it off, so "
        f"that {bench.margin(kept)} are left below the hem line.",
    )


def neatened(step: Steps, before: tuple[Need, ...]) -> Operation:
    """The raw edge of a hem that is folded once, neatened."""
    at, setting = settings.neaten(step.bench.household)
    return step(
        "neaten",
        Act.NEATEN,
        f"Neaten the hem's raw edge: {step.name}",
        f"Right side up, {far(step.bench, step.bench.finishes[step.id])}; it is not turned under again.",
        at=at,
        took=minutes.neaten(step.mm),
        setting=setting,
        needs=before,
        gives=(Fact.NEATENED,),
        look=looks.NEATENED,
    )


def held_by_hand(step: Steps, key: str, stitch: str) -> Iterator[Operation]:
    """One fold, pressed, and its edge held inside by a hand stitch."""
    bench = step.bench
    yield step(
        "fold",
        Act.PRESS,
        f"Turn up and press the hem: {step.name}",
        f"One fold of {bench.margin(depth_of(step))}. Ease fullness in with steam; press the fold, not the edge of the "
        f"hem, which would mark the right side. {step.iron}",
        at=Bench.IRON,
        took=minutes.press(2 * step.mm),
        after={Fact.NEATENED: "its edge is finished before it is folded"},
        needs=(strip_first(step.id),),
        gives=(Fact.PREPARED,),
        turned=Turned((depth_of(step),)),
        look="Measured at several places the fold is equally deep, and outside no edge is pressed through.",
    )
    yield step(
        key,
        Act.HEM,
        f"Sew the hem by hand: {step.name}",
        stitch,
        f"{begins_at(bench, bench.finishes[step.id]).capitalize()}; every {bench.length(300)} a small knot in the hem, "
        "so that a torn thread does not open it all.",
        at=Bench.HAND,
        after={Fact.PREPARED: "it is folded and pressed"},
        gives=DONE,
        on=on_hem(step),
        run=run_of(bench, bench.finishes[step.id]),
        turned=Turned((depth_of(step),), row=depth_of(step)),
        booklet=True,
        look="From the right side the hem neither shows nor pulls.",
    )


def takes(mm: float) -> Callable[[Workbench, Duty], dict[tuple[str, str], float]]:
    """A hem whose whole allowance is so much."""
    return lambda bench, duty: {(p.piece, p.edge): mm for p in bench.finishes[duty.id].parts}


def needs_machine(bench: Workbench) -> str:
    """Why it cannot be done without a machine; empty where there is one."""
    return "" if bench.household.equipment.machine else "there is no machine"


def needs_overlocker(bench: Workbench) -> str:
    """Why it cannot be done without an overlocker; empty where there is one."""
    return "" if bench.household.equipment.overlocker else "there is no overlocker"


def hem_technique(
    *,
    id: str,
    name: str,
    sews: Sews,
    rank: int,
    is_deep: bool = False,
    asks: Callable[[Workbench], str] = lambda bench: "",
    **more: object,
) -> Technique:
    """A way of hemming that is chosen; a deep one is held inside by hand."""
    rule = _shallow if is_deep else always
    return Technique(
        id=id,
        name=name,
        chapter="hems",
        finds=finds_of(hem_ids, rule),
        why_not=why_not_of(hem_ids, rule),
        sews=sews,
        rank=rank,
        usual=False,
        asks=asks,
        **more,  # type: ignore[arg-type]
    )
