"""The catalogue of alterations: what each is called, when it is offered, and how it is done."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from rowanseed.core.alter import back, bust, crotch, hem, length, seam, shoulder, sleeve
from rowanseed.core.alter.change import Alteration, Kind
from rowanseed.core.pattern import Pattern


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
    Technique(Kind.LENGTH, "Length at the printed line", "longer", "shorter", 200,
              lambda p, s: bool(length.printed_lines(p)), lambda p, s, a: length.change_at_line(p, s, a.at, a.by)),
    Technique(Kind.HEM, "Length at the hem", "longer", "shorter", 5000,
              lambda p, s: bool(hem.hem_edges(p)), lambda p, s, a: hem.change_length_at_hem(p, s, a.by)),
    Technique(Kind.SEAM, "A seam", "let out", "taken in", 200,
              lambda p, s: bool(seam.takeable(p)), lambda p, s, a: seam.change_at_seam(p, s, a.at, a.by, a.level)),
    Technique(Kind.BUST, "Bust", "full-bust adjustment", "small-bust adjustment", bust.MOST,
              bust.has_bust, lambda p, s, a: bust.change_bust(p, s, a.by)),
    Technique(Kind.SHOULDER_WIDTH, "Shoulder width, each", "broader", "narrower", 60,
              shoulder.has_shoulders, lambda p, s, a: shoulder.change_width(p, s, a.by)),
    Technique(Kind.SHOULDER_SLOPE, "Shoulder slope", "more sloping", "squarer", 40,
              shoulder.has_shoulders, lambda p, s, a: shoulder.change_slope(p, s, a.by)),
    Technique(Kind.SHOULDER_PADS, "Room for shoulder pads", "pad thickness", "", 30,
              shoulder.has_shoulders, lambda p, s, a: shoulder.allow_for_pads(p, s, a.by)),
    Technique(Kind.SWAY_BACK, "Sway back", "taken out at the centre", "given at the centre", 60,
              lambda p, s: back.has_back(p, s, "waist"), lambda p, s, a: back.take_out_sway(p, s, a.by)),
    Technique(Kind.ROUND_BACK, "Round back", "given over the shoulder blades", "taken out there", 40,
              back.has_round_back, lambda p, s, a: back.give_round_back(p, s, a.by)),
    Technique(Kind.SLEEVE_WIDTH, "Sleeve at the upper arm", "wider", "narrower", 120,
              sleeve.has_sleeve, lambda p, s, a: sleeve.change_width(p, s, a.by)),
    Technique(Kind.CROTCH_LENGTH, "Crotch length at the fork", "longer", "shorter", 80,
              crotch.has_crotch, lambda p, s, a: crotch.change_length(p, s, a.by)),
)  # fmt: skip

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
