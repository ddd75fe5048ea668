"""The compiled heart of the search: depth look-ups, a first fill, and separating pieces that overlap.

Compiled by Numba: arrays and named tuples of arrays only, with no types written since the compiler infers
them. Item i may lie in the options `first[i]..first[i + 1]`; `w` are the weights of the pairs.

Everything compiled stands in this one file, because the compiler's cache notices a change of the file
that a function stands in, but not of the functions it calls elsewhere.
"""

from __future__ import annotations

import math
from typing import Any, NamedTuple

import numpy as np
from numba import njit

from rowanseed.core.lay.search.tuning import Moves

CELL = 16.0
"""Width of a grid cell in mm."""

Array = np.ndarray[Any, Any]


TOUCHING = 0.02
"""An overlap no deeper than this, in mm, is none: the tables keep a greater clearance."""
UNIFORM, LOCAL, REFINED = 30, 24, 1
COARSE = 2.0
"""The least step of the first fill, in mm: what it leaves open the search closes."""


class Tables(NamedTuple):
    """All tables, joined into flat arrays for the compiled search.

    `table[a, b, f]` is the table of base `b` moving about base `a`, with relative flips `f` (1: flipped
    along x, 2: along y), or -1. A table `k` has `cols[k]` x `rows[k]` cells from the corner (`x0`, `y0`);
    its node depths begin at `nodes_at[k]`, its cells at `cells_at[k]`. `cell_edges[c]..cell_edges[c+1]`
    are the edges listed for a cell: (x, y, dx, dy, 1 / length², sign nearest its start, sign nearest its end).
    """

    table: Array
    cols: Array
    rows: Array
    x0: Array
    y0: Array
    nodes_at: Array
    nodes: Array
    cells_at: Array
    cell_edges: Array
    listed: Array
    edges: Array


class Options(NamedTuple):
    """Every way in which any item may lie, a row each.

    `base` and `flips` (sx, sy) say which shape, `half` its half extents, `region` the strip of cloth,
    `heights` the least and greatest y of its centre, `lattice` where its centre may stand
    (x offset, x step, y offset, y step; a step of 0 leaves it free).
    """

    base: Array
    flips: Array
    half: Array
    region: Array
    heights: Array
    lattice: Array


class Poses(NamedTuple):
    """Where the items lie: the option of each, and its centre."""

    option: Array
    x: Array
    y: Array


class Scene(NamedTuple):
    """What stays while pieces move: item i may lie in the options `first[i]..first[i + 1]`; `fixed` ones never move;
    `size` are the base weights of the pairs; `gap` is what is kept between pieces, in mm."""

    first: Array
    fixed: Array
    size: Array
    options: Options
    tables: Tables
    gap: float
    moves: Moves


class Strikes(NamedTuple):
    """How a trial stands: the least overlap so far, sweeps without gain, and strikes."""

    least: float
    idle: int
    strikes: int


@njit(cache=True, nogil=True, inline="always")
def _nearest(px, py, edges, k, best):
    """(squared distance, sign) of a point to edge k, where nearer than `best`; else (best, 0)."""
    qx, qy = px - edges[k, 0], py - edges[k, 1]
    dx, dy = edges[k, 2], edges[k, 3]
    t = (qx * dx + qy * dy) * edges[k, 4]
    if t <= 0.0:
        inside = edges[k, 5]
    elif t >= 1.0:
        qx -= dx
        qy -= dy
        inside = edges[k, 6]
    else:
        inside = 1.0 if dx * qy - dy * qx > 0.0 else -1.0
        qx -= t * dx
        qy -= t * dy
    d = qx * qx + qy * qy
    if d < best:
        return d, inside
    return best, 0.0


@njit(cache=True, nogil=True)
def fill_nodes(nodes, x0, y0, edges):
    """Signed depth at every node: positive inside the polygon."""
    for r in range(nodes.shape[0]):
        for c in range(nodes.shape[1]):
            px, py = x0 + c * CELL, y0 + r * CELL
            best, sign = 1e30, -1.0
            for k in range(edges.shape[0]):
                d, s = _nearest(px, py, edges, k, best)
                if s != 0.0:
                    best, sign = d, s
            nodes[r, c] = sign * math.sqrt(best)


