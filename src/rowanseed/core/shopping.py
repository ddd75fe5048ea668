"""A shopping list for one or several projects, grouped as a shop is walked, what is at home taken off."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field, replace

from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.base.words import plural
from rowanseed.core.base.working import Working
from rowanseed.core.batch import garments
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.yardage import ClothNeed, ClothVerdict, is_enough
from rowanseed.core.notions.added import asked_for, notion
from rowanseed.core.notions.notion import InUse, NotionToBuy
from rowanseed.core.notions.sorts import Group, Sort
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project


@dataclass(frozen=True)
class ShoppingLine:
    """A thing to buy: for whom, how much, with the sums.

    What has a `unit` is counted (`card`, `spool`), what has none is bought by its `length` in mm; None: not worked
    out yet. `home` says in words why it need not be bought, `note` what to mind if it has to. Cloth has the `width`
    it was reckoned at.
    """

    group: Group
    what: str
    count: int
    unit: str
    length: float | None
    projects: tuple[str, ...]
    workings: tuple[Working, ...]
    home: str = ""
    note: str = ""
    width: float | None = None
    sort: Sort | None = None
    """What sort of notion it is; None for cloth."""
    in_use: InUse | None = None
    """How the garments on the list are sewn from the same; None where each has its own."""
    cloth: Cloth | None = None
    role: Role | None = None
    project_ids: tuple[int, ...] = ()

    def amount(self, units: Units) -> str:
        """How much, in words: `2 cards`, `1.60 m`."""
        if self.unit:
            return plural(self.count, self.unit)
        if self.length is None:
            return "not worked out yet" if self.cloth else "no cloth chosen yet"
        return format_cloth(self.length, units) if self.group.is_cloth else format_length(self.length, units)


def merged(lines: Iterable[ShoppingLine]) -> tuple[ShoppingLine, ...]:
    """Lines of the same thing taken together, in the order of the shop.

    Counts and lengths add up, but for what serves several garments: a packet of needles, the cones of an overlocker.
    """
    out: dict[tuple[str, str, str], ShoppingLine] = {}
    for line in lines:
        # Cloth is cut apart and thread has the cloth's colour: each garment has its own.
        own = line.group.is_cloth or (line.sort is not None and line.sort.is_matched)
        key = (line.group.value, line.what, str(line.project_ids or line.projects) if own else "")
        before = out.get(key)
        if before is None:
            out[key] = line
            continue
        both = None if before.length is None or line.length is None else before.length + line.length
        out[key] = replace(
            before,
            count=_together(before, line),
            length=both,
            projects=(*before.projects, *line.projects),
            project_ids=(*before.project_ids, *line.project_ids),
            workings=(*before.workings, *line.workings),
        )
    order = list(Group)
    return tuple(sorted(out.values(), key=lambda line: (order.index(line.group), bool(line.home), line.what)))


def _together(before: ShoppingLine, line: ShoppingLine) -> int:
    """How many of a thing are needed for what is on the list already and one project more."""
    if line.sort is not None and line.sort.serves_several:
        return before.count
    if line.in_use is not None:
        return line.in_use.number(sum(working.value for working in (*before.workings, *line.workings)))
    return before.count + line.count


# ---------------------------------------------------------------- what one project needs


@dataclass(frozen=True)
class ClothWanted:
    """A cloth that a project needs, as far as it is known: `number` is the cloth's on the shelf.

    `is_cut` where it has been cut up already and is no longer on the shelf for others; `laid_with` the project on the
    list whose length of it is for both, since they are laid together.
    """

    role: Role
    cloth: Cloth | None = None
    number: int = 0
    need: ClothNeed | None = None
    verdict: ClothVerdict | None = None
    is_cut: bool = False
    laid_with: str = ""


@dataclass
class Shared:
    """What the projects before this one on the list cut from each cloth (mm, ready to cut), and the last of them."""

    taken: dict[int, tuple[float, str]] = field(default_factory=dict)


def lines_of(
    project: Project, name: str, project_id: int, cloths: Iterable[ClothWanted], shared: Shared
) -> list[ShoppingLine]:
    """What one project needs: its cloths by role, then its notions; what it cuts is added to `shared`."""
    if project.choices is None:
        return []
    out = [_cloth_line(project, name, wanted, shared) for wanted in cloths]
    out += [
        ShoppingLine(
            group=notion.sort.group,
            what=notion.what,
            count=notion.count,
            unit=notion.unit,
            length=notion.length,
            projects=(name,),
            workings=(notion.working,),
            sort=notion.sort,
            in_use=notion.in_use,
        )
        for notion in notions_of(project)
    ]
    return [replace(line, project_ids=(project_id,)) for line in out]


def notions_of(project: Project) -> list[NotionToBuy]:
    """Every notion of a project and its batch: worked out, asked for by the garment, added by the sewist."""
    size, chosen, garment = project.size, project.cloth_choices, project.garment
    if size is None:
        return []
    number = garments(chosen.batch)
    found = notions(
        garment,
        project.view,
        size,
        project.cloths.get(Role.MAIN),
        overlocker=project.habits.equipment.overlocker,
        garments=number,
        threads=project.habits.equipment.overlock_threads,
        card=chosen.card,
        steps=project.made.operations,
    )
    asked = asked_for(project.made.operations, chosen.layers)
    return [
        *found,
        *(replace(one, count=one.count * number) for one in asked if not is_printed(garment, one)),
        *(notion(garment, size, wanted) for wanted in chosen.wanted),
    ]


def is_printed(pattern: Pattern, one: NotionToBuy) -> bool:
    """Whether the envelope prints a notion itself, with its own size and length: that stands on the list already."""
    word = one.what.split(",")[0].split()[-1].lower()
    return any(word in printed.what.lower() for printed in pattern.envelope.notions)


def _cloth_line(project: Project, name: str, wanted: ClothWanted, shared: Shared) -> ShoppingLine:
    units, cloth, needed = project.habits.units, wanted.cloth, wanted.need
    line = ShoppingLine(
        group=Group.CLOTH if wanted.role in (Role.MAIN, Role.CONTRAST) else Group.LINING,
        what=cloth.name if cloth else f"{wanted.role.words.capitalize()} cloth",
        count=1,
        unit="",
        length=needed.to_buy.value if needed else None,
        projects=(name,),
        workings=(needed.to_buy,) if needed else (),
        width=cloth.width if cloth else None,
        cloth=cloth,
        role=wanted.role,
    )
    if needed is None or cloth is None:
        return line
    if wanted.laid_with:
        return replace(line, home=f"laid together with “{wanted.laid_with}”, whose length is for both")
    before, whose = shared.taken.get(wanted.number, (0.0, ""))
    if not wanted.is_cut:
        shared.taken[wanted.number] = (before + needed.ready.value, name)
    if wanted.verdict is None:
        return line
    if not wanted.verdict.enough:
        return replace(line, note=f"What is in hand is short by {wanted.verdict.spare.quantity.show(units)}")
    rest = (cloth.ready_length or 0.0) - before
    if before and not wanted.is_cut and not is_enough(needed.lay.value, cloth, before):
        more = format_cloth(needed.ready.value - max(0.0, rest), units)
        return replace(line, note=f"{whose} is cut from it too: for both it is short by {more}")
    return replace(line, home="enough on the shelf")
