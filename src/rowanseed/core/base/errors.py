"""The tree of what may go wrong, written out; each is a record, and is put into words by `saying.said` at the edge.

    RowanseedError
      Told               the sentence is known where it is raised: something written that cannot be read
        LengthError        a length
        PatternError       a pattern that does not hold together; `where` names piece and edge
        DrawingError       a drawing
        DocumentError      a document; `where` names the field
      Refused            a rule of the craft says no: which piece, what is needed, what room there is
        AlterationError    an alteration that the pieces cannot take
        NoSuchLayer        a layer that this garment cannot have
        NothingToSave      what was to save cloth, and this garment has nothing for it
        LayRefusal         what cannot be laid on this cloth, and why: an answer, which is kept
      SearchError        a search that gave no answer: never kept, always to be started again
      StoreError         the database cannot be used, or what was to be changed has changed meanwhile
      NotThere           nothing of this number is there

A Refused has its sentences as templates over its fields, so that lengths (`Mm`) are said in the household's units
and pieces (`PieceId`) by their names.
"""

from __future__ import annotations

from dataclasses import dataclass, fields
from typing import Any, ClassVar

Mm = float
"""A length in millimetres, said in the household's units."""
PieceId = str
"""A piece's id, said by its name."""


class RowanseedError(Exception):
    """Something cannot be done as asked."""

    @property
    def problem(self) -> str:
        """What is wrong, in metric and by ids: for the log and the command line."""
        return str(self)

    @property
    def remedy(self) -> str:
        return ""

    @property
    def where(self) -> str:
        return ""


class Told(RowanseedError):
    """`problem` and `remedy` are whole sentences; `where` names the place at fault, or is empty."""

    def __init__(self, problem: str, remedy: str = "", where: str = "") -> None:
        super().__init__(problem)
        self._said = (problem, remedy, where)

    @property
    def problem(self) -> str:
        return self._said[0]

    @property
    def remedy(self) -> str:
        return self._said[1]

    @property
    def where(self) -> str:
        return self._said[2]

    def __str__(self) -> str:
        place = f"{self.where}: " if self.where else ""
        return f"{place}{self.problem} {self.remedy}".strip()


class LengthError(Told):
    """A length that cannot be read."""


class PatternError(Told):
    """A pattern that does not hold together; `where` names the piece and the edge."""


class DrawingError(Told):
    """A drawing that cannot be read as pattern pieces."""


class DocumentError(Told):
    """A document whose field `where` is not what its format asks for."""


# ---------------------------------------------------------------- refused by a rule of the craft


class Refused(RowanseedError):
    """A record of what was refused. Subclasses are dataclasses with `PROBLEM` and `REMEDY` over their fields."""

    ID: ClassVar[str] = ""
    PROBLEM: ClassVar[str] = ""
    REMEDY: ClassVar[str] = ""
    WHERE: ClassVar[str] = ""

    def values(self) -> dict[str, Any]:
        return {field.name: getattr(self, field.name) for field in fields(self)}  # type: ignore[arg-type]

    def lengths(self) -> frozenset[str]:
        """The fields that are lengths in mm."""
        return frozenset(field.name for field in fields(self) if field.type == "Mm")  # type: ignore[arg-type]

    def pieces(self) -> frozenset[str]:
        """The fields that name a piece by its id."""
        return frozenset(field.name for field in fields(self) if field.type == "PieceId")  # type: ignore[arg-type]

    def _plain(self, template: str) -> str:
        lengths = self.lengths()
        said = {k: f"{v / 10:.1f} cm" if k in lengths else v for k, v in self.values().items()}
        return template.format(**said)

    @property
    def problem(self) -> str:
        return self._plain(self.PROBLEM)

    @property
    def remedy(self) -> str:
        return self._plain(self.REMEDY)

    @property
    def where(self) -> str:
        return self._plain(self.WHERE)

    def __str__(self) -> str:
        place = f"{self.where}: " if self.where else ""
        return f"{place}{self.problem} {self.remedy}".strip()


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


# ---------------------------------------------------------------- what cannot be laid: answers


class LayRefusal(Refused):
    """What cannot be laid on this cloth, and why."""

    @property
    def piece_at_fault(self) -> PieceId | None:
        """The piece that does not fit, where it is one."""
        return getattr(self, "piece", None)


@dataclass(eq=False)
class ClothTooShort(LayRefusal):
    needed: Mm
    in_hand: Mm
    short_by: Mm
    ID = "cloth-too-short"
    PROBLEM = "The cloth is too short by {short_by}: {needed} are needed and {in_hand} are in hand."
    REMEDY = "Try another layout, a smaller size or more cloth."


