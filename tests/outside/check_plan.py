#!/usr/bin/env python3
"""Check a layout plan against its layout problem (see docs/formats/layout.md).

    check_plan.py PROBLEM.json PLAN.json [--tolerance MM]

One line per fault, `piece#n: ...` (n counts the plan's placements from 0), then a summary.
Exit 0: the plan is right. Exit 1: faults. Exit 2: a document cannot be read.
Needs shapely; shares no code with any application.
"""
import argparse
import json
import math
import sys
from collections import namedtuple

from shapely import affinity
from shapely.geometry import Polygon

PROBLEM_FORMAT = "rowanseed-layout-problem/1"
PLAN_FORMAT = "rowanseed-layout-plan/1"
LAYS = ("open", "folded", "two-folds", "part-folded")
TURNS = {"lengthwise": (0, 180), "crosswise": (90, 270), "either": (0, 90, 180, 270), "bias": (45, 135, 225, 315)}
ONE_WAY_TURNS = {"lengthwise": (0,), "crosswise": (90,), "either": (0, 90), "bias": (45,)}
GRID = 1e-4     # mm; areas in common are reckoned on this grid, since nearly coincident edges upset plain floating point

# A strip of usable cloth: y from low to high, how many layers, what lies beyond each side.
Region = namedtuple("Region", "low high layers below above")
# A placement made ready: its label, piece, placement, stretch, true polygon, region, on the fold or not.
Laid = namedtuple("Laid", "label piece placement stretch polygon region on_fold")


# ---------------------------------------------------------------- reading the documents

class BadDocument(Exception):
    """The document is not what the format describes."""


def is_number(value):
    return isinstance(value, (int, float)) and not isinstance(value, bool) and math.isfinite(value)


def is_point(value):
    return isinstance(value, list) and len(value) == 2 and all(is_number(v) for v in value)


def is_outline(value):
    return isinstance(value, list) and len(value) >= 3 and all(is_point(p) for p in value)


def is_length(value):
    return is_number(value) and value >= 0


def is_period(value):
    return is_number(value) and value > 0


def is_a(kind):
    return lambda value: isinstance(value, kind)


def some(value):
    return isinstance(value, list) and value != []


def or_null(test):
    return lambda value: value is None or test(value)


def one_of(*names):
    return lambda value: isinstance(value, str) and value in names


def fields(thing, where, required, optional=None):
    """Raise BadDocument unless `thing` is an object whose fields pass their tests."""
    if not isinstance(thing, dict):
        raise BadDocument(f"{where}: an object is needed here")
    for name, test in required.items():
        if name not in thing:
            raise BadDocument(f"{where}: field '{name}' is missing")
        if not test(thing[name]):
            raise BadDocument(f"{where}.{name}: {json.dumps(thing[name])[:60]} is not allowed here")
    for name, test in (optional or {}).items():
        if not test(thing.setdefault(name, None)):
            raise BadDocument(f"{where}.{name}: {json.dumps(thing[name])[:60]} is not allowed here")


def read_json(path):
    try:
        with open(path, encoding="utf-8") as handle:
            return json.load(handle)
    except (OSError, ValueError, RecursionError) as error:
        raise BadDocument(f"{path}: {error}") from None


def read_problem(path):
    """Read and validate a layout problem."""
    problem = read_json(path)
    fields(problem, "problem", {
        "format": one_of(PROBLEM_FORMAT), "name": is_a(str), "cloth": is_a(dict), "gap": is_length,
        "lays": lambda v: some(v) and all(x in LAYS for x in v),
        "pieces": some, "matches": is_a(list)})
    cloth = problem["cloth"]
    fields(cloth, "cloth", {
        "width": is_period, "length": or_null(is_period), "selvedge": is_length,
        "direction": one_of("one-way", "two-way"), "repeat": or_null(is_a(dict))})
    if cloth["width"] <= 2 * cloth["selvedge"]:
        raise BadDocument("cloth: the selvedges leave no usable width")
    if cloth["repeat"] is not None:
        fields(cloth["repeat"], "cloth.repeat", {"x": or_null(is_period), "y": or_null(is_period)})
    ids = set()
    for n, piece in enumerate(problem["pieces"]):
        where = f"pieces[{n}]"
        fields(piece, where, {
            "id": is_a(str), "outline": is_outline, "pair": is_a(bool), "grain": one_of(*TURNS),
            "cut": lambda v: is_number(v) and isinstance(v, int) and v >= 1,
            "fold": or_null(lambda v: some(v) and len(v) == 2 and all(is_point(p) for p in v))})
        if piece["id"] in ids:
            raise BadDocument(f"{where}.id: '{piece['id']}' is there twice")
        ids.add(piece["id"])
        if any(piece["outline"][k - 1] == point for k, point in enumerate(piece["outline"])):
            raise BadDocument(f"{where}.outline: a point is repeated")
        if not Polygon(piece["outline"]).is_valid:
            raise BadDocument(f"{where}.outline: not a simple polygon")
        if piece["fold"] is not None:
            check_fold_edge(piece, where)
    for n, match in enumerate(problem["matches"]):
        fields(match, f"matches[{n}]", {"axis": one_of("x", "y"), "points": some},
               {"phase": or_null(is_number)})
        for k, point in enumerate(match["points"]):
            fields(point, f"matches[{n}].points[{k}]", {"piece": one_of(*ids), "at": is_point})
    return problem


