"""Photos that come in: read, turned upright, made small, everything about place and camera left out."""

from __future__ import annotations

import io

from PIL import Image, ImageOps, UnidentifiedImageError

from rowanseed.core.base.errors import DocumentError
from rowanseed.settings import megabytes, settings

LONG_SIDE = 1200
PIXELS = 60_000_000


def small_jpeg(data: bytes) -> bytes:
    """A photo as a JPEG of at most 1200 points a side. Raises DocumentError for what is no photo."""
    if len(data) > settings().largest_photo:
        raise DocumentError(
            f"The photo is larger than {megabytes(settings().largest_photo)}.", "Send it smaller.", "photo"
        )
    try:
        with Image.open(io.BytesIO(data), formats=("JPEG", "PNG", "WEBP")) as found:
            if found.width * found.height > PIXELS:
                raise DocumentError("The photo has too many points.", "Send it smaller.", "photo")
            upright = ImageOps.exif_transpose(found).convert("RGB")
    except (UnidentifiedImageError, OSError, ValueError, Image.DecompressionBombError):
        raise DocumentError(
            "This is not a photo that can be read.", "A JPEG, PNG or WebP is wanted.", "photo"
        ) from None
    upright.thumbnail((LONG_SIDE, LONG_SIDE))
    out = io.BytesIO()
    upright.save(out, "JPEG", quality=82, optimize=True)
    return out.getvalue()
