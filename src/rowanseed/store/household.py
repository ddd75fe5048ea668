"""The household's habits."""

from __future__ import annotations

from rowanseed.core.base.units import Units
from rowanseed.core.choices import Habits
from rowanseed.core.make.equipment import Workroom
from rowanseed.formats.workroom_json import read_workroom, write_workroom
from rowanseed.store.database import Connection, transaction


def habits(connection: Connection) -> Habits:
    row = connection.execute("SELECT * FROM household").fetchone()
    return Habits(
        units=Units(row["units"]),
        workroom=read_workroom(row["workroom"]) if row["workroom"] else Workroom(),
        money=row["money"],
        stand_in_shop=bool(row["stand_in_shop"]),
    )


def set_habits(connection: Connection, new: Habits) -> None:
    with transaction(connection):
        connection.execute(
            "UPDATE household SET units = ?, workroom = ?, money = ?, stand_in_shop = ?",
            (new.units.value, write_workroom(new.workroom), new.money, int(new.stand_in_shop)),
        )
