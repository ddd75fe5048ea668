"""What cannot be laid, which is an answer; and searches that gave none."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from rowanseed.core.base.errors import Mm, PieceId, Refused, RowanseedError, Told


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
class OnTheBias(LayRefusal):
    """A piece drawn on a fold that lies aslant, so that no fold of the cloth runs along its own."""

    piece: PieceId
    ID = "on-the-bias"
    PROBLEM = "“{piece}” lies on the bias and is cut whole, in one layer: its fold runs across the cloth's."
    REMEDY = "Lay the cloth open."


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
    kind.ID: kind for kind in (ClothTooShort, TooWide, OnTheBias, NotWhereAsked, PinnedElsewhere, PinnedTooOften)
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
