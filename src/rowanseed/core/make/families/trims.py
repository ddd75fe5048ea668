"""Trims: along what they run, and what holds them."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Need, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind


def finds_along(kind: DetailKind) -> Finds:
    """Trims of a kind, with a seam or an edge that they run along."""

    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.along and not bench.parts_of(detail):
                yield single(detail.id)

    return finds


def held_along(bench: Workbench, duty: Duty, technique: str, what: str, where: str) -> Operation:
    """Caught in a seam, or stitched on an edge that is finished."""
    detail = bench.details[duty.id]
    step = of_detail(bench, technique, duty.id)
    seams = tuple(id for id in detail.along if id in bench.joins)
    edges = shown(part for id in detail.along for part in bench.parts(id))
    used = (Use(Supply.LACE if detail.kind is DetailKind.LACE else Supply.RICKRACK, step.mm + 40.0),)
    if seams:
        return step(
            "baste",
            Act.ATTACH,
            f"Baste the {what} on: {step.name}",
            f"{what.capitalize()} of {bench.length(step.mm + 40)}, washed first. On the right side of one edge: "
            f"{where}. Baste on the stitching line; the seam sewn on that row catches it. Round a corner lay a little "
            "fold.",
            setting=settings.longest(bench.household),
            needs=tuple(bench.flat_first(seams)),
            gives=(Fact.FINISHED, *facts.joins(Fact.BASTED, seams)),
            uses=used,
            on=On(edges=edges),
            look="It lies flat and is not stretched.",
        )
    return step(
        "sew",
        Act.ATTACH,
        f"Sew the {what} on: {step.name}",
        f"{what.capitalize()} of {bench.length(step.mm + 40)}, washed first, along the finished edge: {where}. Begin "
        "at a seam, turn both ends in, and lap them; edgestitch, or by hand along both edges.",
        needs=tuple(Need(facts.finish(Fact.FINISHED, id), "the edge is finished first") for id in detail.along),
        gives=(Fact.FINISHED,),
        uses=used,
        on=On(edges=edges),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        look="It lies flat and is not stretched.",
    )


def whole_and_pressed(bench: Workbench, along: tuple[str, ...]) -> Iterator[Need]:
    """A seam or an edge that is whole and pressed."""
    for id in along:
        if id in bench.finishes:
            yield Need(facts.finish(Fact.FINISHED, id), "the edge is finished first")
        else:
            yield Need(facts.join(Fact.PRESSED, id), "the seam is pressed first")
            yield Need(facts.join(Fact.TURNED, id), "the edge is turned first", where_given=True)


def trim_technique(
    kind: DetailKind, name: str, finds: Finds, sews: Callable[..., Iterator[Operation]], **more: object
) -> Technique:
    """A way to put a trim on."""
    return Technique(id=kind.value, name=name, chapter="edges", finds=finds, sews=sews, rank=16, **more)  # type: ignore[arg-type]
