"""The vocabulary of hand sewing: words that other techniques use, explained in one place."""

from __future__ import annotations

from rowanseed.core.make.technique import Companion

WORDS = {
    "baste": "to hold layers by long stitches that come out again",
    "diagonal basting": "slanting stitches in parallel rows that keep two layers from shifting over their whole face",
    "running stitch": "the needle in and out at even steps, for gathering and for seams without strain",
    "backstitch": "a stitch back for every step forward, the strongest by hand; at a machine back and forth",
    "buttonhole stitch": "stitches side by side over an edge, a knot on the edge at each",
    "overcast": "slanting stitches over a raw edge, so that it does not fray",
    "tack": "to hold two layers by a few loose stitches in one place",
    "edgestitch": "a row of stitching close beside a fold or seam",
    "topstitch": "a row of stitching meant to be seen from the right side",
}

TECHNIQUE = Companion(
    id="hand-stitches", name="Hand stitches", chapter="finish", adds=lambda bench, operations: iter(()), words=WORDS
)
