"""Whether a cloth is kept for another use than the one it is chosen for (common practice, no source)."""

from __future__ import annotations

from collections.abc import Iterator
from typing import assert_never

from rowanseed.core.cloth.choosing.remark import Chosen, Remark
from rowanseed.core.cloth.cloth import Cloth, Use
from rowanseed.core.pattern.pieces import Role

GLUE = "It is kept as a fusible interfacing: its glue melts under the iron, and nothing is cut from it by itself."
SEWN_IN = "It is kept as an interfacing, which is made to stiffen: a garment of it stands off and creases."
THIN = "It is kept as a lining: thin and slippery for what is worn by itself, it strains at the seams."
NO_INTERFACING = (
    "It is not kept as an interfacing, and the steps fuse what they stiffen: say on its own page that it is sewn in, "
    "if that is what you mean."
)


def remarks(chosen: Chosen) -> Iterator[Remark]:
    """On a cloth that is meant for something else; nothing where none is chosen."""
    if chosen.cloth is not None and (found := _of(chosen.role, chosen.cloth)) is not None:
        yield found


def _of(role: Role, cloth: Cloth) -> Remark | None:
    match role:
        case Role.MAIN | Role.CONTRAST | Role.LINING | Role.UNDERLINING if cloth.use is Use.FUSIBLE:
            return Remark("kept-as-fusible", GLUE, "mind")
        case Role.MAIN | Role.CONTRAST | Role.LINING if cloth.use is Use.SEWN_IN:
            return Remark("kept-as-interfacing", SEWN_IN, "mind")
        case Role.MAIN | Role.CONTRAST if cloth.use is Use.LINING:
            return Remark("kept-as-lining", THIN)
        case Role.INTERFACING if not cloth.use.stiffens:
            return Remark("kept-for-garments", NO_INTERFACING)
        case Role.MAIN | Role.CONTRAST | Role.LINING | Role.INTERFACING | Role.UNDERLINING:
            return None
        case _:
            assert_never(role)
