"""The household's habits."""

from __future__ import annotations

from rowanseed.core.base.units import Units
from rowanseed.core.choices import Habits
from rowanseed.store.database import Connection, transaction


def habits(connection: Connection) -> Habits:
    row = connection.execute("SELECT * FROM household").fetchone()
    return Habits(
        units=Units(row["units"]),
        overlocker=bool(row["overlocker"]),
        hem_by_hand=bool(row["hem_by_hand"]),
        money=row["money"],
        overlock_threads=row["overlock_threads"],
        stand_in_shop=bool(row["stand_in_shop"]),
    )


def set_habits(connection: Connection, new: Habits) -> None:
    with transaction(connection):
        connection.execute(
            """
            UPDATE household
            SET units = ?, overlocker = ?, hem_by_hand = ?, money = ?, overlock_threads = ?, stand_in_shop = ?
            """,
            (
                new.units.value,
                int(new.overlocker),
                int(new.hem_by_hand),
                new.money,
                new.overlock_threads,
                int(new.stand_in_shop),
            ),
        )
