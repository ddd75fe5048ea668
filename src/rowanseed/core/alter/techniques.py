"""The catalogue of alterations: what each is called, when it is offered, and how it is done."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from rowanseed.core.alter import back, bust, crotch, hem, length, seam, shoulder, sleeve
from rowanseed.core.alter.change import Alteration, Kind
from rowanseed.core.pattern.pattern import Pattern


@dataclass(frozen=True)
class Technique:
    """A kind of alteration in the sewist's words.

    `sense` says what a figure above zero means; `most` is the largest sensible change in mm; `opposite`
    words a figure below zero, empty where there is no such thing.
    """

    kind: Kind
    name: str
    sense: str
    opposite: str
    most: float
    offered: Callable[[Pattern, str], bool]
    carry_out: Callable[[Pattern, str, Alteration], Pattern]


TECHNIQUES: tuple[Technique, ...] = (
    Technique(
        kind=Kind.LENGTH,
        name="Length at the printed line",
        sense="longer",
        opposite="shorter",
        most=200,
        offered=lambda p, s: bool(length.printed_lines(p)),
        carry_out=lambda p, s, a: length.change_at_line(p, s, a.at, a.by),
    ),
    Technique(
        kind=Kind.HEM,
        name="Length at the hem",
        sense="longer",
        opposite="shorter",
        most=5000,
        offered=lambda p, s: bool(hem.hem_edges(p)),
        carry_out=lambda p, s, a: hem.change_length_at_hem(p, s, a.by),
    ),
    Technique(
        kind=Kind.SEAM,
        name="A seam",
        sense="let out",
        opposite="taken in",
        most=200,
        offered=lambda p, s: bool(seam.takeable(p)),
        carry_out=lambda p, s, a: seam.change_at_seam(p, s, a.at, a.by, a.level),
    ),
    Technique(
        kind=Kind.BUST,
        name="Bust",
        sense="full-bust adjustment",
        opposite="small-bust adjustment",
        most=bust.MOST,
        offered=bust.has_bust,
        carry_out=lambda p, s, a: bust.change_bust(p, s, a.by),
    ),
    Technique(
        kind=Kind.SHOULDER_WIDTH,
        name="Shoulder width, each",
        sense="broader",
        opposite="narrower",
        most=60,
        offered=shoulder.has_shoulders,
        carry_out=lambda p, s, a: shoulder.change_width(p, s, a.by),
    ),
    Technique(
        kind=Kind.SHOULDER_SLOPE,
        name="Shoulder slope",
        sense="more sloping",
        opposite="squarer",
        most=40,
        offered=shoulder.has_shoulders,
        carry_out=lambda p, s, a: shoulder.change_slope(p, s, a.by),
    ),
    Technique(
        kind=Kind.SHOULDER_PADS,
        name="Room for shoulder pads",
        sense="pad thickness",
        opposite="",
        most=30,
        offered=shoulder.has_shoulders,
        carry_out=lambda p, s, a: shoulder.allow_for_pads(p, s, a.by),
    ),
    Technique(
        kind=Kind.SWAY_BACK,
        name="Sway back",
        sense="taken out at the centre",
        opposite="given at the centre",
        most=60,
        offered=lambda p, s: back.has_back(p, s, "waist"),
        carry_out=lambda p, s, a: back.take_out_sway(p, s, a.by),
    ),
    Technique(
        kind=Kind.ROUND_BACK,
        name="Round back",
        sense="given over the shoulder blades",
        opposite="taken out there",
        most=40,
        offered=back.has_round_back,
        carry_out=lambda p, s, a: back.give_round_back(p, s, a.by),
    ),
    Technique(
        kind=Kind.SLEEVE_WIDTH,
        name="Sleeve at the upper arm",
        sense="wider",
        opposite="narrower",
        most=120,
        offered=sleeve.has_sleeve,
        carry_out=lambda p, s, a: sleeve.change_width(p, s, a.by),
    ),
    Technique(
        kind=Kind.CROTCH_LENGTH,
        name="Crotch length at the fork",
        sense="longer",
        opposite="shorter",
        most=80,
        offered=crotch.has_crotch,
        carry_out=lambda p, s, a: crotch.change_length(p, s, a.by),
    ),
)

TECHNIQUE: dict[Kind, Technique] = {technique.kind: technique for technique in TECHNIQUES}


def offered(pattern: Pattern, size: str) -> tuple[Technique, ...]:
    """The alterations that this pattern's pieces allow."""
    return tuple(technique for technique in TECHNIQUES if technique.offered(pattern, size))


def line_name(id: str) -> str:
    """A printed line's name for the page: `body-length` is “body length”."""
    return id.replace("-", " ")


def title(alteration: Alteration, pattern: Pattern) -> str:
    """An alteration in words, without its figure: “Side seams, at the waist: taken in”."""
    technique = TECHNIQUE[alteration.kind]
    what = technique.name
    if alteration.kind is Kind.LENGTH:
        what = line_name(alteration.at).capitalize()
        what = what if "length" in what or "depth" in what else f"{what} length"
    elif alteration.kind is Kind.SEAM:
        join = next((j for j in pattern.making.joins if j.id == alteration.at), None)
        what = (join.name if join else alteration.at) + (f", at the {alteration.level}" if alteration.level else "")
    return f"{what}: {technique.sense if alteration.by >= 0 else technique.opposite or technique.sense}"
