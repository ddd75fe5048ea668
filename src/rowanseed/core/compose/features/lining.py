"""A bagged lining; any other is derived from the pieces, as a project of the pattern begins with it."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.hems import FOLDED_ONCE
from rowanseed.core.compose.necks import armhole_finish
from rowanseed.core.compose.openings import is_half_placket, is_lined_bodice
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.vocabulary import (
    ArmholeFinish,
    LiningOf,
    NeckFinish,
    Placket,
    SleeveEnd,
    Slit,
    Where,
)
from rowanseed.core.derive.lining_graph import LINING
from rowanseed.core.make.families.jacket_hems import LEAST_HEM
from rowanseed.core.pattern.making import DetailKind, EdgePart, Finish, FinishKind, LayerKind, Press
from rowanseed.core.pattern.pieces import Panel, PointKind, Role

AT_HEM = "lining-bagged-at-hem"
"""How hem and sleeve ends of a bagged lining are sewn that hangs beside facings."""


def joins(build: Build, body: Body) -> None:
    asked = build.description.features.lining
    if build.description.features.is_bagged_at_hem:
        # Before the hem's own way, which serves where nothing is lined.
        build.ways[:0] = [(f"{LINING}{f.id}", AT_HEM) for f in build.finishes if f.kind is FinishKind.HEM]
    if is_lined_bodice(build.description):
        if asked is not None and asked.of is LiningOf.ALL:
            below = "legs'" if build.description.garment.has_legs else "skirt's"
            build.assumed["features.lining"] = (
                f"the {below} lining is worked out from its own pieces and hangs free; change it at the Cloth station"
            )
    elif asked is not None and (why := _cannot_be(build.description)):
        build.assumed["features.lining"] = why
    elif asked is None or not build.description.features.is_bagged:
        build.assumed["features.lining"] = (
            "the lining is worked out from the garment's own pieces; change it at the Cloth station"
            if asked is None or _is_worked_out(build, asked.of)
            else "a lining of this part alone is not drafted: line all of it at Cloth, or do it by your booklet"
        )
    else:
        _bagged(build, body.front, body.back)


def _cannot_be(d: Description) -> str:
    """Why no lining can be derived from the pieces as they are cut; empty where it can."""
    if d.features.is_bagged:
        return ""
    if is_half_placket(d):
        return "a half placket is cut out of what the lining would lie behind: line it by your booklet"
    return ""


def _is_worked_out(build: Build, of: LiningOf) -> bool:
    """Whether a lining of this part can be derived: the sleeves tell the body, a waist seam what is above or below."""
    match of:
        case LiningOf.ALL:
            return True
        case LiningOf.BODY:
            return any(piece.panel is Panel.SLEEVE for piece in build.pieces.values())
        case LiningOf.UPPER | LiningOf.LOWER:
            return build.description.has_waist_seam


def inside(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
    """The same edges of the lining."""
    return tuple(replace(p, piece=f"{p.piece}-lining") for p in parts)


def line(build: Build, shell: list[str]) -> None:
    """A lining drawn like these pieces, sewn together and shaped as they are."""
    for id in shell:
        build.copy_of(f"{id}-lining", id, f"{build.pieces[id].name} lining", role=Role.LINING)
        build.layer(LayerKind.LINING, f"{id}-lining", id)
    for join in list(build.joins):
        if all(p.piece in shell for p in (*join.a, *join.b)):
            build.joins.append(
                replace(
                    join,
                    id=f"lining-{join.id}",
                    name=f"{join.name} of the lining",
                    a=inside(join.a),
                    b=inside(join.b),
                )
            )
    for detail in list(build.details):
        if detail.kind is DetailKind.DOUBLE_DARTS and set(detail.on) <= set(shell):
            on = tuple(f"{id}-lining" for id in detail.on)
            build.details.append(replace(detail, id=f"lining-{detail.id}", name=f"{detail.name}, lining", on=on))
            for id in detail.on:
                dots = tuple(q for q in build.pieces[id].points if q.kind is PointKind.DOT)
                build.point(f"{id}-lining", *dots)


def _bagged(build: Build, front: Half, back: Half) -> None:
    line(build, [p.id for p in build.pieces.values() if p.panel in (Panel.FRONT, Panel.BACK, Panel.SLEEVE)])
    hem = next((f for f in build.finishes if f.id == "hem"), None)
    edges: list[tuple[str, str, tuple[EdgePart, ...], bool]] = []
    neck = (*front.neck, *reversed(back.neck))
    opening = tuple(p for half in (front, back) for p in half.centre if p.edge == "opening")
    edges.append(("neck", "Lining to neck", neck, False))
    if opening:
        half = "back" if build.description.features.opening.where is Where.BACK else "front"
        edges.append(("front-edges", f"Lining to {half} edges", opening, True))
    # With sleeves the shell's hem is turned up and the lining sewn to its raw edge, so that it falls in a fold; without
    # them both meet edge to edge.
    sleeved = build.description.features.sleeve is not None
    if hem is not None:
        build.finishes.remove(hem)
        _closes(build, hem)
        for p in hem.parts:
            for id in (f"{p.piece}-lining",) if sleeved else (p.piece, f"{p.piece}-lining"):
                build.allow(id, p.edge, build.seam)
        edges.append(("hem", "Lining to hem", hem.parts, False))
    if build.description.features.sleeve is None:
        edges.append(("armhole", "Lining to armholes", (*front.armhole, *reversed(back.armhole)), True))
    else:
        wrist = next((f for f in build.finishes if f.id == "wrist"), None)
        if wrist is not None and all(f"{p.piece}-lining" in build.pieces for p in wrist.parts):
            build.finishes.remove(wrist)
            _closes(build, wrist)
            for p in wrist.parts:
                build.allow(f"{p.piece}-lining", p.edge, build.seam)
            edges.append(("wrist", "Lining to sleeve ends", wrist.parts, True))
    for id, name, parts, each in edges:
        build.join(id, name, parts, inside(parts), press=Press.FACING, each_hand=each)
        build.along[{"front-edges": "front"}.get(id, id)] = (id,)


def _closes(build: Build, edge: Finish) -> None:
    """An edge that the lining is sewn to is hemmed in no way of its own."""
    if any(id == edge.id for id, _ in build.ways):
        build.assumed["features.hem.kind"] = "the lining is sewn to this edge, which is not hemmed by itself"
    build.ways = [(id, technique) for id, technique in build.ways if id != edge.id]


def forbids(d: Description) -> Found:
    f = d.features
    if f.lining is None or not f.has_bagged_lining or is_lined_bodice(d):
        return
    if not d.garment.has_bodice:
        yield (
            "features.lining.method",
            "A bagged lining closes a bodice all round: a skirt's lining hangs or is sewn in.",
        )
    if f.is_bagged and (f.vent or (f.skirt is not None and f.skirt.slit is not Slit.NONE)):
        yield (
            "features.lining.method",
            "Edge to edge a bagged lining goes round the hem in one: with a slit or a vent it is sewn in, or bagged "
            "under a collar.",
        )
    if f.lining.of is not LiningOf.ALL:
        yield "features.lining.of", "A bagged lining lines all of the garment: a part of it is lined by another method."
    if f.is_bagged_at_hem:
        if f.hem.kind not in FOLDED_ONCE:
            yield (
                "features.hem.kind",
                "A bagged lining is sewn to the raw edge of a hem that is folded once: choose one turned up, blind or "
                "by hand, or a lining that is sewn in.",
            )
        if f.hem.depth is not None and f.hem.depth < LEAST_HEM:
            yield "features.hem.depth", "A hem with a bagged lining sewn to it is at least 2 cm (3/4 in) deep."
        return
    if f.neck.finish not in (None, NeckFinish.LINING):
        yield "features.neck.finish", "A bagged lining finishes the neck itself."
    if f.sleeve is None and f.armhole not in (None, ArmholeFinish.LINING):
        yield "features.armhole", "A bagged lining finishes the armholes itself."
    if f.armhole is None and armhole_finish(d) is ArmholeFinish.FACING:
        yield "features.facing", "A bagged lining finishes the armholes itself: leave their facing out."
    if f.sleeve is not None and f.sleeve.end is not SleeveEnd.HEM:
        yield (
            "features.sleeve.end",
            "A bagged lining is sewn to sleeve ends that are turned up: with a cuff, elastic, a binding or a facing "
            "it is sewn in.",
        )
    if f.opening.placket is Placket.FACING and not (f.collar and f.collar.turns_back):
        yield "features.opening.placket", "With a bagged lining the fronts' facing is said under “facing”."


FEATURES = (Feature("lining", asked=lambda d: d.features.lining is not None, forbids=forbids, joins=joins, rank=80),)
