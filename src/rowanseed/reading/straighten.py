"""A photo of cloth straightened on its repeat: four taps on its corners become one block, square and to scale."""

from __future__ import annotations

import io
import math
from collections.abc import Sequence

import numpy as np
from PIL import Image

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import signed_area

LONG_SIDE = 420
"""Points along the longer side of the block."""
LEAST = 0.002
"""The share of the photo that four corners have to go round."""


def in_order(corners: Sequence[Point]) -> tuple[Point, Point, Point, Point]:
    """Four points round their middle: upper left, upper right, lower right, lower left (y down).

    Raises DocumentError for four that are no corners of anything.
    """
    middle = (sum(x for x, _ in corners) / 4, sum(y for _, y in corners) / 4)
    around = sorted(corners, key=lambda p: math.atan2(p[1] - middle[1], p[0] - middle[0]))
    first = min(range(4), key=lambda k: around[k][0] + around[k][1])
    a, b, c, d = (around[(first + k) % 4] for k in range(4))
    ring = (a, b, c, d)
    turns = [_turn(ring[k - 1], ring[k], ring[(k + 1) % 4]) for k in range(4)]
    if min(turns) <= 0 or abs(signed_area(ring)) < LEAST:
        raise DocumentError("These four are not the corners of one block.", "Tap them again, one on each corner.", "")
    return ring


def _turn(a: Point, b: Point, c: Point) -> float:
    return (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])


def straightened(photo: bytes, corners: Sequence[Point], along: float, across: float, *, grain_up: bool) -> bytes:
    """One block of the print as a JPEG, x along the cloth and its start on the left.

    `corners` are shares of the photo's width and height, in any order; `along` and `across` the block in mm;
    `grain_up`: the selvedges run up and down in the photo, the garment's top up.
    """
    ring = in_order(corners)
    with Image.open(io.BytesIO(photo), formats=("JPEG",)) as found:
        whole = found.convert("RGB")
    # As it lies in the photo: wide is across the cloth where the grain runs up.
    wide, tall = (across, along) if grain_up else (along, across)
    scale = LONG_SIDE / max(wide, tall)
    size = (max(8, round(wide * scale)), max(8, round(tall * scale)))
    spots = [(x * whole.width, y * whole.height) for x, y in ring]
    block = whole.transform(size, Image.Transform.PERSPECTIVE, _coefficients(size, spots), Image.Resampling.BICUBIC)
    if grain_up:
        block = block.transpose(Image.Transpose.ROTATE_90)
    out = io.BytesIO()
    block.save(out, "JPEG", quality=85)
    return out.getvalue()


def _coefficients(size: tuple[int, int], spots: Sequence[Point]) -> list[float]:
    """The plane perspective that takes the corners of the block to their places in the photo."""
    wide, tall = size
    rows, values = [], []
    for (u, v), (x, y) in zip(((0, 0), (wide, 0), (wide, tall), (0, tall)), spots, strict=True):
        rows += [[u, v, 1, 0, 0, 0, -x * u, -x * v], [0, 0, 0, u, v, 1, -y * u, -y * v]]
        values += [x, y]
    return [float(value) for value in np.linalg.solve(np.array(rows, float), np.array(values, float))]
