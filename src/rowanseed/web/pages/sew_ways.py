"""The Sew station's other ways: how a seam, edge, closure or layer is made, and what another way changes."""

from __future__ import annotations

from collections.abc import Iterator

from fastapi import APIRouter, Response

from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.base.errors import NotThere
from rowanseed.core.make.allowances import AllowanceChange
from rowanseed.core.make.change import Way, changed
from rowanseed.core.make.compiler import Made
from rowanseed.core.make.technique import Technique
from rowanseed.core.notions.to_buy import sewn_lengths
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.web.deps import Home, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.stations import SewWaysView, Tried

router = APIRouter(route_class=Once)


@router.get("/projects/{id}/sew/ways")
def show_ways(home: Home, id: Id, part: str = "", technique: str = "") -> Response:
    project = load(home, id)
    way = next((w for w in project.core.ways if w.id == part), None)
    other = next((t for t in way.others if t.id == technique), None) if way else None
    return home.show(
        SewWaysView(
            project=project,
            ways=project.core.ways,
            tried=_tried(project, way, other) if way and other else None,
        )
    )


def _tried(project: OpenProject, way: Way, technique: Technique) -> Tried:
    """What it would be like to sew a part another way."""
    core, size = project.core, project.core.size or ""
    other = core.sewn_with(way.id, technique.id, is_cut=project.is_cut)
    before, after = core.made, other.made
    sewn = [sewn_lengths(one.garment, size, one.made.operations) for one in (core, other)]
    return Tried(
        way=way,
        technique=technique,
        changed=changed(before.operations, after.operations),
        allowances=tuple(_allowances(core.garment, other.garment)),
        is_cut=project.is_cut,
        bought=_bought(before, after),
        stitching=sewn[1][0] - sewn[0][0],
        neatened=sewn[1][1] - sewn[0][1],
        gaps=tuple(gap for gap in after.gaps if gap not in before.gaps),
    )


def _bought(before: Made, after: Made) -> tuple[str, ...]:
    """What has to be bought besides, by its words."""
    known = {use.supply for op in before.operations for use in op.uses}
    wanted = (use.supply for op in after.operations for use in op.uses)
    return tuple(dict.fromkeys(supply.words for supply in wanted if supply not in known))


def _allowances(before: Pattern, after: Pattern) -> Iterator[AllowanceChange]:
    """Edges whose allowances are not the same."""
    for one, other in zip(before.pieces, after.pieces, strict=True):
        for was, now in zip(one.edges, other.edges, strict=True):
            if was.allowance != now.allowance:
                yield AllowanceChange(one.name, was.name.replace("-", " "), was.allowance, now.allowance)


@router.post("/projects/{id}/sew/ways")
def take_way(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    part, wanted = typed.get("part", ""), typed.get("technique", "")
    way = next((w for w in project.core.ways if w.id == part), None)
    if way is None or wanted not in {t.id for t in (way.taken, *way.others)}:
        raise NotThere("way of sewing")
    chosen = None if way.usual.id == wanted else wanted
    kept = project.core.sewn_with(part, chosen, is_cut=project.is_cut).decisions
    home.decide(project, typed, techniques=kept.techniques, as_cut=kept.as_cut)
    return go(f"/projects/{id}/sew/ways?part={part}#way-{part}")
