"""Whether a trial garment is worth its cloth: of what fits close and has not been sewn before.

Common practice, no source.
"""

from __future__ import annotations

from rowanseed.core.base.units import INCH
from rowanseed.core.pattern.envelope import Envelope, Structure
from rowanseed.core.pattern.legs import INSEAM
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sizing.wish import BANDS_IN, Fit, GarmentClass, garment_class


def trial_garment(pattern: Pattern, view: str) -> str:
    """What a trial garment is made of and how; empty where nothing fits close enough to ask for one."""
    kind = garment_class(pattern.garment)
    has_legs = kind is GarmentClass.LOWER and "skirt" not in pattern.garment.lower()
    has_legs = has_legs or any(piece.has_edge(INSEAM) for piece, _ in pattern.pieces_for(Role.MAIN, view))
    is_tailored = kind in (GarmentClass.JACKET, GarmentClass.COAT)
    has_darts = any(piece.darts for piece, _ in pattern.pieces_for(Role.MAIN, view))
    if not pattern.envelope.sized_by or not (has_legs or is_tailored or has_darts or _is_close(pattern.envelope, view)):
        return ""
    like = "a cheap knit that stretches as much" if pattern.envelope.cloth is Structure.KNIT else "cheap woven cloth"
    return (
        f"Not sewn before from this pattern: a trial garment of {like}, as heavy as the real one, shows what no tape "
        "does. Leave out facings, pockets and lining, but staystitch neck and armholes: stretched, it fits falsely."
    )


def _is_close(envelope: Envelope, view: str) -> bool:
    """Whether it is drawn with no more than semi-fitted ease at the bust, in its smallest size."""
    body = envelope.body_chart.get("bust", {}).get(envelope.sizes[0])
    finished = envelope.finished.get(view, {}).get("bust", {}).get(envelope.sizes[0])
    return body is not None and finished is not None and finished - body <= BANDS_IN["bust"][Fit.SEMI_FITTED][1] * INCH
