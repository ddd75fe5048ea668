"""Whole projects for tests: anything described, with something chosen of it at every station.

The whole vocabulary of descriptions, with layers, what saves cloth, cloths, a household's machines and habits, and
other ways of sewing on top of each other: most faults lie where two choices meet that nobody made together before.
"""

from __future__ import annotations

from dataclasses import replace

from hypothesis import strategies as st

from rowanseed.core.alter.blend import blendable
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered as offered_on
from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices, Decisions, FitChoices, Habits
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Use
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.derive.choice import Layers, LinedPart, LiningSchool, Pleat
from rowanseed.core.derive.facing import can_be_faced
from rowanseed.core.derive.lining import can_be_pleated, lined_parts, schools
from rowanseed.core.make.equipment import (
    Equipment,
    Experience,
    Foot,
    Holding,
    SeamFinish,
    SewingHabits,
    StaySchool,
    TryOn,
    Workroom,
)
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.stitching import on_stitching_line
from rowanseed.core.project import Project
from rowanseed.core.saving.apply import offered
from rowanseed.core.saving.combine import combined

from .descriptions import whole_ones

PLAIN = Cloth("cloth", width=1500.0, length=None, selvedge=0.0, direction=Direction.TWO_WAY)


def some(values):
    return st.sets(st.sampled_from(sorted(values))) if values else st.just(frozenset())


workrooms = st.builds(
    Workroom,
    st.builds(
        Equipment,
        machine=st.booleans(),
        zigzag=st.booleans(),
        stretch_stitch=st.booleans(),
        overlock_threads=st.sampled_from([0, 3, 4]),
        coverstitch=st.booleans(),
        feet=st.frozensets(st.sampled_from(Foot)),
        ham=st.booleans(),
    ),
    st.builds(
        SewingHabits,
        st.sampled_from(SeamFinish),
        st.sampled_from(StaySchool),
        st.sampled_from(TryOn),
        st.sampled_from(Holding),
        st.booleans(),
        st.sampled_from(Experience),
    ),
)
cloths = st.builds(
    replace,
    st.just(PLAIN),
    fibre=st.sampled_from(Fibre),
    weight=st.none() | st.sampled_from([60.0, 120.0, 250.0, 420.0]),
    structure=st.sampled_from(Structure),
    stretch=st.sampled_from([0.0, 0.2, 0.5]),
)


@st.composite
def layers(draw, pattern, size):
    return Layers(
        lining=draw(st.sampled_from(schools(pattern, "A", size) or (LiningSchool.NONE,))),
        of=draw(st.sampled_from((LinedPart.ALL, *lined_parts(pattern, "A")))),
        pleat=draw(st.sampled_from((Pleat.NONE, Pleat.FULL))) if can_be_pleated(pattern, "A") else Pleat.NONE,
        underlined=draw(st.booleans()),
        faced=tuple(sorted(draw(some({finish.id for finish in can_be_faced(pattern, "A")})))),
        fused=draw(st.booleans()),
    )


@st.composite
def fits(draw, pattern, size):
    """A blend of a size more or less at some levels, and up to two alterations of what is offered."""
    drawn = on_stitching_line(pattern)
    sizes, k = pattern.envelope.sizes, pattern.envelope.sizes.index(size)
    near = st.sampled_from(sizes[max(k - 1, 0) : k + 2])
    levels = blendable(drawn, size)
    blend = tuple((level, draw(near)) for level in levels) if levels and draw(st.booleans()) else ()
    asked, kinds = [], offered_on(drawn, size)
    for kind in draw(st.lists(st.sampled_from(kinds), max_size=2, unique=True)) if kinds else ():
        place = draw(st.sampled_from(kind.places_on(drawn, size)))
        by = draw(st.sampled_from([5.0, 15.0, min(kind.most, 30.0)]))
        less = kind.opposite and draw(st.booleans())
        asked.append(Alteration(kind.id, -by if less else by, place.at, place.level, place.school))
    return FitChoices(blend=blend, alterations=tuple(asked), altered_in=size)


@st.composite
def projects(draw):
    """A project with something chosen at every station; None for what is described and cannot be."""
    try:
        pattern = compose(draw(whole_ones)).pattern
    except DescriptionRefused:
        return None
    size = draw(st.sampled_from(pattern.envelope.sizes))
    fit = draw(fits(pattern, size))
    drawn = Project(pattern, {}, Decisions("A", size, fit), {}).altered.pattern
    taken = combined(tuple(sorted(draw(some(offered(drawn, "A", Role.MAIN, one_way=False))))))
    chosen = draw(st.fixed_dictionaries({}, optional={Role.MAIN: cloths, Role.LINING: cloths}))
    if Role.LINING in chosen:
        chosen[Role.LINING] = replace(chosen[Role.LINING], use=Use.LINING)
    project = Project(
        pattern,
        {},
        Decisions("A", size, fit, {Role.MAIN: taken}, ClothChoices(layers=draw(layers(drawn, size)))),
        chosen,
        Habits(units=draw(st.sampled_from(Units)), workroom=draw(workrooms)),
    )
    for _ in range(draw(st.integers(0, 3))):
        if parts := [way for way in project.ways if way.others]:
            way = draw(st.sampled_from(parts))
            project = project.sewn_with(way.id, draw(st.sampled_from(way.others)).id)
    return project
