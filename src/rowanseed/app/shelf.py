"""The shelf: every project as a card, and which of the cloths will do for a project."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.app.desk import Desk
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.searching import Asked, asked
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.cloth.cloth import suits
from rowanseed.core.cloth.shelf import Giving, OnShelf, givings, on_shelf, ranked, small_pieces
from rowanseed.core.lay.problem import Problem
from rowanseed.core.pattern.pieces import Role
from rowanseed.settings import settings
from rowanseed.store import cloths, lays, patterns, projects
from rowanseed.store.broken import BrokenRow
from rowanseed.store.cloths import ClothEntry
from rowanseed.store.summaries import ProjectCard, ProjectSummary, StationSummary, cards

WORKED_OUT_AT_ONCE = 8
"""So many stale cards are worked out for one look at the shelf; the others show how they stood last."""
UNSEEN = ProjectSummary(
    colour="52615d",
    cloth="",
    stations=tuple(
        StationSummary(key=key, name=key.capitalize(), done=False, words="open it to see")
        for key in ("fit", "cloth", "lay", "cut", "sew", "keep")
    ),
)


@dataclass(frozen=True)
class Card:
    """A project on the shelf."""

    id: int
    name: str
    size: str | None
    person: str
    pattern_id: int
    summary: ProjectSummary


def project_cards(desk: Desk) -> list[Card]:
    """Every project that can be read, the newest first; a few of those that have changed are worked out now."""
    broken = {row.id for row in projects.broken_projects(desk.db)} if _has_stale(found := cards(desk.db)) else set()
    left = WORKED_OUT_AT_ONCE
    out = []
    for card in found:
        if card.id in broken:
            continue
        summary = card.summary
        if not card.is_fresh and left:
            left -= 1
            summary = _worked_out(desk, card) or summary
        out.append(
            Card(
                id=card.id,
                name=card.name,
                size=card.size,
                person=card.person,
                summary=summary or UNSEEN,
                pattern_id=card.pattern_id,
            )
        )
    return out


def _has_stale(found: list[ProjectCard]) -> bool:
    return any(not card.is_fresh for card in found)


def _worked_out(desk: Desk, card: ProjectCard) -> ProjectSummary | None:
    try:
        project = load(desk, card.id)
        project.write_summary()
    except RowanseedError:
        return None
    return project.summary


def broken_rows(desk: Desk) -> list[BrokenRow]:
    """Everything on the shelf that cannot be read, each told by itself."""
    stale = _has_stale(cards(desk.db))
    return [
        *(projects.broken_projects(desk.db) if stale else []),
        *cloths.broken_cloths(desk.db),
        *patterns.broken_patterns(desk.db),
    ]


# ---------------------------------------------------------------- will any cloth do?


@dataclass(frozen=True)
class SmallPieceOnShelf:
    """A small piece of the main cloth on an off-cut that might hold it."""

    id: str
    name: str
    row: OnShelf


@dataclass(frozen=True)
class ShelfQuestion:
    """What one look at the shelf asks for one cloth of a project; `give` is a cloth asked what it can give."""

    rows: tuple[OnShelf, ...]
    pieces: tuple[SmallPieceOnShelf, ...]
    sizes: tuple[tuple[Giving, OnShelf], ...]

    @property
    def every(self) -> tuple[OnShelf, ...]:
        return (*self.rows, *(piece.row for piece in self.pieces), *(row for _, row in self.sizes))

    @property
    def left(self) -> list[OnShelf]:
        """Those that only a real lay can tell."""
        return [row for row in self.every if row.is_open]

    def asked(self) -> list[Asked]:
        """The searches that are still wanted."""
        usual, brief = settings().seconds_for_a_shelf_cloth, settings().seconds_for_a_small_piece
        found = [asked(row.cloth.name, row.problem, usual, patient=True) for row in self.rows if row.is_open]
        found += [
            asked(f"{giving.words.capitalize()}, {row.cloth.name}", row.problem, usual, patient=True)
            for giving, row in self.sizes
            if row.is_open
        ]
        found += [
            asked(f"{piece.name} on {piece.row.cloth.name}", piece.row.problem, brief, patient=True)
            for piece in self.pieces
            if piece.row.is_open
        ]
        return found


def look_along(project: OpenProject, role: Role, give: int | None = None) -> ShelfQuestion:
    """Every cloth of the shelf for one cloth of the project, small pieces on off-cuts, and what one cloth can give."""
    shelf = [entry for entry in cloths.cloths(project.desk.db) if suits(entry.cloth.use, role)]
    given = cloths.cloth(project.desk.db, give) if give else None
    return ShelfQuestion(
        rows=tuple(
            ranked(
                [_asked_of(project, entry, project.problem(role, entry.cloth)) for entry in shelf if entry.cloth.length]
            )
        ),
        pieces=tuple(_pieces(project, shelf)),
        sizes=tuple(_givings(project, role, given)) if given is not None and given.cloth.length else (),
    )


def _asked_of(project: OpenProject, entry: ClothEntry, problem: Problem) -> OnShelf:
    answers = lays.answers(project.desk.db, lays.question_of(problem))
    return on_shelf(project.core, entry.id, entry.cloth, problem, answers)


def _pieces(project: OpenProject, shelf: list[ClothEntry]) -> Iterator[SmallPieceOnShelf]:
    contrast = project.record.cloths.get(Role.CONTRAST)
    off_cuts = {e.id: e for e in shelf if e.cut_from is not None and (contrast is None or e.id == contrast)}
    for piece in small_pieces(project.core, {id: entry.cloth for id, entry in off_cuts.items()}):
        row = _asked_of(project, off_cuts[piece.number], piece.problem)
        yield SmallPieceOnShelf(id=piece.id, name=piece.name, row=row)


def _givings(project: OpenProject, role: Role, entry: ClothEntry) -> Iterator[tuple[Giving, OnShelf]]:
    for giving in givings(project.core, role, entry.cloth):
        yield giving, _asked_of(project, entry, giving.problem)
