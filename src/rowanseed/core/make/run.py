"""How the stitching of a seam runs: from where to where, which way, and which of its ends are secured."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.words import Worded

ZIP, PLACKET, SLIT, OPENING, RAW_EDGE = "zip", "placket", "slit", "opening", "raw edge"
Marked = tuple[str, str]
"""A piece and its mark."""


class Secured(Worded):
    """Which ends of a row are held by a few stitches back."""

    BOTH = "both", "a few stitches back at both ends"
    BEGINNING = "beginning", "a few stitches back at the beginning"
    END = "end", "a few stitches back at the end"


@dataclass(frozen=True)
class Run:
    """How a seam runs over the whole garment: from one end to the other, or all round.

    `backwards`: it begins where side a of its join ends. `said` says it where the two ends alone do not. `from_mark`
    and `to_mark` (piece, mark) are where it begins or ends short of its join's ends, `short` how far before them, in
    mm. It `goes_on` where it runs over the end of its join onto another.
    """

    start: str
    end: str
    ring: bool = False
    backwards: bool = False
    secured: Secured = Secured.BOTH
    said: str = ""
    from_mark: Marked | None = None
    to_mark: Marked | None = None
    short: tuple[float, float] = (0.0, 0.0)
    goes_on: bool = False

    @property
    def words(self) -> str:
        if self.said:
            return self.said
        if self.ring:
            return "all round"
        if self.start == self.end and self.start in (ZIP, PLACKET, SLIT, OPENING):
            return f"from one side of the {self.start} to the other"
        return (
            f"from {self.start} to {self.end}" if self.start == self.end else f"from the {self.start} to the {self.end}"
        )


OVER_THE_SHOULDER = Run(
    "side seam", "side seam", said="from the side's stitching line over the shoulder to the other side's"
)
"""An armhole that is sewn while the sides are open."""
