"""What the pages of the Sew station show."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime, time
from typing import Literal

from rowanseed.app.sewing import Since
from rowanseed.core.make.booklet import Moved
from rowanseed.core.make.calendar import Appointment
from rowanseed.core.make.fitting import Area
from rowanseed.core.make.line_of_work import Line
from rowanseed.core.make.operation import After, Bench, Operation
from rowanseed.core.make.own_times import Estimate
from rowanseed.core.make.sittings import Run
from rowanseed.core.make.step_facts import Lying, SetUp, StepFigure
from rowanseed.core.make.together import Together
from rowanseed.drawings.steps.scene import Scene
from rowanseed.drawings.steps.shown import Laid
from rowanseed.store.sewing import Clock, Sample, StepNote
from rowanseed.web.deps import PageView, StationView


@dataclass(frozen=True)
class Sitting:
    """Steps done one after another at the same bench."""

    bench: Bench
    steps: tuple[tuple[int, Operation], ...]


@dataclass(frozen=True)
class Ready:
    """A step that can be done now; `advised` had better be done before it."""

    op: Operation
    estimate: Estimate
    advised: tuple[After, ...]
    is_put_off: bool


@dataclass(frozen=True)
class Ask:
    """A tick out of order: which steps come first, or rest on it."""

    about: Literal["done", "undo"]
    step: str
    others: tuple[Operation, ...]


@dataclass(frozen=True, kw_only=True)
class StepView:
    """A step in full."""

    op: Operation
    position: int
    is_done: bool
    is_left_out: bool
    left_out_why: str
    is_put_off: bool
    is_own: bool
    estimate: Estimate
    laid: Laid | None
    section: str | None
    scene: Scene | None
    figures: tuple[StepFigure, ...]
    allowances: tuple[StepFigure, ...]
    matches: tuple[str, ...]
    set_up: SetUp | None
    lying: tuple[Lying, ...]
    reminders: tuple[str, ...]
    goes_wrong: str
    missing: tuple[After, ...]
    advised: tuple[After, ...]
    held_up: tuple[Operation, ...]
    notes: tuple[StepNote, ...]
    sample: Sample | None
    moved: Moved | None
    clock: Clock | None
    ready_at: datetime | None
    garments: tuple[tuple[str, bool], ...]
    was_moved: bool


@dataclass(frozen=True, kw_only=True)
class SewView(StationView):
    """`step` is the one in full; None where there is none, or all is done."""

    template = "sew.html"
    station = "sew"
    line: Line
    step: StepView | None
    ready: Sequence[Ready]
    places: Mapping[str, str]
    place: str
    minutes: int
    sittings: Sequence[Sitting]
    trips: int
    number: int
    titles: Mapping[str, str]
    numbers: Mapping[str, int]
    since: Since | None
    asked: Ask | None
    areas: tuple[Area, ...]
    """What to look at, where the step is a try-on."""
    alterable: tuple[tuple[str, str], ...]
    fitted: bool
    now: datetime
    benches: tuple[Bench, ...]
    typed: Mapping[str, str]
    errors: Mapping[str, str]


@dataclass(frozen=True)
class LikeWork:
    """Steps of one kind that are left; those of `ready` can be done now."""

    words: str
    steps: tuple[Operation, ...]
    ready: frozenset[str]
    minutes: tuple[float, float]


@dataclass(frozen=True, kw_only=True)
class SewLineView(StationView):
    """`focus` is the step that the graph is looked at from."""

    template = "sew_line.html"
    station = "sew"
    part = "line"
    line: Line
    picture: str | None
    graph: str | None
    focus: Operation | None
    leads_to: tuple[Operation, ...]
    waits_for: tuple[Operation, ...]
    like: tuple[LikeWork, ...]
    trips: int
    number: int
    numbers: Mapping[str, int]
    titles: Mapping[str, str]
    sittings: Sequence[Sitting]


@dataclass(frozen=True)
class TimeAsked:
    """The minutes she has and where; and how the rest is cut into sittings."""

    have: int
    place: str
    length: int
    first: date
    at: time
    days: frozenset[str]


@dataclass(frozen=True)
class LearnedTime:
    """How much longer than reckoned something takes her, and of how many times that is known."""

    what: str
    ratio: float
    count: int
    is_kind: bool = False


@dataclass(frozen=True, kw_only=True)
class SewTimeView(StationView):
    template = "sew_time.html"
    station = "sew"
    part = "time"
    line: Line
    asked: TimeAsked
    errors: Mapping[str, str]
    typed: Mapping[str, str]
    places: Mapping[str, str]
    weekdays: tuple[tuple[str, str], ...]
    run: Run | None
    took: Mapping[str, float]
    appointments: tuple[Appointment, ...]
    left: str
    query: str
    learned: tuple[LearnedTime, ...]


@dataclass(frozen=True, kw_only=True)
class MachineView(StationView):
    """One step in large type, at the machine or at the table; `document` is the whole order as JSON."""

    template = "machine.html"
    station = "sew"
    document: str
    heading: str
    leave: str
    """The station's page it is left for; `empty` is said where there is nothing to do yet."""
    empty: str
    is_empty: bool
    colour: str


@dataclass(frozen=True)
class SampleStep:
    """A sample that this garment asks for, those that are kept, and the steps whose set-up it fills."""

    op: Operation
    sample: str
    kept: tuple[Sample, ...]
    fills: tuple[Operation, ...]


@dataclass(frozen=True, kw_only=True)
class SamplesView(StationView):
    """`open` is the sample whose form is open; `usual` what its fields begin with."""

    template = "sew_samples.html"
    station = "sew"
    part = "samples"
    cloth: str
    steps: tuple[SampleStep, ...]
    open: str
    usual: Mapping[str, Sample]
    typed: Mapping[str, str]
    errors: Mapping[str, str]


@dataclass(frozen=True)
class OnTheTable:
    """A project that is sewn together with others: its name, its thread, the minutes of its steps, its number."""

    name: str
    thread: str
    took: Mapping[str, float]
    number: int


@dataclass(frozen=True, kw_only=True)
class TogetherView(PageView):
    """`records` are the projects that have an order; `order` is one over those on the table, None for one alone."""

    template = "sew_together.html"
    records: tuple[tuple[int, str], ...]
    on_table: Mapping[int, OnTheTable]
    order: Together | None
