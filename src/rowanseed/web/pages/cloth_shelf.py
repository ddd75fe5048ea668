"""Will any cloth on the shelf do? What small pieces would an off-cut hold, and what is the most a remainder can
give?"""

from __future__ import annotations

from dataclasses import dataclass, replace

from fastapi import APIRouter, Response

from rowanseed.app.lay_outcome import refusal, shortest
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.cloth.remainder import area_in_hand
from rowanseed.core.cloth.yardage import STRAIGHTENING
from rowanseed.core.garment import GarmentChoices, lay_problem
from rowanseed.core.geometry.outline import bounds
from rowanseed.core.lay.estimate import Estimate, FirstSight, estimate
from rowanseed.core.lay.problem import Plan, Problem, laid
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Role
from rowanseed.core.pipeline import altered_once
from rowanseed.core.saving.pieces import moved_to_contrast
from rowanseed.drawings.cloth import draw_left
from rowanseed.jobs import lays as jobs
from rowanseed.store import cloths, lays, projects
from rowanseed.store.cloths import ClothEntry
from rowanseed.web.deps import Home, House, NotFound, Typing, go
from rowanseed.web.pages.jobs import Asked, follow

router = APIRouter()

SECONDS = 3.0
SECONDS_FOR_A_PIECE = 1.0
MOST_ALIKE = 4
SMALL = 0.12
"""Pieces of up to this many m², all copies of one together, are looked for among the off-cuts."""


# ---------------------------------------------------------------- every cloth on the shelf


@dataclass(frozen=True)
class OnShelf:
    """A cloth of the shelf asked whether it will do: what the bounds say, and what a real lay says once there is one.

    Lengths in mm, ready to cut; `hand` is what there is to lay on, `needed` what the shortest lay takes.
    """

    entry: ClothEntry
    problem: Problem
    question: str
    bounds: Estimate
    hand: float
    answered: bool
    plan: Plan | None
    refusal: str

    @property
    def sight(self) -> FirstSight:
        if sum(p.area * p.cut for p in self.problem.pieces) > area_in_hand(self.entry.cloth):
            return FirstSight.NO
        return self.bounds.of(self.hand)

    @property
    def is_open(self) -> bool:
        """Whether only a real lay can tell."""
        return not self.answered and self.sight not in (FirstSight.SURE, FirstSight.NO)

    @property
    def fits(self) -> bool | None:
        if self.plan is not None:
            return self.plan.length <= self.hand + 1
        if self.answered:
            return False
        return {FirstSight.SURE: True, FirstSight.NO: False}.get(self.sight)

    @property
    def spare(self) -> float | None:
        return None if self.plan is None else self.hand - self.plan.length

    @property
    def way(self) -> str:
        return laid(self.plan) if self.plan else ""


def _hand(entry: ClothEntry) -> float:
    """The length there is to lay on: both ends straightened, but a remainder's are as they were cut."""
    ready = entry.cloth.ready_length or 0.0
    return ready if entry.cloth.is_remainder else max(0.0, ready - STRAIGHTENING)


def _asked(home: House, project: OpenProject, entry: ClothEntry, problem: Problem) -> OnShelf:
    question = lays.question_of(problem)
    answers = lays.answers(home.db, question)
    why_not = refusal(answers, project.core.cut_pattern, home.units)
    return OnShelf(
        entry=entry,
        problem=problem,
        question=question,
        bounds=estimate(problem),
        hand=_hand(entry),
        answered=bool(answers),
        plan=shortest(answers),
        refusal=why_not,
    )


def _role(project: OpenProject, wanted: str | None) -> Role:
    found = next((r for r in project.core.roles if r.value == wanted), project.core.roles[0] if project.core.roles else None)
    if found is None:
        raise NotFound("cloth")
    return found


def _shelf(home: House, project: OpenProject, role: Role) -> list[OnShelf]:
    found = [
        _asked(home, project, entry, project.problem(role, entry.cloth))
        for entry in cloths.cloths(home.db)
        if entry.cloth.length
    ]
    return sorted(
        found,
        key=lambda s: (
            s.fits is not True,
            s.fits is False,
            s.spare if s.spare is not None else 1e9,
            s.entry.cloth.name,
        ),
    )


