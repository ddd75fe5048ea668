"""What every use case has before it: the household's database and habits, and the day."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from rowanseed.core.base.units import Units
from rowanseed.core.choices import Habits
from rowanseed.store.database import Connection


@dataclass(frozen=True)
class Desk:
    """One request's view of the household."""

    db: Connection
    habits: Habits
    today: date

    @property
    def units(self) -> Units:
        return self.habits.units