def check_fold_edge(piece, where):
    """The fold must join two neighbouring vertices, run along x, and have the whole outline on one side."""
    (x0, y0), (x1, y1) = piece["fold"]
    outline = [tuple(p) for p in piece["outline"]]
    edges = set(zip(outline, outline[1:] + outline[:1]))
    if ((x0, y0), (x1, y1)) not in edges and ((x1, y1), (x0, y0)) not in edges:
        raise BadDocument(f"{where}.fold: not an edge of the outline")
    ys = [y for _, y in outline]
    if abs(y0 - y1) > 1e-6:
        raise BadDocument(f"{where}.fold: not parallel to the grain")
    if min(ys) < y0 - 1e-6 and max(ys) > y0 + 1e-6:
        raise BadDocument(f"{where}.fold: the outline lies on both sides of it")


def read_plan(path):
    """Read and validate a layout plan (its shape only; whether it is right comes later)."""
    plan = read_json(path)
    fields(plan, "plan", {"format": one_of(PLAN_FORMAT), "length": is_period, "stretches": is_a(list)})
    for n, stretch in enumerate(plan["stretches"]):
        where = f"stretches[{n}]"
        fields(stretch, where, {"lay": one_of(*LAYS), "start": is_number, "end": is_number, "placements": is_a(list)},
               {"depth": or_null(is_number)})
        for k, placement in enumerate(stretch["placements"]):
            fields(placement, f"{where}.placements[{k}]", {
                "piece": is_a(str), "turn": is_number, "mirrored": is_a(bool), "whole": is_a(bool), "at": is_point,
                "outline": is_outline})
    return plan


# ---------------------------------------------------------------- geometry

def moved(points, placement):
    """Mirror in y if `mirrored`, turn about the origin, move by `at`."""
    angle = math.radians(placement["turn"])
    cos, sin = math.cos(angle), math.sin(angle)
    dx, dy = placement["at"]
    hand = -1 if placement["mirrored"] else 1
    return [(x * cos - hand * y * sin + dx, x * sin + hand * y * cos + dy) for x, y in points]


def unfolded(piece):
    """The outline of a fold piece joined to its mirror image at the fold."""
    outline = [tuple(p) for p in piece["outline"]]
    ends = [tuple(p) for p in piece["fold"]]
    axis = ends[0][1]
    n = len(outline)
    start = next(i for i in range(n) if {outline[i - 1], outline[i]} == set(ends))
    half = outline[start:] + outline[:start]            # from one end of the fold round to the other
    return half + [(x, 2 * axis - y) for x, y in reversed(half[1:-1])]


def same_shape(a, b, tolerance):
    """None if the outlines agree, else words for how far they differ."""
    if len(a) == len(b) and max(math.dist(p, q) for p, q in zip(a, b)) <= tolerance:
        return None
    poly_a, poly_b = Polygon(a), Polygon(b)
    if not poly_b.is_valid:
        return "it is not a simple polygon"
    area = poly_a.symmetric_difference(poly_b, grid_size=GRID).area
    apart = poly_a.exterior.hausdorff_distance(poly_b.exterior)
    if area < tolerance * poly_a.length and apart <= tolerance:
        return None
    return f"it differs by {area:.1f} mm2, and by {apart:.2f} mm at most"


