"""What a step of making is: where it is done, with which setting, and what it needs before it."""

from __future__ import annotations

from dataclasses import dataclass, field

from rowanseed.core.base.units import INCH, Units
from rowanseed.core.base.words import Worded


class Bench(Worded):
    """Where a step is done; changing from one to another is getting up."""

    MACHINE = "machine"
    OVERLOCKER = "overlocker"
    IRON = "iron"
    HAND = "hand", "by hand"
    MIRROR = "mirror"


class Task(Worded):
    """What kind of work a step is; like is done with like."""

    SAMPLE = "sample"
    BASTE = "baste"
    STAYSTITCH = "staystitch"
    INTERFACE = "interface"
    NEATEN = "neaten"
    SEAM = "seam"
    PRESS = "press"
    ZIP = "zip"
    TRIM = "trim", "trim and clip"
    UNDERSTITCH = "understitch"
    TRY_ON = "try-on", "try-on"
    HAND_SEW = "hand-sew", "hand sewing"
    HANG = "hang"
    HEM = "hem"
    TURN = "turn"
    BUTTONS = "buttons"


@dataclass(frozen=True)
class Setting:
    """How the machine is set: stitch, length in mm, foot, needle; a note on top."""

    stitch: str
    length: float
    foot: str
    needle: str
    note: str = ""

    def stitch_length(self, units: Units) -> str:
        """Stitch length as the household says it: 2.5 mm, or as a dial has it with the stitches to the inch."""
        if units is Units.METRIC:
            return f"{self.length:g} mm"
        return f"length {self.length:g}, {INCH / self.length:.0f} to the inch"


@dataclass(frozen=True)
class After:
    """A step that has to be done before, and why."""

    step: str
    why: str


@dataclass(frozen=True)
class EdgeShown:
    """An edge that a step works on, for its drawing: all of it, or up to a mark, or beyond one (ring order)."""

    piece: str
    edge: str
    mark: str | None = None
    beyond_mark: bool = False


@dataclass(frozen=True)
class MakingStep:
    """One step: an id that stays the same while the garment does, words, and its place in the order."""

    id: str
    title: str
    how: tuple[str, ...]
    bench: Bench
    task: Task
    needs: tuple[After, ...] = ()
    setting: Setting | None = None
    edges: tuple[EdgeShown, ...] = ()
    caution: str = ""
    booklet: str = ""
    about: str = field(default="", compare=False)
    """The id in the graph it was compiled from."""

    @property
    def is_gate(self) -> bool:
        return self.task is Task.TRY_ON