@njit(cache=True, nogil=True)
def list_edges(nodes, x0, y0, edges, counts, room):
    """List for every boundary cell the edges that can be nearest in it; -1 if there is too little room."""
    rows, cols = nodes.shape[0] - 1, nodes.shape[1] - 1
    half = CELL * math.sqrt(0.5)
    used = 0
    for r in range(rows):
        for c in range(cols):
            least = min(abs(nodes[r, c]), abs(nodes[r + 1, c]), abs(nodes[r, c + 1]), abs(nodes[r + 1, c + 1]))
            if least > 2 * half:
                continue
            px, py = x0 + (c + 0.5) * CELL, y0 + (r + 0.5) * CELL
            nearest = 1e30
            for k in range(edges.shape[0]):
                nearest = min(nearest, _nearest(px, py, edges, k, nearest)[0])
            reach = (math.sqrt(nearest) + 2 * half) ** 2
            for k in range(edges.shape[0]):
                if _nearest(px, py, edges, k, 1e30)[0] <= reach:
                    if used >= room.shape[0]:
                        return -1
                    room[used] = k
                    used += 1
                    counts[r * cols + c] += 1
    return used


@njit(cache=True, nogil=True)
def depth(tables, a, asx, asy, b, bsx, bsy, dx, dy):
    """How deep base `b` (flipped by `bsx`, `bsy`) at shift (dx, dy) overlaps base `a`; negative: apart.

    The shift runs from centre to centre. Beyond the table the two are far apart.
    """
    flip = (1 if asx * bsx < 0 else 0) + (2 if asy * bsy < 0 else 0)
    if a <= b:
        k, x, y = tables.table[a, b, flip], asx * dx, asy * dy
    else:
        k, x, y = tables.table[b, a, flip], -bsx * dx, -bsy * dy
    if k < 0:
        return -CELL
    fx, fy = (x - tables.x0[k]) / CELL, (y - tables.y0[k]) / CELL
    c, r = math.floor(fx), math.floor(fy)
    if c < 0 or r < 0 or c >= tables.cols[k] or r >= tables.rows[k]:
        # Not nearer than the table's edge: the distance to it is a lower bound.
        ox = max(0.0, -fx, fx - tables.cols[k])
        oy = max(0.0, -fy, fy - tables.rows[k])
        return -(1e-3 + CELL * math.sqrt(ox * ox + oy * oy))
    cell = tables.cells_at[k] + r * tables.cols[k] + c
    first, last = tables.cell_edges[cell], tables.cell_edges[cell + 1]
    if last > first:
        best, sign = 1e30, -1.0
        for e in range(first, last):
            d, s = _nearest(x, y, tables.edges, tables.listed[e], best)
            if s != 0.0:
                best, sign = d, s
        return sign * math.sqrt(best)
    u, v = fx - c, fy - r
    at = tables.nodes_at[k] + r * (tables.cols[k] + 1) + c
    low = tables.nodes[at] * (1 - u) + tables.nodes[at + 1] * u
    high = tables.nodes[at + tables.cols[k] + 1] * (1 - u) + tables.nodes[at + tables.cols[k] + 2] * u
    return low * (1 - v) + high * v


@njit(cache=True, nogil=True)
def _depth_of(tables, options, o, px, py, q, qx, qy):
    """How deep an option at one place overlaps another at another place."""
    return depth(
        tables,
        options.base[o],
        options.flips[o, 0],
        options.flips[o, 1],
        options.base[q],
        options.flips[q, 0],
        options.flips[q, 1],
        qx - px,
        qy - py,
    )


@njit(cache=True, nogil=True)
def _on_lattice(value, offset, step, low, high):
    """The admissible value nearest to `value`: clamped, or the nearest lattice point within the bounds."""
    if step <= 0.0:
        return min(max(value, low), high)
    k = round((min(max(value, low), high) - offset) / step)
    out = offset + k * step
    if out > high + 1e-9:
        out -= step
    # Where none lies within the bounds the one beyond is taken: out at the end of the lay, never before its start.
    if out < low - 1e-9:
        out += step
    return out


@njit(cache=True, nogil=True)
def clamp(o, x, y, length, options):
    return (
        _on_lattice(
            x,
            options.lattice[o, 0],
            options.lattice[o, 1],
            options.half[o, 0],
            max(length - options.half[o, 0], options.half[o, 0]),
        ),
        _on_lattice(y, options.lattice[o, 2], options.lattice[o, 3], options.heights[o, 0], options.heights[o, 1]),
    )


@njit(cache=True, nogil=True)
def _cost(i, o, px, py, bound, lying, w, scene):
    """Weighted overlap of item i lying in option o at (px, py); stops once it reaches `bound`."""
    options, tables, gap = scene.options, scene.tables, scene.gap
    total = 0.0
    for j in range(lying.option.shape[0]):
        if j == i:
            continue
        q = lying.option[j]
        if options.region[q] != options.region[o]:
            continue
        if (
            abs(lying.x[j] - px) >= options.half[o, 0] + options.half[q, 0] + gap
            or abs(lying.y[j] - py) >= options.half[o, 1] + options.half[q, 1] + gap
        ):
            continue
        d = _depth_of(tables, options, o, px, py, q, lying.x[j], lying.y[j])
        if d > TOUCHING:
            total += w[i, j] * d
            if total >= bound:
                return total
    return total


