"""What a sewist does to her making order: put off, left out, added, moved, noted, timed; and the samples she kept."""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime

from rowanseed.core.make.line_of_work import OWN, Log, OwnStep
from rowanseed.core.make.operation import Bench
from rowanseed.core.make.own_times import Timed
from rowanseed.store.database import Connection, transaction


def log(connection: Connection, project_id: int) -> Log:
    """Everything that was done to a project's order."""
    states = connection.execute(
        "SELECT step, state, why FROM step_state WHERE project_id = ?", (project_id,)
    ).fetchall()
    ticks = connection.execute("SELECT key FROM tick WHERE project_id = ? AND list = 'sew'", (project_id,))
    moved = connection.execute(
        "SELECT step, comes_before FROM moved_step WHERE project_id = ? ORDER BY id", (project_id,)
    )
    return Log(
        done=frozenset(row["key"] for row in ticks),
        put_off=frozenset(row["step"] for row in states if row["state"] == "put-off"),
        left_out={row["step"]: row["why"] for row in states if row["state"] == "left-out"},
        own=own_steps(connection, project_id),
        moved=tuple((row["step"], row["comes_before"]) for row in moved),
    )


def left_out(connection: Connection, project_id: int) -> tuple[str, ...]:
    """The steps that are left out for good."""
    rows = connection.execute("SELECT step FROM step_state WHERE project_id = ? AND state = 'left-out'", (project_id,))
    return tuple(row["step"] for row in rows)


def own_steps(connection: Connection, project_id: int) -> tuple[OwnStep, ...]:
    rows = connection.execute("SELECT * FROM own_step WHERE project_id = ? ORDER BY id", (project_id,))
    return tuple(
        OwnStep(f"{OWN}{r['id']}", r["title"], Bench(r["bench"]), r["minutes"], r["comes_before"], r["how"])
        for r in rows
    )


def tick(connection: Connection, project_id: int, done: Sequence[str], undone: Sequence[str], at: datetime) -> None:
    """Steps done, and steps that are not done after all, in one change."""
    with transaction(connection):
        for step in (*done, *undone):
            connection.execute("DELETE FROM tick WHERE project_id = ? AND list = 'sew' AND key = ?", (project_id, step))
            connection.execute("DELETE FROM step_state WHERE project_id = ? AND step = ?", (project_id, step))
        connection.executemany(
            "INSERT INTO tick (project_id, list, key, ticked_at) VALUES (?, 'sew', ?, ?)",
            [(project_id, step, at.isoformat(timespec="seconds")) for step in done],
        )


def ticked_at(connection: Connection, project_id: int) -> dict[str, datetime]:
    """When each step was done."""
    rows = connection.execute("SELECT key, ticked_at FROM tick WHERE project_id = ? AND list = 'sew'", (project_id,))
    return {row["key"]: datetime.fromisoformat(row["ticked_at"]) for row in rows}


def put_off(connection: Connection, project_id: int, step: str) -> None:
    _set_state(connection, project_id, step, "put-off", "")


def leave_out(connection: Connection, project_id: int, step: str, why: str) -> None:
    _set_state(connection, project_id, step, "left-out", why)


def _set_state(connection: Connection, project_id: int, step: str, state: str, why: str) -> None:
    with transaction(connection):
        connection.execute(
            "INSERT OR REPLACE INTO step_state (project_id, step, state, why) VALUES (?, ?, ?, ?)",
            (project_id, step, state, why),
        )


def take_up_again(connection: Connection, project_id: int, step: str) -> None:
    """Neither put off nor left out any longer."""
    with transaction(connection):
        connection.execute("DELETE FROM step_state WHERE project_id = ? AND step = ?", (project_id, step))


def add_step(connection: Connection, project_id: int, own: OwnStep) -> str:
    """Keep a step of one's own; the id it is known by."""
    with transaction(connection):
        return _add_step(connection, project_id, own)


def add_steps(connection: Connection, project_id: int, own: Sequence[OwnStep]) -> None:
    with transaction(connection):
        for one in own:
            _add_step(connection, project_id, one)


