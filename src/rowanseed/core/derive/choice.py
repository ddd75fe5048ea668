"""What a garment is lined, stiffened and backed with, and by which school."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.words import Worded


class LiningSchool(Worded):
    """What becomes of the facing where the garment is lined."""

    NONE = "none", "no lining"
    DEDUCT = "deduct", "facing deducted"
    WHOLE = "whole", "whole, facing laid on"


class LinedPart(Worded):
    """What of the garment is lined."""

    ALL = "all", "all of it"
    BODY = "body", "all but the sleeves"
    UPPER = "upper", "above the waist seam"
    LOWER = "lower", "below the waist seam"


class Pleat(Worded):
    """The ease pleat at the lining's centre back."""

    NONE = "none", "no pleat"
    FULL = "full", "over the whole length"
    SHOULDERS = "shoulders", "at the shoulders only"


class LiningHem(Worded):
    """How the lining ends at the hem."""

    FREE = "free", "hanging free"
    ATTACHED = "attached", "sewn to the hem"


class InterfacingSchool(Worded):
    WHOLE = "whole", "whole, caught in the seams"
    TRIMMED = "trimmed", "trimmed by the seam allowance"


@dataclass(frozen=True)
class Layers:
    """The choices; `pad` is the shoulder pad's thickness in mm. As it stands by itself: as the pattern has it.

    `faced` are hems and bound edges (by the ids of their finishes) that are faced instead; `fused`: light interfacing
    over the whole of a ravelly or thin cloth.
    """

    lining: LiningSchool = LiningSchool.NONE
    of: LinedPart = LinedPart.ALL
    pleat: Pleat = Pleat.NONE
    hem: LiningHem = LiningHem.FREE
    pad: float = 0.0
    underlined: bool = False
    interfacing: InterfacingSchool = InterfacingSchool.WHOLE
    trim_under_collar: bool = False
    faced: tuple[str, ...] = ()
    fused: bool = False
