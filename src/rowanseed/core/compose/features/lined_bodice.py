"""A bodice lined edge to edge at neck and armholes, turned out through its shoulders and felled at the waist."""

from __future__ import annotations

from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.features.lining import inside, line
from rowanseed.core.compose.necks import armhole_finish
from rowanseed.core.compose.openings import is_lined_bodice, opening_side
from rowanseed.core.compose.vocabulary import ArmholeFinish, Centre, NeckFinish, Where
from rowanseed.core.pattern.making import FinishKind, Press


def forbids(d: Description) -> Found:
    f = d.features
    if not is_lined_bodice(d):
        return
    zipped = f.opening.kind is not None and f.opening.kind.zips_a_seam and f.opening.where in (Where.FRONT, Where.BACK)
    if not zipped or opening_side(d).centre is not Centre.SEAM:
        yield (
            "features.lining.method",
            "A bodice that is lined edge to edge is turned out through its shoulders: for that its centre front or "
            "back is a seam that a zip closes.",
        )
    if f.sleeve is not None:
        yield (
            "features.lining.method",
            "With sleeves a bodice's lining is not bagged: say “sewn in”, and it is sewn to the neck's facing.",
        )
    if d.is_without_shoulders:
        yield "features.lining.method", "A bagged lining is drafted for a bodice with shoulders: choose another method."
    if f.neck.finish not in (None, NeckFinish.LINING):
        yield "features.neck.finish", "A bagged lining finishes the neck itself."
    if f.armhole not in (None, ArmholeFinish.LINING):
        yield "features.armhole", "A bagged lining finishes the armholes itself."
    if f.armhole is None and armhole_finish(d) is ArmholeFinish.FACING:
        yield "features.facing", "A bagged lining finishes the armholes itself: leave their facing out."


def joins(build: Build, body: Body) -> None:
    shell = [p.piece for half in (body.front, body.back) for p in half.pieces]
    line(build, list(dict.fromkeys(shell)))
    edges = (
        ("neck", "Lining to neck", (*body.front.neck, *reversed(body.back.neck)), False),
        ("armhole", "Lining to armholes", (*body.front.armhole, *reversed(body.back.armhole)), True),
    )
    for id, name, parts, each in edges:
        build.join(id, name, parts, inside(parts), press=Press.FACING, each_hand=each)
        build.along[id] = (id,)
    lower = (*body.front.lower, *reversed(body.back.lower))
    build.finish("bodice-lining-waist", "Edge of the lining along the waist seam", FinishKind.TURNED, inside(lower))
    opened = body.front if build.description.features.opening.where is Where.FRONT else body.back
    centre = inside(tuple(p for p in opened.centre if p.piece in shell))
    build.finish(
        f"bodice-lining-centre-{opened.name}",
        f"Edge of the lining along the centre {opened.name} seam, at the zip",
        FinishKind.TURNED,
        (part(p.piece, p.edge, hand) for p in centre for hand in ("left", "right")),
    )


FEATURES = (Feature("lined-bodice", asked=is_lined_bodice, forbids=forbids, joins=joins, rank=80),)
