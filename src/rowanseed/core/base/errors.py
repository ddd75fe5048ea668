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

Those of the craft are in `craft_refusals`, those of a lay and of its searches in `lay_errors`. A Refused has its
sentences as templates over its fields, so that lengths (`Mm`) are said in the household's units and pieces (`PieceId`)
by their names.
"""

from __future__ import annotations

from dataclasses import fields
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