def own_mirror_image(piece, tolerance):
    """True if the finished piece is its own mirror image (mirror line along x or along y)."""
    if piece["fold"] is not None:
        return True
    shape = Polygon(piece["outline"])
    left, low, right, high = shape.bounds
    centre = ((left + right) / 2, (low + high) / 2)
    for xfact, yfact in ((1, -1), (-1, 1)):
        mirror = affinity.scale(shape, xfact, yfact, origin=centre)
        if same_shape(shape.exterior.coords[:-1], mirror.exterior.coords[:-1], tolerance) is None:
            return True
    return False


def regions(stretch, cloth):
    """The usable strips of a stretch."""
    width, selvedge, depth = cloth["width"], cloth["selvedge"], stretch["depth"]
    if stretch["lay"] == "open":
        return [Region(selvedge, width - selvedge, 1, "selvedge", "selvedge")]
    if stretch["lay"] == "folded":
        return [Region(0, width / 2 - selvedge, 2, "fold", "selvedge")]
    if stretch["lay"] == "two-folds":
        middle = "middle, where the selvedges meet"
        return [Region(0, width / 4 - selvedge, 2, "fold", middle),
                Region(width / 4 + selvedge, width / 2, 2, middle, "fold")]
    return [Region(0, depth - selvedge, 2, "fold", "folded-in edge"),
            Region(depth, width - depth - selvedge, 1, "folded-in edge", "selvedge")]


def outside(bounds, region):
    """How far a shape reaches out of a region, and over what."""
    below, above = region.low - bounds[1], bounds[3] - region.high
    return (below, region.below) if below > above else (above, region.above)


def fold_lines(stretch, cloth):
    """The y of the folds of a stretch."""
    return {"open": [], "folded": [0], "two-folds": [0, cloth["width"] / 2], "part-folded": [0]}[stretch["lay"]]


def cloth_ys(laid, y, cloth):
    """The y on the cloth itself of a stretch's y, as (layer, y); two entries where the cloth is doubled."""
    width, lay = cloth["width"], laid.stretch["lay"]
    if lay == "open":
        return [("", y)]
    first_fold = {"folded": width / 2, "two-folds": width / 4, "part-folded": laid.stretch["depth"]}[lay]
    if laid.region.layers == 1:
        return [("", first_fold + y)]
    upper = first_fold - y if laid.region.low == 0 else width * 5 / 4 - y
    return [(" (upper layer)", upper), (" (under layer)", first_fold + y)]


# ---------------------------------------------------------------- the checks

def check_stretches(problem, plan, tolerance):
    """The stretches: in order, without gap, 0 to length, of allowed lays; the length in hand."""
    faults, reached, cloth = [], 0, problem["cloth"]
    for n, stretch in enumerate(plan["stretches"]):
        name, depth = f"stretch#{n}", stretch["depth"]
        if abs(stretch["start"] - reached) > tolerance:
            faults.append(f"{name}: starts at {stretch['start']:.2f} but the one before ends at {reached:.2f}")
        if stretch["end"] <= stretch["start"]:
            faults.append(f"{name}: ends at {stretch['end']:.2f}, not after its start {stretch['start']:.2f}")
        reached = stretch["end"]
        if stretch["lay"] not in problem["lays"]:
            faults.append(f"{name}: lay {stretch['lay']} is not among the problem's lays")
        if stretch["lay"] != "part-folded" and depth is not None:
            faults.append(f"{name}: a depth ({depth}) is only for part-folded")
        if stretch["lay"] == "part-folded" and not good_depth(stretch, cloth):
            faults.append(f"{name}: depth {depth} is not more than the selvedge and at most half the width")
    if abs(plan["length"] - reached) > tolerance:
        faults.append(f"plan: length is {plan['length']:.2f} but the stretches end at {reached:.2f}")
    if cloth["length"] is not None and plan["length"] > cloth["length"] + tolerance:
        faults.append(f"plan: length {plan['length']:.2f} is {plan['length'] - cloth['length']:.2f} mm more than is in hand")
    return faults


def good_depth(stretch, cloth):
    depth = stretch["depth"]
    return depth is not None and cloth["selvedge"] < depth <= cloth["width"] / 2