def _add_step(connection: Connection, project_id: int, own: OwnStep) -> str:
    cursor = connection.execute(
        """
        INSERT INTO own_step (project_id, title, how, bench, minutes, comes_before) VALUES (?, ?, ?, ?, ?, ?)
        """,
        (project_id, own.title, own.how, own.bench.value, own.minutes, own.before),
    )
    return f"{OWN}{cursor.lastrowid}"


def remove_step(connection: Connection, project_id: int, step: str) -> None:
    """Take a step of one's own out again, with what was said of it."""
    number = step.removeprefix(OWN)
    if not number.isdigit():
        return
    with transaction(connection):
        connection.execute("DELETE FROM own_step WHERE project_id = ? AND id = ?", (project_id, int(number)))
        for table, column in (("step_state", "step"), ("moved_step", "step"), ("tick", "key")):
            connection.execute(f"DELETE FROM {table} WHERE project_id = ? AND {column} = ?", (project_id, step))


def move(connection: Connection, project_id: int, step: str, before: str) -> None:
    """Have a step come right before another; where it was moved before, that is forgotten."""
    with transaction(connection):
        connection.execute("DELETE FROM moved_step WHERE project_id = ? AND step = ?", (project_id, step))
        connection.execute(
            "INSERT INTO moved_step (project_id, step, comes_before) VALUES (?, ?, ?)", (project_id, step, before)
        )


def move_back(connection: Connection, project_id: int, step: str) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM moved_step WHERE project_id = ? AND step = ?", (project_id, step))


# ---------------------------------------------------------------- notes at a step


@dataclass(frozen=True)
class StepNote:
    id: int
    step: str
    text: str
    has_photo: bool
    written_on: str


def step_notes(connection: Connection, project_id: int) -> dict[str, tuple[StepNote, ...]]:
    """Notes by their step, the oldest first."""
    rows = connection.execute(
        """
        SELECT id, step, text, photo IS NOT NULL AS has_photo, written_on FROM step_note
        WHERE project_id = ? ORDER BY id
        """,
        (project_id,),
    )
    out: dict[str, list[StepNote]] = {}
    for row in rows:
        note = StepNote(row["id"], row["step"], row["text"], bool(row["has_photo"]), row["written_on"])
        out.setdefault(note.step, []).append(note)
    return {step: tuple(found) for step, found in out.items()}


def add_step_note(
    connection: Connection, project_id: int, step: str, text: str, photo: bytes | None, today: date
) -> None:
    with transaction(connection):
        connection.execute(
            "INSERT INTO step_note (project_id, step, text, photo, written_on) VALUES (?, ?, ?, ?, ?)",
            (project_id, step, text, photo, today.isoformat()),
        )


def remove_step_note(connection: Connection, project_id: int, note: int) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM step_note WHERE project_id = ? AND id = ?", (project_id, note))


def step_photo(connection: Connection, project_id: int, note: int) -> bytes | None:
    row = connection.execute(
        "SELECT photo FROM step_note WHERE project_id = ? AND id = ?", (project_id, note)
    ).fetchone()
    return row["photo"] if row is not None else None


# ---------------------------------------------------------------- the clock


@dataclass(frozen=True)
class Clock:
    """A clock that runs for a step."""

    step: str
    started_at: datetime


def clock(connection: Connection, project_id: int) -> Clock | None:
    row = connection.execute("SELECT step, started_at FROM step_clock WHERE project_id = ?", (project_id,)).fetchone()
    return None if row is None else Clock(row["step"], datetime.fromisoformat(row["started_at"]))


def start_clock(connection: Connection, project_id: int, step: str, now: datetime) -> None:
    with transaction(connection, recorded=False):
        connection.execute(
            "INSERT OR REPLACE INTO step_clock (project_id, step, started_at) VALUES (?, ?, ?)",
            (project_id, step, now.isoformat(timespec="seconds")),
        )


