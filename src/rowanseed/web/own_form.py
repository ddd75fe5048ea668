"""The form for a garment cut to the measure: which figures each kind asks for, and how they are read."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import TypeVar

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import Units, format_length, parse_length
from rowanseed.core.base.words import Worded
from rowanseed.core.compose.own_measure import CLOSINGS, FULLNESS, Own, OwnClosing, OwnKind
from rowanseed.core.pattern.envelope import Figure


@dataclass(frozen=True)
class Asked:
    """A figure of the form: a length in mm, unless it is a share or a plain number."""

    id: str
    label: str
    least: float
    most: float
    kinds: frozenset[OwnKind]
    is_length: bool = True
    needed: bool = False
    hint: str = ""
    is_whole: bool = False
    filled: bool = True
    """Whether the usual figure stands in the field where none is known."""

    def shown(self, value: float, units: Units) -> str:
        return format_length(value, units) if self.is_length else f"{value:g}"


EVERY, ROBE = frozenset(OwnKind), frozenset({OwnKind.ROBE})
BANDED, APRON = EVERY - ROBE, frozenset(kind for kind in OwnKind if kind.is_apron)
BIB = frozenset({OwnKind.BIB_APRON})
TIERED = frozenset({OwnKind.TIERED})
FULL_SKIRTS = frozenset(FULLNESS) - APRON
ASKED = (
    Asked("waist", "Waist", 300, 2000, BANDED, needed=True),
    Asked("bust", "Bust or chest", 400, 2000, ROBE, needed=True),
    Asked("hip", "Hip", 400, 2200, ROBE, needed=True),
    Asked("hip", "Hip", 400, 2200, FULL_SKIRTS, filled=False, hint="to see that the fullness goes round it"),
    Asked("long", "Finished length", 200, 1800, EVERY, needed=True),
    Asked("coverage", "Share of the waist covered", 0.2, 1.0, APRON, is_length=False, hint="0.67 is two thirds"),
    Asked("tiers", "Tiers", 2, 6, TIERED, is_length=False, is_whole=True),
    Asked("fullness", "Fullness", 1.2, 6.0, frozenset(FULLNESS) - TIERED, is_length=False, hint="times the waist"),
    Asked("fullness", "Fullness of each tier", 1.2, 4.0, TIERED, is_length=False, hint="times the one above it"),
    Asked("ease", "Ease at the waist", 0, 200, BANDED - APRON),
    Asked("bib_wide", "Bib, finished width", 60, 500, BIB),
    Asked("bib_high", "Bib, finished height", 60, 500, BIB),
    Asked("strap", "Strap round the neck, finished width", 5, 120, BIB),
    Asked("band", "Band, finished width", 10, 200, BANDED),
    Asked("underlap", "Lap of the band", 0, 200, BANDED),
    Asked("seam", "Seam allowance", 3, 40, EVERY),
    Asked("hem", "Hem", 5, 150, EVERY - {OwnKind.UNDERSKIRT, *(kind for kind in OwnKind if kind.is_round)}),
)
USUAL_FIGURE = {"waist": 740.0, "bust": 920.0, "hip": 980.0}
LONG, LONG_ROBE = 600.0, 1150.0
"""The figures, and the lengths, in mm, that a garment is drawn with while the wearer's are not known (invented)."""

Kind = TypeVar("Kind", bound=Worded)


def one_of(kind: type[Kind], said: str | None, usual: Kind) -> Kind:
    return next((one for one in kind if one.value == said), usual)


def read_own(typed: Mapping[str, str], units: Units) -> tuple[Own, dict[str, str]]:
    """What was typed, and what is wrong by field."""
    errors: dict[str, str] = {}
    kind = one_of(OwnKind, typed.get("kind"), OwnKind.APRON)
    found = Own(
        kind,
        " ".join(typed.get("name", "").split())[:120] or kind.words.capitalize(),
        figure=one_of(Figure, typed.get("figure"), Figure.UNISEX),
        closing=one_of(OwnClosing, typed.get("closing"), OwnClosing.HOOK) if typed.get("closing") else None,
    )
    for asked in ASKED:
        if kind not in asked.kinds:
            continue
        text = typed.get(asked.id, "").strip()
        if not text:
            if asked.needed:
                errors[asked.id] = f"{asked.label}: this figure is needed."
            continue
        value = _value(asked, text, units)
        if isinstance(value, str):
            errors[asked.id] = f"{asked.label}: {value}"
        elif not asked.least <= value <= asked.most:
            between = f"between {asked.shown(asked.least, units)} and {asked.shown(asked.most, units)}"
            errors[asked.id] = f"{asked.label}: {between}."
        else:
            found = replace(found, **{asked.id: value})  # type: ignore[arg-type]
    return found, errors


def _value(asked: Asked, text: str, units: Units) -> float | str:
    """The figure that was typed, or what is wrong with it."""
    if asked.is_length and text.strip("0,. "):
        try:
            return parse_length(text, units.small)
        except LengthError as error:
            return str(error)
    try:
        value = float(text.replace(",", "."))
    except ValueError:
        return f"“{text[:20]}” is no number."
    if not asked.is_whole:
        return value
    return int(value) if value.is_integer() else "a whole number."


def filled(typed: Mapping[str, str], kind: OwnKind, body: Mapping[str, float] | None, units: Units) -> dict[str, str]:
    """What was typed; the figures of a person who was chosen by now, and usual values, where nothing was. Of what was
    asked for another garment before, its usual values are no choice of hers."""
    out = dict(typed)
    before = next((one for one in OwnKind if one.value == typed.get("asked")), kind)
    if before is not kind:
        untouched = {
            asked.id for asked in ASKED if before in asked.kinds and out.get(asked.id) == _usual(asked, before, units)
        }
        out = {name: said for name, said in out.items() if name not in untouched}
        if out.get("closing") in (None, "", *(one.value for one in CLOSINGS[before][:1])):
            out["closing"] = next((one.value for one in CLOSINGS[kind]), "")
    if body is not None and typed.get("filled") != typed.get("person"):
        known = {name: mm for name, mm in body.items() if name in ("waist", "bust", "hip")}
        out |= {name: format_length(mm, units, unit=False) for name, mm in known.items()}
    for asked in ASKED:
        if kind in asked.kinds and not out.get(asked.id) and asked.filled and not asked.needed:
            out[asked.id] = _usual(asked, kind, units)
    return out | {"filled": typed.get("person", ""), "asked": kind.value}


def on_a_usual_figure(typed: Mapping[str, str], units: Units) -> dict[str, str]:
    """The form with every figure filled in that it lacks, so that the garment can be drawn before any is known."""
    kind = one_of(OwnKind, typed.get("kind"), OwnKind.APRON)
    long = LONG_ROBE if kind is OwnKind.ROBE else LONG
    known = {name: format_length(mm, units) for name, mm in {**USUAL_FIGURE, "long": long}.items()}
    return {**typed, **{name: figure for name, figure in known.items() if not typed.get(name, "").strip()}}


def _usual(asked: Asked, kind: OwnKind, units: Units) -> str:
    """The usual figure of a garment, as it stands in its field."""
    usual = Own(kind, "")
    value = usual.full if asked.id == "fullness" else getattr(usual, asked.id)
    plain = f"{value:.2f}".rstrip("0").rstrip(".")
    return format_length(value, units, fine=True, unit=False) if asked.is_length else plain
