"""A photo straightened on its repeat, against a picture whose perspective is known."""

import io
import random

import numpy as np
import pytest
from PIL import Image, ImageDraw

from rowanseed.core.base.errors import DocumentError
from rowanseed.reading.straighten import in_order, straightened

RED, BLUE, GREEN, WHITE = (200, 30, 30), (30, 30, 200), (20, 150, 60), (240, 240, 240)
CORNERS = ((0.22, 0.18), (0.71, 0.25), (0.78, 0.83), (0.15, 0.66))


def photographed(corners, wide=900, tall=700):
    """A block with a colour in each quarter, seen askew: every point of the photo is looked up on the flat block."""
    spots = [(x * wide, y * tall) for x, y in corners]
    rows, values = [], []
    for (x, y), (u, v) in zip(spots, ((0, 0), (1, 0), (1, 1), (0, 1)), strict=True):
        rows += [[x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]]
        values += [u, v]
    a, b, c, d, e, f, g, h = np.linalg.solve(np.array(rows), np.array(values))
    ys, xs = np.mgrid[0:tall, 0:wide]
    w = g * xs + h * ys + 1
    u, v = (a * xs + b * ys + c) / w, (d * xs + e * ys + f) / w
    picture = np.full((tall, wide, 3), 128, np.uint8)
    for (left, top), colour in zip(((0, 0), (0.5, 0), (0.5, 0.5), (0, 0.5)), (RED, BLUE, GREEN, WHITE), strict=True):
        picture[(u >= left) & (u < left + 0.5) & (v >= top) & (v < top + 0.5)] = colour
    out = io.BytesIO()
    Image.fromarray(picture).save(out, "JPEG", quality=95)
    return out.getvalue()


def quarters(jpeg):
    """The colours in the middle of the four quarters, from the upper left clockwise, and the size."""
    with Image.open(io.BytesIO(jpeg)) as block:
        wide, tall = block.size
        spots = ((0.25, 0.25), (0.75, 0.25), (0.75, 0.75), (0.25, 0.75))
        return [block.convert("RGB").getpixel((int(x * wide), int(y * tall))) for x, y in spots], block.size


def near(found, wanted):
    return all(abs(a - b) < 25 for a, b in zip(found, wanted, strict=True))


def test_a_block_seen_askew_comes_out_square_and_in_its_proportion():
    colours, (wide, tall) = quarters(straightened(photographed(CORNERS), CORNERS, 80.0, 50.0, grain_up=False))
    assert wide / tall == pytest.approx(80 / 50, rel=0.01)
    assert all(near(a, b) for a, b in zip(colours, (RED, BLUE, GREEN, WHITE), strict=True))


def test_where_the_selvedge_runs_up_the_top_comes_to_the_start_of_the_cloth():
    """Turned to the left by a quarter: the garment's top lies at the start, what was on the right is above."""
    colours, (wide, tall) = quarters(straightened(photographed(CORNERS), CORNERS, 80.0, 50.0, grain_up=True))
    assert wide / tall == pytest.approx(80 / 50, rel=0.01)
    assert all(near(a, b) for a, b in zip(colours, (BLUE, GREEN, WHITE, RED), strict=True))


def test_the_corners_may_be_tapped_in_any_order():
    chance = random.Random(3)
    for _ in range(10):
        tapped = list(CORNERS)
        chance.shuffle(tapped)
        assert in_order(tapped) == CORNERS


@pytest.mark.parametrize(
    "corners",
    [
        ((0.5, 0.5),) * 4,
        ((0.1, 0.1), (0.2, 0.2), (0.3, 0.3), (0.4, 0.4)),
        ((0.1, 0.1), (0.9, 0.1), (0.5, 0.3), (0.5, 0.9)),
        ((0.5, 0.5), (0.51, 0.5), (0.51, 0.51), (0.5, 0.51)),
    ],
)
def test_four_that_are_no_corners_are_told(corners):
    with pytest.raises(DocumentError):
        in_order(corners)


def test_a_line_across_the_block_stays_straight():
    image = Image.open(io.BytesIO(photographed(CORNERS)))
    draw = ImageDraw.Draw(image)
    spots = [(x * image.width, y * image.height) for x, y in CORNERS]
    draw.line([spots[0], spots[2]], fill=(0, 0, 0), width=7)
    out = io.BytesIO()
    image.save(out, "JPEG", quality=95)
    with Image.open(io.BytesIO(straightened(out.getvalue(), CORNERS, 80.0, 80.0, grain_up=False))) as block:
        for share in (0.2, 0.4, 0.6, 0.8):
            assert max(block.convert("RGB").getpixel((int(share * block.width), int(share * block.height)))) < 110