def lay_out(problem, plan, tolerance):
    """Make every placement ready as a Laid; returns them and the faults of their own: outline, place, fold."""
    pieces = {piece["id"]: piece for piece in problem["pieces"]}
    cloth, all_laid, faults, index = problem["cloth"], [], [], -1
    for stretch in plan["stretches"]:
        for placement in stretch["placements"]:
            index += 1
            label = f"{placement['piece']}#{index}"
            piece = pieces.get(placement["piece"])
            if piece is None:
                faults.append(f"{label}: the problem has no such piece")
                continue
            if stretch["lay"] == "part-folded" and not good_depth(stretch, cloth):
                continue
            if placement["whole"] and piece["fold"] is None:
                faults.append(f"{label}: laid whole, but it is no fold piece")
            whole = placement["whole"] and piece["fold"] is not None
            points = moved(unfolded(piece) if whole else piece["outline"], placement)
            difference = same_shape(points, placement["outline"], tolerance)
            if difference:
                faults.append(f"{label}: outline is not the piece's at this place and turn: {difference}")
            polygon = Polygon(points)
            region = min(regions(stretch, cloth), key=lambda r: outside(polygon.bounds, r)[0])
            on_fold = piece["fold"] is not None and not whole
            laid = Laid(label, piece, placement, stretch, polygon, region, on_fold)
            all_laid.append(laid)
            faults += check_place(laid, cloth, tolerance)
    return all_laid, faults


def check_place(laid, cloth, tolerance):
    """One placement: inside its stretch and usable strip, fold edge on a fold."""
    faults, label, stretch = [], laid.label, laid.stretch
    left, _, right, _ = laid.polygon.bounds
    if left < -tolerance:
        faults.append(f"{label}: crosses the start of its stretch by {-left:.2f} mm")
    room = stretch["end"] - stretch["start"]
    if right > room + tolerance:
        faults.append(f"{label}: crosses the end of its stretch by {right - room:.2f} mm")
    over, what = outside(laid.polygon.bounds, laid.region)
    if over > tolerance:
        faults.append(f"{label}: over the {what} by {over:.2f} mm (usable y {laid.region.low:g} to {laid.region.high:g})")
    if laid.on_fold:
        lines = fold_lines(stretch, cloth)
        ends = moved(laid.piece["fold"], laid.placement)
        off = min((max(abs(y - line) for _, y in ends) for line in lines), default=None)
        if off is None:
            faults.append(f"{label}: half of a fold piece, but an open stretch has no fold")
        elif off > tolerance:
            faults.append(f"{label}: fold edge is {off:.2f} mm off the fold")
    elif laid.placement["whole"] and laid.region.layers == 2:
        faults.append(f"{label}: laid whole on two layers; whole needs a single layer")
    return faults


def check_turns(problem, all_laid):
    """Turns allowed by the grain; on one-way cloth every piece points the same way."""
    faults, ways = [], {0: [], 180: []}
    one_way = problem["cloth"]["direction"] == "one-way"
    for laid in all_laid:
        turn, grain = laid.placement["turn"] % 360, laid.piece["grain"]
        fits = [t for t in TURNS[grain] if min(abs(turn - t), 360 - abs(turn - t)) < 1e-6]
        if one_way and fits:
            way = next((w for w in (0, 180) if (fits[0] - w) % 360 in ONE_WAY_TURNS[grain]), None)
            if way is None:
                fits = []
            else:
                ways[way].append(laid)
        if not fits:
            faults.append(f"{laid.label}: turn {laid.placement['turn']:g} is not allowed for grain {grain} on "
                          f"{problem['cloth']['direction']} cloth")
    if ways[0] and ways[180]:
        wrong = 180 if len(ways[180]) <= len(ways[0]) else 0
        faults += [f"{laid.label}: turn {laid.placement['turn']:g} points against the other pieces on one-way cloth"
                   for laid in ways[wrong]]
    return faults


def check_distances(problem, all_laid, tolerance):
    """No overlap, and at least `gap` between any two pieces of a stretch."""
    faults, gap = [], problem["gap"]
    for n, b in enumerate(all_laid):
        for a in all_laid[:n]:
            if a.stretch is not b.stretch:
                continue
            common = a.polygon.intersection(b.polygon, grid_size=GRID)
            allowed = max(0, tolerance - gap)           # an overlap no wider than this is within tolerance
            if common.area > 1e-6 and common.buffer(-allowed / 2).area > 0:
                faults.append(f"{b.label}: overlaps {a.label} by {common.area:.1f} mm2")
            elif a.polygon.distance(b.polygon) < gap - tolerance:
                faults.append(f"{b.label}: {a.polygon.distance(b.polygon):.2f} mm from {a.label}, the gap is {gap:g}")
    return faults


