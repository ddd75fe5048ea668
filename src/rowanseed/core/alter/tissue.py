"""An alteration as a person does it on the tissue: which line to cut, where to slash, by how much, in order."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from rowanseed.core.alter.bust import DART_SHORT_OF_POINT
from rowanseed.core.alter.change import Alteration, AlterationStep, Kind
from rowanseed.core.alter.deform import BAND
from rowanseed.core.alter.seam import edge_count
from rowanseed.core.alter.techniques import line_name, title
from rowanseed.core.base.units import Units, format_length
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel


@dataclass(frozen=True)
class TissueSheet:
    """What to do for one alteration: a heading, the pieces it begins with, the steps, and what goes along."""

    title: str
    pieces: tuple[str, ...]
    steps: tuple[str, ...]
    along: tuple[str, ...]


def sheet(step: AlterationStep, units: Units) -> TissueSheet:
    """The instruction for one alteration."""
    pattern = step.before
    alteration = step.alteration
    followers = [t for t in step.touched if _follows(pattern, t.piece, alteration)]
    own = [t for t in step.touched if t not in followers]
    names = tuple(pattern.piece(t.piece).name for t in own)

    def show(mm: float) -> str:
        return format_length(abs(mm), units, fine=True)

    along = tuple(
        f"{pattern.piece(t.piece).name}: {'longer' if t.by > 0 else 'shorter'} by {show(t.by)} ({t.why})."
        if abs(t.by) > 0.3
        else f"{pattern.piece(t.piece).name}: redrawn to match ({t.why})."
        for t in followers
    )
    return TissueSheet(
        title=f"{title(alteration, pattern)} {show(alteration.by)}",
        pieces=names,
        steps=_steps(pattern, step, show),
        along=along,
    )


def _follows(pattern: Pattern, piece: str, alteration: Alteration) -> bool:
    panel = pattern.piece(piece).panel
    on_sleeve = alteration.kind is Kind.SLEEVE_WIDTH or (alteration.kind is Kind.LENGTH and "sleeve" in alteration.at)
    return panel is Panel.BAND or (panel is Panel.SLEEVE and not on_sleeve)


def _steps(pattern: Pattern, step: AlterationStep, show: Callable[[float], str]) -> tuple[str, ...]:
    a = step.alteration
    figure = show(a.by)
    band = show(BAND)
    more = a.by > 0
    match a.kind:
        case Kind.LENGTH if more:
            return (
                f"Cut every piece apart along its printed line “{line_name(a.at)}”.",
                f"Lay paper beneath and spread the halves {figure} apart, the grainline in one line.",
                f"Tape, and draw the edges smooth from {band} above to {band} below.",
            )
        case Kind.LENGTH:
            return (
                f"On every piece draw a line {figure} below the printed line “{line_name(a.at)}”.",
                "Fold the tissue so that the printed line lies on the new one, the grainline in one line; tape.",
                f"Draw the edges smooth from {band} above to {band} below.",
            )
        case Kind.HEM if more:
            return (
                f"Tape paper below the hem. Draw the sides on in their own direction, {figure} long.",
                "Draw the hem across, as curved as it was.",
            )
        case Kind.HEM:
            return (
                f"Measure {figure} up the sides from the hem and draw the hem again, as curved as it was.",
                "Fold the tissue back along it rather than cutting it off, so that the length is not lost.",
            )
        case Kind.SEAM:
            join = pattern.making.join(a.at)
            each = show(a.by / edge_count(pattern, join))
            where = f"At the {a.level} mark a point" if a.level else "All along the seam mark points"
            taper = " Draw a smooth curve from there to nothing at the next levels." if a.level else " Join them."
            return (
                f"{where} {each} {'outside' if more else 'inside'} the cutting line, on each of the two edges.{taper}",
                f"The seam goes round the garment {edge_count(pattern, join)} edges, so that makes {figure} in all.",
                "Cut on the new line; the seam allowance stays as it was.",
            )
        case Kind.BUST:
            half = show(a.by / 2)
            front = next((p for p in pattern.pieces if p.panel is Panel.FRONT), None)
            if front is not None and front.has_edge("princess"):
                grown = show(max((abs(t.by) for t in step.touched), default=0.0))
                return (
                    (
                        f"On the side front mark a point {half} {'outside' if more else 'inside'} the princess edge "
                        "at the "
                        "bust point."
                    ),
                    "Draw a smooth curve through it, to nothing at the armhole and at the waist.",
                    f"The curve is {grown} longer now: cut the front across at the bust and spread it by that.",
                )
            return (
                (
                    "Draw a line from the hem straight up to the bust point, and on to the armhole, between a third "
                    "and a half of it above the underarm."
                ),
                "Draw a second line from the side seam, a little below the bust point's level, to the bust point.",
                f"Slash along both; leave a hinge at the armhole. Swing the side out until the slash is {half} wide "
                "at the bust point, "
                "its edges below parallel."
                if more
                else (
                    f"Slash along both; leave a hinge at the armhole. Lap the slash by {half} at the bust point, its "
                    "edges parallel below."
                ),
                "Cut the centre across below the bust and lower it until the hem is level. Fill the gaps with paper.",
                f"The opening at the side is the bust dart: its point ends {show(DART_SHORT_OF_POINT)} short of the "
                "bust point. "
                "Fold it closed, pressed down, and cut the side edge through.",
            )
        case Kind.SHOULDER_WIDTH:
            return (
                (
                    f"Mark the new shoulder tip {figure} {'beyond' if more else 'inside'} the old one, on the shoulder "
                    "line carried on."
                ),
                "Draw the armhole from there smoothly into the old line at the underarm, on front and back alike.",
            )
        case Kind.SHOULDER_SLOPE:
            way = "down" if more else "up"
            return (
                f"Move the shoulder tip {figure} {way}; draw the shoulder from the neck, which stays.",
                (
                    f"Move the whole armhole {way} by the same, so that it keeps its length; true the side seam to the "
                    "waist."
                ),
            )
        case Kind.SHOULDER_PADS:
            return (
                f"Raise the shoulder tip of front and back by {figure}, to nothing at the neck.",
                "Raise the sleeve's cap until it fits the armhole again; it is worked out under “goes along”.",
            )
        case Kind.SWAY_BACK:
            if any(p.panel is Panel.BACK and p.has_edge("crotch") for p in pattern.pieces):
                return (
                    f"At the centre back mark a point {figure} {'below' if more else 'above'} the waist edge.",
                    "Draw the waist from there to nothing at the side seam; fold the dart closed while you cut it.",
                )
            return (
                "Draw a line across the back at the waist, from the centre to the side seam.",
                (
                    f"{'Fold out' if more else 'Slash and spread'} a wedge along it: {figure} at the centre, nothing "
                    "at the side."
                ),
                "Draw the centre back straight again, and the grainline along it.",
            )
        case Kind.ROUND_BACK:
            return (
                "Slash across the back at the shoulder blades, from the centre to the armhole; leave a hinge there.",
                f"{'Spread' if more else 'Lap'} it by {figure} at the centre; keep the centre back in one line.",
                "The back shoulder has changed a little: ease it, or take a small dart.",
            )
        case Kind.SLEEVE_WIDTH:
            return (
                "Slash the sleeve down its middle and across at the upper arm, leaving hinges at all four ends.",
                (
                    f"{'Spread' if more else 'Lap'} the middle by {figure} at the upper arm, nothing at the cap's top "
                    "and the wrist."
                ),
                "Redraw the cap so that it keeps its length: it comes out a little lower when the sleeve is wider.",
            )
        case Kind.CROTCH_LENGTH:
            each = show(a.by / 2)
            return (
                f"Mark a point {each} {'beyond' if more else 'inside'} the fork on front and back.",
                "Draw the crotch curve to it, and the inner leg seam from it to nothing at the knee.",
            )
    raise ValueError(f"no instruction for {a.kind}")
