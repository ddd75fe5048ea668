"""How much cloth: from the length of a lay to what the shop cuts, and whether what is in hand will do."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.base.units import Units, round_up_for_shop
from rowanseed.core.base.working import Given, Source, Working, cloth_length, fine, length, percent
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.lay.choice import easiest
from rowanseed.core.lay.problem import Plan
from rowanseed.core.pattern.envelope import Envelope, PrintedYardage
from rowanseed.core.pattern.pieces import Role

STRAIGHTENING = 50.0
"""Cloth given up to straighten both ends, in mm (common practice, no source)."""


FORGIVEN = 1.0
"""A millimetre either way is no reason to send anybody to the shop."""


def straightening(cloth: Cloth) -> float:
    """What straightening takes, in mm; a remainder's ends are as they were cut."""
    return 0.0 if cloth.is_remainder else STRAIGHTENING


def to_lay_on(cloth: Cloth, taken: float = 0.0) -> float | None:
    """The length there is to lay on, ready to cut and straightened, in mm; None if none is in hand.

    `taken` is what other parts of the garment are cut from the same cloth, in mm.
    """
    ready = cloth.ready_length
    return None if ready is None else max(0.0, ready - straightening(cloth) - taken)


def is_enough(lay_length: float, cloth: Cloth, taken: float = 0.0) -> bool | None:
    """Whether a lay of this length comes out of the cloth in hand: the one rule. None if none is in hand."""
    hand = to_lay_on(cloth, taken)
    return None if hand is None else lay_length <= hand + FORGIVEN


def lay_to_use(plans: Mapping[str, Plan], cloth: Cloth) -> str | None:
    """The name of the easiest of the shortest lays that the cloth is long enough for; of all, where it is for none.

    An easier lay is a little longer: it is not taken where it would be too long.
    """
    fitting = {name: plan for name, plan in plans.items() if cloth.length is None or is_enough(plan.length, cloth)}
    return easiest(fitting or plans)


@dataclass(frozen=True)
class ClothNeed:
    """What a lay asks for: ready to cut, before shrinking, and as the shop sells it (mm)."""

    lay: Working
    ready: Working
    before_washing: Working
    to_buy: Working
    unmatched: Working | None = None
    """The lay with nothing matched, where something is and both have been laid."""


def need(lay_length: float, cloth: Cloth, gap: float, units: Units, unmatched: float | None = None) -> ClothNeed:
    """From the length of a lay to the length to buy, each step with its sum.

    `unmatched` is how long the lay would be if nothing had to be matched, where something has to.
    """
    given = _width_given(cloth)
    given += [
        Given("selvedge left at each side", fine(cloth.selvedge), Source.TAPE),
        Given("between pieces", fine(gap), Source.PRACTICE),
    ]
    formula = "the pieces laid out on this cloth, as drawn at the Lay"
    plain = None
    if unmatched is not None:
        # A short search may find the matched lay shorter: matching then costs nothing that can be told.
        plain = Working(
            name="Layout without matching",
            quantity=cloth_length(min(unmatched, lay_length)),
            formula=formula,
            given=tuple(given),
        )
        given = [
            plain.as_given(),
            Given("matching costs", cloth_length(max(0.0, lay_length - unmatched)), Source.WORKED_OUT),
            *_repeat_given(cloth),
        ]
        formula = "layout without matching + what matching costs: both really laid"
    lay = Working(name="Length of the layout", quantity=cloth_length(lay_length), formula=formula, given=tuple(given))
    straight = straightening(cloth)
    ready = Working(
        name="Ready to cut",
        quantity=cloth_length(lay_length + straight),
        formula="layout + straightening both ends"
        if straight
        else "the layout: a remainder's ends are as they were cut",
        given=(lay.as_given(), *([Given("straightening", length(straight), Source.PRACTICE)] if straight else [])),
    )
    shrink = 0.0 if cloth.washed else cloth.shrink_along
    before = Working(
        name="Before washing",
        quantity=cloth_length((lay_length + STRAIGHTENING) / (1 - shrink)),
        formula="ready to cut ÷ (1 − shrinkage along the grain)",
        given=(ready.as_given(), Given("shrinkage", percent(shrink), Source.TAPE if cloth.washed else Source.CHOSEN)),
    )
    step = "1/8 yd" if units is Units.IMPERIAL else "10 cm"
    to_buy = Working(
        name="To buy",
        quantity=cloth_length(round_up_for_shop(before.value, units)),
        formula=f"rounded up, as shops sell by {step}",
        given=(before.as_given(),),
        rounding=f"up to the next {step}",
    )
    return ClothNeed(lay=lay, ready=ready, before_washing=before, to_buy=to_buy, unmatched=plain)


def _width_given(cloth: Cloth) -> list[Given]:
    """The width ready to cut, with its sum where the cloth has yet to shrink across."""
    if cloth.washed or not cloth.shrink_across:
        return [Given("width ready to cut", length(cloth.ready_width), Source.TAPE)]
    worked = Working(
        name="Width ready to cut",
        quantity=length(cloth.ready_width),
        formula="width × (1 − shrinkage across)",
        given=(
            Given("width", length(cloth.width), Source.TAPE),
            Given("shrinkage across", percent(cloth.shrink_across), Source.CHOSEN),
        ),
    )
    return [worked.as_given("width ready to cut")]


def _repeat_given(cloth: Cloth) -> list[Given]:
    along, across = cloth.ready_repeat
    found = [("repeat along", along), ("repeat across", across)]
    return [Given(name, fine(mm), Source.TAPE) for name, mm in found if mm is not None]


@dataclass(frozen=True)
class ClothVerdict:
    """Does the cloth in hand do? `spare` is what is left over (mm), negative when it runs short."""

    enough: bool
    spare: Working


def will_it_do(needed: ClothNeed, cloth: Cloth, taken: float = 0.0) -> ClothVerdict | None:
    """Compare what is in hand with what is needed, both ready to cut; None if nothing is in hand.

    `taken` is what other parts of the garment are cut from the same cloth, in mm.
    """
    in_hand = cloth.ready_length
    if in_hand is None or cloth.length is None:
        return None
    given = [Given("in hand", cloth_length(cloth.length), Source.TAPE)]
    if not cloth.washed and cloth.shrink_along:
        given.append(Given("shrinkage", percent(cloth.shrink_along), Source.CHOSEN))
    formula = "in hand" + (" × (1 − shrinkage)" if len(given) > 1 else "") + " less ready to cut"
    if taken:
        given.append(Given("cut from it for other parts", cloth_length(taken), Source.WORKED_OUT))
        formula += " less the other parts"
        in_hand -= taken
    spare = Working(
        name="Left over" if in_hand >= needed.ready.value else "Short by",
        quantity=cloth_length(abs(in_hand - needed.ready.value)),
        formula=formula,
        given=(*given, needed.ready.as_given()),
    )
    return ClothVerdict(in_hand >= needed.ready.value - FORGIVEN, spare)


def printed(envelope: Envelope, view: str, size: str, role: Role, cloth: Cloth) -> PrintedYardage | None:
    """The envelope's own figure for the widest printed width that this cloth has; None if there is none."""
    one_way = cloth.direction is Direction.ONE_WAY
    lines = [
        y
        for y in envelope.yardage
        if (y.view, y.size, y.role) == (view, size, role)
        and y.width <= cloth.width + 30
        and (y.one_way == one_way or not one_way)
    ]
    return max(lines, key=lambda y: (y.width, y.one_way == one_way), default=None)
