"""Elastic zigzagged on, stretched evenly."""

from __future__ import annotations

from rowanseed.core.make.operation import Setting
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.workbench import Workbench


def needs_zigzag(bench: Workbench) -> str:
    """Why it cannot be sewn on; empty where the machine has the stitch."""
    return "" if bench.household.equipment.zigzag else "it needs a zigzag stitch"


def zigzag_setting(bench: Workbench) -> Setting:
    return Setting(
        "zigzag, width 3", 2.5, ORDINARY, needle(bench.household), "three-step zigzag if there is one", "304"
    )
