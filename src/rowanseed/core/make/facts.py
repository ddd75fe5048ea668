"""What can be true of a garment while it is made: a small closed vocabulary of facts over subjects.

Operations require facts and give facts; they never name each other. Subjects are the parts of the making graph, the
samples that are tried, and things that come and go: a basting, a machine set otherwise than usual.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from rowanseed.core.base.words import Worded


class Fact(Worded):
    """What is true of a subject."""

    SAMPLED = "sampled", "tried on a scrap"
    MARKED = "marked"
    STAYED = "stayed"
    STIFFENED = "stiffened"
    BACKED = "backed"
    EMBROIDERED = "embroidered"
    SEWN = "sewn"
    """Darts, tucks or pleats of a piece, before they are pressed."""
    SHAPED = "shaped"
    DRAWN_UP = "drawn-up", "drawn up"
    NEATENED = "neatened", "neatened, each edge by itself"
    BASTED = "basted"
    UNBASTED = "unbasted", "its basting drawn out"
    JOINED = "joined"
    PRESSED = "pressed"
    GRADED = "graded"
    UNDERSTITCHED = "understitched"
    TOPSTITCHED = "topstitched"
    PREPARED = "prepared"
    """Made up apart, before it is put on: a belt turned, a band's edge pressed in, a zip's coils uncurled."""
    TURNED = "turned"
    ATTACHED = "attached"
    OPENED = "opened", "holes made"
    CLOSED = "closed"
    HUNG = "hung", "hung for a day"
    LEVELLED = "levelled"
    HEMMED = "hemmed"
    FINISHED = "finished"
    """An edge that is in no join ends as it is meant to; both edges of a seam are finished as one."""
    TRIED = "tried", "tried on"
    SETTLED = "settled", "what the try-on showed is carried out"
    TEMPORARY = "temporary"
    SET = "set"


class SubjectKind(Worded):
    PIECE = "piece"
    JOIN = "join"
    FINISH = "finish"
    CLOSURE = "closure"
    LAYER = "layer"
    DETAIL = "detail"
    GATE = "gate"
    SAMPLE = "sample"
    THING = "thing"
    MACHINE = "machine"


@dataclass(frozen=True)
class Subject:
    """A part of the garment, or of the work on it, by kind and id."""

    kind: SubjectKind
    id: str


@dataclass(frozen=True)
class State:
    """A fact about a subject."""

    fact: Fact
    of: Subject


def piece(fact: Fact, id: str) -> State:
    return State(fact, Subject(SubjectKind.PIECE, id))


def join(fact: Fact, id: str) -> State:
    return State(fact, Subject(SubjectKind.JOIN, id))


def joins(fact: Fact, ids: Iterable[str]) -> tuple[State, ...]:
    return tuple(join(fact, id) for id in ids)


def finish(fact: Fact, id: str) -> State:
    return State(fact, Subject(SubjectKind.FINISH, id))


def closure(fact: Fact, id: str) -> State:
    return State(fact, Subject(SubjectKind.CLOSURE, id))


def detail(fact: Fact, id: str) -> State:
    return State(fact, Subject(SubjectKind.DETAIL, id))


def layer(fact: Fact, id: str) -> State:
    return State(fact, Subject(SubjectKind.LAYER, id))


def gate(fact: Fact, id: str) -> State:
    return State(fact, Subject(SubjectKind.GATE, id))


def sample(id: str) -> State:
    return State(Fact.SAMPLED, Subject(SubjectKind.SAMPLE, id))


def thing(id: str) -> State:
    return State(Fact.TEMPORARY, Subject(SubjectKind.THING, id))


def machine(id: str) -> State:
    return State(Fact.SET, Subject(SubjectKind.MACHINE, id))
