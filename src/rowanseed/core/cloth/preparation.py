"""Making cloth ready to cut, by its fibre: the test first, then washing or steaming, then straight ends.

Common practice, no source. What the cloth's own label or its maker says rules where it differs.
"""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Surface, Use
from rowanseed.core.pattern.envelope import Structure


@dataclass(frozen=True)
class Preparation:
    """One thing to do: a key that stays the same, what to do, why, and the usual caution if there is one."""

    key: str
    what: str
    why: str
    caution: str = ""


_STEAM = "Iron and steam burn: keep fingers out of the cloud, and never leave the iron on."
_TEAR = {Fibre.COTTON, Fibre.LINEN, Fibre.WOOL}

_SHRINK: dict[Fibre, Preparation] = {
    Fibre.WOOL: Preparation(
        key="shrink",
        what="Steam it flat, the iron hovering; let it cool before you move it.",
        why=(
            "Hold the iron's point in one place first: if ripples form round it, the cloth shrinks and all of it has "
            "to be steamed."
        ),
        caution=_STEAM,
    ),
    Fibre.SILK: Preparation(
        "shrink",
        "Wash a marked scrap by hand as the garment will be washed; then the cloth, or leave it to dry cleaning.",
        "Silk can spot and lose its body: the scrap shows it.",
    ),
    Fibre.VISCOSE: Preparation(
        "shrink",
        "Wash and dry it as the garment will be; hang it without spinning.",
        "Viscose shrinks most of all, and linings must never be spun.",
    ),
    Fibre.ACETATE: Preparation(
        "shrink",
        "Soak it in hot water and hang it up dripping.",
        "Acetate shrinks in heat, and spinning breaks creases into it for good.",
    ),
    Fibre.POLYESTER: Preparation(
        "shrink", "Wash it once, cool.", "It hardly shrinks, but the finish comes off and the needle skips less."
    ),
}
_SHORT_PILE = {
    True: "Fold it with the pile inside, and not tighter than it falls.",
    False: "Lay it open, in one layer.",
    None: "It lies best open, in one layer; if folded, the pile is inside and the fold not tighter than it falls.",
}
"""How a cloth of short pile is laid, by whether it will be folded."""
_FUSIBLE = (
    Preparation(
        "shrink",
        "Lay it in hand-warm water for twenty minutes and hang it up to drip dry, or prove on a scrap that there is no "
        "need.",
        "Never wash it hot, spin or iron it: heat melts the glue before it is where it belongs.",
    ),
    Preparation(
        "scrap",
        "Fuse one of two equal squares of the garment's cloth, let it cool, and lay it on the other.",
        "It shows whether it shrinks, shines through or stiffens more than is wanted.",
        caution=_STEAM,
    ),
    Preparation(
        "glue",
        "Find the glue side: it glitters and is rough. Mark the other one.",
        "Glue on the iron is the usual accident.",
    ),
)
_WASH = Preparation(
    "shrink",
    "Wash and dry it as the garment will be, cloth and lining both.",
    "What shrinks now does not shrink on the wearer.",
)


def preparation(cloth: Cloth, units: Units, *, folded: bool | None = None) -> tuple[Preparation, ...]:
    """What to do before this cloth is laid out, in order; washing is left out where it is washed already.

    `folded` is whether it will lie in two layers; None where that is not known yet.
    """
    out = []
    if cloth.use is Use.FUSIBLE:
        return _FUSIBLE
    if not cloth.washed:
        size = "20 cm" if units is Units.METRIC else "8 in"
        out.append(
            Preparation(
                "square",
                f"Mark a square of {size} on a corner and measure it before and after.",
                "The two lengths tell what the cloth shrinks, along and across.",
            )
        )
        out.append(_SHRINK.get(cloth.fibre, _WASH))
    if cloth.fibre is Fibre.OTHER:
        out.insert(
            0,
            Preparation(
                key="burn",
                what="Not sure what it is? Burn a snippet held in tweezers.",
                why=(
                    "Wool and silk smell of hair and crumble, cotton, linen and viscose of paper and leave ash, "
                    "polyester melts to a bead."
                ),
                caution="Outdoors or over a sink, a small snippet, tweezers, water at hand.",
            ),
        )
    if cloth.fibre in _TEAR:
        how = "Tear a strip off each end, or pull a thread and cut along it."
    elif cloth.fibre is Fibre.SILK:
        how = "Pull a thread near each end and cut along it; never tear silk."
    else:
        how = "Pull a thread near each end and cut along it."
    out.append(Preparation("ends", how, "Only then is it seen whether the cloth is on grain."))
    out.append(
        Preparation(
            "grain",
            "Fold it, selvedges together: if they do not meet without ripples, pull it straight on the bias.",
            "A skewed cloth twists on the body for good.",
        )
    )
    if cloth.structure is Structure.KNIT:
        out = [step for step in out if step.key != "ends"]
        out.append(
            Preparation(
                "rest",
                "Let it lie flat overnight, not over the table's edge.",
                "Knitted cloth stretches under its own weight and draws back when it is cut.",
            )
        )
    if cloth.both_sides:
        apart = "15 cm" if units is Units.METRIC else "6 in"
        out.append(
            Preparation(
                "side",
                f"Choose a right side and mark it with pins along the selvedge, every {apart}.",
                "Both sides look alike until they are sewn: use the same one throughout.",
            )
        )
    if cloth.repeat and not cloth.washed:
        out.append(
            Preparation(
                "repeat",
                "Measure the repeat again when it is dry.",
                "The print shrinks with its cloth; matching goes by what it is then.",
            )
        )
    if cloth.surface is Surface.FUR:
        out.append(
            Preparation(
                key="fur",
                what=(
                    "Lay it one layer at a time, fur down, and cut the backing only, with the points of small scissors "
                    "or a blade."
                ),
                why="The hairs stay whole, and hide the seams when they are brushed out of them.",
                caution="Fur sheds fibres as it is cut: wear a dust mask, and vacuum table and machine.",
            )
        )
    elif cloth.surface.is_pile:
        out.append(
            Preparation(
                "pile",
                "Cut it one layer at a time, the pile face down, and cut the backing only."
                if cloth.surface.is_deep
                else f"Stroke it: the smooth way is down. {_SHORT_PILE[folded]}",
                "Two layers of pile creep against each other, and pressed from the right side it is crushed.",
            )
        )
    if cloth.direction is Direction.ONE_WAY:
        out.append(
            Preparation(
                "nap",
                "Hold it up both ways before a mirror and chalk an arrow for the way you like.",
                "Every piece has to point that way; pile usually runs down.",
            )
        )
    return tuple(out)


def square_shrinkage(before: float, after: float) -> float:
    """The share a cloth shrinks, from a marked length before and after washing (mm); stretching counts as nothing.

    (before - after) / before, as AATCC 135 and ISO 5077 express dimensional change, with the sign reversed.
    """
    return max(0.0, (before - after) / before)
