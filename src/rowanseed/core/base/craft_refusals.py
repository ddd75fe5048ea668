"""What a rule of the craft says no to before a cloth is there: alterations, layers, ways to save cloth."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.errors import Mm, PieceId, Refused


class AlterationError(Refused):
    """An alteration that the pieces cannot take."""


@dataclass(eq=False)
class NoPlaceFor(AlterationError):
    """The pattern does not have, or does not name, what the alteration works on."""

    what: str
    instead: str = "Leave this alteration out."
    field: str = ""
    PROBLEM = "{what}"
    REMEDY = "{instead}"
    WHERE = "{field}"


@dataclass(eq=False)
class TooShortToShorten(AlterationError):
    piece: PieceId
    size: str
    long: Mm
    PROBLEM = "“{piece}” is {long} long: it cannot be shortened by that much."
    REMEDY = "Shorten it by less."
    WHERE = "Piece “{piece}”, size {size}"


@dataclass(eq=False)
class EndsAboveMark(AlterationError):
    """Shortened, a piece would end above the mark at which something on it ends."""

    piece: PieceId
    size: str
    PROBLEM = "So much shorter “{piece}” would end above the mark where its zip, its opening or its pocket ends."
    REMEDY = "Shorten it by less."
    WHERE = "Piece “{piece}”, size {size}"


@dataclass(eq=False)
class TooNarrow(AlterationError):
    """So much cannot be taken off what is only so wide."""

    what: str
    wide: Mm
    instead: str
    PROBLEM = "{what} {wide}: so much cannot be taken off."
    REMEDY = "{instead}"


@dataclass(eq=False)
class SeamTooNarrow(AlterationError):
    piece: PieceId
    wide: Mm
    PROBLEM = "“{piece}” is {wide} wide where it is narrowest: so much cannot be taken in there."
    REMEDY = "Take in less, or a smaller size."
    WHERE = "Piece “{piece}”"


@dataclass(eq=False)
class OutlineCrosses(AlterationError):
    what: str
    piece: PieceId
    PROBLEM = "With {what} the outline of “{piece}” crosses itself."
    REMEDY = "Change it by less, or another way."


@dataclass(eq=False)
class MoreThanItBears(AlterationError):
    asked: Mm
    most: Mm
    instead: str = "Take another size, or share it among several alterations."
    WHERE = "by"
    PROBLEM = "{asked} is more than this alteration bears; {most} is the most."
    REMEDY = "{instead}"


@dataclass(eq=False)
class OnlyMore(AlterationError):
    PROBLEM = "This can only be more than nothing."
    REMEDY = "Write how thick it is."
    WHERE = "by"


@dataclass(eq=False)
class TakesBack(AlterationError):
    one: str
    other: str
    PROBLEM = "“{one}” takes back “{other}”."
    REMEDY = "Keep one of the two, by the difference."
    WHERE = "by"


@dataclass(eq=False)
class NoSuchLayer(Refused):
    """`what` was chosen among the layers, and `why` the garment cannot have it."""

    what: str
    why: str
    WHERE = "cloth_choices, layers"
    PROBLEM = "{what}: {why}."
    REMEDY = "It is left out, until the layers are chosen again at the Cloth station."


@dataclass(eq=False)
class NothingToSave(Refused):
    """`what` was to save cloth, and `why` nothing comes of it on this garment; `id` of a tactic or a piece."""

    id: str
    what: str
    why: str
    REMEDY = "It is passed over; let go of it at the Cloth station."


@dataclass(eq=False)
class NoUseOfTactic(NothingToSave):
    """A tactic for one cloth, by the `role` of that."""

    role: str
    WHERE = "tactics, {role}"
    PROBLEM = "To save cloth, “{what}”: {why}."


@dataclass(eq=False)
class NoSuchPieceToMove(NothingToSave):
    """A piece that was to be cut from the contrast cloth."""

    WHERE = "cloth_choices, moved"
    PROBLEM = "“{what}” from the contrast cloth: {why}."
