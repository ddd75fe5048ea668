"""Invisible zip."""

from __future__ import annotations

from rowanseed.core.make.families.invisible_zips import invisible
from rowanseed.core.make.families.zips import (
    finds_zips,
    why_not_zips,
)
from rowanseed.core.make.technique import Technique
from rowanseed.core.pattern.making import ClosureKind

_COIL = {"coil": "the spiral of a zip's teeth", "prick stitch": "a backstitch of which only a dot shows"}

TECHNIQUE = Technique(
    id="invisible-zip",
    name="Invisible zip",
    chapter="closures",
    finds=finds_zips(ClosureKind.INVISIBLE_ZIP),
    why_not=why_not_zips(ClosureKind.INVISIBLE_ZIP),
    sews=invisible,
    rank=20,
    also=("concealed zip",),
    words=_COIL,
    draw="invisible zip",
)
