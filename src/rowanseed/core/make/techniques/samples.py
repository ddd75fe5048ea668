"""What is tried on a scrap before the garment: stitch and tension, neatening, fusing, buttonholes, gathers, zips."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.operation import Act, Bench, Operation, Setting
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import HOT, Workbench
from rowanseed.core.pattern.making import ClosureKind, DetailKind


@dataclass(frozen=True)
class Sample:
    id: str
    title: str
    how: tuple[str, ...]
    bench: Bench
    setting: Setting | None
    when: Callable[[Operation], bool]
    took: float = 3.0
    caution: str = ""
    tries_machine: bool = False
    """What it tries is the machine: without one there is nothing to try."""

    def titled(self, operations: Sequence[Operation]) -> str:
        """Its title, by what it is sewn for here: the rows of a sleeve that is only eased gather nothing."""
        eased_only = self.id == "gathers" and not any(op.act is Act.GATHER for op in operations)
        return "Try the ease rows on a scrap" if eased_only else self.title


def samples(bench: Workbench) -> tuple[Sample, ...]:
    machine = bench.household.equipment.machine
    return tuple(one for one in _every_sample(bench) if machine or not one.tries_machine)


def _every_sample(bench: Workbench) -> tuple[Sample, ...]:
    choices, machine = bench.household, bench.household.equipment.machine
    neaten_bench, neaten_setting = settings.neaten(choices)
    return (
        Sample(
            "stitch",
            "Try the stitch on a scrap",
            (
                "Two layers of a scrap on the grain the seams have, the thread of the garment, a seam's length.",
                "A new needle for each garment. The stitch looks the same on both sides and the seam does not "
                "pucker; if it skips or puckers: rethread, then another needle, then the tension.",
            ),
            Bench.MACHINE,
            settings.seam(choices),
            lambda op: op.bench is Bench.MACHINE and op.act is not Act.SAMPLE,
            5,
        ),
        Sample(
            "neaten",
            "Try the neatening on one layer of a scrap",
            (
                "One layer, on the grain of the long edges.",
                "If the edge tunnels or waves: narrower, longer, less tension; on thin cloth two layers together.",
            ),
            neaten_bench,
            neaten_setting,
            lambda op: op.act is Act.NEATEN and op.bench.is_machine,
            tries_machine=True,
        ),
        Sample(
            "fuse",
            "Try the interfacing on a scrap",
            (
                "Cut two equal squares, fuse one, let it cool, and compare size and hand; write both sizes down.",
                "If the fused one is smaller, pre-shrink the interfacing before it goes on the pieces; if it "
                "bubbles or lifts, longer or hotter.",
            ),
            Bench.IRON,
            None,
            lambda op: op.act is Act.FUSE,
            5,
            HOT,
        ),
        Sample(
            "buttonhole",
            "Try a buttonhole on a scrap",
            (
                f"The same layers{', with the interfacing,' if bench.interfaced() else ''} on the same grain; cut it "
                f"open and {_through(bench)} through.",
                "Write the length and the settings down.",
            ),
            Bench.MACHINE,
            settings.buttonhole(choices),
            lambda op: op.act is Act.BUTTONHOLE,
            5,
        ),
        Sample(
            "gathers",
            "Try the gathering rows on a scrap",
            (
                f"One layer {bench.length(200)} long: two rows at the longest stitch, drawn up.",
                "The bobbin threads slide without breaking; if they do not, loosen the upper tension.",
            ),
            Bench.MACHINE,
            settings.longest(choices),
            lambda op: op.act in (Act.GATHER, Act.EASE),
        ),
        Sample(
            "shirring",
            "Try the shirring on a scrap",
            (
                f"A scrap {bench.length(200)} wide with four rows: it must draw in to half, {bench.length(100)}.",
                "Wider: a longer stitch, or the bobbin a quarter turn tighter; narrower: the other way. Heavier cloth "
                "draws in less. Write stitch and turns down."
                if machine
                else "Heavier cloth draws in less: then the rows lie closer. Write their distance and the stitch down.",
            ),
            Bench.MACHINE if machine else Bench.HAND,
            settings.longest(choices) if machine else None,
            lambda op: op.act is Act.SHIRR,
            8 if machine else 15,
        ),
        Sample(
            "blind-hem",
            "Try the blind hem on a scrap",
            ("Folded as the hem will be. The swing stitch nips the fold and hardly shows on the right side.",),
            Bench.MACHINE,
            settings.blind_hem(choices),
            lambda op: op.technique.startswith("blind hem") and op.act is Act.HEM and op.bench is Bench.MACHINE,
            tries_machine=True,
        ),
        Sample(
            "zip",
            "Try the zip's foot on a scrap",
            (
                f"{bench.length(80)} of the zip's own tape on a folded scrap: how near the needle comes to the coil "
                "without catching it.",
            ),
            Bench.MACHINE,
            settings.zip_foot(choices, invisible=True),
            lambda op: op.act is Act.INSERT_CLOSURE and op.bench is Bench.MACHINE and _is_invisible(bench, op),
            tries_machine=True,
        ),
    )


def _through(bench: Workbench) -> str:
    """What goes through a buttonhole here: a button, the tie of a skirt that wraps, or the cord of a drawn waist."""
    buttons = any(
        c.kind in (ClosureKind.BUTTONS, ClosureKind.BUTTON_FLY, ClosureKind.BUTTON_LOOP)
        for c in bench.closures.values()
    )
    if buttons:
        return "put the button"
    return "draw the tie" if any(bench.details_of(DetailKind.TIES)) else "draw the cord"


def _is_invisible(bench: Workbench, op: Operation) -> bool:
    return any(bench.closures[id].kind is ClosureKind.INVISIBLE_ZIP for id in op.on.closures)


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    for one in samples(bench):
        if any(one.when(op) for op in operations):
            yield Operation(
                id=f"sample-{one.id}",
                technique="samples",
                act=Act.SAMPLE,
                title=one.titled(operations),
                how=(*one.how, "Keep the sample with its setting written on it."),
                bench=one.bench,
                minutes=minutes.each(one.took),
                gives=(facts.sample(one.id),),
                setting=one.setting if one.bench.is_machine else None,
                caution=one.caution,
                look="It is as you want it on the garment, and its setting is written on it.",
            )


def waits_for(tried: Sequence[Sample], op: Operation) -> tuple[str, ...]:
    """The samples that an operation waits for, of those that are tried."""
    if op.act is Act.SAMPLE:
        return ()
    return tuple(one.id for one in tried if one.when(op))


TECHNIQUE = Companion(
    id="samples",
    name="Samples on scraps",
    chapter="preparation",
    adds=adds,
    words={"tension": "how hard a thread is held as the stitch is drawn together"},
)