def stop_clock(connection: Connection, project_id: int) -> None:
    with transaction(connection, recorded=False):
        connection.execute("DELETE FROM step_clock WHERE project_id = ?", (project_id,))


def keep_time(connection: Connection, project_id: int, step: str, timed: Timed, today: date) -> None:
    """What the clock said of a step that is done; a step has one time."""
    with transaction(connection):
        connection.execute("DELETE FROM step_time WHERE project_id = ? AND step = ?", (project_id, step))
        connection.execute(
            """
            INSERT INTO step_time (project_id, step, technique, act, expected, minutes, taken_on)
            VALUES (?, ?, ?, ?, ?, ?, ?)
            """,
            (project_id, step, timed.technique, timed.act, timed.expected, timed.minutes, today.isoformat()),
        )


def times(connection: Connection) -> tuple[Timed, ...]:
    """Every time the household took."""
    rows = connection.execute("SELECT technique, act, expected, minutes FROM step_time ORDER BY id")
    return tuple(Timed(**dict(row)) for row in rows)


# ---------------------------------------------------------------- the order as it was last seen


def seen(connection: Connection, project_id: int) -> Mapping[str, str] | None:
    """The order as it was last looked at: what each step said, by its id; None if it never was."""
    row = connection.execute("SELECT steps FROM order_seen WHERE project_id = ?", (project_id,)).fetchone()
    return None if row is None else dict(json.loads(row["steps"]))


def set_seen(connection: Connection, project_id: int, steps: Mapping[str, str]) -> None:
    with transaction(connection, recorded=False):
        connection.execute(
            "INSERT OR REPLACE INTO order_seen (project_id, steps) VALUES (?, ?)",
            (project_id, json.dumps(list(steps.items()), ensure_ascii=False)),
        )


# ---------------------------------------------------------------- samples


@dataclass(frozen=True)
class Sample:
    """A sample that was sewn: on which cloth and layers, how the machine was set, and how it came out."""

    sample: str
    layers: str = ""
    needle: str = ""
    thread: str = ""
    stitch: str = ""
    length: str = ""
    width: str = ""
    tension: str = ""
    foot: str = ""
    result: str = ""
    made_on: str = ""
    id: int = 0
    project: str = ""
    has_photo: bool = False


_SAMPLE = ("layers", "needle", "thread", "stitch", "length", "width", "tension", "foot", "result")


def keep_sample(
    connection: Connection, project_id: int, cloth_id: int | None, sample: Sample, photo: bytes | None
) -> None:
    with transaction(connection):
        connection.execute(
            f"""
            INSERT INTO kept_sample (project_id, cloth_id, sample, {", ".join(_SAMPLE)}, photo, made_on)
            VALUES (?, ?, ?, {", ".join("?" for _ in _SAMPLE)}, ?, ?)
            """,
            (
                project_id,
                cloth_id,
                sample.sample,
                *(getattr(sample, name) for name in _SAMPLE),
                photo,
                sample.made_on,
            ),
        )


def samples(connection: Connection, project_id: int, cloth_id: int | None) -> tuple[Sample, ...]:
    """Samples of a project and those on its cloth, the newest first."""
    rows = connection.execute(
        f"""
        SELECT kept_sample.id, sample, {", ".join(_SAMPLE)}, made_on, photo IS NOT NULL AS has_photo,
            coalesce(project.name, '') AS project
        FROM kept_sample LEFT JOIN project ON project.id = project_id
        WHERE project_id = ? OR cloth_id = ? ORDER BY kept_sample.id DESC
        """,
        (project_id, cloth_id),
    )
    return tuple(Sample(**{**dict(row), "has_photo": bool(row["has_photo"])}) for row in rows)


def sample_photo(connection: Connection, id: int) -> bytes | None:
    row = connection.execute("SELECT photo FROM kept_sample WHERE id = ?", (id,)).fetchone()
    return row["photo"] if row is not None else None


def remove_sample(connection: Connection, id: int) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM kept_sample WHERE id = ?", (id,))
