"""A batch: the same garment for several people in several sizes, cut together from the same cloths."""

from __future__ import annotations

from dataclasses import dataclass, field, replace

from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.units import YARD, Units
from rowanseed.core.base.working import Given, Source, Working, cloth_length, count, money
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import AT, Piece, Shape


@dataclass(frozen=True)
class Member:
    """Garments of the batch besides the project's own: for whom, in which size, altered how, how many."""

    name: str
    size: str
    count: int = 1
    blend: Blend = ()
    alterations: tuple[Alteration, ...] = ()
    id: str = field(default="", compare=False)
    """Which line of a project's list it is."""


def together(own: Pattern, size: str, members: tuple[tuple[Member, Pattern], ...]) -> Pattern:
    """One pattern with the pieces of all garments, every shape filed under `size`.

    `members` come with their own patterns, altered and changed as the garment is. The making graph stays the
    project's own garment's: every other one is made alike.
    """
    pieces = list(own.pieces)
    for k, (member, pattern) in enumerate(members, start=2):
        pieces += [_of_member(piece, size, member, k) for piece in pattern.pieces if member.size in piece.shapes]
    return replace(own, pieces=tuple(pieces))


def _of_member(piece: Piece, size: str, member: Member, number: int) -> Piece:
    size_of = member.size
    cuts = tuple(replace(cut, count=cut.count * member.count) for cut in piece.cuts)
    shape: Shape = piece.shapes[size_of]
    marks = tuple(replace(m, distance={size: m.distance[size_of]}) for m in piece.marks)
    darts = tuple(replace(d, point={size: d.point[size_of]}) for d in piece.darts)
    lines = tuple(replace(line, ends={size: line.ends[size_of]}) for line in piece.lines if size_of in line.ends)
    points = tuple(replace(p, at={size: p.at[size_of]}) for p in piece.points if size_of in p.at)
    return replace(
        piece,
        id=f"{piece.id}{AT}{number}",
        garment=number,
        name=f"{piece.name}, {member.name}",
        shapes={size: shape},
        cuts=cuts,
        marks=marks,
        darts=darts,
        lines=lines,
        points=points,
        drawn_on="",
    )


def garments(members: tuple[Member, ...]) -> int:
    """How many garments the batch has, the project's own counted in."""
    return 1 + sum(member.count for member in members)


def smaller(members: tuple[Member, ...]) -> tuple[Member, ...]:
    """The batch with one garment fewer: one of the last member's."""
    if not members:
        return members
    *others, last = members
    return (*others, replace(last, count=last.count - 1)) if last.count > 1 else tuple(others)


def cost_each(to_buy: float, price: float, number: int, name: str = "", units: Units = Units.METRIC) -> Working:
    """What the cloth costs for one garment of the batch; `to_buy` in mm, `price` for a metre of money called `name`."""
    measure, metres = ("metre", 1.0) if units is Units.METRIC else ("yard", YARD / 1000)
    return Working(
        name="Cloth for each garment",
        quantity=money(round(to_buy / 1000 * price / number, 2), name),
        formula="to buy × price ÷ garments",
        given=(
            Given("to buy", cloth_length(to_buy), Source.WORKED_OUT),
            Given(f"price for a {measure}", money(round(price * metres, 2), name), Source.CHOSEN),
            Given("garments", count(number), Source.CHOSEN),
        ),
        rounding="to a hundredth",
    )
