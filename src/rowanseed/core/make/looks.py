"""What work looks like that is done well, where it is the same for many techniques (common practice, no source)."""

from __future__ import annotations

SEWN = "Both ends come out even, and the row runs at one distance from the edge without a pucker or a tuck."
NEATENED = "No whiskers beyond the stitches, and the edge lies flat."
PRESSED_OPEN = "From outside the seam is one clean line, without a ridge or a shine; inside both allowances lie flat."
PRESSED_ASIDE = "From outside no fold of cloth is left in the seam; inside the allowances lie one way all along."
