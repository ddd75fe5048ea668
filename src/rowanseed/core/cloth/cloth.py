"""A cloth: how wide, how much of it and in what shape, which way it runs, what is printed on it, how it shrinks."""

from __future__ import annotations

from dataclasses import dataclass, field, fields
from typing import assert_never

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Role


class Direction(Worded):
    """Whether pieces may be turned end for end."""

    TWO_WAY = "two-way", "two-way"
    ONE_WAY = "one-way", "one-way"


class Fibre(Worded):
    COTTON = "cotton"
    LINEN = "linen"
    VISCOSE = "viscose"
    WOOL = "wool"
    SILK = "silk"
    ACETATE = "acetate"
    POLYESTER = "polyester"
    OTHER = "other", "something else"


USUAL_SHRINKAGE: dict[Fibre, float] = {
    # The upper end of the usual allowance, as a share of one (common practice, no source).
    Fibre.COTTON: 0.05,
    Fibre.LINEN: 0.08,
    Fibre.VISCOSE: 0.08,
    Fibre.WOOL: 0.04,
    Fibre.SILK: 0.03,
    Fibre.ACETATE: 0.03,
    Fibre.POLYESTER: 0.01,
    Fibre.OTHER: 0.05,
}


class Surface(Worded):
    """What the swatch is drawn with."""

    PLAIN = "plain"
    SPRIGS = "sprigs", "sprigs, all one way up"
    TOSSED = "tossed", "a tossed print"
    STRIPES = "stripes"
    CHECK = "checks"
    CORD = "needlecord"
    PILE = "pile", "velvet or another pile"
    FUR = "fur", "fur fabric"

    @property
    def is_pile(self) -> bool:
        return self in (Surface.CORD, Surface.PILE, Surface.FUR)

    @property
    def is_deep(self) -> bool:
        """Whether two layers of it creep against each other, so that it is laid and cut one layer at a time."""
        return self in (Surface.PILE, Surface.FUR)


class Use(Worded):
    """What a cloth is meant for; it is offered for that first."""

    GARMENT = "garment", "garments"
    LINING = "lining"
    FUSIBLE = "fusible", "interfacing, fusible"
    SEWN_IN = "sewn-in", "interfacing, sewn in"

    @property
    def stiffens(self) -> bool:
        return self in (Use.FUSIBLE, Use.SEWN_IN)


def suits(use: Use, role: Role) -> bool:
    """Whether a cloth of this use is meant for a cloth of a garment."""
    match role:
        case Role.MAIN | Role.CONTRAST:
            return use is Use.GARMENT
        case Role.LINING:
            return use is Use.LINING
        case Role.INTERFACING:
            return use.stiffens
        case Role.UNDERLINING:
            return use in (Use.LINING, Use.SEWN_IN, Use.GARMENT)
        case _:
            assert_never(role)


SHEER = 80.0
"""Up to so many g/m² a cloth lets through what is under it (common practice, no source)."""


class PrintBorder(Worded):
    """Along which selvedge a border runs."""

    NONE = "none", "no border"
    ONE = "one", "along one selvedge"
    BOTH = "both", "along both selvedges"


@dataclass(frozen=True)
class Repeat:
    """The repeat of a print or weave in mm, along and across the cloth; None where it does not repeat that way.

    With `half_drop` every other column stands half a repeat lower.
    """

    along: float | None = None
    across: float | None = None
    half_drop: bool = False

    @property
    def block(self) -> tuple[float | None, float | None]:
        """The smallest rectangle that repeats squarely: a half drop takes two columns.

        Pieces matched on it are matched on the print; the half drop's own places between are left out.
        """
        return self.along, self.across * 2 if self.across is not None and self.half_drop else self.across

    def __bool__(self) -> bool:
        return self.along is not None or self.across is not None


@dataclass(frozen=True)
class Stripe:
    """A stripe of the weave or print within one repeat: where it begins and how wide it is, in mm."""

    at: float
    width: float


