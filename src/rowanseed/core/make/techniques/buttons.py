"""Buttons: holes by machine or by hand, the buttons marked through them and sewn on with a shank."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, pieces_of
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import ClosureKind, FinishKind
from rowanseed.core.pattern.pieces import Panel, PointKind

THICK = 3.0
"""The thickness of a button where only its diameter is known, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in bench.closures.values():
        if closure.kind is ClosureKind.BUTTONS:
            yield single(closure.id)


def _length(bench: Workbench) -> str:
    size = bench.button_size()
    if size is None:
        return "Length of a hole: the button's diameter and its thickness."
    return (
        f"Length of a hole: {bench.fine(size)} across and about {bench.fine(THICK)} thick make "
        f"{bench.fine(size + THICK)}; measure your button."
    )


def _lap(bench: Workbench) -> str:
    match bench.pattern.envelope.figure:
        case Figure.MEN:
            return "The left front laps over the right, as men's garments do: the holes go into the left."
        case Figure.WOMEN:
            return "The right front laps over the left, as women's garments do: the holes go into the right."
        case _:
            return "Choose which front laps over: right over left is usual for women, left over right for men."


def _place(bench: Workbench) -> str:
    in_band = any(
        p.panel is Panel.BAND for p in bench.pattern.pieces for q in p.points if q.kind is PointKind.BUTTONHOLE
    )
    if in_band:
        return "They stand upright in the band, on its middle, at the marks."
    return f"They lie across, beginning {bench.fine(3)} beyond the centre line towards the edge, at the marks."


def _after_everything(bench: Workbench) -> Iterator[Need]:
    for join in bench.joins.values():
        yield Need(facts.join(Fact.TURNED, join.id), "the edge is faced and turned first", where_given=True)
    for finish in bench.finishes.values():
        if finish.kind is FinishKind.TURNED and not pieces_of(finish.parts) & bench.linings:
            yield Need(facts.finish(Fact.FINISHED, finish.id), "the band is whole", where_given=True)
        if finish.kind is FinishKind.HEM:
            yield Need(
                facts.finish(Fact.LEVELLED, finish.id), "the length is settled before a hole is cut", where_given=True
            )
    yield Need(facts.layer(Fact.CLOSED, "lining"), "it is closed and pressed flat", where_given=True)
    yield Need(facts.gate(Fact.SETTLED, "shell"), "the fit is settled before a hole is cut", where_given=True)
    yield Need(facts.gate(Fact.TRIED, "last"), "the last fitting comes before a hole is cut", where_given=True)


def _on(bench: Workbench, id: str) -> On:
    holes = [p for p in bench.pattern.pieces if any(q.kind is PointKind.BUTTONHOLE for q in p.points)]
    names = ("front", "opening")
    return On(
        closures=(id,),
        edges=tuple(EdgeShown(p.id, e.name) for p in holes for e in p.edges if e.name in names)[:2],
    )


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    number = max(1, bench.points_of(PointKind.BUTTONHOLE))
    yield Operation(
        id=f"buttonholes-{duty.id}",
        technique="buttonholes",
        act=Act.BUTTONHOLE,
        title="Sew the buttonholes",
        how=(
            f"{number} of them. {_length(bench)}",
            f"{_lap(bench)} {_place(bench)}",
            "From the lowest up, so that the last ones, which show, are the best.",
            "Cut them open from both ends to the middle, a pin across each end.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(4, number),
        on=_on(bench, duty.id),
        requires=tuple(_after_everything(bench)),
        gives=(facts.closure(Fact.OPENED, duty.id),),
        setting=settings.buttonhole(bench.household),
        caution="A blade slips: a pin across the end of the hole stops it.",
        booklet=bench.booklet(duty.id),
        look="The button goes through without force, and no thread of the edge is cut.",
    )
    yield Operation(
        id=f"buttons-{duty.id}",
        technique="buttons",
        act=Act.BUTTON,
        title="Sew on the buttons",
        how=(
            "Lay the edges level: pin at the top and the hem first, then between; mark through the opened holes.",
            "At the mark sew through button and under layer four to six times over a pin laid across the button; "
            "take the pin out, wind the thread round: the shank is as long as the layers above are thick.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(4, number),
        on=_on(bench, duty.id),
        requires=(Need(facts.closure(Fact.OPENED, duty.id), "they are marked through the holes"),),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        look="Buttoned, the edges hang level and nothing pulls.",
    )


TECHNIQUES = (
    Technique(
        id="buttons",
        name="Buttons and buttonholes",
        chapter="closures",
        finds=finds,
        sews=sews,
        rank=20,
        words={"shank": "the stem of thread between a button and the cloth"},
        draw="buttonhole",
    ),
)