@router.get("/projects/{id}/cloth/shelf")
def show_cloth_shelf(home: Home, id: int, role: str | None = None, give: int | None = None) -> Response:
    project = load(home, id)
    if project.core.choices is None or not project.core.roles:
        return go(f"/projects/{id}/cloth")
    chosen = _role(project, role)
    rows, pieces = _shelf(home, project, chosen), _small_pieces(home, project)
    sizes = _sizes(home, project, chosen, give) if give is not None else []
    left = [s for s in (*rows, *(p.row for p in pieces), *(row for _, row in sizes)) if s.is_open]
    given = next((row.entry for _, row in sizes), None)
    return home.page(
        "cloth_shelf.html",
        project=project,
        station="cloth",
        part="shelf",
        role=chosen,
        rows=rows,
        pieces=[p for p in pieces if p.row.fits],
        left=left,
        sizes=sizes,
        given=given,
        largest=_largest(sizes),
        pictures={
            s.entry.id: draw_left(s.entry.cloth, home.units, f"left-{s.entry.id}")
            for s in rows
            if s.entry.cloth.is_remainder
        },
        moved=[
            project.core.altered.pattern.piece(m)
            for m in project.core.cloth_choices.moved
            if any(p.id == m for p in project.core.altered.pattern.pieces)
        ],
    )


@router.get("/projects/{id}/shelf/{role}/{give}/events")
def events(home: Home, id: int, role: str, give: int) -> Response:
    project = load(home, id)
    chosen = _role(project, role)
    rows = [row for row in _shelf(home, project, chosen) if row.is_open]
    asked = [
        Asked(label=row.entry.cloth.name, problem=row.problem, question=row.question, answered=False, patient=True)
        for row in rows
    ]
    asked += [
        Asked(
            label=f"{name}, {row.entry.cloth.name}",
            problem=row.problem,
            question=row.question,
            answered=False,
            patient=True,
        )
        for name, row in (_sizes(home, project, chosen, give) if give else [])
        if row.is_open
    ]
    asked += [
        Asked(
            label=f"{p.name} on {p.row.entry.cloth.name}",
            problem=p.row.problem,
            question=p.row.question,
            answered=False,
            patient=True,
            seconds=SECONDS_FOR_A_PIECE,
        )
        for p in _small_pieces(home, project)
        if p.row.is_open
    ]
    return follow(home, asked, SECONDS)


@router.post("/projects/{id}/shelf/{role}/{give}/stop")
def stop(home: Home, id: int, role: str, give: int) -> Response:
    project = load(home, id)
    chosen = _role(project, role)
    rows = [*_shelf(home, project, chosen), *(p.row for p in _small_pieces(home, project))]
    rows += [row for _, row in (_sizes(home, project, chosen, give) if give else [])]
    for row in rows:
        jobs.cancel(row.question)
    return go(f"/projects/{id}/cloth")


# ---------------------------------------------------------------- small pieces from off-cuts


@dataclass(frozen=True)
class SmallPiece:
    """A small piece of the main cloth that an off-cut might hold."""

    id: str
    name: str
    row: OnShelf


def _small_pieces(home: House, project: OpenProject) -> list[SmallPiece]:
    """Facings, pockets and bands of the main cloth, on every off-cut that is large enough."""
    if project.core.choices is None:
        return []
    pattern = project.core.garment
    contrast = project.record.cloths.get(Role.CONTRAST)
    off_cuts = [e for e in cloths.cloths(home.db) if e.cut_from is not None and (contrast is None or e.id == contrast)]
    out = []
    for piece, cut in pattern.pieces_for(Role.MAIN, project.record.view):
        if piece.panel in (Panel.FRONT, Panel.BACK, Panel.SLEEVE):
            continue
        for entry in off_cuts:
            pieces = (*project.core.cloth_choices.moved, piece.id)
            problem = lay_problem(
                moved_to_contrast(_only(pattern, set(pieces)), pieces), project.core.choices, Role.CONTRAST, entry.cloth
            )
            one = next((p for p in problem.pieces if p.id == piece.id), None)
            if one is None or one.area * cut.count > SMALL * 1e6 or not _could(one.whole(), entry):
                continue
            out.append(SmallPiece(piece.id, piece.name, _asked(home, project, entry, problem)))
    return out