@njit(cache=True, nogil=True)
def _refine(i, o, px, py, cost, length, lying, w, scene):
    """Walk downhill along the axes and diagonals with an adaptive step."""
    options, moves = scene.options, scene.moves
    step = max(moves.least_first_step, min(options.half[o, 0], options.half[o, 1]) * moves.first_step)
    least_x = options.lattice[o, 1] if options.lattice[o, 1] > 0 else 0.0
    least_y = options.lattice[o, 3] if options.lattice[o, 3] > 0 else 0.0
    while step > moves.last_step and cost > 0.0:
        best, bx, by = cost, px, py
        for k in range(8):
            dx = (1.0, -1.0, 0.0, 0.0, 0.7, 0.7, -0.7, -0.7)[k]
            dy = (0.0, 0.0, 1.0, -1.0, 0.7, -0.7, 0.7, -0.7)[k]
            nx, ny = clamp(o, px + dx * max(step, least_x), py + dy * max(step, least_y), length, options)
            if nx == px and ny == py:
                continue
            c = _cost(i, o, nx, ny, best, lying, w, scene)
            if c < best:
                best, bx, by = c, nx, ny
        if best < cost:
            cost, px, py = best, bx, by
        else:
            step *= 0.5
    return cost, px, py


@njit(cache=True, nogil=True)
def _relocate(i, length, lying, w, scene):
    """Move item i to the best of its place and of many others."""
    options, first, moves = scene.options, scene.first, scene.moves
    here = _cost(i, lying.option[i], lying.x[i], lying.y[i], 1e30, lying, w, scene)
    top_c, top_o = np.full(REFINED, 1e30), np.zeros(REFINED, np.int64)
    top_x, top_y = np.zeros(REFINED), np.zeros(REFINED)
    top_c[0], top_o[0], top_x[0], top_y[0] = here, lying.option[i], lying.x[i], lying.y[i]
    choices = first[i + 1] - first[i]
    for k in range(UNIFORM + LOCAL):
        if k < LOCAL:
            o = lying.option[i] if k % 3 else first[i] + np.random.randint(choices)
            spread = moves.spread * (k % 6 + 1) / 6
            px = lying.x[i] + np.random.normal() * spread * 2 * options.half[o, 0]
            py = lying.y[i] + np.random.normal() * spread * 2 * options.half[o, 1]
        else:
            o = first[i] + np.random.randint(choices)
            px = options.half[o, 0] + np.random.random() * (length - 2 * options.half[o, 0])
            py = options.heights[o, 0] + np.random.random() * (options.heights[o, 1] - options.heights[o, 0])
        if 2 * options.half[o, 0] > length + 1e-6:
            continue
        px, py = clamp(o, px, py, length, options)
        if px + options.half[o, 0] > length + 1e-6:
            continue
        c = _cost(i, o, px, py, top_c[REFINED - 1], lying, w, scene)
        if c < top_c[REFINED - 1]:
            at = REFINED - 1
            while at > 0 and top_c[at - 1] > c:
                top_c[at], top_o[at], top_x[at], top_y[at] = top_c[at - 1], top_o[at - 1], top_x[at - 1], top_y[at - 1]
                at -= 1
            top_c[at], top_o[at], top_x[at], top_y[at] = c, o, px, py
    best, bo, bx, by = here, lying.option[i], lying.x[i], lying.y[i]
    for k in range(REFINED):
        if top_c[k] < 1e29:
            c, px, py = _refine(i, top_o[k], top_x[k], top_y[k], top_c[k], length, lying, w, scene)
            if c < best or (c == best and k > 0 and c == 0.0 and np.random.random() < moves.wander):
                best, bo, bx, by = c, top_o[k], px, py
    lying.option[i], lying.x[i], lying.y[i] = bo, bx, by


@njit(cache=True, nogil=True)
def overlaps(lying, scene, pair):
    """Fill `pair` with the depths of all overlaps; their sum."""
    options, tables, gap = scene.options, scene.tables, scene.gap
    total = 0.0
    n = lying.option.shape[0]
    for i in range(n):
        pair[i, i] = 0.0
        for j in range(i):
            d = 0.0
            o, q = lying.option[i], lying.option[j]
            if (
                options.region[o] == options.region[q]
                and abs(lying.x[j] - lying.x[i]) < options.half[o, 0] + options.half[q, 0] + gap
                and abs(lying.y[j] - lying.y[i]) < options.half[o, 1] + options.half[q, 1] + gap
            ):
                d = _depth_of(tables, options, o, lying.x[i], lying.y[i], q, lying.x[j], lying.y[j])
                if d <= TOUCHING:
                    d = 0.0
            pair[i, j] = d
            pair[j, i] = d
            total += d
    return total


