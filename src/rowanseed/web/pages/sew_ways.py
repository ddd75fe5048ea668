"""The Sew station's other ways: how a seam, edge, closure or layer is made, and what another way changes."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from fastapi import APIRouter, Response

from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.sewing import Sewing
from rowanseed.core.base.errors import NotThere
from rowanseed.core.lay.estimate import estimate as likely_length
from rowanseed.core.make.allowances import AllowanceChange
from rowanseed.core.make.change import Way, changed
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.own_times import estimate
from rowanseed.core.make.technique import Technique
from rowanseed.core.make.workbench import Workbench, workbench
from rowanseed.core.notions.thread import sewn_lengths
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.core.shopping import notions_of
from rowanseed.drawings.choices import draw_choices
from rowanseed.drawings.colour import thread
from rowanseed.web.deps import Home, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.sew_and_keep import SewWaysView, Tried

router = APIRouter(route_class=Once)


@router.get("/projects/{id}/sew/ways")
def show_ways(home: Home, id: Id, part: str = "", technique: str = "") -> Response:
    project = load(home, id)
    way = next((w for w in project.core.ways if w.id == part), None)
    other = next((t for t in way.others if t.id == technique), None) if way else None
    core = project.core
    return home.show(
        SewWaysView(
            project=project,
            ways=core.ways,
            tried=_tried(project, way, other) if way and other else None,
            looked_at=part,
            picture=_picture(project, part),
            settled=core.settled,
            unsuited=core.why_not(part) if part else (),
        )
    )


def _picture(project: OpenProject, part: str) -> str | None:
    """The pieces with every edge that can be sewn otherwise, to be tapped."""
    core = project.core
    if not core.ways or not core.size:
        return None
    bench = workbench(core.garment, core.choices.view if core.choices else "", core.size, core.making_choices)
    edges = {way.id: bench.parts(_edge_of(bench, way.id)) for way in core.ways}
    chosen = frozenset(way.id for way in core.ways if way.is_chosen)
    names = {way.id: f"{way.name}: {way.taken.name}" for way in core.ways}
    return draw_choices(core.garment, core.size, edges, names, chosen, part, thread(f"#{project.colour}"))


def _edge_of(bench: Workbench, part: str) -> str:
    """The seam or finish that a part lies on."""
    return bench.closures[part].join if part in bench.closures else part.partition(":")[2] or part


def _tried(project: OpenProject, way: Way, technique: Technique) -> Tried:
    """What it would be like to sew a part another way."""
    core, size = project.core, project.core.size or ""
    other = core.sewn_with(way.id, technique.id, is_cut=project.is_cut)
    before, after = core.made, other.made
    chosen = dict(core.decisions.techniques).keys() - dict(other.decisions.techniques).keys()
    allowances = tuple(_allowances(core.garment, other.garment))
    sewn = [sewn_lengths(one.garment, size, one.made.operations) for one in (core, other)]
    return Tried(
        way=way,
        technique=technique,
        changed=changed(before.operations, after.operations),
        allowances=allowances,
        cloth=_cloth(project, other) if allowances and not project.is_cut else 0.0,
        price=_price(project, before.operations, after.operations),
        is_cut=project.is_cut,
        bought=_only_in(other, core),
        spared=_only_in(core, other),
        stitching=sewn[1][0] - sewn[0][0],
        neatened=sewn[1][1] - sewn[0][1],
        gaps=tuple(gap for gap in after.gaps if gap not in before.gaps),
        given_up=tuple(one for one in core.ways if one.id in chosen),
    )


def _price(project: OpenProject, before: Iterable[Operation], after: Iterable[Operation]) -> tuple[float, float]:
    """How much longer it takes, by one's own times where there are some, in minutes."""
    own, choices = Sewing(project).own, project.core.making_choices
    low = high = 0.0
    for sign, operations in ((1, after), (-1, before)):
        for op in operations:
            found = estimate(op, choices, own)
            low, high = low + sign * found.low, high + sign * found.high
    return low, high


def _cloth(project: OpenProject, other: Project) -> float:
    """How much longer the main cloth's lay is likely to come out, in mm: both at the usual density, not searched."""
    main = project.core.cloths.get(Role.MAIN)
    if main is None:
        return 0.0
    problems = [core.problem(Role.MAIN, main) for core in (project.core, other)]
    likely = [likely_length(problem).likely for problem in problems if problem is not None]
    return likely[1] - likely[0] if len(likely) == 2 else 0.0


def _only_in(one: Project, other: Project) -> tuple[str, ...]:
    """What has to be bought for the one and not for the other, in words."""
    known = {notion.what for notion in notions_of(other)}
    return tuple(dict.fromkeys(notion.what for notion in notions_of(one) if notion.what not in known))


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