def _only(pattern: Pattern, ids: set[str]) -> Pattern:
    return replace(pattern, pieces=tuple(p for p in pattern.pieces if p.id in ids))


def _could(outline: tuple[tuple[float, float], ...], entry: ClothEntry) -> bool:
    """Whether a piece's box fits the off-cut's box one way or the other."""
    left, low, right, high = bounds(outline)
    long, wide = right - left, high - low
    have = (_hand(entry), entry.cloth.ready_width)
    return (long <= have[0] and wide <= have[1]) or (wide <= have[0] and long <= have[1])


@router.post("/projects/{id}/cloth/shelf/piece")
def move_piece(home: Home, id: int, typed: Typing) -> Response:
    """Cut a small piece from an off-cut, as the contrast cloth; or from the main cloth again."""
    project = load(home, id)
    piece, number = typed.get("piece", ""), typed.get("cloth", "")
    known = {p.id for p, _ in project.core.altered.pattern.pieces_for(Role.MAIN, project.record.view)}
    if piece not in known:
        raise NotFound("piece")
    moved = [m for m in project.core.cloth_choices.moved if m != piece]
    if number.isdigit() and len(number) < 12 and cloths.cloth(home.db, int(number)) is not None:
        moved.append(piece)
        projects.choose_cloth(home.db, id, Role.CONTRAST, int(number))
    elif not moved and Role.CONTRAST not in project.pattern.roles(project.record.view):
        projects.choose_cloth(home.db, id, Role.CONTRAST, None)
    projects.keep_reckoning(home.db, id, replace(project.core.cloth_choices, moved=tuple(moved)))
    return go(f"/projects/{id}/cloth/shelf")


# ---------------------------------------------------------------- the most a cloth can give


def _sizes(home: House, project: OpenProject, role: Role, give: int | None) -> list[tuple[str, OnShelf]]:
    """Every size of this pattern on one cloth of the shelf, the largest last; as drawn, with nothing altered."""
    entry = cloths.cloth(home.db, give) if give else None
    if entry is None or not entry.cloth.length:
        return []
    out = []
    for size in project.pattern.envelope.sizes:
        choices = GarmentChoices(project.record.view, size)
        pattern = altered_once(project.pattern, choices).pattern
        if not pattern.pieces_for(role, project.record.view):
            continue
        problem = lay_problem(
            pattern=pattern,
            choices=choices,
            role=role,
            cloth=entry.cloth,
            tactics=(),
            matching=project.core.cloth_choices.matched(role),
        )
        out.append((f"size {size}", _asked(home, project, entry, problem)))
    return [*out, *_several(home, project, role, entry)]


def _several(home: House, project: OpenProject, role: Role, entry: ClothEntry) -> list[tuple[str, OnShelf]]:
    """Two and more of the garment as it is in this project, as long as the cloth's area holds them."""
    one = project.problem(role, entry.cloth)
    out = []
    for number in range(2, MOST_ALIKE + 1):
        problem = replace(one, pieces=tuple(replace(p, cut=p.cut * number) for p in one.pieces))
        if sum(p.area * p.cut for p in problem.pieces) > area_in_hand(entry.cloth):
            break
        out.append((f"{number} of this garment, size {project.core.size}", _asked(home, project, entry, problem)))
    return out


def _largest(sizes: list[tuple[str, OnShelf]]) -> str:
    """The largest size that fits, and how many of this garment where it is several."""
    fitting = [name for name, row in sizes if row.fits]
    one = [name for name in fitting if name.startswith("size")]
    return " or ".join([*one[-1:], *[name for name in fitting if name not in one][-1:]])