@njit(cache=True, nogil=True)
def separate(seed, sweeps, length, before, scene, lying, w, kept):
    """Run up to `sweeps` sweeps of separation at a trial length; the sum of overlaps left, and how the trial stands.

    `before` is how it stood; `kept` holds the best state so far, to which a strike falls back.
    """
    options, tables, moves = scene.options, scene.tables, scene.moves
    least, idle, strikes = before.least, before.idle, before.strikes
    np.random.seed(seed)
    n = lying.option.shape[0]
    pair = np.zeros((n, n))
    total = overlaps(lying, scene, pair)
    for _ in range(sweeps):
        if total <= 0.0 or strikes >= moves.strikes:
            break
        order = np.random.permutation(n)
        for i in order:
            if scene.fixed[i]:
                continue
            busy = False
            for j in range(n):
                if pair[i, j] > 0.0:
                    busy = True
                    break
            if busy:
                _relocate(i, length, lying, w, scene)
                for j in range(n):
                    d = 0.0
                    o, q = lying.option[i], lying.option[j]
                    if j != i and options.region[o] == options.region[q]:
                        d = _depth_of(tables, options, o, lying.x[i], lying.y[i], q, lying.x[j], lying.y[j])
                        if d <= TOUCHING:
                            d = 0.0
                    pair[i, j] = d
                    pair[j, i] = d
        total, worst = 0.0, 0.0
        for i in range(n):
            for j in range(i):
                total += pair[i, j]
                worst = max(worst, pair[i, j])
        if total < least * moves.gain - 1e-9:
            least = total
            idle = 0
            kept.option[:], kept.x[:], kept.y[:] = lying.option, lying.x, lying.y
        else:
            idle += 1
        for i in range(n):
            for j in range(i):
                if pair[i, j] > 0.0:
                    w[i, j] *= moves.heavier + moves.heaviest * pair[i, j] / worst
                else:
                    w[i, j] = max(scene.size[i, j], w[i, j] * moves.lighter)
                w[j, i] = w[i, j]
        if idle >= moves.patience and total > 0.0:
            idle = 0
            strikes += 1
            lying.option[:], lying.x[:], lying.y[:] = kept.option, kept.x, kept.y
            total = overlaps(lying, scene, pair)
    return total, Strikes(least, idle, strikes)


@njit(cache=True, nogil=True)
def fill(order, heights, limit, lying, scene):
    """Bottom-left fill: each item to the place that reaches least far, trying many heights.

    An overlap's depth is how far to move on at least, so that each height is walked in few steps.
    Returns the length reached, or a number above `limit` as soon as it is sure to be exceeded.
    """
    first, fixed, options, tables, gap = scene.first, scene.fixed, scene.options, scene.tables, scene.gap
    n = lying.option.shape[0]
    placed = np.zeros(n, np.bool_)
    reached = 0.0
    for i in range(n):
        if fixed[i]:
            placed[i] = True
    for i in order:
        if fixed[i]:
            continue
        best, bo, bx, by = 1e30, -1, 0.0, 0.0
        for o in range(first[i], first[i + 1]):
            room = options.heights[o, 1] - options.heights[o, 0]
            tries = 1 if room < 1e-6 else heights
            for h in range(tries):
                py = options.heights[o, 0] + room * h / max(1, tries - 1)
                px, py = clamp(o, options.half[o, 0], py, 1e9, options)
                clear = False
                while not clear and px + options.half[o, 0] < best - 1e-6:
                    clear = True
                    for j in range(n):
                        if not placed[j] or options.region[lying.option[j]] != options.region[o]:
                            continue
                        q = lying.option[j]
                        if (
                            abs(lying.y[j] - py) >= options.half[o, 1] + options.half[q, 1] + gap
                            or abs(lying.x[j] - px) >= options.half[o, 0] + options.half[q, 0] + gap
                        ):
                            continue
                        d = _depth_of(tables, options, o, px, py, q, lying.x[j], lying.y[j])
                        if d > TOUCHING:
                            step = max(d, COARSE)
                            if options.lattice[o, 1] > 0.0:
                                step = math.ceil(step / options.lattice[o, 1]) * options.lattice[o, 1]
                            px += step
                            clear = False
                            break
                if clear and (px + options.half[o, 0] < best - 1e-6):
                    best, bo, bx, by = px + options.half[o, 0], o, px, py
        if bo < 0:
            return 1e30
        lying.option[i], lying.x[i], lying.y[i] = bo, bx, by
        placed[i] = True
        reached = max(reached, best)
        if reached > limit:
            return 1e30
    return reached
