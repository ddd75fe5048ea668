"""Does this cloth suit? What to look for where none is chosen, and what to mind of the one that is, for each role."""

from __future__ import annotations

from typing import assert_never

from rowanseed.core.cloth.choosing import garment_cloth, lining, other_use, stiffening, underlining
from rowanseed.core.cloth.choosing.remark import Chosen, Remark
from rowanseed.core.pattern.pieces import Role

__all__ = ["Chosen", "Remark", "remarks"]


def remarks(chosen: Chosen) -> tuple[Remark, ...]:
    """What is to be said of the cloth for a role, what stands against it first."""
    meant = other_use.remarks(chosen)
    match chosen.role:
        case Role.MAIN | Role.CONTRAST:
            found = garment_cloth.remarks(chosen)
        case Role.LINING:
            found = lining.remarks(chosen)
        case Role.INTERFACING:
            found = stiffening.remarks(chosen)
        case Role.UNDERLINING:
            found = underlining.remarks(chosen)
        case _:
            assert_never(chosen.role)
    return tuple(sorted((*meant, *found), key=lambda remark: remark.weight != "mind"))
