"""What is measured on a person, and whether a figure can be right.

The plausible ranges are wide common-practice bounds (no source): outside them a figure is questioned,
never refused, because bodies are free to be what they are.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import Enum

from rowanseed.core.units import INCH, Units, format_length


class Age(Enum):
    ADULT = "adult"
    CHILD = "child"


class Seen(Enum):
    """From which side a measurement is shown."""

    FRONT = "from the front"
    BACK = "from the back"
    SIDE = "from the side"
    SEATED = "sitting, from the side"


@dataclass(frozen=True)
class Measure:
    """One measurement: its key, name, where the tape goes, plausible ranges in mm, how tight and over what."""

    key: str
    name: str
    how: str
    adult: tuple[float, float]
    child: tuple[float, float]
    seen: Seen = Seen.FRONT
    tight: str = "Lying on the body, not drawn in."
    over: str = "Over what will be worn beneath."

    def plausible(self, age: Age) -> tuple[float, float]:
        return self.adult if age is Age.ADULT else self.child


SNUG = "Snug: it holds by itself and one finger slides under."
CLOSE = "Straight and close; do not pull."

MEASURES: tuple[Measure, ...] = (
    Measure("bust", "Bust or chest", "Round the fullest part, tape level all round, arms hanging.",
            (700, 1700), (400, 950), tight=SNUG, over="Over the underwear, or for an outer garment over what goes beneath it."),
    Measure("high_bust", "High bust", "Round the chest straight under the arms, above the bust, a little higher in front.",
            (680, 1550), (400, 900), tight="Firm: the chest, not the bust, carries the tape."),
    Measure("waist", "Waist", "Round where the band will sit; bend sideways to find the natural waist, the crease is there.",
            (500, 1650), (380, 850), tight=SNUG, over="Over one thin layer. An old band has stretched and proves nothing."),
    Measure("hip", "Hip", "Round the fullest part of the seat, feet together; look from the side for where that is.",
            (700, 1750), (400, 1000), Seen.SIDE, SNUG),
    Measure("back_waist", "Back waist length", "From the bone at the base of the neck down to the natural waist.",
            (330, 520), (180, 420), Seen.BACK, CLOSE),
    Measure("waist_to_hip", "Waist to hip", "Down the side, from the waist to the fullest part of the seat.",
            (130, 300), (80, 220), Seen.SIDE, CLOSE),
    Measure("waist_to_knee", "Waist to knee", "Down the side, from the waist to the middle of the knee.",
            (480, 750), (200, 600), Seen.SIDE, CLOSE),
    Measure("inseam", "Inseam", "From the fork to the floor inside the leg, shoes off; a book held up to the fork helps.",
            (600, 1000), (250, 800), tight=CLOSE),
    Measure("arm", "Arm length", "From the shoulder point over the bent elbow to the wrist bone.",
            (480, 750), (220, 600), Seen.BACK, CLOSE),
    Measure("neck", "Neck", "Round the base of the neck, over the bone at the back.",
            (290, 520), (220, 380), tight="Two fingers under the tape.", over="On the skin."),
    Measure("shoulder", "Shoulder length", "From the base of the neck along the top of the shoulder to its bone.",
            (90, 180), (50, 130), Seen.BACK, CLOSE),
    Measure("upper_arm", "Upper arm", "Round the fullest part of the upper arm, elbow bent.",
            (210, 560), (130, 330), tight=SNUG),
    Measure("crotch_depth", "Crotch depth", "Sitting on a flat chair: down the side, from the waist to the seat of the chair.",
            (200, 400), (130, 300), Seen.SEATED, CLOSE),
    Measure("height", "Height", "Against a wall, heels to it, a book level on the head.", (1350, 2100), (600, 1750),
            Seen.SIDE, "Mark the wall, step away, measure.", "Shoes off."),
)  # fmt: skip

MEASURE: dict[str, Measure] = {measure.key: measure for measure in MEASURES}


@dataclass(frozen=True)
class Question:
    """A doubt about a measurement: which field, and a sentence that asks."""

    key: str
    text: str


def questions(body: Mapping[str, float], age: Age, units: Units) -> tuple[Question, ...]:
    """Doubts about a set of measurements (key → millimetres); none if all is plausible.

    Asks about inches typed as centimetres and the reverse, a child's figure on an adult, a waist well
    above the hip, and a high bust above the bust.
    """
    doubts = [doubt for key, value in body.items() if (doubt := _range_doubt(key, value, age, units))]
    waist, hip = body.get("waist"), body.get("hip")
    doubted = {doubt.key for doubt in doubts}
    if waist and hip and waist > hip * 1.15 and not doubted & {"waist", "hip"}:
        doubts.append(Question("waist", (
            f"The waist ({format_length(waist, units)}) is well above the hip ({format_length(hip, units)}). "
            "Are the two the right way round?"
        )))  # fmt: skip
    high, full = body.get("high_bust"), body.get("bust")
    if high and full and high > full * 1.02 and not doubted & {"bust", "high_bust"}:
        doubts.append(Question("high_bust", (
            f"The high bust ({format_length(high, units)}) is above the full bust "
            f"({format_length(full, units)}). Are the two the right way round?"
        )))  # fmt: skip
    return tuple(doubts)


def _range_doubt(key: str, value: float, age: Age, units: Units) -> Question | None:
    measure = MEASURE.get(key)
    if measure is None:
        return None
    low, high = measure.plausible(age)
    if low <= value <= high:
        return None
    shown = format_length(value, units)
    name = measure.name.lower()
    # A slip of unit is the likelier story for a small figure, a wrong age for a large one.
    if low <= value * INCH / 10 <= high:
        meant = format_length(value * INCH / 10, Units.METRIC)
        return Question(
            key,
            f"{shown} is very little for the {name}. Was it measured in inches? {value / 10:g} in would be {meant}.",
        )
    other = Age.CHILD if age is Age.ADULT else Age.ADULT
    other_low, other_high = measure.plausible(other)
    if other_low <= value <= other_high:
        whom = "an adult" if age is Age.ADULT else "a child"
        return Question(
            key, f"{shown} for the {name} is {_article(other)} figure, and this person is {whom}. Is it right?"
        )
    if low <= value * 10 / INCH <= high:
        meant = format_length(value * 10 / INCH, Units.IMPERIAL)
        return Question(
            key,
            f"{shown} is very much for the {name}. Was it measured in centimetres? {value / INCH:.4g} cm would be {meant}.",
        )
    return Question(key, f"{shown} is unusual for the {name}. Is it right?")


def _article(age: Age) -> str:
    return "a child's" if age is Age.CHILD else "an adult's"
