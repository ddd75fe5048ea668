"""A style sheet of a few lines that gives a page its cloth's colour; inline styles are not allowed."""

from __future__ import annotations

import re

from fastapi import Response

from rowanseed.drawings.colour import pale, thread

NEUTRAL = "#52615d"
COLOUR = re.compile(r"^#?[0-9a-f]{6}$", re.IGNORECASE)


def style_sheet(colour: str) -> Response:
    """`--thread` and `--thread-pale` for a colour written as six hexadecimal digits."""
    cloth = colour if colour.startswith("#") else f"#{colour}"
    if not COLOUR.match(colour):
        cloth = NEUTRAL
    text = f":root {{ --thread: {thread(cloth)}; --thread-pale: {pale(cloth, 0.82)}; --cloth: {pale(cloth, 0.45)}; }}\n"
    return Response(text, media_type="text/css", headers={"Cache-Control": "max-age=86400"})
