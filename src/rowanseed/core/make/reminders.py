"""Mistakes that are made again and again, each told once, at the step where it would happen, and only where it can.

Common practice, no source.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.settings import ORDINARY

LONG = 4.0
"""A stitch of so many mm is one for gathering or basting."""


@dataclass(frozen=True)
class Circumstances:
    """What of the project a reminder asks about."""

    one_way: bool = False
    altered: bool = False
    buttons: int = 0
    faced_to_the_hem: bool = False
    lined: bool = False
    furry: bool = False
    has_marks: bool = True


@dataclass(frozen=True)
class Reminder:
    """One mistake: where it would happen, among all steps in order, and what to mind; empty where it cannot."""

    id: str
    at: Callable[[Sequence[Operation], Circumstances], str]
    says: str


def _first(when: Callable[[Operation], bool]) -> Callable[[Sequence[Operation], Circumstances], str]:
    return lambda steps, _: next((step.id for step in steps if when(step)), "")


def _first_if(
    asked: Callable[[Circumstances], bool], when: Callable[[Operation], bool]
) -> Callable[[Sequence[Operation], Circumstances], str]:
    return lambda steps, so: next((step.id for step in steps if when(step)), "") if asked(so) else ""


def _after_long_stitches(steps: Sequence[Operation], _: Circumstances) -> str:
    """The first step with a short stitch after one with a long stitch."""
    is_long = False
    for step in steps:
        if step.bench is not Bench.MACHINE or step.setting is None:
            continue
        if is_long and step.setting.length < LONG and step.setting.foot == ORDINARY:
            return step.id
        is_long = step.setting.length >= LONG
    return ""


def _after_elastic(steps: Sequence[Operation], _: Circumstances) -> str:
    """The first step at the machine after one that left its bobbin set otherwise."""
    set_otherwise = False
    for step in steps:
        if set_otherwise and step.bench is Bench.MACHINE and not step.sets and step.act is not Act.SHIRR:
            return step.id
        set_otherwise = bool(step.sets) or (set_otherwise and not step.sets_back and step.act is not Act.SHIRR)
        if step.act is Act.SHIRR:
            set_otherwise = True
    return ""


REMINDERS = (
    Reminder(
        "marks",
        _first_if(lambda so: so.has_marks, lambda op: op.act not in (Act.SAMPLE, Act.MARK, Act.FUSE)),
        "Are all marks transferred from the tissue? Once pieces are joined they are hard to place.",
    ),
    Reminder(
        "neck-stretched",
        _first(lambda op: op.technique == "staystitching"),
        "Carry the pieces flat until this is done: a neckline stretches under its own weight.",
    ),
    Reminder(
        "interfacing-side",
        _first(lambda op: op.act is Act.FUSE),
        "Glue side down, on the wrong side of the cloth: feel for the grains of glue before the iron comes.",
    ),
    Reminder(
        "nap",
        _first_if(lambda so: so.one_way, lambda op: op.act is Act.JOIN),
        "Stroke both pieces: the nap or print runs the same way up on every one of them.",
    ),
    Reminder(
        "fur",
        _first_if(lambda so: so.furry, lambda op: op.act is Act.JOIN),
        "Brush the fur inwards before each seam, and afterwards pick out with a pin what was caught; shear it from the "
        "allowances where they are bulky.",
    ),
    Reminder(
        "altered",
        _first_if(lambda so: so.altered, lambda op: op.act is Act.JOIN),
        "If the edges do not match now, one piece was cut before the alteration: measure both against the tissue.",
    ),
    Reminder("stitch-length", _after_long_stitches, "Set the stitch length back: the last rows were long ones."),
    Reminder("bobbin", _after_elastic, "Ordinary thread in the bobbin again, and its tension as it was."),
    Reminder(
        "two-left-sleeves",
        _first(lambda op: "sleeve" in op.technique and op.act.sews_join),
        "Lay both sleeves beside the body first: one notch is the front, two are the back; they are a pair, not alike.",
    ),
    Reminder(
        "under-collar",
        _first(lambda op: op.act is Act.JOIN and "collar" in op.technique),
        "The under collar is cut or trimmed a hair smaller on its outer edge, so that the seam rolls under.",
    ),
    Reminder(
        "caught-in-zip",
        _first(lambda op: op.act is Act.INSERT_CLOSURE),
        "Fold every other layer away before each row: what is caught in the zip is found when it is closed.",
    ),
    Reminder(
        "strap-twisted",
        _first(lambda op: op.technique in ("strap", "bib strap", "back belt") and op.act is Act.ATTACH),
        "Before the second end is pinned, run the strap through your fingers: it is not twisted.",
    ),
    Reminder(
        "facing-fold",
        _first_if(lambda so: so.faced_to_the_hem, lambda op: op.act is Act.HEM and op.bench is not Bench.IRON),
        "Stop at the fold of the facing: sewing over it shows outside and stiffens the edge.",
    ),
    Reminder(
        "opposite-sides",
        _first_if(lambda so: so.lined, lambda op: op.act is Act.LINE),
        "Lay garment and lining as they will be worn: left on left, right on right, before the first pin.",
    ),
    Reminder(
        "lining-short",
        _first_if(
            lambda so: so.lined,
            lambda op: (
                "lining" in op.technique and op.act in (Act.TACK, Act.CLOSE, Act.HEM) and "sleeve" in op.title.lower()
            ),
        ),
        "Bend the arm in it before you sew: a sleeve lining that is too short puckers the sleeve.",
    ),
    Reminder(
        "folded-edge",
        _first(lambda op: op.technique in ("sham welt", "welt pocket", "ruffle in a seam") and op.act is Act.ATTACH),
        "What is put in between lies exactly one allowance below the edge, and its fold is caught nowhere.",
    ),
    Reminder(
        "buttons-short",
        _first_if(lambda so: so.buttons > 1, lambda op: op.act is Act.BUTTONHOLE),
        "Count the buttons before you cut a hole: as many as are sewn on, and one more for the inside seam.",
    ),
)

AT_THE_TABLE = (
    ("length", "Measure the cloth in hand against the layout before the first cut: what does not fit is found now."),
    ("line", "Cut on the line of your size: follow it with a coloured pen where the nest crosses itself."),
    ("grain", "Both ends of the grainline stand equally far from the selvedge; measure, do not guess."),
    ("marks", "Marks come off the tissue before it comes off the cloth."),
)
ALTERED_LAYERS = "Lining, facing and interfacing are altered as the garment is: their outlines here already are."
MATCHED = "Stripes and checks meet on the stitching line, not on the cut edge: place the stitching lines on each other."


def reminders(steps: Sequence[Operation], so: Circumstances) -> dict[str, tuple[str, ...]]:
    """What to mind, by the id of the step where it would go wrong."""
    out: dict[str, tuple[str, ...]] = {}
    for one in REMINDERS:
        at = one.at(steps, so)
        if at:
            out[at] = (*out.get(at, ()), one.says)
    return out
