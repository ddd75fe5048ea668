"""The family of errors a sewist may see: what is wrong, where, and what to do about it."""

from __future__ import annotations


class RowanseedError(Exception):
    """Something cannot be done as asked.

    `problem` and `remedy` are whole sentences in the sewist's words; `where` names the place at fault
    (a field, a piece and its edge, a line of a document) or is empty.
    """

    def __init__(self, problem: str, remedy: str = "", where: str = "") -> None:
        super().__init__(problem)
        self.problem = problem
        self.remedy = remedy
        self.where = where

    def __str__(self) -> str:
        place = f"{self.where}: " if self.where else ""
        return f"{place}{self.problem} {self.remedy}".strip()


class LengthError(RowanseedError):
    """A length that cannot be read."""


class MeasureError(RowanseedError):
    """A measurement that is missing or cannot be used."""


class PatternError(RowanseedError):
    """A pattern that does not hold together; `where` names the piece and the edge."""


class DrawingError(RowanseedError):
    """A drawing that cannot be read as pattern pieces."""


class AlterationError(RowanseedError):
    """An alteration that the piece cannot take."""


class DocumentError(RowanseedError):
    """A document whose field `where` is not what its format asks for."""


class LayError(RowanseedError):
    """What cannot be laid on this cloth, and why."""
