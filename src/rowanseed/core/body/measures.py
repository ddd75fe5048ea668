"""What is measured on a person, and whether a figure can be right.

The plausible ranges are wide common-practice bounds (no source): outside them a figure is questioned,
never refused, because bodies are free to be what they are.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import INCH, Units, format_length
from rowanseed.core.base.words import Worded


class Age(Worded):
    ADULT = "adult"
    CHILD = "child"


class Seen(Worded):
    """From which side a measurement is shown."""

    FRONT = "front", "from the front"
    BACK = "back", "from the back"
    SIDE = "side", "from the side"
    SEATED = "seated", "sitting, from the side"


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
    Measure(
        key="bust",
        name="Bust or chest",
        how="Round the fullest part, tape level all round, arms hanging.",
        adult=(700, 1700),
        child=(400, 950),
        tight=SNUG,
        over="Over the underwear, or for an outer garment over what goes beneath it.",
    ),
    Measure(
        key="high_bust",
        name="High bust",
        how="Round the chest straight under the arms, above the bust, a little higher in front.",
        adult=(680, 1550),
        child=(400, 900),
        tight="Firm: the chest, not the bust, carries the tape.",
    ),
    Measure(
        key="waist",
        name="Waist",
        how="Round the natural waist: bend sideways, the crease is there.",
        adult=(500, 1650),
        child=(380, 850),
        tight=SNUG,
        over="Over one thin layer. An old band has stretched and proves nothing.",
    ),
    Measure(
        key="waist_band",
        name="Where the band will sit",
        how="Round where the waistband will sit when worn, level all round; at the natural waist or lower. A band "
        "stretches in wear: one that still fits is no proof of the figure.",
        adult=(500, 1700),
        child=(380, 900),
        tight=SNUG,
        over="Over one thin layer. An old band has stretched and proves nothing.",
    ),
    Measure(
        key="hip",
        name="Hip",
        how="Round the fullest part of the seat, feet together; look from the side for where that is.",
        adult=(700, 1750),
        child=(400, 1000),
        seen=Seen.SIDE,
        tight=SNUG,
    ),
    Measure(
        key="back_waist",
        name="Back waist length",
        how="From the bone at the base of the neck down to the natural waist.",
        adult=(330, 520),
        child=(180, 420),
        seen=Seen.BACK,
        tight=CLOSE,
    ),
    Measure(
        key="waist_to_hip",
        name="Waist to hip",
        how="Down the side, from the waist to the fullest part of the seat.",
        adult=(130, 300),
        child=(80, 220),
        seen=Seen.SIDE,
        tight=CLOSE,
    ),
    Measure(
        key="waist_to_knee",
        name="Waist to knee",
        how="Down the side, from the waist to the middle of the knee.",
        adult=(480, 750),
        child=(200, 600),
        seen=Seen.SIDE,
        tight=CLOSE,
    ),
    Measure(
        key="inseam",
        name="Inseam",
        how="From the crotch to the floor inside the leg, shoes off; a book held up close helps.",
        adult=(600, 1000),
        child=(250, 800),
        tight=CLOSE,
    ),
    Measure(
        key="arm",
        name="Arm length",
        how="From the shoulder point over the bent elbow to the wrist bone.",
        adult=(480, 750),
        child=(220, 600),
        seen=Seen.BACK,
        tight=CLOSE,
    ),
    Measure(
        key="neck",
        name="Neck",
        how="Round the base of the neck, over the bone at the back.",
        adult=(290, 520),
        child=(220, 380),
        tight="Two fingers under the tape.",
        over="On the skin.",
    ),
    Measure(
        key="shoulder",
        name="Shoulder length",
        how="From the base of the neck along the top of the shoulder to its bone.",
        adult=(90, 180),
        child=(50, 130),
        seen=Seen.BACK,
        tight=CLOSE,
    ),
    Measure(
        key="upper_arm",
        name="Upper arm",
        how="Round the fullest part of the upper arm, elbow bent.",
        adult=(210, 560),
        child=(130, 330),
        tight=SNUG,
    ),
    Measure(
        key="crotch_depth",
        name="Crotch depth",
        how="Sitting on a flat chair: down the side, from the waist to the seat of the chair.",
        adult=(200, 400),
        child=(130, 300),
        seen=Seen.SEATED,
        tight=CLOSE,
    ),
    Measure(
        key="height",
        name="Height",
        how="Against a wall, heels to it, a book level on the head.",
        adult=(1350, 2100),
        child=(600, 1750),
        seen=Seen.SIDE,
        tight="Mark the wall, step away, measure.",
        over="Shoes off.",
    ),
)

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
        doubts.append(
            Question(
                "waist",
                (
                    f"The waist ({format_length(waist, units)}) is well above the hip ({format_length(hip, units)}). "
                    "Are the two the right way round?"
                ),
            )
        )
    high, full = body.get("high_bust"), body.get("bust")
    if high and full and high > full * 1.02 and not doubted & {"bust", "high_bust"}:
        doubts.append(
            Question(
                "high_bust",
                (
                    f"The high bust ({format_length(high, units)}) is above the full bust "
                    f"({format_length(full, units)}). Are the two the right way round?"
                ),
            )
        )
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
            (
                f"{shown} is very much for the {name}. Was it measured in centimetres? {value / INCH:.4g} cm would be "
                f"{meant}."
            ),
        )
    return Question(key, f"{shown} is unusual for the {name}. Is it right?")


def _article(age: Age) -> str:
    return "a child's" if age is Age.CHILD else "an adult's"
