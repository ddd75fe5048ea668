"""What waits for what: steps as knots in columns, each to the right of everything it cannot be done without."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from functools import partial

from rowanseed.core.make.operation import Operation
from rowanseed.drawings.svg import INK, LINE, PAPER, QUIET, add, drawing, number, write

COLUMN, ROW, KNOT, MARGIN = 64.0, 34.0, 12.0, 24.0
SWEEPS = 4


def direct_needs(steps: Sequence[Operation]) -> dict[str, tuple[str, ...]]:
    """What each step must have, without what follows from that already."""
    known = {step.id for step in steps}
    musts = {step.id: {n.step for n in step.needs if n.must and n.step in known} for step in steps}
    whole: dict[str, set[str]] = {}
    for step in steps:
        whole[step.id] = set(musts[step.id])
        for need in musts[step.id]:
            whole[step.id] |= whole.get(need, set())
    return {
        id: tuple(sorted(n for n in needs if not any(n in whole.get(other, set()) for other in needs if other != n)))
        for id, needs in musts.items()
    }


def draw_needs(
    steps: Sequence[Operation], done: Collection[str], focus: str | None, thread: str, *, link: str = ""
) -> str:
    """Every step by its number; those that lead to one, and those that it leads to, drawn full."""
    needs = direct_needs(steps)
    numbers = {step.id: k for k, step in enumerate(steps, start=1)}
    column: dict[str, int] = {}
    for step in steps:
        column[step.id] = 1 + max((column[n] for n in needs[step.id] if n in column), default=-1)
    columns = _columns(steps, needs, column)
    at = {
        id: (MARGIN + k * COLUMN, MARGIN + (row + 0.5) * ROW)
        for k, ids in enumerate(columns)
        for row, id in enumerate(ids)
    }
    near = _around(needs, focus)
    rows = max((len(ids) for ids in columns), default=0)
    root = drawing(
        2 * MARGIN + COLUMN * max(0, len(columns) - 1),
        2 * MARGIN + ROW * rows,
        "What waits for what",
        f"{len(steps)} steps in {len(columns)} columns; each stands to the right of what it waits for.",
        class_="needs-graph",
    )
    root.set("role", "group")
    for full in (False, True):
        for id, before in needs.items():
            for need in before:
                if (id in near and need in near) is not full:
                    continue
                (x0, y0), (x1, y1) = at[need], at[id]
                mid = (x0 + x1) / 2
                add(
                    root,
                    "path",
                    d=f"M{number(x0)} {number(y0)}C{number(mid)} {number(y0)} {number(mid)} {number(y1)} "
                    f"{number(x1)} {number(y1)}",
                    fill="none",
                    stroke=thread if full else LINE,
                    stroke_width=2.4 if full else 1.2,
                )
    for step in steps:
        x, y = at[step.id]
        is_done, is_near = step.id in done, step.id in near
        knot = add(root, "a", href=f"{link}?step={step.id}")
        add(knot, "title", f"{numbers[step.id]}. {step.title}{', done' if is_done else ''}")
        stroke = thread if is_near else QUIET
        add(
            knot,
            "circle",
            cx=x,
            cy=y,
            r=KNOT + (2 if step.id == focus else 0),
            fill=thread if is_done else PAPER,
            stroke=stroke,
            stroke_width=4 if step.id == focus else 2.2 if is_near else 1.4,
        )
        add(
            knot,
            "text",
            str(numbers[step.id]),
            x=x,
            y=y + 4.5,
            font_size=12,
            text_anchor="middle",
            fill=PAPER if is_done else INK,
            font_weight=700 if is_near else 400,
        )
    return write(root)


def _columns(steps: Sequence[Operation], needs: dict[str, tuple[str, ...]], column: dict[str, int]) -> list[list[str]]:
    """The ids of every column from the top, moved so that the lines between them cross little."""
    out: list[list[str]] = [[] for _ in range(1 + max(column.values(), default=-1))]
    for step in steps:
        out[column[step.id]].append(step.id)
    leads: dict[str, tuple[str, ...]] = {step.id: () for step in steps}
    for id, before in needs.items():
        for need in before:
            leads[need] = (*leads[need], id)
    for sweep in range(SWEEPS):
        beside = needs if sweep % 2 == 0 else leads
        for ids in out if sweep % 2 == 0 else reversed(out):
            row = {id: k for column_ids in out for k, id in enumerate(column_ids)}
            ids.sort(key=partial(_middle, beside, row))
    return out


def _middle(beside: dict[str, tuple[str, ...]], row: dict[str, int], id: str) -> float:
    """The middle of the rows that a knot is tied to; its own where it is tied to none."""
    found = [row[n] for n in beside[id]]
    return sum(found) / len(found) if found else row[id]


def _around(needs: dict[str, tuple[str, ...]], focus: str | None) -> set[str]:
    """A step with everything it rests on and everything that rests on it."""
    if focus is None or focus not in needs:
        return set()
    leads: dict[str, tuple[str, ...]] = {}
    for id, before in needs.items():
        for need in before:
            leads[need] = (*leads.get(need, ()), id)
    return _reached(needs, focus) | _reached(leads, focus)


def _reached(links: dict[str, tuple[str, ...]], start: str) -> set[str]:
    found, ask = set[str](), [start]
    while ask:
        id = ask.pop()
        if id not in found:
            found.add(id)
            ask += links.get(id, ())
    return found
