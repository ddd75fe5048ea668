"""What of a project is printed at its full size: its altered pieces, as they are cut."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from functools import cached_property

from rowanseed.app.open_project import OpenProject
from rowanseed.core.pattern.pieces import Cut, Piece
from rowanseed.core.printing.lines import PrintPiece, print_piece
from rowanseed.core.printing.tiles import Paper, Sheets, lay_on_sheets


@dataclass(frozen=True, eq=False)
class Printing:
    """A project's pieces on paper; `pieces` and `sizes` empty: all that are cut, in the project's size."""

    project: OpenProject
    paper: Paper
    seam_line: bool = True
    pieces: Collection[str] = ()
    sizes: Collection[str] = ()

    @cached_property
    def every(self) -> tuple[tuple[Piece, tuple[Cut, ...]], ...]:
        """All pieces that are cut, each with what is cut of it for this view."""
        core = self.project.core
        found = []
        for piece in core.cut_pattern.pieces:
            cuts = tuple(cut for role in core.roles for cut in piece.cuts_for(role, core.view))
            if cuts:
                found.append((piece, cuts))
        return tuple(found)

    @property
    def every_size(self) -> tuple[str, ...]:
        return self.project.core.cut_pattern.envelope.sizes

    @cached_property
    def chosen_sizes(self) -> tuple[str, ...]:
        own = self.project.core.size
        return tuple(s for s in self.every_size if s in self.sizes) or ((own,) if own else ())

    @cached_property
    def chosen(self) -> tuple[PrintPiece, ...]:
        """The pieces as they are printed; none while there is no size."""
        if not self.chosen_sizes:
            return ()
        return tuple(print_piece(p, self._sizes_of(p), cuts, seam_line=self.seam_line) for p, cuts in self._wanted)

    @property
    def _wanted(self) -> Sequence[tuple[Piece, tuple[Cut, ...]]]:
        return [found for found in self.every if found[0].id in self.pieces] or self.every

    def _sizes_of(self, piece: Piece) -> tuple[str, ...]:
        """The chosen sizes, as far as a piece has them; of what is worked out for one garment, its own."""
        return tuple(s for s in self.chosen_sizes if s in piece.shapes) or tuple(piece.shapes)

    @property
    def in_own_size(self) -> tuple[Piece, ...]:
        """Pieces that are not printed in every size that was chosen: a lining worked out for this garment."""
        if not self.chosen_sizes:
            return ()
        return tuple(p for p, _ in self._wanted if self._sizes_of(p) != self.chosen_sizes)

    @cached_property
    def sheets(self) -> Sheets | None:
        return lay_on_sheets(self.chosen, self.paper) if self.chosen else None

    @property
    def title(self) -> str:
        return f"{self.project.record.name}, size {', '.join(self.chosen_sizes)}"