@dataclass(frozen=True)
class Stripes:
    """The lines of stripes or checks within one repeat: `lengthwise` ones stand beside each other across the cloth."""

    lengthwise: tuple[Stripe, ...] = ()
    crosswise: tuple[Stripe, ...] = ()


@dataclass(frozen=True)
class Cloth:
    """A cloth; lengths in mm, shrinkage and stretch as a share of one, weight in g/m², colour as #rrggbb.

    `washed` cloth has shrunk already and is measured as it is. `gone` are patches of the open cloth that nothing may
    touch (x along, y across, from the lower selvedge): holes, flaws, what an earlier garment took.
    """

    name: str
    width: float
    length: float | None
    selvedge: float
    direction: Direction
    fibre: Fibre = Fibre.OTHER
    shrink_along: float = 0.0
    shrink_across: float = 0.0
    washed: bool = False
    colour: str = "#8a8f8c"
    surface: Surface = Surface.PLAIN
    weight: float | None = None
    structure: Structure = Structure.WOVEN
    stretch: float = 0.0
    repeat: Repeat = field(default_factory=Repeat)
    lines: Stripes = field(default_factory=Stripes)
    border: PrintBorder = PrintBorder.NONE
    border_line: float = 0.0
    """How far from its selvedge the line stands that hems lie on."""
    both_sides: bool = False
    """Whether right and wrong side look alike."""
    price: float | None = None
    """For a metre, in the household's money."""
    care: str = ""
    use: Use = Use.GARMENT
    gone: tuple[tuple[Point, ...], ...] = ()

    @property
    def along(self) -> float:
        """What a length along the cloth is multiplied with to have it ready to cut."""
        return 1.0 if self.washed else 1 - self.shrink_along

    @property
    def across(self) -> float:
        return 1.0 if self.washed else 1 - self.shrink_across

    @property
    def ready_width(self) -> float:
        """Width when it is ready to be cut."""
        return self.width * self.across

    @property
    def ready_length(self) -> float | None:
        """Length in hand when it is ready to be cut; None if none is in hand."""
        return None if self.length is None else self.length * self.along

    @property
    def ready_repeat(self) -> tuple[float | None, float | None]:
        """The block of the repeat when the cloth is ready to be cut: a print shrinks with its cloth."""
        along, across = self.repeat.block
        return (None if along is None else along * self.along, None if across is None else across * self.across)

    @property
    def ready_gone(self) -> tuple[tuple[Point, ...], ...]:
        """What is gone, when the cloth is ready to be cut."""
        return tuple(tuple((x * self.along, y * self.across) for x, y in patch) for patch in self.gone)

    @property
    def free_length(self) -> float | None:
        """The longest piece of it, in mm along, that is whole from selvedge to selvedge; None if none is in hand."""
        if self.length is None:
            return None
        at, longest = 0.0, 0.0
        for begins, ends in sorted((min(x for x, _ in patch), max(x for x, _ in patch)) for patch in self.gone):
            longest = max(longest, min(begins, self.length) - at)
            at = max(at, ends)
        return max(longest, self.length - at, 0.0)

    @property
    def is_remainder(self) -> bool:
        return bool(self.gone)


@dataclass(frozen=True)
class PrintedCloth(Cloth):
    """A cloth with a picture of one block of its repeat, x along it, and where that is fetched."""

    print_at: str = ""

    @property
    def bare(self) -> Cloth:
        """The cloth without its picture, for drawings that leave the house."""
        return Cloth(**{each.name: getattr(self, each.name) for each in fields(Cloth)})


def is_delicate(cloth: Cloth) -> bool:
    """Whether it slips away from shears and shows where pins were: silk, a smooth lining, a sheer."""
    is_sheer = cloth.weight is not None and cloth.weight <= SHEER
    is_slippery = cloth.use is Use.LINING and cloth.fibre in (Fibre.VISCOSE, Fibre.ACETATE, Fibre.POLYESTER)
    return not cloth.use.stiffens and (is_sheer or is_slippery or cloth.fibre is Fibre.SILK)
