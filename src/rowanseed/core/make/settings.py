"""Machine settings by task, and the needle by cloth (common practice, no source).

Stitch length and width are in mm, as the dials of machines have them; distances come worded in the household's units.
Stitch numbers are those of ISO 4915, from memory.
"""

from __future__ import annotations

from rowanseed.core.cloth.cloth import SHEER, Fibre, Surface
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.equipment import Foot
from rowanseed.core.make.operation import Bench, Setting
from rowanseed.core.pattern.envelope import Structure

_SIZES = {Fibre.SILK: "70/10", Fibre.WOOL: "90/14", Fibre.POLYESTER: "70/10", Fibre.ACETATE: "70/10"}
_BY_WEIGHT = ((80.0, "60/8"), (130.0, "70/10"), (230.0, "80/12"), (340.0, "90/14"))
"""Up to so many g/m²: the needle's size."""
LINING = "universal 70/10"
"""For a lining of which no more is known than that it is one."""
THICK = 300.0
"""A cloth of so many g/m² is sewn with a longer stitch."""
ORDINARY, ZIPPER = "ordinary foot", "zipper foot"


def needle_for(fibre: Fibre, structure: Structure = Structure.WOVEN, weight: float | None = None) -> str:
    """The needle for a cloth: its point by weave and fibre, its size by weight where that is known."""
    point = "ball-point" if structure is Structure.KNIT else "sharp" if fibre is Fibre.SILK else "universal"
    size = _SIZES.get(fibre, "80/12")
    if weight is not None:
        size = next((found for most, found in _BY_WEIGHT if weight <= most), "100/16")
    return f"{point} {size}"


def needle(choices: MakingChoices, *, lining: bool = False) -> str:
    if not lining:
        return needle_for(choices.fibre, choices.structure, choices.weight)
    cloth = choices.on_the_lining
    if cloth.weight is None and not cloth.is_knit and cloth.fibre not in _SIZES:
        return LINING
    return needle_for(cloth.fibre, cloth.structure, cloth.weight)


def seam(choices: MakingChoices, *, lining: bool = False) -> Setting:
    """A seam by the cloth: stretch stitch on a knit, longer and under a walking foot on pile, finer on a sheer."""
    own = needle(choices, lining=lining)
    if lining:
        choices = choices.on_the_lining
    if choices.is_knit:
        if choices.equipment.stretch_stitch:
            return Setting("stretch stitch", 2.5, ORDINARY, own, "sew without pulling", iso="304")
        return Setting("narrow zigzag, width 0.5", 2.5, ORDINARY, own, "sew without pulling", iso="304")
    if choices.surface is Surface.FUR:
        note = "brush the fur inwards, out of the seam; eye protection, and the hand wheel where it is thickest"
        return Setting("straight", 3.5, "ordinary foot, its pressure let down", own, note)
    if choices.surface.is_pile:
        walking = Foot.WALKING in choices.equipment.feet
        foot = "walking foot" if walking else "ordinary foot, its pressure let down"
        return Setting("straight", 3.0, foot, own, "sew with the pile, from the top down; baste first, pile creeps")
    heavy = choices.weight is not None and choices.weight >= THICK
    light = choices.weight is not None and choices.weight <= SHEER
    return Setting("straight", 3.0 if heavy else 2.2 if light else 2.5, ORDINARY, own)


def staystitch(choices: MakingChoices) -> Setting:
    return Setting("straight", 2.5, ORDINARY, needle(choices), "no backstitch")


def neaten(choices: MakingChoices, *, lining: bool = False) -> tuple[Bench, Setting]:
    """Neatening at the best machine there is."""
    if choices.equipment.overlocker:
        return Bench.OVERLOCKER, overlock(choices)
    own = needle(choices, lining=lining)
    if not choices.equipment.zigzag:
        return Bench.MACHINE, Setting("straight", 2.0, ORDINARY, own, "two rows close to the edge, then pinked")
    return Bench.MACHINE, Setting("zigzag, width 3", 2.0, ORDINARY, own, "off the edge on one side", iso="404")


def overlock(choices: MakingChoices) -> Setting:
    threads = choices.equipment.overlock_threads
    note = "the knife trims whiskers, no cloth"
    if choices.is_knit and choices.equipment.differential:
        note += "; differential feed 1.3 to 1.5, so that the knit does not wave"
    stitch = {2: "2-thread overlock", 3: "3-thread overlock", 4: "4-thread overlock", 5: "3-thread overlock"}[threads]
    iso = {2: "503", 3: "504", 4: "514", 5: "504"}[threads]
    return Setting(stitch, 2.5, "overlocker foot", "the overlocker's own", note, iso)


def zip_foot(choices: MakingChoices, *, invisible: bool) -> Setting:
    has = Foot.INVISIBLE_ZIP in choices.equipment.feet
    foot = ("invisible-zip foot" if has else "zipper foot, close to the coil") if invisible else ZIPPER
    return Setting("straight", 2.5, foot, needle(choices))


def understitch(choices: MakingChoices, away: str, *, lining: bool = False) -> Setting:
    return Setting("straight", 2.5, ORDINARY, needle(choices, lining=lining), f"{away} from the seam")


def topstitch(choices: MakingChoices, away: str, *, lining: bool = False) -> Setting:
    foot = "edge foot" if Foot.EDGE in choices.equipment.feet else ORDINARY
    return Setting("straight", 3.0, foot, needle(choices, lining=lining), f"{away} from the edge")


def dart(choices: MakingChoices, end: str, *, lining: bool = False) -> Setting:
    return Setting("straight", 2.5, ORDINARY, needle(choices, lining=lining), f"stitch length 1.5 for the last {end}")


def longest(choices: MakingChoices, *, lining: bool = False) -> Setting:
    """Basting, gathers, ease rows."""
    return Setting("straight", 4.5, ORDINARY, needle(choices, lining=lining), "set the length back afterwards")


def buttonhole(choices: MakingChoices) -> Setting:
    foot = "buttonhole foot" if Foot.BUTTONHOLE in choices.equipment.feet else "satin-stitch foot"
    note = "bobbin thread a little tighter"
    if choices.surface.is_pile:
        note += "; soluble film over and under the pile"
    return Setting("satin zigzag", 0.4, foot, needle(choices), note, iso="404")


def blind_hem(choices: MakingChoices) -> Setting:
    foot = "blind-hem foot" if Foot.BLIND_HEM in choices.equipment.feet else ORDINARY
    return Setting(
        "blind hem", 2.5, foot, needle(choices), "thread to match exactly; the swing just nips the fold", iso="103"
    )


def hem(choices: MakingChoices, away: str, *, lining: bool = False) -> Setting:
    own = needle(choices, lining=lining)
    if lining:
        choices = choices.on_the_lining
    if choices.is_knit and choices.equipment.coverstitch:
        return Setting("coverstitch, two needles", 3.0, "coverstitch foot", "the coverstitch machine's own", iso="602")
    if choices.is_knit:
        twin = "twin needle, ball-point 4.0/80"
        return Setting("straight, two rows", 3.0, ORDINARY, twin, "both threads above, sew without pulling", iso="406")
    return Setting("straight", 3.0, ORDINARY, own, f"{away} from the inner fold")