@dataclass(eq=False)
class TooWide(LayRefusal):
    """Across the cloth the piece takes `needed`, and there is `room`; `open` where it is laid open already."""

    piece: PieceId
    needed: Mm
    room: Mm
    open: bool
    ID = "too-wide"
    PROBLEM = "“{piece}” is {needed} wide across the cloth and there are {room} to lay it on."

    @property
    def REMEDY(self) -> str:  # type: ignore[override]
        if self.open:
            return "Take a wider cloth, or cut the piece in parts."
        return "Lay the cloth open, take a wider cloth, or cut the piece in parts."


@dataclass(eq=False)
class NotWhereAsked(LayRefusal):
    piece: PieceId
    ID = "not-where-asked"
    PROBLEM = "“{piece}” fits the cloth, but not where its print, border, selvedge or motif asks it to lie."
    REMEDY = "Lay the cloth open, or let go of one of these."


@dataclass(eq=False)
class PinnedElsewhere(LayRefusal):
    piece: PieceId
    ID = "pinned-elsewhere"
    PROBLEM = "“{piece}” is pinned in another layout."
    REMEDY = "Take the pin out."


@dataclass(eq=False)
class PinnedTooOften(LayRefusal):
    piece: PieceId
    ID = "pinned-too-often"
    PROBLEM = "“{piece}” is pinned more often than it is cut here."
    REMEDY = "Take a pin out."


LAY_REFUSALS: dict[str, type[LayRefusal]] = {
    kind.ID: kind for kind in (ClothTooShort, TooWide, NotWhereAsked, PinnedElsewhere, PinnedTooOften)
}
"""Every refusal by its id in documents."""


# ---------------------------------------------------------------- failures: never answers


class FlawInCut(Told):
    """A flaw that lies wholly in what has been cut."""

    def __init__(self) -> None:
        super().__init__(
            "That lies in a piece that is cut already.",
            "Look at that piece; the layout of the rest need not change for it.",
        )


class LaidTogether(Told):
    """A flaw in a cloth that several projects are laid on: the rest of one would be laid into the others' places."""

    def __init__(self, others: str) -> None:
        super().__init__(
            f"This cloth is laid together with {others}, whose pieces lie between these.",
            "Mark it by hand on their common table, and lay the rest of all of them again there.",
        )


class HeldWrong(Told):
    """What is to stay where it lies while the rest is laid again is not right itself."""

    def __init__(self, what: str) -> None:
        super().__init__(f"{what}, and would stay so: move it, or take a pin out, before the rest is laid again.")


class SearchError(RowanseedError):
    """A search gave no answer. It says nothing of the cloth, and may be started again."""

    WHAT: ClassVar[str] = ""

    def __init__(self, detail: str = "") -> None:
        super().__init__(self.WHAT)
        self.detail = detail

    @property
    def remedy(self) -> str:
        return "Start it again; nothing else is lost."

    def __str__(self) -> str:
        return self.WHAT


class StoppedTooSoon(SearchError):
    WHAT = "The search was stopped before there was a layout."


class SearchBroke(SearchError):
    WHAT = "The search went wrong here, not with you."


class NoSuchSearch(SearchError):
    WHAT = "There is no search of this name."


class StoreError(RowanseedError):
    """The database cannot be used."""


class NewerDatabase(StoreError):
    """The database was written by a newer version."""

    def __init__(self, found: int, known: int) -> None:
        super().__init__()
        self.found, self.known = found, known

    @property
    def remedy(self) -> str:
        return "Use that version, or a copy of the household from before it."

    def __str__(self) -> str:
        return (
            f"This household was kept by a newer Rowanseed (its database is of version {self.found}, "
            f"and this one knows up to {self.known}). Nothing was changed."
        )


class ChangedMeanwhile(StoreError):
    """What was to be changed has been changed elsewhere since it was shown."""

    @property
    def remedy(self) -> str:
        return "Look at it as it is now, and make your change again."

    def __str__(self) -> str:
        return "This was changed in another window since you opened it, so nothing was changed now."


class NotThere(RowanseedError):
    """Something that was asked for by its number is not there; `what` says what was looked for."""

    def __init__(self, what: str) -> None:
        super().__init__(what)
        self.what = what

    @property
    def remedy(self) -> str:
        return "It may have been put away. Start again from the shelf."

    def __str__(self) -> str:
        return f"There is no such {self.what} here."