def check_counts(problem, all_laid, tolerance):
    """Every finished piece is cut, and nothing more than the spares that doubled cloth gives."""
    faults = []
    for piece in problem["pieces"]:
        mine = [laid for laid in all_laid if laid.piece is piece]
        either = own_mirror_image(piece, tolerance)
        mirrored_wanted = piece["cut"] // 2 if piece["pair"] and not either else 0
        wanted = (piece["cut"] - mirrored_wanted, mirrored_wanted)
        gives = {laid.label: finished(laid, either) for laid in mine}
        total = [sum(g[hand] for g in gives.values()) for hand in (0, 1)]
        names = ("", "") if either else ("unmirrored ", "mirrored ")
        for hand in (0, 1):
            if total[hand] < wanted[hand]:
                faults.append(f"{piece['id']}: {wanted[hand] - total[hand]} {names[hand]}missing of {wanted[hand]}")
        for laid in reversed(mine):                     # could it be left out?
            give = gives[laid.label]
            if all(give[h] == 0 or total[h] - give[h] >= wanted[h] for h in (0, 1)):
                total = [total[h] - give[h] for h in (0, 1)]
                what = "mirrored, and no mirrored copy is needed" if give == (0, 1) and wanted[1] == 0 else \
                    f"one placement more than needed ({wanted[0]} {names[0]}and {wanted[1]} mirrored are wanted)"
                faults.append(f"{laid.label}: {what}")
    return faults


def finished(laid, either):
    """How many finished pieces a placement gives, (as drawn, mirrored); all count as drawn if hands are alike."""
    double = laid.region.layers == 2 and not laid.on_fold and not laid.placement["whole"]
    if either:
        return (2, 0) if double else (1, 0)
    if double:
        return (1, 1)
    return (0, 1) if laid.placement["mirrored"] else (1, 0)


def check_matches(problem, all_laid, tolerance):
    """Match points stand at the same place of the print's repeat, on every layer."""
    faults, cloth = [], problem["cloth"]
    for n, match in enumerate(problem["matches"]):
        repeat = (cloth["repeat"] or {}).get(match["axis"])
        if repeat is None:
            continue
        seen = []                                       # (label, layer, where on the cloth along the axis)
        for point in match["points"]:
            for laid in all_laid:
                if laid.piece["id"] == point["piece"]:
                    (x, y), = moved([point["at"]], laid.placement)
                    spots = [("", laid.stretch["start"] + x)] if match["axis"] == "x" else cloth_ys(laid, y, cloth)
                    seen += [(laid.label, layer, spot) for layer, spot in spots]
        if not seen:
            continue
        target = seen[0][2] if match["phase"] is None else match["phase"]
        meant = f"that of {seen[0][0]}" if match["phase"] is None else f"phase {match['phase']:g}"
        for label, layer, spot in seen:
            off = (spot - target) % repeat
            off = min(off, repeat - off)
            if off > tolerance:
                faults.append(f"{label}: match {n} is {off:.2f} mm off {meant} in {match['axis']}{layer}")
    return faults


def density(problem, plan):
    """Area of the finished pieces needed over the usable cloth of the plan's length."""
    cloth = problem["cloth"]
    area = sum(Polygon(p["outline"]).area * (2 if p["fold"] else 1) * p["cut"] for p in problem["pieces"])
    return area / (plan["length"] * (cloth["width"] - 2 * cloth["selvedge"]))


def check(problem, plan, tolerance):
    """All faults of a plan, as lines."""
    tolerance += 1e-6                                   # so that rounding in the last bit is no fault
    all_laid, own_faults = lay_out(problem, plan, tolerance)
    return (check_stretches(problem, plan, tolerance) + own_faults + check_turns(problem, all_laid)
            + check_distances(problem, all_laid, tolerance) + check_counts(problem, all_laid, tolerance)
            + check_matches(problem, all_laid, tolerance))


def main():
    parser = argparse.ArgumentParser(description="Check a layout plan against its problem.")
    parser.add_argument("problem")
    parser.add_argument("plan")
    parser.add_argument("--tolerance", type=float, default=0.5, metavar="MM")
    args = parser.parse_args()
    try:
        problem, plan = read_problem(args.problem), read_plan(args.plan)
    except BadDocument as error:
        print(error, file=sys.stderr)
        return 2
    faults = check(problem, plan, args.tolerance)
    for fault in faults:
        print(fault)
    if faults:
        print(f"{len(faults)} faults")
        return 1
    count = sum(len(stretch["placements"]) for stretch in plan["stretches"])
    print(f"ok: length {plan['length']:.1f} mm, {count} placements, density {density(problem, plan):.4f}")
    return 0


if __name__ == "__main__":
    sys.exit(main())
